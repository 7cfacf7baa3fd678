using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Trials;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Tests.Trials;

/// <summary>Where a trial's limits lie: just inside, just outside. Common practice, no source, where no other is named.</summary>
public class TrialEdgeTests
{
    private static readonly DateTimeOffset Eight = new(2026, 3, 2, 20, 0, 0, TimeSpan.Zero);
    private static readonly Sheet T = Room.Sheet(machine: Room.Digital);
    private static readonly WireArc Dip = WireArc.Dip(Core.Stock.Wire.Solid08);
    private static readonly TrialPlan Wire = TrialPlans.Make(new(TrialKind.WireLadder), T, Room.Digital, WayOfSetting.Usual).Value!;

    private static Evidence Pace(double mmPerMin, double? stickOut = null) =>
        new(
            Sound.Hiss,
            Measured: new(BeadLength: Length.FromMm(100), ArcSeconds: 60 * 100 / mmPerMin),
            StickOut: stickOut is { } mm ? Length.FromMm(mm) : null
        );

    private static IEnumerable<Unfair> Found(Evidence first, Evidence second, Func<Settings, Settings>? turned = null)
    {
        var before = new TrialBead(1, Wire.Steps[0].Used, null, first, Eight, true);
        var used = (turned ?? (same => same))(Wire.Steps[1].Used!);
        return Fairness.Of(Wire, T, new(2, used, null, second, Eight.AddMinutes(5), true), [before]).Select(one => one.Unfair);
    }

    // A hand keeps a pace to about a tenth; a sixth off shows in the size of the bead.
    [Theory]
    [InlineData(330, true)]
    [InlineData(270, true)]
    [InlineData(345, false)]
    [InlineData(255, false)]
    public void A_pace_a_tenth_off_can_be_compared_and_a_sixth_off_cannot(double mmPerMin, bool fair) =>
        Assert.Equal(fair ? [] : [Unfair.TravelOff], Found(Pace(300), Pace(mmPerMin)));

    [Theory]
    [InlineData(10, true)]
    [InlineData(12.9, true)]
    [InlineData(13.5, false)]
    public void A_stick_out_is_another_from_three_millimetres_on(double mm, bool fair) =>
        Assert.Equal(fair ? [] : [Unfair.TwoThings], Found(Pace(300, 10), Pace(300, mm)));

    // A read-out good to half a volt cannot tell less; a volt more is another arc.
    [Theory]
    [InlineData(0.5, true)]
    [InlineData(-0.5, true)]
    [InlineData(1, false)]
    [InlineData(-1, false)]
    public void Volts_half_a_volt_off_are_the_same_and_a_volt_off_are_others(double more, bool fair) =>
        Assert.Equal(
            fair ? [] : [Unfair.TwoThings],
            Found(Pace(300), Pace(300), used => used with { Volts = Voltage.FromVolts(used.Volts.Volts + more) })
        );

    // What a trial turns may be off; what it holds may be off by a twentieth of the wire at most.
    [Theory]
    [InlineData(TrialKind.VoltLadder, 1, 1.5, true)]
    [InlineData(TrialKind.VoltLadder, 1.04, 0, true)]
    [InlineData(TrialKind.VoltLadder, 1.06, 0, false)]
    [InlineData(TrialKind.VoltLadder, 0.94, 0, false)]
    [InlineData(TrialKind.WireLadder, 1.5, 0, true)]
    [InlineData(TrialKind.SetOfThree, 1.5, 2, true)]
    public void What_is_held_stays_within_a_twentieth(TrialKind kind, double wire, double volts, bool fair)
    {
        var plan = TrialPlans.Make(new(kind), T, Room.Digital, WayOfSetting.Usual).Value!;
        var planned = plan.Steps[0].Used!;
        var used = new Settings(planned.WireFeed * wire, Voltage.FromVolts(planned.Volts.Volts + volts));
        var found = Fairness.Of(plan, T, new(1, used, null, new(Sound.Hiss), Eight, true), []);
        Assert.Equal(fair ? [] : [Unfair.TwoThings], found.Select(one => one.Unfair));
    }

    // Twice as long in the arc is twice the heat and a longer wait; without a watch the sheet's pace is taken.
    [Fact]
    public void A_slower_bead_wants_a_longer_wait()
    {
        double Wait(double? share) =>
            Fairness.WaitSeconds(
                T,
                new(1, Wire.Steps[0].Used, null, share is { } of ? Pace(T.Travel!.Value.MmPerMin * of) : new(Sound.Hiss), Eight, true)
            );
        Assert.Equal(Wait(1), Wait(null), 1e-9);
        Assert.True(Wait(0.5) > Wait(1) && Wait(1) > Wait(2) && Wait(2) > 0);
    }

