using Dapper;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
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

    /// <summary>The current control for TIG; measured in amperes.</summary>
    Amp,
}

/// <summary>A measured point with its id.</summary>
/// <param name="Id">Which reading.</param>
/// <param name="Control">On which control.</param>
/// <param name="Mark">Where it stood.</param>
/// <param name="Measured">What was measured: m/min, volts or amperes.</param>
/// <param name="Seconds">Seconds on the watch, where wire was measured with a ruler.</param>
/// <param name="Length">Length on the ruler.</param>
/// <param name="TakenAt">When.</param>
public sealed record TakenReading(Guid Id, ReadControl Control, double Mark, double Measured, double? Seconds, Length? Length, DateTimeOffset TakenAt);

/// <summary>A door chart as entered.</summary>
public sealed record EnteredChart(Guid Id, DoorChart Chart, DateTimeOffset EnteredAt);

/// <summary>When a part was seen to.</summary>
public sealed record UpkeepDone(Part Part, DateTimeOffset DoneAt, string Note);

/// <summary>A bottle's pressure as read.</summary>
/// <param name="WaterL">Water volume in litres.</param>
/// <param name="Bar">Pressure on the gauge.</param>
/// <param name="ReadAt">When.</param>
public sealed record BottleReading(double WaterL, double Bar, DateTimeOffset ReadAt);

/// <summary>Machines in the database: their fronts, readings, loads, charts, upkeep and bottles.</summary>
public sealed class MachineStore(NpgsqlDataSource database)
{
    /// <summary>One machine with all its readings and what is on it; null when there is none by that id.</summary>
    public async Task<Machine?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        var row = await connection.QuerySingleOrDefaultAsync<(string Body, string? Load)?>(
            """
            select body, (select machine_load.body from machine_load where machine_id = machine.id order by loaded_at desc, machine_load.id desc limit 1)
            from machine where id = @id
            """,
            new { id });
        if (row is not { } found) return null;
        var machine = Jsonb.Read<Machine>(found.Body);
        var readings = (await TakenAsync(connection, id)).ToLookup(reading => reading.Control);
        return machine with
        {
            Load = found.Load is null ? machine.Load : Jsonb.Read<Load>(found.Load),
            WireControl = With(machine.WireControl, ReadControl.Wire),
            VoltControl = With(machine.VoltControl, ReadControl.Volt),
            AmpControl = With(machine.AmpControl, ReadControl.Amp),
        };

