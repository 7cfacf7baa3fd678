using System.Security.Claims;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Beads;

/// <summary>Pictures of a bead.</summary>
public static class PictureEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var pictures = app.MapGroup("/api").WithTags("pictures");
        pictures
            .MapPut("/beads/{id:guid}/pictures/{side}/{pictureId:guid}", AddAsync)
            .RequireAuthorization(Access.AtWork)
            .WithUpload(Limits.Picture, "image/jpeg", "image/png", "image/webp")
            .Repeatable();
        pictures.MapGet("/pictures/{pictureId:guid}", ShowAsync).RequireAuthorization(Access.AtWork);
        pictures.MapPut("/pictures/{pictureId:guid}/withdrawn", WithdrawAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<Picture>, Accepted, NotFound, Wrong>> AddAsync(
        Guid id,
        string side,
        Guid pictureId,
        HttpRequest request,
        ClaimsPrincipal user,
        BeadStore beads,
        SheetStore sheets,
        UnplacedStore unplaced,
        PictureKeeper keeper,
        CancellationToken cancellation
    )
    {
        var bead = await beads.FindAsync(id, cancellation);
        var waits = bead is null && await unplaced.StudentOfAsync(id, cancellation) is { } whose && user.MaySee(whose);
        if (!waits && (bead is null || !await bead.TakesFilesOfAsync(user, sheets, cancellation)))
            return TypedResults.NotFound();
        if (!Enum.TryParse<PictureSide>(side, ignoreCase: true, out var shows) || !Enum.IsDefined(shows))
            return Problems.Field("side", Say($"A picture of the face, the back or a macro."));
        if (await request.ReadUploadAsync(Limits.Picture, cancellation) is not { } sent)
            return Problems.Field("picture", Say($"A picture of at most {Limits.Picture / 1024 / 1024} MB."));
        if (sent.Length == 0)
            return Problems.Field("picture", Say($"The file is empty."));
        if (waits)
        {
            var file = new UnplacedFile(pictureId, UnplacedKind.Picture, EnumText.Of(shows), sent);
            await unplaced.KeepFileAsync(id, file, Sent.OfBytes(sent).Under(id), cancellation);
            return TypedResults.Accepted((string?)null);
        }
        var (picture, problem) = await keeper.AddAsync(pictureId, id, shows, sent, user.Id(), cancellation);
        return picture is null ? Problems.Field("picture", problem!) : TypedResults.Ok(picture);
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> ShowAsync(
        Guid pictureId,
        ClaimsPrincipal user,
        HttpResponse response,
        PictureStore pictures,
        CancellationToken cancel
    )
    {
        if (await pictures.StudentOfAsync(pictureId, cancel) is not { } studentId || !user.MaySee(studentId))
            return TypedResults.NotFound();
        var (mediaType, bytes) = await pictures.BytesAsync(pictureId, cancel);
        // A picture never changes under its id; whoever may see it keeps it for the day.
        response.Headers.CacheControl = "private, max-age=86400";
        return TypedResults.File(bytes, mediaType);
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(
        Guid pictureId,
        Withdrawal request,
        PictureStore pictures,
        CancellationToken cancel
    ) => await pictures.SetWithdrawnAsync(pictureId, request.Withdrawn, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();
}
