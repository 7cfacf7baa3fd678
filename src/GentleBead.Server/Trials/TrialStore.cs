using Dapper;
using GentleBead.Core.Trials;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Trials;

/// <summary>A trial as it was started.</summary>
/// <param name="Id">Which trial.</param>
/// <param name="SheetId">From which sheet.</param>
/// <param name="Plan">Its steps.</param>
/// <param name="StartedAt">When.</param>
/// <param name="EndedAt">When it was ended; null while it runs.</param>
public sealed record StartedTrial(Guid Id, Guid SheetId, TrialPlan Plan, DateTimeOffset StartedAt, DateTimeOffset? EndedAt);

/// <summary>A bead's place in a trial.</summary>
/// <param name="BeadId">Which bead.</param>
/// <param name="Place">Where in which trial.</param>
public sealed record PlacedBead(Guid BeadId, TrialPlace Place);

/// <summary>Trials in the database.</summary>
public sealed class TrialStore(NpgsqlDataSource database)
{
    private const string Columns = "id, sheet_id as \"SheetId\", plan, started_at as \"StartedAt\", ended_at as \"EndedAt\"";

    /// <summary>Starts a trial; the same id again changes nothing.</summary>
    public async Task AddAsync(StartedTrial trial, Guid by)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into trial (id, sheet_id, plan, started_by, started_at) values (@Id, @SheetId, @plan, @by, @at) on conflict (id) do nothing",
            new { trial.Id, trial.SheetId, plan = new Jsonb<TrialPlan>(trial.Plan), by, at = trial.StartedAt.UtcDateTime });
    }

    /// <summary>One trial.</summary>
    public async Task<StartedTrial?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from trial where id = @id", new { id }))?.Trial;
    }

    /// <summary>The trials of some sheets, newest first.</summary>
    public async Task<IReadOnlyList<StartedTrial>> OfSheetsAsync(IEnumerable<Guid> sheetIds)
    {
        await using var connection = await database.OpenConnectionAsync();
        return [.. (await connection.QueryAsync<Row>($"select {Columns} from trial where sheet_id = any(@ids) order by started_at desc", new { ids = sheetIds.ToArray() })).Select(row => row.Trial)];
    }

    /// <summary>Ends a trial, or takes it up again.</summary>
    public async Task<bool> SetEndedAsync(Guid id, DateTimeOffset? at)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.ExecuteAsync("update trial set ended_at = @at where id = @id", new { id, at = at?.UtcDateTime }) == 1;
    }

    /// <summary>Puts a bead in its trial; the same bead again changes nothing.</summary>
    public async Task AddBeadAsync(Guid beadId, TrialPlace place)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into trial_bead (bead_id, trial_id, step, fresh_piece) values (@beadId, @TrialId, @Step, @FreshPiece) on conflict (bead_id) do nothing",
            new { beadId, place.TrialId, place.Step, place.FreshPiece });
    }

    /// <summary>A bead's place in a trial; null outside one.</summary>
    public async Task<TrialPlace?> PlaceOfAsync(Guid beadId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.QuerySingleOrDefaultAsync<TrialPlace>("select trial_id as \"TrialId\", step, fresh_piece as \"FreshPiece\" from trial_bead where bead_id = @beadId", new { beadId });
    }

    /// <summary>Which of some beads belong to a trial.</summary>
    public async Task<IReadOnlySet<Guid>> PlacedAsync(IEnumerable<Guid> beadIds)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QueryAsync<Guid>("select bead_id from trial_bead where bead_id = any(@ids)", new { ids = beadIds.ToArray() })).ToHashSet();
    }

    /// <summary>The beads of a trial.</summary>
    public async Task<IReadOnlyList<PlacedBead>> BeadsAsync(Guid trialId)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<(Guid BeadId, int Step, bool Fresh)>("select bead_id, step, fresh_piece from trial_bead where trial_id = @trialId", new { trialId });
        return [.. rows.Select(row => new PlacedBead(row.BeadId, new TrialPlace(trialId, row.Step, row.Fresh)))];
    }

    private sealed record Row(Guid Id, Guid SheetId, string Plan, DateTime StartedAt, DateTime? EndedAt)
    {
        public StartedTrial Trial => new(Id, SheetId, Jsonb.Read<TrialPlan>(Plan), StartedAt, EndedAt);
    }
}
