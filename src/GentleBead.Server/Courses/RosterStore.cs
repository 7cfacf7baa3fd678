using Dapper;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using Npgsql;

namespace GentleBead.Server.Courses;

/// <summary>Who is on a course, from a day to a day.</summary>
public sealed class RosterStore(SchoolDatabase database)
{
    /// <summary>The most students of one course.</summary>
    public const int Most = 200;

    /// <summary>The roster of a course, by name; those who left at the end.</summary>
    public async Task<IReadOnlyList<Enrolment>> OfAsync(Guid courseId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<Row>(
            """
            with noted as (
                select newest.student_id, newest.came, session.held_on from session cross join lateral (
                    select distinct on (attendance.student_id) attendance.student_id, attendance.came from attendance
                    where attendance.session_id = session.id order by attendance.student_id, attendance.seq desc) as newest
                where session.course_id = @courseId and session.cancelled is null
            )
            select enrolment.id as "Id", person.id as "StudentId", person.name as "Name", enrolment.first_day as "FirstDay",
                enrolment.last_day as "LastDay", enrolment.version as "Version",
                (count(*) filter (where noted.came in ('present', 'late')))::int as "Came",
                (count(*) filter (where noted.came in ('absent', 'excused')))::int as "Missed"
            from enrolment join person on person.id = enrolment.student_id left join noted on noted.student_id = enrolment.student_id
                and noted.held_on between enrolment.first_day and coalesce(enrolment.last_day, noted.held_on)
            where enrolment.course_id = @courseId group by enrolment.id, person.id
            order by enrolment.last_day is not null, person.name, person.id, enrolment.seq limit @Most
            """,
            new { courseId, Most },
            cancel
        );
        return
        [
            .. rows.Select(row => new Enrolment(
                row.Id,
                new PersonName(row.StudentId, row.Name),
                row.FirstDay,
                row.LastDay,
                row.Came,
                row.Missed,
                row.Version
            )),
        ];
    }

    /// <summary>Puts students on a course; the same ids again change nothing, nor does one who is on it then.</summary>
    /// <param name="courseId">Which course.</param>
    /// <param name="students">Who, from which day.</param>
    /// <param name="by">Who enrols them, for the trail; null for nobody in particular.</param>
    /// <param name="sent">What was sent.</param>
    public async Task AddAsync(
        Guid courseId,
        IReadOnlyList<(Guid Id, Guid StudentId, DateOnly FirstDay)> students,
        Guid? by,
        Sent sent,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        foreach (var (id, studentId, firstDay) in students)
        {
            // Who is on it already is not put on it twice.
            var added = await connection.AddOnceAsync(
                "enrolment",
                """
                insert into enrolment (id, course_id, student_id, first_day, sent)
                select @id, @courseId, @studentId, @firstDay, @sent
                where not exists (select 1 from enrolment where course_id = @courseId and student_id = @studentId
                    and (last_day is null or last_day >= @firstDay))
                on conflict (id) do nothing
                """,
                new
                {
                    id,
                    courseId,
                    studentId,
                    firstDay,
                    sent = sent.Hash,
                },
                id,
                sent,
                cancel
            );
            if (added && by is { } who)
                await AccountStore.LeaveAsync(connection, who, "enrolled", studentId, cancel);
        }
        await transaction.CommitAsync(cancel);
    }

    /// <summary>Sets from when to when somebody is on a course. False where that was changed since the version named.</summary>
    /// <exception cref="PostgresException">They are on it twice at once (23P01).</exception>
    public async Task<bool> SetDaysAsync(Guid courseId, Guid id, EnrolmentDays days, Guid by, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        await using var transaction = await connection.BeginTransactionAsync(cancel);
        var student = await connection.ExecuteScalarAsync<Guid?>(
            """
            update enrolment set first_day = @FirstDay, last_day = @LastDay, version = version + 1
            where id = @id and course_id = @courseId and version = @Version returning student_id
            """,
            new
            {
                id,
                courseId,
                days.FirstDay,
                days.LastDay,
                days.Version,
            },
            cancel
        );
        if (student is null)
            return false;
        await AccountStore.LeaveAsync(connection, by, days.LastDay is null ? "enrolled" : "left", student.Value, cancel);
        await transaction.CommitAsync(cancel);
        return true;
    }

    /// <summary>How many of these are students.</summary>
    public async Task<int> StudentsAsync(IReadOnlyList<Guid> ids, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<int>(
            "select count(*)::int from person where id = any(@ids) and role = 'student'",
            new { ids = ids.Distinct().ToArray() },
            cancel
        );
    }

    private sealed record Row(
        Guid Id,
        Guid StudentId,
        string Name,
        DateOnly FirstDay,
        DateOnly? LastDay,
        int Version,
        int Came,
        int Missed
    );
}
