using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Machines;
using GentleBead.Core.Sheets;
using GentleBead.Core.Trials;
using GentleBead.Server.Database;
using GentleBead.Server.Machines;
using GentleBead.Server.Sheets;
using Npgsql;

namespace GentleBead.Server.Beads;

/// <summary>What a bead is laid to and judged by, gathered at once.</summary>
/// <param name="Sheet">The sheet it was given out with.</param>
/// <param name="Plan">The trial it is laid for; null outside one.</param>
/// <param name="Step">Its step in that trial; null outside one.</param>
/// <param name="MachineId">The machine it is laid with.</param>
/// <param name="Machine">The same, as calibrated and loaded now.</param>
/// <param name="StudentCauses">The likeliest causes of the student's newest beads, newest first.</param>
/// <param name="MachineCauses">The likeliest causes of the machine's newest beads, newest first.</param>
/// <param name="Tolerances">The room's own.</param>
/// <param name="RoomWeightsId">Which weights this room's rulings have taught; null where none, or they are switched off.</param>
/// <param name="Stored">Whether the bead is there already.</param>
/// <param name="Sent">What it was sent with; null when it is not there, or was sent before that was kept.</param>
/// <param name="ToolWord">When its student is shown the tool's word, where they record it themselves.</param>
public sealed record BeadGround(
    AssignedSheet Sheet,
    TrialPlan? Plan,
    int? Step,
    Guid MachineId,
    Machine Machine,
    IReadOnlyList<Cause> StudentCauses,
    IReadOnlyList<Cause> MachineCauses,
    PracticeTolerances Tolerances,
    Guid? RoomWeightsId,
    bool Stored,
    byte[]? Sent,
    ToolWord ToolWord
)
{
    /// <summary>Whether somebody is whoever lays it.</summary>
    public bool IsOf(Guid personId) => Sheet.StudentId == personId;

    /// <summary>The sheet the bead is judged by: in a trial of joints or positions its step's own.</summary>
    public Sheet Body =>
        Plan is { } plan && Step is { } step && step >= 1 && step <= plan.Steps.Count
            ? plan.Steps[step - 1].Sheet ?? Sheet.Body
            : Sheet.Body;
}

/// <summary>Reads what stands around a bead, in one statement.</summary>
public static class GroundStore
{
    /// <summary>
    /// Takes the machine's turn: whoever writes of its beads waits here for whoever does so now. Gives false where there is no such sheet.
    /// </summary>
    /// <param name="connection">In whose transaction.</param>
    /// <param name="sheetId">A sheet given out at its booth.</param>
    /// <param name="beads">Beads laid by this: 1 when one is recorded, else 0.</param>
    public static async Task<bool> TakeTurnAsync(NpgsqlConnection connection, Guid sheetId, int beads, CancellationToken cancel) =>
        await connection.ExecuteAsync(
            """
            insert into machine_wear (machine_id, beads) select machine_id, @beads from sheet
                where sheet.id = @sheetId
            on conflict (machine_id) do update set beads = machine_wear.beads + excluded.beads
            """,
            new { sheetId, beads },
            cancel
        ) > 0;

    /// <summary>Takes a machine's turn where no bead is laid: whoever writes of what it is known by waits here.</summary>
    /// <param name="connection">In whose transaction.</param>
    /// <param name="machineId">Which machine; it has to exist.</param>
    public static Task TakeTurnOfAsync(NpgsqlConnection connection, Guid machineId, CancellationToken cancel) =>
        connection.ExecuteAsync(
            "insert into machine_wear (machine_id, beads) values (@machineId, 0) on conflict (machine_id) do update "
                + "set beads = machine_wear.beads",
            new { machineId },
            cancel
        );

    /// <summary>What a bead on a sheet is laid to; null where there is no such sheet.</summary>
    /// <param name="connection">Where.</param>
    /// <param name="sheetId">On which sheet.</param>
    /// <param name="beadId">Which bead; its own cause is left out.</param>
    /// <param name="trialId">For which trial; null outside one.</param>
    /// <param name="step">For which of its steps.</param>
    public static async Task<BeadGround?> OfAsync(
        NpgsqlConnection connection,
        Guid sheetId,
        Guid beadId,
        Guid? trialId,
        int? step,
        CancellationToken cancel
    )
    {
        var row = await connection.QuerySingleOrDefaultAsync<Row>(
            $$"""
            select {{SheetStore.Columns(
                "sheet"
            )}}, machine_now.body as "MachineBody", machine_now.load as "Load", machine_now.readings as
                "Readings",
                (select plan from trial where trial.id = @trialId and trial.sheet_id = sheet.id) as "Plan",
                array(select cause from (select cause, bead_id from bead_verdict where student_id = sheet.student_id and not withdrawn
                    order by seq desc limit @most + 1) as newest
                    where bead_id <> @beadId and cause is not null limit @most) as "StudentCauses",
                array(select cause from (select cause, bead_id from bead_verdict where machine_id = sheet.machine_id and not withdrawn
                    order by seq desc limit @most + 1) as newest
                    where bead_id <> @beadId and cause is not null limit @most) as "MachineCauses",
                (select body from practice_tolerances order by seq desc limit 1) as "Tolerances",
                (select case when switched_on then id end from room_weights order by seq desc limit 1) as "RoomWeightsId",
                exists (select 1 from bead where bead.id = @beadId) as "Stored", (select sent from bead where bead.id = @beadId) as "Sent",
                tool_word_on(sheet.id) as "ToolWord"
            from sheet join machine_now on machine_now.id = sheet.machine_id
            where sheet.id = @sheetId
            """,
            new
            {
                sheetId,
                beadId,
                trialId,
                most = Habits.Recent,
            },
            cancel
        );
        return row?.Ground(step);
    }

    private sealed class Row : SheetStore.Row
    {
        public required string MachineBody { get; init; }

        public required string? Load { get; init; }

        public required string? Readings { get; init; }

        public required string? Plan { get; init; }

        public required string[] StudentCauses { get; init; }

        public required string[] MachineCauses { get; init; }

        public required string? Tolerances { get; init; }

        public required Guid? RoomWeightsId { get; init; }

        public required bool Stored { get; init; }

        public required byte[]? Sent { get; init; }

        public required string ToolWord { get; init; }

        public BeadGround Ground(int? step) =>
            new(
                Sheet,
                Plan is null ? null : Jsonb.Read<TrialPlan>(Plan),
                step,
                MachineId,
                StoredMachine.Read(MachineBody, Load, Readings),
                [.. StudentCauses.Select(EnumText.Read<Cause>)],
                [.. MachineCauses.Select(EnumText.Read<Cause>)],
                Tolerances is null ? PracticeTolerances.Usual : Jsonb.Read<PracticeTolerances>(Tolerances),
                RoomWeightsId,
                Stored,
                Sent,
                EnumText.Read<ToolWord>(ToolWord)
            );
    }
}
