using System.Net.NetworkInformation;
using System.Net.Security;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.Extensions.Options;
using Microsoft.Extensions.Primitives;

namespace GentleBead.Server.Network;

/// <summary>
/// The certificate this server shows. It is renewed by itself a month before it ends, and whenever this machine is called otherwise or
/// stands at another address; lines that are open stay so.
/// </summary>
public sealed partial class ShopCertificate : BackgroundService, IOptionsChangeTokenSource<HostFilteringOptions>
{
    /// <summary>How long before its end it is renewed.</summary>
    public static readonly TimeSpan Ahead = TimeSpan.FromDays(30);

    private static readonly TimeSpan Often = TimeSpan.FromHours(1);
    private readonly ShopNetworkOptions options;
    private readonly TimeProvider clock;
    private readonly ILogger<ShopCertificate> log;
    private readonly Lock alone = new();
    private Shown shown;
    private CancellationTokenSource change = new();

    // What is shown at a time, put in place in one piece.
    private sealed record Shown(ShopNames Names, SslStreamCertificateContext Context, DateTimeOffset Ends, DateTime? Written);

    /// <summary>Opens the authority, or the school's own certificate, and shows the first.</summary>
    /// <exception cref="InvalidDataException">What lies there is of no use, or the authority may not vouch for the name given.</exception>
    public ShopCertificate(ShopNetworkOptions options, TimeProvider clock, ILogger<ShopCertificate> log)
    {
        (this.options, this.clock, this.log) = (options, clock, log);
        var names = ShopNames.Now(options.Name);
        if (options.OwnCertificate is null)
        {
            Authority = Authority.Open(options.Folder, names, clock.GetUtcNow());
            if (options.Name is { } name && !Authority.Vouches(name.ToLowerInvariant()))
                throw new InvalidDataException(
                    $"The shop's authority was made for other names than {name}. Keep to the old name, or remove {options.Folder}: then a "
                        + "new authority is made, which every tablet has to be told to trust."
                );
        }
        shown = Show(names);
    }

    /// <summary>The shop's authority; null where the school has a certificate of its own.</summary>
    public Authority? Authority { get; }

    /// <summary>What this machine is called, as the certificate has it.</summary>
    public ShopNames Names => shown.Names;

    /// <summary>When the certificate ends, if it were not renewed.</summary>
    public DateTimeOffset Ends => shown.Ends;

    /// <summary>The certificate, for whoever shakes hands now.</summary>
    public SslStreamCertificateContext Context => shown.Context;

    /// <inheritdoc/>
    public string Name => Options.DefaultName;

    /// <inheritdoc/>
    public IChangeToken GetChangeToken() => new CancellationChangeToken(change.Token);

    /// <summary>Renews the certificate where it is due.</summary>
    /// <param name="names">What this machine is called now.</param>
    /// <returns>Whether another is shown from now on.</returns>
    public bool Renew(ShopNames names)
    {
        lock (alone)
        {
            if (!IsDue(names))
                return false;
            shown = Show(names);
        }
        LogRenewed(log, string.Join(", ", names.Written), shown.Ends);
        // The names that are answered to follow.
        Interlocked.Exchange(ref change, new()).Cancel();
        return true;
    }

    private bool IsDue(ShopNames names) =>
        !names.Equals(shown.Names)
        || (options.OwnCertificate is { } file ? File.GetLastWriteTimeUtc(file) != shown.Written : clock.GetUtcNow() > shown.Ends - Ahead);

    private Shown Show(ShopNames names)
    {
        if (options.OwnCertificate is not { } file)
        {
            var issued = Authority!.Issue(names, clock.GetUtcNow());
            return new(names, SslStreamCertificateContext.Create(issued, null, offline: true), issued.NotAfter, null);
        }
        try
        {
            var written = File.GetLastWriteTimeUtc(file);
            var own = X509Certificate2.CreateFromPemFile(file, options.OwnKey);
            var chain = new X509Certificate2Collection();
            chain.ImportFromPemFile(file);
            return new(names, SslStreamCertificateContext.Create(own, chain, offline: true), own.NotAfter, written);
        }
        catch (Exception unread) when (unread is CryptographicException or IOException or UnauthorizedAccessException)
        {
            throw new InvalidDataException($"{file} and {options.OwnKey} cannot be used for TLS: {unread.Message}", unread);
        }
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        NetworkAddressChangedEventHandler moved = (_, _) => TryToRenew();
        NetworkChange.NetworkAddressChanged += moved;
        try
        {
            using var hours = new PeriodicTimer(Often, clock);
            while (await hours.WaitForNextTickAsync(stoppingToken))
                TryToRenew();
        }
        finally
        {
            NetworkChange.NetworkAddressChanged -= moved;
        }
    }

    // A certificate half written is read again at the next look; until then the old one is shown.
    private void TryToRenew()
    {
        try
        {
            Renew(ShopNames.Now(options.Name));
        }
        catch (Exception notNow) when (notNow is InvalidDataException or CryptographicException or NetworkInformationException)
        {
            LogNotRenewed(log, notNow);
        }
    }

    [LoggerMessage(LogLevel.Information, "Another certificate, for {Names}, until {Ends}.")]
    private static partial void LogRenewed(ILogger log, string names, DateTimeOffset ends);

    [LoggerMessage(LogLevel.Warning, "The certificate could not be renewed; the old one is shown.")]
    private static partial void LogNotRenewed(ILogger log, Exception why);
}
