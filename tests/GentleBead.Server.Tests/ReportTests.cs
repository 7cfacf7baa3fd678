using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using GentleBead.Server.Progress;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Tests;

/// <summary>A student's report, read by other programs: poppler's pdftotext and pdfinfo, and qpdf where they are installed.</summary>
public sealed class ReportTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task A_report_is_two_pages_that_other_programs_read_without_a_warning()
    {
        var (maren, ilsa) = (await room.SignInAsync("maren"), await room.SignInAsync("ilsa"));
        var of = $"/api/students/{(await ilsa.MeAsync()).Id}";
        (await maren.PutAsJsonAsync($"{of}/goals/{Guid.CreateVersion7()}", new { text = "Overhead by summer" })).EnsureSuccessStatusCode();
        foreach (var (readers, text) in new[] { ("student", "A calm hand by now."), ("instructors", "Not for the student.") })
        {
            var body = new
            {
                kind = "skill",
                readers,
                text,
            };
            (await maren.PutAsJsonAsync($"{of}/remarks/{Guid.CreateVersion7()}", body)).EnsureSuccessStatusCode();
        }
        var (words, info) = await ReadAsync(await ilsa.GetByteArrayAsync($"{of}/report.pdf"));
        foreach (var part in new[] { "Ilsa Brandt", "What they can weld", "T, horizontal", "Proven: 4 of 5 right", "times in 10" })
            Assert.Contains(part, words, StringComparison.Ordinal);
        foreach (var part in new[] { "What kept going wrong", "Volts low for the wire", "Overhead by summer", "A calm hand by now." })
            Assert.Contains(part, words, StringComparison.Ordinal);
        Assert.DoesNotContain("Not for the student", words, StringComparison.Ordinal);
        Assert.Matches(@"Pages:\s+2\s", info);
    }

    [Fact]
    public async Task A_report_that_is_as_full_as_it_gets_is_two_pages_still()
    {
        var (maren, teodor) = (await room.SignInAsync("maren"), await room.SignInAsync("teodor"));
        var id = (await teodor.MeAsync()).Id;
        foreach (var number in Enumerable.Range(1, 8))
        {
            var goal = new { text = $"Goal {number}: {new string('w', 60)} {string.Join(' ', Enumerable.Repeat("overhead", 12))}" };
            (await maren.PutAsJsonAsync($"/api/students/{id}/goals/{Guid.CreateVersion7()}", goal)).EnsureSuccessStatusCode();
            var remark = new
            {
                kind = "skill",
                readers = "student",
                text = string.Join(' ', Enumerable.Repeat($"Remark {number} goes on.", 45)),
            };
            (await maren.PutAsJsonAsync($"/api/students/{id}/remarks/{Guid.CreateVersion7()}", remark)).EnsureSuccessStatusCode();
        }
        // More kinds of work than a report holds.
        var (session, view) = await maren.BoothAsync(2);
        foreach (var joint in new[] { "t", "lap", "outsideCorner", "squareButt" })
        foreach (var position in new[] { "flat", "horizontal", "verticalUp", "overhead" })
        {
            var asked = new
            {
                job = new
                {
                    thickness = "1/8",
                    joint,
                    position,
                },
                sessionId = session.Id,
                boothId = view.Booth.Id,
            };
            var sheet = await (await maren.PutAsJsonAsync($"/api/sheets/{Guid.CreateVersion7()}", asked)).ReadAsync<AssignedSheet>();
            var bead = new
            {
                sheetId = sheet.Id,
                wireMark = 46,
                voltMark = 6,
                evidence = new { profile = "slightlyConvex" },
            };
            (await maren.RecordAsync(Guid.CreateVersion7(), bead)).EnsureSuccessStatusCode();
        }
        var (text, info) = await ReadAsync(await maren.GetByteArrayAsync($"/api/students/{id}/report.pdf"));
        Assert.Contains("more, welded longer ago", text, StringComparison.Ordinal);
        Assert.Matches(@"Pages:\s+2\s", info);
    }

    [Fact]
    public async Task A_courses_report_names_every_student_exercise_and_machine_of_it()
    {
        var maren = await room.SignInAsync("maren");
        var id = await room.QueryAsync<Guid>("select id from course where name like 'Steel from scratch%'");
        var progress = await maren.GetAsync<CourseProgress>($"/api/courses/{id}/progress");
        Assert.True(progress.Students.Count >= 14 && progress.Machines.Count >= 8);
        var (text, _) = await ReadAsync(await maren.GetByteArrayAsync($"/api/courses/{id}/progress/report.pdf"));
        Assert.Contains("Steel from scratch", text, StringComparison.Ordinal);
        foreach (var name in progress.Students.Select(one => one.Student.Name).Concat(progress.Machines.Select(one => one.Name)))
            Assert.Contains(name, text, StringComparison.Ordinal);
        Assert.Contains($"Done by {progress.Exercises[0].Done} of {progress.Students.Count}", text, StringComparison.Ordinal);
        Assert.Contains("Stuck for three evenings", text, StringComparison.Ordinal);
        Assert.Contains("no qualification", text, StringComparison.Ordinal);
        var nowhere = await maren.GetAsync($"/api/courses/{Guid.CreateVersion7()}/progress/report.pdf");
        Assert.Equal(HttpStatusCode.NotFound, nowhere.StatusCode);
    }

    // Its words and what is known of it, read by programs that are not ours; neither warns of anything.
    private static async Task<(string Text, string Info)> ReadAsync(byte[] pdf)
    {
        var file = Path.Combine(Path.GetTempPath(), $"report-{Guid.NewGuid()}.pdf");
        await File.WriteAllBytesAsync(file, pdf);
        try
        {
            var info = Run("pdfinfo", file);
            Assert.Contains("A4", info, StringComparison.Ordinal);
            Assert.Contains("No syntax or stream encoding errors found", Run("qpdf", "--check", file), StringComparison.Ordinal);
            return (Run("pdftotext", "-layout", file, "-"), info);
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public async Task A_report_is_nobody_elses_and_one_without_a_bead_is_a_report_too()
    {
        var (maren, ilsa, jun) = (await room.SignInAsync("maren"), await room.SignInAsync("ilsa"), await room.SignInAsync("jun"));
        var of = $"/api/students/{(await ilsa.MeAsync()).Id}/report.pdf";
        Assert.Equal(HttpStatusCode.NotFound, (await jun.GetAsync(of)).StatusCode);
        var id = Guid.CreateVersion7();
        var body = new
        {
            login = "newcomer",
            name = "New Comer",
            password = "a-long-one",
        };
        (await maren.PutAsJsonAsync($"/api/people/students/{id}", body)).EnsureSuccessStatusCode();
        var pdf = await maren.GetByteArrayAsync($"/api/students/{id}/report.pdf");
        Assert.Equal("%PDF"u8, pdf.AsSpan(0, 4));
    }

    private static string Run(string program, params string[] arguments)
    {
        var start = new ProcessStartInfo(program, arguments) { RedirectStandardOutput = true, RedirectStandardError = true };
        using var process = Process.Start(start)!;
        var complaints = process.StandardError.ReadToEndAsync();
        var said = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        Assert.Equal("", complaints.GetAwaiter().GetResult().Trim());
        Assert.Equal(0, process.ExitCode);
        return said;
    }
}
