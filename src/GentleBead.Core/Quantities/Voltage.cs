using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>Arc voltage, tip to work. Held in volts.</summary>
public readonly record struct Voltage : IComparable<Voltage>
{
    private Voltage(double volts) => Volts = volts;

    /// <summary>The value in volts; finite, 0 or more.</summary>
    public double Volts { get; }

    /// <summary>Makes a value from volts.</summary>
    /// <param name="volts">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static Voltage FromVolts(double volts) => new(Finite.NonNegative(volts));

    /// <inheritdoc/>
    public int CompareTo(Voltage other) => Volts.CompareTo(other.Volts);

    /// <summary>Whether the left is smaller.</summary>
    public static bool operator <(Voltage left, Voltage right) => left.Volts < right.Volts;

    /// <summary>Whether the left is larger.</summary>
    public static bool operator >(Voltage left, Voltage right) => left.Volts > right.Volts;

    /// <summary>Whether the left is smaller or equal.</summary>
    public static bool operator <=(Voltage left, Voltage right) => left.Volts <= right.Volts;

    /// <summary>Whether the left is larger or equal.</summary>
    public static bool operator >=(Voltage left, Voltage right) => left.Volts >= right.Volts;

    /// <summary>Scales the value; the factor is finite, 0 or more.</summary>
    public static Voltage operator *(Voltage value, double factor) => FromVolts(value.Volts * factor);

    /// <summary>How many times the right goes into the left.</summary>
    public static double operator /(Voltage left, Voltage right) => left.Volts / right.Volts;

    /// <summary>The value in volts, for logs and debuggers.</summary>
    public override string ToString() => $"{Volts.ToString("0.###", CultureInfo.InvariantCulture)} V";
}
