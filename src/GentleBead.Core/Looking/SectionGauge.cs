using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>Between what each measure of a section lies in nineteen cases of twenty.</summary>
/// <remarks>How far off each may be was taken from drawn sections whose truth is known (bench -- eye sections).</remarks>
internal static class SectionGauge
{
    /// <summary>What it measured.</summary>
    public static SectionMeasures Of(MacroMeasures measures, CardSeen card, SectionTrace trace)
    {
        // What is hard to see is off by more.
        var faint = 1 + 1.5 * (1 - trace.Sure) + 3 * Math.Max(0, card.BlurMm - 0.05);
        ReadLength Read(double mm, double half, double share) => ReadLength.Of(mm, (half + share * mm) * faint);
        return new(
            measures.LowerLeg is { } lower ? Read(lower.Mm, 1.2, 0.03) : null,
            measures.UpperLeg is { } upper ? Read(upper.Mm, 0.8, 0.03) : null,
            measures.Throat is { } throat ? Read(throat.Mm, 0.8, 0.03) : null,
            Read(measures.Width.Mm, 0.5, 0.02),
            Read(measures.Reinforcement.Mm, 0.5, 0.02),
            measures.RootPenetration is { } root ? Read(root.Mm, 0.5, 0.05) : null,
            measures.LowerPenetration is { } down ? Read(down.Mm, 0.7, 0.05) : null,
            measures.UpperPenetration is { } side ? Read(side.Mm, 0.6, 0.05) : null,
            Read(measures.UnfusedLength.Mm, 0.5, 0.1)
        );
    }
}
