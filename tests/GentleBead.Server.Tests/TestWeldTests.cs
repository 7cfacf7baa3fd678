using System.Net;
using System.Net.Http.Json;
using Dapper;
using GentleBead.Core.TestWelds;
using GentleBead.Demo;
using GentleBead.Server.Http;
using GentleBead.Server.TestWelds;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>A test weld: sealed, assessed blind by two, signed, and only added to.</summary>
public class TestWeldTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly object Fine = new
    {
        profile = "slightlyConvex",
        toes = "blended",
        beadSizeMm = 4.2,
        measured = new
        {
            otherLegMm = 4.3,
            throatMm = 3.0,
            widthMm = 6.1,
            crownMm = 0.5,
            undercutDepthMm = 0.1,
            poresMm = Array.Empty<double>(),
        },
    };

    private static async Task<TestWeldView> SealedAsync(HttpClient maren, int coupons = 1, int attempts = 2)
    {
        var sheet = await maren.AssignAsync(2);
        return await (
            await maren.PutAsJsonAsync(
                $"/api/test-welds/{Guid.CreateVersion7()}",
                new
                {
                    sheetId = sheet.Id,
                    terms = new
                    {
                        coupons,
                        attempts,
                        criteria = "iso5817C",
                    },
                }
            )
        ).ReadAsync<TestWeldView>();
    }

    private static Task<HttpResponseMessage> SayAsync(
        HttpClient who,
        Guid test,
        int coupon,
        int attempt,
        bool accepted,
        object? evidence = null,
        string? note = null,
        Guid? id = null,
        string password = DemoSchool.Password
    ) =>
        who.PutAsJsonAsync(
            $"/api/test-welds/{test}/assessments/{id ?? Guid.CreateVersion7()}",
            new
            {
                coupon,
                attempt,
                evidence = evidence ?? Fine,
                accepted,
                note,
                password,
            }
        );

    [Fact]
    public async Task Sealed_assessed_blind_by_two_signed_and_amended()
    {
        var (maren, sunniva) = (await room.SignInAsync("maren"), await room.SignInAsync("sunniva"));
        var test = await SealedAsync(maren);
        Assert.Null(test.BrokenAt);
        Assert.Matches("^[0-9a-f]{64}$", test.Seal);
        Assert.Contains(
            "still open",
            (await (await maren.PutAsJsonAsync($"/api/test-welds/{test.Id}/sign-off/{Guid.NewGuid()}", new { })).ProblemsAsync())[
                "signOff"
            ],
            StringComparison.Ordinal
        );

        var word = Guid.CreateVersion7();
        await (await SayAsync(maren, test.Id, 1, 1, true, id: word)).ReadAsync<TestWeldView>();
        var mine = await (await SayAsync(maren, test.Id, 1, 1, true, id: word)).ReadAsync<TestWeldView>();
        Assert.Equal((true, true), (mine.Assessments.Single().Mine, mine.Assessments.Single().Accepted));
        Assert.Contains(
            "another assessor",
            (await (await SayAsync(maren, test.Id, 1, 1, false)).ProblemsAsync())["coupon"],
            StringComparison.Ordinal
        );

        // The second assessor sees that there is a word, and not which.
        var blind = (await sunniva.GetAsync<TestWeldView>($"/api/test-welds/{test.Id}")).Assessments.Single();
        Assert.Equal((null, null, null, "Maren Holloway"), (blind.Accepted, blind.Acceptance, blind.Note, blind.By));
        var student = await room.SignInAsync("teodor");
        Assert.Null((await student.GetAsync<TestWeldView>($"/api/test-welds/{test.Id}")).Assessments.Single().Accepted);

        var both = await (await SayAsync(sunniva, test.Id, 1, 1, true)).ReadAsync<TestWeldView>();
        Assert.All(both.Assessments, assessment => Assert.True(assessment.Accepted));
        Assert.Equal((CouponStanding.Passed, true), (both.State.Coupons[0].Standing, both.State.Passed));
        var signed = await (
            await sunniva.PutAsJsonAsync($"/api/test-welds/{test.Id}/sign-off/{Guid.CreateVersion7()}", new { note = "Clean work" })
        ).ReadAsync<TestWeldView>();
        Assert.Equal((true, "Clean work", "Sunniva Reyes"), (signed.SignOff!.Passed, signed.SignOff.Note, signed.SignOff.By));
        Assert.Contains(
            "signed off",
            (await (await SayAsync(maren, test.Id, 1, 2, false)).ProblemsAsync())["coupon"],
            StringComparison.Ordinal
        );
        // A second signature is told, and changes nothing.
        Assert.Contains(
            "signed already",
            (
                await (
                    await maren.PutAsJsonAsync($"/api/test-welds/{test.Id}/sign-off/{Guid.CreateVersion7()}", new { note = "me too" })
                ).ProblemsAsync()
            )["signOff"],
            StringComparison.Ordinal
        );
        Assert.Equal("Sunniva Reyes", (await maren.GetAsync<TestWeldView>($"/api/test-welds/{test.Id}")).SignOff!.By);

        Assert.True(
            (
                await (
                    await maren.PutAsJsonAsync($"/api/test-welds/{test.Id}/amendments/{Guid.NewGuid()}", new { text = " " })
                ).ProblemsAsync()
            ).ContainsKey("text")
        );
        var amended = await (
            await maren.PutAsJsonAsync(
                $"/api/test-welds/{test.Id}/amendments/{Guid.CreateVersion7()}",
                new { text = "Coupon stamped 7A, not 7." }
            )
        ).ReadAsync<TestWeldView>();
        Assert.Equal(("Coupon stamped 7A, not 7.", "Maren Holloway"), (amended.Amendments.Single().Text, amended.Amendments.Single().By));
        Assert.True(amended.State.Passed);
    }

    [Fact]
    public async Task A_passed_limit_is_accepted_only_with_a_reason_and_one_rejection_opens_the_next_attempt()
    {
        var (maren, sunniva) = (await room.SignInAsync("maren"), await room.SignInAsync("sunniva"));
        var test = await SealedAsync(maren);
        var deep = new
        {
            profile = "slightlyConvex",
            toes = "undercut",
            measured = new { undercutDepthMm = 0.6 },
        };
        Assert.Contains(
            "Say why",
            (await (await SayAsync(maren, test.Id, 1, 1, true, deep)).ProblemsAsync())["note"],
            StringComparison.Ordinal
        );
        (await SayAsync(maren, test.Id, 1, 1, true, deep, "At the run-off, outside what counts")).EnsureSuccessStatusCode();
        var rejected = await (await SayAsync(sunniva, test.Id, 1, 1, false, deep)).ReadAsync<TestWeldView>();
        Assert.Equal(
            (CouponStanding.ToWeld, 2, true),
            (rejected.State.Coupons[0].Standing, rejected.State.Coupons[0].Attempt, rejected.State.Coupons[0].Disagreed)
        );
        (await SayAsync(maren, test.Id, 1, 2, false)).EnsureSuccessStatusCode();
        var failed = await (await SayAsync(sunniva, test.Id, 1, 2, false)).ReadAsync<TestWeldView>();
        Assert.Equal((true, false), (failed.State.MaySign, failed.State.Passed));
    }

    [Fact]
    public async Task Two_assessors_at_once_leave_two_words_and_never_three()
    {
        var (maren, sunniva) = (await room.SignInAsync("maren"), await room.SignInAsync("sunniva"));
        var test = await SealedAsync(maren);
        var answers = await Task.WhenAll(Enumerable.Range(0, 12).Select(i => SayAsync(i % 2 == 0 ? maren : sunniva, test.Id, 1, 1, true)));
        Assert.Equal(2, answers.Count(answer => answer.IsSuccessStatusCode));
        Assert.Equal(2, (await maren.GetAsync<TestWeldView>($"/api/test-welds/{test.Id}")).Assessments.Count);
    }

    [Fact]
    public async Task The_database_itself_refuses_to_change_or_lose_a_test_weld()
    {
        var maren = await room.SignInAsync("maren");
        var test = await SealedAsync(maren);
        (await SayAsync(maren, test.Id, 1, 1, true)).EnsureSuccessStatusCode();
        await using var connection = new NpgsqlConnection(room.Database.Owner);
        foreach (
            var sql in new[]
            {
                "update test_weld set seal = seal where id = @Id",
                "delete from test_weld where id = @Id",
                "update test_record set body = body where test_weld_id = @Id",
                "delete from test_record where test_weld_id = @Id",
            }
        )
        {
            Assert.Contains(
                "only added to",
                (await Assert.ThrowsAsync<PostgresException>(() => connection.ExecuteAsync(sql, new { test.Id }))).MessageText,
                StringComparison.Ordinal
            );
        }
    }

    [Fact]
    public async Task A_student_sees_their_own_tests_only_and_bad_terms_are_refused()
    {
        var ilsa = await room.SignInAsync("ilsa");
        var me = await ilsa.MeAsync();
        var listed = Assert.Single((await ilsa.GetAsync<Page<TestWeldLine>>($"/api/test-welds/of-student/{me.Id}")).Items);
        Assert.Equal(
            (CouponStanding.Passed, CouponStanding.ToAssessAgain),
            (listed.State.Coupons[0].Standing, listed.State.Coupons[1].Standing)
        );
        var mine = await ilsa.GetAsync<TestWeldView>($"/api/test-welds/{listed.Id}");
        // Both words on the first coupon, one hidden word on the second.
        Assert.Equal([true, true, null], mine.Assessments.OrderBy(word => word.Coupon).Select(word => word.Accepted));
        var jun = await room.SignInAsync("jun");
        Assert.Equal(HttpStatusCode.NotFound, (await jun.GetAsync($"/api/test-welds/{mine.Id}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await jun.GetAsync($"/api/test-welds/of-student/{me.Id}")).StatusCode);

        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var problems = await (
            await maren.PutAsJsonAsync(
                $"/api/test-welds/{Guid.CreateVersion7()}",
                new
                {
                    sheetId = sheet.Id,
                    terms = new
                    {
                        coupons = 99,
                        attempts = 0,
                        criteria = "practice",
                    },
                }
            )
        ).ProblemsAsync();
        Assert.Equal(["terms.attempts", "terms.coupons"], problems.Keys.Order());
        Assert.True(
            (
                await (
                    await maren.PutAsJsonAsync(
                        $"/api/test-welds/{Guid.CreateVersion7()}",
                        new
                        {
                            sheetId = Guid.NewGuid(),
                            terms = new
                            {
                                coupons = 1,
                                attempts = 1,
                                criteria = "practice",
                            },
                        }
                    )
                ).ProblemsAsync()
            ).ContainsKey("sheetId")
        );
    }
}
