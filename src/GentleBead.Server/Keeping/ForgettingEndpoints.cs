using System.Security.Claims;
using GentleBead.Core.Keeping;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Keeping;

/// <summary>What forgetting somebody would do.</summary>
/// <param name="Student">Who.</param>
/// <param name="Pseudonym">What they are called afterwards.</param>
/// <param name="Parts">What is held of them, and what becomes of it.</param>
/// <param name="Places">Where their name stands in words of others: it is struck there, but where it is spared.</param>
/// <param name="UnderChain">Old records of test welds that hold the name in their sealed letters: there it stays.</param>
public sealed record ForgettingPreview(
    PersonName Student,
    string Pseudonym,
    IReadOnlyList<Held> Parts,
    IReadOnlyList<NamedPlace> Places,
    int UnderChain
);

/// <summary>A request to forget somebody.</summary>
/// <param name="Name">Their name as it stands here: nobody is forgotten by a slip.</param>
/// <param name="Spared">Places whose words stay as they are.</param>
public sealed record Forget(string Name, IReadOnlyList<string> Spared);

/// <summary>Forgetting a student: shown before, logged after.</summary>
public static class ForgettingEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var students = app.MapGroup("/api/students/{id:guid}/forgetting").WithTags("keeping").RequireAuthorization(Access.Instructor);
        students.MapGet("", PreviewAsync);
        students.MapPut("/{forgettingId:guid}", ForgetAsync).Repeatable();
    }

    private static async Task<Results<Ok<ForgettingPreview>, NotFound>> PreviewAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        HeldStore held,
        ForgettingStore forgetting,
        CancellationToken cancel
    ) =>
        await people.FindAsync(id, cancel) is { Role: Role.Student } student
            ? TypedResults.Ok(
                new ForgettingPreview(
                    new(student.Id, student.Name),
                    Pseudonym.Of(id),
                    await held.ListAsync(new(id, user.Id(), true), cancel),
                    await forgetting.PlacesAsync(id, cancel),
                    await forgetting.UnderChainAsync(id, cancel)
                )
            )
            : TypedResults.NotFound();

    private static async Task<Results<Ok<ForgettingDone>, NotFound, Wrong, Told>> ForgetAsync(
        Guid id,
        Guid forgettingId,
        Forget request,
        ClaimsPrincipal user,
        PeopleStore people,
        ForgettingStore forgetting,
        CancellationToken cancel
    )
    {
        if (await people.FindAsync(id, cancel) is not { Role: Role.Student } student)
            return TypedResults.NotFound();
        // The name is what is to be forgotten: no fingerprint of it is kept either.
        var sent = Sent.Of(request with { Name = "" }).Under(id);
        if (await forgetting.DoneAsync(forgettingId, sent, cancel) is { } done)
            return TypedResults.Ok(done);
        var spared = request.Spared ?? [];
        if (spared.Count > ForgettingStore.MostPlaces)
            return Problems.Field("spared", Say($"At most {ForgettingStore.MostPlaces} places."));
        if ((request.Name ?? "").Trim() != student.Name)
            return Problems.Field("name", Say($"Type the name as it stands above, so that nobody is forgotten by a slip."));
        return await forgetting.ForgetAsync(forgettingId, id, spared, user.Id(), sent, cancel) is { } added
            ? TypedResults.Ok(added)
            : Problems.Told(StatusCodes.Status409Conflict, Say($"They were forgotten already."));
    }
}
