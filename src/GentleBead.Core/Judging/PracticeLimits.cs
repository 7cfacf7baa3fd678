using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Judging;

/// <summary>A bead against the room's own tolerances.</summary>
internal static class PracticeLimits
{
    /// <summary>Limit by limit.</summary>
    public static IEnumerable<CriterionVerdict> Measure(Gauge gauge, PracticeTolerances own)
    {
        yield return gauge.Never(Criterion.Cracks, Fault.Crack);
        yield return gauge.Never(Criterion.BurnThrough, Fault.Hole);
        yield return gauge.Fused();
        yield return Gauge.AtMost(Criterion.Undercut, gauge.Undercut, own.Undercut.Mm);
        yield return Gauge.AtMost(gauge.IsFillet ? Criterion.Convexity : Criterion.Reinforcement, gauge.Crown, own.Crown.Mm);
        yield return Pores(gauge, own);
        if (gauge.IsFillet)
            yield return Gauge.AtMost(Criterion.UnequalLegs, gauge.LegDifference, own.UnequalLegs.Mm);
        yield return gauge.Sized();
        if (Travel(gauge, own) is { } travel)
            yield return travel;
    }

    private static CriterionVerdict Pores(Gauge gauge, PracticeTolerances own)
    {
        var limit = Say($"at most {own.Pores}, none over {own.LargestPore}");
        return gauge.Pores is not { } pores
            ? new(Criterion.Porosity, Standing.NotKnown, limit, Gauge.NotLookedFor)
            : Gauge.Found(
                Criterion.Porosity,
                pores.Length <= own.Pores && pores.All(pore => pore <= own.LargestPore.Mm),
                limit,
                gauge.PoreWords()
            );
    }

    private static CriterionVerdict? Travel(Gauge gauge, PracticeTolerances own)
    {
        if (gauge.Sheet.Travel is not { } travel)
            return null;
        var limit = Say($"{travel}, {own.TravelPercent} % either way");
        return gauge.Evidence.Travel() is { } measured
            ? Gauge.Found(Criterion.Travel, Math.Abs(measured / travel - 1) * 100 <= own.TravelPercent, limit, Say($"{measured}"))
            : new(Criterion.Travel, Standing.NotKnown, limit, Say($"not timed"));
    }
}
