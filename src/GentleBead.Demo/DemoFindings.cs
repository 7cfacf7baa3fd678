using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Core.Trials;

namespace GentleBead.Demo;

/// <summary>What the made-up room has tried: sweeps on the knob-and-tap machine, which likes a volt more than the textbook.</summary>
public static class DemoFindings
{
    /// <summary>Which booth was swept.</summary>
    public const int SweptBooth = 2;

    // How far this machine's band lies over the textbook's, and how late a thumb is.
    private const double MoreVolts = 0.9;
    private const double ThumbMarks = 0.8;

    /// <summary>Sweeps at a run of taps: the tap held, and the run.</summary>
    public static IReadOnlyList<(double VoltMark, SweepRun Run)> Sweeps()
    {
        var machine = DemoSchool.Machines[SweptBooth - 1].Machine;
        if (!Dials.TryFit(machine, out var dials, out var problem))
            throw new InvalidOperationException($"{problem}");
        var arc = WireArc.Dip(Wire.Solid08);
        var random = new Random(12);
        var sweeps = new List<(double, SweepRun)>();
        foreach (var tap in new[] { 3, 4, 5, 6, 7 })
        {
            const double From = 10,
                To = 80,
                Seconds = 28;
            var volts = dials!.VoltsAt(tap, From).Volts;
            // Walk the knob as the hand did, and press where the arc came and went.
            double? smooths = null;
            double? breaks = null;
            for (var mark = From; mark <= To; mark += 0.1)
            {
                var band = SmoothBand.At(WireFeedSpeed.FromMPerMin(dials.WireFeedAt(mark).Value), arc);
                var smooth = volts >= band.Low.Volts + MoreVolts && volts <= band.High.Volts + MoreVolts;
                if (smooth)
                    (smooths, breaks) = (smooths ?? mark, mark);
            }
            if (smooths is not { } from || breaks is not { } to)
                continue;
            SweepEvent At(SweepMark mark, double at) =>
                new(
                    mark,
                    Math.Round(
                        Math.Clamp(at + ThumbMarks * (random.NextDouble() * 2 - 0.6) - From, 0, To - From) / (To - From) * Seconds,
                        2
                    )
                );
            sweeps.Add((tap, new SweepRun(From, To, Seconds, [At(SweepMark.Smooths, from), At(SweepMark.BreaksUp, to)])));
        }
        return sweeps;
    }
}
