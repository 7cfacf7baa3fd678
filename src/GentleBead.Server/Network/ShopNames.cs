using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;

namespace GentleBead.Server.Network;

/// <summary>What this machine is called in the shop's network, and the addresses it stands at.</summary>
/// <param name="Hosts">DNS names in lower case, none twice; the one that was given stands first.</param>
/// <param name="Addresses">IP addresses others reach it at, in an order that stays; loopback is not among them.</param>
public sealed record ShopNames(IReadOnlyList<string> Hosts, IReadOnlyList<IPAddress> Addresses)
{
    /// <summary>The names this machine always has for itself.</summary>
    public const string Self = "localhost";

    /// <summary>What this machine is called now.</summary>
    /// <param name="given">The name the shop uses for it; null where none was given.</param>
    public static ShopNames Now(string? given)
    {
        var machine = Environment.MachineName.ToLowerInvariant();
        // Printers and tablets find "name.local" by themselves where the machine answers to it (mDNS).
        var local = machine.Contains('.', StringComparison.Ordinal) ? machine : $"{machine}.local";
        string?[] hosts = [given?.ToLowerInvariant(), local, machine, Self];
        var addresses = NetworkInterface
            .GetAllNetworkInterfaces()
            .Where(one => one.OperationalStatus == OperationalStatus.Up)
            .SelectMany(one => one.GetIPProperties().UnicastAddresses)
            .Select(one => one.Address)
            .Where(address => !IPAddress.IsLoopback(address) && !address.IsIPv6LinkLocal);
        return new(
            [.. hosts.OfType<string>().Where(IsHost).Distinct()],
            [
                .. addresses
                    .Distinct()
                    .OrderBy(address => address.AddressFamily)
                    .ThenBy(address => address.ToString(), StringComparer.Ordinal),
            ]
        );
    }

    /// <summary>Whether a text can be a machine's DNS name.</summary>
    public static bool IsHost(string text) => text.Length <= 253 && Uri.CheckHostName(text) == UriHostNameType.Dns;

    /// <summary>Whether both name the same.</summary>
    public bool Equals(ShopNames? other) =>
        other is not null && Hosts.SequenceEqual(other.Hosts) && Addresses.SequenceEqual(other.Addresses);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Hosts.Count, Addresses.Count);

    /// <summary>As an address bar and the Host header write them.</summary>
    public IEnumerable<string> Written => Hosts.Concat(Addresses.Select(Write));

    /// <summary>Where tablets find it, the surest to work first: the name that was given, then addresses, then its other names.</summary>
    /// <param name="scheme">http or https.</param>
    /// <param name="port">The port.</param>
    public IReadOnlyList<Uri> At(string scheme, int port)
    {
        var others = Hosts.Where(host => host != Self).ToList();
        return
        [
            .. others.Take(1).Concat(Addresses.Select(Write)).Concat(others.Skip(1)).Select(host => new Uri($"{scheme}://{host}:{port}/")),
        ];
    }

    private static string Write(IPAddress address) =>
        address.AddressFamily == AddressFamily.InterNetworkV6 ? $"[{address}]" : address.ToString();
}
