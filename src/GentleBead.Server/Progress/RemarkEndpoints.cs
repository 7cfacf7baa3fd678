using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Progress;

/// <summary>A remark to keep.</summary>
/// <param name="Kind">What it is about.</param>
/// <param name="Readers">Who reads it.</param>
/// <param name="Text">What is said, 1 to 1,000 letters.</param>
public sealed record NewRemark(RemarkKind Kind, RemarkReaders Readers, string Text);

/// <summary>What instructors keep in mind of a student. It goes nowhere but to whoever it says.</summary>
public static class RemarkEndpoints
{
    private const int LongestText = 1_000;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var remarks = app.MapGroup("/api/students/{id:guid}/remarks").WithTags("progress");
        remarks.MapGet("", OfAsync).RequireAuthorization(Access.SignedIn);
        remarks.MapPut("/{remarkId:guid}", AddAsync).RequireAuthorization(Access.Instructor).Repeatable();
        remarks.MapPut("/{remarkId:guid}/withdrawn", WithdrawAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<IReadOnlyList<Remark>>, NotFound>> OfAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        RemarkStore remarks,
        CancellationToken cancel
    ) =>
        await people.StudentAsync(id, user, cancel) is not null
            ? TypedResults.Ok(await remarks.OfAsync(id, user.Id(), user.IsInRole(nameof(Role.Instructor)), cancel))
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound, Wrong>> AddAsync(
        Guid id,
        Guid remarkId,
        NewRemark request,
        ClaimsPrincipal user,
        PeopleStore people,
        RemarkStore remarks,
        CancellationToken cancel
    )
    {
        if (await people.FindAsync(id, cancel) is not { Role: Role.Student })
            return TypedResults.NotFound();
        var remark = request with { Text = (request.Text ?? "").Trim() };
        if (remark.Text.Length is 0 or > LongestText)
            return Problems.Field("text", Say($"Say something, in up to {LongestText} letters."));
        await remarks.AddAsync(remarkId, id, remark, user.Id(), Sent.Of(remark).Under(id), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(
        Guid id,
        Guid remarkId,
        Withdrawal request,
        ClaimsPrincipal user,
        RemarkStore remarks,
        CancellationToken cancel
    ) =>
        await remarks.SetWithdrawnAsync(remarkId, id, user.Id(), request.Withdrawn, cancel)
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
}
