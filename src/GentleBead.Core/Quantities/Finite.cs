using System.Runtime.CompilerServices;

namespace GentleBead.Core.Quantities;

/// <summary>The one check every quantity makes on entry: a real, non-negative number.</summary>
internal static class Finite
{
    public static double NonNegative(double value, [CallerArgumentExpression(nameof(value))] string? name = null) =>
        double.IsFinite(value) && value >= 0
            ? value
            : throw new ArgumentOutOfRangeException(name, value, $"{name} must be a finite number of 0 or more.");
}
