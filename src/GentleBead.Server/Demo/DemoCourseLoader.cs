using GentleBead.Core.Courses;
using GentleBead.Core.Sessions;
using GentleBead.Demo;
using GentleBead.Server.Courses;
using GentleBead.Server.Database;
using GentleBead.Server.Sessions;

namespace GentleBead.Server.Demo;

/// <summary>Puts the made-up school's course into the database: its roster, the evenings to come, and who came to those before.</summary>
internal static class DemoCourseLoader
{
    private static readonly TimeSpan Term = TimeSpan.FromDays(42);

    /// <summary>Makes the course, before its evenings.</summary>
    /// <returns>Which course.</returns>
    public static async Task<Guid> LoadAsync(
        IServiceProvider services,
        Guid roomId,
        IReadOnlyList<DemoEvening> evenings,
        Dictionary<string, Guid> ids,
        CancellationToken cancel
    )
    {
        var id = Guid.CreateVersion7();
        var first = evenings[0].Hours;
        var hours = evenings.Take(2).Select(evening => new WeeklyHours(evening.Hours.Day.DayOfWeek, first.Begins, first.Ends));
        var course = new NewCourse(
            DemoSchool.Class,
            roomId,
            first.Day,
            first.Day.AddDays((int)Term.TotalDays),
            [.. hours],
            [ids["maren"], ids["sunniva"]]
        );
        await services.GetRequiredService<CourseStore>().AddAsync(id, course, null, Sent.ByNobody, cancel);
        var students = DemoSchool
            .People.Where(person => !person.IsInstructor)
            .Select(person => (Guid.CreateVersion7(), ids[person.Login], first.Day));
        await services.GetRequiredService<RosterStore>().AddAsync(id, [.. students], null, Sent.ByNobody, cancel);
        var last = evenings[^1].Hours.Day;
        var coming = WeeklyHours
            .Between(course.Hours, last.AddDays(1), course.LastDay)
            .Select(stretch => new PlannedSession(Guid.CreateVersion7(), course.Name, stretch, roomId, id));
        await services.GetRequiredService<SessionStore>().AddAsync([.. coming], null, Sent.ByNobody, cancel);
        var library = ExerciseLibrary.All.ToDictionary(row => row.Id, row => row.Exercise.Before);
        var path = CoursePath.Of(
            [.. DemoSchool.Path.Select(key => ExerciseLibrary.All.Single(row => row.Key == key).Id)],
            exercise => library[exercise]
        );
        var paths = services.GetRequiredService<PathStore>();
        await paths.AddAsync(Guid.CreateVersion7(), (id, course.Name), path, 0, null, Sent.ByNobody, cancel);
        return id;
    }

    /// <summary>Notes who came to an evening: who stood at a booth, and of the others one without a word.</summary>
    public static async Task NoteAsync(
        IServiceProvider services,
        Guid sessionId,
        DemoEvening evening,
        Dictionary<string, Guid> ids,
        CancellationToken cancel
    )
    {
        var attendance = services.GetRequiredService<AttendanceStore>();
        var standing = evening.Places.Values.ToHashSet();
        foreach (var login in DemoSchool.People.Where(person => !person.IsInstructor).Select(person => person.Login))
        {
            var came =
                standing.Contains(login) ? (login == "jun" ? Came.Late : Came.Present)
                : login == "odell" ? Came.Absent
                : Came.Excused;
            await attendance.NoteAsync(Guid.CreateVersion7(), sessionId, ids[login], came, ids["maren"], Sent.ByNobody, cancel);
        }
    }
}
