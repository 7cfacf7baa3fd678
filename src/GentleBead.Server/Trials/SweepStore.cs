using Dapper;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Core.Trials;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Windows;

namespace GentleBead.Server.Trials;

/// <summary>A wire sweep as it was run.</summary>
/// <param name="Id">Which sweep.</param>
/// <param name="MachineId">On which machine.</param>
/// <param name="Arc">With which process, wire and gas.</param>
/// <param name="Volts">The volts held.</param>
/// <param name="StickOut">Tip to work while it was run; null: the usual one.</param>
/// <param name="Run">Marks and clock.</param>
/// <param name="Finding">What it found.</param>
/// <param name="RunAt">When.</param>
/// <param name="Student">The student who ran it at a booth by themselves; null where an instructor did.</param>
/// <param name="Counts">Whether the machine learns from it: a student's own once an instructor has taken it.</param>
public sealed record RunSweep(
    Guid Id,
    Guid MachineId,
    WireArc Arc,
    Voltage Volts,
    Length? StickOut,
    SweepRun Run,
    SweepFinding Finding,
    DateTimeOffset RunAt,
    string? Student = null,
    bool Counts = true
);

/// <summary>Sweeps in the database. A sweep is withdrawn, never deleted.</summary>
public sealed class SweepStore(SchoolDatabase database)
{
    private const int Page = 40;

    private const string Columns = """
        id, machine_id as "MachineId", process, wire, gas, volts, stick_out_mm as "StickOut", run, finding, run_at as "RunAt",
        case when own then (select name from person where person.id = run_by) end as "Student", not own or taken_at is not null as "Counts"
        """;

    /// <summary>Adds a sweep, and fits its window anew; the same id again changes nothing.</summary>
    /// <param name="sweep">The sweep; its time is not looked at where <paramref name="at"/> is null.</param>
    /// <param name="by">Who ran it.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="own">Whether a student ran it by themselves.</param>
    /// <param name="at">When; null for now.</param>
    public async Task AddAsync(RunSweep sweep, Guid by, bool own, Sent sent, DateTimeOffset? at = null, CancellationToken cancel = default)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await GroundStore.TakeTurnOfAsync(connection, sweep.MachineId, cancel);
        await connection.AddOnceAsync(
            "sweep",
            """
            insert into sweep (id, machine_id, process, wire, gas, volts, stick_out_mm, run, finding, run_by, own, run_at, sent)
            values (@Id, @MachineId, @process, @wire, @gas, @volts, @stickOut, @run, @finding, @by, @own, coalesce(@at, now()), @sent)
                on conflict (id) do nothing
            """,
            new
            {
                sweep.Id,
                sweep.MachineId,
                process = EnumText.Of(sweep.Arc.Process),
                wire = EnumText.Of(sweep.Arc.Wire),
                gas = EnumText.Of(sweep.Arc.Gas),
                volts = sweep.Volts.Volts,
                stickOut = sweep.StickOut?.Mm,
                run = new Jsonb<SweepRun>(sweep.Run),
                finding = new Jsonb<SweepFinding>(sweep.Finding),
                by,
                own,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            sweep.Id,
            sent,
            cancel
        );
        await WindowStore.RefitAsync(connection, sweep.MachineId, sweep.Arc, cancel);
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Whether a sweep was added under this id already with the same request.</summary>
    public async Task<bool> IsRepeatAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.IsRepeatAsync("sweep", id, sent, cancel);
    }

    /// <summary>One sweep, withdrawn or not.</summary>
    public async Task<RunSweep?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from sweep where id = @id", new { id }, cancel))?.Sweep;
    }

    /// <summary>A machine's newest sweeps that are not withdrawn, newest first.</summary>
    public async Task<IReadOnlyList<RunSweep>> OfMachineAsync(Guid machineId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            $"select {Columns} from sweep where machine_id = @machineId and withdrawn_at is null order by seq desc limit @Page",
            new { machineId, Page },
            cancel
        );
        return [.. rows.Select(row => row.Sweep)];
    }

    /// <summary>Takes a sweep away, or puts it back, and fits its window anew.</summary>
    public Task<bool> SetWithdrawnAsync(Guid id, bool withdrawn, CancellationToken cancel) =>
        SetAsync(id, "withdrawn_at = case when @withdrawn then now() end", new { id, withdrawn }, cancel);

    /// <summary>Lets the machine learn from a student's own sweep, or not any more, and fits its window anew.</summary>
    /// <param name="id">Which sweep.</param>
    /// <param name="by">The instructor who takes it; null to leave it again.</param>
    public Task<bool> SetTakenAsync(Guid id, Guid? by, CancellationToken cancel) =>
        SetAsync(id, "taken_by = @by, taken_at = case when @by::uuid is not null then now() end", new { id, by }, cancel);

    private async Task<bool> SetAsync(Guid id, string change, object with, CancellationToken cancel)
    {
        if (await FindAsync(id, cancel) is not { } sweep)
            return false;
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        await GroundStore.TakeTurnOfAsync(connection, sweep.MachineId, cancel);
        await connection.ExecuteAsync($"update sweep set {change} where id = @id", with, cancel);
        await WindowStore.RefitAsync(connection, sweep.MachineId, sweep.Arc, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    private sealed record Row(
        Guid Id,
        Guid MachineId,
        string Process,
        string Wire,
        string Gas,
        double Volts,
        double? StickOut,
        string Run,
        string Finding,
        DateTime RunAt,
        string? Student,
        bool Counts
    )
    {
        public RunSweep Sweep =>
            new(
                Id,
                MachineId,
                new WireArc(EnumText.Read<Process>(Process), EnumText.Read<Wire>(Wire), EnumText.Read<Gas>(Gas)),
                Voltage.FromVolts(Volts),
                StickOut is { } mm ? Length.FromMm(mm) : null,
                Jsonb.Read<SweepRun>(Run),
                Jsonb.Read<SweepFinding>(Finding),
                RunAt,
                Student,
                Counts
            );
    }
}
