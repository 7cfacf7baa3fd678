using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>A trial and a sweep where they are welded: set by an instructor, run at the booth, with the network and without.</summary>
public class BoothTrialTests
{
    [Fact]
    public async Task A_trial_and_a_sweep_are_run_at_the_booth()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var room = new Page(server.Address).StepInAs("Maren Holloway");
        using var tablet = new Page(server.Address, 820, 1180);
        BoothTablet.Stand(room, tablet, "Ilsa Brandt");
        tablet.Click("Bead");
        tablet.See("Set as the card says");
        room.Open("/");
        room.Click("Sheet", within: "Booth 1");
        room.Click("Trials");
        room.Click("Wire ladder");
        room.Click("Start");
        room.See("Step 1: Far too much wire");

        // It comes to the booth by itself; every step says what to set and what to hold.
        tablet.See("for step 1", "Hold volts", "Set as the step says");
        tablet.SeeCount("[aria-label=Steps] li", 3);
        BoothScreen.Check(tablet, "a trial at the booth");
        Lay(tablet, "Popping, stubbing", "Hot", "Wire down");
        room.See("Step 2: Far too little wire");
        tablet.Click("Next bead");
        tablet.See("for step 2", "The last piece is warm");

        // Without the network the next steps are laid all the same, and are of the trial when it is back.
        tablet.CutNetwork(true);
        Lay(tablet, "Hiss", "Cold", "Wire up");
        tablet.See("1 bead waits here");
        tablet.Click("Next bead");
        tablet.See("for step 3");
        tablet.SeeIn("Steps", "waits to be sent");

        // So is a sweep, marked by the pedal.
        tablet.Click("Wire sweep");
        tablet.Type("In about", "4");
        tablet.Run<object?>("document.activeElement.blur()");
        BoothScreen.Check(tablet, "a sweep at the booth");
        tablet.Press(" ");
        tablet.See("MARK: smooth now");
        Turned(0.2);
        tablet.Press(" ");
        tablet.See("MARK: breaking up now");
        Turned(0.45);
        tablet.Press(" ");
        Turned(0.6);
        tablet.Click("The knob is at its end");
        tablet.See("It is kept on this screen and waits", "1 bead and 1 wire sweep wait here");
        tablet.CutNetwork(false);
        tablet.SeeNot("wait here");
        tablet.See("It was sent.");
        room.See("Step 3: As the sheet says");

        tablet.Click("Back to the bead");
        tablet.See("for step 3");
        Lay(tablet, "Even crackle", "Right", "Keep it");
        tablet.Click("Next bead");
        tablet.See("Every step is laid.");
        Page.Until(() => tablet.Has("[aria-label=Learned]"), "what it has shown");

        // The machine learns from her sweep once the instructor says so.
        room.Click("All trials");
        room.Click("Wire sweep, by ear");
        room.See("Run by Ilsa Brandt: the machine learns nothing from it yet");
        room.Click("Learn from it");
        room.SeeNot("learns nothing from it yet");
        room.Click("Undo");
        room.See("learns nothing from it yet");

        void Turned(double share) =>
            Page.Until(
                () => tablet.Run<bool>(FormattableString.Invariant($"return document.querySelector('progress').value >= {share}")),
                "the knob so far"
            );
    }

    private static void Lay(Page tablet, string sound, string verdict, string change)
    {
        foreach (var key in new[] { sound, "Looks right all round", verdict, change, "Save the bead" })
            tablet.Click(key);
        tablet.See("Next bead");
    }
}
