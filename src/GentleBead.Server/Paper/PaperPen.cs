using PdfSharp;
using PdfSharp.Drawing;
using PdfSharp.Drawing.Layout;

namespace GentleBead.Server.Paper;

/// <summary>Writes down the page, and on to a next one when it is full.</summary>
/// <param name="paper">Where.</param>
/// <param name="size">On pages of which size.</param>
internal sealed class PaperPen(PaperFile paper, PageSize size)
{
    private const double Margin = 28;
    private XGraphics? graphics;
    private double y;
    private double width;
    private double bottom;

    /// <summary>The reader's units.</summary>
    public Units Units => paper.Units;

    /// <summary>Leaves some room.</summary>
    public void Gap(double height) => y += height;

    /// <summary>Writes a paragraph across the page.</summary>
    public void Text(Said said, double size, bool bold = false)
    {
        var text = said.In(Units);
        var font = PaperFile.Font(size, bold);
        var height = Height(text, font, Width());
        Room(height);
        new XTextFormatter(graphics!).DrawString(text, font, XBrushes.Black, new XRect(Margin, y, width - 2 * Margin, height + size));
        y += height;
    }

    /// <summary>Writes a name and what it is, side by side.</summary>
    /// <param name="heading">The name.</param>
    /// <param name="said">What it is.</param>
    /// <param name="size">How large, points.</param>
    /// <param name="names">How wide names are, points.</param>
    public void Row(Said heading, Said said, double size = 9, double names = 110)
    {
        var (name, value) = (heading.In(Units), said.In(Units));
        var (quiet, font) = (PaperFile.Font(size, false), PaperFile.Font(size, true));
        var height = Math.Max(Height(value, font, Width() - names), Height(name, quiet, names - 6));
        Room(height);
        var formatter = new XTextFormatter(graphics!);
        formatter.DrawString(name, quiet, XBrushes.Black, new XRect(Margin, y, names - 6, height + size));
        formatter.DrawString(value, font, XBrushes.Black, new XRect(Margin + names, y, width - 2 * Margin - names, height + size));
        y += height;
    }

    /// <summary>Writes values large, each in a frame.</summary>
    public void Big((Said Name, Said Value)[] values, bool huge)
    {
        var size = huge ? 30.0 : 20;
        var each = (Width() - 8 * (values.Length - 1)) / values.Length;
        Room(size + 34);
        for (var i = 0; i < values.Length; i++)
        {
            var x = Margin + i * (each + 8);
            graphics!.DrawRectangle(new XPen(XColors.Black, 1), x, y, each, size + 28);
            graphics.DrawString(values[i].Name.In(Units), PaperFile.Font(9, false), XBrushes.Black, new XPoint(x + 8, y + 14));
            // Long names of marks shrink rather than run over the frame.
            var value = values[i].Value.In(Units);
            var fit = size;
            while (fit > 9 && graphics.MeasureString(value, PaperFile.Font(fit, true)).Width > each - 16)
                fit -= 1;
            graphics.DrawString(value, PaperFile.Font(fit, true), XBrushes.Black, new XPoint(x + 8, y + 20 + size * 0.8));
        }
        y += size + 34;
    }

    /// <summary>Draws something of its own across the page.</summary>
    /// <param name="height">How high it is, points.</param>
    /// <param name="draw">Draws it within a rectangle.</param>
    public void Draw(double height, Action<XGraphics, XRect> draw)
    {
        ArgumentNullException.ThrowIfNull(draw);
        var across = Width();
        Room(height);
        draw(graphics!, new XRect(Margin, y, across, height));
        y += height;
    }

    /// <summary>Goes on to a new page.</summary>
    public void Turn()
    {
        graphics?.Dispose();
        var page = paper.AddPage();
        page.Size = size;
        graphics = XGraphics.FromPdfPage(page);
        width = page.Width.Point;
        bottom = page.Height.Point - Margin;
        y = Margin;
    }

    private double Width()
    {
        if (graphics is null)
            Turn();
        return width - 2 * Margin;
    }

    private void Room(double height)
    {
        if (graphics is null || y + height > bottom)
            Turn();
    }

    // The formatter wraps at spaces; so does this, to know where the next line begins.
    private double Height(string text, XFont font, double within)
    {
        var lines = 1;
        var line = "";
        foreach (var word in text.Split(' '))
        {
            var longer = line.Length == 0 ? word : $"{line} {word}";
            if (line.Length > 0 && graphics!.MeasureString(longer, font).Width > within)
            {
                lines++;
                line = word;
            }
            else
            {
                line = longer;
            }
        }
        return lines * font.GetHeight() + 1;
    }
}
