namespace GentleBead.Core.Listening;

/// <summary>Percentiles, peaks and gaps of half a second of power in blocks of a millisecond. None depends on how loud it is.</summary>
internal static class PeakMeasures
{
    /// <summary>How many.</summary>
    public const int Count = 11;

    // A block this many times the window's median is a crack; a peak needs this far to the next, in blocks.
    private const double Crack = 4,
        Pop = 12;
    private const int Apart = 4;

    /// <summary>Measures a window.</summary>
    /// <param name="blocks">Power by block.</param>
    /// <param name="into">Where to write; the first <see cref="Count"/> are written.</param>
    public static void Write(ReadOnlySpan<float> blocks, Span<double> into)
    {
        Span<float> sorted = stackalloc float[blocks.Length];
        blocks.CopyTo(sorted);
        sorted.Sort();
        var median = Math.Max(sorted[blocks.Length / 2], 1e-12f);
        var (onsets, wander, gap, heights) = Onsets(blocks, (float)(median * Crack));
        double loud = 0,
            pops = 0,
            sum = 0,
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
            sum += block;
            square += (double)block * block;
        }
        // A level that never moves has no power here at all; the floors keep its logarithms finite.
        var mean = Math.Max(sum / blocks.Length, 1e-12);
        into[0] = Math.Log10(Math.Max(sorted[^2], 1e-13f) / median);
        into[1] = Math.Log10(Math.Max(sorted[blocks.Length * 95 / 100], 1e-13f) / median);
        into[2] = Math.Log10(median / Math.Max(sorted[blocks.Length / 10], 1e-13f));
        into[3] = Math.Log10(1 + onsets);
        into[4] = Math.Min(wander, 3);
        into[5] = gap;
        into[6] = pops / (mean * blocks.Length);
        into[7] = Swell(blocks);
        into[8] = runs == 0 ? 0 : Math.Log10(1 + loud / runs);
        into[9] = Math.Log10(Math.Max(1, square / blocks.Length / (mean * mean)));
        into[10] = heights;
    }

    /// <summary>Cracks a second.</summary>
    /// <param name="blocks">Power by block.</param>
    public static double Cracks(ReadOnlySpan<float> blocks)
    {
        Span<float> sorted = stackalloc float[blocks.Length];
        blocks.CopyTo(sorted);
        sorted.Sort();
        return Onsets(blocks, (float)(Math.Max(sorted[blocks.Length / 2], 1e-12f) * Crack)).Rate;
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
            (double)count * SoundBands.Blocks / blocks.Length,
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
            double power = 0;
            foreach (var block in blocks.Slice(step * length, length))
                power += block;
            var level = Math.Log10(Math.Max(power / length, 1e-12));
            sum += level;
            squares += level * level;
        }
        return Math.Sqrt(Math.Max(0, squares / steps - sum / steps * (sum / steps)));
    }
}
