using Dapper;
using GentleBead.Core.Progress;
using GentleBead.Server.Database;
using GentleBead.Server.People;
using GentleBead.Server.TestWelds;

namespace GentleBead.Server.Progress;

/// <summary>A test weld as a report names it.</summary>
/// <param name="Line">The test.</param>
/// <param name="LastLink">The hash at the end of its chain, hexadecimal: noted elsewhere, it tells whether anything was changed.</param>
internal sealed record ReportedTest(TestWeldLine Line, string LastLink);

/// <summary>A right bead with its picture.</summary>
/// <param name="Cell">What kind of work it was.</param>
/// <param name="Picture">The picture of its face as stored; null where there is none.</param>
internal sealed record ReportedBead(SkillCell Cell, byte[]? Picture);

/// <summary>All that stands in a student's report.</summary>
internal sealed record Report(
    string School,
    string Student,
    DateOnly Today,
    IReadOnlyList<SkillCell> Map,
    StudentProgress Progress,
    SkillCell? CurveOf,
    IReadOnlyList<LearningDay> Curve,
    IReadOnlyList<ReportedBead> Beads,
    IReadOnlyList<ReportedTest> Tests,
    IReadOnlyList<Goal> Goals,
    IReadOnlyList<Remark> Remarks
);

/// <summary>Gathers a student's report: what fits two pages, the newest first.</summary>
internal sealed class ReportReader(
    SchoolDatabase database,
    StudentReader reader,
    ProgressStore progress,
    TestWeldStore tests,
    GoalStore goals,
    RemarkStore remarks,
    SchoolClock clock
)
{
    private const int MostPictures = 4;
    private const int MostTests = 5;

    /// <summary>The report of a student, as anybody may read it whom they show it to: with the remarks that are for them.</summary>
    public async Task<Report> OfAsync(PersonName student, CancellationToken cancel)
    {
        var map = await reader.MapAsync(student.Id, false, cancel);
        var curveOf = map.Where(cell => cell.Chance is not null).FirstOrDefault();
        var best = map.Where(cell => cell.Best is not null).Take(MostPictures).ToArray();
        var pictures = await PicturesAsync([.. best.Select(cell => cell.Best!.Id)], cancel);
        var lines = (await tests.OfStudentAsync(student.Id, null, cancel)).Tests.Where(test => test.Signed).Take(MostTests).ToArray();
        var reported = new List<ReportedTest>();
        foreach (var line in lines)
            reported.Add(new(line, (await tests.RecordsAsync(line.Id, cancel))[^1].Link.Hash));
        return new(
            await progress.SchoolAsync(cancel),
            student.Name,
            await clock.TodayAsync(cancel),
            map,
            await reader.ProgressAsync(student.Id, cancel),
            curveOf,
            curveOf is null ? [] : LearningDay.Curve(await progress.BeadsAsync(student.Id, curveOf.Kind, cancel)),
            [.. best.Select(cell => new ReportedBead(cell, pictures.GetValueOrDefault(cell.Best!.Id)))],
            reported,
            await goals.OfAsync(student.Id, cancel),
            await remarks.OfAsync(student.Id, student.Id, false, cancel)
        );
    }

    private async Task<IReadOnlyDictionary<Guid, byte[]>> PicturesAsync(Guid[] beads, CancellationToken cancel)
    {
        await using var connection = await database.OpenConnectionAsync(cancel);
        var rows = await connection.QueryAsync<(Guid Id, byte[] Bytes)>(
            """
            select distinct on (bead_id) bead_id, bytes from picture
            where bead_id = any(@beads) and side = 'face' and withdrawn_at is null order by bead_id, seq desc
            """,
            new { beads },
            cancel
        );
        return rows.ToDictionary(row => row.Id, row => row.Bytes);
    }
}
