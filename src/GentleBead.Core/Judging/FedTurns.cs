using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Judging;

/// <summary>A change of the controls, and where the pair stands once all of it is done.</summary>
/// <param name="Change">The change.</param>
/// <param name="Lands">The pair after it, with what follows it where something does.</param>
internal sealed record Turning(NextChange Change, Settings Lands);

/// <summary>Turns of a machine's wire and volts in its own marks, or in numbers where it has none.</summary>
/// <param name="row">The cause they mend.</param>
/// <param name="used">What was really used.</param>
/// <param name="stand">Where the dials stand; null without readings.</param>
internal sealed class FedTurns(CauseRow row, Settings used, Stand? stand)
{
    /// <summary>One of the two controls.</summary>
    internal enum Knob
    {
        /// <summary>Wire feed speed.</summary>
        Wire,

        /// <summary>Volts, or their trim.</summary>
        Volts,
    }

    /// <summary>One turn of one control.</summary>
    /// <param name="Words">"wire up 4 marks, 43 to 47".</param>
    /// <param name="After">The pair it makes.</param>
    /// <param name="WireMark">Where the wire then stands; null without marks.</param>
    /// <param name="VoltMark">Where the volts then stand; null without marks.</param>
    internal sealed record Turn(Said Words, Settings After, double? WireMark, double? VoltMark);

    /// <summary>The volts turned; null at the end of their dial.</summary>
    public Turn? Volts(Voltage target, int way)
    {
        if (stand is null)
            return new(Words(target, way), used with { Volts = target }, null, null);
        return stand.VoltMoved(target, way) is { } mark
            ? new(
                Say($"volts {Stand.Turn(stand.Dials.Volt, stand.VoltMark, mark)}"),
                used with
                {
                    Volts = stand.Dials.VoltsAt(mark, stand.WireMark),
                },
                stand.WireMark,
                mark
            )
            : null;
    }

    /// <summary>The wire turned; null at the end of its dial.</summary>
    public Turn? Wire(WireFeedSpeed target, int way)
    {
        if (stand is null)
            return new(Words(target, way), used with { WireFeed = target }, null, null);
        return stand.WireMoved(target, way) is { } mark
            ? new(Say($"wire {Stand.Turn(stand.Dials.Wire, stand.WireMark, mark)}"), PairAt(mark, stand.VoltMark), mark, stand.VoltMark)
            : null;
    }

    /// <summary>The volts let follow a turn of the wire; null where they can stay.</summary>
    public Turn? VoltsAfter(Turn wire, Voltage target)
    {
        if (stand is null)
            return new(Say($"volts to {target}, by ear"), wire.After with { Volts = target }, null, null);
        var mark = stand.Dials.VoltMarkFor(target, wire.WireMark!.Value).Mark;
        return mark == stand.VoltMark
            ? null
            : new(
                Say($"let the volts follow to {stand.Dials.Volt.Read(mark)}, by ear"),
                PairAt(wire.WireMark.Value, mark),
                wire.WireMark,
                mark
            );
    }

    /// <summary>The wire let follow a turn of the volts; null where it can stay.</summary>
    public Turn? WireAfter(Turn volts, WireFeedSpeed target)
    {
        if (stand is null)
            return new(Say($"wire to about {target}"), volts.After with { WireFeed = target }, null, null);
        var mark = stand.Dials.WireMarkFor(target).Mark;
        return mark == stand.WireMark
            ? null
            : new(
                Say($"wire {Stand.Turn(stand.Dials.Wire, stand.WireMark, mark)}"),
                PairAt(mark, volts.VoltMark!.Value),
                mark,
                volts.VoltMark
            );
    }

    /// <summary>A change of one turn: the other control is left.</summary>
    public Turning One(Turn turn, Knob other)
    {
        var leave = (stand, other) switch
        {
            (null, Knob.Wire) => Say($"Leave the wire."),
            (null, _) => Say($"Leave the volts."),
            ({ } at, Knob.Wire) => Say($"Leave the wire at {at.Dials.Wire.Read(at.WireMark)}."),
            ({ } at, _) => Say($"Leave the volts at {at.Dials.Volt.Read(at.VoltMark)}."),
        };
        return new(Change(turn, Sentences(Say($"{turn.Words:capital}."), leave), null, row.Expect), turn.After);
    }

    /// <summary>A change that takes two turns, one after the other: neither lands in the band alone.</summary>
    public Turning Two(Turn first, Turn second) =>
        new(
            Change(
                first,
                Say($"First of two: {first.Words}."),
                Say($"Second, once that is heard: {second.Words}."),
                Say($"After both, {row.Expect:small}")
            ),
            second.After
        );

    /// <summary>The controls stay where they stand.</summary>
    public Turning Stay(Said instruction) => new(new(row.Change, instruction, null, row.Expect, stand?.WireMark, stand?.VoltMark), used);

    private NextChange Change(Turn turn, Said instruction, Said? then, Said expect) =>
        new(row.Change, instruction, then, expect, turn.WireMark, turn.VoltMark);

    // On a trim the volts move with the wire.
    private Settings PairAt(double wireMark, double voltMark) =>
        new(WireFeedSpeed.FromMPerMin(Math.Max(0, stand!.Dials.WireFeedAt(wireMark).Value)), stand.Dials.VoltsAt(voltMark, wireMark));

    private static Said Words(Voltage target, int way) =>
        way > 0 ? Say($"volts up to about {target}") : Say($"volts down to about {target}");

    private static Said Words(WireFeedSpeed target, int way) =>
        way > 0 ? Say($"wire up to about {target}") : Say($"wire down to about {target}");
}
