using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>Metal in equals metal down: the balance of wire, travel and bead.</summary>
public static class Deposit
{
    /// <summary>Metal laid down in a minute, mm3.</summary>
    /// <param name="wireFeed">Wire feed speed.</param>
    /// <param name="wire">Which wire.</param>
    /// <param name="depositShare">Share of the wire that stays in the bead, above 0 to 1.</param>
    public static double Mm3PerMin(WireFeedSpeed wireFeed, Wire wire, double depositShare) =>
        wireFeed.MPerMin * 1000 * wire.Facts().AreaMm2 * depositShare;

    /// <summary>Travel speed at which the wire fills a bead of this area.</summary>
    /// <param name="beadAreaMm2">Bead cross-section above the plates, above 0.</param>
    /// <param name="wireFeed">Wire feed speed.</param>
    /// <param name="wire">Which wire.</param>
    /// <param name="depositShare">Share of the wire that stays in the bead, above 0 to 1.</param>
    public static TravelSpeed TravelFor(double beadAreaMm2, WireFeedSpeed wireFeed, Wire wire, double depositShare) =>
        TravelSpeed.FromMmPerMin(Mm3PerMin(wireFeed, wire, depositShare) / beadAreaMm2);

    /// <summary>Bead cross-section that a wire and travel speed leave, mm2.</summary>
    public static double BeadArea(WireFeedSpeed wireFeed, Wire wire, TravelSpeed travel, double depositShare) =>
        Mm3PerMin(wireFeed, wire, depositShare) / travel.MmPerMin;
}
