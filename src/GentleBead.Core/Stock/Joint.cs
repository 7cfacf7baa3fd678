namespace GentleBead.Core.Stock;

/// <summary>How the members meet.</summary>
public enum Joint
{
    /// <summary>A bead laid on the face of a plate.</summary>
    BeadOnPlate,

    /// <summary>One plate lying over the other; a fillet at the edge.</summary>
    Lap,

    /// <summary>One plate standing on the other; a fillet in the corner.</summary>
    T,

    /// <summary>Two plates meeting edge to edge at a right angle, welded from outside.</summary>
    OutsideCorner,
}

/// <summary>How the joint lies. More positions come with more processes.</summary>
public enum Position
{
    /// <summary>Weld axis level, face up.</summary>
    Flat,

    /// <summary>Weld axis level; a fillet in the corner, or a bead across a standing plate.</summary>
    Horizontal,
}

/// <summary>What the rules know of a joint.</summary>
/// <param name="Joint">Which joint.</param>
/// <param name="Name">The name an instructor says.</param>
/// <param name="HeatFactor">Current against a bead on plate of the same thickness.</param>
/// <param name="HeatWhy">Why it takes more or less.</param>
/// <param name="IsFillet">Whether the bead is sized by its leg; otherwise by its width.</param>
/// <param name="WorkAngleLow">Smallest angle from the lower or main plate, degrees.</param>
/// <param name="WorkAngleHigh">Largest angle from the lower or main plate, degrees.</param>
/// <param name="WorkAngleHow">From where the work angle is counted.</param>
/// <param name="FlatPosition">ISO 6947 and AWS name of the flat position.</param>
/// <param name="HorizontalPosition">ISO 6947 and AWS name of the horizontal position.</param>
public sealed record JointFacts(
    Joint Joint, string Name, double HeatFactor, string HeatWhy, bool IsFillet,
    int WorkAngleLow, int WorkAngleHigh, string WorkAngleHow, string FlatPosition, string HorizontalPosition)
{
    /// <summary>ISO 6947 and AWS names of this joint in a position: "PB · 2F".</summary>
    public string PositionName(Position position) => position == Position.Flat ? FlatPosition : HorizontalPosition;
}

/// <summary>The joints of the trade.</summary>
/// <remarks>
/// Heat factors: common practice, no source. At 1/8 in and 0.030 in wire the rule gives 250 in/min; 280 is what a T
/// takes and 180 what an outside corner takes, hence 1.12 and 0.72; a lap has as many heat paths as a T.
/// An open outside corner is filled like a groove, hence 1G and 2G.
/// </remarks>
public static class Joints
{
    /// <summary>Every joint.</summary>
    public static IReadOnlyList<JointFacts> All { get; } =
    [
        new(Joint.BeadOnPlate, "bead on plate", 1.00, "one plate, heat runs off to both sides", false, 90, 90, "square across the plate", "PA · 1G", "PC · 2G"),
        new(Joint.Lap, "lap", 1.12, "heat runs off three ways, as in a T", true, 55, 65, "from the lower plate", "PA · 1F", "PB · 2F"),
        new(Joint.T, "T", 1.12, "heat runs off three ways", true, 40, 45, "from the bottom plate", "PA · 1F", "PB · 2F"),
        new(Joint.OutsideCorner, "outside corner", 0.72, "edges do not carry the heat away", true, 90, 90, "square across the opening", "PA · 1G", "PC · 2G"),
    ];

    /// <summary>The facts of one joint.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a joint of the list.</exception>
    public static JointFacts Facts(this Joint joint) =>
        All.FirstOrDefault(row => row.Joint == joint) ?? throw new ArgumentOutOfRangeException(nameof(joint), joint, "Not a known joint.");
}
