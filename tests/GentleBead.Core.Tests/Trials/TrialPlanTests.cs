using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Trials;
using static GentleBead.Core.Tests.Trials.TrialRoom;

namespace GentleBead.Core.Tests.Trials;

/// <summary>What a trial asks for, and what a machine cannot give. Common practice, no source.</summary>
public class TrialPlanTests
{
    private static string? Refused(TrialRequest request, Sheet? sheet = null, Machine? machine = null)
    {
        var made = TrialPlans.Make(request, sheet ?? T, machine ?? Room.Digital, WayOfSetting.Usual);
        return made.Problems.Count == 0 ? null : Assert.Single(made.Problems).Field;
    }

    [Fact]
    public void A_volts_ladder_is_far_too_many_far_too_few_and_right()
    {
        var aim = T.Pair!.Volts.Aim.Volts;
        var plan = Plan(new(TrialKind.VoltLadder));
        Assert.Equal([3.5, -3.5, 0], plan.Steps.Select(step => Math.Round(step.Value - aim, 1)));
        Assert.Single(plan.Steps.Select(step => step.Used!.WireFeed.MPerMin).Distinct());
    }

    [Fact]
    public void Steps_are_as_wide_as_asked_for()
    {
        var aim = T.Pair!.Volts.Aim.Volts;
        var two = Plan(new(TrialKind.OneVariable, Variable.Volts, StepVolts: Voltage.FromVolts(2)));
        Assert.Equal([0, -2, 2, 1], two.Steps.Select(step => Math.Round(step.Value - aim, 1)));
        var down = Plan(new(TrialKind.OneVariable, Variable.Volts, Way.Down));
        Assert.Equal([0, -3], down.Steps.Select(step => Math.Round(step.Value - aim, 1)));
        var stairs = Plan(new(TrialKind.Staircase, StepVolts: Voltage.FromVolts(2)));
        Assert.Equal([-4, -2, 0, 2, 4], stairs.Steps.Select(step => Math.Round(step.Value - aim, 1)));
        Assert.Equal("2 V down", two.Steps[1].Title.ToString());
    }

    [Fact]
    public void Only_a_staircase_ends_when_the_arc_goes_ragged()
    {
        TrialKind[] fed = [.. Enum.GetValues<TrialKind>().Where(kind => kind != TrialKind.AmpsLadder)];
        Assert.Equal([TrialKind.Staircase], fed.Where(kind => Plan(new(kind)).MayStopEarly));
        Assert.False(Plan(new(TrialKind.OneVariable, Variable.Volts)).MayStopEarly);
        Assert.False(Plan(new(TrialKind.AmpsLadder), WithAmps, Tig).MayStopEarly);
    }

    [Fact]
    public void The_steps_of_an_amps_ladder_say_how_far_they_are_off()
    {
        var steps = Plan(new(TrialKind.AmpsLadder), WithAmps, Tig).Steps;
        Assert.Equal(
            ["30 % under", "15 % under", "The sheet's amps", "15 % over", "30 % over"],
            steps.Select(step => step.Title.ToString())
        );
        // Without a dial for the current the amps are said; with one, its mark.
        Assert.All(steps, step => Assert.StartsWith("amps ", step.Reads.ToString(), StringComparison.Ordinal));
        var bare = Plan(new(TrialKind.AmpsLadder), Room.Digital, Tig).Steps;
        Assert.Equal(Tig.Amps.Amps * 0.7, bare[0].Value, 1e-9);
        Assert.Null(bare[0].AmpMark);
    }

    [Fact]
    public void The_next_step_is_the_first_without_a_fair_bead()
    {
        var plan = Plan(new(TrialKind.WireLadder));
        Assert.Equal([1, 2, 3], plan.OpenSteps(new HashSet<int>()));
        Assert.Equal([2], plan.OpenSteps(new HashSet<int> { 1, 3 }));
        Assert.Empty(plan.OpenSteps(new HashSet<int> { 1, 2, 3 }));
    }

    [Theory]
    [InlineData(0.1, true)]
    [InlineData(10, true)]
    [InlineData(0.09, false)]
    [InlineData(10.1, false)]
    public void A_wire_step_is_a_tenth_of_a_metre_to_ten(double mPerMin, bool good) =>
        Assert.Equal(
            good,
            Refused(new(TrialKind.OneVariable, Variable.Wire, Way.Down, WireFeedSpeed.FromMPerMin(mPerMin))) is not "wireStepMPerMin"
        );

