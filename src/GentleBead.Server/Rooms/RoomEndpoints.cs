using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Rooms;

/// <summary>A room and its booths.</summary>
/// <param name="Room">Which room.</param>
/// <param name="Booths">Every booth in it, by number.</param>
public sealed record RoomWithBooths(SchoolRoom Room, IReadOnlyList<BoothWithMachines> Booths);

/// <summary>A room to add.</summary>
public sealed record NewRoom(string Name);

/// <summary>Another name for a room.</summary>
/// <param name="Name">What it is to be called.</param>
/// <param name="Version">The version it was changed from.</param>
public sealed record RoomChange(string Name, int Version);

/// <summary>A booth to add.</summary>
public sealed record NewBooth(Guid RoomId, int Number);

/// <summary>Another number for a booth.</summary>
/// <param name="Number">Its number.</param>
/// <param name="Version">The version it was changed from.</param>
public sealed record BoothChange(int Number, int Version);

/// <summary>The rooms of the school and the booths in them.</summary>
public static class RoomEndpoints
{
    private const int LongestName = 60;

    /// <summary>The highest number a booth can have.</summary>
    public const int HighestNumber = 999;

    private static readonly Said ChangedSince = Say($"Somebody has changed this since you opened it. Look at it again, then change it.");

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var rooms = app.MapGroup("/api/rooms").WithTags("rooms").RequireAuthorization(Access.Instructor);
        rooms.MapGet("/", (BoothStore booths, CancellationToken cancel) => booths.RoomsAsync(cancel));
        rooms.MapGet("/{id:guid}", OneAsync);
        rooms.MapPut("/{id:guid}", AddAsync).Repeatable();
        rooms.MapPut("/{id:guid}/name", RenameAsync).ProducesTold(StatusCodes.Status409Conflict);
        var booths = app.MapGroup("/api/booths").WithTags("rooms").RequireAuthorization(Access.Instructor);
        booths.MapPut("/{id:guid}", AddBoothAsync).Repeatable();
        booths.MapPut("/{id:guid}/number", RenumberAsync).ProducesTold(StatusCodes.Status409Conflict);
    }

    private static async Task<Results<Ok<RoomWithBooths>, NotFound>> OneAsync(Guid id, BoothStore booths, CancellationToken cancel) =>
        await booths.FindRoomAsync(id, cancel) is { } room
            ? TypedResults.Ok(new RoomWithBooths(room, await booths.OfRoomAsync(id, cancel)))
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, Wrong>> AddAsync(
        Guid id,
        NewRoom request,
        ClaimsPrincipal user,
        BoothStore booths,
        CancellationToken cancel
    )
    {
        if (NameOf(request.Name) is not { } name)
            return Unnamed();
        return await booths.AddRoomAsync(new SchoolRoom(id, name), user.Id(), Sent.Of(request), cancel)
            ? TypedResults.NoContent()
            : NameTaken(name);
    }

    private static async Task<Results<NoContent, Wrong, Told>> RenameAsync(
        Guid id,
        RoomChange request,
        ClaimsPrincipal user,
        BoothStore booths,
        CancellationToken cancel
    )
    {
        if (NameOf(request.Name) is not { } name)
            return Unnamed();
        return await booths.RenameAsync(new SchoolRoom(id, name, request.Version), user.Id(), cancel) switch
        {
            Change.Made => TypedResults.NoContent(),
            Change.Taken => NameTaken(name),
            _ => Problems.Told(StatusCodes.Status409Conflict, ChangedSince),
        };
    }

    private static async Task<Results<NoContent, Wrong>> AddBoothAsync(
        Guid id,
        NewBooth request,
        ClaimsPrincipal user,
        BoothStore booths,
        CancellationToken cancel
    )
    {
        if (request.Number is < 1 or > HighestNumber)
            return Unnumbered();
        if (await booths.FindRoomAsync(request.RoomId, cancel) is null)
            return Problems.Field("roomId", Say($"There is no such room."));
        return await booths.AddAsync(new Booth(id, request.Number, request.RoomId), user.Id(), Sent.Of(request), cancel)
            ? TypedResults.NoContent()
            : NumberTaken(request.Number);
    }

    private static async Task<Results<NoContent, Wrong, Told>> RenumberAsync(
        Guid id,
        BoothChange request,
        ClaimsPrincipal user,
        BoothStore booths,
        CancellationToken cancel
    )
    {
        if (request.Number is < 1 or > HighestNumber)
            return Unnumbered();
        return await booths.RenumberAsync(new Booth(id, request.Number, default, Version: request.Version), user.Id(), cancel) switch
        {
            Change.Made => TypedResults.NoContent(),
            Change.Taken => NumberTaken(request.Number),
            _ => Problems.Told(StatusCodes.Status409Conflict, ChangedSince),
        };
    }

    private static string? NameOf(string? name) => (name ?? "").Trim() is { Length: > 0 and <= LongestName } trimmed ? trimmed : null;

    private static Wrong Unnamed() => Problems.Field("name", Say($"Name the room, up to {LongestName} letters."));

    private static Wrong NameTaken(string name) => Problems.Field("name", Say($"There is a room called {name.Name()} already."));

    private static Wrong Unnumbered() => Problems.Field("number", Say($"A booth number from 1 to {HighestNumber}."));

    private static Wrong NumberTaken(int number) => Problems.Field("number", Say($"There is a booth {number} in this room already."));
}
