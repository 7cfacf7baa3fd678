using GentleBead.Core.Calculators;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Safety;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>The wider rules against figures from outside the project.</summary>
public class PublishedValuesTests
{
    // AWS Welding Handbook, spray transition currents (values from memory): steel in argon with 2 % oxygen, stainless
    // with 1 % oxygen, aluminium in argon.
    [Theory]
    [InlineData(Wire.Solid08, 150)]
    [InlineData(Wire.Solid09, 165)]
    [InlineData(Wire.Solid12, 220)]
    [InlineData(Wire.Solid16, 275)]
    [InlineData(Wire.Stainless09, 170)]
    [InlineData(Wire.Stainless12, 225)]
    [InlineData(Wire.Stainless16, 285)]
    [InlineData(Wire.Aluminium08, 95)]
    [InlineData(Wire.Aluminium12, 135)]
    [InlineData(Wire.Aluminium16, 180)]
    public void Spray_begins_at_the_published_transition_current(Wire wire, double amps)
    {
        var facts = wire.Facts();
        Assert.Equal(amps, facts.RangeIn(Process.GmawSpray)!.UsualLow.Amps);
        var gas = facts.Kind == WireKind.Aluminium ? Gas.Argon : Gas.ArgonOxygen2;
        var high = Voltage.FromVolts(28);
        Assert.Equal(Process.GmawSpray, TransferModes.Of(Current.FromAmps(amps + 1), high, wire, gas));
        Assert.NotEqual(Process.GmawSpray, TransferModes.Of(Current.FromAmps(amps - 1), high, wire, gas));
    }

    // Common practice, no source: no spray in 75/25 or CO2 at any current; dip on the load line; big drops over it.
    [Theory]
    [InlineData(250, 27, Wire.Solid12, Gas.ArgonCarbon25, Process.GmawGlobular)]
    [InlineData(320, 30, Wire.Solid12, Gas.Carbon, Process.GmawGlobular)]
    [InlineData(125, 19.5, Wire.Solid08, Gas.ArgonCarbon25, Process.GmawShortCircuit)]
    [InlineData(145, 23, Wire.Solid08, Gas.ArgonCarbon25, Process.GmawGlobular)]
    [InlineData(240, 26, Wire.Solid12, Gas.ArgonCarbon10, Process.GmawSpray)]
    [InlineData(240, 20, Wire.Solid12, Gas.ArgonCarbon10, Process.GmawShortCircuit)]
    public void Transfer_mode_from_current_volts_and_gas(double amps, double volts, Wire wire, Gas gas, Process mode) =>
        Assert.Equal(mode, TransferModes.Of(Current.FromAmps(amps), Voltage.FromVolts(volts), wire, gas));

    // Common practice, no source: globular with 0.030 in wire, 20.5 V at 250-325 in/min up to 24 V at 475.
    [Theory]
    [InlineData(290, 20.5)]
    [InlineData(475, 24)]
    public void Globular_pairs_people_agree_on(double inPerMin, double volts) =>
        Assert.True(
            SmoothBand
                .At(WireFeedSpeed.FromInPerMin(inPerMin), new WireArc(Process.GmawGlobular, Wire.Solid08, Gas.ArgonCarbon25))
                .Holds(Voltage.FromVolts(volts))
        );

    // The same pairs lie in the middle of the band, not at its edge.
    [Theory]
    [InlineData(290, 20.5)]
    [InlineData(475, 24)]
    public void Globular_aims_at_the_pairs_people_agree_on(double inPerMin, double volts) =>
        Assert.Equal(
            volts,
            SmoothBand
                .At(WireFeedSpeed.FromInPerMin(inPerMin), new WireArc(Process.GmawGlobular, Wire.Solid08, Gas.ArgonCarbon25))
                .Aim.Volts,
            0.25
        );

    // Common practice, no source: spray in 90/10, 0.045 in at 350 in/min runs near 270 A and 27 V, 0.035 in at 450 near 195 A and 25 V;
    // aluminium 3/64 in at 300 in/min near 170 A and 23 V.
    [Theory]
    [InlineData(Wire.Solid12, Gas.ArgonCarbon10, 350, 270, 27)]
    [InlineData(Wire.Solid09, Gas.ArgonCarbon10, 450, 195, 25)]
    [InlineData(Wire.Aluminium12, Gas.Argon, 300, 170, 23)]
    public void Spray_pairs_people_weld_with(Wire wire, Gas gas, double inPerMin, double amps, double volts)
    {
        var arc = new WireArc(Process.GmawSpray, wire, gas);
        var feed = WireFeedSpeed.FromInPerMin(inPerMin);
        Assert.InRange(BurnOff.AmpsFor(feed, arc).Amps, amps * 0.9, amps * 1.1);
        Assert.True(SmoothBand.At(feed, arc).Holds(Voltage.FromVolts(volts)));
    }

