using GentleBead.Core.Quantities;

namespace GentleBead.Core.Windows;

/// <summary>What a bead or a sweep says of the smooth band.</summary>
public enum BandEvidence
{
    /// <summary>A sweep at these volts smoothed at this wire: the top of the band runs through here.</summary>
    TopEdge,

    /// <summary>A sweep at these volts broke up at this wire: the bottom of the band runs through here.</summary>
    BottomEdge,

    /// <summary>A bead ran smooth: the band reaches here.</summary>
    Inside,

    /// <summary>A bead popped and stubbed: under the band.</summary>
    Under,

    /// <summary>A bead hissed: over the band.</summary>
    Over,
}

/// <summary>One piece of evidence on the smooth band of a machine.</summary>
/// <param name="WireFeed">Wire feed speed at the torch.</param>
/// <param name="Volts">Volts at the arc.</param>
/// <param name="Says">What was found there.</param>
/// <param name="Right">Whether the bead was judged right all round.</param>
/// <param name="Weight">How much it still counts, 0 to 1: older ones fade.</param>
public sealed record WindowPoint(WireFeedSpeed WireFeed, Voltage Volts, BandEvidence Says, bool Right = false, double Weight = 1);
