using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>How each screen is reached, and what shows that it is there.</summary>
internal static partial class Screens
{
    public static IEnumerable<(string Name, Action<Page> Go)> Instructor =>
        [
            (
                "session",
                page =>
                {
                    page.Open("/");
                    page.See("At no booth", "Stop everything");
                }
            ),
            (
                "sheet",
                page =>
                {
                    page.Open("/");
                    page.Click("Sheet", within: "Booth 2");
                    page.See("It should sound");
                }
            ),
            (
                "bench",
                page =>
                {
                    page.Open("/");
                    page.Click("Bench", within: "Booth 2");
                    page.See("What these settings should give");
                }
            ),
            (
                "rack",
                page =>
                {
                    page.Open("/");
                    page.Click("Bench", within: "Booth 1");
                    page.Click("Ilsa Brandt");
                    page.See("newest first");
                    page.See("Right");
                }
            ),
            (
                "machines",
                page =>
                {
                    page.Open("/machines");
                    page.See("Grey digital");
                }
            ),
            (
                "rooms",
                page =>
                {
                    page.Open("/settings/rooms");
                    page.See("Another room", "Grey digital");
                }
            ),
            (
                "trail",
                page =>
                {
                    page.Open("/settings/trail");
                    page.See("signed in");
                }
            ),
            (
                "account",
                page =>
                {
                    page.Open("/settings/account");
                    page.See("Sign out everywhere else");
                }
            ),
            (
                "settings",
                page =>
                {
                    page.Open("/settings");
                    page.See("Wire for the amps");
                }
            ),
            (
                "machine",
                page =>
                {
                    page.Open("/machines");
                    page.Click("Grey digital");
                    page.See("What the marks really give");
                    page.See("Wire against the rule");
                }
            ),
            (
                "checks",
                page =>
                {
                    page.Open("/");
                    page.Click("Bench", within: "Booth 2");
                    page.See("Judge the bead");
                    page.Click("Checks");
                    page.See("After the last");
                }
            ),
            (
                "card",
                page =>
                {
                    page.Open("/");
                    page.Click("Bench", within: "Booth 2");
                    page.See("Judge the bead");
                    page.Click("Card");
                    page.See("Print, A5");
                }
            ),
            (
                "kept",
                page =>
                {
                    page.Open("/kept");
                    page.See("ran sweet");
                }
            ),
            (
                "calculators",
                page =>
                {
                    page.Open("/");
                    page.Click("Sheet", within: "Booth 2");
                    page.See("It should sound");
                    page.Click("Calculators");
                    page.See("Metal in is metal down");
                    page.Click("Work it out");
                    page.See("kept");
                }
            ),
            (
                "tig",
                page =>
                {
                    page.Open("/");
                    page.Click("Sheet", within: "Booth 1");
                    page.See("It should sound");
                    page.Click("Welded with", startsWith: true);
                    page.Choose("Process", "TIG, AC");
                    page.Choose("Metal", "Aluminium");
                    page.See("Pedal at the most");
                    page.Run<object?>("document.activeElement.blur(); window.scrollTo(0, 0)");
                }
            ),
        ];

    public static IEnumerable<(string Name, Action<Page> Go)> Judging =>
        [
            (
                "trial",
                page =>
                {
                    ToBooth(page, 2, "Trials");
                    page.Click("Start");
                    page.See("Hold volts");
                }
            ),
            (
                "sweep",
                page =>
                {
                    ToBooth(page, 2, "Trials");
                    page.Click("Wire sweep, by ear");
                    page.See("it ran smooth from");
                }
            ),
            (
                "section",
                page =>
                {
                    ToBooth(page, 2, "Bench");
                    page.Click("Teodor Pike");
                    page.See("newest first");
                    page.See("Cold");
                    page.Run<object?>("document.querySelectorAll('ol[aria-label=Rack] > li')[1].querySelectorAll('button')[2].click()");
                    page.See("How to cut and etch");
                    page.Click("Measure again");
                    page.See("Into the lower plate");
                }
            ),
            (
                "test-weld",
                page =>
                {
                    ToBooth(page, 1, "Test");
                    page.See("Waits for the second assessor");
                    page.Run<object?>("document.querySelector('[aria-label=\"Test welds\"] a').click()");
                    page.See("hold together");
                }
            ),
        ];

