using GentleBead.Core.Quantities;

namespace GentleBead.Core.Stock;

/// <summary>
/// Manufacturers' Standard Gauge for steel sheet, numbers 7 to 24. The gauge is defined by weight per
/// area; thickness follows from the density the gauge was drawn up with.
/// </summary>
/// <remarks>Source: the gauge's definition as GNU Units carries it; the tests compare every number with that program.</remarks>
public static class SteelGauge
{
    /// <summary>The thickest sheet known here by gauge number.</summary>
    public const int Lowest = 7;

    /// <summary>The thinnest sheet known here by gauge number.</summary>
    public const int Highest = 24;

    private const double OuncesPerCubicFoot = 501.84 * 16;

    // Ounces per square foot, gauge 7 first.
    private static readonly int[] OuncesPerSquareFoot = [120, 110, 100, 90, 80, 70, 60, 50, 45, 40, 36, 32, 28, 24, 22, 20, 18, 16];

    /// <summary>Thickness of a gauge number.</summary>
    /// <param name="number">7 to 24.</param>
    /// <exception cref="ArgumentOutOfRangeException">A number outside 7 to 24.</exception>
    public static Length Thickness(int number)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(number, Lowest);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(number, Highest);
        return Length.FromInches(12 * OuncesPerSquareFoot[number - Lowest] / OuncesPerCubicFoot);
    }

    /// <summary>The gauge number whose thickness lies nearest; null when more than 4 % away from every one.</summary>
    public static int? Nearest(Length thickness)
    {
        var number = Enumerable.Range(Lowest, Highest - Lowest + 1).MinBy(candidate => Math.Abs(Thickness(candidate).Mm - thickness.Mm));
        return Math.Abs(Thickness(number) / thickness - 1) <= 0.04 ? number : null;
    }
}
