using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Safety;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>The rules against figures from outside the project.</summary>
public class ReferenceTests
{
    // Common practice, no source: 1/8 in plate, 125 A, and the wire speed of each wire.
    [Theory]
    [InlineData(Wire.Solid06, 3.5, 437)]
    [InlineData(Wire.Solid08, 2.0, 250)]
    [InlineData(Wire.Solid09, 1.6, 200)]
    [InlineData(Wire.Solid12, 1.0, 125)]
    public void Burn_off_of_one_eighth_plate(Wire wire, double factor, double inPerMin)
    {
        var amps = PlateAmps.For(Length.FromInches(0.125));
        Assert.Equal(125, amps.Amps, 1e-9);
        Assert.Equal(factor, wire.Facts().BurnOff);
        Assert.Equal(inPerMin, BurnOff.WireFeedFor(amps, WireArc.Dip(wire)).InPerMin, 0.5);
        Assert.Equal(amps.Amps, BurnOff.AmpsFor(BurnOff.WireFeedFor(amps, WireArc.Dip(wire)), WireArc.Dip(wire)).Amps, 1e-9);
    }

    // Common practice, no source: 40 A per mm, told as 1 A per 0.001 in.
    [Fact]
    public void Forty_amps_a_millimetre() => Assert.Equal(40, PlateAmps.For(Length.FromMm(1)).Amps, 0.7);

    // IEC 60974-1, conventional load voltage of MIG/MAG sources (value from memory): U = 14 + 0.05 I, at most 44 V.
    [Theory]
    [InlineData(40, 16)]
    [InlineData(60, 17)]
    [InlineData(100, 19)]
    [InlineData(125, 20.25)]
    [InlineData(160, 22)]
    [InlineData(200, 24)]
    [InlineData(250, 26.5)]
    [InlineData(320, 30)]
    [InlineData(400, 34)]
    [InlineData(500, 39)]
    [InlineData(600, 44)]
    [InlineData(700, 44)]
    public void The_volt_line_is_the_conventional_load_voltage(double amps, double volts) =>
        Assert.Equal(volts, LoadLine.Mig(Current.FromAmps(amps)).Volts, 1e-9);

    // Common practice, no source: pairs people agree on, 75/25, solid wire, flat or horizontal.
    [Theory]
    [InlineData(Wire.Solid08, 250, 18.3)]
    [InlineData(Wire.Solid08, 250, 19)]
    [InlineData(Wire.Solid08, 250, 20)]
    [InlineData(Wire.Solid08, 125, 17)]
    [InlineData(Wire.Solid08, 157, 17)]
    [InlineData(Wire.Solid08, 190, 17)]
    [InlineData(Wire.Solid09, 200, 19)]
    [InlineData(Wire.Solid09, 220, 17.5)]
    [InlineData(Wire.Solid09, 250, 20)]
    public void Agreed_pairs_lie_in_the_smooth_band(Wire wire, double inPerMin, double volts) =>
        Assert.True(SmoothBand.At(WireFeedSpeed.FromInPerMin(inPerMin), WireArc.Dip(wire)).Holds(Voltage.FromVolts(volts)));

    // Common practice, no source: at 17 V a 0.030 in wire is best near the middle of 125-190, 155-160 in/min.
    [Fact]
    public void The_best_wire_for_17_volts_is_near_160() =>
        Assert.InRange(SmoothBand.WireFeedFor(Voltage.FromVolts(17), WireArc.Dip(Wire.Solid08)).InPerMin, 150, 165);

    [Theory]
    [InlineData(100, 17)]
    [InlineData(250, 17)]
    public void Outside_the_agreed_range_is_outside_the_band(double inPerMin, double volts) =>
        Assert.False(SmoothBand.At(WireFeedSpeed.FromInPerMin(inPerMin), WireArc.Dip(Wire.Solid08)).Holds(Voltage.FromVolts(volts)));

    // One weld through both formulas: 20 V, 150 A, 300 mm welded in 60 s of arc. Energy 20 x 150 x 60 = 180 kJ.
    // AWS D1.1: 180 kJ / 300 mm = 0.6 kJ/mm. EN 1011-1 with k = 0.8 for MAG: 0.48 kJ/mm.
    [Fact]
    public void Both_heat_inputs_of_a_worked_weld()
    {
        var travel = TravelSpeed.FromMmPerMin(300);
        Assert.Equal(0.6, ArcHeat.Aws(Voltage.FromVolts(20), Current.FromAmps(150), travel).KJPerMm, 1e-9);
        Assert.Equal(
            0.48,
            ArcHeat.En(Voltage.FromVolts(20), Current.FromAmps(150), travel, Process.GmawShortCircuit.Facts().ArcShare).KJPerMm,
            1e-9
        );
    }

    // A metre of 6 mm fillet, by hand: 18 mm2 and a tenth; 19.8 cm3; 155 g of steel; 1.2 mm wire weighs 8.88 g/m,
    // 0.93 of it stays: 18.8 m of wire. At 6 m/min that takes 3.14 min, so 319 mm/min.
    [Fact]
    public void A_metre_of_fillet_through_area_mass_wire_and_travel()
    {
        const double SteelDensity = 7.85;
        const double Kept = 0.93;
        var area = Fillet.Area(Length.FromMm(6));
        Assert.Equal(19.8, area, 1e-9);
        Assert.Equal(155.4, area * SteelDensity, 0.1);
        var wireMetres = area * SteelDensity / (Wire.Solid12.Facts().AreaMm2 * SteelDensity * Kept);
        Assert.Equal(18.8, wireMetres, 0.05);
        var travel = Deposit.TravelFor(area, WireFeedSpeed.FromMPerMin(6), Wire.Solid12, Kept);
        Assert.Equal(319, travel.MmPerMin, 0.5);
        Assert.Equal(area, Deposit.BeadArea(WireFeedSpeed.FromMPerMin(6), Wire.Solid12, travel, Kept), 1e-9);
        Assert.Equal(4.242, Fillet.Throat(Length.FromMm(6)).Mm, 0.001);
    }

    // OSHA 29 CFR 1910.133 / ANSI Z49.1 (values from memory), at each edge of the table.
    [Theory]
    [InlineData(59.9, 7, null)]
    [InlineData(60, 10, 11)]
    [InlineData(159.9, 10, 11)]
    [InlineData(160, 10, 12)]
    [InlineData(249.9, 10, 12)]
    [InlineData(250, 10, 14)]
    [InlineData(500, 10, 14)]
    public void Lens_shade_by_current(double amps, int least, int? comfortable) =>
        Assert.Equal((least, comfortable), LensShade.For(Current.FromAmps(amps)));

    [Fact]
    public void Past_the_shade_table_there_is_no_guess() =>
        Assert.Throws<ArgumentOutOfRangeException>(() => LensShade.For(Current.FromAmps(500.1)));
}
