using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>A bead's measured values as the criteria ask for them, in millimetres; null when not measured.</summary>
internal sealed class Gauge(Sheet sheet, Evidence evidence)
{
    /// <summary>Rounding of inch fractions and of sums must not decide.</summary>
    public const double Hair = 1e-6;

    // Shorter lines are not told from a scratch.
    private const double LineLeftMm = 0.3;

    /// <summary>Said where nothing was measured.</summary>
    public static readonly Said NotMeasured = Say($"not measured");

    /// <summary>Said where nobody looked.</summary>
    public static readonly Said NotLookedFor = Say($"not looked for");

    /// <summary>Said where there is nothing, or nothing is allowed.</summary>
    public static readonly Said None = Say($"none");

    /// <summary>Said where a limit could not be recalled.</summary>
    public static readonly Said LookItUp = Say($"look it up in your copy");

    public Sheet Sheet { get; } = sheet;

    public Evidence Evidence { get; } = evidence;

    public bool IsFillet => Sheet.BeadMeasure == BeadMeasure.Leg;

    public double Thickness => Sheet.Job.Thinner.Mm;

    public double NominalThroat => Fillet.Throat(Sheet.BeadSize.Low).Mm;

    /// <summary>A fault not named counts as looked for once profile and toes were looked at.</summary>
    public bool LookedAt => Evidence.Profile is not null && Evidence.Toes is not null;

    public double? Undercut => Evidence.Measured?.UndercutDepth?.Mm ?? (Evidence.Toes is Toes.Blended or Toes.Cold ? 0 : null);

    public double? Crown => Evidence.Measured?.Crown?.Mm ?? Evidence.Macro?.Reinforcement.Mm;

    public double? LowerLeg => Evidence.BeadSize?.Mm ?? Evidence.Macro?.LowerLeg?.Mm;

    public double? UpperLeg => Evidence.Measured?.OtherLeg?.Mm ?? Evidence.Macro?.UpperLeg?.Mm;

    public double? SmallerLeg => LowerLeg is { } lower && UpperLeg is { } upper ? Math.Min(lower, upper) : null;

    public double? LegDifference => LowerLeg is { } lower && UpperLeg is { } upper ? Math.Abs(lower - upper) : null;

    public double? FaceWidth =>
        Evidence.Measured?.Width?.Mm
        ?? Evidence.Macro?.Width.Mm
        ?? (
            !IsFillet ? Evidence.BeadSize?.Mm
            : LowerLeg is { } lower && UpperLeg is { } upper ? Math.Sqrt(lower * lower + upper * upper)
            : null
        )
        ?? Evidence.Face?.Width.Value.Mm;

    public double? Throat => Evidence.Measured?.Throat?.Mm ?? Evidence.Macro?.Throat?.Mm;

    public double? RootWidth => Evidence.Measured?.RootWidth?.Mm;

    /// <summary>Pores by gauge, else off a picture; a picture that shows none does not outweigh an eye that saw pinholes.</summary>
    public double[]? Pores =>
        (Evidence.Measured?.Pores ?? (Evidence.Face is { Pores: { Count: > 0 } seen } ? seen : null))?.Select(pore => pore.Mm).ToArray()
        ?? (!Evidence.Faults.Contains(Fault.Pinholes) && (LookedAt || Evidence.Face is not null) ? [] : null);

    /// <summary>How many pores, and the largest.</summary>
    public Said PoreWords() => Pores is not { Length: > 0 } pores ? None : Say($"{pores.Length}, largest {Length.FromMm(pores.Max())}");

    /// <summary>A fault that no set allows.</summary>
    public CriterionVerdict Never(Criterion criterion, Fault fault, Said? limit = null) =>
        Evidence.Faults.Contains(fault) ? new(criterion, Standing.Off, limit ?? None, Say($"seen"))
        : LookedAt ? new(criterion, Standing.Right, limit ?? None, Say($"none seen"))
        : new(criterion, Standing.NotKnown, limit ?? None, Say($"not looked at"));

    /// <summary>Complete fusion, by eye or by section.</summary>
    public CriterionVerdict Fused()
    {
        var limit = Say($"complete: no cold lap, no line left");
        if (Evidence.Toes == Toes.Cold)
            return new(Criterion.Fusion, Standing.Off, limit, Say($"toes lie on top"));
        if (Evidence.Macro is { UnfusedLength: var unfused })
        {
            return unfused.Mm > LineLeftMm
                ? new(Criterion.Fusion, Standing.Off, limit, Say($"section: {unfused} unfused"))
                : new(Criterion.Fusion, Standing.Right, limit, Say($"section: none unfused"));
        }
        return Evidence.Toes is null
            ? new(Criterion.Fusion, Standing.NotKnown, limit, Say($"toes not looked at"))
            : new(Criterion.Fusion, Standing.Right, limit, Say($"toes fused, by eye; only a section tells of the root"));
    }

    /// <summary>A bead on the sheet's size.</summary>
    public CriterionVerdict Sized()
    {
        var limit = Say($"{Sheet.BeadSize.Low:rule} to {Sheet.BeadSize.High:rule}");
        return Evidence.SizeBy(Sheet.BeadMeasure) is { } size
            ? Found(Criterion.Size, Sheet.BeadSize.Holds(size), limit, Say($"{size}"))
            : new(Criterion.Size, Standing.NotKnown, limit, NotMeasured);
    }

    /// <summary>A value against the most it may be.</summary>
    /// <param name="criterion">What is limited.</param>
    /// <param name="found">What was measured, millimetres; null when not.</param>
    /// <param name="most">The limit, millimetres.</param>
    /// <param name="forWhat">For what it holds; null where it always does.</param>
    public static CriterionVerdict AtMost(Criterion criterion, double? found, double most, Said? forWhat = null)
    {
        var limit = forWhat is null ? Say($"at most {Length.FromMm(most)}") : Say($"at most {Length.FromMm(most)} {forWhat}");
        return found is { } value
            ? Found(criterion, value <= most + Hair, limit, value == 0 ? None : Say($"{Length.FromMm(value)}"))
            : new(criterion, Standing.NotKnown, limit, NotMeasured);
    }

    /// <summary>A limit kept or not.</summary>
    public static CriterionVerdict Found(Criterion criterion, bool kept, Said limit, Said found) =>
        new(criterion, kept ? Standing.Right : Standing.Off, limit, found);
}
