using System.Text.Json;
using System.Text.Json.Nodes;
using FsCheck;
using FsCheck.Fluent;

namespace GentleBead.Bench.Fuzzing;

/// <summary>Values that fit a schema of the OpenAPI document, most of the time.</summary>
internal sealed class FuzzValues(JsonElement document)
{
    /// <summary>Stands for an id that the school knows, put in when a request is sent.</summary>
    public const string KnownId = "$known";

    private const int Deepest = 6;
    private static readonly string[] Kinds = ["string", "integer", "number", "boolean", "array", "object", "null"];

    // What has broken servers before: nothing, much, signs of other languages, what ends a string elsewhere, numbers at their edges.
    private static readonly string[] Texts =
    [
        "",
        " ",
        "1/8",
        "3 mm",
        "0.125 in",
        "Solid 0.9",
        "Überzug, naïve",
        "溶接",
        "\u202Eright to left",
        "'; drop table bead; --",
        "<img src=x onerror=alert(1)>",
        "../../etc/passwd",
        "=1+1",
        "%00%0a",
        "\0",
        "\uD800",
        "null",
        "NaN",
        "1e999",
        "-0",
        new('x', 10_000),
    ];

    private static readonly double[] Numbers = [0, -1, 1, 0.5, 3.175, 17, 180, 1e-300, 1e308, -1e308, int.MaxValue, 1e15];
    private static readonly long[] Whole = [0, 1, 2, 5, 12, -1, 50, 1000, int.MaxValue, int.MinValue, long.MaxValue];

    /// <summary>Values for a schema.</summary>
    public Gen<JsonNode?> Of(JsonElement schema) => Of(schema, 0);

    private Gen<JsonNode?> Of(JsonElement schema, int depth) => Gen.Frequency((15, Fitting(schema, depth)), (1, Junk));

    private static Gen<JsonNode?> Junk { get; } =
        Gen.OneOf(
            Gen.Constant<JsonNode?>(null),
            Gen.Elements(Texts).Select(text => (JsonNode?)JsonValue.Create(text)),
            Gen.Elements(Numbers).Select(number => (JsonNode?)JsonValue.Create(number)),
            Gen.Fresh<JsonNode?>(() => new JsonArray()),
            Gen.Fresh<JsonNode?>(() => new JsonObject()),
            Gen.Constant(true).Select(truth => (JsonNode?)JsonValue.Create(truth))
        );

    private Gen<JsonNode?> Fitting(JsonElement schema, int depth)
    {
        if (depth > Deepest)
            return Gen.Constant<JsonNode?>(null);
        if (schema.TryGetProperty("$ref", out var named))
            // Only once it is wanted: schemas name each other without end.
            return Gen.Constant(0).SelectMany(_ => Of(Named(named.GetString()!), depth + 1));
        if (schema.TryGetProperty("oneOf", out var either))
            return Gen.OneOf(either.EnumerateArray().Select(one => Of(one, depth)).ToArray());
        if (schema.TryGetProperty("enum", out var words))
        {
            var texts = words.EnumerateArray().Where(word => word.ValueKind == JsonValueKind.String).Select(word => word.GetString()!);
            return Gen.Elements(texts.ToArray()).Select(word => (JsonNode?)JsonValue.Create(word));
        }
        var kinds = KindsOf(schema);
        return kinds is [var only] ? OfKind(only, schema, depth) : Gen.OneOf(kinds.Select(kind => OfKind(kind, schema, depth)).ToArray());
    }

    private static string[] KindsOf(JsonElement schema)
    {
        if (!schema.TryGetProperty("type", out var type))
            return Kinds;
        return type.ValueKind == JsonValueKind.Array ? [.. type.EnumerateArray().Select(one => one.GetString()!)] : [type.GetString()!];
    }

    private Gen<JsonNode?> OfKind(string kind, JsonElement schema, int depth)
    {
        var format = schema.TryGetProperty("format", out var said) ? said.GetString() : null;
        return kind switch
        {
            "string" => Text(format),
            "integer" => Gen.Elements(Whole).Select(number => (JsonNode?)JsonValue.Create(number)),
            "number" => Gen.OneOf(Gen.Elements(Numbers), Gen.Choose(0, 4000).Select(number => number / 10.0))
                .Select(number => (JsonNode?)JsonValue.Create(number)),
            "boolean" => Gen.Elements(true, false).Select(truth => (JsonNode?)JsonValue.Create(truth)),
            "array" => schema.TryGetProperty("items", out var items) ? List(items, depth) : Gen.Fresh<JsonNode?>(() => new JsonArray()),
            "object" => Object(schema, depth),
            _ => Gen.Constant<JsonNode?>(null),
        };
    }

    private static Gen<JsonNode?> Text(string? format) =>
        (
            format switch
            {
                "uuid" => Gen.Frequency((6, Gen.Constant(KnownId)), (2, Gen.Fresh(() => $"{Guid.CreateVersion7()}"))),
                "date" => Gen.Choose(-400, 400).Select(days => $"{DateTime.UtcNow.AddDays(days):yyyy-MM-dd}"),
                "time" => Gen.Choose(0, 1439).Select(minutes => $"{minutes / 60:00}:{minutes % 60:00}:00"),
                "date-time" => Gen.Choose(-100_000, 100_000)
                    .Select(minutes => $"{DateTime.UtcNow.AddMinutes(minutes):yyyy-MM-ddTHH:mm:ssZ}"),
                "byte" => Gen.Choose(0, 40).Select(count => Convert.ToBase64String(new byte[count])),
                _ => Gen.Elements(Texts),
            }
        ).Select(text => (JsonNode?)JsonValue.Create(text));

    private Gen<JsonNode?> List(JsonElement items, int depth) =>
        Gen.Choose(0, 3)
            .SelectMany(count => Gen.ListOf(Of(items, depth + 1), count))
            .Select(list => (JsonNode?)new JsonArray([.. list.Select(one => one?.DeepClone())]));

    private Gen<JsonNode?> Object(JsonElement schema, int depth)
    {
        if (!schema.TryGetProperty("properties", out var properties))
            return Gen.Fresh<JsonNode?>(() => new JsonObject());
        var members = properties
            .EnumerateObject()
            .Select(property =>
                Gen.Frequency(
                    (9, Of(property.Value, depth + 1).Select(value => (property.Name, Value: value, Left: false))),
                    (1, Gen.Constant((property.Name, (JsonNode?)null, true)))
                )
            );
        return Gen.CollectToList(members)
            .Select(all =>
                (JsonNode?)
                    new JsonObject(all.Where(one => !one.Item3).Select(one => KeyValuePair.Create(one.Item1, one.Item2?.DeepClone())))
            );
    }

    private JsonElement Named(string reference) => reference[2..].Split('/').Aggregate(document, (at, part) => at.GetProperty(part));
}
