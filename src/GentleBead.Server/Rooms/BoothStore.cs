using System.Globalization;
using Dapper;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Rooms;

/// <summary>A room of the school.</summary>
/// <param name="Id">Which room.</param>
/// <param name="Name">What it is called, 1 to 60 letters; no two alike.</param>
/// <param name="Version">Raised by every change; what a change has to name.</param>
public sealed record SchoolRoom(Guid Id, string Name, int Version = 1);

/// <summary>A booth of a room.</summary>
/// <param name="Id">Which booth.</param>
/// <param name="Number">Its number, 1 to 999; no two alike in a room.</param>
/// <param name="RoomId">Its room.</param>
/// <param name="MachineId">Of the machines in it the one that came first; null where none stands there.</param>
/// <param name="Version">Raised by every change; what a change has to name.</param>
public sealed record Booth(Guid Id, int Number, Guid RoomId, Guid? MachineId = null, int Version = 1);

/// <summary>A machine that stands in a booth.</summary>
/// <param name="Id">Which machine.</param>
/// <param name="Name">What the room calls it.</param>
public sealed record StandingMachine(Guid Id, string Name);

/// <summary>A booth and what stands in it.</summary>
/// <param name="Booth">Which booth.</param>
/// <param name="Machines">The machines in it, in the order they came.</param>
public sealed record BoothWithMachines(Booth Booth, IReadOnlyList<StandingMachine> Machines);

/// <summary>Rooms and their booths in the database.</summary>
public sealed class BoothStore(SchoolDatabase database)
{
    private const string Columns = "id, number, room_id as \"RoomId\", machine_id as \"MachineId\", version";

    /// <summary>Every room, the oldest first.</summary>
    public async Task<IReadOnlyList<SchoolRoom>> RoomsAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return [.. await connection.QueryAsync<SchoolRoom>("select id, name, version from room order by seq limit 100", null, cancel)];
    }

    /// <summary>Every booth of a room, by number, with the machines in it.</summary>
    public async Task<IReadOnlyList<BoothWithMachines>> OfRoomAsync(Guid roomId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, int Number, Guid? MachineId, int Version, string? Machines)>(
            """
            select id, number, machine_id, version, (
                select json_agg(json_build_object('id', machine.id, 'name', machine.name) order by machine.moved)
                from machine where machine.booth_id = booth.id)
            from booth_now as booth where room_id = @roomId order by number
            """,
            new { roomId },
            cancel
        );
        return
        [
            .. rows.Select(row => new BoothWithMachines(
                new Booth(row.Id, row.Number, roomId, row.MachineId, row.Version),
                row.Machines is null ? [] : Jsonb.Read<IReadOnlyList<StandingMachine>>(row.Machines)
            )),
        ];
    }

    /// <summary>One booth; null where there is none.</summary>
    public async Task<Booth?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<Booth>($"select {Columns} from booth_now where id = @id", new { id }, cancel);
    }

    /// <summary>One room; null where there is none.</summary>
    public async Task<SchoolRoom?> FindRoomAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<SchoolRoom>(
            "select id, name, version from room where id = @id",
            new { id },
            cancel
        );
    }

    /// <summary>One room, or the first where none is named; null where there is none.</summary>
    public async Task<SchoolRoom?> RoomOrFirstAsync(Guid? id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QueryFirstOrDefaultAsync<SchoolRoom>(
            "select id, name, version from room where @id::uuid is null or id = @id order by seq limit 1",
            new { id },
            cancel
        );
    }

    /// <summary>The booth of a number in a room: the one that is there, or else this one.</summary>
    public async Task<Guid> OfNumberAsync(Booth booth, Guid? by, Sent sent, CancellationToken cancel)
    {
        await AddAsync(booth, by, sent, cancel);
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<Guid>(
            "select id from booth where room_id = @RoomId and number = @Number",
            booth,
            cancel
        );
    }

    /// <summary>Adds a room; the same id again changes nothing. False when its name is another's.</summary>
    public async Task<bool> AddRoomAsync(SchoolRoom room, Guid? by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var added = await connection.AddOnceAsync(
            "room",
            "insert into room (id, name, sent) values (@Id, @Name, @sent) on conflict do nothing",
            new
            {
                room.Id,
                room.Name,
                sent = sent.Hash,
            },
            room.Id,
            sent,
            cancel
        );
        if (added)
            await Trail.LeaveAsync(connection, by, "roomAdded", room.Name, room.Id, cancel);
        await transaction.CommitAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from room where id = @Id)", room, cancel);
    }

    /// <summary>Gives a room another name.</summary>
    public Task<Change> RenameAsync(SchoolRoom room, Guid by, CancellationToken cancel) =>
        ChangeAsync(
            "update room set name = @Name, version = version + 1 where id = @Id and version = @Version",
            room,
            connection => Trail.LeaveAsync(connection, by, "roomChanged", room.Name, room.Id, cancel),
            cancel
        );

    /// <summary>Adds a booth; the same id again changes nothing. False when its number is another's in that room.</summary>
    public async Task<bool> AddAsync(Booth booth, Guid? by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var added = await connection.AddOnceAsync(
            "booth",
            "insert into booth (id, number, room_id, sent) values (@Id, @Number, @RoomId, @sent) on conflict do nothing",
            new
            {
                booth.Id,
                booth.Number,
                booth.RoomId,
                sent = sent.Hash,
            },
            booth.Id,
            sent,
            cancel
        );
        if (added)
            await Trail.LeaveAsync(connection, by, "boothAdded", Called(booth.Number), booth.Id, cancel);
        await transaction.CommitAsync(cancel);
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from booth where id = @Id)", booth, cancel);
    }

    /// <summary>Gives a booth another number.</summary>
    public Task<Change> RenumberAsync(Booth booth, Guid by, CancellationToken cancel) =>
        ChangeAsync(
            "update booth set number = @Number, version = version + 1 where id = @Id and version = @Version",
            booth,
            connection => Trail.LeaveAsync(connection, by, "boothChanged", Called(booth.Number), booth.Id, cancel),
            cancel
        );

    private static string Called(int number) => number.ToString(CultureInfo.InvariantCulture);

    private async Task<Change> ChangeAsync(string update, object row, Func<NpgsqlConnection, Task> leave, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        try
        {
            if (await connection.ExecuteAsync(update, row, cancel) == 0)
                return Change.Older;
            await leave(connection);
            await transaction.CommitAsync(cancel);
            return Change.Made;
        }
        catch (PostgresException taken) when (taken.SqlState == PostgresErrorCodes.UniqueViolation)
        {
            return Change.Taken;
        }
    }
}

/// <summary>What came of a change.</summary>
public enum Change
{
    /// <summary>It was made.</summary>
    Made,

    /// <summary>It was made from an older version, or what it is about is not there.</summary>
    Older,

    /// <summary>The name or number is another's.</summary>
    Taken,
}
