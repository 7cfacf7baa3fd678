using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>Pages that are gone to less often.</summary>
internal static partial class Screens
{
    public static IEnumerable<(string Name, Action<Page> Go)> Small =>
        [
            ("students", page => ToOwn(page, "/students", "Find by name")),
            ("agreement", page => ToOwn(page, "/students/agreement", "You and the tool")),
            ("add somebody", page => ToOwn(page, "/students/add", "First password")),
            ("add a machine", page => ToOwn(page, "/machines/add", "Machine, as the room calls it")),
            ("tolerances", page => ToOwn(page, "/settings/tolerances", "Undercut, at most")),
            ("learned", page => ToOwn(page, "/settings/learned", "What this room has taught")),
            ("devices", page => ToOwn(page, "/settings/devices", "Stand-in devices")),
            ("people", page => ToOwn(page, "/settings/people", "Instructors")),
            ("this screen", page => ToOwn(page, "/settings/screen", "Single keys")),
            ("how it runs", page => ToOwn(page, "/settings/running", "It answers within")),
            ("shop network", page => ToOwn(page, "/settings/network", "does not listen for the shop")),
            (
                "tablets",
                page =>
                {
                    page.Open("/settings/tablets");
                    page.Click("Booth 2");
                    page.See("Shown this once");
                }
            ),
            ("courses", page => ToOwn(page, "/courses", "Running, and to come")),
            ("new course", page => ToOwn(page, "/courses/new", "Days and hours")),
            ("calendar", page => ToOwn(page, "/courses/calendar", "Monday")),
            ("students from a list", page => ToOwn(page, "/students/list", "the columns in any order")),
            ("exercises", page => ToOwn(page, "/courses/exercises", "A pad of overlapping beads")),
            (
                "exercise",
                page =>
                {
                    page.Open("/courses/exercises");
                    page.Click("A pad of overlapping beads", startsWith: true);
                    page.See("Each bead halfway over the one before", "It should sound");
                }
            ),
            ("new exercise", page => ToOwn(page, "/courses/exercises/new", "Make the exercise")),
            (
                "booth on the floor",
                page =>
                {
                    page.Open("/");
                    page.Click("More for booth 1");
                    page.See("Next exercise", "Who stands here", "Straight beads on plate");
                }
            ),
            (
                "close down",
                page =>
                {
                    page.Open("/");
                    page.Click("Close down");
                    page.See("At the booths", "Who came", "Ilsa Brandt");
                }
            ),
            ("beads to place", page => ToOwn(page, "/students/unplaced", "Every bead has its place")),
            ("stock", page => ToOwn(page, "/courses/stock", "Bars, plates and offcuts")),
            (
                "plan",
                page =>
                {
                    ToPlan(page, "", "Choose a place on the board");
                    // The first who comes by makes it.
                    if (!page.Text.Contains("Nothing is planned yet", StringComparison.Ordinal))
                        return;
                    page.Click("Make the plan");
                    Page.Until(() => page.Text.Contains("breaks no rule", StringComparison.Ordinal), "the plan", TimeSpan.FromSeconds(60));
                }
            ),
            ("what a plan takes", page => ToPlan(page, "/lists", "What to load")),
            ("path", page => ToCourse(page, "Path", "Add exercises")),
            ("course-progress", page => ToCourse(page, "Progress", "What the course finds hard")),
            (
                "progress",
                page =>
                {
                    page.OpenStudent("Ilsa Brandt");
                    page.Click("Progress", within: "Student");
                    page.See("Outside corner", "What keeps going wrong", "Goals", "Remarks", "Take the logbook along");
                }
            ),
            (
                "record",
                page =>
                {
                    ToRecord(page, "Ilsa Brandt");
                    page.See("Take the whole record", "Beads, with what was heard");
                }
            ),
            (
                "forget",
                page =>
                {
                    ToRecord(page, "Ilsa Brandt");
                    page.Click("Forget this student …");
                    page.See("Where the name stands", "Forget for good", "Former student");
                }
            ),
            (
                "side by side",
                page =>
                {
                    page.OpenStudent("Ilsa Brandt");
                    page.SeeIn("The term at a glance", "Outside corner");
                    page.Run<object?>("document.querySelectorAll('[aria-label=\"The term at a glance\"] ol button')[0].click()");
                    page.Run<object?>("document.querySelectorAll('[aria-label=\"The term at a glance\"] ol button')[9].click()");
                    page.Click("Side by side");
                    page.SeeIn("What changed", "Earlier", "The same: ");
                }
            ),
            ("costs", page => ToOwn(page, "/machines/costs", "Arc to a tip")),
            ("keeping", page => ToOwn(page, "/settings/keeping", "Last here long ago")),
            ("course", page => ToCourse(page, "Sessions", "From its days and hours")),
            ("roster", page => ToCourse(page, "Roster", "Put a student on it")),
            ("course's days and hours", page => ToCourse(page, "Days and hours", "Who teaches it")),
            (
                "one session",
                page =>
                {
                    page.Open("/");
                    page.See("Ilsa Brandt");
                    page.Click("Session");
                    page.See("Who came", "Teodor Pike");
                }
            ),
            (
                "sessions",
                page =>
                {
                    page.Open("/sessions");
                    page.See("Another session", "shown under Today");
                }
            ),
            (
                "passes",
                page =>
                {
                    page.Open("/");
                    page.Click("Sheet", within: "Booth 4");
                    page.See("1/4 T, horizontal", "in 2 layers");
                }
            ),
            (
                "trials",
                page =>
                {
                    ToBooth(page, 2, "Trials");
                    page.See("Set a trial");
                }
            ),
            (
                "test",
                page =>
                {
                    ToBooth(page, 1, "Test");
                    page.See("Seal a test weld");
                }
            ),
            (
                "bead",
                page =>
                {
                    ToBooth(page, 1, "Bench");
                    page.Click("Ilsa Brandt");
                    page.See("newest first");
                    page.See("Right");
                    page.Run<object?>("document.querySelectorAll('ol[aria-label=Rack] > li')[1].querySelectorAll('button')[2].click()");
                    page.See("Your verdict");
                }
            ),
            (
                "etching",
                page =>
                {
                    ToBooth(page, 2, "Bench");
                    page.Click("How to cut and etch");
                    page.See("30 to 60 s");
                }
            ),
        ];

    public static void ToBooth(Page page, int booth, string tab)
    {
        page.Open("/");
        page.Click("Bench", within: $"Booth {booth}");
        page.See("Judge the bead");
        page.Click(tab, within: "Booth");
    }
}
