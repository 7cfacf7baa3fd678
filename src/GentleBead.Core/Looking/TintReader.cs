using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>Heat tint on one side of a bead, as the eye sees it.</summary>
/// <param name="WidthMm">How far from the toe its colour reaches; 0 where there is none.</param>
/// <param name="SpreadMm">How much that varies along the bead, one standard deviation.</param>
/// <param name="Hottest">The hottest colour there is beside the toe; null without tint.</param>
internal sealed record TintSide(double WidthMm, double SpreadMm, TintColour? Hottest);

/// <summary>
/// Reads the heat tint beside a bead: how far from its toe the plate is sooner coloured than bare.
/// </summary>
internal static class TintReader
{
    private const double Furthest = 9;

    // The most a place counts for or against being coloured.
    private const float Most = 3;

    // The first few tenths are the toe's own shade.
    private const double Toe = 0.3;

    // So many columns of the trace make one reading.
    private const int Together = 10;

    /// <summary>Reads one side; null where too little of it is to be seen.</summary>
    /// <param name="sight">What is to be seen.</param>
    /// <param name="trace">The bead's toes.</param>
    /// <param name="side">-1 for the left toe, 1 for the right.</param>
    /// <param name="reach">How many mm of the plate a row is, so many rows beyond the toe.</param>
    public static TintSide? Of(FaceSight sight, FaceTrace trace, int side, Func<int, double> reach)
    {
        var steps = Enumerable.Range(0, sight.Strip.Rows).TakeWhile(step => reach(step) < Furthest + 3).Count();
        List<double> widths = [];
        List<(double Red, double Blue)> near = [];
        var inset = Math.Min(trace.Left.Length / 5, 20);
        for (var from = inset; from + Together <= trace.Left.Length - inset; from += Together)
        {
            var profile = new Profile(new double[steps], new double[steps], new double[steps]);
            if (!Read(sight, trace, (side, from), profile))
                continue;
            widths.Add(Width(profile, reach));
            near.Add(Hottest(profile, reach));
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

    // Of each row from the toe outward: its colour, and how much sooner it is coloured plate than bare.
    private sealed record Profile(double[] Red, double[] Blue, double[] Sooner);

    // The middle of a few columns.
    private static bool Read(FaceSight sight, FaceTrace trace, (int Side, int From) at, Profile into)
    {
        Span<double> reds = stackalloc double[Together];
        Span<double> blues = stackalloc double[Together];
        Span<double> sooner = stackalloc double[Together];
        var strip = sight.Strip;
        for (var step = 0; step < into.Red.Length; step++)
        {
            var many = 0;
            for (var i = 0; i < Together; i++)
            {
                var column = (trace.From + at.From + i) * FaceNet.Every;
                var row = (int)Math.Round((at.Side < 0 ? trace.Left : trace.Right)[at.From + i]) + at.Side * step;
                var place = row * strip.Columns + column;
                if (row < 0 || row >= strip.Rows || column >= strip.Columns || !strip.Seen[place])
                    continue;
                (reds[many], blues[many]) = (strip.RedOverGreen[place], strip.BlueOverGreen[place]);
                sooner[many++] = Math.Clamp(sight.Sooner(FacePart.Tint, FacePart.Plate, place), -Most, Most);
            }
            var told = many >= Together / 2;
            into.Red[step] = told ? Middle(reds[..many]) : double.NaN;
            into.Blue[step] = told ? Middle(blues[..many]) : double.NaN;
            into.Sooner[step] = told ? Middle(sooner[..many]) : double.NaN;
        }
        return into.Red.Count(double.IsFinite) > into.Red.Length / 2;
    }

    // To where it is sooner coloured than not; a few bare rows may be a scratch.
    private static double Width(Profile of, Func<int, double> reach)
    {
        const int scratch = 6;
        var (width, bare) = (0.0, 0);
        for (var step = 0; step + 1 < of.Sooner.Length && bare <= scratch; step++)
        {
            var (own, next) = (of.Sooner[step], of.Sooner[step + 1]);
            bare = own > 0 ? 0 : bare + 1;
            if (own <= 0 || reach(step) < Toe)
                continue;
            var share =
                next > 0 ? 1
                : double.IsFinite(next) ? own / (own - next)
                : 0.5;
            width = reach(step) + share * (reach(step + 1) - reach(step));
        }
        return width;
    }

    // Its colour next to the toe beside that of the plate as it is where no heat of this bead came to.
    private static (double Red, double Blue) Hottest(Profile of, Func<int, double> reach)
    {
        var far = Enumerable.Range(0, of.Red.Length).Where(step => double.IsFinite(of.Red[step])).TakeLast(of.Red.Length / 4).ToArray();
        var first = Enumerable.Range(0, of.Red.Length).FirstOrDefault(step => double.IsFinite(of.Red[step]) && reach(step) >= Toe);
        return (
            of.Red[first] - Middle(far.Select(step => of.Red[step]).ToArray()),
            of.Blue[first] - Middle(far.Select(step => of.Blue[step]).ToArray())
        );
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
