using System.Runtime.CompilerServices;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>A bead on whose cause an instructor gave a word.</summary>
/// <param name="Process">How it was welded.</param>
/// <param name="Tool">The tool's likeliest cause at the time.</param>
/// <param name="Instructor">The instructor's.</param>
/// <param name="Signs">Its signs, and how much each counted.</param>
public sealed record RuledBead(Process Process, Cause Tool, Cause Instructor, IReadOnlyDictionary<Sign, double> Signs)
{
    /// <summary>What is wrong with an instructor's word; null for nothing.</summary>
    /// <param name="ruled">The word.</param>
    /// <param name="reason">Why; needed where it is not the tool's word.</param>
    public static Problem? Problem(RuledBead ruled, string reason)
    {
        ArgumentNullException.ThrowIfNull(ruled);
        ArgumentNullException.ThrowIfNull(reason);
        return Causes.Of(ruled.Process).All(row => row.Cause != ruled.Instructor)
                ? new("cause", Say($"That cannot be behind a bead of this process."))
            : reason.Length > Ruling.MostLetters ? new("reason", Say($"A reason in up to {Ruling.MostLetters} letters."))
            : ruled.Tool != ruled.Instructor && reason.Length == 0
                ? new("reason", Say($"Say why: both words are kept, and the reason with them."))
            : null;
    }
}

/// <summary>A weight that this room's beads have moved.</summary>
/// <param name="Process">In which process.</param>
/// <param name="Cause">For which cause.</param>
/// <param name="Sign">Of which sign.</param>
/// <param name="Table">What the table says: natural-log likelihood ratio.</param>
/// <param name="Room">What this room says.</param>
public sealed record WeightShift(Process Process, Cause Cause, Sign Sign, double Table, double Room);

/// <summary>How common a cause is, as this room's beads have moved it.</summary>
/// <param name="Process">In which process.</param>
/// <param name="Cause">Which cause.</param>
/// <param name="Table">The table's share of all causes, 0 to 1.</param>
/// <param name="Room">This room's.</param>
public sealed record PriorShift(Process Process, Cause Cause, double Table, double Room);

/// <summary>What a room's rulings have taught: the table's weights, moved a little and in the open.</summary>
/// <param name="Beads">Ruled beads it was learned from.</param>
/// <param name="Used">How much of what was learned is used on average, 0 to 1: less of a cause where all of it would spoil a bead that the
/// table has right.</param>
/// <param name="Weights">Weights that moved.</param>
/// <param name="Priors">How common causes are.</param>
/// <remarks>
/// The table counts as <see cref="TableBeads"/> beads of each cause (conjugate beta prior of each sign, Dirichlet prior of the causes;
/// Gelman and others, Bayesian Data Analysis, ch. 2 and 3). The same rulings in any order give the same weights, so all of it can be
/// played back.
/// </remarks>
public sealed record RoomWeights(int Beads, double Used, IReadOnlyList<WeightShift> Weights, IReadOnlyList<PriorShift> Priors)
{
    /// <summary>So many beads of each cause the table's own word is worth.</summary>
    public const double TableBeads = 20;

    /// <summary>The most a weight may move, as a natural log: a little under twice the odds.</summary>
    public const double MostShift = 0.5;

    // So many ruled beads the table's priors are worth, and how far one may move.
    private const double TablePriorBeads = 60,
        MostPrior = 2;

    // How common an answer is at large where nothing is known; a likelihood is never certain.
    private const double AtLarge = 0.2,
        LeastLikely = 0.02,
        MostLikely = 0.95;

    // A weight that moved by less than this is the table's.
    private const double WorthKeeping = 0.02;

    // Less of a cause's shifts than this is not worth using.
    private const double LeastUsed = 0.1;

    // Each process's table, worked out once for the weights that stand.
    private static readonly ConditionalWeakTable<RoomWeights, Dictionary<Process, IReadOnlyList<CauseRow>>> Tables = [];

    /// <summary>Nothing learned: the table alone.</summary>
    public static RoomWeights None { get; } = new(0, 0, [], []);

    /// <summary>Learns from a room's rulings: as much as spoils none of them, and no known bead, that the table has right.</summary>
    /// <param name="ruled">The ruled beads; their order does not matter.</param>
    public static RoomWeights Learn(IReadOnlyList<RuledBead> ruled)
    {
        if (ruled.Count == 0)
            return None;
        var right = KnownBeads.All.Concat(ruled).Where(bead => First(bead, Causes.Of(bead.Process)) == bead.Instructor).ToArray();
        var used = new Dictionary<(Process, Cause), double>();
        while (true)
        {
            var moved = Moved(ruled, used);
            var tables = right.Select(bead => bead.Process).Distinct().ToDictionary(process => process, moved.Table);
            var harmed = right
                .Select(bead => (bead.Process, Was: bead.Instructor, Is: First(bead, tables[bead.Process])))
                .Where(one => one.Is != one.Was)
                .ToArray();
            if (harmed.Length == 0)
                return moved;
            // What moved of the two causes that changed places is held back by half, at last altogether.
            foreach (var cause in harmed.SelectMany(one => new[] { (one.Process, one.Was), (one.Process, one.Is) }).Distinct())
                used[cause] = used.GetValueOrDefault(cause, 1) is var share && share > LeastUsed ? share / 2 : 0;
        }
    }

