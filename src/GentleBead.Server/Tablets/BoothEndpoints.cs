using System.Security.Claims;
using GentleBead.Core.Floor;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Planning;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Tablets;

/// <summary>What a booth's tablet shows before anything else.</summary>
/// <param name="Name">What the tablet is called.</param>
/// <param name="BoothId">Its booth.</param>
/// <param name="Booth">The booth's number.</param>
/// <param name="Room">Its room.</param>
/// <param name="Session">The session that is on; null where none is.</param>
/// <param name="Student">Who stands there, as they said; null for nobody.</param>
/// <param name="StandingId">The sign-in they said so by; null for nobody.</param>
/// <param name="GoodUntil">Until when at the longest; null for nobody.</param>
/// <param name="PlacedId">Whom the instructor has there; null for nobody.</param>
/// <param name="Names">Who may say that they stand there, whom the instructor has there first.</param>
public sealed record BoothNow(
    string Name,
    Guid BoothId,
    int Booth,
    string Room,
    Session? Session,
    PersonName? Student,
    Guid? StandingId,
    DateTimeOffset? GoodUntil,
    Guid? PlacedId,
    IReadOnlyList<PersonName> Names
);

/// <summary>Who says that they stand at a booth.</summary>
/// <param name="StudentId">Who.</param>
/// <param name="Pin">Their PIN.</param>
public sealed record SayingSo(Guid StudentId, string Pin);

/// <summary>A booth's tablet itself: where it is, and who stands at it.</summary>
public static class BoothEndpoints
{
    // After the session's end there is still a bead to note.
    private static readonly TimeSpan Longer = TimeSpan.FromHours(1);

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var booth = app.MapGroup("/api/booth").WithTags("tablets");
        // A first page asks this of everything that opens it.
        booth.MapGet("", NowAsync).AllowAnonymous();
        booth
            .MapPut("/standing/{id:guid}", StandAsync)
            .RequireAuthorization(Access.Tablet)
            .ProducesTold(StatusCodes.Status409Conflict)
            .ProducesTold(StatusCodes.Status429TooManyRequests);
        booth.MapPost("/leave", LeaveAsync).RequireAuthorization(Access.Tablet);
        // Whoever writes has touched it; this is for whoever only looks.
        booth.MapPost("/touched", () => TypedResults.NoContent()).RequireAuthorization(Access.Tablet);
    }

    private static async Task<Results<Ok<BoothNow>, NoContent>> NowAsync(
        ClaimsPrincipal user,
        StandingStore standings,
        TabletStore tablets,
        SessionStore sessions,
        CancellationToken cancel
    )
    {
        if (!user.IsInRole(Access.Booth))
            return TypedResults.NoContent();
        var at = await standings.BoothAsync(user.SignInId(), cancel);
        var session = at.SessionId is { } id ? await sessions.FindAsync(id, cancel) : null;
        var names = session is null ? [] : await standings.NamesAsync(session.Id, user.BoothId(), cancel);
        var standing = await tablets.StandingAsync(user.SignInId(), cancel);
        return TypedResults.Ok(
            new BoothNow(
                at.Name,
                user.BoothId(),
                at.Booth,
                at.Room,
                session,
                standing is null ? null : names.FirstOrDefault(name => name.Id == standing.StudentId),
                standing?.Id,
                standing?.GoodUntil,
                at.PlacedId,
                names
            )
        );
    }

    private static async Task<Results<NoContent, Wrong, Told>> StandAsync(
        Guid id,
        SayingSo request,
        ClaimsPrincipal user,
        StandingStore standings,
        SessionStore sessions,
        PlanStore plans,
        PlanFactStore facts,
        PlaceStore places,
        PinStore pins,
        SignInStore tries,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var (tablet, booth) = (user.SignInId(), user.BoothId());
        var at = await standings.BoothAsync(tablet, cancel);
        if (at.SessionId is not { } sessionId || await sessions.FindAsync(sessionId, cancel) is not { } session)
            return Problems.Field("studentId", Say($"No session is on in this room."));
        if ((await standings.NamesAsync(sessionId, booth, cancel)).All(name => name.Id != request.StudentId))
            return Problems.Field("studentId", Say($"You are not on this evening's list. Ask your instructor."));
        if (at.PlacedId is { } placed && placed != request.StudentId)
            return Problems.Told(StatusCodes.Status409Conflict, Say($"The instructor has somebody else at this booth. Ask them first."));
        // Guessed at by the student's name or by the tablet: both wait.
        string[] counted = [$"pin {request.StudentId}", $"tab {tablet}"];
        foreach (var one in counted)
        {
            if (await tries.WaitAsync(one, cancel) is { Ticks: > 0 } wait)
                return PeopleEndpoints.TooMany(wait);
        }
        if (!await pins.IsOfAsync(request.StudentId, request.Pin ?? "", cancel))
        {
            foreach (var one in counted)
                await tries.FailedAsync(one, cancel);
            return Problems.Field("pin", Say($"Name and PIN do not fit together. Your instructor can give you another PIN."));
        }
        foreach (var one in counted)
            await tries.ForgetAsync(one, cancel);
        if (at.PlacedId is null)
            await places.SetAsync(sessionId, booth, request.StudentId, cancel);
        await standings.BeginAsync(id, tablet, sessionId, request.StudentId, await UntilAsync(), cancel);
        return TypedResults.NoContent();

        // To the end of the slot by the clock; where slots are begun by hand, the next one's beginning ends it.
        async Task<DateTimeOffset> UntilAsync()
        {
            var plan = (await plans.OfAsync(sessionId, cancel)).Plan;
            if (plan.Stands.Count == 0 || await facts.BegunSlotAsync(sessionId, cancel) is not null)
                return session.EndsAt + Longer;
            var slots = PlanReader.SlotsOf(plan.Settings, session.Begins, session.EndsAt - session.BeginsAt).Count;
            var now = clock.GetUtcNow();
            var phases = Phases.Of(plan.Settings, slots, session.BeginsAt, session.EndsAt);
            return phases.FirstOrDefault(phase => phase.Slot is not null && phase.To > now)?.To ?? session.EndsAt + Longer;
        }
    }

    private static async Task<NoContent> LeaveAsync(ClaimsPrincipal user, StandingStore standings, CancellationToken cancel)
    {
        await standings.EndAsync(user.SignInId(), cancel);
        return TypedResults.NoContent();
    }
}
