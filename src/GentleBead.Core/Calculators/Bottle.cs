using GentleBead.Core.Quantities;

namespace GentleBead.Core.Calculators;

/// <summary>What is in a gas bottle and how long it lasts.</summary>
public static class Bottle
{
    /// <summary>
    /// Pressure at which a bottle counts as empty: below it the regulator no longer holds the flow. Common practice, no source.
    /// </summary>
    public const double EmptyBar = 5;

    /// <summary>What is wrong with a bottle's size and pressure; empty when nothing.</summary>
    /// <param name="waterLitres">Water volume of the bottle.</param>
    /// <param name="bar">Pressure on the gauge.</param>
    public static IEnumerable<Problem> Problems(double waterLitres, double bar)
    {
        if (!(waterLitres is >= 1 and <= 200))
            yield return new("waterL", Say($"Water volume of the bottle, 1 to 200 L; it is stamped on its shoulder."));
        if (!(bar is >= 0 and <= 400))
            yield return new("bar", Say($"Pressure on the gauge, 0 to 400 bar."));
    }

    /// <summary>Gas in a bottle, litres at shop pressure: water volume times pressure (ideal gas).</summary>
    /// <param name="waterLitres">Water volume of the bottle, above 0.</param>
    /// <param name="bar">Pressure on the gauge, 0 to 400.</param>
    public static double Litres(double waterLitres, double bar) => waterLitres * bar;

    /// <summary>Hours of arc left at a flow, down to <see cref="EmptyBar"/>.</summary>
    /// <param name="waterLitres">Water volume of the bottle, above 0.</param>
    /// <param name="bar">Pressure on the gauge, 0 to 400.</param>
    /// <param name="flow">Flow, above 0.</param>
    public static double HoursLeft(double waterLitres, double bar, GasFlow flow) =>
        Litres(waterLitres, Math.Max(0, bar - EmptyBar)) / flow.LPerMin / 60;
}
