using Dapper;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;
using GentleBead.Core.Trials;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Trials;

/// <summary>A wire sweep as it was run.</summary>
/// <param name="Id">Which sweep.</param>
/// <param name="MachineId">On which machine.</param>
/// <param name="Arc">With which process, wire and gas.</param>
/// <param name="Volts">The volts held.</param>
/// <param name="Run">Marks and clock.</param>
/// <param name="Finding">What it found.</param>
/// <param name="RunAt">When.</param>
public sealed record RunSweep(Guid Id, Guid MachineId, WireArc Arc, Voltage Volts, SweepRun Run, SweepFinding Finding, DateTimeOffset RunAt);

/// <summary>Sweeps in the database. A sweep is withdrawn, never deleted.</summary>
public sealed class SweepStore(NpgsqlDataSource database)
{
    private const string Columns = "id, machine_id as \"MachineId\", process, wire, gas, volts, run, finding, run_at as \"RunAt\"";

    /// <summary>Adds a sweep; the same id again changes nothing.</summary>
    public async Task AddAsync(RunSweep sweep, Guid by)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            """
            insert into sweep (id, machine_id, process, wire, gas, volts, run, finding, run_by, run_at)
            values (@Id, @MachineId, @process, @wire, @gas, @volts, @run, @finding, @by, @at) on conflict (id) do nothing
            """,
            new
            {
                sweep.Id,
                sweep.MachineId,
                process = Words.Of(sweep.Arc.Process),
                wire = Words.Of(sweep.Arc.Wire),
                gas = Words.Of(sweep.Arc.Gas),
                volts = sweep.Volts.Volts,
                run = new Jsonb<SweepRun>(sweep.Run),
                finding = new Jsonb<SweepFinding>(sweep.Finding),
                by,
                at = sweep.RunAt.UtcDateTime,
            });
    }

    /// <summary>One sweep, withdrawn or not.</summary>
    public async Task<RunSweep?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from sweep where id = @id", new { id }))?.Sweep;
    }

    /// <summary>The standing sweeps of a machine, newest first.</summary>
    public async Task<IReadOnlyList<RunSweep>> OfMachineAsync(Guid machineId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return [.. (await connection.QueryAsync<Row>($"select {Columns} from sweep where machine_id = @machineId and withdrawn_at is null order by run_at desc", new { machineId })).Select(row => row.Sweep)];
    }

    /// <summary>Takes a sweep away, or puts it back.</summary>
    public async Task<bool> SetWithdrawnAsync(Guid id, bool withdrawn)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.ExecuteAsync("update sweep set withdrawn_at = case when @withdrawn then now() end where id = @id", new { id, withdrawn }) == 1;
    }

    private sealed record Row(Guid Id, Guid MachineId, string Process, string Wire, string Gas, double Volts, string Run, string Finding, DateTime RunAt)
    {
        public RunSweep Sweep => new(
            Id, MachineId, new WireArc(Words.Read<Process>(Process), Words.Read<Wire>(Wire), Words.Read<Gas>(Gas)), Voltage.FromVolts(Volts),
            Jsonb.Read<SweepRun>(Run), Jsonb.Read<SweepFinding>(Finding), RunAt);
    }
}
