using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>
/// Wire feed speed and current of an arc, one from the other: by the wire's own factor, or by its melting rate in spray and pulsed work.
/// </summary>
public static class BurnOff
{
    /// <summary>Wire feed speed that burns off at a current.</summary>
    public static WireFeedSpeed WireFeedFor(Current amps, WireArc arc)
    {
        var wire = arc.Wire.Facts();
        return Melting.AppliesTo(arc.Process, wire)
            ? Melting.WireFeed(amps, Melting.SprayStickOut, wire)
            : WireFeedSpeed.FromInPerMin(amps.Amps * wire.BurnOff);
    }

    /// <summary>Current that a wire feed speed draws: the other way round.</summary>
    public static Current AmpsFor(WireFeedSpeed wireFeed, WireArc arc)
    {
        var wire = arc.Wire.Facts();
        return Melting.AppliesTo(arc.Process, wire)
            ? Melting.Amps(wireFeed, Melting.SprayStickOut, wire)
            : Current.FromAmps(wireFeed.InPerMin / wire.BurnOff);
    }
}
