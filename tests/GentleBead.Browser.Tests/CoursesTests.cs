using System.Globalization;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>From an empty school to a course with its sessions, its students from a list, and an evening's attendance.</summary>
public class CoursesTests
{
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.Now);

    [Fact]
    public async Task An_empty_school_gets_a_course_its_sessions_its_roster_from_a_list_and_notes_who_came()
    {
        await using var server = await RunningServer.StartAsync(demo: false);
        using var page = new Page(server.Address);
        Found(page);
        MakeCourse(page);

        // The sessions come from the days and hours; one is left out, and made later it is the only one still to be made.
        Page.Until(() => page.CanClick("Make 3 sessions"), "three sessions to make");
        page.Run<object?>("document.querySelector('[aria-label=Timetable] input[type=checkbox]').click()");
        page.Click("Make 2 sessions");
        page.See("The sessions are in the calendar");
        Page.Until(() => page.Count("[aria-label=Sessions] ol > li") == 2, "two sessions");
        page.Run<object?>("document.querySelector('[aria-label=Timetable] input[type=checkbox]:not(:disabled)').click()");
        page.Click("Make 1 session");
        page.See("All 3 of them are in the calendar");

        ReadList(page);
        page.Click("To the roster");
        Page.Until(() => page.Count("[aria-label=Roster] li") == 2, "two on the roster");
        Attend(page);

        // A calendar for other programs by an address that is shown once.
        page.Click("Sessions", within: "Course");
        page.Click("Make a private address");
        page.See("/calendar/", "shown this once");

        // Whom it was given a code: that opens the account.
        page.Open("/settings/trail");
        page.See("made a course: Deck course", "put a student on a course: Rune Dahl");
    }

    internal static void Found(Page page)
    {
        page.Open("/");
        page.See("Set-up code");
        page.Type("Set-up code", RunningServer.SetUpCode);
        page.Type("School or shop", "Slip school");
        page.Type("Your name", "Aino Berg");
        page.Type("Login", "aino");
        page.Type("Password", "a-good-password");
        page.Click("Begin");
        page.See("No session yet");
    }

    private static void MakeCourse(Page page)
    {
        page.Click("Courses");
        page.Click("Make the first course");
        page.See("Days and hours");
        page.Click("Make the course");
        page.See("Name the course");
        page.Type("Name", "Deck course");
        page.SetDay("First day", Today);
        page.SetDay("Last day", Today.AddDays(20));
        page.Choose("Day", Today.AddDays(1).DayOfWeek.ToString(), within: "Time 1");
        page.SetTime("Ends", new TimeOnly(17, 0), within: "Time 1");
        page.Click("Make the course");
        page.See("At most 12 h");
        page.SetTime("Ends", new TimeOnly(21, 0), within: "Time 1");
        page.Click("Make the course");
        page.See("The course is made");
    }

    private static void ReadList(Page page)
    {
        page.Click("Roster", within: "Course");
        page.Click("Add students from a list");
        page.See("the columns in any order");
        var list = Path.Combine(Path.GetTempPath(), $"list-{Guid.NewGuid():N}.csv");
        File.WriteAllText(list, "Login;Last name;First name\naino;Dahl;Rune\n;Aas;Solveig\n;Aas;Solveig\n");
        page.Upload("input[type=file]", list);
        // A login of somebody else's is told at its line, and a name that stands twice is asked about.
        page.See("This login is taken", "The same name stands in line 3", "One line is not right yet");
        page.Type("Login, line 2", "rune");
        page.Click("Make 2 accounts");
        page.See("First codes", "solveig.aas", "shown this once");
        File.Delete(list);
    }

    private static void Attend(Page page)
    {
        page.Click("Sessions", within: "Course");
        Page.Until(() => page.Count("[aria-label=Sessions] ol > li") == 3, "three sessions");
        page.Run<object?>("document.querySelector('[aria-label=Sessions] ol > li a').click()");
        page.See("Who came", "Rune Dahl");
        page.Click("Late", within: "Rune Dahl");
        page.See("1 of 2 came");
        page.Click("Cancel it");
        page.Type("Why is it not held?", "Boat show");
        page.Click("Cancel the session");
        page.See("Cancelled: Boat show");
        page.Click("Undo");
        page.SeeNot("Cancelled: Boat show");
        page.Click("Split");
        page.SetTime("Split at", new TimeOnly(19, 30));
        page.Click("Split", within: "Split the session");
        page.See("There are two sessions now");
        page.Click("the course");
        Page.Until(() => page.Count("[aria-label=Sessions] ol > li") == 4, "four sessions");
    }

    [Fact]
    public async Task Of_two_sessions_at_once_a_screen_shows_the_one_it_chose_and_keeps_to_it()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        page.Open("/settings/rooms");
        page.Type("Name", "Yard", within: "Another room");
        page.Click("Add room");
        Page.Until(() => page.Has("[aria-label='Yard']"), "the new room");
        page.Click("Add booth", within: "Yard");
        Page.Until(() => page.Part("Yard").Contains("no machine", StringComparison.Ordinal), "its first booth");
        page.Open("/sessions");
        var now = TimeOnly.FromDateTime(DateTime.Now);
        page.Type("Title", "Plate yard", within: "Another session");
        page.SetTime("Begins", new TimeOnly(now.Hour, 0), within: "Another session");
        page.SetTime("Ends", new TimeOnly(now.Hour, 0).AddHours(2), within: "Another session");
        page.Choose("Room", "Yard", within: "Another session");
        page.Click("Add the session");
        page.See("The session is in the calendar");

        page.Click("Today");
        page.See("Ilsa Brandt");
        Page.Until(() => page.Has("[aria-label='Session shown on this screen']"), "the sessions to choose from");
        page.ChooseOf("Session shown on this screen", "Plate yard");
        page.See("Plate yard");
        Page.Until(() => page.Count("[aria-label^='Booth ']") == 1, "the yard's one booth");
        page.Open("/");
        page.See("Plate yard");
        Assert.Contains("Yard", page.Part("Session shown on this screen") + page.Text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_calendar_goes_by_weeks_and_terms_and_opens_an_evening_with_all_that_happened_in_it()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        page.Click("Courses");
        page.See("Deck fittings and trailers", "Maren Holloway and Sunniva Reyes", "6 students");
        page.Click("Calendar", within: "Courses");
        Page.Until(() => page.Has("[aria-label=Calendar] td[data-today=true] a"), "tonight's session in its week");
        page.Click("A term");
        page.Click("Earlier");
        // The term before is asked for anew: between its weeks and those of now nothing may stand there.
        Page.Until(() => !page.Has("[aria-label=Calendar] td[data-today=true]"), "the weeks of before");
        foreach (var course in new[] { "Deck fittings", "Steel from scratch", "Test welds" })
        {
            Page.Until(
                () => page.Texts("[aria-label=Calendar] td a").Any(entry => entry.Contains(course, StringComparison.Ordinal)),
                $"an evening of {course} before"
            );
        }
        page.Run<object?>(
            "[...document.querySelectorAll('[aria-label=Calendar] td a')].find((one) => one.innerText.includes('Deck fittings')).click()"
        );
        page.See("Who came", "Teodor Pike", "beads");
        page.SeeIn("Teodor Pike", "noted by Maren Holloway");
        Assert.Contains(Today.AddDays(-21).Year.ToString(CultureInfo.InvariantCulture), page.Text, StringComparison.Ordinal);
    }
}
