using System.Security.Claims;
using GentleBead.Core.Listening;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Listening;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.BeadFiles;

/// <summary>Where a bead that waited is to go.</summary>
/// <param name="SheetId">The sheet it was laid to.</param>
public sealed record BeadPlacing(Guid SheetId);

/// <summary>Whether a bead that waited is put aside.</summary>
/// <param name="Aside">True puts it aside; false takes that back.</param>
public sealed record BeadAside(bool Aside);

/// <summary>Beads that waited for the network and found their world changed: an instructor places them.</summary>
public static class UnplacedEndpoints
{
    private const string Measured = "evidence.measured.";

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var unplaced = app.MapGroup("/api/beads/unplaced").WithTags("beads").RequireAuthorization(Access.Instructor);
        unplaced.MapGet("", (UnplacedStore store, CancellationToken cancel) => store.ListAsync(cancel));
        unplaced.MapPut("/{id:guid}/placed", PlaceAsync);
        unplaced.MapPut("/{id:guid}/aside", AsideAsync);
    }

    private static async Task<Results<Ok<Bead>, NotFound, Wrong>> PlaceAsync(
        Guid id,
        BeadPlacing request,
        ClaimsPrincipal user,
        UnplacedStore unplaced,
        BeadRecorder recorder,
        SheetStore sheets,
        BeadStore beads,
        BeadFileStore files,
        PictureKeeper pictures,
        RecordingKeeper recordings,
        CancellationToken cancel
    )
    {
        if (await unplaced.FindAsync(id, cancel) is not { } kept)
            return TypedResults.NotFound();
        if (await sheets.StudentOfAsync(request.SheetId, cancel) != kept.StudentId)
            return Problems.Field("sheetId", Say($"This is no sheet of theirs."));
        // Placed under its own id, as its student noted it. A try that broke off half way has recorded it already.
        if (await beads.FindAsync(id, cancel) is null)
        {
            var sent = kept.Request with { SheetId = request.SheetId };
            if (await RecordAsync(recorder, id, sent, kept.StudentId, cancel) is RefusedBead refused)
                return Problems.Of(refused.Problems);
        }
        var file = (await files.FindAsync(id, cancel))!;
        foreach (var fileId in await unplaced.FilesAsync(id, CancellationToken.None))
            await TakeInAsync(await unplaced.FileAsync(fileId, CancellationToken.None), file, kept.StudentId, pictures, recordings);
        await unplaced.SettleAsync(id, placed: true, user.Id(), CancellationToken.None);
        return TypedResults.Ok((await beads.FindAsync(id, CancellationToken.None))!);
    }

    // What was begun is finished, whoever has gone. What is no picture and no recording stays where it is kept.
    private static async Task TakeInAsync(UnplacedFile one, FiledBead file, Guid by, PictureKeeper pictures, RecordingKeeper recordings)
    {
        var beadId = file.Bead.Id;
        if (one.Kind == UnplacedKind.Picture)
        {
            await pictures.AddAsync(one.Id, beadId, EnumText.Read<PictureSide>(one.Detail), one.Bytes, by, CancellationToken.None);
            return;
        }
        try
        {
            var sent = Sent.OfBytes(one.Bytes).Under(beadId);
            var named = (RecordingOrigin.Microphone, one.Detail);
            await recordings.TakeInAsync(one.Id, file, named, (() => one.Bytes, sent), by, CancellationToken.None);
        }
        catch (RecordingRefusedException)
        {
            // It is kept as it was sent.
        }
    }

    // A number that cannot be is nobody's to mend now: the bead is placed without what was measured, and what was sent stays kept.
    private static async Task<BeadOutcome> RecordAsync(BeadRecorder recorder, Guid id, BeadRequest sent, Guid by, CancellationToken cancel)
    {
        var outcome = await recorder.RecordAsync(id, sent, by, cancel);
        return outcome is RefusedBead refused && refused.Problems.All(one => one.Field.StartsWith(Measured, StringComparison.Ordinal))
            ? await recorder.RecordAsync(id, sent with { Evidence = sent.Evidence with { Measured = null } }, by, cancel)
            : outcome;
    }

    private static async Task<Results<NoContent, NotFound>> AsideAsync(
        Guid id,
        BeadAside request,
        ClaimsPrincipal user,
        UnplacedStore unplaced,
        CancellationToken cancel
    ) =>
        await (request.Aside ? unplaced.SettleAsync(id, placed: false, user.Id(), cancel) : unplaced.TakeBackAsync(id, cancel))
            ? TypedResults.NoContent()
            : TypedResults.NotFound();
}
