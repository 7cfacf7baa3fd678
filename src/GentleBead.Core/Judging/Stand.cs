using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Judging;

/// <summary>Where a machine's dials stand for a bead.</summary>
internal sealed record Stand(Dials Dials, double WireMark, double VoltMark)
{
    /// <summary>Where they stand; null where the machine has too few readings to tell.</summary>
    public static Stand? Of(Machine machine, Settings used)
    {
        if (!Dials.TryFit(machine, out var dials, out _))
            return null;
        var wireMark = dials.WireMarkFor(used.WireFeed).Mark;
        return new Stand(dials, wireMark, dials.VoltMarkFor(used.Volts, wireMark).Mark);
    }

    /// <summary>The mark for a wire feed speed, at least one step the right way; null at the end of the dial.</summary>
    public double? WireMoved(WireFeedSpeed target, int way) => Moved(Dials.Wire, WireMark, Dials.WireMarkFor(target).Mark, way);

    /// <summary>The mark for a voltage, at least one step the right way; null at the end of the dial.</summary>
    public double? VoltMoved(Voltage target, int way)
    {
        var mark = Dials.VoltMarkFor(target, WireMark).Mark;
        if (Dials.Volt.Kind != ControlKind.CoarseFine)
            return Moved(Dials.Volt, VoltMark, mark, way);
        // With coarse and fine switches the next position up is not always more volts: ask the volts, not the mark.
        return (Dials.VoltsAt(mark, WireMark).Volts - Dials.VoltsAt(VoltMark, WireMark).Volts) * way > 0 ? mark : null;
    }

    /// <summary>A mark at least one step the right way from another; null at the end of the dial.</summary>
    public static double? Moved(Control control, double from, double mark, int way)
    {
        if ((mark - from) * way <= 0)
            mark = control.Settable(from + way * control.MarkStep);
        return (mark - from) * way > 0 ? mark : null;
    }

    /// <summary>A turn of a control in words: "up one tap, 4 to 5".</summary>
    public static Said Turn(Control control, double from, double to)
    {
        var by = Math.Abs(to - from);
        return to > from
            ? control.Kind switch
            {
                ControlKind.Tap when control.Names.Count == 0 => by == 1
                    ? Say($"up one tap, {from} to {to}")
                    : Say($"up {by} taps, {from} to {to}"),
                ControlKind.Knob => by == 1 ? Say($"up {by} mark, {from} to {to}") : Say($"up {by} marks, {from} to {to}"),
                ControlKind.Digital => Say($"up {by:0.#}, {from} to {control.Read(to)}"),
                _ => Say($"up, {control.Read(from)} to {control.Read(to)}"),
            }
            : control.Kind switch
            {
                ControlKind.Tap when control.Names.Count == 0 => by == 1
                    ? Say($"down one tap, {from} to {to}")
                    : Say($"down {by} taps, {from} to {to}"),
                ControlKind.Knob => by == 1 ? Say($"down {by} mark, {from} to {to}") : Say($"down {by} marks, {from} to {to}"),
                ControlKind.Digital => Say($"down {by:0.#}, {from} to {control.Read(to)}"),
                _ => Say($"down, {control.Read(from)} to {control.Read(to)}"),
            };
    }
}
