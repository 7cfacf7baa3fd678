using System.Security.Claims;
using GentleBead.Core.Listening;
using GentleBead.Demo;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sheets;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Listening;

/// <summary>Which simulated device to record with.</summary>
public enum StandIn
{
    /// <summary>The booth's microphone.</summary>
    Microphone,

    /// <summary>The booth's logger.</summary>
    Logger,
}

/// <summary>Recordings of a bead: from file, microphone or the booth's stand-ins.</summary>
public static class RecordingEndpoints
{
    private const int LongestName = 120;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api").WithTags("listening");
        api.MapPut("/beads/{id:guid}/recordings/{recordingId:guid}", AddAsync)
            .RequireAuthorization(Access.AtWork)
            .WithUpload(Limits.Recording, "audio/wav", "audio/flac", "audio/mpeg", "audio/ogg", "audio/mp4", "text/csv")
            .Repeatable();
        api.MapPut("/beads/{id:guid}/recordings/{recordingId:guid}/stand-in/{device}", RecordAsync).RequireAuthorization(Access.Instructor);
        api.MapGet("/recordings/{recordingId:guid}/file", FileAsync).RequireAuthorization(Access.AtWork);
        api.MapGet("/recordings/{recordingId:guid}/spectrogram", SpectrogramAsync)
            .RequireAuthorization(Access.AtWork)
            .Produces(StatusCodes.Status200OK, contentType: "image/png");
        api.MapPut("/recordings/{recordingId:guid}/withdrawn", WithdrawAsync).RequireAuthorization(Access.Instructor);
        api.MapGet(
                "/booths/{id:guid}/stand-ins",
                async (Guid id, StandInStore standIns, CancellationToken cancel) => await standIns.OfBoothAsync(id, cancel)
            )
            .RequireAuthorization(Access.Instructor);
        api.MapPut("/booths/{id:guid}/stand-ins", SetStandInsAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<Ok<Recording>, Accepted, NotFound, Wrong>> AddAsync(
        Guid id,
        Guid recordingId,
        string? name,
        string? origin,
        HttpRequest request,
        ClaimsPrincipal user,
        RecordingKeeper keeper,
        BeadFileStore files,
        SheetStore sheets,
        UnplacedStore unplaced,
        UploadStore uploads,
        CancellationToken cancel
    )
    {
        var file = await files.FindAsync(id, cancel);
        var waits = file is null && await unplaced.StudentOfAsync(id, cancel) is { } whose && user.MaySee(whose);
        if (!waits && (file is null || !await file.Bead.TakesFilesOfAsync(user, sheets, cancel)))
            return TypedResults.NotFound();
        if (
            !Enum.TryParse<RecordingOrigin>(origin ?? nameof(RecordingOrigin.File), ignoreCase: true, out var from)
            || from is not (RecordingOrigin.File or RecordingOrigin.Microphone)
        )
        {
            return Problems.Field("origin", Say($"From a file or the microphone."));
        }
        if (
            request.ContentLength > Limits.Recording
            || await uploads.ReceiveAsync(request.Body, Limits.Recording, cancel) is not { } upload
        )
        {
            return Problems.Field("recording", Say($"A recording of at most {Limits.Recording / 1024 / 1024} MB."));
        }
        var sent = upload.Sent.Under(id);
        try
        {
            if (file is null)
            {
                var kept = new UnplacedFile(
                    recordingId,
                    UnplacedKind.Recording,
                    Label(name),
                    await Task.Run(() => uploads.Read(upload), cancel)
                );
                await unplaced.KeepFileAsync(id, kept, sent, cancel);
                return TypedResults.Accepted((string?)null);
            }
            return TypedResults.Ok(
                await keeper.TakeInAsync(recordingId, file, (from, Label(name)), (() => uploads.Read(upload), sent), user.Id(), cancel)
            );
        }
        catch (RecordingRefusedException refused)
        {
            return Problems.Field("recording", refused.Said);
        }
        finally
        {
            await uploads.DropAsync(upload.Id);
        }
    }

    private static async Task<Results<Ok<Recording>, NotFound, Wrong>> RecordAsync(
        Guid id,
        Guid recordingId,
        string device,
        ClaimsPrincipal user,
        RecordingKeeper keeper,
        BeadFileStore files,
        RecordingStore recordings,
        StandInStore standIns,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await files.FindAsync(id, cancel) is not { } file)
            return TypedResults.NotFound();
        if (!Enum.TryParse<StandIn>(device, ignoreCase: true, out var with) || !Enum.IsDefined(with))
            return Problems.Field("device", Say($"The microphone or the logger."));
        var sent = Sent.Of(with).Under(id);
        if (await recordings.IsRepeatAsync(recordingId, sent, cancel) && await recordings.FindAsync(recordingId, cancel) is { } stored)
            return TypedResults.Ok(stored);
        var there = await standIns.OfBoothAsync(file.Sheet.BoothId, cancel);
        if (with == StandIn.Microphone ? !there.Microphone : !there.Logger)
            return Problems.Field("device", Say($"There is none in this booth. Switch it on in Settings, under Stand-in devices."));
        var bead = file.Bead;
        var setting = StandInArc.Of(file.JudgedBy, bead.Used, bead.Amps, bead.Evidence);
        if (setting.Problems().FirstOrDefault() is { } problem)
            return Problems.Field("device", Say($"No arc can be simulated from this bead. {problem.Said}"));
        // The same bead sounds the same again, but no two beads alike.
        var seed = BitConverter.ToInt32(bead.Id.ToByteArray(), 12) & int.MaxValue;
        var seconds = StandInArc.Seconds(bead.Evidence);
        var (finding, bytes) = await heavy.RunAsync(user.Id(), Simulate, cancel);
        return TypedResults.Ok(
            await keeper.AddAsync(recordingId, id, RecordingOrigin.StandIn, "", finding, bytes, user.Id(), sent, cancel: cancel)
        );

        (Finding Finding, byte[] Bytes) Simulate()
        {
            if (with == StandIn.Microphone)
            {
                var sound = StandInArc.Microphone(setting, seconds, seed);
                return (Finding.Of(sound), WavFile.Write(sound));
            }
            var log = StandInArc.Logger(setting, seconds, seed);
            return (Finding.Of(log, RecordingKeeper.TravelOf(file)), LogFile.Write(log));
        }
    }