    /// <summary>How the room's weights fare on beads they were not learned from: each fourth held out in turn.</summary>
    /// <param name="ruled">The ruled beads.</param>
    /// <returns>Beads that the table names right, and that the room's weights name right.</returns>
    public static (int Table, int Room) HeldOut(IReadOnlyList<RuledBead> ruled)
    {
        const int folds = 4;
        var (table, room) = (0, 0);
        for (var fold = 0; fold < folds; fold++)
        {
            var learned = Learn([.. ruled.Where((_, at) => at % folds != fold)]);
            foreach (var bead in ruled.Where((_, at) => at % folds == fold))
            {
                table += First(bead, Causes.Of(bead.Process)) == bead.Instructor ? 1 : 0;
                room += First(bead, learned.Table(bead.Process)) == bead.Instructor ? 1 : 0;
            }
        }
        return (table, room);
    }

    /// <summary>A process's table as this room weighs it.</summary>
    public IReadOnlyList<CauseRow> Table(Process process) =>
        Tables.GetValue(this, weights => Enum.GetValues<Process>().ToDictionary(one => one, weights.Reweighed))[process];

    private IReadOnlyList<CauseRow> Reweighed(Process process)
    {
        var weights = Weights.Where(shift => shift.Process == process).ToLookup(shift => shift.Cause);
        var priors = Priors.Where(shift => shift.Process == process).ToDictionary(shift => shift.Cause, shift => shift.Room / shift.Table);
        var table = Causes.Of(process);
        return weights.Count + priors.Count == 0
            ? table
            :
            [
                .. table.Select(row =>
                {
                    var moved = new Dictionary<Sign, double>(row.Weights);
                    foreach (var shift in weights[row.Cause])
                        moved[shift.Sign] = shift.Room;
                    return row with { Prior = row.Prior * priors.GetValueOrDefault(row.Cause, 1), Weights = moved };
                }),
            ];
    }

    // By the scores alone: hundreds of beads are weighed at each word, and nobody reads their reasons.
    private static Cause First(RuledBead bead, IReadOnlyList<CauseRow> table) => table.MaxBy(row => Ranking.Score(row, bead.Signs))!.Cause;

    private static RoomWeights Moved(IReadOnlyList<RuledBead> ruled, Dictionary<(Process, Cause), double> used)
    {
        double Used(Process process, Cause cause) => used.GetValueOrDefault((process, cause), 1);
        var groups = ruled.GroupBy(bead => (bead.Process, Cause: bead.Instructor)).OrderBy(group => group.Key).ToArray();
        return new(
            ruled.Count,
            groups.Average(group => Used(group.Key.Process, group.Key.Cause)),
            [.. groups.SelectMany(group => Weigh(group, Used(group.Key.Process, group.Key.Cause)).DistinctBy(shift => shift.Sign))],
            [.. ruled.GroupBy(bead => bead.Process).OrderBy(group => group.Key).SelectMany(group => Count(group, Used))]
        );
    }

    // Of the beads of one cause on which something was looked at, how many showed it.
    private static IEnumerable<WeightShift> Weigh(IGrouping<(Process Process, Cause Cause), RuledBead> beads, double share)
    {
        if (Causes.Of(beads.Key.Process).FirstOrDefault(row => row.Cause == beads.Key.Cause) is not { } row)
            yield break;
        // What is set and loaded is known without a cause, and says little of how a cause shows.
        foreach (var look in Observations.All.Where(look => look.Answers.Count > 1 && !look.IsSetting))
        {
            var looked = beads.Where(bead => look.Answers.Any(answer => bead.Signs.ContainsKey(answer.Sign))).ToArray();
            if (looked.Length == 0)
                continue;
            foreach (var sign in look.Answers.Select(answer => answer.Sign))
            {
                var table = row.Weights.GetValueOrDefault(sign);
                var likely = Math.Clamp(AtLarge * Math.Exp(Ranking.Sharpness * table), LeastLikely, MostLikely);
                var seen = looked.Sum(bead => Math.Min(1, bead.Signs.GetValueOrDefault(sign)));
                var now = (TableBeads * likely + seen) / (TableBeads + looked.Length);
                var shift = share * Math.Clamp(Math.Log(now / likely) / Ranking.Sharpness, -MostShift, MostShift);
                if (Math.Abs(shift) >= WorthKeeping)
                    yield return new(beads.Key.Process, beads.Key.Cause, sign, table, table + shift);
            }
        }
    }

    private static IEnumerable<PriorShift> Count(IGrouping<Process, RuledBead> beads, Func<Process, Cause, double> used)
    {
        var table = Causes.Of(beads.Key);
        var (all, count) = (table.Sum(row => row.Prior), beads.Count());
        foreach (var row in table)
        {
            var prior = row.Prior / all;
            var now = (TablePriorBeads * prior + beads.Count(bead => bead.Instructor == row.Cause)) / (TablePriorBeads + count);
            var share = used(beads.Key, row.Cause);
            yield return new(beads.Key, row.Cause, prior, prior * Math.Pow(Math.Clamp(now / prior, 1 / MostPrior, MostPrior), share));
        }
    }
}
