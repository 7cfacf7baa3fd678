namespace GentleBead.Core.Listening;

/// <summary>What is measured of half a second of sound, to tell one arc from another. None depends on how loud the recording is.</summary>
/// <remarks>
/// The sound above 2.5 kHz, where an arc is louder than a shop, is taken as its power in blocks of one millisecond.
/// Percentiles, peaks and gaps of those blocks make the features.
/// </remarks>
public sealed class SoundFeatures
{
    /// <summary>Blocks a second.</summary>
    public const int Blocks = 1000;

    /// <summary>Blocks of a window, and from one window to the next.</summary>
    public const int Window = 500,
        Hop = 250;

    /// <summary>The features by name, in order.</summary>
    public static IReadOnlyList<string> Names { get; } =
    ["loudest", "loud", "floor", "onsets", "wander", "gap", "tilt", "popShare", "swell", "length", "spiky", "heights", "bright"];

    private const double HighHz = 2500,
        LowHz = 300,
        BrightHz = 6500;

    private const int CommonRate = 22_000;

    // A block this many times the window's median is a crack; a peak needs this far to the next, in blocks.
    private const double Crack = 4,
        Pop = 12;
    private const int Apart = 4;

    private SoundFeatures(float[] high, float[] low, float[] bright) => (High, Low, Bright) = (high, low, bright);

    /// <summary>Power above 2.5 kHz, by block.</summary>
    public float[] High { get; }

    /// <summary>Power between 300 Hz and 2.5 kHz, by block.</summary>
    public float[] Low { get; }

    /// <summary>Power above 6.5 kHz, by block.</summary>
    public float[] Bright { get; }

    /// <summary>How many windows.</summary>
    public int Windows => High.Length < Window ? 0 : (High.Length - Window) / Hop + 1;

    /// <summary>Measures a sound.</summary>
    public static SoundFeatures Of(Waveform sound)
    {
        ArgumentNullException.ThrowIfNull(sound);
        // Every recording is taken down to about the same rate first, by averaging, so that what is above it counts for none.
        var whole = Math.Max(1, sound.Rate / CommonRate);
        var samples = Averaged(sound.Samples, whole);
        var rate = (double)sound.Rate / whole;
        var count = (int)(samples.Length * (double)Blocks / rate);
        var (high, low, bright) = (new float[count], new float[count], new float[count]);
        var (keepHigh, keepLow, keepBright) = (Keep(HighHz), Keep(LowHz), Keep(BrightHz));
        float one = 0,
            two = 0,
            bottom = 0,
            air = 0;
        var at = 0;
        for (var block = 0; block < count; block++)
        {
            var end = Math.Min(samples.Length, (int)((block + 1) * rate / Blocks));
            float above = 0,
                below = 0,
                up = 0;
            var length = end - at;
            for (; at < end; at++)
            {
                var value = samples[at];
                // Twice the same low pass, taken off: 12 dB an octave.
                one += keepHigh * (value - one);
                two += keepHigh * (one - two);
                bottom += keepLow * (two - bottom);
                var top = value - one - (one - two);
                var middle = two - bottom;
                air += keepBright * (top - air);
                var thin = top - air;
                up += thin * thin;
                above += top * top;
                below += middle * middle;
            }
            high[block] = above / length;
            low[block] = below / length;
            bright[block] = up / length;
        }
        return new SoundFeatures(high, low, bright);

        float Keep(double hertz) => (float)(1 - Math.Exp(-2 * Math.PI * hertz / rate));
    }

    private static float[] Averaged(float[] samples, int whole)
    {
        if (whole == 1)
            return samples;
        var averaged = new float[samples.Length / whole];
        for (var i = 0; i < averaged.Length; i++)
        {
            float sum = 0;
            for (var part = 0; part < whole; part++)
                sum += samples[i * whole + part];
            averaged[i] = sum / whole;
        }
        return averaged;
    }

