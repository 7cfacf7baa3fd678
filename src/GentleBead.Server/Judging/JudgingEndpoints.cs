using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Stock;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Judging;

/// <summary>A criteria set as the lists show it.</summary>
public sealed record CriteriaName(CriteriaSet Set, Said Name);

/// <summary>A cause as the lists show it.</summary>
public sealed record CauseName(Cause Cause, Said Words);

/// <summary>Whether beads are judged with what this room has taught.</summary>
public sealed record LearningRequest(bool On);

/// <summary>Criteria, the room's tolerances, agreement, and how to look inside a bead.</summary>
public static class JudgingEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var judging = app.MapGroup("/api/judging").WithTags("judging");
        judging
            .MapGet("/criteria", () => Enum.GetValues<CriteriaSet>().Select(set => new CriteriaName(set, Criteria.Name(set))))
            .RequireAuthorization(Access.SignedIn);
        judging.MapGet("/own-keys/{process}", OwnKeys).RequireAuthorization(Access.AtWork);
        judging.MapGet("/section/{metal}", Section).RequireAuthorization(Access.SignedIn);
        judging
            .MapGet("/tolerances", (ToleranceStore store, CancellationToken cancel) => store.NewestAsync(cancel))
            .RequireAuthorization(Access.Instructor);
        judging.MapPut("/tolerances/{id:guid}", SetAsync).RequireAuthorization(Access.Instructor).Repeatable();
        judging.MapGet("/causes/{process}", CausesOf).RequireAuthorization(Access.Instructor);
        judging.MapGet("/learned", LearnedAsync).RequireAuthorization(Access.Instructor);
        judging.MapPut("/learned/{id:guid}", SwitchAsync).RequireAuthorization(Access.Instructor).Repeatable();
        judging
            .MapGet("/agreement", async (RulingStore rulings, CancellationToken cancel) => Agreement.Of(await rulings.NewestAsync(cancel)))
            .RequireAuthorization(Access.Instructor);
    }

    private static Results<Ok<IReadOnlyList<SectionStep>>, NotFound> Section(string metal, bool? thin) =>
        Enum.TryParse<Metal>(metal, ignoreCase: true, out var known) && Enum.IsDefined(known)
            ? TypedResults.Ok(SectionGuide.For(known, thin ?? false))
            : TypedResults.NotFound();

    private static Results<Ok<IReadOnlyList<ChangeKey>>, NotFound> OwnKeys(string process) =>
        Enum.TryParse<Process>(process, ignoreCase: true, out var known) && Enum.IsDefined(known)
            ? TypedResults.Ok(OwnWords.Keys(known))
            : TypedResults.NotFound();

    private static Results<Ok<IEnumerable<CauseName>>, NotFound> CausesOf(string process) =>
        Enum.TryParse<Process>(process, ignoreCase: true, out var known) && Enum.IsDefined(known)
            ? TypedResults.Ok(Causes.Of(known).Select(row => new CauseName(row.Cause, row.Words)))
            : TypedResults.NotFound();

    private static async Task<Ok<LearnedState>> SwitchAsync(
        Guid id,
        LearningRequest request,
        ClaimsPrincipal user,
        CauseRulingStore causes,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        await causes.SwitchAsync(id, request.On, user.Id(), Sent.Of(request), cancel);
        return await LearnedAsync(user, causes, heavy, cancel);
    }

    // What is held out in turn is learned without four times over: that is work for behind everybody's beads.
    private static async Task<Ok<LearnedState>> LearnedAsync(
        ClaimsPrincipal user,
        CauseRulingStore causes,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        var (on, weights, ruled) = await causes.FindAsync(cancel);
        var (table, room) = await heavy.RunAsync(user.Id(), () => RoomWeights.HeldOut(ruled), cancel);
        return TypedResults.Ok(LearnedState.Of(on, weights, table, room));
    }

    private static async Task<Results<Ok<PracticeTolerances>, Wrong>> SetAsync(
        Guid id,
        PracticeTolerances request,
        ClaimsPrincipal user,
        ToleranceStore store,
        CancellationToken cancel
    )
    {
        Problem[] problems = [.. request.Problems()];
        if (problems.Length > 0)
            return Problems.Of(problems);
        await store.AddAsync(id, request, user.Id(), Sent.Of(request), cancel);
        return TypedResults.Ok(await store.NewestAsync(cancel));
    }
}
