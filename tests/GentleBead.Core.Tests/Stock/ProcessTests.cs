using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Stock;

public class ProcessTests
{
    // Common practice, no source: short circuit stands off about ten wire diameters, 6 to 10 mm; spray, pulsed and gas-shielded cored wire
    // 5/8 to 3/4 in (15 to 20 mm); self-shielded wire about 5/8 in, never under 1/2 in, since its flux needs the heat.
    [Theory]
    [InlineData(Process.GmawShortCircuit, Wire.Solid06, 6, 6, 10)]
    [InlineData(Process.GmawShortCircuit, Wire.Solid08, 6, 8, 10)]
    [InlineData(Process.GmawShortCircuit, Wire.Solid12, 6, 10, 10)]
    [InlineData(Process.GmawSpray, Wire.Solid12, 15, 17, 20)]
    [InlineData(Process.GmawPulsed, Wire.Solid12, 15, 17, 20)]
    [InlineData(Process.FcawSelfShielded, Wire.SelfShielded09, 12, 15, 20)]
    [InlineData(Process.FcawGasShielded, Wire.GasShielded12, 15, 17, 20)]
    public void Stick_out_by_process_and_wire(Process process, Wire wire, double low, double aim, double high)
    {
        var stickOut = process.Facts().StickOut!.For(wire.Facts());
        Assert.Equal((low, aim, high), (stickOut.Low.Mm, stickOut.Aim.Mm, stickOut.High.Mm));
    }

    // Common practice, no source: 20 to 25 ft3/h (about 10 to 12 L/min) for short circuit, 12 to 16 for aluminium, 30 to 38 ft3/h
    // (14 to 18) for a hot arc; 15 to 20 ft3/h (7 to 9.5) for TIG.
    [Theory]
    [InlineData(Process.GmawShortCircuit, Metal.MildSteel, Gas.ArgonCarbon25, 10, 12)]
    [InlineData(Process.GmawShortCircuit, Metal.Aluminium, Gas.Argon, 12, 16)]
    [InlineData(Process.GmawSpray, Metal.MildSteel, Gas.ArgonOxygen2, 14, 18)]
    [InlineData(Process.GtawDc, Metal.MildSteel, Gas.Argon, 7, 9.5)]
    public void Gas_flow_by_process_and_metal(Process process, Metal metal, Gas gas, double low, double high)
    {
        var wire =
            process.IsGtaw() ? (Wire?)null
            : metal == Metal.Aluminium ? Wire.Aluminium09
            : process == Process.GmawSpray ? Wire.Solid12
            : Wire.Solid08;
        var thickness = process == Process.GmawSpray ? "1/2" : "1/8";
        var machine = process.IsGtaw() ? Room.Digital with { AmpControl = Room.Amps } : null;
        var sheet = Assert.IsType<Sheet>(
            Planner.Plan(new Job(Thickness.Parse(thickness), Joint.T, Position.Flat, wire, process, metal, gas), machine)
        );
        Assert.Equal((low, high), (sheet.GasFlow!.Low.LPerMin, sheet.GasFlow.High.LPerMin));
    }

    // 1 ft3/h = 0.4719 L/min (GNU Units: 'ft^3/hour' 'liter/min'): 20 to 25 ft3/h are 9.4 to 11.8 L/min, and the sheet lies on them.
    [Fact]
    public void Short_circuit_is_covered_by_the_flow_people_set_in_cubic_feet()
    {
        var flow = Room.Sheet().GasFlow!;
        Assert.InRange(flow.Aim.LPerMin, 20 * 0.4719, 25 * 0.4719);
    }
}
