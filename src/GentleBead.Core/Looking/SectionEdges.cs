using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>Lines of a section that a mark can be laid on while it is dragged.</summary>
internal static class SectionEdges
{
    private const int Side = SectionField.Side;

    // So many points at most: what a screen can search while a finger moves.
    private const int Most = 4000;

    private const int Shortest = 15;

    // As far as a line may be off its points, pixels.
    private const double Off = 0.4;

    /// <summary>Round the weld metal and the plates, then every other edge (Canny 1986), longest first; pixels of the picture.</summary>
    public static IReadOnlyList<IReadOnlyList<Point>> Of(SectionField field, SectionTrace trace)
    {
        using var light = Mat.FromPixelData(Side, Side, MatType.CV_32FC1, field.Light);
        using var soft = new Mat();
        Cv2.GaussianBlur(light, soft, new Size(), 1.5);
        using var bytes = new Mat();
        Cv2.Normalize(soft, soft, 0, 255, NormTypes.MinMax);
        soft.ConvertTo(bytes, MatType.CV_8UC1);
        using var edges = new Mat();
        Cv2.Canny(bytes, edges, 18, 45);
        Cv2.FindContours(edges, out var found, out _, RetrievalModes.List, ContourApproximationModes.ApproxNone);
        var others = found
            .Where(one => one.Length >= 2 * Shortest)
            .OrderByDescending(one => one.Length)
            // An edge one pixel wide is gone round on both sides: one of them is enough.
            .Select(one => one.Take(one.Length / 2 + 1).Select(at => new Point(at.X, at.Y)).ToArray());
        List<IReadOnlyList<Point>> lines = [];
        var many = 0;
        foreach (var line in new[] { Closed(trace.Weld), Closed(trace.Metal) }.Concat(others).Select(Few))
        {
            many += line.Length;
            if (many > Most)
                break;
            lines.Add([.. line.Select(at => InPicture(field, at))]);
        }
        return lines;
    }

    private static Point[] Closed(Point[] round) => [.. round, round[0]];

    private static Point[] Few(Point[] line) =>
        [
            .. Cv2.ApproxPolyDP(line.Select(at => new Point2f((float)at.X, (float)at.Y)), Off, closed: false)
                .Select(at => new Point(at.X, at.Y)),
        ];

    // A tenth of a pixel is as fine as a screen shows.
    private static Point InPicture(SectionField field, Point at)
    {
        var seen = field.Plane.ToPicture(new(at.X * SectionField.Cell, at.Y * SectionField.Cell));
        return new(Math.Round(seen.X, 1), Math.Round(seen.Y, 1));
    }
}
