using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Server.Http;

namespace GentleBead.Server.Sheets;

/// <summary>A job as typed. What is left out is filled in from the machine, or with what is usual.</summary>
/// <param name="Thickness">In the person's words: "1/8", "0.125 in", "11 ga", "3.2".</param>
/// <param name="Joint">How the members meet.</param>
/// <param name="Position">How the joint lies.</param>
/// <param name="Wire">Which wire; left out, the one on the machine where it fits, else one that does.</param>
/// <param name="Process">Process and mode; left out, short circuit.</param>
/// <param name="Metal">Which metal; left out, mild steel.</param>
/// <param name="Gas">Which gas; left out, the one at the machine where it fits, else the usual one.</param>
/// <param name="OtherThickness">The second member's, in the person's words; left out or empty, the same.</param>
/// <param name="Polarity">What the torch is to be joined to; left out, what the process needs.</param>
public sealed record JobRequest(
    string? Thickness, Joint? Joint, Position? Position, Wire? Wire, Process? Process = null, Metal? Metal = null, Gas? Gas = null,
    string? OtherThickness = null, Polarity? Polarity = null)
{
    /// <summary>A job of which nothing was said.</summary>
    public static JobRequest Nothing { get; } = new(null, null, null, null);

    /// <summary>The sheet for this job, or what is wrong with it by field.</summary>
    public (Sheet? Sheet, IReadOnlyDictionary<string, string> Problems) Plan(SheetSetting setting)
    {
        var problems = new Dictionary<string, string>();
        if (Job(setting.Machine, problems) is not { } job) return (null, problems);
        var window = job.Wire is not null && job.Process.Facts().FeedsWire ? setting.Windows.FirstOrDefault(window => window.Arc == job.RequireArc()) : null;
        return Planner.Plan(job, setting.Machine, setting.School, setting.Charts.FirstOrDefault(chart => chart.Fits(job)), window) switch
        {
            Sheet sheet => (sheet, problems),
            Refusal refusal => (null, new Dictionary<string, string> { [refusal.Field] = refusal.Message }),
            var other => throw new InvalidOperationException($"{other} is neither a sheet nor a refusal."),
        };
    }

    /// <summary>The job with everything filled in, or null with what is wrong by field.</summary>
    public Job? Job(Machine? machine, Dictionary<string, string> problems)
    {
        if (!Core.Stock.Thickness.TryParse(Thickness, out var thickness, out var problem)) problems["thickness"] = problem;
        Thickness? other = null;
        if (!string.IsNullOrWhiteSpace(OtherThickness) && !Core.Stock.Thickness.TryParse(OtherThickness, out other, out problem)) problems["otherThickness"] = problem;
        if (Joint is null) problems["joint"] = "Which joint?";
        if (Position is null) problems["position"] = "Which position?";
        return problems.Count > 0
            ? null
            : Defaults.Complete(thickness!, Joint!.Value, Position!.Value, Process ?? Core.Stock.Process.GmawShortCircuit, Metal ?? Core.Stock.Metal.MildSteel, Wire, Gas, other, Polarity, machine);
    }
}
