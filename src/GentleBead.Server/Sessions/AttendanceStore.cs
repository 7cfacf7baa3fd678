using Dapper;
using GentleBead.Server.Database;
using GentleBead.Server.People;

namespace GentleBead.Server.Sessions;

/// <summary>Whether somebody came.</summary>
public enum Came
{
    /// <summary>Nobody said.</summary>
    Unknown,

    /// <summary>There from the beginning.</summary>
    Present,

    /// <summary>Came late, or left early.</summary>
    Late,

    /// <summary>Not there, without a word.</summary>
    Absent,

    /// <summary>Not there, and said so.</summary>
    Excused,
}

/// <summary>A student of a session, and what they did in it.</summary>
/// <param name="Student">Who.</param>
/// <param name="Came">Whether they came.</param>
/// <param name="NotedBy">Who noted it; null where nobody did.</param>
/// <param name="Booth">The number of the booth they stand at; null at none.</param>
/// <param name="Sheets">Sheets that were given out to them in it.</param>
/// <param name="Beads">Beads they laid to those.</param>
/// <param name="Right">How many of them stand as right.</param>
public sealed record SessionStudent(PersonName Student, Came Came, string? NotedBy, int? Booth, int Sheets, int Beads, int Right);

/// <summary>Who came to a session, and what everybody did in it. What was noted is only added to; the newest stands.</summary>
public sealed class AttendanceStore(SchoolDatabase database)
{
    // A session has a roster, and whoever else was placed or given a sheet.
    private const int Shown = 80;

    /// <summary>Everybody of a session, by name: on the roster that day, at a booth, with a sheet, or noted.</summary>
    public async Task<IReadOnlyList<SessionStudent>> OfAsync(Guid sessionId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            """
            with here as (
                select enrolment.student_id from session join enrolment on enrolment.course_id = session.course_id
                    and session.held_on between enrolment.first_day and coalesce(enrolment.last_day, session.held_on)
                    where session.id = @sessionId
                union select student_id from place where session_id = @sessionId
                union select student_id from sheet where session_id = @sessionId
                union select student_id from attendance where session_id = @sessionId
            ), laid as (
                select sheet.student_id, count(distinct sheet.id) as sheets, count(bead_verdict.bead_id) as beads,
                    count(*) filter (where bead_verdict.counted = 'right') as good
                from sheet left join bead_verdict on bead_verdict.sheet_id = sheet.id and not bead_verdict.withdrawn
                where sheet.session_id = @sessionId group by sheet.student_id
            )
            select person.id as "Id", person.name as "Name", newest.came as "Came", newest.name as "NotedBy", booth.number as "Booth",
                coalesce(laid.sheets, 0)::int as "Sheets", coalesce(laid.beads, 0)::int as "Beads", coalesce(laid.good, 0)::int as "Good"
            from here join person on person.id = here.student_id left join laid on laid.student_id = person.id
            left join place on place.session_id = @sessionId and place.student_id = person.id left join booth on booth.id = place.booth_id
            left join lateral (
                select came, noting.name from attendance join person as noting on noting.id = noted_by
                where session_id = @sessionId and student_id = person.id order by attendance.seq desc limit 1) as newest on true
            order by person.name, person.id limit @Shown
            """,
            new { sessionId, Shown },
            cancel
        );
        return
        [
            .. rows.Select(row => new SessionStudent(
                new PersonName(row.Id, row.Name),
                row.Came is null ? Came.Unknown : EnumText.Read<Came>(row.Came),
                row.NotedBy,
                row.Booth,
                row.Sheets,
                row.Beads,
                row.Good
            )),
        ];
    }

    /// <summary>Notes whether a student came; the same id again changes nothing.</summary>
    public async Task NoteAsync(Guid id, Guid sessionId, Guid studentId, Came came, Guid by, Sent sent, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await connection.AddOnceAsync(
            "attendance",
            """
            insert into attendance (id, session_id, student_id, came, noted_by, sent)
            values (@id, @sessionId, @studentId, @came, @by, @sent) on conflict (id) do nothing
            """,
            new
            {
                id,
                sessionId,
                studentId,
                came = EnumText.Of(came),
                by,
                sent = sent.Hash,
            },
            id,
            sent,
            cancel
        );
    }

    private sealed record Row(Guid Id, string Name, string? Came, string? NotedBy, int? Booth, int Sheets, int Beads, int Good);
}
