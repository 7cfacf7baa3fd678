using Dapper;
using GentleBead.Core.Trials;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;

namespace GentleBead.Server.Trials;

/// <summary>A trial as it was started.</summary>
/// <param name="Id">Which trial.</param>
/// <param name="SheetId">From which sheet.</param>
/// <param name="Plan">Its steps.</param>
/// <param name="StartedAt">When.</param>
/// <param name="EndedAt">When it was ended; null while it runs.</param>
public sealed record StartedTrial(Guid Id, Guid SheetId, TrialPlan Plan, DateTimeOffset StartedAt, DateTimeOffset? EndedAt);

/// <summary>Trials in the database.</summary>
public sealed class TrialStore(SchoolDatabase database)
{
    private const int Page = 40;

    private const string Columns = "id, sheet_id as \"SheetId\", plan, started_at as \"StartedAt\", ended_at as \"EndedAt\"";

    /// <summary>Starts a trial; the same id again changes nothing.</summary>
    public async Task AddAsync(Guid id, Guid sheetId, TrialPlan plan, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "trial",
            "insert into trial (id, sheet_id, plan, started_by, sent) values (@id, @sheetId, @plan, @by, @sent) on conflict (id) "
                + "do nothing",
            new
            {
                id,
                sheetId,
                plan = new Jsonb<TrialPlan>(plan),
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    /// <summary>Whether a trial was started under this id already with the same request.</summary>
    public async Task<bool> IsRepeatAsync(Guid id, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.IsRepeatAsync("trial", id, sent, cancel);
    }

    /// <summary>One trial.</summary>
    public async Task<StartedTrial?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from trial where id = @id", new { id }, cancel))?.Trial;
    }

    /// <summary>The newest trials of a sheet, newest first.</summary>
    public async Task<IReadOnlyList<StartedTrial>> OfSheetAsync(Guid sheetId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            $"select {Columns} from trial where sheet_id = @sheetId order by seq desc limit @Page",
            new { sheetId, Page },
            cancel
        );
        return [.. rows.Select(row => row.Trial)];
    }

    /// <summary>The newest trial on a student's newest sheet that was not ended; null where there is none.</summary>
    public async Task<StartedTrial?> RunningAsync(Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<Row>(
            $"""
            select {Columns} from trial
            where sheet_id = (select id from sheet where student_id = @studentId order by seq desc limit 1) and ended_at is null
            order by seq desc limit 1
            """,
            new { studentId },
            cancel
        );
        return row?.Trial;
    }

    /// <summary>Ends a trial, or takes it up again.</summary>
    public async Task<bool> SetEndedAsync(Guid id, bool ended, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteAsync(
                "update trial set ended_at = case when @ended then now() end where id = @id",
                new { id, ended },
                cancel
            ) == 1;
    }

    /// <summary>The places of a trial's beads, by bead.</summary>
    public async Task<IReadOnlyDictionary<Guid, TrialPlace>> PlacesAsync(Guid trialId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid BeadId, int Step, bool Fresh)>(
            "select bead_id, step, fresh_piece from trial_bead where trial_id = @trialId",
            new { trialId },
            cancel
        );
        return rows.ToDictionary(row => row.BeadId, row => new TrialPlace(trialId, row.Step, row.Fresh));
    }

    private sealed record Row(Guid Id, Guid SheetId, string Plan, DateTime StartedAt, DateTime? EndedAt)
    {
        public StartedTrial Trial => new(Id, SheetId, Jsonb.Read<TrialPlan>(Plan), StartedAt, EndedAt);
    }
}
