using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Serialization;
using GentleBead.Core.Looking;
using GentleBead.Core.Stock;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Tests.Looking;

/// <summary>What is known of a drawn section (bench -- eye render … sections); measures in millimetres, places in pixels.</summary>
internal sealed record RenderedSection(
    int Seed,
    string Wrong,
    Joint Joint,
    Point[] TenMm,
    Point Root,
    Point LowerToe,
    Point UpperToe,
    Dictionary<string, double> Measures
)
{
    private static readonly JsonSerializerOptions Web = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter() } };

    private static string Folder([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "../../renders/sections"));

    /// <summary>Drawn by POV-Ray from known numbers, none of them used to teach the eye.</summary>
    public static IReadOnlyList<RenderedSection> All { get; } =
    [
        .. Directory
            .GetFiles(Folder(), "*.json")
            .Order()
            .Select(file => JsonSerializer.Deserialize<RenderedSection>(File.ReadAllText(file), Web)!),
    ];

    /// <summary>What the eye says of its picture.</summary>
    public SectionAnswer Look(KnownLength? scale = null)
    {
        using var picture = Cv2.ImRead(Path.Combine(Folder(), $"{Seed:00000}.jpg"));
        return SectionEye.Look(picture, new(Joint, scale, scale is null ? null : Root));
    }
}
