using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Testing;
using OpenQA.Selenium;

namespace GentleBead.Browser.Tests;

/// <summary>The practice room and the recordings of a bead, by keyboard, microphone and file.</summary>
public class PracticeTests(JudgedSchool school) : IClassFixture<JudgedSchool>
{
    private static void ToNewestBead(Page page)
    {
        page.Click("Bench", within: "Booth 2");
        page.See("Judge the bead");
        var before = page.Count("[aria-label=Coupon] li");
        page.Click("Even crackle");
        page.Click("Judge the bead");
        Page.Until(() => page.Count("[aria-label=Coupon] li") > before, "the new bead");
        page.See("Drop a sound file");
        Page.Until(
            () =>
                page.Run<bool>(
                    "const there = document.querySelector('[aria-label=Recordings]'); there?.scrollIntoView(); return there !== null"
                ),
            "its recordings"
        );
    }

    private static Page AtABead(Page page)
    {
        page.StepInAs("Maren Holloway");
        ToNewestBead(page);
        return page;
    }

    [Fact]
    public void The_arc_bench_is_turned_by_keyboard_and_the_arc_follows()
    {
        using var page = new Page(school.Server.Address).StepInAs("Wynn Okafor");
        page.Click("Practice");
        page.Click("Arc bench");
        page.Click("Set it as the sheet says", startsWith: true);
        page.See("An even crackle.");
        page.Click("Strike the arc");
        page.See("Break the arc");
        double Amps() =>
            double.Parse(
                page.Texts("[aria-label='Meters'] b")[1].Replace(" A", "", StringComparison.Ordinal),
                System.Globalization.CultureInfo.InvariantCulture
            );
        // Volts down: it stubs. Up past right: a long soft arc.
        for (var press = 0; press < 16; press++)
            page.Press(Keys.ArrowDown);
        page.See("Loud pops, stubbing.");
        page.See("Lies on the plate");
        for (var press = 0; press < 32; press++)
            page.Press(Keys.ArrowUp);
        page.See("Hiss, long soft arc.");
        var before = Amps();
        // On the knob itself a page is five steps.
        page.Run<object?>("document.querySelector('[role=slider][aria-label=Wire]').focus()");
        for (var press = 0; press < 4; press++)
            page.Press(Keys.PageDown);
        Page.Until(() => Amps() < before - 15, "fewer amps with less wire");
        // In spray no drop reaches the puddle on the wire.
        page.Choose("Process", "MIG spray");
        page.See("0 short circuits a second");
        page.See("A smooth hiss, as spray should.");
        page.Click("Hide a fault");
        page.See("What is wrong?");
        page.Click("Worn tip");
        Page.Until(
            () => page.Text.Contains("Listen again", StringComparison.Ordinal) || page.Text.Contains("Right:", StringComparison.Ordinal),
            "a word on the guess"
        );
    }

    [Fact]
    public void A_tungstens_arc_has_amps_and_a_length_and_no_wire_to_turn()
    {
        using var page = new Page(school.Server.Address).StepInAs("Wynn Okafor");
        page.Click("Practice");
        page.Click("Arc bench");
        page.Choose("Process", "TIG, DC");
        page.See("Near silence, a faint steady hiss.");
        page.SeeNot("short circuits a second");
        page.Click("Set it as the sheet says", startsWith: true);
        Page.Until(() => page.Texts("[aria-label='Meters'] b")[1] == "126 A", "the sheet's amps on the meter");
        for (var press = 0; press < 6; press++)
            page.Press(Keys.ArrowLeft);
        Page.Until(() => page.Texts("[aria-label='Meters'] b")[1] == "120 A", "six amps less");
        // The arc drawn out: volts up, a hiss.
        page.Run<object?>("document.querySelector('[role=slider][aria-label=\"Arc length\"]').focus()");
        page.Press(Keys.End);
        page.See("A loud hiss.");
        page.Choose("Process", "TIG, AC");
        page.See("A steady buzz.");
        page.Click("Hide a fault");
        page.See("Gas lost");
        page.SeeNot("Worn tip");
        page.SeeNot("Wrong polarity");
    }

    [Fact]
    public void A_recording_is_named_for_the_drills_and_taken_out_again()
    {
        using var page = AtABead(new Page(school.Server.Address));
        page.Click("Booth microphone");
        page.See("Name it for the drills");
        page.Click("Name it for the drills");
        page.See("they are not told whose bead");
        page.Click("Even crackle", within: "Name it for the drills");
        page.Click("Nothing", within: "Name it for the drills");
        page.Click("Put it among the drills");
        page.See("In the drills: Even crackle, nothing");
        page.Click("Out of the drills");
        page.SeeNot("In the drills");
    }

