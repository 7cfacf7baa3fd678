using System.Net;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Planning;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using GentleBead.Server.Http;
using GentleBead.Server.Json;
using GentleBead.Server.Planning;

namespace GentleBead.Server.Tests;

/// <summary>The plan of the demo course's next evening: by the solver, by hand, by two at once, mended, and on paper.</summary>
public sealed class PlanningTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    // Each fact plans an evening of its own.
    private async Task<(HttpClient Maren, string Path)> EveningAsync(int place)
    {
        var maren = await room.SignInAsync("maren");
        var id = await room.QueryAsync<Guid>(
            $"select id from session where room_id = (select id from room order by seq limit 1) and begins_at > now() "
                + $"order by begins_at offset {place} limit 1"
        );
        return (maren, $"/api/sessions/{id}/plan");
    }

    private static Task<PlanBoard> BoardAsync(HttpClient client, string path) => client.GetAsync<PlanBoard>(path);

    private static async Task<HttpResponseMessage> SendAsync<T>(HttpClient client, string path, T body) =>
        await client.PutAsJsonAsync(path, body, QuantityJson.Options);

    private static NewPlan Changed(PlanBoard board, params IEnumerable<Stand> stands) =>
        new(Guid.CreateVersion7(), board.Edition, board.Settings, [.. stands]);

    private static PlanToMake ToMake(PlanBoard board, int from = 0, bool mend = false) =>
        new(Guid.CreateVersion7(), board.Edition, board.Settings, [.. board.Stands.Select(stand => stand.Stand)], from, mend);

    [Fact]
    public async Task An_evening_is_planned_for_everybody_on_the_roster_and_breaks_no_rule()
    {
        var (maren, path) = await EveningAsync(0);
        var empty = await BoardAsync(maren, path);
        Assert.Equal((0, 3, 4, 6), (empty.Edition, empty.Slots.Count, empty.Booths.Count, empty.Students.Count));
        Assert.Empty(empty.Stands);

        var request = ToMake(empty);
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(maren, $"{path}/made", request)).StatusCode);
        // Sent once more, as after a lost answer: nothing is planned again.
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(maren, $"{path}/made", request)).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, (await SendAsync(maren, $"{path}/made", request with { FromSlot = 1 })).StatusCode);
        var board = await BoardAsync(maren, path);
        Assert.Equal((1, "Maren Holloway"), (board.Edition, board.MadeBy));
        Assert.Empty(board.Broken);
        Assert.Equal(board.Solver!.Score, board.Aspects.Sum(aspect => aspect.Points));
        Assert.True(board.Solver.Score >= board.Solver.ByHand && board.Solver.Score <= board.Solver.Bound);
        Assert.All(board.Students, student => Assert.True(student.NotServed is not null || board.Stands.Any(At(student))));

        // A student sees their own part of it, and nobody else's.
        var wynn = await room.SignInAsync("wynn");
        var own = (await wynn.GetAsync<IReadOnlyList<OwnPlan>>("/api/plans/mine")).First(plan => plan.HeldOn == board.Session.HeldOn);
        var who = board.Students.Single(one => one.Student.Name == "Wynn Okafor");
        var expected = board
            .Stands.Where(At(who))
            .OrderBy(stand => stand.Stand.Slot)
            .Select(stand => (board.Slots[stand.Stand.Slot].Begins, NumberOf(stand), stand.ExerciseName));
        Assert.Equal(expected, own.Stands.Select(stand => (stand.Begins, stand.Booth, stand.ExerciseName)));
        Assert.Equal(HttpStatusCode.Forbidden, (await wynn.GetAsync(path, TestContext.Current.CancellationToken)).StatusCode);

        int NumberOf(BoardStand stand) => board.Booths.Single(booth => booth.Id == stand.Stand.BoothId).Number;
        static Func<BoardStand, bool> At(BoardStudent student) => stand => stand.Stand.StudentId == student.Student.Id;
    }

    [Fact]
    public async Task Two_instructors_at_one_plan_never_write_over_each_other_unseen()
    {
        var (maren, path) = await EveningAsync(1);
        var sunniva = await room.SignInAsync("sunniva");
        var seen = await BoardAsync(maren, path);
        var (one, other) = (StandOf(seen, 0, 0), StandOf(seen, 1, 1));
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(maren, path, Changed(seen, one))).StatusCode);
        var late = await SendAsync(sunniva, path, Changed(seen, other));
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        Assert.Contains(
            "changed this plan",
            await late.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.Conflict, (await SendAsync(sunniva, $"{path}/made", ToMake(seen))).StatusCode);
        var now = await BoardAsync(sunniva, path);
        Assert.Equal([one], now.Stands.Select(stand => stand.Stand));
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(sunniva, path, Changed(now, one, other))).StatusCode);
        Assert.Equal(2, await room.QueryAsync<int>($"select count(*)::int from session_plan where session_id = '{path.Split('/')[3]}'"));
    }

    [Fact]
    public async Task What_is_pinned_stays_a_broken_rule_is_told_at_its_place_and_a_machine_down_changes_as_little_as_can_be()
    {
        var (maren, path) = await EveningAsync(2);
        var board = await BoardAsync(maren, path);
        await SendAsync(maren, $"{path}/made", ToMake(board));
        board = await BoardAsync(maren, path);
        var stand = board.Stands[0].Stand;
        var twice = stand with { BoothId = board.Booths.First(booth => booth.Id != stand.BoothId).Id, Pinned = true };
        twice = twice with { MachineId = board.Booths.Single(booth => booth.Id == twice.BoothId).Machines[0].Id };
        var others = board.Stands.Select(one => one.Stand).Where(one => one.Slot != 0 || one.BoothId != twice.BoothId);
        await SendAsync(maren, path, Changed(board, [.. others, twice]));
        var broken = await BoardAsync(maren, path);
        Assert.Contains(broken.Broken, one => one.Rule == "onePlace" && one.BoothId == twice.BoothId);

        await SendAsync(maren, $"{path}/made", ToMake(broken));
        var mended = await BoardAsync(maren, path);
        Assert.Empty(mended.Broken);
        Assert.Contains(twice, mended.Stands.Select(one => one.Stand));

        // From the second slot on one machine is out of order.
        var down = mended.Stands.First(one => one.Stand.Slot == 1).Stand.MachineId;
        var request = ToMake(mended, from: 1, mend: true) with { Settings = mended.Settings with { Down = [new(down, 1)] } };
        await SendAsync(maren, $"{path}/made", request);
        var after = await BoardAsync(maren, path);
        Assert.Empty(after.Broken);
        Assert.NotEmpty(after.Solver!.Changes);
        Assert.DoesNotContain(after.Stands, one => one.Stand.MachineId == down && one.Stand.Slot >= 1);
        // Whoever stood at another machine stands there still.
        Assert.Empty(Kept(mended, down).Except(after.Stands.Select(one => one.Stand)));

        static Stand[] Kept(PlanBoard of, Guid down) =>
            [
                .. of
                    .Stands.Select(one => one.Stand)
                    .Where(one => one.Slot == 0 || one.MachineId != down)
                    .OrderBy(one => (one.Slot, one.BoothId)),
            ];
    }

    [Fact]
    public async Task It_gives_reasons_lists_and_a_job_card_for_everybody()
    {
        var (maren, path) = await EveningAsync(3);
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await maren.GetAsync($"{path}/cards.pdf", TestContext.Current.CancellationToken)).StatusCode
        );
        await SendAsync(maren, $"{path}/made", ToMake(await BoardAsync(maren, path)));
        var board = await BoardAsync(maren, path);
        var stand = board.Stands[0].Stand;
        var here = await maren.GetAsync<PlanWhy>($"{path}/why?student={stand.StudentId}&slot={stand.Slot}&booth={stand.BoothId}");
        Assert.True(here.Here);
        Assert.NotEmpty(here.Why);
        var other = board.Students.First(student => student.Student.Id != stand.StudentId).Student.Id;
        var not = await maren.GetAsync<PlanWhy>($"{path}/why?student={other}&slot={stand.Slot}&booth={stand.BoothId}");
        Assert.False(not.Here);
        Assert.NotEmpty(not.Why);

        var lists = await maren.GetAsync<PlanNeeds>($"{path}/lists");
        Assert.NotEmpty(lists.Pieces);
        Assert.NotEmpty(lists.Wires);
        Assert.NotEmpty(lists.Gases);
        var pdf = await maren.GetByteArrayAsync($"{path}/cards.pdf", TestContext.Current.CancellationToken);
        // A page for each stand: counted in the file itself.
        var text = Encoding.Latin1.GetString(pdf);
        Assert.StartsWith("%PDF-", text, StringComparison.Ordinal);
        Assert.Contains($"/Count {board.Stands.Count}", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_plan_is_held_to_the_bars_that_were_counted_and_the_cut_list_names_them()
    {
        var (maren, path) = await EveningAsync(4);
        var stock = await maren.GetAsync<StockAtHand>("/api/stock");
        var kind = new StockKind(Metal.MildSteel, Core.Courses.StockForm.FlatBar, Length.FromInches(0.125), Length.FromMm(50));
        var bars = new NewStock(
            Guid.CreateVersion7(),
            stock.Edition,
            new([new(kind, Length.FromMm(1000), Length.FromMm(50), 1)], null, null)
        );
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(maren, "/api/stock", bars)).StatusCode);
        var wrong = await SendAsync(maren, "/api/stock", bars with { Id = Guid.CreateVersion7() });
        Assert.Equal(HttpStatusCode.Conflict, wrong.StatusCode);
        await SendAsync(maren, $"{path}/made", ToMake(await BoardAsync(maren, path)));
        var lists = await maren.GetAsync<PlanNeeds>($"{path}/lists");
        Assert.Empty(lists.Cuts!.Missing);
        Assert.All(lists.Cuts.Bars, bar => Assert.Equal(1000, bar.Long.Mm));
        Assert.Empty((await BoardAsync(maren, path)).Broken);
        // Everybody counts again without any: what was counted holds nothing back.
        var unknown = new NewStock(Guid.CreateVersion7(), stock.Edition + 1, AtHand.Unknown);
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(maren, "/api/stock", unknown)).StatusCode);
    }

    [Fact]
    public async Task What_cannot_be_is_told_at_its_field_and_nothing_is_kept()
    {
        var (maren, path) = await EveningAsync(5);
        var board = await BoardAsync(maren, path);
        var stand = StandOf(board, 0, 0);
        await FieldAsync(Changed(board, stand with { MachineId = Guid.NewGuid() }), "stands[0].machineId");
        await FieldAsync(Changed(board, stand with { ExerciseId = Guid.NewGuid() }), "stands[0].exerciseId");
        await FieldAsync(Changed(board, stand with { Slot = 40 }), "stands[0].slot");
        await FieldAsync(Changed(board, stand, stand), "stands");
        await FieldAsync(
            Changed(board, stand) with
            {
                Settings = board.Settings with { Weights = new Dictionary<string, int> { ["luck"] = 3 } },
            },
            "settings.weights"
        );
        await FieldAsync(Changed(board, stand) with { Settings = board.Settings with { SlotMinutes = 3 } }, "settings.slotMinutes");
        await FieldAsync(
            Changed(board, stand) with
            {
                Settings = board.Settings with { Weights = new Dictionary<string, int> { ["progress"] = 9 } },
            },
            "settings.weights"
        );
        Assert.Equal(0, (await BoardAsync(maren, path)).Edition);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await maren.GetAsync($"/api/sessions/{Guid.NewGuid()}/plan", TestContext.Current.CancellationToken)).StatusCode
        );

        async Task FieldAsync(NewPlan plan, string field)
        {
            var answer = await SendAsync(maren, path, plan);
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            var told = await answer.Content.ReadFromJsonAsync<ProblemAnswer>(QuantityJson.Options, TestContext.Current.CancellationToken);
            Assert.Equal(field, Assert.Single(told!.Problems).Field);
        }
    }

    private static Stand StandOf(PlanBoard board, int slot, int place)
    {
        var booth = board.Booths[place];
        var student = board.Students[place];
        return new(slot, booth.Id, booth.Machines[0].Id, student.Student.Id, student.Tasks[0].ExerciseId, Pinned: true);
    }
}
