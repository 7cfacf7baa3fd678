namespace GentleBead.Core.Stock;

/// <summary>How the joint lies.</summary>
public enum Position
{
    /// <summary>Weld axis level, face up.</summary>
    Flat,

    /// <summary>Weld axis level; a fillet in the corner, or a bead across a standing plate.</summary>
    Horizontal,

    /// <summary>Weld axis upright, welded from below.</summary>
    VerticalUp,

    /// <summary>Weld axis upright, welded from above.</summary>
    VerticalDown,

    /// <summary>Weld axis level, face down.</summary>
    Overhead,
}

/// <summary>What the rules know of a position.</summary>
/// <param name="Position">Which position.</param>
/// <param name="Words">In a sentence.</param>
/// <param name="Groove">ISO 6947 and AWS name for beads on plate and butts.</param>
/// <param name="Fillet">ISO 6947 and AWS name for fillets.</param>
/// <param name="Thinner">Whether charts and rules, made for flat and horizontal, do not speak of it.</param>
public sealed record PositionFacts(Position Position, Said Words, string Groove, string Fillet, bool Thinner)
{
    /// <summary>ISO 6947 and AWS name.</summary>
    public string Name(bool fillet) => fillet ? Fillet : Groove;
}

/// <summary>The positions of the trade.</summary>
/// <remarks>Names: ISO 6947 beside AWS A3.0, from memory.</remarks>
public static class Positions
{
    /// <summary>Every position.</summary>
    public static IReadOnlyList<PositionFacts> All { get; } =
    [
        new(Position.Flat, Say($"flat"), "PA · 1G", "PA · 1F", false),
        new(Position.Horizontal, Say($"horizontal"), "PC · 2G", "PB · 2F", false),
        new(Position.VerticalUp, Say($"vertical up"), "PF · 3G", "PF · 3F", true),
        new(Position.VerticalDown, Say($"vertical down"), "PG · 3G", "PG · 3F", true),
        new(Position.Overhead, Say($"overhead"), "PE · 4G", "PD · 4F", true),
    ];

    private static readonly PositionFacts[] ByPosition = [.. All.OrderBy(row => row.Position)];

    /// <summary>The facts of one position.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a position of the list.</exception>
    public static PositionFacts Facts(this Position position) =>
        (uint)position < (uint)ByPosition.Length
            ? ByPosition[(int)position]
            : throw new ArgumentOutOfRangeException(nameof(position), position, "Not a known position.");
}
