using Dapper;
using GentleBead.Core.Judging;
using GentleBead.Core.Progress;
using GentleBead.Core.Skills;
using GentleBead.Core.Stock;
using GentleBead.Server.Database;

namespace GentleBead.Server.Progress;

/// <summary>A bead as a glyph shows it.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="Verdict">In one word: the instructor's where there is one.</param>
/// <param name="Shape">Numbers for its glyph.</param>
/// <param name="Waits">Whether the tool's word on it is not shown to its student yet.</param>
public sealed record BeadGlyph(Guid Id, Verdict Verdict, BeadShape Shape, bool Waits)
{
    /// <summary>The glyph as its student is shown it: without the tool's word while that waits.</summary>
    public BeadGlyph ShownTo(bool instructor) => Waits && !instructor ? this with { Verdict = Verdict.Open } : this;
}

/// <summary>How often somebody came.</summary>
/// <param name="Came">Sessions they came to, late or not.</param>
/// <param name="Missed">Sessions they missed, excused or not.</param>
/// <param name="Late">Sessions they came late to.</param>
public sealed record Attended(int Came, int Missed, int Late);

/// <summary>What progress is read from, for one student: the newest of what they did, whatever lies behind it.</summary>
public sealed class ProgressStore(SchoolDatabase database, TimeProvider clock)
{
    // A term of two evenings a week, twenty beads each, and as much again at most.
    private const int NewestBeads = 600;
    private const int NewestWords = 200;
    private const int NewestSessions = 150;
    private const int NewestTests = 60;

    /// <summary>The newest beads of a student of which it is known whether they are right, in the order they were laid.</summary>
    /// <param name="studentId">Whose.</param>
    /// <param name="kind">Of which kind of work; null for any.</param>
    /// <param name="cancel">Breaks it off.</param>
    public async Task<IReadOnlyList<WorkedBead>> BeadsAsync(Guid studentId, KindOfWork? kind, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<BeadRow>(
            $"""
            select bead_id as "Id", sheet_id as "SheetId", recorded_at as "At", (recorded_at at time zone zone.name)::date as "Day",
                process as "Process", joint as "Joint", position as "Position", counted = 'right' as "Right", cause as "Cause",
                next as "Next", arc_seconds as "ArcSeconds"
            from (select coalesce(nullif((select time_zone from school), ''), @here) as name) as zone cross join lateral (
                select * from bead_verdict where student_id = @studentId and not withdrawn
                    {(kind is null ? "" : "and process = @process and joint = @joint and position = @position")}
                order by seq desc limit @NewestBeads) as newest
            where counted <> 'open' order by seq
            """,
            new
            {
                studentId,
                here = clock.LocalTimeZone.Id,
                process = kind is null ? null : EnumText.Of(kind.Process),
                joint = kind is null ? null : EnumText.Of(kind.Joint),
                position = kind is null ? null : EnumText.Of(kind.Position),
                NewestBeads,
            },
            cancel
        );
        return [.. rows.Select(row => row.Bead)];
    }

    /// <summary>The newest beads that both the student and an instructor gave a verdict on: theirs, and the instructor's.</summary>
    public async Task<IReadOnlyList<(Verdict Own, Verdict Instructor)>> VerdictsAsync(Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(string Own, string Instructor)>(
            """
            select newest.verdict, laid.ruled from (
                select bead_id, verdict from own_word where said_by = @studentId order by said_at desc limit @NewestWords) as newest
            join bead_verdict as laid on laid.bead_id = newest.bead_id
            where laid.ruled is not null and not laid.withdrawn
            """,
            new { studentId, NewestWords },
            cancel
        );
        return [.. rows.Select(row => (EnumText.Read<Verdict>(row.Own), EnumText.Read<Verdict>(row.Instructor)))];
    }

    /// <summary>The glyphs of some beads.</summary>
    public async Task<IReadOnlyDictionary<Guid, BeadGlyph>> GlyphsAsync(IReadOnlyList<Guid> beads, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, string Verdict, string Shape, bool Waits)>(
            "select bead_id, coalesce(ruled, verdict), shape, tool_word_waits(own, ruled, sheet_id) from bead_verdict "
                + "where bead_id = any(@beads)",
            new { beads = beads.ToArray() },
            cancel
        );
        return rows.ToDictionary(
            row => row.Id,
            row => new BeadGlyph(row.Id, EnumText.Read<Verdict>(row.Verdict), Jsonb.Read<BeadShape>(row.Shape), row.Waits)
        );
    }

    /// <summary>The kinds of work of the newest test welds that were accepted.</summary>
    public async Task<IReadOnlySet<(Guid StudentId, KindOfWork Kind)>> AcceptedAsync(IReadOnlyList<Guid> students, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid StudentId, string Job)>(
            """
            select asked.id, sheet.job from unnest(@students) as asked (id) cross join lateral (
                select id, sheet_id from test_weld where student_id = asked.id order by seq desc limit @NewestTests) as newest
            join sheet on sheet.id = newest.sheet_id
            join test_record on test_record.test_weld_id = newest.id and test_record.kind = 'signOff'
            where (test_record.body::jsonb ->> 'passed')::boolean
            """,
            new { students = students.ToArray(), NewestTests },
            cancel
        );
        return rows.Select(row => (row.StudentId, Jsonb.Read<Core.Rules.Job>(row.Job)))
            .Select(one => (one.StudentId, new KindOfWork(one.Item2.Process, one.Item2.Joint, one.Item2.Position)))
            .ToHashSet();
    }

    /// <summary>How often somebody came, of the newest sessions that was noted for.</summary>
    public async Task<Attended> AttendedAsync(Guid studentId, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.QuerySingleAsync<Attended>(
            """
            select (count(*) filter (where came in ('present', 'late')))::int as "Came",
                (count(*) filter (where came in ('absent', 'excused')))::int as "Missed",
                (count(*) filter (where came = 'late'))::int as "Late"
            from (select distinct on (session_id) came from (
                select session_id, came, seq from attendance where student_id = @studentId order by seq desc limit 2 * @NewestSessions)
                as words order by session_id, seq desc) as standing
            """,
            new { studentId, NewestSessions },
            cancel
        );
    }

    /// <summary>The school's name, for what leaves it.</summary>
    public async Task<string> SchoolAsync(CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<string?>("select name from school", null, cancel) ?? "";
    }

    private sealed record BeadRow(
        Guid Id,
        Guid SheetId,
        DateTime At,
        DateOnly Day,
        string Process,
        string Joint,
        string Position,
        bool Right,
        string? Cause,
        string? Next,
        double? ArcSeconds
    )
    {
        public WorkedBead Bead =>
            new(
                Id,
                SheetId,
                At,
                Day,
                new(EnumText.Read<Process>(Process), EnumText.Read<Joint>(Joint), EnumText.Read<Position>(Position)),
                Right,
                Cause is null ? null : EnumText.Read<Cause>(Cause),
                Next is null ? null : Jsonb.Read<Said>(Next),
                ArcSeconds
            );
    }
}
