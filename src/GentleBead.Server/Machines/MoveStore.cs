using Dapper;
using GentleBead.Server.Database;

namespace GentleBead.Server.Machines;

/// <summary>Where a machine was put, and when.</summary>
/// <param name="BoothId">Which booth; null for none.</param>
/// <param name="BoothNumber">Its number; null with it.</param>
/// <param name="RoomName">Its room; null with it.</param>
/// <param name="Note">Why, or where else it went; empty without.</param>
/// <param name="By">Who moved it; null where it stood there before moves were noted.</param>
/// <param name="At">When.</param>
public sealed record MachineMove(Guid? BoothId, int? BoothNumber, string? RoomName, string Note, string? By, DateTimeOffset At);

/// <summary>Where machines stand and stood. Moves are only added to; the newest says where a machine is.</summary>
public sealed class MoveStore(SchoolDatabase database)
{
    // A page shows the newest; a machine moves a few times a year.
    private const int Shown = 30;

    /// <summary>Puts a machine into a booth; the same id again changes nothing.</summary>
    /// <param name="id">Which move.</param>
    /// <param name="machineId">Which machine.</param>
    /// <param name="boothId">Into which booth; null for none.</param>
    /// <param name="note">Why, or where it went; up to 200 letters.</param>
    /// <param name="by">Who moves it; null for nobody in particular.</param>
    /// <param name="sent">What was sent.</param>
    public async Task MoveAsync(Guid id, Guid machineId, Guid? boothId, string note, Guid? by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // Two moves of one machine take turns: the later one is where it stands.
        await connection.ExecuteAsync("select id from machine where id = @machineId for update", new { machineId }, cancel);
        var added = await connection.AddOnceAsync(
            "machine_move",
            """
            insert into machine_move (id, machine_id, booth_id, note, moved_by, sent) values (@id, @machineId, @boothId, @note, @by, @sent)
            on conflict (id) do nothing
            """,
            new
            {
                id,
                machineId,
                boothId,
                note,
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        if (added)
        {
            await connection.ExecuteAsync(
                "update machine set booth_id = @boothId, moved = (select seq from machine_move where id = @id) where id = @machineId",
                new
                {
                    id,
                    machineId,
                    boothId,
                },
                cancel
            );
        }
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Where a machine was put, newest first.</summary>
    public async Task<IReadOnlyList<MachineMove>> OfMachineAsync(Guid machineId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid? BoothId, int? Number, string? Room, string Note, string? By, DateTime At)>(
            """
            select booth.id, booth.number, room.name, machine_move.note, person.name, machine_move.moved_at
            from machine_move left join booth on booth.id = machine_move.booth_id left join room on room.id = booth.room_id
                left join person on person.id = machine_move.moved_by
            where machine_move.machine_id = @machineId order by machine_move.seq desc limit @Shown
            """,
            new { machineId, Shown },
            cancel
        );
        return [.. rows.Select(row => new MachineMove(row.BoothId, row.Number, row.Room, row.Note, row.By, row.At))];
    }
}
