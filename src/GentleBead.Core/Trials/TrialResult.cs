using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Trials;

/// <summary>A judged bead of a trial.</summary>
/// <param name="Bead">As it was laid.</param>
/// <param name="Judgement">As it was judged.</param>
public sealed record JudgedTrialBead(TrialBead Bead, Judgement Judgement);

/// <summary>A measured curve over the variable.</summary>
/// <param name="Name">What is measured: "Width", "Penetration".</param>
/// <param name="Points">Value of the variable, and millimetres.</param>
/// <param name="SlopeMm">Millimetres more for each unit of the variable; null with fewer than two different values.</param>
public sealed record TrialCurve(Said Name, IReadOnlyList<TrialPoint> Points, double? SlopeMm);

/// <summary>One measured point.</summary>
/// <param name="Value">What the variable stood at: m/min, V or A.</param>
/// <param name="Mm">What was measured there.</param>
public sealed record TrialPoint(double Value, double Mm);

/// <summary>What a trial has shown so far.</summary>
/// <param name="Done">Whether every step has a bead, or it was ended early as its plan allows.</param>
/// <param name="Curves">Measured curves, where something was measured.</param>
/// <param name="Learned">In a sentence or two; null before two beads.</param>
/// <param name="Spoilt">How many beads break the comparison.</param>
public sealed record TrialResult(bool Done, IReadOnlyList<TrialCurve> Curves, Said? Learned, int Spoilt)
{
    // What can be measured of each bead, and the sentence on how it changed.
    private sealed record Measure(
        Said Name,
        Func<JudgedTrialBead, BeadMeasure, Length?> Read,
        Func<Said, Length, Said> More,
        Func<Said, Length, Said> Less
    );

    private static readonly Measure[] Measures =
    [
        new(
            Say($"Width"),
            (bead, by) =>
                bead.Bead.Evidence.Measured?.Width
                ?? bead.Bead.Evidence.Macro?.Width
                ?? (by == BeadMeasure.Width ? bead.Bead.Evidence.BeadSize : null)
                ?? bead.Bead.Evidence.Face?.Width.Value,
            (step, by) => Say($"Each {step} more gave {by} more width."),
            (step, by) => Say($"Each {step} more gave {by} less width.")
        ),
        new(
            Say($"Leg"),
            (bead, by) => by == BeadMeasure.Leg ? bead.Bead.Evidence.SizeBy(by) : null,
            (step, by) => Say($"Each {step} more gave {by} more leg."),
            (step, by) => Say($"Each {step} more gave {by} less leg.")
        ),
        new(
            Say($"Penetration"),
            (bead, _) => bead.Bead.Evidence.Macro?.RootPenetration,
            (step, by) => Say($"Each {step} more gave {by} more penetration."),
            (step, by) => Say($"Each {step} more gave {by} less penetration.")
        ),
    ];

    // Less change than this for a step is none that a rule would show.
    private const double NoChangeMm = 0.05;

    // The middle of a staircase this near the sheet's volts is where the sheet aims.
    private const double OnTheSheetVolts = 0.3;

    // A step of each variable that a person would turn, and how a value of it is said.
    private static readonly Dictionary<Variable, (double Step, Said Words, Func<double, Said> Say)> Turned = new()
    {
        [Variable.Wire] = (2.54, Say($"{WireFeedSpeed.FromInPerMin(100)}"), value => Say($"{WireFeedSpeed.FromMPerMin(value)}")),
        [Variable.Pair] = (2.54, Say($"{WireFeedSpeed.FromInPerMin(100)}"), value => Say($"{WireFeedSpeed.FromMPerMin(value)}")),
        [Variable.Volts] = (1, Say($"volt"), value => Say($"{Voltage.FromVolts(value)}")),
        [Variable.Amps] = (10, Say($"10 A"), value => Say($"{Current.FromAmps(value)}")),
    };

    private static readonly Dictionary<Verdict, Said> NotRight = new()
    {
        [Verdict.Cold] = Say($"Cold"),
        [Verdict.Hot] = Say($"Hot"),
        [Verdict.Unsteady] = Say($"Unsteady"),
        [Verdict.Technique] = Say($"Technique"),
        [Verdict.Fault] = Say($"Fault"),
    };

    /// <summary>Reads a trial.</summary>
    /// <param name="plan">The trial.</param>
    /// <param name="sheet">The sheet it started from.</param>
    /// <param name="beads">Its beads in the order they were laid; a step laid again counts by its last bead.</param>
    public static TrialResult Of(TrialPlan plan, Sheet sheet, IReadOnlyList<JudgedTrialBead> beads)
    {
        var spoilt = beads
            .Where((bead, i) => Fairness.Of(plan, sheet, bead.Bead, [.. beads.Take(i).Select(earlier => earlier.Bead)]).Count > 0)
            .Select(bead => bead.Bead)
            .ToHashSet();
        var last = beads.GroupBy(bead => bead.Bead.Step).Select(step => step.Last()).OrderBy(bead => bead.Bead.Step).ToArray();
        var done = last.Length == plan.Steps.Count || (plan.MayStopEarly && last.Length >= 2 && Ragged(last[^1]) && last.Any(Smooth));
        // A bead that breaks the comparison is shown, and left out of what is learned from comparing.
        var fair = last.Where(bead => !spoilt.Contains(bead.Bead)).ToArray();
        var curves = Measures
            .Select(measure => (Measure: measure, Curve: CurveOf(measure, plan, sheet, fair)))
            .Where(one => one.Curve.Points.Count > 0)
            .ToArray();
        var learned =
            last.Length < 2
                ? null
                : Sentences([
                    .. plan.MayStopEarly ? [Stairs(plan, sheet, fair)] : Verdicts(plan, last),
                    .. curves.Select(one => Changed(plan, one.Measure, one.Curve)),
                    Elsewhere(plan, last),
                    LeftOut(spoilt.Count, beads.Count),
                ]);
        return new(done, [.. curves.Select(one => one.Curve)], learned, spoilt.Count);
    }

