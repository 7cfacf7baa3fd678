using GentleBead.Core.Courses;
using GentleBead.Core.Planning;
using GentleBead.Core.Stock;
using GentleBead.Server.Courses;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sessions;

namespace GentleBead.Server.Planning;

/// <summary>A session with its plan and all that is planned with.</summary>
/// <param name="Session">Which session.</param>
/// <param name="Edition">Its plan.</param>
/// <param name="Problem">What is planned, as it stands now.</param>
/// <param name="Machines">The machines of its room.</param>
/// <param name="Begun">The slot that was begun last; null before the first, or where nobody begins them by hand.</param>
public sealed record ReadPlan(Session Session, PlanEdition Edition, PlanProblem Problem, IReadOnlyList<MachineToPlan> Machines, int? Begun)
{
    /// <summary>The plan.</summary>
    public Plan Plan { get; } = new(Edition.Plan.Stands);

    /// <summary>The bottles at the machines whose gauge was read.</summary>
    public IReadOnlyDictionary<Guid, (Gas Gas, BottleAt Bottle)> Bottles =>
        Machines.Where(machine => machine.Bottle is not null).ToDictionary(one => one.Id, one => (one.Machine.Load.Gas, one.Bottle!));
}

/// <summary>Gathers what a session is planned with: its people and where they stand on their path, the machines, the stock.</summary>
public sealed class PlanReader(
    SessionStore sessions,
    PlanStore plans,
    PlanFactStore facts,
    StockStore stock,
    CourseStore courses,
    RosterStore roster,
    PathStore paths,
    WorkStore work,
    BoothStore booths,
    AttendanceStore attendance
)
{
    // A short bead burns for about half a minute. Common practice, no source.
    private const double ArcMinutesABead = 0.5;

    /// <summary>A session's plan; null where there is no such session.</summary>
    /// <param name="sessionId">Which session.</param>
    /// <param name="settings">How it is planned, where that is being changed; null: as it is kept.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<ReadPlan?> ReadAsync(Guid sessionId, PlanSettings? settings, CancellationToken cancel)
    {
        if (await sessions.FindAsync(sessionId, cancel) is not { } session)
            return null;
        var edition = await plans.OfAsync(sessionId, cancel);
        var how = settings ?? edition.Plan.Settings;
        var path = session.CourseId is { } courseId ? await paths.OfAsync(courseId, cancel) : new(CoursePath.Empty, 0, NoExercises);
        var machines = await facts.MachinesAsync(session.RoomId, cancel);
        var atHand = (await stock.NowAsync(cancel)).AtHand;
        var students = await StudentsAsync(session, how, path, cancel);
        var problem = new PlanProblem
        {
            Slots = SlotsOf(how, session.Begins, session.EndsAt - session.BeginsAt),
            Booths = await BoothsAsync(session, how, machines, cancel),
            Students = students,
            Exercises = path.Exercises.ToDictionary(
                one => one.Key,
                one => new PlanExercise(one.Key, one.Value, MachineFits.IsHot(one.Value.Job))
            ),
            Fits = Fits(path, students, machines, atHand),
            Limits = how.Limits,
            AtHand = atHand,
            Pairs = how.Pairs,
            Weights = how.Weights,
        };
        return new(session, edition, problem, machines, await facts.BegunSlotAsync(sessionId, cancel));
    }

    /// <summary>The slots of a session; where only its day was noted, those of an evening as most are.</summary>
    internal static IReadOnlyList<Slot> SlotsOf(PlanSettings how, TimeOnly? begins, TimeSpan length) =>
        begins is { } at ? how.Slots(at, length) : how.Slots(UsualBegin, UsualLength);

    private static readonly TimeOnly UsualBegin = new(18, 0);
    private static readonly TimeSpan UsualLength = TimeSpan.FromHours(3);
    private static readonly Dictionary<Guid, Exercise> NoExercises = [];

    private async Task<IReadOnlyList<PlanBooth>> BoothsAsync(
        Session session,
        PlanSettings how,
        IReadOnlyList<MachineToPlan> machines,
        CancellationToken cancel
    )
    {
        var down = how.Down.DistinctBy(one => one.MachineId).ToDictionary(one => one.MachineId, one => one.From);
        var standing = machines.ToLookup(machine => machine.BoothId);
        return
        [
            .. (await booths.OfRoomAsync(session.RoomId, cancel)).Select(booth => new PlanBooth(
                booth.Booth.Id,
                booth.Booth.Number,
                [
                    .. standing[booth.Booth.Id]
                        .Select(one => new PlanMachine(one.Id, one.Machine.Name, MachineFits.LoadOf(one.Machine), DownFrom(one.Id))),
                ]
            )),
        ];

        int? DownFrom(Guid id) => down.TryGetValue(id, out var from) ? from : null;
    }

    private async Task<IReadOnlyList<PlanStudent>> StudentsAsync(Session session, PlanSettings how, ReadPath path, CancellationToken cancel)
    {
        if (session.CourseId is not { } courseId || await courses.FindAsync(courseId, cancel) is not { } course)
            return [];
        var on = (await roster.OfAsync(courseId, cancel))
            .Where(one => one.FirstDay <= session.HeldOn && (one.LastDay is null || one.LastDay >= session.HeldOn))
            .Select(one => one.Student)
            .ToArray();
        Guid[] ids = [.. on.Select(student => student.Id)];
        var done = await work.OfAsync(ids, cancel);
        var beads = await facts.BeadsAsync(ids, course.FirstDay, cancel);
        var before = await plans.BeforeAsync(session.Id, cancel);
        var away = (await attendance.OfAsync(session.Id, cancel))
            .Where(one => one.Came is Came.Absent or Came.Excused)
            .Select(one => one.Student.Id)
            .ToHashSet();
        return
        [
            .. on.Where(student => !away.Contains(student.Id))
                .Select(student =>
                {
                    var tasks = PlanTasks.Of(
                        path.Path,
                        path.Exercises,
                        path.PlacesOf(done.GetValueOrDefault(student.Id, StudentWork.None), session.HeldOn)
                    );
                    var presence = how.Presences.FirstOrDefault(one => one.StudentId == student.Id);
                    return new PlanStudent(
                        student.Id,
                        student.Name,
                        tasks,
                        ArcMinutesABead * beads.GetValueOrDefault(student.Id),
                        Waited(before?.Plan, student.Id),
                        presence?.From ?? 0,
                        presence?.Until,
                        tasks.Count == 0 ? PlanTasks.None(path.Path) : null
                    );
                }),
        ];
    }

    // Slots of the session before in which others stood and they did not, though they were there.
    private static int Waited(SavedPlan? before, Guid student)
    {
        if (before is null)
            return 0;
        var presence = before.Settings.Presences.FirstOrDefault(one => one.StudentId == student);
        var there = before
            .Stands.Select(stand => stand.Slot)
            .Distinct()
            .Count(slot => slot >= (presence?.From ?? 0) && slot < (presence?.Until ?? int.MaxValue));
        return Math.Max(0, there - before.Stands.Count(stand => stand.StudentId == student));
    }

    private static Dictionary<(Guid Exercise, Guid Machine), MachineFit> Fits(
        ReadPath path,
        IReadOnlyList<PlanStudent> students,
        IReadOnlyList<MachineToPlan> machines,
        AtHand atHand
    )
    {
        var wanted = students.SelectMany(student => student.Tasks).Select(task => task.ExerciseId).Distinct();
        return (
            from exercise in wanted
            from machine in machines
            select (Key: (exercise, machine.Id), Fit: MachineFits.Of(path.Exercises[exercise], machine.Machine, atHand))
        ).ToDictionary(one => one.Key, one => one.Fit);
    }
}
