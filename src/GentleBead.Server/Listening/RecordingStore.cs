using Dapper;
using GentleBead.Core.Listening;
using GentleBead.Server.Database;

namespace GentleBead.Server.Listening;

/// <summary>Where a recording came from.</summary>
public enum RecordingOrigin
{
    /// <summary>A file.</summary>
    File,

    /// <summary>The browser's microphone.</summary>
    Microphone,

    /// <summary>The booth's simulated device.</summary>
    StandIn,
}

/// <summary>A recording of a bead, without its bytes.</summary>
/// <param name="Id">Which recording.</param>
/// <param name="BeadId">Of which bead.</param>
/// <param name="Origin">Where it came from.</param>
/// <param name="Name">The file's name, or what it was recorded with.</param>
/// <param name="Finding">What was found in it.</param>
/// <param name="Length">Its length in bytes.</param>
/// <param name="AddedAt">When.</param>
public sealed record Recording(
    Guid Id,
    Guid BeadId,
    RecordingOrigin Origin,
    string Name,
    Finding Finding,
    long Length,
    DateTimeOffset AddedAt
);

/// <summary>Recordings in the database, their bytes in parts. A recording is withdrawn, never deleted.</summary>
public sealed class RecordingStore(SchoolDatabase database)
{
    /// <summary>Length of a part in bytes; the last may be shorter.</summary>
    public const int PartBytes = 256 * 1024;

    private const string Columns =
        "select id, bead_id as \"BeadId\", origin, name, finding, length, added_at as \"AddedAt\" from recording";

    /// <summary>Adds a recording; the same id again changes nothing.</summary>
    public async Task AddAsync(
        Recording recording,
        ReadOnlyMemory<byte> bytes,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var added = await connection.AddOnceAsync(
            "recording",
            """
            insert into recording (id, bead_id, kind, origin, name, finding, length, added_by, added_at, sent)
            values (@Id, @BeadId, @kind, @origin, @Name, @finding, @Length, @by, coalesce(@at, now()), @sent) on conflict (id) do nothing
            """,
            new
            {
                recording.Id,
                recording.BeadId,
                kind = EnumText.Of(recording.Finding.Kind),
                origin = EnumText.Of(recording.Origin),
                recording.Name,
                finding = new Jsonb<Finding>(recording.Finding),
                recording.Length,
                by,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            recording.Id,
            sent,
            cancel
        );
        for (var number = 0; added && number * PartBytes < bytes.Length; number++)
        {
            var part = bytes[(number * PartBytes)..Math.Min(bytes.Length, (number + 1) * PartBytes)].ToArray();
            await connection.ExecuteAsync(
                "insert into recording_part (recording_id, number, bytes) values (@Id, @number, @part)",
                new
                {
                    recording.Id,
                    number,
                    part,
                },
                cancel
            );
        }
        await transaction.CommitAsync(cancel);
    }

    /// <summary>One recording that is not withdrawn.</summary>
    public async Task<Recording?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (
            await connection.QuerySingleOrDefaultAsync<Row>($"{Columns} where id = @id and withdrawn_at is null", new { id }, cancel)
        )?.Recording;
    }

    /// <summary>A bead's recordings that are not withdrawn, oldest first.</summary>
    public async Task<IReadOnlyList<Recording>> OfBeadAsync(Guid beadId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
        [
            .. (
                await connection.QueryAsync<Row>(
                    $"{Columns} where bead_id = @beadId and withdrawn_at is null order by seq limit 40",
                    new { beadId },
                    cancel
                )
            ).Select(row => row.Recording),
        ];
    }

    /// <summary>Whether a recording was added under this id already with the same file.</summary>
    public async Task<bool> IsRepeatAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.IsRepeatAsync("recording", id, sent, cancel);
    }

    /// <summary>Whose bead a recording is of that is not withdrawn; null where there is no such recording.</summary>
    public async Task<Guid?> StudentOfAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<Guid?>(
            "select student_id from recording join bead_verdict using (bead_id) where recording.id = @id and "
                + "recording.withdrawn_at is null",
            new { id },
            cancel
        );
    }

    /// <summary>One part of a recording's bytes.</summary>
    public async Task<byte[]> PartAsync(Guid id, int number, CancellationToken cancellation)
    {
        await using var connection = await database.OpenConnectionAsync(cancellation);
        return await connection.QuerySingleAsync<byte[]>(
            new CommandDefinition(
                "select bytes from recording_part where recording_id = @id and number = @number",
                new { id, number },
                cancellationToken: cancellation
            )
        );
    }

    /// <summary>Takes a recording away, or puts it back.</summary>
    /// <returns>The bead it belongs to; null where there is no such recording.</returns>
    public async Task<Guid?> SetWithdrawnAsync(Guid id, bool withdrawn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<Guid?>(
            "update recording set withdrawn_at = case when @withdrawn then now() end "
                + "where id = @id and let_go_at is null returning bead_id",
            new { id, withdrawn },
            cancel
        );
    }

    private sealed record Row(Guid Id, Guid BeadId, string Origin, string Name, string Finding, long Length, DateTime AddedAt)
    {
        public Recording Recording =>
            new(Id, BeadId, EnumText.Read<RecordingOrigin>(Origin), Name, Jsonb.Read<Finding>(Finding), Length, AddedAt);
    }
}
