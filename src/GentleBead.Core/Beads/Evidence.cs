using GentleBead.Core.Quantities;

namespace GentleBead.Core.Beads;

/// <summary>What the arc sounded like.</summary>
public enum Sound
{
    /// <summary>Even crackle, frying, a steady buzz.</summary>
    EvenCrackle,

    /// <summary>Hiss or trickle, a long soft arc, balls dropping.</summary>
    Hiss,

    /// <summary>Loud pops, stubbing, the wire pushing the torch back.</summary>
    Popping,

    /// <summary>Rattle and heavy pop, fluid loud puddle.</summary>
    Rattle,

    /// <summary>Sputter, at the start or throughout.</summary>
    Sputter,
}

/// <summary>The bead's cross profile.</summary>
public enum Profile
{
    /// <summary>Slightly rounded, as it should be.</summary>
    SlightlyConvex,

    /// <summary>Flat.</summary>
    Flat,

    /// <summary>Tall, narrow, ropy.</summary>
    TallNarrow,

    /// <summary>Fat and heavy, metal piled up.</summary>
    PiledUp,

    /// <summary>Sunk below the plate, wide.</summary>
    Sunk,

    /// <summary>Thin, splotchy, in bulbous pieces.</summary>
    Lumpy,
}

/// <summary>How the bead meets the plate at its edges.</summary>
public enum Toes
{
    /// <summary>Blended in.</summary>
    Blended,

    /// <summary>Cold: lying on top, rolled over.</summary>
    Cold,

    /// <summary>A groove along the toe.</summary>
    Undercut,
}

/// <summary>The band of heat tint beside the bead.</summary>
public enum Tint
{
    /// <summary>None to be seen.</summary>
    None,

    /// <summary>Thin.</summary>
    Thin,

    /// <summary>Even, the same on both sides.</summary>
    Even,

    /// <summary>Wide.</summary>
    Wide,
}

/// <summary>Spatter around the bead.</summary>
public enum Spatter
{
    /// <summary>Little or none.</summary>
    Little,

    /// <summary>Fine.</summary>
    Fine,

    /// <summary>Big beads.</summary>
    Big,
}

/// <summary>The ripples of the bead.</summary>
public enum Ripple
{
    /// <summary>Even.</summary>
    Even,

    /// <summary>Uneven, width wandering.</summary>
    Uneven,

    /// <summary>Drawn out to points.</summary>
    Stretched,
}

/// <summary>Faults that can be seen.</summary>
public enum Fault
{
    /// <summary>Pinholes: porosity at the surface.</summary>
    Pinholes,

    /// <summary>A hole burnt through.</summary>
    Hole,

    /// <summary>One leg plainly longer than the other.</summary>
    UnequalLegs,

    /// <summary>A crack.</summary>
    Crack,
}

/// <summary>What the far side shows.</summary>
public enum Penetration
{
    /// <summary>Looked, and nothing shows.</summary>
    NoneSeen,

    /// <summary>Heat tint behind.</summary>
    TintBehind,

    /// <summary>A mark evenly through on the back.</summary>
    BackMark,
}

/// <summary>What was heard, seen and measured of a bead. Null means not looked at, and never counts as good.</summary>
/// <param name="Sound">The arc.</param>
/// <param name="Profile">The cross profile.</param>
/// <param name="Toes">The edges.</param>
/// <param name="Tint">The tint beside the bead.</param>
/// <param name="Spatter">Spatter.</param>
/// <param name="Ripple">Ripples.</param>
/// <param name="Faults">Faults seen; empty when none.</param>
/// <param name="Penetration">The far side.</param>
/// <param name="BeadSize">Leg of a fillet or width of a bead on plate, if measured; 0.5 to 50 mm.</param>
/// <param name="StickOut">Stick-out, if measured; 1 to 50 mm.</param>
public sealed record Evidence(
    Sound? Sound = null, Profile? Profile = null, Toes? Toes = null, Tint? Tint = null, Spatter? Spatter = null,
    Ripple? Ripple = null, IReadOnlyList<Fault>? Faults = null, Penetration? Penetration = null,
    Length? BeadSize = null, Length? StickOut = null)
{
    /// <summary>Faults seen; never null.</summary>
    public IReadOnlyList<Fault> Faults { get; init; } = Faults ?? [];

    /// <summary>Whether nothing at all was noted.</summary>
    public bool IsEmpty() => Sound is null && Profile is null && Toes is null && Tint is null && Spatter is null && Ripple is null
        && Faults.Count == 0 && Penetration is null && BeadSize is null && StickOut is null;
}
