using System.Runtime.CompilerServices;
using System.Text.Json;
using GentleBead.Core.Looking;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Tests.Looking;

/// <summary>What is known of a drawn bead (bench -- eye render); lengths in millimetres, places in pixels.</summary>
internal sealed record RenderedBead(
    int Seed,
    string Wrong,
    bool Fillet,
    double LengthMm,
    double WidthMm,
    double RippleMm,
    double[] TintMm,
    double? UndercutMm,
    Point[] Left,
    Point[] Right,
    double[] PlateToPicture,
    double PixelsPerMm
)
{
    private static readonly JsonSerializerOptions Web = new(JsonSerializerDefaults.Web);

    /// <summary>Where the pictures lie: 60, drawn by POV-Ray from known numbers, none of them used to teach the eye.</summary>
    private static string Folder([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "../../renders"));

    public static IReadOnlyList<RenderedBead> All { get; } =
    [
        .. Directory
            .GetFiles(Folder(), "*.json")
            .Order()
            .Select(file => JsonSerializer.Deserialize<RenderedBead>(File.ReadAllText(file), Web)!),
    ];

    /// <summary>What can be measured: enough pixels, and the whole bead off the picture's rim.</summary>
    public static IReadOnlyList<RenderedBead> Good { get; } =
    [.. All.Where(bead => bead.Wrong == "Nothing" && bead.PixelsPerMm >= 9 && !bead.AtRim())];

    /// <summary>Its picture, to be disposed of.</summary>
    public Mat Picture() => Cv2.ImRead(Path.Combine(Folder(), $"{Seed:00000}.jpg"));

    /// <summary>A place between both toes, so far along of a hundred.</summary>
    public Point Middle(int at) => new((Left[at].X + Right[at].X) / 2, (Left[at].Y + Right[at].Y) / 2);

    // Within a millimetre of the rim a bead may be cut off, for all the picture shows.
    private bool AtRim()
    {
        const int wide = 1400,
            high = 1050;
        return Left.Concat(Right)
            .Any(at => at.X < PixelsPerMm || at.Y < PixelsPerMm || at.X > wide - PixelsPerMm || at.Y > high - PixelsPerMm);
    }

    /// <summary>What the eye says, pointed at both ends.</summary>
    public FaceAnswer Look()
    {
        using var picture = Picture();
        return Eye.Face(picture, new(Fillet, Middle(3), Middle(97)));
    }
}
