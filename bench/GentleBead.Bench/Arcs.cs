using System.Diagnostics;
using System.Globalization;
using GentleBead.Core.Arc;
using GentleBead.Core.Listening;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using GentleBead.Core.Tests.Arc;

namespace GentleBead.Bench;

/// <summary>How fast the arc runs and the ear listens, each beside another way to the same end in the same run.</summary>
internal static class Arcs
{
    private const int Rate = 48_000;

    private static readonly ArcSetting Everyday = new(
        Core.Stock.Process.GmawShortCircuit,
        Wire.Solid08,
        Gas.ArgonCarbon25,
        WireFeedSpeed.FromInPerMin(250),
        Voltage.FromVolts(19),
        Length.FromMm(10),
        TravelSpeed.FromMmPerMin(300),
        Length.FromMm(3.2)
    );

    internal static int Measure()
    {
        var figures = new Figures("arc");
        var (arc, log, wav) = (Run(), Log(), Sound());
        figures.AtMost("MathNet's speed against the arc's", 1 / arc, 1.0 / 15);
        figures.AtMost("a log against its sums", log, 4);
        figures.AtMost("a WAV against SciPy", 1 / wav, 1);
        return figures.Close($"{arc:0} x MathNet; a log in {log:0.0} x its sums; a WAV {wav:0.0} x as fast as SciPy");
    }

    private static double Run()
    {
        var arc = new SimulatedArc(Everyday, Rate, 1);
        var (volts, amps, events) = (new float[10 * Rate], new float[10 * Rate], new List<ArcEvent>(4000));
        arc.Run(volts, amps, events);
        events.Clear();
        var before = GC.GetAllocatedBytesForCurrentThread();
        arc.Run(volts, amps, events);
        var allocated = GC.GetAllocatedBytesForCurrentThread() - before;
        var own = Best(() =>
        {
            events.Clear();
            arc.Run(volts, amps, events);
        });
        var reference = Best(() => new MathNetArc(Everyday, Rate, 1).Run(Rate));
        Say(
            $"Arc: {10 / own:0} s of arc in a second at {Rate} Hz, {allocated} bytes allocated; MathNet's Runge-Kutta on the "
                + $"same equations {1 / reference:0.0} s of arc in a second; ratio {reference / own * 10:0}."
        );
        return reference / own * 10;
    }

    private static double Log()
    {
        var trace = ArcTrace.Of(Everyday, 120, Rate, 1);
        var log = new ArcLog(Rate, trace.Volts, trace.Amps);
        var sum = Best(() => Total(trace.Volts) + Total(trace.Amps));
        var own = Best(() => LogMeasures.Of(log));
        Say(
            $"Log: {trace.Volts.Length} samples measured in {own * 1000:0.0} ms; summing the same two arrays {sum * 1000:0.0} "
                + $"ms; {own / sum:0.00} times."
        );
        return own / sum;
    }

    private static double Sound()
    {
        var samples = new float[300 * Rate];
        var clip = KnownClips.Clip(Core.Beads.Sound.EvenCrackle, 20, 15, 1).Samples;
        for (var at = 0; at < samples.Length; at += clip.Length)
            clip.AsSpan(0, Math.Min(clip.Length, samples.Length - at)).CopyTo(samples.AsSpan(at));
        var wav = WavFile.Write(new Waveform(Rate, samples));
        var file = Path.GetTempFileName();
        File.WriteAllBytes(file, wav);
        var own = Best(() => Finding.Of(WavFile.Read(File.ReadAllBytes(file))));
        using var python = Process("bench/GentleBead.Bench/listen.py", file);
        var scipy = double.Parse(python.StandardOutput.ReadToEnd(), CultureInfo.InvariantCulture);
        File.Delete(file);
        Say(
            $"WAV of five minutes: read and listened to in {own:0.00} s; read and measured with SciPy in {scipy:0.00} s; "
                + $"{scipy / own:0.0} times as fast."
        );
        return scipy / own;
    }

    private static System.Diagnostics.Process Process(string script, string file) =>
        System.Diagnostics.Process.Start(
            new ProcessStartInfo("/usr/bin/python3", ["-W", "ignore", script, file]) { RedirectStandardOutput = true }
        )!;

    private static double Total(float[] values)
    {
        var sum = 0f;
        foreach (var value in values)
            sum += value;
        return sum;
    }

    // The best of five, after one to warm up: what others take from the processor is not ours.
    private static double Best(Action work) =>
        Best(() =>
        {
            work();
            return 0;
        });

    private static double Best<T>(Func<T> work)
    {
        var best = double.MaxValue;
        for (var round = 0; round < 6; round++)
        {
            var watch = Stopwatch.StartNew();
            GC.KeepAlive(work());
            if (round > 0)
                best = Math.Min(best, watch.Elapsed.TotalSeconds);
        }
        return best;
    }

    private static void Say(string line) => Console.WriteLine(line);
}
