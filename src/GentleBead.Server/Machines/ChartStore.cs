using Dapper;
using GentleBead.Core.Machines;
using GentleBead.Server.Database;

namespace GentleBead.Server.Machines;

/// <summary>A door chart as entered.</summary>
public sealed record EnteredChart(Guid Id, DoorChart Chart, DateTimeOffset EnteredAt);

/// <summary>Door charts in the database.</summary>
public sealed class ChartStore(SchoolDatabase database)
{
    /// <summary>A machine's charts that are not withdrawn: the newest for each process, wire and gas.</summary>
    public async Task<IReadOnlyList<EnteredChart>> OfMachineAsync(Guid machineId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, string Body, DateTime EnteredAt)>(
            """
            select id, body, entered_at from (
                select distinct on (process, wire, gas) id, body, entered_at, withdrawn_at, seq from door_chart
                where machine_id = @machineId order by process, wire, gas, seq desc) as newest
            where withdrawn_at is null order by seq
            """,
            new { machineId },
            cancel
        );
        return [.. rows.Select(row => new EnteredChart(row.Id, Jsonb.Read<DoorChart>(row.Body), row.EnteredAt))];
    }

    /// <summary>Adds a chart, which then stands for its process, wire and gas; the same id again changes nothing.</summary>
    public async Task AddAsync(
        Guid id,
        Guid machineId,
        DoorChart chart,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "door_chart",
            """
            insert into door_chart (id, machine_id, process, wire, gas, body, entered_by, entered_at, sent)
            values (@id, @machineId, @process, @wire, @gas, @body, @by, coalesce(@at, now()), @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                machineId,
                process = EnumText.Of(chart.Process),
                wire = EnumText.Of(chart.Wire),
                gas = EnumText.Of(chart.Gas),
                body = new Jsonb<DoorChart>(chart),
                by,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Takes a chart away, or puts it back. False when there is no such chart.</summary>
    public async Task<bool> SetWithdrawnAsync(Guid machineId, Guid chartId, bool withdrawn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update door_chart set withdrawn_at = case when @withdrawn then now() end where id = @chartId and machine_id = @machineId",
                new
                {
                    machineId,
                    chartId,
                    withdrawn,
                },
                cancel
            ) == 1;
    }
}
