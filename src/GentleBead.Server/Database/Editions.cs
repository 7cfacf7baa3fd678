using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>An edition to add.</summary>
/// <param name="Id">The id of what is added.</param>
/// <param name="Of">Of what it is an edition; null where there is only one thing of its kind.</param>
/// <param name="Seen">The edition it was changed from; 0 for the first.</param>
/// <param name="Body">What it says.</param>
/// <param name="By">Who makes it; null for nobody in particular.</param>
/// <param name="Sent">What was sent.</param>
public sealed record NewEdition<T>(Guid Id, Guid? Of, int Seen, T Body, Guid? By, Sent Sent);

/// <summary>Tables of editions: only added to, the newest stands, and nobody adds to an older one unseen.</summary>
public static class Editions
{
    /// <summary>Adds an edition; of two at it at once the second finds its edition taken.</summary>
    /// <param name="connection">Where.</param>
    /// <param name="table">The table; a name from our own code.</param>
    /// <param name="of">Its column that says of what; null where it has none. A name from our own code too.</param>
    /// <param name="added">The edition.</param>
    /// <returns>False where another came since the one it was changed from.</returns>
    public static async Task<bool> AddEditionAsync<T>(
        this NpgsqlConnection connection,
        string table,
        string? of,
        NewEdition<T> added,
        CancellationToken cancel
    )
    {
        var (column, value, same) = of is null ? ("", "", "true") : ($"{of}, ", "@Of, ", $"{of} = @Of");
        var rows = await connection.ExecuteAsync(
            $"""
            insert into {table} (id, {column}edition, body, made_by, sent) select @Id, {value}newest.edition + 1, @body, @By, @sent
            from (select coalesce(max(edition), 0) as edition from {table} where {same}) as newest where newest.edition = @Seen
            on conflict ({column}edition) do nothing
            """,
            new
            {
                added.Id,
                added.Of,
                added.Seen,
                body = new Jsonb<T>(added.Body),
                added.By,
                sent = added.Sent.Hash,
            },
            cancel
        );
        return rows > 0;
    }
}
