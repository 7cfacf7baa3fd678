using GentleBead.Core.Beads;
using GentleBead.Core.Judging;

namespace GentleBead.Bench.Judging;

/// <summary>
/// The judge in a closed loop: from random bad starts over all processes, is the bead right within two steps, is none worse than its
/// start, are its shares as good as they say, and which causes does it take for others.
/// </summary>
internal static class JudgeBench
{
    // So many more first beads besides, for the shares alone: a bin of a hundred is off by five points for chance alone.
    private const int ForShares = 2;

    private const int Starting = 2000,
        Steps = 2,
        MostLooks = 3,
        Bins = 10,
        EnoughForABin = 60;

    // Where the seeds of those begin: far from the others.
    private const int MoreFrom = 1_000_000;

    private const double LeastRight = 0.95,
        MostOffInABin = 0.10;

    // A mark is read to a whole one: on slow wire so much is no change.
    private const double HardlyWorse = 0.06;

    private sealed record Run(
        Booth Booth,
        Cause Truth,
        Core.Stock.Process Process,
        Cause First,
        bool Right,
        bool Worse,
        int Looks,
        string Last,
        double Began
    );

    public static int Measure(int first = 1, int starts = Starting, bool tell = false)
    {
        var figures = new Figures("judge");
        var bins = new (int Count, double Said, double True)[Bins];
        var followed = ParallelEnumerable.Range(first, starts).AsOrdered().Select(Follow).ToArray();
        var runs = followed.Select(one => one.Run).ToArray();
        foreach (var (judgement, run) in followed.Select(one => (one.Judgement, one.Run)))
            Count(judgement, run.Truth, bins);
        foreach (
            var (truth, judgement) in ParallelEnumerable.Range(first + MoreFrom, starts * ForShares).AsOrdered().Select(First).ToArray()
        )
            Count(judgement, truth, bins);
        foreach (var process in runs.GroupBy(run => run.Process).OrderBy(group => group.Key))
        {
            var (named, mended) = (Share(process, run => run.First == run.Truth), Share(process, run => run.Right));
            Console.WriteLine(
                $"  {process.Key, -18} {process.Count(), 5} starts, cause first {named, 5:P0}, right in two {mended, 5:P0}, "
                    + $"worse {process.Count(run => run.Worse)}, looks {process.Average(run => run.Looks):0.0}"
            );
        }
        Console.WriteLine("Taken for another, three times or more:");
        foreach (
            var pair in runs.Where(run => run.First != run.Truth)
                .GroupBy(run => (run.Truth, run.First))
                .Where(group => group.Count() >= 3)
                .OrderByDescending(group => group.Count())
        )
            Console.WriteLine(
                $"  {pair.Key.Truth, -16} as {pair.Key.First, -16} {pair.Count(), 4} of {runs.Count(run => run.Truth == pair.Key.Truth)}"
            );
        if (tell)
        {
            foreach (var run in runs.Where(run => !run.Right))
                Console.WriteLine(
                    $"  {(run.Worse ? "worse" : "not right")}: {run.Process} {run.Truth} (said {run.First}){run.Last}; "
                        + $"off {run.Booth.Off:0.00} after {run.Began:0.00}"
                );
        }
        Console.WriteLine("Shares said against how often they were so:");
        for (var bin = 0; bin < Bins; bin++)
        {
            var (count, said, was) = bins[bin];
            if (count == 0)
                continue;
            var off = Math.Abs(said - was) / count;
            var mark =
                count >= EnoughForABin ? figures.AtMost($"shares of {bin * 10} to {bin * 10 + 10} % off by", off, MostOffInABin) : " (few)";
            Console.WriteLine($"  {said / count, 5:P0} said, {was / count, 5:P0} so, of {count}{mark}");
        }
        var right = Share(runs, run => run.Right);
        figures.AtMost("not right within two steps", 1 - right, 1 - LeastRight);
        figures.AtMost("worse than its start", runs.Count(run => run.Worse), 0);
        return figures.Close(
            $"{runs.Length} starts, {right:P1} right within {Steps} steps, {runs.Count(run => run.Worse)} worse than its start, "
                + $"the cause first in {Share(runs, run => run.First == run.Truth):P1}"
        );
    }

    private static (Cause Truth, Judgement Judgement) First(int seed)
    {
        var booth = Starts.Draw(seed);
        var judgement = Judge(booth, Laid.Bead(booth, seed * 10), null);
        booth.Arcs.Clear();
        return (booth.Truth, judgement);
    }

    private static (Run Run, Judgement Judgement) Follow(int seed)
    {
        var booth = Starts.Draw(seed);
        var (truth, start) = (booth.Truth, booth.Off);
        var (first, looks, last) = ((Judgement?)null, 0, "");
        BeadBefore? before = null;
        for (var step = 0; step < Steps && !Right(booth); step++)
        {
            var evidence = Laid.Bead(booth, seed * 10 + step);
            var judgement = Judge(booth, evidence, before);
            // A look is taken on the same bead, or on one laid the same again: it turns nothing.
            for (var look = 0; look < MostLooks && judgement.Next?.Kind == ChangeKind.Look; look++)
            {
                looks++;
                evidence = Look.At(evidence, booth, seed * 10 + step + 1000 * look);
                judgement = Judge(booth, evidence, before);
            }
            first ??= judgement;
            last +=
                $" | {Told(booth, evidence)} -> {judgement.Causes[0].Cause} {judgement.Causes[0].Share:P0}: {judgement.Next?.Instruction}";
            before = new(step + 1, judgement, evidence, booth.IsTig ? null : booth.Shown, booth.IsTig ? booth.AmpsShown : null);
            if (judgement.Next is { } next)
                booth.Do(next);
        }
        booth.Arcs.Clear();
        return (
            new(
                booth,
                truth,
                booth.Sheet.Job.Process,
                first!.Causes[0].Cause,
                Right(booth),
                !Right(booth) && booth.Off > start + HardlyWorse,
                looks,
                last,
                start
            ),
            first
        );
    }

    private static Judgement Judge(Booth booth, Evidence evidence, BeadBefore? before) =>
        booth.IsTig
            ? Core.Judging.Judge.Of(booth.Sheet, booth.Machine, booth.AmpsShown, evidence, Circumstances.None with { Before = before })
            : Core.Judging.Judge.Of(booth.Sheet, booth.Machine, booth.Shown, evidence, Circumstances.None with { Before = before });

    private static void Count(Judgement judgement, Cause truth, (int Count, double Said, double True)[] bins)
    {
        foreach (var cause in judgement.Causes)
        {
            var bin = Math.Min(Bins - 1, (int)(cause.Share * Bins));
            bins[bin] = (bins[bin].Count + 1, bins[bin].Said + cause.Share, bins[bin].True + (cause.Cause == truth ? 1 : 0));
        }
    }

    private static string Told(Booth booth, Evidence evidence) =>
        string.Join(
            ' ',
            booth.IsTig ? $"{booth.AmpsShown} of {booth.Sheet.Amps}" : $"{booth.Shown} of {booth.Sheet.Pair!.WireFeed}",
            evidence.Sound,
            evidence.Profile,
            evidence.Toes,
            evidence.Tint,
            evidence.Feel
        );

    // On the sheet with nothing wrong, or off it with a bead that shows nothing wrong.
    private static bool Right(Booth booth) => booth.Off <= 0 || !Laid.Shows(booth);

    private static double Share(IEnumerable<Run> runs, Func<Run, bool> counts) => runs.Average(run => counts(run) ? 1.0 : 0);
}
