using System.Net;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Server.Beads;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Tests;

public class BeadTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly object Stubbing = new
    {
        sound = "popping",
        profile = "tallNarrow",
        toes = "cold",
        tint = "none",
        faults = Array.Empty<string>(),
    };

    private async Task<(HttpClient Client, AssignedSheet Sheet)> FreshAsync()
    {
        var client = await room.SignInAsync("maren");
        return (client, await client.AssignAsync(2));
    }

    private Task<long> CountAsync(Guid sheetId) =>
        room.QueryAsync<long>("select count(*) from bead where sheet_id = @sheetId", new { sheetId });

    [Fact]
    public async Task A_bead_is_judged_and_the_change_is_in_the_machines_marks()
    {
        var (client, sheet) = await FreshAsync();
        var bead = await (
            await client.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 47,
                    voltMark = 4,
                    evidence = Stubbing,
                }
            )
        ).ReadAsync<Bead>();
        Assert.Equal(1, bead.Number);
        Assert.Equal(Verdict.Cold, bead.Judgement.Verdict);
        Assert.Equal(Cause.VoltsLow, bead.Judgement.Causes[0].Cause);
        Assert.Equal("Volts up 2 taps, 4 to 6. Leave the wire at 47.", $"{bead.Judgement.Next!.Instruction}");
        Assert.Equal(18, bead.Used!.Volts.Volts, 1e-9);
        // Stored as said: what the rack shows later is the same judgement.
        var rack = await client.GetAsync<Rack>($"/api/sheets/rack/{sheet.StudentId}");
        Assert.Equal(bead.Judgement.Shape.Width, rack.Coupons.Single(coupon => coupon.SheetId == sheet.Id).Beads.Single().Shape.Width);
    }

    [Fact]
    public async Task Measured_values_stand_in_for_marks()
    {
        var (client, sheet) = await FreshAsync();
        var bead = await (
            await client.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireFeedMPerMin = 7.1,
                    volts = 20,
                    evidence = new { sound = "evenCrackle" },
                }
            )
        ).ReadAsync<Bead>();
        Assert.Null(bead.WireMark);
        Assert.Equal(7.1, bead.Used!.WireFeed.MPerMin);
        Assert.Equal(Verdict.Open, bead.Judgement.Verdict);
    }

    [Fact]
    public async Task A_double_tap_makes_one_bead_and_ten_hands_make_ten()
    {
        var (client, sheet) = await FreshAsync();
        var id = Guid.CreateVersion7();
        var body = new
        {
            sheetId = sheet.Id,
            wireMark = 47,
            voltMark = 6,
            evidence = new { sound = "evenCrackle" },
        };
        await Task.WhenAll(Enumerable.Range(0, 8).Select(async _ => (await client.RecordAsync(id, body)).EnsureSuccessStatusCode()));
        Assert.Equal(1, await CountAsync(sheet.Id));
        await Task.WhenAll(
            Enumerable.Range(0, 9).Select(async _ => (await client.RecordAsync(Guid.CreateVersion7(), body)).EnsureSuccessStatusCode())
        );
        Assert.Equal(10, await CountAsync(sheet.Id));
        Assert.Equal(10, await room.QueryAsync<int>("select max(number) from bead where sheet_id = @Id", new { sheet.Id }));
    }

    [Theory]
    [InlineData("""{"wireMark":140,"voltMark":5}""", "wireMark", "runs from 0 to 100")]
    [InlineData("""{"wireMark":-1,"voltMark":5}""", "wireMark", "runs from 0 to 100")]
    [InlineData("""{"wireMark":47,"voltMark":11}""", "voltMark", "tap 1 to tap 10")]
    [InlineData("""{"wireMark":47,"voltMark":4.5}""", "voltMark", "steps of 1")]
    [InlineData("""{"wireMark":47,"volts":60}""", "volts", "This machine has")]
    [InlineData("""{"wireMark":47,"volts":0}""", "volts", "This machine has")]
    [InlineData("""{"wireMark":47}""", "volts", "Say where the control stood")]
    [InlineData("""{"voltMark":5}""", "wireFeedMPerMin", "Say where the control stood")]
    [InlineData("""{"wireMark":0,"voltMark":5}""", "wireMark", "gives nothing")]
    [InlineData("""{"wireMark":47,"voltMark":5,"evidence":{"beadSizeMm":900}}""", "evidence.beadSizeMm", "between")]
    [InlineData("""{"wireMark":47,"voltMark":5,"evidence":{"stickOutMm":0}}""", "evidence.stickOutMm", "between")]
    [InlineData("""{"wireMark":47,"voltMark":5,"evidence":{"sound":"lovely"}}""", "evidence.sound", "not a value")]
    [InlineData("""{"wireMark":47,"voltMark":5,"evidence":{"beadSizeMm":-3}}""", "evidence.beadSizeMm", "not a value")]
    [InlineData("""{"wireMark":47,"voltMark":5,"evidence":{}}""", "evidence", "at least the sound")]
    [InlineData("""{"wireMark":"x","voltMark":5}""", "wireMark", "not a value")]
    public async Task Bad_settings_are_answered_at_the_field_and_nothing_is_saved(string settings, string field, string says)
    {
        var (client, sheet) = await FreshAsync();
        var body = $"{{\"sheetId\":\"{sheet.Id}\",{settings[1..]}";
        var response = await client.PutAsync(
            $"/api/beads/{Guid.CreateVersion7()}",
            new StringContent(body, Encoding.UTF8, "application/json")
        );
        Assert.Contains(says, (await response.ProblemsAsync())[field], StringComparison.Ordinal);
        Assert.Equal(0, await CountAsync(sheet.Id));
    }

    [Fact]
    public async Task A_withdrawn_bead_leaves_the_coupon_keeps_its_number_and_can_come_back()
    {
        var (client, sheet) = await FreshAsync();
        var body = new
        {
            sheetId = sheet.Id,
            wireMark = 47,
            voltMark = 6,
            evidence = new { sound = "evenCrackle" },
        };
        var first = Guid.CreateVersion7();
        await client.RecordAsync(first, body);
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await client.PutAsJsonAsync($"/api/beads/{first}/withdrawn", new { withdrawn = true })).StatusCode
        );
        var second = await (await client.RecordAsync(Guid.CreateVersion7(), body)).ReadAsync<Bead>();
        Assert.Equal(2, second.Number);
        Assert.Equal("2", await NumbersAsync());
        await client.PutAsJsonAsync($"/api/beads/{first}/withdrawn", new { withdrawn = false });
        Assert.Equal("1, 2", await NumbersAsync());
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await client.PutAsJsonAsync($"/api/beads/{Guid.NewGuid()}/withdrawn", new { withdrawn = true })).StatusCode
        );

        async Task<string> NumbersAsync()
        {
            var bench = await client.GetAsync<Bench>($"/api/sessions/{sheet.SessionId}/booths/{sheet.BoothId}");
            return string.Join(", ", bench.Coupon!.Beads.Select(bead => bead.Number));
        }
    }

    [Fact]
    public async Task Later_readings_do_not_rewrite_what_was_judged()
    {
        await using var own = new Room(demo: true);
        await own.InitializeAsync();
        var client = await own.SignInAsync("maren");
        var sheet = await client.AssignAsync(3);
        var id = Guid.CreateVersion7();
        var body = new
        {
            sheetId = sheet.Id,
            wireMark = 280,
            voltMark = 20,
            evidence = Stubbing,
        };
        var before = await (await client.RecordAsync(id, body)).ReadAsync<Bead>();
        var (_, view) = await client.BoothAsync(3);
        var reading = await client.PutAsJsonAsync(
            $"/api/machines/{view.Booth.MachineId}/readings/{Guid.CreateVersion7()}",
            new
            {
                control = "wire",
                mark = 240,
                measured = 4.88,
            }
        );
        reading.EnsureSuccessStatusCode();
        var after = (await client.GetAsync<Bench>($"/api/sessions/{sheet.SessionId}/booths/{sheet.BoothId}")).Coupon!.Last!;
        Assert.Equal(before.Used, after.Used);
        Assert.Equal(before.Judgement.Summary, after.Judgement.Summary);
        // The next bead at the same marks is judged by what the ruler said.
        var next = await (await client.RecordAsync(Guid.CreateVersion7(), body)).ReadAsync<Bead>();
        Assert.True(next.Used!.WireFeed < before.Used!.WireFeed * 0.85);
    }
}
