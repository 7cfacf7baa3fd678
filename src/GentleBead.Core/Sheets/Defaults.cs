using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>What was said of a job; what was not is null.</summary>
/// <param name="Thickness">Thickness of the plate, or of the first member.</param>
/// <param name="Joint">How the members meet.</param>
/// <param name="Position">How the joint lies.</param>
public sealed record AskedJob(Thickness Thickness, Joint Joint, Position Position)
{
    /// <summary>Process and transfer mode.</summary>
    public Process Process { get; init; } = Process.GmawShortCircuit;

    /// <summary>What the members are made of.</summary>
    public Metal Metal { get; init; } = Metal.MildSteel;

    /// <summary>The wire; null for what fits.</summary>
    public Wire? Wire { get; init; }

    /// <summary>The gas; null for what fits.</summary>
    public Gas? Gas { get; init; }

    /// <summary>Thickness of the second member where it differs; null when both are alike.</summary>
    public Thickness? OtherThickness { get; init; }

    /// <summary>What the torch is to be joined to; null for what the process needs.</summary>
    public Polarity? Polarity { get; init; }

    internal Job Under(Gas gas) => new(Thickness, Joint, Position, Wire, Process, Metal, gas, OtherThickness, Polarity);
}

/// <summary>Fills in what was not said of a job: what is on the machine where it fits, else what is usual.</summary>
public static class Defaults
{
    /// <summary>The gas usually taken. Common practice, no source.</summary>
    public static Gas UsualGas(Process process, Metal metal)
    {
        var (facts, of) = (process.Facts(), metal.Facts());
        return facts.UsualGas ?? (facts.FreeFlight ? of.FreeFlightGas : of.UsualGas);
    }

    /// <summary>A whole job from what was said of it.</summary>
    public static Job Complete(AskedJob asked, Machine? machine)
    {
        var job = asked.Under(asked.Gas ?? UsualGas(asked.Process, asked.Metal));
        if (asked.Gas is null && machine is not null && FitsUnder(job, machine.Load.Gas))
            job = job with { Gas = machine.Load.Gas };
        return asked.Wire is not null || !asked.Process.Facts().FeedsWire ? job : WithWire(job, machine);
    }

    private static bool FitsUnder(Job job, Gas gas)
    {
        var wire = job.Wire ?? (job.Process.Facts().FeedsWire ? Fitting(job).FirstOrDefault() : null);
        return Combinations.Refused(job with { Gas = gas, Wire = wire }) is null;
    }

    // What is on the spool comes first; then the first wire of the kind that carries the job; then the first that welds it at all;
    // then the kind's first, whose refusal says why.
    private static Job WithWire(Job job, Machine? machine)
    {
        var fitting = Fitting(job);
        if (machine?.Load.Wire is { } loaded && fitting.Contains(loaded))
            return job with { Wire = loaded };
        var sheets = fitting.Select(candidate => Planner.Plan(job with { Wire = candidate }, machine)).OfType<Sheet>();
        var best = sheets.FirstOrDefault(sheet => sheet.Carries()) ?? sheets.MaxBy(sheet => sheet.Amps);
        return best?.Job ?? job with { Wire = fitting.FirstOrDefault() };
    }

    private static Wire?[] Fitting(Job job)
    {
        var kind = Combinations.KindFor(job);
        return [.. Wires.All.Where(row => row.Kind == kind && row.RangeIn(job.Process) is not null).Select(row => (Wire?)row.Wire)];
    }
}
