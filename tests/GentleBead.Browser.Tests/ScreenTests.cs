using System.Text.RegularExpressions;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

public class ScreenTests(DemoServer demo)
{
    // What no sentence says: what there is none of, one of a thing as many, a value that is none.
    private static readonly Regex Nothing = new(@"\b(from 0 |0 % (more|less)|1 (beads|readings|marks|coupons|tries)\b|NaN|undefined)");

    private static readonly string Axe = File.ReadAllText(Path.Combine(Cluster.Root, "ui/node_modules/axe-core/axe.min.js"));

    [Theory]
    [InlineData(1280, 800, "light")]
    [InlineData(820, 1180, "light")]
    [InlineData(1280, 800, "dark")]
    public void Every_screen_fits_reads_and_asks_no_other_host(int width, int height, string scheme)
    {
        using var page = demo.Open(width, height);
        page.See("Step in as");
        page.Run<object?>($"localStorage.setItem('mantine-color-scheme-value', '{scheme}')");
        page.Open("/");
        // A tablet shows the same colours and words as the wide screen: there only the fit is new.
        var read = width > 1000;
        Check(page, "sign-in", read);
        page.StepInAs("Maren Holloway");
        foreach (var (name, go) in Screens.Instructor.Concat(Screens.Judging).Concat(Screens.Practice).Concat(Screens.Small))
        {
            go(page);
            Check(page, name, read);
        }
        page.Open("/");
        page.Click("Sign out");
        page.StepInAs("Wynn Okafor");
        page.See("Your rack");
        Check(page, "mine", read);
    }

    [Fact]
    public void A_student_says_the_hand_they_hold_the_torch_in_and_it_is_kept()
    {
        using var page = demo.Open().StepInAs("Wynn Okafor");
        page.See("You hold the torch in");
        page.Click("Left hand");
        const string Pressed =
            "return [...document.querySelectorAll('button[aria-pressed=true]')].some(key => key.textContent === 'Left hand')";
        Page.Until(() => page.Run<bool>(Pressed), "the hand on the screen");
        page.Open("/");
        page.See("You hold the torch in");
        Page.Until(() => page.Run<bool>(Pressed), "the hand after coming back");
    }

    [Fact]
    public void On_the_bench_every_target_takes_a_gloved_finger()
    {
        using var page = demo.Open(820, 1180).StepInAs("Maren Holloway");
        page.Click("Bench", within: "Booth 2");
        page.See("Judge the bead");
        page.Click("More looks: along the bead, lean, start, nozzle, gas, light");
        page.See("Worse as it goes", "Blown aside", "Nothing comes", "Wire touching", "Wire burnt back");
        var small = page.Run<System.Collections.ObjectModel.ReadOnlyCollection<object>>(
            """
            return [...document.querySelectorAll('.capture button, .capture input, .tabs a, .coupon button, header button')]
              .filter(e => e.offsetParent && e.getBoundingClientRect().height < 48)
              .map(e => (e.textContent || e.getAttribute('aria-label') || e.id) + ' ' + e.getBoundingClientRect().height)
            """
        );
        Assert.Empty(small);
    }

    [Fact]
    public void The_keyboard_reaches_what_is_frequent()
    {
        using var page = demo.Open().StepInAs("Maren Holloway");
        page.See("Today");
        page.Press("?");
        page.See("These keys");
        page.Press(OpenQA.Selenium.Keys.Escape);
        page.SeeNot("These keys");
        page.Press("2");
        page.See("Judge the bead");
        page.PressWithShift("4");
        page.See("Slip-side knob-and-tap");
        page.See("Plate thickness");
        page.Run<object?>("document.activeElement.blur()");
        page.Press("t");
        page.See("At no booth");
        page.PressWithControl("k");
        Page.Until(() => page.Has("input[placeholder='Booth, student or command']"), "the palette");
        page.Press("booth 3: sheet");
        page.Press(OpenQA.Selenium.Keys.Enter);
        page.See("Green digital");
        page.See("Plate thickness");
        page.Run<object?>("document.activeElement.blur()");
        page.Press("u");
        page.See("7.1");
        page.Press("u");
        page.See("280");
    }

