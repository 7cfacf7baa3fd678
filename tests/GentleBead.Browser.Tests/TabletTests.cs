using Dapper;
using GentleBead.Testing;
using Npgsql;

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
        var code = BoothTablet.CodeOn(room);
        var pin = BoothTablet.PinOf(room, "Ilsa Brandt");

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
        BoothScreen.Check(tablet, "who stands at the booth");

        tablet.Click("Ilsa Brandt");
        tablet.See("I am somebody else");
        BoothTablet.Press(tablet, pin == "4711" ? "4712" : "4711");
        tablet.See("Name and PIN do not fit together");
        BoothTablet.Press(tablet, pin);
        tablet.See("Leave", "Danger here", "Change next");
        room.See("Ilsa Brandt stands there");
        tablet.Click("Sheet");
        tablet.See("It should sound");
        BoothScreen.Check(tablet, "the booth's sheet");
        tablet.Click("Beads");
        tablet.See("Your beads");
        tablet.Click("Checks");
        tablet.See("Before the first bead");
        tablet.Click("Now");
        room.Open("/");
        Page.Until(() => room.Has("[aria-label='Booth 1']") && room.Has("[aria-label=Signal]"), "the floor and its signals");
        tablet.Click("Help me");
        room.See("A hand is up.");
        tablet.See("Your hand is up");
        Page.Until(() => room.Has("[aria-label='Booth 1'] [data-need=hand]"), "the hand on the floor");

        // The instructor's answer shows at the booth: in words, across the screen, and in the hand that holds it.
        tablet.Before("window.shaken = []; navigator.vibrate = (how) => window.shaken.push(how)");
        tablet.Open("/");
        tablet.See("Your hand is up");
        room.Click("More for booth 1");
        room.Click("Seen to: hand down");
        tablet.See("Your instructor has seen it.", "Maren Holloway has seen your hand");
        Assert.Equal(1, tablet.Run<long>("return window.shaken.length"));
        tablet.Click("Signals");
        Page.Until(() => !tablet.Has("[data-kind=answer]"), "the light gone");
        tablet.Run<object?>("[...document.querySelectorAll('label')].find((one) => one.textContent.includes('By a light')).click()");
        tablet.Click("Try it");
        Page.Until(() => tablet.Run<long>("return window.shaken.length") == 2, "a signal to try");
        Assert.False(tablet.Has("[data-kind=answer]"), "Switched off, there is no light.");

        // After a reload it is the booth's still, and hers; every key takes a glove.
        tablet.Open("/");
        tablet.See("Ilsa Brandt", "Help me");
        BoothScreen.Check(tablet, "the booth at rest");

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
        BoothScreen.Check(tablet, "both words at the booth");

        // It is her word until the instructor agrees, in one tap; all three stand side by side.
        room.Open("/");
        room.Click("Agree: Hot", within: "Booth 1");
        room.SeeNot("Agree: Hot");
        tablet.See("Your instructor");
        tablet.Click("Next bead");
        tablet.See("Your verdict and your change first");
        BoothScreen.Check(tablet, "a bead at the booth");

        // Without the network it is kept and says so; it goes out by itself.
        tablet.CutNetwork(true);
        foreach (var key in new[] { "Looks right all round", "Right", "Keep it", "Save the bead" })
            tablet.Click(key);
        tablet.See("waits to be sent", "1 bead waits here");
        BoothScreen.Check(tablet, "a bead that waits");
        tablet.CutNetwork(false);
        tablet.SeeNot("waits here");
        tablet.See("The tool");
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

    [Fact]
    public async Task Of_whoever_is_taken_for_gone_nothing_stays_behind()
    {
        var database = await Cluster.NewDemoDatabaseAsync();
        await using var server = await RunningServer.StartAsync(demo: true, database);
        await using var connection = new NpgsqlConnection(database.Owner);
        using var room = new Page(server.Address).StepInAs("Maren Holloway");
        using var tablet = new Page(server.Address, 820, 1180);
        BoothTablet.Stand(room, tablet, "Ilsa Brandt");
        tablet.Click("Bead");
        tablet.Click("Even crackle");
        tablet.Click("Beads");
        tablet.See("Your beads");
        Page.Until(() => BoothScreen.Kept(tablet).Contains("[\"room\",\"mine\"]"), "her work, kept");
        Assert.True(tablet.Run<long>("return sessionStorage.length") > 0, "What she has begun to note is kept for her.");

        // The server says so the next time the booth is asked for; whatever changes in the room has it asked for.
        await connection.ExecuteAsync("update tablet_sign_in set touched_at = now() - interval '1 hour'");
        await connection.ExecuteAsync("select tell_room('place', booth_id, null) from tablet");
        tablet.See("Who stands here?");
        Page.Until(() => !BoothScreen.Kept(tablet).Contains("[\"room\",\"mine\"]"), "her work, forgotten");
        Assert.Equal(0, tablet.Run<long>("return sessionStorage.length"));
    }
}
