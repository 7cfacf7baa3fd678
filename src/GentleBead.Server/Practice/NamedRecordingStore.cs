using Dapper;
using GentleBead.Core.Practice;
using GentleBead.Server.Database;

namespace GentleBead.Server.Practice;

/// <summary>A recording as an instructor has named it for the drills.</summary>
/// <param name="RecordingId">Which recording.</param>
/// <param name="Clip">The clip that is played, and its names; null where it was taken out of the drills.</param>
public sealed record NamedRecording(Guid RecordingId, RoomClip? Clip);

/// <summary>The room's own recordings among the drills. Names are only added to; the newest of a recording stands.</summary>
public sealed class NamedRecordingStore(SchoolDatabase database)
{
    // Of how many of the newest a drill is drawn: a room's own sounds, not its history.
    private const int Newest = 30;

    /// <summary>Names a recording, or takes it out of the drills; the same id again changes nothing.</summary>
    public async Task AddAsync(Guid id, NamedRecording named, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "named_recording",
            """
            insert into named_recording (id, recording_id, deviation, clip, named_by, sent)
            values (@id, @RecordingId, @deviation, @clip, @by, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                named.RecordingId,
                deviation = named.Clip is { } clip ? EnumText.Of(clip.Deviation) : null,
                clip = new Jsonb<RoomClip?>(named.Clip),
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>A bead's recordings that are in the drills, as they are named.</summary>
    public async Task<IReadOnlyList<RoomClip>> OfBeadAsync(Guid beadId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<string?>(
            """
            select newest.clip from recording cross join lateral (
                select clip from named_recording where recording_id = recording.id order by seq desc limit 1) as newest
            where bead_id = @beadId and withdrawn_at is null and newest.clip is not null order by recording.seq limit 40
            """,
            new { beadId },
            cancel
        );
        return [.. rows.Select(row => Jsonb.Read<RoomClip>(row!))];
    }

    /// <summary>The newest clips in which something was off, with the bead each is of; withdrawn ones are left out.</summary>
    public async Task<IReadOnlyList<(Guid BeadId, RoomClip Clip)>> WithAsync(Deviation deviation, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid BeadId, string Clip)>(
            """
            select bead_id, clip from (
                select * from named_recording where deviation = @deviation order by seq desc limit @Newest) as named
            join recording on recording.id = named.recording_id
            join bead on bead.id = recording.bead_id
            where recording.withdrawn_at is null and bead.withdrawn_at is null
                and not exists (
                    select from named_recording as later where later.recording_id = named.recording_id and later.seq > named.seq)
            """,
            new { deviation = EnumText.Of(deviation), Newest },
            cancel
        );
        return [.. rows.Select(row => (row.BeadId, Jsonb.Read<RoomClip>(row.Clip)))];
    }
}