    [Fact]
    public void A_tungsten_beads_wait_goes_by_the_amps_used()
    {
        double Wait(double? amps) =>
            Fairness.WaitSeconds(TrialRoom.Tig, new(1, null, amps is { } a ? Current.FromAmps(a) : null, new(Sound.Hiss), Eight, true));
        var sheet = TrialRoom.Tig.Amps.Amps;
        Assert.Equal(Wait(sheet), Wait(null), 1e-9);
        Assert.True(Wait(sheet * 1.3) > Wait(sheet));
    }

    [Theory]
    [InlineData(45, "Only 45 s after")]
    [InlineData(89, "Only 89 s after")]
    [InlineData(100, "Only 2 min after")]
    public void How_long_ago_the_bead_before_was_is_said_in_seconds_and_from_a_minute_and_a_half_in_minutes(int seconds, string says)
    {
        var before = new TrialBead(1, Wire.Steps[0].Used, null, new(Sound.Hiss), Eight, true);
        var found = Fairness.Of(Wire, T, new(2, Wire.Steps[1].Used, null, new(Sound.Hiss), Eight.AddSeconds(seconds), false), [before]);
        Assert.StartsWith(says, $"{Assert.Single(found).Text}", StringComparison.Ordinal);
    }

    // A bead laid long before any evidence of pace goes by the sheet's own.
    [Fact]
    public void The_first_bead_is_held_against_the_sheets_pace()
    {
        IEnumerable<Unfair> First(double share) =>
            Fairness
                .Of(Wire, T, new(1, Wire.Steps[0].Used, null, Pace(T.Travel!.Value.MmPerMin * share), Eight, true), [])
                .Select(one => one.Unfair);
        Assert.Empty(First(1.1));
        Assert.Equal([Unfair.TravelOff], First(1.15));
    }

    [Fact]
    public void Too_cold_and_too_hot_are_a_fifth_of_the_wire_either_way_and_the_volts_follow()
    {
        var plan = TrialPlans.Make(new(TrialKind.SetOfThree), T, Room.Digital, WayOfSetting.Usual).Value!;
        var middle = plan.Steps[2].Used!;
        Assert.Equal(0.8, plan.Steps[0].Used!.WireFeed / middle.WireFeed, 0.01);
        Assert.Equal(1.2, plan.Steps[1].Used!.WireFeed / middle.WireFeed, 0.01);
        Assert.True(plan.Steps[0].Used!.Volts < middle.Volts && plan.Steps[1].Used!.Volts > middle.Volts);
    }

    // The band is as wide as it was heard: from the first time it smoothed to the last time it broke up.
    [Fact]
    public void A_sweep_pressed_twice_is_read_from_the_first_smooth_to_the_last_break_up()
    {
        Assert.True(Dials.TryFit(Room.KnobAndTaps, out var dials, out _));
        var found = SweepFinding.Of(
            new(
                20,
                70,
                25,
                [
                    new(SweepMark.BreaksUp, 2),
                    new(SweepMark.Smooths, 5),
                    new(SweepMark.BreaksUp, 12),
                    new(SweepMark.Smooths, 13),
                    new(SweepMark.BreaksUp, 18),
                ]
            ),
            dials!,
            Dip,
            Voltage.FromVolts(18)
        );
        // Two marks a second from 20: 5 s is 30, 18 s is 56.
        Assert.Equal(dials!.WireFeedAt(30).Value, found.Smooths!.Value.MPerMin, 1e-9);
        Assert.Equal(dials.WireFeedAt(56).Value, found.BreaksUp!.Value.MPerMin, 1e-9);
        Assert.Equal((dials.WireFeedAt(30).Value + dials.WireFeedAt(56).Value) / 2, found.Middle!.Value.MPerMin, 1e-9);
    }

    // Broken up before it smoothed, at the same moment, or never: where the band ends was not heard.
    [Fact]
    public void Only_what_broke_up_after_it_smoothed_ends_the_band()
    {
        Assert.True(Dials.TryFit(Room.KnobAndTaps, out var dials, out _));
        SweepFinding Of(params SweepEvent[] events) => SweepFinding.Of(new(20, 70, 25, events), dials!, Dip, Voltage.FromVolts(18));
        Assert.Null(Of(new(SweepMark.Smooths, 5), new(SweepMark.BreaksUp, 2)).BreaksUp);
        Assert.Null(Of(new(SweepMark.Smooths, 5), new(SweepMark.BreaksUp, 5)).BreaksUp);
        Assert.Null(Of(new(SweepMark.Smooths, 5), new SweepEvent(SweepMark.Smooths, 13)).BreaksUp);
        var broke = Of(new SweepEvent(SweepMark.BreaksUp, 2));
        Assert.Equal(dials!.WireFeedAt(24).Value, broke.BreaksUp!.Value.MPerMin, 1e-9);
        Assert.Contains("where it smoothed was not marked", $"{broke.Learned}", StringComparison.Ordinal);
    }

