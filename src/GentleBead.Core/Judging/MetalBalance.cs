using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using static GentleBead.Core.Judging.Sign;

namespace GentleBead.Core.Judging;

/// <summary>
/// Leg, pace and wire balance each other: what is fed is laid. Where all three are known and do not add up, one of them is wrong.
/// </summary>
internal static class MetalBalance
{
    // A gauge reads a leg to a twelfth and a watch a pace to a twentieth: of the metal that makes about a quarter.
    private const double Tolerance = 0.25;

    /// <summary>The metal measured in the bead against what the wire should have laid at this pace.</summary>
    public static Observation Row { get; } =
        Observation.Graded(
            bead => Share(bead) is { } share ? (share, Reading.About(Tolerance)) : null,
            new(MetalUnder, Say($"less metal in it than this wire lays at this pace")),
            new(MetalOn, Say($"metal, wire and pace add up")),
            new(MetalOver, Say($"more metal in it than this wire lays at this pace"))
        );

    /// <summary>Which number to doubt, where the metal does not add up; null where it does, or is not known.</summary>
    /// <param name="bead">The bead.</param>
    /// <param name="signs">Its signs.</param>
    public static Said? Doubt(BeadAtHand bead, IReadOnlySet<Sign> signs)
    {
        if (bead is not FedBead fed || Share(bead) is not { } share || signs.Contains(MetalOn))
            return null;
        var laid = WireFeedSpeed.FromMPerMin(fed.Used.WireFeed.MPerMin * share);
        var adds = Say($"The metal does not add up: this leg at this pace takes about {laid} of wire, and {fed.Used.WireFeed} is set.");
        // Amps that fit the wire speak for it; a machine that was never measured speaks against it.
        return Sentences(
            adds,
            signs.Contains(ArcAmpsOn) ? Say($"The amps fit the wire: doubt the gauge or the watch, and measure both again.")
                : signs.Contains(MachineMeasured) ? Say($"This machine was measured: doubt the gauge or the watch first, then the wire.")
                : Say($"Doubt the wire speed first: nobody has measured it here.")
        );
    }

    // Against the sheet's own bead, whose leg, pace and wire add up.
    private static double? Share(BeadAtHand bead)
    {
        if (
            bead is not FedBead fed
            || fed.Sheet is not { BeadMeasure: BeadMeasure.Leg, Travel: { } pace, Passes.Count: 1 } sheet
            || fed.Evidence.SizeBy(sheet.BeadMeasure) is not { } leg
            || fed.Evidence.Travel() is not { } travel
        )
            return null;
        var metal = Math.Pow(leg / sheet.BeadSize.Aim, 2);
        var laid = fed.Used.WireFeed / fed.Pair.WireFeed / (travel / pace);
        return laid > 0 ? metal / laid : null;
    }
}
