using Dapper;
using GentleBead.Server.Database;
using GentleBead.Server.People;

namespace GentleBead.Server.Floor;

/// <summary>Everything is stopped.</summary>
/// <param name="Id">Which.</param>
/// <param name="RoomName">From which room it was called.</param>
/// <param name="By">By whom.</param>
/// <param name="At">When.</param>
public sealed record StandingStop(Guid Id, string RoomName, string By, DateTimeOffset At);

/// <summary>Stops in the database: the newest that was not ended stands, on every screen of the school.</summary>
public sealed class StopStore(SchoolDatabase database)
{
    /// <summary>The stop that stands; null where none does.</summary>
    public async Task<StandingStop?> NowAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QueryFirstOrDefaultAsync<(Guid Id, string Room, string By, DateTime At)?>(
            """
            select stop.id, room.name, person.name, stop.stopped_at from stop join room on room.id = stop.room_id
            join person on person.id = stop.stopped_by where stop.ended_at is null order by stop.seq desc limit 1
            """,
            null,
            cancel
        );
        return row is { } stop ? new(stop.Id, stop.Room, stop.By, stop.At) : null;
    }

    /// <summary>Stops everything; the same id again changes nothing.</summary>
    public async Task StopAsync(Guid id, Guid roomId, string roomName, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var added = await connection.AddOnceAsync(
            "stop",
            "insert into stop (id, room_id, stopped_by, sent) values (@id, @roomId, @by, @sent) on conflict (id) do nothing",
            new
            {
                id,
                roomId,
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        if (added)
            await Trail.LeaveAsync(connection, by, "stopped", roomName, roomId, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Ends a stop and those called before it; one that was called since is none that was seen to.</summary>
    /// <returns>Whether there is such a stop.</returns>
    public async Task<bool> EndAsync(Guid id, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var ended = await connection.QueryAsync<(Guid RoomId, string Room)>(
            """
            update stop set ended_at = now(), ended_by = @by from room
            where stop.ended_at is null and room.id = stop.room_id and stop.seq <= (select seq from stop where id = @id)
            returning room.id, room.name
            """,
            new { id, by },
            cancel
        );
        foreach (var (roomId, name) in ended.AsList())
            await Trail.LeaveAsync(connection, by, "stopEnded", name, roomId, cancel);
        await transaction.CommitAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from stop where id = @id)", new { id }, cancel);
    }
}
