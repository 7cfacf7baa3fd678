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
    /// <summary>The looks not yet taken, most telling for their trouble first.</summary>
    /// <param name="job">What was welded.</param>
    /// <param name="signs">What is known.</param>
    /// <param name="ranked">The causes as they stand.</param>
    public static IReadOnlyList<NextLook> Of(Job job, IReadOnlySet<Sign> signs, IReadOnlyList<RankedCause> ranked)
    {
        var rows = ranked.Select(cause => Causes.Row(cause.Cause, job.Process)).ToArray();
        return
        [
            .. Observations
                .All.Where(look => look.Ask is not null && look.Fits(job) && !look.Answers.Any(answer => signs.Contains(answer.Sign)))
                .Select(look => (look, gain: Gain(look, ranked, rows)))
                .OrderByDescending(entry => entry.gain.Bits / entry.look.Trouble)
                .Select(entry => new NextLook(entry.look.Ask!, entry.gain.Bits, entry.gain.Between)),
        ];
    }

    private static (double Bits, Said[] Between) Gain(Observation look, IReadOnlyList<RankedCause> ranked, CauseRow[] rows)
    {
        var likelihoods = rows.Select(row => Likelihoods(row, look.Answers)).ToArray();
        var before = Entropy(ranked.Select(cause => cause.Share));
        var after = 0.0;
        for (var answer = 0; answer < look.Answers.Count; answer++)
        {
            var joint = ranked.Select((cause, i) => cause.Share * likelihoods[i][answer]).ToArray();
            var probability = joint.Sum();
            if (probability > 0)
                after += probability * Entropy(joint.Select(share => share / probability));
        }
        // Told apart best: of the likeliest causes, the pair whose answers differ most.
        var likely = Enumerable.Range(0, Math.Min(4, ranked.Count)).ToArray();
        var pair = likely
            .SelectMany(a => likely.Where(b => b > a).Select(b => (a, b)))
            .MaxBy(pair =>
                ranked[pair.a].Share * ranked[pair.b].Share * likelihoods[pair.a].Zip(likelihoods[pair.b], (x, y) => Math.Abs(x - y)).Sum()
            );
        return (Math.Max(0, before - after), [ranked[pair.a].Words, ranked[pair.b].Words]);
    }

    private static double[] Likelihoods(CauseRow row, IReadOnlyList<Answer> answers)
    {
        var odds = answers.Select(answer => Math.Exp(row.Weights.GetValueOrDefault(answer.Sign))).ToArray();
        var total = odds.Sum();
        return [.. odds.Select(value => value / total)];
    }

    private static double Entropy(IEnumerable<double> shares) => -shares.Where(share => share > 0).Sum(share => share * Math.Log2(share));
}
