namespace GentleBead.Core.Judging;

/// <summary>From signs to causes: the table's weights added up and shared out.</summary>
public static class Ranking
{
    // A sign that shifts the odds by less than this is not worth reading out.
    private const double WorthNaming = 0.3;

    /// <summary>Every cause of a table with its share, likeliest first. Pure; the order of the signs does not matter.</summary>
    /// <param name="signs">What was heard, felt, seen, measured and set.</param>
    /// <param name="table">The causes to weigh; null for those of a fed wire.</param>
    /// <param name="strengths">How much a sign counts where it is not once; null when all count once.</param>
    /// <param name="priors">How common each cause is before anything was seen; null for the table's own.</param>
    public static IReadOnlyList<RankedCause> Rank(
        IReadOnlySet<Sign> signs,
        IReadOnlyList<CauseRow>? table = null,
        IReadOnlyDictionary<Sign, double>? strengths = null,
        IReadOnlyDictionary<Cause, double>? priors = null
    )
    {
        table ??= Causes.Table;
        var scored = table.Select(row => (Row: row, Score: Score(row, signs, strengths, priors))).ToArray();
        var best = scored.Max(entry => entry.Score);
        var total = scored.Sum(entry => Math.Exp(entry.Score - best));
        return
        [
            .. scored
                .OrderByDescending(entry => entry.Score)
                .Select(entry => new RankedCause(
                    entry.Row.Cause,
                    entry.Row.Words,
                    Math.Exp(entry.Score - best) / total,
                    Named(entry.Row, signs, strengths, 1),
                    Named(entry.Row, signs, strengths, -1)
                )),
        ];
    }

    /// <summary>Natural-log odds of one cause against beads at large, before sharing out. More evidence for it never lowers this.</summary>
    public static double Score(
        CauseRow row,
        IReadOnlySet<Sign> signs,
        IReadOnlyDictionary<Sign, double>? strengths = null,
        IReadOnlyDictionary<Cause, double>? priors = null
    ) =>
        Math.Log(priors?.GetValueOrDefault(row.Cause, row.Prior) ?? row.Prior)
        + row.Weights.Where(weight => signs.Contains(weight.Key)).Sum(weight => weight.Value * Strength(strengths, weight.Key));

    private static double Strength(IReadOnlyDictionary<Sign, double>? strengths, Sign sign) => strengths?.GetValueOrDefault(sign, 1) ?? 1;

    private static Said[] Named(CauseRow row, IReadOnlySet<Sign> signs, IReadOnlyDictionary<Sign, double>? strengths, int direction) =>
        [
            .. row
                .Weights.Where(weight => signs.Contains(weight.Key) && weight.Value * direction >= WorthNaming)
                .OrderByDescending(weight => weight.Value * Strength(strengths, weight.Key) * direction)
                .ThenBy(weight => weight.Key)
                .Select(weight => Observations.Of(weight.Key).Words),
        ];
}
