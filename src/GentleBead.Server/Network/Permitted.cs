using System.Formats.Asn1;
using System.Net;
using System.Security.Cryptography.X509Certificates;

namespace GentleBead.Server.Network;

/// <summary>
/// The names an authority may vouch for: name constraints (RFC 5280, 4.2.1.10). A tablet that trusts the shop's authority believes it about
/// this machine and the private networks, and about no bank.
/// </summary>
/// <param name="Hosts">DNS names; each stands for all below it too.</param>
/// <param name="Networks">Networks of addresses.</param>
public sealed record Permitted(IReadOnlyList<string> Hosts, IReadOnlyList<IPNetwork> Networks)
{
    private const string ConstraintsOid = "2.5.29.30";
    private static readonly Asn1Tag PermittedTag = new(TagClass.ContextSpecific, 0, isConstructed: true);
    private static readonly Asn1Tag HostTag = new(TagClass.ContextSpecific, 2);
    private static readonly Asn1Tag AddressTag = new(TagClass.ContextSpecific, 7);

    // RFC 1918, RFC 3927, RFC 4193, RFC 4291 and this machine itself.
    private static readonly IPNetwork[] Private =
    [
        IPNetwork.Parse("10.0.0.0/8"),
        IPNetwork.Parse("172.16.0.0/12"),
        IPNetwork.Parse("192.168.0.0/16"),
        IPNetwork.Parse("169.254.0.0/16"),
        IPNetwork.Parse("127.0.0.0/8"),
        IPNetwork.Parse("fc00::/7"),
        IPNetwork.Parse("::1/128"),
    ];

    /// <summary>What an authority for a machine of these names has to vouch for: them, ".local", and every private address.</summary>
    public static Permitted For(ShopNames names) =>
        new(
            [.. names.Hosts.Append("local").Distinct()],
            [
                .. Private,
                .. names
                    .Addresses.Where(address => !Array.Exists(Private, network => network.Contains(address)))
                    .Select(address => new IPNetwork(address, address.GetAddressBytes().Length * 8)),
            ]
        );

    /// <summary>Whether it may vouch for a name.</summary>
    public bool Has(string host) => Hosts.Any(own => host == own || host.EndsWith($".{own}", StringComparison.Ordinal));

    /// <summary>Whether it may vouch for an address.</summary>
    public bool Has(IPAddress address) => Networks.Any(network => network.Contains(address));

    /// <summary>As the extension of a certificate.</summary>
    public X509Extension ToExtension()
    {
        var writer = new AsnWriter(AsnEncodingRules.DER);
        using (writer.PushSequence())
        using (writer.PushSequence(PermittedTag))
        {
            foreach (var host in Hosts)
                using (writer.PushSequence())
                    writer.WriteCharacterString(UniversalTagNumber.IA5String, host, HostTag);
            foreach (var network in Networks)
                using (writer.PushSequence())
                    writer.WriteOctetString([.. network.BaseAddress.GetAddressBytes(), .. Mask(network)], AddressTag);
        }
        return new(ConstraintsOid, writer.Encode(), critical: true);
    }

    /// <summary>Reads them out of an authority's certificate.</summary>
    /// <returns>What it may vouch for; nothing where it does not say, which ours always does.</returns>
    public static Permitted Of(X509Certificate2 authority)
    {
        var (hosts, networks) = (new List<string>(), new List<IPNetwork>());
        if (authority.Extensions[ConstraintsOid] is { } extension)
        {
            var trees = new AsnReader(extension.RawData, AsnEncodingRules.DER).ReadSequence().ReadSequence(PermittedTag);
            while (trees.HasData)
            {
                var tree = trees.ReadSequence();
                if (tree.PeekTag().HasSameClassAndValue(HostTag))
                    hosts.Add(tree.ReadCharacterString(UniversalTagNumber.IA5String, HostTag));
                else
                    networks.Add(Network(tree.ReadOctetString(AddressTag)));
            }
        }
        return new(hosts, networks);
    }

    private static byte[] Mask(IPNetwork network)
    {
        var mask = new byte[network.BaseAddress.GetAddressBytes().Length];
        for (var bit = 0; bit < network.PrefixLength; bit++)
            mask[bit / 8] |= (byte)(0x80 >> (bit % 8));
        return mask;
    }

    private static IPNetwork Network(byte[] addressAndMask)
    {
        var half = addressAndMask.Length / 2;
        return new(new IPAddress(addressAndMask[..half]), addressAndMask[half..].Sum(part => System.Numerics.BitOperations.PopCount(part)));
    }
}
