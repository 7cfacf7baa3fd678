using System.Security.Claims;
using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Core.Practice;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Listening;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Practice;

/// <summary>An instructor's names for a recording.</summary>
/// <param name="Sound">What it sounds like; null with <paramref name="Deviation"/> to take it out of the drills.</param>
/// <param name="Deviation">What was off.</param>
public sealed record RecordingNames(Sound? Sound, Deviation? Deviation);

/// <summary>Naming the room's own recordings, which puts them among the drills.</summary>
public static class NamedRecordingEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api").WithTags("practice").RequireAuthorization(Access.Instructor);
        api.MapPut("/recordings/{recordingId:guid}/names/{id:guid}", NameAsync).Repeatable();
        api.MapGet(
            "/beads/{id:guid}/named-recordings",
            (Guid id, NamedRecordingStore named, CancellationToken cancel) => named.OfBeadAsync(id, cancel)
        );
    }

    private static async Task<Results<NoContent, NotFound, Wrong>> NameAsync(
        Guid recordingId,
        Guid id,
        RecordingNames request,
        ClaimsPrincipal user,
        RecordingStore recordings,
        BeadFileStore files,
        NamedRecordingStore named,
        CancellationToken cancel
    )
    {
        if (await recordings.FindAsync(recordingId, cancel) is not { } recording)
            return TypedResults.NotFound();
        if (request.Sound is null != request.Deviation is null)
        {
            return request.Sound is null
                ? Problems.Field("sound", Say($"What does it sound like?"))
                : Problems.Field("deviation", Say($"What was off, or nothing?"));
        }
        RoomClip? clip = null;
        if (request is { Sound: { } sound, Deviation: { } deviation })
        {
            if (recording.Finding.Kind != RecordingKind.Sound)
                return Problems.Field("recording", Say($"A log is not heard: name a sound."));
            var file = (await files.FindAsync(recording.BeadId, cancel))!;
            if (file.Bead.Used is not { } used)
                return Problems.Field("recording", Say($"The drills are of fed wires: on a tungsten no wire can be off."));
            // A drill says what this arc draws when it is right.
            if (RoomClip.Arcs(file.JudgedBy, used, null).Right.Problems().FirstOrDefault() is { } problem)
                return Problems.Field("recording", Say($"No arc can be simulated beside this bead's sheet. {problem.Said}"));
            var heard = recording.Finding.Heard;
            var measured = file.Bead.Evidence.Measured;
            if (!RoomClip.Of(recordingId, sound, deviation, (heard.ArcFrom, heard.ArcTo), measured).IsGood(out clip, out var problems))
                return Problems.Of(problems);
        }
        await named.AddAsync(id, new NamedRecording(recordingId, clip), user.Id(), Sent.Of(request).Under(recordingId), cancel);
        return TypedResults.NoContent();
    }
}
