using BenchmarkDotNet.Attributes;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Bench;

/// <summary>A sheet with its reasons, in a machine's marks; against the bare numbers without a reason.</summary>
[MemoryDiagnoser]
public class SheetBenchmark
{
    private static readonly Machine Machine = new("Knob and taps", Wire.Solid08,
        new Control(ControlKind.Knob, 0, 100, 1, "", [new(20, 2.8), new(40, 6.0), new(70, 10.9)]),
        new Control(ControlKind.Tap, 1, 10, 1, "", [new(1, 14.5), new(4, 18.0), new(7, 21.6), new(10, 25.5)]));

    private static readonly Job Job = new(Thickness.Parse("1/8"), Joint.T, Position.Horizontal, Wire.Solid08);

    /// <summary>Only the two numbers a person sets.</summary>
    [Benchmark(Baseline = true)]
    public double BareNumbers()
    {
        var amps = Rules.AmpsForThickness(Job.Thickness.Value) * Job.Joint.Facts().HeatFactor;
        var wireFeed = Rules.WireFeedFor(amps, Job.Wire);
        return wireFeed.MPerMin + Rules.SmoothBand(wireFeed, Job.Wire).Aim.Volts;
    }

    /// <summary>The whole sheet.</summary>
    [Benchmark]
    public SheetOutcome WholeSheet() => Planner.Plan(Job, Machine);
}
