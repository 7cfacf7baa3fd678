using System.Security.Claims;
using GentleBead.Core.Sessions;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Courses;

/// <summary>Whether a session that a timetable proposes can be made.</summary>
public enum ProposalState
{
    /// <summary>It can.</summary>
    Free,

    /// <summary>The course has one at that time already.</summary>
    There,

    /// <summary>The room is taken.</summary>
    Taken,

    /// <summary>Its hours cannot be meant.</summary>
    Wrong,
}

/// <summary>A session that is proposed and not made.</summary>
/// <param name="Title">What it is to be called.</param>
/// <param name="Day">The day it begins.</param>
/// <param name="Begins">When it begins.</param>
/// <param name="Ends">When it ends.</param>
/// <param name="State">Whether it can be made.</param>
/// <param name="Why">Why it cannot; null where it can.</param>
public sealed record ProposedSession(string Title, DateOnly Day, TimeOnly Begins, TimeOnly Ends, ProposalState State, Said? Why);

/// <summary>A session of a course to make.</summary>
/// <param name="Id">Which session.</param>
/// <param name="Title">What it is to be called; empty for the course's name.</param>
/// <param name="Day">The day it begins.</param>
/// <param name="Begins">When it begins.</param>
/// <param name="Ends">When it ends.</param>
public sealed record NewCourseSession(Guid Id, string Title, DateOnly Day, TimeOnly Begins, TimeOnly Ends);

/// <summary>Sessions of a course to make, all or none.</summary>
/// <param name="Sessions">Up to 200.</param>
public sealed record NewCourseSessions(IReadOnlyList<NewCourseSession> Sessions);

/// <summary>The sessions of a course: proposed from its hours, and made.</summary>
public static class TimetableEndpoints
{
    private const int Most = 200;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var courses = app.MapGroup("/api/courses").WithTags("courses").RequireAuthorization(Access.Instructor);
        courses.MapGet("/{id:guid}/timetable", ProposeAsync);
        courses.MapGet("/{id:guid}/sessions", OfCourseAsync);
        courses.MapPut("/{id:guid}/sessions", MakeAsync).Repeatable();
    }

    private static async Task<Results<Ok<IReadOnlyList<ProposedSession>>, NotFound>> ProposeAsync(
        Guid id,
        CourseStore courses,
        SessionStore sessions,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        if (await courses.FindAsync(id, cancel) is not { } course)
            return TypedResults.NotFound();
        var stretches = WeeklyHours.Between(course.Hours, course.FirstDay, course.LastDay).Take(Most);
        var proposed = stretches.Select(stretch => (course.Name, stretch)).ToArray();
        return TypedResults.Ok(await StatesAsync(course, proposed, sessions, await clock.ZoneAsync(cancel), cancel));
    }

    /// <summary>Whether sessions can be made for a course: whether it has them already, or somebody else has the room.</summary>
    internal static async Task<IReadOnlyList<ProposedSession>> StatesAsync(
        Course course,
        IReadOnlyList<(string Title, Stretch Stretch)> proposed,
        SessionStore sessions,
        TimeZoneInfo zone,
        CancellationToken cancel
    )
    {
        var meant = proposed.Where(one => one.Stretch.Problem is null).Select(one => one.Stretch).ToArray();
        var taken = await sessions.InTheWayAsync(course.RoomId, meant, zone, cancel);
        // A cancelled one is there too: it was cancelled for a reason, and is held again from the calendar.
        var own = (await sessions.OfCourseAsync(course.Id, cancel)).Select(session => session.BeginsAt).ToHashSet();
        return [.. proposed.Select(one => StateOf(one.Title, one.Stretch, taken, own, zone))];
    }

    private static ProposedSession StateOf(
        string title,
        Stretch stretch,
        IReadOnlyList<Session> taken,
        HashSet<DateTimeOffset> own,
        TimeZoneInfo zone
    )
    {
        if (stretch.Problem is { } problem)
            return Proposed(ProposalState.Wrong, problem.Said);
        var (begins, ends) = stretch.In(zone);
        if (own.Contains(begins))
            return Proposed(ProposalState.There, Say($"It is in the calendar already."));
        var inTheWay = taken.FirstOrDefault(session => session.BeginsAt < ends && begins < session.EndsAt);
        return inTheWay is null ? Proposed(ProposalState.Free, null) : Proposed(ProposalState.Taken, SessionEndpoints.Taken(inTheWay).Said);

        ProposedSession Proposed(ProposalState state, Said? why) => new(title, stretch.Day, stretch.Begins, stretch.Ends, state, why);
    }

    private static async Task<Results<Ok<IReadOnlyList<Session>>, NotFound>> OfCourseAsync(
        Guid id,
        CourseStore courses,
        SessionStore sessions,
        CancellationToken cancel
    ) => await courses.FindAsync(id, cancel) is null ? TypedResults.NotFound() : TypedResults.Ok(await sessions.OfCourseAsync(id, cancel));

    private static async Task<Results<NoContent, NotFound, Wrong>> MakeAsync(
        Guid id,
        NewCourseSessions request,
        ClaimsPrincipal user,
        CourseStore courses,
        SessionStore sessions,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        if (await courses.FindAsync(id, cancel) is not { } course)
            return TypedResults.NotFound();
        var asked = request.Sessions ?? [];
        if (asked.Count is 0 or > Most)
            return Problems.Field("sessions", Say($"One to {Most} sessions at a time."));
        var planned = asked
            .Select(one => new PlannedSession(
                one.Id,
                one.Title is { Length: > 0 } ? one.Title.Trim() : course.Name,
                new Stretch(one.Day, one.Begins, one.Ends),
                course.RoomId,
                id
            ))
            .ToArray();
        var today = await clock.TodayAsync(cancel);
        var problems = planned
            .SelectMany(
                (one, i) =>
                    SessionEndpoints
                        .Check(one.Title, one.Stretch.Day, today)
                        .Concat(one.Stretch.Problem is { } length ? [length] : [])
                        .Select(problem => problem.Under(At(i)))
            )
            .ToArray();
        if (problems.Length > 0)
            return Problems.Of(problems);
        var outcome = await sessions.AddAsync(planned, user.Id(), Sent.Of(request).Under(id), cancel);
        return outcome.Clash is { } clash
            ? Problems.Of([SessionEndpoints.Taken(clash).Under(At(PlaceOf(clash, planned, await clock.ZoneAsync(cancel))))])
            : TypedResults.NoContent();
    }

    private static string At(int place) => $"sessions[{place}]";

    // Which of the sessions asked for another one is in the way of.
    private static int PlaceOf(Session clash, PlannedSession[] planned, TimeZoneInfo zone) =>
        Math.Max(
            0,
            Array.FindIndex(
                planned,
                one => one.Stretch.In(zone) is var (begins, ends) && clash.BeginsAt < ends && begins < clash.EndsAt && clash.Id != one.Id
            )
        );
}
