using System.Security.Claims;
using GentleBead.Core.Planning;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Planning;

/// <summary>What there is to weld with, as somebody counted it.</summary>
/// <param name="Id">The id of what is added.</param>
/// <param name="Edition">The edition it was changed from; 0 for the first.</param>
/// <param name="AtHand">What there is.</param>
public sealed record NewStock(Guid Id, int Edition, AtHand AtHand);

/// <summary>What a school has to weld with: bars, plates and offcuts, spools and bottles.</summary>
public static class StockEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var stock = app.MapGroup("/api/stock").WithTags("plans").RequireAuthorization(Access.Instructor);
        stock.MapGet("", async (StockStore store, CancellationToken cancel) => await store.NowAsync(cancel));
        stock.MapPut("", NoteAsync).Repeatable();
    }

    private static async Task<Results<NoContent, Wrong, Told>> NoteAsync(
        NewStock request,
        ClaimsPrincipal user,
        StockStore stock,
        CancellationToken cancel
    )
    {
        if (request.AtHand is null)
            return Problems.Field("atHand", Say($"What there is."));
        if (request.AtHand.Problems().ToArray() is { Length: > 0 } problems)
            return Problems.Of([.. problems.Select(problem => problem.Under("atHand"))]);
        return await stock.AddAsync(request.Id, request.AtHand, request.Edition, user.Id(), Sent.Of(request), cancel)
            ? TypedResults.NoContent()
            : Problems.Told(
                StatusCodes.Status409Conflict,
                Say($"Somebody has counted the store since you opened this. Look at it again, then change it.")
            );
    }
}
