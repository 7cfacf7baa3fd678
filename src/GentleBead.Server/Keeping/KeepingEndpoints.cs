using System.Security.Claims;
using GentleBead.Core.Keeping;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Keeping;

/// <summary>Other terms.</summary>
/// <param name="Id">The id of what is added.</param>
/// <param name="Edition">The edition they were changed from; 0 for the first.</param>
/// <param name="Terms">How long what is kept is kept.</param>
public sealed record NewKeepingTerms(Guid Id, int Edition, KeepingTerms Terms);

/// <summary>What some terms come to.</summary>
/// <param name="Due">What is past its time by them.</param>
/// <param name="LongGone">Students past the time of their records, longest gone first; the first fifty.</param>
public sealed record KeepingCome(KeepingDue Due, IReadOnlyList<LongGone> LongGone);

/// <summary>How long a school keeps what it keeps.</summary>
public static class KeepingEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var keeping = app.MapGroup("/api/keeping").WithTags("keeping").RequireAuthorization(Access.Instructor);
        keeping.MapGet("", async (KeepingStore store, CancellationToken cancel) => await store.NowAsync(cancel));
        keeping.MapPut("", SetAsync).Repeatable();
        keeping.MapGet("/due", DueAsync);
    }

    private static async Task<Results<Ok<KeepingCome>, Wrong>> DueAsync(
        [AsParameters] KeepingTerms terms,
        KeepingStore store,
        CancellationToken cancel
    ) =>
        terms.Problems().ToArray() is { Length: > 0 } problems
            ? Problems.Of(problems)
            : TypedResults.Ok(new KeepingCome(await store.DueAsync(terms, cancel), await store.LongGoneAsync(terms, cancel)));

    private static async Task<Results<NoContent, Wrong, Told>> SetAsync(
        NewKeepingTerms request,
        ClaimsPrincipal user,
        KeepingStore store,
        CancellationToken cancel
    )
    {
        if (request.Terms is null)
            return Problems.Field("terms", Say($"How long what is kept is kept."));
        if (request.Terms.Problems().ToArray() is { Length: > 0 } problems)
            return Problems.Of([.. problems.Select(problem => problem.Under("terms"))]);
        return await store.SetAsync(request.Id, request.Terms, request.Edition, user.Id(), Sent.Of(request), cancel)
            ? TypedResults.NoContent()
            : Problems.Told(
                StatusCodes.Status409Conflict,
                Say($"Somebody has set other terms since you opened this. Look at them again, then change them.")
            );
    }
}
