using GentleBead.Core.Quantities;

namespace GentleBead.Core.Rules;

/// <summary>Heat put in per length of weld.</summary>
public static class ArcHeat
{
    /// <summary>By EN 1011-1: Q = k U I / v.</summary>
    /// <param name="volts">Arc voltage.</param>
    /// <param name="amps">Current.</param>
    /// <param name="travel">Travel speed, above 0.</param>
    /// <param name="arcShare">k: 0.8 for MIG, MAG and flux-cored, 0.6 for TIG.</param>
    public static HeatInput En(Voltage volts, Current amps, TravelSpeed travel, double arcShare) => Aws(volts, amps, travel) * arcShare;

    /// <summary>By AWS D1.1 and ASME IX: H = 60 U I / S, all of the arc's energy counted.</summary>
    public static HeatInput Aws(Voltage volts, Current amps, TravelSpeed travel) =>
        HeatInput.FromKJPerMm(volts.Volts * amps.Amps * 60 / (travel.MmPerMin * 1000));
}
