using Dapper;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Server.Database;

namespace GentleBead.Server.Sheets;

/// <summary>A named job.</summary>
/// <param name="Id">Which version of which preset.</param>
/// <param name="Name">Its name.</param>
/// <param name="Version">1 for the first under its name, one more each time it is saved again.</param>
/// <param name="Job">What it welds.</param>
/// <param name="SavedAt">When.</param>
public sealed record Preset(Guid Id, string Name, int Version, Job Job, DateTimeOffset SavedAt);

/// <summary>Presets in the database, each with the sheet as it was computed then. They are only added to.</summary>
public sealed class PresetStore(SchoolDatabase database)
{
    /// <summary>Presets that are sent at once.</summary>
    public const int Page = 30;

    private const string Columns = "id, name, version, (body -> 'job')::text as \"Job\", saved_at as \"SavedAt\"";

    /// <summary>Saves a sheet under a name, as its next version; the same id again changes nothing.</summary>
    public async Task<Preset> AddAsync(
        Guid id,
        string name,
        Sheet sheet,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // One at a time under a name, so that versions neither clash nor skip.
        await connection.ExecuteAsync("select pg_advisory_xact_lock(hashtextextended('preset ' || @name, 0))", new { name }, cancel);
        await connection.AddOnceAsync(
            "preset",
            """
            insert into preset (id, name, version, body, rules_version, saved_by, saved_at, sent)
            select @id, @name, coalesce(max(version), 0) + 1, @body, @rulesVersion, @by, coalesce(@at, now()), @sent from preset
                where name = @name
            on conflict (id) do nothing
            """,
            new
            {
                id,
                name,
                body = new Jsonb<Sheet>(sheet),
                rulesVersion = sheet.RulesVersion,
                by,
                at = at?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        var stored = await connection.QuerySingleAsync<Row>($"select {Columns} from preset where id = @id", new { id }, cancel);
        await transaction.CommitAsync(cancel);
        return stored.Preset;
    }

    /// <summary>A page of the newest versions of presets, by name.</summary>
    /// <param name="after">The last name that was sent; null for the first page.</param>
    public async Task<IReadOnlyList<Preset>> NewestAsync(string? after, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            $"select distinct on (name) {Columns} from preset where name > @after order by name, version desc limit @Page",
            new { after = after ?? "", Page },
            cancel
        );
        return [.. rows.Select(row => row.Preset)];
    }

    private sealed record Row(Guid Id, string Name, int Version, string Job, DateTime SavedAt)
    {
        public Preset Preset => new(Id, Name, Version, Jsonb.Read<Job>(Job), SavedAt);
    }
}
