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
/// <param name="Reads">The new pair in the machine's marks; empty without.</param>
/// <param name="Changes">What to change at rolls, tip, tension and controls, in order.</param>
/// <param name="Problem">Why the wire does not do; empty when it does.</param>
public sealed record OtherWire(Wire Wire, string Name, WireFeedSpeed? WireFeed, Voltage? Volts, string Reads, IReadOnlyList<string> Changes, string Problem);

/// <summary>A wire runs out in mid-job: what the others of its kind would want.</summary>
public static class OtherWires
{
    /// <summary>Every other wire of the kind, with the new pair and the changes to make.</summary>
    /// <param name="job">The job as it stands; a wire job.</param>
    /// <param name="machine">The booth's machine; null for a pair without marks.</param>
    /// <param name="school">The instructor's school.</param>
    public static IReadOnlyList<OtherWire> For(Job job, Machine? machine = null, School? school = null)
    {
        if (job.Wire is not { } now) return [];
        var from = now.Facts();
        return
        [
            .. Wires.All.Where(row => row.Kind == from.Kind && row.Wire != now).Select(to => Planner.Plan(job with { Wire = to.Wire }, machine, school) switch
            {
                Sheet { Pair: { } pair } sheet => new OtherWire(to.Wire, to.Name, pair.WireFeed, pair.Volts.Aim, pair.Marks is { } marks ? $"wire {marks.Wire.Reads}, volts {marks.Volt.Reads}" : "", [.. Changes(from, to), .. InPasses(sheet)], ""),
                Refusal refusal => new OtherWire(to.Wire, to.Name, null, null, "", [], refusal.Message),
                _ => throw new InvalidOperationException("A wire job gave neither a wire sheet nor a refusal."),
            }),
        ];
    }

    private static string[] InPasses(Sheet sheet) => sheet.Carries()
        ? []
        : [$"At its top of {Show.Of(sheet.Amps)} for the {Show.Of(sheet.JointAmps!.Value)} asked for, {sheet.Passes.Count} {(sheet.Passes.Count == 1 ? "pass" : "passes")}: lack of fusion lurks."];

    private static string[] Changes(WireFacts from, WireFacts to)
    {
        var thinner = to.Diameter < from.Diameter;
        return
        [
            $"Tip for {Show.Number(to.Diameter.Mm, "0.0")} mm.",
            $"{Show.Number(to.Diameter.Mm, "0.0")} mm {Mismatches.RollWords(to.Rolls)}.",
            to.Kind == WireKind.Aluminium || thinner
                ? "Tension backed off: just enough to feed when the wire is pinched; let it slip rather than bird-nest."
                : "Tension up a touch, just enough to feed when the wire is pinched hard between gloved fingers.",
            thinner ? "More wire, volts nearly the same." : "Less wire, volts nearly the same.",
        ];
    }
}
