using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Sessions;

/// <summary>A session: one evening of the room.</summary>
/// <param name="Id">Which session.</param>
/// <param name="Title">What the room calls it.</param>
/// <param name="HeldOn">The day.</param>
/// <param name="RoomId">In which room.</param>
/// <param name="Version">Raised by every change; what a change has to name.</param>
public sealed record Session(Guid Id, string Title, DateOnly HeldOn, Guid RoomId, int Version = 1);

/// <summary>Who stands where.</summary>
public sealed record Place(Guid BoothId, Guid StudentId);

/// <summary>Sessions and places in the database.</summary>
public sealed class SessionStore(NpgsqlDataSource database)
{
    /// <summary>Sessions that are sent at once.</summary>
    public const int Page = 20;

    /// <summary>The columns of a session, for other queries that read one beside something else.</summary>
    /// <param name="of">What the table is called there.</param>
    public static string Columns(string of) => $"{of}.id, {of}.title, {of}.held_on as \"HeldOn\", {of}.room_id as \"RoomId\", {of}.version";

    /// <summary>
    /// The session that is on: of today, or else of the last day before it, the one that was started last. One dated later is only planned.
    /// </summary>
    public async Task<Session?> TonightAsync(DateOnly today, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QueryFirstOrDefaultAsync<Session>(
            $"select {Columns("session")} from session where held_on <= @today order by held_on desc, seq desc limit 1",
            new { today },
            cancel
        );
    }

    /// <summary>One session.</summary>
    public async Task<Session?> FindAsync(Guid id, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<Session>(
            $"select {Columns("session")} from session where id = @id",
            new { id },
            cancel
        );
    }

    /// <summary>A page of sessions, latest day first.</summary>
    /// <param name="after">The last session that was sent; null for the first page.</param>
    public async Task<IReadOnlyList<Session>> ListAsync(Guid? after, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return
        [
            .. await connection.QueryAsync<Session>(
                $"""
                select {Columns("session")} from session
                where @after::uuid is null or (held_on, seq) < (select held_on, seq from session
                    where id = @after) order by held_on desc, seq desc limit @Page
                """,
                new { after, Page },
                cancel
            ),
        ];
    }

    /// <summary>Adds a session with the places of the one before; the same id again changes nothing.</summary>
    public async Task<Session> AddAsync(Session session, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var before = await connection.ExecuteScalarAsync<Guid?>(
            "select id from session where room_id = @RoomId and held_on <= @HeldOn and id <> @Id "
                + "order by held_on desc, seq desc limit 1",
            session,
            cancel
        );
        var added = await connection.AddOnceAsync(
            "session",
            "insert into session (id, title, held_on, room_id, sent) values (@Id, @Title, @HeldOn, @RoomId, @sent) "
                + "on conflict (id) do nothing",
            new
            {
                session.Id,
                session.Title,
                session.HeldOn,
                session.RoomId,
                sent = sent.Hash,
            },
            session.Id,
            sent,
            cancel
        );
        if (added && before is not null)
        {
            await connection.ExecuteAsync(
                "insert into place (session_id, booth_id, student_id) select @Id, booth_id, student_id from place where "
                    + "session_id = @before",
                new { session.Id, before },
                cancel
            );
        }
        var stored = await connection.QuerySingleAsync<Session>(
            $"select {Columns("session")} from session where id = @Id",
            session,
            cancel
        );
        await transaction.CommitAsync(cancel);
        return stored;
    }

    /// <summary>Gives a session another name or day; null where it was changed since the version named, or is not there.</summary>
    public async Task<Session?> ChangeAsync(Session session, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleOrDefaultAsync<Session>(
            $"""
            update session set title = @Title, held_on = @HeldOn, version = version + 1 where id = @Id and version = @Version
            returning {Columns("session")}
            """,
            session,
            cancel
        );
    }

    /// <summary>Puts a student at a booth, away from any other booth of the session; null empties the booth.</summary>
    public async Task SetPlaceAsync(Guid sessionId, Guid boothId, Guid? studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        // Two instructors moving people at once take turns.
        await connection.ExecuteAsync(
            "select pg_advisory_xact_lock(hashtextextended(@session, 0))",
            new { session = sessionId.ToString() },
            cancel
        );
        await connection.ExecuteAsync(
            "delete from place where session_id = @sessionId and (booth_id = @boothId or student_id = @studentId)",
            new
            {
                sessionId,
                boothId,
                studentId,
            },
            cancel
        );
        if (studentId is not null)
        {
            await connection.ExecuteAsync(
                "insert into place (session_id, booth_id, student_id) values (@sessionId, @boothId, @studentId)",
                new
                {
                    sessionId,
                    boothId,
                    studentId,
                },
                cancel
            );
        }
        await transaction.CommitAsync(cancel);
    }
}
