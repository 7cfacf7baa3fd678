namespace GentleBead.Core.Planning;

/// <summary>A plan that was found.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Score">Its score.</param>
/// <param name="Bound">The score that no plan exceeds, as far as it was proven.</param>
/// <param name="Greedy">The score of the plan as made by hand, slot by slot.</param>
public sealed record SolvedPlan(Plan Plan, PlanScore Score, int Bound, int Greedy)
{
    /// <summary>The score the solver believes it has; null where the greedy plan was not bettered. The table must say the same.</summary>
    internal int? Worked { get; init; }

    /// <summary>By how much of its own score a better plan could exceed it at the most; 0 where it is the best there is.</summary>
    public double Gap => Math.Max(0, Bound - Score.Total) / Math.Max(1.0, Math.Abs((double)Score.Total));
}

/// <summary>Makes a plan that breaks no rule and scores as high as can be found: CP-SAT, begun at the greedy plan.</summary>
/// <remarks>The same session gives the same plan: the seed is fixed, and the effort is counted in steps, not by the clock.</remarks>
public static class PlanSolver
{
    /// <summary>The effort that usually goes into a plan: a few seconds for 24 students on a small machine.</summary>
    public const double UsualEffort = 1;

    /// <summary>Makes a plan around what is fixed.</summary>
    /// <param name="problem">The session.</param>
    /// <param name="effort">How much effort goes into it, above 0.</param>
    /// <param name="cancel">Breaks it off between its rounds.</param>
    public static SolvedPlan Solve(PlanProblem problem, double effort = UsualEffort, CancellationToken cancel = default)
    {
        ArgumentNullException.ThrowIfNull(problem);
        var greedy = GreedyPlan.Of(problem);
        var byHand = PlanScore.Of(problem, greedy);
        var (plan, worked, bound) = new PlanSearch(problem).Run(greedy, effort, cancel);
        var score = plan is null ? byHand : PlanScore.Of(problem, plan);
        return plan is not null && score.Total > byHand.Total
            ? new(plan, score, Math.Max(bound, score.Total), byHand.Total) { Worked = worked }
            : new(greedy, byHand, Math.Max(bound, byHand.Total), byHand.Total);
    }
}
