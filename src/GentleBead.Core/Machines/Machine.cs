using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Machines;

/// <summary>What one program number of a machine stands for.</summary>
/// <param name="Number">The number on the machine; 0 or more.</param>
/// <param name="Wire">The wire it is made for.</param>
/// <param name="Gas">The gas it is made for.</param>
/// <param name="Process">The transfer mode it makes.</param>
public sealed record MachineProgram(int Number, Wire Wire, Gas Gas, Process Process);

/// <summary>What the plate on the back says it can bear.</summary>
/// <param name="Amps">Rated current.</param>
/// <param name="DutyPercent">Share of ten minutes it may weld at that current; above 0, at most 100.</param>
/// <param name="MostAmps">Highest current it gives.</param>
public sealed record Rating(Current Amps, double DutyPercent, Current MostAmps)
{
    /// <summary>Share of ten minutes it may weld at another current, in per cent: t = t rated x (I rated / I)², at most 100.</summary>
    /// <remarks>Heating goes with the square of the current; the conversion rating plates are drawn up with.</remarks>
    public double DutyPercentAt(Current amps) => amps.Amps <= 0 ? 100 : Math.Min(100, DutyPercent * Math.Pow(Amps / amps, 2));
}

/// <summary>A machine: its controls and what is on it.</summary>
/// <param name="Name">What the room calls it.</param>
/// <param name="Load">Wire, gas, polarity, tip, rolls, program, tungsten.</param>
/// <param name="WireControl">The wire feed speed control; null on a machine without a feeder.</param>
/// <param name="VoltControl">The voltage control; null on a machine without one.</param>
/// <param name="AmpControl">The current control for TIG; null on a machine without one.</param>
/// <param name="Rating">What it can bear; null when nobody has read the plate.</param>
/// <param name="Inductance">Whether there is an inductance or arc-force control.</param>
/// <param name="VoltsUnderLoad">Whether the volts may be turned while welding; on a tap switch that burns the contacts.</param>
/// <param name="HasAc">Whether it gives AC.</param>
/// <param name="Programs">What its program numbers stand for; empty on a machine without.</param>
public sealed record Machine(
    string Name,
    Load Load,
    Control? WireControl,
    Control? VoltControl,
    Control? AmpControl = null,
    Rating? Rating = null,
    bool Inductance = false,
    bool VoltsUnderLoad = false,
    bool HasAc = false,
    IReadOnlyList<MachineProgram>? Programs = null
)
{
    // A measured value may stray this far past what the readings promise at the ends of the dial.
    private const double Stray = 0.1;

    /// <summary>What its program numbers stand for; never null.</summary>
    public IReadOnlyList<MachineProgram> Programs { get; init; } = Programs ?? [];

    /// <summary>The program made for a job; null when there is none.</summary>
    public MachineProgram? ProgramFor(Job job) =>
        Programs.FirstOrDefault(program => program.Wire == job.Wire && program.Gas == job.Gas && program.Process == job.Process);

    /// <summary>Why this machine cannot do a process at all, or null.</summary>
    public Said? CannotDo(Process process)
    {
        var facts = process.Facts();
        if (facts.FeedsWire && (WireControl is null || VoltControl is null))
            return FeedsNone();
        if (facts.VoltsByProgram && Programs.All(program => program.Process != process))
            return Say($"{Name.Name()} has no pulse program.");
        if (facts.NeedsAc && !HasAc)
            return Say($"{Name.Name()} gives no AC.");
        return !facts.FeedsWire && AmpControl is null ? NoAmps() : null;
    }

    /// <summary>The pair at the torch, each side from a mark or, when it was measured instead, from its value.</summary>
    /// <param name="wireMark">Mark of the wire control, or null.</param>
    /// <param name="voltMark">Mark of the volt control, or null.</param>
    /// <param name="wireFeed">Measured wire feed speed, looked at when there is no mark.</param>
    /// <param name="volts">Measured volts, looked at when there is no mark.</param>
    public Checked<Settings> Read(double? wireMark, double? voltMark, WireFeedSpeed? wireFeed, Voltage? volts)
    {
        if (WireControl is null || VoltControl is null)
            return new(new Problem("wireMark", FeedsNone()));
        var problems = new List<Problem>();
        var wire = wireMark is { } atWire
            ? AtMark(WireControl, atWire, Wire, problems)
            : AsMeasured(WireControl, wireFeed?.MPerMin, Wire, problems);
        var volt =
            voltMark is not { } atVolt ? AsMeasured(VoltControl, volts?.Volts, Volt, problems)
            : VoltControl.Kind != ControlKind.Trim ? AtMark(VoltControl, atVolt, Volt, problems)
            : AtTrim(VoltControl, atVolt, wireMark, problems);
        return wire is { } feed && volt is { } arc
            ? new(new Settings(WireFeedSpeed.FromMPerMin(feed), Voltage.FromVolts(arc)))
            : new(problems);
    }

    /// <summary>The current of a TIG bead, from a mark or, when it was measured instead, from its value.</summary>
    /// <param name="ampMark">Mark of the current control, or null.</param>
    /// <param name="amps">Measured current, looked at when there is no mark.</param>
    /// <param name="problems">Takes what is wrong.</param>
    public Current? ReadAmps(double? ampMark, Current? amps, List<Problem> problems)
    {
        if (AmpControl is null)
        {
            problems.Add(new("ampMark", NoAmps()));
            return null;
        }
        var value = ampMark is { } mark ? AtMark(AmpControl, mark, Amp, problems) : AsMeasured(AmpControl, amps?.Amps, Amp, problems);
        return value is { } current ? Current.FromAmps(current) : null;
    }

    // How a control and what it sets are called, and where they stand in a request.
    private sealed record Asked(string MarkField, string ValueField, Said Control, Said Value, Func<double, Said> Show);

    private static readonly Asked Wire = new(
        "wireMark",
        "wireFeedMPerMin",
        Say($"The wire control"),
        Say($"wire feed speed"),
        value => Say($"{WireFeedSpeed.FromMPerMin(value)}")
    );

    private static readonly Asked Volt = new(
        "voltMark",
        "volts",
        Say($"The volt control"),
        Say($"voltage"),
        value => Say($"{Voltage.FromVolts(value)}")
    );

    private static readonly Asked Amp = new(
        "ampMark",
        "amps",
        Say($"The current control"),
        Say($"current"),
        value => Say($"{Current.FromAmps(value)}")
    );

    private Said FeedsNone() => Say($"{Name.Name()} feeds no wire.");

    private Said NoAmps() => Say($"{Name.Name()} has no current control for TIG.");

    private static double? AtTrim(Control trim, double mark, double? wireMark, List<Problem> problems)
    {
        var wrong = CheckMark(trim, mark, Say($"The trim"));
        if (wrong is null && Calibration.TryFit(trim, out var follows, out wrong))
        {
            if (wireMark is { } at)
                return follows.ValueAt(at).Value + trim.TrimVolts * mark;
            wrong = Say($"The volts follow the wire control: say where it stood, or the voltage measured.");
        }
        problems.Add(new(Volt.MarkField, wrong!));
        return null;
    }

    private static double? AtMark(Control control, double mark, Asked asked, List<Problem> problems)
    {
        var wrong = CheckMark(control, mark, asked.Control);
        if (wrong is null && Calibration.TryFit(control, out var calibration, out wrong))
        {
            if (calibration.ValueAt(mark).Value is > 0 and var value)
                return value;
            wrong = Say($"At {control.Read(mark)} this machine gives nothing.");
        }
        problems.Add(new(asked.MarkField, wrong!));
        return null;
    }

    private static Said? CheckMark(Control control, double mark, Said name) =>
        !control.IsOn(mark)
            ? Say($"{name} of this machine runs from {control.Read(control.LowestMark)} to {control.Read(control.HighestMark)}.")
        : Math.Abs(control.Settable(mark) - mark) > 1e-6 ? Say($"{name} of this machine goes in steps of {control.MarkStep}.")
        : null;

    private static double? AsMeasured(Control control, double? measured, Asked asked, List<Problem> problems)
    {
        if (measured is not { } value)
        {
            problems.Add(new(asked.ValueField, Say($"Say where the control stood, or the {asked.Value} measured.")));
            return null;
        }
        if (control.Kind is not (ControlKind.Trim or ControlKind.CoarseFine) && Calibration.TryFit(control, out var calibration, out _))
        {
            var least = calibration.ValueAt(control.LowestMark).Value * (1 - Stray);
            var most = calibration.ValueAt(control.HighestMark).Value * (1 + Stray);
            if (value > 0 && value >= least && value <= most)
                return value;
            problems.Add(new(asked.ValueField, Say($"This machine has {asked.Show(least)} to {asked.Show(most)}.")));
            return null;
        }
        if (value > 0)
            return value;
        problems.Add(new(asked.ValueField, Say($"The {asked.Value} is above 0.")));
        return null;
    }
}

/// <summary>The pair that makes the arc, as it is at the torch whatever the marks say.</summary>
/// <param name="WireFeed">Wire feed speed.</param>
/// <param name="Volts">Volts at the arc.</param>
public sealed record Settings(WireFeedSpeed WireFeed, Voltage Volts);
