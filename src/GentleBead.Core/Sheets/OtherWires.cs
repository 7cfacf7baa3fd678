using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>The job with another wire that lies on the shelf.</summary>
/// <param name="Wire">The other wire.</param>
/// <param name="Name">Its name.</param>
/// <param name="WireFeed">New wire feed speed; null when the wire does not do.</param>
/// <param name="Volts">New volts; null when the wire does not do.</param>
/// <param name="Reads">The new pair in the machine's marks; null without.</param>
/// <param name="Changes">What to change at rolls, tip, tension and controls, in order.</param>
/// <param name="Problem">Why the wire does not do; null when it does.</param>
public sealed record OtherWire(
    Wire Wire,
    Said Name,
    WireFeedSpeed? WireFeed,
    Voltage? Volts,
    Said? Reads,
    IReadOnlyList<Said> Changes,
    Said? Problem
);

/// <summary>A wire runs out in mid-job: what the others of its kind would want.</summary>
public static class OtherWires
{
    /// <summary>Every other wire of the kind, with the new pair and the changes to make.</summary>
    /// <param name="job">The job as it stands; a wire job.</param>
    /// <param name="machine">The booth's machine; null for a pair without marks.</param>
    /// <param name="way">The instructor's way of setting.</param>
    public static IReadOnlyList<OtherWire> For(Job job, Machine? machine = null, WayOfSetting? way = null)
    {
        if (job.Wire is not { } now)
            return [];
        var from = now.Facts();
        return
        [
            .. Wires
                .All.Where(row => row.Kind == from.Kind && row.Wire != now)
                .Select(to => Other(from, to, Planner.Plan(job with { Wire = to.Wire }, machine, way))),
        ];
    }

    private static OtherWire Other(WireFacts from, WireFacts to, SheetOutcome outcome)
    {
        if (outcome is Refusal refusal)
            return new(to.Wire, to.Name, null, null, null, [], refusal.Message);
        var sheet = (Sheet)outcome;
        var pair = sheet.RequirePair();
        var reads = pair.Marks is { } marks ? Say($"wire {marks.Wire.Reads}, volts {marks.Volt.Reads}") : null;
        return new(to.Wire, to.Name, pair.WireFeed, pair.Volts.Aim, reads, [.. Changes(from, to), .. InPasses(sheet)], null);
    }

    private static Said[] InPasses(Sheet sheet)
    {
        if (sheet.Carries() || sheet.JointAmps is not { } asked)
            return [];
        var passes = sheet.Passes.Count.Counted(Say($"pass"), Say($"passes"));
        return [Say($"At its top of {sheet.Amps} for the {asked} asked for, {passes}: risk of lack of fusion.")];
    }

    private static Said[] Changes(WireFacts from, WireFacts to)
    {
        var thinner = to.Diameter < from.Diameter;
        return
        [
            Say($"Tip for {to.Name}."),
            Say($"{to.Name} {Mismatches.RollWords(to.Rolls)}."),
            to.Rolls == RollGroove.U || thinner
                ? Say($"Tension backed off: just enough to feed when the wire is pinched; let it slip rather than bird-nest.")
                : Say($"Tension up a touch, just enough to feed when the wire is pinched hard between gloved fingers."),
            thinner ? Say($"More wire, volts nearly the same.") : Say($"Less wire, volts nearly the same."),
        ];
    }
}
