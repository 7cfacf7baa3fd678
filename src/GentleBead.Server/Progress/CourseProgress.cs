using GentleBead.Core.Courses;
using GentleBead.Core.Progress;
using GentleBead.Core.Skills;
using GentleBead.Server.Courses;
using GentleBead.Server.People;
using GentleBead.Server.Skills;

namespace GentleBead.Server.Progress;

/// <summary>An exercise as a course finds it.</summary>
/// <param name="Id">Which exercise.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Begun">How many have begun it and are not done.</param>
/// <param name="Done">How many have done it.</param>
/// <param name="Beads">Beads laid at it, of those of whom other work is known too.</param>
/// <param name="Right">How many of them were right.</param>
/// <param name="IsHard">Whether it is plainly harder than the other exercises are for the same people.</param>
public sealed record CourseExercise(Guid Id, string Name, int Begun, int Done, int Beads, int Right, bool IsHard);

/// <summary>A machine as a course finds it.</summary>
/// <param name="Id">Which machine.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Beads">Beads laid on it of late.</param>
/// <param name="Right">How many of them were right.</param>
/// <param name="Expected">How many would have been, by what the same people do at the same work.</param>
/// <param name="FailsPeople">Whether it plainly makes the work harder.</param>
public sealed record CourseMachine(Guid Id, string Name, int Beads, int Right, double Expected, bool FailsPeople);

/// <summary>A student as a course's table shows them.</summary>
/// <param name="Student">Who.</param>
/// <param name="States">How far they have come with each exercise, in the order of the exercises.</param>
/// <param name="Done">How many exercises they have done.</param>
/// <param name="StuckOn">The cause that came back three evenings in a row; null where none did.</param>
/// <param name="IsAhead">Whether they are far ahead of the course and nothing goes wrong any more.</param>
/// <param name="Beads">Beads of their newest evenings.</param>
/// <param name="Right">How many of them were right.</param>
/// <param name="Last">When they last welded; null where they never did.</param>
public sealed record CourseStudent(
    PersonName Student,
    IReadOnlyList<SkillState> States,
    int Done,
    Said? StuckOn,
    bool IsAhead,
    int Beads,
    int Right,
    DateOnly? Last
);

/// <summary>A course at a glance: students by exercises, what is hard, and which machines fail people.</summary>
/// <param name="Exercises">The exercises of its path, in order.</param>
/// <param name="Students">Who is on it now, by name.</param>
/// <param name="Machines">The machines they weld on.</param>
public sealed record CourseProgress(
    IReadOnlyList<CourseExercise> Exercises,
    IReadOnlyList<CourseStudent> Students,
    IReadOnlyList<CourseMachine> Machines
);

/// <summary>Gathers a course at a glance, in a fixed number of queries.</summary>
public sealed class CourseReader(
    RosterStore roster,
    PathStore paths,
    WorkStore work,
    SkillStore skills,
    CourseProgressStore progress,
    ProgressStore school,
    SchoolClock clock
)
{
    /// <summary>A course as it stands now.</summary>
    /// <param name="courseId">Which course; it has to exist.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<CourseProgress> OfAsync(Guid courseId, CancellationToken cancel)
    {
        var today = await clock.TodayAsync(cancel);
        var students = (await roster.OfAsync(courseId, cancel))
            .Where(one => one.LastDay is null || one.LastDay >= today)
            .Select(one => one.Student)
            .DistinctBy(student => student.Id)
            .ToArray();
        Guid[] ids = [.. students.Select(student => student.Id)];
        var path = await paths.OfAsync(courseId, cancel);
        var done = await work.OfAsync(ids, cancel);
        // What they do elsewhere has to be known before machines are held against it.
        await skills.OfAsync(ids, cancel);
        var evenings = await progress.EveningsAsync(ids, cancel);
        var machines = await progress.MachinesAsync(ids, cancel);

        return new Gathered(students, path, done, evenings, today).Shown(machines);
    }

    /// <summary>A course's report.</summary>
    internal async Task<CourseReport> ReportAsync(Course course, CancellationToken cancel)
    {
        var now = await OfAsync(course.Id, cancel);
        return new(
            await school.SchoolAsync(cancel),
            course.Name,
            course.FirstDay,
            course.LastDay,
            await clock.TodayAsync(cancel),
            now,
            await progress.AttendedAsync(course.Id, [.. now.Students.Select(one => one.Student.Id)], cancel)
        );
    }

    // What was read of one course, and how it is shown.
    private sealed class Gathered(
        IReadOnlyList<PersonName> students,
        ReadPath path,
        IReadOnlyDictionary<Guid, StudentWork> done,
        ILookup<Guid, EveningBead> evenings,
        DateOnly today
    )
    {
        private readonly Guid[] steps = [.. path.Path.Steps.Select(step => step.ExerciseId)];
        private readonly Dictionary<Guid, IReadOnlyList<StepPlace>> places = students.ToDictionary(
            one => one.Id,
            one => path.PlacesOf(done.GetValueOrDefault(one.Id, StudentWork.None), today).Steps
        );

        public CourseProgress Shown(IReadOnlyList<TriedMachine> machines)
        {
            var tried = CourseGlance.OfExercises([.. students.Select(Counted)], steps.Length);
            var counts = places.ToDictionary(one => one.Key, one => one.Value.Count(step => step.Place.State == ExerciseState.Done));
            return new(
                [.. steps.Select((id, at) => Exercise(id, at, tried[at]))],
                [.. students.Select(one => Student(one, counts))],
                [.. machines.Select(Machine)]
            );
        }

        private IReadOnlyList<(int, int)> Counted(PersonName student)
        {
            var work = done.GetValueOrDefault(student.Id, StudentWork.None);
            return [.. steps.Select(id => work.At(path.Exercises[id]).Beads).Select(laid => (laid.Count, laid.Count(bead => bead.Right)))];
        }

        private CourseExercise Exercise(Guid id, int at, Tried tried) =>
            new(
                id,
                path.Exercises[id].Name,
                places.Values.Count(of => of[at].Place.State == ExerciseState.Begun),
                places.Values.Count(of => of[at].Place.State == ExerciseState.Done),
                tried.Beads,
                tried.Right,
                tried.IsHard
            );

        private CourseStudent Student(PersonName student, Dictionary<Guid, int> counts)
        {
            var beads = evenings[student.Id].ToArray();
            return new(
                student,
                [.. places[student.Id].Select(step => step.State)],
                counts[student.Id],
                CourseGlance.StuckOn(beads),
                CourseGlance.IsAhead(counts[student.Id], counts.Values, [.. beads.Select(bead => bead.Right)]),
                beads.Length,
                beads.Count(bead => bead.Right),
                beads.Length == 0 ? null : beads[^1].Day
            );
        }

        private static CourseMachine Machine(TriedMachine one) =>
            new(one.Id, one.Name, one.Tried.Beads, one.Tried.Right, one.Tried.Expected, one.Tried.IsHard);
    }
}
