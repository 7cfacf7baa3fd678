using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;

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
        var file = Path.Combine(Path.GetTempPath(), $"report-{Guid.NewGuid()}.pdf");
        await File.WriteAllBytesAsync(file, await ilsa.GetByteArrayAsync($"{of}/report.pdf"));
        try
        {
            var text = Run("pdftotext", "-layout", file, "-");
            foreach (var part in new[] { "Ilsa Brandt", "What they can weld", "T, horizontal", "Proven: 4 of 5 right", "times in 10" })
                Assert.Contains(part, text, StringComparison.Ordinal);
            foreach (var part in new[] { "What kept going wrong", "Volts low for the wire", "Overhead by summer", "A calm hand by now." })
                Assert.Contains(part, text, StringComparison.Ordinal);
            Assert.DoesNotContain("Not for the student", text, StringComparison.Ordinal);
            var info = Run("pdfinfo", file);
            Assert.Matches(@"Pages:\s+2\s", info);
            Assert.Contains("A4", info, StringComparison.Ordinal);
            Assert.Contains("No syntax or stream encoding errors found", Run("qpdf", "--check", file), StringComparison.Ordinal);
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
