using System.Runtime.CompilerServices;
using GentleBead.Core.Rules;

namespace GentleBead.Core.Judging;

/// <summary>The look that would settle the cause best.</summary>
/// <param name="Text">What to do: "Listen to the next one: crackle, hiss or pops?"</param>
/// <param name="GainBits">How much doubt it takes away on average, in bits; a coin's toss is one.</param>
/// <param name="Between">The two causes it would tell apart best as things stand, in words.</param>
public sealed record NextLook(Said Text, double GainBits, IReadOnlyList<Said> Between);

/// <summary>Which observation is worth making next: the one that takes most doubt away for its trouble.</summary>
/// <remarks>
/// What each cause makes of an observation follows from the table: its answers' shares are as the exponentials of its
/// weights, all answers being as common in beads at large. The gain is the expected fall of Shannon's entropy of the
/// causes (Lindley 1956).
/// </remarks>
public static class NextLooks
{
    // For each cause of a table the shares of each look's answers, in the order of the table of observations: worked out once.
    private static readonly ConditionalWeakTable<CauseRow, double[][]> Expected = [];

    /// <summary>The looks not yet taken, most telling for their trouble first.</summary>
    /// <param name="job">What was welded.</param>
    /// <param name="signs">What is known.</param>
    /// <param name="ranked">The causes as they stand.</param>
    /// <param name="table">The table they were weighed with.</param>
    public static IReadOnlyList<NextLook> Of(
        Job job,
        IReadOnlySet<Sign> signs,
        IReadOnlyList<RankedCause> ranked,
        IReadOnlyList<CauseRow> table
    )
    {
        var expected = ExpectedOf(ranked, table);
        var doubt = ranked.Sum(cause => Doubt(cause.Share));
        return
        [
            .. NotTaken(job, signs)
                .Select(one => (look: one.Item, bits: Math.Max(0, doubt - DoubtAfter(one.Index, ranked, expected)), at: one.Index))
                .OrderByDescending(entry => entry.bits / entry.look.Trouble)
                .Select(entry => new NextLook(entry.look.Ask!, entry.bits, ToldApart(entry.at, ranked, expected))),
        ];
    }

    /// <summary>What can come of each look not yet taken: how likely each answer is, and the causes' shares once it has come.</summary>
    internal static IEnumerable<(NextLook Look, double Trouble, IReadOnlyList<(double Likely, double[] Shares)> Answers)> Outcomes(
        Job job,
        IReadOnlySet<Sign> signs,
        IReadOnlyList<RankedCause> ranked,
        IReadOnlyList<CauseRow> table
    )
    {
        var expected = ExpectedOf(ranked, table);
        var doubt = ranked.Sum(cause => Doubt(cause.Share));
        foreach (var (index, look) in NotTaken(job, signs))
        {
            var answers = Enumerable
                .Range(0, look.Answers.Count)
                .Select(answer => ranked.Select((cause, i) => cause.Share * expected[i][index][answer]).ToArray())
                .Select(joint => (Likely: joint.Sum(), Joint: joint))
                .Where(one => one.Likely > 0)
                .Select(one => (one.Likely, Array.ConvertAll(one.Joint, share => share / one.Likely)))
                .ToArray();
            var bits = Math.Max(0, doubt - DoubtAfter(index, ranked, expected));
            yield return (new(look.Ask!, bits, ToldApart(index, ranked, expected)), look.Trouble, answers);
        }
    }

    private static double[][][] ExpectedOf(IReadOnlyList<RankedCause> ranked, IReadOnlyList<CauseRow> table)
    {
        var rows = table.ToDictionary(row => row.Cause);
        return [.. ranked.Select(cause => Expected.GetValue(rows[cause.Cause], Shares))];
    }

    private static IEnumerable<(int Index, Observation Item)> NotTaken(Job job, IReadOnlySet<Sign> signs) =>
        Observations
            .All.Index()
            .Where(one => one.Item.Ask is not null && one.Item.Fits(job) && !one.Item.Answers.Any(answer => signs.Contains(answer.Sign)));

    private static double[][] Shares(CauseRow row) =>
        [
            .. Observations.All.Select(look =>
            {
                var odds = look.Answers.Select(answer => Math.Exp(row.Weights.GetValueOrDefault(answer.Sign))).ToArray();
                var total = odds.Sum();
                return odds.Select(value => value / total).ToArray();
            }),
        ];

    // The doubt that is left on average once the look has an answer, in bits.
    private static double DoubtAfter(int look, IReadOnlyList<RankedCause> ranked, double[][][] expected)
    {
        var after = 0.0;
        for (var answer = 0; answer < expected[0][look].Length; answer++)
        {
            var probability = 0.0;
            for (var i = 0; i < expected.Length; i++)
                probability += ranked[i].Share * expected[i][look][answer];
            if (probability == 0)
                continue;
            for (var i = 0; i < expected.Length; i++)
                after += probability * Doubt(ranked[i].Share * expected[i][look][answer] / probability);
        }
        return after;
    }

    // One cause's part in Shannon's entropy, in bits.
    private static double Doubt(double share) => share > 0 ? -share * Math.Log2(share) : 0;

    // Of the likeliest causes, the pair whose answers differ most.
    private static Said[] ToldApart(int look, IReadOnlyList<RankedCause> ranked, double[][][] expected)
    {
        var likely = Enumerable.Range(0, Math.Min(4, ranked.Count)).ToArray();
        var (one, other) = likely
            .SelectMany(a => likely.Where(b => b > a).Select(b => (a, b)))
            .MaxBy(pair =>
                ranked[pair.a].Share
                * ranked[pair.b].Share
                * expected[pair.a][look].Zip(expected[pair.b][look], (x, y) => Math.Abs(x - y)).Sum()
            );
        return [ranked[one].Words, ranked[other].Words];
    }
}
