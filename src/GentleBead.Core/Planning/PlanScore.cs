namespace GentleBead.Core.Planning;

/// <summary>One thing a plan is weighed by.</summary>
/// <param name="Key">What it is called by.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Means">What more of it means, in a sentence.</param>
/// <param name="Points">How many points a plan gets for it, before it is weighed; 0 and more, or 0 and less.</param>
public sealed record PlanAspect(string Key, Said Name, Said Means, Func<CheckedPlan, int> Points);

/// <summary>What a plan gets for one aspect.</summary>
/// <param name="Key">Which aspect.</param>
/// <param name="Weight">What it counts for, 0 to 5.</param>
/// <param name="Points">Its points, not weighed.</param>
public sealed record AspectScore(string Key, int Weight, int Points)
{
    /// <summary>What it adds to the score.</summary>
    public int Weighed => Weight * Points;
}

/// <summary>How good a plan is: the sum of its aspects, each weighed as the instructor says.</summary>
/// <param name="Aspects">Every aspect, in the order of the table.</param>
public sealed record PlanScore(IReadOnlyList<AspectScore> Aspects)
{
    /// <summary>The weight where nothing is said.</summary>
    public const int UsualWeight = 3;

    /// <summary>The most an aspect can be weighed.</summary>
    public const int MostWeight = 5;

    internal const string Progress = "progress";
    internal const string Fair = "fair";
    internal const string ChangeOvers = "changeOvers";
    internal const string Waited = "waited";
    internal const string Pairs = "pairs";
    internal const string StaysPut = "staysPut";
    internal const string AsBefore = "asBefore";

    /// <summary>
    /// Everything a plan is weighed by, and in what numbers: all that is here, and nothing else, the solver works towards.
    /// </summary>
    public static IReadOnlyList<PlanAspect> Table { get; } =
    [
        new(Progress, Say($"Progress"), Say($"Everybody at what comes next for them, for as long as it takes."), PointsOfProgress),
        new(Fair, Say($"Fairness"), Say($"Who has had little arc in the term gets more of it."), PointsOfFairness),
        new(Waited, Say($"Waiting"), Say($"Nobody waits long, and who waited last time goes first."), PointsOfWaiting),
        new(ChangeOvers, Say($"Few change-overs"), Say($"Wires, gases and machines stay as they are."), PointsOfChangeOvers),
        new(StaysPut, Say($"Staying put"), Say($"Who goes on stays at their booth."), PointsOfStaying),
        new(Pairs, Say($"Pairs"), Say($"Who is to stand side by side does, who is to be kept apart is."), PointsOfPairs),
        new(AsBefore, Say($"As before"), Say($"A plan that is mended stays as it was where it can."), PointsOfStability),
    ];

    /// <summary>The whole of it.</summary>
    public int Total => Aspects.Sum(aspect => aspect.Weighed);

    /// <summary>Weighs a plan.</summary>
    public static PlanScore Of(PlanProblem problem, Plan plan)
    {
        var laid = new CheckedPlan(problem, plan);
        return new([.. Table.Select(aspect => new AspectScore(aspect.Key, WeightOf(problem, aspect.Key), aspect.Points(laid)))]);
    }

    /// <summary>What an aspect counts for.</summary>
    public static int WeightOf(PlanProblem problem, string key)
    {
        ArgumentNullException.ThrowIfNull(problem);
        return problem.Weights.GetValueOrDefault(key, UsualWeight);
    }

    /// <summary>
    /// Points for the n-th slot of somebody at a task: full while it takes that long, then for practice half as much each time.
    /// </summary>
    /// <param name="place">Where the task stands among theirs, 0 for what matters most.</param>
    /// <param name="slot">Which of their slots at it, 1 for the first.</param>
    /// <param name="wanted">How many slots it takes.</param>
    internal static int ProgressFor(int place, int slot, int wanted) =>
        (place < ByPlace.Length ? ByPlace[place] : ByPlace[^1]) >> Math.Max(0, slot - wanted);

