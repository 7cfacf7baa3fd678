using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Tests.Judging;

/// <summary>The step is chosen over all causes: turning, mending, or a look where too little is known.</summary>
public class DecisionTests
{
    private static readonly Sheet T = Room.Sheet(machine: Room.Digital);

    private static readonly PairSettings Pair = T.Pair!;

    private static Judgement Of(double wire, double volts, Evidence evidence, Circumstances? around = null) =>
        Judge.Of(T, Room.Digital, Used(wire, volts), evidence, around);

    private static Settings Used(double wire, double volts) =>
        new(Pair.WireFeed * wire, Voltage.FromVolts(Math.Round(Pair.Volts.Aim.Volts + volts, 1)));

    [Fact]
    public void Where_no_cause_has_a_third_of_the_shares_nothing_is_turned_but_the_most_telling_look_is_taken()
    {
        var judgement = Of(1, 0, new(Sound.Sputter));
        Assert.True(judgement.Causes[0].Share < 1.0 / 3, $"{judgement.Causes[0].Share}");
        Assert.Equal(ChangeKind.Look, judgement.Next!.Kind);
        Assert.Equal(judgement.Telling!.Text, judgement.Next.Instruction);
        Assert.Equal(Pair.WireFeed.InPerMin, judgement.Next.WireMark!.Value, 1.0);
        Assert.StartsWith("Not sure enough to turn anything", $"{judgement.Next.Sure}", StringComparison.Ordinal);
        Assert.StartsWith("It tells these two apart", $"{judgement.Next.Expect}", StringComparison.Ordinal);
    }

    [Fact]
    public void How_sure_it_is_stands_beside_the_change()
    {
        Assert.Equal("Plain from what was noted.", $"{Of(1, -4, new(Sound.Popping, Feel: Feel.PushedBack)).Next!.Sure}");
        Assert.All(
            WorkedCases.All.Select(bead => WorkedCases.Judged(bead).Next!),
            next => Assert.Matches("^(Plain from|Likely: about|The best guess|Not sure enough)", $"{next.Sure}")
        );
    }

    [Fact]
    public void Of_two_changes_that_mend_the_same_the_one_that_lands_on_the_sheet_is_made()
    {
        // Popping with a third too much wire at the sheet's volts: either knob makes the pair; one of them the sheet's.
        var next = Of(1.33, 0, new(Sound.Popping, Feel: Feel.PushedBack)).Next!;
        Assert.Equal(ChangeKind.WireDown, next.Kind);
        Assert.Equal(Pair.WireFeed.InPerMin, next.WireMark!.Value, 1.0);
        Assert.Null(next.Then);
        // And with the sheet's wire the volts.
        Assert.Equal(ChangeKind.VoltsUp, Of(1, -3, new(Sound.Popping, Feel: Feel.PushedBack)).Next!.Kind);
    }

    [Fact]
    public void When_one_turn_cannot_land_in_the_band_both_are_said_and_both_lead_to_the_sheet()
    {
        var used = Used(0.75, -5);
        var next = Judge.Of(T, Room.Digital, used, new(Sound.Popping, Profile.TallNarrow, Toes.Cold)).Next!;
        Assert.StartsWith("First of two: volts up", $"{next.Instruction}", StringComparison.Ordinal);
        Assert.StartsWith("Second, once that is heard: wire up", $"{next.Then}", StringComparison.Ordinal);
        Assert.StartsWith("After both, ", $"{next.Expect}", StringComparison.Ordinal);
        var lands = NextChanges.Turning(Cause.VoltsLow, T, Room.Digital, used).Lands;
        Assert.Equal(Pair.WireFeed.MPerMin, lands.WireFeed.MPerMin, 0.05);
        Assert.Equal(Pair.Volts.Aim.Volts, lands.Volts.Volts, 0.1);
    }

    [Fact]
    public void Every_first_advice_lands_in_the_band_or_says_that_a_second_follows()
    {
        var (two, all) = (0, 0);
        for (var wire = 0.6; wire < 1.5; wire += 0.1)
        {
            for (var volts = -5.0; volts <= 5; volts += 1)
            {
                var used = Used(wire, volts);
                var band = SmoothBand.At(used.WireFeed, T.Job.RequireArc());
                if (band.Holds(used.Volts))
                    continue;
                var heard = used.Volts < band.Low ? Sound.Popping : Sound.Hiss;
                var next = Judge.Of(T, Room.Digital, used, new(heard)).Next!;
                if (NextChanges.IsByHand(next.Kind) || next.Kind == ChangeKind.Look)
                    continue;
                all++;
                var after = Room.Digital.Read(next.WireMark, next.VoltMark, null, null).Value!;
                var lands = SmoothBand.At(after.WireFeed, T.Job.RequireArc());
                var off = Math.Max(lands.Low.Volts - after.Volts.Volts, after.Volts.Volts - lands.High.Volts);
                Assert.True(off <= 0.3 || next.Then is not null, $"{used}: {next.Instruction} leaves {off:0.0} V");
                two += next.Then is null ? 0 : 1;
            }
        }
        Assert.True(all > 60 && two > 10, $"{two} of {all}");
    }

