using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Progress;

/// <summary>A goal to set.</summary>
/// <param name="Text">What it is, 1 to 200 letters.</param>
/// <param name="Until">Until when; null for some time.</param>
public sealed record NewGoal(string Text, DateOnly? Until);

/// <summary>What came of a goal.</summary>
/// <param name="Id">The id of what is added.</param>
/// <param name="Reached">Whether it was reached; false gives it up.</param>
public sealed record NewGoalEnd(Guid Id, bool Reached);

/// <summary>Goals that an instructor sets with a student.</summary>
public static class GoalEndpoints
{
    private const int LongestText = 200;

    // Years off, a day is a slip of the finger.
    private const int MostYears = 3;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var goals = app.MapGroup("/api/students/{id:guid}/goals").WithTags("progress");
        goals.MapGet("", OfAsync).RequireAuthorization(Access.SignedIn);
        goals.MapPut("/{goalId:guid}", SetAsync).RequireAuthorization(Access.Instructor).Repeatable();
        goals.MapPut("/{goalId:guid}/end", EndAsync).RequireAuthorization(Access.Instructor).Repeatable();
    }

    private static async Task<Results<Ok<IReadOnlyList<Goal>>, NotFound>> OfAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        GoalStore goals,
        CancellationToken cancel
    ) =>
        await people.StudentAsync(id, user, cancel) is not null
            ? TypedResults.Ok(await goals.OfAsync(id, cancel))
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound, Wrong>> SetAsync(
        Guid id,
        Guid goalId,
        NewGoal request,
        ClaimsPrincipal user,
        PeopleStore people,
        GoalStore goals,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        if (await people.FindAsync(id, cancel) is not { Role: Role.Student })
            return TypedResults.NotFound();
        var goal = request with { Text = (request.Text ?? "").Trim() };
        if (goal.Text.Length is 0 or > LongestText)
            return Problems.Field("text", Say($"Say what the goal is, in up to {LongestText} letters."));
        var today = await clock.TodayAsync(cancel);
        if (goal.Until is { } until && (until < today || until > today.AddYears(MostYears)))
            return Problems.Field("until", Say($"A day from today on, within {MostYears} years."));
        await goals.AddAsync(goalId, id, goal, user.Id(), Sent.Of(goal).Under(id), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound, Told>> EndAsync(
        Guid id,
        Guid goalId,
        NewGoalEnd request,
        ClaimsPrincipal user,
        GoalStore goals,
        CancellationToken cancel
    )
    {
        if (await goals.StudentOfAsync(goalId, cancel) != id)
            return TypedResults.NotFound();
        return await goals.EndAsync(goalId, request, user.Id(), Sent.Of(request).Under(goalId), cancel)
            ? TypedResults.NoContent()
            : Problems.Told(StatusCodes.Status409Conflict, Say($"Somebody has said already what came of this goal."));
    }
}
