using System.Globalization;
using System.Text.RegularExpressions;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;
using OpenQA.Selenium.Interactions;
using OpenQA.Selenium.Support.UI;

namespace GentleBead.Testing;

/// <summary>One browser, driven by what a person reads on the screen.</summary>
public sealed class Page : IDisposable
{
    // What is waited for comes within a second; the rest is for machines that others keep busy.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);
    private static readonly TimeSpan Often = TimeSpan.FromMilliseconds(50);
    private readonly ChromeDriver driver;
    private readonly Uri address;

    /// <param name="address">Where the server is.</param>
    /// <param name="width">Of the window.</param>
    /// <param name="height">Of the window.</param>
    /// <param name="microphone">A WAV file that the browser takes for its microphone, and hears whenever it is asked; null for a browser
    /// that may not hear.</param>
    /// <param name="camera">A film (MJPEG) that stands for the camera; null for none.</param>
    /// <param name="home">The folder whose store of trusted authorities it reads; null for this machine's own.</param>
    /// <param name="trusting">Whether it takes any certificate.</param>
    /// <param name="profile">The folder it keeps its things in from one start to the next; null for none.</param>
    public Page(
        Uri address,
        int width = 1280,
        int height = 800,
        string? microphone = null,
        string? camera = null,
        string? home = null,
        bool trusting = false,
        string? profile = null
    )
    {
        this.address = address;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-dev-shm-usage",
            "--hide-scrollbars",
            $"--window-size={width},{height}",
            "--lang=en-GB"
        );
        if (microphone is not null || camera is not null)
            options.AddArguments("--use-fake-device-for-media-stream", "--use-fake-ui-for-media-stream");
        if (microphone is not null)
            options.AddArgument($"--use-file-for-fake-audio-capture={microphone}");
        if (camera is not null)
            options.AddArgument($"--use-file-for-fake-video-capture={camera}");
        if (profile is not null)
            options.AddArgument($"--user-data-dir={profile}");
        options.AcceptInsecureCertificates = trusting;
        var service = ChromeDriverService.CreateDefaultService("/usr/bin/chromedriver");
        if (home is not null)
            service.DriverProcessStarting += (_, starting) => starting.DriverServiceProcessStartInfo.Environment["HOME"] = home;
        driver = new ChromeDriver(service, options, TimeSpan.FromMinutes(3));
        Resize(width, height);
        Open("/");
    }

    public string Text => driver.FindElement(By.TagName("body")).Text;

    public void Resize(int width, int height) =>
        driver.ExecuteCdpCommand(
            "Emulation.setDeviceMetricsOverride",
            new Dictionary<string, object?>
            {
                ["width"] = width,
                ["height"] = height,
                ["deviceScaleFactor"] = 1,
                ["mobile"] = false,
            }
        );

    /// <summary>Cuts the page's network, or joins it again.</summary>
    public void CutNetwork(bool cut)
    {
        driver.ExecuteCdpCommand("Network.enable", []);
        driver.ExecuteCdpCommand(
            "Network.emulateNetworkConditions",
            new Dictionary<string, object?>
            {
                ["offline"] = cut,
                ["latency"] = 0,
                ["downloadThroughput"] = -1,
                ["uploadThroughput"] = -1,
            }
        );
    }

    /// <summary>Has what the page asks for at some addresses come to nothing, as on a line that breaks; none joins it again.</summary>
    /// <param name="addresses">With * for anything.</param>
    public void Break(params string[] addresses)
    {
        driver.ExecuteCdpCommand("Network.enable", []);
        driver.ExecuteCdpCommand("Network.setBlockedURLs", new Dictionary<string, object?> { ["urls"] = addresses });
    }

    /// <summary>Runs a script in every page before any of its own.</summary>
    public void Before(string script) =>
        driver.ExecuteCdpCommand("Page.addScriptToEvaluateOnNewDocument", new Dictionary<string, object?> { ["source"] = script });

    /// <summary>Forgets every file that was fetched: the next page is a first one.</summary>
    public void ForgetFiles() => driver.ExecuteCdpCommand("Network.clearBrowserCache", []);

    public void Open(string path) => driver.Navigate().GoToUrl(new Uri(address, path));

    /// <summary>Steps in by the button that the demo school offers.</summary>
    public Page StepInAs(string name)
    {
        Click(name, startsWith: true);
        See("Go to");
        return this;
    }

    /// <summary>Signs out, by the key itself or, on a narrow screen, out of the folded keys.</summary>
    public void SignOut()
    {
        See("Go to");
        if (!CanClick("Sign out"))
            Click("Units, light, keys, sign out");
        Click("Sign out");
        See("Login");
    }

    /// <summary>Says who stands at a booth tonight.</summary>
    public void Stand(string student, int booth)
    {
        var who = $"Who stands at booth {booth}";
        Click(who, startsWith: true);
        Type(who, student);
        Click(student);
    }

    /// <summary>Asks a number of a sheet for its reason.</summary>
    public void Why(string number)
    {
        var path = By.XPath($"//button[contains(normalize-space(), {Quote($"Why {number}?")})]");
        Until(
            () =>
            {
                var key = driver.FindElements(path).FirstOrDefault(candidate => candidate.Displayed);
                driver.ExecuteScript("arguments[0]?.scrollIntoView({block: 'center'})", key);
                key?.Click();
                return key is not null;
            },
            $"the reason for {number}"
        );
    }

    public void See(params string[] texts)
    {
        foreach (var text in texts)
            Until(() => Unaccented(Text).Contains(text, StringComparison.OrdinalIgnoreCase), $"\"{text}\" on the page");
    }

    // Words in the made-up language that screens are also walked in are the same to whoever looks for them.
    private static readonly Dictionary<char, char> Accents = Regex
        .Matches(File.ReadAllText(Path.Combine(Cluster.Root, "ui/src/shared/words/accented.ts")), @"(\w): '(\p{L})'")
        .ToDictionary(pair => pair.Groups[2].Value[0], pair => pair.Groups[1].Value[0]);

    private static string Unaccented(string text) => string.Concat(text.Select(letter => Accents.GetValueOrDefault(letter, letter)));

    /// <summary>Waits for texts in one part of the page.</summary>
    public void SeeIn(string label, params string[] texts)
    {
        foreach (var text in texts)
            Until(() => Part(label).Contains(text, StringComparison.Ordinal), $"\"{text}\" in {label}");
    }

    /// <summary>Waits until so many things of a kind stand on the page.</summary>
    public void SeeCount(string css, int count) => Until(() => Count(css) == count, $"{count} of {css}");

    public void SeeNot(string text, TimeSpan? patience = null) =>
        Until(() => !Text.Contains(text, StringComparison.OrdinalIgnoreCase), $"no \"{text}\" on the page", patience);

    /// <summary>Clicks a button, link or option by what stands on it or what it is called.</summary>
    /// <param name="label">The visible text, or the accessible name of a picture key.</param>
    /// <param name="within">The accessible name of the part of the page to look in.</param>
    /// <param name="startsWith">Whether the text or name may go on.</param>
    public void Click(string label, string? within = null, bool startsWith = false)
    {
        var scope = within is null ? "" : $"//*[@aria-label={Quote(within)} or (self::fieldset and legend={Quote(within)})]";
        var named = startsWith
            ? $"starts-with(normalize-space(), {Quote(label)}) or starts-with(@aria-label, {Quote(label)})"
            : $"normalize-space()={Quote(label)} or @aria-label={Quote(label)}";
        var path = By.XPath($"{scope}//*[self::button or self::a or self::summary or @role='option'][{named}]");
        Until(
            () =>
            {
                var element = driver.FindElements(path).FirstOrDefault(candidate => candidate.Displayed && candidate.Enabled);
                if (element is null)
                    return false;
                // A list drawn anew between aiming and clicking is hit beside its mark, and nothing tells.
                driver.ExecuteScript(
                    "arguments[0].scrollIntoView({block: 'center'}); window.clicked = false; "
                        + "arguments[0].addEventListener('click', () => { window.clicked = true }, { once: true, capture: true })",
                    element
                );
                element.Click();
                return (bool)driver.ExecuteScript("return window.clicked !== false")!;
            },
            $"something to click called \"{label}\""
        );
    }

    /// <summary>Opens the pages of one student from the list of all, once it shows nobody else.</summary>
    /// <param name="name">First name and family name.</param>
    public void OpenStudent(string name)
    {
        Open("/students");
        Type("Find by name", name.Split(' ')[0]);
        SeeCount("[aria-label='Students by name'] a", 1);
        Click(name);
    }

    /// <summary>Clicks a drawing at a point of its own coordinates.</summary>
    public void ClickPoint(string css, double x, double y)
    {
        var drawing = Find(By.CssSelector(css));
        driver.ExecuteScript("arguments[0].scrollIntoView({block: 'nearest'})", drawing);
        var at = (System.Collections.ObjectModel.ReadOnlyCollection<object>)
            driver.ExecuteScript(
                "const m = arguments[0].getScreenCTM(); return [Math.round(m.a * arguments[1] + m.e), Math.round(m.d * "
                    + "arguments[2] + m.f)]",
                drawing,
                x,
                y
            )!;
        new Actions(driver).MoveToLocation(Convert.ToInt32(at[0]), Convert.ToInt32(at[1])).Click().Perform();
    }

    public void DoubleClick(string label)
    {
        var element = Find(By.XPath($"//button[normalize-space()={Quote(label)}]"));
        driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", element);
        new Actions(driver).DoubleClick(element).Perform();
    }

    /// <summary>Types into the field with this label, in place of what stands there.</summary>
    public void Type(string label, string text, string? within = null)
    {
        var field = Field(label, within);
        driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", field);
        field.Click();
        field.SendKeys(Keys.Control + "a" + Keys.Null + Keys.Backspace);
        if (text.Length > 0)
            field.SendKeys(text);
    }

    /// <summary>Sets a field for a day, as its calendar does; typing goes by the browser's own order of day and month.</summary>
    public void SetDay(string label, DateOnly day, string? within = null) =>
        Set(label, day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture), within);

    /// <summary>Sets a field for a time; typing goes by the browser's own clock of twelve or twenty-four hours.</summary>
    public void SetTime(string label, TimeOnly time, string? within = null) =>
        Set(label, time.ToString("HH:mm", CultureInfo.InvariantCulture), within);

    private void Set(string label, string value, string? within) =>
        driver.ExecuteScript(
            """
            const [field, value] = arguments;
            Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, value);
            field.dispatchEvent(new Event('input', { bubbles: true }));
            """,
            Field(label, within),
            value
        );

    /// <summary>Picks an option of a list.</summary>
    public void Choose(string label, string option, string? within = null)
    {
        // A live notice may draw the field anew between finding and clicking it.
        Until(
            () =>
            {
                var field = Field(label, within);
                driver.ExecuteScript("arguments[0].scrollIntoView({block: 'center'})", field);
                field.Click();
                return true;
            },
            $"a list called \"{label}\""
        );
        Click(option);
    }

    /// <summary>Picks from a list of the browser's own what contains a text.</summary>
    public void ChooseOf(string label, string text)
    {
        var option = By.XPath($"//select[@aria-label={Quote(label)}]/option[contains(., {Quote(text)})]");
        Until(
            () =>
            {
                driver.FindElement(option).Click();
                return true;
            },
            $"\"{text}\" in the list {label}"
        );
    }

    public string Value(string label) => Field(label).GetAttribute("value") ?? "";

    public void ForgetCookies() => driver.Manage().Cookies.DeleteAllCookies();

    public void Press(string keys) => new Actions(driver).SendKeys(keys).Perform();

    public void PressWithControl(string key) => new Actions(driver).KeyDown(Keys.Control).SendKeys(key).KeyUp(Keys.Control).Perform();

    public void PressWithShift(string key) => new Actions(driver).KeyDown(Keys.Shift).SendKeys(key).KeyUp(Keys.Shift).Perform();

    /// <summary>The text of the part of the page with this accessible name.</summary>
    public string Part(string label) => Find(By.CssSelector($"[aria-label='{label}']")).Text;

    public bool Has(string css) => driver.FindElements(By.CssSelector(css)).Count > 0;

    public int Count(string css) => driver.FindElements(By.CssSelector(css)).Count;

    /// <summary>The texts of every element a selector finds, in order.</summary>
    public IReadOnlyList<string> Texts(string css) => [.. driver.FindElements(By.CssSelector(css)).Select(element => element.Text)];

    /// <summary>Gives a file to a file field, as if picked by hand.</summary>
    public void Upload(string css, string path) => driver.FindElement(By.CssSelector(css)).SendKeys(path);

    /// <summary>Shows the page as it is on screen or on paper.</summary>
    public void Media(string media) =>
        driver.ExecuteCdpCommand("Emulation.setEmulatedMedia", new Dictionary<string, object?> { ["media"] = media });

    /// <summary>Prints the page as its own styles want it, as PDF.</summary>
    public byte[] Print()
    {
        var printed =
            (IDictionary<string, object?>)
                driver.ExecuteCdpCommand("Page.printToPDF", new Dictionary<string, object?> { ["preferCSSPageSize"] = true })!;
        return Convert.FromBase64String((string)printed["data"]!);
    }

    public bool CanClick(string label) =>
        driver
            .FindElements(By.XPath($"//button[starts-with(normalize-space(), {Quote(label)})]"))
            .Any(button => button.Enabled && button.GetAttribute("data-disabled") is null);

    public T Run<T>(string script, params object[] arguments) => (T)driver.ExecuteScript(script, arguments)!;

    public T RunAsync<T>(string script)
    {
        driver.Manage().Timeouts().AsynchronousJavaScript = TimeSpan.FromSeconds(60);
        return (T)driver.ExecuteAsyncScript(script)!;
    }

    public void Picture(string path) => driver.GetScreenshot().SaveAsFile(path);

    /// <summary>Waits until nothing moves and nothing is loading.</summary>
    public void Still() =>
        Until(
            () =>
                Run<bool>(
                    "return document.readyState === 'complete' && !document.querySelector('.mantine-Loader-root') && "
                        + "document.getAnimations().every((one) => one.playState !== 'running')"
                ),
            "a page at rest"
        );

    public static void Until(Func<bool> holds, string what, TimeSpan? patience = null)
    {
        var wait = new DefaultWait<Func<bool>>(holds)
        {
            Timeout = patience ?? Patience,
            PollingInterval = Often,
            Message = $"Waited in vain for {what}.",
        };
        // The page redrew under our hands; look again.
        wait.IgnoreExceptionTypes(typeof(WebDriverException));
        wait.Until(ask => ask());
    }

    public void Dispose() => driver.Dispose();

    private IWebElement Field(string label, string? within = null) =>
        Find(
            By.XPath(
                (within is null ? "" : $"//*[@aria-label={Quote(within)}]")
                    + "//*[self::input or self::textarea]"
                    + $"[@id=//label[normalize-space()={Quote(label)}]/@for or @aria-label={Quote(label)}]"
            )
        );

    private IWebElement Find(By by)
    {
        IWebElement? found = null;
        Until(() => (found = driver.FindElements(by).FirstOrDefault(element => element.Displayed)) is not null, by.ToString());
        return found!;
    }

    private static string Quote(string text) => text.Contains('\'', StringComparison.Ordinal) ? $"\"{text}\"" : $"'{text}'";
}
