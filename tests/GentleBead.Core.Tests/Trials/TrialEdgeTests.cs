using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Trials;

namespace GentleBead.Core.Tests.Trials;

/// <summary>Where a trial's limits lie: just inside, just outside. Common practice, no source, where no other is named.</summary>
public class TrialEdgeTests
{
    private static readonly DateTimeOffset Eight = new(2026, 3, 2, 20, 0, 0, TimeSpan.Zero);
    private static readonly Sheet T = Room.Sheet(machine: Room.Digital);
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
            Voltage.FromVolts(18)
        );
        // Two marks a second from 20: 5 s is 30, 18 s is 56.
        Assert.Equal(dials!.WireFeedAt(30).Value, found.Smooths!.Value.MPerMin, 1e-9);
        Assert.Equal(dials.WireFeedAt(56).Value, found.BreaksUp!.Value.MPerMin, 1e-9);
        Assert.Equal((dials.WireFeedAt(30).Value + dials.WireFeedAt(56).Value) / 2, found.Middle!.Value.MPerMin, 1e-9);
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
        Assert.Equal(["events"], Fields(new(0, 100, 10, [new(SweepMark.Smooths, -0.1)])));
        Assert.Equal(["events"], Fields(new(0, 100, 10, [new(SweepMark.Smooths, 10.1)])));
        Assert.Equal(["events"], Fields(new(0, 100, 10, [null!])));
        Assert.Empty(Fields(new(0, 100, 10, [.. Enumerable.Repeat(new SweepEvent(SweepMark.Smooths, 1), 40)])));
        Assert.Equal(["events"], Fields(new(0, 100, 10, [.. Enumerable.Repeat(new SweepEvent(SweepMark.Smooths, 1), 41)])));
    }

    private static IEnumerable<string> Fields(SweepRun run) => run.Problems(Room.KnobAndTaps.WireControl!).Select(problem => problem.Field);
}
