using GentleBead.Core.Costs;
using GentleBead.Core.Machines;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Costs;

/// <summary>What a room costs and gives, reckoned by hand beside it.</summary>
public class RoomCostsTests
{
    private static readonly (Guid Slip, Guid Grey) Machines = (new Guid(1, 0, 0, new byte[8]), new Guid(2, 0, 0, new byte[8]));

    private static ArcUse Used(Guid machine, Wire? wire, Gas gas, double hours, double wireM, double gasL, int beads = 10, int right = 4) =>
        new(machine, Process.GmawShortCircuit, wire, gas, beads, right, 0, hours * 3600, wireM, gasL);

    /// <summary>
    /// Inches to a pound of solid steel wire, as handbooks of filler metals list them (from memory): 0.030 in 5,000, 0.035 in 3,650,
    /// 0.045 in 2,200. Wires here are of the metric size beside it, so their area is set against the inch size's.
    /// </summary>
    [Theory]
    [InlineData(Wire.Solid08, 0.030, 5_000)]
    [InlineData(Wire.Solid09, 0.035, 3_650)]
    [InlineData(Wire.Solid12, 0.045, 2_200)]
    public void A_kilogram_of_wire_is_as_long_as_handbooks_say(Wire wire, double inch, double inchesAPound)
    {
        var metres = inchesAPound * 0.0254 / 0.45359237;
        var costs = RoomCosts.Of([Used(Machines.Slip, wire, Gas.None, 1, metres, 0)], [], [], PriceList.None);
        var areas = wire.Facts().AreaMm2 / (Math.PI / 4 * inch * inch * 25.4 * 25.4);
        Assert.Equal(1, costs.Whole.WireKg / areas, 0.03);
    }

    [Fact]
    public void What_each_machine_wire_and_gas_costs_adds_up()
    {
        ArcUse[] uses =
        [
            Used(Machines.Slip, Wire.Solid08, Gas.ArgonCarbon25, 2, 1000, 1500),
            Used(Machines.Grey, Wire.Solid08, Gas.ArgonCarbon25, 1, 500, 600, beads: 5, right: 0),
            Used(Machines.Grey, null, Gas.Argon, 0.5, 0, 300),
        ];
        var prices = new PriceList(
            "EUR",
            [new(Wire.Solid08, 4)],
            [new(Gas.ArgonCarbon25, 10), new(Gas.Argon, 20)],
            [new(Part.Tip, 0.5), new(Part.Liner, 12)]
        );
        PartUse[] parts = [new(Machines.Slip, Part.Tip, 4), new(Machines.Grey, Part.Liner, 1)];
        var costs = RoomCosts.Of(uses, parts, [new(Machines.Slip, 1800)], prices);

        var slip = costs.Machines.Single(one => one.Of == Machines.Slip).Cost;
        // 1,000 m of 0.8 mm steel: pi/4 x 0.64 mm2 x 7.85 g/cm3 = 3.946 g a metre.
        Assert.Equal(3.946, slip.WireKg, 0.001);
        Assert.Equal((1.5, 1.8, 4, 0.5), (slip.GasM3, slip.GaugeM3!.Value, slip.Parts, slip.HoursPerTip!.Value));
        Assert.Equal((3.946 * 4) + 15 + 2, slip.Cost!.Value, 0.01);
        Assert.Equal(slip.Cost!.Value / 4, slip.PerRightBead!.Value, 9);
        var grey = costs.Machines.Single(one => one.Of == Machines.Grey).Cost;
        Assert.Equal((1.973 * 4) + 6 + 6 + 12, grey.Cost!.Value, 0.01);
        Assert.Null(grey.GaugeM3);
        Assert.Equal(slip.Cost.Value + grey.Cost.Value, costs.Whole.Cost!.Value, 9);
        Assert.Equal(5.919 * 4, Assert.Single(costs.Wires).Cost.Cost!.Value, 0.01);
        Assert.Equal([21, 6], costs.Gases.Select(gas => gas.Cost.Cost!.Value));
        Assert.Empty(costs.Unpriced);
    }

    [Fact]
    public void What_has_no_price_is_named_and_nothing_is_summed_without_it()
    {
        ArcUse[] uses =
        [
            Used(Machines.Slip, Wire.Solid09, Gas.Carbon, 1, 400, 700, right: 0),
            Used(Machines.Grey, Wire.Solid08, Gas.None, 1, 400, 0),
        ];
        var costs = RoomCosts.Of(uses, [new(Machines.Slip, Part.Nozzle, 1)], [], new("", [new(Wire.Solid08, 4)], [], []));
        Assert.Equal(["0.9 mm solid steel", $"{Gas.Carbon.Facts().Name}", "Nozzle"], costs.Unpriced.Select(one => $"{one}"));
        Assert.Null(costs.Whole.Cost);
        Assert.Null(costs.Machines.Single(one => one.Of == Machines.Slip).Cost.Cost);
        Assert.NotNull(costs.Machines.Single(one => one.Of == Machines.Grey).Cost.PerRightBead);
        // Nothing came right: a right bead has no price.
        Assert.Null(
            RoomCosts
                .Of([Used(Machines.Grey, Wire.Solid08, Gas.None, 1, 400, 0, right: 0)], [], [], new("", [new(Wire.Solid08, 4)], [], []))
                .Whole.PerRightBead
        );
        Assert.Equal(0, RoomCosts.Of([], [], [], PriceList.None).Whole.Cost);
    }

    [Fact]
    public void A_list_of_prices_is_told_what_is_wrong_with_it()
    {
        var list = new PriceList("Doubloons of old", [new(Wire.Solid08, -1), new(Wire.Solid08, 3)], [new(Gas.Argon, double.NaN)], null!);
        Assert.Equal(["currency", "wires[0]", "wires[1]", "gases[0]", "parts"], list.Problems().Select(problem => problem.Field));
        Assert.Empty(new PriceList("kr", [new(Wire.Solid08, 0)], [new(Gas.Argon, 100_000)], []).Problems());
    }
}
