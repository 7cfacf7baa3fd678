using Dapper;
using GentleBead.Core.Courses;
using GentleBead.Core.Rules;
using GentleBead.Server.Database;

namespace GentleBead.Server.Courses;

/// <summary>What one student did, sheet by sheet; an exercise takes from it what was laid to its job.</summary>
public sealed class StudentWork
{
    private readonly IReadOnlyList<(Job Job, ExerciseWork Work)> sheets;

    internal StudentWork(IReadOnlyList<(Job Job, ExerciseWork Work)> sheets) => this.sheets = sheets;

    /// <summary>Nothing yet.</summary>
    public static StudentWork None { get; } = new([]);

    /// <summary>What of it counts for an exercise.</summary>
    public ExerciseWork At(Exercise exercise)
    {
        ArgumentNullException.ThrowIfNull(exercise);
        var fitting = sheets.Where(sheet => exercise.Fits(sheet.Job)).Select(sheet => sheet.Work).ToArray();
        return new(
            [.. fitting.SelectMany(work => work.Beads)],
            fitting.Sum(work => work.TrialsEnded),
            fitting.Sum(work => work.TestsAccepted)
        );
    }
}

/// <summary>Reads what students did, as done-rules ask for it: the newest sheets of each, and how their beads stand.</summary>
public sealed class WorkStore(SchoolDatabase database, TimeProvider clock)
{
    // What was welded before that many sheets says little about what somebody can weld now.
    private const int SheetsOfStudent = 120;

    /// <summary>What these students did; one query, however many they are.</summary>
    public async Task<IReadOnlyDictionary<Guid, StudentWork>> OfAsync(IReadOnlyList<Guid> students, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid StudentId, string Job, string? Beads, int Trials, int Tests)>(
            """
            select sheet.student_id, sheet.job, (
                select json_agg(json_build_object('day', (laid.recorded_at at time zone zone.name)::date, 'right',
                    laid.counted = 'right', 'section', exists (select 1 from picture join macro_marks
                        on macro_marks.picture_id = picture.id where picture.bead_id = laid.bead_id
                        and (picture.withdrawn_at is null or picture.withdrawn_at = picture.let_go_at)))
                    order by laid.number)
                from bead_verdict as laid where laid.sheet_id = sheet.id and not laid.withdrawn) as beads,
                (select count(*)::int from trial where trial.sheet_id = sheet.id and trial.ended_at is not null) as trials,
                (select count(*)::int from test_weld join test_record on test_record.test_weld_id = test_weld.id
                    where test_weld.sheet_id = sheet.id and test_record.kind = 'signOff'
                        and (test_record.body::jsonb ->> 'passed')::boolean) as tests
            from (select coalesce(nullif((select time_zone from school), ''), @here) as name) as zone
            cross join unnest(@students) as asked (id) cross join lateral (
                select id, seq, student_id, job from sheet where student_id = asked.id order by seq desc limit @SheetsOfStudent) as sheet
            order by sheet.student_id, sheet.seq
            """,
            new
            {
                students = students.ToArray(),
                here = clock.LocalTimeZone.Id,
                SheetsOfStudent,
            },
            cancel
        );
        // A class works at few jobs: each is read once.
        var jobs = new Dictionary<string, Job>();
        return rows.GroupBy(row => row.StudentId)
            .ToDictionary(
                mine => mine.Key,
                mine => new StudentWork([
                    .. mine.Select(row =>
                        (
                            jobs.TryGetValue(row.Job, out var job) ? job : jobs[row.Job] = Jsonb.Read<Job>(row.Job),
                            new ExerciseWork(row.Beads is null ? [] : Jsonb.Read<IReadOnlyList<LaidBead>>(row.Beads), row.Trials, row.Tests)
                        )
                    ),
                ])
            );
    }
}
