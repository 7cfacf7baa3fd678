namespace GentleBead.Core.Judging;

/// <summary>From signs to causes: the table's weights added up and shared out.</summary>
public static class Ranking
{
    /// <summary>
    /// What every weight counts. The table's weights were set by hand and came out cautious: of causes that were given half the shares,
    /// six in ten were so (bench -- judge, 2,000 made beads). With this the shares are as good as they say.
    /// </summary>
    internal const double Sharpness = 1.5;

    // An eye or an ear errs now and then: no one note rules a cause out for good. Common practice, no source.
    private const double Mistaken = 0.02;

    /// <summary>What a note's weight is worth: a little is left to every cause that it speaks against.</summary>
    internal static double Noted(double weight) => Math.Log((1 - Mistaken) * Math.Exp(weight) + Mistaken);

    // How common a fault is on beads at large, and how many of those that are there get noted. Common practice, no source.
    private const double AtLarge = 0.05,
        Noticed = 0.85;

    // A sign that shifts the odds by less than this is not worth reading out, nor is one that the bead is less than half: a wire on the
    // sheet is a little under it, too.
    private const double WorthNaming = 0.3,
        HalfOfIt = 0.5;

    /// <summary>Every cause of a table with its share, likeliest first. Pure; the order of the signs does not matter.</summary>
    /// <param name="signs">What was heard, felt, seen, measured and set, and how much each counts.</param>
    /// <param name="table">The causes to weigh; null for those of a fed wire.</param>
    /// <param name="priors">How common each cause is before anything was seen; null for the table's own.</param>
    /// <param name="words">What a sign is called; null for the common words.</param>
    /// <param name="missing">Faults that were looked for and are not there; null for none.</param>
    public static IReadOnlyList<RankedCause> Rank(
        IReadOnlyDictionary<Sign, double> signs,
        IReadOnlyList<CauseRow>? table = null,
        IReadOnlyDictionary<Cause, double>? priors = null,
        Func<Sign, Said>? words = null,
        IReadOnlyCollection<Sign>? missing = null
    )
    {
        words ??= sign => Observations.Of(sign).Words;
        table ??= Causes.Table;
        missing ??= [];
        var scored = table.Select(row => (Row: row, Score: Score(row, signs, priors) + missing.Sum(sign => Without(row, sign)))).ToArray();
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
                    [
                        .. Named(entry.Row, signs, -1, words),
                        .. missing
                            .Where(sign => Without(entry.Row, sign) <= -WorthNaming)
                            .OrderBy(sign => Without(entry.Row, sign))
                            .Select(sign => Observations.Of(sign).Missing!),
                    ]
                )
                {
                    Supported = signs.Any(sign => entry.Row.Weights.GetValueOrDefault(sign.Key) * sign.Value >= WorthNaming),
                }),
        ];
    }

    /// <summary>Natural-log odds of one cause against beads at large, before sharing out. More evidence for it never lowers this.</summary>
    public static double Score(CauseRow row, IReadOnlyDictionary<Sign, double> signs, IReadOnlyDictionary<Cause, double>? priors = null) =>
        Math.Log(priors?.GetValueOrDefault(row.Cause, row.Prior) ?? row.Prior)
        // In the table's order, so that the order of entry is nothing.
        + row.Weights.Sum(weight => Noted(Sharpness * weight.Value * signs.GetValueOrDefault(weight.Key)));

    // What a fault's not being there says of a cause: the more it belongs to the cause, the more it speaks against it.
    private static double Without(CauseRow row, Sign fault) =>
        Math.Log((1 - Math.Min(Noticed, AtLarge * Math.Exp(Sharpness * row.Weights.GetValueOrDefault(fault)))) / (1 - AtLarge));

    private static Said[] Named(CauseRow row, IReadOnlyDictionary<Sign, double> signs, int direction, Func<Sign, Said> words) =>
        [
            .. signs
                .Select(sign => (Sign: sign.Key, Speaks: row.Weights.GetValueOrDefault(sign.Key) * sign.Value * direction))
                .Where(sign => sign.Speaks >= WorthNaming && signs[sign.Sign] >= HalfOfIt)
                .OrderByDescending(sign => sign.Speaks)
                .ThenBy(sign => sign.Sign)
                .Select(sign => words(sign.Sign)),
        ];
}
