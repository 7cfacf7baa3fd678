using System.Security.Claims;
using GentleBead.Core.Floor;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Planning;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Floor;

/// <summary>The clock of a session.</summary>
/// <param name="Phases">Its stretches, one after the other.</param>
/// <param name="Planned">Slots of its plan in which somebody stands.</param>
/// <param name="Begun">The slot that was begun last; null before the first.</param>
/// <param name="Closed">How it was closed down; null while it was not.</param>
public sealed record FloorNow(IReadOnlyList<Phase> Phases, IReadOnlyList<int> Planned, BegunSlot? Begun, Closed? Closed);

/// <summary>A visit to a booth.</summary>
/// <param name="StudentId">Who stands there.</param>
/// <param name="Note">What is to be noted of them; empty for nothing.</param>
public sealed record Visiting(Guid StudentId, string Note = "");

/// <summary>How a session is closed down.</summary>
/// <param name="Ticked">What was seen to, by key.</param>
/// <param name="Note">What else there is to say; where something that can hurt was passed over, why.</param>
public sealed record Closing(IReadOnlyList<string> Ticked, string Note = "");

/// <summary>The floor of a session: its clock, the instructor's round, notes, closing down.</summary>
public static class FloorEndpoints
{
    private const int LongestNote = 600;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var floor = app.MapGroup("/api/sessions/{id:guid}").WithTags("floor").RequireAuthorization(Access.Instructor);
        floor.MapGet("/floor", NowAsync);
        floor.MapPut("/booths/{boothId:guid}/visits/{visitId:guid}", VisitAsync).Repeatable();
        floor.MapGet("/notes", NotesAsync);
        app.MapGet("/api/students/{id:guid}/notes", OfStudentAsync).WithTags("floor").RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<FloorNow>, NotFound>> NowAsync(
        Guid id,
        SessionStore sessions,
        PlanStore plans,
        FloorStore floor,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is not { } session)
            return TypedResults.NotFound();
        var plan = (await plans.OfAsync(id, cancel)).Plan;
        var slots = plan.Stands.Count == 0 ? 0 : PlanReader.SlotsOf(plan.Settings, session.Begins, session.EndsAt - session.BeginsAt).Count;
        return TypedResults.Ok(
            new FloorNow(
                Phases.Of(plan.Settings, slots, session.BeginsAt, session.EndsAt),
                [.. plan.Stands.Select(stand => stand.Slot).Where(slot => slot < slots).Distinct().Order()],
                await floor.BegunAsync(id, cancel),
                await floor.ClosedAsync(id, cancel)
            )
        );
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> VisitAsync(
        Guid id,
        Guid boothId,
        Guid visitId,
        Visiting request,
        ClaimsPrincipal user,
        SessionStore sessions,
        BoothStore booths,
        PeopleStore people,
        FloorStore floor,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is not { } session || await booths.FindAsync(boothId, cancel) is not { } booth)
            return TypedResults.NotFound();
        if (booth.RoomId != session.RoomId)
            return PlaceEndpoints.ElsewhereThan(session);
        if (await people.FindAsync(request.StudentId, cancel) is not { Role: Role.Student })
            return PlaceEndpoints.NoStudent();
        var visit = request with { Note = request.Note ?? "" };
        if (visit.Note.Trim().Length > LongestNote)
            return Problems.Field("note", Say($"Up to {LongestNote} letters."));
        await floor.VisitAsync(visitId, id, boothId, visit, user.Id(), Sent.Of(visit).Under(id).Under(boothId), null, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<IReadOnlyList<Visit>>, NotFound>> NotesAsync(
        Guid id,
        SessionStore sessions,
        FloorStore floor,
        CancellationToken cancel
    ) => await sessions.FindAsync(id, cancel) is null ? TypedResults.NotFound() : TypedResults.Ok(await floor.NotesAsync(id, null, cancel));

    private static async Task<Results<Ok<IReadOnlyList<Visit>>, NotFound>> OfStudentAsync(
        Guid id,
        PeopleStore people,
        FloorStore floor,
        CancellationToken cancel
    ) =>
        await people.FindAsync(id, cancel) is not { Role: Role.Student }
            ? TypedResults.NotFound()
            : TypedResults.Ok(await floor.NotesAsync(null, id, cancel));
}
