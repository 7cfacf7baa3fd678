using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Trials;

/// <summary>From a sheet and a machine to a trial's beads. Steps and order: common practice, no source.</summary>
public static class TrialPlans
{
    // Far enough that nobody can miss it, near enough that an arc still burns.
    private const double FarWire = 0.4;
    private const double FarVolts = 3.5;
    private const double PairOff = 0.2;
    private const double StairReach = 4;
    private const int LeastStairs = 3;
    private const double UsualStepVolts = 3;
    private const double UsualStairVolts = 1;

    // Less than a tenth of the wire burns back into the tip.
    private const double LeastWire = 0.1;

    private static readonly double[] AmpShares = [0.7, 0.85, 1, 1.15, 1.3];
    private static readonly WireFeedSpeed UsualWireStep = WireFeedSpeed.FromInPerMin(100);
    private static readonly Said AsTheSheet = Say($"As the sheet says");

    // A kind of trial is a row: how its beads are made. Null where they cannot be welded with what the sheet says.
    private static readonly Dictionary<TrialKind, Func<TrialRequest, TrialMaker, TrialPlan?>> Kinds = new()
    {
        [TrialKind.WireLadder] = WireLadder,
        [TrialKind.VoltLadder] = VoltLadder,
        [TrialKind.OneVariable] = OneVariable,
        [TrialKind.Staircase] = Staircase,
        [TrialKind.SetOfThree] = SetOfThree,
        [TrialKind.AmpsLadder] = AmpsLadder,
        [TrialKind.JointTransfer] = JointTransfer,
        [TrialKind.PositionPair] = PositionPair,
    };

    /// <summary>Makes a trial, or says why not and at which field.</summary>
    /// <param name="request">What is asked for.</param>
    /// <param name="sheet">The sheet it starts from.</param>
    /// <param name="machine">The machine it is welded on.</param>
    /// <param name="way">The instructor's way of setting.</param>
    public static Checked<TrialPlan> Make(TrialRequest request, Sheet sheet, Machine machine, WayOfSetting way)
    {
        Problem[] problems = [.. Problems(request, sheet)];
        if (problems.Length > 0)
            return new(problems);
        var maker = new TrialMaker(sheet, machine, way);
        if (Kinds[request.Kind](request, maker) is not { } plan)
        {
            return new(new Problem("kind", Say($"These joints or positions cannot be welded with what the sheet says.")));
        }
        var reached = plan.MayStopEarly ? plan.Steps.Count >= LeastStairs : !maker.FellShort;
        return reached
            ? new(plan with { Steps = [.. plan.Steps.Select((step, i) => step with { Number = i + 1 })] })
            : new(new Problem("kind", Say($"This machine cannot be turned far enough for this trial.")));
    }

    private static IEnumerable<Problem> Problems(TrialRequest request, Sheet sheet)
    {
        if (request.Kind == TrialKind.AmpsLadder != (sheet.Pair is null))
        {
            yield return new(
                "kind",
                sheet.Pair is null
                    ? Say($"This trial turns wire and volts; a TIG sheet has an amps ladder.")
                    : Say($"An amps ladder is for TIG; this sheet feeds wire.")
            );
        }
        if (request.WireStep is { MPerMin: not (>= 0.1 and <= 10) })
        {
            yield return new("wireStepMPerMin", Say($"A step of {new Either("0.1 to 10 m/min", "4 to 394 in/min")}."));
        }
        if (request.StepVolts is { Volts: not (>= 0.2 and <= 8) })
            yield return new("stepVolts", Say($"A step of 0.2 to 8 V."));
        if (request is { Kind: TrialKind.OneVariable, Variable: not (Variable.Wire or Variable.Volts) })
        {
            yield return new("variable", Say($"Wire or volts: one of the two is turned."));
        }
    }

    private static TrialPlan WireLadder(TrialRequest request, TrialMaker maker) =>
        new(
            request.Kind,
            Variable.Wire,
            Say($"Wire ladder"),
            Say($"What do too much and too little wire sound and look like, beside right?"),
            maker.Hold(Say($"volts")),
            [
                maker.Step(Say($"Far too much wire"), Variable.Wire, 1 + FarWire, 0),
                maker.Step(Say($"Far too little wire"), Variable.Wire, 1 - FarWire, 0),
                maker.Step(AsTheSheet, Variable.Wire, 1, 0),
            ],
            false
        );

    private static TrialPlan VoltLadder(TrialRequest request, TrialMaker maker) =>
        new(
            request.Kind,
            Variable.Volts,
            Say($"Volts ladder"),
            Say($"What do too many and too few volts sound and look like, beside right?"),
            maker.Hold(Say($"wire")),
            [
                maker.Step(Say($"Far too many volts"), Variable.Volts, 1, FarVolts),
                maker.Step(Say($"Far too few volts"), Variable.Volts, 1, -FarVolts),
                maker.Step(AsTheSheet, Variable.Volts, 1, 0),
            ],
            false
        );

