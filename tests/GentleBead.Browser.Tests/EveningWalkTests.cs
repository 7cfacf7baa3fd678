using System.Globalization;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>
/// An instructor's evening, from an empty school to lights out: founded with the code, students from a list, a course from the library,
/// planned, pinned, mended, its cards printed, run with a machine failing in the middle, closed; and a student's own view of it.
/// </summary>
public class EveningWalkTests
{
    private static readonly DateTime Now = DateTime.Now;
    private static readonly DateOnly Today = DateOnly.FromDateTime(Now);

    [Fact]
    public async Task An_evening_goes_from_an_empty_school_to_lights_out()
    {
        await using var server = await RunningServer.StartAsync(demo: false);
        using var page = new Page(server.Address);
        CoursesTests.Found(page);
        AddMachine(page, "North", 1);
        AddMachine(page, "Middle", 2);
        AddMachine(page, "South", 3);
        MakeCourse(page);
        var codes = ReadRoster(page);
        var who = Plan(page);
        PrintCards(page);

        using var student = new Page(server.Address);
        BeginSlot(page, 1);
        SignInByCode(student, who, codes[who]);
        HandUp(page, student, who);
        MachineFails(page);
        StopAndGoOn(page, student);
        CloseDown(page);

        student.Open("/course");
        student.See("Straight beads on plate", "Deck course");
        page.Open("/settings/trail");
        page.See("closed a session down: Deck course", "stopped everything: ", "made a course: Deck course");
    }

    private static void AddMachine(Page page, string name, int booth)
    {
        page.Open("/machines/add");
        page.Type("Machine, as the room calls it", name);
        page.Type("Booth it stands in", booth.ToString(CultureInfo.InvariantCulture));
        page.Click("Add machine");
        page.See(name);
    }

    // A session that runs now: begun a few minutes ago, but on the same day.
    private static void MakeCourse(Page page)
    {
        var begins = new TimeOnly(Now.Hour, Now.Minute / 5 * 5);
        page.Open("/courses/new");
        page.Type("Name", "Deck course");
        page.SetDay("First day", Today);
        page.SetDay("Last day", Today.AddDays(6));
        page.Choose("Day", Today.DayOfWeek.ToString(), within: "Time 1");
        page.SetTime("Begins", begins, within: "Time 1");
        page.SetTime("Ends", begins.AddHours(3), within: "Time 1");
        page.Click("Make the course");
        page.See("The course is made");
        page.Click("Make 1 session");
        page.See("The sessions are in the calendar");
        page.Click("Path", within: "Course");
        foreach (var (name, count) in new[] { ("Straight beads on plate", "1 exercise"), ("Lap, horizontal", "2 exercises") })
        {
            page.Choose("One of them", name);
            page.See(count);
        }
    }

    private static Dictionary<string, (string Login, string Code)> ReadRoster(Page page)
    {
        page.Click("Roster", within: "Course");
        page.Click("Add students from a list");
        page.See("the columns in any order");
        var list = Path.Combine(Path.GetTempPath(), $"list-{Guid.NewGuid():N}.csv");
        File.WriteAllText(list, "First name,Last name\nRune,Dahl\nSolveig,Aas\nPer,Lie\nInga,Moe\n");
        page.Upload("input[type=file]", list);
        page.Click("Make 4 accounts");
        page.See("First codes", "Solveig Aas");
        File.Delete(list);
        var cells = page.Texts("[aria-label='First codes'] td");
        return cells.Chunk(3).ToDictionary(row => row[0], row => (row[1], row[2]));
    }

    private static string WhoAt(Page page, string place) =>
        page.Run<string>($"return document.querySelector('[data-place=\"{place}\"] b')?.innerText.trim() ?? ''");

    // Who stands at the first booth in the first slot.
    private static string Plan(Page page)
    {
        page.Open("/");
        page.See("Practice");
        page.Click("Plan");
        page.See("Nothing is planned yet");
        page.Click("Make the plan");
        Page.Until(() => page.Text.Contains("It breaks no rule", StringComparison.Ordinal), "the plan", TimeSpan.FromSeconds(60));
        // Pinned by a key; mended, it stays.
        var pinned = WhoAt(page, "0:0");
        Assert.NotEqual("", pinned);
        page.Run<object?>("const at = document.querySelector('[data-place=\"0:0\"]'); at.focus(); at.click()");
        page.See("Why here?");
        page.Still();
        page.Run<object?>("document.querySelector('[data-place=\"0:0\"]').focus()");
        page.Press("p");
        page.See("Pinned here.");
        page.Click("Mend it");
        page.See("The plan is made");
        Assert.Equal(pinned, WhoAt(page, "0:0"));
        page.See("It breaks no rule");
        return pinned;
    }

