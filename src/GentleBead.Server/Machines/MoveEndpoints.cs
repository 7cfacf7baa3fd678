using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Machines;

/// <summary>Where a machine is put.</summary>
/// <param name="BoothId">Into which booth; null for none: on the shelf, lent, at the repairer's.</param>
/// <param name="Note">Why, or where it went; up to 200 letters.</param>
public sealed record NewMove(Guid? BoothId, string? Note);

/// <summary>Machines that move. What was measured and learned of a machine is its own and goes with it.</summary>
public static class MoveEndpoints
{
    private const int LongestNote = 200;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var moves = app.MapGroup("/api/machines/{id:guid}/moves").WithTags("machines").RequireAuthorization(Access.Instructor);
        moves.MapGet("/", (Guid id, MoveStore moves, CancellationToken cancel) => moves.OfMachineAsync(id, cancel));
        moves.MapPut("/{moveId:guid}", MoveAsync).Repeatable();
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> MoveAsync(
        Guid id,
        Guid moveId,
        NewMove request,
        ClaimsPrincipal user,
        MachineStore machines,
        BoothStore booths,
        MoveStore moves,
        CancellationToken cancel
    )
    {
        if (await machines.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        var note = (request.Note ?? "").Trim();
        if (note.Length > LongestNote)
            return Problems.Field("note", Say($"A note of up to {LongestNote} letters."));
        if (request.BoothId is { } boothId && await booths.FindAsync(boothId, cancel) is null)
            return Problems.Field("boothId", Say($"There is no such booth."));
        await moves.MoveAsync(moveId, id, request.BoothId, note, user.Id(), Sent.Of(request).Under(id), cancel);
        return TypedResults.NoContent();
    }
}
