using GentleBead.Core.Sessions;
using GentleBead.Demo;
using GentleBead.Server.Database;
using GentleBead.Server.Rooms;

namespace GentleBead.Server.Demo;

/// <summary>Puts the made-up school's second room into the database: its booths, its two courses, and what was welded in them.</summary>
internal static class DemoHallLoader
{
    // How long before their first session and after their last a course's term goes on.
    private const int Margin = 7;

    /// <summary>Puts it in.</summary>
    public static async Task LoadAsync(
        IServiceProvider services,
        IReadOnlyDictionary<string, Guid> ids,
        DateTimeOffset now,
        CancellationToken cancel
    )
    {
        var room = new SchoolRoom(Guid.CreateVersion7(), DemoHall.Room);
        await services.GetRequiredService<BoothStore>().AddRoomAsync(room, null, Sent.ByNobody, cancel);
        var booths = await DemoLoader.LoadMachinesAsync(services, room.Id, DemoHall.Machines, now, cancel);
        var mornings = (DemoHall.Morning, DemoHallTerm.Mornings(now), DemoHallTerm.MorningsToCome(now));
        var saturdays = (DemoHall.Saturday, DemoHallTerm.SaturdaysBefore(now), DemoHallTerm.SaturdaysToCome(now));
        foreach (var (course, before, coming) in new[] { mornings, saturdays })
        {
            var days = before.Select(session => session.Hours).Concat(coming).ToArray();
            var hours = days.Select(day => new WeeklyHours(day.Day.DayOfWeek, day.Begins, day.Ends)).Distinct();
            var held = new DemoCourseLoader.Held(room.Id, days[0].Day, days[^1].Day.AddDays(Margin), [.. hours]);
            var id = await DemoCourseLoader.AddAsync(services, course, held, coming, ids, cancel);
            var at = new DemoLoader.Held(course.Name, id, room.Id, booths, DemoHall.Machines);
            foreach (var session in before)
            {
                var sessionId = await DemoLoader.LoadEveningAsync(services, session, at, ids, ids[course.Instructors[0]], cancel);
                await DemoCourseLoader.NoteAsync(services, sessionId, [.. session.Places.Values], course.Students, ids, cancel);
            }
        }
    }
}
