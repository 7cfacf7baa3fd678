using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sessions;

/// <summary>Who is to stand at a booth; null empties it.</summary>
public sealed record PlaceRequest(Guid? StudentId);

/// <summary>Whether a student came.</summary>
public sealed record AttendanceNote(Guid StudentId, Came Came);

/// <summary>The room in a session: who stands where, and who came.</summary>
public static class PlaceEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sessions = app.MapGroup("/api/sessions").WithTags("sessions").RequireAuthorization(Access.Instructor);
        sessions.MapGet(
            "/tonight",
            async (int? after, Guid? session, ClaimsPrincipal user, SessionStore sessions, RoomStore rooms, CancellationToken cancel) =>
                await rooms.OfAsync(await sessions.OnAsync(session, user.Id(), cancel), after ?? 0, cancel)
        );
        sessions.MapGet(
            "/now",
            async (Guid? session, ClaimsPrincipal user, SessionStore sessions, RoomStore rooms, CancellationToken cancel) =>
                await rooms.NowAsync(await sessions.OnAsync(session, user.Id(), cancel), cancel)
        );
        sessions.MapGet("/{id:guid}/room", RoomAsync);
        sessions.MapGet("/{id:guid}/booths/{boothId:guid}", BenchAsync);
        sessions.MapGet("/{id:guid}/booths/{boothId:guid}/view", BoothAsync);
        sessions.MapPut("/{id:guid}/booths/{boothId:guid}/student", PlaceAsync);
        sessions.MapPut("/{id:guid}/places/as-last", AsLastAsync);
        sessions.MapGet("/{id:guid}/students", StudentsAsync);
        sessions.MapPut("/{id:guid}/attendance/{noteId:guid}", NoteAsync).Repeatable();
    }

    private static async Task<Results<Ok<RoomView>, NotFound>> RoomAsync(
        Guid id,
        int? after,
        SessionStore sessions,
        RoomStore rooms,
        CancellationToken cancel
    ) =>
        await sessions.FindAsync(id, cancel) is { } session
            ? TypedResults.Ok(await rooms.OfAsync(session, after ?? 0, cancel))
            : TypedResults.NotFound();

    private static async Task<Results<Ok<Bench>, NotFound>> BenchAsync(Guid id, Guid boothId, RoomStore rooms, CancellationToken cancel) =>
        await rooms.BenchAsync(id, boothId, cancel) is { } bench ? TypedResults.Ok(bench) : TypedResults.NotFound();

    private static async Task<Results<Ok<BoothView>, NotFound>> BoothAsync(
        Guid id,
        Guid boothId,
        SessionStore sessions,
        RoomStore rooms,
        CancellationToken cancel
    ) =>
        await sessions.FindAsync(id, cancel) is { } session && await rooms.BoothAsync(session, boothId, cancel) is { } booth
            ? TypedResults.Ok(booth)
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound, Wrong>> PlaceAsync(
        Guid id,
        Guid boothId,
        PlaceRequest request,
        SessionStore sessions,
        PlaceStore places,
        BoothStore booths,
        PeopleStore people,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is not { } session || await booths.FindAsync(boothId, cancel) is not { } booth)
            return TypedResults.NotFound();
        if (booth.RoomId != session.RoomId)
            return ElsewhereThan(session);
        if (request.StudentId is { } studentId && await people.FindAsync(studentId, cancel) is not { Role: Role.Student })
            return NoStudent();
        await places.SetAsync(id, boothId, request.StudentId, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> AsLastAsync(
        Guid id,
        SessionStore sessions,
        PlaceStore places,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        await places.AsLastAsync(id, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<IReadOnlyList<SessionStudent>>, NotFound>> StudentsAsync(
        Guid id,
        SessionStore sessions,
        AttendanceStore attendance,
        CancellationToken cancel
    ) => await sessions.FindAsync(id, cancel) is null ? TypedResults.NotFound() : TypedResults.Ok(await attendance.OfAsync(id, cancel));

    private static async Task<Results<NoContent, NotFound, Wrong>> NoteAsync(
        Guid id,
        Guid noteId,
        AttendanceNote request,
        ClaimsPrincipal user,
        SessionStore sessions,
        AttendanceStore attendance,
        PeopleStore people,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        if (await people.FindAsync(request.StudentId, cancel) is not { Role: Role.Student })
            return NoStudent();
        await attendance.NoteAsync(noteId, id, request.StudentId, request.Came, user.Id(), Sent.Of(request).Under(id), cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Says that a booth is not in the room of a session.</summary>
    internal static Wrong ElsewhereThan(Session session) =>
        Problems.Field("boothId", Say($"This booth is not in {session.RoomName.Name()}, where the session is held."));

    /// <summary>Says that somebody is no student.</summary>
    internal static Wrong NoStudent() => Problems.Field("studentId", Say($"There is no such student."));
}
