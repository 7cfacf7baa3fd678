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

    /// <summary>Makes the evening course, before its evenings.</summary>
    /// <returns>Which course.</returns>
    public static async Task<Guid> LoadAsync(
        IServiceProvider services,
        Guid roomId,
        IReadOnlyList<DemoEvening> evenings,
        IReadOnlyDictionary<string, Guid> ids,
        CancellationToken cancel
    )
    {
        var first = evenings[0].Hours;
        var hours = evenings.Take(2).Select(evening => new WeeklyHours(evening.Hours.Day.DayOfWeek, first.Begins, first.Ends)).ToArray();
        var lastDay = first.Day.AddDays((int)Term.TotalDays);
        var coming = WeeklyHours.Between(hours, evenings[^1].Hours.Day.AddDays(1), lastDay);
        var students = DemoSchool.People.Where(person => !person.IsInstructor).Select(person => person.Login);
        var course = new DemoCourse(DemoSchool.Class, DemoSchool.Path, ["maren", "sunniva"], [.. students]);
        return await AddAsync(services, course, new(roomId, first.Day, lastDay, hours), [.. coming], ids, cancel);
    }

    /// <summary>When and where a course is held.</summary>
    internal sealed record Held(Guid RoomId, DateOnly FirstDay, DateOnly LastDay, IReadOnlyList<WeeklyHours> Hours);

    /// <summary>Makes a course, its roster, its path and the sessions to come.</summary>
    /// <returns>Which course.</returns>
    internal static async Task<Guid> AddAsync(
        IServiceProvider services,
        DemoCourse course,
        Held held,
        IReadOnlyList<Stretch> coming,
        IReadOnlyDictionary<string, Guid> ids,
        CancellationToken cancel
    )
    {
        var id = Guid.CreateVersion7();
        var instructors = course.Instructors.Select(login => ids[login]);
        var added = new NewCourse(course.Name, held.RoomId, held.FirstDay, held.LastDay, held.Hours, [.. instructors]);
        await services.GetRequiredService<CourseStore>().AddAsync(id, added, null, Sent.ByNobody, cancel);
        var students = course.Students.Select(login => (Guid.CreateVersion7(), ids[login], held.FirstDay));
        await services.GetRequiredService<RosterStore>().AddAsync(id, [.. students], null, Sent.ByNobody, cancel);
        var sessions = coming.Select(stretch => new PlannedSession(Guid.CreateVersion7(), course.Name, stretch, held.RoomId, id));
        await services.GetRequiredService<SessionStore>().AddAsync([.. sessions], null, Sent.ByNobody, cancel);
        var library = ExerciseLibrary.All.ToDictionary(row => row.Id, row => row.Exercise.Before);
        var path = CoursePath.Of(
            [.. course.Path.Select(key => ExerciseLibrary.All.Single(row => row.Key == key).Id)],
            exercise => library[exercise]
        );
        var paths = services.GetRequiredService<PathStore>();
        await paths.AddAsync(Guid.CreateVersion7(), (id, course.Name), path, 0, null, Sent.ByNobody, cancel);
        return id;
    }

    /// <summary>Notes who came to a session: who stood at a booth, and of the others who was excused and who was not.</summary>
    /// <param name="services">The server's.</param>
    /// <param name="sessionId">Which session.</param>
    /// <param name="standing">Who stood at a booth, by login.</param>
    /// <param name="students">Who is on the roster, by login.</param>
    /// <param name="ids">Everybody, by login.</param>
    /// <param name="cancel">Breaks it off.</param>
    public static async Task NoteAsync(
        IServiceProvider services,
        Guid sessionId,
        IReadOnlyCollection<string> standing,
        IEnumerable<string> students,
        IReadOnlyDictionary<string, Guid> ids,
        CancellationToken cancel
    )
    {
        var attendance = services.GetRequiredService<AttendanceStore>();
        foreach (var login in students)
        {
            var came =
                standing.Contains(login) ? (login is "jun" or "hale" ? Came.Late : Came.Present)
                : login is "odell" or "lorcan" ? Came.Absent
                : Came.Excused;
            await attendance.NoteAsync(Guid.CreateVersion7(), sessionId, ids[login], came, ids["maren"], Sent.ByNobody, cancel);
        }
    }
}
