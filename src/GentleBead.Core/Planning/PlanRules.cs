using GentleBead.Core.Courses;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Planning;

/// <summary>A rule that a plan breaks, and where.</summary>
/// <param name="Rule">Which rule, by its key in <see cref="PlanRules.Table"/>.</param>
/// <param name="Slot">In which slot.</param>
/// <param name="BoothId">At which booth; null where the whole slot is meant.</param>
/// <param name="StudentId">Whom it is about; null where nobody in particular.</param>
/// <param name="Words">What is wrong, and with what numbers.</param>
public sealed record BrokenRule(string Rule, int Slot, Guid? BoothId, Guid? StudentId, Said Words);

/// <summary>A rule that every plan is held to.</summary>
/// <param name="Key">What it is called by.</param>
/// <param name="Name">What it says, in short.</param>
/// <param name="Broken">Where a plan breaks it; which rule it is, the table says.</param>
public sealed record PlanRule(string Key, Said Name, Func<CheckedPlan, IEnumerable<BrokenRule>> Broken);

/// <summary>A plan laid out to be checked.</summary>
public sealed class CheckedPlan
{
    /// <summary>Lays a plan out.</summary>
    public CheckedPlan(PlanProblem problem, Plan plan)
    {
        (Problem, Plan) = (problem, plan);
        Steps = PlanSteps.Of(problem, plan);
        Slots = plan.Stands.ToLookup(stand => stand.Slot);
        Students = problem.Students.ToDictionary(student => student.Id);
        Booths = problem.Booths.ToDictionary(booth => booth.Id);
        StandsOf = plan.Stands.OrderBy(stand => stand.Slot).ToLookup(stand => stand.StudentId);
    }

    /// <summary>What is planned.</summary>
    public PlanProblem Problem { get; }

    /// <summary>The plan.</summary>
    public Plan Plan { get; }

    /// <summary>Every stand with what has to be done before it.</summary>
    public IReadOnlyList<PlanStep> Steps { get; }

    /// <summary>The stands by slot.</summary>
    public ILookup<int, Stand> Slots { get; }

    /// <summary>The stands of each student, in order.</summary>
    public ILookup<Guid, Stand> StandsOf { get; }

    /// <summary>The students that are there.</summary>
    public IReadOnlyDictionary<Guid, PlanStudent> Students { get; }

    /// <summary>The booths of the room.</summary>
    public IReadOnlyDictionary<Guid, PlanBooth> Booths { get; }

    /// <summary>The task a stand is for; null where there is none such.</summary>
    public PlanTask? TaskOf(Stand stand) =>
        Students.TryGetValue(stand.StudentId, out var student) ? student.TaskAt(stand.ExerciseId) : null;

    /// <summary>Whether a stand is the first of somebody who never laid a bead to that exercise.</summary>
    public bool IsFirstTry(Stand stand) =>
        TaskOf(stand) is { FirstTry: true }
        && !StandsOf[stand.StudentId].Any(other => other.Slot < stand.Slot && other.ExerciseId == stand.ExerciseId);
}

/// <summary>What every plan is held to, the solver's and one made by hand.</summary>
public static class PlanRules
{
    /// <summary>The rules, in the order they are said.</summary>
    public static IReadOnlyList<PlanRule> Table { get; } =
    [
        new("onePlace", Say($"One at a booth, and each at one booth"), OnePlace),
        new("there", Say($"Who is there, and what is in order"), There),
        new("machine", Say($"The machine can do it"), MachineCan),
        new("order", Say($"What comes before is done"), InOrder),
        new("atHand", Say($"Wire and gas are at hand"), LoadAtHand),
        new("time", Say($"Enough of the slot is left to weld"), EnoughTime),
        new("firstTries", Say($"First tries can be watched"), FirstTries),
        new("assessor", Say($"Test welds have an assessor"), Assessors),
        new("bars", Say($"Bars and plates are at hand"), BarsAtHand),
    ];