    [Fact]
    public async Task A_new_school_begins_with_its_first_instructor_and_first_machine()
    {
        await using var server = await RunningServer.StartAsync(demo: false);
        using var page = new Page(server.Address);
        page.See("Nobody is here yet");
        Assert.DoesNotContain("demo", page.Text, StringComparison.OrdinalIgnoreCase);
        page.Type("School or shop", "Quay workshop");
        page.Type("Your name", "Ana");
        page.Type("Login", "ana");
        page.Type("Password", "short");
        page.Click("Begin");
        page.See("At least 8 characters");
        page.Type("Password", "long enough");
        page.Click("Begin");
        page.Click("Set up the shop");
        page.Type("Machine, as the room calls it", "Blue");
        page.Choose("Front", "One knob, volts follow, trim");
        page.Click("change marks, rating, programs");
        page.Type("Volts a mark", "9");
        page.Click("Add machine");
        page.See("How many volts does one mark of the trim add?");
        page.Type("Volts a mark", "0.4");
        page.Click("Add machine");
        page.See("Not calibrated: no readings yet.");
        page.Type("Name", "Bo");
        page.Type("Login", "bo");
        page.Type("First password", "practice1");
        page.Click("Add student");
        Page.Until(() => page.Part("Students").Contains("Bo", StringComparison.Ordinal), "the student");
        page.Click("Session");
        page.Type("Session", "First evening");
        page.Click("Start today's session");
        page.See("First evening");
        page.Type("Who stands at booth 1", "Bo");
        page.Click("Bo");
        page.Click("Sheet", within: "Booth 1");
        page.Type("Plate thickness", "3.2");
        page.Click("Give to Bo");
        page.See("Judge the bead");
    }

    /// <summary>Takes the pictures of docs/screenshots; run by scripts/pictures.sh only.</summary>
    [Fact(Explicit = true)]
    public async Task Pictures_for_the_documentation()
    {
        var folder = Path.Combine(Cluster.Root, "docs/screenshots");
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address);
        page.See("Step in as");
        page.StepInAs("Maren Holloway");
        foreach (
            var (name, go) in Screens
                .Instructor.Where(screen => screen.Name is not ("card" or "tig"))
                .Concat(Screens.Judging)
                .Concat(Screens.Practice)
        )
        {
            go(page);
            Take(name);
        }
        TakeALadder();
        page.Resize(820, 1180);
        page.Open("/");
        page.Click("Bench", within: "Booth 3");
        page.See("Change next");
        page.Press("d");
        Take("bench-tablet-dark");
        page.Press("d");
        page.Resize(1280, 800);
        page.Open("/");
        page.Click("Sign out");
        page.StepInAs("Ilsa Brandt");
        page.See("Your rack");
        Take("student");

        void TakeALadder()
        {
            Screens.ToBooth(page, 4, "Sheet");
            page.See("It should sound");
            page.Type("Plate thickness", "1/8");
            page.See("1/8 T, horizontal");
            page.Click("Give", startsWith: true);
            page.See("Bead 1");
            page.Click("Trials", within: "Booth");
            page.Click("Start");
            foreach (
                var (step, sound, profile, leg) in new[]
                {
                    (1, "Popping, stubbing", "Piled up", "0.25"),
                    (2, "Hiss", "Thin, lumpy", "0.12"),
                    (3, "Even crackle", "", "0.17"),
                }
            )
            {
                page.See($"Step {step}:");
                page.Click(sound);
                page.Click(profile.Length == 0 ? "Looks right all round" : profile);
                if (profile.Length == 0)
                    page.Click("Tint behind", within: "Far side");
                page.Type("Leg, if measured", leg);
                page.Click("Judge the bead");
            }
            page.See("more leg");
            Take("trial");
        }

        void Take(string name)
        {
            page.Still();
            page.Picture(Path.Combine(folder, $"{name}.png"));
        }
    }

    private static void Check(Page page, string name, bool read)
    {
        page.Still();
        Assert.True(
            page.Run<bool>("return document.documentElement.scrollWidth <= window.innerWidth + 1"),
            $"{name} is wider than the screen."
        );
        var strange = page.Run<System.Collections.ObjectModel.ReadOnlyCollection<object>>(
            "return performance.getEntriesByType('resource').map(e => e.name).filter(n => !n.startsWith(location.origin) && "
                + "!n.startsWith('data:'))"
        );
        Assert.Empty(strange);
        var clipped = page.Run<System.Collections.ObjectModel.ReadOnlyCollection<object>>(
            "return [...document.querySelectorAll('.mantine-Button-label')].filter((one) => one.scrollWidth > one.clientWidth + "
                + "1).map((one) => one.textContent)"
        );
        Assert.True(clipped.Count == 0, $"{name} cuts off {string.Join(", ", clipped)}");
        Assert.DoesNotMatch(Nothing, page.Text);
        if (!read)
            return;
        // WCAG A and AA by axe-core, a rule set from outside the project.
        page.Run<object?>(Axe);
        var violations = page.RunAsync<string>(
            """
            const done = arguments[arguments.length - 1];
            axe.run(document, { runOnly: ['wcag2a', 'wcag2aa'] }).then(
              r => done(r.passes.length < 10 ? 'axe looked at nothing' : r.violations.map(v => v.id + ': ' + v.nodes.map(n =>
                  n.html.slice(0, 160) + ' ' + n.any.map(a => a.message).join()).join(' | ')).join('\n')),
              e => done(String(e)));
            """
        );
        Assert.True(violations.Length == 0, $"{name}: {violations}");
    }
}
