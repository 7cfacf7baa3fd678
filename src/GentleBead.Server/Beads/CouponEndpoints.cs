using System.Security.Claims;
using GentleBead.Core.Sheets;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Beads;

/// <summary>A page of a student's coupons, newest first.</summary>
/// <param name="Student">Whose.</param>
/// <param name="Hand">The hand they hold the torch in; null until somebody said.</param>
/// <param name="Coupons">The coupons.</param>
/// <param name="More">What to ask for the next page with; null on the last.</param>
public sealed record Rack(PersonName Student, Hand? Hand, IReadOnlyList<RackCoupon> Coupons, long? More);

/// <summary>Sheets with the beads laid to them: a student's own work, the rack, one coupon.</summary>
public static class CouponEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var sheets = app.MapGroup("/api/sheets").WithTags("sheets");
        sheets.MapGet("/mine", MineAsync).RequireAuthorization(Access.AtWork);
        sheets.MapGet("/rack/{studentId:guid}", RackAsync).RequireAuthorization(Access.SignedIn);
        sheets.MapGet("/{id:guid}/beads", BeadsAsync).RequireAuthorization(Access.AtWork);
    }

    private static async Task<MyWork> MineAsync(ClaimsPrincipal user, CouponStore coupons, TimeProvider clock, CancellationToken cancel) =>
        (await coupons.OfStudentAsync(user.Id(), clock.GetUtcNow(), cancel)).ShownTo(user);

    private static async Task<Results<Ok<Rack>, NotFound>> RackAsync(
        Guid studentId,
        long? before,
        ClaimsPrincipal user,
        PeopleStore people,
        CouponStore coupons,
        CancellationToken cancel
    )
    {
        // Somebody else's rack does not exist as far as a student is told.
        if (!user.MaySee(studentId) || await people.FindAsync(studentId, cancel) is not { Role: Role.Student } student)
            return TypedResults.NotFound();
        var (page, more) = await coupons.RackAsync(studentId, before, cancel);
        return TypedResults.Ok(
            new Rack(new PersonName(student.Id, student.Name), student.Hand, [.. page.Select(one => one.ShownTo(user))], more)
        );
    }

    // The beads of a coupon before a number: what did not come with it.
    private static async Task<Results<Ok<IReadOnlyList<LaidBead>>, NotFound>> BeadsAsync(
        Guid id,
        int before,
        ClaimsPrincipal user,
        SheetStore sheets,
        BeadStore beads,
        CancellationToken cancel
    ) =>
        await sheets.StudentOfAsync(id, cancel) is { } student && user.MaySee(student)
            ? TypedResults.Ok<IReadOnlyList<LaidBead>>([.. (await beads.LaidAsync(id, before, cancel)).Select(bead => bead.ShownTo(user))])
            : TypedResults.NotFound();
}
