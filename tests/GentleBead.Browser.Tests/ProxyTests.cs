using System.Net;
using System.Net.Http.Json;
using GentleBead.Demo;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>The server behind nginx, with the configuration that ships.</summary>
public sealed class ProxyTests : IAsyncLifetime
{
    private const string Name = "beads.localhost";
    private const int SignIns = 6;

    private RunningServer server = null!;
    private Nginx nginx = null!;

    public async ValueTask InitializeAsync()
    {
        server = await RunningServer.StartAsync(
            demo: true,
            null,
            ("GENTLEBEAD_PROXY", "127.0.0.1"),
            ("AllowedHosts", Name),
            ("GENTLEBEAD_SIGN_INS_PER_MINUTE", $"{SignIns}")
        );
        nginx = await Nginx.StartAsync(Name, server.Address);
    }

    public async ValueTask DisposeAsync()
    {
        await nginx.DisposeAsync();
        await server.DisposeAsync();
    }

    [Fact]
    public async Task Screens_live_lines_and_cookies_go_through_it()
    {
        using var page = new Page(nginx.Address, trusting: true);
        page.StepInAs("Maren Holloway");
        page.See("At no booth");
        using var client = nginx.Client();
        using var signedIn = await SignInAsync(client);
        Assert.Contains("secure", signedIn.Headers.GetValues("Set-Cookie").Single(), StringComparison.OrdinalIgnoreCase);
        using var told = await client.GetAsync(new Uri(nginx.Plain, "/courses"));
        Assert.Equal(HttpStatusCode.PermanentRedirect, told.StatusCode);
    }

    [Fact]
    public async Task What_a_tablet_claims_of_itself_is_not_believed()
    {
        // Through the proxy: whatever address is claimed, it is the proxy that says who asks.
        using var client = nginx.Client();
        for (var i = 0; i < SignIns; i++)
            (await SignInAsync(client, $"10.0.0.{i}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.TooManyRequests, (await SignInAsync(client, "10.0.0.99")).StatusCode);

        // Past a server that was told of no proxy: nobody is believed.
        await using var alone = await RunningServer.StartAsync(demo: true);
        using var direct = new HttpClient { BaseAddress = alone.Address };
        direct.DefaultRequestHeaders.Add("X-Forwarded-Proto", "https");
        using var signedIn = await SignInAsync(direct);
        Assert.DoesNotContain("secure", signedIn.Headers.GetValues("Set-Cookie").Single(), StringComparison.OrdinalIgnoreCase);
    }

    private static async Task<HttpResponseMessage> SignInAsync(HttpClient client, string? claims = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/people/sign-in")
        {
            Content = JsonContent.Create(new { login = "maren", password = DemoSchool.Password }),
        };
        if (claims is not null)
            request.Headers.Add("X-Forwarded-For", claims);
        return await client.SendAsync(request);
    }
}
