namespace GentleBead.Core.Looking;

/// <summary>The ripples of a bead's face: how far from one to the next, and how evenly.</summary>
/// <param name="SpacingMm">From one to the next, in the middle of all.</param>
/// <param name="Spread">How much that varies, as a share of it: one standard deviation.</param>
/// <param name="Plain">How plainly they are seen, 0 to 1.</param>
internal sealed record Ripples(double SpacingMm, double Spread, double Plain)
{
    private const double Shortest = 0.55,
        Longest = 6;

    // Ripples that are seen across the face, or repeat along it, at least so plainly.
    private const double LeastAcross = 0.5,
        LeastRepeating = 0.28;

    // From here on they repeat so evenly that how far on the face is like itself says it better than counting.
    private const double Even = 0.5;

    // A nearer spacing that repeats so much as plainly as the plainest is the ripple itself: two and three ripples repeat as well.
    private const double Nearest = 0.6;

    /// <summary>Reads them; null where none are to be seen.</summary>
    /// <param name="strip">The bead, laid straight.</param>
    /// <param name="trace">The bead's toes.</param>
    public static Ripples? Of(Strip strip, FaceTrace trace)
    {
        if (RippleLanes.Read(strip, trace) is not { } lanes)
            return null;
        var (signal, across) = lanes.Together();
        var repeating = Repeating([.. signal.Zip(signal.Skip(1), (a, b) => b - a)], (int)(1.25 * Longest / Strip.Cell) + 1);
        var spacings = Spacings(signal, repeating);
        if (spacings.Count == 0)
            return null;
        var most = spacings.Max(one => one.Height);
        var (spacing, again, height) = spacings.First(one => one.Height > Nearest * most);
        if (height < LeastRepeating && across < LeastAcross)
            return null;
        var gaps = Extremes(signal, spacing).Gaps().Order().ToArray();
        if (gaps.Length < 3)
            return null;
        var spread = (gaps[(int)(0.84 * (gaps.Length - 1))] - gaps[(int)(0.16 * (gaps.Length - 1))]) / 2;
        var told = height > Even ? again : spacing;
        return new(told, spread / told, Math.Clamp(Math.Max(height, across), 0, 1));
    }

    // Spacings that are found again when ripples of about that size are counted: where they repeat the most plainly near it, and how much.
    private static List<(double Mm, double AgainMm, double Height)> Spacings(double[] signal, double[] repeating)
    {
        const double step = 1.06;
        List<(double, double, double)> spacings = [];
        var (before, counted) = (0.0, (double?)null);
        for (var size = Shortest; size < Longest; size *= step)
        {
            var next = Counted(signal, size);
            // What was counted was more than what was looked for, and is less now: it lies between.
            if (counted >= before && next < size)
                spacings.Add(At(counted.Value, repeating));
            (before, counted) = (size, next);
        }
        return [.. spacings.Where(one => one.Item2 > 0)];
    }

    private static (double, double, double) At(double spacing, double[] repeating)
    {
        var (from, to) = ((int)(0.8 * spacing / Strip.Cell), (int)Math.Ceiling(1.25 * spacing / Strip.Cell));
        if (to >= repeating.Length)
            return default;
        var best = Enumerable.Range(from, to - from + 1).MaxBy(lag => repeating[lag]);
        if (best + 1 >= repeating.Length)
            return default;
        // Between the cells: the top of the bow through three of them.
        var bend = repeating[best - 1] - 2 * repeating[best] + repeating[best + 1];
        var off = bend < 0 ? Math.Clamp(0.5 * (repeating[best - 1] - repeating[best + 1]) / bend, -0.5, 0.5) : 0;
        return (spacing, (best + off) * Strip.Cell, repeating[best]);
    }

    // From one ripple to the next, mm, when those of about a size are counted; null where there are too few.
    private static double? Counted(double[] signal, double size)
    {
        var extremes = Extremes(signal, size);
        return extremes.Count < 8 ? null : extremes.Gaps().Average();
    }

    private static RippleEnds Extremes(double[] signal, double size)
    {
        // A blur of a seventh of its size leaves a ripple; what is much longer is none of that size.
        var soft = RippleLanes.Soft(signal, Math.Max(0.8, size / Strip.Cell / 7));
        var slow = RippleLanes.Soft(soft, 0.6 * size / Strip.Cell);
        return RippleEnds.Of([.. soft.Zip(slow, (value, even) => value - even)]);
    }

    // How like itself the signal is so much further on: 1 at 0.
    private static double[] Repeating(double[] signal, int most)
    {
        var middle = signal.Average();
        var even = signal.Select(value => value - middle).ToArray();
        var alike = new double[Math.Min(most, signal.Length / 2)];
        var power = even.Sum(value => value * value);
        for (var lag = 0; lag < alike.Length; lag++)
        {
            double sum = 0;
            for (var i = 0; i + lag < even.Length; i++)
                sum += even[i] * even[i + lag];
            alike[lag] = power > 0 ? sum / power * even.Length / (even.Length - lag) : 0;
        }
        return alike;
    }
}