    private static async Task<Results<FileStreamHttpResult, NotFound>> FileAsync(
        Guid recordingId,
        ClaimsPrincipal user,
        HttpResponse response,
        RecordingStore recordings,
        CancellationToken cancel
    )
    {
        if (await SeenByAsync(user, recordingId, recordings, cancel) is not { } recording)
            return TypedResults.NotFound();
        // A recording never changes under its id.
        response.Headers.CacheControl = "private, max-age=86400";
        var log = recording.Finding.Kind == RecordingKind.Log;
        return TypedResults.Stream(
            new RecordingStream(recordings, recording),
            log ? "text/csv" : "audio/wav",
            log ? $"{recordingId}.csv" : null,
            enableRangeProcessing: true
        );
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> SpectrogramAsync(
        Guid recordingId,
        ClaimsPrincipal user,
        HttpResponse response,
        RecordingStore recordings,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await SeenByAsync(user, recordingId, recordings, cancel) is not { Finding.Kind: RecordingKind.Sound } recording)
            return TypedResults.NotFound();
        var bytes = new byte[recording.Length];
        await new RecordingStream(recordings, recording).ReadExactlyAsync(bytes, cancel);
        var picture = await heavy.RunAsync(user.Id(), () => SpectrogramPicture.Of(Spectrogram.Of(WavFile.Read(bytes))), cancel);
        response.Headers.CacheControl = "private, max-age=86400";
        return TypedResults.File(picture, "image/png");
    }

    // A recording that is not withdrawn, for whoever may see its bead.
    private static async Task<Recording?> SeenByAsync(
        ClaimsPrincipal user,
        Guid recordingId,
        RecordingStore recordings,
        CancellationToken cancel
    ) =>
        await recordings.StudentOfAsync(recordingId, cancel) is { } studentId && user.MaySee(studentId)
            ? await recordings.FindAsync(recordingId, cancel)
            : null;

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(
        Guid recordingId,
        Withdrawal request,
        ClaimsPrincipal user,
        RecordingStore recordings,
        RecordingKeeper keeper,
        CancellationToken cancel
    )
    {
        if (await recordings.SetWithdrawnAsync(recordingId, request.Withdrawn, cancel) is not { } beadId)
            return TypedResults.NotFound();
        // What was begun is finished, whoever has gone.
        await keeper.JudgeAnewAsync(Guid.CreateVersion7(), beadId, user.Id(), CancellationToken.None);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<StandIns>, NotFound>> SetStandInsAsync(
        Guid id,
        StandIns request,
        StandInStore standIns,
        BoothStore booths,
        CancellationToken cancel
    )
    {
        if (await booths.FindAsync(id, cancel) is null)
            return TypedResults.NotFound();
        await standIns.SetAsync(id, request, cancel);
        return TypedResults.Ok(request);
    }

    // The name is shown, and nothing else is done with it.
    private static string Label(string? name)
    {
        var shown = new string([.. (name ?? "").Where(letter => !char.IsControl(letter))]).Trim();
        return shown.Length > LongestName ? shown[..LongestName] : shown;
    }
}
