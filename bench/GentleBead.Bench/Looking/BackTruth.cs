using System.Text.Json;
using GentleBead.Core.Beads;

namespace GentleBead.Bench.Looking;

/// <summary>What is known of a drawn back, in millimetres, and where its line lies in the picture, pixels.</summary>
/// <param name="Seed">Its seed.</param>
/// <param name="Surface">The plate's surface.</param>
/// <param name="LengthMm">How long the bead is.</param>
/// <param name="Mark">What is marked; null where nothing is.</param>
/// <param name="Tint">What is coloured; null likewise.</param>
/// <param name="HolesMm">How wide each hole is.</param>
/// <param name="From">Where the bead begins, pixels.</param>
/// <param name="To">Where it ends.</param>
/// <param name="PixelsPerMm">How many pixels a millimetre has.</param>
internal sealed record BackTruth(
    int Seed,
    Surface Surface,
    double LengthMm,
    BackTruth.Run? Mark,
    BackTruth.Run? Tint,
    double[] HolesMm,
    Point From,
    Point To,
    double PixelsPerMm
)
{
    private static readonly JsonSerializerOptions Written = new(JsonSerializerDefaults.Web)
    {
        Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter() },
    };

    /// <summary>What is known of a mark or of tint.</summary>
    /// <param name="Share">Over what share of the length.</param>
    /// <param name="Pieces">In how many pieces.</param>
    /// <param name="WidthMm">How wide, in the middle of all places where it is.</param>
    internal sealed record Run(double Share, int Pieces, double WidthMm);

    public static BackTruth Of(BackScene scene)
    {
        var back = scene.Back;
        return new(
            scene.Seed,
            back.Surface,
            back.Length,
            Along(back, s => back.WidthAt(s)),
            Along(back, s => Tinted(back, s)),
            [.. back.Holes.Select(one => one.DiameterMm)],
            scene.View.See(new(0, back.MiddleAt(0), 0)),
            scene.View.See(new(back.Length, back.MiddleAt(back.Length), 0)),
            new PlaneView(scene.View.PlateToPicture()).PixelsPerMm(new(back.Length / 2, 0))
        );
    }

    public static BackTruth Read(string path) => JsonSerializer.Deserialize<BackTruth>(File.ReadAllText(path), Written)!;

    public void Write(string path) => File.WriteAllText(path, JsonSerializer.Serialize(this, Written));

    // Rim to rim of what heat coloured, the mark in it.
    private static double Tinted(BackBead back, double s)
    {
        const double cell = 0.1;
        var (first, last, coloured) = (0, -1, 0);
        for (var row = -150; row <= 150; row++)
        {
            var part = back.PartAt(s, back.MiddleAt(s) + row * cell);
            if (part == Core.Looking.FacePart.Plate)
                continue;
            coloured += part == Core.Looking.FacePart.Tint ? 1 : 0;
            (first, last) = (last < first ? row : first, row);
        }
        return coloured * cell > 1 ? (last - first + 1) * cell : 0;
    }

    private static Run? Along(BackBead back, Func<double, double> width)
    {
        const double step = 0.25;
        var widths = Enumerable.Range(0, (int)(back.Length / step)).Select(i => width((i + 0.5) * step)).ToArray();
        var on = widths.Where(one => one > 0).Order().ToArray();
        var pieces = widths.Where((one, i) => one > 0 && (i == 0 || widths[i - 1] <= 0)).Count();
        return on.Length == 0 ? null : new((double)on.Length / widths.Length, pieces, on[on.Length / 2]);
    }
}
