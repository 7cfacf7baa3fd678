using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>Shielding gas flow. Held in litres per minute.</summary>
public readonly record struct GasFlow : IQuantity<GasFlow>
{
    private GasFlow(double lPerMin) => LPerMin = lPerMin;

    /// <summary>The value in litres per minute; finite, 0 or more.</summary>
    public double LPerMin { get; }

    /// <summary>Litres in one cubic foot: 0.3048 m cubed, exact by definition.</summary>
    public const double LPerCubicFoot = 28.316846592;

    /// <summary>The value in cubic feet per hour.</summary>
    public double CubicFeetPerHour => LPerMin / (LPerCubicFoot / 60);

    /// <summary>Makes a value from litres per minute.</summary>
    /// <param name="lPerMin">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static GasFlow FromLPerMin(double lPerMin) => new(Finite.NonNegative(lPerMin));

    /// <summary>Makes a value from cubic feet per hour.</summary>
    /// <param name="cubicFeetPerHour">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static GasFlow FromCubicFeetPerHour(double cubicFeetPerHour) => new(Finite.NonNegative(cubicFeetPerHour) * (LPerCubicFoot / 60));

    double IQuantity<GasFlow>.Held => LPerMin;

    static GasFlow IQuantity<GasFlow>.Holding(double number) => FromLPerMin(number);

    /// <inheritdoc/>
    public int CompareTo(GasFlow other) => LPerMin.CompareTo(other.LPerMin);

    /// <summary>The value in litres per minute, for logs and debuggers.</summary>
    public override string ToString() => $"{LPerMin.ToString("0.###", CultureInfo.InvariantCulture)} L/min";
}
