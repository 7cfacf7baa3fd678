using System.Runtime.CompilerServices;
using System.Text.Json;
using GentleBead.Core.Looking;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Tests.Looking;

/// <summary>What is known of a drawn back (bench -- eye render … backs); measures in millimetres, places in pixels.</summary>
internal sealed record RenderedBack(int Seed, RenderedBack.Run? Mark, RenderedBack.Run? Tint, double[] HolesMm, Point From, Point To)
{
    /// <summary>What is known of a mark or of tint.</summary>
    internal sealed record Run(double Share, int Pieces, double WidthMm)
    {
        public string Kind => Pieces == 1 && Share > 0.9 ? "even" : "broken";
    }

    private static string Folder([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "../../renders/backs"));

    /// <summary>Drawn by POV-Ray from known numbers, none of them used to teach the eye.</summary>
    public static IReadOnlyList<RenderedBack> All { get; } =
    [
        .. Directory
            .GetFiles(Folder(), "*.json")
            .Order()
            .Select(file => JsonSerializer.Deserialize<RenderedBack>(File.ReadAllText(file), JsonSerializerOptions.Web)!),
    ];

    /// <summary>Its picture; the caller's.</summary>
    public Mat Picture() => Cv2.ImRead(Path.Combine(Folder(), $"{Seed:00000}.jpg"));

    /// <summary>What the eye says of it.</summary>
    public BackAnswer Look()
    {
        using var picture = Picture();
        return BackEye.Look(picture, new(From, To));
    }
}
