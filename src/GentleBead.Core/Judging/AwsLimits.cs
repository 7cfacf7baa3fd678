using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;

namespace GentleBead.Core.Judging;

/// <summary>AWS D1.1, visual, statically loaded; limits from memory.</summary>
internal static class AwsLimits
{
    private const double Inch = Length.MmPerInch;

    // AWS D1.1 begins at 1/8 in, 3 mm in its metric column.
    private static readonly Length From = Length.FromMm(3);

    // Undercut below 1 in of thickness: 1/32 in; 1/16 in for at most 2 in in any 12 in.
    private const double Undercut = Inch / 32;
    private const double UndercutShort = Inch / 16;
    private const double UndercutShortLength = 2 * Inch;

    // Piping porosity of 1/32 in and larger: the diameters add up to at most 3/8 in in any inch and 3/4 in in any 12 in.
    private const double PoreCounts = Inch / 32;
    private const double PoresInInch = Inch * 3 / 8;
    private const double PoresInFoot = Inch * 3 / 4;

    // Convexity of a fillet by the width of its face: 1/16 in up to 5/16 in, 1/8 in under 1 in, 3/16 in from there.
    private static double Convexity(double face) =>
        Inch
        * (
            face <= Inch * 5 / 16 + Gauge.Hair ? 1.0 / 16
            : face < Inch ? 1.0 / 8
            : 3.0 / 16
        );

    /// <summary>Limit by limit.</summary>
    public static IEnumerable<CriterionVerdict> Measure(Gauge gauge)
    {
        if (gauge.Thickness < From.Mm)
        {
            yield return new(
                Criterion.Scope,
                Standing.NotKnown,
                Say($"written for {From} and thicker"),
                Say($"{gauge.Sheet.Job.Thinner}: another code covers sheet")
            );
        }
        yield return gauge.Never(Criterion.Cracks, Fault.Crack);
        yield return gauge.Never(Criterion.BurnThrough, Fault.Hole);
        yield return gauge.Fused();
        yield return gauge.Never(Criterion.Crater, Fault.OpenCrater, Say($"filled to the bead's full section"));
        yield return UndercutOf(gauge);
        yield return Porosity(gauge);
        if (!gauge.IsFillet)
            yield break;
        yield return ConvexityOf(gauge);
        yield return Size(gauge);
    }

    private static CriterionVerdict UndercutOf(Gauge gauge)
    {
        if (gauge.Thickness >= Inch - Gauge.Hair)
        {
            return new(Criterion.Undercut, Standing.NotKnown, Say($"not known from memory from {Length.FromInches(1)} up"), Gauge.LookItUp);
        }
        var limit = Say(
            $"at most {new Either("0.8 mm", "1/32 in")}; {new Either("1.6 mm", "1/16 in")} for {new Either("51 mm", "2 in")} in "
                + $"any {new Either("305 mm", "12 in")}"
        );
        if (gauge.Undercut is not { } depth)
            return new(Criterion.Undercut, Standing.NotKnown, limit, Gauge.NotMeasured);
        var found = Say($"{Length.FromMm(depth)}");
        if (depth <= Undercut + Gauge.Hair)
            return new(Criterion.Undercut, Standing.Right, limit, found);
        if (depth > UndercutShort + Gauge.Hair)
            return new(Criterion.Undercut, Standing.Off, limit, found);
        return gauge.Evidence.Measured?.UndercutLength is { } length
            ? Gauge.Found(Criterion.Undercut, length.Mm <= UndercutShortLength + Gauge.Hair, limit, Say($"{found} along {length}"))
            : new(Criterion.Undercut, Standing.NotKnown, limit, Say($"{found}; how long was not measured"));
    }

    private static CriterionVerdict Porosity(Gauge gauge)
    {
        var together = Say(
            $"{new Either("9.5 mm", "3/8 in")} in any {new Either("25 mm", "inch")}, {new Either("19 mm", "3/4 in")} in any "
                + $"{new Either("305 mm", "12 in")}"
        );
        var limit = Say($"pores of {new Either("0.8 mm", "1/32 in")} and larger: together at most {together}");
        if (gauge.Pores is not { } pores)
            return new(Criterion.Porosity, Standing.NotKnown, limit, Gauge.NotLookedFor);
        var sum = pores.Where(pore => pore >= PoreCounts - Gauge.Hair).Sum();
        var found = Say($"{gauge.PoreWords()}, together {Length.FromMm(sum)}");
        if (sum <= PoresInInch + Gauge.Hair)
            return new(Criterion.Porosity, Standing.Right, limit, found);
        var bead = gauge.Evidence.LengthLaid()?.Mm;
        // A picture says where they lie, and counts smaller ones too: what keeps the limit with those keeps it.
        if (gauge.Evidence is { Face: { } face, Measured: null or { Pores: null } } && face.PoresPer25Mm.Mm <= PoresInInch + Gauge.Hair)
            return new(Criterion.Porosity, Standing.Right, limit, found);
        // Where the pores lie is not noted: on a bead of an inch all are in that inch, on one of a foot all are in that foot.
        if (bead <= Inch + Gauge.Hair || (sum > PoresInFoot + Gauge.Hair && bead <= 12 * Inch + Gauge.Hair))
            return new(Criterion.Porosity, Standing.Off, limit, found);
        return new(Criterion.Porosity, Standing.NotKnown, limit, Say($"{found}; count the worst inch"));
    }

    private static readonly Either ByFace = new(
        "1.6 mm up to a face of 8 mm, 3.2 mm up to 25 mm, 4.8 mm above",
        "1/16 in up to a face of 5/16 in, 1/8 in up to 1 in, 3/16 in above"
    );

    private static CriterionVerdict ConvexityOf(Gauge gauge) =>
        gauge.FaceWidth is { } face
            ? Gauge.AtMost(Criterion.Convexity, gauge.Crown, Convexity(face), Say($"for a face {Length.FromMm(face)} wide"))
            : new(Criterion.Convexity, Standing.NotKnown, Say($"{ByFace}"), Say($"width of the face not measured"));

    private static CriterionVerdict Size(Gauge gauge)
    {
        var least = Fillet.Smallest(gauge.Sheet.Job.Thicker);
        var limit = Say($"at least {least} for {gauge.Sheet.Job.Thicker} plate");
        return gauge.SmallerLeg is { } leg
            ? Gauge.Found(Criterion.Size, leg >= least.Mm - Gauge.Hair, limit, Say($"{Length.FromMm(leg)}"))
            : new(Criterion.Size, Standing.NotKnown, limit, Say($"both legs not measured"));
    }
}
