using System.Collections.Concurrent;
using GentleBead.Demo;
using GentleBead.Server.Live;
using Microsoft.AspNetCore.SignalR.Client;

namespace GentleBead.Server.Tests;

/// <summary>Runs by itself: notices must not wait behind other tests' work.</summary>
[CollectionDefinition(nameof(Alone), DisableParallelization = true)]
public class Alone;

[Collection(nameof(Alone))]
public class LiveTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private async Task<(HubConnection Hub, BlockingCollection<RoomNotice> Notices)> ListenAsync(string login)
    {
        // The test server hands out no cookies to a hub client, so the signed-in cookie is carried over by hand.
        var cookie = await CookieAsync(login);
        var hub = new HubConnectionBuilder()
            .WithUrl(
                new Uri(room.Server.BaseAddress, "/live"),
                options =>
                {
                    options.HttpMessageHandlerFactory = _ => room.Server.CreateHandler();
                    options.Transports = Microsoft.AspNetCore.Http.Connections.HttpTransportType.LongPolling;
                    options.Headers["Cookie"] = cookie;
                }
            )
            .Build();
        var notices = new BlockingCollection<RoomNotice>();
        hub.On<RoomNotice>("changed", notices.Add);
        await hub.StartAsync();
        return (hub, notices);
    }

    private async Task<string> CookieAsync(string login)
    {
        using var content = System.Net.Http.Json.JsonContent.Create(new { login, password = DemoSchool.Password });
        var response = await room.CreateDefaultClient().PostAsync("/api/people/sign-in", content);
        return response.Headers.GetValues("Set-Cookie").Single().Split(';')[0];
    }

    [Fact]
    public async Task A_bead_is_told_at_once_to_the_instructor_and_its_student_only()
    {
        var instructor = await room.SignInAsync("maren");
        var (_, view) = await instructor.BoothAsync(2);
        var sheet = await instructor.AssignAsync(2);
        var (boss, told) = await ListenAsync("maren");
        var (own, toldOwn) = await ListenAsync("teodor");
        var (other, toldOther) = await ListenAsync("jun");

        (
            await instructor.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 47,
                    voltMark = 6,
                    evidence = new { sound = "hiss" },
                }
            )
        ).EnsureSuccessStatusCode();
        Assert.True(Wait(told, sheet.StudentId, view.Booth.Id));
        Assert.True(Wait(toldOwn, sheet.StudentId, view.Booth.Id));
        Assert.DoesNotContain(toldOther, notice => notice.StudentId == sheet.StudentId);
        await boss.DisposeAsync();
        await own.DisposeAsync();
        await other.DisposeAsync();

        static bool Wait(BlockingCollection<RoomNotice> notices, Guid student, Guid booth)
        {
            while (notices.TryTake(out var notice, TimeSpan.FromSeconds(30)))
            {
                if (notice with { Id = null, BeadId = null } == new RoomNotice("bead", booth, student))
                    return true;
            }
            return false;
        }
    }
}
