using GentleBead.Core.Looking;
using GentleBead.Server.Paper;
using OpenCvSharp;
using OpenCvSharp.Aruco;
using PdfSharp;
using PdfSharp.Drawing;

namespace GentleBead.Server.Looking;

/// <summary>The cards that make a picture a measured one, as a page to print: lines, so that they are as exact as the printer.</summary>
internal static class EyeCardPdf
{
    private const double PointsPerMm = 72 / 25.4;

    // Where things stand on the page, mm. Both sizes of paper hold them.
    private const double Left = 28,
        CardTop = 58,
        SectionTop = 116,
        BarTop = 40;

    /// <summary>How long the bar is by which the printer is checked, mm.</summary>
    private const double Bar = 100;

    /// <summary>Draws the page.</summary>
    /// <param name="size">On what paper.</param>
    /// <param name="units">The reader's units.</param>
    public static byte[] Draw(PageSize size, Units units)
    {
        using var paper = new PaperFile(Say($"Cards for the eye"), units);
        var page = paper.AddPage();
        page.Size = size;
        using var pen = XGraphics.FromPdfPage(page);
        Write(pen, Say($"Cards for the eye"), (Left, 18), 15, units, bold: true);
        Write(
            pen,
            Say($"Print at 100 %, on matt white paper. The bar has to be 100 mm (3.94 in) long: measure it with a steel rule."),
            (Left, 26),
            8,
            units
        );
        Write(pen, Say($"If it is not, the printer scaled the page: print again without fitting it to the paper."), (Left, 30.5), 8, units);
        DrawBar(pen);
        DrawCard(pen, Card.Bead, CardTop);
        Write(
            pen,
            Say($"Beside a bead: lay it flat on the plate, along the bead, a finger's width off. Glue it to thin stiff card."),
            (Left, CardTop + 49),
            8,
            units
        );
        DrawCard(pen, Card.Section, SectionTop);
        Write(
            pen,
            Say($"For sections: cut the window out, hang it up, hold the section in it with its face flush with the paper."),
            (Left, SectionTop + 75),
            8,
            units
        );
        Write(
            pen,
            Say($"Take the picture from straight above, card and bead filling it, light from the side."),
            (Left, SectionTop + 80),
            8,
            units
        );
        return paper.Bytes();
    }

    private static void DrawBar(XGraphics pen)
    {
        var line = new XPen(XColors.Black, 0.6);
        pen.DrawLine(line, On(Left), On(BarTop), On(Left + Bar), On(BarTop));
        for (var mm = 0; mm <= Bar; mm += 5)
        {
            var tall = mm % 10 == 0 ? 3 : 1.6;
            pen.DrawLine(line, On(Left + mm), On(BarTop - tall), On(Left + mm), On(BarTop));
        }
    }

    private static void DrawCard(XGraphics pen, Card card, double top)
    {
        var thin = new XPen(XColors.Gray, 0.3);
        pen.DrawRectangle(thin, Box(top, 0, 0, card.Width, card.Height));
        foreach (var patch in card.Patches)
        {
            var ink = new XSolidBrush(XColor.FromArgb(patch.Red, patch.Green, patch.Blue));
            pen.DrawRectangle(ink, Box(top, patch.At.X, patch.At.Y, patch.Width, patch.Height));
        }
        using var dictionary = CvAruco.GetPredefinedDictionary(CardReader.Markers);
        foreach (var marker in card.Markers)
            DrawMarker(pen, dictionary, marker, top);
        if (card.Window is { } window)
            pen.DrawRectangle(thin, Box(top, window.At.X, window.At.Y, window.Width, window.Height));
    }

    // Its black runs along each row, so that no printer leaves a seam between two squares.
    private static void DrawMarker(XGraphics pen, Dictionary dictionary, CardMarker marker, double top)
    {
        const int modules = 6;
        using var drawn = new Mat();
        dictionary.GenerateImageMarker(marker.Number, modules, drawn, 1);
        drawn.GetArray(out byte[] levels);
        var side = marker.Side / modules;
        for (var row = 0; row < modules; row++)
        {
            for (var from = 0; from < modules; from++)
            {
                var to = from;
                while (to < modules && levels[row * modules + to] == 0)
                    to++;
                if (to == from)
                    continue;
                pen.DrawRectangle(XBrushes.Black, Box(top, marker.At.X + from * side, marker.At.Y + row * side, (to - from) * side, side));
                from = to;
            }
        }
    }

    private static XRect Box(double top, double x, double y, double width, double height) =>
        new(On(Left + x), On(top + y), On(width), On(height));

    private static void Write(XGraphics pen, Said said, (double X, double Y) at, double size, Units units, bool bold = false) =>
        pen.DrawString(said.In(units), PaperFile.Font(size, bold), XBrushes.Black, On(at.X), On(at.Y));

    private static double On(double mm) => mm * PointsPerMm;
}
