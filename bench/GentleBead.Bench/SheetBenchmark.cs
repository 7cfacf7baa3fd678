using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Reports;
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
    // What reasons and sentences may cost beside the two numbers alone.
    private const double Most = 350;

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

    /// <summary>Says how it went, against the bare numbers of the same run.</summary>
    /// <returns>0 where it holds, 1 where it does not or was not measured.</returns>
    internal static int Close(Summary summary)
    {
        var (whole, bare) = (Mean(summary, nameof(WholeSheet)), Mean(summary, nameof(BareNumbers)));
        var figures = new Figures("sheet");
        figures.AtMost("a sheet against its bare numbers", whole / bare, Most);
        return figures.Close($"an everyday sheet {whole / 1000:0} us, {whole / bare:0} x its bare numbers");
    }

    private static double Mean(Summary summary, string method) =>
        summary.Reports.SingleOrDefault(report => report.BenchmarkCase.Descriptor.WorkloadMethod.Name == method)?.ResultStatistics?.Mean
        ?? double.NaN;
}
