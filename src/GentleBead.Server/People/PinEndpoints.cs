using System.Security.Claims;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.People;

/// <summary>A PIN for oneself.</summary>
/// <param name="Pin">4 to 6 figures.</param>
public sealed record OwnPin(string Pin);

/// <summary>A PIN an instructor made for a student. It is shown this once and kept nowhere.</summary>
/// <param name="Pin">Four figures.</param>
public sealed record NewPin(string Pin);

/// <summary>Whether somebody has a PIN for the booths' tablets.</summary>
public sealed record PinNow(bool IsSet);

/// <summary>PINs for the booths' tablets: a student's own, or made by an instructor.</summary>
public static class PinEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var people = app.MapGroup("/api/people").WithTags("people");
        people
            .MapGet(
                "/me/pin",
                async (ClaimsPrincipal user, PinStore pins, CancellationToken cancel) => new PinNow(await pins.HasAsync(user.Id(), cancel))
            )
            .RequireAuthorization(Access.SignedIn);
        people.MapPut("/me/pin", SetOwnAsync).RequireAuthorization(Access.SignedIn);
        people.MapPost("/{id:guid}/pin", MakeAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<NoContent, Wrong>> SetOwnAsync(
        OwnPin request,
        ClaimsPrincipal user,
        PinStore pins,
        CancellationToken cancel
    )
    {
        if (Pins.Problem(request.Pin) is { } problem)
            return Problems.Of([problem]);
        await pins.SetAsync(user.Id(), request.Pin, user.Id(), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<NewPin>, NotFound>> MakeAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        PinStore pins,
        CancellationToken cancel
    )
    {
        if (await people.FindAsync(id, cancel) is not { Role: Role.Student })
            return TypedResults.NotFound();
        var pin = Pins.New();
        await pins.SetAsync(id, pin, user.Id(), cancel);
        return TypedResults.Ok(new NewPin(pin));
    }
}
