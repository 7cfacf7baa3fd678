namespace GentleBead.Core.Quantities;

/// <summary>A value aimed at, with the range around it that is as good in practice.</summary>
/// <typeparam name="T">A quantity.</typeparam>
/// <param name="Low">Lowest good value; at most <paramref name="Aim"/>.</param>
/// <param name="Aim">The value to set.</param>
/// <param name="High">Highest good value; at least <paramref name="Aim"/>.</param>
public sealed record Window<T>(T Low, T Aim, T High)
    where T : struct, IComparable<T>
{
    /// <summary>Whether a value lies in the window, its edges included.</summary>
    public bool Holds(T value) => Low.CompareTo(value) <= 0 && value.CompareTo(High) <= 0;
}
