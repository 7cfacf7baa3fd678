using System.Globalization;
using System.Text;

namespace GentleBead.Core.Words;

/// <summary>
/// A sentence as data: its words with numbered places, and the values that stand there. It is written out
/// when somebody reads it, in their units. Two are equal when they say the same with the same values.
/// </summary>
public sealed class Said : IEquatable<Said>
{
    private readonly string?[] literals;
    private readonly SaidValue[] values;
    private string? template;

    // Its words and values where it was made here; what was read from a template has its places in an order of their own.
    internal (string?[] Literals, SaidValue[] Values)? Made => literals.Length == 0 ? null : (literals, values);

    // One more literal than values; a value stands behind each but the last.
    internal Said(string?[] literals, SaidValue[] values) => (this.literals, this.values) = (literals, values);

    private Said(string template, SaidValue[] values) => (this.template, literals, this.values) = (template, [], values);

    /// <summary>The words, with {0}, {1} … where the values stand; a brace of its own is doubled.</summary>
    public string Template => template ??= Join();

    /// <summary>The values, in the order of their places.</summary>
    public IReadOnlyList<SaidValue> With => values;

    /// <summary>Says something: <c>Say($"Wire up {more}, {from} to {to}.")</c> keeps the words and the typed values apart.</summary>
    public static Said Say(SaidHandler said) => said.ToSaid();

    /// <summary>A name, or words that somebody typed: shown as they are.</summary>
    public static Said AsIs(string text) => new(new string?[2], [new SaidName(text)]);

    /// <summary>Sentences one after the other; those that are not there are left out.</summary>
    public static Said Sentences(params IEnumerable<Said?> sentences) => Parts(" ", [.. sentences.OfType<Said>()]);

    /// <summary>Parts of a sentence, set off from one another.</summary>
    /// <param name="between">What stands between them: "; ".</param>
    /// <param name="parts">The parts.</param>
    public static Said Parts(string between, IReadOnlyList<Said> parts)
    {
        var said = new SaidHandler(0, 1);
        said.Append(parts, between, "");
        return said.ToSaid();
    }

    /// <summary>A sentence from its template and values: the other way round of <see cref="Template"/> and <see cref="With"/>.</summary>
    /// <exception cref="FormatException">A place names no value, or a brace stands alone.</exception>
    public static Said Parse(string template, IReadOnlyList<SaidValue> with)
    {
        var said = new Said(template, [.. with]);
        said.Write(null, Units.Metric);
        return said;
    }

    /// <summary>The sentence as a reader sees it.</summary>
    /// <param name="units">The reader's units.</param>
    public string In(Units units)
    {
        var text = new StringBuilder();
        Write(text, units);
        return text.ToString();
    }

    /// <inheritdoc/>
    public bool Equals(Said? other) => other is not null && Template == other.Template && values.AsSpan().SequenceEqual(other.values);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as Said);

    /// <inheritdoc/>
    public override int GetHashCode() => Template.GetHashCode(StringComparison.Ordinal);

    /// <summary>The sentence in metric units, for logs, debuggers and tests.</summary>
    public override string ToString() => In(Units.Metric);

    // Through the template, place by place; with no text to write into, only to see that each place names a value.
    private void Write(StringBuilder? text, Units units)
    {
        var rest = Template.AsSpan();
        for (var at = rest.IndexOfAny('{', '}'); at >= 0; at = rest.IndexOfAny('{', '}'))
        {
            text?.Append(rest[..at]);
            rest = rest[at..];
            var end = rest.IndexOf('}');
            if (rest.Length > 1 && rest[1] == rest[0])
            {
                text?.Append(rest[0]);
                end = 1;
            }
            else if (
                rest[0] == '{'
                && end > 0
                && int.TryParse(rest[1..end], NumberStyles.None, null, out var place)
                && place < values.Length
            )
                text?.Append(values[place].In(units));
            else
                throw new FormatException($"A place in \"{Template}\" names no value.");
            rest = rest[(end + 1)..];
        }
        text?.Append(rest);
    }

    private string Join()
    {
        if (values.Length == 0)
            return Literal(0);
        var text = new StringBuilder();
        for (var i = 0; i < values.Length; i++)
            text.Append(Literal(i)).Append('{').Append(i).Append('}');
        return text.Append(Literal(values.Length)).ToString();
    }

    private string Literal(int i)
    {
        var text = literals[i] ?? "";
        return text.AsSpan().ContainsAny('{', '}')
            ? text.Replace("{", "{{", StringComparison.Ordinal).Replace("}", "}}", StringComparison.Ordinal)
            : text;
    }
}

/// <summary>Words in short.</summary>
public static class SayShort
{
    /// <summary>A name or typed words as a value of a sentence.</summary>
    public static SaidName Name(this string text) => new(text);

    /// <summary>A cross-section, in mm².</summary>
    public static SaidQuantity Mm2(this double area) => new(QuantityKind.Area, area);

    /// <summary>A volume, in mm³.</summary>
    public static SaidQuantity Mm3(this double volume) => new(QuantityKind.Volume, volume);

    /// <summary>A count with its word: "1 pass", "12 passes".</summary>
    /// <param name="count">How many.</param>
    /// <param name="one">The word for one.</param>
    /// <param name="many">The word for none or several.</param>
    public static Said Counted(this int count, Said one, Said many) => Said.Say($"{count} {(count == 1 ? one : many)}");
}
