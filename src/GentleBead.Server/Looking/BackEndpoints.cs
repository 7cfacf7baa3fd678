using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Looking;

/// <summary>What is asked about the back of a bead on a picture.</summary>
/// <param name="From">Where behind the plate the bead begins, roughly, pixels.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Scale">A known length, where no card lies in the picture.</param>
/// <param name="NotHoles">Where what was taken for a hole is none, pixels, at most 40; null where nobody says so.</param>
public sealed record BackRequest(Point? From, Point? To, KnownLength? Scale, IReadOnlyList<Point>? NotHoles);

/// <summary>The eye on the back of a plate: what shows behind a bead.</summary>
public static class BackEndpoints
{
    private const int MostHoles = 40;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var pictures = app.MapGroup("/api/pictures").WithTags("eye");
        pictures.MapGet("/{pictureId:guid}/back", StandingAsync).RequireAuthorization(Access.AtWork);
        pictures.MapPost("/{pictureId:guid}/back", LookAsync).RequireAuthorization(Access.AtWork);
        pictures.MapPut("/{pictureId:guid}/back/{readingId:guid}", KeepAsync).RequireAuthorization(Access.Instructor).Repeatable();
    }

    private static async Task<Results<Ok<BackSeen>, NoContent, NotFound>> StandingAsync(
        Guid pictureId,
        ClaimsPrincipal user,
        PictureStore pictures,
        BackStore backs,
        CancellationToken cancel
    )
    {
        if (await pictures.StudentOfAsync(pictureId, cancel) is not { } studentId || !user.MaySee(studentId))
            return TypedResults.NotFound();
        return await backs.NewestAsync(pictureId, cancel) is { } back ? TypedResults.Ok(back) : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<BackAnswer>, NotFound, Wrong>> LookAsync(
        Guid pictureId,
        BackRequest request,
        ClaimsPrincipal user,
        KeptPictures eye,
        CancellationToken cancel
    )
    {
        if (await eye.FindAsync(pictureId, user, cancel) is not { } picture)
            return TypedResults.NotFound();
        var problems = ProblemsOf(picture, request).ToList();
        if (problems.Count > 0)
            return Problems.Of(problems);
        return await SeeAsync(picture, request, user.Id(), eye, cancel) is { } answer
            ? TypedResults.Ok(answer)
            : Problems.Field("picture", EyeEndpoints.Unreadable);
    }

    private static async Task<Results<Ok<Bead>, NotFound, Wrong>> KeepAsync(
        Guid pictureId,
        Guid readingId,
        BackRequest request,
        ClaimsPrincipal user,
        KeptPictures eye,
        BackStore backs,
        BeadRecorder recorder,
        CancellationToken cancel
    )
    {
        if (await eye.FindAsync(pictureId, user, cancel) is not { } picture)
            return TypedResults.NotFound();
        var problems = ProblemsOf(picture, request).ToList();
        if (problems.Count > 0)
            return Problems.Of(problems);
        var answer = await SeeAsync(picture, request, user.Id(), eye, cancel);
        if (answer?.Back is not { } back)
            return Problems.Field("picture", answer?.Do ?? EyeEndpoints.Unreadable);
        // What the eye says by itself is kept beside what a person left of it.
        var proposed = request.NotHoles is { Count: > 0 }
            ? (await SeeAsync(picture, request with { NotHoles = null }, user.Id(), eye, cancel))?.Back
            : back;
        await backs.AddAsync(readingId, pictureId, proposed ?? back, back, (user.Id(), Sent.Of(request).Under(pictureId)), cancel);
        return TypedResults.Ok(
            (
                await recorder.MergeAsync(
                    readingId,
                    picture.BeadId,
                    evidence => evidence with { Back = back.Measures },
                    user.Id(),
                    CancellationToken.None
                )
            )!
        );
    }

    private static Task<BackAnswer?> SeeAsync(Picture picture, BackRequest request, Guid by, KeptPictures eye, CancellationToken cancel) =>
        eye.BackAsync(
            picture.Id,
            new(request.From.GetValueOrDefault(), request.To.GetValueOrDefault(), request.Scale, request.NotHoles),
            by,
            cancel
        );

    private static IEnumerable<Problem> ProblemsOf(Picture picture, BackRequest request)
    {
        if (picture.Side != PictureSide.Back)
            yield return new("picture", Say($"This picture does not show the back of the plate."));
        if (request.From is null)
            yield return new("from", Say($"Where behind the plate the bead begins."));
        if (request.To is null)
            yield return new("to", Say($"Where behind the plate the bead ends."));
        if (request.Scale?.Problem() is { } wrong)
            yield return new("scale", wrong);
        if (request.NotHoles is { Count: > MostHoles })
            yield return new("notHoles", Say($"At most {MostHoles} holes."));
        Point?[] all = [request.From, request.To, request.Scale?.From, request.Scale?.To];
        if (!picture.Holds([.. all, .. request.NotHoles ?? []]))
            yield return new("points", Say($"A point lies outside the picture."));
    }
}
