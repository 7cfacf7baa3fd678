using GentleBead.Core.Judging;

namespace GentleBead.Core.Tests.Judging;

internal static class Counted
{
    /// <summary>Signs that each count once.</summary>
    public static Dictionary<Sign, double> Once(this IEnumerable<Sign> signs) => signs.ToDictionary(sign => sign, _ => 1.0);
}
