using Dapper;
using GentleBead.Server.Database;

namespace GentleBead.Server.Checks;

/// <summary>A tick on a check.</summary>
public sealed record Tick(string Key, string By, DateTimeOffset At);

/// <summary>Ticked checks in the database, kept with the session.</summary>
public sealed class CheckStore(SchoolDatabase database)
{
    /// <summary>The ticks of a booth in a session.</summary>
    public async Task<IReadOnlyList<Tick>> OfAsync(Guid sessionId, Guid boothId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(string Key, string By, DateTime At)>(
            """
            select key, person.name, ticked_at from check_tick join person on person.id = ticked_by
            where session_id = @sessionId and booth_id = @boothId order by ticked_at
            """,
            new { sessionId, boothId },
            cancel
        );
        return [.. rows.Select(row => new Tick(row.Key, row.By, row.At))];
    }

    /// <summary>Ticks a check or takes the tick back; the same again changes nothing.</summary>
    public async Task SetAsync(Guid sessionId, Guid boothId, string key, bool ticked, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            ticked
                ? "insert into check_tick (session_id, booth_id, key, ticked_by) values (@sessionId, @boothId, @key, @by) on "
                    + "conflict do nothing"
                : "delete from check_tick where session_id = @sessionId and booth_id = @boothId and key = @key",
            new
            {
                sessionId,
                boothId,
                key,
                by,
            },
            cancel
        );
    }
}
