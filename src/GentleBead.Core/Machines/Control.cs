using GentleBead.Core.Quantities;

namespace GentleBead.Core.Machines;

/// <summary>How a control on the front of a machine is marked.</summary>
public enum ControlKind
{
    /// <summary>A display that shows the value in a unit.</summary>
    Digital,

    /// <summary>A continuous knob with marks but no unit.</summary>
    Knob,

    /// <summary>A switch with numbered taps.</summary>
    Tap,
}

/// <summary>One measured point: what the arc or the ruler gave at a mark.</summary>
/// <param name="Mark">Where the control stood.</param>
/// <param name="Measured">What was measured there: metres per minute for wire, volts at the arc for volts.</param>
public sealed record Reading(double Mark, double Measured);

/// <summary>One control of a machine: its marks and what has been measured at them.</summary>
/// <param name="Kind">How it is marked.</param>
/// <param name="LowestMark">The lowest mark it can stand at.</param>
/// <param name="HighestMark">The highest mark; above <paramref name="LowestMark"/>.</param>
/// <param name="MarkStep">The smallest step that can be set and read; above 0.</param>
/// <param name="Unit">What a display shows: "in/min", "m/min" or "V"; empty for knobs and taps.</param>
/// <param name="Readings">Measured points, in any order; may be empty.</param>
public sealed record Control(
    ControlKind Kind, double LowestMark, double HighestMark, double MarkStep, string Unit, IReadOnlyList<Reading> Readings)
{
    /// <summary>The nearest mark the control can stand at.</summary>
    public double Settable(double mark)
    {
        var steps = Math.Round((Math.Clamp(mark, LowestMark, HighestMark) - LowestMark) / MarkStep, MidpointRounding.AwayFromZero);
        // Steps such as 0.1 do not add up exactly; six digits are more than any dial shows.
        return Math.Round(Math.Min(HighestMark, LowestMark + steps * MarkStep), 6);
    }

    /// <summary>A mark as it reads on the machine: "42", "tap 4", "18.5 V".</summary>
    public string Read(double mark) => Kind switch
    {
        ControlKind.Digital => $"{Show.Number(mark, "0.##")} {Unit}",
        ControlKind.Tap => $"tap {Show.Number(mark, "0.##")}",
        _ => Show.Number(mark, "0.##"),
    };
}
