using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>A length: plate thickness, leg, stick-out, wire diameter. Held in millimetres.</summary>
public readonly record struct Length : IComparable<Length>
{
    private Length(double mm) => Mm = mm;

    /// <summary>The value in millimetres; finite, 0 or more.</summary>
    public double Mm { get; }

    /// <summary>Millimetres in one inch, exact by definition.</summary>
    public const double MmPerInch = 25.4;

    /// <summary>The value in inches.</summary>
    public double Inches => Mm / MmPerInch;

    /// <summary>Makes a value from millimetres.</summary>
    /// <param name="mm">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static Length FromMm(double mm) => new(Finite.NonNegative(mm));

    /// <summary>Makes a value from inches.</summary>
    /// <param name="inches">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static Length FromInches(double inches) => new(Finite.NonNegative(inches) * MmPerInch);

    /// <inheritdoc/>
    public int CompareTo(Length other) => Mm.CompareTo(other.Mm);

    /// <summary>Whether the left is smaller.</summary>
    public static bool operator <(Length left, Length right) => left.Mm < right.Mm;

    /// <summary>Whether the left is larger.</summary>
    public static bool operator >(Length left, Length right) => left.Mm > right.Mm;

    /// <summary>Whether the left is smaller or equal.</summary>
    public static bool operator <=(Length left, Length right) => left.Mm <= right.Mm;

    /// <summary>Whether the left is larger or equal.</summary>
    public static bool operator >=(Length left, Length right) => left.Mm >= right.Mm;

    /// <summary>Scales the value; the factor is finite, 0 or more.</summary>
    public static Length operator *(Length value, double factor) => FromMm(value.Mm * factor);

    /// <summary>How many times the right goes into the left.</summary>
    public static double operator /(Length left, Length right) => left.Mm / right.Mm;

    /// <summary>The value in millimetres, for logs and debuggers.</summary>
    public override string ToString() => $"{Mm.ToString("0.###", CultureInfo.InvariantCulture)} mm";
}
