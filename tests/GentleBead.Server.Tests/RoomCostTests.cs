using System.Net;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Costs;
using GentleBead.Core.Stock;
using GentleBead.Server.Costs;
using GentleBead.Server.Json;

namespace GentleBead.Server.Tests;

/// <summary>What a room costs: counted up as beads come and change, priced as a school says.</summary>
public sealed class RoomCostTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    // What is kept up must be what the beads say, however they came and changed: reckoned anew, bead by bead.
    private const string Anew = """
        select count(*) from (
            select date_trunc('month', recorded_at at time zone 'UTC')::date as month, machine_id, process, coalesce(wire, '') as wire, gas,
                count(*) as beads, count(*) filter (where counted = 'right' and not withdrawn) as right_beads,
                sum(arc) as arc, sum(coalesce(wire_feed_m_per_min, 0) * arc / 60) as wire_m
            from (select laid.*, coalesce(laid.arc_seconds, (body ->> 'plugSeconds')::float8,
                    9000 / (body ->> 'travelMmPerMin')::float8) as arc
                from bead_verdict as laid join sheet on sheet.id = laid.sheet_id) as laid
            group by 1, 2, 3, 4, 5) as anew
        full join machine_use using (month, machine_id, process, wire, gas)
        where anew.beads is distinct from machine_use.beads or anew.right_beads is distinct from machine_use.right_beads
            or abs(anew.arc - machine_use.arc_seconds) > 0.001 or abs(anew.wire_m - machine_use.wire_m) > 0.001
        """;

    [Fact]
    public async Task Beads_are_counted_as_they_come_are_ruled_on_and_taken_back()
    {
        Assert.Equal(0, await room.QueryAsync<long>(Anew));
        var maren = await room.SignInAsync("maren");
        var before = await maren.GetAsync<CostView>("/api/costs");
        var sheet = await maren.AssignAsync(2);
        var (one, other) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        await RecordAsync(one, new { arcSeconds = 40.0 });
        await RecordAsync(other, new { });
        Assert.Equal(0, await room.QueryAsync<long>(Anew));
        var ruling = new { verdict = "right", reason = "Even and tied in." };
        (await maren.PutAsJsonAsync($"/api/beads/{one}/rulings/{Guid.CreateVersion7()}", ruling)).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync($"/api/beads/{other}/withdrawn", new { withdrawn = true })).EnsureSuccessStatusCode();
        Assert.Equal(0, await room.QueryAsync<long>(Anew));

        var after = await maren.GetAsync<CostView>("/api/costs");
        // Taken back, it took its wire all the same.
        Assert.Equal(
            (before.Whole.Beads + 2, before.Whole.Right + 1, before.Timed + 1),
            (after.Whole.Beads, after.Whole.Right, after.Timed)
        );
        Assert.True(after.Whole.WireKg > before.Whole.WireKg && after.Whole.GasM3 > before.Whole.GasM3);
        Assert.Equal(after.Whole.Beads, after.Machines.Sum(line => line.Cost.Beads));

        async Task RecordAsync(Guid id, object measured) =>
            (
                await maren.RecordAsync(
                    id,
                    new
                    {
                        sheetId = sheet.Id,
                        wireMark = 46,
                        voltMark = 6,
                        evidence = new { profile = "slightlyConvex", measured },
                    }
                )
            ).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task Prices_are_noted_once_and_cost_what_they_say()
    {
        var maren = await room.SignInAsync("maren");
        var empty = new NewPrices(Guid.CreateVersion7(), 1, PriceList.None);
        (await maren.PutAsJsonAsync("/api/costs/prices", empty)).EnsureSuccessStatusCode();
        var first = await maren.GetAsync<CostView>("/api/costs");
        Assert.NotEmpty(first.Unpriced);
        Assert.Null(first.Whole.Cost);
        var prices = new PriceList(
            " EUR ",
            [.. Enum.GetValues<Wire>().Select(wire => new WirePrice(wire, 5))],
            [.. Enum.GetValues<Gas>().Select(gas => new GasPrice(gas, 10))],
            [.. Enum.GetValues<Core.Machines.Part>().Select(part => new PartPrice(part, 2))]
        );
        var request = new NewPrices(Guid.CreateVersion7(), 2, prices);
        for (var time = 0; time < 2; time++)
            (await maren.PutAsJsonAsync("/api/costs/prices", request, QuantityJson.Options)).EnsureSuccessStatusCode();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await maren.PutAsJsonAsync("/api/costs/prices", request with { Id = Guid.CreateVersion7() }, QuantityJson.Options)).StatusCode
        );
        var view = await maren.GetAsync<CostView>("/api/costs");
        Assert.Equal("EUR", view.Currency);
        Assert.Empty(view.Unpriced);
        var whole = view.Whole;
        Assert.Equal((whole.WireKg * 5) + (whole.GasM3 * 10) + (whole.Parts * 2), whole.Cost!.Value, 6);
        Assert.True(whole.Parts > 0 && whole.HoursPerTip > 0);
        var csv = Encoding.UTF8.GetString(await maren.GetByteArrayAsync("/api/costs/csv")).Split("\r\n");
        Assert.Equal(view.Machines.Count + view.Wires.Count + view.Gases.Count + 2, csv.Length);

        var bad = request with { Id = Guid.CreateVersion7(), Edition = 3, Prices = prices with { Wires = [new(Wire.Solid08, -1)] } };
        Assert.Contains(
            "prices.wires[0]",
            (await (await maren.PutAsJsonAsync("/api/costs/prices", bad, QuantityJson.Options)).ProblemsAsync()).Keys
        );
        foreach (var months in new[] { "from=2026-05-01&until=2026-03-01", "from=2020-01-01&until=2026-01-01" })
            Assert.Contains("until", (await (await maren.GetAsync($"/api/costs?{months}")).ProblemsAsync()).Keys);
        Assert.Empty((await maren.GetAsync<CostView>("/api/costs?from=2001-01-01&until=2001-12-31")).Machines);
    }

    [Fact]
    public async Task What_a_bottle_lost_by_its_gauge_stands_beside_what_was_reckoned()
    {
        await using var school = new DemoRoom();
        await school.InitializeAsync();
        var maren = await school.SignInAsync("maren");
        var machine = (await maren.MachineAsync(3)).MachineId;
        // Two readings of a 20 litre bottle, a full one in between: 20 x 30 and 20 x 10 bar.
        foreach (var bar in new[] { 150, 120, 200, 190 })
            (
                await maren.PutAsJsonAsync(
                    $"/api/machines/{machine}/bottles/{Guid.CreateVersion7()}",
                    new { waterL = 20.0, bar = (double)bar }
                )
            ).EnsureSuccessStatusCode();
        var name = await school.QueryAsync<string>("select name from machine where id = @machine", new { machine });
        var before = await school.QueryAsync<double>(
            "select coalesce((select bar from bottle_reading where machine_id = @machine order by seq limit 1), 0)",
            new { machine }
        );
        var line = (await maren.GetAsync<CostView>("/api/costs")).Machines.Single(one => $"{one.Name}" == name);
        Assert.Equal(before > 150 ? (800 + (20 * (before - 150))) / 1000 : 0.8, line.Cost.GaugeM3!.Value, 9);
    }
}
