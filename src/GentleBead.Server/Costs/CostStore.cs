using Dapper;
using GentleBead.Core.Costs;
using GentleBead.Core.Machines;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;

namespace GentleBead.Server.Costs;

/// <summary>What a school pays for what is used up, in an edition.</summary>
/// <param name="Edition">Which edition; 0 before anybody noted prices.</param>
/// <param name="Prices">The prices.</param>
public sealed record PriceEdition(int Edition, PriceList Prices);

/// <summary>Whole months.</summary>
/// <param name="From">The first day of the first.</param>
/// <param name="Until">The first day of the last.</param>
public sealed record Months(DateOnly From, DateOnly Until);

/// <summary>What was used on machines, and their names.</summary>
/// <typeparam name="T">What of it.</typeparam>
/// <param name="Rows">What was used.</param>
/// <param name="Names">Machines by name.</param>
public sealed record Used<T>(IReadOnlyList<T> Rows, IReadOnlyDictionary<Guid, string> Names);

/// <summary>What was used, as it is kept up month by month, and what it costs.</summary>
public sealed class CostStore(SchoolDatabase database)
{
    /// <summary>The prices that stand.</summary>
    public async Task<PriceEdition> PricesAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QueryFirstOrDefaultAsync<(int Edition, string Body)?>(
            "select edition, body from price_edition order by edition desc limit 1",
            null,
            cancel
        );
        return row is { } found ? new(found.Edition, Jsonb.Read<PriceList>(found.Body)) : new(0, PriceList.None);
    }

    /// <summary>Notes other prices. False where somebody did since the edition named.</summary>
    public async Task<bool> SetAsync(Guid id, PriceList prices, int seen, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (await connection.IsRepeatAsync("price_edition", id, sent, cancel))
            return true;
        return await connection.AddEditionAsync("price_edition", null, new NewEdition<PriceList>(id, null, seen, prices, by, sent), cancel);
    }

    /// <summary>What machines were used for.</summary>
    public async Task<Used<ArcUse>> UsesAsync(Months months, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<UseRow>(
            """
            select (select name from machine where id = machine_id) as "Name", machine_id as "MachineId",
                process as "Process", wire as "Wire", gas as "Gas", sum(beads)::int as "Beads",
                sum(right_beads)::int as "Right", sum(timed_beads)::int as "Timed", sum(arc_seconds) as "ArcSeconds",
                sum(wire_m) as "WireM", sum(gas_l) as "GasL"
            from machine_use where month between @From and @Until group by machine_id, process, wire, gas
            """,
            months,
            cancel
        );
        return new(
            [.. rows.Select(row => row.Use)],
            rows.DistinctBy(row => row.MachineId).ToDictionary(row => row.MachineId, row => row.Name)
        );
    }

    /// <summary>Parts that were replaced.</summary>
    public async Task<Used<PartUse>> PartsAsync(Months months, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid MachineId, string Name, string Part, int Count)>(
            $"""
            select machine_id, (select name from machine where id = machine_id), part, count(*)::int
            from upkeep where replaced and {Within("done_at")} group by machine_id, part
            """,
            months,
            cancel
        );
        return new(
            [.. rows.Select(row => new PartUse(row.MachineId, EnumText.Read<Part>(row.Part), row.Count))],
            rows.DistinctBy(row => row.MachineId).ToDictionary(row => row.MachineId, row => row.Name)
        );
    }

    /// <summary>Gas that went by the gauge: what a bottle lost from one reading to the next, while it was the same size.</summary>
    public async Task<IReadOnlyList<BottleUse>> BottlesAsync(Months months, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
        [
            .. await connection.QueryAsync<BottleUse>(
                $"""
                select machine_id as "MachineId", sum(water_l * (before - bar)) as "Litres"
                from (select machine_id, water_l, bar, lag(bar) over of_machine as before, lag(water_l) over of_machine as same
                    from bottle_reading where {Within("read_at")} window of_machine as (partition by machine_id order by seq)) as readings
                where before > bar and same = water_l group by machine_id
                """,
                months,
                cancel
            ),
        ];
    }

    // Months are UTC's here, as they are in machine_use.
    private static string Within(string column) =>
        $"{column} >= @From::timestamp at time zone 'UTC' and {column} < (@Until + interval '1 month') at time zone 'UTC'";

    private sealed record UseRow(
        string Name,
        Guid MachineId,
        string Process,
        string Wire,
        string Gas,
        int Beads,
        int Right,
        int Timed,
        double ArcSeconds,
        double WireM,
        double GasL
    )
    {
        public ArcUse Use =>
            new(
                MachineId,
                EnumText.Read<Process>(Process),
                Wire.Length == 0 ? null : EnumText.Read<Wire>(Wire),
                EnumText.Read<Gas>(Gas),
                Beads,
                Right,
                Timed,
                ArcSeconds,
                WireM,
                GasL
            );
    }
}
