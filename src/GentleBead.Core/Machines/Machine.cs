using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
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
    string Name, Load Load, Control? WireControl, Control? VoltControl, Control? AmpControl = null, Rating? Rating = null,
    bool Inductance = false, bool VoltsUnderLoad = false, bool HasAc = false, IReadOnlyList<MachineProgram>? Programs = null)
{
    // A measured value may stray this far past what the readings promise at the ends of the dial.
    private const double Stray = 0.1;

    /// <summary>What its program numbers stand for; never null.</summary>
    public IReadOnlyList<MachineProgram> Programs { get; init; } = Programs ?? [];

    /// <summary>The program made for a job; null when there is none.</summary>
    public MachineProgram? ProgramFor(Job job) =>
        Programs.FirstOrDefault(program => program.Wire == job.Wire && program.Gas == job.Gas && program.Process == job.Process);

    /// <summary>Why this machine cannot do a process at all, or null.</summary>
    public string? CannotDo(Process process) => process switch
    {
        _ when process.Facts().FeedsWire && (WireControl is null || VoltControl is null) => $"{Name} feeds no wire.",
        Process.GmawPulsed when Programs.All(program => program.Process != Process.GmawPulsed) => $"{Name} has no pulse program.",
        _ when process.Facts().FeedsWire => null,
        Process.GtawAc when !HasAc => $"{Name} gives no AC.",
        _ => AmpControl is null ? $"{Name} has no current control for TIG." : null,
    };

    /// <summary>The pair at the torch, each side from a mark or, when it was measured instead, from its value.</summary>
    /// <param name="wireMark">Mark of the wire control, or null.</param>
    /// <param name="voltMark">Mark of the volt control, or null.</param>
    /// <param name="wireFeed">Measured wire feed speed, looked at when there is no mark.</param>
    /// <param name="volts">Measured volts, looked at when there is no mark.</param>
    /// <param name="problems">Takes what is wrong, by the parameter's name, with what is accepted.</param>
    /// <returns>The pair, or null when something is wrong.</returns>
    public Settings? Read(double? wireMark, double? voltMark, WireFeedSpeed? wireFeed, Voltage? volts, IDictionary<string, string> problems)
    {
        if (WireControl is null || VoltControl is null)
        {
            problems["wireMark"] = $"{Name} feeds no wire.";
            return null;
        }
        var wire = wireMark is { } atWire
            ? AtMark(WireControl, atWire, "The wire control", "wireMark", problems)
            : AsMeasured(WireControl, wireFeed?.MPerMin, "wire feed speed", "wireFeedMPerMin", value => Show.Of(WireFeedSpeed.FromMPerMin(value)), problems);
        var volt = voltMark is not { } atVolt
            ? AsMeasured(VoltControl, volts?.Volts, "voltage", "volts", value => Show.Of(Voltage.FromVolts(value)), problems)
            : VoltControl.Kind != ControlKind.Trim
                ? AtMark(VoltControl, atVolt, "The volt control", "voltMark", problems)
                : AtTrim(VoltControl, atVolt, wireMark, problems);
        return wire is { } w && volt is { } v ? new Settings(WireFeedSpeed.FromMPerMin(w), Voltage.FromVolts(v)) : null;
    }

    /// <summary>The current of a TIG bead, from a mark or, when it was measured instead, from its value.</summary>
    /// <param name="ampMark">Mark of the current control, or null.</param>
    /// <param name="amps">Measured current, looked at when there is no mark.</param>
    /// <param name="problems">Takes what is wrong, by the parameter's name, with what is accepted.</param>
    public Current? ReadAmps(double? ampMark, Current? amps, IDictionary<string, string> problems)
    {
        if (AmpControl is null)
        {
            problems["ampMark"] = $"{Name} has no current control for TIG.";
            return null;
        }
        var value = ampMark is { } mark
            ? AtMark(AmpControl, mark, "The current control", "ampMark", problems)
            : AsMeasured(AmpControl, amps?.Amps, "current", "amps", measured => Show.Of(Current.FromAmps(measured)), problems);
        return value is { } current ? Current.FromAmps(current) : null;
    }

    private static double? AtTrim(Control trim, double mark, double? wireMark, IDictionary<string, string> problems)
    {
        if (CheckMark(trim, mark, "The trim") is { } wrong) problems["voltMark"] = wrong;
        else if (!Calibration.TryFit(trim, out var follows, out var problem)) problems["voltMark"] = problem;
        else if (wireMark is not { } at) problems["voltMark"] = "The volts follow the wire control: say where it stood, or the voltage measured.";
        else return follows!.ValueAt(at).Value + trim.TrimVolts * mark;
        return null;
    }

    private static double? AtMark(Control control, double mark, string name, string field, IDictionary<string, string> problems)
    {
        if (CheckMark(control, mark, name) is { } wrong) problems[field] = wrong;
        else if (!Calibration.TryFit(control, out var calibration, out var problem)) problems[field] = problem;
        else if (calibration!.ValueAt(mark).Value is > 0 and var value) return value;
        else problems[field] = $"At {control.Read(mark)} this machine gives nothing.";
        return null;
    }

    private static string? CheckMark(Control control, double mark, string name) =>
        !(mark >= control.LowestMark && mark <= control.HighestMark)
            ? $"{name} of this machine runs from {control.Read(control.LowestMark)} to {control.Read(control.HighestMark)}."
            : Math.Abs(control.Settable(mark) - mark) > 1e-6 ? $"{name} of this machine goes in steps of {Show.Number(control.MarkStep)}." : null;

    private static double? AsMeasured(
        Control control, double? measured, string name, string field, Func<double, string> show, IDictionary<string, string> problems)
    {
        if (measured is not { } value)
        {
            problems[field] = $"Say where the control stood, or the {name} measured.";
            return null;
        }
        if (control.Kind is not (ControlKind.Trim or ControlKind.CoarseFine) && Calibration.TryFit(control, out var calibration, out _))
        {
            var least = calibration!.ValueAt(control.LowestMark).Value * (1 - Stray);
            var most = calibration.ValueAt(control.HighestMark).Value * (1 + Stray);
            if (value > 0 && value >= least && value <= most) return value;
            problems[field] = $"This machine has {show(least)} to {show(most)}.";
            return null;
        }
        if (value > 0) return value;
        problems[field] = $"The {name} is above 0.";
        return null;
    }
}

/// <summary>The pair that makes the arc, as it is at the torch whatever the marks say.</summary>
/// <param name="WireFeed">Wire feed speed.</param>
/// <param name="Volts">Volts at the arc.</param>
public sealed record Settings(WireFeedSpeed WireFeed, Voltage Volts);
