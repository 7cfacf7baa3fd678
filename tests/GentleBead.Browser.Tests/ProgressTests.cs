using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>What a student can weld, as they see it, as an instructor does, and as nobody else can.</summary>
public class ProgressTests
{
    [Fact]
    public async Task An_instructor_sets_a_goal_and_keeps_a_remark_and_the_student_reads_what_is_for_them()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var maren = new Page(server.Address).StepInAs("Maren Holloway");
        maren.OpenStudent("Ilsa Brandt");
        maren.Click("Progress", within: "Student");
        maren.See("3 beads on 2 evenings", "It helped: ");
        maren.SeeIn("Chosen work", "T, horizontal", "Proven", "times in 10");

        // Another kind of work: three beads say too little.
        maren.Run<object?>("document.querySelectorAll('[aria-label=\"Skill map\"] button')[0].click()");
        maren.SeeIn("Chosen work", "not known yet: it takes 4 beads");
        maren.SeeIn("Learning curve", "Band: where the next bead’s chance lies");

        maren.Click("Set it");
        maren.See("Say what the goal is");
        maren.Type("Goal", "Three laps overhead in a row");
        maren.SetDay("By", DateOnly.FromDateTime(DateTime.Today).AddDays(14), within: "Set a goal");
        maren.Click("Set it");
        maren.SeeIn("Goals", "Three laps overhead in a row", "set by Maren Holloway");

        foreach (var (text, readers) in new[] { ("Likes to be shown first", "Only me"), ("A calm hand by now", "The student too") })
        {
            maren.Type("Remark", text);
            maren.Choose("For", readers);
            maren.Click("Keep it");
            maren.SeeIn("Remarks", text);
        }

        using var ilsa = new Page(server.Address).StepInAs("Ilsa Brandt");
        ilsa.Click("Progress", within: "My work");
        ilsa.SeeIn("Goals", "Three laps overhead in a row");
        ilsa.SeeIn("Remarks", "A calm hand by now");
        Assert.DoesNotContain("Likes to be shown first", ilsa.Text, StringComparison.Ordinal);
        Assert.False(ilsa.Has("form[aria-label='Set a goal']"));

        // Said at once on her screen, without her asking again.
        maren.Click("Reached");
        ilsa.SeeIn("Goals", "reached");
        maren.Click("Take back: A calm hand by now");
        ilsa.SeeNot("A calm hand by now");
        maren.Click("Put back: A calm hand by now");
        ilsa.SeeIn("Remarks", "A calm hand by now");

        // What is brought from elsewhere is read in where it is as it was signed.
        var her = maren.Run<string>("return location.pathname").Split('/')[2];
        maren.RunAsync<object?>(
            $$"""
            const done = arguments[arguments.length - 1];
            (async () => {
              const zip = await (await fetch('/api/students/{{her}}/logbook.zip')).blob();
              const list = new DataTransfer();
              list.items.add(new File([zip], 'logbook.zip'));
              const field = document.querySelector('[aria-label=Logbook] input[type=file]');
              field.files = list.files;
              field.dispatchEvent(new Event('change', { bubbles: true }));
            })().then(done);
            """
        );
        maren.SeeIn("Logbook", "From elsewhere: Tern Cove Boatyard", "Unchanged since it was signed", "T, horizontal");
        ilsa.SeeIn("Logbook", "From elsewhere: Tern Cove Boatyard");
        Assert.False(ilsa.Has("[aria-label=Logbook] input[type=file]"));
        maren.Click("Take out: Tern Cove Boatyard", startsWith: true);
        ilsa.SeeNot("From elsewhere: Tern Cove Boatyard");
        maren.Click("Undo");
        ilsa.SeeIn("Logbook", "From elsewhere: Tern Cove Boatyard");

        // Somebody else's is not there, whatever address is typed.
        using var jun = new Page(server.Address).StepInAs("Jun Castellan");
        jun.Open($"/students/{her}/progress");
        jun.SeeNot("Ilsa Brandt");
        Assert.Equal(
            "404",
            jun.RunAsync<string>($"fetch('/api/students/{her}/skills').then((r) => arguments[arguments.length - 1](String(r.status)))")
        );
    }

    [Fact]
    public async Task A_course_at_a_glance_shows_who_is_stuck_and_sorts_and_goes_to_each_student()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Sunniva Reyes");
        page.Open("/courses");
        page.Click("Steel from scratch", startsWith: true);
        page.Click("Progress", within: "Course");
        page.SeeIn("Students by exercises", "Anouk Ferrell", "Stuck three evenings: ");
        page.SeeIn("Machines", "Slip 1");
        page.SeeCount("[aria-label='Students by exercises'] tbody tr", 14);
        page.Choose("Show", "Who is stuck");
        Page.Until(() => Rows() is > 0 and < 14, "only those who are stuck");
        page.Choose("Show", "Everybody");
        page.Choose("In the order of", "Longest away first");
        Page.Until(
            () => page.Texts("[aria-label='Students by exercises'] tbody tr th")[0].Contains("Kaya", StringComparison.Ordinal),
            "who was away longest first"
        );
        page.Click("Bryn Aldous");
        page.See("Bryn Aldous", "What keeps going wrong");

        int Rows() => page.Count("[aria-label='Students by exercises'] tbody tr");
    }
}
