using System.Globalization;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using PdfSharp.Drawing;
using PdfSharp.Drawing.Layout;
using PdfSharp.Fonts;
using PdfSharp.Pdf;

namespace GentleBead.Server.Sheets;

/// <summary>A settings card as PDF, A5 upright: the sheet for the student, or the booth card with the marks large.</summary>
internal static class CardPdf
{
    private const string Folder = "/usr/share/fonts/truetype/dejavu";
    private const double Margin = 28;
    private const double Bottom = 567;
    private static readonly Lock Once = new();

    /// <summary>The font file that is missing on this machine, or null.</summary>
    public static string? MissingFont() => new[] { Faces.Regular, Faces.Bold }.Select(face => Path.Combine(Folder, face)).FirstOrDefault(path => !File.Exists(path));

    /// <summary>Draws the card.</summary>
    /// <param name="card">The sheet and whom it is for.</param>
    /// <param name="booth">The booth card; otherwise the whole sheet.</param>
    /// <param name="inch">Inches first.</param>
    public static byte[] Draw(Card card, bool booth, bool inch)
    {
        lock (Once) GlobalFontSettings.FontResolver ??= new Faces();
        using var document = new PdfDocument();
        document.Info.Title = $"Booth {card.BoothNumber}, {card.Student}";
        var pen = new Pen(document);
        pen.Text($"Booth {card.BoothNumber}   {card.Student}", 17, bold: true);
        pen.Text($"{card.MachineName}, {card.GivenOn.ToString("d MMM yyyy", CultureInfo.InvariantCulture)}", 9);
        pen.Gap(6);
        var job = card.Sheet.Job;
        var other = job.OtherThickness is { } second ? $" and {second.Typed}" : "";
        pen.Text($"{job.Thickness.Typed}{other} {job.Metal.Facts().Name}, {job.Joint.Facts().Name}, {job.Position.Facts().Words} ({card.Sheet.PositionName})", 12, bold: true);
        pen.Text($"{card.Sheet.ProcessName}; {card.Sheet.Polarity.Words()}; {(job.Wire is { } wire ? $"{wire.Facts().Name} {wire.Facts().Kind.Words()} wire" : "tungsten and rod")}; {job.Gas.Facts().Name}", 9);
        pen.Gap(8);
        if (card.Sheet.Pair?.Marks is { } marks) pen.Big([("Wire", marks.Wire.Reads), ("Volts", marks.Volt.Reads)], booth);
        else if (card.Sheet.Pair is { } bare) pen.Big([("Wire", Feed(bare.WireFeed)), ("Volts", Show.Of(bare.Volts.Aim))], booth);
        else if (card.Sheet.Tig is { } tig) pen.Big([("Amps", tig.Mark?.Reads ?? Show.Of(tig.PedalMost)), ("Tungsten", $"{Show.Number(tig.Tungsten.Mm, "0.0")} mm")], booth);
        pen.Gap(6);
        foreach (var (name, value) in Values(card)) pen.Row(name, value);
        pen.Gap(8);
        if (!booth)
        {
            pen.Text($"It should sound: {card.Sheet.ExpectedSound}", 8.5);
            pen.Text($"It should look: {card.Sheet.ExpectedLook}", 8.5);
            pen.Gap(6);
            foreach (var (step, number) in card.Sheet.Steps.Select((step, i) => (step, i + 1))) pen.Text($"{number}. {step}", 8.5);
            pen.Gap(6);
        }
        pen.Text("Heed", 10, bold: true);
        foreach (var caution in card.Sheet.Cautions.Where(caution => caution.Grave || !booth)) pen.Text($"–  {caution.Text}", booth ? 8 : 7.2);
        if (booth) pen.Text($"–  {Core.Safety.UsualCautions.Deference}", 8);
        using var stream = new MemoryStream();
        document.Save(stream, closeStream: false);
        return stream.ToArray();

        string Feed(WireFeedSpeed feed) => inch ? $"{Show.Number(feed.InPerMin, "0")} in/min" : $"{Show.Number(feed.MPerMin, "0.0")} m/min";

        IEnumerable<(string, string)> Values(Card of)
        {
            var sheet = of.Sheet;
            if (sheet.Pair is { } pair)
            {
                yield return ("Wire feed speed", Show.Of(pair.WireFeed));
                yield return ("Volts", $"{Show.Of(pair.Volts.Aim)} (smooth {Show.Of(pair.Volts.Low)} to {Show.Of(pair.Volts.High)})");
                yield return ("Stick-out", Show.Of(pair.StickOut.Aim));
            }
            if (sheet.Tig is { } tig)
            {
                yield return ("Pedal at the most", Show.Of(tig.PedalMost));
                yield return ("Cup, rod", $"No. {tig.Cup}, {Show.Of(tig.Filler)}");
                yield return ("Gas before and after", $"{Show.Number(tig.PreFlowSeconds)} s, {Show.Number(tig.PostFlowSeconds)} s");
                if (tig.BalancePercent is { } balance) yield return ("Balance, frequency", $"{balance} %, {tig.FrequencyHz} Hz");
            }
            yield return ("Amps", Show.Of(sheet.Amps));
            if (sheet.GasFlow is { } flow) yield return ("Gas flow", $"{Show.Of(flow.Low)} to {Show.Of(flow.High)}");
            if (sheet.Travel is { } travel) yield return ("Travel speed", Show.Of(travel));
            if (sheet.PlugSeconds is { } seconds) yield return ("Arc time", $"{Show.Number(seconds, "0.0")} s");
            yield return (sheet.BeadMeasure.ToString(), $"{Show.Of(sheet.BeadSize.Aim)}, {sheet.Passes.Count} {(sheet.Passes.Count == 1 ? "pass" : "passes")}");
            yield return ("Work, travel angle", $"{sheet.WorkAngle}; {sheet.TravelAngle}");
            yield return ("Direction", sheet.Direction);
            yield return ("Lens shade", sheet.ShadeComfortable is { } comfortable ? $"{sheet.ShadeLeast} or darker, comfortable {comfortable}" : $"{sheet.ShadeLeast} or darker");
        }
    }

