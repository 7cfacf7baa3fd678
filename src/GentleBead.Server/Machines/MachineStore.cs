using Dapper;
using GentleBead.Core.Machines;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Machines;

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
        var readings = (await connection.QueryAsync<ReadingRow>(
            "select control, mark, measured from reading where machine_id = @id order by mark, taken_at", new { id })).ToLookup(reading => reading.Control);
        return new Machine(
            row.Name, Words.Read<Wire>(row.Wire),
            new Control(Words.Read<ControlKind>(row.WireKind), row.WireLowestMark, row.WireHighestMark, row.WireMarkStep, row.WireUnit, Points("wire")),
            new Control(Words.Read<ControlKind>(row.VoltKind), row.VoltLowestMark, row.VoltHighestMark, row.VoltMarkStep, row.VoltUnit, Points("volt")));

        Reading[] Points(string control) => [.. readings[control].Select(reading => new Reading(reading.Mark, reading.Measured))];
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

    /// <summary>Adds a reading; the same id again changes nothing.</summary>
    /// <param name="id">The reading's id.</param>
    /// <param name="machineId">Which machine.</param>
    /// <param name="control">"wire" or "volt".</param>
    /// <param name="reading">Mark and measured value, m/min or V.</param>
    public async Task AddReadingAsync(Guid id, Guid machineId, string control, Reading reading)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into reading (id, machine_id, control, mark, measured) values (@id, @machineId, @control, @Mark, @Measured) on conflict (id) do nothing",
            new { id, machineId, control, reading.Mark, reading.Measured });
    }

    private sealed record Row(
        string Name, string Wire, string WireKind, double WireLowestMark, double WireHighestMark, double WireMarkStep, string WireUnit,
        string VoltKind, double VoltLowestMark, double VoltHighestMark, double VoltMarkStep, string VoltUnit);

    private sealed record ReadingRow(string Control, double Mark, double Measured);
}
