using GentleBead.Core.Quantities;

namespace GentleBead.Core.Judging;

/// <summary>From a measured value to the sign it is.</summary>
internal static class Reading
{
    /// <summary>Under, on or over a window.</summary>
    public static Sign In<T>(T value, Window<T> window, Sign under, Sign on, Sign over)
        where T : struct, IComparable<T> =>
        value.CompareTo(window.Low) < 0 ? under
        : value.CompareTo(window.High) > 0 ? over
        : on;

    /// <summary>Under, on or over 1 by more than a share.</summary>
    public static Sign About(double share, double tolerance, Sign under, Sign on, Sign over) =>
        share < 1 - tolerance ? under
        : share > 1 + tolerance ? over
        : on;
}