    /// <summary>The features of one window.</summary>
    /// <param name="window">Which, from 0.</param>
    /// <param name="into">Where to write them; as long as <see cref="Names"/>.</param>
    public void Write(int window, Span<double> into)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(window);
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(window, Windows);
        if (into.Length != Names.Count)
            throw new ArgumentException($"Room for {Names.Count} features.", nameof(into));
        var blocks = High.AsSpan(window * Hop, Window);
        Span<float> sorted = stackalloc float[Window];
        blocks.CopyTo(sorted);
        sorted.Sort();
        var median = Math.Max(sorted[Window / 2], 1e-12f);
        var mean = Mean(blocks);
        var (onsets, wander, gap, heights) = Onsets(blocks, (float)(median * Crack));

        double loud = 0,
            pops = 0,
            square = 0,
            runs = 0;
        var inRun = false;
        foreach (var block in blocks)
        {
            if (block > Crack * median)
            {
                loud++;
                if (!inRun)
                    runs++;
            }
            inRun = block > Crack * median;
            if (block > Pop * median)
                pops += block;
            square += (double)block * block;
        }
        // A level that never moves has no power here at all; the floors keep its logarithms finite.
        into[0] = Math.Log10(Math.Max(sorted[Window - 2], 1e-13f) / median);
        into[1] = Math.Log10(Math.Max(sorted[Window * 95 / 100], 1e-13f) / median);
        into[2] = Math.Log10(median / Math.Max(sorted[Window / 10], 1e-13f));
        into[3] = Math.Log10(1 + onsets);
        into[4] = Math.Min(wander, 3);
        into[5] = gap;
        into[6] = Math.Log10(Math.Max(mean, 1e-12) / Math.Max(Mean(Low.AsSpan(window * Hop, Window)), 1e-12));
        into[7] = pops / Math.Max(mean * Window, 1e-12);
        into[8] = Swell(blocks);
        into[9] = runs == 0 ? 0 : Math.Log10(1 + loud / runs);
        into[10] = Math.Log10(Math.Max(1, square / Window / Math.Max((double)mean * mean, 1e-24)));
        into[11] = heights;
        into[12] = Math.Log10(Math.Max(Mean(Bright.AsSpan(window * Hop, Window)), 1e-12) / Math.Max(mean, 1e-12));
    }

    private static float Mean(ReadOnlySpan<float> blocks)
    {
        float sum = 0;
        foreach (var block in blocks)
            sum += block;
        return sum / blocks.Length;
    }

    // Peaks above a level and some way apart: how many a second, how irregular, the longest gap as a share of the window,
    // and how differently high they are.
    private static (double Rate, double Wander, double Gap, double Heights) Onsets(ReadOnlySpan<float> blocks, float above)
    {
        int count = 0,
            last = -1,
            longest = 0;
        double sum = 0,
            squares = 0,
            heights = 0,
            heightSquares = 0;
        for (var i = 1; i < blocks.Length - 1; i++)
        {
            if (blocks[i] < above || blocks[i] < blocks[i - 1] || blocks[i] < blocks[i + 1] || (last >= 0 && i - last < Apart))
                continue;
            if (last >= 0)
            {
                sum += i - last;
                squares += (double)(i - last) * (i - last);
            }
            longest = Math.Max(longest, i - Math.Max(last, 0));
            last = i;
            count++;
            var height = Math.Log10(blocks[i]);
            heights += height;
            heightSquares += height * height;
        }
        longest = Math.Max(longest, blocks.Length - Math.Max(last, 0));
        var gaps = count - 1;
        var mean = gaps > 0 ? sum / gaps : 0;
        return (
            (double)count * Blocks / blocks.Length,
            gaps > 1 ? Math.Sqrt(Math.Max(0, squares / gaps - mean * mean)) / mean : 0,
            (double)longest / blocks.Length,
            count > 1 ? Math.Sqrt(Math.Max(0, heightSquares / count - heights / count * (heights / count))) : 0
        );
    }

    // How the level moves in steps of 25 ms.
    private static double Swell(ReadOnlySpan<float> blocks)
    {
        const int length = 25;
        double sum = 0,
            squares = 0;
        var steps = blocks.Length / length;
        for (var step = 0; step < steps; step++)
        {
            var level = Math.Log10(Math.Max(Mean(blocks.Slice(step * length, length)), 1e-12));
            sum += level;
            squares += level * level;
        }
        return Math.Sqrt(Math.Max(0, squares / steps - sum / steps * (sum / steps)));
    }
}
