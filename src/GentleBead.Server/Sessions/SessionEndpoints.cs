using System.Security.Claims;
using GentleBead.Core.Sessions;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Sessions;

/// <summary>A session to add that is open to all.</summary>
/// <param name="Title">What the room calls it.</param>
/// <param name="HeldOn">The day, by the school's clock.</param>
/// <param name="Begins">When it begins; left out, now, for a session of today.</param>
/// <param name="Ends">When it ends; left out, three hours later, or where the next one in that room begins.</param>
/// <param name="RoomId">In which room; left out, the first.</param>
public sealed record NewSession(string Title, DateOnly HeldOn, TimeOnly? Begins = null, TimeOnly? Ends = null, Guid? RoomId = null);

/// <summary>Another name, other hours or another room for a session.</summary>
/// <param name="Title">What the room calls it.</param>
/// <param name="HeldOn">The day, by the school's clock.</param>
/// <param name="Begins">When it begins.</param>
/// <param name="Ends">When it ends.</param>
/// <param name="RoomId">In which room; left out, where it is.</param>
/// <param name="Version">The version it was changed from.</param>
public sealed record SessionChange(string Title, DateOnly HeldOn, TimeOnly Begins, TimeOnly Ends, int Version, Guid? RoomId = null);

/// <summary>That a session is not held.</summary>
/// <param name="Why">Why, up to 200 letters; may be empty.</param>
/// <param name="Version">The version it was seen in.</param>
public sealed record Cancelling(string Why, int Version);

/// <summary>That a cancelled session is held after all.</summary>
/// <param name="Version">The version it was seen in.</param>
public sealed record Holding(int Version);

/// <summary>Where a session is to be made two of.</summary>
/// <param name="NewId">The id of the second.</param>
/// <param name="At">When the first ends and the second begins.</param>
/// <param name="Version">The version the session was seen in.</param>
public sealed record Splitting(Guid NewId, TimeOnly At, int Version);

