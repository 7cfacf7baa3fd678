using System.Diagnostics;
using System.Globalization;
using GentleBead.Core.Looking;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>
/// What it costs to look at a phone's picture of twelve megapixels: time beside what OpenCV takes to decode the same file, make it smaller
/// and find its edges, and memory, each picture in a process of its own.
/// </summary>
internal static class EyeCost
{
    private const int Width = 4000,
        Height = 3000,
        Rounds = 3,
        Most = 10;

    private const double MostSeconds = 1.5,
        MostMb = 600;

    private sealed record Cost(double Plain, double Eye, double Mb);

    /// <summary>Measures some of a folder's pictures; 0 where all stay under what is wanted.</summary>
    /// <param name="what">faces or sections.</param>
    /// <param name="folder">Where they are.</param>
    public static int Measure(string what, string folder)
    {
        List<Cost> costs = [];
        foreach (var file in Directory.GetFiles(folder, "*.json").Order().Take(Most))
        {
            var large = Path.Combine(Path.GetTempPath(), $"gentlebead-cost-{Guid.NewGuid():n}.jpg");
            try
            {
                Enlarge(Path.ChangeExtension(file, ".jpg"), large);
                costs.Add(Alone(what, large, file));
            }
            finally
            {
                File.Delete(large);
            }
        }
        var (seconds, mb) = (costs.Max(cost => cost.Eye), costs.Max(cost => cost.Mb));
        var missed = seconds > MostSeconds || mb > MostMb;
        string Told(FormattableString text) => FormattableString.Invariant(text);
        Console.WriteLine(
            Told($"eye's cost: {costs.Count} pictures of 12 megapixels, {costs.Average(cost => cost.Eye):0.00} s each, ")
                + Told($"{seconds:0.00} s at most, {costs.Average(cost => cost.Eye / cost.Plain):0.0} times OpenCV's decode, resize ")
                + Told($"and Canny; {mb:0} MB at most{(missed ? $"; MISSED: {MostSeconds} s and {MostMb} MB" : "")}")
        );
        return missed ? 1 : 0;
    }

    /// <summary>Measures one picture and prints what it cost.</summary>
    public static int One(string what, string picture, string truth)
    {
        var bytes = File.ReadAllBytes(picture);
        var ask = what == "sections" ? Section(truth) : Face(truth);
        Action look = () =>
        {
            using var decoded = Cv2.ImDecode(bytes, ImreadModes.Color);
            ask(decoded);
        };
        // Once to warm up: a worker has looked before.
        look();
        var plain = Best(() => Plain(bytes));
        var eye = Best(look);
        using var self = Process.GetCurrentProcess();
        var peak = File.ReadLines("/proc/self/status").First(line => line.StartsWith("VmHWM", StringComparison.Ordinal));
        var mb = double.Parse(peak.Split(' ', StringSplitOptions.RemoveEmptyEntries)[1], CultureInfo.InvariantCulture) / 1024;
        Console.WriteLine(FormattableString.Invariant($"{plain:0.0000} {eye:0.0000} {mb:0}"));
        return 0;
    }

    private static Cost Alone(string what, string picture, string truth)
    {
        var start = new ProcessStartInfo(Environment.ProcessPath!) { RedirectStandardOutput = true };
        foreach (var one in new[] { typeof(EyeCost).Assembly.Location, "eye", "cost", what, picture, truth })
            start.ArgumentList.Add(one);
        using var process = Process.Start(start)!;
        var said = process.StandardOutput.ReadToEnd().Split(' ');
        process.WaitForExit();
        double At(int i) => double.Parse(said[i], CultureInfo.InvariantCulture);
        return new(At(0), At(1), At(2));
    }

    private static void Enlarge(string from, string to)
    {
        using var picture = Cv2.ImRead(from);
        using var large = new Mat();
        Cv2.Resize(picture, large, new Size(Width, Height), 0, 0, InterpolationFlags.Cubic);
        Cv2.ImWrite(to, large, new ImageEncodingParam(ImwriteFlags.JpegQuality, 90));
    }

    private static double Best(Action act) =>
        Enumerable
            .Range(0, Rounds)
            .Min(_ =>
            {
                var watch = Stopwatch.StartNew();
                act();
                return watch.Elapsed.TotalSeconds;
            });

    private static void Plain(byte[] bytes)
    {
        using var picture = Cv2.ImDecode(bytes, ImreadModes.Color);
        using var small = new Mat();
        Cv2.Resize(picture, small, new Size(), 0.5, 0.5, InterpolationFlags.Area);
        using var edges = new Mat();
        Cv2.Canny(small, edges, 50, 150);
    }

    private static Action<Mat> Section(string truth)
    {
        var ask = new SectionAsk(SectionTruth.Read(truth).Joint);
        return picture => SectionEye.Look(picture, ask);
    }

    private static Action<Mat> Face(string truth)
    {
        var known = FaceTruth.Read(truth);
        using var drawn = Cv2.ImRead(Path.ChangeExtension(truth, ".jpg"));
        var larger = (double)Width / drawn.Width;
        Point Tap(int k) => new((known.Left[k].X + known.Right[k].X) / 2 * larger, (known.Left[k].Y + known.Right[k].Y) / 2 * larger);
        var ask = new FaceAsk(known.Fillet, Tap(2), Tap(98));
        return picture => Eye.Face(picture, ask);
    }
}
