using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>A length: plate thickness, leg, stick-out, wire diameter. Held in millimetres.</summary>
public readonly record struct Length : IQuantity<Length>
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

    double IQuantity<Length>.Held => Mm;

    static Length IQuantity<Length>.Holding(double number) => FromMm(number);

    /// <inheritdoc/>
    public int CompareTo(Length other) => Mm.CompareTo(other.Mm);

    /// <summary>The value in millimetres, for logs and debuggers.</summary>
    public override string ToString() => $"{Mm.ToString("0.###", CultureInfo.InvariantCulture)} mm";
}
