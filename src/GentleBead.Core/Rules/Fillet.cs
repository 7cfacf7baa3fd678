using GentleBead.Core.Quantities;

namespace GentleBead.Core.Rules;

/// <summary>Sizes of a fillet.</summary>
public static class Fillet
{
    // A tenth over the triangle for the slight crown.
    private const double Crown = 1.1;

    /// <summary>Area of a fillet of this leg with its slight crown, mm2.</summary>
    public static double Area(Length leg) => Crown * leg.Mm * leg.Mm / 2;

    /// <summary>Leg of a fillet of this area in mm2: the other way round.</summary>
    public static Length Leg(double areaMm2) => Length.FromMm(Math.Sqrt(areaMm2 * 2 / Crown));

    /// <summary>Throat of an equal-legged fillet: leg over the square root of two.</summary>
    public static Length Throat(Length leg) => leg * (1 / Math.Sqrt(2));

    /// <summary>
    /// Smallest fillet for a base metal thickness, AWS D1.1 (table of minimum fillet weld sizes, from memory): 1/8, 3/16, 1/4, 5/16 in up
    /// to and past 1/4, 1/2, 3/4 in.
    /// </summary>
    /// <param name="thicker">The thicker member.</param>
    public static Length Smallest(Length thicker) =>
        Length.FromInches(
            thicker.Inches switch
            {
                <= 0.25 => 1.0 / 8,
                <= 0.5 => 3.0 / 16,
                <= 0.75 => 1.0 / 4,
                _ => 5.0 / 16,
            }
        );
}