    // Lesnewich 1958 by hand, constants from memory: 1.2 mm steel, 250 A, 15 mm: 0.3 x 250 + 5e-5 x 15 x 250² = 121.9 mm/s = 7.31 m/min.
    [Fact]
    public void Melting_rate_by_hand_and_back()
    {
        var wire = Wire.Solid12.Facts();
        var feed = Melting.WireFeed(Current.FromAmps(250), Length.FromMm(15), wire);
        Assert.Equal(7.3125, feed.MPerMin, 1e-6);
        Assert.Equal(250, Melting.Amps(feed, Length.FromMm(15), wire).Amps, 1e-6);
        // A longer stick-out draws less at the same wire speed; aluminium heats none to speak of.
        Assert.True(Melting.Amps(feed, Length.FromMm(25), wire).Amps < 240);
        Assert.Equal(
            Melting.Amps(feed, Length.FromMm(10), Wire.Aluminium12.Facts()),
            Melting.Amps(feed, Length.FromMm(25), Wire.Aluminium12.Facts())
        );
    }

    // IEC 60974-1, conventional load voltage of TIG sources (value from memory): U = 10 + 0.04 I, at most 34 V.
    [Theory]
    [InlineData(25, 11)]
    [InlineData(50, 12)]
    [InlineData(100, 14)]
    [InlineData(150, 16)]
    [InlineData(200, 18)]
    [InlineData(300, 22)]
    [InlineData(500, 30)]
    [InlineData(600, 34)]
    [InlineData(700, 34)]
    public void The_tig_line_is_the_conventional_load_voltage(double amps, double volts) =>
        Assert.Equal(volts, LoadLine.Tig(Current.FromAmps(amps)).Volts, 1e-9);

    // AWS D1.1, minimum fillet weld sizes by base metal thickness (values from memory), at each edge.
    [Theory]
    [InlineData(0.25, 1.0 / 8)]
    [InlineData(0.26, 3.0 / 16)]
    [InlineData(0.5, 3.0 / 16)]
    [InlineData(0.51, 1.0 / 4)]
    [InlineData(0.75, 1.0 / 4)]
    [InlineData(0.76, 5.0 / 16)]
    public void Smallest_fillet_by_base_metal(double thicker, double leg) =>
        Assert.Equal(leg, Fillet.Smallest(Length.FromInches(thicker)).Inches, 1e-9);

    // ISO 6848 and AWS A5.12, usual DC minus ranges by diameter (values from memory).
    [Theory]
    [InlineData(75, 1.0)]
    [InlineData(81, 1.6)]
    [InlineData(150, 1.6)]
    [InlineData(151, 2.4)]
    [InlineData(250, 2.4)]
    [InlineData(400, 3.2)]
    public void Tungsten_by_current(double amps, double mm) =>
        Assert.Equal(mm, TigRules.TungstenFor(Current.FromAmps(amps), false)!.Diameter.Mm);

    // Common practice, no source: 0.060 in stainless with a pedal is set to 65 A.
    [Fact]
    public void A_few_amps_in_hand_under_the_pedal()
    {
        var sheet = Assert.IsType<Sheet>(
            Planner.Plan(
                new Job(Thickness.Parse("0.060 in"), Joint.BeadOnPlate, Position.Flat, null, Process.GtawDc, Metal.Stainless, Gas.Argon)
            )
        );
        Assert.Equal(60, sheet.Amps.Amps, 1e-6);
        Assert.Equal(65, sheet.Tig!.PedalMost.Amps, 1e-6);
        Assert.Equal(Polarity.TorchMinus, sheet.Polarity);
        Assert.Equal((1.0, 1.6), (sheet.Tig.Tungsten.Mm, sheet.Tig.Filler.Mm));
    }

    // Common practice, no source: 15 to 20 ft3/h for TIG with a standard cup; 20 to 25 for MIG.
    [Fact]
    public void Usual_gas_flows()
    {
        var tig = Assert.IsType<Sheet>(
            Planner.Plan(new Job(Thickness.Parse("1/8"), Joint.T, Position.Flat, null, Process.GtawAc, Metal.Aluminium, Gas.Argon))
        );
        Assert.InRange(tig.GasFlow!.Low.CubicFeetPerHour, 14, 15.5);
        Assert.InRange(tig.GasFlow.High.CubicFeetPerHour, 19.5, 21);
        Assert.InRange(Room.Sheet().GasFlow!.Low.CubicFeetPerHour, 20, 22);
    }

