using Google.OrTools.Sat;

namespace GentleBead.Core.Planning;

/// <summary>A stand that can be chosen, and the variable that says whether it is.</summary>
internal sealed record Choice(Stand Stand, PlanTask? Task, MachineUse? Use, BoolVar Var);

/// <summary>
/// A session as a model of constraints: the rules of <see cref="PlanRules"/> and the points of <see cref="PlanScore"/>, said to the solver.
/// What is fixed is taken as it is, even where it breaks a rule; a rule then holds for what is added.
/// </summary>
internal sealed partial class PlanModel
{
    private readonly PlanProblem problem;
    private readonly CpModel model = new();
    private readonly List<LinearExpr> gains = [];
    private readonly HashSet<Stand> given;

    /// <summary>What no plan can exceed, whatever it is: all that can be gained, and nothing it costs.</summary>
    public int MostPoints { get; private set; }

    /// <summary>Every stand that can be chosen.</summary>
    public IReadOnlyList<Choice> Choices { get; }

    private readonly ILookup<(Guid Student, int Slot), Choice> byStudent;
    private readonly ILookup<(Guid Booth, int Slot), Choice> byBooth;
    private readonly ILookup<(Guid Machine, int Slot), Choice> byMachine;
    private readonly ILookup<int, Choice> bySlot;

    /// <summary>Says everything.</summary>
    /// <param name="problem">The session.</param>
    public PlanModel(PlanProblem problem)
    {
        this.problem = problem;
        given = [.. problem.Fixed.Stands];
        Choices = [.. Possible().Select(Choose)];
        byStudent = Choices.ToLookup(choice => (choice.Stand.StudentId, choice.Stand.Slot));
        byBooth = Choices.ToLookup(choice => (choice.Stand.BoothId, choice.Stand.Slot));
        byMachine = Choices.ToLookup(choice => (choice.Stand.MachineId, choice.Stand.Slot));
        bySlot = Choices.ToLookup(choice => choice.Stand.Slot);
        foreach (var stand in given)
            model.Add(Choices.First(choice => choice.Stand == stand).Var == 1);
        OnePlace();
        Order();
        FirstTries();
        Assessors();
        Loads();
        AtHand();
        LimitBars();
        Points();
        model.Maximize(LinearExpr.Sum(gains));
    }

    /// <summary>What the solver is given.</summary>
    public CpModel Model => model;

    /// <summary>Holds every choice to a plan.</summary>
    /// <param name="plan">The keys of its stands.</param>
    public void Hold(HashSet<(int, Guid, Guid, Guid, Guid)> plan)
    {
        foreach (var choice in Choices)
            Hold(choice, plan.Contains(Key(choice.Stand)) ? [1, 1] : [0, 0]);
    }

    private void Hold(Choice choice, ReadOnlySpan<long> to)
    {
        var domain = model.Model.Variables[choice.Var.GetIndex()].Domain;
        domain.Clear();
        foreach (var value in to)
            domain.Add(value);
    }

    /// <summary>Begins the search at a solution, and holds the choices that are not free to it.</summary>
    /// <param name="values">The value of every variable.</param>
    /// <param name="isFree">Whether a stand may be chosen otherwise.</param>
    public void Hold(IReadOnlyList<long> values, Func<Stand, bool> isFree)
    {
        model.Model.SolutionHint = new() { Vars = { Enumerable.Range(0, values.Count) }, Values = { values } };
        foreach (var choice in Choices)
        {
            var held = values[choice.Var.GetIndex()];
            Hold(choice, isFree(choice.Stand) ? [0, 1] : [held, held]);
        }
    }

    /// <summary>The plan of a solution.</summary>
    /// <param name="values">The value of every variable.</param>
    public Plan PlanOf(IReadOnlyList<long> values)
    {
        var numbers = problem.Booths.ToDictionary(booth => booth.Id, booth => booth.Number);
        var chosen = Choices.Where(choice => values[choice.Var.GetIndex()] == 1).Select(choice => choice.Stand);
        return new([.. chosen.OrderBy(stand => stand.Slot).ThenBy(stand => numbers.GetValueOrDefault(stand.BoothId))]);
    }

    /// <summary>What makes a stand this one, pinned or not.</summary>
    public static (int, Guid, Guid, Guid, Guid) Key(Stand stand) =>
        (stand.Slot, stand.BoothId, stand.MachineId, stand.StudentId, stand.ExerciseId);

