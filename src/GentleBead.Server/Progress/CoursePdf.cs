using GentleBead.Server.Paper;
using PdfSharp;

namespace GentleBead.Server.Progress;

/// <summary>What a course's report is drawn from.</summary>
/// <param name="School">The school's name.</param>
/// <param name="CourseName">The course's.</param>
/// <param name="FirstDay">Its first day.</param>
/// <param name="LastDay">Its last day.</param>
/// <param name="Today">The day it is reported on.</param>
/// <param name="Progress">How it stands.</param>
/// <param name="Attended">How often each student came to its sessions.</param>
internal sealed record CourseReport(
    string School,
    string CourseName,
    DateOnly FirstDay,
    DateOnly LastDay,
    DateOnly Today,
    CourseProgress Progress,
    IReadOnlyDictionary<Guid, Attended> Attended
);

/// <summary>A course's report for the office as PDF, A4: student by student, exercise by exercise. All its words are sentences.</summary>
internal static class CoursePdf
{
    private const double Names = 150;
    private const double Small = 9;

    /// <summary>Draws the report.</summary>
    public static byte[] Draw(CourseReport report, Units units)
    {
        using var paper = new PaperFile(Say($"Report: {report.CourseName.Name()}"), units);
        var pen = new PaperPen(paper, PageSize.A4);
        pen.Text(Say($"{report.CourseName.Name()}"), 20, bold: true);
        pen.Text(Say($"{report.School.Name()}; {report.FirstDay} to {report.LastDay}, as known on {report.Today}"), 10);
        var progress = report.Progress;
        Part(pen, Say($"Students"), progress.Students, one => Say($"{one.Student.Name.Name()}"), one => Student(report, one));
        Part(pen, Say($"Exercises"), progress.Exercises, one => Say($"{one.Name.Name()}"), one => Exercise(one, progress.Students.Count));
        Part(pen, Say($"Machines"), progress.Machines, one => Say($"{one.Name.Name()}"), Machine);
        pen.Gap(6);
        pen.Text(
            Say(
                $"Done is what the exercise asks for: so many beads right of the last, once more on another evening, or its proof. "
                    + $"This is a record of practice and no qualification."
            ),
            7.5
        );
        return paper.Bytes();
    }

    private static void Part<T>(PaperPen pen, Said head, IReadOnlyList<T> rows, Func<T, Said> name, Func<T, Said> said)
    {
        pen.Gap(10);
        pen.Text(head, 12, bold: true);
        pen.Gap(2);
        if (rows.Count == 0)
            pen.Text(Say($"None yet."), Small);
        foreach (var row in rows)
            pen.Row(name(row), said(row), Small, Names);
    }

    private static Said Student(CourseReport report, CourseStudent one)
    {
        var all = report.Progress.Exercises.Count;
        var came = report.Attended.GetValueOrDefault(one.Student.Id, new Attended(0, 0, 0));
        var held = came.Came + came.Missed;
        var attended = held > 0 ? Say($"; came {came.Came} of {held.Counted(Say($"time"), Say($"times"))}") : null;
        var welded = one.Last is { } last
            ? Say($"; {one.Right} of the last {one.Beads} beads right, last on {last}")
            : Say($"; no bead yet");
        var stuck = one.StuckOn is { } cause ? Say($" Stuck for three evenings: {cause}.") : null;
        var ahead = one.IsAhead ? Say($" Far ahead of the course.") : null;
        return Say($"{one.Done} of {all.Counted(Say($"exercise"), Say($"exercises"))} done{attended}{welded}.{stuck}{ahead}");
    }

    private static Said Exercise(CourseExercise one, int students)
    {
        var beads = one.Beads > 0 ? Say($"; {one.Right} of {one.Beads} beads right") : null;
        var hard = one.IsHard ? Say($" Plainly harder than the others for the same people.") : null;
        return Say($"Done by {one.Done} of {students}, begun by {one.Begun} more{beads}.{hard}");
    }

    private static Said Machine(CourseMachine one)
    {
        var fails = one.FailsPeople ? Say($" It makes the work harder: look at it.") : null;
        return Say($"{one.Right} of {one.Beads} beads right; the same people’s other work would have given {one.Expected:0}.{fails}");
    }
}
