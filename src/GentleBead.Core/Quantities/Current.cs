using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>Welding current. Held in amperes.</summary>
public readonly record struct Current : IQuantity<Current>
{
    private Current(double amps) => Amps = amps;

    /// <summary>The value in amperes; finite, 0 or more.</summary>
    public double Amps { get; }

    /// <summary>Makes a value from amperes.</summary>
    /// <param name="amps">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static Current FromAmps(double amps) => new(Finite.NonNegative(amps));

    double IQuantity<Current>.Held => Amps;

    static Current IQuantity<Current>.Holding(double number) => FromAmps(number);

    /// <inheritdoc/>
    public int CompareTo(Current other) => Amps.CompareTo(other.Amps);

    /// <summary>The value in amperes, for logs and debuggers.</summary>
    public override string ToString() => $"{Amps.ToString("0.###", CultureInfo.InvariantCulture)} A";
}
