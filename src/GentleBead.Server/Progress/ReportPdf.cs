using System.Globalization;
using GentleBead.Core.Practice;
using GentleBead.Core.Progress;
using GentleBead.Core.Skills;
using GentleBead.Core.Stock;
using GentleBead.Server.Paper;
using PdfSharp;
using PdfSharp.Drawing;
using SkiaSharp;

namespace GentleBead.Server.Progress;

/// <summary>A student's report as PDF, two pages A4: what they can weld, and how they got there. All its words are sentences.</summary>
internal static class ReportPdf
{
    // What two pages hold.
    private const int MostCells = 14;
    private const int MostRecurring = 5;
    private const int MostGoals = 5;
    private const int MostRemarks = 4;
    private const int LongestRemark = 360;
    private const double Small = 9;
    private const double Names = 190;

    private static readonly Dictionary<DrillKind, Said> Drills = new()
    {
        [DrillKind.Ear] = Say($"by ear"),
        [DrillKind.Eye] = Say($"by eye"),
        [DrillKind.SetMachine] = Say($"setting the machine"),
    };

    /// <summary>Draws the report.</summary>
    public static byte[] Draw(Report report, Units units)
    {
        using var paper = new PaperFile(Say($"Report: {report.Student.Name()}"), units);
        var pen = new PaperPen(paper, PageSize.A4);
        pen.Text(Say($"{report.Student.Name()}"), 20, bold: true);
        pen.Text(Say($"{report.School.Name()}; what they can weld, as known on {report.Today}"), 10);
        Map(pen, report);
        Term(pen, report.Progress);
        Recurring(pen, report.Progress);
        pen.Turn();
        if (report.CurveOf is { } of)
            Curve(pen, of, report.Curve);
        Beads(pen, report.Beads);
        Tests(pen, report.Tests);
        OwnEye(pen, report.Progress);
        Words(pen, report);
        return paper.Bytes();
    }

    private static void Head(PaperPen pen, Said head)
    {
        pen.Gap(10);
        pen.Text(head, 12, bold: true);
        pen.Gap(2);
    }

    private static void Map(PaperPen pen, Report report)
    {
        Head(pen, Say($"What they can weld"));
        if (report.Map.Count == 0)
            pen.Text(Say($"No bead yet."), Small);
        foreach (var cell in report.Map.Take(MostCells))
            pen.Row(cell.Kind.InWords(), Say($"{cell.State.Words():capital}: {cell.Did}; {cell.Next}."), Small, Names);
        if (report.Map.Count > MostCells)
            pen.Text(Say($"And {report.Map.Count - MostCells} more, welded longer ago."), Small);
        pen.Gap(3);
        pen.Text(
            Say(
                $"Proven: three right in a row and once more on another evening, or a test weld accepted. How often the next bead comes "
                    + $"right is told with 95 % surety. This is a record of practice and no qualification."
            ),
            7.5
        );
    }

    private static void Term(PaperPen pen, StudentProgress progress)
    {
        Head(pen, Say($"The term in figures"));
        if (progress.Since is { } since)
            pen.Row(Say($"Arc"), Say($"{Long(progress.ArcMinutes)} in {progress.Beads} beads since {since}"), Small, Names);
        var (came, missed) = (progress.Attended.Came, progress.Attended.Missed);
        if (came + missed > 0)
            pen.Row(Say($"Came"), Say($"{came} of {came + missed} times"), Small, Names);
        foreach (var drill in progress.Drills.Where(drill => drill.Answered > 0))
            pen.Row(Say($"Drills, {Drills[drill.Kind]}"), Say($"{drill.Right} of {drill.Answered} right"), Small, Names);
    }

    private static Said Long(double minutes) => minutes < 60 ? Say($"{minutes:0} min") : Say($"{minutes / 60:0.0} h");

    private static void Recurring(PaperPen pen, StudentProgress progress)
    {
        if (progress.Recurring.Count == 0)
            return;
        Head(pen, Say($"What kept going wrong, and what helped"));
        foreach (var one in progress.Recurring.Take(MostRecurring))
        {
            var often = Say($"{one.Beads} beads on {one.Evenings.Counted(Say($"evening"), Say($"evenings"))}, last on {one.Last}");
            pen.Row(
                one.Words,
                Say($"{often}{(one.Gone ? Say($"; gone since") : null)}.{(one.CuredBy is { } cure ? Say($" It helped: {cure}") : null)}"),
                Small,
                Names
            );
        }
    }

    private static void Curve(PaperPen pen, SkillCell of, IReadOnlyList<LearningDay> days)
    {
        Head(pen, Say($"How it was learned: {of.Kind.InWords()}"));
        pen.Draw(110, (on, box) => Plot(on, new XRect(box.X + 20, box.Y + 4, box.Width - 20, box.Height - 20), days));
        pen.Text(
            Say($"Dots: the share of each evening that came right. Grey: where the chance of the next bead lies, with 95 % surety."),
            7.5
        );
    }

