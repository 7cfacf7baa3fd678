using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Judging;
using GentleBead.Server.Beads;

namespace GentleBead.Server.Tests;

/// <summary>An instructor's word on causes moves the weights of the room, in the open, and is switched off with one call.</summary>
public sealed class LearningTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static async Task<Bead> BeadAsync(HttpClient maren) =>
        await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = (await maren.AssignAsync(2)).Id,
                    wireMark = 46,
                    voltMark = 6,
                    evidence = new
                    {
                        sound = "sputter",
                        profile = "slightlyConvex",
                        start = "stuttering",
                    },
                }
            )
        ).ReadAsync<Bead>();

    private static Task<HttpResponseMessage> SayAsync(HttpClient maren, Guid bead, string cause, string? reason, Guid? id = null) =>
        maren.PutAsJsonAsync($"/api/beads/{bead}/causes/{id ?? Guid.CreateVersion7()}", new { cause, reason });

    [Fact]
    public async Task Words_on_causes_are_learned_from_shown_and_switched_off()
    {
        var maren = await room.SignInAsync("maren");
        var before = (await maren.GetAsync<LearnedState>("/api/judging/learned")).Beads;
        Bead? bead = null;
        for (var at = 0; at < 6; at++)
        {
            bead = await BeadAsync(maren);
            var id = Guid.CreateVersion7();
            Assert.Equal(HttpStatusCode.NoContent, (await SayAsync(maren, bead.Id, "poorClamp", "clamp on paint", id)).StatusCode);
            // The same again changes nothing; something else under the same id is told.
            Assert.Equal(HttpStatusCode.NoContent, (await SayAsync(maren, bead.Id, "poorClamp", "clamp on paint", id)).StatusCode);
            Assert.Equal(HttpStatusCode.Conflict, (await SayAsync(maren, bead.Id, "wornTip", "worn", id)).StatusCode);
        }
        var learned = await maren.GetAsync<LearnedState>("/api/judging/learned");
        Assert.Equal((true, before + 6), (learned.On, learned.Beads));
        Assert.Contains(learned.Rows, row => row.Cause == Cause.PoorClamp && row.Room > row.Table);
        double Share(Bead laid) => laid.Judgement.Causes.FirstOrDefault(cause => cause.Cause == Cause.PoorClamp)?.Share ?? 0;
        var after = await BeadAsync(maren);
        Assert.Equal(before + 6, after.Judgement.Learned);

        // A bead that is taken off teaches nothing more; put back it does.
        await maren.PutAsJsonAsync($"/api/beads/{bead!.Id}/withdrawn", new { withdrawn = true });
        var fewer = await maren.PutAsJsonAsync($"/api/judging/learned/{Guid.CreateVersion7()}", new { on = true });
        Assert.Equal(before + 5, (await fewer.ReadAsync<LearnedState>()).Beads);
        await maren.PutAsJsonAsync($"/api/beads/{bead.Id}/withdrawn", new { withdrawn = false });

        var off = await (
            await maren.PutAsJsonAsync($"/api/judging/learned/{Guid.CreateVersion7()}", new { on = false })
        ).ReadAsync<LearnedState>();
        Assert.False(off.On);
        var alone = await BeadAsync(maren);
        Assert.Equal(0, alone.Judgement.Learned);
        Assert.True(Share(after) > Share(alone));

        await maren.PutAsJsonAsync($"/api/judging/learned/{Guid.CreateVersion7()}", new { on = true });
        Assert.Equal(before + 6, (await BeadAsync(maren)).Judgement.Learned);
    }

    [Fact]
    public async Task A_cause_of_another_process_and_a_word_without_a_reason_are_refused()
    {
        var maren = await room.SignInAsync("maren");
        var bead = await BeadAsync(maren);
        Assert.Equal(HttpStatusCode.BadRequest, (await SayAsync(maren, bead.Id, "tungstenDipped", "dipped")).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await SayAsync(maren, bead.Id, "travelFast", null)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await SayAsync(maren, Guid.NewGuid(), "poorClamp", "x")).StatusCode);
        var first = bead.Judgement.Causes[0].Cause;
        var agreed = char.ToLowerInvariant($"{first}"[0]) + $"{first}"[1..];
        Assert.Equal(HttpStatusCode.NoContent, (await SayAsync(maren, bead.Id, agreed, null)).StatusCode);
    }
}
