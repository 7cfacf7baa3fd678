using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>The single rules a sheet is made of, each usable on its own.</summary>
public static class Rules
{
    /// <summary>Which edition of the rules made a sheet or a verdict; stored with both, raised when a rule changes.</summary>
    public const int Version = 4;

    /// <summary>Amperes for each thousandth of an inch of steel. Common practice, no source.</summary>
    public const double AmpsPerThousandth = 1;

    /// <summary>Where the amps rule stops being true: past it more passes or another mode, not more amps. Common practice, no source.</summary>
    public static readonly Length AmpsRuleEnds = Length.FromInches(0.25);

    // With unequal members the thinner one burns through first: never set for more than this many times it.
    private const double MostOverThinner = 1.5;

    /// <summary>Current a bead on plate of this thickness asks for: 1 A per 0.001 in, good up to <see cref="AmpsRuleEnds"/>.</summary>
    public static Current AmpsForThickness(Length thickness) => Current.FromAmps(thickness.Inches * 1000 * AmpsPerThousandth);

    /// <summary>The one thickness that two unequal members are set for: their mean, at most half as much again as the thinner. Common practice, no source.</summary>
    public static Length SetFor(Length thinner, Length thicker) =>
        Length.FromMm(Math.Min((thinner.Mm + thicker.Mm) / 2, thinner.Mm * MostOverThinner));

    /// <summary>Wire feed speed that burns off at a current: the wire's factor times the amps in in/min, or its melting rate in spray and pulsed work.</summary>
    public static WireFeedSpeed WireFeedFor(Current amps, WireArc arc)
    {
        var wire = arc.Wire.Facts();
        return Melting.Rules(arc.Process, wire)
            ? Melting.WireFeed(amps, Melting.SprayStickOut, wire)
            : WireFeedSpeed.FromInPerMin(amps.Amps * wire.BurnOff);
    }

    /// <summary>Current that a wire feed speed draws: the other way round.</summary>
    public static Current AmpsFor(WireFeedSpeed wireFeed, WireArc arc)
    {
        var wire = arc.Wire.Facts();
        return Melting.Rules(arc.Process, wire)
            ? Melting.Amps(wireFeed, Melting.SprayStickOut, wire)
            : Current.FromAmps(wireFeed.InPerMin / wire.BurnOff);
    }

    /// <summary>Conventional load voltage of a MIG/MAG source, IEC 60974-1: 14 + 0.05 I, at most 44 V.</summary>
    public static Voltage LoadLine(Current amps) => Voltage.FromVolts(Math.Min(44, 14 + 0.05 * amps.Amps));

    /// <summary>Conventional load voltage of a TIG source, IEC 60974-1: 10 + 0.04 I, at most 34 V.</summary>
    public static Voltage TigLoadLine(Current amps) => Voltage.FromVolts(Math.Min(34, 10 + 0.04 * amps.Amps));

    /// <summary>The smooth band at a wire feed speed, aim in the middle.</summary>
    public static Window<Voltage> SmoothBand(WireFeedSpeed wireFeed, WireArc arc)
    {
        var line = VoltLine.Of(arc.Process, arc.Wire.Facts());
        var middle = line.Base + line.Slope * AmpsFor(wireFeed, arc).Amps + VoltLine.GasVolts(arc.Process, arc.Gas);
        return new Window<Voltage>(Voltage.FromVolts(middle - line.Below), Voltage.FromVolts(middle), Voltage.FromVolts(middle + line.Above));
    }

    /// <summary>The wire feed speed whose band is centred on these volts: the band read the other way.</summary>
    public static WireFeedSpeed WireFeedForVolts(Voltage volts, WireArc arc)
    {
        var line = VoltLine.Of(arc.Process, arc.Wire.Facts());
        var amps = (volts.Volts - line.Base - VoltLine.GasVolts(arc.Process, arc.Gas)) / line.Slope;
        return WireFeedFor(Current.FromAmps(Math.Max(0, amps)), arc);
    }

    /// <summary>Area of a fillet of this leg, mm2, a tenth over the triangle for the slight crown.</summary>
    public static double FilletArea(Length leg) => 1.1 * leg.Mm * leg.Mm / 2;

    /// <summary>Leg of a fillet of this area, mm2: the other way round.</summary>
    public static Length FilletLeg(double areaMm2) => Length.FromMm(Math.Sqrt(areaMm2 * 2 / 1.1));

    /// <summary>Throat of an equal-legged fillet: leg over the square root of two.</summary>
    public static Length Throat(Length leg) => leg * (1 / Math.Sqrt(2));

    /// <summary>Travel speed at which the wire fills a bead of this area: metal in equals metal down.</summary>
    /// <param name="beadAreaMm2">Bead cross-section above the plates, above 0.</param>
    /// <param name="wireFeed">Wire feed speed.</param>
    /// <param name="wire">Which wire.</param>
    /// <param name="depositShare">Share of the wire that stays in the bead, above 0 to 1.</param>
    public static TravelSpeed TravelFor(double beadAreaMm2, WireFeedSpeed wireFeed, Wire wire, double depositShare) =>
        TravelSpeed.FromMmPerMin(DepositMm3PerMin(wireFeed, wire, depositShare) / beadAreaMm2);

    /// <summary>Bead cross-section that a wire and travel speed leave, mm2: the same balance the other way.</summary>
    public static double BeadArea(WireFeedSpeed wireFeed, Wire wire, TravelSpeed travel, double depositShare) =>
        DepositMm3PerMin(wireFeed, wire, depositShare) / travel.MmPerMin;

    /// <summary>Metal laid down in a minute, mm3.</summary>
    public static double DepositMm3PerMin(WireFeedSpeed wireFeed, Wire wire, double depositShare) =>
        wireFeed.MPerMin * 1000 * wire.Facts().AreaMm2 * depositShare;

    /// <summary>Heat input by EN 1011-1: Q = k U I / v.</summary>
    /// <param name="volts">WireArc voltage.</param>
    /// <param name="amps">Current.</param>
    /// <param name="travel">Travel speed, above 0.</param>
    /// <param name="arcShare">k: 0.8 for MIG, MAG and flux-cored, 0.6 for TIG.</param>
    public static HeatInput HeatInputEn(Voltage volts, Current amps, TravelSpeed travel, double arcShare) => HeatInputAws(volts, amps, travel) * arcShare;

    /// <summary>Heat input by AWS D1.1 and ASME IX: H = 60 U I / S, all of the arc's energy counted.</summary>
    public static HeatInput HeatInputAws(Voltage volts, Current amps, TravelSpeed travel) =>
        HeatInput.FromKJPerMm(volts.Volts * amps.Amps * 60 / (travel.MmPerMin * 1000));

    /// <summary>Smallest fillet for a base metal thickness, AWS D1.1 (table of minimum fillet weld sizes, from memory): 1/8, 3/16, 1/4, 5/16 in up to and past 1/4, 1/2, 3/4 in.</summary>
    /// <param name="thicker">The thicker member.</param>
    public static Length SmallestFillet(Length thicker) => Length.FromInches(thicker.Inches switch
    {
        <= 0.25 => 1.0 / 8,
        <= 0.5 => 3.0 / 16,
        <= 0.75 => 1.0 / 4,
        _ => 5.0 / 16,
    });
}
