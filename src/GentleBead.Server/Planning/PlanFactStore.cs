using Dapper;
using GentleBead.Core.Machines;
using GentleBead.Core.Planning;
using GentleBead.Server.Database;
using GentleBead.Server.Machines;

namespace GentleBead.Server.Planning;

/// <summary>A machine of a room as a plan needs it.</summary>
/// <param name="BoothId">Its booth.</param>
/// <param name="Number">The booth's number.</param>
/// <param name="Id">Which machine.</param>
/// <param name="Machine">As calibrated and loaded now.</param>
/// <param name="Bottle">Its bottle as last read; null where nobody read it.</param>
public sealed record MachineToPlan(Guid BoothId, int Number, Guid Id, Machine Machine, BottleAt? Bottle);

/// <summary>Reads what a plan is made of and no other store has: a room's machines, how much arc students had, the slot begun.</summary>
public sealed class PlanFactStore(SchoolDatabase database)
{
    // A room of a school; a hall of more is planned in parts.
    private const int MostMachines = 120;

    /// <summary>The machines of a room, by booth and in the order they came; one query.</summary>
    public async Task<IReadOnlyList<MachineToPlan>> MachinesAsync(Guid roomId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            """
            select booth.id as "BoothId", booth.number as "Number", machine_now.id as "Id", machine_now.body as "Body",
                machine_now.load as "Load", machine_now.readings as "Readings", bottle.water_l as "WaterL", bottle.bar as "Bar"
            from booth join machine on machine.booth_id = booth.id join machine_now on machine_now.id = machine.id
            left join lateral (select water_l, bar from bottle_reading where machine_id = machine.id order by seq desc limit 1) as bottle
                on true
            where booth.room_id = @roomId order by booth.number, machine.moved limit @MostMachines
            """,
            new { roomId, MostMachines },
            cancel
        );
        return
        [
            .. rows.Select(row => new MachineToPlan(
                row.BoothId,
                row.Number,
                row.Id,
                StoredMachine.Read(row.Body, row.Load, row.Readings),
                row is { WaterL: { } water, Bar: { } bar } ? new(water, bar) : null
            )),
        ];
    }

    /// <summary>How many beads each student laid from a day on; those who laid none are left out.</summary>
    public async Task<IReadOnlyDictionary<Guid, int>> BeadsAsync(IReadOnlyList<Guid> students, DateOnly from, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Student, int Beads)>(
            """
            select sheet.student_id, count(*)::int from unnest(@students) as asked (id) join sheet on sheet.student_id = asked.id
            join session on session.id = sheet.session_id join bead_verdict on bead_verdict.sheet_id = sheet.id
            where session.held_on >= @from and not bead_verdict.withdrawn group by sheet.student_id
            """,
            new { students = students.ToArray(), from },
            cancel
        );
        return rows.ToDictionary(row => row.Student, row => row.Beads);
    }

    /// <summary>The slot of a session that was begun last; null before the first, or where nobody begins them by hand.</summary>
    public async Task<int?> BegunSlotAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<int?>(
            "select slot from slot_begun where session_id = @sessionId order by seq desc limit 1",
            new { sessionId },
            cancel
        );
    }

    private sealed record Row(Guid BoothId, int Number, Guid Id, string Body, string? Load, string? Readings, double? WaterL, double? Bar);
}
