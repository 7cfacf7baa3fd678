using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Sessions;

/// <summary>Who stands where in a session: a state, and no record.</summary>
public sealed class PlaceStore(SchoolDatabase database)
{
    /// <summary>Puts a student at a booth, away from any other booth of the session; null empties the booth.</summary>
    public async Task SetAsync(Guid sessionId, Guid boothId, Guid? studentId, CancellationToken cancel)
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

    /// <summary>Puts everybody where they stood in the session before, as far as nobody stands there and they stand nowhere yet.</summary>
    public async Task AsLastAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await AsLastAsync(connection, sessionId, cancel);
    }

    /// <summary>The same in the caller's transaction. The one before is in the same room, of the same course or of none.</summary>
    internal static Task AsLastAsync(NpgsqlConnection connection, Guid sessionId, CancellationToken cancel) =>
        connection.ExecuteAsync(
            """
            insert into place (session_id, booth_id, student_id)
            select @sessionId, place.booth_id, place.student_id from place join person on person.id = place.student_id
            where person.deactivated_at is null and place.session_id = (
                select earlier.id from session as earlier join session as this on this.id = @sessionId
                where earlier.room_id = this.room_id and earlier.course_id is not distinct from this.course_id and earlier.cancelled is null
                    and earlier.begins_at < this.begins_at order by earlier.begins_at desc limit 1)
            on conflict do nothing
            """,
            new { sessionId },
            cancel
        );

    /// <summary>Everybody stands as said here and nobody else anywhere; who stands there already has not moved.</summary>
    /// <param name="connection">In whose transaction.</param>
    /// <param name="sessionId">In which session.</param>
    /// <param name="places">Who stands at which booth.</param>
    internal static async Task SetAllAsync(
        NpgsqlConnection connection,
        Guid sessionId,
        IReadOnlyList<(Guid BoothId, Guid StudentId)> places,
        CancellationToken cancel
    )
    {
        var parameters = new
        {
            session = sessionId.ToString(),
            sessionId,
            booths = places.Select(place => place.BoothId).ToArray(),
            students = places.Select(place => place.StudentId).ToArray(),
        };
        await connection.ExecuteAsync("select pg_advisory_xact_lock(hashtextextended(@session, 0))", parameters, cancel);
        await connection.ExecuteAsync(
            """
            delete from place where session_id = @sessionId and not exists (
                select 1 from unnest(@booths, @students) as wanted (booth, student)
                where wanted.booth = place.booth_id and wanted.student = place.student_id)
            """,
            parameters,
            cancel
        );
        await connection.ExecuteAsync(
            """
            insert into place (session_id, booth_id, student_id)
            select @sessionId, booth, student from unnest(@booths, @students) as wanted (booth, student) on conflict do nothing
            """,
            parameters,
            cancel
        );
    }

    /// <summary>Everybody stands in one session as in another.</summary>
    internal static Task CopyAsync(NpgsqlConnection connection, Guid from, Guid to, CancellationToken cancel) =>
        connection.ExecuteAsync(
            "insert into place (session_id, booth_id, student_id) select @to, booth_id, student_id from place where session_id = @from",
            new { from, to },
            cancel
        );

    /// <summary>Empties the booths that are not in the session's room.</summary>
    internal static Task LeaveOtherRoomsAsync(NpgsqlConnection connection, Guid sessionId, CancellationToken cancel) =>
        connection.ExecuteAsync(
            """
            delete from place using booth, session
            where place.session_id = @sessionId and booth.id = place.booth_id and session.id = @sessionId
                and booth.room_id <> session.room_id
            """,
            new { sessionId },
            cancel
        );
}
