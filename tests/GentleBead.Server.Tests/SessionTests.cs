using System.Net;
using System.Net.Http.Json;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;

namespace GentleBead.Server.Tests;

/// <summary>Sessions by the calendar: several on a day, planned ahead, put right when their day was mistyped.</summary>
public sealed class SessionTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.Now);

    private static Task<HttpResponseMessage> StartAsync(
        HttpClient maren,
        Guid id,
        string title,
        DateOnly day,
        int hour = 18,
        Guid? roomId = null
    ) =>
        maren.PutAsJsonAsync(
            $"/api/sessions/{id}",
            new
            {
                title,
                heldOn = day,
                begins = new TimeOnly(hour, 0),
                roomId,
            }
        );

    private static async Task<Session> OnAsync(HttpClient maren, Guid? chosen = null) =>
        (await maren.GetAsync<RoomNow>($"/api/sessions/now{(chosen is { } id ? $"?session={id}" : "")}")).Session!;

    private static async Task<Guid> AnotherRoomAsync(HttpClient maren, string name)
    {
        var id = Guid.CreateVersion7();
        (await maren.PutAsJsonAsync($"/api/rooms/{id}", new { name })).EnsureSuccessStatusCode();
        return id;
    }

    [Fact]
    public async Task A_session_dated_next_year_by_mistake_waits_for_its_day_and_is_put_right_by_who_saw_its_newest_state()
    {
        var maren = await room.SignInAsync("maren");
        var before = await OnAsync(maren);
        var wrong = Guid.CreateVersion7();
        (await StartAsync(maren, wrong, "Evening class", Today.AddDays(360))).EnsureSuccessStatusCode();
        Assert.Equal(before.Id, (await OnAsync(maren)).Id);

        var path = $"/api/sessions/{wrong}/details";
        object Change(DateOnly day, int version) =>
            new
            {
                title = "Evening class",
                heldOn = day,
                begins = "18:00",
                ends = "20:30",
                version,
            };
        var changed = await (await maren.PutAsJsonAsync(path, Change(Today.AddDays(-40), 1))).ReadAsync<Session>();
        Assert.Equal((Today.AddDays(-40), new TimeOnly(20, 30), 2), (changed.HeldOn, changed.Ends, changed.Version));
        Assert.Equal(TimeSpan.FromHours(2.5), changed.EndsAt - changed.BeginsAt);
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync(path, Change(Today.AddDays(-41), 1))).StatusCode);
        var listed = (await maren.GetAsync<Page<Session>>("/api/sessions")).Items;
        Assert.Equal(listed.OrderByDescending(one => one.BeginsAt).Select(one => one.Id), listed.Select(one => one.Id));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await maren.PutAsJsonAsync($"/api/sessions/{Guid.NewGuid()}/details", Change(Today, 1))).StatusCode
        );
    }

    [Fact]
    public async Task Two_rooms_have_sessions_at_once_and_a_screen_shows_the_one_it_chose()
    {
        var maren = await room.SignInAsync("maren");
        var loft = await OnAsync(maren);
        var yard = await AnotherRoomAsync(maren, "Yard");
        var booth = Guid.CreateVersion7();
        (await maren.PutAsJsonAsync($"/api/booths/{booth}", new { roomId = yard, number = 1 })).EnsureSuccessStatusCode();
        var other = Guid.CreateVersion7();
        (
            await maren.PutAsJsonAsync(
                $"/api/sessions/{other}",
                new
                {
                    title = "Plate yard",
                    heldOn = Today,
                    roomId = yard,
                }
            )
        ).EnsureSuccessStatusCode();
        var now = await maren.GetAsync<RoomNow>($"/api/sessions/now?session={loft.Id}");
        Assert.Equal(loft.Id, now.Session!.Id);
        Assert.Contains(other, now.Choices.Select(one => one.Id));
        var there = await maren.GetAsync<RoomView>($"/api/sessions/tonight?session={other}");
        Assert.Equal([booth], there.Booths.Select(one => one.Booth.Id));

        // A booth of the one room is no place in the other's session.
        var refused = await maren.PutAsJsonAsync(
            $"/api/sessions/{loft.Id}/booths/{booth}/student",
            new { studentId = there.Waiting[0].Id }
        );
        Assert.Contains("not in Loft", (await refused.ProblemsAsync())["boothId"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_sessions_never_have_a_room_at_once_however_they_come_to_it()
    {
        var maren = await room.SignInAsync("maren");
        var slip = await AnotherRoomAsync(maren, "Slipway");
        var day = Today.AddDays(30);
        Guid[] ids = [Guid.CreateVersion7(), Guid.CreateVersion7(), Guid.CreateVersion7()];
        (await StartAsync(maren, ids[0], "Early", day, 9, slip)).EnsureSuccessStatusCode();
        // One that begins where the other ends is no clash.
        (await StartAsync(maren, ids[1], "Late", day, 12, slip)).EnsureSuccessStatusCode();
        var refused = await StartAsync(maren, ids[2], "Between", day, 11, slip);
        Assert.Matches("^Slipway is taken on .* from 09:00 to 12:00: Early.$", (await refused.ProblemsAsync())["begins"]);

        // Not by moving, nor by holding a cancelled one again, nor by many at a time.
        var move = new
        {
            title = "Late",
            heldOn = day,
            begins = "10:00",
            ends = "11:00",
            version = 1,
        };
        Assert.Contains("begins", await (await maren.PutAsJsonAsync($"/api/sessions/{ids[1]}/details", move)).ProblemsAsync());
        var cancelled = await (
            await maren.PutAsJsonAsync($"/api/sessions/{ids[0]}/cancelled", new { why = "No gas", version = 1 })
        ).ReadAsync<Session>();
        Assert.Equal("No gas", cancelled.Cancelled);
        (await StartAsync(maren, ids[2], "Between", day, 9, slip)).EnsureSuccessStatusCode();
        // A second try of the first finds it as it stands, though its hours are another's now; and what is cancelled is not split.
        Assert.Equal("No gas", (await (await StartAsync(maren, ids[0], "Early", day, 9, slip)).ReadAsync<Session>()).Cancelled);
        var split = new
        {
            newId = Guid.CreateVersion7(),
            at = "10:00",
            version = 2,
        };
        Assert.Contains("at", await (await maren.PutAsJsonAsync($"/api/sessions/{ids[0]}/split", split)).ProblemsAsync());
        var held = await maren.PutAsJsonAsync($"/api/sessions/{ids[0]}/held", new { version = 2 });
        Assert.Contains("Between", (await held.ProblemsAsync())["begins"], StringComparison.Ordinal);
        var racing = await Task.WhenAll(
            Enumerable.Range(0, 8).Select(i => StartAsync(maren, Guid.CreateVersion7(), $"Racing {i}", day.AddDays(1), 9, slip))
        );
        Assert.Single(racing, answer => answer.IsSuccessStatusCode);
        Assert.All(
            racing.Where(answer => !answer.IsSuccessStatusCode),
            answer => Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode)
        );
    }

    [Fact]
    public async Task A_session_is_split_in_two_with_everybody_where_they_stand_and_a_second_try_splits_it_once()
    {
        var maren = await room.SignInAsync("maren");
        var (whole, second) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        var day = Today.AddDays(-50);
        (await StartAsync(maren, whole, "Long evening", day)).EnsureSuccessStatusCode();
        var view = await maren.GetAsync<RoomView>($"/api/sessions/{whole}/room");
        var (booth, student) = (
            view.Booths[0].Booth.Id,
            view.Waiting.Concat(view.Booths.Select(one => one.Student).OfType<PersonName>()).First()
        );
        (
            await maren.PutAsJsonAsync($"/api/sessions/{whole}/booths/{booth}/student", new { studentId = student.Id })
        ).EnsureSuccessStatusCode();
        var split = new
        {
            newId = second,
            at = "19:30",
            version = 1,
        };
        for (var time = 0; time < 2; time++)
            (await maren.PutAsJsonAsync($"/api/sessions/{whole}/split", split)).EnsureSuccessStatusCode();
        var (first, rest) = (
            await maren.GetAsync<Session>($"/api/sessions/{whole}"),
            await maren.GetAsync<Session>($"/api/sessions/{second}")
        );
        Assert.Equal((new TimeOnly(19, 30), new TimeOnly(19, 30), new TimeOnly(21, 0)), (first.Ends, rest.Begins, rest.Ends));
        Assert.Equal(student, (await maren.GetAsync<RoomView>($"/api/sessions/{second}/room")).Booths[0].Student);
        var late = await maren.PutAsJsonAsync(
            $"/api/sessions/{whole}/split",
            new
            {
                newId = Guid.CreateVersion7(),
                at = "20:00",
                version = 2,
            }
        );
        Assert.StartsWith("Between 18:00 and 19:30", (await late.ProblemsAsync())["at"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Who_came_is_noted_and_the_newest_word_stands()
    {
        var maren = await room.SignInAsync("maren");
        var on = await OnAsync(maren);
        var all = await maren.GetAsync<IReadOnlyList<SessionStudent>>($"/api/sessions/{on.Id}/students");
        var one = all.First(student => student.Beads > 0);
        Assert.Equal(Came.Unknown, one.Came);
        Assert.True(one.Right <= one.Beads && one.Sheets > 0 && one.Booth is not null);
        var first = Guid.CreateVersion7();
        await NoteAsync(first, "absent");
        await NoteAsync(first, "absent");
        await NoteAsync(Guid.CreateVersion7(), "late");
        var noted = await maren.GetAsync<IReadOnlyList<SessionStudent>>($"/api/sessions/{on.Id}/students");
        Assert.Equal(
            (Came.Late, "Maren Holloway"),
            noted.Where(student => student.Student == one.Student).Select(student => (student.Came, student.NotedBy)).Single()
        );
        Assert.Equal(2, await room.QueryAsync<long>("select count(*) from attendance where session_id = @Id", new { on.Id }));
        // Who is not there is not asked to a booth.
        var waiting = (await maren.GetAsync<RoomView>($"/api/sessions/{on.Id}/room")).Waiting[0];
        one = all.Single(student => student.Student == waiting);
        await NoteAsync(Guid.CreateVersion7(), "excused");
        Assert.DoesNotContain(waiting, (await maren.GetAsync<RoomView>($"/api/sessions/{on.Id}/room")).Waiting);

        async Task NoteAsync(Guid id, string came) =>
            (
                await maren.PutAsJsonAsync($"/api/sessions/{on.Id}/attendance/{id}", new { studentId = one.Student.Id, came })
            ).EnsureSuccessStatusCode();
    }

    [Theory]
    [InlineData("9999-12-31")]
    [InlineData("0001-01-01")]
    [InlineData("2062-11-26")]
    public async Task A_day_that_cannot_be_meant_is_asked_about_at_the_field(string day)
    {
        var maren = await room.SignInAsync("maren");
        var response = await maren.PutAsJsonAsync(
            $"/api/sessions/{Guid.CreateVersion7()}",
            new
            {
                title = "Evening class",
                heldOn = day,
                begins = "18:00",
            }
        );
        Assert.Contains("Is the year right?", (await response.ProblemsAsync())["heldOn"], StringComparison.Ordinal);
        var own = (await OnAsync(maren)).Id;
        var changed = await maren.PutAsJsonAsync(
            $"/api/sessions/{own}/details",
            new
            {
                title = " ",
                heldOn = day,
                begins = "18:00",
                ends = "17:00",
                version = 1,
            }
        );
        Assert.Equal(["ends", "heldOn", "title"], (await changed.ProblemsAsync()).Keys.Order());
    }

    [Fact]
    public async Task Earlier_sessions_are_paged_to_the_first()
    {
        var maren = await room.SignInAsync("maren");
        for (var i = 0; i < 60; i++)
            (await StartAsync(maren, Guid.CreateVersion7(), $"Evening {i}", Today.AddDays(-100 - i))).EnsureSuccessStatusCode();
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
