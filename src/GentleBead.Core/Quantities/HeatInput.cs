using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>Heat put in per length of weld. Held in kilojoules per millimetre.</summary>
public readonly record struct HeatInput : IQuantity<HeatInput>
{
    private HeatInput(double kJPerMm) => KJPerMm = kJPerMm;

    /// <summary>The value in kilojoules per millimetre; finite, 0 or more.</summary>
    public double KJPerMm { get; }

    /// <summary>Makes a value from kilojoules per millimetre.</summary>
    /// <param name="kJPerMm">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static HeatInput FromKJPerMm(double kJPerMm) => new(Finite.NonNegative(kJPerMm));

    double IQuantity<HeatInput>.Held => KJPerMm;

    static HeatInput IQuantity<HeatInput>.Holding(double number) => FromKJPerMm(number);

    /// <inheritdoc/>
    public int CompareTo(HeatInput other) => KJPerMm.CompareTo(other.KJPerMm);

    /// <summary>The value in kilojoules per millimetre, for logs and debuggers.</summary>
    public override string ToString() => $"{KJPerMm.ToString("0.###", CultureInfo.InvariantCulture)} kJ/mm";
}