    [Fact]
    public void What_was_mended_in_vain_is_not_the_first_guess_again()
    {
        var evidence = new Evidence(Sound.Sputter, Spatter: Spatter.Big, Start: Start.Stuttering);
        var first = Of(1, 0, evidence);
        Assert.Equal(ChangeKind.CleanPlate, first.Next!.Kind);
        var again = Of(1, 0, evidence, Circumstances.None with { Before = new(1, first, evidence, Used(1, 0), null) });
        Assert.Equal(Outcome.NotAsExpected, again.FollowUp!.Outcome);
        Assert.NotEqual(Cause.DirtyPlate, again.Causes[0].Cause);
        Assert.NotEqual(ChangeKind.CleanPlate, again.Next!.Kind);
    }

    [Fact]
    public void A_wire_that_was_to_be_measured_and_has_no_reading_was_not()
    {
        var evidence = new Evidence(Sound.Hiss, Profile.Lumpy, Toes.Cold, Tint.Thin, Penetration: Penetration.NoneSeen);
        var first = Of(1, 0, evidence) with { Next = NextChanges.For(Cause.ReadOutOff, T, Room.Digital, Used(1, 0)) };
        var around = Circumstances.None with { Before = new(1, first, evidence, Used(1, 0), null) };
        Assert.Equal(Outcome.NotDone, Of(1, 0, evidence, around).FollowUp!.Outcome);
        var measured = Room.Digital with { WireControl = Room.Digital.WireControl! with { Readings = [new(200, 5.08), new(300, 7.62)] } };
        Assert.NotEqual(Outcome.NotDone, Judge.Of(T, measured, Used(1, 0), evidence, around).FollowUp!.Outcome);
        // Set by what was measured, it was done too.
        Assert.NotEqual(Outcome.NotDone, Judge.Of(T, measured, Used(1.3, 0), evidence, around).FollowUp!.Outcome);
    }

    [Fact]
    public void Once_the_first_of_two_is_made_the_second_comes_unless_the_bead_has_proved_right()
    {
        var evidence = new Evidence(Sound.Popping, Profile.TallNarrow, Toes.Cold);
        var first = Of(0.75, -5, evidence);
        Assert.NotNull(first.Next!.Then);
        var made = Room.Digital.Read(first.Next.WireMark, first.Next.VoltMark, null, null).Value!;
        var around = Circumstances.None with { Before = new(1, first, evidence, Used(0.75, -5), null) };
        // The volts are up now and stand over the band of so little wire.
        var halfSeen = new Evidence(Profile: Profile.SlightlyConvex, Toes: Toes.Blended);
        Assert.Equal(ChangeKind.WireUp, Judge.Of(T, Room.Digital, made, halfSeen, around).Next!.Kind);
        var proved = halfSeen with { Sound = Sound.EvenCrackle, Penetration = Penetration.TintBehind };
        Assert.Equal(ChangeKind.Keep, Judge.Of(T, Room.Digital, made, proved, around).Next!.Kind);
    }

    [Fact]
    public void A_bead_off_the_sheet_that_was_hardly_looked_at_is_not_kept() =>
        Assert.NotEqual(ChangeKind.Keep, Of(1.4, 0, new(Profile: Profile.SlightlyConvex)).Next!.Kind);

    // The value of information (Raiffa and Schlaifer 1961): no answer can make the next bead less likely right than not asking does,
    // and the answers weighed by their chances give the causes' shares back.
    [Fact]
    public void What_a_look_may_say_weighs_up_to_what_is_known()
    {
        var ranked = Of(1, 0, new(Sound.Sputter)).Causes;
        var outcomes = NextLooks.Outcomes(T.Job, new HashSet<Sign> { Sign.Sputter }, ranked, Causes.Of(T.Job.Process)).ToArray();
        Assert.True(outcomes.Length > 8);
        foreach (var (_, _, answers) in outcomes)
        {
            Assert.Equal(ranked.Sum(cause => cause.Share), answers.Sum(answer => answer.Likely), 1e-9);
            for (var i = 0; i < ranked.Count; i++)
                Assert.Equal(ranked[i].Share, answers.Sum(answer => answer.Likely * answer.Shares[i]), 1e-9);
        }
    }

    [Fact]
    public void A_section_is_cut_last_of_all_looks()
    {
        var outcomes = NextLooks.Outcomes(T.Job, new HashSet<Sign>(), Of(1, 0, new(Sound.Sputter)).Causes, Causes.Of(T.Job.Process));
        Assert.StartsWith("Cut, polish and etch", $"{outcomes.MaxBy(one => one.Trouble).Look.Text}", StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(0, 1)]
    [InlineData(0.25, 0.75)]
    [InlineData(1, 0)]
    [InlineData(3, 0)]
    [InlineData(-1, 1)]
    public void Near_falls_from_one_to_nothing(double off, double near) => Assert.Equal(near, Decision.Near(off), 1e-9);

    [Fact]
    public void A_setting_within_a_tenth_is_on_the_sheet()
    {
        Assert.True(Decision.Apart(1.09) <= 0 && Decision.Apart(0.92) <= 0);
        Assert.InRange(Decision.Apart(1.5), 0.6, 0.65);
        Assert.Equal(1, Decision.Apart(0));
    }
}
