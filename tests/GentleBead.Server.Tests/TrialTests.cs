using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Trials;
using GentleBead.Core.Windows;
using GentleBead.Server.Beads;
using GentleBead.Server.Http;
using GentleBead.Server.Trials;
using GentleBead.Server.Windows;

namespace GentleBead.Server.Tests;

/// <summary>Trials, sweeps, and the windows that grow from them.</summary>
public class TrialTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static Task<HttpResponseMessage> StartAsync(HttpClient maren, Guid sheetId, object trial, Guid? id = null) =>
        maren.PutAsJsonAsync($"/api/trials/{id ?? Guid.CreateVersion7()}", new { sheetId, trial });

    private static async Task<Bead> LayAsync(HttpClient maren, TrialView view, int step, object evidence, bool fresh = true)
    {
        var planned = view.Trial.Plan.Steps[step - 1];
        return await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = view.Trial.SheetId,
                    planned.WireMark,
                    planned.VoltMark,
                    evidence,
                    trial = new
                    {
                        trialId = view.Trial.Id,
                        step,
                        freshPiece = fresh,
                    },
                }
            )
        ).ReadAsync<Bead>();
    }

    [Fact]
    public async Task A_ladder_of_three_is_started_welded_and_read()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var id = Guid.CreateVersion7();
        var view = await (await StartAsync(maren, sheet.Id, new { kind = "wireLadder" }, id)).ReadAsync<TrialView>();
        Assert.Equal(
            view.Trial,
            (await (await StartAsync(maren, sheet.Id, new { kind = "wireLadder" }, id)).ReadAsync<TrialView>()).Trial with
            {
                Plan = view.Trial.Plan,
            }
        );
        Assert.Equal(System.Net.HttpStatusCode.Conflict, (await StartAsync(maren, sheet.Id, new { kind = "staircase" }, id)).StatusCode);
        Assert.Equal((3, 1), (view.Trial.Plan.Steps.Count, view.NextStep));

        await LayAsync(
            maren,
            view,
            1,
            new
            {
                sound = "popping",
                profile = "piledUp",
                toes = "cold",
                beadSizeMm = 6,
            }
        );
        var warm = await LayAsync(
            maren,
            view,
            2,
            new
            {
                sound = "hiss",
                profile = "lumpy",
                beadSizeMm = 3,
            },
            fresh: false
        );
        view = await maren.GetAsync<TrialView>($"/api/trials/{id}");
        // On the same piece at once: the plate is warm, and the step is still open.
        Assert.Equal(Unfair.PlateWarm, view.Beads.Single(bead => bead.Bead.Id == warm.Id).Unfair.Single().Unfair);
        Assert.Equal(2, view.NextStep);
        Assert.True(view.FitAt > DateTimeOffset.UtcNow);
        await LayAsync(
            maren,
            view,
            2,
            new
            {
                sound = "hiss",
                profile = "lumpy",
                beadSizeMm = 3,
            }
        );
        await LayAsync(
            maren,
            view,
            3,
            new
            {
                sound = "evenCrackle",
                profile = "slightlyConvex",
                toes = "blended",
                penetration = "tintBehind",
                beadSizeMm = 4.2,
            }
        );
        view = await maren.GetAsync<TrialView>($"/api/trials/{id}");
        Assert.Equal((null, true), (view.NextStep, view.Result.Done));
        Assert.StartsWith("Right: as the sheet says", $"{view.Result.Learned}", StringComparison.Ordinal);
        Assert.Null(view.Beads[^1].Bead.Judgement.FollowUp);
        (await maren.PutAsJsonAsync($"/api/trials/{id}/ended", new { ended = true })).EnsureSuccessStatusCode();
        Assert.NotNull((await maren.GetAsync<IReadOnlyList<StartedTrial>>($"/api/trials/of-sheet/{sheet.Id}")).Single().EndedAt);
    }

    [Fact]
    public async Task A_joint_transfer_judges_each_bead_by_its_own_joint()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var view = await (await StartAsync(maren, sheet.Id, new { kind = "jointTransfer" })).ReadAsync<TrialView>();
        var corner = await LayAsync(maren, view, 1, new { sound = "evenCrackle", profile = "sunk" });
        Assert.Equal(Core.Stock.Joint.OutsideCorner, corner.Judgement.Shape.Joint);
        // Looked at again it is still judged by that joint.
        var again = await (
            await maren.LookAsync(
                corner.Id,
                corner.Version,
                new
                {
                    sound = "evenCrackle",
                    profile = "sunk",
                    tint = "wide",
                }
            )
        ).ReadAsync<Bead>();
        Assert.Equal(Core.Stock.Joint.OutsideCorner, again.Judgement.Shape.Joint);
    }

    [Fact]
    public async Task A_trials_bead_is_in_its_place_once_and_no_later_bead_is_read_against_it()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var view = await (await StartAsync(maren, sheet.Id, new { kind = "wireLadder" })).ReadAsync<TrialView>();
        var id = Guid.CreateVersion7();
        object request = new
        {
            sheetId = sheet.Id,
            wireMark = 46,
            voltMark = 6,
            evidence = new { sound = "popping" },
            trial = new
            {
                trialId = view.Trial.Id,
                step = 1,
                freshPiece = true,
            },
        };
        (await maren.RecordAsync(id, request)).EnsureSuccessStatusCode();
        (await maren.RecordAsync(id, request)).EnsureSuccessStatusCode();
        Assert.Equal(id, (await maren.GetAsync<TrialView>($"/api/trials/{view.Trial.Id}")).Beads.Single().Bead.Id);
        var plain = await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 40,
                    voltMark = 6,
                    evidence = new { sound = "evenCrackle" },
                }
            )
        ).ReadAsync<Bead>();
        Assert.Null(plain.Judgement.FollowUp);
    }

    [Fact]
    public async Task Trials_that_cannot_be_are_refused_at_their_field()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        Assert.True((await (await StartAsync(maren, sheet.Id, new { kind = "ampsLadder" })).ProblemsAsync()).ContainsKey("trial.kind"));
        Assert.True(
            (await (await StartAsync(maren, sheet.Id, new { kind = "oneVariable", variable = "joint" })).ProblemsAsync()).ContainsKey(
                "trial.variable"
            )
        );
        Assert.True(
            (await (await StartAsync(maren, sheet.Id, new { kind = "staircase", stepVolts = 99 })).ProblemsAsync()).ContainsKey(
                "trial.stepVolts"
            )
        );
        Assert.True((await (await StartAsync(maren, Guid.NewGuid(), new { kind = "staircase" })).ProblemsAsync()).ContainsKey("sheetId"));
        Assert.Equal(HttpStatusCode.BadRequest, (await StartAsync(maren, sheet.Id, new { kind = "guess" })).StatusCode);
        var view = await (await StartAsync(maren, sheet.Id, new { kind = "wireLadder" })).ReadAsync<TrialView>();
        var other = await maren.AssignAsync(2);
        foreach (
            var place in new[]
            {
                new
                {
                    trialId = view.Trial.Id,
                    step = 4,
                    freshPiece = true,
                },
                new
                {
                    trialId = Guid.NewGuid(),
                    step = 1,
                    freshPiece = true,
                },
            }
        )
        {
            var response = await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 46,
                    voltMark = 6,
                    evidence = new { sound = "hiss" },
                    trial = place,
                }
            );
            Assert.True((await response.ProblemsAsync()).ContainsKey("trial"));
        }
        Assert.True(
            (
                await (
                    await maren.RecordAsync(
                        Guid.CreateVersion7(),
                        new
                        {
                            sheetId = other.Id,
                            wireMark = 46,
                            voltMark = 6,
                            evidence = new { sound = "hiss" },
                            trial = new
                            {
                                trialId = view.Trial.Id,
                                step = 1,
                                freshPiece = true,
                            },
                        }
                    )
                ).ProblemsAsync()
            ).ContainsKey("trial")
        );
    }

    [Fact]
    public async Task Sweeps_grow_a_window_that_the_sheet_then_offers()
    {
        await using var own = new DemoRoom();
        await own.InitializeAsync();
        var maren = await own.SignInAsync("maren");
        var sheet = await maren.AssignAsync(4);
        var (_, booth) = await maren.BoothAsync(4);
        var machineId = booth.Booth.MachineId;
        var before = (await maren.GetAsync<Page<WindowView>>($"/api/windows/{machineId}")).Items.Single();
        Assert.Equal(0, before.Sweeps);
        Assert.True(before.Beads > 0);
        foreach (var (tap, smooths, breaks) in new[] { (4, 4.0, 9.0), (5, 8.0, 13.0), (6, 11.0, 17.0) })
        {
            var id = Guid.CreateVersion7();
            object run = new
            {
                sheetId = sheet.Id,
                voltMark = tap,
                run = new
                {
                    fromMark = 10,
                    toMark = 90,
                    seconds = 20,
                    events = new[] { new { mark = "smooths", seconds = smooths }, new { mark = "breaksUp", seconds = breaks } },
                },
            };
            var swept = await (await maren.PutAsJsonAsync($"/api/sweeps/{id}", run)).ReadAsync<RunSweep>();
            Assert.Contains("ran smooth from", $"{swept.Finding.Learned}", StringComparison.Ordinal);
            Assert.Equal(swept.RunAt, (await (await maren.PutAsJsonAsync($"/api/sweeps/{id}", run)).ReadAsync<RunSweep>()).RunAt);
        }
        var after = (await maren.GetAsync<Page<WindowView>>($"/api/windows/{machineId}")).Items.Single();
        Assert.Equal(6, after.Sweeps);
        Assert.True(after.WeightPercent > before.WeightPercent && after.SureVolts < before.SureVolts);

        // The sheet offers it beside the textbook; an instructor who goes by the room gets it.
        var job = new
        {
            job = new
            {
                thickness = "1/8",
                joint = "t",
                position = "horizontal",
            },
            boothId = booth.Booth.Id,
        };
        var textbook = await (await maren.PostAsJsonAsync("/api/sheets/compute", job)).ReadAsync<Sheet>();
        Assert.NotEmpty(textbook.Pair!.LearnedBand);
        (
            await maren.PutAsJsonAsync(
                "/api/people/me/way-of-setting",
                new
                {
                    pair = "learnedFirst",
                    position = "oneThinner",
                    direction = "either",
                    motion = "straight",
                }
            )
        ).EnsureSuccessStatusCode();
        var learned = await (await maren.PostAsJsonAsync("/api/sheets/compute", job)).ReadAsync<Sheet>();
        Assert.Contains("this room has found", $"{learned.Reasons.Single(reason => reason.Of == "volts").Rule}", StringComparison.Ordinal);

        var sweeps = await maren.GetAsync<IReadOnlyList<RunSweep>>($"/api/sweeps/of-machine/{machineId}");
        (await maren.PutAsJsonAsync($"/api/sweeps/{sweeps[0].Id}/withdrawn", new { withdrawn = true })).EnsureSuccessStatusCode();
        Assert.Equal(4, (await maren.GetAsync<Page<WindowView>>($"/api/windows/{machineId}")).Items.Single().Sweeps);
    }

    [Fact]
    public async Task A_sweep_on_a_rest_teaches_the_window_what_it_would_have_found_close_up()
    {
        await using var own = new DemoRoom();
        await own.InitializeAsync();
        var maren = await own.SignInAsync("maren");
        var sheet = await maren.AssignAsync(4);
        var (_, booth) = await maren.BoothAsync(4);
        async Task<HttpResponseMessage> Sweep(double? stickOutMm) =>
            await maren.PutAsJsonAsync(
                $"/api/sweeps/{Guid.CreateVersion7()}",
                new
                {
                    sheetId = sheet.Id,
                    voltMark = 5,
                    stickOutMm,
                    run = new
                    {
                        fromMark = 10,
                        toMark = 90,
                        seconds = 20,
                        events = new[] { new { mark = "smooths", seconds = 8 }, new { mark = "breaksUp", seconds = 13 } },
                    },
                }
            );
        var swept = await (await Sweep(19)).ReadAsync<RunSweep>();
        Assert.Equal(19, swept.StickOut!.Value.Mm);
        var learned = (await maren.GetAsync<Page<WindowView>>($"/api/windows/{booth.Booth.MachineId}"))
            .Items.Single()
            .Points.Where(point => point.Says is BandEvidence.TopEdge or BandEvidence.BottomEdge)
            .Select(point => point.WireFeed.MPerMin)
            .ToArray();
        var near = swept.Finding.OnBand(swept.Arc, swept.Volts, Length.FromMm(19)).Select(point => point.WireFeed.MPerMin).ToArray();
        Assert.Equal(near, learned);
        Assert.True(near[0] > swept.Finding.Smooths!.Value.MPerMin);
        Assert.Equal(["stickOutMm"], (await (await Sweep(400)).ProblemsAsync()).Keys);
    }

    [Fact]
    public async Task Sweeps_that_cannot_be_are_refused_at_their_field()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        async Task<Dictionary<string, string>> Refused(object? voltMark, object run) =>
            await (
                await maren.PutAsJsonAsync(
                    $"/api/sweeps/{Guid.CreateVersion7()}",
                    new
                    {
                        sheetId = sheet.Id,
                        voltMark,
                        run,
                    }
                )
            ).ProblemsAsync();
        var good = new
        {
            fromMark = 10,
            toMark = 80,
            seconds = 20,
            events = Array.Empty<object>(),
        };
        Assert.True((await Refused(99, good)).ContainsKey("voltMark"));
        Assert.True((await Refused(null, good)).ContainsKey("volts"));
        Assert.True(
            (
                await Refused(
                    5,
                    new
                    {
                        fromMark = 80,
                        toMark = 10,
                        seconds = 20,
                        events = Array.Empty<object>(),
                    }
                )
            ).ContainsKey("run.toMark")
        );
        Assert.True(
            (
                await Refused(
                    5,
                    new
                    {
                        fromMark = 10,
                        toMark = 80,
                        seconds = 0.1,
                        events = Array.Empty<object>(),
                    }
                )
            ).ContainsKey("run.seconds")
        );
        Assert.True(
            (
                await Refused(
                    5,
                    new
                    {
                        fromMark = 10,
                        toMark = 80,
                        seconds = 20,
                        events = new[] { new { mark = "smooths", seconds = 40 } },
                    }
                )
            ).ContainsKey("run.events")
        );
        Assert.True(
            (
                await Refused(
                    5,
                    new
                    {
                        fromMark = 10,
                        toMark = 80,
                        seconds = 20,
                    }
                )
            ).ContainsKey("run")
        );
    }
}
