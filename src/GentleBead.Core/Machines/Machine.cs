using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Machines;

/// <summary>A constant-voltage machine: its two controls and the wire on it.</summary>
/// <param name="Name">What the room calls it.</param>
/// <param name="Wire">The wire loaded.</param>
/// <param name="WireControl">The wire feed speed control.</param>
/// <param name="VoltControl">The voltage control.</param>
public sealed record Machine(string Name, Wire Wire, Control WireControl, Control VoltControl)
{
    // A measured value may stray this far past what the readings promise at the ends of the dial.
    private const double Stray = 0.1;

    /// <summary>The pair at the torch, each side from a mark or, when it was measured instead, from its value.</summary>
    /// <param name="wireMark">Mark of the wire control, or null.</param>
    /// <param name="voltMark">Mark of the volt control, or null.</param>
    /// <param name="wireFeed">Measured wire feed speed, looked at when there is no mark.</param>
    /// <param name="volts">Measured volts, looked at when there is no mark.</param>
    /// <param name="problems">Takes what is wrong, by the parameter's name, with what is accepted.</param>
    /// <returns>The pair, or null when something is wrong.</returns>
    public Settings? Read(double? wireMark, double? voltMark, WireFeedSpeed? wireFeed, Voltage? volts, IDictionary<string, string> problems)
    {
        var wire = wireMark is { } atWire
            ? AtMark(WireControl, atWire, "The wire control", "wireMark", problems)
            : AsMeasured(WireControl, wireFeed?.MPerMin, "wire feed speed", "wireFeedMPerMin", value => Show.Of(WireFeedSpeed.FromMPerMin(value)), problems);
        var volt = voltMark is { } atVolt
            ? AtMark(VoltControl, atVolt, "The volt control", "voltMark", problems)
            : AsMeasured(VoltControl, volts?.Volts, "voltage", "volts", value => Show.Of(Voltage.FromVolts(value)), problems);
        return wire is { } w && volt is { } v ? new Settings(WireFeedSpeed.FromMPerMin(w), Voltage.FromVolts(v)) : null;
    }

    private static double? AtMark(Control control, double mark, string name, string field, IDictionary<string, string> problems)
    {
        if (!(mark >= control.LowestMark && mark <= control.HighestMark))
        {
            problems[field] = $"{name} of this machine runs from {control.Read(control.LowestMark)} to {control.Read(control.HighestMark)}.";
        }
        else if (Math.Abs(control.Settable(mark) - mark) > 1e-6)
        {
            problems[field] = $"{name} of this machine goes in steps of {Show.Number(control.MarkStep)}.";
        }
        else if (!Calibration.TryFit(control, out var calibration, out var problem))
        {
            problems[field] = problem;
        }
        else if (calibration!.ValueAt(mark).Value is > 0 and var value)
        {
            return value;
        }
        else
        {
            problems[field] = $"At {control.Read(mark)} this machine gives nothing.";
        }
        return null;
    }

    private static double? AsMeasured(
        Control control, double? measured, string name, string field, Func<double, string> show, IDictionary<string, string> problems)
    {
        if (measured is not { } value)
        {
            problems[field] = $"Say where the control stood, or the {name} measured.";
            return null;
        }
        if (Calibration.TryFit(control, out var calibration, out _))
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
