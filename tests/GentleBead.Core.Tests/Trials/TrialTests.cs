using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Trials;
using static GentleBead.Core.Tests.Trials.TrialRoom;

namespace GentleBead.Core.Tests.Trials;

public class TrialTests
{
    /// <summary>Common practice, no source: a ladder is far too much, far too little, right, with the volts held.</summary>
    [Fact]
    public void A_wire_ladder_is_far_too_much_far_too_little_and_right_at_the_same_volts()
    {
        var plan = Plan(new(TrialKind.WireLadder));
        Assert.Equal(3, plan.Steps.Count);
        var wire = T.Pair!.WireFeed;
        Assert.True(plan.Steps[0].Used!.WireFeed > wire * 1.3 && plan.Steps[1].Used!.WireFeed < wire * 0.7);
        Assert.Equal(1, plan.Steps[2].Used!.WireFeed / wire, 0.02);
        Assert.Single(plan.Steps.Select(step => step.VoltMark).Distinct());
        Assert.Contains(plan.Hold, hold => hold.Contains("volts", StringComparison.Ordinal));
    }

    /// <summary>
    /// Common practice, no source: 100 in/min down and 100 up with the same volts; or volts 3 down and 3 up, then settled about 1 up.
    /// </summary>
    [Fact]
    public void A_one_variable_trial_moves_one_thing_by_the_step_asked_for()
    {
        var wire = Plan(new(TrialKind.OneVariable));
        Assert.Equal([0, -100, 100], wire.Steps.Select(step => Math.Round(step.Used!.WireFeed.InPerMin - T.Pair!.WireFeed.InPerMin)));
        Assert.Single(wire.Steps.Select(step => step.Used!.Volts.Volts).Distinct());
        var volts = Plan(new(TrialKind.OneVariable, Variable.Volts));
        Assert.Equal([0, -3, 3, 1], volts.Steps.Select(step => Math.Round(step.Used!.Volts.Volts - volts.Steps[0].Used!.Volts.Volts, 1)));
        Assert.Single(volts.Steps.Select(step => step.Used!.WireFeed.MPerMin).Distinct());
        var up = Plan(new(TrialKind.OneVariable, Variable.Wire, Way.Up, WireFeedSpeed.FromInPerMin(40)));
        Assert.Equal([0, 40], up.Steps.Select(step => Math.Round(step.Used!.WireFeed.InPerMin - T.Pair!.WireFeed.InPerMin)));
        Assert.Equal(
            "variable",
            Assert.Single(TrialPlans.Make(new(TrialKind.OneVariable, Variable.Joint), T, Room.Digital, WayOfSetting.Usual).Problems).Field
        );
    }

    [Fact]
    public void A_staircase_climbs_from_far_too_low_and_takes_each_tap_once()
    {
        var fine = Plan(new(TrialKind.Staircase));
        Assert.Equal(9, fine.Steps.Count);
        Assert.True(fine.Steps.Zip(fine.Steps.Skip(1)).All(pair => pair.Second.Value > pair.First.Value));
        Assert.True(fine.Steps[0].Value <= T.Pair!.Volts.Aim.Volts - 3.9);
        Assert.Single(fine.Steps.Select(step => step.WireMark).Distinct());
        var taps = Plan(
            new(TrialKind.Staircase, StepVolts: Voltage.FromVolts(0.5)),
            Room.KnobAndTaps,
            Room.Sheet(machine: Room.KnobAndTaps)
        );
        Assert.Equal(taps.Steps.Count, taps.Steps.Select(step => step.VoltMark).Distinct().Count());
        Assert.Equal(Enumerable.Range(1, taps.Steps.Count), taps.Steps.Select(step => step.Number));
    }

    [Fact]
    public void Joint_transfer_and_position_pair_keep_the_settings_and_bring_their_own_sheets()
    {
        var joints = Plan(new(TrialKind.JointTransfer));
        Assert.Equal([Joint.OutsideCorner, Joint.Lap, Joint.T], joints.Steps.Select(step => step.Sheet!.Job.Joint));
        var positions = Plan(new(TrialKind.PositionPair));
        Assert.Equal([Position.VerticalDown, Position.Horizontal], positions.Steps.Select(step => step.Sheet!.Job.Position));
        foreach (var plan in new[] { joints, positions })
            Assert.Single(plan.Steps.Select(step => step.Used).Distinct());
    }

    [Fact]
    public void A_set_of_three_moves_the_pair_together_and_an_amps_ladder_moves_the_amps()
    {
        var three = Plan(new(TrialKind.SetOfThree));
        var arc = WireArc.Dip(Wire.Solid08);
        Assert.All(three.Steps, step => Assert.True(SmoothBand.At(step.Used!.WireFeed, arc).Holds(step.Used.Volts)));
        Assert.True(
            three.Steps[0].Used!.WireFeed < three.Steps[2].Used!.WireFeed && three.Steps[2].Used!.WireFeed < three.Steps[1].Used!.WireFeed
        );
        var amps = Plan(new(TrialKind.AmpsLadder), WithAmps, Tig);
        Assert.Equal(
            [0.7, 0.85, 1, 1.15, 1.3],
            amps.Steps.Select(step => Math.Round(step.Amps!.Value / Tig.Amps, 2)),
            (a, b) => Math.Abs(a - b) < 0.02
        );
        Assert.Equal("kind", Assert.Single(TrialPlans.Make(new(TrialKind.AmpsLadder), T, Room.Digital, WayOfSetting.Usual).Problems).Field);
        Assert.Null(TrialPlans.Make(new(TrialKind.Staircase), Tig, WithAmps, WayOfSetting.Usual).Value);
    }

