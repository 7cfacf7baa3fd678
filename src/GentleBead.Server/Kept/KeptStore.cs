using Dapper;
using GentleBead.Core.Kept;
using GentleBead.Server.Database;
using Npgsql;

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

/// <summary>Kept settings in the database. They are withdrawn, never deleted.</summary>
public sealed class KeptStore(NpgsqlDataSource database)
{
    private const string Columns = "id, machine_id as \"MachineId\", kept_by as \"KeptBy\", bead_id as \"BeadId\", note, body, kept_at as \"KeptAt\"";

    /// <summary>Keeps a setting; the same id again changes nothing.</summary>
    public async Task AddAsync(Keepsake kept)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync(
            "insert into kept_setting (id, machine_id, kept_by, bead_id, note, body, kept_at) values (@Id, @MachineId, @KeptBy, @BeadId, @Note, @body, @at) on conflict (id) do nothing",
            new { kept.Id, kept.MachineId, kept.KeptBy, kept.BeadId, kept.Note, body = new Jsonb<KeptSetting>(kept.Setting), at = kept.KeptAt.UtcDateTime });
    }

    /// <summary>One kept setting, unless withdrawn.</summary>
    public async Task<Keepsake?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return (await connection.QuerySingleOrDefaultAsync<Row>($"select {Columns} from kept_setting where id = @id and withdrawn_at is null", new { id }))?.Keepsake;
    }

    /// <summary>Standing kept settings, newest first: one person's, or everybody's for null.</summary>
    public async Task<IReadOnlyList<Keepsake>> OfAsync(Guid? keptBy)
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<Row>(
            $"select {Columns} from kept_setting where withdrawn_at is null and (@keptBy::uuid is null or kept_by = @keptBy) order by kept_at desc limit 300", new { keptBy });
        return [.. rows.Select(row => row.Keepsake)];
    }

    /// <summary>Takes a kept setting away, or puts it back; only whoever kept it, unless anybody may. False when there is none such.</summary>
    public async Task<bool> SetWithdrawnAsync(Guid id, Guid? keptBy, bool withdrawn)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.ExecuteAsync(
            "update kept_setting set withdrawn_at = case when @withdrawn then now() end where id = @id and (@keptBy::uuid is null or kept_by = @keptBy)", new { id, keptBy, withdrawn }) == 1;
    }

    private sealed record Row(Guid Id, Guid MachineId, Guid KeptBy, Guid? BeadId, string Note, string Body, DateTime KeptAt)
    {
        public Keepsake Keepsake => new(Id, MachineId, KeptBy, BeadId, Note, Jsonb.Read<KeptSetting>(Body), KeptAt);
    }
}
