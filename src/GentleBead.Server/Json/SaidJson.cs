using System.Globalization;
using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace GentleBead.Server.Json;

/// <summary>
/// Sentences as <c>{"say": "Wire up {0}.", "with": [{"wireFeedMPerMin": 0.2}]}</c>: the words and their values, over HTTP and stored. What
/// was stored as plain text before there were values is read as it stands; an empty text is none.
/// </summary>
public sealed class SaidJson : JsonConverter<Said>
{
    private const string Say = "say";
    private const string With = "with";
    private const string As = "as";
    private const string Number = "number";
    private const string Name = "name";
    private const string Day = "day";
    private const string Time = "time";
    private const string Metric = "metric";
    private const string Inch = "inch";
    private const string DayAs = "yyyy-MM-dd";
    private const string TimeAs = "HH:mm";
    private const string Parts = "parts";
    private const string Between = "between";

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

    // Every name there is in a sentence, to know one by its bytes without a text of its own.
    private static readonly (JsonEncodedText Bytes, string Name)[] Known =
    [
        .. new[] { Say, With, As, Number, Name, Day, Time, Metric, Inch, Parts, Between }
            .Concat(Names.Values)
            .Select(name => (JsonEncodedText.Encode(name), name)),
    ];

    /// <inheritdoc/>
    public override Said? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.String)
            return reader.GetString() is { Length: > 0 } text ? Said.AsIs(text) : null;
        try
        {
            return SaidOf(ref reader);
        }
        catch (Exception unreadable) when (unreadable is InvalidOperationException or FormatException)
        {
            throw NoSentence(unreadable);
        }
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
                writer.WriteNumber(Number, number.Value);
                writer.WriteString(As, number.As);
                break;
            case SaidName name:
                writer.WriteString(Name, name.Text);
                break;
            case SaidDay day:
                writer.WriteString(Day, day.Day.ToString(DayAs, CultureInfo.InvariantCulture));
                break;
            case SaidTime time:
                writer.WriteString(Time, time.Time.ToString(TimeAs, CultureInfo.InvariantCulture));
                break;
            case Either either:
                writer.WriteString(Metric, either.Metric);
                writer.WriteString(Inch, either.Inch);
                break;
            case SaidParts parts:
                writer.WriteStartArray(Parts);
                foreach (var part in parts.Parts)
                    Write(writer, part);
                writer.WriteEndArray();
                if (parts.Between.Length > 0)
                    writer.WriteString(Between, parts.Between);
                if (parts.As.Length > 0)
                    writer.WriteString(As, parts.As);
                break;
            default:
                throw new JsonException($"{value.GetType().Name} has no place in JSON.");
        }
        writer.WriteEndObject();
    }

    private static JsonException NoSentence(Exception? because = null) => new("This is not a sentence.", because);

    // Off the bytes, without a document of each: a sheet is full of sentences.
    private static Said SaidOf(ref Utf8JsonReader reader)
    {
        if (reader.TokenType == JsonTokenType.String)
            return Said.AsIs(reader.GetString()!);
        if (reader.TokenType != JsonTokenType.StartObject)
            throw NoSentence();
        var (template, with) = ((string?)null, (List<SaidValue>?)null);
        while (NextName(ref reader) is { } name)
        {
            if (name == Say)
                template = reader.GetString();
            else if (name == With)
                while (NextItem(ref reader))
                    (with ??= []).Add(ValueOf(ref reader));
            else
                throw NoSentence();
        }
        return Said.Parse(template ?? throw NoSentence(), with is null ? [] : with);
    }

    private static SaidValue ValueOf(ref Utf8JsonReader reader)
    {
        // The database gives the names in an order of its own.
        var (way, between, inch, text, number) = ("", "", "", "", 0.0);
        var (kind, parts) = ((string?)null, (List<Said>?)null);
        while (NextName(ref reader) is { } name)
        {
            if (name == As)
                way = reader.GetString()!;
            else if (name == Between)
                between = reader.GetString()!;
            else if (name == Inch)
                inch = reader.GetString()!;
            else
            {
                kind = name;
                if (name == Parts)
                    while (NextItem(ref reader))
                        (parts ??= []).Add(SaidOf(ref reader));
                else if (reader.TokenType == JsonTokenType.Number)
                    number = reader.GetDouble();
                else
                    text = reader.GetString()!;
            }
        }
        return kind switch
        {
            Number => new SaidNumber(number, way),
            Name => new SaidName(text),
            Day => new SaidDay(DateOnly.ParseExact(text, DayAs, CultureInfo.InvariantCulture)),
            Time => new SaidTime(TimeOnly.ParseExact(text, TimeAs, CultureInfo.InvariantCulture)),
            Metric => new Either(text, inch),
            Parts => new SaidParts(parts is null ? [] : parts, between, way),
            not null when Kinds.TryGetValue(kind, out var quantity) => new SaidQuantity(quantity, number, way),
            _ => throw NoSentence(),
        };
    }

    // The name of an object's next property, its value at hand; null at its end.
    private static string? NextName(ref Utf8JsonReader reader)
    {
        if (!reader.Read() || reader.TokenType != JsonTokenType.PropertyName)
            return null;
        foreach (var (bytes, name) in Known)
        {
            if (!reader.ValueTextEquals(bytes.EncodedUtf8Bytes))
                continue;
            reader.Read();
            return name;
        }
        throw NoSentence();
    }

    // On to a list's next item; false at its end.
    private static bool NextItem(ref Utf8JsonReader reader) => reader.Read() && reader.TokenType != JsonTokenType.EndArray;
}
