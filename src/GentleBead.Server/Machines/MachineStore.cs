using Dapper;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;
using GentleBead.Server.Rooms;

namespace GentleBead.Server.Machines;

/// <summary>A bottle's pressure as read.</summary>
/// <param name="WaterL">Water volume in litres.</param>
/// <param name="Bar">Pressure on the gauge.</param>
/// <param name="ReadAt">When.</param>
public sealed record BottleReading(double WaterL, double Bar, DateTimeOffset ReadAt);

/// <summary>A machine where it stands, with what wears on it.</summary>
/// <param name="Id">Which machine.</param>
/// <param name="Booth">Its booth; null where it stands in none.</param>
/// <param name="RoomName">The booth's room; null with it.</param>
/// <param name="Machine">The machine as calibrated and loaded now.</param>
/// <param name="Beads">Beads it has laid.</param>
/// <param name="Done">When each part was last seen to.</param>
public sealed record KeptUpMachine(
    Guid Id,
    Booth? Booth,
    string? RoomName,
    Machine Machine,
    long Beads,
    IReadOnlyDictionary<Part, PartDone> Done
);

/// <summary>What a machine's page shows beside the machine.</summary>
/// <param name="Bottle">The newest reading of its bottle; null before the first.</param>
/// <param name="Flow">The gas flow of what is welded there now; null where nothing is, or without gas.</param>
/// <param name="Right">The newest beads that came out right on it, by what they were welded with.</param>
public sealed record MachineSurroundings(BottleReading? Bottle, GasFlow? Flow, IReadOnlyList<(Job Job, RightBead Bead)> Right);

/// <summary>A part that was seen to.</summary>
/// <param name="Part">Which part.</param>
/// <param name="Replaced">Whether a new one was put in.</param>
/// <param name="Note">What there is to say of it; may be empty.</param>
public sealed record PartSeenTo(Part Part, bool Replaced, string Note);

/// <summary>Machines in the database: their fronts, loads, upkeep and bottles.</summary>
public sealed class MachineStore(SchoolDatabase database)
{
    /// <summary>Machines that are sent at once.</summary>
    public const int Page = 20;

    // A chart is compared with the newest beads.
    private const int BeadsCompared = 300;

