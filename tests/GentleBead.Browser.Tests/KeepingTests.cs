using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>What is kept of a student, seen by them; forgetting one, shown before it is done; how long what is kept.</summary>
public class KeepingTests
{
    [Fact]
    public async Task A_student_is_forgotten_when_their_name_is_typed_and_nowhere_called_by_it_any_more()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var ilsa = new Page(server.Address).StepInAs("Ilsa Brandt");
        ilsa.Open("/settings/record");
        ilsa.SeeIn("What is kept", "Attendance", "Pictures", "ask them");
        Assert.False(ilsa.Has("a[href$='/forget']"));

        using var maren = new Page(server.Address).StepInAs("Maren Holloway");
        maren.OpenStudent("Teodor Pike");
        maren.Click("Progress", within: "Student");
        maren.Type("Remark", "Shares a booth with Ilsa");
        maren.Click("Keep it");
        maren.SeeIn("Remarks", "Shares a booth with Ilsa");

        maren.OpenStudent("Ilsa Brandt");
        maren.Click("Record", within: "Student");
        maren.Click("Forget this student …");
        maren.SeeIn("What forgetting does", "Ilsa Brandt becomes Former student", "chain of every test weld holds");
        maren.SeeIn("Part by part", "stays, without the name", "becomes the pseudonym", "goes");
        maren.SeeIn("Where the name stands", "Shares a booth with Ilsa");
        maren.Click("Forget for good");
        maren.SeeIn("Do it", "Type the name as it stands above");
        maren.Type("Type “Ilsa Brandt” to forget them", "Ilsa Brandt");
        maren.Click("Forget for good");
        maren.SeeIn("Forgotten", "They are Former student", "Gone: 1 picture, 4 recordings");
        maren.Click("What is left");
        maren.See("What is left names nobody");
        maren.Open("/settings/trail");
        maren.See("forgot a student: Former student");
        Assert.DoesNotContain("Ilsa", maren.Text, StringComparison.Ordinal);

        // Her screen is signed out at once, and nobody signs in by that name.
        ilsa.See("Sign in");
    }

    [Fact]
    public async Task Terms_say_what_they_would_come_to_before_they_are_set()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var maren = new Page(server.Address).StepInAs("Maren Holloway");
        maren.Open("/settings/keeping");
        maren.SeeIn("What that comes to", "Nothing is past its time", "Nobody");
        maren.Type("Recordings and logs of the arc", "0");
        maren.Click("Keep by these");
        maren.SeeIn("How long", "1 to 600 months");
        maren.Type("Recordings and logs of the arc", "24");
        maren.See("What that would come to");
        maren.Click("Keep by these");
        maren.SeeIn("How long", "Set by Maren Holloway");
        maren.SeeNot("What that would come to");
    }
}
