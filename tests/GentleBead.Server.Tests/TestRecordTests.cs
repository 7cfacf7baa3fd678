using System.Net;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Dapper;
using GentleBead.Demo;
using GentleBead.Server.Beads;
using GentleBead.Server.Http;
using GentleBead.Server.TestWelds;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>A test weld's records: by two assessors of the school, each by password, in one chain that shows who meddles.</summary>
public sealed class TestRecordTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly object Fine = new
    {
        profile = "slightlyConvex",
        toes = "blended",
        beadSizeMm = 4.2,
    };

    private static Task<HttpResponseMessage> SayAsync(HttpClient who, Guid test, bool accepted, string password = DemoSchool.Password) =>
        who.PutAsJsonAsync(
            $"/api/test-welds/{test}/assessments/{Guid.CreateVersion7()}",
            new
            {
                coupon = 1,
                attempt = 1,
                evidence = Fine,
                accepted,
                note = "seen",
                password,
            }
        );

    private static async Task<Guid> SealedAsync(HttpClient maren, int booth = 2)
    {
        var sheet = await maren.AssignAsync(booth);
        var id = Guid.CreateVersion7();
        (
            await maren.PutAsJsonAsync(
                $"/api/test-welds/{id}",
                new
                {
                    sheetId = sheet.Id,
                    terms = new
                    {
                        coupons = 1,
                        attempts = 1,
                        criteria = "iso5817C",
                    },
                }
            )
        ).EnsureSuccessStatusCode();
        return id;
    }

    private async Task<(HttpClient Maren, Guid Test)> FailedAndSignedAsync()
    {
        var (maren, sunniva) = (await room.SignInAsync("maren"), await room.SignInAsync("sunniva"));
        var test = await SealedAsync(maren);
        (await SayAsync(maren, test, false)).EnsureSuccessStatusCode();
        (await SayAsync(sunniva, test, false)).EnsureSuccessStatusCode();
        (
            await maren.PutAsJsonAsync($"/api/test-welds/{test}/sign-off/{Guid.CreateVersion7()}", new { note = "Not this time" })
        ).EnsureSuccessStatusCode();
        (
            await maren.PutAsJsonAsync($"/api/test-welds/{test}/amendments/{Guid.CreateVersion7()}", new { text = "Stamped 7A." })
        ).EnsureSuccessStatusCode();
        return (maren, test);
    }

    [Fact]
    public async Task An_instructor_made_the_same_day_cannot_be_the_second_assessor()
    {
        var maren = await room.SignInAsync("maren");
        var test = await SealedAsync(maren);
        (await SayAsync(maren, test, true)).EnsureSuccessStatusCode();
        (
            await maren.PutAsJsonAsync(
                $"/api/people/instructors/{Guid.CreateVersion7()}",
                new
                {
                    name = "Second Self",
                    login = "second",
                    password = "made-up-today",
                }
            )
        ).EnsureSuccessStatusCode();
        var second = await room.SignInAsync("second", "made-up-today");
        Assert.True((await (await SayAsync(second, test, true, "made-up-today")).ProblemsAsync()).ContainsKey("coupon"));
        // Whoever was an instructor here before can.
        (await SayAsync(await room.SignInAsync("sunniva"), test, true)).EnsureSuccessStatusCode();
    }

    [Theory]
    [InlineData("not mine")]
    [InlineData("")]
    public async Task A_word_without_its_assessors_password_is_no_word(string password)
    {
        var maren = await room.SignInAsync("maren");
        var test = await SealedAsync(maren);
        Assert.True((await (await SayAsync(maren, test, true, password)).ProblemsAsync()).ContainsKey("password"));
        Assert.Empty((await maren.GetAsync<TestWeldView>($"/api/test-welds/{test}")).Assessments);
        Assert.Equal(0, await room.QueryAsync<long>("select count(*) from test_record where test_weld_id = @test", new { test }));
    }

    /// <summary>What somebody with the owner's keys and the triggers off might do to turn a fail into a pass.</summary>
    public static TheoryData<string, int> Meddling =>
        new()
        {
            { "update test_record set body = replace(body, '\"accepted\":false', '\"accepted\":true') where number <= 2", 1 },
            { "update test_record set body = replace(body, '\"passed\":false', '\"passed\":true') where kind = 'signOff'", 3 },
            { "update test_record set note = replace(note, '7A', '7B') where kind = 'amendment'", 4 },
            { "delete from test_record where number = 2", 2 },
            { "update test_weld set sealed_body = replace(sealed_body, 'iso5817C', 'iso5817D')", 0 },
        };

    [Theory]
    [MemberData(nameof(Meddling))]
    public async Task Whoever_changes_drops_or_turns_a_record_breaks_the_chain_where_they_did(string sql, int brokenAt)
    {
        var (maren, test) = await FailedAndSignedAsync();
        Assert.Null((await maren.GetAsync<TestWeldView>($"/api/test-welds/{test}")).BrokenAt);
        await using (var connection = new NpgsqlConnection($"{room.Database.Own};Pooling=false"))
        {
            await connection.OpenAsync(TestContext.Current.CancellationToken);
            await connection.ExecuteAsync("set session_replication_role = replica");
            var of = sql.Contains("test_weld set", StringComparison.Ordinal) ? "id" : "test_weld_id";
            var which = sql.Contains(" where ", StringComparison.Ordinal) ? $"{sql} and {of} = @test" : $"{sql} where {of} = @test";
            Assert.True(await connection.ExecuteAsync(which, new { test }) > 0);
        }
        Assert.Equal(brokenAt, (await maren.GetAsync<TestWeldView>($"/api/test-welds/{test}")).BrokenAt);
        using var export = JsonDocument.Parse(await maren.GetStringAsync($"/api/test-welds/{test}/export"));
        Assert.Equal(brokenAt, export.RootElement.GetProperty("brokenAt").GetInt32());
    }

    [Fact]
    public async Task An_export_is_checked_without_this_program()
    {
        var (maren, test) = await FailedAndSignedAsync();
        using var response = await maren.GetAsync($"/api/test-welds/{test}/export");
        Assert.Equal("attachment", response.Content.Headers.ContentDisposition?.DispositionType);
        using var export = JsonDocument.Parse(await response.Content.ReadAsStringAsync());
        var root = export.RootElement;
        // As its own words say how: SHA-256, FIPS 180-4, by the runtime's own.
        Assert.Equal(root.GetProperty("seal").GetString(), Sha(root.GetProperty("sealedText").GetString()!));
        var previous = root.GetProperty("seal").GetString()!;
        var kinds = new List<string>();
        foreach (var record in root.GetProperty("records").EnumerateArray())
        {
            Assert.Equal(previous, record.GetProperty("previous").GetString());
            previous = Sha($"{previous}\n{record.GetProperty("body").GetString()}");
            Assert.Equal(previous, record.GetProperty("hash").GetString());
            using var body = JsonDocument.Parse(record.GetProperty("body").GetString()!);
            kinds.Add(body.RootElement.GetProperty("kind").GetString()!);
            var words = record.GetProperty("words");
            Assert.Equal(
                body.RootElement.GetProperty("noteSeal").GetString(),
                Sha($"{words.GetProperty("salt").GetString()}\n{words.GetProperty("text").GetString()}")
            );
        }
        Assert.Equal(["assessment", "assessment", "signOff", "amendment"], kinds);
        Assert.Equal(previous, (await maren.GetAsync<TestWeldView>($"/api/test-welds/{test}")).LastHash);
        // It is the student's too, and no other student's.
        var teodor = await room.SignInAsync("teodor");
        Assert.Equal(HttpStatusCode.OK, (await teodor.GetAsync($"/api/test-welds/{test}/export")).StatusCode);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await (await room.SignInAsync("jun")).GetAsync($"/api/test-welds/{test}/export")).StatusCode
        );

        static string Sha(string text) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)));
    }

    [Fact]
    public async Task A_first_word_is_in_no_export_before_the_second_is_given()
    {
        var maren = await room.SignInAsync("maren");
        var test = await SealedAsync(maren);
        (await SayAsync(maren, test, false)).EnsureSuccessStatusCode();
        var told = await (await room.SignInAsync("sunniva")).GetStringAsync($"/api/test-welds/{test}/export");
        Assert.DoesNotContain("accepted", told, StringComparison.Ordinal);
        Assert.Contains("accepted", await maren.GetStringAsync($"/api/test-welds/{test}/export"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_sealed_test_stays_on_its_students_list_after_two_hundred_and_fifty_further_sheets()
    {
        var maren = await room.SignInAsync("maren");
        var test = await SealedAsync(maren, booth: 4);
        var sheet = await room.QueryAsync<Guid>("select sheet_id from test_weld where id = @test", new { test });
        await using (var connection = new NpgsqlConnection(room.Database.Owner))
        {
            await connection.ExecuteAsync(
                """
                insert into sheet (id, session_id, booth_id, machine_id, student_id, thickness_mm, joint, position, wire, body,
                    rules_version, assigned_by, criteria)
                select gen_random_uuid(), session_id, booth_id, machine_id, student_id, thickness_mm, joint, position, wire, body,
                    rules_version, assigned_by, criteria
                from sheet, generate_series(1, 250) where id = @sheet
                """,
                new { sheet }
            );
        }
        var jun = await room.SignInAsync("jun");
        var mine = (await jun.MeAsync()).Id;
        Assert.Contains((await jun.GetAsync<Page<TestWeldLine>>($"/api/test-welds/of-student/{mine}")).Items, line => line.Id == test);
        // And every one of those sheets is on the rack, page by page.
        var sheets = new HashSet<Guid>();
        for (long? before = long.MaxValue; before is not null; )
        {
            var rack = await jun.GetAsync<Rack>($"/api/sheets/rack/{mine}?before={before}");
            foreach (var coupon in rack.Coupons)
                Assert.True(sheets.Add(coupon.SheetId));
            before = rack.More;
        }
        Assert.Equal(await room.QueryAsync<long>("select count(*) from sheet where student_id = @mine", new { mine }), sheets.Count);
    }
}