    /// <summary>One machine with all its readings and what is on it; null when there is none by that id.</summary>
    public async Task<Machine?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(string Body, string? Load, string? Readings)?>(
            "select body, load, readings from machine_now where id = @id",
            new { id },
            cancel
        );
        return row is { } found ? StoredMachine.Read(found.Body, found.Load, found.Readings) : null;
    }

    /// <summary>A page of the machines, by room and booth, those in no booth last; or one of them.</summary>
    /// <param name="after">The last machine that was sent; null for the first page.</param>
    /// <param name="only">One machine alone; null for all.</param>
    public async Task<IReadOnlyList<KeptUpMachine>> KeptUpAsync(Guid? after, Guid? only = null, CancellationToken cancel = default)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<KeptUpRow>(
            """
            with placed as (
                select machine.id, booth.id as booth_id, booth.number, booth.room_id, booth.machine_id as first, booth.version,
                    room.name as room, coalesce(room.seq, 9223372036854775807) as room_order, coalesce(booth.number, 0) as booth_order,
                    machine.seq
                from machine left join booth_now as booth on booth.id = machine.booth_id left join room on room.id = booth.room_id)
            select placed.id as "Id", placed.booth_id as "BoothId", number as "Number", room_id as "RoomId", placed.first as "First",
                placed.version as "Version", room as "Room", machine_now.body as "Body", load as "Load", readings as "Readings",
                machine_wear.beads as "Beads", (
                    select json_agg(json_build_object('part', part, 'doneAt', done_at, 'beads', beads_at))
                    from (select distinct on (part) part, done_at, beads_at from upkeep
                        where machine_id = placed.id order by part, seq desc) as newest) as "Done"
            from (select * from placed
                where (@only::uuid is null or placed.id = @only) and (@after::uuid is null or (room_order, booth_order, seq) > (
                    select room_order, booth_order, seq from placed as last where last.id = @after))
                order by room_order, booth_order, seq limit @Page) as placed
            join machine_now on machine_now.id = placed.id left join machine_wear on machine_wear.machine_id = placed.id
            order by room_order, booth_order, placed.seq
            """,
            new
            {
                after,
                only,
                Page,
            },
            cancel
        );
        return [.. rows.Select(row => row.Kept)];
    }

    private sealed record KeptUpRow(
        Guid Id,
        Guid? BoothId,
        int? Number,
        Guid? RoomId,
        Guid? First,
        int? Version,
        string? Room,
        string Body,
        string? Load,
        string? Readings,
        long? Beads,
        string? Done
    )
    {
        public KeptUpMachine Kept =>
            new(
                Id,
                BoothId is { } booth ? new Booth(booth, Number!.Value, RoomId!.Value, First, Version!.Value) : null,
                Room,
                StoredMachine.Read(Body, Load, Readings),
                Beads ?? 0,
                (Done is null ? [] : Jsonb.Read<IReadOnlyList<SeenTo>>(Done)).ToDictionary(
                    part => part.Part,
                    part => new PartDone(part.DoneAt, part.Beads)
                )
            );
    }

    private sealed record SeenTo(Part Part, DateTimeOffset DoneAt, long Beads);

    /// <summary>What a machine's page shows beside it.</summary>
    public async Task<MachineSurroundings> AroundAsync(Guid machineId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleAsync<(double? WaterL, double? Bar, DateTime? ReadAt, double? Flow)>(
            """
            select water_l, bar, read_at, (
                select (body #>> '{gasFlow,aimLPerMin}')::float8 from sheet where machine_id = @machineId
                    order by seq desc limit 1)
            from (select 1) as once left join lateral (select water_l, bar, read_at from bottle_reading
                where machine_id = @machineId order by seq desc limit 1) as bottle on true
            """,
            new { machineId },
            cancel
        );
        var right = await connection.QueryAsync<(string Job, double Thickness, double WireFeed, double Volts)>(
            """
            select sheet.job, newest.thickness_mm, wire_feed_m_per_min, volts
            from (select sheet_id, thickness_mm, wire_feed_m_per_min, volts, counted as verdict, seq from bead_verdict
                where machine_id = @machineId and not withdrawn order by seq desc limit @BeadsCompared) as newest
            join sheet on sheet.id = newest.sheet_id where newest.verdict = 'right' and volts is not null
            """,
            new { machineId, BeadsCompared },
            cancel
        );
        return new MachineSurroundings(
            row is { WaterL: { } water, Bar: { } bar, ReadAt: { } at } ? new BottleReading(water, bar, at) : null,
            row.Flow is { } flow ? GasFlow.FromLPerMin(flow) : null,
            [
                .. right
                    .Select(bead => (Jsonb.Read<Job>(bead.Job), bead))
                    .Select(entry =>
                        (
                            entry.Item1,
                            new RightBead(
                                Length.FromMm(entry.bead.Thickness),
                                entry.Item1.Joint.Facts().HeatFactor,
                                new Settings(WireFeedSpeed.FromMPerMin(entry.bead.WireFeed), Voltage.FromVolts(entry.bead.Volts))
                            )
                        )
                    ),
            ]
        );
    }

    /// <summary>Adds a machine without readings; the same id again changes nothing. False when the name is another machine's.</summary>
    public async Task<bool> AddAsync(Guid id, Machine machine, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "machine",
            "insert into machine (id, name, body, sent) values (@id, @Name, @body, @sent) on conflict do nothing",
            new
            {
                id,
                machine.Name,
                body = new Jsonb<Machine>(WithoutReadings(machine)),
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        return await connection.ExecuteScalarAsync<bool>(
            "select exists (select 1 from machine where id = @id and name = @Name)",
            new { id, machine.Name },
            cancel
        );
    }

    /// <summary>Notes what is on a machine; the same id again changes nothing.</summary>
    public async Task LoadAsync(Guid id, Guid machineId, Load load, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "machine_load",
            "insert into machine_load (id, machine_id, body, loaded_by, sent) values (@id, @machineId, @body, @by, @sent) on "
                + "conflict (id) do nothing",
            new
            {
                id,
                machineId,
                body = new Jsonb<Load>(load),
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Notes that a part was seen to; the same id again changes nothing.</summary>
    public async Task AddUpkeepAsync(
        Guid id,
        Guid machineId,
        PartSeenTo seenTo,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "upkeep",
            """
            insert into upkeep (id, machine_id, part, replaced, note, done_by, done_at, beads_at, sent)
            values (@id, @machineId, @part, @Replaced, @Note, @by, coalesce(@at, now()), coalesce((
                select case when @at::timestamptz is null then beads
                    else (select count(*) from bead_verdict where machine_id = @machineId and recorded_at <= @at) end
                from machine_wear where machine_id = @machineId), 0), @sent)
            on conflict (id) do nothing
            """,
            new
            {
                id,
                machineId,
                part = EnumText.Of(seenTo.Part),
                seenTo.Replaced,
                seenTo.Note,
                by,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Notes a bottle's pressure; the same id again changes nothing.</summary>
    public async Task AddBottleAsync(
        Guid id,
        Guid machineId,
        double waterL,
        double bar,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "bottle_reading",
            """
            insert into bottle_reading (id, machine_id, water_l, bar, read_by, read_at, sent)
            values (@id, @machineId, @waterL, @bar, @by, coalesce(@at, now()), @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                machineId,
                waterL,
                bar,
                by,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    private static Machine WithoutReadings(Machine machine) =>
        machine with
        {
            WireControl = machine.WireControl is null ? null : machine.WireControl with { Readings = [] },
            VoltControl = machine.VoltControl is null ? null : machine.VoltControl with { Readings = [] },
            AmpControl = machine.AmpControl is null ? null : machine.AmpControl with { Readings = [] },
        };
}
