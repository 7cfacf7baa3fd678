using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>A booth's tablet, from the code an instructor shows to whoever stands there and leaves again.</summary>
public class TabletTests
{
    [Fact]
    public async Task A_tablet_becomes_a_booths_and_a_student_says_who_they_are_there()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var room = new Page(server.Address).StepInAs("Maren Holloway");
        room.Open("/settings/tablets");
        room.See("No booth has a tablet yet");
        room.Click("Booth 1");
        room.See("Shown this once");
        var code = room.Run<string>("return document.querySelector('[aria-label=\"Pair a tablet\"] [role=status] p').textContent");
        var pin = PinOf(room, "Ilsa Brandt");

        using var tablet = new Page(server.Address, 820, 1180);
        tablet.Click("This tablet belongs to a booth");
        tablet.See("A booth’s tablet");
        tablet.Type("Code", "AAAA-3333");
        tablet.Click("Make it the booth’s");
        tablet.See("This code is not good");
        tablet.Type("Code", code);
        tablet.Click("Make it the booth’s");
        tablet.See("Who stands here?", "Booth 1");
        room.See("Tablet of booth 1");

        tablet.Click("Ilsa Brandt");
        tablet.See("I am somebody else");
        Press(tablet, pin == "4711" ? "4712" : "4711");
        tablet.See("Name and PIN do not fit together");
        Press(tablet, pin);
        tablet.See("Leave", "Danger here", "Change next");
        room.See("Ilsa Brandt stands there");
        tablet.Click("Sheet");
        tablet.See("It should sound");
        tablet.Click("Beads");
        tablet.See("Your beads");
        tablet.Click("Checks");
        tablet.See("Before the first bead");
        tablet.Click("Now");
        tablet.Click("Help me");
        tablet.See("Your hand is up");
        room.Open("/");
        Page.Until(() => room.Has("[aria-label='Booth 1'] [data-need=hand]"), "the hand on the floor");

        // After a reload it is the booth's still, and hers; every key takes a glove.
        tablet.Open("/");
        tablet.See("Ilsa Brandt", "Hand down");
        Assert.Empty(Small(tablet));

        // From arc out to saved in six taps; the word that is one's own comes first, the tool's beside it.
        tablet.Click("Bead");
        tablet.Click("Arc on: START");
        tablet.Click("STOP");
        var taps = 0;
        foreach (var key in new[] { "Popping, stubbing", "Tall, narrow", "Cold, on top", "Hot", "Travel faster", "Save the bead" })
        {
            tablet.Click(key);
            taps++;
        }
        Assert.Equal(6, taps);
        tablet.See("You", "The tool", "Likeliest:");
        tablet.Click("Next bead");
        tablet.See("Your verdict and your change first");
        Assert.Empty(Small(tablet));
        tablet.Click("Leave");
        tablet.See("Who stands here?");
        Assert.DoesNotContain("Danger here", tablet.Text, StringComparison.Ordinal);

        // Stopped, it says so like every other screen; put away, it is nobody's.
        room.Click("Stop everything");
        tablet.See("STOP");
        Assert.False(tablet.CanClick("It is safe"));
        room.Click("It is safe: go on");
        tablet.SeeNot("STOP");
        room.Open("/settings/tablets");
        room.Click("Put away Tablet of booth 1");
        room.Click("Put it away: it opens nothing any more");
        room.See("No booth has a tablet yet");
        tablet.Open("/");
        tablet.See("Step in as");
    }

    // Keys that a gloved finger would miss.
    private static System.Collections.ObjectModel.ReadOnlyCollection<object> Small(Page tablet) =>
        tablet.Run<System.Collections.ObjectModel.ReadOnlyCollection<object>>(
            "return [...document.querySelectorAll('button, nav a')]"
                + ".filter(e => e.offsetParent && e.getBoundingClientRect().height < 48).map(e => e.textContent)"
        );

    private static string PinOf(Page room, string student)
    {
        room.Open("/students");
        room.Type("Find by name", student);
        room.Click(student);
        room.Click("A PIN for the booth");
        room.See("It is shown this once");
        var pin = room.Run<string>("return document.querySelector('[role=status] p[class*=code]').textContent");
        room.Open("/settings/tablets");
        return pin;
    }

    private static void Press(Page tablet, string pin)
    {
        foreach (var figure in pin)
            tablet.Click($"{figure}");
        tablet.Click("OK");
    }
}
