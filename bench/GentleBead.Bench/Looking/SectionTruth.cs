using System.Text.Json;
using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Bench.Looking;

/// <summary>What is known of a drawn section: where a perfect hand would mark it, pixels, and what it measures.</summary>
internal sealed record SectionTruth(
    int Seed,
    Wrong Wrong,
    Joint Joint,
    Point[] TenMm,
    Point Root,
    Point LowerToe,
    Point UpperToe,
    Point[] Face,
    Point[] Fusion,
    Point[][] Unfused,
    Dictionary<string, double> Measures,
    Point[] Weld,
    Point[][] Plates,
    Point[][] Seams
)
{
    private static readonly JsonSerializerOptions Written = new(JsonSerializerDefaults.Web)
    {
        Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter() },
    };

    // What is measured, by the name it has in a truth.
    private static readonly (string Name, Func<MacroMeasures, Length?> Of)[] Named =
    [
        ("lowerLeg", one => one.LowerLeg),
        ("upperLeg", one => one.UpperLeg),
        ("throat", one => one.Throat),
        ("width", one => one.Width),
        ("reinforcement", one => one.Reinforcement),
        ("rootPenetration", one => one.RootPenetration),
        ("lowerPenetration", one => one.LowerPenetration),
        ("upperPenetration", one => one.UpperPenetration),
        ("unfused", one => one.UnfusedLength),
    ];

    public static SectionTruth Of(SectionScene scene)
    {
        var piece = scene.Piece;
        var measure = piece.Joint.Facts().Measure;
        var root = measure == BeadMeasure.Leg ? new Point(0, 0) : Between(piece.Face[0], piece.Face[^1]);
        Point[] ten = [new(piece.Middle.X - 5, piece.Middle.Y), new(piece.Middle.X + 5, piece.Middle.Y)];
        var inner = piece.Face.Skip(1).SkipLast(1).ToArray();
        var marks = new MacroMarks(
            ten[0],
            ten[1],
            Length.FromMm(10),
            root,
            piece.Face[0],
            piece.Face[^1],
            inner,
            piece.Fusion,
            piece.Unfused
        );
        Point[] Seen(IEnumerable<Point> of) => [.. of.Select(scene.See)];
        return new(
            scene.Seed,
            scene.Wrong,
            piece.Joint,
            Seen(ten),
            scene.See(root),
            scene.See(piece.Face[0]),
            scene.See(piece.Face[^1]),
            Seen(inner),
            Seen(piece.Fusion),
            [.. piece.Unfused.Select(line => Seen([line.From, line.To]))],
            Told(MacroMeasures.Of(marks, measure)),
            Seen(piece.Weld),
            [.. piece.Plates.Select(Seen)],
            [.. piece.Seams.Select(line => Seen([line.From, line.To]))]
        );
    }

    /// <summary>What was measured, by name, mm; what the joint does not have is left out.</summary>
    public static Dictionary<string, double> Told(MacroMeasures measures) =>
        Named.Where(one => one.Of(measures) is not null).ToDictionary(one => one.Name, one => one.Of(measures)!.Value.Mm);

    public static SectionTruth Read(string path) => JsonSerializer.Deserialize<SectionTruth>(File.ReadAllText(path), Written)!;

    public void Write(string path) => File.WriteAllText(path, JsonSerializer.Serialize(this, Written));

    private static Point Between(Point a, Point b) => new((a.X + b.X) / 2, (a.Y + b.Y) / 2);
}
