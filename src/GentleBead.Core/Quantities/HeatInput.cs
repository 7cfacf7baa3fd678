using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>Heat put in per length of weld. Held in kilojoules per millimetre.</summary>
public readonly record struct HeatInput : IComparable<HeatInput>
{
    private HeatInput(double kJPerMm) => KJPerMm = kJPerMm;

    /// <summary>The value in kilojoules per millimetre; finite, 0 or more.</summary>
    public double KJPerMm { get; }

    /// <summary>Makes a value from kilojoules per millimetre.</summary>
    /// <param name="kJPerMm">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static HeatInput FromKJPerMm(double kJPerMm) => new(Finite.NonNegative(kJPerMm));

    /// <inheritdoc/>
    public int CompareTo(HeatInput other) => KJPerMm.CompareTo(other.KJPerMm);

    /// <summary>Whether the left is smaller.</summary>
    public static bool operator <(HeatInput left, HeatInput right) => left.KJPerMm < right.KJPerMm;

    /// <summary>Whether the left is larger.</summary>
    public static bool operator >(HeatInput left, HeatInput right) => left.KJPerMm > right.KJPerMm;

    /// <summary>Whether the left is smaller or equal.</summary>
    public static bool operator <=(HeatInput left, HeatInput right) => left.KJPerMm <= right.KJPerMm;

    /// <summary>Whether the left is larger or equal.</summary>
    public static bool operator >=(HeatInput left, HeatInput right) => left.KJPerMm >= right.KJPerMm;

    /// <summary>Scales the value; the factor is finite, 0 or more.</summary>
    public static HeatInput operator *(HeatInput value, double factor) => FromKJPerMm(value.KJPerMm * factor);

    /// <summary>How many times the right goes into the left.</summary>
    public static double operator /(HeatInput left, HeatInput right) => left.KJPerMm / right.KJPerMm;

    /// <summary>The value in kilojoules per millimetre, for logs and debuggers.</summary>
    public override string ToString() => $"{KJPerMm.ToString("0.###", CultureInfo.InvariantCulture)} kJ/mm";
}
