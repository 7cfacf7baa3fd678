using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography.X509Certificates;
using GentleBead.Server.Network;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>nginx before one server or several, by the file that ships, with a certificate of its own.</summary>
internal sealed class Nginx : IAsyncDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("gentlebead-nginx").FullName;
    private readonly int plain = StartedByScript.FreePort();
    private readonly int tls = StartedByScript.FreePort();
    private readonly string name;
    private Process process = null!;
    private X509Certificate2 trusted = null!;

    private Nginx(string name) => this.name = name;

    /// <summary>Where tablets go.</summary>
    public Uri Address => new($"https://{name}:{tls}");

    /// <summary>Where they come without TLS.</summary>
    public Uri Plain => new($"http://{name}:{plain}");

    /// <summary>Starts it.</summary>
    /// <param name="name">What tablets call it; under .localhost, which is loopback to a browser.</param>
    /// <param name="servers">The servers behind it.</param>
    public static async Task<Nginx> StartAsync(string name, params Uri[] servers)
    {
        var nginx = new Nginx(name);
        var folder = nginx.folder;
        using (var authority = Authority.Open(folder, new([name], []), DateTimeOffset.UtcNow))
        using (var certificate = authority.Issue(new([name], []), DateTimeOffset.UtcNow))
        {
            nginx.trusted = X509CertificateLoader.LoadCertificate(authority.Certificate);
            await File.WriteAllTextAsync(Path.Combine(folder, "own.pem"), certificate.ExportCertificatePem());
            await File.WriteAllTextAsync(Path.Combine(folder, "own.key"), Key(certificate));
        }
        const string One = "server 127.0.0.1:5170 ";
        var shipped = await File.ReadAllTextAsync(Path.Combine(Cluster.Root, "deploy/nginx.conf"));
        var line = shipped.Split('\n').Single(line => line.Contains(One, StringComparison.Ordinal));
        var lines = servers.Select(server => line.Replace(One, $"server {server.Authority} ", StringComparison.Ordinal));
        var site = shipped
            .Replace(line, string.Join('\n', lines), StringComparison.Ordinal)
            .Replace("listen 80;", $"listen 127.0.0.1:{nginx.plain};", StringComparison.Ordinal)
            .Replace("listen 443 ssl", $"listen 127.0.0.1:{nginx.tls} ssl", StringComparison.Ordinal)
            .Replace("/etc/ssl/private/beads.school.example.key", $"{folder}/own.key", StringComparison.Ordinal)
            .Replace("/etc/ssl/beads.school.example.pem", $"{folder}/own.pem", StringComparison.Ordinal)
            .Replace("beads.school.example", name, StringComparison.Ordinal);
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
        nginx.process = Process.Start("/usr/sbin/nginx", ["-c", Path.Combine(folder, "nginx.conf")]);
        using var client = nginx.Client();
        await Waiting.UntilAsync(() => IsUpAsync(client));
        return nginx;
    }

    /// <summary>A client that trusts its certificate and no other.</summary>
    public HttpClient Client() =>
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
            BaseAddress = Address,
        };

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        using (Process.Start("kill", ["-TERM", $"{process.Id}"]))
            await process.WaitForExitAsync();
        process.Dispose();
        trusted.Dispose();
        Directory.Delete(folder, recursive: true);
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
