using GentleBead.Core.Quantities;

namespace GentleBead.Core.Stock;

/// <summary>The plates of a shop's rack, thin to thick, and the way down from one to the next thinner.</summary>
/// <remarks>Common practice, no source: the steps that door charts have, steel gauges first, then fractions of an inch.</remarks>
public static class PlateSteps
{
    /// <summary>Every step, thinnest first.</summary>
    public static IReadOnlyList<Length> All { get; } =
    [
        SteelGauge.Thickness(24),
        SteelGauge.Thickness(22),
        SteelGauge.Thickness(20),
        SteelGauge.Thickness(18),
        SteelGauge.Thickness(16),
        SteelGauge.Thickness(14),
        SteelGauge.Thickness(12),
        Inches(1, 8),
        Inches(3, 16),
        Inches(1, 4),
        Inches(5, 16),
        Inches(3, 8),
        Inches(1, 2),
        Inches(5, 8),
        Inches(3, 4),
        Inches(1, 1),
    ];

    /// <summary>The plate so many steps thinner; between two steps as far between those below them. Never thinner than the first.</summary>
    /// <param name="thickness">Any thickness.</param>
    /// <param name="steps">0 or more.</param>
    public static Length Thinner(Length thickness, int steps)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(steps);
        // Past either end of the rack the nearest two plates give the measure.
        var above = 1;
        while (above < All.Count - 1 && All[above] < thickness)
            above++;
        var (low, high) = (All[above - 1].Mm, All[above].Mm);
        var place = above - 1 + (thickness.Mm - low) / (high - low) - steps;
        if (place <= 0)
            return thickness < All[0] ? thickness : All[0];
        var under = Math.Min((int)place, All.Count - 2);
        return Length.FromMm(All[under].Mm + (place - under) * (All[under + 1].Mm - All[under].Mm));
    }

    private static Length Inches(double over, double under) => Length.FromInches(over / under);
}
