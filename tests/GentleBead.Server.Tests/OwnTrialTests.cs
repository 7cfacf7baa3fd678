using System.Net;
using System.Net.Http.Json;
using GentleBead.Server.Beads;
using GentleBead.Server.Http;
using GentleBead.Server.Sheets;
using GentleBead.Server.Trials;
using GentleBead.Server.Windows;

namespace GentleBead.Server.Tests;

/// <summary>Trials and sweeps that a student runs at their booth.</summary>
public sealed class OwnTrialTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task A_student_lays_the_steps_of_their_trial_at_a_tablet_and_is_told_what_is_next()
    {
        var maren = await room.SignInAsync("maren");
        var (_, booth) = await maren.BoothAsync(2);
        var sheet = await maren.AssignAsync(2);
        var (tablet, standing) = await room.PairedAsync(maren, booth.Booth.Id, "teodor");
        Assert.Equal(HttpStatusCode.NoContent, (await tablet.GetAsync("/api/trials/mine")).StatusCode);
        var started = new { sheetId = sheet.Id, trial = new { kind = "wireLadder" } };
        var trialId = Guid.CreateVersion7();
        (await maren.PutAsJsonAsync($"/api/trials/{trialId}", started)).EnsureSuccessStatusCode();

        var mine = await tablet.GetAsync<MyTrial>("/api/trials/mine");
        Assert.Equal((trialId, sheet.Id, 3), (mine.Id, mine.SheetId, mine.Plan.Steps.Count));
        Assert.Equal([1, 2, 3], mine.OpenSteps);
        Assert.Empty(mine.Laid);
        var first = await LayAsync(1, null);
        Assert.True(first.Own);
        mine = await tablet.GetAsync<MyTrial>("/api/trials/mine");
        Assert.Equal([2, 3], mine.OpenSteps);
        Assert.Equal(first.Number, mine.Laid.Single().Number);
        Assert.NotNull(mine.FitAt);
        // One that waited for the network is of its step all the same.
        await LayAsync(2, standing);
        var third = await LayAsync(3, null);
        mine = await tablet.GetAsync<MyTrial>("/api/trials/mine");
        Assert.Equal([1, 2, 3], mine.Laid.Select(laid => laid.Step));
        Assert.True(mine.Done);
        Assert.Empty(mine.OpenSteps);
        Assert.NotNull(mine.Learned);
        Assert.Equal(third.Id, (await maren.GetAsync<TrialView>($"/api/trials/{trialId}")).Beads[^1].Bead.Id);

        // Of a trial on another sheet nothing is laid, and ended it is over.
        var refused = await tablet.RecordAsync(Guid.CreateVersion7(), Body(Guid.NewGuid(), 1));
        Assert.Equal(["trial"], (await refused.ProblemsAsync()).Keys);
        (await maren.PutAsJsonAsync($"/api/trials/{trialId}/ended", new { ended = true })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NoContent, (await tablet.GetAsync("/api/trials/mine")).StatusCode);

        async Task<Bead> LayAsync(int step, Guid? waited)
        {
            var (id, body) = (Guid.CreateVersion7(), Body(trialId, step));
            if (waited is null)
                return await (await tablet.RecordAsync(id, body)).ReadAsync<Bead>();
            var sent = await tablet.SendOnAsync(waited, $"/api/beads/{id}/waited", JsonContent.Create(body));
            return (await sent.ReadAsync<WaitedBead>()).Bead!;
        }

        object Body(Guid of, int step) =>
            new
            {
                sheetId = sheet.Id,
                mine.Plan.Steps[step - 1].WireMark,
                mine.Plan.Steps[step - 1].VoltMark,
                evidence = new { sound = step == 2 ? "hiss" : "evenCrackle", profile = "flat" },
                own = new { verdict = "right", change = "keep" },
                trial = new
                {
                    trialId = of,
                    step,
                    freshPiece = true,
                },
            };
    }

    [Fact]
    public async Task A_machine_learns_from_a_students_own_sweep_once_an_instructor_has_taken_it()
    {
        var maren = await room.SignInAsync("maren");
        var (_, booth) = await maren.BoothAsync(4);
        var sheet = await maren.AssignAsync(4);
        var (tablet, standing) = await room.PairedAsync(maren, booth.Booth.Id, "jun");
        var before = await SweptAsync();
        var (id, noted) = (Guid.CreateVersion7(), DateTimeOffset.UtcNow.AddSeconds(-1));
        var path = $"/api/sweeps/{id}";
        (await tablet.PostAsync("/api/booth/leave", null)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Forbidden, (await tablet.PutAsJsonAsync(path, Body(sheet, 40))).StatusCode);
        foreach (var again in new[] { false, true })
        {
            var swept = await (await tablet.SendOnAsync(standing, path, JsonContent.Create(Body(sheet, 40)))).ReadAsync<RunSweep>();
            Assert.Equal(("Jun Castellan", false), (swept.Student, swept.Counts));
        }
        Assert.Equal(HttpStatusCode.Conflict, (await tablet.SendOnAsync(standing, path, JsonContent.Create(Body(sheet, 41)))).StatusCode);
        Assert.Equal(before, await SweptAsync());
        var listed = (await maren.GetAsync<RunSweep[]>($"/api/sweeps/of-machine/{booth.Booth.MachineId}"))[0];
        Assert.Equal((id, false), (listed.Id, listed.Counts));

        await TakeAsync(true);
        Assert.Equal(before + 2, await SweptAsync());
        await TakeAsync(false);
        Assert.Equal(before, await SweptAsync());
        Assert.Equal(HttpStatusCode.Forbidden, (await tablet.SendOnAsync(standing, $"{path}/taken", Taking(true))).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.PutAsync($"/api/sweeps/{Guid.NewGuid()}/taken", Taking(true))).StatusCode);

        // On somebody else's sheet nobody sweeps but an instructor.
        var ilsa = await room.SignInAsync("ilsa");
        var others = await ilsa.PutAsJsonAsync($"/api/sweeps/{Guid.CreateVersion7()}", Body(sheet, 40));
        Assert.Equal(["sheetId"], (await others.ProblemsAsync()).Keys);

        async Task TakeAsync(bool taken) => (await maren.PutAsync($"{path}/taken", Taking(taken))).EnsureSuccessStatusCode();
        async Task<int> SweptAsync() =>
            (await maren.GetAsync<Page<WindowView>>($"/api/windows/{booth.Booth.MachineId}")).Items.Single().Sweeps;
        object Body(AssignedSheet of, int seconds) =>
            new
            {
                sheetId = of.Id,
                voltMark = 5,
                notedAt = noted,
                run = new
                {
                    fromMark = 10,
                    toMark = 90,
                    seconds,
                    events = new[] { new { mark = "smooths", seconds = 8 }, new { mark = "breaksUp", seconds = 13 } },
                },
            };
        static JsonContent Taking(bool taken) => JsonContent.Create(new { taken });
    }

    [Fact]
    public async Task While_the_tools_word_waits_a_trial_says_nothing_of_what_it_has_shown()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(3);
        var wynn = await room.SignInAsync("wynn");
        var trialId = Guid.CreateVersion7();
        var started = new { sheetId = sheet.Id, trial = new { kind = "wireLadder" } };
        var view = await (await maren.PutAsJsonAsync($"/api/trials/{trialId}", started)).ReadAsync<TrialView>();
        await room.QueryAsync<object>("update course set tool_word = 'afterInstructor' returning 1");
        var beads = new List<Guid>();
        foreach (var step in view.Trial.Plan.Steps)
        {
            var body = new
            {
                sheetId = sheet.Id,
                step.WireMark,
                step.VoltMark,
                evidence = new { sound = "evenCrackle" },
                own = new { verdict = "right", change = "keep" },
                trial = new
                {
                    trialId,
                    step = step.Number,
                    freshPiece = true,
                },
            };
            beads.Add((await (await wynn.RecordAsync(Guid.CreateVersion7(), body)).ReadAsync<Bead>()).Id);
        }
        Assert.NotNull((await maren.GetAsync<TrialView>($"/api/trials/{trialId}")).Result.Learned);
        Assert.Null((await wynn.GetAsync<MyTrial>("/api/trials/mine")).Learned);
        foreach (var bead in beads)
        {
            var said = await maren.PutAsJsonAsync($"/api/beads/{bead}/rulings/{Guid.CreateVersion7()}", new { verdict = "right" });
            said.EnsureSuccessStatusCode();
        }
        Assert.NotNull((await wynn.GetAsync<MyTrial>("/api/trials/mine")).Learned);
    }
}
