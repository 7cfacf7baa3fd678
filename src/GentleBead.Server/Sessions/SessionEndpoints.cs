using System.Globalization;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sessions;

/// <summary>A session to start, or what one is to be called and dated.</summary>
/// <param name="Title">What the room calls it.</param>
/// <param name="HeldOn">The day.</param>
/// <param name="RoomId">In which room; left out, the first.</param>
public sealed record NewSession(string Title, DateOnly HeldOn, Guid? RoomId = null);

/// <summary>Another name or day for a session.</summary>
/// <param name="Title">What the room calls it.</param>
/// <param name="HeldOn">The day.</param>
/// <param name="Version">The version it was changed from.</param>
public sealed record SessionChange(string Title, DateOnly HeldOn, int Version);

/// <summary>Who is to stand at a booth; null empties it.</summary>
public sealed record PlaceRequest(Guid? StudentId);

/// <summary>Sessions and who stands where in them.</summary>
public static class SessionEndpoints
{
    // A slip in the year is told; a term can be planned ahead and an old one entered.
    private const int MostYears = 1;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sessions = app.MapGroup("/api/sessions").WithTags("sessions").RequireAuthorization(Access.Instructor);
        sessions.MapGet("/", ListAsync);
        sessions.MapGet(
            "/tonight",
            async (int? after, SessionStore sessions, RoomStore rooms, TimeProvider clock, CancellationToken cancel) =>
                await rooms.OfAsync(await sessions.TonightAsync(clock.Today(), cancel), after ?? 0, cancel)
        );
        sessions.MapGet(
            "/now",
            async (SessionStore sessions, RoomStore rooms, TimeProvider clock, CancellationToken cancel) =>
                await rooms.NowAsync(await sessions.TonightAsync(clock.Today(), cancel), cancel)
        );
        sessions.MapGet("/{id:guid}/room", RoomAsync);
        sessions.MapPut("/{id:guid}", StartAsync).Repeatable();
        sessions.MapPut("/{id:guid}/details", ChangeAsync).ProducesTold(StatusCodes.Status409Conflict);
        sessions.MapGet("/{id:guid}/booths/{boothId:guid}", BenchAsync);
        sessions.MapGet("/{id:guid}/booths/{boothId:guid}/view", BoothAsync);
        sessions.MapPut("/{id:guid}/booths/{boothId:guid}/student", PlaceAsync);
    }

    private static async Task<Page<Session>> ListAsync(Guid? after, SessionStore sessions, CancellationToken cancel)
    {
        var page = await sessions.ListAsync(after, cancel);
        return new(page, page.Count == SessionStore.Page ? page[^1].Id.ToString() : null);
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

    private static async Task<Results<Ok<Session>, Wrong>> StartAsync(
        Guid id,
        NewSession request,
        SessionStore sessions,
        BoothStore booths,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var problems = Check(request.Title, request.HeldOn, clock.Today());
        var room = await booths.RoomOrFirstAsync(request.RoomId, cancel);
        if (room is null)
            problems.Add(new("roomId", Say($"There is no such room.")));
        return problems.Count > 0
            ? Problems.Of(problems)
            : TypedResults.Ok(
                await sessions.AddAsync(new Session(id, request.Title.Trim(), request.HeldOn, room!.Id), Sent.Of(request), cancel)
            );
    }

    private static async Task<Results<Ok<Session>, NotFound, Wrong, Told>> ChangeAsync(
        Guid id,
        SessionChange request,
        SessionStore sessions,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var problems = Check(request.Title, request.HeldOn, clock.Today());
        if (problems.Count > 0)
            return Problems.Of(problems);
        if (await sessions.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        return
            await sessions.ChangeAsync(new Session(id, request.Title.Trim(), request.HeldOn, default, request.Version), cancel)
                is { } changed
            ? TypedResults.Ok(changed)
            : Problems.Told(
                StatusCodes.Status409Conflict,
                Say($"Somebody has changed this session since you opened it. Look at it again, then change it.")
            );
    }

    private static List<Problem> Check(string? title, DateOnly heldOn, DateOnly today)
    {
        var problems = new List<Problem>();
        if ((title ?? "").Trim().Length is 0 or > 80)
            problems.Add(new("title", Say($"Name the session, up to 80 letters.")));
        if (heldOn < today.AddYears(-MostYears) || heldOn > today.AddYears(MostYears))
        {
            problems.Add(
                new(
                    "heldOn",
                    Say($"A day between {Day(today.AddYears(-MostYears))} and {Day(today.AddYears(MostYears))}. Is the year right?")
                )
            );
        }
        return problems;

        static SaidName Day(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture).Name();
    }

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
        BoothStore booths,
        PeopleStore people,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is null || await booths.FindAsync(boothId, cancel) is null)
            return TypedResults.NotFound();
        if (request.StudentId is { } studentId && await people.FindAsync(studentId, cancel) is not { Role: Role.Student })
        {
            return Problems.Field("studentId", Say($"There is no such student."));
        }
        await sessions.SetPlaceAsync(id, boothId, request.StudentId, cancel);
        return TypedResults.NoContent();
    }
}
