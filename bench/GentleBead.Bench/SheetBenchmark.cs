using BenchmarkDotNet.Attributes;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Bench;

/// <summary>A sheet with its reasons, in a machine's marks; against the bare numbers without a reason.</summary>
[MemoryDiagnoser]
public class SheetBenchmark
{
    private static readonly Machine Machine = new(
        "Knob and taps",
        Load.Of(Wire.Solid08),
        new Control(ControlKind.Knob, 0, 100, 1, "", [new(20, 2.8), new(40, 6.0), new(70, 10.9)]),
        new Control(ControlKind.Tap, 1, 10, 1, "", [new(1, 14.5), new(4, 18.0), new(7, 21.6), new(10, 25.5)]),
        new Control(ControlKind.Digital, 5, 250, 1, "A", []),
        new Rating(Current.FromAmps(160), 35, Current.FromAmps(250)),
        HasAc: true
    );

    private static readonly Job Job = new(Thickness.Parse("1/8"), Joint.T, Position.Horizontal, Wire.Solid08);

    /// <summary>Only the two numbers a person sets.</summary>
    [Benchmark(Baseline = true)]
    public double BareNumbers()
    {
        var amps = PlateAmps.For(Job.Thickness.Value) * Job.Joint.Facts().HeatFactor;
        var wireFeed = BurnOff.WireFeedFor(amps, Job.RequireArc());
        return wireFeed.MPerMin + SmoothBand.At(wireFeed, Job.RequireArc()).Aim.Volts;
    }

    private static readonly Job Thick = new(
        Thickness.Parse("20 mm"),
        Joint.VButt,
        Position.Flat,
        Wire.Solid12,
        Process.GmawSpray,
        Metal.MildSteel,
        Gas.ArgonCarbon10
    );

    private static readonly Job Overhead = new(
        Thickness.Parse("3 mm"),
        Joint.T,
        Position.Overhead,
        Wire.Solid08,
        OtherThickness: Thickness.Parse("5 mm")
    );

    private static readonly Job Tig = new(
        Thickness.Parse("2 mm"),
        Joint.SquareButt,
        Position.Flat,
        null,
        Process.GtawAc,
        Metal.Aluminium,
        Gas.Argon
    );

    /// <summary>The everyday sheet.</summary>
    [Benchmark]
    public SheetOutcome WholeSheet() => Planner.Plan(Job, Machine);

    /// <summary>Unequal members overhead: every way of setting differs.</summary>
    [Benchmark]
    public SheetOutcome OverheadSheet() => Planner.Plan(Overhead, Machine);

    /// <summary>A groove in passes.</summary>
    [Benchmark]
    public SheetOutcome ThickSheet() => Planner.Plan(Thick);

    /// <summary>TIG on aluminium.</summary>
    [Benchmark]
    public SheetOutcome TigSheet() => Planner.Plan(Tig, Machine);
}
