namespace GentleBead.Core.Listening;

/// <summary>A sound as power by band and millisecond: the first step of listening.</summary>
/// <remarks>
/// Each band is what lies between two low passes of two poles. A recording is taken down to about 22 kHz first, by averaging, so that
/// what lies above counts for none; one of 8 to 16 kHz keeps its own rate, and the bands above it stay empty.
/// </remarks>
public sealed class SoundBands
{
    /// <summary>Blocks a second.</summary>
    public const int Blocks = 1000;

    /// <summary>How many bands.</summary>
    public const int Count = 5;

    // Upper ends of the bands, Hz; the last one is open. What a telephone carries ends with the third.
    private static readonly double[] Edges = [300, 900, 1800, 3400, 6500];

    // Above 6.5 kHz there is this much less than from 1.8 to 3.4 kHz where a codec or a slow sampling cut it off (power).
    private const double CutOff = 3e-5;

    private const int CommonRate = 22_000;

    private SoundBands(float[][] power, float[] samples, double rate) => (Power, Samples, Rate) = (power, samples, rate);

    /// <summary>Power of each band (300 to 900 Hz, to 1.8 kHz, to 3.4 kHz, to 6.5 kHz, above), by block.</summary>
    public IReadOnlyList<float[]> Power { get; }

    /// <summary>The samples that were listened to, about their mean.</summary>
    public float[] Samples { get; }

    /// <summary>Their rate, Hz.</summary>
    public double Rate { get; }

    /// <summary>Whether nothing is left above what a telephone carries: a slow sampling, or a codec.</summary>
    public bool Narrow => Rate < CommonRate * 0.95 || Total(Power[4]) < CutOff * Total(Power[2]);

    /// <summary>How many blocks.</summary>
    public int Length => Power[0].Length;

    /// <summary>Takes a sound apart.</summary>
    public static SoundBands Of(Waveform sound)
    {
        ArgumentNullException.ThrowIfNull(sound);
        var whole = Math.Max(1, sound.Rate / CommonRate);
        var samples = Averaged(sound.Samples, whole);
        var rate = (double)sound.Rate / whole;
        var power = Enumerable.Range(0, Count).Select(_ => new float[(int)(samples.Length * (double)Blocks / rate)]).ToArray();
        Filter(samples, rate, power);
        return new SoundBands(power, samples, rate);
    }

    private static void Filter(float[] samples, double rate, float[][] power)
    {
        var keep = Array.ConvertAll(Edges, hertz => (float)(1 - Math.Exp(-2 * Math.PI * Math.Min(hertz, 0.45 * rate) / rate)));
        Span<float> first = stackalloc float[Edges.Length],
            second = stackalloc float[Edges.Length],
            sums = stackalloc float[Count];
        var at = 0;
        for (var block = 0; block < power[0].Length; block++)
        {
            var end = Math.Min(samples.Length, (int)((block + 1) * rate / Blocks));
            var length = Math.Max(1, end - at);
            sums.Clear();
            for (; at < end; at++)
            {
                var value = samples[at];
                for (var edge = 0; edge < first.Length; edge++)
                {
                    first[edge] += keep[edge] * (value - first[edge]);
                    second[edge] += keep[edge] * (first[edge] - second[edge]);
                }
                for (var band = 0; band < Count; band++)
                {
                    var inBand = (band + 1 < second.Length ? second[band + 1] : value) - second[band];
                    sums[band] += inBand * inBand;
                }
            }
            for (var band = 0; band < Count; band++)
                power[band][block] = sums[band] / length;
        }
    }

    // A level that stands still is no sound, however far from zero: it is taken off.
    private static float[] Averaged(float[] samples, int whole)
    {
        var averaged = new float[samples.Length / whole];
        var total = 0.0;
        for (var i = 0; i < averaged.Length; i++)
        {
            float sum = 0;
            for (var part = 0; part < whole; part++)
                sum += samples[i * whole + part];
            averaged[i] = sum / whole;
            total += averaged[i];
        }
        var still = (float)(total / Math.Max(1, averaged.Length));
        for (var i = 0; i < averaged.Length; i++)
            averaged[i] -= still;
        return averaged;
    }

    private static double Total(float[] power)
    {
        var sum = 0.0;
        foreach (var value in power)
            sum += value;
        return sum;
    }
}