    private static TrialPlan SetOfThree(TrialRequest request, TrialMaker maker) =>
        new(
            request.Kind,
            Variable.Pair,
            Say($"Set of three"),
            Say($"Too cold, too hot, right: three pieces side by side."),
            [.. maker.Hold(Say($"the way both move together")), Say($"Each on its own cold piece.")],
            [
                maker.Step(Say($"Too cold"), Variable.Pair, 1 - PairOff, 0),
                maker.Step(Say($"Too hot"), Variable.Pair, 1 + PairOff, 0),
                maker.Step(AsTheSheet, Variable.Pair, 1, 0),
            ],
            false
        );

    private static TrialPlan AmpsLadder(TrialRequest request, TrialMaker maker) =>
        new(
            request.Kind,
            Variable.Amps,
            Say($"Amps ladder"),
            Say($"How does the puddle change with the amps?"),
            maker.Hold(Say($"arc length and rod")),
            [.. AmpShares.Select(maker.AmpsStep)],
            false
        );

    private static TrialPlan? JointTransfer(TrialRequest request, TrialMaker maker)
    {
        var (job, position) = (maker.Job, maker.Job.Position.Facts().Thinner ? Position.Flat : maker.Job.Position);
        var steps = maker.OnOtherJobs(
            Variable.Joint,
            new[] { Joint.OutsideCorner, Joint.Lap, Joint.T }.Select(joint =>
                (job with { Joint = joint, Position = position }, joint.Facts().Name)
            )
        );
        return steps is null
            ? null
            : new(
                request.Kind,
                Variable.Joint,
                Say($"Joint transfer"),
                Say($"What do the same settings do on other joints?"),
                maker.Hold(Say($"both controls")),
                steps,
                false
            );
    }

    private static TrialPlan? PositionPair(TrialRequest request, TrialMaker maker)
    {
        var steps = maker.OnOtherJobs(
            Variable.Position,
            new[] { Position.VerticalDown, Position.Horizontal }.Select(position =>
                (maker.Job with { Position = position }, position.Facts().Words)
            )
        );
        return steps is null
            ? null
            : new(
                request.Kind,
                Variable.Position,
                Say($"Position pair"),
                Say($"Do downhill and horizontal look alike at the same settings?"),
                maker.Hold(Say($"both controls")),
                steps,
                false
            );
    }

    private static TrialPlan OneVariable(TrialRequest request, TrialMaker maker) =>
        request.Variable == Variable.Wire ? WireAlone(request, maker) : VoltsAlone(request, maker);

    private static TrialPlan WireAlone(TrialRequest request, TrialMaker maker)
    {
        var step = request.WireStep ?? UsualWireStep;
        var share = step / maker.WireFeed;
        List<TrialStep> steps = [maker.Step(Say($"The sheet's pair"), Variable.Wire, 1, 0)];
        if (request.Way != Way.Up)
            steps.Add(maker.Step(Say($"{step} down"), Variable.Wire, Math.Max(LeastWire, 1 - share), 0));
        if (request.Way != Way.Down)
            steps.Add(maker.Step(Say($"{step} up"), Variable.Wire, 1 + share, 0));
        return new(
            request.Kind,
            Variable.Wire,
            Say($"Wire alone"),
            Say($"What does the wire do on its own?"),
            maker.Hold(Say($"volts")),
            steps,
            false
        );
    }

    private static TrialPlan VoltsAlone(TrialRequest request, TrialMaker maker)
    {
        var step = request.StepVolts?.Volts ?? UsualStepVolts;
        List<TrialStep> steps = [maker.Step(Say($"The sheet's pair"), Variable.Volts, 1, 0)];
        if (request.Way != Way.Up)
            steps.Add(maker.Step(Say($"{step:0.#} V down"), Variable.Volts, 1, -step));
        if (request.Way != Way.Down)
            steps.Add(maker.Step(Say($"{step:0.#} V up"), Variable.Volts, 1, step));
        if (request.Way == Way.Both)
            steps.Add(maker.Step(Say($"Settled: 1 V up"), Variable.Volts, 1, 1));
        return new(
            request.Kind,
            Variable.Volts,
            Say($"Volts alone"),
            Say($"What do the volts do on their own?"),
            maker.Hold(Say($"wire")),
            steps,
            false
        );
    }

    private static TrialPlan Staircase(TrialRequest request, TrialMaker maker)
    {
        var step = request.StepVolts?.Volts ?? UsualStairVolts;
        var steps = new List<TrialStep>();
        for (var volts = -StairReach; volts <= StairReach + 1e-9; volts += step)
        {
            var next = maker.Step(AsTheSheet, Variable.Volts, 1, volts);
            // Taps are coarser than the step asked for: each is climbed once.
            if (steps.Count == 0 || next.Value > steps[^1].Value + 0.05)
                steps.Add(next with { Title = Say($"{next.Value:0.0} V") });
        }
        return new(
            request.Kind,
            Variable.Volts,
            Say($"Voltage staircase"),
            Say($"From which volts to which does it run smooth at this wire?"),
            maker.Hold(Say($"wire")),
            steps,
            true
        );
    }
}
