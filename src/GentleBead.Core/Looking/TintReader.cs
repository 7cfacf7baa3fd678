using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>Heat tint on one side of a bead, as the eye sees it.</summary>
/// <param name="WidthMm">How far from the toe its colour reaches; 0 where there is none.</param>
/// <param name="SpreadMm">How much that varies along the bead, one standard deviation.</param>
/// <param name="Hottest">The hottest colour there is beside the toe; null without tint.</param>
internal sealed record TintSide(double WidthMm, double SpreadMm, TintColour? Hottest);

/// <summary>
/// Reads the heat tint beside a bead: how far from its toe the plate has a colour that the plate further out has not.
/// </summary>
internal static class TintReader
{
    private const double Furthest = 9;

    // Colour this far off the plate's is colour whatever the noise, as a logarithm of a ratio.
    private const double Least = 0.07;

    // The first few tenths are the toe's own shade.
    private const double Toe = 0.3;

    // So many columns of the trace make one reading.
    private const int Together = 10;

    /// <summary>Reads one side; null where too little of it is to be seen.</summary>
    /// <param name="strip">The bead laid straight.</param>
    /// <param name="trace">Its toes.</param>
    /// <param name="side">-1 for the left toe, 1 for the right.</param>
    /// <param name="reach">How many mm of the plate a row is, so many rows beyond the toe.</param>
    public static TintSide? Of(Strip strip, FaceTrace trace, int side, Func<int, double> reach)
    {
        var steps = Enumerable.Range(0, strip.Rows).TakeWhile(step => reach(step) < Furthest + 3).Count();
        List<double> widths = [];
        List<(double Red, double Blue)> near = [];
        var inset = Math.Min(trace.Left.Length / 5, 20);
        for (var from = inset; from + Together <= trace.Left.Length - inset; from += Together)
        {
            var (red, blue) = (new double[steps], new double[steps]);
            if (!Profile(strip, trace, side, from, red, blue))
                continue;
            widths.Add(Width(red, blue, reach, out var hottest));
            near.Add(hottest);
        }
        if (widths.Count < 2)
            return null;
        widths.Sort();
        var middle = widths[widths.Count / 2];
        var spread = (widths[(int)(0.84 * (widths.Count - 1))] - widths[(int)(0.16 * (widths.Count - 1))]) / 2;
        var tone = (
            near.Select(one => one.Red).Order().ElementAt(near.Count / 2),
            near.Select(one => one.Blue).Order().ElementAt(near.Count / 2)
        );
        return new(middle, spread, middle > 0 ? Colour(tone) : null);
    }

    // The middle of each row's colour over a few columns, from the toe outward.
    private static bool Profile(Strip strip, FaceTrace trace, int side, int from, double[] red, double[] blue)
    {
        Span<double> reds = stackalloc double[Together];
        Span<double> blues = stackalloc double[Together];
        for (var step = 0; step < red.Length; step++)
        {
            var many = 0;
            for (var i = 0; i < Together; i++)
            {
                var column = (trace.From + from + i) * FaceNet.Every;
                var row = (int)Math.Round((side < 0 ? trace.Left : trace.Right)[from + i]) + side * step;
                if (row < 0 || row >= strip.Rows || column >= strip.Columns || !strip.Seen[row * strip.Columns + column])
                    continue;
                (reds[many], blues[many]) = (
                    strip.RedOverGreen[row * strip.Columns + column],
                    strip.BlueOverGreen[row * strip.Columns + column]
                );
                many++;
            }
            if (many < Together / 2)
                (red[step], blue[step]) = (double.NaN, double.NaN);
            else
                (red[step], blue[step]) = (Middle(reds[..many]), Middle(blues[..many]));
        }
        return red.Count(double.IsFinite) > red.Length / 2;
    }

    private static double Width(double[] red, double[] blue, Func<int, double> reach, out (double Red, double Blue) hottest)
    {
        // The plate as it is where no heat of this bead came to.
        var far = Enumerable.Range(0, red.Length).Where(step => double.IsFinite(red[step])).TakeLast(red.Length / 4).ToArray();
        var (plateRed, plateBlue) = (Middle(far.Select(step => red[step]).ToArray()), Middle(far.Select(step => blue[step]).ToArray()));
        var noise = far.Select(step => Math.Sqrt(Math.Pow(red[step] - plateRed, 2) + Math.Pow(blue[step] - plateBlue, 2)))
            .Order()
            .ElementAt(far.Length / 2);
        var least = Math.Max(Least, 3.5 * noise);
        hottest = default;
        var (last, bare) = (-1, 0);
        for (var step = 0; step < red.Length; step++)
        {
            if (!double.IsFinite(red[step]) || reach(step) < Toe)
                continue;
            var (r, b) = (red[step] - plateRed, blue[step] - plateBlue);
            if (hottest == default)
                hottest = (r, b);
            // One bare row may be a scratch; three are the end of it.
            if (Math.Sqrt(r * r + b * b) > least)
                (last, bare) = (step, 0);
            else if (++bare > 6)
                break;
        }
        return last < 0 ? 0 : reach(last) + 0.5 * (reach(last + 1) - reach(last));
    }

    // Straw has lost blue, purple green, blue red; grey has lost none of them. Trade's names; the angles are ours.
    private static TintColour Colour((double Red, double Blue) tone) =>
        tone switch
        {
            (> 0.1, < -0.1) => TintColour.Straw,
            (_, > 0.12) when tone.Blue > tone.Red + 0.1 => TintColour.Blue,
            (> 0.08, _) => TintColour.Purple,
            _ => TintColour.Grey,
        };

    private static double Middle(Span<double> of)
    {
        of.Sort();
        return of[of.Length / 2];
    }
}
