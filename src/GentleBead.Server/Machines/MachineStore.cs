using Dapper;
using GentleBead.Core.Machines;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Machines;

/// <summary>Which control a reading was taken on.</summary>
public enum ReadControl
{
    /// <summary>The wire feed speed control; measured in m/min.</summary>
    Wire,

    /// <summary>The voltage control; measured in volts at the arc.</summary>
    Volt,
}

/// <summary>A measured point with its id.</summary>
public sealed record TakenReading(Guid Id, ReadControl Control, double Mark, double Measured);

/// <summary>Machines and their readings in the database.</summary>
public sealed class MachineStore(NpgsqlDataSource database)
{
    /// <summary>One machine with all its readings; null when there is none by that id.</summary>
    public async Task<Machine?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        var row = await connection.QuerySingleOrDefaultAsync<Row>(
            """
            select name, wire, wire_kind as "WireKind", wire_lowest_mark as "WireLowestMark", wire_highest_mark as "WireHighestMark",
                wire_mark_step as "WireMarkStep", wire_unit as "WireUnit", volt_kind as "VoltKind", volt_lowest_mark as "VoltLowestMark",
                volt_highest_mark as "VoltHighestMark", volt_mark_step as "VoltMarkStep", volt_unit as "VoltUnit"
            from machine where id = @id
            """,
            new { id });
        if (row is null) return null;
        var readings = (await TakenAsync(connection, id)).ToLookup(reading => reading.Control);
        return new Machine(
            row.Name, Words.Read<Wire>(row.Wire),
            new Control(Words.Read<ControlKind>(row.WireKind), row.WireLowestMark, row.WireHighestMark, row.WireMarkStep, row.WireUnit, Points(ReadControl.Wire)),
            new Control(Words.Read<ControlKind>(row.VoltKind), row.VoltLowestMark, row.VoltHighestMark, row.VoltMarkStep, row.VoltUnit, Points(ReadControl.Volt)));

        Reading[] Points(ReadControl control) => [.. readings[control].Select(reading => new Reading(reading.Mark, reading.Measured))];
    }

    /// <summary>Adds a machine without readings; the same id again changes nothing. False when the name is another machine's.</summary>
    public async Task<bool> AddAsync(Guid id, Machine machine)
    {
        await using var connection = await database.OpenConnectionAsync();
        var (wire, volt) = (machine.WireControl, machine.VoltControl);
        await connection.ExecuteAsync(
            """
            insert into machine (id, name, wire, wire_kind, wire_lowest_mark, wire_highest_mark, wire_mark_step, wire_unit,
                volt_kind, volt_lowest_mark, volt_highest_mark, volt_mark_step, volt_unit)
            values (@id, @Name, @loaded, @wireKind, @wireLowest, @wireHighest, @wireStep, @wireUnit,
                @voltKind, @voltLowest, @voltHighest, @voltStep, @voltUnit)
            on conflict do nothing
            """,
            new
            {
                id,
                machine.Name,
                loaded = Words.Of(machine.Wire),
                wireKind = Words.Of(wire.Kind),
                wireLowest = wire.LowestMark,
                wireHighest = wire.HighestMark,
                wireStep = wire.MarkStep,
                wireUnit = wire.Unit,
                voltKind = Words.Of(volt.Kind),
                voltLowest = volt.LowestMark,
                voltHighest = volt.HighestMark,
                voltStep = volt.MarkStep,
                voltUnit = volt.Unit,
            });
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from machine where id = @id and name = @Name)", new { id, machine.Name });
    }

    /// <summary>The standing readings of a machine, by mark.</summary>
    public async Task<IReadOnlyList<TakenReading>> ReadingsAsync(Guid machineId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await TakenAsync(connection, machineId);
    }

    /// <summary>Adds a reading; the same id again changes nothing.</summary>
    public async Task AddReadingAsync(Guid machineId, TakenReading reading)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into reading (id, machine_id, control, mark, measured) values (@Id, @machineId, @control, @Mark, @Measured) on conflict (id) do nothing",
            new { reading.Id, machineId, control = Words.Of(reading.Control), reading.Mark, reading.Measured });
    }

    /// <summary>Takes a wrong reading out of the calibration, or puts it back. False when there is no such reading.</summary>
    public async Task<bool> SetReadingWithdrawnAsync(Guid machineId, Guid readingId, bool withdrawn)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.ExecuteAsync(
            "update reading set withdrawn_at = case when @withdrawn then now() end where id = @readingId and machine_id = @machineId", new { machineId, readingId, withdrawn }) == 1;
    }

    private static async Task<TakenReading[]> TakenAsync(NpgsqlConnection connection, Guid machineId)
    {
        var rows = await connection.QueryAsync<(Guid Id, string Control, double Mark, double Measured)>(
            "select id, control, mark, measured from reading where machine_id = @machineId and withdrawn_at is null order by mark, taken_at", new { machineId });
        return [.. rows.Select(row => new TakenReading(row.Id, Words.Read<ReadControl>(row.Control), row.Mark, row.Measured))];
    }

    private sealed record Row(
        string Name, string Wire, string WireKind, double WireLowestMark, double WireHighestMark, double WireMarkStep, string WireUnit,
        string VoltKind, double VoltLowestMark, double VoltHighestMark, double VoltMarkStep, string VoltUnit);
}
