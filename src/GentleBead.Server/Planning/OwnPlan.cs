using System.Security.Claims;
using GentleBead.Server.Http;

namespace GentleBead.Server.Planning;

/// <summary>Where a student is to stand, and at what.</summary>
/// <param name="Begins">When, by the clock on the wall.</param>
/// <param name="Minutes">For how long.</param>
/// <param name="Booth">The booth's number.</param>
/// <param name="MachineName">With which machine.</param>
/// <param name="ExerciseName">At what.</param>
public sealed record OwnStand(TimeOnly Begins, int Minutes, int Booth, string MachineName, string ExerciseName);

/// <summary>A session as one of its students sees its plan: their own part of it.</summary>
/// <param name="Title">What the session is called.</param>
/// <param name="HeldOn">The day.</param>
/// <param name="RoomName">In which room.</param>
/// <param name="Stands">Where they stand, in order; empty where they stand at no booth.</param>
public sealed record OwnPlan(string Title, DateOnly HeldOn, string RoomName, IReadOnlyList<OwnStand> Stands);

/// <summary>A student's part of the next plans.</summary>
public static class OwnPlanEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet(
                "/api/plans/mine",
                async (ClaimsPrincipal user, PlanStore plans, CancellationToken cancel) => await plans.OfStudentAsync(user.Id(), cancel)
            )
            .WithTags("plans")
            .RequireAuthorization(Access.AtWork);
}
