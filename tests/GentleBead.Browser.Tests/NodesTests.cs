using System.Net;
using System.Net.Http.Json;
using GentleBead.Demo;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>
/// Several servers on one database, behind nginx as it ships: which of them is asked makes no difference, and one may die.
/// </summary>
public sealed class NodesTests : IAsyncLifetime
{
    private const string Name = "nodes.localhost";
    private const int SignIns = 12;
    private TestDatabase database = null!;
    private RunningServer one = null!;
    private RunningServer other = null!;
    private Nginx nginx = null!;

    public async ValueTask InitializeAsync()
    {
        database = await Cluster.NewDemoDatabaseAsync();
        one = await StartAsync();
        other = await StartAsync();
        nginx = await Nginx.StartAsync(Name, one.Address, other.Address);
    }

    public async ValueTask DisposeAsync()
    {
        await nginx.DisposeAsync();
        await one.DisposeAsync();
        await other.DisposeAsync();
        await Cluster.DropAsync(database);
    }

    private static (string, string)[] Settings =>
        [("GENTLEBEAD_PROXY", "127.0.0.1"), ("AllowedHosts", Name), ("GENTLEBEAD_SIGN_INS_PER_MINUTE", $"{SignIns}")];

    private Task<RunningServer> StartAsync() => RunningServer.StartAsync(demo: true, database, Settings);

    [Fact]
    public async Task What_one_of_them_is_told_every_screen_hears()
    {
        using var page = new Page(nginx.Address, trusting: true);
        page.StepInAs("Maren Holloway");
        page.See("At no booth");
        await HearsAsync(page, one);
        await HearsAsync(page, other);
    }

    [Fact]
    public async Task One_that_dies_takes_nothing_along()
    {
        using var page = new Page(nginx.Address, trusting: true);
        page.StepInAs("Maren Holloway");
        page.Click("Bench", within: "Booth 2");
        page.See("Judge the bead");
        page.Type("Leg, if measured", "0.2");
        page.Click("Hiss");

        // Whichever the screen's line went to is among them.
        await one.KillAsync();
        await HearsAsync(page, other);
        one = await RunningServer.StartAtAsync(one.Address.Port, demo: true, database, Settings);
        await other.KillAsync();
        await HearsAsync(page, one);

        Assert.StartsWith("0.2", page.Value("Leg, if measured"), StringComparison.Ordinal);
        page.Click("Judge the bead");
        page.See("Overrule");
        page.SeeNot("No line to the server");
    }

    // Everything is stopped by one of them: every screen says so, and goes on when it is over.
    internal static async Task HearsAsync(Page page, RunningServer from)
    {
        using var client = new HttpClient { BaseAddress = from.Address };
        (await SignInAsync(client)).EnsureSuccessStatusCode();
        var room = (await client.GetFromJsonAsync<Place[]>("/api/rooms"))![0];
        var stop = Guid.CreateVersion7();
        (await client.PutAsJsonAsync($"/api/stop/{stop}", new { roomId = room.Id })).EnsureSuccessStatusCode();
        page.See("Let go of the trigger");
        (await client.PutAsync($"/api/stop/{stop}/ended", null)).EnsureSuccessStatusCode();
        page.SeeNot("Let go of the trigger");
    }

    [Fact]
    public async Task Guessing_at_one_counts_at_the_other()
    {
        using var client = new HttpClient { BaseAddress = one.Address };
        using var next = new HttpClient { BaseAddress = other.Address };
        for (var i = 0; i < SignIns; i++)
            Assert.Equal(HttpStatusCode.OK, (await SignInAsync(i % 2 == 0 ? client : next)).StatusCode);
        Assert.Equal(HttpStatusCode.TooManyRequests, (await SignInAsync(client)).StatusCode);
        Assert.Equal(HttpStatusCode.TooManyRequests, (await SignInAsync(next)).StatusCode);
    }

    private sealed record Place(Guid Id);

    private static Task<HttpResponseMessage> SignInAsync(HttpClient client) =>
        client.PostAsJsonAsync("/api/people/sign-in", new { login = "maren", password = DemoSchool.Password });
}
