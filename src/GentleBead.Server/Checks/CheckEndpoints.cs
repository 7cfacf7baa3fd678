using System.Security.Claims;
using GentleBead.Core.Checks;
using GentleBead.Server.Http;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Checks;

/// <summary>A check with its tick.</summary>
/// <param name="Check">What to look at or do.</param>
/// <param name="TickedBy">Who ticked it; null before.</param>
/// <param name="TickedAt">When; null before.</param>
public sealed record CheckState(Check Check, string? TickedBy, DateTimeOffset? TickedAt);

/// <summary>Whether a check is ticked.</summary>
public sealed record TickRequest(bool Ticked);

/// <summary>Pre-start and close-down lists of a booth. A student ticks at the booth they stand at.</summary>
public static class CheckEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var checks = app.MapGroup("/api/sessions/{id:guid}/booths/{boothId:guid}/checks")
            .WithTags("checks")
            .RequireAuthorization(Access.AtWork);
        checks.MapGet("/", ListAsync);
        checks.MapPut("/{key}", TickAsync);
    }

    private static async Task<Results<Ok<IReadOnlyList<CheckState>>, NotFound>> ListAsync(
        Guid id,
        Guid boothId,
        ClaimsPrincipal user,
        CheckStore store,
        RoomStore rooms,
        CancellationToken cancel
    )
    {
        if (await ChecksAsync(id, boothId, user, rooms, cancel) is not { } checks)
            return TypedResults.NotFound();
        var ticks = (await store.OfAsync(id, boothId, cancel)).ToDictionary(tick => tick.Key);
        return TypedResults.Ok<IReadOnlyList<CheckState>>([
            .. checks.Select(check =>
                ticks.TryGetValue(check.Key, out var tick) ? new CheckState(check, tick.By, tick.At) : new CheckState(check, null, null)
            ),
        ]);
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> TickAsync(
        Guid id,
        Guid boothId,
        string key,
        TickRequest request,
        ClaimsPrincipal user,
        CheckStore store,
        RoomStore rooms,
        CancellationToken cancel
    )
    {
        if (await ChecksAsync(id, boothId, user, rooms, cancel) is not { } checks)
            return TypedResults.NotFound();
        if (checks.All(check => check.Key != key))
            return Problems.Field("key", Say($"There is no such check at this booth."));
        await store.SetAsync(id, boothId, key, request.Ticked, user.Id(), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<IReadOnlyList<Check>?> ChecksAsync(
        Guid id,
        Guid boothId,
        ClaimsPrincipal user,
        RoomStore rooms,
        CancellationToken cancel
    )
    {
        if (await rooms.StationAsync(id, boothId, cancel) is not { } station)
            return null;
        // To a student, a booth where somebody else stands does not exist.
        if (!user.IsInRole(nameof(Role.Instructor)) && station.StudentId != user.Id())
            return null;
        if (station.Machine is not { } machine)
            return [];
        return station.Job is { } job ? CheckList.For(job, machine) : CheckList.Before(machine);
    }
}