    private static void PrintCards(Page page)
    {
        page.Click("What it takes");
        page.See("Job cards for all");
        var pages = page.RunAsync<long>(
            """
            const done = arguments[arguments.length - 1];
            const link = [...document.querySelectorAll('a')].find((one) => one.textContent.includes('Job cards for all'));
            fetch(link.href).then((answer) => answer.text()).then((pdf) =>
              done(pdf.startsWith('%PDF') ? (pdf.match(/\/Type\s*\/Page[^s]/g) ?? []).length : -1));
            """
        );
        Assert.True(pages >= 3, $"{pages} cards");
    }

    private static void BeginSlot(Page page, int slot)
    {
        page.Open("/");
        page.Click($"Begin slot {slot}");
        page.See("The machines are loaded as the plan says");
        page.Click("Begin it");
        page.SeeNot("The machines are loaded as the plan says");
        Page.Until(() => page.Count("[data-need=round], [data-need=sheet]") >= 3, "somebody at every booth");
    }

    private static void SignInByCode(Page student, string who, (string Login, string Code) given)
    {
        student.Open("/");
        student.Click("a code from an instructor?");
        student.Type("Login", given.Login);
        student.Type("Code", given.Code);
        student.Type("New password", "a password of my own");
        student.Click("Set the password");
        student.See("The new password stands");
        student.Type("Password", "a password of my own");
        student.Click("Sign in");
        student.See(who);
    }

    // The student's key is on the instructor's floor without anything being asked for there, and goes down from there too.
    private static void HandUp(Page page, Page student, string who)
    {
        student.See("You stand at booth", "Look at this first");
        student.Click("Help me");
        student.See("Your hand is up");
        Page.Until(() => page.Text.Contains("Hand up: needs help", StringComparison.Ordinal), "the hand on the floor");
        // Who needs somebody stands first.
        Page.Until(() => page.Texts("main article")[0].Contains("Hand up", StringComparison.Ordinal), "the hand in first place");
        page.Run<object?>("document.querySelector('main article [aria-label^=\"More for booth\"]').click()");
        page.Type($"Note on {who}", "Holds the torch too far off.");
        page.Click("Note it");
        page.See("Noted.");
        page.Click("Seen to: hand down");
        page.Click("Close");
        student.See("Help me");
        student.SeeNot("Your hand is up");
    }

    private static void MachineFails(Page page)
    {
        page.Click("Plan");
        page.See("It breaks no rule");
        var before = WhoAt(page, "1:1");
        page.Click("How it is planned", startsWith: true);
        page.Choose("Machine", "Booth 2, Middle");
        page.Choose("Out of order from", page.Texts("thead th")[2].Trim());
        page.See("out of order");
        page.Click("Mend it");
        Page.Until(() => WhoAt(page, "1:1") == "", $"nobody ({before} before) at the machine that failed", TimeSpan.FromSeconds(60));
        page.See("It breaks no rule");
        BeginSlotTwo(page);
    }

    private static void BeginSlotTwo(Page page)
    {
        page.Open("/");
        page.Click("Begin slot 2");
        page.Click("Begin it");
        page.SeeNot("The machines are loaded as the plan says");
        Page.Until(() => page.Part("Booth 2").Contains("Nobody here yet", StringComparison.Ordinal), "nobody at booth 2");
    }

    private static void StopAndGoOn(Page page, Page student)
    {
        page.Click("Stop everything");
        student.See("STOP", "Let go of the trigger or pedal");
        Assert.False(student.CanClick("It is safe"));
        // No key ends it by the way.
        page.See("STOP");
        page.Press(OpenQA.Selenium.Keys.Escape);
        page.See("STOP");
        page.Click("It is safe: go on");
        student.SeeNot("Let go of the trigger");
        page.SeeNot("Let go of the trigger");
    }

    private static void CloseDown(Page page)
    {
        page.Click("Close down");
        page.See("At the booths", "Who came");
        page.Click("Close down", within: "Close the room down");
        page.See("Something that can hurt is not ticked");
        page.Click("All at a booth are here");
        page.See("of 4 came");
        var checks = page.Count("[aria-label='Close the room down'] [role=checkbox]");
        Assert.True(checks > 5);
        page.Run<object?>(
            "document.querySelectorAll('[aria-label=\"Close the room down\"] [role=checkbox]').forEach((one) => one.click())"
        );
        page.See($"{checks} of {checks}");
        page.Click("Close down", within: "Close the room down");
        page.See("Closed down by Aino Berg", "Fire watch until");
        page.Open("/");
        page.See("Closed down at");
        page.Click("Session");
        page.See("Holds the torch too far off.", "of 4 came");
    }
}