    private static void Plot(XGraphics on, XRect box, IReadOnlyList<LearningDay> days)
    {
        var (first, span) = (days[0].Day.DayNumber, Math.Max(1, days[^1].Day.DayNumber - days[0].Day.DayNumber));
        on.DrawRectangle(new XPen(XColors.Gray, 0.5), box);
        foreach (var tenth in new[] { 0, 5, 10 })
            on.DrawString(Digit(tenth), PaperFile.Font(7, false), XBrushes.Black, new XPoint(box.X - 14, Y(tenth / 10.0) + 3));
        XPoint[] band =
        [
            .. days.Where(day => day.After is not null).Select(day => new XPoint(X(day), Y(day.After!.Low))),
            .. days.Where(day => day.After is not null).Reverse().Select(day => new XPoint(X(day), Y(day.After!.High))),
        ];
        if (band.Length > 2)
            on.DrawPolygon(XBrushes.LightGray, band, XFillMode.Winding);
        foreach (var day in days)
            on.DrawEllipse(new XPen(XColors.Black, 1), X(day) - 2.5, Y((double)day.Right / day.Beads) - 2.5, 5, 5);
        foreach (var day in new[] { days[0], days[^1] }.Distinct())
            on.DrawString(
                day.Day.ToString("d MMM yyyy", CultureInfo.InvariantCulture),
                PaperFile.Font(7, false),
                XBrushes.Black,
                new XPoint(Math.Min(X(day), box.Right - 44), box.Bottom + 10)
            );

        double X(LearningDay day) => box.X + 8 + (box.Width - 16) * (day.Day.DayNumber - first) / span;
        double Y(double share) => box.Bottom - 6 - (box.Height - 12) * share;
    }

    private static string Digit(int number) => number.ToString(CultureInfo.InvariantCulture);

    private static void Beads(PaperPen pen, IReadOnlyList<ReportedBead> beads)
    {
        var pictured = beads.Where(bead => bead.Picture is not null).ToArray();
        if (pictured.Length == 0)
            return;
        Head(pen, Say($"Best beads"));
        pen.Draw(
            112,
            (on, box) =>
            {
                var wide = (box.Width - 3 * 8) / 4;
                foreach (var (at, bead) in pictured.Index())
                {
                    var x = box.X + at * (wide + 8);
                    using var stream = new MemoryStream(AsJpeg(bead.Picture!));
                    using var image = XImage.FromStream(stream);
                    var scale = Math.Min(wide / image.PixelWidth, 92.0 / image.PixelHeight);
                    on.DrawImage(image, x, box.Y, image.PixelWidth * scale, image.PixelHeight * scale);
                    var name = Say($"{bead.Cell.Kind.Joint.Facts().Name:capital}, {bead.Cell.Kind.Position.Facts().Words}");
                    on.DrawString(name.In(pen.Units), PaperFile.Font(7.5, false), XBrushes.Black, new XPoint(x, box.Y + 104));
                }
            }
        );
    }

    // Small, and of a kind every reader of PDFs knows: pictures may be stored as WebP.
    private static byte[] AsJpeg(byte[] stored)
    {
        using var picture = SKBitmap.Decode(stored);
        var scale = Math.Min(1, 480f / Math.Max(picture.Width, picture.Height));
        var size = new SKImageInfo(Math.Max(1, (int)(picture.Width * scale)), Math.Max(1, (int)(picture.Height * scale)));
        using var small = picture.Resize(size, new SKSamplingOptions(SKCubicResampler.Mitchell));
        using var encoded = small.Encode(SKEncodedImageFormat.Jpeg, 85);
        return encoded.ToArray();
    }

    private static void Tests(PaperPen pen, IReadOnlyList<ReportedTest> tests)
    {
        if (tests.Count == 0)
            return;
        Head(pen, Say($"Test welds, signed"));
        foreach (var (line, link) in tests)
        {
            var passed = line.State.Passed == true ? Say($"accepted") : Say($"not accepted");
            pen.Row(
                Say($"{line.Job.Joint.Facts().Name:capital}, {line.Job.Position.Facts().Words}"),
                Say($"{passed}, sealed {DateOnly.FromDateTime(line.SealedAt.DateTime)}; end of its chain {link[..16].Name()}"),
                Small,
                Names
            );
        }
    }

    private static void OwnEye(PaperPen pen, StudentProgress progress)
    {
        if (progress.OwnEye.Count == 0)
            return;
        var (pairs, agreed, kappa) = (progress.OwnEye[0].Pairs, progress.OwnEye[0].Agreed, progress.OwnEye[0].Kappa);
        Head(pen, Say($"Their own eye"));
        var beyond = kappa is null ? null : Say($"; beyond chance {kappa.Value:0.00} ({kappa.Low:0.00} to {kappa.High:0.00}, kappa)");
        pen.Text(Say($"The same verdict as the instructor on {agreed} of {pairs} beads{beyond}."), Small);
    }

    private static void Words(PaperPen pen, Report report)
    {
        if (report.Goals.Count > 0)
            Head(pen, Say($"Goals"));
        foreach (var goal in report.Goals.Take(MostGoals))
        {
            var end =
                goal.End is null ? null
                : goal.End.Reached ? Say($": reached")
                : Say($": given up");
            pen.Text(Say($"–  {goal.Text.Name()}{end}"), Small);
        }
        if (report.Remarks.Count > 0)
            Head(pen, Say($"In the instructors' words"));
        foreach (var remark in report.Remarks.Take(MostRemarks))
        {
            var text = remark.Text.Length <= LongestRemark ? remark.Text : $"{remark.Text[..LongestRemark]}…";
            pen.Text(Say($"{text.Name()} ({remark.By.Name()}, {DateOnly.FromDateTime(remark.At.DateTime)})"), Small);
        }
    }
}
