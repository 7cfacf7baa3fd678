namespace GentleBead.Core.Judging;

/// <summary>From signs to causes: the table's weights added up and shared out.</summary>
public static class Ranking
{
    /// <summary>
    /// What every weight counts. The table's weights were set by hand and came out cautious: of causes that were given half the shares,
    /// six in ten were so (bench -- judge, 2,000 made beads). With this the shares are as good as they say.
    /// </summary>
    internal const double Sharpness = 1.42;

    // A sign that shifts the odds by less than this is not worth reading out.
    private const double WorthNaming = 0.3;

    /// <summary>Every cause of a table with its share, likeliest first. Pure; the order of the signs does not matter.</summary>
    /// <param name="signs">What was heard, felt, seen, measured and set, and how much each counts.</param>
    /// <param name="table">The causes to weigh; null for those of a fed wire.</param>
    /// <param name="priors">How common each cause is before anything was seen; null for the table's own.</param>
    /// <param name="words">What a sign is called; null for the common words.</param>
    public static IReadOnlyList<RankedCause> Rank(
        IReadOnlyDictionary<Sign, double> signs,
        IReadOnlyList<CauseRow>? table = null,
        IReadOnlyDictionary<Cause, double>? priors = null,
        Func<Sign, Said>? words = null
    )
    {
        words ??= sign => Observations.Of(sign).Words;
        table ??= Causes.Table;
        var scored = table.Select(row => (Row: row, Score: Score(row, signs, priors))).ToArray();
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
                    Named(entry.Row, signs, 1, words),
                    Named(entry.Row, signs, -1, words)
                )),
        ];
    }

    /// <summary>Natural-log odds of one cause against beads at large, before sharing out. More evidence for it never lowers this.</summary>
    public static double Score(CauseRow row, IReadOnlyDictionary<Sign, double> signs, IReadOnlyDictionary<Cause, double>? priors = null) =>
        Math.Log(priors?.GetValueOrDefault(row.Cause, row.Prior) ?? row.Prior)
        // In the table's order, so that the order of entry is nothing.
        + Sharpness * row.Weights.Sum(weight => weight.Value * signs.GetValueOrDefault(weight.Key));

    private static Said[] Named(CauseRow row, IReadOnlyDictionary<Sign, double> signs, int direction, Func<Sign, Said> words) =>
        [
            .. signs
                .Select(sign => (Sign: sign.Key, Speaks: row.Weights.GetValueOrDefault(sign.Key) * sign.Value * direction))
                .Where(sign => sign.Speaks >= WorthNaming)
                .OrderByDescending(sign => sign.Speaks)
                .ThenBy(sign => sign.Sign)
                .Select(sign => words(sign.Sign)),
        ];
}
