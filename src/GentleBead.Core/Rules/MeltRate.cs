using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>What an arc draws at a wire feed speed and a stick-out: one rule for sheets, evidence and the simulated arc.</summary>
/// <remarks>
/// Lesnewich's v = a I + b L I² (1958), the second part being the heat of the stick-out's own resistance. Where the trade has one factor
/// for a wire (<see cref="BurnOff"/>), both parts are scaled so that factor and rule agree at the middle of the wire's usual currents and
/// a short stick-out; away from there the factor asks for more current than a wire with a longer stick-out can draw.
/// </remarks>
public static class MeltRate
{
    /// <summary>The stick-out at which the trade's factors hold: the usual one of a dip transfer.</summary>
    public static readonly Length FactorsHoldAt = Length.FromMm(10);

    // A wire melts at one rate whatever its drops do: in globular as in dip transfer, from where its factor comes.
    private static readonly Dictionary<Process, Process> FactorsFrom = new() { [Process.GmawGlobular] = Process.GmawShortCircuit };

    /// <summary>Current that a wire feed speed draws.</summary>
    /// <param name="wireFeed">Wire feed speed.</param>
    /// <param name="stickOut">Tip to work; 1 to 50 mm.</param>
    /// <param name="process">How the wire is carried.</param>
    /// <param name="wire">The wire.</param>
    public static Current Amps(WireFeedSpeed wireFeed, Length stickOut, Process process, WireFacts wire) =>
        Melting.Amps(wireFeed, stickOut, Constants(process, wire));

    /// <summary>Wire feed speed that melts off at a current: the other way round.</summary>
    /// <param name="amps">The current.</param>
    /// <param name="stickOut">Tip to work; 1 to 50 mm.</param>
    /// <param name="process">How the wire is carried.</param>
    /// <param name="wire">The wire.</param>
    public static WireFeedSpeed WireFeed(Current amps, Length stickOut, Process process, WireFacts wire) =>
        Melting.WireFeed(amps, stickOut, Constants(process, wire));

    /// <summary>a in mm/(A s) and b in 1/(A² s) of an arc.</summary>
    internal static (double A, double B) Constants(Process process, WireFacts wire)
    {
        var (a, b) = Melting.Constants(wire);
        if (Melting.AppliesTo(process, wire) || wire.BurnOff == 0)
            return (a, b);
        var range = wire.RangeIn(FactorsFrom.GetValueOrDefault(process, process)) ?? wire.RangeIn(process)!;
        var amps = (range.UsualLow.Amps + range.UsualHigh.Amps) / 2;
        var factor = WireFeedSpeed.FromInPerMin(wire.BurnOff).MPerMin * 1000 / 60 / (a + b * FactorsHoldAt.Mm * amps);
        return (a * factor, b * factor);
    }
}
