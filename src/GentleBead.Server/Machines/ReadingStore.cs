using Dapper;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Server.Database;

namespace GentleBead.Server.Machines;

/// <summary>A measured point with its id.</summary>
/// <param name="Id">Which reading.</param>
/// <param name="Control">On which control.</param>
/// <param name="Mark">Where it stood.</param>
/// <param name="Measured">What was measured: m/min, volts or amperes.</param>
/// <param name="Seconds">Seconds on the watch, where wire was measured with a ruler.</param>
/// <param name="Length">Length on the ruler.</param>
/// <param name="TakenAt">When.</param>
public sealed record TakenReading(
    Guid Id,
    ReadControl Control,
    double Mark,
    double Measured,
    double? Seconds,
    Length? Length,
    DateTimeOffset TakenAt
);

/// <summary>What was measured at machines' controls, in the database.</summary>
public sealed class ReadingStore(SchoolDatabase database)
{
    // A calibration is made of the newest readings.
    private const int ReadingsKept = 200;

    /// <summary>A machine's newest readings that are not withdrawn, by mark.</summary>
    public async Task<IReadOnlyList<TakenReading>> OfMachineAsync(Guid machineId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(
            Guid Id,
            string Control,
            double Mark,
            double Measured,
            double? Seconds,
            double? LengthMm,
            DateTime TakenAt
        )>(
            """
            select id, control, mark, measured, seconds, length_mm, taken_at
            from (select * from reading where machine_id = @machineId and withdrawn_at is null
                order by seq desc limit @ReadingsKept) as newest order by mark, seq
            """,
            new { machineId, ReadingsKept },
            cancel
        );
        return
        [
            .. rows.Select(row => new TakenReading(
                row.Id,
                EnumText.Read<ReadControl>(row.Control),
                row.Mark,
                row.Measured,
                row.Seconds,
                row.LengthMm is { } mm ? Length.FromMm(mm) : null,
                row.TakenAt
            )),
        ];
    }

    /// <summary>Whether a reading was taken under this id already with the same request.</summary>
    public async Task<bool> IsTakenAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.IsRepeatAsync("reading", id, sent, cancel);
    }

    /// <summary>Adds a reading; the same id again changes nothing.</summary>
    /// <param name="machineId">On which machine.</param>
    /// <param name="reading">The reading; its time is not looked at where <paramref name="at"/> is null.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="at">When; null for now.</param>
    public async Task AddAsync(
        Guid machineId,
        TakenReading reading,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "reading",
            """
            insert into reading (id, machine_id, control, mark, measured, seconds, length_mm, taken_at, sent)
            values (@Id, @machineId, @control, @Mark, @Measured, @Seconds, @lengthMm, coalesce(@at, now()), @sent)
                on conflict (id) do nothing
            """,
            new
            {
                reading.Id,
                machineId,
                control = EnumText.Of(reading.Control),
                reading.Mark,
                reading.Measured,
                reading.Seconds,
                lengthMm = reading.Length?.Mm,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            reading.Id,
            sent,
            cancel
        );
    }

    /// <summary>Takes a wrong reading out of the calibration, or puts it back. False when there is no such reading.</summary>
    public async Task<bool> SetWithdrawnAsync(Guid machineId, Guid readingId, bool withdrawn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update reading set withdrawn_at = case when @withdrawn then now() end where id = @readingId and machine_id = @machineId",
                new
                {
                    machineId,
                    readingId,
                    withdrawn,
                },
                cancel
            ) == 1;
    }
}
