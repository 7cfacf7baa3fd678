using GentleBead.Core.Quantities;

namespace GentleBead.Core.Beads;

/// <summary>What runs along the back of a bead, as a picture shows it: a mark where it came through, or heat tint.</summary>
/// <param name="Share">Over what share of the bead's length; above 0, up to 1.</param>
/// <param name="Pieces">In how many pieces; 1 or more.</param>
/// <param name="Even">Whether it runs in one piece all along the bead; else it is broken.</param>
/// <param name="Width">How wide it is in the middle of what shows.</param>
/// <param name="Varies">How much its width varies along it, one standard deviation.</param>
public sealed record BackTrace(double Share, int Pieces, bool Even, ReadLength Width, Length Varies)
{
    // All along but for the ends, where a bead has not come up to heat or the eye was pointed past it.
    private const double Along = 0.9;

    /// <summary>Makes one: in one piece over nine tenths of the bead it is even.</summary>
    public static BackTrace Of(double share, int pieces, ReadLength width, Length varies) =>
        new(share, pieces, pieces == 1 && share >= Along, width, varies);
}

/// <summary>What a picture of a bead's back measured.</summary>
/// <param name="Mark">Metal that came through; null where none is to be seen.</param>
/// <param name="Tint">Plate that heat coloured; null where none is to be seen, as under mill scale.</param>
/// <param name="Holes">How wide each place is that looks like a hole burnt through: suspected only, a person notes one.</param>
public sealed record BackMeasures(BackTrace? Mark, BackTrace? Tint, IReadOnlyList<Length> Holes)
{
    /// <summary>
    /// What the far side shows, in the words of a look: a mark that is broken is no more than heat that came through. Null where nothing is
    /// to be seen: mill scale hides tint, so only whoever has the plate in hand says that there is none.
    /// </summary>
    public Penetration? Shows =>
        Mark is { Even: true } ? Penetration.BackMark
        : Mark is not null || Tint is not null ? Penetration.TintBehind
        : null;
}