    /// <summary>
    /// Points for the n-th slot of somebody at a booth: the first counts most, and more for who has had less arc than the others.
    /// </summary>
    internal static int FairnessFor(PlanProblem problem, PlanStudent student, int slot)
    {
        var mean = problem.Students.Count == 0 ? 0 : problem.Students.Average(one => one.ArcMinutes);
        // A student without any arc yet counts half as much again, one with twice the mean half as much.
        var need = mean <= 0 ? 1 : Math.Clamp(1.5 - student.ArcMinutes / mean / 2, 0.5, 1.5);
        return (int)Math.Round(FirstSlot * need / slot);
    }

    /// <summary>What it costs that somebody who is there has stood at no booth until the end of a slot.</summary>
    internal static int WaitingFor(PlanStudent student) => student.Tasks.Count == 0 ? 0 : OneSlotWaited * (1 + Math.Min(2, student.Waited));

    internal const int SideBySide = 30;
    internal const int Moved = 6;

    // More than any one place can gain: who can stay where they were to stand does, unless an instructor weighs it less.
    internal const int Kept = 400;
    internal const int Elsewhere = 200;

    private const int FirstSlot = 120;
    private const int OneSlotWaited = 12;
    private static readonly int[] ByPlace = [100, 80, 64, 50];

    private static int PointsOfProgress(CheckedPlan plan) =>
        plan
            .StandsOf.Where(of => plan.Students.ContainsKey(of.Key))
            .Sum(of =>
            {
                var tasks = plan.Students[of.Key].Tasks;
                return of.GroupBy(stand => stand.ExerciseId)
                    .Sum(at =>
                    {
                        var place = tasks.ToList().FindIndex(task => task.ExerciseId == at.Key);
                        if (place < 0)
                            return 0;
                        var wanted = plan.Problem.SlotsFor(tasks[place]);
                        return Enumerable.Range(1, at.Count()).Sum(slot => ProgressFor(place, slot, wanted));
                    });
            });

    private static int PointsOfFairness(CheckedPlan plan) =>
        plan.Students.Values.Sum(student =>
            Enumerable.Range(1, plan.StandsOf[student.Id].Count()).Sum(slot => FairnessFor(plan.Problem, student, slot))
        );

    private static int PointsOfWaiting(CheckedPlan plan) =>
        -plan.Students.Values.Sum(student =>
        {
            var first = plan.StandsOf[student.Id].Select(stand => stand.Slot).DefaultIfEmpty(int.MaxValue).Min();
            return WaitingFor(student) * Enumerable.Range(0, plan.Problem.Slots.Count).Count(slot => slot < first && student.IsThere(slot));
        });

    private static int PointsOfChangeOvers(CheckedPlan plan) => -plan.Steps.Sum(step => step.ChangeMinutes);

    private static int PointsOfStaying(CheckedPlan plan) =>
        -Moved
        * plan.StandsOf.Sum(of =>
            of.Zip(of.Skip(1)).Count(two => two.Second.Slot == two.First.Slot + 1 && two.Second.BoothId != two.First.BoothId)
        );

    private static int PointsOfPairs(CheckedPlan plan) =>
        plan.Problem.Pairs.Sum(pair =>
            (pair.Together ? SideBySide : -SideBySide)
            * plan.StandsOf[pair.One].Count(one => plan.StandsOf[pair.Other].Any(other => AreSideBySide(plan, one, other)))
        );

    private static bool AreSideBySide(CheckedPlan plan, Stand one, Stand other) =>
        one.Slot == other.Slot
        && plan.Booths.TryGetValue(one.BoothId, out var at)
        && plan.Booths.TryGetValue(other.BoothId, out var beside)
        && Math.Abs(at.Number - beside.Number) == 1;

    private static int PointsOfStability(CheckedPlan plan) =>
        plan.Problem.Before is not { } before
            ? 0
            : plan.Plan.Stands.Where(stand => stand.Slot >= plan.Problem.FromSlot).Sum(stand => StabilityFor(before, stand));

    /// <summary>
    /// What it counts that somebody stands where they were to stand before; something where it is at least the same exercise.
    /// </summary>
    internal static int StabilityFor(Plan before, Stand stand) =>
        before.Of(stand.StudentId, stand.Slot) is not { } was ? 0
        : was.ExerciseId != stand.ExerciseId ? 0
        : was.BoothId == stand.BoothId && was.MachineId == stand.MachineId ? Kept
        : Elsewhere;
}
