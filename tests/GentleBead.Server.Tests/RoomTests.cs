using System.Net;
using System.Net.Http.Json;
using GentleBead.Server.Http;
using GentleBead.Server.Machines;
using GentleBead.Server.Rooms;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;

namespace GentleBead.Server.Tests;

/// <summary>Rooms, their booths, and machines that move between them.</summary>
public class RoomTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task A_machine_moves_and_takes_with_it_all_that_is_known_of_it_while_a_sheet_keeps_its_own()
    {
        var maren = await room.SignInAsync("maren");
        var (session, from) = await maren.BoothAsync(2);
        var machineId = from.Booth.MachineId!.Value;
        var given = await maren.AssignAsync(2);
        var before = await maren.GetAsync<MachineDetail>($"/api/machines/{machineId}");
        var (newRoom, newBooth) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        (await maren.PutAsJsonAsync($"/api/rooms/{newRoom}", new { name = "Yard" })).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync($"/api/booths/{newBooth}", new { roomId = newRoom, number = 2 })).EnsureSuccessStatusCode();

        var move = new { boothId = newBooth, note = "for the gangway" };
        await MoveAsync(maren, machineId, move, times: 2);

        var after = await maren.GetAsync<MachineDetail>($"/api/machines/{machineId}");
        Assert.Equal((newBooth, 2, "Yard"), (after.Booth!.Id, after.Booth.Number, after.RoomName));
        Assert.Equal(before.Readings, after.Readings);
        Assert.Equal(before.Upkeep.Select(part => $"{part.Why}"), after.Upkeep.Select(part => $"{part.Why}"));
        var moves = await maren.GetAsync<IReadOnlyList<MachineMove>>($"/api/machines/{machineId}/moves");
        Assert.Equal([("Yard", "for the gangway"), ("Loft", "")], moves.Select(one => (one.RoomName, one.Note)));
        Assert.Equal(("Maren Holloway", null), (moves[0].By, moves[1].By));

        // The sheet was made for that machine: its beads are read on its dials and wear its tip wherever it stands.
        var bench = await maren.GetAsync<Bench>($"/api/sessions/{session.Id}/booths/{from.Booth.Id}");
        Assert.Equal((0, null), (bench.Machines.Count, bench.AtHand));
        Assert.Equal(machineId, bench.Coupon!.Sheet.MachineId);
        var worn = await room.QueryAsync<long>("select beads from machine_wear where machine_id = @machineId", new { machineId });
        var bead = new
        {
            sheetId = given.Id,
            wireFeedMPerMin = 7.1,
            volts = 20.0,
            evidence = new { sound = "evenCrackle" },
        };
        (await maren.RecordAsync(Guid.CreateVersion7(), bead)).EnsureSuccessStatusCode();
        Assert.Equal(
            worn + 1,
            await room.QueryAsync<long>("select beads from machine_wear where machine_id = @machineId", new { machineId })
        );

        // No new sheet comes out of a booth without a machine, and the words say what to do.
        var job = new
        {
            thickness = "1/8",
            joint = "t",
            position = "flat",
        };
        var refused = await maren.PutAsJsonAsync(
            $"/api/sheets/{Guid.CreateVersion7()}",
            new
            {
                job,
                sessionId = session.Id,
                boothId = from.Booth.Id,
            }
        );
        Assert.Equal("No machine stands at booth 2. Move one there first.", (await refused.ProblemsAsync())["boothId"]);
        await MoveAsync(maren, machineId, new { boothId = from.Booth.Id, note = "" });
    }

    [Fact]
    public async Task Of_two_machines_in_a_booth_the_first_is_at_hand_until_a_sheet_is_given_out_for_the_other()
    {
        var maren = await room.SignInAsync("maren");
        var (session, at) = await maren.BoothAsync(3);
        var (_, other) = await maren.BoothAsync(4);
        var (first, second) = (at.Booth.MachineId!.Value, other.Booth.MachineId!.Value);
        await MoveAsync(maren, second, new { boothId = at.Booth.Id, note = "" });

        var (_, both) = await maren.BoothAsync(3);
        Assert.Equal(2, both.MachineNames.Count);
        Assert.Equal(first, both.Booth.MachineId);
        var request = new
        {
            job = new
            {
                thickness = "1/8",
                joint = "t",
                position = "flat",
            },
            sessionId = session.Id,
            boothId = at.Booth.Id,
            machineId = second,
            overrule = "to see it run",
        };
        var sheet = await (await maren.PutAsJsonAsync($"/api/sheets/{Guid.CreateVersion7()}", request)).ReadAsync<AssignedSheet>();
        Assert.Equal(second, sheet.MachineId);
        var bench = await maren.GetAsync<Bench>($"/api/sessions/{session.Id}/booths/{at.Booth.Id}");
        Assert.Equal([first, second], bench.Machines.Select(here => here.Id));
        Assert.Equal(second, bench.AtHand);

        await MoveAsync(maren, second, new { boothId = (Guid?)null, note = "lent out" });
        var gone = await maren.PostAsJsonAsync(
            "/api/sheets/compute",
            new
            {
                request.job,
                request.boothId,
                machineId = second,
            }
        );
        Assert.Equal("This machine does not stand at that booth.", (await gone.ProblemsAsync())["machineId"]);
        var list = await maren.GetAsync<Page<MachineInBooth>>("/api/machines");
        Assert.Equal((second, null), (list.Items[^1].MachineId, list.Items[^1].Booth));
        await MoveAsync(maren, second, new { boothId = other.Booth.Id, note = "" });
    }

    [Fact]
    public async Task A_session_in_another_room_shows_that_rooms_booths_and_stands_up_nobody_of_the_first()
    {
        var maren = await room.SignInAsync("maren");
        var (roomId, boothId, sessionId) = (Guid.CreateVersion7(), Guid.CreateVersion7(), Guid.CreateVersion7());
        (await maren.PutAsJsonAsync($"/api/rooms/{roomId}", new { name = "Slip" })).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync($"/api/booths/{boothId}", new { roomId, number = 1 })).EnsureSuccessStatusCode();
        var lastYear = DateOnly.FromDateTime(DateTime.UtcNow).AddDays(-300);
        (
            await maren.PutAsJsonAsync(
                $"/api/sessions/{sessionId}",
                new
                {
                    title = "Saturday",
                    heldOn = lastYear,
                    begins = "18:00",
                    roomId,
                }
            )
        ).EnsureSuccessStatusCode();
        var held = await maren.GetAsync<RoomView>($"/api/sessions/{sessionId}/room");
        Assert.Equal([boothId], held.Booths.Select(view => view.Booth.Id));
        Assert.Null(held.Booths[0].Student);
        Assert.Empty(held.Booths[0].MachineNames);
    }

    [Fact]
    public async Task Of_two_who_rename_a_room_the_later_is_told_and_names_and_numbers_are_had_once()
    {
        var maren = await room.SignInAsync("maren");
        var (roomId, boothId) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        (await maren.PutAsJsonAsync($"/api/rooms/{roomId}", new { name = "  Boat shed " })).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync($"/api/rooms/{roomId}/name", new { name = "Shed", version = 1 })).EnsureSuccessStatusCode();
        var late = await maren.PutAsJsonAsync($"/api/rooms/{roomId}/name", new { name = "Hall", version = 1 });
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        var taken = await maren.PutAsJsonAsync($"/api/rooms/{Guid.CreateVersion7()}", new { name = "shed" });
        Assert.Equal("There is a room called shed already.", (await taken.ProblemsAsync())["name"]);
        (await maren.PutAsJsonAsync($"/api/booths/{boothId}", new { roomId, number = 7 })).EnsureSuccessStatusCode();
        var again = await maren.PutAsJsonAsync($"/api/booths/{Guid.CreateVersion7()}", new { roomId, number = 7 });
        Assert.Equal("There is a booth 7 in this room already.", (await again.ProblemsAsync())["number"]);
        (await maren.PutAsJsonAsync($"/api/booths/{boothId}/number", new { number = 8, version = 1 })).EnsureSuccessStatusCode();
        Assert.Equal(8, (await maren.GetAsync<RoomWithBooths>($"/api/rooms/{roomId}")).Booths.Single().Booth.Number);
    }

    [Theory]
    [InlineData("rooms", """{"name":"   "}""", "name")]
    [InlineData("rooms", """{"name":"An exceedingly long name for a room that nobody would ever paint on a door"}""", "name")]
    [InlineData("booths", """{"roomId":"00000000-0000-0000-0000-000000000000","number":0}""", "number")]
    [InlineData("booths", """{"roomId":"00000000-0000-0000-0000-000000000000","number":1000}""", "number")]
    [InlineData("booths", """{"roomId":"00000000-0000-0000-0000-000000000000","number":5}""", "roomId")]
    public async Task What_cannot_be_a_room_or_a_booth_is_refused_at_its_field(string kind, string body, string field)
    {
        var maren = await room.SignInAsync("maren");
        var response = await maren.PutAsync(
            $"/api/{kind}/{Guid.CreateVersion7()}",
            new StringContent(body, System.Text.Encoding.UTF8, "application/json"),
            TestContext.Current.CancellationToken
        );
        Assert.Contains(field, await response.ProblemsAsync());
    }

    private static async Task MoveAsync(HttpClient instructor, Guid machineId, object move, int times = 1)
    {
        var id = Guid.CreateVersion7();
        for (var time = 0; time < times; time++)
            (await instructor.PutAsJsonAsync($"/api/machines/{machineId}/moves/{id}", move)).EnsureSuccessStatusCode();
    }
}
