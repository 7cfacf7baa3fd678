using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Machines;

/// <summary>One step of a door chart, in the machine's own marks.</summary>
/// <param name="Thickness">Plate thickness of the step.</param>
/// <param name="WireMark">Where the chart puts the wire control.</param>
/// <param name="VoltMark">Where the chart puts the volt control.</param>
public sealed record ChartStep(Thickness Thickness, double WireMark, double VoltMark);

/// <summary>The chart on a machine's door for one wire, gas and process.</summary>
/// <param name="Process">Process the chart is for.</param>
/// <param name="Wire">Wire the chart is for.</param>
/// <param name="Gas">Gas the chart is for.</param>
/// <param name="Steps">Its steps, in any order; thicknesses differ.</param>
public sealed record DoorChart(Process Process, Wire Wire, Gas Gas, IReadOnlyList<ChartStep> Steps)
{
    /// <summary>More steps than any door has room for.</summary>
    public const int MostSteps = 40;

    private const double SameStepMm = 0.005;

    // Typed fractions and gauges meet the same plate from either side.
    private const double SamePlate = 1.02;

    // A bead speaks for the step its plate is nearest to, within a fifth.
    private const double NearPlate = 0.2;

    /// <summary>Whether the chart speaks of a job's wire, gas and process.</summary>
    public bool Fits(Job job) => job.Process == Process && job.Wire == Wire && job.Gas == Gas;

    /// <summary>What is wrong with the chart on a machine; empty when nothing.</summary>
    public IEnumerable<Problem> Problems(Machine machine)
    {
        if (Steps.Count is < 2 or > MostSteps)
            yield return new("steps", Say($"A chart has 2 to {MostSteps} steps."));
        for (var i = 0; i < Steps.Count; i++)
        {
            var step = Steps[i];
            if (OffDial(machine.WireControl, step.WireMark) is { } wire)
                yield return new($"steps[{i}].wireMark", wire);
            if (OffDial(machine.VoltControl, step.VoltMark) is { } volt)
                yield return new($"steps[{i}].voltMark", volt);
            if (Steps.Take(i).Any(other => Math.Abs(other.Thickness.Value.Mm - step.Thickness.Value.Mm) < SameStepMm))
            {
                yield return new($"steps[{i}].thickness", Say($"{step.Thickness.Typed.Name()} stands twice."));
            }
        }
    }

    private static Said? OffDial(Control? control, double mark) =>
        control is null ? Say($"This machine has no such control.")
        : control.IsOn(mark) ? null
        : control.Runs();

    /// <summary>The chart's pair for a thickness, straight between its steps.</summary>
    /// <param name="thickness">The plate.</param>
    /// <param name="dials">The machine's fitted controls.</param>
    /// <returns>The pair with the steps it lies between; null outside the chart, which is never drawn on.</returns>
    public ChartPair? At(Length thickness, Dials dials)
    {
        var steps = Steps.OrderBy(step => step.Thickness.Value.Mm).ToArray();
        if (
            steps.Length == 0
            || thickness.Mm * SamePlate < steps[0].Thickness.Value.Mm
            || thickness.Mm > steps[^1].Thickness.Value.Mm * SamePlate
        )
            return null;
        var upper = Array.FindIndex(steps, step => step.Thickness.Value >= thickness);
        if (upper < 0)
            upper = steps.Length - 1;
        var (low, high) = (steps[Math.Max(0, upper - 1)], steps[upper]);
        var span = high.Thickness.Value.Mm - low.Thickness.Value.Mm;
        var share = span == 0 ? 0 : Math.Clamp((thickness.Mm - low.Thickness.Value.Mm) / span, 0, 1);
        var wireMark = low.WireMark + share * (high.WireMark - low.WireMark);
        var voltMark = low.VoltMark + share * (high.VoltMark - low.VoltMark);
        return new ChartPair(
            wireMark,
            voltMark,
            WireFeedSpeed.FromMPerMin(dials.WireFeedAt(wireMark).Value),
            dials.VoltsAt(dials.Volt.Settable(voltMark), wireMark),
            low.Thickness.Typed,
            high.Thickness.Typed
        );
    }

    /// <summary>The chart step by step against the rules and against beads that came out right in this room.</summary>
    /// <param name="machine">The machine whose chart it is.</param>
    /// <param name="right">Beads that came out right on it with this wire and gas.</param>
    public IReadOnlyList<ChartComparison> Compare(Machine machine, IReadOnlyList<RightBead> right)
    {
        if (!Dials.TryFit(machine, out var dials, out _))
            return [];
        return
        [
            .. Steps
                .OrderBy(step => step.Thickness.Value.Mm)
                .Select(step =>
                {
                    var chart = At(step.Thickness.Value, dials!)!;
                    var arc = new WireArc(Process, Wire, Gas);
                    // Charts are made for flat and horizontal and name no joint: the bead-on-plate rule is their like.
                    var amps = PlateAmps.For(step.Thickness.Value < PlateAmps.RuleEnds ? step.Thickness.Value : PlateAmps.RuleEnds);
                    var rule = BurnOff.WireFeedFor(amps, arc);
                    var band = SmoothBand.At(chart.WireFeed, arc);
                    var near = right.Where(bead => Math.Abs(bead.Thickness / step.Thickness.Value - 1) <= NearPlate).ToArray();
                    var beads =
                        near.Length == 0
                            ? (double?)null
                            : chart.WireFeed.MPerMin / near.Average(bead => bead.Used.WireFeed.MPerMin / bead.HeatFactor) - 1;
                    return new ChartComparison(
                        step,
                        chart.WireFeed,
                        chart.Volts,
                        chart.WireFeed / rule - 1,
                        chart.Volts < band.Low ? chart.Volts.Volts - band.Low.Volts
                            : chart.Volts > band.High ? chart.Volts.Volts - band.High.Volts
                            : 0,
                        beads,
                        near.Length
                    );
                }),
        ];
    }
}

/// <summary>What a chart says for a plate.</summary>
/// <param name="WireMark">Where it puts the wire control.</param>
/// <param name="VoltMark">Where it puts the volt control.</param>
/// <param name="WireFeed">What that gives on this machine.</param>
/// <param name="Volts">What that gives on this machine.</param>
/// <param name="From">The step under it, as typed.</param>
/// <param name="To">The step over it, as typed.</param>
public sealed record ChartPair(double WireMark, double VoltMark, WireFeedSpeed WireFeed, Voltage Volts, string From, string To);

/// <summary>A bead that came out right, for comparing a chart with.</summary>
/// <param name="Thickness">Plate thickness.</param>
/// <param name="HeatFactor">The joint's current against a bead on plate.</param>
/// <param name="Used">The pair it was welded at.</param>
public sealed record RightBead(Length Thickness, double HeatFactor, Settings Used);

/// <summary>One step of a chart against the rules and against the room.</summary>
/// <param name="Step">The step.</param>
/// <param name="WireFeed">Wire feed speed it gives on this machine.</param>
/// <param name="Volts">Volts it gives on this machine.</param>
/// <param name="WireOff">Its wire against the rules' for a bead on plate, as a share; above 0 the chart runs rich.</param>
/// <param name="VoltsOff">Volts above the smooth band for its wire, below 0 under it, 0 inside.</param>
/// <param name="WireOffBeads">Its wire against the mean of right beads on plates near it, as a share; null without beads.</param>
/// <param name="BeadCount">How many such beads.</param>
public sealed record ChartComparison(
    ChartStep Step,
    WireFeedSpeed WireFeed,
    Voltage Volts,
    double WireOff,
    double VoltsOff,
    double? WireOffBeads,
    int BeadCount
);
