using GentleBead.Core.Beads;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>What the eye proposed of a drawn section, drawn over it beside what is known: to be looked at.</summary>
internal static class SectionDrawing
{
    private const int Half = 260;

    private static readonly Scalar Root = new(60, 60, 255),
        Lower = new(60, 255, 60),
        Upper = new(255, 220, 60),
        Face = new(0, 255, 255),
        Fusion = new(255, 120, 255),
        Unfused = new(0, 140, 255);

    /// <summary>Draws it beside the picture's file, as .seen.jpg: rings are known, crosses and dots are proposed.</summary>
    public static void Write(string file, SectionTruth truth, MacroMarks marks)
    {
        using var picture = Cv2.ImRead(Path.ChangeExtension(file, ".jpg"));
        foreach (
            var (known, proposed, colour) in new[]
            {
                (truth.Root, marks.Root, Root),
                (truth.LowerToe, marks.LowerToe, Lower),
                (truth.UpperToe, marks.UpperToe, Upper),
            }
        )
        {
            Cv2.Circle(picture, On(known), 8, colour, 1, LineTypes.AntiAlias);
            Cv2.DrawMarker(picture, On(proposed), colour, MarkerTypes.TiltedCross, 16, 1, LineTypes.AntiAlias);
        }
        foreach (var (points, colour) in new[] { (marks.Face, Face), (marks.FusionLine, Fusion) })
        {
            foreach (var at in points)
                Cv2.Circle(picture, On(at), 1, colour, -1, LineTypes.AntiAlias);
        }
        foreach (var line in marks.Unfused)
            Cv2.Line(picture, On(line.From), On(line.To), Unfused, 1, LineTypes.AntiAlias);
        var (left, top) = (Math.Max(0, (int)truth.Root.X - Half), Math.Max(0, (int)truth.Root.Y - Half));
        var box = new Rect(left, top, Math.Min(2 * Half, picture.Width - left), Math.Min(2 * Half, picture.Height - top));
        using var part = picture[box].Clone();
        Cv2.ImWrite(Path.ChangeExtension(file, ".seen.jpg"), part);
    }

    private static OpenCvSharp.Point On(Point at) => new((int)Math.Round(at.X), (int)Math.Round(at.Y));
}
