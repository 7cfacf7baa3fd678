namespace GentleBead.Core.Planning;

/// <summary>What would come of putting a student somewhere.</summary>
/// <param name="Stand">Where, with what and at what.</param>
/// <param name="Plan">The plan with them there.</param>
/// <param name="Broken">The rules that would be broken and are not now.</param>
/// <param name="Score">What the plan would gain, or lose, aspect by aspect; those that stay as they are left out.</param>
public sealed record PlanTry(Stand Stand, Plan Plan, IReadOnlyList<BrokenRule> Broken, IReadOnlyList<AspectScore> Score)
{
    /// <summary>What the plan would gain or lose as a whole.</summary>
    public int Gain => Score.Sum(aspect => aspect.Weighed);
}

/// <summary>Why somebody stands where they stand, and why not elsewhere.</summary>
public static class PlanReasons
{
    /// <summary>Why somebody stands where they stand.</summary>
    public static IReadOnlyList<Said> Here(PlanProblem problem, Plan plan, Stand stand)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(stand);
        var laid = new CheckedPlan(problem, plan);
        return [.. HereWords(laid, stand).Where(said => said is not null).Select(said => said!)];
    }

    /// <summary>
    /// What would come of putting a student at a booth in a slot: for each of its machines and their tasks, the best first.
    /// </summary>
    public static IReadOnlyList<PlanTry> Tries(PlanProblem problem, Plan plan, PlanStudent student, int slot, PlanBooth booth)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(student);
        ArgumentNullException.ThrowIfNull(booth);
        var before = PlanRules.Broken(problem, plan).ToHashSet();
        var score = PlanScore.Of(problem, plan);
        return
        [
            .. booth
                .Machines.SelectMany(machine =>
                    student.Tasks.Select(task => new Stand(slot, booth.Id, machine.Id, student.Id, task.ExerciseId))
                )
                .Select(stand => Tried(plan.With(stand), stand))
                .OrderBy(tried => tried.Broken.Count)
                .ThenByDescending(tried => tried.Gain),
        ];

        PlanTry Tried(Plan with, Stand stand) =>
            new(
                stand,
                with,
                [.. PlanRules.Broken(problem, with).Where(broken => !before.Contains(broken))],
                Difference(problem, score, with)
            );
    }

    /// <summary>Why a student does not stand at a booth in a slot.</summary>
    public static IReadOnlyList<Said> NotThere(PlanProblem problem, Plan plan, PlanStudent student, int slot, PlanBooth booth)
    {
        ArgumentNullException.ThrowIfNull(student);
        if (student.Tasks.Count == 0)
            return [Say($"{student.Name.Name()} has nothing to work on: {student.NoTasks ?? Say($"nothing is open")}.")];
        if (Tries(problem, plan, student, slot, booth) is not [var best, ..])
            return [Say($"No machine is at booth {booth.Number}.")];
        if (best.Broken.Count > 0)
            return [.. best.Broken.Select(broken => broken.Words).Distinct()];
        var name = problem.Exercises[best.Stand.ExerciseId].Exercise.Name;
        var instead = plan.At(slot, booth.Id) is { } there && there.StudentId != student.Id ? problem.Student(there.StudentId)?.Name : null;
        var at = instead is null
            ? Say($"It can be, at {name.Name()}.")
            : Say($"It can be, at {name.Name()}, in place of {instead.Name()}.");
        return [at, .. Weighed(best)];
    }

    /// <summary>Why a student who is there stands at no booth all session.</summary>
    public static Said NotServed(PlanProblem problem, Plan plan, PlanStudent student)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(student);
        if (student.Tasks.Count == 0)
            return Say($"Nothing to work on: {student.NoTasks ?? Say($"nothing is open")}.");
        var fits = problem.Booths.SelectMany(booth => booth.Machines).SelectMany(machine => student.Tasks.Select(task => (machine, task)));
        if (!fits.Any(one => problem.UseOf(one.task.ExerciseId, one.machine.Id) is not null))
        {
            var first = student.Tasks[0];
            var why = problem
                .Booths.SelectMany(booth => booth.Machines)
                .Select(machine => problem.Fits.GetValueOrDefault((first.ExerciseId, machine.Id))?.Refused)
                .FirstOrDefault(said => said is not null);
            return Say($"No machine here can do {problem.Exercises[first.ExerciseId].Exercise.Name.Name()}. {why}");
        }
        var broken = new List<BrokenRule>();
        foreach (var (slot, booth) in FreePlaces(problem, plan, student))
        {
            var tries = Tries(problem, plan, student, slot, booth);
            if (tries is [{ Broken.Count: 0 } free, ..])
                return Sentences([Say($"A booth is free that would do."), .. Weighed(free)]);
            broken.AddRange(tries.SelectMany(tried => tried.Broken));
        }
        return broken.GroupBy(one => one.Rule).MaxBy(of => of.Count()) is { } most
            ? most.First().Words
            : Say($"Every booth is taken in every slot they are there, by who counts for more.");
    }

    private static IEnumerable<(int Slot, PlanBooth Booth)> FreePlaces(PlanProblem problem, Plan plan, PlanStudent student) =>
        from slot in Enumerable.Range(problem.FromSlot, Math.Max(0, problem.Slots.Count - problem.FromSlot))
        where student.IsThere(slot)
        from booth in problem.Booths
        where plan.At(slot, booth.Id) is null
        select (slot, booth);

    /// <summary>What a try gains and loses, in words.</summary>
    public static IEnumerable<Said> Weighed(PlanTry tried)
    {
        ArgumentNullException.ThrowIfNull(tried);
        var gained = tried.Score.Where(aspect => aspect.Weighed > 0).Select(Words).ToArray();
        var lost = tried.Score.Where(aspect => aspect.Weighed < 0).Select(Words).ToArray();
        if (gained.Length > 0)
            yield return Say($"It gains {gained}.");
        if (lost.Length > 0)
            yield return Say($"It loses {lost}.");
        if (tried.Gain == 0)
            yield return Say($"The plan would be as good.");

        static Said Words(AspectScore aspect) =>
            Say($"{Math.Abs(aspect.Weighed)} for {PlanScore.Table.Single(row => row.Key == aspect.Key).Name:small}");
    }

    private static IReadOnlyList<AspectScore> Difference(PlanProblem problem, PlanScore before, Plan after) =>
        [
            .. PlanScore
                .Of(problem, after)
                .Aspects.Zip(before.Aspects)
                .Select(two => two.First with { Points = two.First.Points - two.Second.Points })
                .Where(aspect => aspect.Weighed != 0),
        ];

    private static IEnumerable<Said?> HereWords(CheckedPlan plan, Stand stand)
    {
        var (problem, student) = (plan.Problem, plan.Students.GetValueOrDefault(stand.StudentId));
        if (student is null)
            yield break;
        if (stand.Pinned)
            yield return Say($"Pinned here.");
        var task = student.TaskAt(stand.ExerciseId);
        if (task is not null)
        {
            var name = problem.Exercises[stand.ExerciseId].Exercise.Name.Name();
            var place = student.Tasks.ToList().IndexOf(task);
            yield return place == 0 ? Say($"{name} comes next: {task.Why}.") : Say($"{name} can be worked on too: {task.Why}.");
        }
        if (plan.Steps.FirstOrDefault(step => step.Stand == stand) is { Use: { } use } step)
        {
            yield return step.ChangeMinutes == 0
                ? Say($"The machine has on it what it takes: {use.Load.InWords}.")
                : Say($"Changing over takes {step.ChangeMinutes} min: {use.Load.InWords}.");
            yield return step.LostMinutes > 0 ? Say($"{step.LostMinutes} min of the slot go before the first bead.") : null;
        }
        var earlier = plan.StandsOf[stand.StudentId].LastOrDefault(other => other.Slot < stand.Slot);
        if (earlier is null && student.Waited > 0)
            yield return Say($"Waited {student.Waited.Counted(Say($"slot"), Say($"slots"))} last time, so goes first.");
        if (earlier?.BoothId == stand.BoothId)
            yield return Say($"Stays at the booth.");
        var mean = problem.Students.Average(one => one.ArcMinutes);
        yield return student.ArcMinutes < mean
            ? Say($"Has had {student.ArcMinutes:0} min of arc this term; the mean is {mean:0} min.")
            : null;
    }
}
