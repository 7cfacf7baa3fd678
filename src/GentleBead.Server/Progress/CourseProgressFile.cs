using System.Globalization;
using GentleBead.Server.Database;
using GentleBead.Server.Http;

namespace GentleBead.Server.Progress;

/// <summary>A course at a glance as CSV (RFC 4180, UTF-8): a line a student, a column an exercise.</summary>
internal static class CourseProgressFile
{
    public static byte[] WriteCsv(CourseProgress progress) =>
        CsvTable.Write([
            ["student", "done", "last welded", "beads", "right", "stuck on", "far ahead", .. progress.Exercises.Select(one => one.Name)],
            .. progress.Students.Select(Row),
        ]);

    private static IEnumerable<string> Row(CourseStudent one) =>
        [
            one.Student.Name,
            Number(one.Done),
            one.Last?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "",
            Number(one.Beads),
            Number(one.Right),
            one.StuckOn?.In(Units.Metric) ?? "",
            one.IsAhead ? "yes" : "",
            .. one.States.Select(EnumText.Of),
        ];

    private static string Number(int number) => number.ToString(CultureInfo.InvariantCulture);
}
