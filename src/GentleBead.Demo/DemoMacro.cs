using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using SkiaSharp;

namespace GentleBead.Demo;

/// <summary>
/// A drawn section of a T fillet, as a polished and etched one looks under a slanting light, with the marks somebody would set on it.
/// </summary>
/// <param name="Png">The picture.</param>
/// <param name="Marks">Where root, toes, face, fusion line and scale really lie on it.</param>
public sealed record DemoMacro(byte[] Png, MacroMarks Marks)
{
    private const int Width = 1200;
    private const int Height = 900;
    private const float PixelsPerMm = 60;
    private const double ScaleMm = 10;

    private static readonly Point Root = new(430, 620);

    /// <summary>Draws a section.</summary>
    /// <param name="plate">Thickness of both plates.</param>
    /// <param name="lowerLeg">Leg on the lower plate.</param>
    /// <param name="upperLeg">Leg on the standing plate.</param>
    /// <param name="crown">Height of the face over the line between its toes; below 0 hollow.</param>
    /// <param name="penetration">How far fusion goes past the root; 0 leaves a dark line there.</param>
    /// <param name="unfused">Length of the line left on the lower plate.</param>
    public static DemoMacro Draw(Length plate, Length lowerLeg, Length upperLeg, double crown, double penetration, double unfused)
    {
        var (a, b) = (lowerLeg.Mm, upperLeg.Mm);
        var chord = Math.Sqrt(a * a + b * b);
        var (outX, outY) = (b / chord, a / chord);
        var top = (X: a / 2 + outX * crown, Y: b / 2 + outY * crown);
        // The fusion line goes into both plates, deepest behind the root.
        (double X, double Y)[] fusion =
        [
            (a, 0),
            (a * 0.55, -penetration * 0.9),
            (-penetration * outX, -penetration * outY),
            (-penetration * 0.9, b * 0.55),
            (0, b),
        ];

        using var bitmap = new SKBitmap(Width, Height);
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(new SKColor(38, 40, 42));
        var t = plate.Mm;
        using var steel = Fill(new SKColor(150, 152, 150));
        canvas.DrawRect(Box(-5.5, -t, 11.5, 0), steel);
        canvas.DrawRect(Box(-t, 0, 0, 9), steel);
        // The heat-affected band, then the bead, each etched to its own grey.
        using var band = Fill(new SKColor(116, 119, 118));
        using (var hot = Shape(Grown(fusion, 0.9), (top.X, top.Y), a, b))
            canvas.DrawPath(hot, band);
        using var cold = Fill(new SKColor(38, 40, 42));
        canvas.DrawRect(Box(0.001, 0.001, 11.5, 9), cold);
        using var bead = Fill(new SKColor(198, 200, 196));
        using (var metal = Shape(fusion, (top.X, top.Y), a, b))
            canvas.DrawPath(metal, bead);
        Grain(canvas);
        using var dark = new SKPaint
        {
            Color = new SKColor(20, 20, 20),
            StrokeWidth = 3,
            IsStroke = true,
            IsAntialias = true,
        };
        // What is left of the old joint: between the plates behind the bead, and where it did not fuse.
        canvas.DrawLine(Px(-t, 0), Px(-penetration * 0.95, 0), dark);
        if (unfused > 0)
            canvas.DrawLine(Px(0.1, 0), Px(0.1 + unfused, 0), dark);
        Ruler(canvas);

        using var data = bitmap.Encode(SKEncodedImageFormat.Png, 100);
        return new(data.ToArray(), MarksOf(lowerLeg, upperLeg, top, fusion, unfused));
    }

    // The marks that an instructor would set on this picture.
    private static MacroMarks MarksOf(
        Length lowerLeg,
        Length upperLeg,
        (double X, double Y) top,
        (double X, double Y)[] fusion,
        double unfused
    ) =>
        new(
            new Point(150, 850),
            new Point(150 + ScaleMm * PixelsPerMm, 850),
            Length.FromMm(ScaleMm),
            Root,
            At(lowerLeg.Mm, 0),
            At(0, upperLeg.Mm),
            [At(top.X, top.Y)],
            [.. fusion.Select(point => At(point.X, point.Y))],
            unfused > 0 ? [new(At(0.1, 0), At(0.1 + unfused, 0))] : []
        );

    private static Point At(double x, double y) => new(Root.X + x * PixelsPerMm, Root.Y - y * PixelsPerMm);

    private static SKPoint Px(double x, double y) => new((float)(Root.X + x * PixelsPerMm), (float)(Root.Y - y * PixelsPerMm));

    private static SKRect Box(double left, double bottom, double right, double top)
    {
        var (from, to) = (Px(left, top), Px(right, bottom));
        return new SKRect(from.X, from.Y, to.X, to.Y);
    }

    private static SKPaint Fill(SKColor colour) => new() { Color = colour, IsAntialias = true };

    private static (double X, double Y)[] Grown((double X, double Y)[] fusion, double by) =>
        [
            .. fusion.Select(
                (point, i) =>
                    i is 0 ? (point.X + by, point.Y)
                    : i == fusion.Length - 1 ? (point.X, point.Y + by)
                    : (point.X - (i > 1 ? by : 0), point.Y - (i < 3 ? by : 0))
            ),
        ];

    private static SKPath Shape((double X, double Y)[] fusion, (double X, double Y) top, double a, double b)
    {
        var path = new SKPath();
        path.MoveTo(Px(fusion[0].X, fusion[0].Y));
        foreach (var (x, y) in fusion.Skip(1))
            path.LineTo(Px(x, y));
        // A curve through the highest point of the face: its control point lies twice as far from the line between the toes.
        path.QuadTo(Px(2 * top.X - a / 2, 2 * top.Y - b / 2), Px(fusion[0].X, fusion[0].Y));
        path.Close();
        return path;
    }

    // The same grain every time: a demo must not change under the eye.
    private static void Grain(SKCanvas canvas)
    {
        var random = new Random(4);
        using var light = new SKPaint
        {
            Color = new SKColor(255, 255, 255, 14),
            StrokeWidth = 1,
            IsStroke = true,
        };
        using var shade = new SKPaint
        {
            Color = new SKColor(0, 0, 0, 18),
            StrokeWidth = 1,
            IsStroke = true,
        };
        for (var i = 0; i < 2600; i++)
        {
            var (x, y) = ((float)random.NextDouble() * Width, (float)random.NextDouble() * Height * 0.9f);
            canvas.DrawLine(
                x,
                y,
                x + 6 + (float)random.NextDouble() * 18,
                y - 3 - (float)random.NextDouble() * 6,
                i % 2 == 0 ? light : shade
            );
        }
    }

    private static void Ruler(SKCanvas canvas)
    {
        using var plate = Fill(new SKColor(222, 222, 216));
        using var ink = new SKPaint
        {
            Color = new SKColor(20, 20, 20),
            StrokeWidth = 2,
            IsStroke = true,
        };
        canvas.DrawRect(new SKRect(100, 830, 1000, 900), plate);
        for (var mm = 0; mm <= 13; mm++)
        {
            var x = 150 + mm * PixelsPerMm;
            canvas.DrawLine(x, 830, x, mm % 5 == 0 ? 875 : 856, ink);
        }
    }
}
