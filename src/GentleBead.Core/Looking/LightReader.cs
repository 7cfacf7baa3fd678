using GentleBead.Core.Beads;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>What the light does to a card: its paper, its black, whether it clips, what it takes to make its white white.</summary>
internal static class LightReader
{
    private const byte Full = 250;

    // Into the paper beside a marker, and into a marker's black rim, mm: in the middle of what is one colour there.
    private const double Beside = 1.5;

    private static readonly double[] Linear =
    [
        .. Enumerable
            .Range(0, 256)
            .Select(level => level / 255.0)
            .Select(s => s <= 0.04045 ? s / 12.92 : Math.Pow((s + 0.055) / 1.055, 2.4)),
    ];

    /// <summary>A byte of a picture as a share of the light (IEC 61966-2-1).</summary>
    public static double ToLinear(byte level) => Linear[level];

    /// <summary>Reads the light off a card.</summary>
    public static CardLight Read(Mat picture, Card card, PlaneView plane, IReadOnlyList<CardMarker> markers)
    {
        List<(double Blue, double Green, double Red)> whites = [];
        List<double> blacks = [];
        foreach (var marker in markers)
        {
            var (x, y, side) = (marker.At.X, marker.At.Y, marker.Side);
            Point[] paper =
            [
                new(x - Beside, y + side / 2),
                new(x + side + Beside, y + side / 2),
                new(x + side / 2, y - Beside),
                new(x + side / 2, y + side + Beside),
            ];
            var rim = side / 12;
            Point[] black = [new(x + rim, y + side / 2), new(x + side - rim, y + side / 2), new(x + side / 2, y + rim)];
            foreach (var level in paper.Select(at => At(picture, plane.ToPicture(at))).OfType<Vec3b>())
            {
                whites.Add((Linear[level.Item0], Linear[level.Item1], Linear[level.Item2]));
            }
            blacks.AddRange(black.Select(at => At(picture, plane.ToPicture(at))).OfType<Vec3b>().Select(Grey));
        }
        if (whites.Count == 0 || blacks.Count == 0)
            return new(0, 0, 1, 0, (1, 1, 1));
        var greens = whites.Select(white => white.Green).Order().ToList();
        var (blue, green, red) = (Middle(whites.Select(white => white.Blue)), Middle(greens), Middle(whites.Select(white => white.Red)));
        const double least = 1e-4;
        return new(
            green,
            Middle(blacks),
            greens[(int)(0.95 * (greens.Count - 1))] / Math.Max(least, greens[(int)(0.05 * (greens.Count - 1))]),
            Burnt(picture, card, plane, whites),
            (green / Math.Max(least, red), 1, green / Math.Max(least, blue))
        );
    }

    // White may clip without harm; where a light grey clips as well, metal does. Where no grey is to be seen the white has to do.
    private static double Burnt(Mat picture, Card card, PlaneView plane, List<(double Blue, double Green, double Red)> whites)
    {
        const int every = 5;
        var grey = card.Patches.First(patch => patch.IsGrey && patch.Red is > 0 and < 255);
        var levels = Enumerable
            .Range(1, every * every)
            .Select(i => new Point(
                grey.At.X + grey.Width * (0.5 + i % every) / every,
                grey.At.Y + grey.Height * (0.5 + (i - 1) / every) / every
            ))
            .Select(at => At(picture, plane.ToPicture(at)))
            .OfType<Vec3b>()
            .ToArray();
        return levels.Length >= every * every / 2
            ? levels.Average(level => level.Item1 >= Full ? 1.0 : 0)
            : whites.Average(white => white.Green >= Linear[Full] ? 0.3 : 0);
    }

    private static double Grey(Vec3b level) => (Linear[level.Item0] + Linear[level.Item1] + Linear[level.Item2]) / 3;

    private static Vec3b? At(Mat picture, Point at)
    {
        var (x, y) = ((int)Math.Round(at.X), (int)Math.Round(at.Y));
        return x < 0 || y < 0 || x >= picture.Width || y >= picture.Height ? null : picture.At<Vec3b>(y, x);
    }

    private static double Middle(IEnumerable<double> of)
    {
        var sorted = of.Order().ToList();
        return sorted[sorted.Count / 2];
    }
}
