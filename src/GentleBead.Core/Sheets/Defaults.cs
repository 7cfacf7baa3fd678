using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>Fills in what was not said of a job: what is on the machine where it fits, else what is usual.</summary>
public static class Defaults
{
    /// <summary>The gas usually taken. Common practice, no source.</summary>
    public static Gas UsualGas(Process process, Metal metal) => process switch
    {
        Process.FcawSelfShielded => Gas.None,
        Process.GtawDc or Process.GtawAc => Gas.Argon,
        _ when metal > Metal.Stainless => Gas.Argon,
        Process.GmawShortCircuit when metal == Metal.Stainless => Gas.HeliumMix,
        _ when metal == Metal.Stainless => Gas.ArgonCarbon2,
        Process.GmawSpray or Process.GmawPulsed => Gas.ArgonCarbon10,
        _ => Gas.ArgonCarbon25,
    };

    /// <summary>A whole job from what was said of it.</summary>
    public static Job Complete(
        Thickness thickness, Joint joint, Position position, Process process, Metal metal, Wire? wire, Gas? gas, Thickness? other, Polarity? polarity, Machine? machine)
    {
        var job = new Job(thickness, joint, position, wire, process, metal, gas ?? UsualGas(process, metal), other, polarity);
        if (gas is null && machine is not null && Combinations.Refused(job with { Gas = machine.Load.Gas, Wire = wire ?? FirstWire(job) }) is null) job = job with { Gas = machine.Load.Gas };
        if (wire is not null || !process.Facts().FeedsWire) return job;
        // What is on the spool comes first; then the first wire of the kind that carries the job; then the first that welds it at all;
        // then the kind's first, whose refusal says why.
        var kind = Combinations.KindFor(job);
        var fitting = Wires.All.Where(row => row.Kind == kind && row.RangeIn(process) is not null).Select(row => row.Wire).ToArray();
        if (machine?.Load.Wire is { } loaded && fitting.Contains(loaded)) return job with { Wire = loaded };
        var sheets = fitting.Select(candidate => Planner.Plan(job with { Wire = candidate }, machine)).OfType<Sheet>();
        var best = sheets.FirstOrDefault(sheet => sheet.Carries()) ?? sheets.MaxBy(sheet => sheet.Amps);
        return best?.Job ?? job with { Wire = fitting.Length > 0 ? fitting[0] : null };
    }

    private static Wire? FirstWire(Job job) => job.Process.Facts().FeedsWire
        ? Wires.All.FirstOrDefault(row => row.Kind == Combinations.KindFor(job) && row.RangeIn(job.Process) is not null)?.Wire
        : null;
}
