using Dapper;
using GentleBead.Core.Floor;
using GentleBead.Server.Database;

namespace GentleBead.Server.Floor;

/// <summary>Where a student stands in a session that is not over.</summary>
/// <param name="SessionId">In which session.</param>
/// <param name="BoothId">At which booth.</param>
public sealed record OwnPlace(Guid SessionId, Guid BoothId);

/// <summary>That an instructor has seen to a hand.</summary>
/// <param name="Id">Which hand.</param>
/// <param name="By">Who.</param>
/// <param name="At">When.</param>
public sealed record HandAnswer(Guid Id, string By, DateTimeOffset At);

/// <summary>Hands that are up. One of a student's stands; another takes its place.</summary>
public sealed class HandStore(SchoolDatabase database)
{
    /// <summary>Where a student stands: of the sessions that have begun the last; null where they stand nowhere.</summary>
    public async Task<OwnPlace?> PlaceAsync(Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QueryFirstOrDefaultAsync<OwnPlace>(
            """
            select place.session_id as "SessionId", place.booth_id as "BoothId" from place join session on session.id = place.session_id
            where place.student_id = @studentId and session.cancelled is null
                and session.begins_at < now() + interval '1 hour' and session.ends_at > now() - interval '1 hour'
            order by session.begins_at desc limit 1
            """,
            new { studentId },
            cancel
        );
    }

    /// <summary>A student's hand; null where none is up.</summary>
    public async Task<RaisedHand?> OfAsync(Guid sessionId, Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(Guid Id, string Reason, DateTime At)?>(
            "select id, reason, raised_at from hand where session_id = @sessionId and student_id = @studentId and lowered_at is null",
            new { sessionId, studentId },
            cancel
        );
        return row is { } hand ? new(hand.Id, EnumText.Read<HandReason>(hand.Reason), hand.At) : null;
    }

    /// <summary>Who has seen to a student's last hand within ten minutes; null where nobody has, or they took it down themselves.</summary>
    public async Task<HandAnswer?> AnswerAsync(Guid sessionId, Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var row = await connection.QuerySingleOrDefaultAsync<(Guid Id, string By, DateTime At)?>(
            """
            select last.id, person.name, last.lowered_at from (
                select id, lowered_by, lowered_at from hand where session_id = @sessionId and student_id = @studentId
                    order by seq desc limit 1) as last
            join person on person.id = last.lowered_by
            where last.lowered_by <> @studentId and last.lowered_at > now() - interval '10 minutes'
            """,
            new { sessionId, studentId },
            cancel
        );
        return row is { } answer ? new(answer.Id, answer.By, answer.At) : null;
    }

    /// <summary>Puts a hand up, in place of one that is; the same id again changes nothing.</summary>
    /// <param name="id">The id of what is added.</param>
    /// <param name="at">Where its student stands.</param>
    /// <param name="studentId">Whose.</param>
    /// <param name="reason">Why.</param>
    /// <param name="sent">What was sent.</param>
    /// <param name="when">When; null for now.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task RaiseAsync(
        Guid id,
        OwnPlace at,
        Guid studentId,
        HandReason reason,
        Sent sent,
        DateTimeOffset? when,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        if (await connection.IsRepeatAsync("hand", id, sent, cancel))
            return;
        // Two screens of one student take turns.
        await connection.ExecuteAsync(
            "select pg_advisory_xact_lock(hashtextextended(@student, 1))",
            new { student = studentId.ToString() },
            cancel
        );
        await connection.ExecuteAsync(
            """
            update hand set lowered_at = now(), lowered_by = @studentId
            where session_id = @SessionId and student_id = @studentId and lowered_at is null and id <> @id
            """,
            new
            {
                at.SessionId,
                studentId,
                id,
            },
            cancel
        );
        await connection.AddOnceAsync(
            "hand",
            """
            insert into hand (id, session_id, booth_id, student_id, reason, raised_at, sent)
            values (@id, @SessionId, @BoothId, @studentId, @reason, coalesce(@when, now()), @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                at.SessionId,
                at.BoothId,
                studentId,
                reason = EnumText.Of(reason),
                when = when?.UtcDateTime,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Lowers a hand; one that is down stays so.</summary>
    /// <param name="id">Which.</param>
    /// <param name="of">Whose it has to be; null where any may be lowered.</param>
    /// <param name="by">Who lowers it.</param>
    /// <param name="cancel">Breaks it off.</param>
    /// <returns>Whether there is such a hand.</returns>
    public async Task<bool> LowerAsync(Guid id, Guid? of, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            """
            update hand set lowered_at = now(), lowered_by = @by
            where id = @id and lowered_at is null and (@of::uuid is null or student_id = @of)
            """,
            new
            {
                id,
                of,
                by,
            },
            cancel
        );
        return await connection.ExecuteScalarAsync<bool>(
            "select exists (select 1 from hand where id = @id and (@of::uuid is null or student_id = @of))",
            new { id, of },
            cancel
        );
    }
}
