using GentleBead.Server.Http;
using PdfSharp.Drawing;
using PdfSharp.Fonts;
using PdfSharp.Pdf;

namespace GentleBead.Server.Paper;

/// <summary>A PDF in the making: its pages, its font, and the units it is written in.</summary>
internal sealed class PaperFile : IDisposable
{
    private const string Folder = "/usr/share/fonts/truetype/dejavu";
    private static readonly Lock Once = new();
    private readonly PdfDocument document;

    /// <summary>Begins one.</summary>
    /// <param name="title">What the file is called inside.</param>
    /// <param name="units">The reader's units.</param>
    public PaperFile(Said title, Units units)
    {
        lock (Once)
            GlobalFontSettings.FontResolver ??= new Faces();
        document = new PdfDocument();
        document.Info.Title = title.In(units);
        // The library ends a packed page a little short of what the format asks for: strict readers warn. Pages are small as they are.
        document.Options.CompressContentStreams = false;
        Units = units;
    }

    /// <summary>The reader's units.</summary>
    public Units Units { get; }

    /// <summary>What to say where the font is missing on this machine; null where it is not.</summary>
    public static Told? NoFont() =>
        new[] { Faces.Regular, Faces.Bold }.Select(face => Path.Combine(Folder, face)).FirstOrDefault(path => !File.Exists(path))
            is { } font
            ? Problems.Told(
                StatusCodes.Status503ServiceUnavailable,
                Say($"No font for the PDF: {font.Name()} is missing. Install it with: apt-get install fonts-dejavu-core")
            )
            : null;

    /// <summary>The font, at a size.</summary>
    public static XFont Font(double size, bool bold) => new("paper", size, bold ? XFontStyleEx.Bold : XFontStyleEx.Regular);

    /// <summary>Adds an empty page.</summary>
    public PdfPage AddPage() => document.AddPage();

    /// <summary>The file as it is sent.</summary>
    public byte[] Bytes()
    {
        using var stream = new MemoryStream();
        document.Save(stream, closeStream: false);
        return stream.ToArray();
    }

    /// <inheritdoc/>
    public void Dispose() => document.Dispose();

    private sealed class Faces : IFontResolver
    {
        public const string Regular = "DejaVuSans.ttf";
        public const string Bold = "DejaVuSans-Bold.ttf";

        public FontResolverInfo ResolveTypeface(string familyName, bool isBold, bool isItalic) => new(isBold ? Bold : Regular);

        public byte[] GetFont(string faceName) => File.ReadAllBytes(Path.Combine(Folder, faceName));
    }
}
