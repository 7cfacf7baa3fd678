using System.Collections;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace GentleBead.Server.Http;

/// <summary>A value that can stand nowhere, with the name of the member it was sent in.</summary>
public sealed class MemberRefusedException(string member, Said said) : JsonException(said.ToString())
{
    /// <summary>The member's name.</summary>
    public string Member { get; } = member;

    /// <summary>What is wrong with the value.</summary>
    public Said Said { get; } = said;
}

/// <summary>
/// What holds for every request, whatever it is about: texts without control characters, numbers that are finite, lists without gaps.
/// Checked as a
/// body is read, so that it is told at its field before anything else is asked.
/// </summary>
public static class RequestRules
{
    private const string OneLine = "\t\n\r";

    /// <summary>Adds the rules to the options that requests are read with.</summary>
    public static void Apply(JsonSerializerOptions options) =>
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(Check);

    /// <summary>Whether a text holds a character that cannot stand in one: NUL, a control character or half of a pair.</summary>
    public static bool IsBad(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            if (char.IsControl(text[i]) && !OneLine.Contains(text[i], StringComparison.Ordinal))
                return true;
            if (!char.IsSurrogate(text[i]))
                continue;
            if (!char.IsSurrogatePair(text, i))
                return true;
            i++;
        }
        return false;
    }

    private static void Check(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object || type.Type.Namespace?.StartsWith("GentleBead", StringComparison.Ordinal) != true)
            return;
        (string Name, Func<object, object?> Get)[] looked =
        [
            .. type
                .Properties.Where(property => property.Get is not null && IsLooked(property.PropertyType))
                .Select(property => (property.Name, property.Get!)),
        ];
        if (looked.Length == 0)
            return;
        var before = type.OnDeserialized;
        type.OnDeserialized = value =>
        {
            before?.Invoke(value);
            foreach (var (name, get) in looked)
            {
                if (Wrong(get(value)) is { } wrong)
                    throw new MemberRefusedException(name, wrong);
            }
        };
    }

    private static bool IsLooked(Type type) =>
        type == typeof(string)
        || type == typeof(double)
        || type == typeof(double?)
        || (type != typeof(byte[]) && typeof(IEnumerable).IsAssignableFrom(type));

    private static Said? Wrong(object? value) =>
        value switch
        {
            string text => IsBad(text) ? Say($"This holds a character that cannot stand in a text: type it again.") : null,
            double number => double.IsFinite(number) ? null : Say($"A number is expected here, and not an endless one."),
            IEnumerable list => list.Cast<object?>()
                .Select(one =>
                    one is null ? Say($"Something is missing in this list.")
                    : one is string or double ? Wrong(one)
                    : null
                )
                .FirstOrDefault(wrong => wrong is not null),
            _ => null,
        };
}