/// <summary>Sessions: added, changed, cancelled, split, and by the calendar.</summary>
public static class SessionEndpoints
{
    // A slip in the year is told; a term can be planned ahead and an old one entered.
    private const int MostYears = 1;
    private const int LongestTitle = 80;
    private const int LongestWhy = 200;
    private const int LongestCalendarDays = 200;
    private static readonly TimeSpan Usual = TimeSpan.FromHours(3);

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sessions = app.MapGroup("/api/sessions").WithTags("sessions").RequireAuthorization(Access.Instructor);
        sessions.MapGet("/", ListAsync);
        sessions.MapGet("/between", BetweenAsync);
        sessions.MapGet("/{id:guid}", OneAsync);
        sessions.MapPut("/{id:guid}", AddAsync).Repeatable();
        sessions.MapPut("/{id:guid}/details", ChangeAsync).ProducesTold(StatusCodes.Status409Conflict);
        sessions.MapPut("/{id:guid}/cancelled", CancelAsync).ProducesTold(StatusCodes.Status409Conflict);
        sessions.MapPut("/{id:guid}/held", HoldAsync).ProducesTold(StatusCodes.Status409Conflict);
        sessions.MapPut("/{id:guid}/split", SplitAsync).ProducesTold(StatusCodes.Status409Conflict);
    }

    private static async Task<Page<Session>> ListAsync(Guid? after, SessionStore sessions, CancellationToken cancel)
    {
        var page = await sessions.ListAsync(after, cancel);
        return new(page, page.Count == SessionStore.Page ? page[^1].Id.ToString() : null);
    }

    private static async Task<Results<Ok<IReadOnlyList<Session>>, Wrong>> BetweenAsync(
        DateOnly first,
        DateOnly last,
        SessionStore sessions,
        CancellationToken cancel
    ) =>
        last.DayNumber - first.DayNumber is < 0 or > LongestCalendarDays
            ? Problems.Field("last", Say($"From the first day on, at most {LongestCalendarDays} days."))
            : TypedResults.Ok(await sessions.BetweenAsync(first, last, cancel));

    private static async Task<Results<Ok<Session>, NotFound>> OneAsync(Guid id, SessionStore sessions, CancellationToken cancel) =>
        await sessions.FindAsync(id, cancel) is { } session ? TypedResults.Ok(session) : TypedResults.NotFound();

    private static async Task<Results<Ok<Session>, Wrong, Told>> AddAsync(
        Guid id,
        NewSession request,
        ClaimsPrincipal user,
        SessionStore sessions,
        BoothStore booths,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        // Begun once, it has its hours: a second try takes them over and not the hours of now.
        var before = await sessions.FindAsync(id, cancel);
        var zone = await clock.ZoneAsync(cancel);
        var problems = Check(request.Title, request.HeldOn, zone.DayOf(clock.Now));
        var room = await booths.RoomOrFirstAsync(request.RoomId, cancel);
        if (room is null)
            problems.Add(new("roomId", Say($"There is no such room.")));
        if (problems.Count > 0)
            return Problems.Of(problems);
        var begins =
            request.Begins ?? before?.Begins ?? (request.HeldOn == zone.DayOf(clock.Now) ? FullMinutes(zone.TimeOf(clock.Now)) : null);
        if (begins is not { } from)
            return Problems.Field("begins", Say($"When does it begin?"));
        var stretch = new Stretch(request.HeldOn, from, request.Ends ?? before?.Ends ?? from.Add(Usual));
        if (request.Ends is null && before is null && await FirstInTheWayAsync(sessions, room!.Id, stretch, zone, cancel) is { } next)
            stretch = stretch with { Ends = next };
        if (stretch.Problem is { } problem)
            return Problems.Of([problem]);
        var planned = new PlannedSession(id, request.Title.Trim(), stretch, room!.Id);
        return Answer(await sessions.AddAsync([planned], user.Id(), Sent.Of(request), cancel));
    }

    // A session begun now gives way to the next one in that room.
    private static async Task<TimeOnly?> FirstInTheWayAsync(
        SessionStore sessions,
        Guid roomId,
        Stretch stretch,
        TimeZoneInfo zone,
        CancellationToken cancel
    ) =>
        await sessions.InTheWayAsync(roomId, [stretch], zone, cancel) is [var next, ..]
        && next.BeginsAt - stretch.In(zone).Begins >= Stretch.Shortest
            ? zone.TimeOf(next.BeginsAt)
            : null;

    private static TimeOnly? FullMinutes(TimeOnly now) => new TimeOnly(now.Hour, now.Minute / 5 * 5);

    private static async Task<Results<Ok<Session>, NotFound, Wrong, Told>> ChangeAsync(
        Guid id,
        SessionChange request,
        ClaimsPrincipal user,
        SessionStore sessions,
        BoothStore booths,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        var stretch = new Stretch(request.HeldOn, request.Begins, request.Ends);
        var problems = Check(request.Title, request.HeldOn, await clock.TodayAsync(cancel));
        if (stretch.Problem is { } problem)
            problems.Add(problem);
        if (request.RoomId is { } roomId && await booths.FindRoomAsync(roomId, cancel) is null)
            problems.Add(new("roomId", Say($"There is no such room.")));
        if (problems.Count > 0)
            return Problems.Of(problems);
        if (await sessions.FindAsync(id, cancel) is not { } session)
            return TypedResults.NotFound();
        if (request.RoomId is { } other && other != session.RoomId && await sessions.HasSheetsAsync(id, cancel))
            return Problems.Field(
                "roomId",
                Say($"Sheets were given out in it here. Cancel what is left of it, and add one in the other room.")
            );
        var changed = new PlannedSession(id, request.Title.Trim(), stretch, request.RoomId ?? session.RoomId, session.CourseId);
        return Changed(await sessions.ChangeAsync(changed, request.Version, user.Id(), cancel));
    }

    private static async Task<Results<Ok<Session>, NotFound, Wrong, Told>> CancelAsync(
        Guid id,
        Cancelling request,
        ClaimsPrincipal user,
        SessionStore sessions,
        CancellationToken cancel
    )
    {
        var why = (request.Why ?? "").Trim();
        if (why.Length > LongestWhy)
            return Problems.Field("why", Say($"Up to {LongestWhy} letters."));
        return await sessions.FindAsync(id, cancel) is { } session
            ? Changed(await sessions.CancelAsync(session, why, request.Version, user.Id(), cancel))
            : TypedResults.NotFound();
    }

    private static async Task<Results<Ok<Session>, NotFound, Wrong, Told>> HoldAsync(
        Guid id,
        Holding request,
        ClaimsPrincipal user,
        SessionStore sessions,
        CancellationToken cancel
    ) =>
        await sessions.FindAsync(id, cancel) is { } session
            ? Changed(await sessions.CancelAsync(session, null, request.Version, user.Id(), cancel))
            : TypedResults.NotFound();

    private static async Task<Results<Ok<Session>, NotFound, Wrong, Told>> SplitAsync(
        Guid id,
        Splitting request,
        ClaimsPrincipal user,
        SessionStore sessions,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is not { } session)
            return TypedResults.NotFound();
        if (session.Cancelled is not null)
            return Problems.Field("at", Say($"It is cancelled. Hold it after all first."));
        var whole = Stretch.Of(await clock.ZoneAsync(cancel), session.BeginsAt, session.EndsAt);
        // A second try finds it split already.
        if (session.Version == request.Version && whole.SplitAt(request.At) is null)
        {
            return Problems.Field(
                "at",
                Say($"Between {whole.Begins} and {whole.Ends}, with {(int)Stretch.Shortest.TotalMinutes} min on either side.")
            );
        }
        var first = new PlannedSession(id, session.Title, whole with { Ends = request.At }, session.RoomId, session.CourseId);
        var second = new PlannedSession(
            request.NewId,
            session.Title,
            whole.SplitAt(request.At)?.After ?? whole,
            session.RoomId,
            session.CourseId
        );
        return Changed(await sessions.SplitAsync(first, second, request.Version, user.Id(), Sent.Of(request).Under(id), cancel));
    }

    /// <summary>Says which session has the room, at the field of a form that names the hours.</summary>
    internal static Problem Taken(Session clash) =>
        clash is { Begins: { } begins, Ends: { } ends }
            ? new("begins", Say($"{clash.RoomName.Name()} is taken on {clash.HeldOn} from {begins} to {ends}: {clash.Title.Name()}."))
            : new(
                "begins",
                Say($"{clash.RoomName.Name()} is taken on {clash.HeldOn}: {clash.Title.Name()}. Give that one its hours first.")
            );

    private static Results<Ok<Session>, Wrong, Told> Answer(SessionOutcome outcome) =>
        outcome is { Session: { } session } ? TypedResults.Ok(session) : Problems.Of([Taken(outcome.Clash!)]);

    private static Results<Ok<Session>, NotFound, Wrong, Told> Changed(SessionOutcome outcome) =>
        outcome switch
        {
            { Session: { } session } => TypedResults.Ok(session),
            { Clash: { } clash } => Problems.Of([Taken(clash)]),
            _ => Problems.Told(
                StatusCodes.Status409Conflict,
                Say($"Somebody has changed this session since you opened it. Look at it again, then change it.")
            ),
        };

    /// <summary>What is wrong with a session's name and day.</summary>
    internal static List<Problem> Check(string? title, DateOnly heldOn, DateOnly today)
    {
        var problems = new List<Problem>();
        if ((title ?? "").Trim().Length is 0 or > LongestTitle)
            problems.Add(new("title", Say($"Name the session, up to {LongestTitle} letters.")));
        if (heldOn < today.AddYears(-MostYears) || heldOn > today.AddYears(MostYears))
            problems.Add(
                new("heldOn", Say($"A day between {today.AddYears(-MostYears)} and {today.AddYears(MostYears)}. Is the year right?"))
            );
        return problems;
    }
}
