using System.Diagnostics;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>The eye over drawn sections, whose truth is known.</summary>
internal static class SectionBench
{
    // What counts as the right reason for what was spoilt.
    private static readonly Dictionary<Wrong, PictureTrouble[]> Right = new()
    {
        [Wrong.NoBead] = [PictureTrouble.NoWeld],
        [Wrong.NoCard] = [PictureTrouble.NoWindow],
        [Wrong.Far] = [PictureTrouble.Far, PictureTrouble.Blurred, PictureTrouble.NoWindow, PictureTrouble.CardHidden],
        [Wrong.Slanting] = [PictureTrouble.Slanting],
        [Wrong.Dark] = [PictureTrouble.Dark, PictureTrouble.NoWindow],
        [Wrong.Blurred] = [PictureTrouble.Blurred, PictureTrouble.NoWindow, PictureTrouble.CardHidden],
        [Wrong.Bright] = [PictureTrouble.Bright, PictureTrouble.Glare],
        [Wrong.Hazy] = [PictureTrouble.Hazy],
        [Wrong.Thumb] = [PictureTrouble.CardHidden, PictureTrouble.NoWeld, PictureTrouble.NoWindow],
        [Wrong.Glare] = [PictureTrouble.Glare, PictureTrouble.NoWeld],
    };

    // In how many of a hundred sections each is to be near enough: legs and throat as the eye is asked for, within 5 % or 0.3 mm.
    private static readonly Dictionary<string, (double Bar, double Share, double Mm)> Bars = new()
    {
        ["lowerLeg"] = (90, 0.05, 0.3),
        ["upperLeg"] = (90, 0.05, 0.3),
        ["throat"] = (90, 0.05, 0.3),
        ["width"] = (90, 0.05, 0.3),
        ["reinforcement"] = (90, 0.05, 0.3),
        ["rootPenetration"] = (85, 0.1, 0.3),
        ["lowerPenetration"] = (85, 0.1, 0.3),
        ["upperPenetration"] = (85, 0.1, 0.3),
        ["unfused"] = (85, 0.15, 0.5),
    };

    private const double ReasonBar = 97;

    private const double LeastHeld = 90,
        MostHeld = 98;

    private sealed record Off(SectionTruth Truth, SectionAnswer Answer, long Took)
    {
        public Dictionary<string, ReadLength> Seen => Answer.Section is { } seen ? Named(seen.Measures) : [];
    }

    /// <summary>Measures every drawn section of folders; 0 where all is as near as is wanted.</summary>
    /// <param name="folders">Where they are.</param>
    /// <param name="tell">Whether to say what came of each.</param>
    /// <param name="draw">Whether to draw what it proposes over each.</param>
    public static int Measure(string[] folders, bool tell, bool draw)
    {
        string[] files = [.. folders.SelectMany(folder => Directory.GetFiles(folder, "*.json")).Order()];
        var offs = new Off[files.Length];
        Parallel.For(0, files.Length, i => offs[i] = Look(files[i]));
        foreach (var off in tell ? offs : [])
            Console.WriteLine(Told(off));
        foreach (var (file, off) in draw ? files.Zip(offs) : [])
        {
            if (off.Answer.Section is { } seen)
                SectionDrawing.Write(file, off.Truth, seen.Marks);
        }
        List<string> missed = [];
        var good = offs.Where(off => off.Truth.Wrong == Wrong.Nothing).ToArray();
        foreach (var (name, (bar, share, mm)) in Bars)
            Tell(name, good, (bar, share, mm), missed);
        foreach (var why in good.GroupBy(off => off.Answer.Trouble).Where(group => group.Key is not null))
            Console.WriteLine($"    refused: {why.Key} {why.Count()}");
        var spoilt = offs.Where(off => off.Truth.Wrong != Wrong.Nothing).ToArray();
        var rightly = Refusals.Tell([.. spoilt.Select(off => (off.Truth.Wrong, off.Answer.Trouble))], Right);
        if (rightly < ReasonBar)
            missed.Add($"right reason {rightly:0.0} %");
        var bare = spoilt.Count(off => off.Truth.Wrong == Wrong.NoBead && off.Answer.Section is not null);
        if (bare > 0)
            missed.Add($"weld metal measured where there is none, {bare} times");
        var took = good.Select(off => off.Took).Order().ElementAtOrDefault(good.Length / 2);
        Console.WriteLine(
            $"eye on sections: {good.Length} pictures, {spoilt.Length} spoilt, {took} ms each; "
                + (missed.Count == 0 ? "all as near as wanted" : $"MISSED: {string.Join("; ", missed)}")
        );
        return missed.Count == 0 ? 0 : 1;
    }

