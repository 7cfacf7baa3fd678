using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

public class WholePathTests(DemoServer demo)
{
    [Fact]
    public async Task From_a_typed_thickness_to_the_next_change_as_instructor_and_as_student()
    {
        // A school of its own: the story must stand as it was told.
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address);
        page.StepInAs("Maren Holloway");

        // Today's session: booths, who stands there, on what, and how the last bead came out.
        page.See("Deck fittings and trailers");
        page.See("Today");
        page.SeeCount("article[aria-label^='Booth ']", 4);
        page.SeeIn("Booth 2", "Cold");
        page.SeeIn("Booth 2", "1/8 T, horizontal");
        page.SeeIn("Booth 2", "First of two: wire up");

        // The sheet, while typing, in the machine's own marks.
        page.Click("Sheet", within: "Booth 4");
        page.See("Jun Castellan");
        page.Type("Plate thickness", "11 ga");
        page.Click("Lap", within: "Joint");
        page.Click("Horizontal", within: "Position");
        page.See("11 ga Lap, horizontal");
        var sheet = page.Part("Settings sheet");
        // 11 ga is 0.1196 in: 119.6 A, times 1.12 for a lap is 134 A, times 1.6 for 0.9 mm wire is 214 in/min.
        Assert.Contains("214", sheet, StringComparison.Ordinal);
        Assert.Contains("134 A", sheet, StringComparison.Ordinal);
        Assert.Contains("tap 5", sheet, StringComparison.Ordinal);
        foreach (
            var named in new[]
            {
                "Stick-out",
                "Gas flow",
                "Travel speed",
                "Leg",
                "Work angle",
                "Travel angle",
                "Lens shade",
                "It should sound",
                "It should look",
                "runs smooth",
                "Push",
            }
        )
        {
            Assert.Contains(named, sheet, StringComparison.Ordinal);
        }

        // Every number opens its reason, down to what was typed.
        page.Why("wire feed speed");
        page.See("Burn-off factor");
        page.See("One ampere for each thousandth of an inch");
        page.See("\"11 ga\" is 0.120 in, about 11 ga");
        page.Press(OpenQA.Selenium.Keys.Escape);
        page.Why("the volt mark");
        page.See("This machine's readings");
        page.Press(OpenQA.Selenium.Keys.Escape);

        page.Click("Give to Jun Castellan");
        page.See("Bead 1");
        Assert.StartsWith("tap 5", page.Value("Volts"), StringComparison.Ordinal);

        // A bead with the volts turned down two taps.
        page.Click("Volts down");
        page.Click("Volts down");
        page.Click("Popping, stubbing");
        page.Click("Tall, narrow");
        page.Click("Cold, on top");
        page.Click("None", within: "Heat tint");
        page.Click("Nothing", within: "Far side");
        page.Click("Judge the bead");
        page.See("Bead 1. Cold");
        var verdict = page.Part("Verdict");
        // 214 in/min is 5.44 m/min; between its readings (15, 2.0) and (45, 6.4) this knob gives that at 38.5, so 38.
        Assert.Contains("Volts up 2 taps, 3 to 5. Leave the wire at 38.", verdict, StringComparison.Ordinal);
        var why = page.Part("Why");
        Assert.Contains("Volts low for the wire", why, StringComparison.Ordinal);
        Assert.Contains("For: loud pops, stubbing", why, StringComparison.Ordinal);
        Assert.Contains("under the band", why, StringComparison.Ordinal);

        // The advice stands on the controls; the next bead is right.
        page.See("Bead 2");
        Assert.Equal("tap 5", page.Value("Volts"));
        page.Click("Even crackle");
        page.Click("Looks right all round");
        page.Click("Tint behind", within: "Far side");
        page.Type("Leg, if measured", "0.16");
        page.Click("Judge the bead");
        page.See("Bead 2. Right");
        Page.Until(() => page.Count("[aria-label='Coupon'] svg[role=img]") == 2, "two glyphs on the coupon");
        page.SeeCount("[aria-label='Settings plane'] text[data-part=number]", 2);

        // The student sees their own sheet, beads and next change; nobody else's.
        page.SignOut();
        page.StepInAs("Jun Castellan");
        page.See("You stand at booth 4");
        page.See("11 ga Lap, horizontal");
        page.SeeIn("Next change", "Keep it. Do the same again.");
        page.Click("Beads");
        page.See("Your beads");
        page.SeeCount("[aria-label='Your beads'] svg[role=img]", 2);
        foreach (var other in new[] { "Ilsa", "Teodor", "Wynn", "Petra", "Odell", "Students", "Machines" })
            Assert.DoesNotContain(other, page.Text, StringComparison.Ordinal);
        page.Open("/machines");
        page.See("There is no page at this address");
    }

    [Fact]
    public void A_bead_recorded_on_one_screen_appears_on_the_other_by_itself()
    {
        using var bench = demo.Open();
        using var own = demo.Open();
        bench.StepInAs("Maren Holloway");
        own.StepInAs("Teodor Pike");
        bench.Click("Bench", within: "Booth 2");
        own.Click("Beads");
        own.See("Your beads");
        var before = own.Count("[aria-label='Your beads'] svg[role=img]");
        bench.Click("Hiss");
        bench.Click("Judge the bead");
        Page.Until(() => own.Count("[aria-label='Your beads'] svg[role=img]") == before + 1, "the new bead on the student's own screen");
    }

    [Fact]
    public async Task A_server_killed_hard_comes_up_with_every_bead_and_everybody_signed_in()
    {
        var database = await Cluster.NewDemoDatabaseAsync();
        var first = await RunningServer.StartAsync(demo: true, database);
        using var page = new Page(first.Address);
        page.StepInAs("Maren Holloway");
        page.Click("Bench", within: "Booth 1");
        page.Click("Rattle");
        page.Click("Judge the bead");
        page.See("Bead 3.");
        await first.KillAsync();
        page.See("The line to the server is down");

        // What is on the form survives a server that does not answer.
        page.Click("Sputter");
        page.Click("Judge the bead");
        page.See("whether it was saved is not known");
        Assert.Contains(
            "Sputter",
            page.Run<string>("return document.querySelector('[aria-pressed=true]').textContent"),
            StringComparison.Ordinal
        );

        await using var second = await RunningServer.StartAsync(demo: true, database);
        using var again = new Page(second.Address);
        again.StepInAs("Maren Holloway");
        again.Click("Bench", within: "Booth 1");
        again.See("Bead 3.");
        await first.DisposeAsync();
    }
}
