using Dapper;
using Npgsql;

namespace GentleBead.Server.Sessions;

/// <summary>A session: one evening of the room.</summary>
/// <param name="Id">Which session.</param>
/// <param name="Title">What the room calls it.</param>
/// <param name="HeldOn">The day.</param>
public sealed record Session(Guid Id, string Title, DateOnly HeldOn);

/// <summary>A booth and the machine in it.</summary>
public sealed record Booth(Guid Id, int Number, Guid MachineId);

/// <summary>Who stands where.</summary>
public sealed record Place(Guid BoothId, Guid StudentId);

/// <summary>Sessions, booths and places in the database.</summary>
public sealed class SessionStore(NpgsqlDataSource database)
{
    private const string BoothColumns = "id, number, machine_id as \"MachineId\"";
    private const string SessionColumns = "id, title, held_on as \"HeldOn\"";

    /// <summary>The newest session, if there has been one.</summary>
    public async Task<Session?> NewestAsync()
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.QueryFirstOrDefaultAsync<Session>($"select {SessionColumns} from session order by held_on desc limit 1");
    }

    /// <summary>One session.</summary>
    public async Task<Session?> FindAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.QuerySingleOrDefaultAsync<Session>($"select {SessionColumns} from session where id = @id", new { id });
    }

    /// <summary>Every booth, by number.</summary>
    public async Task<IReadOnlyList<Booth>> BoothsAsync()
    {
        await using var connection = await database.OpenConnectionAsync();
        return [.. await connection.QueryAsync<Booth>($"select {BoothColumns} from booth order by number")];
    }

    /// <summary>One booth.</summary>
    public async Task<Booth?> BoothAsync(Guid id)
    {
        await using var connection = await database.OpenConnectionAsync();
        return await connection.QuerySingleOrDefaultAsync<Booth>($"select {BoothColumns} from booth where id = @id", new { id });
    }

    /// <summary>Who stands where in a session.</summary>
    public async Task<IReadOnlyList<Place>> PlacesAsync(Guid sessionId)
    {
        await using var connection = await database.OpenConnectionAsync();
        return [.. await connection.QueryAsync<Place>("select booth_id as \"BoothId\", student_id as \"StudentId\" from place where session_id = @sessionId", new { sessionId })];
    }

    /// <summary>Adds a session with the places of the one before; the same id or day again changes nothing.</summary>
    public async Task<Session> AddAsync(Session session)
    {
        await using var connection = await database.OpenConnectionAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        var before = await connection.ExecuteScalarAsync<Guid?>("select id from session where held_on < @HeldOn order by held_on desc limit 1", session);
        var added = await connection.ExecuteAsync("insert into session (id, title, held_on) values (@Id, @Title, @HeldOn) on conflict do nothing", session);
        if (added == 1 && before is not null)
        {
            await connection.ExecuteAsync(
                "insert into place (session_id, booth_id, student_id) select @Id, booth_id, student_id from place where session_id = @before",
                new { session.Id, before });
        }
        var stored = await connection.QuerySingleAsync<Session>($"select {SessionColumns} from session where held_on = @HeldOn", session);
        await transaction.CommitAsync();
        return stored;
    }

    /// <summary>Adds a booth; the same id again changes nothing. False when its number or machine is taken.</summary>
    public async Task<bool> AddBoothAsync(Booth booth)
    {
        await using var connection = await database.OpenConnectionAsync();
        await connection.ExecuteAsync("insert into booth (id, number, machine_id) values (@Id, @Number, @MachineId) on conflict do nothing", booth);
        return await connection.ExecuteScalarAsync<bool>("select exists (select 1 from booth where id = @Id and number = @Number)", booth);
    }

    /// <summary>Puts a student at a booth, away from any other booth of the session; null empties the booth.</summary>
    public async Task SetPlaceAsync(Guid sessionId, Guid boothId, Guid? studentId)
    {
        await using var connection = await database.OpenConnectionAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        // Two instructors moving people at once take turns.
        await connection.ExecuteAsync("select pg_advisory_xact_lock(hashtextextended(@session, 0))", new { session = sessionId.ToString() });
        await connection.ExecuteAsync(
            "delete from place where session_id = @sessionId and (booth_id = @boothId or student_id = @studentId)", new { sessionId, boothId, studentId });
        if (studentId is not null)
        {
            await connection.ExecuteAsync("insert into place (session_id, booth_id, student_id) values (@sessionId, @boothId, @studentId)", new { sessionId, boothId, studentId });
        }
        await transaction.CommitAsync();
    }
}
