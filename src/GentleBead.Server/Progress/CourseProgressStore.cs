using Dapper;
using GentleBead.Core.Progress;
using GentleBead.Server.Database;

namespace GentleBead.Server.Progress;

/// <summary>A machine as a course's students found it.</summary>
/// <param name="Id">Which machine.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Tried">What was welded on it.</param>
public sealed record TriedMachine(Guid Id, string Name, Tried Tried);

/// <summary>What a course's students did of late, for all of them at once.</summary>
public sealed class CourseProgressStore(SchoolDatabase database, TimeProvider clock)
{
    private const int NewestBeads = 60;
    private const int NewestOnMachines = 120;

    /// <summary>The newest beads of each student, oldest first; one query, however many they are.</summary>
    public async Task<ILookup<Guid, EveningBead>> EveningsAsync(IReadOnlyList<Guid> students, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid StudentId, DateOnly Day, bool Right, string? Cause, string Process)>(
            """
            select asked.id, (newest.recorded_at at time zone zone.name)::date, newest.counted = 'right', newest.cause, newest.process
            from (select coalesce(nullif((select time_zone from school), ''), @here) as name) as zone
            cross join unnest(@students) as asked (id) cross join lateral (
                select seq, recorded_at, counted, cause, process from bead_verdict where student_id = asked.id and not withdrawn
                order by seq desc limit @NewestBeads) as newest
            where newest.counted <> 'open' order by asked.id, newest.seq
            """,
            new
            {
                students = students.ToArray(),
                here = clock.LocalTimeZone.Id,
                NewestBeads,
            },
            cancel
        );
        return rows.ToLookup(
            row => row.StudentId,
            row => new EveningBead(row.Day, row.Right, row.Right ? null : CauseWords.Of(row.Cause, row.Process))
        );
    }

    /// <summary>How often each student came to a course's sessions; whoever was never noted down is not among them.</summary>
    public async Task<IReadOnlyDictionary<Guid, Attended>> AttendedAsync(
        Guid courseId,
        IReadOnlyList<Guid> students,
        CancellationToken cancel
    )
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid StudentId, int Came, int Missed, int Late)>(
            """
            select student_id, (count(*) filter (where came in ('present', 'late')))::int,
                (count(*) filter (where came in ('absent', 'excused')))::int, (count(*) filter (where came = 'late'))::int
            from (select distinct on (session_id, student_id) student_id, came from attendance
                where session_id in (select id from session where course_id = @courseId) and student_id = any(@students)
                order by session_id, student_id, seq desc) as noted
            group by student_id
            """,
            new { courseId, students = students.ToArray() },
            cancel
        );
        return rows.ToDictionary(row => row.StudentId, row => new Attended(row.Came, row.Missed, row.Late));
    }

    /// <summary>The machines these students welded on of late, beside what they do at the same work everywhere.</summary>
    public async Task<IReadOnlyList<TriedMachine>> MachinesAsync(IReadOnlyList<Guid> students, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, string Name, int Beads, int Right, double Expected)>(
            """
            select machine.id, machine.name, count(*)::int, (count(*) filter (where newest.counted = 'right'))::int,
                sum((skill.right_beads + 1.0) / (skill.beads + 2))::double precision
            from unnest(@students) as asked (id) cross join lateral (
                select machine_id, student_id, process, joint, position, counted from bead_verdict
                where student_id = asked.id and not withdrawn order by seq desc limit @NewestOnMachines) as newest
            join skill on skill.student_id = newest.student_id and skill.process = newest.process and skill.joint = newest.joint
                and skill.position = newest.position and skill.beads > 0
            join machine on machine.id = newest.machine_id
            where newest.counted <> 'open' group by machine.id order by machine.name
            """,
            new { students = students.ToArray(), NewestOnMachines },
            cancel
        );
        return [.. rows.Select(row => new TriedMachine(row.Id, row.Name, new(row.Beads, row.Right, row.Expected)))];
    }
}
