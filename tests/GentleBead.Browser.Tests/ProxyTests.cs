using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Security.Cryptography.X509Certificates;
using GentleBead.Demo;
using GentleBead.Server.Network;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>A proxy of the school's own: Debian's nginx with what lies in deploy/, on loopback.</summary>
public sealed class ProxyTests : IAsyncLifetime
{
    private const string Name = "beads.localhost";
    private const int SignIns = 6;
    private readonly string folder = Directory.CreateTempSubdirectory("gentlebead-proxy-").FullName;
    private readonly int tls = StartedByScript.FreePort();
    private readonly int plain = StartedByScript.FreePort();
    private RunningServer server = null!;
    private Process nginx = null!;
    private X509Certificate2 trusted = null!;

    public async ValueTask InitializeAsync()
    {
        server = await RunningServer.StartAsync(
            demo: true,
            null,
            ("GENTLEBEAD_PROXY", "127.0.0.1"),
            ("AllowedHosts", Name),
            ("GENTLEBEAD_SIGN_INS_PER_MINUTE", $"{SignIns}")
        );
        using (var authority = Authority.Open(folder, new([Name], []), DateTimeOffset.UtcNow))
        using (var certificate = authority.Issue(new([Name], []), DateTimeOffset.UtcNow))
        {
            trusted = X509CertificateLoader.LoadCertificate(authority.Certificate);
            await File.WriteAllTextAsync(Path.Combine(folder, "own.pem"), certificate.ExportCertificatePem());
            await File.WriteAllTextAsync(Path.Combine(folder, "own.key"), Key(certificate));
        }
        var site = (await File.ReadAllTextAsync(Path.Combine(Cluster.Root, "deploy/nginx.conf")))
            .Replace("listen 80;", $"listen 127.0.0.1:{plain};", StringComparison.Ordinal)
            .Replace("listen 443 ssl", $"listen 127.0.0.1:{tls} ssl", StringComparison.Ordinal)
            .Replace("/etc/ssl/private/beads.school.example.key", $"{folder}/own.key", StringComparison.Ordinal)
            .Replace("/etc/ssl/beads.school.example.pem", $"{folder}/own.pem", StringComparison.Ordinal)
            .Replace("beads.school.example", Name, StringComparison.Ordinal)
            .Replace("http://127.0.0.1:5170", server.Address.ToString().TrimEnd('/'), StringComparison.Ordinal);
        await File.WriteAllTextAsync(
            Path.Combine(folder, "nginx.conf"),
            $$"""
            daemon off; pid {{folder}}/nginx.pid; error_log {{folder}}/error.log; events {}
            http {
                access_log off; client_body_temp_path {{folder}}/body; proxy_temp_path {{folder}}/proxied;
                fastcgi_temp_path {{folder}}/f; uwsgi_temp_path {{folder}}/u; scgi_temp_path {{folder}}/s;
                {{site}}
            }
            """
        );
        nginx = Process.Start("/usr/sbin/nginx", ["-c", Path.Combine(folder, "nginx.conf")]);
        using var client = Client();
        await Waiting.UntilAsync(async () => await IsUpAsync(client), TimeSpan.FromSeconds(30));
    }

    public async ValueTask DisposeAsync()
    {
        using (Process.Start("kill", ["-TERM", $"{nginx.Id}"]))
            await nginx.WaitForExitAsync();
        nginx.Dispose();
        trusted.Dispose();
        await server.DisposeAsync();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Screens_live_lines_and_cookies_go_through_it()
    {
        using var page = new Page(new Uri($"https://{Name}:{tls}"), trusting: true);
        page.StepInAs("Maren Holloway");
        page.See("At no booth");
        Page.Until(
            () =>
                page.Run<bool>(
                    "return performance.getEntriesByType('resource').some(({ name }) => name.includes('/live/negotiate')) "
                        + "&& !document.body.innerText.includes('No line to the server')"
                ),
            "a line to the server"
        );
        using var client = Client();
        using var signedIn = await SignInAsync(client);
        Assert.Contains("secure", signedIn.Headers.GetValues("Set-Cookie").Single(), StringComparison.OrdinalIgnoreCase);
        using var told = await client.GetAsync($"http://{Name}:{plain}/courses");
        Assert.Equal(HttpStatusCode.PermanentRedirect, told.StatusCode);
    }

    [Fact]
    public async Task What_a_tablet_claims_of_itself_is_not_believed()
    {
        // Through the proxy: whatever address is claimed, it is the proxy that says who asks.
        using var client = Client();
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

    private HttpClient Client() =>
        new(
            new SocketsHttpHandler
            {
                AllowAutoRedirect = false,
                // Names under .localhost are loopback to a browser, and to nothing else here.
                ConnectCallback = async (to, cancel) =>
                {
                    var socket = new Socket(SocketType.Stream, ProtocolType.Tcp);
                    await socket.ConnectAsync(IPAddress.Loopback, to.DnsEndPoint.Port, cancel);
                    return new NetworkStream(socket, ownsSocket: true);
                },
                SslOptions = new()
                {
                    CertificateChainPolicy = new()
                    {
                        TrustMode = X509ChainTrustMode.CustomRootTrust,
                        CustomTrustStore = { trusted },
                        RevocationMode = X509RevocationMode.NoCheck,
                    },
                },
            }
        )
        {
            BaseAddress = new Uri($"https://{Name}:{tls}"),
        };

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

    private static async Task<bool> IsUpAsync(HttpClient client)
    {
        try
        {
            return (await client.GetAsync("/health/ready")).IsSuccessStatusCode;
        }
        catch (HttpRequestException)
        {
            // Not listening yet.
            return false;
        }
    }

    private static string Key(X509Certificate2 certificate)
    {
        using var key = certificate.GetECDsaPrivateKey()!;
        return key.ExportPkcs8PrivateKeyPem();
    }
}
