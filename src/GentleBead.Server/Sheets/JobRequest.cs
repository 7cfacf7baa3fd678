using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Server.Sheets;

/// <summary>A job as typed.</summary>
/// <param name="Thickness">In the person's words: "1/8", "0.125 in", "11 ga", "3.2".</param>
/// <param name="Joint">How the members meet.</param>
/// <param name="Position">How the joint lies.</param>
/// <param name="Wire">Which wire; left out, the one on the machine.</param>
public sealed record JobRequest(string? Thickness, Joint? Joint, Position? Position, Wire? Wire)
{
    /// <summary>The sheet for this job on a machine, or what is wrong with it by field.</summary>
    public (Sheet? Sheet, IReadOnlyDictionary<string, string> Problems) Plan(Machine? machine)
    {
        var problems = new Dictionary<string, string>();
        if (!Core.Stock.Thickness.TryParse(Thickness, out var thickness, out var problem)) problems["thickness"] = problem;
        if (Joint is null) problems["joint"] = "Which joint?";
        if (Position is null) problems["position"] = "Which position?";
        var wire = Wire ?? machine?.Wire;
        if (wire is null) problems["wire"] = "Which wire?";
        if (problems.Count > 0) return (null, problems);
        return Planner.Plan(new Job(thickness!, Joint!.Value, Position!.Value, wire!.Value), machine) switch
        {
            Sheet sheet => (sheet, problems),
            Refusal refusal => (null, new Dictionary<string, string> { [refusal.Field] = refusal.Message }),
            var other => throw new InvalidOperationException($"{other} is neither a sheet nor a refusal."),
        };
    }
}
