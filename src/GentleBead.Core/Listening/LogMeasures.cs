using System.Numerics;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Listening;

/// <summary>A short circuit found in a log.</summary>
/// <param name="Seconds">When it began.</param>
/// <param name="Lasted">For how long, s.</param>
/// <param name="PeakAmps">The highest current in it.</param>
public readonly record struct FoundShort(double Seconds, double Lasted, double PeakAmps);

/// <summary>What a log of volts and amps measures.</summary>
/// <param name="ArcFrom">When the current began, s.</param>
/// <param name="ArcTo">When it ended, s.</param>
/// <param name="Shorts">Every short circuit, oldest first.</param>
/// <param name="ShortRate">Short circuits a second while welding.</param>
/// <param name="Irregularity">Standard deviation of their periods over the mean; 0 is a clock.</param>
/// <param name="ArcShare">Share of that time in which an arc burned.</param>
/// <param name="MeanVolts">Mean volts while welding.</param>
/// <param name="MeanAmps">Mean amps while welding.</param>
/// <param name="PeakAmps">The highest current.</param>
/// <param name="MeanWatts">Mean of the instantaneous power while welding.</param>
public sealed record LogMeasures(
    double ArcFrom,
    double ArcTo,
    IReadOnlyList<FoundShort> Shorts,
    double ShortRate,
    double Irregularity,
    double ArcShare,
    Voltage MeanVolts,
    Current MeanAmps,
    Current PeakAmps,
    double MeanWatts
)
{
    // Sums are taken over so many samples at a time, so that single precision loses nothing.
    private const int BlockLength = 16_384;

    // Shorted is under this share of the arc's volts, burning again is over the other: a trigger with two edges.
    private const float ShortedShare = 0.5f,
        BurningShare = 0.65f;

    // Less current than this is none; a short of fewer samples than these is a glitch of the logger.
    private const float NoAmps = 8;
    private const double ShortestSeconds = 0.00015;

    /// <summary>
    /// Heat input by instantaneous power (ISO/TR 18491, ASME IX QW-409.1;
    /// from memory): mean power over travel speed, no arc efficiency in it.
    /// </summary>
    /// <param name="travel">Travel speed, above 0.</param>
    public HeatInput Heat(TravelSpeed travel) => HeatInput.FromKJPerMm(MeanWatts / 1000 / (travel.MmPerMin / 60));

    /// <summary>Measures a log in one pass; null where no current flows.</summary>
    public static LogMeasures? Of(ArcLog log)
    {
        ArgumentNullException.ThrowIfNull(log);
        var (volts, amps) = (log.Volts, log.Amps);
        if (volts.Length != amps.Length)
            throw new ArgumentException("As many volts as amps.", nameof(log));
        var arc = ArcVolts(volts, amps);
        if (arc <= 0)
            return null;
        var pass = new Pass(volts, amps, arc * ShortedShare, arc * BurningShare);
        for (var from = 0; from < volts.Length; from += BlockLength)
            pass.Block(from, Math.Min(volts.Length, from + BlockLength));
        return pass.Result(log.Rate);
    }

    /// <summary>How irregular shorts come: standard deviation of their periods over the mean; 0 for fewer than three.</summary>
    public static double Irregular(IReadOnlyList<FoundShort> shorts)
    {
        ArgumentNullException.ThrowIfNull(shorts);
        if (shorts.Count < 3)
            return 0;
        double sum = 0,
            squares = 0;
        for (var i = 1; i < shorts.Count; i++)
        {
            var period = shorts[i].Seconds - shorts[i - 1].Seconds;
            sum += period;
            squares += period * period;
        }
        var mean = sum / (shorts.Count - 1);
        return Math.Sqrt(Math.Max(0, squares / (shorts.Count - 1) - mean * mean)) / mean;
    }

    // What the arc stands at: the upper middle of some thousand samples in which current flows.
    private static float ArcVolts(float[] volts, float[] amps)
    {
        var stride = Math.Max(1, volts.Length / 4000);
        var seen = new List<float>(4096);
        for (var i = 0; i < volts.Length; i += stride)
        {
            if (Math.Abs(amps[i]) > NoAmps && Math.Abs(volts[i]) > 3)
                seen.Add(Math.Abs(volts[i]));
        }
        if (seen.Count < 20)
            return 0;
        seen.Sort();
        return seen[seen.Count * 7 / 10];
    }

    // The one pass. Volts and amps are taken by the vector; lanes are looked at singly only where something turns over.
    private sealed class Pass(float[] volts, float[] amps, float shorted, float burning)
    {
        private readonly List<(int From, int To)> shorts = [];
        private int shortFrom = -1,
            first = -1,
            last = -1;
        private long idle;
        private float peak;
        private double volt,
            amp,
            watt;

        public void Block(int from, int to)
        {
            var width = Vector<float>.Count;
            var (sumVolts, sumAmps, sumWatts, most) = (Vector<float>.Zero, Vector<float>.Zero, Vector<float>.Zero, Vector<float>.Zero);
            var none = Vector<int>.Zero;
            var (low, high, still) = (new Vector<float>(shorted), new Vector<float>(burning), new Vector<float>(NoAmps));
            var i = from;
            for (; i <= to - width; i += width)
            {
                var u = Vector.Abs(new Vector<float>(volts, i));
                var a = Vector.Abs(new Vector<float>(amps, i));
                sumVolts += u;
                sumAmps += a;
                sumWatts += u * a;
                most = Vector.Max(most, a);
                var idleLanes = Vector.LessThan(a, still);
                none -= idleLanes;
                if (shortFrom < 0 ? Vector.LessThanAny(u, low) : Vector.GreaterThanAny(u, high))
                    Turn(i, i + width);
                if (idleLanes != Vector<int>.AllBitsSet)
                {
                    if (first < 0)
                        first = i;
                    last = i + width;
                }
            }
            double blockVolts = Vector.Sum(sumVolts),
                blockAmps = Vector.Sum(sumAmps),
                blockWatts = Vector.Sum(sumWatts);
            idle += Vector.Sum(none);
            for (var lane = 0; lane < width; lane++)
                peak = Math.Max(peak, most[lane]);
            for (; i < to; i++)
            {
                var (u, a) = (Math.Abs(volts[i]), Math.Abs(amps[i]));
                blockVolts += u;
                blockAmps += a;
                blockWatts += u * a;
                peak = Math.Max(peak, a);
                if (a < NoAmps)
                    idle++;
                else
                {
                    if (first < 0)
                        first = i;
                    last = i + 1;
                }
                Turn(i, i + 1);
            }
            volt += blockVolts;
            amp += blockAmps;
            watt += blockWatts;
        }

        public LogMeasures? Result(double rate)
        {
            if (first < 0)
                return null;
            var welding = (double)(last - first);
            var found = new List<FoundShort>(shorts.Count);
            double shortSamples = 0;
            foreach (var (from, to) in shorts)
            {
                if (to - from < ShortestSeconds * rate)
                    continue;
                float top = 0;
                for (var i = from; i < to; i++)
                    top = Math.Max(top, Math.Abs(amps[i]));
                shortSamples += to - from;
                found.Add(new FoundShort(from / rate, (to - from) / rate, top));
            }
            // What lies before the first and after the last current is not welding: it is taken out again.
            foreach (var (from, to) in new[] { (0, first), (last, volts.Length) })
            {
                for (var i = from; i < to; i++)
                {
                    volt -= Math.Abs(volts[i]);
                    amp -= Math.Abs(amps[i]);
                    watt -= Math.Abs(volts[i] * amps[i]);
                }
            }
            var outsideIdle = volts.Length - welding;
            var inside = Math.Max(0, idle - outsideIdle);
            var seconds = welding / rate;
            return new LogMeasures(
                first / rate,
                last / rate,
                found,
                found.Count / seconds,
                Irregular(found),
                Math.Clamp(1 - (shortSamples + inside) / welding, 0, 1),
                Voltage.FromVolts(volt / welding),
                Current.FromAmps(amp / welding),
                Current.FromAmps(peak),
                watt / welding
            );
        }

        private void Turn(int from, int to)
        {
            for (var i = from; i < to; i++)
            {
                var u = Math.Abs(volts[i]);
                if (shortFrom < 0)
                {
                    // No volts without current is no short: the torch hangs on its hook.
                    if (u < shorted && Math.Abs(amps[i]) >= NoAmps)
                        shortFrom = i;
                }
                else if (u > burning)
                {
                    shorts.Add((shortFrom, i));
                    shortFrom = -1;
                }
            }
        }
    }
}
