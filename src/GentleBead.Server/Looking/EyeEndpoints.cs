using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Pictures;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Looking;

/// <summary>What is asked about a bead's face on a picture.</summary>
/// <param name="From">Where it begins, roughly, pixels; null to look for it.</param>
/// <param name="To">Where it ends; null with it.</param>
/// <param name="Left">Points along the left toe as a person set them, at most 80; null to trace them.</param>
/// <param name="Right">Points along the right toe; null with them.</param>
/// <param name="Scale">A known length, where no card lies in the picture.</param>
public sealed record FaceRequest(Point? From, Point? To, IReadOnlyList<Point>? Left, IReadOnlyList<Point>? Right, KnownLength? Scale);

/// <summary>The eye: whether a frame will do, a bead's face measured on a picture.</summary>
public static class EyeEndpoints
{
    private const int MostFrame = 700 * 1024;

    private const int MostPoints = 80;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var eye = app.MapGroup("/api/eye").WithTags("eye");
        eye.MapPost("/frame", FrameAsync).RequireAuthorization(Access.AtWork).WithUpload(MostFrame, "image/jpeg");
        var pictures = app.MapGroup("/api/pictures").WithTags("eye");
        pictures.MapGet("/{pictureId:guid}/face", StandingAsync).RequireAuthorization(Access.AtWork);
        pictures.MapPost("/{pictureId:guid}/face", LookAsync).RequireAuthorization(Access.AtWork);
        pictures.MapPut("/{pictureId:guid}/face/{readingId:guid}", KeepAsync).RequireAuthorization(Access.Instructor).Repeatable();
    }

    private static async Task<Results<Ok<FrameAnswer>, Wrong>> FrameAsync(
        HttpRequest request,
        ClaimsPrincipal user,
        PictureProcess eye,
        int width,
        CancellationToken cancel
    )
    {
        if (width is < 40 or > 20_000)
            return Problems.Field("width", Say($"How many pixels wide the picture will be."));
        if (await request.ReadUploadAsync(MostFrame, cancel) is not { Length: > 0 } frame)
            return Problems.Field("frame", Say($"A frame of at most {MostFrame / 1024} kB."));
        return await eye.FrameAsync(user.Id(), frame, width, cancel) is { } answer
            ? TypedResults.Ok(answer)
            : Problems.Field("frame", Unreadable);
    }

    private static async Task<Results<Ok<FaceSeen>, NoContent, NotFound>> StandingAsync(
        Guid pictureId,
        ClaimsPrincipal user,
        PictureStore pictures,
        FaceStore faces,
        CancellationToken cancel
    )
    {
        if (await pictures.StudentOfAsync(pictureId, cancel) is not { } studentId || !user.MaySee(studentId))
            return TypedResults.NotFound();
        return await faces.NewestAsync(pictureId, cancel) is { } face ? TypedResults.Ok(face) : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<FaceAnswer>, NotFound, Wrong>> LookAsync(
        Guid pictureId,
        FaceRequest request,
        ClaimsPrincipal user,
        FaceReaderOfPictures reader,
        CancellationToken cancel
    )
    {
        if (await reader.FindAsync(pictureId, user, cancel) is not { } found)
            return TypedResults.NotFound();
        var problems = ProblemsOf(found.Picture, request).ToList();
        if (problems.Count > 0)
            return Problems.Of(problems);
        return await reader.LookAsync(found, request, user.Id(), cancel) is { } answer
            ? TypedResults.Ok(answer)
            : Problems.Field("picture", Unreadable);
    }

    private static async Task<Results<Ok<Bead>, NotFound, Wrong>> KeepAsync(
        Guid pictureId,
        Guid readingId,
        FaceRequest request,
        ClaimsPrincipal user,
        FaceReaderOfPictures reader,
        FaceStore faces,
        BeadRecorder recorder,
        CancellationToken cancel
    )
    {
        if (await reader.FindAsync(pictureId, user, cancel) is not { } found)
            return TypedResults.NotFound();
        var problems = ProblemsOf(found.Picture, request).ToList();
        if (problems.Count > 0)
            return Problems.Of(problems);
        var answer = await reader.LookAsync(found, request, user.Id(), cancel);
        if (answer?.Face is not { } face)
            return Problems.Field("picture", answer?.Do ?? Unreadable);
        // What the eye says by itself is kept beside what a person made of it: that is how good it is.
        var proposed = request.Left is null
            ? face
            : (await reader.LookAsync(found, request with { Left = null, Right = null }, user.Id(), cancel))?.Face;
        await faces.AddAsync(readingId, pictureId, proposed, face, (user.Id(), Sent.Of(request).Under(pictureId)), cancel);
        return TypedResults.Ok(
            (
                await recorder.MergeAsync(
                    readingId,
                    found.Picture.BeadId,
                    evidence => evidence with { Face = face.Measures },
                    user.Id(),
                    CancellationToken.None
                )
            )!
        );
    }

    internal static readonly Said Unreadable = Say($"The eye cannot read this picture.");

    private static IEnumerable<Problem> ProblemsOf(Picture picture, FaceRequest request)
    {
        if (picture.Side != PictureSide.Face)
            yield return new("picture", Say($"This picture does not show the face of the bead."));
        if ((request.From is null) != (request.To is null))
            yield return new("to", Say($"Both ends of the bead, or neither."));
        if (request.Left is { Count: < 2 or > MostPoints } || request.Right is { Count: < 2 or > MostPoints })
            yield return new("left", Say($"Two to {MostPoints} points along each toe."));
        if ((request.Left is null) != (request.Right is null))
            yield return new("right", Say($"Both toes, or neither."));
        if (request.Scale?.Problem() is { } wrong)
            yield return new("scale", wrong);
        Point?[] all = [request.From, request.To, request.Scale?.From, request.Scale?.To];
        if (!picture.Holds([.. all, .. request.Left ?? [], .. request.Right ?? []]))
            yield return new("points", Say($"A point lies outside the picture."));
    }
}
