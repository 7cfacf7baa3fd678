using System.Globalization;
using System.Security.Claims;
using GentleBead.Core.Progress;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Progress;

/// <summary>Two beads beside each other.</summary>
/// <param name="Earlier">The one that was laid first.</param>
/// <param name="Later">The other.</param>
/// <param name="Changed">What differs, in the order it is shown.</param>
public sealed record BesideBeads(BesideBead Earlier, BesideBead Later, IReadOnlyList<BesideField> Changed);

/// <summary>A term as a strip, and two beads of any time side by side.</summary>
public static class StripEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        app.MapGet("/api/students/{id:guid}/strip", OfAsync).WithTags("progress").RequireAuthorization(Access.SignedIn);
        app.MapGet("/api/beads/{id:guid}/beside/{otherId:guid}", TwoAsync).WithTags("progress").RequireAuthorization(Access.SignedIn);
    }

    private static async Task<Results<Ok<Page<StripBead>>, NotFound>> OfAsync(
        Guid id,
        long? before,
        ClaimsPrincipal user,
        PeopleStore people,
        StripStore strip,
        CancellationToken cancel
    )
    {
        if (await people.StudentAsync(id, user, cancel) is null)
            return TypedResults.NotFound();
        var (beads, more) = await strip.OfAsync(id, before, user.IsInRole(nameof(Role.Instructor)), cancel);
        return TypedResults.Ok(new Page<StripBead>(beads, more?.ToString(CultureInfo.InvariantCulture)));
    }

    private static async Task<Results<Ok<BesideBeads>, NotFound>> TwoAsync(
        Guid id,
        Guid otherId,
        ClaimsPrincipal user,
        StripStore strip,
        CancellationToken cancel
    )
    {
        var two = await strip.TwoAsync(id, otherId, user.IsInRole(nameof(Role.Instructor)), cancel);
        return two.Count == 2 && two.All(one => user.MaySee(one.StudentId))
            ? TypedResults.Ok(new BesideBeads(two[0].Bead, two[1].Bead, Beside.Changed(two[0].Bead, two[1].Bead)))
            : TypedResults.NotFound();
    }
}