    /// <summary>Everything a plan breaks; empty where it can be held so.</summary>
    public static IReadOnlyList<BrokenRule> Broken(PlanProblem problem, Plan plan)
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(plan);
        var laid = new CheckedPlan(problem, plan);
        return [.. Table.SelectMany(rule => rule.Broken(laid).Select(broken => broken with { Rule = rule.Key }))];
    }

    private static IEnumerable<BrokenRule> OnePlace(CheckedPlan plan)
    {
        foreach (var slot in plan.Slots)
        {
            foreach (var at in slot.GroupBy(stand => stand.BoothId).Where(at => at.Count() > 1))
                yield return Slot(slot.Key, Say($"{at.Count()} stand at one booth.")) with
                {
                    BoothId = at.Key,
                };
            foreach (var of in slot.GroupBy(stand => stand.StudentId).Where(of => of.Count() > 1))
            {
                foreach (var stand in of)
                    yield return At(stand, Say($"{NameOf(plan, stand)} stands at {of.Count()} booths at once."));
            }
        }
    }

    private static IEnumerable<BrokenRule> There(CheckedPlan plan)
    {
        foreach (var stand in plan.Plan.Stands)
        {
            if (!plan.Students.TryGetValue(stand.StudentId, out var student))
                yield return At(stand, Say($"This student is not there."));
            else if (!student.IsThere(stand.Slot))
                yield return At(stand, Say($"{student.Name.Name()} is not there in this slot."));
            if (stand.Slot < 0 || stand.Slot >= plan.Problem.Slots.Count)
                yield return At(stand, Say($"The session has no such slot."));
            if (!plan.Booths.TryGetValue(stand.BoothId, out var booth))
                yield return At(stand, Say($"The room has no such booth."));
            else if (booth.Machines.FirstOrDefault(machine => machine.Id == stand.MachineId) is not { } machine)
                yield return At(stand, Say($"This machine is not at booth {booth.Number}."));
            else if (machine.DownFrom is { } down && stand.Slot >= down)
                yield return At(stand, Say($"{machine.Name.Name()} is out of order."));
        }
    }

    private static IEnumerable<BrokenRule> MachineCan(CheckedPlan plan)
    {
        foreach (var step in plan.Steps.Where(step => step.Use is null))
        {
            var fit = plan.Problem.Fits.GetValueOrDefault((step.Stand.ExerciseId, step.Stand.MachineId));
            yield return At(step.Stand, fit?.Refused ?? Say($"The machine cannot be used for this exercise."));
        }
    }

    private static IEnumerable<BrokenRule> InOrder(CheckedPlan plan)
    {
        foreach (var stand in plan.Plan.Stands.Where(stand => plan.Students.ContainsKey(stand.StudentId)))
        {
            if (plan.TaskOf(stand) is not { } task)
            {
                yield return At(stand, Say($"{ExerciseName(plan, stand)} is not what {NameOf(plan, stand)} is to work on now."));
                continue;
            }
            foreach (var before in task.After)
            {
                if (plan.Students[stand.StudentId].TaskAt(before) is not { } first)
                    continue;
                var stood = plan.StandsOf[stand.StudentId].Count(other => other.Slot < stand.Slot && other.ExerciseId == before);
                var wanted = plan.Problem.SlotsFor(first);
                if (stood < wanted)
                {
                    var name = plan.Problem.Exercises[before].Exercise.Name;
                    yield return At(stand, Say($"First {name.Name()}: it takes {wanted.Counted(Say($"slot"), Say($"slots"))}."));
                }
            }
        }
    }

    private static IEnumerable<BrokenRule> LoadAtHand(CheckedPlan plan)
    {
        var there = plan.Problem.AtHand;
        foreach (var slot in plan.Steps.Where(step => step.Use is not null).GroupBy(step => step.Stand.Slot))
        {
            if (there.Spools is { } spools)
            {
                foreach (var of in slot.GroupBy(step => step.Use!.Load.Wire).Where(of => of.Key is not null))
                {
                    var count = spools.GetValueOrDefault(of.Key!.Value);
                    if (of.Count() > count)
                        yield return Slot(slot.Key, Short(of.First().Use!.Load.WireInWords, of.Count(), count.Counted(Spool, Spools)));
                }
            }
            if (there.Bottles is { } bottles)
            {
                foreach (var of in slot.Where(step => step.Use!.GasLPerMin > 0).GroupBy(step => step.Use!.Load.Gas))
                {
                    var count = bottles.GetValueOrDefault(of.Key);
                    if (of.Count() > count)
                        yield return Slot(slot.Key, Short(of.Key.Facts().Name, of.Count(), count.Counted(Bottle, Bottles)));
                }
            }
        }

        static Said Short(Said of, int wanted, Said there) => Say($"{of}: wanted at {wanted} booths, {there} there.");
    }

    private static readonly Said Spool = Say($"spool is");
    private static readonly Said Spools = Say($"spools are");
    private static readonly Said Bottle = Say($"bottle is");
    private static readonly Said Bottles = Say($"bottles are");

    private static IEnumerable<BrokenRule> EnoughTime(CheckedPlan plan)
    {
        foreach (var step in plan.Steps.Where(step => step.LostMinutes > 0 && step.Stand.Slot < plan.Problem.Slots.Count))
        {
            var minutes = plan.Problem.Slots[step.Stand.Slot].Minutes;
            var left = minutes - step.LostMinutes;
            if (left < plan.Problem.Limits.LeastMinutes)
                yield return At(step.Stand, Say($"Changing over and cooling take {step.LostMinutes} of {minutes} min."));
        }
    }

    private static IEnumerable<BrokenRule> FirstTries(CheckedPlan plan)
    {
        var limits = plan.Problem.Limits;
        foreach (var slot in plan.Slots)
        {
            var first = slot.Where(plan.IsFirstTry).ToArray();
            var hot = first.Count(stand => plan.Problem.Exercises[stand.ExerciseId].Hot);
            if (first.Length > limits.FirstTries)
                yield return Slot(slot.Key, Say($"{first.Length} try something new at once; {limits.FirstTries} at the most."));
            if (hot > limits.HotFirstTries)
                yield return Slot(slot.Key, Say($"{hot} try hot, aluminium or overhead work at once; {limits.HotFirstTries} at the most."));
        }
    }

    private static IEnumerable<BrokenRule> Assessors(CheckedPlan plan)
    {
        foreach (var slot in plan.Slots)
        {
            var tests = slot.Count(stand => IsTest(plan, stand));
            if (tests > plan.Problem.Limits.TestWelds)
            {
                var there = plan.Problem.Limits.Instructors.Counted(Say($"instructor is"), Say($"instructors are"));
                yield return Slot(
                    slot.Key,
                    Say($"{tests.Counted(Say($"test weld"), Say($"test welds"))}, and {there} there: one stays on the floor.")
                );
            }
        }
    }

    private static IEnumerable<BrokenRule> BarsAtHand(CheckedPlan plan)
    {
        if (plan.Problem.AtHand.Bars is not { } bars)
            yield break;
        foreach (var piece in FirstFit.Missing(Pieces.Of(plan.Problem, plan.Plan), bars, plan.Problem.Limits.Kerf))
        {
            // The last slot that wants such pieces is the one that goes without.
            var slot = plan.Plan.Stands.Where(stand => Wants(stand, piece.Kind)).Select(stand => stand.Slot).DefaultIfEmpty(0).Max();
            yield return Slot(slot, Say($"{piece.InWords}: not enough is there to cut them from."));
        }

        bool Wants(Stand stand, StockKind kind) =>
            Pieces.Matched([.. Pieces.Of(plan.Problem, stand)], bars).Any(piece => piece.Kind == kind);
    }

    private static bool IsTest(CheckedPlan plan, Stand stand) =>
        plan.Problem.Exercises.TryGetValue(stand.ExerciseId, out var exercise) && exercise.Exercise.Proof == Proof.TestWeld;

    private static SaidName NameOf(CheckedPlan plan, Stand stand) => plan.Students[stand.StudentId].Name.Name();

    private static SaidName ExerciseName(CheckedPlan plan, Stand stand) =>
        (plan.Problem.Exercises.TryGetValue(stand.ExerciseId, out var exercise) ? exercise.Exercise.Name : "").Name();

    private static BrokenRule At(Stand stand, Said words) => new("", stand.Slot, stand.BoothId, stand.StudentId, words);

    private static BrokenRule Slot(int slot, Said words) => new("", slot, null, null, words);
}