        Control? With(Control? control, ReadControl which) =>
            control is null ? null : control with { Readings = [.. readings[which].Select(reading => new Reading(reading.Mark, reading.Measured))] };
    }

    /// <summary>Adds a machine without readings; the same id again changes nothing. False when the name is another machine's.</summary>
    public async Task<bool> AddAsync(Guid id, Machine machine)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into machine (id, name, body) values (@id, @Name, @body) on conflict do nothing",
            new { id, machine.Name, body = new Jsonb<Machine>(WithoutReadings(machine)) });
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
            """
            insert into reading (id, machine_id, control, mark, measured, seconds, length_mm, taken_at)
            values (@Id, @machineId, @control, @Mark, @Measured, @Seconds, @lengthMm, @takenAt) on conflict (id) do nothing
            """,
            new { reading.Id, machineId, control = Words.Of(reading.Control), reading.Mark, reading.Measured, reading.Seconds, lengthMm = reading.Length?.Mm, takenAt = reading.TakenAt.UtcDateTime });
    }

    /// <summary>Takes a wrong reading out of the calibration, or puts it back. False when there is no such reading.</summary>
    public async Task<bool> SetReadingWithdrawnAsync(Guid machineId, Guid readingId, bool withdrawn)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.ExecuteAsync(
            "update reading set withdrawn_at = case when @withdrawn then now() end where id = @readingId and machine_id = @machineId", new { machineId, readingId, withdrawn }) == 1;
    }

    /// <summary>Notes what is on a machine; the same id again changes nothing.</summary>
    public async Task LoadAsync(Guid id, Guid machineId, Load load, Guid by, DateTimeOffset at)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into machine_load (id, machine_id, body, loaded_by, loaded_at) values (@id, @machineId, @body, @by, @at) on conflict (id) do nothing",
            new { id, machineId, body = new Jsonb<Load>(load), by, at = at.UtcDateTime });
    }

    /// <summary>The standing charts of a machine: the newest for each process, wire and gas.</summary>
    public async Task<IReadOnlyList<EnteredChart>> ChartsAsync(Guid machineId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(Guid Id, string Body, DateTime EnteredAt)>(
            """
            select id, body, entered_at from (
                select distinct on (process, wire, gas) id, body, entered_at, withdrawn_at from door_chart
                where machine_id = @machineId order by process, wire, gas, entered_at desc, id desc) as newest
            where withdrawn_at is null order by entered_at
            """,
            new { machineId });
        return [.. rows.Select(row => new EnteredChart(row.Id, Jsonb.Read<DoorChart>(row.Body), row.EnteredAt))];
    }

    /// <summary>Adds a chart, which then stands for its process, wire and gas; the same id again changes nothing.</summary>
    public async Task AddChartAsync(Guid id, Guid machineId, DoorChart chart, Guid by, DateTimeOffset at)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            """
            insert into door_chart (id, machine_id, process, wire, gas, body, entered_by, entered_at)
            values (@id, @machineId, @process, @wire, @gas, @body, @by, @at) on conflict (id) do nothing
            """,
            new { id, machineId, process = Words.Of(chart.Process), wire = Words.Of(chart.Wire), gas = Words.Of(chart.Gas), body = new Jsonb<DoorChart>(chart), by, at = at.UtcDateTime });
    }

    /// <summary>Takes a chart away, or puts it back. False when there is no such chart.</summary>
    public async Task<bool> SetChartWithdrawnAsync(Guid machineId, Guid chartId, bool withdrawn)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.ExecuteAsync(
            "update door_chart set withdrawn_at = case when @withdrawn then now() end where id = @chartId and machine_id = @machineId", new { machineId, chartId, withdrawn }) == 1;
    }

    /// <summary>When each part of a machine was last seen to.</summary>
    public async Task<IReadOnlyList<UpkeepDone>> UpkeepAsync(Guid machineId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(string Part, DateTime DoneAt, string Note)>(
            "select distinct on (part) part, done_at, note from upkeep where machine_id = @machineId order by part, done_at desc", new { machineId });
        return [.. rows.Select(row => new UpkeepDone(Words.Read<Part>(row.Part), row.DoneAt, row.Note))];
    }

    /// <summary>Notes that a part was seen to; the same id again changes nothing.</summary>
    public async Task AddUpkeepAsync(Guid id, Guid machineId, Part part, string note, Guid by, DateTimeOffset at)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into upkeep (id, machine_id, part, note, done_by, done_at) values (@id, @machineId, @part, @note, @by, @at) on conflict (id) do nothing",
            new { id, machineId, part = Words.Of(part), note, by, at = at.UtcDateTime });
    }

    /// <summary>The newest reading of a machine's bottle; null before the first.</summary>
    public async Task<BottleReading?> BottleAsync(Guid machineId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var row = await connection.QueryFirstOrDefaultAsync<(double WaterL, double Bar, DateTime ReadAt)?>(
            "select water_l, bar, read_at from bottle_reading where machine_id = @machineId order by read_at desc, id desc limit 1", new { machineId });
        return row is { } read ? new BottleReading(read.WaterL, read.Bar, read.ReadAt) : null;
    }

    /// <summary>Notes a bottle's pressure; the same id again changes nothing.</summary>
    public async Task AddBottleAsync(Guid id, Guid machineId, double waterL, double bar, Guid by, DateTimeOffset at)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into bottle_reading (id, machine_id, water_l, bar, read_by, read_at) values (@id, @machineId, @waterL, @bar, @by, @at) on conflict (id) do nothing",
            new { id, machineId, waterL, bar, by, at = at.UtcDateTime });
    }

    private static Machine WithoutReadings(Machine machine) => machine with
    {
        WireControl = machine.WireControl is null ? null : machine.WireControl with { Readings = [] },
        VoltControl = machine.VoltControl is null ? null : machine.VoltControl with { Readings = [] },
        AmpControl = machine.AmpControl is null ? null : machine.AmpControl with { Readings = [] },
    };

    private static async Task<TakenReading[]> TakenAsync(NpgsqlConnection connection, Guid machineId)
    {
        var rows = await connection.QueryAsync<(Guid Id, string Control, double Mark, double Measured, double? Seconds, double? LengthMm, DateTime TakenAt)>(
            "select id, control, mark, measured, seconds, length_mm, taken_at from reading where machine_id = @machineId and withdrawn_at is null order by mark, taken_at", new { machineId });
        return
        [
            .. rows.Select(row => new TakenReading(
                row.Id, Words.Read<ReadControl>(row.Control), row.Mark, row.Measured, row.Seconds, row.LengthMm is { } mm ? Length.FromMm(mm) : null, row.TakenAt)),
        ];
    }
}
