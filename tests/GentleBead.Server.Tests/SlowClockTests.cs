using System.Net.Http.Json;
using GentleBead.Demo;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using GentleBead.Server.Machines;
using GentleBead.Server.Sessions;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;

namespace GentleBead.Server.Tests;

/// <summary>What is newest is what came last, whatever a server's clock says.</summary>
public class SlowClockTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private sealed class SlowClock : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => base.GetUtcNow().AddHours(-2);
    }

    [Fact]
    public async Task From_a_server_two_hours_slow_what_comes_later_stands_all_the_same()
    {
        await using var slow = room.WithWebHostBuilder(host =>
            host.ConfigureTestServices(services => services.AddSingleton<TimeProvider>(new SlowClock()))
        );
        var right = await room.SignInAsync("maren");
        var late = slow.CreateClient();
        (
            await late.PostAsJsonAsync("/api/people/sign-in", new { login = "maren", password = DemoSchool.Password })
        ).EnsureSuccessStatusCode();

        // A load, a sheet, a look and a ruling on the right server; then others on the slow one.
        var (session, view) = await right.BoothAsync(3);
        var loads = $"/api/machines/{view.Booth.MachineId}/loads";
        (
            await right.PutAsJsonAsync(
                $"{loads}/{Guid.CreateVersion7()}",
                new
                {
                    wire = "solid08",
                    gas = "argonCarbon25",
                    polarity = "torchPlus",
                }
            )
        ).EnsureSuccessStatusCode();
        (
            await late.PutAsJsonAsync(
                $"{loads}/{Guid.CreateVersion7()}",
                new
                {
                    wire = "solid09",
                    gas = "argonCarbon25",
                    polarity = "torchPlus",
                }
            )
        ).EnsureSuccessStatusCode();
        Assert.Equal(
            Core.Stock.Wire.Solid09,
            (await right.GetAsync<MachineDetail>($"/api/machines/{view.Booth.MachineId}")).Machine.Load.Wire
        );

        await right.AssignAsync(3);
        // Into the same session: by the slow clock it may still be yesterday.
        var sheet = await late.AssignAsync(session.Id, view.Booth.Id);
        Assert.Equal(sheet.Id, (await right.GetAsync<Bench>($"/api/sessions/{session.Id}/booths/{view.Booth.Id}")).Coupon!.Sheet.Id);

        var bead = await (
            await right.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireFeedMPerMin = 6.4,
                    volts = 18,
                    evidence = new { sound = "hiss" },
                }
            )
        ).ReadAsync<Bead>();
        var first = await (await right.LookAsync(bead.Id, bead.Version, new { sound = "hiss", toes = "undercut" })).ReadAsync<Bead>();
        var second = await (await late.LookAsync(bead.Id, first.Version, new { sound = "hiss", toes = "cold" })).ReadAsync<Bead>();
        Assert.Equal(Core.Beads.Toes.Cold, (await right.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Bead.Evidence.Toes);
        Assert.Equal(second.Version, (await right.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Bead.Version);

        (
            await right.PutAsJsonAsync(
                $"/api/beads/{bead.Id}/rulings/{Guid.CreateVersion7()}",
                new { verdict = "technique", reason = "first" }
            )
        ).EnsureSuccessStatusCode();
        (
            await late.PutAsJsonAsync($"/api/beads/{bead.Id}/rulings/{Guid.CreateVersion7()}", new { verdict = "hot", reason = "second" })
        ).EnsureSuccessStatusCode();
        Assert.Equal("hot", (await right.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Bead.Ruled?.ToString(), ignoreCase: true);
    }
}
