using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Trials;

/// <summary>A judged bead of a trial.</summary>
/// <param name="Bead">As it was laid.</param>
/// <param name="Judgement">As it was judged.</param>
public sealed record JudgedTrialBead(TrialBead Bead, Judgement Judgement);

/// <summary>A measured curve over the variable.</summary>
/// <param name="Name">What is measured: "Width", "Penetration".</param>
/// <param name="Points">Value of the variable, and millimetres.</param>
/// <param name="SlopeMm">Millimetres more for each unit of the variable; null with fewer than two different values.</param>
public sealed record TrialCurve(string Name, IReadOnlyList<TrialPoint> Points, double? SlopeMm);

/// <summary>One measured point.</summary>
/// <param name="Value">What the variable stood at: m/min, V or A.</param>
/// <param name="Mm">What was measured there.</param>
public sealed record TrialPoint(double Value, double Mm);

/// <summary>What a trial has shown so far.</summary>
/// <param name="Done">Whether every step has a bead, or it was ended early as its plan allows.</param>
/// <param name="Curves">Measured curves, where something was measured.</param>
/// <param name="Learned">In a sentence or two; empty before two beads.</param>
/// <param name="Spoilt">How many beads break the comparison.</param>
public sealed record TrialResult(bool Done, IReadOnlyList<TrialCurve> Curves, string Learned, int Spoilt)
{
    // A step of each variable that a person would turn, and how a value of it is said.
    private static readonly Dictionary<Variable, (double Step, string Words, Func<double, string> Say)> Turned = new()
    {
        [Variable.Wire] = (2.54, "100 in/min (2.5 m/min)", value => Show.Of(WireFeedSpeed.FromMPerMin(value))),
        [Variable.Pair] = (2.54, "100 in/min (2.5 m/min)", value => Show.Of(WireFeedSpeed.FromMPerMin(value))),
        [Variable.Volts] = (1, "volt", value => Show.Of(Voltage.FromVolts(value))),
        [Variable.Amps] = (10, "10 A", value => Show.Of(Current.FromAmps(value))),
    };

