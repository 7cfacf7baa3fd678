using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Trials;

/// <summary>A sheet's settings shifted, and put on the machine's own marks.</summary>
internal sealed class TrialMaker
{
    // A control falls short when it gives this far from what was asked, beside half of what it was to be turned.
    private const double WireShort = 0.3;
    private const double VoltsShort = 1;

    private readonly Sheet sheet;
    private readonly Machine machine;
    private readonly WayOfSetting way;
    private readonly Dials? dials;

    public TrialMaker(Sheet sheet, Machine machine, WayOfSetting way)
    {
        (this.sheet, this.machine, this.way) = (sheet, machine, way);
        if (sheet.Pair is not null)
            Dials.TryFit(machine, out dials, out _);
    }

    /// <summary>Whether the machine could not be turned even half as far as a step asked for.</summary>
    public bool FellShort { get; private set; }

    /// <summary>What the sheet is for.</summary>
    public Job Job => sheet.Job;

    /// <summary>The sheet's wire feed speed.</summary>
    public WireFeedSpeed WireFeed => sheet.RequirePair().WireFeed;

    private double Volts => sheet.RequirePair().Volts.Aim.Volts;

    /// <summary>What must stay the same.</summary>
    /// <param name="control">What is not turned.</param>
    public IReadOnlyList<Said> Hold(Said control) =>
        [
            Say($"Hold {control}."),
            sheet.Travel is { } pace ? Say($"Travel: {pace:timed}.") : Say($"Time on each spot."),
            sheet.Pair is { } pair ? Say($"Stick-out: {pair.StickOut.Aim}.") : Say($"Arc length: about as long as the tungsten is thick."),
            Say($"Plate as cold as the shop and dry: between beads {sheet.Job.Metal.Facts().Cool}."),
            Say($"Clean metal, the same clamp, the same angle."),
        ];

    /// <summary>A step of a fed wire.</summary>
    /// <param name="title">Its title.</param>
    /// <param name="variable">What is varied.</param>
    /// <param name="wireShare">Wire against the sheet's.</param>
    /// <param name="voltsMore">Volts over the sheet's; with a pair the volts follow the wire.</param>
    public TrialStep Step(Said title, Variable variable, double wireShare, double voltsMore)
    {
        var feed = WireFeed * wireShare;
        var volts =
            variable == Variable.Pair ? SmoothBand.At(feed, Job.RequireArc()).Aim : Voltage.FromVolts(Math.Max(1, Volts + voltsMore));
        if (dials is null)
            return new(
                0,
                title,
                Value(variable, feed, volts),
                new Settings(feed, volts),
                null,
                null,
                null,
                null,
                Say($"{feed}, {volts}"),
                null
            );

        var wireMark = dials.WireMarkFor(feed).Mark;
        var voltMark = dials.VoltMarkFor(volts, wireMark).Mark;
        var (givenFeed, givenVolts) = (WireFeedSpeed.FromMPerMin(dials.WireFeedAt(wireMark).Value), dials.VoltsAt(voltMark, wireMark));
        FellShort |=
            Math.Abs(givenFeed.MPerMin - feed.MPerMin) > Math.Abs(feed.MPerMin - WireFeed.MPerMin) / 2 + WireShort
            || Math.Abs(givenVolts.Volts - volts.Volts) > Math.Abs(volts.Volts - Volts) / 2 + VoltsShort;
        var reads = Say($"wire {dials.Wire.Read(wireMark)}, volts {dials.Volt.Read(voltMark)}");
        return new(
            0,
            title,
            Value(variable, givenFeed, givenVolts),
            new Settings(givenFeed, givenVolts),
            null,
            wireMark,
            voltMark,
            null,
            reads,
            null
        );
    }

    /// <summary>A step of a tungsten: a share of the sheet's current.</summary>
    public TrialStep AmpsStep(double share)
    {
        var amps = sheet.Amps * share;
        var title =
            share == 1 ? Say($"The sheet's amps")
            : share < 1 ? Say($"{(1 - share) * 100:0} % under")
            : Say($"{(share - 1) * 100:0} % over");
        if (machine.AmpControl is not { } control || !Calibration.TryFit(control, out var fitted, out _))
        {
            return new(0, title, amps.Amps, null, amps, null, null, null, Say($"{amps}"), null);
        }
        var mark = fitted.MarkFor(amps.Amps).Mark;
        amps = Current.FromAmps(fitted.ValueAt(mark).Value);
        return new(0, title, amps.Amps, null, amps, null, null, mark, Say($"amps {control.Read(mark)}"), null);
    }

    /// <summary>The sheet's pair on other jobs, each judged by a sheet of its own; null where one of them cannot be welded.</summary>
    public IReadOnlyList<TrialStep>? OnOtherJobs(Variable variable, IEnumerable<(Job Job, Said Name)> jobs)
    {
        var steps = new List<TrialStep>();
        foreach (var (job, name) in jobs)
        {
            if (Planner.Plan(job, machine, way) is not Sheet own)
                return null;
            steps.Add(Step(Say($"{name:capital}"), variable, 1, 0) with { Value = steps.Count + 1, Sheet = own });
        }
        return steps;
    }

    private static double Value(Variable variable, WireFeedSpeed feed, Voltage volts) =>
        variable == Variable.Volts ? volts.Volts : feed.MPerMin;
}