    [Fact]
    public void A_drill_goes_from_the_sound_to_the_answer_and_on_to_the_next()
    {
        using var page = new Page(school.Server.Address).StepInAs("Jun Castellan");
        page.Click("Practice");
        page.Click("Begin", within: "Ear");
        page.See("What do you hear?");
        Page.Until(
            () => page.Run<bool>("const a = document.querySelector('audio'); return a !== null && a.duration > 2.9"),
            "three seconds of sound"
        );
        page.Click("Hiss");
        page.Click("Volts too high");
        page.Click("That is my answer");
        Page.Until(() => page.Has("[data-right]"), "the outcome");
        page.See("It sounds like");
        page.See("At the booth:");
        page.See("This one comes back");
        page.Press(Keys.Enter);
        page.See("What do you hear?");
        // Without sound everything that decides is there to be seen.
        page.Run<object?>("document.querySelector('input[role=switch], input[type=checkbox]').click()");
        page.SeeNot("What do you hear?");
        Page.Until(
            () =>
                page.Count("[aria-label^='Volts and amps over'] polyline") == 2
                && page.Has("[aria-label^='Outline of the sound'] polygon")
                && page.Has("[aria-label='Drill'] svg[role=img] [data-part=plate]"),
            "trace, outline and bead"
        );
        page.Click("Nothing");
        page.Click("That is my answer");
        Page.Until(() => page.Has("[data-right]"), "the outcome");
        page.Click("My scores");
        page.See("of 2 right");
    }

    [Fact]
    public void A_machine_is_set_by_ear_and_by_sight()
    {
        using var page = new Page(school.Server.Address).StepInAs("Petra Lund");
        page.Click("Practice");
        page.Click("Begin", within: "Set the machine");
        page.See("Turn wire and volts");
        Assert.False(page.Has("[aria-label^='Volts and amps over']"));
        page.Click("It is right so");
        page.See("Wrong");
        page.Click("Next");
        page.See("Turn wire and volts");
    }

    [Fact]
    public void The_microphone_is_recorded_named_and_weighed_with_the_bead()
    {
        var file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid()}.wav");
        File.WriteAllBytes(file, WavFile.Write(KnownClips.Clip(Sound.EvenCrackle, 6, 25, 91_000_003)));
        using var page = AtABead(new Page(school.Server.Address, microphone: file));
        page.Click("Record");
        page.See("Stop at");
        Page.Until(() => page.Run<bool>("return document.querySelector('meter').value > 0.01"), "a level");
        Page.Until(
            () => page.Text.Contains("Stop at 3", StringComparison.Ordinal) || page.Text.Contains("Stop at 4", StringComparison.Ordinal),
            "three seconds"
        );
        // While it still runs, what is heard is named each second.
        Page.Until(
            () => page.Run<bool>("return /crackle/i.test(document.querySelector('[aria-label=\"Heard now\"]')?.textContent ?? '')"),
            "its name while it welds"
        );
        page.Click("Stop at", startsWith: true);
        page.See("Even crackle, about");
        Page.Until(() => page.Has("[aria-label=Recordings] audio"), "the timeline");
        // Its pitches are drawn beside its outline; what could not be fetched is taken away.
        Page.Until(
            () =>
                page.RunAsync<bool>(
                    "const done = arguments[arguments.length - 1]; const drawn = document.querySelector('[aria-label=Recordings] image'); "
                        + "const picture = new Image(); picture.onload = () => done(picture.naturalHeight === 64); "
                        + "picture.onerror = () => done(false); picture.src = drawn?.href.baseVal ?? ''"
                ),
            "the pitches"
        );
        page.See("The recording bears it out");
        // A tap plays from there, and what is served is what was heard.
        Assert.True(
            page.RunAsync<bool>(
                "const done = arguments[arguments.length - 1]; fetch(document.querySelector('[aria-label=Recordings] audio').src, { "
                    + "headers: { "
                    + "Range: 'bytes=0-43' } }).then(r => r.arrayBuffer().then(b => done(r.status === 206 && b.byteLength === 44)))"
            )
        );
        File.Delete(file);
    }

    [Fact]
    public void A_log_is_measured_a_wrong_file_refused_and_a_silent_browser_explained()
    {
        using var page = AtABead(new Page(school.Server.Address));
        page.Click("Booth logger");
        page.See("short circuits a second");
        page.See("instantaneous power");
        var folder = Directory.CreateTempSubdirectory().FullName;
        File.WriteAllText(Path.Combine(folder, "letter.txt"), "Dear all,\nnothing to hear.\n");
        page.Upload("[aria-label=Recordings] input[type=file]", Path.Combine(folder, "letter.txt"));
        page.See("No column of volts");
        File.WriteAllBytes(Path.Combine(folder, "empty.wav"), []);
        page.Upload("[aria-label=Recordings] input[type=file]", Path.Combine(folder, "empty.wav"));
        page.See("The file is empty");
        page.Click("Record");
        Page.Until(
            () =>
                page.Text.Contains("may not hear the microphone", StringComparison.Ordinal)
                || page.Text.Contains("no microphone here", StringComparison.Ordinal),
            "why there is no recording"
        );
        page.Click("Withdraw", within: "Booth logger, simulated");
        page.See("The recording is withdrawn");
        Directory.Delete(folder, recursive: true);
    }
}
