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

    // One more literal than values; a value stands behind each but the last.
    internal Said(string?[] literals, SaidValue[] values) => (this.literals, this.values) = (literals, values);

    /// <summary>The words, with {0}, {1} … where the values stand; a brace of its own is doubled.</summary>
    public string Template => template ??= Join(i => $"{{{i}}}", escape: true);

    /// <summary>The values, in the order of their places.</summary>
    public IReadOnlyList<SaidValue> With => values;

    /// <summary>Says something: <c>Say($"Wire up {more}, {from} to {to}.")</c> keeps the words and the typed values apart.</summary>
    public static Said Say(SaidHandler said) => said.ToSaid();

    /// <summary>A name, or words that somebody typed: shown as they are.</summary>
    public static Said AsIs(string text) => new(new string?[2], [new SaidName(text)]);

    /// <summary>Sentences one after the other; those that are not there are left out.</summary>
    public static Said Sentences(params IEnumerable<Said?> sentences) =>
        new(new string?[2], [new SaidParts([.. sentences.OfType<Said>()], " ", "")]);

    /// <summary>Parts of a sentence, set off from one another.</summary>
    /// <param name="between">What stands between them: "; ".</param>
    /// <param name="parts">The parts.</param>
    public static Said Parts(string between, IReadOnlyList<Said> parts) => new(new string?[2], [new SaidParts(parts, between, "")]);

    /// <summary>A sentence from its template and values: the other way round of <see cref="Template"/> and <see cref="With"/>.</summary>
    /// <exception cref="FormatException">A place names no value, or a brace stands alone.</exception>
    public static Said Parse(string template, IReadOnlyList<SaidValue> with)
    {
        var literals = new List<string?>();
        var values = new List<SaidValue>();
        var text = new StringBuilder();
        for (var i = 0; i < template.Length; i++)
        {
            if (template[i] is not ('{' or '}'))
                text.Append(template[i]);
            else if (i + 1 < template.Length && template[i + 1] == template[i])
                text.Append(template[i++]);
            else if (
                template.IndexOf('}', i) is var end
                && template[i] == '{'
                && end > i
                && int.TryParse(template.AsSpan(i + 1, end - i - 1), out var place)
                && place < with.Count
            )
            {
                literals.Add(text.ToString());
                values.Add(with[place]);
                text.Clear();
                i = end;
            }
            else
                throw new FormatException($"A place in \"{template}\" names no value.");
        }
        literals.Add(text.ToString());
        return new Said([.. literals], [.. values]);
    }

    /// <summary>The sentence as a reader sees it.</summary>
    /// <param name="units">The reader's units.</param>
    public string In(Units units) => Join(i => values[i].In(units), escape: false);

    /// <inheritdoc/>
    public bool Equals(Said? other) => other is not null && Template == other.Template && values.AsSpan().SequenceEqual(other.values);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as Said);

    /// <inheritdoc/>
    public override int GetHashCode() => Template.GetHashCode(StringComparison.Ordinal);

    /// <summary>The sentence in metric units, for logs, debuggers and tests.</summary>
    public override string ToString() => In(Units.Metric);

    private string Join(Func<int, string> value, bool escape)
    {
        if (values.Length == 0)
            return Literal(0, escape);
        var text = new StringBuilder();
        for (var i = 0; i < values.Length; i++)
            text.Append(Literal(i, escape)).Append(value(i));
        return text.Append(Literal(values.Length, escape)).ToString();
    }

    private string Literal(int i, bool escape)
    {
        var text = literals[i] ?? "";
        return escape && text.AsSpan().ContainsAny('{', '}')
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