    [Theory]
    [InlineData(0.2, true)]
    [InlineData(8, true)]
    [InlineData(0.19, false)]
    [InlineData(8.1, false)]
    public void A_volts_step_is_a_fifth_of_a_volt_to_eight(double volts, bool good) =>
        Assert.Equal(good, Refused(new(TrialKind.Staircase, StepVolts: Voltage.FromVolts(volts))) is not "stepVolts");

    [Fact]
    public void A_trial_that_is_for_the_other_kind_of_sheet_says_which_one_is_for_this()
    {
        string Said(TrialKind kind, Sheet sheet, Machine machine) =>
            Assert.Single(TrialPlans.Make(new(kind), sheet, machine, WayOfSetting.Usual).Problems).Said.ToString();
        Assert.Contains("a TIG sheet has an amps ladder", Said(TrialKind.WireLadder, Tig, WithAmps), StringComparison.Ordinal);
        Assert.Contains("this sheet feeds wire", Said(TrialKind.AmpsLadder, T, Room.Digital), StringComparison.Ordinal);
    }

    // Far is 40 % of the wire, 3.5 V. A machine that gives half of that, and a little less, will do; one that gives less will not.
    [Theory]
    [InlineData(1.18, true)]
    [InlineData(1.14, false)]
    public void A_machine_has_to_turn_the_wire_half_as_far_at_the_least(double most, bool good)
    {
        var wire = T.Pair!.WireFeed.InPerMin;
        var machine = Room.Digital with { WireControl = Room.Digital.WireControl! with { HighestMark = Math.Round(wire * most) } };
        Assert.Equal(good ? null : "kind", Refused(new(TrialKind.WireLadder), machine: machine));
    }

    [Theory]
    [InlineData(0.9, true)]
    [InlineData(0.6, false)]
    public void A_machine_has_to_turn_the_volts_nearly_half_as_far_at_the_least(double more, bool good)
    {
        var aim = T.Pair!.Volts.Aim.Volts;
        var machine = Room.Digital with { VoltControl = Room.Digital.VoltControl! with { HighestMark = Math.Round(aim + more, 1) } };
        Assert.Equal(good ? null : "kind", Refused(new(TrialKind.VoltLadder), machine: machine));
    }

    // Taps a volt and a half apart about the aim: three are stairs, two are not.
    [Theory]
    [InlineData(3, true)]
    [InlineData(2, false)]
    public void A_staircase_has_three_stairs_at_the_least(int taps, bool good)
    {
        var aim = T.Pair!.Volts.Aim.Volts;
        var machine = Room.Digital with
        {
            VoltControl = new Control(
                ControlKind.Tap,
                1,
                taps,
                1,
                "",
                [.. Enumerable.Range(1, taps).Select(tap => new Reading(tap, aim - 3 + 1.5 * tap))]
            ),
        };
        Assert.Equal(good ? null : "kind", Refused(new(TrialKind.Staircase), machine: machine));
    }

    [Fact]
    public void What_cannot_be_welded_in_the_other_position_is_no_trial_and_thin_sheets_positions_lie_flat()
    {
        var spray = Assert.IsType<Sheet>(
            Planner.Plan(
                new Job(Thickness.Parse("1/4"), Joint.T, Position.Flat, Wire.Solid09, Process.GmawSpray, Metal.MildSteel, Gas.ArgonCarbon10)
            )
        );
        Assert.Equal("kind", Refused(new(TrialKind.PositionPair), spray));
        var uphill = Room.Sheet(position: Position.VerticalUp, machine: Room.Digital);
        Assert.All(Plan(new(TrialKind.JointTransfer), sheet: uphill).Steps, step => Assert.Equal(Position.Flat, step.Sheet!.Job.Position));
        Assert.All(Plan(new(TrialKind.JointTransfer)).Steps, step => Assert.Equal(Position.Horizontal, step.Sheet!.Job.Position));
        Assert.Equal(["Outside corner", "Lap", "T"], Plan(new(TrialKind.JointTransfer)).Steps.Select(step => step.Title.ToString()));
    }

    [Fact]
    public void What_has_to_stay_the_same_is_said()
    {
        Assert.Contains(Plan(new(TrialKind.AmpsLadder), WithAmps, Tig).Hold, one => one.Contains("Arc length", StringComparison.Ordinal));
        Assert.Contains(Plan(new(TrialKind.WireLadder)).Hold, one => one.Contains("Stick-out", StringComparison.Ordinal));
        Assert.Contains(Plan(new(TrialKind.WireLadder)).Hold, one => one.Contains("100 mm in", StringComparison.Ordinal));
    }
}
