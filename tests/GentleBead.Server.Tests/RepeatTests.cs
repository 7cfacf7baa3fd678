using System.Net;
using System.Net.Http.Json;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;

namespace GentleBead.Server.Tests;

/// <summary>
/// An answer may be lost on the way, so every write can be sent again; the same id with another body is told, and writes nothing.
/// </summary>
public class RepeatTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Theory]
    [InlineData("bead")]
    [InlineData("sheet")]
    [InlineData("session")]
    [InlineData("preset")]
    [InlineData("upkeep")]
    [InlineData("bottle")]
    [InlineData("reading")]
    [InlineData("load")]
    [InlineData("tolerances")]
    [InlineData("kept")]
    [InlineData("trial")]
    [InlineData("ruling")]
    [InlineData("test weld")]
    public async Task The_same_again_is_taken_and_another_body_under_its_id_is_told(string what)
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var (session, view) = await maren.BoothAsync(2);
        var bead = what == "ruling" ? await (await maren.RecordAsync(Guid.CreateVersion7(), Bead("hiss"))).ReadAsync<Bead>() : null;
        var (path, one, other) = Writes(Guid.CreateVersion7());

        (await maren.PutAsJsonAsync(path, one)).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync(path, one)).EnsureSuccessStatusCode();
        var told = await maren.PutAsJsonAsync(path, other);
        Assert.Equal(HttpStatusCode.Conflict, told.StatusCode);
        Assert.Equal("application/problem+json", told.Content.Headers.ContentType?.MediaType);
        // The first still stands and is still taken again.
        (await maren.PutAsJsonAsync(path, one)).EnsureSuccessStatusCode();

        object Bead(string sound) =>
            new
            {
                sheetId = sheet.Id,
                wireMark = 47,
                voltMark = 6,
                evidence = new { sound },
            };

        (string Path, object One, object Other) Writes(Guid id)
        {
            var machine = $"/api/machines/{view.Booth.MachineId}";
            var job = new
            {
                thickness = "1/8",
                joint = "t",
                position = "horizontal",
            };
            return what switch
            {
                "bead" => ($"/api/beads/{id}", Bead("hiss"), Bead("popping")),
                "sheet" => (
                    $"/api/sheets/{id}",
                    new
                    {
                        job,
                        sessionId = session.Id,
                        boothId = view.Booth.Id,
                    },
                    new
                    {
                        job = job with
                        {
                            joint = "lap",
                        },
                        sessionId = session.Id,
                        boothId = view.Booth.Id,
                    }
                ),
                "session" => (
                    $"/api/sessions/{id}",
                    new
                    {
                        title = "Late shift",
                        heldOn = session.HeldOn.AddDays(-300),
                        begins = "18:00",
                    },
                    new
                    {
                        title = "Late shift",
                        heldOn = session.HeldOn.AddDays(-299),
                        begins = "18:00",
                    }
                ),
                "preset" => ($"/api/presets/{id}", new { name = "Twice", job }, new { name = "Twice", job = job with { joint = "lap" } }),
                "upkeep" => ($"{machine}/upkeep/{id}", new { part = "nozzle", note = "one" }, new { part = "nozzle", note = "other" }),
                "bottle" => ($"{machine}/bottles/{id}", new { waterL = 50, bar = 150 }, new { waterL = 50, bar = 120 }),
                "reading" => (
                    $"/api/machines/{view.Booth.MachineId}/readings/{id}",
                    new
                    {
                        control = "wire",
                        mark = 47.0,
                        measured = 7.1,
                    },
                    new
                    {
                        control = "wire",
                        mark = 47.0,
                        measured = 7.2,
                    }
                ),
                "load" => (
                    $"{machine}/loads/{id}",
                    new
                    {
                        wire = "solid08",
                        gas = "argonCarbon25",
                        polarity = "torchPlus",
                    },
                    new
                    {
                        wire = "solid08",
                        gas = "carbon",
                        polarity = "torchPlus",
                    }
                ),
                "tolerances" => ($"/api/judging/tolerances/{id}", Tolerances(0.5), Tolerances(0.6)),
                "kept" => ($"/api/kept/{id}", Kept("one"), Kept("other")),
                "trial" => (
                    $"/api/trials/{id}",
                    new { sheetId = sheet.Id, trial = new { kind = "staircase" } },
                    new { sheetId = sheet.Id, trial = new { kind = "wireLadder" } }
                ),
                "ruling" => (
                    $"/api/beads/{bead!.Id}/rulings/{id}",
                    new { verdict = "technique", reason = "one" },
                    new { verdict = "technique", reason = "other" }
                ),
                _ => ($"/api/test-welds/{id}", new { sheetId = sheet.Id, terms = Terms(1) }, new { sheetId = sheet.Id, terms = Terms(2) }),
            };
        }

        object Kept(string note) =>
            new
            {
                machineId = view.Booth.MachineId,
                sheetId = sheet.Id,
                wireMark = 47,
                voltMark = 6,
                note,
            };
        object Terms(int coupons) =>
            new
            {
                coupons,
                attempts = 1,
                criteria = "iso5817C",
            };
        object Tolerances(double undercutMm) =>
            new
            {
                undercutMm,
                crownMm = 3,
                unequalLegsMm = 2,
                largestPoreMm = 1,
                pores = 3,
                travelPercent = 20,
            };
    }

    [Fact]
    public async Task The_same_id_and_body_under_another_machine_or_bead_is_told_too()
    {
        var maren = await room.SignInAsync("maren");
        var ((_, one), (_, other)) = (await maren.BoothAsync(2), await maren.BoothAsync(3));
        var id = Guid.CreateVersion7();
        var nozzle = new { part = "nozzle", note = "one" };
        (await maren.PutAsJsonAsync($"/api/machines/{one.Booth.MachineId}/upkeep/{id}", nozzle)).EnsureSuccessStatusCode();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await maren.PutAsJsonAsync($"/api/machines/{other.Booth.MachineId}/upkeep/{id}", nozzle)).StatusCode
        );

        var sheet = await maren.AssignAsync(2);
        var beads = new List<Bead>();
        for (var i = 0; i < 2; i++)
        {
            beads.Add(
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
        var look = Guid.CreateVersion7();
        (await maren.LookAsync(beads[0].Id, beads[0].Version, new { sound = "hiss", toes = "cold" }, look)).EnsureSuccessStatusCode();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await maren.LookAsync(beads[1].Id, beads[1].Version, new { sound = "hiss", toes = "cold" }, look)).StatusCode
        );
    }

    [Fact]
    public async Task A_bead_sent_again_with_other_evidence_leaves_what_was_recorded_and_can_be_looked_at_again()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var id = Guid.CreateVersion7();
        var first = await (
            await maren.RecordAsync(
                id,
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 47,
                    voltMark = 6,
                    evidence = new { sound = "hiss" },
                }
            )
        ).ReadAsync<Bead>();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (
                await maren.RecordAsync(
                    id,
                    new
                    {
                        sheetId = sheet.Id,
                        wireMark = 47,
                        voltMark = 6,
                        evidence = new { sound = "hiss", toes = "undercut" },
                    }
                )
            ).StatusCode
        );
        Assert.Null((await maren.GetAsync<BeadFile>($"/api/beads/{id}/file")).Bead.Evidence.Toes);
        // What was told becomes a second look.
        var looked = await (await maren.LookAsync(id, first.Version, new { sound = "hiss", toes = "undercut" })).ReadAsync<Bead>();
        Assert.Equal(Core.Beads.Toes.Undercut, looked.Evidence.Toes);
        Assert.Equal(1, await room.QueryAsync<long>("select count(*) from bead where sheet_id = @Id", new { sheet.Id }));
    }
}