    /// <summary>Writes down the page, and on to a next one when it is full.</summary>
    private sealed class Pen(PdfDocument document)
    {
        private XGraphics? graphics;
        private double y;
        private double width;

        public void Gap(double height) => y += height;

        public void Text(string text, double size, bool bold = false)
        {
            var font = Font(size, bold);
            var height = Height(text, font, Width());
            Room(height);
            new XTextFormatter(graphics!).DrawString(text, font, XBrushes.Black, new XRect(Margin, y, width - 2 * Margin, height + size));
            y += height;
        }

        public void Row(string name, string value)
        {
            const double Names = 110;
            var font = Font(9, true);
            var height = Height(value, font, Width() - Names);
            Room(height);
            graphics!.DrawString(name, Font(9, false), XBrushes.Black, new XRect(Margin, y, Names, height), XStringFormats.TopLeft);
            new XTextFormatter(graphics).DrawString(value, font, XBrushes.Black, new XRect(Margin + Names, y, width - 2 * Margin - Names, height + 9));
            y += height;
        }

        public void Big((string Name, string Value)[] values, bool huge)
        {
            var size = huge ? 30.0 : 20;
            var each = (Width() - 8 * (values.Length - 1)) / values.Length;
            Room(size + 34);
            for (var i = 0; i < values.Length; i++)
            {
                var x = Margin + i * (each + 8);
                graphics!.DrawRectangle(new XPen(XColors.Black, 1), x, y, each, size + 28);
                graphics.DrawString(values[i].Name, Font(9, false), XBrushes.Black, new XPoint(x + 8, y + 14));
                // Long names of marks shrink rather than run over the frame.
                var fit = size;
                while (fit > 9 && graphics.MeasureString(values[i].Value, Font(fit, true)).Width > each - 16) fit -= 1;
                graphics.DrawString(values[i].Value, Font(fit, true), XBrushes.Black, new XPoint(x + 8, y + 20 + size * 0.8));
            }
            y += size + 34;
        }

        private double Width()
        {
            if (graphics is null) Turn();
            return width - 2 * Margin;
        }

        private void Room(double height)
        {
            if (graphics is null || y + height > Bottom) Turn();
        }

        private void Turn()
        {
            graphics?.Dispose();
            var page = document.AddPage();
            page.Size = PdfSharp.PageSize.A5;
            graphics = XGraphics.FromPdfPage(page);
            width = page.Width.Point;
            y = Margin;
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

        private static XFont Font(double size, bool bold) => new("card", size, bold ? XFontStyleEx.Bold : XFontStyleEx.Regular);
    }

    private sealed class Faces : IFontResolver
    {
        public const string Regular = "DejaVuSans.ttf";
        public const string Bold = "DejaVuSans-Bold.ttf";

        public FontResolverInfo ResolveTypeface(string familyName, bool isBold, bool isItalic) => new(isBold ? Bold : Regular);

        public byte[] GetFont(string faceName) => File.ReadAllBytes(Path.Combine(Folder, faceName));
    }
}
