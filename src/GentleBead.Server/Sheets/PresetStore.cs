using Dapper;
using GentleBead.Core.Sheets;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Sheets;

/// <summary>A named sheet.</summary>
/// <param name="Id">Which version of which preset.</param>
/// <param name="Name">Its name.</param>
/// <param name="Version">1 for the first under its name, one more each time it is saved again.</param>
/// <param name="Sheet">The sheet as it was computed then, without a machine.</param>
/// <param name="SavedAt">When.</param>
public sealed record Preset(Guid Id, string Name, int Version, Sheet Sheet, DateTimeOffset SavedAt);

/// <summary>Presets in the database. They are only added to.</summary>
public sealed class PresetStore(NpgsqlDataSource database)
{
    /// <summary>Saves a sheet under a name, as its next version; the same id again changes nothing.</summary>
    public async Task<Preset> AddAsync(Guid id, string name, Sheet sheet, Guid by, DateTimeOffset at)
    {
        await using var connection = await database.OpenConnectionAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        // One at a time under a name, so that versions neither clash nor skip.
        await connection.ExecuteAsync("select pg_advisory_xact_lock(hashtextextended('preset ' || @name, 0))", new { name });
        await connection.ExecuteAsync(
            """
            insert into preset (id, name, version, body, rules_version, saved_by, saved_at)
            select @id, @name, coalesce(max(version), 0) + 1, @body, @rulesVersion, @by, @at from preset where name = @name
            on conflict (id) do nothing
            """,
            new { id, name, body = new Jsonb<Sheet>(sheet), rulesVersion = sheet.RulesVersion, by, at = at.UtcDateTime });
        var stored = await connection.QuerySingleAsync<Row>("select id, name, version, body, saved_at as \"SavedAt\" from preset where id = @id", new { id });
        await transaction.CommitAsync();
        return stored.Preset;
    }

    /// <summary>The newest version of every preset, by name.</summary>
    public async Task<IReadOnlyList<Preset>> NewestAsync()
    {
        await using var connection = await database.OpenConnectionAsync();
        var rows = await connection.QueryAsync<Row>("select distinct on (name) id, name, version, body, saved_at as \"SavedAt\" from preset order by name, version desc limit 200");
        return [.. rows.Select(row => row.Preset)];
    }

    private sealed record Row(Guid Id, string Name, int Version, string Body, DateTime SavedAt)
    {
        public Preset Preset => new(Id, Name, Version, Jsonb.Read<Sheet>(Body), SavedAt);
    }
}
