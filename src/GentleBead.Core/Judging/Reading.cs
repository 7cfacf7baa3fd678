using GentleBead.Core.Quantities;

namespace GentleBead.Core.Judging;

/// <summary>
/// From a measured value to the signs it is, and how far it is each: no value is right and the next one wrong. Across an edge the sign goes
/// over into its neighbour, half and half on the edge itself; far past it, it counts for more.
/// </summary>
/// <param name="Low">Where right begins.</param>
/// <param name="High">Where it ends.</param>
/// <param name="Ramp">Over how wide a stretch, half of it on either side of an edge, one sign goes over into the other.</param>
internal readonly record struct Reading(double Low, double High, double Ramp)
{
    // How much more than once a sign counts at the most, and over how many ramps past the edge it comes to that.
    private const double MostMore = 0.5;
    private const double MoreOver = 4;

    // How much of a tolerance the ramp takes up about each edge of it.
    private const double OfTolerance = 3.3;

    /// <summary>About 1 by a share.</summary>
    public static Reading About(double tolerance) => new(1 - tolerance, 1 + tolerance, OfTolerance * tolerance);

    /// <summary>A window with a ramp at its edges.</summary>
    public static Reading In<T>(Window<T> window, Func<T, double> number, double beside, double ramp)
        where T : struct, IComparable<T> => new(number(window.Low) - beside, number(window.High) + beside, ramp);

    /// <summary>The one sign that a value is before any other.</summary>
    public Sign Plainly(double value, Sign under, Sign on, Sign over) =>
        value < Low ? under
        : value > High ? over
        : on;

    /// <summary>The signs of a value, each with how far it is that; together they count once, or more when it is far off.</summary>
    public IEnumerable<(Sign Sign, double Degree)> Of(double value, Sign under, Sign on, Sign over)
    {
        var (low, high) = (Past((Low - value) / Ramp), Past((value - High) / Ramp));
        if (low > 0)
            yield return (under, low);
        if (high > 0)
            yield return (over, high);
        if (1 - low - high > 0)
            yield return (on, 1 - low - high);
    }

    // 0 half a ramp inside the edge, a half on it, 1 half a ramp outside, and on slowly from there.
    private static double Past(double ramps)
    {
        var within = Math.Clamp(ramps + 0.5, 0, 1);
        return within < 1 ? within : 1 + MostMore * Math.Clamp((ramps - 0.5) / MoreOver, 0, 1);
    }
}