    private static Off Look(string file)
    {
        var truth = SectionTruth.Read(file);
        using var picture = Cv2.ImRead(Path.ChangeExtension(file, ".jpg"));
        // A fifth without its card: then ten millimetres are marked, and the weld pointed at, by a hand that is a few millimetres off.
        var scaled = truth.Wrong == Wrong.Nothing && truth.Seed % 5 == 0 && Slant(truth) < 0.02;
        var ask = scaled
            ? new SectionAsk(
                truth.Joint,
                new(truth.TenMm[0], truth.TenMm[1], Core.Quantities.Length.FromMm(10)),
                new(truth.Root.X + 20, truth.Root.Y - 20)
            )
            : new SectionAsk(truth.Joint);
        var watch = Stopwatch.StartNew();
        var answer = SectionEye.Look(picture, ask);
        return new(truth, answer, watch.ElapsedMilliseconds);
    }

    // By how much ten millimetres right differ from what ten millimetres down would be: how slantingly it was taken.
    private static double Slant(SectionTruth truth)
    {
        var leg = truth.Measures.GetValueOrDefault("lowerLeg");
        if (leg == 0)
            return 1;
        var ten = (truth.TenMm[1] - truth.TenMm[0]).Size() / 10;
        return Math.Abs((truth.UpperToe - truth.Root).Size() / truth.Measures["upperLeg"] / ten - 1);
    }

    private static void Tell(string name, Off[] good, (double Bar, double Share, double Mm) bar, List<string> missed)
    {
        var pairs = good.Where(off => off.Seen.ContainsKey(name) && off.Truth.Measures.ContainsKey(name))
            .Select(off => (Seen: off.Seen[name], Known: off.Truth.Measures[name]))
            .ToArray();
        var near = Refusals.Percent(
            pairs.Select(pair => Math.Abs(pair.Seen.Value.Mm - pair.Known) <= Math.Max(bar.Mm, bar.Share * pair.Known))
        );
        var held = Refusals.Percent(pairs.Select(pair => pair.Known >= pair.Seen.Low.Mm - 1e-9 && pair.Known <= pair.Seen.High.Mm + 1e-9));
        var offs = pairs.Select(pair => pair.Seen.Value.Mm - pair.Known).ToArray();
        Console.WriteLine($"  {name}: {near:0.0} % of {pairs.Length} near enough, intervals hold {held:0.0} %; {Refusals.Off(offs)}");
        if (near < bar.Bar)
            missed.Add($"{name} {near:0.0} % under {bar.Bar}");
        if (held is < LeastHeld or > MostHeld)
            missed.Add($"{name}'s intervals hold {held:0.0} %");
    }

    private static string Told(Off off) =>
        $"{off.Truth.Seed} {off.Truth.Wrong} {off.Truth.Joint} {off.Answer.Trouble} sure {off.Answer.Section?.Sure:0.00} "
        + string.Join(
            ' ',
            off.Seen.Where(one => off.Truth.Measures.ContainsKey(one.Key))
                .Select(one =>
                    $"{one.Key} {off.Truth.Measures[one.Key]:0.00}{one.Value.Value.Mm - off.Truth.Measures[one.Key]:+0.00;-0.00}"
                )
        )
        + $" {off.Took} ms";

    private static Dictionary<string, ReadLength> Named(SectionMeasures of) =>
        new (string Name, ReadLength? Value)[]
        {
            ("lowerLeg", of.LowerLeg),
            ("upperLeg", of.UpperLeg),
            ("throat", of.Throat),
            ("width", of.Width),
            ("reinforcement", of.Reinforcement),
            ("rootPenetration", of.RootPenetration),
            ("lowerPenetration", of.LowerPenetration),
            ("upperPenetration", of.UpperPenetration),
            ("unfused", of.UnfusedLength),
        }
            .Where(one => one.Value is not null)
            .ToDictionary(one => one.Name, one => one.Value!);
}
