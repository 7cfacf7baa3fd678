using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Sheets;

/// <summary>What is filled in where nothing was said. Common practice, no source.</summary>
public class DefaultsTests
{
    private static AskedJob Asked(
        Process process = Process.GmawShortCircuit,
        Metal metal = Metal.MildSteel,
        string plate = "1/8",
        Wire? wire = null,
        Gas? gas = null
    ) =>
        new(Thickness.Parse(plate), Joint.T, Position.Flat)
        {
            Process = process,
            Metal = metal,
            Wire = wire,
            Gas = gas,
        };

    private static Machine Loaded(Wire wire, Gas gas) => Room.Digital with { Load = Load.Of(wire) with { Gas = gas } };

    // 75/25 for short circuit on steel, leaner for spray; argon for TIG and aluminium; none for self-shielded wire.
    [Theory]
    [InlineData(Process.GmawShortCircuit, Metal.MildSteel, Gas.ArgonCarbon25)]
    [InlineData(Process.GmawSpray, Metal.MildSteel, Gas.ArgonCarbon10)]
    [InlineData(Process.GmawPulsed, Metal.MildSteel, Gas.ArgonCarbon10)]
    [InlineData(Process.GmawShortCircuit, Metal.Stainless, Gas.HeliumMix)]
    [InlineData(Process.GmawSpray, Metal.Aluminium, Gas.Argon)]
    [InlineData(Process.FcawSelfShielded, Metal.MildSteel, Gas.None)]
    [InlineData(Process.GtawDc, Metal.MildSteel, Gas.Argon)]
    [InlineData(Process.GtawAc, Metal.Aluminium, Gas.Argon)]
    public void The_usual_gas_of_a_process_and_a_metal(Process process, Metal metal, Gas gas)
    {
        Assert.Equal(gas, Defaults.UsualGas(process, metal));
        Assert.Equal(gas, Defaults.Complete(Asked(process, metal, "1/4"), null).Gas);
    }

    [Fact]
    public void The_gas_that_is_said_stands_and_else_the_machines_where_it_fits()
    {
        var carbon = Loaded(Wire.Solid08, Gas.Carbon);
        Assert.Equal(Gas.Carbon, Defaults.Complete(Asked(), carbon).Gas);
        Assert.Equal(Gas.ArgonCarbon18, Defaults.Complete(Asked(gas: Gas.ArgonCarbon18), carbon).Gas);
        Assert.Equal(Gas.Carbon, Defaults.Complete(Asked(wire: Wire.Solid09), carbon).Gas);
        // Neither spray nor TIG goes with CO2.
        Assert.Equal(Gas.ArgonCarbon10, Defaults.Complete(Asked(Process.GmawSpray, plate: "1/4"), carbon).Gas);
        Assert.Equal(Gas.Argon, Defaults.Complete(Asked(Process.GtawDc), carbon).Gas);
        Assert.Equal(Gas.None, Defaults.Complete(Asked(Process.FcawSelfShielded), carbon).Gas);
    }

    [Fact]
    public void The_wire_that_is_said_stands_then_the_spools_then_the_first_that_carries_the_plate()
    {
        Assert.Equal(Wire.Solid12, Defaults.Complete(Asked(wire: Wire.Solid12), Room.Digital).Wire);
        Assert.Equal(Wire.Solid09, Defaults.Complete(Asked(), Loaded(Wire.Solid09, Gas.ArgonCarbon25)).Wire);
        // A spool of another kind is none for it.
        Assert.Equal(
            Wire.SelfShielded08,
            Defaults.Complete(Asked(Process.FcawSelfShielded, plate: "16 ga"), Loaded(Wire.Solid09, Gas.ArgonCarbon25)).Wire
        );
        Assert.Equal(Wire.Aluminium12, Defaults.Complete(Asked(Process.GmawSpray, Metal.Aluminium, "3/16", Wire.Aluminium12), null).Wire);
        Assert.Null(Defaults.Complete(Asked(Process.GtawDc), Room.Digital).Wire);
        var picked = Defaults.Complete(Asked(plate: "3/16"), null).Wire!.Value;
        var thinner = Wires.All.Where(row => row.Kind == WireKind.SolidSteel && row.Diameter < picked.Facts().Diameter);
        Assert.True(Assert.IsType<Sheet>(Planner.Plan(Defaults.Complete(Asked(plate: "3/16"), null))).Carries());
        Assert.All(
            thinner,
            row =>
                Assert.False(Planner.Plan(Defaults.Complete(Asked(plate: "3/16", wire: row.Wire), null)) is Sheet sheet && sheet.Carries())
        );
    }

    // Where none carries it, the one that comes nearest; where none welds it, the kind's first, whose refusal says why.
    [Fact]
    public void Where_none_carries_the_plate_it_is_the_one_that_comes_nearest()
    {
        var thick = Defaults.Complete(Asked(Process.FcawSelfShielded, plate: "1"), null);
        var sheets = Wires
            .All.Where(row => row.Kind == WireKind.SelfShielded)
            .Select(row => Planner.Plan(thick with { Wire = row.Wire }))
            .OfType<Sheet>()
            .ToArray();
        Assert.Equal((sheets.FirstOrDefault(sheet => sheet.Carries()) ?? sheets.MaxBy(sheet => sheet.Amps))!.Job.Wire, thick.Wire);
        Assert.Equal(Wire.Solid08, Defaults.Complete(Asked(Process.GmawSpray, plate: "24 ga"), null).Wire);
    }
}
