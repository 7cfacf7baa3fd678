using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>The eye over drawn backs, whose truth is known.</summary>
internal static class BackBench
{
    // In how many of a hundred backs each is wanted right, or near enough.
    private const double Bar = 90;

    private const double LeastHeld = 90;

    private sealed record Check(string What, bool Near, bool? Held = null);

    /// <summary>Measures every drawn back of some folders; 0 where all is as near as is wanted.</summary>
    /// <param name="folders">Where they are.</param>
    /// <param name="tell">Whether to say what came of each.</param>
    public static int Measure(string[] folders, bool tell)
    {
        string[] files = [.. folders.SelectMany(folder => Directory.GetFiles(folder, "*.json")).Order()];
        var answers = new (BackTruth Truth, BackAnswer Answer)[files.Length];
        Parallel.For(0, files.Length, i => answers[i] = Of(files[i]));
        List<string> missed = [];
        foreach (var (truth, answer) in tell ? answers : [])
            Console.WriteLine($"{truth.Seed} {truth.Surface} {Told(truth)} | {answer.Trouble}{Told(answer.Back?.Measures)}");
        var refused = answers.Count(one => one.Answer.Back is null);
        foreach (
            var checks in answers
                .Where(one => one.Answer.Back is not null)
                .SelectMany(one => Checks(one.Truth, one.Answer.Back!.Measures))
                .GroupBy(check => check.What)
        )
        {
            var near = Refusals.Percent(checks.Select(check => check.Near));
            bool[] held = [.. checks.Select(check => check.Held).OfType<bool>()];
            Console.WriteLine(
                $"  {checks.Key}: {near:0.0} % of {checks.Count()}"
                    + (held.Length > 0 ? $", intervals hold {Refusals.Percent(held):0.0} %" : "")
            );
            if (near < Bar)
                missed.Add($"{checks.Key} {near:0.0} % under {Bar}");
            if (held.Length > 0 && Refusals.Percent(held) < LeastHeld)
                missed.Add($"{checks.Key}'s intervals hold {Refusals.Percent(held):0.0} %");
        }
        if (refused > 0)
            missed.Add($"{refused} refused");
        Console.WriteLine(
            $"eye on backs: {answers.Length} pictures; " + (missed.Count == 0 ? "all as wanted" : $"MISSED: {string.Join("; ", missed)}")
        );
        return missed.Count == 0 ? 0 : 1;
    }

    private static (BackTruth, BackAnswer) Of(string file)
    {
        var truth = BackTruth.Read(file);
        using var picture = Cv2.ImRead(Path.ChangeExtension(file, ".jpg"));
        // Taps are a hand's: a millimetre or two off.
        var chance = Listening.Chance.Of(truth.Seed + 77);
        Point Tap(Point at)
        {
            var off = 3 * truth.PixelsPerMm;
            return new(at.X + off * Listening.Chance.White(chance), at.Y + off * Listening.Chance.White(chance));
        }
        return (truth, BackEye.Look(picture, new(Tap(truth.From), Tap(truth.To))));
    }

    private static IEnumerable<Check> Checks(BackTruth truth, BackMeasures seen)
    {
        yield return new("mark: even, broken, none", Kind(truth.Mark) == Kind(seen.Mark));
        yield return new("tint: even, broken, none", Kind(truth.Tint) == Kind(seen.Tint));
        yield return new("whether burnt through", truth.HolesMm.Length > 0 == seen.Holes.Count > 0);
        if (truth.HolesMm.Length > 0)
            yield return new("largest hole", seen.Holes.Count > 0 && Near(seen.Holes[0].Mm, truth.HolesMm.Max()));
        if (truth.Mark is { } mark && seen.Mark is { } marked)
            yield return Width("width of the mark", mark, marked);
        if (truth.Tint is { } tint && seen.Tint is { } tinted)
            yield return Width("width of the tint", tint, tinted);
    }

    private static Check Width(string what, BackTruth.Run known, BackTrace seen) =>
        new(
            what,
            Near(seen.Width.Value.Mm, known.WidthMm),
            known.WidthMm >= seen.Width.Low.Mm - 1e-9 && known.WidthMm <= seen.Width.High.Mm + 1e-9
        );

    private static bool Near(double seen, double known) => Math.Abs(seen - known) <= Math.Max(0.5, 0.1 * known);

    private static string Kind(BackTruth.Run? run) =>
        run is null ? "none"
        : run is { Pieces: 1, Share: > 0.9 } ? "even"
        : "broken";

    private static string Kind(BackTrace? run) =>
        run is null ? "none"
        : run.Even ? "even"
        : "broken";

    private static string Told(BackTruth truth) =>
        $"mark {Kind(truth.Mark)} {truth.Mark?.Share:0.00} {truth.Mark?.WidthMm:0.0} tint {Kind(truth.Tint)} {truth.Tint?.Share:0.00} "
        + $"{truth.Tint?.WidthMm:0.0} holes {string.Join(',', truth.HolesMm.Select(one => $"{one:0.0}"))}";

    private static string Told(BackMeasures? seen) =>
        seen is null
            ? ""
            : $"mark {Kind(seen.Mark)} {seen.Mark?.Share:0.00} {seen.Mark?.Width.Value.Mm:0.0} "
                + $"tint {Kind(seen.Tint)} {seen.Tint?.Share:0.00} {seen.Tint?.Width.Value.Mm:0.0} "
                + $"holes {string.Join(',', seen.Holes.Select(one => $"{one.Mm:0.0}"))}";
}
