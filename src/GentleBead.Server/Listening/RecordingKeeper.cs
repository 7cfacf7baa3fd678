using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;

namespace GentleBead.Server.Listening;

/// <summary>Keeps a recording, and has its bead judged anew with what is heard in it.</summary>
public sealed class RecordingKeeper(RecordingStore recordings, BeadRecorder recorder)
{
    /// <summary>Adds a recording to a bead.</summary>
    public async Task<Recording> AddAsync(
        Guid id,
        Guid beadId,
        RecordingOrigin origin,
        string name,
        Finding finding,
        byte[] bytes,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await recordings.AddAsync(new Recording(id, beadId, origin, name, finding, bytes.Length, default), bytes, by, sent, at, cancel);
        // A recording that is kept is judged with, whoever has gone.
        await JudgeAnewAsync(id, beadId, by, CancellationToken.None);
        return (await recordings.FindAsync(id, cancel))!;
    }

    /// <summary>
    /// Judges a bead with the surest of its recordings that are not withdrawn beside the ear; where that changes nothing, nothing is added.
    /// </summary>
    public async Task JudgeAnewAsync(Guid lookId, Guid beadId, Guid by, CancellationToken cancel)
    {
        var heard = (await recordings.OfBeadAsync(beadId, cancel))
            .Where(recording => recording.Finding.Heard.Sound is not null)
            .MaxBy(recording => recording.Finding.Heard.Confidence)
            ?.Finding;
        var listened = heard is null ? null : new Listened(heard.Heard.Sound!.Value, heard.Heard.Confidence, heard.Figures?.ShortRate);
        await recorder.MergeAsync(
            lookId,
            beadId,
            evidence => evidence.Listened == listened ? evidence : evidence with { Listened = listened },
            by,
            cancel
        );
    }
}
