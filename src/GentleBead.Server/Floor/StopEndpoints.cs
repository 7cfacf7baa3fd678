using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Floor;

/// <summary>From which room everything is stopped.</summary>
public sealed record Stopping(Guid RoomId);

/// <summary>Whether everything is stopped.</summary>
/// <param name="Stop">The stop that stands; null where none does.</param>
public sealed record StopNow(StandingStop? Stop);

/// <summary>Stopping everything: a word to every screen. It cuts no power; the switch on the wall does.</summary>
public static class StopEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var stops = app.MapGroup("/api/stop").WithTags("floor");
        stops
            .MapGet("", async (StopStore stops, CancellationToken cancel) => new StopNow(await stops.NowAsync(cancel)))
            .RequireAuthorization(Access.AnyScreen);
        stops.MapPut("/{id:guid}", StopAsync).RequireAuthorization(Access.Instructor).Repeatable();
        stops.MapPut("/{id:guid}/ended", EndAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<NoContent, Wrong>> StopAsync(
        Guid id,
        Stopping request,
        ClaimsPrincipal user,
        StopStore stops,
        BoothStore rooms,
        CancellationToken cancel
    )
    {
        if (await rooms.FindRoomAsync(request.RoomId, cancel) is not { } room)
            return Problems.Field("roomId", Say($"There is no such room."));
        await stops.StopAsync(id, room.Id, room.Name, user.Id(), Sent.Of(request), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> EndAsync(
        Guid id,
        ClaimsPrincipal user,
        StopStore stops,
        CancellationToken cancel
    ) => await stops.EndAsync(id, user.Id(), cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