    [Fact]
    public void Bad_steps_are_refused_at_their_field()
    {
        Assert.Equal(
            "wireStepMPerMin",
            Assert
                .Single(
                    TrialPlans
                        .Make(new(TrialKind.OneVariable, WireStep: WireFeedSpeed.FromMPerMin(40)), T, Room.Digital, WayOfSetting.Usual)
                        .Problems
                )
                .Field
        );
        Assert.Equal(
            "stepVolts",
            Assert
                .Single(
                    TrialPlans.Make(new(TrialKind.Staircase, StepVolts: Voltage.FromVolts(0)), T, Room.Digital, WayOfSetting.Usual).Problems
                )
                .Field
        );
        var stiff = Room.Digital with { VoltControl = new Control(ControlKind.Digital, 19.9, 20.1, 0.1, "V", []) };
        Assert.Equal("kind", Assert.Single(TrialPlans.Make(new(TrialKind.VoltLadder), T, stiff, WayOfSetting.Usual).Problems).Field);
    }

    [Fact]
    public void A_bead_that_breaks_the_fairness_is_told()
    {
        var plan = Plan(new(TrialKind.WireLadder));
        var first = Laid(
            plan,
            1,
            new(Sound.Popping, Measured: new(BeadLength: Length.FromMm(100), ArcSeconds: 17), StickOut: Length.FromMm(8))
        ).Bead;
        Assert.Empty(Fairness.Of(plan, T, first, []));

        IReadOnlyList<UnfairBead> Second(Evidence evidence, double minutes, bool fresh, Settings? used = null)
        {
            var bead = Laid(plan, 2, evidence, minutes, fresh).Bead;
            return Fairness.Of(plan, T, used is null ? bead : bead with { Used = used }, [first]);
        }

        var same = new Evidence(Sound.Hiss, Measured: new(BeadLength: Length.FromMm(100), ArcSeconds: 17));
        Assert.Empty(Second(same, 1, fresh: true));
        Assert.Equal(Unfair.PlateWarm, Assert.Single(Second(same, 1, fresh: false)).Unfair);
        Assert.Empty(Second(same, 120, fresh: false));
        // The hand near the plate decides over the estimate, either way.
        Assert.Empty(Second(same with { Plate = PlateWarmth.Cold }, 1, fresh: false));
        Assert.Equal(Unfair.PlateWarm, Assert.Single(Second(same with { Plate = PlateWarmth.Hot }, 120, fresh: true)).Unfair);
        Assert.Equal(
            Unfair.TravelOff,
            Assert.Single(Second(same with { Measured = new(BeadLength: Length.FromMm(100), ArcSeconds: 30) }, 1, fresh: true)).Unfair
        );
        var planned = plan.Steps[1].Used!;
        Assert.Equal(
            Unfair.TwoThings,
            Assert.Single(Second(same, 1, true, planned with { Volts = Voltage.FromVolts(planned.Volts.Volts + 1.5) })).Unfair
        );
        // The wire is what this trial turns.
        Assert.Empty(Second(same, 1, true, planned with { WireFeed = planned.WireFeed * 1.2 }));
        Assert.Equal(Unfair.TwoThings, Assert.Single(Second(same with { StickOut = Length.FromMm(16) }, 1, true)).Unfair);
    }

    [Fact]
    public void A_ladder_of_three_ends_in_a_sentence_and_curves_from_what_was_measured()
    {
        var plan = Plan(new(TrialKind.WireLadder));
        JudgedTrialBead[] beads =
        [
            Laid(plan, 1, new(Sound.Popping, Profile.PiledUp, Toes.Cold, BeadSize: Length.FromMm(6))),
            Laid(plan, 2, new(Sound.Hiss, Profile.Lumpy, Toes.Cold, BeadSize: Length.FromMm(3))),
            Laid(plan, 3, Good with { BeadSize = Length.FromMm(4.2) }),
        ];
        Assert.Null(TrialResult.Of(plan, T, [.. beads.Take(1)]).Learned);
        Assert.False(TrialResult.Of(plan, T, [.. beads.Take(2)]).Done);
        var result = TrialResult.Of(plan, T, beads);
        Assert.True(result.Done);
        Assert.StartsWith("Right: as the sheet says, 7.1 m/min.", result.Learned?.ToString(), StringComparison.Ordinal);
        Assert.Contains("more leg", result.Learned?.ToString(), StringComparison.Ordinal);
        var leg = Assert.Single(result.Curves);
        Assert.Equal(("Leg", 3), ($"{leg.Name}", leg.Points.Count));
        // The slope is MathNet's straight line; two points by hand: 3 mm over the way from the least to the most wire.
        Assert.Equal(
            3 / (plan.Steps[0].Value - plan.Steps[1].Value),
            TrialResult.Of(plan, T, [.. beads.Take(2)]).Curves[0].SlopeMm!.Value,
            1e-9
        );
    }

