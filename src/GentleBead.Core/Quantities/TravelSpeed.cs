using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>How fast the torch moves along the joint. Held in millimetres per minute.</summary>
public readonly record struct TravelSpeed : IQuantity<TravelSpeed>
{
    private TravelSpeed(double mmPerMin) => MmPerMin = mmPerMin;

    /// <summary>The value in millimetres per minute; finite, 0 or more.</summary>
    public double MmPerMin { get; }

    /// <summary>The value in inches per minute.</summary>
    public double InPerMin => MmPerMin / Length.MmPerInch;

    /// <summary>Makes a value from millimetres per minute.</summary>
    /// <param name="mmPerMin">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static TravelSpeed FromMmPerMin(double mmPerMin) => new(Finite.NonNegative(mmPerMin));

    /// <summary>Makes a value from inches per minute.</summary>
    /// <param name="inPerMin">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static TravelSpeed FromInPerMin(double inPerMin) => new(Finite.NonNegative(inPerMin) * Length.MmPerInch);

    double IQuantity<TravelSpeed>.Held => MmPerMin;

    static TravelSpeed IQuantity<TravelSpeed>.Holding(double number) => FromMmPerMin(number);

    /// <inheritdoc/>
    public int CompareTo(TravelSpeed other) => MmPerMin.CompareTo(other.MmPerMin);

    /// <summary>The value in millimetres per minute, for logs and debuggers.</summary>
    public override string ToString() => $"{MmPerMin.ToString("0.###", CultureInfo.InvariantCulture)} mm/min";
}
