using Dapper;
using GentleBead.Core.Sheets;
using GentleBead.Core.Trials;
using GentleBead.Server.Database;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Beads;

/// <summary>A bead with the sheet it was given out with.</summary>
/// <param name="Bead">The bead.</param>
/// <param name="Sheet">The sheet it was given out with.</param>
/// <param name="Body">The sheet it is judged by, where that is another.</param>
/// <param name="MachineId">The machine it was laid on.</param>
public sealed record FiledBead(Bead Bead, AssignedSheet Sheet, Sheet? Body, Guid MachineId)
{
    /// <summary>The sheet it is judged by.</summary>
    public Sheet JudgedBy => Body ?? Sheet.Body;
}

/// <summary>Reads a bead with its sheet.</summary>
public sealed class BeadFileStore(SchoolDatabase database)
{
    /// <summary>One bead with its sheet, withdrawn or not.</summary>
    public async Task<FiledBead?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        if (await BeadStore.FindAsync(connection, id, cancel) is not { } bead)
            return null;
        var row = await connection.QuerySingleAsync<Row>(
            $"""
            select {SheetStore.Columns("sheet")}, trial.plan as "Plan", trial_bead.step as "Step"
            from bead_verdict join sheet on sheet.id = bead_verdict.sheet_id
            left join trial_bead on trial_bead.bead_id = bead_verdict.bead_id left join trial on trial.id = trial_bead.trial_id
            where bead_verdict.bead_id = @id
            """,
            new { id },
            cancel
        );
        var body = row.Plan is null ? null : Jsonb.Read<TrialPlan>(row.Plan).Steps[row.Step!.Value - 1].Sheet;
        return new FiledBead(bead, row.Sheet, body, row.MachineId);
    }

    private sealed class Row : SheetStore.Row
    {
        public required string? Plan { get; init; }

        public required int? Step { get; init; }
    }
}
