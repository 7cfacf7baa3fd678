using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Floor;
using GentleBead.Core.Planning;
using GentleBead.Server.Floor;
using GentleBead.Server.Json;
using GentleBead.Server.Planning;
using GentleBead.Server.Sessions;

namespace GentleBead.Server.Tests;

/// <summary>The floor of the demo's running evening: hands, the round, notes, a slot begun from the plan, a stop, closing down.</summary>
public sealed class FloorTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static async Task<HttpStatusCode> PutAsync<T>(HttpClient client, string path, T body) =>
        (await client.PutAsJsonAsync(path, body, QuantityJson.Options, TestContext.Current.CancellationToken)).StatusCode;

    private static async Task<BoothNeed?> NeedAsync(HttpClient instructor, int booth) => (await instructor.BoothAsync(booth)).View.Need;

    [Fact]
    public async Task A_hand_goes_up_from_where_its_student_stands_and_is_lowered_by_them_or_an_instructor()
    {
        var (maren, teodor) = (await room.SignInAsync("maren"), await room.SignInAsync("teodor"));
        Assert.Null((await teodor.GetAsync<OwnHand>("/api/hands/mine")).Hand);
        var (help, danger) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(teodor, $"/api/hands/{help}", new Raising(HandReason.Help)));
        Assert.Equal(NeedKind.Hand, (await NeedAsync(maren, 2))!.Kind);
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(teodor, $"/api/hands/{danger}", new Raising(HandReason.Danger)));
        Assert.Equal(NeedKind.Danger, (await NeedAsync(maren, 2))!.Kind);
        // The same once more, as after a lost answer, raises nothing again; another body under its id is told.
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(teodor, $"/api/hands/{help}", new Raising(HandReason.Help)));
        Assert.Equal(danger, (await teodor.GetAsync<OwnHand>("/api/hands/mine")).Hand!.Id);
        Assert.Equal(HttpStatusCode.Conflict, await PutAsync(teodor, $"/api/hands/{help}", new Raising(HandReason.Look)));

        // Nobody else's hand can be lowered by a student; who stands nowhere has none that is seen.
        var petra = await room.SignInAsync("petra");
        Assert.Equal(HttpStatusCode.NotFound, await PutAsync(petra, $"/api/hands/{danger}/lowered", new { }));
        var nowhere = await petra.PutAsJsonAsync($"/api/hands/{Guid.CreateVersion7()}", new Raising(HandReason.Help), QuantityJson.Options);
        Assert.Contains("no booth", (await nowhere.ProblemsAsync())["reason"], StringComparison.Ordinal);
        Assert.False((await petra.GetAsync<OwnHand>("/api/hands/mine")).AtBooth);
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(maren, $"/api/hands/{danger}/lowered", new { }));
        var after = (await maren.BoothAsync(2)).View;
        Assert.Null(after.Hand);
        // Whoever was there for the hand has seen them.
        Assert.Equal("Seen on your round.", $"{after.Need!.Why}");
        Assert.Null((await teodor.GetAsync<OwnHand>("/api/hands/mine")).Hand);
        Assert.Equal(2, await room.QueryAsync<int>("select count(*)::int from hand where lowered_by is not null"));
    }

    [Fact]
    public async Task A_visit_is_seen_on_the_round_and_its_note_is_kept_for_instructors_alone()
    {
        var maren = await room.SignInAsync("maren");
        var (session, view) = await maren.BoothAsync(2);
        var path = $"/api/sessions/{session.Id}/booths/{view.Booth.Id}/visits";
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(maren, $"{path}/{Guid.CreateVersion7()}", new Visiting(view.Student!.Id)));
        var need = await NeedAsync(maren, 2);
        Assert.Equal(NeedKind.Round, need!.Kind);
        Assert.InRange(DateTimeOffset.UtcNow - need.Since!.Value, TimeSpan.FromSeconds(-5), TimeSpan.FromMinutes(1));
        Assert.Empty(await maren.GetAsync<IReadOnlyList<Visit>>($"/api/students/{view.Student.Id}/notes"));

        var noted = new Visiting(view.Student.Id, "  elbow on the bench now  ");
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(maren, $"{path}/{Guid.CreateVersion7()}", noted));
        var note = Assert.Single(await maren.GetAsync<IReadOnlyList<Visit>>($"/api/students/{view.Student.Id}/notes"));
        Assert.Equal(("elbow on the bench now", 2, "Maren Holloway"), (note.Note, note.Booth, note.By));
        Assert.Equal(note, (await maren.GetAsync<IReadOnlyList<Visit>>($"/api/sessions/{session.Id}/notes"))[0]);
        var tooLong = new Visiting(view.Student.Id, new string('a', 601));
        Assert.Equal(HttpStatusCode.BadRequest, await PutAsync(maren, $"{path}/{Guid.CreateVersion7()}", tooLong));
        var ilsa = await room.SignInAsync("ilsa");
        var notes = await ilsa.GetAsync($"/api/students/{view.Student.Id}/notes", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.Forbidden, notes.StatusCode);
    }

    [Fact]
    public async Task A_stop_stands_on_every_screen_until_it_is_ended_and_one_called_since_is_not_ended_with_it()
    {
        var (maren, sunniva, jun) = (await room.SignInAsync("maren"), await room.SignInAsync("sunniva"), await room.SignInAsync("jun"));
        var (session, _) = await maren.BoothAsync(1);
        var (first, second) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        Assert.Null((await jun.GetAsync<StopNow>("/api/stop")).Stop);
        Assert.Equal(HttpStatusCode.Forbidden, await PutAsync(jun, $"/api/stop/{first}", new Stopping(session.RoomId)));
        Assert.Equal(HttpStatusCode.BadRequest, await PutAsync(maren, $"/api/stop/{first}", new Stopping(Guid.NewGuid())));
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(maren, $"/api/stop/{first}", new Stopping(session.RoomId)));
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(sunniva, $"/api/stop/{second}", new Stopping(session.RoomId)));
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(maren, $"/api/stop/{first}/ended", new { }));
        var stop = (await jun.GetAsync<StopNow>("/api/stop")).Stop!;
        Assert.Equal((second, "Loft", "Sunniva Reyes"), (stop.Id, stop.RoomName, stop.By));
        Assert.Equal(HttpStatusCode.Forbidden, await PutAsync(jun, $"/api/stop/{second}/ended", new { }));
        Assert.Equal(HttpStatusCode.NoContent, await PutAsync(maren, $"/api/stop/{second}/ended", new { }));
        Assert.Null((await jun.GetAsync<StopNow>("/api/stop")).Stop);
        Assert.Equal(HttpStatusCode.NotFound, await PutAsync(maren, $"/api/stop/{Guid.NewGuid()}/ended", new { }));
        Assert.Equal(2, await room.QueryAsync<int>("select count(*)::int from trail where what = 'stopped'"));
    }
}