    // OSHA 29 CFR 1910.133 / ANSI Z49.1 (values from memory), TIG rows at each edge.
    [Theory]
    [InlineData(49.9, 8, 10)]
    [InlineData(50, 8, 12)]
    [InlineData(149.9, 8, 12)]
    [InlineData(150, 10, 14)]
    [InlineData(500, 10, 14)]
    public void Lens_shade_for_tig(double amps, int least, int comfortable) =>
        Assert.Equal((least, comfortable), LensShade.ForTig(Current.FromAmps(amps)));

    // ISO 6947 beside AWS (names from memory).
    [Theory]
    [InlineData(Joint.T, Position.Flat, "PA · 1F")]
    [InlineData(Joint.T, Position.Horizontal, "PB · 2F")]
    [InlineData(Joint.Lap, Position.VerticalUp, "PF · 3F")]
    [InlineData(Joint.T, Position.VerticalDown, "PG · 3F")]
    [InlineData(Joint.T, Position.Overhead, "PD · 4F")]
    [InlineData(Joint.VButt, Position.Flat, "PA · 1G")]
    [InlineData(Joint.VButt, Position.Horizontal, "PC · 2G")]
    [InlineData(Joint.SquareButt, Position.VerticalUp, "PF · 3G")]
    [InlineData(Joint.SquareButt, Position.VerticalDown, "PG · 3G")]
    [InlineData(Joint.VButt, Position.Overhead, "PE · 4G")]
    public void Positions_by_both_names(Joint joint, Position position, string name) =>
        Assert.Equal(name, joint.Facts().PositionName(position));

    // ISO 14175 groups (limits from memory): I1 argon, M12 up to 5 % CO2, M13 up to 3 % O2, M20 5-15 %, M21 15-25 %, C1.
    [Fact]
    public void Gas_groups_follow_their_shares()
    {
        foreach (var gas in Gases.All.Where(gas => gas.Gas != Gas.None))
        {
            var group = (gas.CarbonPercent, gas.OxygenPercent) switch
            {
                (0, 0) => gas.Gas == Gas.Argon ? "I1" : "I3",
                (0, _) => "M13",
                (<= 5, _) => "M12",
                (<= 15, _) => "M20",
                (<= 25, _) => "M21",
                _ => "C1",
            };
            Assert.Equal(group, gas.IsoGroup);
        }
    }

    // ISO 4063 process numbers (from memory).
    [Theory]
    [InlineData(Process.GmawShortCircuit, Gas.ArgonCarbon25, "135")]
    [InlineData(Process.GmawSpray, Gas.Argon, "131")]
    [InlineData(Process.FcawSelfShielded, Gas.None, "114")]
    [InlineData(Process.FcawGasShielded, Gas.Carbon, "136")]
    [InlineData(Process.GtawAc, Gas.Argon, "141")]
    public void Process_numbers(Process process, Gas gas, string number) =>
        Assert.EndsWith($"({number})", $"{process.Facts().NameUnder(gas.Facts())}", StringComparison.Ordinal);

    // EN 1011-2 by hand (formulas from memory), 20 degrees, run on plate. 3D at 1 kJ/mm: (6700 - 100) x 1 x (1/480 - 1/780) = 5.29 s.
    // 2D at 1 kJ/mm in 10 mm: (4300 - 86) x 1e5 x 1/100 x (1/480² - 1/780²) =
    // 11.36 s. Changes over at √(4214e5/6600 x (1/480 + 1/780)) = 14.66 mm.
    [Theory]
    [InlineData(1.0, 25, 5.288, true)]
    [InlineData(1.0, 10, 11.363, false)]
    [InlineData(2.0, 40, 10.577, true)]
    [InlineData(0.5, 5, 11.363, false)]
    public void Cooling_time_either_side_of_the_transition(double heat, double mm, double seconds, bool thick)
    {
        var (t85, isThick, transition) = Cooling.T85(HeatInput.FromKJPerMm(heat), Length.FromMm(mm), 20, CoolingShape.OnPlate);
        Assert.Equal(seconds, t85, 0.002);
        Assert.Equal(thick, isThick);
        Assert.Equal(14.66 * Math.Sqrt(heat), transition.Mm, 0.05);
    }

