using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>The single rules a sheet is made of, each usable on its own.</summary>
public static class Rules
{
    /// <summary>Which edition of the rules made a sheet or a verdict; stored with both, raised when a rule changes.</summary>
    public const int Version = 1;

    /// <summary>Amperes for each thousandth of an inch of steel. Common practice, no source.</summary>
    public const double AmpsPerThousandth = 1;

    /// <summary>Share of the wire that ends up in the bead, solid wire in short circuit (handbooks, from memory).</summary>
    public const double DepositEfficiency = 0.93;

    /// <summary>Current a bead on plate of this thickness asks for: 1 A per 0.001 in, good up to about 6 mm.</summary>
    public static Current AmpsForThickness(Length thickness) => Current.FromAmps(thickness.Inches * 1000 * AmpsPerThousandth);

    /// <summary>Wire feed speed that burns off at a current: the wire's factor times the amps, in/min.</summary>
    public static WireFeedSpeed WireFeedFor(Current amps, Wire wire) => WireFeedSpeed.FromInPerMin(amps.Amps * wire.Facts().BurnOff);

    /// <summary>Current that a wire feed speed draws: the other way round.</summary>
    public static Current AmpsFor(WireFeedSpeed wireFeed, Wire wire) => Current.FromAmps(wireFeed.InPerMin / wire.Facts().BurnOff);

    /// <summary>Conventional load voltage of a MIG/MAG source, IEC 60974-1: 14 + 0.05 I, at most 44 V.</summary>
    public static Voltage LoadLine(Current amps) => Voltage.FromVolts(Math.Min(44, 14 + 0.05 * amps.Amps));

    /// <summary>The smooth band at a wire feed speed: from the load line down by the wire's band, aim in the middle.</summary>
    public static Window<Voltage> SmoothBand(WireFeedSpeed wireFeed, Wire wire)
    {
        var line = LoadLine(AmpsFor(wireFeed, wire)).Volts;
        var band = wire.Facts().VoltsBand;
        return new Window<Voltage>(Voltage.FromVolts(line - band), Voltage.FromVolts(line - band / 2), Voltage.FromVolts(line));
    }

    /// <summary>The wire feed speed whose band is centred on these volts: the band read the other way.</summary>
    public static WireFeedSpeed WireFeedForVolts(Voltage volts, Wire wire)
    {
        var amps = (volts.Volts + wire.Facts().VoltsBand / 2 - 14) / 0.05;
        return WireFeedFor(Current.FromAmps(Math.Max(0, amps)), wire);
    }

    /// <summary>Area of a fillet of this leg, mm2, a tenth over the triangle for the slight crown.</summary>
    public static double FilletArea(Length leg) => 1.1 * leg.Mm * leg.Mm / 2;

    /// <summary>Throat of an equal-legged fillet: leg over the square root of two.</summary>
    public static Length Throat(Length leg) => leg * (1 / Math.Sqrt(2));

    /// <summary>Travel speed at which the wire fills a bead of this area: metal in equals metal down.</summary>
    /// <param name="beadAreaMm2">Bead cross-section above the plates, above 0.</param>
    /// <param name="wireFeed">Wire feed speed.</param>
    /// <param name="wire">Which wire.</param>
    public static TravelSpeed TravelFor(double beadAreaMm2, WireFeedSpeed wireFeed, Wire wire) =>
        TravelSpeed.FromMmPerMin(DepositMm3PerMin(wireFeed, wire) / beadAreaMm2);

    /// <summary>Bead cross-section that a wire and travel speed leave, mm2: the same balance the other way.</summary>
    public static double BeadArea(WireFeedSpeed wireFeed, Wire wire, TravelSpeed travel) =>
        DepositMm3PerMin(wireFeed, wire) / travel.MmPerMin;

    /// <summary>Heat input by EN 1011-1: Q = 0.8 U I / v for MAG.</summary>
    public static HeatInput HeatInputEn(Voltage volts, Current amps, TravelSpeed travel) => HeatInputAws(volts, amps, travel) * 0.8;

    /// <summary>Heat input by AWS D1.1 and ASME IX: H = 60 U I / S, all of the arc's energy counted.</summary>
    public static HeatInput HeatInputAws(Voltage volts, Current amps, TravelSpeed travel) =>
        HeatInput.FromKJPerMm(volts.Volts * amps.Amps * 60 / (travel.MmPerMin * 1000));

    private static double DepositMm3PerMin(WireFeedSpeed wireFeed, Wire wire) =>
        wireFeed.MPerMin * 1000 * wire.Facts().AreaMm2 * DepositEfficiency;
}
