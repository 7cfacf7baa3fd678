using Dapper;
using GentleBead.Core.Looking;
using GentleBead.Server.Database;

namespace GentleBead.Server.Looking;

/// <summary>What was read of beads' backs, in the database; only added to.</summary>
public sealed class BackStore(SchoolDatabase database)
{
    /// <summary>Adds a reading; the same id again changes nothing.</summary>
    /// <param name="id">The reading's id.</param>
    /// <param name="pictureId">Of which picture.</param>
    /// <param name="proposed">What the eye said by itself.</param>
    /// <param name="kept">What was kept.</param>
    /// <param name="by">Who kept it, and what was sent.</param>
    /// <param name="cancel">Cancels it.</param>
    /// <exception cref="OtherBodyException">The id is taken by another.</exception>
    public async Task AddAsync(Guid id, Guid pictureId, BackSeen proposed, BackSeen kept, (Guid By, Sent Sent) by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "back_reading",
            """
            insert into back_reading (id, picture_id, proposed, kept, read_by, sent)
            values (@id, @pictureId, @proposed, @kept, @by, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                pictureId,
                proposed = new Jsonb<BackSeen>(proposed),
                kept = new Jsonb<BackSeen>(kept),
                by = by.By,
                sent = by.Sent.Hash,
            },
            id,
            by.Sent,
            cancel
        );
    }

    /// <summary>What stands of a picture's back; null where nothing was kept.</summary>
    public async Task<BackSeen?> NewestAsync(Guid pictureId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
            await connection.ExecuteScalarAsync<string?>(
                "select kept from back_reading where picture_id = @pictureId order by seq desc limit 1",
                new { pictureId },
                cancel
            )
                is { } kept
            ? Jsonb.Read<BackSeen>(kept)
            : null;
    }
}
