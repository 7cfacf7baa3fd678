namespace GentleBead.Core.Beads;

/// <summary>What the eye measured of a section, and between what each lies; what each is, as in <see cref="MacroMeasures"/>.</summary>
/// <param name="LowerLeg">Leg on the lower plate.</param>
/// <param name="UpperLeg">Leg on the standing plate.</param>
/// <param name="Throat">Actual throat.</param>
/// <param name="Width">Toe to toe.</param>
/// <param name="Reinforcement">How far the face stands over the line between the toes.</param>
/// <param name="RootPenetration">How far the fusion line goes past the root.</param>
/// <param name="LowerPenetration">How far into the lower plate.</param>
/// <param name="UpperPenetration">How far into the standing plate.</param>
/// <param name="UnfusedLength">All unfused lines together.</param>
public sealed record SectionMeasures(
    ReadLength? LowerLeg,
    ReadLength? UpperLeg,
    ReadLength? Throat,
    ReadLength Width,
    ReadLength Reinforcement,
    ReadLength? RootPenetration,
    ReadLength? LowerPenetration,
    ReadLength? UpperPenetration,
    ReadLength UnfusedLength
);