    // Looked at like the others, but not among the pictures.
    public static IEnumerable<(string Name, Action<Page> Go)> Practice =>
        [
            (
                "arc-bench",
                page =>
                {
                    page.Open("/practice/arc");
                    page.Click("Set it as the sheet says", startsWith: true);
                    page.See("Even crackle");
                    page.Run<object?>("document.activeElement.blur(); window.scrollTo(0, 0)");
                }
            ),
            (
                "drill",
                page =>
                {
                    page.Open("/practice");
                    page.Click("Begin", within: "Eye");
                    page.See("as the machine");
                    page.Click("Volts too high");
                }
            ),
            (
                "scores",
                page =>
                {
                    page.Open("/practice/scores");
                    page.See("At the booth");
                }
            ),
            (
                "recording",
                page =>
                {
                    page.Open("/");
                    page.Click("Bench", within: "Booth 1");
                    page.Click("Ilsa Brandt");
                    Page.Until(() => page.Has("ol[aria-label=Rack] > li button"), "the rack");
                    page.Run<object?>("document.querySelectorAll('ol[aria-label=Rack] > li')[0].querySelectorAll('button')[0].click()");
                    page.See("Booth logger, simulated");
                    page.Run<object?>("document.querySelector('[aria-label=Recordings]').scrollIntoView()");
                }
            ),
        ];

    /// <summary>A student's own pages, behind the one that says what to do now.</summary>
    public static IEnumerable<(string Name, Action<Page> Go)> Student =>
        [
            ("my sheet", page => ToOwn(page, "/sheet", "It should sound")),
            ("my bead", page => ToOwn(page, "/bead", "What would you change next?")),
            ("my beads", page => ToOwn(page, "/beads", "Your beads")),
            ("my checks", page => ToOwn(page, "/checks", "Before the first bead")),
            ("my tests", page => ToOwn(page, "/tests", "Your test welds")),
            ("my course", page => ToOwn(page, "/course", "Straight beads on plate")),
            ("my rack", page => ToOwn(page, "/rack", "Your rack")),
            ("my progress", page => ToOwn(page, "/progress", "What keeps going wrong")),
            ("my screen", page => ToOwn(page, "/settings", "This screen")),
            ("my account", page => ToOwn(page, "/settings/account", "Your PIN")),
            ("my record", page => ToOwn(page, "/settings/record", "Take the whole record")),
        ];

    private static void ToRecord(Page page, string name)
    {
        page.OpenStudent(name);
        page.Click("Record", within: "Student");
    }

    private static void ToOwn(Page page, string address, string shown)
    {
        page.Open(address);
        page.See(shown);
    }

    /// <summary>Where the plan of one of the course's sessions is; which, as it is said of all of them in the browser.</summary>
    public static string PlanOf(Page page, string which) =>
        page.RunAsync<string>(
            $$"""
            const done = arguments[arguments.length - 1];
            (async () => {
              const { items } = await (await fetch('/api/courses')).json();
              const course = items.find(({ name }) => name.startsWith('Deck fittings'));
              const sessions = await (await fetch(`/api/courses/${course.id}/sessions`)).json();
              const chosen = {{which}};
              return `/sessions/${chosen.id}/plan`;
            })().then(done);
            """
        );

    private static void ToPlan(Page page, string part, string shown)
    {
        page.Open("/courses");
        page.Click("Deck fittings", startsWith: true);
        page.See("From its days and hours");
        page.Open(PlanOf(page, "sessions.at(-1)") + part);
        page.See(shown);
    }

    private static void ToCourse(Page page, string tab, string shown)
    {
        page.Open("/courses");
        page.Click("Deck fittings", startsWith: true);
        page.Click(tab, within: "Course");
        page.See(shown);
    }
}
