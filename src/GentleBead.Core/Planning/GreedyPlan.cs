namespace GentleBead.Core.Planning;

/// <summary>
/// A plan as a person makes it by hand: slot by slot, whoever waited longest and had least first, each at the place that gains most
/// without breaking a rule. What the solver begins with, and what it is measured against.
/// </summary>
public static class GreedyPlan
{
    /// <summary>Makes the plan around what is fixed.</summary>
    public static Plan Of(PlanProblem problem)
    {
        ArgumentNullException.ThrowIfNull(problem);
        var allowed = PlanRules.Broken(problem, problem.Fixed).Count;
        var plan = Kept(problem, allowed);
        for (var slot = problem.FromSlot; slot < problem.Slots.Count; slot++)
        {
            foreach (var student in InTurn(problem, plan, slot))
            {
                var score = PlanScore.Of(problem, plan).Total;
                var best = Places(problem, plan, student, slot)
                    .Select(stand => new Plan([.. plan.Stands, stand]))
                    .Where(tried => PlanRules.Broken(problem, tried).Count <= allowed)
                    .Select(tried => new { Plan = tried, Gain = PlanScore.Of(problem, tried).Total - score })
                    .Where(tried => tried.Gain > 0)
                    .MaxBy(tried => tried.Gain);
                plan = best?.Plan ?? plan;
            }
        }
        return plan;
    }

    // What is fixed, and of the plan as it was all that can still be held.
    private static Plan Kept(PlanProblem problem, int allowed)
    {
        var plan = problem.Fixed;
        foreach (
            var stand in (problem.Before ?? Plan.Empty).Stands.Where(stand => stand.Slot >= problem.FromSlot).OrderBy(stand => stand.Slot)
        )
        {
            if (problem.Student(stand.StudentId) is not { } student || !student.IsThere(stand.Slot))
                continue;
            if (!Places(problem, plan, student, stand.Slot).Contains(stand))
                continue;
            var tried = new Plan([.. plan.Stands, stand]);
            plan = PlanRules.Broken(problem, tried).Count <= allowed ? tried : plan;
        }
        return plan;
    }

    /// <summary>Every free place at which a student could stand in a slot, whether or not a rule says otherwise.</summary>
    internal static IEnumerable<Stand> Places(PlanProblem problem, Plan plan, PlanStudent student, int slot) =>
        from booth in problem.Booths
        where plan.At(slot, booth.Id) is null
        from machine in booth.Machines
        where machine.DownFrom is not { } down || slot < down
        from task in student.Tasks
        where problem.UseOf(task.ExerciseId, machine.Id) is not null
        select new Stand(slot, booth.Id, machine.Id, student.Id, task.ExerciseId);

    // Who stood least often tonight, then who waited last time, then who had least arc.
    private static IEnumerable<PlanStudent> InTurn(PlanProblem problem, Plan plan, int slot) =>
        problem
            .Students.Where(student => student.IsThere(slot) && plan.Of(student.Id, slot) is null)
            .OrderBy(student => plan.Stands.Count(stand => stand.StudentId == student.Id))
            .ThenByDescending(student => student.Waited)
            .ThenBy(student => student.ArcMinutes)
            .ThenBy(student => student.Name, StringComparer.Ordinal);
}