/// <summary>An evening run from its plan to lights out, in a room of its own: it moves everybody.</summary>
public sealed class EveningTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task A_slot_begins_as_planned_goes_on_and_the_session_is_closed_down()
    {
        var maren = await room.SignInAsync("maren");
        var (session, view) = await maren.BoothAsync(1);
        var path = $"/api/sessions/{session.Id}";
        var cancel = TestContext.Current.CancellationToken;
        async Task<HttpResponseMessage> SendAsync<T>(string to, T body) =>
            await maren.PutAsJsonAsync($"{path}{to}", body, QuantityJson.Options, cancel);

        Assert.Equal(["Practice"], (await maren.GetAsync<FloorNow>($"{path}/floor")).Phases.Select(phase => $"{phase.Name}"));
        var begun = Guid.CreateVersion7();
        Assert.Equal(HttpStatusCode.Conflict, (await SendAsync($"/slots/0/begun/{begun}", new Beginning(true))).StatusCode);
        var board = await maren.GetAsync<PlanBoard>($"{path}/plan");
        await SendAsync("/plan/made", new PlanToMake(Guid.CreateVersion7(), board.Edition, board.Settings, [], 0, false));
        board = await maren.GetAsync<PlanBoard>($"{path}/plan");
        var first = board.Stands.Where(stand => stand.Stand.Slot == 0).Select(stand => stand.Stand).ToArray();
        Assert.NotEmpty(first);
        var clock = await maren.GetAsync<FloorNow>($"{path}/floor");
        Assert.Equal(board.Slots.Count, clock.Phases.Count(phase => phase.Slot is not null));
        Assert.Contains(0, clock.Planned);

        // Loaded as planned: everybody stands where the plan says, with a sheet of their exercise.
        var started = await (await SendAsync($"/slots/0/begun/{begun}", new Beginning(true))).ReadAsync<SlotStarted>();
        Assert.Equal(first.Length, started.Placed);
        Assert.Empty(started.NotGiven);
        var standing = (await maren.GetAsync<RoomView>($"{path}/room")).Booths.Where(booth => booth.Student is not null).ToArray();
        Assert.Equal(
            first.Select(stand => (stand.BoothId, stand.StudentId)).Order(),
            standing.Select(booth => (booth.Booth.Id, booth.Student!.Id)).Order()
        );
        Assert.All(standing, booth => Assert.NotNull(booth.Job));
        Assert.Equal(0, (await maren.GetAsync<FloorNow>($"{path}/floor")).Begun!.Slot);
        var sheets = await room.QueryAsync<int>("select count(*)::int from sheet");

        // The same again moves nobody back and gives nothing out twice; another slot under its id is told.
        await SendAsync($"/booths/{standing[0].Booth.Id}/student", new PlaceRequest(null));
        await SendAsync($"/slots/0/begun/{begun}", new Beginning(true));
        Assert.Null((await maren.GetAsync<RoomView>($"{path}/room")).Booths.Single(one => one.Booth.Id == standing[0].Booth.Id).Student);
        Assert.Equal(sheets, await room.QueryAsync<int>("select count(*)::int from sheet"));
        Assert.Equal(HttpStatusCode.Conflict, (await SendAsync($"/slots/1/begun/{begun}", new Beginning(true))).StatusCode);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await SendAsync($"/slots/11/begun/{Guid.CreateVersion7()}", new Beginning(true))).StatusCode
        );

        // Somebody goes on to what comes next for them, on a machine of their booth that can.
        var at = standing[1];
        var tasks = await maren.GetAsync<IReadOnlyList<NextTask>>($"{path}/students/{at.Student!.Id}/next?booth={at.Booth.Id}");
        var task = tasks.First(one => one.MachineId is not null);
        var next = new GivingNext(at.Student.Id, task.ExerciseId, task.MachineId!.Value);
        var given = Guid.CreateVersion7();
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync($"/booths/{at.Booth.Id}/next/{given}", next)).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync($"/booths/{at.Booth.Id}/next/{given}", next)).StatusCode);
        Assert.Equal(sheets + 1, await room.QueryAsync<int>("select count(*)::int from sheet"));
        var elsewhere = next with { StudentId = standing[0].Student!.Id };
        var wrong = await SendAsync($"/booths/{at.Booth.Id}/next/{Guid.CreateVersion7()}", elsewhere);
        Assert.Contains("Somebody else stands", (await wrong.ProblemsAsync())["boothId"], StringComparison.Ordinal);

        // Lights out: what can hurt is ticked or explained, and nobody is asked for any more.
        var closing = await maren.GetAsync<CloseDownView>($"{path}/close");
        Assert.Equal([1, 2, 3, 4], closing.Booths.Select(booth => booth.Number));
        Assert.All(closing.Booths, booth => Assert.NotEmpty(booth.Open));
        var forgotten = await SendAsync($"/close/{Guid.CreateVersion7()}", new Closing([]));
        Assert.Contains("can hurt", (await forgotten.ProblemsAsync())["note"], StringComparison.Ordinal);
        var all = new Closing([.. closing.Checks.Select(check => check.Key)]);
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync($"/close/{Guid.CreateVersion7()}", all)).StatusCode);
        var closed = (await maren.GetAsync<FloorNow>($"{path}/floor")).Closed!;
        Assert.Equal(("Maren Holloway", closed.At.AddMinutes(30)), (closed.By, closed.FireWatchUntil));
        Assert.All((await maren.GetAsync<RoomView>($"{path}/room")).Booths, booth => Assert.Null(booth.Need));
    }

    [Fact]
    public async Task What_is_not_loaded_is_not_given_out_and_the_reason_is_told()
    {
        var maren = await room.SignInAsync("sunniva");
        var session = await room.QueryAsync<Guid>(
            "select id from session where room_id = (select id from room order by seq limit 1) and begins_at > now() "
                + "order by begins_at limit 1"
        );
        var path = $"/api/sessions/{session}";
        var board = await maren.GetAsync<PlanBoard>($"{path}/plan");
        var students = board.Students.Where(student => student.Tasks.Count > 0).ToArray();
        var (booth, student) = (board.Booths[0], students[0]);
        var task = student.Tasks.First(one => one.Machines.Contains(booth.Machines[0].Id));
        var stand = new Stand(0, booth.Id, booth.Machines[0].Id, student.Student.Id, task.ExerciseId);
        await maren.PutAsJsonAsync($"{path}/plan", new NewPlan(Guid.CreateVersion7(), 0, board.Settings, [stand]), QuantityJson.Options);
        // Somebody hung another gas on it.
        var machine = await maren.GetAsync<Machines.MachineDetail>($"/api/machines/{stand.MachineId}");
        var load = machine.Machine.Load with { Polarity = Core.Stock.Polarity.TorchMinus };
        await maren.PutAsJsonAsync($"/api/machines/{stand.MachineId}/loads/{Guid.CreateVersion7()}", load, QuantityJson.Options);
        var begun = await maren.PutAsJsonAsync($"{path}/slots/0/begun/{Guid.CreateVersion7()}", new Beginning(false), QuantityJson.Options);
        var started = await begun.ReadAsync<SlotStarted>();
        Assert.Equal((1, 0), (started.Placed, started.Given));
        Assert.Contains("instead of", Assert.Single(started.NotGiven).Why.ToString(), StringComparison.Ordinal);
        var loaded = await maren.PutAsJsonAsync($"{path}/slots/0/begun/{Guid.CreateVersion7()}", new Beginning(true), QuantityJson.Options);
        Assert.Equal(1, (await loaded.ReadAsync<SlotStarted>()).Given);
    }
}
