using System.Security.Claims;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Courses;

/// <summary>The private address of a course's calendar. It is shown this once and kept nowhere.</summary>
/// <param name="Path">Where it is read, on this server.</param>
public sealed record CalendarAddress(string Path);

/// <summary>A course's calendar as iCalendar: a file, a private address that other programs read, and the way in.</summary>
public static class CalendarEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var courses = app.MapGroup("/api/courses").WithTags("courses").RequireAuthorization(Access.Instructor);
        courses.MapGet("/{id:guid}/calendar.ics", FileAsync).Produces(StatusCodes.Status200OK, contentType: "text/calendar");
        courses.MapPost("/{id:guid}/calendar-address", OpenAsync);
        courses.MapPost("/{id:guid}/calendar/read", ReadAsync).TakesSmallFile(CourseCalendar.MostBytes);
        // A calendar program signs in nowhere: whoever knows the address reads it, and it says when and where, and of nobody who.
        app.MapGet("/calendar/{key}.ics", PrivateAsync).AllowAnonymous().ExcludeFromDescription();
    }

    private static async Task<Results<ContentHttpResult, NotFound>> FileAsync(
        Guid id,
        CourseStore courses,
        SessionStore sessions,
        SchoolClock clock,
        HttpContext http,
        CancellationToken cancel
    )
    {
        if (await courses.FindAsync(id, cancel) is not { } course)
            return TypedResults.NotFound();
        http.Response.Headers.ContentDisposition = "attachment; filename=\"course.ics\"";
        return await CalendarAsync(course, sessions, clock, cancel);
    }

    private static async Task<Results<Ok<CalendarAddress>, NotFound>> OpenAsync(
        Guid id,
        ClaimsPrincipal user,
        CourseStore courses,
        CancellationToken cancel
    )
    {
        var key = Codes.Long();
        return await courses.SetCalendarKeyAsync(id, key, user.Id(), cancel)
            ? TypedResults.Ok(new CalendarAddress($"/calendar/{key}.ics"))
            : TypedResults.NotFound();
    }

    private static async Task<Results<Ok<IReadOnlyList<ProposedSession>>, NotFound, Wrong>> ReadAsync(
        Guid id,
        HttpRequest request,
        CourseStore courses,
        SessionStore sessions,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        if (await courses.FindAsync(id, cancel) is not { } course)
            return TypedResults.NotFound();
        if (await SmallFile.TextAsync(request, CourseCalendar.MostBytes, cancel) is not { } text)
            return Problems.Field("file", Say($"Larger than {CourseCalendar.MostBytes / 1024} kB. Take out what is not of this course."));
        var zone = await clock.ZoneAsync(cancel);
        return CourseCalendar.Read(text, course, zone).IsGood(out var stretches, out var problems)
            ? TypedResults.Ok(await TimetableEndpoints.StatesAsync(course, stretches, sessions, zone, cancel))
            : Problems.Of(problems);
    }

    private static async Task<Results<ContentHttpResult, NotFound>> PrivateAsync(
        string key,
        CourseStore courses,
        SessionStore sessions,
        SchoolClock clock,
        CancellationToken cancel
    ) =>
        await courses.OfCalendarKeyAsync(key, cancel) is { } id && await courses.FindAsync(id, cancel) is { } course
            ? await CalendarAsync(course, sessions, clock, cancel)
            : TypedResults.NotFound();

    private static async Task<ContentHttpResult> CalendarAsync(
        Course course,
        SessionStore sessions,
        SchoolClock clock,
        CancellationToken cancel
    ) =>
        TypedResults.Text(
            CourseCalendar.Write(course, await sessions.OfCourseAsync(course.Id, cancel), clock.Now),
            CourseCalendar.ContentType
        );
}
