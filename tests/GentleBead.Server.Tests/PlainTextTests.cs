using System.Net;
using System.Net.Http.Headers;
using System.Text;
using Microsoft.AspNetCore.Hosting;

namespace GentleBead.Server.Tests;

/// <summary>Requests that nobody means: answered at the place, with a reason, and never by a fault of the server.</summary>
public class PlainTextTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static StringContent Json(string text) => new(text, Encoding.UTF8, "application/json");

    [Theory]
    [InlineData("""{"login":"ma\u0000ren","password":"x"}""", "login")]
    [InlineData("""{"login":"maren","password":"x\u0000"}""", "password")]
    [InlineData("""{"login":"maren\u0007","password":"x"}""", "login")]
    public async Task A_control_character_in_a_sign_in_is_refused_at_its_field(string body, string field) =>
        Assert.Contains(field, (await (await room.CreateClient().PostAsync("/api/people/sign-in", Json(body))).ProblemsAsync()).Keys);

    public static TheoryData<string, string, string> Texts =>
        new()
        {
            { "/api/presets/{id}", """{"name":"a\u0000b","job":{"thickness":"1/8","joint":"t","position":"flat"}}""", "name" },
            { "/api/presets/{id}", """{"name":"ab","job":{"thickness":"1/8\u0000","joint":"t","position":"flat"}}""", "job.thickness" },
            { "/api/sessions/{id}", """{"title":"a\u0001b","heldOn":"2026-11-26","begins":"18:00"}""", "title" },
            { "/api/machines/{machine}/upkeep/{id}", """{"part":"tip","note":"a\u0000"}""", "note" },
            {
                "/api/beads/{id}",
                """{"sheetId":"{sheet}","wireMark":47,"voltMark":6,"evidence":{"faults":null,"strengths":{"sound\u0000":"bad"}}}""",
                "evidence.strengths"
            },
            { "/api/people/students/{id}", """{"name":"A\u0000","login":"aaa","password":"long-enough-1"}""", "name" },
        };

    [Theory]
    [MemberData(nameof(Texts))]
    public async Task A_control_character_in_any_text_is_refused_at_its_field(string path, string body, string field)
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var (_, view) = await maren.BoothAsync(2);
        string Fill(string text) =>
            text.Replace("{id}", $"{Guid.CreateVersion7()}", StringComparison.Ordinal)
                .Replace("{sheet}", $"{sheet.Id}", StringComparison.Ordinal)
                .Replace("{machine}", $"{view.Booth.MachineId}", StringComparison.Ordinal);
        var problems = await (await maren.PutAsync(Fill(path), Json(Fill(body)))).ProblemsAsync();
        Assert.Contains(problems.Keys, key => key.StartsWith(field, StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("""{"waterL":1e999,"bar":100}""")]
    [InlineData("""{"waterL":"NaN","bar":100}""")]
    [InlineData("""{"waterL":"Infinity","bar":100}""")]
    [InlineData("""{"waterL":1e308,"bar":100}""")]
    public async Task A_number_that_is_none_is_refused(string body)
    {
        var maren = await room.SignInAsync("maren");
        var (_, view) = await maren.BoothAsync(2);
        var response = await maren.PutAsync($"/api/machines/{view.Booth.MachineId}/bottles/{Guid.CreateVersion7()}", Json(body));
        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
    }

    [Fact]
    public async Task A_character_set_that_is_none_or_a_body_of_another_kind_is_told()
    {
        var maren = await room.SignInAsync("maren");
        foreach (
            var type in new[]
            {
                "application/json; charset=bogus",
                "application/json; charset=utf-16",
                "text/plain",
                "application/x-www-form-urlencoded",
            }
        )
        {
            using var content = new ByteArrayContent("{\"units\":\"metric\"}"u8.ToArray());
            content.Headers.TryAddWithoutValidation("Content-Type", type);
            var response = await maren.PutAsync("/api/people/me/units", content);
            Assert.Equal(HttpStatusCode.UnsupportedMediaType, response.StatusCode);
            Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        }
    }

    [Theory]
    [InlineData("DELETE", "/api/people/me", "GET")]
    [InlineData("POST", "/api/sessions/tonight", "GET")]
    [InlineData("GET", "/api/sheets/compute", "POST")]
    public async Task Another_method_is_told_which_one_the_address_takes(string method, string path, string allowed)
    {
        var maren = await room.SignInAsync("maren");
        using var request = new HttpRequestMessage(new HttpMethod(method), path) { Content = method == "GET" ? null : Json("{}") };
        var response = await maren.SendAsync(request);
        Assert.Equal(HttpStatusCode.MethodNotAllowed, response.StatusCode);
        Assert.Contains(allowed, response.Content.Headers.Allow);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.GetAsync("/api/no/such/thing")).StatusCode);
    }

    [Fact]
    public async Task An_event_that_is_null_is_told_where_it_stands()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var response = await maren.PutAsync(
            $"/api/sweeps/{Guid.CreateVersion7()}",
            Json($$"""{"sheetId":"{{sheet.Id}}","voltMark":6,"run":{"fromMark":20,"toMark":80,"seconds":20,"events":[null]} }""")
        );
        Assert.Contains((await response.ProblemsAsync()).Keys, key => key.StartsWith("run.events", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_file_that_is_not_there_is_not_found_and_kept_by_nobody()
    {
        // Without a front end built beside it the test server has a web root of its own.
        var folder = Directory.CreateTempSubdirectory("webroot");
        Directory.CreateDirectory(Path.Combine(folder.FullName, "assets"));
        await File.WriteAllTextAsync(Path.Combine(folder.FullName, "index.html"), "<!doctype html>", TestContext.Current.CancellationToken);
        await File.WriteAllTextAsync(Path.Combine(folder.FullName, "assets", "there.js"), "1", TestContext.Current.CancellationToken);
        await using var served = room.WithWebHostBuilder(host => host.UseWebRoot(folder.FullName));
        var anybody = served.CreateClient();
        var missing = await anybody.GetAsync("/assets/gone-1234.js");
        Assert.Equal((HttpStatusCode.NotFound, true), (missing.StatusCode, missing.Headers.CacheControl?.NoCache));
        var there = await anybody.GetAsync("/assets/there.js");
        Assert.Equal((HttpStatusCode.OK, "1"), (there.StatusCode, await there.Content.ReadAsStringAsync()));
        Assert.True(there.Headers.CacheControl!.MaxAge > TimeSpan.FromDays(1));
        Assert.Contains("doctype", await anybody.GetStringAsync("/booths/anything"), StringComparison.Ordinal);
        folder.Delete(recursive: true);
    }

    [Fact]
    public async Task With_allowed_hosts_set_this_machine_still_reaches_it_and_a_stranger_does_not()
    {
        await using var walled = room.WithWebHostBuilder(host => host.UseSetting("AllowedHosts", "booths.example"));
        foreach (
            var (host, status) in new[]
            {
                ("127.0.0.1", HttpStatusCode.OK),
                ("localhost", HttpStatusCode.OK),
                ("[::1]", HttpStatusCode.OK),
                ("booths.example", HttpStatusCode.OK),
                ("elsewhere.example", HttpStatusCode.BadRequest),
            }
        )
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, "/health/live");
            request.Headers.Host = host;
            Assert.Equal(status, (await walled.CreateClient().SendAsync(request)).StatusCode);
        }
    }

    /// <summary>Files of recordings that no arc could have made, and what is said of them.</summary>
    public static TheoryData<string, string> OddRecordings =>
        new()
        {
            {
                "seconds,volts,amps\n"
                    + string.Concat(Enumerable.Range(0, 4000).Select(i => FormattableString.Invariant($"{i / 1000.0},99999,150\n"))),
                "text/csv"
            },
            { "seconds,volts,amps\n0,20,NaN\n0.001,20,150\n", "text/csv" },
            { "not a recording at all", "audio/wav" },
        };

    [Theory]
    [MemberData(nameof(OddRecordings))]
    public async Task A_recording_no_arc_could_have_made_is_refused_and_not_heard(string text, string type)
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var bead = Guid.CreateVersion7();
        (
            await maren.RecordAsync(
                bead,
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 47,
                    voltMark = 6,
                    evidence = new { toes = "cold" },
                }
            )
        ).EnsureSuccessStatusCode();
        using var content = new ByteArrayContent(Encoding.UTF8.GetBytes(text));
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        Assert.Contains(
            "recording",
            (await (await maren.PutAsync($"/api/beads/{bead}/recordings/{Guid.CreateVersion7()}?name=odd", content)).ProblemsAsync()).Keys
        );
    }

    [Fact]
    public async Task A_level_that_never_changes_is_heard_as_nothing()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var bead = Guid.CreateVersion7();
        (
            await maren.RecordAsync(
                bead,
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 47,
                    voltMark = 6,
                    evidence = new { toes = "cold" },
                }
            )
        ).EnsureSuccessStatusCode();
        var still = new float[3 * 48_000];
        Array.Fill(still, 0.5f);
        using var content = new ByteArrayContent(Core.Listening.WavFile.Write(new Core.Listening.Waveform(48_000, still)));
        content.Headers.ContentType = new MediaTypeHeaderValue("audio/wav");
        var response = await maren.PutAsync($"/api/beads/{bead}/recordings/{Guid.CreateVersion7()}?name=still", content);
        Assert.True((int)response.StatusCode < 500, await response.Content.ReadAsStringAsync());
    }
}
