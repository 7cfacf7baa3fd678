using System.Security.Claims;
using GentleBead.Core.Floor;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Floor;

/// <summary>Why a hand goes up.</summary>
public sealed record Raising(HandReason Reason);

/// <summary>A reason for a hand, as it stands on a student's key.</summary>
/// <param name="Reason">Which reason.</param>
/// <param name="Name">What stands on the key.</param>
public sealed record HandKey(HandReason Reason, Said Name);

/// <summary>A student's own hand.</summary>
/// <param name="AtBooth">Whether they stand at a booth of a session that is on: only from there a hand is seen.</param>
/// <param name="Hand">The hand that is up; null where none is.</param>
/// <param name="Answer">Who has seen to the last one, a short while ago; null where nobody has.</param>
/// <param name="Keys">What it can go up for, the gravest first.</param>
public sealed record OwnHand(bool AtBooth, RaisedHand? Hand, HandAnswer? Answer, IReadOnlyList<HandKey> Keys);

/// <summary>Hands: put up by a student from where they stand, lowered by them or an instructor.</summary>
public static class HandEndpoints
{
    private static readonly IReadOnlyList<HandKey> Keys = [.. HandReasons.Table.Select(row => new HandKey(row.Reason, row.Key))];

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var hands = app.MapGroup("/api/hands").WithTags("floor").RequireAuthorization(Access.AtWork);
        hands.MapGet("/mine", MineAsync);
        hands.MapPut("/{id:guid}", RaiseAsync).Repeatable();
        hands.MapPut("/{id:guid}/lowered", LowerAsync);
    }

    private static async Task<OwnHand> MineAsync(ClaimsPrincipal user, HandStore hands, CancellationToken cancel)
    {
        if (await hands.PlaceAsync(user.Id(), cancel) is not { } place)
            return new(false, null, null, Keys);
        var hand = await hands.OfAsync(place.SessionId, user.Id(), cancel);
        return new(true, hand, hand is null ? await hands.AnswerAsync(place.SessionId, user.Id(), cancel) : null, Keys);
    }

    private static async Task<Results<NoContent, Wrong>> RaiseAsync(
        Guid id,
        Raising request,
        ClaimsPrincipal user,
        HandStore hands,
        CancellationToken cancel
    )
    {
        if (await hands.PlaceAsync(user.Id(), cancel) is not { } place)
            return Problems.Field("reason", Say($"You stand at no booth: nobody would see it. Call out, or go to your instructor."));
        await hands.RaiseAsync(id, place, user.Id(), request.Reason, Sent.Of(request).Under(user.Id()), null, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> LowerAsync(
        Guid id,
        ClaimsPrincipal user,
        HandStore hands,
        CancellationToken cancel
    )
    {
        Guid? of = user.IsInRole(nameof(Role.Instructor)) ? null : user.Id();
        return await hands.LowerAsync(id, of, user.Id(), cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
    }
}
