using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Calculators;

/// <summary>Shape of the weld for the cooling time, with its heat-flow factors.</summary>
public enum CoolingShape
{
    /// <summary>A run on plate.</summary>
    OnPlate,

    /// <summary>Between the runs of a butt weld.</summary>
    Butt,

    /// <summary>A single-run fillet at a corner.</summary>
    Corner,

    /// <summary>A single-run fillet at a T.</summary>
    Tee,
}

/// <summary>How fast a weld cools, and how long to wait for a fair comparison.</summary>
public static class Cooling
{
    // Heat given off to still air by convection and radiation, W/(m2 K), near 200 degrees; common practice, no source.
    private const double StillAir = 20;

    // A plate this near the shop's temperature welds like a cold one.
    private const double FairRise = 15;

    /// <summary>
    /// Cooling time from 800 to 500 degrees of unalloyed and low-alloy steel, EN 1011-2 (from memory): three-dimensional
    /// heat flow in thick plate, two-dimensional in thin, the longer of the two.
    /// </summary>
    /// <param name="heat">Heat input by EN 1011-1.</param>
    /// <param name="thickness">Plate thickness, above 0.</param>
    /// <param name="preheatC">Temperature of the plate before, degrees Celsius; 0 to 400.</param>
    /// <param name="shape">Shape of the weld.</param>
    /// <returns>Seconds; whether the heat flows three ways; and the thickness at which it changes over.</returns>
    public static (double Seconds, bool Thick, Length Transition) T85(HeatInput heat, Length thickness, double preheatC, CoolingShape shape)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(preheatC, 0);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(preheatC, 400);
        ArgumentOutOfRangeException.ThrowIfLessThanOrEqual(thickness.Mm, 0);
        var (f2, f3) = Factors(shape);
        var q = heat.KJPerMm;
        var (to500, to800) = (1 / (500 - preheatC), 1 / (800 - preheatC));
        var thick = (6700 - 5 * preheatC) * q * (to500 - to800) * f3;
        var thin = (4300 - 4.3 * preheatC) * 1e5 * q * q / (thickness.Mm * thickness.Mm) * (to500 * to500 - to800 * to800) * f2;
        var transition = Math.Sqrt((4300 - 4.3 * preheatC) * 1e5 / (6700 - 5 * preheatC) * q * (to500 + to800) * f2 / f3);
        return (Math.Max(thick, thin), thickness.Mm >= transition, Length.FromMm(transition));
    }

    /// <summary>
    /// How warm a coupon is after a bead, evenly through, and how long it
    /// takes to be fit for a fair comparison: in still air, or under water.
    /// </summary>
    /// <remarks>
    /// Heat balance of the whole piece, then Newton's cooling; 20 W/(m2 K) in still air, common practice, no source. An estimate: a hand
    /// near the plate decides.
    /// </remarks>
    /// <param name="heat">Heat input by EN 1011-1.</param>
    /// <param name="beadLength">Length of the bead.</param>
    /// <param name="length">Length of the coupon, above 0.</param>
    /// <param name="width">Width of the coupon, above 0.</param>
    /// <param name="thickness">Thickness of the coupon, above 0.</param>
    /// <param name="metal">What it is made of.</param>
    /// <returns>Rise in degrees; seconds of waiting in still air until it is within 15 degrees; seconds under water.</returns>
    public static (double RiseC, double WaitSeconds, double QuenchSeconds) Wait(
        HeatInput heat,
        Length beadLength,
        Length length,
        Length width,
        Length thickness,
        Metal metal
    )
    {
        var facts = metal.Facts();
        var kilograms = length.Mm * width.Mm * thickness.Mm * 1e-6 * facts.DensityGPerCm3;
        var rise = heat.KJPerMm * beadLength.Mm * 1000 / (kilograms * facts.SpecificHeatJPerKgK);
        if (rise <= FairRise)
            return (rise, 0, 0);
        // Both faces give off heat; the edges are left out.
        var perSecond = 2 * StillAir / (facts.DensityGPerCm3 * 1000 * facts.SpecificHeatJPerKgK * thickness.Mm / 1000);
        // Moving water takes it some fifty times as fast; common practice, no source.
        const double Water = 50;
        var seconds = Math.Log(rise / FairRise) / perSecond;
        return (rise, seconds, Math.Max(5, seconds / Water));
    }

    // EN 1011-2, table of shape factors, from memory. The T is worked with the middle of its two-dimensional range.
    private static (double F2, double F3) Factors(CoolingShape shape) =>
        shape switch
        {
            CoolingShape.Butt => (0.9, 0.9),
            CoolingShape.Corner => (0.8, 0.67),
            CoolingShape.Tee => (0.56, 0.67),
            _ => (1, 1),
        };
}
