using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Kept;

/// <summary>A setting that worked, as a picture of the machine's front would keep it.</summary>
/// <param name="Job">What it welded: wire, gas, plate, joint and position with it.</param>
/// <param name="WireMark">Where the wire control stood; null for TIG.</param>
/// <param name="VoltMark">Where the volt control stood; null for TIG.</param>
/// <param name="AmpMark">Where the current control stood; null for wire.</param>
public sealed record KeptSetting(Job Job, double? WireMark, double? VoltMark, double? AmpMark)
{
    // The controls a setting holds a mark of.
    private IEnumerable<KeptMark> Marks(Machine machine) =>
        Job.Process.Facts().FeedsWire
            ? [new("wireMark", Say($"wire"), machine.WireControl, WireMark), new("voltMark", Say($"volts"), machine.VoltControl, VoltMark)]
            : [new("ampMark", Say($"amps"), machine.AmpControl, AmpMark)];

    /// <summary>What is wrong with it on a machine; empty when nothing.</summary>
    public IEnumerable<Problem> Problems(Machine machine)
    {
        foreach (var (field, _, control, mark) in Marks(machine))
        {
            if (control is null)
                yield return new(field, Say($"{machine.Name.Name()} has no such control."));
            else if (mark is not { } at)
                yield return new(field, Say($"Say where the control stood."));
            else if (!control.IsOn(at))
                yield return new(field, control.Runs());
        }
    }

    /// <summary>The setting as the machine's front shows it: "wire 42, volts tap 4".</summary>
    public Said Reads(Machine machine) =>
        Parts(
            ", ",
            [
                .. Marks(machine)
                    .Where(kept => kept is { Control: not null, Mark: not null })
                    .Select(kept => Say($"{kept.Name} {kept.Control!.Read(kept.Mark!.Value)}")),
            ]
        );

    /// <summary>Whether a machine still stands where this was kept, and what to turn or change if not.</summary>
    /// <param name="machine">The machine as it is loaded now.</param>
    /// <param name="wireMark">Where the wire control stands now, or null.</param>
    /// <param name="voltMark">Where the volt control stands now, or null.</param>
    /// <param name="ampMark">Where the current control stands now, or null.</param>
    public StillStands Compare(Machine machine, double? wireMark, double? voltMark, double? ampMark)
    {
        double?[] now = Job.Process.Facts().FeedsWire ? [wireMark, voltMark] : [ampMark];
        Said[] turns = [.. Marks(machine).Zip(now, Turn).OfType<Said>(), .. Changes(machine.Load)];
        return new StillStands(turns.Length == 0, turns);
    }

    private static Said? Turn(KeptMark kept, double? now)
    {
        if (kept.Control is not { } control || kept.Mark is not { } to)
            return null;
        if (now is not { } from)
            return Say($"{kept.Name:capital}: not read; it was kept at {control.Read(to)}.");
        // Nearer than half a step is the same mark.
        if (Math.Abs(from - to) < control.MarkStep / 2)
            return null;
        return to > from
            ? Say($"{kept.Name:capital} up, {control.Read(from)} to {control.Read(to)}.")
            : Say($"{kept.Name:capital} down, {control.Read(from)} to {control.Read(to)}.");
    }

    private IEnumerable<Said> Changes(Load load)
    {
        if (load.Wire != Job.Wire && Job.Wire is { } wire)
            yield return Say($"Load {wire.Facts().Name} {wire.Facts().Kind.Words()} wire.");
        if (load.Gas != Job.Gas)
            yield return Say($"Change the gas to {Job.Gas.Facts().Name}.");
        var polarity = Job.Process.Facts().Polarity;
        if (load.Polarity != polarity)
            yield return Say($"Change the polarity to {polarity.Words()}.");
    }

    private sealed record KeptMark(string Field, Said Name, Control? Control, double? Mark);
}

/// <summary>Whether a machine still stands where a setting was kept.</summary>
/// <param name="Stands">Whether it does.</param>
/// <param name="Turn">What to turn or change, in order; empty when it stands.</param>
public sealed record StillStands(bool Stands, IReadOnlyList<Said> Turn);
