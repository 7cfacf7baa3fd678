using GentleBead.Core.Quantities;

namespace GentleBead.Core.Machines;

/// <summary>A control whose readings are taken.</summary>
public enum ReadControl
{
    /// <summary>The wire control.</summary>
    Wire,

    /// <summary>The volt control, or the volts that follow the wire control.</summary>
    Volt,

    /// <summary>The current control.</summary>
    Amp,
}

/// <summary>A reading as it was taken: what was measured, or what ruler and watch said of the wire.</summary>
/// <param name="Control">On which control.</param>
/// <param name="Mark">Where it stood.</param>
/// <param name="Measured">m/min, volts or amperes; null with ruler and watch.</param>
/// <param name="Seconds">Seconds the wire ran; null without.</param>
/// <param name="Length">Length that came out; null without.</param>
public sealed record NewReading(ReadControl Control, double Mark, double? Measured, double? Seconds, Length? Length);

/// <summary>What a reading has to keep to.</summary>
public static class ReadingRules
{
    private const double HighestMeasured = 2000;

    /// <summary>The control of a machine; null where it has none.</summary>
    public static Control? ControlOf(this Machine machine, ReadControl which) =>
        which switch
        {
            ReadControl.Wire => machine.WireControl,
            ReadControl.Volt => machine.VoltControl,
            _ => machine.AmpControl,
        };

    /// <summary>The controls a machine has.</summary>
    public static IEnumerable<(ReadControl Which, Control Control)> Controls(this Machine machine)
    {
        foreach (var which in Enum.GetValues<ReadControl>())
        {
            if (machine.ControlOf(which) is { } control)
                yield return (which, control);
        }
    }

    /// <summary>The reading of a control, or what is wrong with it.</summary>
    public static Checked<Reading> On(this NewReading taken, Machine machine)
    {
        if (machine.ControlOf(taken.Control) is not { } control)
            return new(new Problem("control", Say($"{machine.Name.Name()} has no such control.")));
        Problem[] problems = [.. Problems(taken, machine, control)];
        if (problems.Length > 0)
            return new(problems);
        var reading = new Reading(taken.Mark, taken.Measured ?? ByRuler(taken));
        // Too few readings to fit is no fault; one that falls against the others is.
        var with = control with
        {
            Readings = [.. control.Readings, reading],
        };
        return Calibration.Falls(with) && !Calibration.TryFit(with, out _, out var falls)
            ? new(new Problem("measured", falls))
            : new(reading);
    }

    // Metres a minute from a length that came out and the time it took.
    private static double ByRuler(NewReading taken) => taken.Length!.Value.Mm / taken.Seconds!.Value * 60 / 1000;

    private static IEnumerable<Problem> Problems(NewReading taken, Machine machine, Control control)
    {
        if (taken.Measured is { } measured)
        {
            if (!(measured > 0 && measured < HighestMeasured))
                yield return new("measured", Say($"What the ruler or the meter said, above 0."));
        }
        else if (taken.Control != ReadControl.Wire)
        {
            yield return new("measured", Say($"What the meter said, above 0."));
        }
        else
        {
            if (taken.Seconds is not (>= 1 and <= 120))
                yield return new("seconds", Say($"Let it run 1 to 120 seconds."));
            if (taken.Length is not { Mm: >= 10 and <= 50_000 })
            {
                yield return new("lengthMm", Say($"How much wire came out? {new Either("10 mm to 50 m", "3/8 in to 160 ft")}."));
            }
        }
        // A trim's volts are measured at marks of the wire control they follow.
        var dial = control.Kind == ControlKind.Trim ? machine.WireControl! : control;
        if (!dial.IsOn(taken.Mark))
            yield return new("mark", dial.Runs());
    }
}
