using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace GentleBead.Server.Json;

/// <summary>
/// Sentences as <c>{"say": "Wire up {0}.", "with": [{"wireFeedMPerMin": 0.2}]}</c>: the words and their values, over HTTP and stored. What
/// was stored as
/// plain text before there were values is read as it stands; an empty text is none.
/// </summary>
public sealed class SaidJson : JsonConverter<Said>
{
    private const string Say = "say";
    private const string With = "with";
    private const string As = "as";

    // The quantities by their names in JSON, the unit at the end.
    private static readonly Dictionary<QuantityKind, string> Names = new()
    {
        [QuantityKind.Length] = "lengthMm",
        [QuantityKind.WireFeed] = "wireFeedMPerMin",
        [QuantityKind.Travel] = "travelMmPerMin",
        [QuantityKind.GasFlow] = "gasFlowLPerMin",
        [QuantityKind.Volts] = "volts",
        [QuantityKind.Amps] = "amps",
        [QuantityKind.HeatInput] = "heatInputKJPerMm",
        [QuantityKind.Area] = "areaMm2",
        [QuantityKind.Volume] = "volumeMm3",
    };

    private static readonly Dictionary<string, QuantityKind> Kinds = Names.ToDictionary(name => name.Value, name => name.Key);

    /// <inheritdoc/>
    public override Said? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.String)
            return reader.GetString() is { Length: > 0 } text ? Said.AsIs(text) : null;
        using var document = JsonDocument.ParseValue(ref reader);
        return SaidOf(document.RootElement);
    }

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, Said value, JsonSerializerOptions options) => Write(writer, value);

    /// <summary>Tells the OpenAPI document what the converter writes.</summary>
    public static Task DescribeAsync(OpenApiSchema schema, OpenApiSchemaTransformerContext context, CancellationToken cancellationToken)
    {
        if (context.JsonTypeInfo.Type == typeof(Said))
            Describe(schema);
        if (context.JsonTypeInfo.ElementType == typeof(Said))
            Describe((OpenApiSchema)(schema.Items ??= new OpenApiSchema()));
        return Task.CompletedTask;
    }

    private static void Describe(OpenApiSchema schema)
    {
        schema.Type = JsonSchemaType.Object;
        schema.Description = "A sentence: words with numbered places, and the values that stand there, each shown in the reader's units.";
        schema.Required = new HashSet<string> { Say };
        schema.Properties = new Dictionary<string, IOpenApiSchema>
        {
            [Say] = new OpenApiSchema { Type = JsonSchemaType.String },
            [With] = new OpenApiSchema
            {
                Type = JsonSchemaType.Array,
                Items = new OpenApiSchema { Type = JsonSchemaType.Object, AdditionalProperties = new OpenApiSchema() },
            },
        };
    }

    private static void Write(Utf8JsonWriter writer, Said value)
    {
        writer.WriteStartObject();
        writer.WriteString(Say, value.Template);
        if (value.With.Count > 0)
        {
            writer.WriteStartArray(With);
            foreach (var one in value.With)
                Write(writer, one);
            writer.WriteEndArray();
        }
        writer.WriteEndObject();
    }

    private static void Write(Utf8JsonWriter writer, SaidValue value)
    {
        writer.WriteStartObject();
        switch (value)
        {
            case SaidQuantity quantity:
                writer.WriteNumber(Names[quantity.Kind], quantity.Held);
                if (quantity.As.Length > 0)
                    writer.WriteString(As, quantity.As);
                break;
            case SaidNumber number:
                writer.WriteNumber("number", number.Value);
                writer.WriteString(As, number.As);
                break;
            case SaidName name:
                writer.WriteString("name", name.Text);
                break;
            case Either either:
                writer.WriteString("metric", either.Metric);
                writer.WriteString("inch", either.Inch);
                break;
            case SaidParts parts:
                writer.WriteStartArray("parts");
                foreach (var part in parts.Parts)
                    Write(writer, part);
                writer.WriteEndArray();
                if (parts.Between.Length > 0)
                    writer.WriteString("between", parts.Between);
                if (parts.As.Length > 0)
                    writer.WriteString(As, parts.As);
                break;
            default:
                throw new JsonException($"{value.GetType().Name} has no place in JSON.");
        }
        writer.WriteEndObject();
    }

    private static Said SaidOf(JsonElement element)
    {
        try
        {
            if (element.ValueKind == JsonValueKind.String)
                return Said.AsIs(element.GetString()!);
            var with = element.TryGetProperty(With, out var values) ? values.EnumerateArray().Select(ValueOf).ToArray() : [];
            return Said.Parse(element.GetProperty(Say).GetString()!, with);
        }
        catch (Exception unreadable) when (unreadable is InvalidOperationException or KeyNotFoundException or FormatException)
        {
            throw new JsonException("This is not a sentence.", unreadable);
        }
    }

    private static SaidValue ValueOf(JsonElement element)
    {
        var way = element.TryGetProperty(As, out var given) ? given.GetString()! : "";
        foreach (var property in element.EnumerateObject())
        {
            if (Kinds.TryGetValue(property.Name, out var kind))
                return new SaidQuantity(kind, property.Value.GetDouble(), way);
        }
        if (element.TryGetProperty("number", out var number))
            return new SaidNumber(number.GetDouble(), way);
        if (element.TryGetProperty("name", out var name))
            return new SaidName(name.GetString()!);
        if (element.TryGetProperty("metric", out var metric))
            return new Either(metric.GetString()!, element.GetProperty("inch").GetString()!);
        var between = element.TryGetProperty("between", out var set) ? set.GetString()! : "";
        return new SaidParts([.. element.GetProperty("parts").EnumerateArray().Select(SaidOf)], between, way);
    }
}