    [Fact]
    public void A_spoilt_bead_is_counted_and_left_out_until_its_step_is_laid_again()
    {
        var plan = Plan(new(TrialKind.WireLadder));
        List<JudgedTrialBead> beads =
        [
            Laid(plan, 1, new(Sound.Popping, BeadSize: Length.FromMm(6))),
            Laid(plan, 2, new(Sound.Hiss, BeadSize: Length.FromMm(9), Plate: PlateWarmth.Hot)),
        ];
        var spoilt = TrialResult.Of(plan, T, beads);
        Assert.Equal(1, spoilt.Spoilt);
        Assert.Single(spoilt.Curves[0].Points);
        Assert.Contains("left out", spoilt.Learned?.ToString(), StringComparison.Ordinal);
        beads.Add(Laid(plan, 2, new(Sound.Hiss, BeadSize: Length.FromMm(3), Plate: PlateWarmth.Cold)));
        Assert.Equal([3, 6], TrialResult.Of(plan, T, beads).Curves[0].Points.Select(point => point.Mm));
    }

    [Fact]
    public void A_staircase_says_from_where_to_where_it_ran_smooth_and_ends_when_ragged()
    {
        var plan = Plan(new(TrialKind.Staircase));
        Sound Heard(double volts) =>
            volts < 19 ? Sound.Popping
            : volts > 21.5 ? Sound.Hiss
            : Sound.EvenCrackle;
        var beads = plan.Steps.Take(7).Select(step => Laid(plan, step.Number, new(Heard(step.Value)))).ToArray();
        var smooth = plan.Steps.Where(step => Heard(step.Value) == Sound.EvenCrackle).Select(step => step.Value).ToArray();
        var result = TrialResult.Of(plan, T, beads);
        Assert.True(result.Done);
        Assert.Contains(
            $"from {smooth[0]:0.0} to {smooth[^1]:0.0} V, {smooth.Length} steps",
            result.Learned?.ToString(),
            StringComparison.Ordinal
        );
        Assert.False(TrialResult.Of(plan, T, [.. beads.Take(5)]).Done);
    }

    [Fact]
    public void The_same_settings_on_three_joints_teach_to_set_for_the_joint()
    {
        var plan = Plan(new(TrialKind.JointTransfer));
        var result = TrialResult.Of(
            plan,
            T,
            [Laid(plan, 1, new(Sound.EvenCrackle, Profile.Sunk, Toes.Blended, Tint.Wide)), Laid(plan, 2, Good), Laid(plan, 3, Good)]
        );
        Assert.True(result.Done);
        Assert.Contains("Hot: outside corner", result.Learned?.ToString(), StringComparison.Ordinal);
        Assert.Contains("set for the joint", result.Learned?.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_sweep_reads_the_knob_from_the_clock()
    {
        Assert.True(Dials.TryFit(Room.KnobAndTaps, out var dials, out _));
        // 20 to 70 in 25 s is 2 marks a second: 5 s is mark 30, 15 s is mark 50.
        var run = new SweepRun(20, 70, 25, [new(SweepMark.BreaksUp, 15), new(SweepMark.Smooths, 5)]);
        Assert.Empty(run.Problems(Room.KnobAndTaps.WireControl!));
        var found = SweepFinding.Of(run, dials!, WireArc.Dip(Wire.Solid08), Voltage.FromVolts(18));
        Assert.Equal(dials!.WireFeedAt(30).Value, found.Smooths!.Value.MPerMin, 1e-9);
        Assert.Equal(dials.WireFeedAt(50).Value, found.BreaksUp!.Value.MPerMin, 1e-9);
        Assert.Contains("ran smooth from", found.Learned.ToString(), StringComparison.Ordinal);
        Assert.Null(SweepFinding.Of(run with { Events = [] }, dials, WireArc.Dip(Wire.Solid08), Voltage.FromVolts(18)).Middle);
        Assert.Contains(
            "did not break up",
            SweepFinding
                .Of(run with { Events = [new(SweepMark.Smooths, 5)] }, dials, WireArc.Dip(Wire.Solid08), Voltage.FromVolts(18))
                .Learned.ToString(),
            StringComparison.Ordinal
        );
        foreach (
            var bad in new[]
            {
                run with
                {
                    FromMark = -5,
                },
                run with
                {
                    ToMark = 20,
                },
                run with
                {
                    Seconds = 1,
                },
                run with
                {
                    Events = [new(SweepMark.Smooths, 26)],
                },
                run with
                {
                    Seconds = double.NaN,
                },
            }
        )
        {
            Assert.NotEmpty(bad.Problems(Room.KnobAndTaps.WireControl!));
        }
    }
}
