using System.Globalization;

namespace GentleBead.Core.Words;

/// <summary>A value in a sentence, kept as what it is until somebody reads it.</summary>
public abstract record SaidValue
{
    private protected SaidValue() { }

    /// <summary>The value as a reader sees it.</summary>
    /// <param name="units">The reader's units.</param>
    public abstract string In(Units units);
}

/// <summary>A quantity, shown in the reader's units.</summary>
/// <param name="Kind">Which quantity.</param>
/// <param name="Held">The number, in the unit the quantity is held in.</param>
/// <param name="As">A way of showing it, see <see cref="QuantityWords"/>; empty for the usual one.</param>
public sealed record SaidQuantity(QuantityKind Kind, double Held, string As = "") : SaidValue
{
    /// <inheritdoc/>
    public override string In(Units units) => QuantityWords.Of(Kind, As).Show(Held, units);
}

/// <summary>A number without a unit, or one whose unit stands in the sentence.</summary>
/// <param name="Value">The number.</param>
/// <param name="As">Digits to show, see <see cref="Digits"/>.</param>
public sealed record SaidNumber(double Value, string As) : SaidValue
{
    /// <inheritdoc/>
    public override string In(Units units) => Digits.Show(Value, As);
}

/// <summary>A name or something typed, shown as it is in every language.</summary>
/// <param name="Text">The name.</param>
public sealed record SaidName(string Text) : SaidValue
{
    /// <inheritdoc/>
    public override string In(Units units) => Text;
}

/// <summary>A day, shown in the reader's own form.</summary>
/// <param name="Day">Which day.</param>
public sealed record SaidDay(DateOnly Day) : SaidValue
{
    /// <inheritdoc/>
    public override string In(Units units) => Day.ToString("d MMM yyyy", CultureInfo.InvariantCulture);
}

/// <summary>A time by the clock on the wall, shown in the reader's own form.</summary>
/// <param name="Time">To the minute.</param>
public sealed record SaidTime(TimeOnly Time) : SaidValue
{
    /// <inheritdoc/>
    public override string In(Units units) => Time.ToString("HH:mm", CultureInfo.InvariantCulture);
}

/// <summary>A size that is called differently in the two systems: a wire, a limit of a standard.</summary>
/// <param name="Metric">What a metric reader calls it: "0.8 mm".</param>
/// <param name="Inch">What an inch reader calls it: "0.030 in".</param>
public sealed record Either(string Metric, string Inch) : SaidValue
{
    /// <inheritdoc/>
    public override string In(Units units) => units == Units.Inch ? Inch : Metric;
}

/// <summary>Sentences or parts of one, one after the other.</summary>
/// <param name="Parts">The parts, in order.</param>
/// <param name="Between">What stands between them.</param>
/// <param name="As">"capital" where they begin a sentence, "small" where a title stands in the middle of one; empty as they are.</param>
public sealed record SaidParts(IReadOnlyList<Said> Parts, string Between, string As) : SaidValue
{
    private const string Capital = "capital";
    private const string Small = "small";

    /// <inheritdoc/>
    public override string In(Units units)
    {
        var text = string.Join(Between, Parts.Select(part => part.In(units)));
        if (text.Length == 0)
            return text;
        return As switch
        {
            Capital => char.ToUpperInvariant(text[0]) + text[1..],
            // A word of capitals stays one.
            Small when text.Length > 1 && char.IsLower(text[1]) => char.ToLowerInvariant(text[0]) + text[1..],
            _ => text,
        };
    }

    /// <inheritdoc/>
    public bool Equals(SaidParts? other) =>
        other is not null && Between == other.Between && As == other.As && Parts.SequenceEqual(other.Parts);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Parts.Count, Between, As);
}
