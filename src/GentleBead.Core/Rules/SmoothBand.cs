using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>The volts between which an arc runs smooth at a wire feed speed, and the other way round.</summary>
public static class SmoothBand
{
    /// <summary>The smooth band at a wire feed speed, aim in the middle.</summary>
    public static Window<Voltage> At(WireFeedSpeed wireFeed, WireArc arc)
    {
        var line = VoltLine.Of(arc.Process, arc.Wire.Facts());
        var middle = line.Base + line.Slope * BurnOff.AmpsFor(wireFeed, arc).Amps + VoltLine.GasVolts(arc.Process, arc.Gas);
        return new Window<Voltage>(
            Voltage.FromVolts(middle - line.Below),
            Voltage.FromVolts(middle),
            Voltage.FromVolts(middle + line.Above)
        );
    }

    /// <summary>The wire feed speed whose band is centred on these volts.</summary>
    public static WireFeedSpeed WireFeedFor(Voltage volts, WireArc arc)
    {
        var line = VoltLine.Of(arc.Process, arc.Wire.Facts());
        var amps = (volts.Volts - line.Base - VoltLine.GasVolts(arc.Process, arc.Gas)) / line.Slope;
        return BurnOff.WireFeedFor(Current.FromAmps(Math.Max(0, amps)), arc);
    }
}
