using System.Diagnostics;
using System.Net;
using System.Security.Cryptography.X509Certificates;
using System.Text.RegularExpressions;
using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>Gentle Bead as ./start --lan brings it up.</summary>
public sealed class StartedShop : IAsyncLifetime
{
    public const string Name = "beads.localhost";

    public int Tls { get; } = StartedByScript.FreePort();

    public int Signpost { get; } = StartedByScript.FreePort();

    public StartedByScript Started { get; private set; } = null!;

    public async ValueTask InitializeAsync() =>
        Started = await StartedByScript.StartAsync("--lan", Name, "--tls-port", $"{Tls}", "--signpost-port", $"{Signpost}");

    public ValueTask DisposeAsync() => Started.DisposeAsync();
}

/// <summary>The shop's network as a tablet meets it: told where to go, told whom to trust, and from then on as by loopback.</summary>
public sealed class ShopNetworkTests(StartedShop shop) : IClassFixture<StartedShop>, IDisposable
{
    private readonly string home = Directory.CreateTempSubdirectory("gentlebead-tablet-").FullName;

    public void Dispose() => Directory.Delete(home, recursive: true);

    [Fact]
    public async Task A_tablet_is_told_where_to_go_trusts_the_shop_and_has_microphone_and_worker()
    {
        using var client = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{shop.Signpost}") };
        var words = await client.GetStringAsync("/anything");
        Assert.Contains($"https://{StartedShop.Name}:{shop.Tls}/", words, StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.MethodNotAllowed, (await client.PostAsync("/api/people/sign-in", null)).StatusCode);
        Assert.DoesNotContain("Nobody is here yet", await client.GetStringAsync("/api/people/welcome"), StringComparison.Ordinal);

        // What the signpost hands out is what ./start has printed.
        using var authority = X509CertificateLoader.LoadCertificate(await client.GetByteArrayAsync("/authority.crt"));
        var printed = Regex.Match(shop.Started.Words, "Fingerprint of the shop's authority: ([0-9A-F:]+)").Groups[1].Value;
        Assert.Equal(
            printed.Replace(":", "", StringComparison.Ordinal),
            authority.GetCertHashString(System.Security.Cryptography.HashAlgorithmName.SHA256)
        );
        Assert.Contains(printed, words, StringComparison.Ordinal);
        Assert.Contains($"https://{StartedShop.Name}:{shop.Tls}/", shop.Started.Words, StringComparison.Ordinal);

        Trust(authority);
        var silence = Path.Combine(home, "silence.wav");
        await File.WriteAllBytesAsync(silence, WavFile.Write(KnownClips.Clip(Sound.EvenCrackle, 1, 25, 14)));
        using var page = new Page(new Uri($"https://{StartedShop.Name}:{shop.Tls}"), 820, 1180, microphone: silence, home: home);
        page.See("Nobody is here yet");
        Assert.True(page.Run<bool>("return window.isSecureContext"));
        Assert.Equal(
            "live",
            page.RunAsync<string>(
                "const done = arguments[arguments.length - 1]; "
                    + "navigator.mediaDevices.getUserMedia({ audio: true })"
                    + ".then((s) => done(s.getTracks()[0].readyState), (e) => done(String(e)))"
            )
        );
        page.Type("School or shop", "Quay workshop");
        page.Type("Your name", "Ana");
        page.Type("Login", "ana");
        page.Type("Password", "long enough");
        page.Type("Set-up code", RunningServer.SetUpCode);
        page.Click("Begin");
        page.See("Add the first machine");
        Assert.True(page.Run<bool>("return document.cookie === ''"), "The cookie is not for scripts.");
        page.Open("/settings/network");
        page.See($"http://{StartedShop.Name}:{shop.Signpost}/", $"https://{StartedShop.Name}:{shop.Tls}/", printed, "iPad, iPhone");
        Assert.True(page.Has("svg[aria-label^='QR code of']"));

        // A student's own screen keeps its code by a worker of the shop's address, and opens without the shop.
        page.Open("/students/add");
        page.Type("Name", "Bo");
        page.Type("Login", "bo");
        page.Type("First password", "practice1");
        page.Click("Add student");
        page.See("Bo is in.");
        page.Open("/");
        page.SignOut();
        page.Type("Login", "bo");
        page.Type("Password", "practice1");
        page.Click("Sign in");
        page.See("No sheet yet");
        Assert.Equal(
            $"https://{StartedShop.Name}:{shop.Tls}/",
            page.RunAsync<string>(
                "const done = arguments[arguments.length - 1]; navigator.serviceWorker.ready.then((worker) => done(worker.scope))"
            )
        );
        Page.Until(
            () => BoothScreen.Kept(page) is var kept && kept.Contains("[\"me\"]") && kept.Contains("[\"room\",\"mine\"]"),
            "what his screen shows, kept"
        );
        page.CutNetwork(true);
        page.Open("/");

        page.See("Bo", "No sheet yet");
    }

    [Fact]
    public void A_tablet_that_has_not_been_told_trusts_nobody()
    {
        using var page = new Page(new Uri($"https://{StartedShop.Name}:{shop.Tls}"), home: home);
        Assert.Contains("ERR_CERT_AUTHORITY_INVALID", page.Run<string>("return document.body.innerHTML"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("beads.localhost", HttpStatusCode.OK)]
    [InlineData("127.0.0.1", HttpStatusCode.OK)]
    [InlineData("other.example", HttpStatusCode.BadRequest)]
    public async Task It_answers_to_its_own_names_and_to_no_others(string host, HttpStatusCode answer)
    {
        using var client = new HttpClient();
        using var request = new HttpRequestMessage(HttpMethod.Get, $"http://127.0.0.1:{shop.Started.Port}/health/ready");
        request.Headers.Host = host;
        Assert.Equal(answer, (await client.SendAsync(request)).StatusCode);
    }

    // As certutil of Debian's libnss3-tools tells a browser on this system.
    private void Trust(X509Certificate2 authority)
    {
        var store = Path.Combine(home, ".pki/nssdb");
        Directory.CreateDirectory(store);
        var file = Path.Combine(home, "authority.crt");
        File.WriteAllText(file, authority.ExportCertificatePem());
        Run("certutil", $"-N -d sql:{store} --empty-password");
        Run("certutil", $"-A -d sql:{store} -t C,, -n shop -i {file}");
    }

    private static void Run(string program, string arguments)
    {
        using var process = Process.Start(program, arguments);
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
    }
}
