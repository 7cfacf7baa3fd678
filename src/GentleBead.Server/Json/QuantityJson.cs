using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using GentleBead.Core.Quantities;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace GentleBead.Server.Json;

/// <summary>
/// Quantities as plain numbers whose names carry the unit: <c>Length Leg</c> is <c>"legMm": 4.2</c>.
/// One set of options serves HTTP and the stored snapshots, so Core records need no twins.
/// </summary>
public static class QuantityJson
{
    private static readonly Dictionary<Type, string> Units = new()
    {
        [typeof(Length)] = "Mm",
        [typeof(WireFeedSpeed)] = "MPerMin",
        [typeof(TravelSpeed)] = "MmPerMin",
        [typeof(GasFlow)] = "LPerMin",
        [typeof(Voltage)] = "Volts",
        [typeof(Current)] = "Amps",
        [typeof(HeatInput)] = "KJPerMm",
    };

    /// <summary>The options for stored snapshots.</summary>
    public static JsonSerializerOptions Options { get; } = Apply(new JsonSerializerOptions(JsonSerializerDefaults.Web));

    /// <summary>Adds the rules to a set of options.</summary>
    public static JsonSerializerOptions Apply(JsonSerializerOptions options)
    {
        options.Converters.Add(new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false));
        foreach (var quantity in Units.Keys)
        {
            options.Converters.Add((JsonConverter)Activator.CreateInstance(typeof(QuantityConverter<>).MakeGenericType(quantity))!);
        }
        options.Converters.Add(new SaidJson());
        options.NumberHandling = JsonNumberHandling.Strict;
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(NameUnits);
        return options;
    }

    /// <summary>Tells the OpenAPI document that quantities are numbers; their converters hide it.</summary>
    public static Task DescribeAsync(OpenApiSchema schema, OpenApiSchemaTransformerContext context, CancellationToken cancellationToken)
    {
        if (UnitOf(context.JsonTypeInfo.Type) is null)
            return Task.CompletedTask;
        if (context.JsonTypeInfo.Kind == JsonTypeInfoKind.Enumerable)
        {
            schema.Items = new OpenApiSchema { Type = JsonSchemaType.Number, Format = "double" };
        }
        else
        {
            var nullable = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) is not null;
            schema.Type = nullable ? JsonSchemaType.Number | JsonSchemaType.Null : JsonSchemaType.Number;
            schema.Format = "double";
        }
        return Task.CompletedTask;
    }

    /// <summary>A type is described once, for all who use it; that one of them may leave it out is said where it is used.</summary>
    public static Task DescribeOnceAsync(
        OpenApiDocument document,
        OpenApiDocumentTransformerContext context,
        CancellationToken cancellationToken
    )
    {
        foreach (var schema in document.Components?.Schemas?.Values.OfType<OpenApiSchema>() ?? [])
        {
            if (schema.Type is { } type && type != JsonSchemaType.Null)
                schema.Type = type & ~JsonSchemaType.Null;
            if (schema.Enum is { } values)
                schema.Enum = [.. values.Where(value => value is not null && value.GetValueKind() == JsonValueKind.String)];
        }
        return Task.CompletedTask;
    }

    private static string? UnitOf(Type type) =>
        Units.GetValueOrDefault(Nullable.GetUnderlyingType(type) ?? type)
        ?? (
            type.IsGenericType && type.GetGenericTypeDefinition() == typeof(IReadOnlyList<>)
                ? Units.GetValueOrDefault(type.GetGenericArguments()[0])
                : null
        );

    private static void NameUnits(JsonTypeInfo type)
    {
        // What is worked out from the rest is neither stored nor sent.
        for (var i = type.Properties.Count - 1; i >= 0; i--)
        {
            if (
                type.Properties[i] is { Set: null, AssociatedParameter: null }
                && type.Kind == JsonTypeInfoKind.Object
                && type.Type.Namespace?.StartsWith("GentleBead", StringComparison.Ordinal) == true
            )
                type.Properties.RemoveAt(i);
        }
        foreach (var property in type.Properties)
        {
            // "amps" and "volts" already say their unit.
            if (UnitOf(property.PropertyType) is { } unit && !property.Name.EndsWith(unit, StringComparison.OrdinalIgnoreCase))
                property.Name += unit;
        }
    }

    private sealed class QuantityConverter<T> : JsonConverter<T>
        where T : struct, IQuantity<T>
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            var number = reader.GetDouble();
            return double.IsFinite(number) && number >= 0
                ? T.Holding(number)
                : throw new JsonException("A number of 0 or more is expected here.");
        }

        public override void Write(Utf8JsonWriter writer, T quantity, JsonSerializerOptions options) =>
            writer.WriteNumberValue(quantity.Held);
    }
}
