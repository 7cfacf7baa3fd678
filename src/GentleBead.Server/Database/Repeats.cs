using Dapper;
using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>Writes that can be repeated: one id, one row, and another body under it is told.</summary>
public static class Repeats
{
    /// <summary>Runs an insert that does nothing on a conflict of ids.</summary>
    /// <param name="connection">Where.</param>
    /// <param name="table">The table, or of its views the one named for it; a name from our own code.</param>
    /// <param name="insert">The insert, with <c>@sent</c> for the fingerprint and "on conflict … do nothing".</param>
    /// <param name="parameters">Its parameters, the fingerprint among them.</param>
    /// <param name="id">The id.</param>
    /// <param name="sent">What was sent.</param>
    /// <returns>Whether a row was added; false when the same was there already, or another key stood in the way.</returns>
    /// <exception cref="OtherBodyException">The id is there with another body.</exception>
    public static async Task<bool> AddOnceAsync(
        this NpgsqlConnection connection,
        string table,
        string insert,
        object parameters,
        Guid id,
        Sent sent,
        CancellationToken cancel
    )
    {
        if (await connection.ExecuteAsync(insert, parameters, cancel) > 0)
            return true;
        await connection.IsRepeatAsync(table, id, sent, cancel);
        return false;
    }

    /// <summary>Whether an id is there already with the same body; false when it is not there.</summary>
    /// <exception cref="OtherBodyException">It is there with another body.</exception>
    public static async Task<bool> IsRepeatAsync(
        this NpgsqlConnection connection,
        string table,
        Guid id,
        Sent sent,
        CancellationToken cancel
    )
    {
        var stored = (await connection.QueryAsync<byte[]?>($"select sent from {table} where id = @id", new { id }, cancel)).AsList();
        if (stored.Count == 0)
            return false;
        return sent.IsSameAs(stored[0]) ? true : throw new OtherBodyException();
    }
}