    /// <summary>Whether a bead's arc ran smooth.</summary>
    public static bool Smooth(JudgedTrialBead bead) =>
        bead.Judgement.Aspects.Any(aspect => aspect is { Aspect: Aspect.Sound, Standing: Standing.Right });

    private static bool Ragged(JudgedTrialBead bead) =>
        bead.Bead.Evidence.Sound is Sound.Hiss or Sound.Rattle || bead.Bead.Evidence.Feel is Feel.LongArc;

    private static TrialCurve CurveOf(Measure measure, TrialPlan plan, Sheet sheet, IReadOnlyList<JudgedTrialBead> beads)
    {
        TrialPoint[] points =
        [
            .. from bead in beads
            let length = measure.Read(bead, sheet.BeadMeasure)
            where length is not null
            let value = plan.Steps[bead.Bead.Step - 1].Value
            orderby value
            select new TrialPoint(value, length.Value.Mm),
        ];
        var slope =
            points.Select(point => point.Value).Distinct().Count() < 2 || !Turned.ContainsKey(plan.Variable)
                ? (double?)null
                : MathNet.Numerics.Fit.Line([.. points.Select(point => point.Value)], [.. points.Select(point => point.Mm)]).Item2;
        return new(measure.Name, points, slope);
    }

    private static IEnumerable<Said?> Verdicts(TrialPlan plan, JudgedTrialBead[] last)
    {
        var right = last.Where(bead => bead.Judgement.Verdict == Verdict.Right).ToArray();
        yield return right.Length > 0 ? Say($"Right: {Parts("; ", [.. right.Select(bead => Named(plan, bead))])}.")
        : last.Any(bead => bead.Judgement.Verdict == Verdict.Open) ? Say($"None came out right yet; look at those still open.")
        : Say($"None came out right yet.");
        foreach (var kind in last.Where(bead => NotRight.ContainsKey(bead.Judgement.Verdict)).GroupBy(bead => bead.Judgement.Verdict))
        {
            yield return Say($"{NotRight[kind.Key]}: {Parts("; ", [.. kind.Select(bead => Named(plan, bead))])}.");
        }
    }

    private static Said? Changed(TrialPlan plan, Measure measure, TrialCurve curve)
    {
        if (curve.SlopeMm is not { } slope || !Turned.TryGetValue(plan.Variable, out var turned))
            return null;
        var change = Length.FromMm(Math.Abs(slope) * turned.Step);
        return change.Mm < NoChangeMm
            ? Say($"{measure.Name} did not change with it.")
            : (slope > 0 ? measure.More : measure.Less)(turned.Words, change);
    }

    private static Said? Elsewhere(TrialPlan plan, JudgedTrialBead[] last)
    {
        var alike = last.Select(bead => bead.Judgement.Verdict).Distinct().Count() == 1;
        return plan.Variable switch
        {
            Variable.Joint when !alike => Say($"The same settings are not the same heat on every joint: set for the joint."),
            Variable.Position when last.Length == plan.Steps.Count && alike => Say($"Both positions came out alike at the same settings."),
            Variable.Position when last.Length == plan.Steps.Count => Say(
                $"The positions came out differently: tune in the position that will be welded."
            ),
            _ => null,
        };
    }

    private static Said? LeftOut(int spoilt, int all) =>
        spoilt switch
        {
            0 => null,
            1 => Say($"1 of {all} beads breaks the comparison and is left out of the curves."),
            _ => Say($"{spoilt} of {all} beads break the comparison and are left out of the curves."),
        };

    private static Said Named(TrialPlan plan, JudgedTrialBead bead)
    {
        var step = plan.Steps[bead.Bead.Step - 1];
        return Turned.TryGetValue(plan.Variable, out var turned)
            ? Say($"{step.Title:small}, {turned.Say(step.Value)}")
            : Say($"{step.Title:small}");
    }

    private static Said Stairs(TrialPlan plan, Sheet sheet, IReadOnlyList<JudgedTrialBead> fair)
    {
        var smooth = fair.Where(Smooth).Select(bead => plan.Steps[bead.Bead.Step - 1].Value).Order().ToArray();
        if (smooth.Length == 0)
            return Say($"No step ran smooth yet.");
        var aim = sheet.RequirePair().Volts.Aim;
        var middle = (smooth[0] + smooth[^1]) / 2;
        var off = middle - aim.Volts;
        var ran = Say(
            $"It ran smooth from {smooth[0]:0.0} to {smooth[^1]:0.0} V, {smooth.Length.Counted(Say($"step"), Say($"steps"))}; "
                + $"the middle is {middle:0.0} V"
        );
        return Math.Abs(off) < OnTheSheetVolts ? Say($"{ran}, where the sheet aims.")
            : off > 0 ? Say($"{ran}, {off:0.0} V over the sheet's {aim}.")
            : Say($"{ran}, {-off:0.0} V under the sheet's {aim}.");
    }
}
