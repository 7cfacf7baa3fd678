using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Tests;

/// <summary>Full evidence, looking again, ruling, tolerances, criteria, TIG.</summary>
public class JudgingTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static object Marked(Guid sheetId, object evidence) =>
        new
        {
            sheetId,
            wireMark = 46,
            voltMark = 6,
            evidence,
        };

    private static async Task<Bead> RecordedAsync(HttpClient maren, Guid sheetId, object evidence) =>
        await (await maren.RecordAsync(Guid.CreateVersion7(), Marked(sheetId, evidence))).ReadAsync<Bead>();

    [Fact]
    public async Task Everything_noted_comes_back_as_noted_and_is_judged_by_the_sheets_criteria()
    {
        var maren = await room.SignInAsync("maren");
        var (session, view) = await maren.BoothAsync(2);
        var sheet = await (
            await maren.PutAsJsonAsync(
                $"/api/sheets/{Guid.CreateVersion7()}",
                new
                {
                    job = new
                    {
                        thickness = "1/8",
                        joint = "t",
                        position = "horizontal",
                    },
                    sessionId = session.Id,
                    boothId = view.Booth.Id,
                    criteria = "iso5817C",
                }
            )
        ).ReadAsync<AssignedSheet>();
        Assert.Equal(CriteriaSet.Iso5817C, sheet.Criteria);
        var bead = await RecordedAsync(
            maren,
            sheet.Id,
            new
            {
                sound = "evenCrackle",
                feel = "steady",
                profile = "slightlyConvex",
                toes = "blended",
                plate = "cold",
                beadSizeMm = 4.4,
                strengths = new { sound = "strong" },
                measured = new
                {
                    otherLegMm = 4.6,
                    throatMm = 3.0,
                    widthMm = 6.3,
                    crownMm = 0.5,
                    undercutDepthMm = 0.3,
                    poresMm = new[] { 0.4 },
                    beadLengthMm = 100,
                    arcSeconds = 18,
                    arcVolts = 19.8,
                    arcAmps = 139,
                },
            }
        );
        var again = (await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Bead;
        Assert.Equal(Strength.Strong, again.Evidence.Strengths[Noted.Sound]);
        Assert.Equal(
            (4.6, 0.4, 139.0),
            (again.Evidence.Measured!.OtherLeg!.Value.Mm, again.Evidence.Measured.Pores![0].Mm, again.Evidence.Measured.ArcAmps!.Value.Amps)
        );
        Assert.Equal(CriteriaSet.Iso5817C, again.Judgement.Acceptance!.Set);
        // 0.1 t of 3.2 mm is 0.32 mm: 0.3 is within.
        Assert.Equal(
            Standing.Right,
            again.Judgement.Acceptance.Criteria.Single(criterion => criterion.Criterion == Criterion.Undercut).Standing
        );
        Assert.NotEmpty(again.Judgement.Expected);
    }

    [Fact]
    public async Task Measured_values_that_cannot_be_are_refused_at_their_field()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var problems = await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                Marked(
                    sheet.Id,
                    new
                    {
                        sound = "hiss",
                        measured = new
                        {
                            crownMm = 99,
                            poresMm = new[] { 50 },
                            arcSeconds = 0,
                        },
                    }
                )
            )
        ).ProblemsAsync();
        Assert.Equal(["evidence.measured.arcSeconds", "evidence.measured.crownMm", "evidence.measured.poresMm"], problems.Keys.Order());
        Assert.Contains(
            "evidence.strengths",
            (
                await (
                    await maren.RecordAsync(
                        Guid.CreateVersion7(),
                        Marked(sheet.Id, new { sound = "hiss", strengths = new { sound = "enormous" } })
                    )
                ).ProblemsAsync()
            ).Keys.Single(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_second_look_adds_to_the_first_and_both_are_kept()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var bead = await RecordedAsync(
            maren,
            sheet.Id,
            new
            {
                sound = "evenCrackle",
                profile = "slightlyConvex",
                toes = "blended",
            }
        );
        Assert.Equal(Verdict.Open, bead.Judgement.Verdict);
        var look = Guid.CreateVersion7();
        var evidence = bead.Evidence with { Penetration = Penetration.TintBehind };
        for (var twice = 0; twice < 2; twice++)
        {
            var looked = await (
                await maren.LookAsync(
                    bead.Id,
                    bead.Version,
                    new
                    {
                        sound = "evenCrackle",
                        profile = "slightlyConvex",
                        toes = "blended",
                        penetration = "tintBehind",
                    },
                    look
                )
            ).ReadAsync<Bead>();
            Assert.Equal((Verdict.Right, evidence.Penetration), (looked.Judgement.Verdict, looked.Evidence.Penetration));
        }
        var file = await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file");
        Assert.Equal(Verdict.Open, Assert.Single(file.Earlier).Verdict);
        Assert.Equal(
            2L,
            await room.QueryAsync<long>(
                "select (select count(*) from bead where id = @Id) + (select count(*) from look where bead_id = @Id)",
                new { bead.Id }
            )
        );
        // The room and the coupon see the newest.
        Assert.Equal(Verdict.Right, (await maren.BoothAsync(2)).View.Last!.Verdict);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.LookAsync(Guid.NewGuid(), Guid.NewGuid(), new { sound = "hiss" })).StatusCode);
    }

    [Fact]
    public async Task The_next_bead_is_told_whether_the_change_helped()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var first = await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 46,
                    voltMark = 4,
                    evidence = new
                    {
                        sound = "popping",
                        profile = "tallNarrow",
                        toes = "cold",
                    },
                }
            )
        ).ReadAsync<Bead>();
        Assert.Null(first.Judgement.FollowUp);
        var second = await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    first.Judgement.Next!.WireMark,
                    first.Judgement.Next.VoltMark,
                    evidence = new
                    {
                        sound = "evenCrackle",
                        profile = "slightlyConvex",
                        toes = "blended",
                    },
                }
            )
        ).ReadAsync<Bead>();
        Assert.Equal((Outcome.AsExpected, 1), (second.Judgement.FollowUp!.Outcome, second.Judgement.FollowUp.Before));
    }

    [Fact]
    public async Task An_instructor_overrules_with_a_reason_and_both_words_are_kept_and_counted()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var bead = await RecordedAsync(
            maren,
            sheet.Id,
            new
            {
                sound = "popping",
                profile = "tallNarrow",
                toes = "cold",
            }
        );
        var before = (await maren.GetAsync<IReadOnlyList<Agreement>>("/api/judging/agreement")).FirstOrDefault(row => row.Aspect is null);
        Task<HttpResponseMessage> Rule(object ruling) =>
            maren.PutAsJsonAsync($"/api/beads/{bead.Id}/rulings/{Guid.CreateVersion7()}", ruling);

        Assert.Contains("Say why", (await (await Rule(new { verdict = "technique" })).ProblemsAsync())["reason"], StringComparison.Ordinal);
        Assert.Contains(
            "300",
            (await (await Rule(new { verdict = "technique", reason = new string('x', 301) })).ProblemsAsync())["reason"],
            StringComparison.Ordinal
        );
        Assert.True((await (await Rule(new { })).ProblemsAsync()).ContainsKey("verdict"));
        Assert.True((await (await Rule(new { aspect = "sound" })).ProblemsAsync()).ContainsKey("standing"));
        var ruled = await (await Rule(new { verdict = "technique", reason = "Stick-out, I saw it" })).ReadAsync<Bead>();
        Assert.Equal((Verdict.Cold, Verdict.Technique), (ruled.Judgement.Verdict, ruled.Ruled));
        await (
            await Rule(
                new
                {
                    aspect = "sound",
                    standing = "off",
                    reason = "",
                }
            )
        ).ReadAsync<Bead>();

        var file = await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file");
        Assert.Equal(
            [("cold", "technique", "Maren Holloway"), ("off", "off", "Maren Holloway")],
            file.Rulings.Select(ruling => (ruling.Ruling.Tool, ruling.Ruling.Instructor, ruling.By))
        );
        var after = (await maren.GetAsync<IReadOnlyList<Agreement>>("/api/judging/agreement")).Single(row => row.Aspect is null);
        Assert.Equal((before?.Rulings ?? 0) + 1, after.Rulings);
        Assert.Equal(Verdict.Technique, (await maren.BoothAsync(2)).View.Last!.Verdict);
    }

    [Fact]
    public async Task The_rooms_tolerances_are_set_judged_by_and_bounded()
    {
        await using var own = new DemoRoom();
        await own.InitializeAsync();
        var maren = await own.SignInAsync("maren");
        var usual = await maren.GetAsync<PracticeTolerances>("/api/judging/tolerances");
        Assert.Equal(PracticeTolerances.Usual, usual);
        var strict = new
        {
            undercutMm = 0.1,
            crownMm = 1,
            unequalLegsMm = 0.5,
            largestPoreMm = 0.3,
            pores = 0,
            travelPercent = 10,
        };
        (await maren.PutAsJsonAsync($"/api/judging/tolerances/{Guid.CreateVersion7()}", strict)).EnsureSuccessStatusCode();
        var sheet = await maren.AssignAsync(2);
        var bead = await RecordedAsync(
            maren,
            sheet.Id,
            new
            {
                sound = "evenCrackle",
                profile = "slightlyConvex",
                toes = "blended",
                measured = new { crownMm = 1.2 },
            }
        );
        Assert.Equal(
            Standing.Off,
            bead.Judgement.Acceptance!.Criteria.Single(criterion => criterion.Criterion == Criterion.Convexity).Standing
        );
        var problems = await (
            await maren.PutAsJsonAsync(
                $"/api/judging/tolerances/{Guid.CreateVersion7()}",
                new
                {
                    undercutMm = 50,
                    crownMm = 0,
                    unequalLegsMm = 0,
                    largestPoreMm = 0,
                    pores = -2,
                    travelPercent = 500,
                }
            )
        ).ProblemsAsync();
        Assert.Equal(["crownMm", "pores", "travelPercent", "undercutMm"], problems.Keys.Order());
    }

    [Fact]
    public async Task A_tig_bead_is_recorded_in_amps_and_judged_by_its_own_causes()
    {
        var maren = await room.SignInAsync("maren");
        var (session, view) = await maren.BoothAsync(1);
        var sheet = await (
            await maren.PutAsJsonAsync(
                $"/api/sheets/{Guid.CreateVersion7()}",
                new
                {
                    job = new
                    {
                        thickness = "3",
                        joint = "t",
                        position = "flat",
                        process = "gtawDc",
                        metal = "mildSteel",
                    },
                    sessionId = session.Id,
                    boothId = view.Booth.Id,
                    overrule = "the torch is on the way",
                }
            )
        ).ReadAsync<AssignedSheet>();
        var low = Math.Round(sheet.Body.Amps.Amps * 0.7);
        var bead = await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    ampMark = low,
                    evidence = new
                    {
                        sound = "evenCrackle",
                        profile = "tallNarrow",
                        toes = "cold",
                        penetration = "noneSeen",
                        tungsten = "pointed",
                    },
                }
            )
        ).ReadAsync<Bead>();
        Assert.Equal((null, low), (bead.Used, bead.Amps!.Value.Amps));
        Assert.Equal(
            (Verdict.Cold, Cause.AmpsLow, ChangeKind.AmpsUp),
            (bead.Judgement.Verdict, bead.Judgement.Causes[0].Cause, bead.Judgement.Next!.Kind)
        );
        Assert.True(bead.Judgement.Next.AmpMark > low);
        Assert.Contains(
            "5 A to 200 A",
            (
                await (
                    await maren.RecordAsync(
                        Guid.CreateVersion7(),
                        new
                        {
                            sheetId = sheet.Id,
                            ampMark = 900,
                            evidence = new { sound = "hiss" },
                        }
                    )
                ).ProblemsAsync()
            )["ampMark"],
            StringComparison.Ordinal
        );
        Assert.Equal(low, await room.QueryAsync<double>("select amps from bead where id = @Id", new { bead.Id }));
    }

    [Fact]
    public async Task A_student_reads_the_file_of_their_own_beads_only()
    {
        var ilsa = await room.SignInAsync("ilsa");
        var rack = await ilsa.GetAsync<Rack>($"/api/sheets/rack/{(await ilsa.MeAsync()).Id}");
        var mine = rack.Coupons.SelectMany(coupon => coupon.Beads).First().Id;
        Assert.Equal(mine, (await ilsa.GetAsync<BeadFile>($"/api/beads/{mine}/file")).Bead.Id);
        Assert.Equal(HttpStatusCode.NotFound, (await (await room.SignInAsync("jun")).GetAsync($"/api/beads/{mine}/file")).StatusCode);
    }
}
