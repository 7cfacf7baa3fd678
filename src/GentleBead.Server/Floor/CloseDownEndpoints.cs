using System.Security.Claims;
using GentleBead.Core.Checks;
using GentleBead.Core.Floor;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Planning;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Floor;

/// <summary>A booth at the end of a session.</summary>
/// <param name="BoothId">Which booth.</param>
/// <param name="Number">Its number.</param>
/// <param name="Open">What of its close-down list nobody ticked yet.</param>
public sealed record BoothAtClose(Guid BoothId, int Number, IReadOnlyList<Said> Open);

/// <summary>Closing a session down.</summary>
/// <param name="Checks">What is seen to in the room.</param>
/// <param name="Booths">What is still open at the booths that have a machine, by number.</param>
/// <param name="Closed">How it was closed; null while it was not.</param>
public sealed record CloseDownView(IReadOnlyList<RoomCheck> Checks, IReadOnlyList<BoothAtClose> Booths, Closed? Closed);

/// <summary>Closing a session down: the room's checks, and what is open at its booths.</summary>
public static class CloseDownEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var close = app.MapGroup("/api/sessions/{id:guid}/close").WithTags("floor").RequireAuthorization(Access.Instructor);
        close.MapGet("", ViewAsync);
        close.MapPut("/{closeId:guid}", CloseAsync).Repeatable();
    }

    private static async Task<Results<Ok<CloseDownView>, NotFound>> ViewAsync(
        Guid id,
        SessionStore sessions,
        PlanFactStore machines,
        FloorStore floor,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is not { } session)
            return TypedResults.NotFound();
        var jobs = (await floor.SheetsAsync(id, cancel)).ToDictionary(sheet => (sheet.BoothId, sheet.MachineId), sheet => sheet.Job);
        var ticked = await floor.TicksAsync(id, cancel);
        var booths = (await machines.MachinesAsync(session.RoomId, cancel))
            .GroupBy(machine => (machine.BoothId, machine.Number))
            .Select(booth => new BoothAtClose(
                booth.Key.BoothId,
                booth.Key.Number,
                Open(booth, jobs, ticked[booth.Key.BoothId].ToHashSet())
            ));
        return TypedResults.Ok(new CloseDownView(CloseDown.Table, [.. booths], await floor.ClosedAsync(id, cancel)));
    }

    // Of a booth with several machines the one that was worked with, else the one that came first, as on its own list.
    private static IReadOnlyList<Said> Open(
        IEnumerable<MachineToPlan> machines,
        Dictionary<(Guid BoothId, Guid MachineId), Core.Rules.Job> jobs,
        HashSet<string> ticked
    )
    {
        var all = machines.ToArray();
        var used = all.FirstOrDefault(one => jobs.ContainsKey((one.BoothId, one.Id))) ?? all[0];
        var checks = jobs.TryGetValue((used.BoothId, used.Id), out var job)
            ? CheckList.For(job, used.Machine)
            : CheckList.Before(used.Machine);
        return [.. checks.Where(check => check.Time == CheckTime.CloseDown && !ticked.Contains(check.Key)).Select(check => check.Text)];
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> CloseAsync(
        Guid id,
        Guid closeId,
        Closing request,
        ClaimsPrincipal user,
        SessionStore sessions,
        FloorStore floor,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        if (await sessions.FindAsync(id, cancel) is not { } session)
            return TypedResults.NotFound();
        var closing = new Closing(request.Ticked ?? [], request.Note ?? "");
        if (CloseDown.Problems([.. closing.Ticked], closing.Note).ToArray() is { Length: > 0 } problems)
            return Problems.Of(problems);
        if (session.BeginsAt > clock.Now.AddHours(1))
            return Problems.Field("note", Say($"It has not begun yet. Cancel it, where it is not to be held."));
        await floor.CloseAsync(closeId, session, closing, user.Id(), Sent.Of(closing).Under(id), cancel);
        return TypedResults.NoContent();
    }
}