    // EN 1011-2 (formulas from memory), worked out beside the program: 3D (6700 - 5 T) Q (1/(500 - T) - 1/(800 - T)),
    // 2D (4300 - 4.3 T) 1e5 Q²/d² (1/(500 - T)² - 1/(800 - T)²); the longer holds.
    [Theory]
    [InlineData(20, 0.6, 6, 11.364, false)]
    [InlineData(20, 0.8, 20, 4.231, true)]
    [InlineData(20, 1.5, 12, 17.756, false)]
    [InlineData(20, 1.5, 50, 7.933, true)]
    [InlineData(100, 0.6, 6, 16.290, false)]
    [InlineData(100, 0.8, 20, 5.314, true)]
    [InlineData(100, 1.5, 12, 25.452, false)]
    [InlineData(100, 1.5, 50, 9.964, true)]
    [InlineData(150, 0.6, 6, 21.186, false)]
    [InlineData(150, 0.8, 20, 6.277, true)]
    [InlineData(150, 1.5, 12, 33.103, false)]
    [InlineData(150, 1.5, 50, 11.769, true)]
    [InlineData(200, 0.6, 6, 28.667, false)]
    [InlineData(200, 0.8, 20, 7.600, true)]
    [InlineData(200, 1.5, 12, 44.792, false)]
    [InlineData(200, 1.5, 50, 14.250, true)]
    public void Cooling_time_of_a_warm_plate(double degrees, double heat, double mm, double seconds, bool thick)
    {
        var (t85, isThick, _) = Cooling.T85(HeatInput.FromKJPerMm(heat), Length.FromMm(mm), degrees, CoolingShape.OnPlate);
        Assert.Equal(seconds, t85, 0.002);
        Assert.Equal(thick, isThick);
    }

    // AWS D1.1 / ASME IX: H = 60 U I / S; EN 1011-1: k = 0.8 for MIG, MAG and flux-cored wire, 0.6 for TIG, of it (from memory).
    // The arithmetic of the units is GNU Units'.
    [Theory]
    [InlineData(18, 90, 250)]
    [InlineData(19, 125, 300)]
    [InlineData(20, 140, 350)]
    [InlineData(22, 160, 280)]
    [InlineData(24, 200, 320)]
    [InlineData(26.5, 250, 400)]
    [InlineData(28, 300, 450)]
    [InlineData(31, 350, 500)]
    [InlineData(12, 60, 80)]
    [InlineData(14, 110, 120)]
    public void Heat_input_as_GNU_Units_works_it_out(double volts, double amps, double mmPerMin)
    {
        var theirs = GnuUnits.Convert(FormattableString.Invariant($"{volts} V * {amps} A / ({mmPerMin} mm/min)"), "kJ/mm");
        var (u, i, v) = (Voltage.FromVolts(volts), Current.FromAmps(amps), TravelSpeed.FromMmPerMin(mmPerMin));
        Assert.Equal(theirs, ArcHeat.Aws(u, i, v).KJPerMm, 1e-9);
        Assert.Equal(0.8 * theirs, ArcHeat.En(u, i, v, Process.GmawSpray.Facts().ArcShare).KJPerMm, 1e-9);
        Assert.Equal(0.6 * theirs, ArcHeat.En(u, i, v, Process.GtawDc.Facts().ArcShare).KJPerMm, 1e-9);
    }

    // EN 1011-2: the transition thickness is where both formulas give the same time.
    [Theory]
    [InlineData(CoolingShape.OnPlate)]
    [InlineData(CoolingShape.Butt)]
    [InlineData(CoolingShape.Corner)]
    [InlineData(CoolingShape.Tee)]
    public void At_the_transition_both_ways_agree(CoolingShape shape)
    {
        var heat = HeatInput.FromKJPerMm(1.3);
        var at = Cooling.T85(heat, Length.FromMm(10), 80, shape).Transition.Mm;
        Assert.Equal(
            Cooling.T85(heat, Length.FromMm(at * 1.0001), 80, shape).Seconds,
            Cooling.T85(heat, Length.FromMm(at * 0.9999), 80, shape).Seconds,
            0.01
        );
    }

    // Duty at another current (handbooks, from memory): t = t rated (I rated / I)². 200 A at 40 %: 250 A at 25.6 %, 126.5 A at 100 %.
    [Fact]
    public void Duty_at_other_amps()
    {
        var rating = new Rating(Current.FromAmps(200), 40, Current.FromAmps(250));
        Assert.Equal(25.6, rating.DutyPercentAt(Current.FromAmps(250)), 1e-9);
        Assert.Equal(100, rating.DutyPercentAt(Current.FromAmps(120)), 1e-9);
    }

    // Ideal gas: 50 L at 230 bar holds about 11.5 m3.
    [Fact]
    public void What_a_bottle_holds()
    {
        Assert.Equal(11_500, Bottle.Litres(50, 230), 1e-9);
        Assert.Equal(50.0 * 225 / 12 / 60, Bottle.HoursLeft(50, 230, GasFlow.FromLPerMin(12)), 1e-9);
        Assert.Equal(0, Bottle.HoursLeft(50, 3, GasFlow.FromLPerMin(12)));
    }
}
