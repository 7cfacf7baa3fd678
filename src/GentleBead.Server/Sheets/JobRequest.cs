using GentleBead.Core.Machines;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

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
    string? Thickness,
    Joint? Joint,
    Position? Position,
    Wire? Wire,
    Process? Process = null,
    Metal? Metal = null,
    Gas? Gas = null,
    string? OtherThickness = null,
    Polarity? Polarity = null
)
{
    /// <summary>A job of which nothing was said.</summary>
    public static JobRequest Nothing { get; } = new(null, null, null, null);

    /// <summary>The sheet for this job, or what is wrong with it.</summary>
    public Checked<Sheet> Plan(SheetSetting setting) =>
        Whole(setting.Machine).IsGood(out var job, out var problems) ? setting.Plan(job) : new(problems);

    /// <summary>The job with everything filled in, or what is wrong with it.</summary>
    public Checked<Job> Whole(Machine? machine) =>
        Asked().IsGood(out var asked, out var problems) ? new(Defaults.Complete(asked, machine)) : new(problems);

    /// <summary>What was said of the job, or what is wrong with it.</summary>
    public Checked<AskedJob> Asked()
    {
        var problems = new List<Problem>();
        if (!Core.Stock.Thickness.TryParse(Thickness, out var thickness, out var unread))
            problems.Add(new("thickness", unread));
        Thickness? other = null;
        if (!string.IsNullOrWhiteSpace(OtherThickness) && !Core.Stock.Thickness.TryParse(OtherThickness, out other, out unread))
            problems.Add(new("otherThickness", unread));
        if (Joint is null)
            problems.Add(new("joint", Say($"Which joint?")));
        if (Position is null)
            problems.Add(new("position", Say($"Which position?")));
        if (problems.Count > 0 || thickness is null || Joint is not { } joint || Position is not { } position)
            return new(problems);
        var asked = new AskedJob(thickness, joint, position)
        {
            Wire = Wire,
            Gas = Gas,
            OtherThickness = other,
            Polarity = Polarity,
        };
        return new(asked with { Process = Process ?? asked.Process, Metal = Metal ?? asked.Metal });
    }
}