    [Fact]
    public void A_sweep_says_where_the_top_and_the_bottom_of_the_band_lie()
    {
        Assert.True(Dials.TryFit(Room.KnobAndTaps, out var dials, out _));
        var volts = Voltage.FromVolts(18);
        var run = new SweepRun(20, 70, 25, [new(SweepMark.Smooths, 5), new(SweepMark.BreaksUp, 15)]);
        var both = SweepFinding.Of(run, dials!, Dip, volts);
        Assert.Equal(
            [
                new WindowPoint(both.Smooths!.Value, volts, BandEvidence.TopEdge),
                new WindowPoint(both.BreaksUp!.Value, volts, BandEvidence.BottomEdge),
            ],
            both.OnBand(Dip, volts, null)
        );
        Assert.Equal(
            [BandEvidence.BottomEdge],
            SweepFinding
                .Of(run with { Events = [new(SweepMark.BreaksUp, 15)] }, dials!, Dip, volts)
                .OnBand(Dip, volts, null)
                .Select(point => point.Says)
        );
        Assert.Empty(SweepFinding.Of(run with { Events = [] }, dials!, Dip, volts).OnBand(Dip, volts, null));
    }

    [Fact]
    public void A_sweep_on_a_rest_says_where_its_band_lies_close_up_and_the_window_learns_that()
    {
        Assert.True(Dials.TryFit(Room.KnobAndTaps, out var dials, out _));
        var (volts, rest) = (Voltage.FromVolts(18), Length.FromMm(19));
        var run = new SweepRun(20, 70, 25, [new(SweepMark.Smooths, 5), new(SweepMark.BreaksUp, 15)]);
        var found = SweepFinding.Of(run, dials!, Dip, volts, rest);
        Assert.All(
            found.OnBand(Dip, volts, null).Zip(found.OnBand(Dip, volts, rest)),
            edge =>
            {
                Assert.Equal(HeldVolts.WireAt(edge.First.WireFeed, rest, Dip.UsualStickOut, Dip), edge.Second.WireFeed);
                Assert.Equal(edge.First.Says, edge.Second.Says);
            }
        );
        var middle = HeldVolts.WireAt(found.Middle!.Value, rest, Dip.UsualStickOut, Dip);
        var told = Core
            .Words.Said.Say($"The tip stood {rest:rule} off: at {Dip.UsualStickOut:rule} that middle lies at {middle}.")
            .ToString();
        Assert.EndsWith(told, found.Learned.ToString(), StringComparison.Ordinal);
        // At the sheet's own stick-out there is nothing to add, nor where nothing was marked.
        Assert.DoesNotContain("tip", SweepFinding.Of(run, dials!, Dip, volts, Dip.UsualStickOut).Learned.ToString());
        Assert.DoesNotContain("tip", SweepFinding.Of(run with { Events = [] }, dials!, Dip, volts, rest).Learned.ToString());
    }

    [Theory]
    [InlineData(2, true)]
    [InlineData(300, true)]
    [InlineData(1.9, false)]
    [InlineData(300.1, false)]
    public void A_sweep_takes_two_seconds_to_five_minutes(double seconds, bool good) =>
        Assert.Equal(good ? [] : ["seconds"], Fields(new(20, 70, seconds, [])));

    [Fact]
    public void A_sweep_stays_on_the_dial_goes_up_and_is_marked_while_it_runs()
    {
        Assert.Empty(Fields(new(0, 100, 10, [new(SweepMark.Smooths, 0), new(SweepMark.BreaksUp, 10)])));
        Assert.Equal(["fromMark"], Fields(new(-1, 100, 10, [])));
        Assert.Equal(["toMark"], Fields(new(0, 101, 10, [])));
        Assert.Equal(["toMark"], Fields(new(50, 50, 10, [])));
        Assert.Equal(["toMark"], Fields(new(100, 100, 10, [])));
        Assert.Equal(["events"], Fields(new(0, 100, 10, [new(SweepMark.Smooths, -0.1)])));
        Assert.Equal(["events"], Fields(new(0, 100, 10, [new(SweepMark.Smooths, 10.1)])));
        Assert.Equal(["events"], Fields(new(0, 100, 10, [null!])));
        Assert.Empty(Fields(new(0, 100, 10, [.. Enumerable.Repeat(new SweepEvent(SweepMark.Smooths, 1), 40)])));
        Assert.Equal(["events"], Fields(new(0, 100, 10, [.. Enumerable.Repeat(new SweepEvent(SweepMark.Smooths, 1), 41)])));
    }

    private static IEnumerable<string> Fields(SweepRun run) => run.Problems(Room.KnobAndTaps.WireControl!).Select(problem => problem.Field);
}
