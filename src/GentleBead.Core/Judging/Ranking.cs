namespace GentleBead.Core.Judging;

/// <summary>From signs to causes: the table's weights added up and shared out.</summary>
public static class Ranking
{
    // A sign that shifts the odds by less than this is not worth reading out.
    private const double WorthNaming = 0.3;

    /// <summary>Every cause with its share, likeliest first. Pure; the order of the signs does not matter.</summary>
    /// <param name="signs">What was heard, seen, measured and set.</param>
    public static IReadOnlyList<RankedCause> Rank(IReadOnlySet<Sign> signs)
    {
        var scored = Causes.Table
            .Select(row => (Row: row, Score: Math.Log(row.Prior) + row.Weights.Where(weight => signs.Contains(weight.Key)).Sum(weight => weight.Value)))
            .ToArray();
        var best = scored.Max(entry => entry.Score);
        var total = scored.Sum(entry => Math.Exp(entry.Score - best));
        return
        [
            .. scored
                .OrderByDescending(entry => entry.Score)
                .Select(entry => new RankedCause(
                    entry.Row.Cause, entry.Row.Words, Math.Exp(entry.Score - best) / total,
                    Named(entry.Row, signs, 1), Named(entry.Row, signs, -1))),
        ];
    }

    private static string[] Named(CauseRow row, IReadOnlySet<Sign> signs, int direction) =>
    [
        .. row.Weights
            .Where(weight => signs.Contains(weight.Key) && weight.Value * direction >= WorthNaming)
            .OrderByDescending(weight => weight.Value * direction)
            .ThenBy(weight => weight.Key)
            .Select(weight => Signs.Words[weight.Key]),
    ];
}
