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
    /// <summary>What the machine really gives at a pair of marks.</summary>
    /// <param name="wireMark">Mark of the wire control.</param>
    /// <param name="voltMark">Mark of the volt control.</param>
    /// <param name="pair">The physical settings, when both marks can be translated.</param>
    /// <param name="problems">What is wrong, by field: "wireMark", "voltMark".</param>
    public bool TryRead(double wireMark, double voltMark, out Settings? pair, out IReadOnlyDictionary<string, string> problems)
    {
        var found = new Dictionary<string, string>();
        var wire = Value(WireControl, wireMark, "The wire control", "wireMark", found);
        var volts = Value(VoltControl, voltMark, "The volt control", "voltMark", found);
        problems = found;
        pair = found.Count == 0 ? new Settings(WireFeedSpeed.FromMPerMin(wire), Voltage.FromVolts(volts)) : null;
        return pair is not null;
    }

    private static double Value(Control control, double mark, string name, string field, Dictionary<string, string> problems)
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
        else
        {
            return calibration!.ValueAt(mark).Value;
        }
        return 0;
    }
}

/// <summary>The pair that makes the arc, as it is at the torch whatever the marks say.</summary>
/// <param name="WireFeed">Wire feed speed.</param>
/// <param name="Volts">Volts at the arc.</param>
public sealed record Settings(WireFeedSpeed WireFeed, Voltage Volts);
