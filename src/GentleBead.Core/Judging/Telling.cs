using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using static GentleBead.Core.Judging.Sign;

namespace GentleBead.Core.Judging;

/// <summary>The look that would settle the cause best.</summary>
/// <param name="Text">What to do: "Listen to the next one: crackle, hiss or pops?"</param>
/// <param name="GainBits">How much doubt it takes away on average, in bits; a coin's toss is one.</param>
/// <param name="Between">The two causes it would tell apart best as things stand, in words.</param>
public sealed record TellingLook(string Text, double GainBits, IReadOnlyList<string> Between);

/// <summary>Which observation is worth making next: the one that takes most doubt away for its trouble.</summary>
/// <remarks>
/// What each cause makes of an observation follows from the table: its answers' shares are as the exponentials of its
/// weights, all answers being as common in beads at large. The gain is the expected fall of Shannon's entropy of the
/// causes (Lindley 1956).
/// </remarks>
public static class Telling
{
    /// <summary>One thing to look at: the question, its answers, and its trouble against a glance.</summary>
    /// <param name="Text">The question.</param>
    /// <param name="Answers">Signs it can give.</param>
    /// <param name="Trouble">1 for a glance; a saw cut is worth several.</param>
    /// <param name="Fits">Whether it can be looked at in this job.</param>
    public sealed record Look(string Text, IReadOnlyList<Sign> Answers, double Trouble, Func<Job, bool> Fits);

    // Past about 5 mm nothing shows behind however good the bite.
    internal static readonly Length ShowsBehind = Length.FromMm(5);

    /// <summary>Everything that can be looked at.</summary>
    public static IReadOnlyList<Look> Looks { get; } =
    [
        new("Listen to the next one: crackle, hiss or pops?", [EvenCrackle, Hiss, Popping, Rattle, Sputter], 1, job => !job.Process.IsGtaw()),
        new("Listen to the next one: steady, or does it sputter?", [EvenCrackle, Sputter, Hiss], 1, job => job.Process.IsGtaw()),
        new("Ask the hand: was the torch pushed back, or did the arc go long and soft?", [FeelSteady, PushedBack, LongArc, Runny, Jerky], 1, _ => true),
        new("Look along it: how does it stand on the plate?", [SlightlyConvex, Flat, TallNarrow, PiledUp, Sunk, Lumpy], 1, _ => true),
        new("Look at the toes: blended, on top, or a groove?", [ToesBlended, ToesCold, Undercut], 1, _ => true),
        new("Look at the tint beside it: none, thin, even, wide?", [TintNone, TintThin, TintEven, TintWide], 1, job => job.Metal != Metal.Aluminium),
        new("Turn it over: tint or a mark behind?", [NothingBehind, TintBehind, BackMark], 1, job => job.Thicker <= ShowsBehind),
        new("Look at the ripples: even, wandering, drawn out?", [RippleEven, RippleUneven, RippleStretched], 1, _ => true),
        new("Look for spatter beside it.", [SpatterLittle, SpatterFine, SpatterBig], 1, job => !job.Process.IsGtaw()),
        new("Put the gauge on it.", [SizeUnder, SizeOn, SizeOver], 1.2, _ => true),
        new("Hold a hand near before the next one: is the plate cold?", [PlateCold, PlateWarm, PlateHot], 1, _ => true),
        new("Time the next one, and measure how far it went.", [TravelUnder, TravelOn, TravelOver], 1.5, job => job.Joint != Joint.Plug),
        new("Measure the stick-out.", [StickOutOn, StickOutOver], 1.5, job => !job.Process.IsGtaw()),
        new("Read the amps while it welds.", [ArcAmpsUnder, ArcAmpsOn, ArcAmpsOver], 1.5, job => !job.Process.IsGtaw()),
        new("Read the volts while it welds.", [ArcVoltsUnder, ArcVoltsOn, ArcVoltsOver], 1.5, job => !job.Process.IsGtaw()),
        new("Look at the tungsten: pointed, balled, dipped?", [TungstenPointed, TungstenBalled, TungstenBurntBack, TungstenDipped], 1, job => job.Process.IsGtaw()),
        new("Look at the colour beside it: silver, straw, blue, grey?", [ColourSilver, ColourStraw, ColourPurple, ColourBlue, ColourGrey], 1, job => job.Metal is Metal.Stainless or Metal.Titanium or Metal.NickelAlloy),
        new("Watch the puddle of the next one: clear, specks, a skin?", [PuddleClear, PuddleSpecks, PuddleSkin], 1, job => job.Process.IsGtaw()),
        new("Brush the soot: does it come off?", [SootNone, SootBrushesOff, SootStays], 1, job => job.Metal == Metal.Aluminium),
        new("Cut, polish and etch one: does it bite at the root?", [RootFused, RootShort, SideUnfused], 4, _ => true),
    ];

    /// <summary>The looks not yet taken, most telling for their trouble first.</summary>
    /// <param name="job">What was welded.</param>
    /// <param name="signs">What is known.</param>
    /// <param name="ranked">The causes as they stand.</param>
    public static IReadOnlyList<TellingLook> Of(Job job, IReadOnlySet<Sign> signs, IReadOnlyList<RankedCause> ranked)
    {
        var rows = ranked.Select(cause => Causes.Row(cause.Cause, job.Process)).ToArray();
        return
        [
            .. Looks
                .Where(look => look.Fits(job) && !look.Answers.Any(signs.Contains))
                .Select(look => (look, gain: Gain(look, ranked, rows)))
                .OrderByDescending(entry => entry.gain.Bits / entry.look.Trouble)
                .Select(entry => new TellingLook(entry.look.Text, entry.gain.Bits, entry.gain.Between)),
        ];
    }

    private static (double Bits, string[] Between) Gain(Look look, IReadOnlyList<RankedCause> ranked, CauseRow[] rows)
    {
        var likelihoods = rows.Select(row => Likelihoods(row, look.Answers)).ToArray();
        var before = Entropy(ranked.Select(cause => cause.Share));
        var after = 0.0;
        for (var answer = 0; answer < look.Answers.Count; answer++)
        {
            var joint = ranked.Select((cause, i) => cause.Share * likelihoods[i][answer]).ToArray();
            var probability = joint.Sum();
            if (probability > 0) after += probability * Entropy(joint.Select(share => share / probability));
        }
        // Told apart best: of the likeliest causes, the pair whose answers differ most.
        var likely = Enumerable.Range(0, Math.Min(4, ranked.Count)).ToArray();
        var pair = likely.SelectMany(a => likely.Where(b => b > a).Select(b => (a, b)))
            .MaxBy(pair => ranked[pair.a].Share * ranked[pair.b].Share * likelihoods[pair.a].Zip(likelihoods[pair.b], (x, y) => Math.Abs(x - y)).Sum());
        return (Math.Max(0, before - after), [ranked[pair.a].Words, ranked[pair.b].Words]);
    }

    private static double[] Likelihoods(CauseRow row, IReadOnlyList<Sign> answers)
    {
        var odds = answers.Select(answer => Math.Exp(row.Weights.GetValueOrDefault(answer))).ToArray();
        var total = odds.Sum();
        return [.. odds.Select(value => value / total)];
    }

    private static double Entropy(IEnumerable<double> shares) => -shares.Where(share => share > 0).Sum(share => share * Math.Log2(share));
}
