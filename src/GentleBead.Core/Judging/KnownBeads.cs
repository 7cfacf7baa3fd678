using System.Text.Json;
using System.Text.Json.Serialization;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>
/// The worked cases by their signs: beads whose cause is known, against which whatever a room teaches is held. Made from the tests' table
/// of worked cases and kept equal to it by a test. Common practice, no source.
/// </summary>
public static class KnownBeads
{
    private static readonly JsonSerializerOptions Json = new() { Converters = { new JsonStringEnumConverter() } };

    private static readonly Lazy<IReadOnlyList<RuledBead>> Read = new(() =>
    {
        using var file = typeof(KnownBeads).Assembly.GetManifestResourceStream("KnownBeads.json")!;
        using var reader = new StreamReader(file);
        return Of(reader.ReadToEnd());
    });

    /// <summary>Every one.</summary>
    public static IReadOnlyList<RuledBead> All => Read.Value;

    /// <summary>Beads from their text.</summary>
    public static IReadOnlyList<RuledBead> Of(string text) =>
        [.. JsonSerializer.Deserialize<Row[]>(text, Json)!.Select(row => new RuledBead(row.Process, row.Cause, row.Cause, row.Signs))];

    /// <summary>Beads as text, one on a line.</summary>
    public static string Text(IEnumerable<RuledBead> beads)
    {
        var rows = beads.Select(bead => JsonSerializer.Serialize(new Row(bead.Process, bead.Instructor, Rounded(bead)), Json));
        return $"[\n{string.Join(",\n", rows)}\n]\n";
    }

    private static Dictionary<Sign, double> Rounded(RuledBead bead) =>
        bead.Signs.OrderBy(sign => sign.Key).ToDictionary(sign => sign.Key, sign => Math.Round(sign.Value, 3));

    private sealed record Row(Process Process, Cause Cause, Dictionary<Sign, double> Signs);
}