    private IEnumerable<Stand> Possible()
    {
        var fixedKeys = given.Select(Key).ToHashSet();
        var free =
            from slot in Enumerable.Range(problem.FromSlot, Math.Max(0, problem.Slots.Count - problem.FromSlot))
            from student in problem.Students
            where student.IsThere(slot)
            from stand in GreedyPlan.Places(problem, problem.Fixed, student, slot)
            where !fixedKeys.Contains(Key(stand))
            select stand;
        return given.Concat(free);
    }

    private Choice Choose(Stand stand) =>
        new(
            stand,
            problem.Student(stand.StudentId)?.TaskAt(stand.ExerciseId),
            problem.UseOf(stand.ExerciseId, stand.MachineId),
            model.NewBoolVar("")
        );

    // What the fixed stands alone already take of a limit stays allowed.
    private void AtMost(IEnumerable<(BoolVar Var, bool Fixed)> vars, int limit)
    {
        var all = vars.ToArray();
        var most = Math.Max(limit, all.Count(one => one.Fixed));
        if (all.Length > most)
            model.Add(LinearExpr.Sum(all.Select(one => one.Var)) <= most);
    }

    private void AtMost(IEnumerable<Choice> choices, int limit) =>
        AtMost(choices.Select(choice => (choice.Var, given.Contains(choice.Stand))), limit);

    private static LinearExpr Sum(IEnumerable<Choice> choices) => LinearExpr.Sum(choices.Select(choice => choice.Var));

    private void OnePlace()
    {
        foreach (var at in byStudent)
            AtMost(at, 1);
        foreach (var at in byBooth)
            AtMost(at, 1);
    }

    private void Order()
    {
        foreach (var choice in Choices.Where(choice => choice.Task is { After.Count: > 0 } && !given.Contains(choice.Stand)))
        {
            foreach (var before in choice.Task!.After)
            {
                if (problem.Student(choice.Stand.StudentId)!.TaskAt(before) is not { } first)
                    continue;
                var earlier = Earlier(choice.Stand.StudentId, before, choice.Stand.Slot);
                model.Add(Sum(earlier) >= problem.SlotsFor(first)).OnlyEnforceIf(choice.Var);
            }
        }
    }

    private IEnumerable<Choice> Earlier(Guid student, Guid exercise, int slot) =>
        Enumerable.Range(0, slot).SelectMany(at => byStudent[(student, at)]).Where(choice => choice.Stand.ExerciseId == exercise);

    private void FirstTries()
    {
        foreach (var slot in bySlot)
        {
            var tries = slot.Where(choice => choice.Task is { FirstTry: true })
                .GroupBy(choice => (choice.Stand.StudentId, choice.Stand.ExerciseId))
                .Select(of => (of.Key.ExerciseId, Var: FirstTry(of.Key.StudentId, of.Key.ExerciseId, slot.Key, of), Fixed: IsFixedTry(of)))
                .ToArray();
            AtMost(tries.Select(one => (one.Var, one.Fixed)), problem.Limits.FirstTries);
            var hot = tries.Where(one => problem.Exercises[one.ExerciseId].Hot);
            AtMost(hot.Select(one => (one.Var, one.Fixed)), problem.Limits.HotFirstTries);
        }
    }

    private bool IsFixedTry(IEnumerable<Choice> of) => of.Any(choice => given.Contains(choice.Stand));

    // They stand at it in this slot, and in none before.
    private BoolVar FirstTry(Guid student, Guid exercise, int slot, IEnumerable<Choice> now)
    {
        var first = model.NewBoolVar("");
        model.Add(first >= Sum(now) - Sum(Earlier(student, exercise, slot)));
        return first;
    }

    private void Assessors()
    {
        foreach (var slot in bySlot)
        {
            AtMost(
                slot.Where(choice =>
                    problem.Exercises.TryGetValue(choice.Stand.ExerciseId, out var of) && of.Exercise.Proof == Courses.Proof.TestWeld
                ),
                problem.Limits.TestWelds
            );
        }
    }

    private void AtHand()
    {
        foreach (var slot in bySlot)
        {
            var used = slot.Where(choice => choice.Use is not null).ToArray();
            if (problem.AtHand.Spools is { } spools)
            {
                foreach (var of in used.Where(choice => choice.Use!.Load.Wire is not null).GroupBy(choice => choice.Use!.Load.Wire!.Value))
                    AtMost(of, spools.GetValueOrDefault(of.Key));
            }
            if (problem.AtHand.Bottles is { } bottles)
            {
                foreach (var of in used.Where(choice => choice.Use!.GasLPerMin > 0).GroupBy(choice => choice.Use!.Load.Gas))
                    AtMost(of, bottles.GetValueOrDefault(of.Key));
            }
        }
    }
}
