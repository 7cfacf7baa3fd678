using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>Arc voltage, tip to work. Held in volts.</summary>
public readonly record struct Voltage : IQuantity<Voltage>
{
    private Voltage(double volts) => Volts = volts;

    /// <summary>The value in volts; finite, 0 or more.</summary>
    public double Volts { get; }

    /// <summary>Makes a value from volts.</summary>
    /// <param name="volts">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static Voltage FromVolts(double volts) => new(Finite.NonNegative(volts));

    double IQuantity<Voltage>.Held => Volts;

    static Voltage IQuantity<Voltage>.Holding(double number) => FromVolts(number);

    /// <inheritdoc/>
    public int CompareTo(Voltage other) => Volts.CompareTo(other.Volts);

    /// <summary>The value in volts, for logs and debuggers.</summary>
    public override string ToString() => $"{Volts.ToString("0.###", CultureInfo.InvariantCulture)} V";
}
