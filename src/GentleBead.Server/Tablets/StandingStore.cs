using Dapper;
using GentleBead.Server.Database;
using GentleBead.Server.People;

namespace GentleBead.Server.Tablets;

/// <summary>A tablet's booth, and the session that is on there.</summary>
/// <param name="Name">What the tablet is called.</param>
/// <param name="Booth">The booth's number.</param>
/// <param name="Room">Its room.</param>
/// <param name="SessionId">The session that is on in that room; null where none is.</param>
/// <param name="PlacedId">Whom the instructor has there; null for nobody.</param>
public sealed record BoothAt(string Name, int Booth, string Room, Guid? SessionId, Guid? PlacedId);

/// <summary>Who stands at a tablet, and who may say that they do.</summary>
public sealed class StandingStore(SchoolDatabase database)
{
    // A hall of more says by name.
    private const int MostNames = 120;

    /// <summary>A tablet's booth and what is on there: the last session of its room that has begun and is not over for an hour.</summary>
    public async Task<BoothAt> BoothAsync(Guid tabletId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleAsync<BoothAt>(
            """
            select tablet.name as "Name", booth.number as "Booth", room.name as "Room", session.id as "SessionId",
                place.student_id as "PlacedId"
            from tablet join booth on booth.id = tablet.booth_id join room on room.id = booth.room_id
            left join lateral (select id from session where session.room_id = room.id and session.cancelled is null
                and session.begins_at < now() + interval '1 hour' and session.ends_at > now() - interval '1 hour'
                order by session.begins_at <= now() desc, session.begins_at desc limit 1) as session on true
            left join place on place.session_id = session.id and place.booth_id = booth.id
            where tablet.id = @tabletId
            """,
            new { tabletId },
            cancel
        );
    }

    /// <summary>Who may say that they stand at a booth: whom the instructor has there, then the others of the evening by name.</summary>
    public async Task<IReadOnlyList<PersonName>> NamesAsync(Guid sessionId, Guid boothId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<PersonName>(
            """
            select person.id as "Id", person.name as "Name" from person
            left join place on place.session_id = @sessionId and place.student_id = person.id
            where person.deactivated_at is null and (place.student_id is not null or exists (
                select 1 from session join enrolment on enrolment.course_id = session.course_id
                where session.id = @sessionId and enrolment.student_id = person.id and session.held_on >= enrolment.first_day
                    and (enrolment.last_day is null or session.held_on <= enrolment.last_day)))
            order by place.booth_id is not distinct from @boothId desc, person.name, person.id limit @MostNames
            """,
            new
            {
                sessionId,
                boothId,
                MostNames,
            },
            cancel
        );
        return [.. rows];
    }

    /// <summary>Somebody stands at a tablet from now on; whoever stood there before has gone. The same id again changes nothing.</summary>
    public async Task BeginAsync(Guid id, Guid tabletId, Guid sessionId, Guid studentId, DateTimeOffset until, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            """
            update tablet_sign_in set ended_at = now() where tablet_id = @tabletId and ended_at is null and id <> @id;
            insert into tablet_sign_in (id, tablet_id, session_id, student_id, good_until)
            values (@id, @tabletId, @sessionId, @studentId, @until) on conflict (id) do nothing;
            """,
            new
            {
                id,
                tabletId,
                sessionId,
                studentId,
                until = until.UtcDateTime,
            },
            cancel
        );
    }

    /// <summary>Nobody stands at a tablet any more.</summary>
    public async Task EndAsync(Guid tabletId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.ExecuteAsync(
            "update tablet_sign_in set ended_at = now() where tablet_id = @tabletId and ended_at is null",
            new { tabletId },
            cancel
        );
    }
}
