using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>The limits of the published criteria sets, from memory. Lengths in millimetres; levels 0 B, 1 C, 2 D.</summary>
public static class Limits
{
    private const double Inch = Length.MmPerInch;

    /// <summary>AWS D1.1 begins at 1/8 in, 3 mm in its metric column.</summary>
    public static readonly Length AwsFrom = Length.FromMm(3);

    /// <summary>Up to this thickness ISO 5817 has limits of its own, of which not all are recalled for sure.</summary>
    public const double IsoThinMm = 3;

    // t over 3 mm: undercut as a share of t, and at most.
    private static readonly (double Share, double Most)[] Undercut = [(0.05, 0.5), (0.1, 0.5), (0.2, 1)];
    private static readonly (double Share, double Most)[] Convexity = [(0.1, 3), (0.15, 4), (0.25, 5)];
    private static readonly (double Share, double Most)[] Reinforcement = [(0.1, 5), (0.15, 7), (0.25, 10)];
    private static readonly (double Share, double Most)[] AluminiumConvexity = [(0.1, 3), (0.15, 4), (0.3, 5)];
    private static readonly (double Share, double Most)[] AluminiumReinforcement = [(0.1, 6), (0.15, 8), (0.2, 10)];
    private static readonly (double Share, double Most)[] ExcessPenetration = [(0.2, 3), (0.6, 4), (1, 5)];
    private static readonly (double Base, double Share)[] UnequalLegs = [(1.5, 0.15), (2, 0.15), (2, 0.2)];
    private static readonly (double Share, double Most)[] Pore = [(0, 0), (0.2, 2), (0.3, 3)];
    private static readonly double[] ThroatShortMost = [0, 1, 2];

    /// <summary>ISO 5817, undercut, t over 3 mm.</summary>
    public static double IsoUndercut(int level, double thickness) => Math.Min(Undercut[level].Share * thickness, Undercut[level].Most);

    /// <summary>ISO 5817 and ISO 10042, excessive convexity of a fillet and excess weld metal of a butt: a base and a share of the width.</summary>
    public static double IsoCrown(bool aluminium, bool fillet, int level, double width)
    {
        var (share, most) = (aluminium, fillet) switch
        {
            (false, true) => Convexity[level],
            (false, false) => Reinforcement[level],
            (true, true) => AluminiumConvexity[level],
            (true, false) => AluminiumReinforcement[level],
        };
        return Math.Min((aluminium ? 1.5 : 1) + share * width, most);
    }

    /// <summary>ISO 5817, excess penetration, t over 3 mm, by the width of the root.</summary>
    public static double IsoExcessPenetration(int level, double rootWidth) => Math.Min(1 + ExcessPenetration[level].Share * rootWidth, ExcessPenetration[level].Most);

    /// <summary>ISO 5817, excessive asymmetry of a fillet, by its nominal throat.</summary>
    public static double IsoUnequalLegs(int level, double throat) => UnequalLegs[level].Base + UnequalLegs[level].Share * throat;

    /// <summary>AWS D1.1, convexity of a fillet by the width of its face: 1/16 in up to 5/16 in, 1/8 in under 1 in, 3/16 in from there.</summary>
    public static double AwsConvexity(double face) => Inch * (face <= Inch * 5 / 16 + Gauge.Hair ? 1.0 / 16 : face < Inch ? 1.0 / 8 : 3.0 / 16);

    /// <summary>AWS D1.1, undercut below 1 in thickness: 1/32 in; 1/16 in for at most 2 in in any 12 in.</summary>
    internal static CriterionVerdict AwsUndercut(Gauge gauge)
    {
        const string Limit = "at most 1/32 in (0.8 mm); 1/16 in (1.6 mm) for 2 in in any 12 in";
        if (gauge.Thickness >= Inch - Gauge.Hair) return new(Criterion.Undercut, Standing.NotKnown, "not known from memory from 1 in up", "look it up in your copy");
        if (gauge.Undercut is not { } depth) return new(Criterion.Undercut, Standing.NotKnown, Limit, "not measured");
        var found = Show.Of(Length.FromMm(depth));
        if (depth <= Inch / 32 + Gauge.Hair) return new(Criterion.Undercut, Standing.Right, Limit, found);
        if (depth > Inch / 16 + Gauge.Hair) return new(Criterion.Undercut, Standing.Off, Limit, found);
        if (gauge.Evidence.Measured?.UndercutLength is not { } length) return new(Criterion.Undercut, Standing.NotKnown, Limit, $"{found}; how long was not measured");
        return new(Criterion.Undercut, length.Mm <= 2 * Inch + Gauge.Hair ? Standing.Right : Standing.Off, Limit, $"{found} along {Show.Of(length)}");
    }

    /// <summary>AWS D1.1, piping porosity of 1/32 in and larger: the diameters add up to at most 3/8 in in any inch and 3/4 in in any 12 in.</summary>
    internal static CriterionVerdict AwsPorosity(Gauge gauge)
    {
        const string Limit = "pores of 1/32 in and larger: together at most 3/8 in (9.5 mm) in any inch, 3/4 in (19 mm) in any 12 in";
        if (gauge.Pores is not { } pores) return new(Criterion.Porosity, Standing.NotKnown, Limit, "not looked for");
        var sum = pores.Where(pore => pore >= Inch / 32 - Gauge.Hair).Sum();
        var found = $"{gauge.PoreWords()}, together {Show.Of(Length.FromMm(sum))}";
        if (sum <= Inch * 3 / 8 + Gauge.Hair) return new(Criterion.Porosity, Standing.Right, Limit, found);
        var bead = gauge.Evidence.Measured?.BeadLength?.Mm;
        // Where the pores lie is not noted: on a bead of an inch all are in that inch, on one of a foot all are in that foot.
        if (bead <= Inch + Gauge.Hair || (sum > Inch * 3 / 4 + Gauge.Hair && bead <= 12 * Inch + Gauge.Hair)) return new(Criterion.Porosity, Standing.Off, Limit, found);
        return new(Criterion.Porosity, Standing.NotKnown, Limit, $"{found}; count the worst inch");
    }

