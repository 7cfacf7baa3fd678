using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Kept;

/// <summary>A setting that worked, as a picture of the machine's front would keep it.</summary>
/// <param name="Job">What it welded: wire, gas, plate, joint and position with it.</param>
/// <param name="WireMark">Where the wire control stood; null for TIG.</param>
/// <param name="VoltMark">Where the volt control stood; null for TIG.</param>
/// <param name="AmpMark">Where the current control stood; null for wire.</param>
public sealed record KeptSetting(Job Job, double? WireMark, double? VoltMark, double? AmpMark)
{
    /// <summary>What is wrong with it on a machine, by field; empty when nothing.</summary>
    public IReadOnlyDictionary<string, string> Check(Machine machine)
    {
        var problems = new Dictionary<string, string>();
        if (Job.Process.Facts().FeedsWire)
        {
            Look("wireMark", machine.WireControl, WireMark);
            Look("voltMark", machine.VoltControl, VoltMark);
        }
        else
        {
            Look("ampMark", machine.AmpControl, AmpMark);
        }
        return problems;

        void Look(string field, Control? control, double? mark)
        {
            if (control is null) problems[field] = $"{machine.Name} has no such control.";
            else if (mark is not { } at) problems[field] = "Say where the control stood.";
            else if (!(at >= control.LowestMark && at <= control.HighestMark)) problems[field] = $"The dial runs from {control.Read(control.LowestMark)} to {control.Read(control.HighestMark)}.";
        }
    }

    /// <summary>Whether a machine still stands where this was kept, and what to turn or change if not.</summary>
    /// <param name="machine">The machine as it is loaded now.</param>
    /// <param name="wireMark">Where the wire control stands now, or null.</param>
    /// <param name="voltMark">Where the volt control stands now, or null.</param>
    /// <param name="ampMark">Where the current control stands now, or null.</param>
    public StillStands Compare(Machine machine, double? wireMark, double? voltMark, double? ampMark)
    {
        var turns = new List<string>();
        var (wires, volts, amps) = (Turn("Wire", machine.WireControl, WireMark, wireMark), Turn("Volts", machine.VoltControl, VoltMark, voltMark), Turn("Amps", machine.AmpControl, AmpMark, ampMark));
        var load = machine.Load;
        if (load.Wire != Job.Wire && Job.Wire is { } wire) turns.Add($"Load {wire.Facts().Name} {wire.Facts().Kind.Words()} wire.");
        if (load.Gas != Job.Gas) turns.Add($"Change the gas to {Job.Gas.Facts().Name}.");
        var polarity = Job.Process.Facts().Polarity;
        if (load.Polarity != polarity) turns.Add($"Change the polarity to {polarity.Words()}.");
        return new StillStands(wires && volts && amps && turns.Count == 0, turns);

        bool Turn(string name, Control? control, double? kept, double? now)
        {
            if (control is null || kept is not { } to) return true;
            if (now is not { } from)
            {
                turns.Add($"{name}: not read; it was kept at {control.Read(to)}.");
                return false;
            }
            // Nearer than half a step is the same mark.
            if (Math.Abs(from - to) < control.MarkStep / 2) return true;
            turns.Add($"{name} {(to > from ? "up" : "down")}, {control.Read(from)} to {control.Read(to)}.");
            return false;
        }
    }
}

/// <summary>Whether a machine still stands where a setting was kept.</summary>
/// <param name="Stands">Whether it does.</param>
/// <param name="Turn">What to turn or change, in order; empty when it stands.</param>
public sealed record StillStands(bool Stands, IReadOnlyList<string> Turn);
