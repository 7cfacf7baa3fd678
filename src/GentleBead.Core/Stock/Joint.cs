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

    /// <summary>Two plates edge to edge in one plane, edges square.</summary>
    SquareButt,

    /// <summary>Two plates edge to edge in one plane, edges bevelled to a V.</summary>
    VButt,

    /// <summary>Two plates face to face, welded along their common edge.</summary>
    Edge,

    /// <summary>A hole in the upper plate filled onto the lower one, by time.</summary>
    Plug,
}

/// <summary>How a bead is measured.</summary>
public enum BeadMeasure
{
    /// <summary>By the leg of a fillet.</summary>
    Leg,

    /// <summary>By its width from toe to toe.</summary>
    Width,

    /// <summary>By the diameter of the hole it fills.</summary>
    Hole,
}

/// <summary>What a bead's measure is called.</summary>
public static class BeadMeasures
{
    private static readonly Dictionary<BeadMeasure, Said> All = new()
    {
        [BeadMeasure.Leg] = Say($"leg"),
        [BeadMeasure.Width] = Say($"width"),
        [BeadMeasure.Hole] = Say($"hole"),
    };

    /// <summary>Its name in a sentence.</summary>
    public static Said Words(this BeadMeasure measure) => All[measure];
}

/// <summary>What the rules know of a joint.</summary>
/// <param name="Joint">Which joint.</param>
/// <param name="Name">The name an instructor says.</param>
/// <param name="HeatFactor">Current against a bead on plate of the same thickness.</param>
/// <param name="HeatWhy">Why it takes more or less.</param>
/// <param name="Measure">How its bead is measured.</param>
/// <param name="WorkAngle">Smallest and largest angle from the lower or main plate, degrees.</param>
/// <param name="WorkAngleHow">From where the work angle is counted.</param>
/// <param name="Look">What its bead should look like.</param>
public sealed record JointFacts(
    Joint Joint,
    Said Name,
    double HeatFactor,
    Said HeatWhy,
    BeadMeasure Measure,
    (int Low, int High) WorkAngle,
    Said WorkAngleHow,
    Said Look
)
{
    /// <summary>Whether positions are named for a fillet (PB, 2F); otherwise for a groove (PC, 2G).</summary>
    public bool NamedAsFillet { get; init; }

    /// <summary>Whether it is one run by its nature, however thick the plate.</summary>
    public bool OneRun { get; init; }

    /// <summary>Whether its passes fill a groove layer by layer; otherwise they are built up like a pyramid.</summary>
    public bool FilledByDepth { get; init; }

    /// <summary>Whether it is filled by time, standing still.</summary>
    public bool ByTime { get; init; }

    /// <summary>Whether the bead is sized by its leg.</summary>
    public bool IsFillet => Measure == BeadMeasure.Leg;

    /// <summary>ISO 6947 and AWS names of this joint in a position: "PB · 2F".</summary>
    public string PositionName(Position position) => position.Facts().Name(NamedAsFillet);
}

/// <summary>The joints of the trade.</summary>
/// <remarks>
/// Heat factors: common practice, no source. At 1/8 in and 0.030 in wire the rule gives 250 in/min; 280 is what a T
/// takes and 180 what an outside corner takes, hence 1.12 and 0.72; a lap has as many heat paths as a T. A butt takes
/// less than a T: the bead-on-plate rule, a tenth off. An edge has no more metal beside it than a corner.
/// An open outside corner is filled like a groove, hence 1G and 2G.
/// </remarks>
public static class Joints
{
    private static Said FilletLook => Say($"Flat to slightly convex, toes blended into both plates, legs equal, even ripples");

    private static Said ButtLook => Say($"Slightly over flush, toes blended, even ripples, a small even bead on the back");

    /// <summary>Every joint.</summary>
    public static IReadOnlyList<JointFacts> All { get; } =
    [
        new(
            Joint.BeadOnPlate,
            Say($"bead on plate"),
            1.00,
            Say($"one plate, heat runs off to both sides"),
            BeadMeasure.Width,
            (90, 90),
            Say($"square across the plate"),
            Say($"Slightly rounded, toes blended, even ripples")
        )
        {
            OneRun = true,
        },
        new(
            Joint.Lap,
            Say($"lap"),
            1.12,
            Say($"heat runs off three ways, as in a T"),
            BeadMeasure.Leg,
            (55, 65),
            Say($"from the lower plate"),
            FilletLook
        )
        {
            NamedAsFillet = true,
        },
        new(
            Joint.T,
            Say($"T"),
            1.12,
            Say($"heat runs off three ways"),
            BeadMeasure.Leg,
            (40, 45),
            Say($"from the bottom plate"),
            FilletLook
        )
        {
            NamedAsFillet = true,
        },
        new(
            Joint.OutsideCorner,
            Say($"outside corner"),
            0.72,
            Say($"edges do not carry the heat away"),
            BeadMeasure.Leg,
            (90, 90),
            Say($"square across the opening"),
            Say($"Rounded to the outline of a full corner, both edges taken in, even ripples")
        ),
        new(
            Joint.SquareButt,
            Say($"square butt"),
            0.90,
            Say($"two edges, no metal under the gap"),
            BeadMeasure.Width,
            (90, 90),
            Say($"square across the gap"),
            ButtLook
        ),
        new(
            Joint.VButt,
            Say($"V butt"),
            0.90,
            Say($"bevelled edges carry less heat away"),
            BeadMeasure.Width,
            (90, 90),
            Say($"square across the groove"),
            ButtLook
        )
        {
            FilledByDepth = true,
        },
        new(
            Joint.Edge,
            Say($"edge"),
            0.72,
            Say($"edges do not carry the heat away"),
            BeadMeasure.Width,
            (90, 90),
            Say($"square to the edge"),
            Say($"Both edges melted into one even rim")
        )
        {
            OneRun = true,
        },
        new(
            Joint.Plug,
            Say($"plug"),
            1.12,
            Say($"heat runs into both plates, as in a lap"),
            BeadMeasure.Hole,
            (90, 90),
            Say($"square into the hole"),
            Say($"Filled flush, melted into the rim all round, no crater")
        )
        {
            OneRun = true,
            ByTime = true,
        },
    ];

    private static readonly JointFacts[] ByJoint = [.. All.OrderBy(row => row.Joint)];

    /// <summary>The facts of one joint.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a joint of the list.</exception>
    public static JointFacts Facts(this Joint joint) =>
        (uint)joint < (uint)ByJoint.Length
            ? ByJoint[(int)joint]
            : throw new ArgumentOutOfRangeException(nameof(joint), joint, "Not a known joint.");
}
