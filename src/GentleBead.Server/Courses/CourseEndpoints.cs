using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Http.HttpResults;
using Npgsql;

namespace GentleBead.Server.Courses;

/// <summary>Students to put on a roster.</summary>
/// <param name="Students">Up to 200.</param>
public sealed record NewEnrolments(IReadOnlyList<NewEnrolment> Students);

/// <summary>Courses and their rosters.</summary>
public static class CourseEndpoints
{
    private static readonly Said ChangedSince = Say($"Somebody has changed this since you opened it. Look at it again, then change it.");

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var courses = app.MapGroup("/api/courses").WithTags("courses").RequireAuthorization(Access.Instructor);
        courses.MapGet("/", ListAsync);
        courses.MapGet("/{id:guid}", OneAsync);
        courses.MapPut("/{id:guid}", AddAsync).Repeatable();
        courses.MapPut("/{id:guid}/details", ChangeAsync).ProducesTold(StatusCodes.Status409Conflict);
        courses.MapGet("/{id:guid}/roster", RosterAsync);
        courses.MapPut("/{id:guid}/roster", EnrolAsync).Repeatable();
        courses.MapPut("/{id:guid}/roster/{enrolmentId:guid}/days", SetDaysAsync).ProducesTold(StatusCodes.Status409Conflict);
    }

    private static async Task<Page<Course>> ListAsync(Guid? after, CourseStore courses, CancellationToken cancel)
    {
        var page = await courses.ListAsync(after, cancel);
        return new(page, page.Count == CourseStore.Page ? page[^1].Id.ToString() : null);
    }

    private static async Task<Results<Ok<Course>, NotFound>> OneAsync(Guid id, CourseStore courses, CancellationToken cancel) =>
        await courses.FindAsync(id, cancel) is { } course ? TypedResults.Ok(course) : TypedResults.NotFound();

    private static async Task<Results<NoContent, Wrong>> AddAsync(
        Guid id,
        NewCourse request,
        ClaimsPrincipal user,
        CourseStore courses,
        BoothStore booths,
        CancellationToken cancel
    )
    {
        if (await ProblemsAsync(request, courses, booths, cancel) is { Count: > 0 } problems)
            return Problems.Of(problems);
        await courses.AddAsync(id, request.Kept, user.Id(), Sent.Of(request), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, Wrong, Told>> ChangeAsync(
        Guid id,
        CourseChange request,
        ClaimsPrincipal user,
        CourseStore courses,
        BoothStore booths,
        CancellationToken cancel
    )
    {
        if (request.Course is not { } course)
            return Problems.Field("course", Say($"What is it to be?"));
        if (await ProblemsAsync(course, courses, booths, cancel) is { Count: > 0 } problems)
            return Problems.Of(problems);
        if (await courses.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        return await courses.ChangeAsync(id, course.Kept, request.Version, user.Id(), cancel)
            ? TypedResults.NoContent()
            : Problems.Told(StatusCodes.Status409Conflict, ChangedSince);
    }

    private static async Task<List<Problem>> ProblemsAsync(
        NewCourse request,
        CourseStore courses,
        BoothStore booths,
        CancellationToken cancel
    )
    {
        var problems = request.Problems().ToList();
        if (await booths.FindRoomAsync(request.RoomId, cancel) is null)
            problems.Add(new("roomId", Say($"In which room?")));
        var teachers = (request.InstructorIds ?? []).Distinct().ToArray();
        if (teachers.Length > 0 && await courses.InstructorsAsync(teachers, cancel) < teachers.Length)
            problems.Add(new("instructorIds", Say($"Not all of them are instructors here.")));
        return problems;
    }

    private static async Task<Results<Ok<IReadOnlyList<Enrolment>>, NotFound>> RosterAsync(
        Guid id,
        CourseStore courses,
        RosterStore roster,
        CancellationToken cancel
    ) => await courses.FindAsync(id, cancel) is null ? TypedResults.NotFound() : TypedResults.Ok(await roster.OfAsync(id, cancel));

    private static async Task<Results<NoContent, NotFound, Wrong>> EnrolAsync(
        Guid id,
        NewEnrolments request,
        ClaimsPrincipal user,
        CourseStore courses,
        RosterStore roster,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        var students = request.Students ?? [];
        if (students.Count is 0 or > RosterStore.Most)
            return Problems.Field("students", Say($"One to {RosterStore.Most} students."));
        if (await courses.FindAsync(id, cancel) is not { } course)
            return TypedResults.NotFound();
        var ids = students.Select(student => student.StudentId).Distinct().ToArray();
        if (await roster.StudentsAsync(ids, cancel) < ids.Length)
            return Problems.Field("students", Say($"Not all of them are students here."));
        if (students.FirstOrDefault(student => student.FirstDay > course.LastDay) is { FirstDay: { } late })
            return Problems.Field("firstDay", Say($"The course is over by {late}."));
        // Who comes to a course that runs has missed nothing of what was before.
        var today = await clock.TodayAsync(cancel);
        var firstDay = today > course.FirstDay && today <= course.LastDay ? today : course.FirstDay;
        await roster.AddAsync(
            id,
            [.. students.Select(student => (student.Id, student.StudentId, student.FirstDay ?? firstDay))],
            user.Id(),
            Sent.Of(request).Under(id),
            cancel
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, Wrong, Told>> SetDaysAsync(
        Guid id,
        Guid enrolmentId,
        EnrolmentDays request,
        ClaimsPrincipal user,
        RosterStore roster,
        CancellationToken cancel
    )
    {
        if (request.LastDay < request.FirstDay)
            return Problems.Field("lastDay", Say($"Not before the first day, {request.FirstDay}."));
        try
        {
            return await roster.SetDaysAsync(id, enrolmentId, request, user.Id(), cancel)
                ? TypedResults.NoContent()
                : Problems.Told(StatusCodes.Status409Conflict, ChangedSince);
        }
        catch (PostgresException twice) when (twice.SqlState == PostgresErrorCodes.ExclusionViolation)
        {
            return Problems.Field("lastDay", Say($"They are on this course once more in those days."));
        }
    }
}
