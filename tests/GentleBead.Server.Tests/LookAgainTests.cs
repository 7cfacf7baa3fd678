using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Beads;
using GentleBead.Demo;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;

namespace GentleBead.Server.Tests;

/// <summary>
/// Two people at one bead: a look names the version it was made from, and a section comes from marks on its picture alone.
/// </summary>
public class LookAgainTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private async Task<(HttpClient Maren, Bead Bead)> BeadAsync()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        return (
            maren,
            await (
                await maren.RecordAsync(
                    Guid.CreateVersion7(),
                    new
                    {
                        sheetId = sheet.Id,
                        wireMark = 47,
                        voltMark = 6,
                        evidence = new { sound = "hiss" },
                    }
                )
            ).ReadAsync<Bead>()
        );
    }

    [Fact]
    public async Task Of_two_looks_at_once_one_stands_and_the_other_is_told()
    {
        var (maren, bead) = await BeadAsync();
        var answers = await Task.WhenAll(
            maren.LookAsync(bead.Id, bead.Version, new { sound = "hiss", toes = "undercut" }),
            maren.LookAsync(bead.Id, bead.Version, new { sound = "hiss", tint = "thin" })
        );
        Assert.Equal([HttpStatusCode.OK, HttpStatusCode.PreconditionFailed], answers.Select(answer => answer.StatusCode).Order());
        var stands = (await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Bead;
        Assert.True(stands.Evidence.Toes is not null ^ stands.Evidence.Tint is not null);
        // From what stands now both are said.
        var both = await (
            await maren.LookAsync(
                bead.Id,
                stands.Version,
                new
                {
                    sound = "hiss",
                    toes = "undercut",
                    tint = "thin",
                }
            )
        ).ReadAsync<Bead>();
        Assert.NotNull(both.Evidence.Toes);
        Assert.NotNull(both.Evidence.Tint);
    }

    [Fact]
    public async Task A_look_that_names_no_version_is_asked_for_one_and_the_same_look_again_is_taken()
    {
        var (maren, bead) = await BeadAsync();
        Assert.Equal(HttpStatusCode.PreconditionRequired, (await maren.LookAsync(bead.Id, null, new { sound = "hiss" })).StatusCode);
        var look = Guid.CreateVersion7();
        var first = await (await maren.LookAsync(bead.Id, bead.Version, new { sound = "hiss", toes = "undercut" }, look)).ReadAsync<Bead>();
        // Its answer was lost; sent again it is no newer look, and refused by no version.
        var again = await (await maren.LookAsync(bead.Id, bead.Version, new { sound = "hiss", toes = "undercut" }, look)).ReadAsync<Bead>();
        Assert.Equal(first.Version, again.Version);
        Assert.Equal(HttpStatusCode.Conflict, (await maren.LookAsync(bead.Id, again.Version, new { sound = "popping" }, look)).StatusCode);
    }

    [Fact]
    public async Task A_setting_written_down_wrong_is_put_right_kept_as_it_was_and_judged_anew()
    {
        var (maren, bead) = await BeadAsync();
        var look = Guid.CreateVersion7();
        var corrected = await (
            await maren.LookAsync(bead.Id, bead.Version, new { sound = "hiss" }, look, new { wireMark = 30, voltMark = 6 })
        ).ReadAsync<Bead>();
        Assert.Equal(30, corrected.WireMark);
        Assert.True(corrected.Used!.WireFeed.MPerMin < bead.Used!.WireFeed.MPerMin);
        Assert.NotEqual(bead.Judgement.Causes[0].Share, corrected.Judgement.Causes[0].Share);
        var file = await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file");
        Assert.Equal(bead.Used, Assert.Single(file.Earlier).Used);
        Assert.Equal(corrected.Used, file.Bead.Used);

        // A look that says nothing of the settings leaves them as they were put right.
        var after = await (await maren.LookAsync(bead.Id, corrected.Version, new { sound = "hiss", tint = "thin" })).ReadAsync<Bead>();
        Assert.Equal(corrected.Used, after.Used);
        Assert.Equal(30, after.WireMark);
    }

    [Fact]
    public async Task A_setting_the_machine_has_not_got_is_refused_at_its_field()
    {
        var (maren, bead) = await BeadAsync();
        var answer = await maren.LookAsync(bead.Id, bead.Version, new { sound = "hiss" }, null, new { wireMark = 900, voltMark = 6 });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains(
            "wireMark",
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal
        );
        Assert.Equal(47, (await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Bead.WireMark);
    }

    public static TheoryData<double> Forged => [1.2, 1e308, -1];

    [Theory]
    [MemberData(nameof(Forged))]
    public async Task A_section_typed_in_is_refused_at_its_field(double mm)
    {
        var (maren, bead) = await BeadAsync();
        var forged = new
        {
            sound = "hiss",
            macro = new
            {
                rootPenetrationMm = mm,
                lowerLegMm = 5,
                upperLegMm = 5,
                throatMm = 3.5,
            },
        };
        Assert.Contains(
            (
                await (
                    await maren.RecordAsync(
                        Guid.CreateVersion7(),
                        new
                        {
                            sheetId = bead.SheetId,
                            wireMark = 47,
                            voltMark = 6,
                            evidence = forged,
                        }
                    )
                ).ProblemsAsync()
            ).Keys,
            IsSections
        );
        Assert.Contains((await (await maren.LookAsync(bead.Id, bead.Version, forged)).ProblemsAsync()).Keys, IsSections);
        var test = Guid.CreateVersion7();
        (
            await maren.PutAsJsonAsync(
                $"/api/test-welds/{test}",
                new
                {
                    sheetId = bead.SheetId,
                    terms = new
                    {
                        coupons = 1,
                        attempts = 1,
                        criteria = "awsD11Static",
                    },
                }
            )
        ).EnsureSuccessStatusCode();
        var problems = await (
            await maren.PutAsJsonAsync(
                $"/api/test-welds/{test}/assessments/{Guid.CreateVersion7()}",
                new
                {
                    coupon = 1,
                    attempt = 1,
                    evidence = forged,
                    accepted = true,
                    password = DemoSchool.Password,
                }
            )
        ).ProblemsAsync();
        Assert.Contains(problems.Keys, IsSections);
        Assert.Null((await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Bead.Evidence.Macro);
    }

    private static bool IsSections(string field) => field.StartsWith("evidence.macro", StringComparison.Ordinal);

    [Fact]
    public async Task A_measured_section_outlives_looks_that_know_nothing_of_it()
    {
        // The demo's own bead with a section measured on its picture.
        var maren = await room.SignInAsync("maren");
        var id = await room.QueryAsync<Guid>(
            "select bead_id from look where evidence -> 'macro' is not null and evidence -> 'macro' <> 'null' order by seq limit 1"
        );
        var bead = (await maren.GetAsync<BeadFile>($"/api/beads/{id}/file")).Bead;
        var measured = Assert.IsType<MacroMeasures>(bead.Evidence.Macro);
        var looked = await (await maren.LookAsync(id, bead.Version, new { sound = "popping", toes = "cold" })).ReadAsync<Bead>();
        Assert.Equal(measured, looked.Evidence.Macro);
        Assert.Equal(Toes.Cold, looked.Evidence.Toes);
    }
}
