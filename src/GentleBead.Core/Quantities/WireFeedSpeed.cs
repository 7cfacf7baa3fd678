using System.Globalization;

namespace GentleBead.Core.Quantities;

/// <summary>How fast the wire leaves the tip. Held in metres per minute.</summary>
public readonly record struct WireFeedSpeed : IQuantity<WireFeedSpeed>
{
    private WireFeedSpeed(double mPerMin) => MPerMin = mPerMin;

    /// <summary>The value in metres per minute; finite, 0 or more.</summary>
    public double MPerMin { get; }

    /// <summary>Metres in one inch, exact by definition.</summary>
    public const double MPerInch = 0.0254;

    /// <summary>The value in inches per minute.</summary>
    public double InPerMin => MPerMin / MPerInch;

    /// <summary>Makes a value from metres per minute.</summary>
    /// <param name="mPerMin">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static WireFeedSpeed FromMPerMin(double mPerMin) => new(Finite.NonNegative(mPerMin));

    /// <summary>Makes a value from inches per minute.</summary>
    /// <param name="inPerMin">Finite, 0 or more.</param>
    /// <exception cref="ArgumentOutOfRangeException">Not finite, or below 0.</exception>
    public static WireFeedSpeed FromInPerMin(double inPerMin) => new(Finite.NonNegative(inPerMin) * MPerInch);

    double IQuantity<WireFeedSpeed>.Held => MPerMin;

    static WireFeedSpeed IQuantity<WireFeedSpeed>.Holding(double number) => FromMPerMin(number);

    /// <inheritdoc/>
    public int CompareTo(WireFeedSpeed other) => MPerMin.CompareTo(other.MPerMin);

    /// <summary>The value in metres per minute, for logs and debuggers.</summary>
    public override string ToString() => $"{MPerMin.ToString("0.###", CultureInfo.InvariantCulture)} m/min";
}