    /// <summary>Reads a trial.</summary>
    /// <param name="plan">The trial.</param>
    /// <param name="sheet">The sheet it started from.</param>
    /// <param name="beads">Its beads in the order they were laid; a step laid again counts by its last bead.</param>
    public static TrialResult Of(TrialPlan plan, Sheet sheet, IReadOnlyList<JudgedTrialBead> beads)
    {
        var spoilt = beads.Where((bead, i) => Fairness.Of(plan, sheet, bead.Bead, [.. beads.Take(i).Select(earlier => earlier.Bead)]).Count > 0).Select(bead => bead.Bead).ToHashSet();
        var last = beads.GroupBy(bead => bead.Bead.Step).Select(step => step.Last()).OrderBy(bead => bead.Bead.Step).ToArray();
        var done = last.Length == plan.Steps.Count || (plan.MayStopEarly && last.Length >= 2 && Ragged(last[^1]) && last.Any(bead => Smooth(bead)));
        // A bead that breaks the comparison is shown, and left out of what is learned from comparing.
        var fair = last.Where(bead => !spoilt.Contains(bead.Bead)).ToArray();
        TrialCurve[] curves =
        [
            .. new[]
            {
                Curve("Width", bead => bead.Bead.Evidence.Measured?.Width ?? bead.Bead.Evidence.Macro?.Width ?? (sheet.BeadMeasure == Stock.BeadMeasure.Width ? bead.Bead.Evidence.BeadSize : null)),
                Curve("Leg", bead => sheet.BeadMeasure == Stock.BeadMeasure.Leg ? Signs.SizeOf(sheet, bead.Bead.Evidence) : null),
                Curve("Penetration", bead => bead.Bead.Evidence.Macro?.RootPenetration),
            }.Where(curve => curve.Points.Count > 0),
        ];
        return new(done, curves, last.Length < 2 ? "" : Learn(), spoilt.Count);

        TrialCurve Curve(string name, Func<JudgedTrialBead, Length?> read)
        {
            TrialPoint[] points = [.. fair.Select(bead => (bead, mm: read(bead)?.Mm)).Where(entry => entry.mm is not null).Select(entry => new TrialPoint(plan.Steps[entry.bead.Bead.Step - 1].Value, entry.mm!.Value)).OrderBy(point => point.Value)];
            return new(name, points, points.Select(point => point.Value).Distinct().Count() < 2 || !Turned.ContainsKey(plan.Variable) ? null
                : MathNet.Numerics.Fit.Line([.. points.Select(point => point.Value)], [.. points.Select(point => point.Mm)]).Item2);
        }

        string Learn()
        {
            var said = new List<string>();
            if (plan.Kind == TrialKind.Staircase) said.Add(Stairs());
            else
            {
                var right = last.Where(bead => bead.Judgement.Verdict == Verdict.Right).ToArray();
                said.Add(right.Length > 0
                    ? $"Right: {string.Join("; ", right.Select(Named))}."
                    : $"None came out right yet{(last.Any(bead => bead.Judgement.Verdict == Verdict.Open) ? "; look at those still open" : "")}.");
                foreach (var kind in last.Where(bead => bead.Judgement.Verdict is not (Verdict.Right or Verdict.Open)).GroupBy(bead => bead.Judgement.Verdict))
                {
                    said.Add($"{kind.Key}: {string.Join("; ", kind.Select(Named))}.");
                }
            }
            foreach (var curve in curves)
            {
                if (curve.SlopeMm is not { } slope || !Turned.TryGetValue(plan.Variable, out var turned)) continue;
                var change = Length.FromMm(Math.Abs(slope) * turned.Step);
                said.Add(change.Mm < 0.05 ? $"{curve.Name} did not change with it." : $"Each {turned.Words} more gave {Show.Of(change)} {(slope > 0 ? "more" : "less")} {curve.Name.ToLowerInvariant()}.");
            }
            if (plan.Variable == Variable.Joint && last.Select(bead => bead.Judgement.Verdict).Distinct().Count() > 1) said.Add("The same settings are not the same heat on every joint: set for the joint.");
            if (plan.Variable == Variable.Position && last.Length == plan.Steps.Count) said.Add(last.Select(bead => bead.Judgement.Verdict).Distinct().Count() == 1 ? "Both positions came out alike at the same settings." : "The positions came out differently: tune in the position that will be welded.");
            if (spoilt.Count > 0) said.Add($"{spoilt.Count} of {beads.Count} beads {(spoilt.Count == 1 ? "breaks" : "break")} the comparison and {(spoilt.Count == 1 ? "is" : "are")} left out of the curves.");
            return string.Join(' ', said);
        }

        string Named(JudgedTrialBead bead)
        {
            var step = plan.Steps[bead.Bead.Step - 1];
            return Turned.TryGetValue(plan.Variable, out var turned) ? $"{Small(step.Title)}, {turned.Say(step.Value)}" : Small(step.Title);
        }

        string Stairs()
        {
            var smooth = fair.Where(Smooth).Select(bead => plan.Steps[bead.Bead.Step - 1].Value).Order().ToArray();
            if (smooth.Length == 0) return "No step ran smooth yet.";
            var pair = sheet.RequirePair();
            var middle = (smooth[0] + smooth[^1]) / 2;
            var off = middle - pair.Volts.Aim.Volts;
            return $"It ran smooth from {Show.Number(smooth[0], "0.0")} to {Show.Number(smooth[^1], "0.0")} V, {(smooth.Length == 1 ? "one step" : $"{smooth.Length} steps")}; the middle is {Show.Number(middle, "0.0")} V, "
                + (Math.Abs(off) < 0.3 ? "where the sheet aims." : $"{Show.Number(Math.Abs(off), "0.0")} V {(off > 0 ? "over" : "under")} the sheet's {Show.Of(pair.Volts.Aim)}.");
        }
    }

    /// <summary>Whether a bead's arc ran smooth.</summary>
    public static bool Smooth(JudgedTrialBead bead) => bead.Judgement.Aspects.Any(aspect => aspect is { Aspect: Aspect.Sound, Standing: Standing.Right });

    private static bool Ragged(JudgedTrialBead bead) => bead.Bead.Evidence.Sound is Sound.Hiss or Sound.Rattle || bead.Bead.Evidence.Feel is Feel.LongArc;

    private static string Small(string title) => char.ToLowerInvariant(title[0]) + title[1..];
}
