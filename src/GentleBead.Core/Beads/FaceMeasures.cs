using GentleBead.Core.Quantities;

namespace GentleBead.Core.Beads;

/// <summary>A length that was read off a picture, and between what it lies in nineteen cases of twenty.</summary>
/// <param name="Value">What it was read as.</param>
/// <param name="Low">It is hardly shorter than this.</param>
/// <param name="High">It is hardly longer than this.</param>
public sealed record ReadLength(Length Value, Length Low, Length High)
{
    /// <summary>Makes one from its middle and half of what it lies between, mm; nothing is shorter than 0.</summary>
    public static ReadLength Of(double mm, double half) =>
        new(Length.FromMm(Math.Max(0, mm)), Length.FromMm(Math.Max(0, mm - half)), Length.FromMm(Math.Max(0, mm + half)));
}

/// <summary>Heat tint on one side of a bead, as a picture shows it.</summary>
/// <param name="Width">How far from the toe it reaches; 0 where there is none.</param>
/// <param name="Varies">How much that varies along the bead, one standard deviation.</param>
/// <param name="Hottest">The colour next to the toe; null without tint.</param>
public sealed record FaceTint(ReadLength Width, Length Varies, TintColour? Hottest);

/// <summary>Spatter beside a bead, as a picture shows it: grains of half a millimetre and more.</summary>
/// <param name="Count">How many; 0 or more.</param>
/// <param name="Largest">How wide the largest is; 0 without any.</param>
/// <param name="Furthest">How far from the toe the furthest lies; 0 without any.</param>
public sealed record FaceSpatter(int Count, Length Largest, Length Furthest);

/// <summary>What a picture of a bead's face measured. Null means it could not be told.</summary>
/// <param name="Length">From start to end.</param>
/// <param name="Width">Toe to toe, in the middle of the bead.</param>
/// <param name="Wanders">How much the width varies along the bead, one standard deviation.</param>
/// <param name="OffStraight">How far its middle line leaves a straight one at most.</param>
/// <param name="Ripple">From one ripple to the next.</param>
/// <param name="RippleSpread">How much that varies, as a share of it: even hands stay under a fifth.</param>
/// <param name="Spatter">Grains beside it.</param>
/// <param name="Pores">How wide each open pore of half a millimetre and more is.</param>
/// <param name="PoresPer25Mm">All pores' widths together over the worst 25 mm.</param>
/// <param name="LeftTint">Tint on the left, seen along the bead.</param>
/// <param name="RightTint">Tint on the right.</param>
/// <param name="Leg">Legs of a fillet, taken as alike; null on a flat bead.</param>
/// <param name="Undercut">How long what looks like a groove goes along its toes, both sides together, above 0; how deep it is a gauge
/// says. Null where none is plain to see, which does not say that there is none.</param>
/// <param name="Crater">Whether its end looks hollow; null likewise.</param>
/// <param name="Restart">Whether it looks as if it had been begun anew; null likewise.</param>
public sealed record FaceMeasures(
    ReadLength Length,
    ReadLength Width,
    Length Wanders,
    Length OffStraight,
    ReadLength? Ripple,
    double? RippleSpread,
    FaceSpatter Spatter,
    IReadOnlyList<Length> Pores,
    Length PoresPer25Mm,
    FaceTint? LeftTint,
    FaceTint? RightTint,
    ReadLength? Leg,
    Length? Undercut = null,
    bool? Crater = null,
    bool? Restart = null
);
