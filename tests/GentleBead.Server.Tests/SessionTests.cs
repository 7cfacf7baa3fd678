using System.Net;
using System.Net.Http.Json;
using GentleBead.Server.Http;
using GentleBead.Server.Sessions;

namespace GentleBead.Server.Tests;

/// <summary>Sessions by the calendar: several on a day, planned ahead, put right when their day was mistyped.</summary>
public sealed class SessionTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.Now);

    private static Task<HttpResponseMessage> StartAsync(HttpClient maren, Guid id, string title, DateOnly day) =>
        maren.PutAsJsonAsync($"/api/sessions/{id}", new { title, heldOn = day });

    private static async Task<Guid> TonightAsync(HttpClient maren) => (await maren.GetAsync<RoomView>("/api/sessions/tonight")).Session!.Id;

    [Fact]
    public async Task A_session_dated_next_year_by_mistake_neither_blocks_the_room_nor_stays_so()
    {
        var maren = await room.SignInAsync("maren");
        var before = await TonightAsync(maren);
        var wrong = Guid.CreateVersion7();
        (await StartAsync(maren, wrong, "Evening class", Today.AddDays(360))).EnsureSuccessStatusCode();
        // It waits for its day; tonight's goes on, and another one starts.
        Assert.Equal(before, await TonightAsync(maren));
        var tonight = Guid.CreateVersion7();
        (await StartAsync(maren, tonight, "Late shift", Today)).EnsureSuccessStatusCode();
        Assert.Equal(tonight, await TonightAsync(maren));
        // Two on one day, each with its own places.
        var student = (await maren.GetAsync<RoomView>($"/api/sessions/{tonight}/room")).Waiting[0];
        var booth = (await maren.GetAsync<RoomView>($"/api/sessions/{tonight}/room")).Booths[0].Booth;
        (
            await maren.PutAsJsonAsync($"/api/sessions/{tonight}/booths/{booth.Id}/student", new { studentId = student.Id })
        ).EnsureSuccessStatusCode();

        // The mistyped one is dated anew, by whoever saw its newest state.
        var path = $"/api/sessions/{wrong}/details";
        (
            await maren.PutAsJsonAsync(
                path,
                new
                {
                    title = "Evening class",
                    heldOn = Today.AddDays(-5),
                    version = 1,
                }
            )
        ).EnsureSuccessStatusCode();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (
                await maren.PutAsJsonAsync(
                    path,
                    new
                    {
                        title = "Morning class",
                        heldOn = Today,
                        version = 1,
                    }
                )
            ).StatusCode
        );
        var listed = (await maren.GetAsync<Page<Session>>("/api/sessions")).Items;
        Assert.Equal(Today.AddDays(-5), listed.Single(one => one.Id == wrong).HeldOn);
        Assert.Equal(listed.OrderByDescending(one => one.HeldOn).Select(one => one.HeldOn), listed.Select(one => one.HeldOn));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (
                await maren.PutAsJsonAsync(
                    $"/api/sessions/{Guid.NewGuid()}/details",
                    new
                    {
                        title = "x",
                        heldOn = Today,
                        version = 1,
                    }
                )
            ).StatusCode
        );
    }

    [Theory]
    [InlineData("9999-12-31")]
    [InlineData("0001-01-01")]
    [InlineData("2062-11-26")]
    public async Task A_day_that_cannot_be_meant_is_asked_about_at_the_field(string day)
    {
        var maren = await room.SignInAsync("maren");
        var response = await maren.PutAsJsonAsync($"/api/sessions/{Guid.CreateVersion7()}", new { title = "Evening class", heldOn = day });
        Assert.Contains("Is the year right?", (await response.ProblemsAsync())["heldOn"], StringComparison.Ordinal);
        var own = await TonightAsync(maren);
        var changed = await maren.PutAsJsonAsync(
            $"/api/sessions/{own}/details",
            new
            {
                title = " ",
                heldOn = day,
                version = 1,
            }
        );
        Assert.Equal(["heldOn", "title"], (await changed.ProblemsAsync()).Keys.Order());
    }

    [Fact]
    public async Task Earlier_sessions_are_paged_to_the_first()
    {
        var maren = await room.SignInAsync("maren");
        for (var i = 0; i < 60; i++)
            (await StartAsync(maren, Guid.CreateVersion7(), $"Evening {i}", Today.AddDays(-30 - i))).EnsureSuccessStatusCode();
        var seen = new List<Session>();
        for (string? after = ""; after is not null; )
        {
            var page = await maren.GetAsync<Page<Session>>($"/api/sessions{(after.Length > 0 ? $"?after={after}" : "")}");
            seen.AddRange(page.Items);
            after = page.More;
        }
        Assert.Equal(await room.QueryAsync<long>("select count(*) from session"), seen.DistinctBy(one => one.Id).Count());
        Assert.Equal(seen.Count, seen.DistinctBy(one => one.Id).Count());
    }
}
