using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>Settings in the marks of the booth's machine.</summary>
internal static class Marks
{
    /// <summary>The marks for a pair; nothing without a machine or its readings; a refusal when the feeder is far too slow.</summary>
    public static Explained<MachineMarks?> For(FoundPair found, WireArc arc, SetUp at)
    {
        if (at.Machine is not { } machine || at.Dials is not { } dials)
            return new(null, []);
        var wire = dials.WireMarkFor(found.WireFeed);
        if (wire.OutOfReach && wire.Value < found.WireFeed.MPerMin * Amperes.LeastShare)
            return new(TooSlow(machine, wire, found, arc));
        // The pulse program pairs the volts itself; its trim begins at 0.
        var byProgram = arc.Process.Facts().VoltsByProgram && dials.Volt.Kind == ControlKind.Trim;
        var volt = byProgram
            ? new MarkSetting(0, dials.VoltsAt(0, wire.Mark).Volts, 0, Calibration.Believed, false)
            : dials.VoltMarkFor(found.Volts.Aim, wire.Mark);
        var given = new Settings(WireFeedSpeed.FromMPerMin(wire.Value), Voltage.FromVolts(volt.Value));
        List<Caution> cautions = [];
        if (!byProgram && !SmoothBand.At(given.WireFeed, arc).Holds(given.Volts) && !found.Volts.Holds(given.Volts))
        {
            cautions.Add(
                new(
                    Sentences(
                        Say(
                            $"No volt mark of {machine.Name.Name()} falls in the smooth band: {dials.Volt.Read(volt.Mark)} gives "
                                + $"{given.Volts}."
                        ),
                        Say($"That pairs with about {SmoothBand.WireFeedFor(given.Volts, arc)} of wire; tune by ear.")
                    ),
                    false
                )
            );
        }
        if (PastReadings(machine, dials.Wire, wire) is { } wirePast)
            cautions.Add(wirePast);
        if (PastReadings(machine, dials.Volt, volt) is { } voltPast)
            cautions.Add(voltPast);
        return new(
            new MachineMarks(ControlMarkOf(dials.Wire, wire), ControlMarkOf(dials.Volt, volt), given.WireFeed, given.Volts),
            [
                ReasonFor("wireMark", machine, dials.Wire, wire, Say($"{given.WireFeed}"), "wireFeed"),
                ReasonFor("voltMark", machine, dials.Volt, volt, Say($"{given.Volts}"), "volts"),
            ],
            cautions
        );
    }

    /// <summary>The mark for a TIG current; nothing without a machine or its readings.</summary>
    public static Explained<ControlMark?> For(Current pedalMost, Machine? machine)
    {
        if (machine?.AmpControl is not { } control)
            return new(null, []);
        if (!Calibration.TryFit(control, out var dial, out var problem))
            return new(null, [], NoMarks(machine, problem));
        var set = dial.MarkFor(pedalMost.Amps);
        return new(
            ControlMarkOf(control, set),
            [ReasonFor("ampMark", machine, control, set, Say($"{Current.FromAmps(set.Value)}"), "pedalMost")],
            PastReadings(machine, control, set) is { } past ? [past] : []
        );
    }

    /// <summary>Said where a machine has no readings to take marks from.</summary>
    public static Caution NoMarks(Machine machine, Said problem) => new(Say($"No marks for {machine.Name.Name()}. {problem}"), false);

    private static Refusal TooSlow(Machine machine, MarkSetting wire, FoundPair found, WireArc arc) =>
        new(
            JobPart.Wire,
            Sentences(
                Say(
                    $"{machine.Name.Name()} feeds {WireFeedSpeed.FromMPerMin(wire.Value)} at the most; this job asks for {found.WireFeed}."
                ),
                arc.Wire.Facts().NextAbove(arc.Process) is { } next ? Say($"Go up to {next.Name} wire.") : null
            ),
            RefusedFor.Machine
        );

    private static ControlMark ControlMarkOf(Control control, MarkSetting set) =>
        new(set.Mark, control.Read(set.Mark), set.MarksBeyond, set.SureShare);

    private static Caution? PastReadings(Machine machine, Control control, MarkSetting set)
    {
        if (set.MarksBeyond <= 0 || control.Kind == ControlKind.Trim)
            return null;
        var past = set.MarksBeyond == 1 ? Say($"{set.MarksBeyond} mark") : Say($"{set.MarksBeyond} marks");
        return new(
            Say($"{control.Read(set.Mark)} lies {past} past the last reading on {machine.Name.Name()}: measure there before you trust it."),
            false
        );
    }

    private static Reason ReasonFor(string of, Machine machine, Control control, MarkSetting set, Said gives, string from)
    {
        var count = control.Readings.Count;
        if (count == 0)
        {
            return new(
                of,
                Say($"The display, believed"),
                Say($"{machine.Name.Name()} has not been measured; displays 10 to 30 % off happen: check it with a ruler and a watch"),
                Say($"{control.Read(set.Mark)} for {gives}"),
                Source.CommonPractice,
                [from]
            );
        }
        var readings = count.Counted(Say($"reading"), Say($"readings"));
        return new(
            of,
            Say($"This machine's readings"),
            Say(
                $"{readings} on {machine.Name.Name()}, straight lines between; nearest mark that can be set; sure to "
                    + $"{set.SureShare * 100:0} %"
            ),
            Say($"{control.Read(set.Mark)} gives {gives}"),
            Source.Measured,
            [from]
        );
    }
}
