using System.Runtime.CompilerServices;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Words;

/// <summary>
/// Takes an interpolated string apart into what is said and the values it is said
/// with. Plain text is not taken: it could not be shown in another language.
/// </summary>
[InterpolatedStringHandler]
public ref struct SaidHandler
{
    private string?[] literals;
    private SaidValue[] values;
    private int count;

    /// <summary>Begins a sentence; called by the compiler.</summary>
    public SaidHandler(int literalLength, int formattedCount)
    {
        _ = literalLength;
        literals = new string?[formattedCount + 1];
        values = formattedCount == 0 ? [] : new SaidValue[formattedCount];
    }

    /// <summary>Words.</summary>
    public readonly void AppendLiteral(string text) => literals[count] = literals[count] is { } before ? before + text : text;

    /// <summary>A length.</summary>
    public void AppendFormatted(Length value, string format = "") => Add(new SaidQuantity(QuantityKind.Length, value.Mm, format));

    /// <summary>A wire feed speed.</summary>
    public void AppendFormatted(WireFeedSpeed value, string format = "") =>
        Add(new SaidQuantity(QuantityKind.WireFeed, value.MPerMin, format));

    /// <summary>A travel speed; see <see cref="QuantityWords.Timed"/> for one that a hand follows.</summary>
    public void AppendFormatted(TravelSpeed value, string format = "") =>
        Add(new SaidQuantity(QuantityKind.Travel, value.MmPerMin, format));

    /// <summary>A gas flow.</summary>
    public void AppendFormatted(GasFlow value) => Add(new SaidQuantity(QuantityKind.GasFlow, value.LPerMin));

    /// <summary>Volts.</summary>
    public void AppendFormatted(Voltage value) => Add(new SaidQuantity(QuantityKind.Volts, value.Volts));

    /// <summary>Amperes.</summary>
    public void AppendFormatted(Current value) => Add(new SaidQuantity(QuantityKind.Amps, value.Amps));

    /// <summary>A heat input.</summary>
    public void AppendFormatted(HeatInput value) => Add(new SaidQuantity(QuantityKind.HeatInput, value.KJPerMm));

    /// <summary>A whole number.</summary>
    public void AppendFormatted(long value) => Add(new SaidNumber(value, "0"));

    /// <summary>A number by a pattern of <see cref="Digits"/>.</summary>
    public void AppendFormatted(double value, string format = "0.##") => Add(new SaidNumber(value, format));

    /// <summary>A day.</summary>
    public void AppendFormatted(DateOnly value) => Add(new SaidDay(value));

    /// <summary>A time by the clock on the wall.</summary>
    public void AppendFormatted(TimeOnly value) => Add(new SaidTime(value));

    /// <summary>A name, a size in both systems, or another value that knows how it is written.</summary>
    public void AppendFormatted(SaidValue value) => Add(value);

    /// <summary>A part of the sentence that is a sentence of its own; nothing where there is none.</summary>
    /// <param name="value">The part.</param>
    /// <param name="format">See <see cref="SaidParts.As"/>.</param>
    public void AppendFormatted(Said? value, string format = "") => Append(value is null ? [] : [value], "", format);

    /// <summary>Parts set off by commas.</summary>
    /// <param name="values">The parts.</param>
    /// <param name="format">See <see cref="SaidParts.As"/>.</param>
    public void AppendFormatted(IEnumerable<Said> values, string format = "") => Append([.. values], ", ", format);

    internal readonly Said ToSaid() => count == values.Length ? new(literals, values) : new(literals[..(count + 1)], values[..count]);

    // Parts that stand as they are become the sentence's own words and values: shorter to keep and to send than sentences in a sentence.
    internal void Append(IReadOnlyList<Said> parts, string between, string format)
    {
        if (format.Length > 0 || parts.Any(part => part.Made is null))
        {
            Add(new SaidParts(parts, between, format));
            return;
        }
        for (var i = 0; i < parts.Count; i++)
        {
            if (i > 0)
                AppendLiteral(between);
            Append(parts[i].Made!.Value);
        }
    }

    private void Append((string?[] Literals, SaidValue[] Values) said)
    {
        AppendWords(said.Literals[0]);
        for (var i = 0; i < said.Values.Length; i++)
        {
            Add(said.Values[i]);
            AppendWords(said.Literals[i + 1]);
        }
    }

    private readonly void AppendWords(string? text)
    {
        if (text is not null)
            AppendLiteral(text);
    }

    private void Add(SaidValue value)
    {
        if (count == values.Length)
        {
            Array.Resize(ref values, 2 * count + 2);
            Array.Resize(ref literals, values.Length + 1);
        }
        values[count++] = value;
    }
}
