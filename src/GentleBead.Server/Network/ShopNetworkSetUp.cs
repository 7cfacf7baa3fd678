using System.Net;
using System.Net.Security;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.Server.Kestrel.Https;
using Microsoft.Extensions.Options;

namespace GentleBead.Server.Network;

/// <summary>Puts the shop's network before the server, or a proxy of the school's own.</summary>
public static class ShopNetworkSetUp
{
    private static readonly string[] ThisMachine = ["127.0.0.1", "localhost", "[::1]"];

    /// <summary>Listens for the shop's network where that was asked for, and believes the proxies that were named and no others.</summary>
    /// <exception cref="InvalidDataException">Something that was asked for cannot be.</exception>
    public static void AddShopNetwork(this WebApplicationBuilder builder)
    {
        var services = builder.Services;
        var proxies = Proxies(builder.Configuration["GENTLEBEAD_PROXY"]);
        services.Configure<ForwardedHeadersOptions>(forwarded =>
        {
            forwarded.ForwardedHeaders =
                proxies.Count == 0 ? ForwardedHeaders.None : ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto;
            forwarded.KnownIPNetworks.Clear();
            forwarded.KnownProxies.Clear();
            foreach (var proxy in proxies)
                forwarded.KnownProxies.Add(proxy);
        });
        // Whatever names the shop's network uses, this machine may always ask itself: ./start does, to see whether the server is up.
        services
            .AddOptions<HostFilteringOptions>()
            .PostConfigure<IServiceProvider>(
                (filter, provider) =>
                {
                    if (filter.AllowedHosts is { Count: > 0 } hosts && !hosts.Contains("*"))
                        filter.AllowedHosts = [.. hosts, .. ThisMachine, .. provider.GetService<ShopCertificate>()?.Names.Written ?? []];
                }
            );
        if (ShopNetworkOptions.From(builder.Configuration) is not { } options)
            return;
        services.AddSingleton(options).AddSingleton<ShopCertificate>();
        services.AddHostedService(provider => provider.GetRequiredService<ShopCertificate>());
        services.AddSingleton<IOptionsChangeTokenSource<HostFilteringOptions>>(provider => provider.GetRequiredService<ShopCertificate>());
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            var certificate = kestrel.ApplicationServices.GetRequiredService<ShopCertificate>();
            kestrel.ListenLocalhost(options.Port);
            kestrel.ListenAnyIP(options.SignpostPort);
            kestrel.ListenAnyIP(
                options.TlsPort,
                listen =>
                    listen.UseHttps(
                        new TlsHandshakeCallbackOptions
                        {
                            OnConnection = _ => new(new SslServerAuthenticationOptions { ServerCertificateContext = certificate.Context }),
                        }
                    )
            );
        });
    }

    /// <summary>Before everything else that answers.</summary>
    public static void UseShopNetwork(this WebApplication app)
    {
        app.UseForwardedHeaders();
        if (app.Services.GetService<ShopCertificate>() is not null)
            app.UseMiddleware<Signpost>();
    }

    /// <summary>Says where it is to be found, for ./start to pass on.</summary>
    public static void SayWhere(this WebApplication app)
    {
        if (app.Services.GetService<ShopCertificate>() is not { } certificate)
            return;
        var options = app.Services.GetRequiredService<ShopNetworkOptions>();
        var first = certificate.Names.At("http", options.SignpostPort)[0].ToString();
        string[] lines =
        [
            $"Tablets go first to   {first}",
            .. certificate
                .Names.At("https", options.TlsPort)
                .Select((address, i) => $"{(i == 0 ? "and from then on to " : "                 or ")}  {address}"),
            .. certificate.Authority is { } authority
                ? [$"Fingerprint of the shop's authority: {authority.Fingerprint}"]
                : Array.Empty<string>(),
            "",
            .. QrPath.InLetters(first).Split('\n'),
        ];
        foreach (var line in lines)
            Console.Out.WriteLine($"Shop network: {line.TrimEnd('\r')}");
    }

    private static List<IPAddress> Proxies(string? text)
    {
        var proxies = new List<IPAddress>();
        foreach (var part in (text ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (!IPAddress.TryParse(part, out var address))
                throw new InvalidDataException($"GENTLEBEAD_PROXY takes addresses such as 127.0.0.1, set apart by commas, not '{part}'.");
            proxies.Add(address);
        }
        return proxies;
    }
}
