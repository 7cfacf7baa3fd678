using Dapper;
using GentleBead.Core.Kept;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.People;

namespace GentleBead.Server.Kept;

/// <summary>A setting that was kept.</summary>
/// <param name="Id">Which one.</param>
/// <param name="MachineId">On which machine.</param>
/// <param name="KeptBy">Who kept it.</param>
/// <param name="BeadId">The bead it made; null when none was named.</param>
/// <param name="Note">What it is for, in their words.</param>
/// <param name="Setting">Job and marks.</param>
/// <param name="KeptAt">When.</param>
public sealed record Keepsake(Guid Id, Guid MachineId, Guid KeptBy, Guid? BeadId, string Note, KeptSetting Setting, DateTimeOffset KeptAt);

/// <summary>What is sought among kept settings; what is null, any.</summary>
public sealed record SoughtKept(Guid? MachineId, Joint? Joint, Length? Thickness);

/// <summary>A kept setting with what stands around it.</summary>
public sealed record FoundKept(
    Keepsake Kept,
    string MachineName,
    Core.Machines.Machine Machine,
    PersonName By,
    RackBead? Bead,
    LastSeen? LastSeen
);

/// <summary>Kept settings in the database. They are withdrawn, never deleted.</summary>
public sealed class KeptStore(SchoolDatabase database)
{
    /// <summary>Kept settings that are sent at once.</summary>
    public const int Page = 20;

    // A plate a tenth thicker or thinner welds with the same settings.
    private const double NearPlate = 0.1;

    private const string Columns =
        "id, machine_id as \"MachineId\", kept_by as \"KeptBy\", bead_id as \"BeadId\", note, body, kept_at as \"KeptAt\"";

    /// <summary>Keeps a setting; the same id again changes nothing.</summary>
    public async Task AddAsync(Keepsake kept, Sent sent, DateTimeOffset? at = null, CancellationToken cancel = default)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "kept_setting",
            """
            insert into kept_setting (id, machine_id, kept_by, bead_id, note, body, kept_at, sent)
            values (@Id, @MachineId, @KeptBy, @BeadId, @Note, @body, coalesce(@at, now()), @sent) on conflict (id) do nothing
            """,
            new
            {
                kept.Id,
                kept.MachineId,
                kept.KeptBy,
                kept.BeadId,
                kept.Note,
                body = new Jsonb<KeptSetting>(kept.Setting),
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            kept.Id,
            sent,
            cancel
        );
    }

    /// <summary>One kept setting, unless withdrawn.</summary>
    public async Task<Keepsake?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (
            await connection.QuerySingleOrDefaultAsync<Row>(
                $"select {Columns} from kept_setting where id = @id and withdrawn_at is null",
                new { id },
                cancel
            )
        )?.Keepsake;
    }

    /// <summary>A page of kept settings, none withdrawn, newest first: with the bead each made and where its machine stood last.</summary>
    /// <param name="sought">What is sought.</param>
    /// <param name="keptBy">Whose; null for everybody's.</param>
    /// <param name="before">The place of the last one that was sent; null for the first page.</param>
    public async Task<(IReadOnlyList<FoundKept> Kept, long? More)> FindAsync(
        SoughtKept sought,
        Guid? keptBy,
        long? before,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = (
            await connection.QueryAsync<FoundRow>(
                """
                select kept.id, kept.machine_id as "MachineId", kept.kept_by as "KeptBy", kept.bead_id
                    as "BeadId", kept.note, kept.body, kept.kept_at as "KeptAt", kept.seq,
                    machine.name as "MachineName", machine.body as "MachineBody", person.name as "ByName", bead.number,
                        bead.counted as verdict, bead.shape,
                    last.wire_mark as "WireMark", last.volt_mark as "VoltMark", last.amp_mark as "AmpMark", last.recorded_at as "LastAt"
                from kept_setting as kept join machine on machine.id = kept.machine_id join person on person.id = kept.kept_by
                left join bead_verdict as bead on bead.bead_id = kept.bead_id
                left join lateral (
                    select wire_mark, volt_mark, amp_mark, recorded_at from bead_verdict
                        where machine_id = kept.machine_id and not withdrawn order by seq desc limit 1) as last on true
                where kept.withdrawn_at is null and kept.seq < @before and (@keptBy::uuid is null or kept.kept_by = @keptBy)
                    and (@machineId::uuid is null or kept.machine_id = @machineId) and (@joint::text is null or kept.body #>> '{job,joint}'
                        = @joint)
                    and (@mm::float8 is null or abs((kept.body #>> '{job,thickness,valueMm}')::float8 / @mm - 1) <= @NearPlate)
                order by kept.seq desc limit @Page
                """,
                new
                {
                    before = before ?? long.MaxValue,
                    keptBy,
                    machineId = sought.MachineId,
                    joint = sought.Joint is { } joint ? EnumText.Of(joint) : null,
                    mm = sought.Thickness?.Mm,
                    NearPlate,
                    Page,
                },
                cancel
            )
        ).AsList();
        return ([.. rows.Select(row => row.Found)], rows.Count == Page ? rows[^1].Seq : null);
    }

    /// <summary>
    /// Takes a kept setting away, or puts it back; only whoever kept it, unless anybody may. False when there is none such.
    /// </summary>
    public async Task<bool> SetWithdrawnAsync(Guid id, Guid? keptBy, bool withdrawn, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update kept_setting set withdrawn_at = case when @withdrawn then now() end where id = @id and (@keptBy::uuid is "
                    + "null or kept_by = @keptBy)",
                new
                {
                    id,
                    keptBy,
                    withdrawn,
                },
                cancel
            ) == 1;
    }

    private sealed class FoundRow
    {
        public required Guid Id { get; init; }

        public required Guid MachineId { get; init; }

        public required Guid KeptBy { get; init; }

        public required Guid? BeadId { get; init; }

        public required string Note { get; init; }

        public required string Body { get; init; }

        public required DateTime KeptAt { get; init; }

        public required long Seq { get; init; }

        public required string MachineName { get; init; }

        public required string MachineBody { get; init; }

        public required string ByName { get; init; }

        public required int? Number { get; init; }

        public required string? Verdict { get; init; }

        public required string? Shape { get; init; }

        public required double? WireMark { get; init; }

        public required double? VoltMark { get; init; }

        public required double? AmpMark { get; init; }

        public required DateTime? LastAt { get; init; }

        public FoundKept Found =>
            new(
                new Keepsake(Id, MachineId, KeptBy, BeadId, Note, Jsonb.Read<KeptSetting>(Body), KeptAt),
                MachineName,
                Jsonb.Read<Core.Machines.Machine>(MachineBody),
                new PersonName(KeptBy, ByName),
                Shape is null
                    ? null
                    : new RackBead(
                        BeadId!.Value,
                        Number!.Value,
                        EnumText.Read<Core.Judging.Verdict>(Verdict!),
                        Jsonb.Read<Core.Judging.BeadShape>(Shape)
                    ),
                LastAt is { } at ? new LastSeen(WireMark, VoltMark, AmpMark, at) : null
            );
    }

    private sealed record Row(Guid Id, Guid MachineId, Guid KeptBy, Guid? BeadId, string Note, string Body, DateTime KeptAt)
    {
        public Keepsake Keepsake => new(Id, MachineId, KeptBy, BeadId, Note, Jsonb.Read<KeptSetting>(Body), KeptAt);
    }
}
