using GentleBead.Core.Planning;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;

namespace GentleBead.Server.Planning;

/// <summary>A machine on the plan board.</summary>
/// <param name="Id">Which machine.</param>
/// <param name="Name">What the room calls it.</param>
/// <param name="Load">What is on it when the session begins.</param>
/// <param name="DownFrom">The first slot in which it is out of order; null while it runs.</param>
public sealed record BoardMachine(Guid Id, string Name, Said Load, int? DownFrom);

/// <summary>A booth on the plan board.</summary>
/// <param name="Id">Which booth.</param>
/// <param name="Number">Its number.</param>
/// <param name="Machines">The machines in it.</param>
public sealed record BoardBooth(Guid Id, int Number, IReadOnlyList<BoardMachine> Machines);

/// <summary>Something a student is to work on.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Why">How far they have come with it.</param>
/// <param name="FirstTry">Whether they never laid a bead to it.</param>
/// <param name="Machines">The machines that can be used for it.</param>
public sealed record BoardTask(Guid ExerciseId, string Name, Said Why, bool FirstTry, IReadOnlyList<Guid> Machines);

/// <summary>A student on the plan board.</summary>
/// <param name="Student">Who.</param>
/// <param name="Tasks">What they are to work on, what matters most first.</param>
/// <param name="From">The first slot they are there.</param>
/// <param name="Until">The slot in which they are gone; null where they stay.</param>
/// <param name="NotServed">Why they stand at no booth; null where they stand at one, or where nobody does yet.</param>
public sealed record BoardStudent(PersonName Student, IReadOnlyList<BoardTask> Tasks, int From, int? Until, Said? NotServed);

/// <summary>Somebody at a booth in a slot, on the plan board.</summary>
/// <param name="Stand">Who, where, with what, at what.</param>
/// <param name="ExerciseName">What the exercise is called.</param>
/// <param name="Change">What has to be changed on the machine before; null where nothing has.</param>
/// <param name="ChangeMinutes">How long that takes.</param>
/// <param name="FirstTry">Whether it is their first try at it.</param>
public sealed record BoardStand(Stand Stand, string ExerciseName, Said? Change, int ChangeMinutes, bool FirstTry);

/// <summary>What a plan gets for one aspect.</summary>
/// <param name="Key">Which aspect.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Means">What more of it means.</param>
/// <param name="Weight">What it counts for, 0 to 5.</param>
/// <param name="Points">What it adds to the score.</param>
public sealed record BoardAspect(string Key, Said Name, Said Means, int Weight, int Points);

/// <summary>A session's plan as a board: slots across, booths down.</summary>
/// <param name="Session">Which session.</param>
/// <param name="Edition">Which edition of its plan; 0 before there is one.</param>
/// <param name="MadeBy">Who made it; null for nobody in particular.</param>
/// <param name="Settings">How it is planned.</param>
/// <param name="Slots">Its slots.</param>
/// <param name="NowSlot">The slot that is on, or the next; 0 before it begins, as many as there are when it is over.</param>
/// <param name="Booths">Its booths, by number.</param>
/// <param name="Students">Its students, by name.</param>
/// <param name="Stands">Who stands where.</param>
/// <param name="Broken">The rules it breaks, and where.</param>
/// <param name="Aspects">What it is weighed by.</param>
/// <param name="Solver">What the solver said of it; null for one changed by hand.</param>
public sealed record PlanBoard(
    Session Session,
    int Edition,
    string? MadeBy,
    PlanSettings Settings,
    IReadOnlyList<Slot> Slots,
    int NowSlot,
    IReadOnlyList<BoardBooth> Booths,
    IReadOnlyList<BoardStudent> Students,
    IReadOnlyList<BoardStand> Stands,
    IReadOnlyList<BrokenRule> Broken,
    IReadOnlyList<BoardAspect> Aspects,
    SolverSaid? Solver
)
{
    /// <summary>Lays a plan out.</summary>
    /// <param name="read">The plan.</param>
    /// <param name="now">The moment, for the slot that is on.</param>
    public static PlanBoard Of(ReadPlan read, DateTimeOffset now)
    {
        var (problem, plan) = (read.Problem, read.Plan);
        var laid = new CheckedPlan(problem, plan);
        return new(
            read.Session,
            read.Edition.Edition,
            read.Edition.MadeBy,
            read.Edition.Plan.Settings,
            problem.Slots,
            SlotAt(read, now),
            [.. problem.Booths.Select(booth => new BoardBooth(booth.Id, booth.Number, [.. booth.Machines.Select(MachineOf)]))],
            [.. problem.Students.Select(student => StudentOf(problem, plan, student))],
            [.. StandsOf(laid)],
            PlanRules.Broken(problem, plan),
            [
                .. PlanScore
                    .Of(problem, plan)
                    .Aspects.Zip(PlanScore.Table)
                    .Select(two => new BoardAspect(two.First.Key, two.Second.Name, two.Second.Means, two.First.Weight, two.First.Weighed)),
            ],
            read.Edition.Plan.Said
        );
    }

    /// <summary>
    /// The slot that is on at a moment, or the next; as many as there are when all are over. A slot that was begun is on until another
    /// is, whatever the clock says: it may overrun.
    /// </summary>
    public static int SlotAt(ReadPlan read, DateTimeOffset now)
    {
        var setUp = TimeSpan.FromMinutes(read.Edition.Plan.Settings.SetUpMinutes);
        var slot = TimeSpan.FromMinutes(read.Edition.Plan.Settings.SlotMinutes);
        var byClock = Math.Clamp((int)Math.Floor((now - read.Session.BeginsAt - setUp) / slot), 0, read.Problem.Slots.Count);
        return byClock == read.Problem.Slots.Count ? byClock : Math.Min(read.Begun ?? byClock, read.Problem.Slots.Count);
    }

    private static BoardMachine MachineOf(PlanMachine machine) => new(machine.Id, machine.Name, machine.Load.InWords, machine.DownFrom);

    private static BoardStudent StudentOf(PlanProblem problem, Plan plan, PlanStudent student) =>
        new(
            new(student.Id, student.Name),
            [
                .. student.Tasks.Select(task => new BoardTask(
                    task.ExerciseId,
                    problem.Exercises[task.ExerciseId].Exercise.Name,
                    task.Why,
                    task.FirstTry,
                    [
                        .. problem
                            .Booths.SelectMany(booth => booth.Machines)
                            .Where(machine => problem.UseOf(task.ExerciseId, machine.Id) is not null)
                            .Select(machine => machine.Id),
                    ]
                )),
            ],
            student.From,
            student.Until,
            plan.Stands.Count > 0 && plan.Stands.All(stand => stand.StudentId != student.Id)
                ? PlanReasons.NotServed(problem, plan, student)
                : null
        );

    private static IEnumerable<BoardStand> StandsOf(CheckedPlan laid)
    {
        var steps = laid.Steps.DistinctBy(step => step.Stand).ToDictionary(step => step.Stand);
        return laid.Plan.Stands.Select(stand =>
        {
            var step = steps.GetValueOrDefault(stand);
            return new BoardStand(
                stand,
                laid.Problem.Exercises.TryGetValue(stand.ExerciseId, out var of) ? of.Exercise.Name : "",
                step is { ChangeMinutes: > 0, Use: { } use } ? use.Load.InWords : null,
                step?.ChangeMinutes ?? 0,
                laid.IsFirstTry(stand)
            );
        });
    }
}