    /// <summary>ISO 5817, surface pore, t over 3 mm: none at B, a share of the throat or of the plate at C and D.</summary>
    internal static CriterionVerdict IsoPore(Gauge gauge, int level)
    {
        var most = Math.Min(Pore[level].Share * (gauge.IsFillet ? gauge.NominalThroat : gauge.Thickness), Pore[level].Most);
        var limit = most == 0 ? "none" : $"none over {Show.Of(Length.FromMm(most))}";
        if (gauge.Pores is not { } pores) return new(Criterion.Porosity, Standing.NotKnown, limit, "not looked for");
        var kept = most == 0 ? pores.Length == 0 : pores.All(pore => pore <= most + Gauge.Hair);
        return new(Criterion.Porosity, kept ? Standing.Right : Standing.Off, limit, gauge.PoreWords());
    }

    /// <summary>ISO 5817, insufficient throat, t over 3 mm: none at B, 0.3 mm + 0.1 a up to 1 mm short at C and 2 mm at D.</summary>
    internal static CriterionVerdict IsoThroat(Gauge gauge, int level)
    {
        var mayLack = level == 0 ? 0 : Math.Min(0.3 + 0.1 * gauge.NominalThroat, ThroatShortMost[level]);
        var least = gauge.NominalThroat - mayLack;
        var limit = $"at least {Show.Of(Length.FromMm(least))}, aimed at {Show.Of(Length.FromMm(gauge.NominalThroat))}";
        return gauge.Throat is { } throat
            ? new(Criterion.Throat, throat >= least - Gauge.Hair ? Standing.Right : Standing.Off, limit, Show.Of(Length.FromMm(throat)))
            : new(Criterion.Throat, Standing.NotKnown, limit, "not measured");
    }
}

/// <summary>A bead's measured values as the criteria ask for them, in millimetres; null when not measured.</summary>
internal sealed class Gauge(Sheet sheet, Evidence evidence)
{
    /// <summary>Rounding of inch fractions and of sums must not decide.</summary>
    public const double Hair = 1e-6;

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

    public double? FaceWidth => Evidence.Measured?.Width?.Mm ?? Evidence.Macro?.Width.Mm
        ?? (!IsFillet ? Evidence.BeadSize?.Mm : LowerLeg is { } lower && UpperLeg is { } upper ? Math.Sqrt(lower * lower + upper * upper) : null);

    public double? Throat => Evidence.Measured?.Throat?.Mm ?? Evidence.Macro?.Throat?.Mm;

    public double? RootWidth => Evidence.Measured?.RootWidth?.Mm;

    public double[]? Pores => Evidence.Measured?.Pores?.Select(pore => pore.Mm).ToArray()
        ?? (!Evidence.Faults.Contains(Fault.Pinholes) && LookedAt ? [] : null);

    public string PoreWords() => Pores is not { Length: > 0 } pores ? "none" : $"{pores.Length}, largest {Show.Of(Length.FromMm(pores.Max()))}";

    public CriterionVerdict Never(Criterion criterion, Fault fault, string limit = "none") =>
        Evidence.Faults.Contains(fault) ? new(criterion, Standing.Off, limit, "seen")
        : LookedAt ? new(criterion, Standing.Right, limit, "none seen")
        : new(criterion, Standing.NotKnown, limit, "not looked at");

    public CriterionVerdict Fused()
    {
        const string Limit = "complete: no cold lap, no line left";
        if (Evidence.Toes == Toes.Cold) return new(Criterion.Fusion, Standing.Off, Limit, "toes lie on top");
        if (Evidence.Macro is { } macro) return macro.UnfusedLength.Mm > 0.3
            ? new(Criterion.Fusion, Standing.Off, Limit, $"section: {Show.Of(macro.UnfusedLength)} unfused")
            : new(Criterion.Fusion, Standing.Right, Limit, "section: none unfused");
        return Evidence.Toes is null ? new(Criterion.Fusion, Standing.NotKnown, Limit, "toes not looked at") : new(Criterion.Fusion, Standing.Right, Limit, "toes fused, by eye; only a section tells of the root");
    }

    public static CriterionVerdict AtMost(Criterion criterion, double? found, double most, string forWhat = "")
    {
        var limit = $"at most {Show.Of(Length.FromMm(most))}{forWhat}";
        return found is not { } value ? new(criterion, Standing.NotKnown, limit, "not measured")
            : new(criterion, value <= most + Hair ? Standing.Right : Standing.Off, limit, value == 0 ? "none" : Show.Of(Length.FromMm(value)));
    }

    public CriterionVerdict Sized()
    {
        var limit = $"{Show.Of(Sheet.BeadSize.Low)} to {Show.Of(Sheet.BeadSize.High)}";
        return Signs.SizeOf(Sheet, Evidence) is not { } size ? new(Criterion.Size, Standing.NotKnown, limit, "not measured")
            : new(Criterion.Size, Sheet.BeadSize.Holds(size) ? Standing.Right : Standing.Off, limit, Show.Of(size));
    }
}
