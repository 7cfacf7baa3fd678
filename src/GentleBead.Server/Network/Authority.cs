using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using GentleBead.Server.Work;

namespace GentleBead.Server.Network;

/// <summary>
/// The shop's own authority: tablets are told once to trust it, and it vouches for this server from then on. It lies in a folder of its
/// own, readable by nobody else, outside the database and its dumps.
/// </summary>
public sealed class Authority : IDisposable
{
    private const int Years = 10;
    private const string ServerAuthentication = "1.3.6.1.5.5.7.3.1";

    /// <summary>How long one of the server's certificates holds; tablets take up to 825 days from an authority of their owner's.</summary>
    public static readonly TimeSpan Holds = TimeSpan.FromDays(90);

    // A tablet's clock may be a day behind.
    private static readonly TimeSpan Behind = TimeSpan.FromDays(1);
    private readonly X509Certificate2 certificate;
    private readonly Permitted permitted;

    private Authority(X509Certificate2 certificate)
    {
        this.certificate = certificate;
        permitted = Permitted.Of(certificate);
    }

    /// <summary>Its certificate, as tablets take it (DER).</summary>
    public byte[] Certificate => certificate.RawData;

    /// <summary>SHA-256 over its certificate in pairs of letters, to compare by eye.</summary>
    public string Fingerprint =>
        string.Join(':', Convert.ToHexString(SHA256.HashData(certificate.RawData)).Chunk(2).Select(pair => new string(pair)));

    /// <summary>Since when it holds.</summary>
    public DateTimeOffset From => certificate.NotBefore;

    /// <summary>Until when it holds: after that tablets have to trust a new one.</summary>
    public DateTimeOffset Until => certificate.NotAfter;

    /// <summary>Takes the authority that lies in a folder; makes one where there is none, or where it holds no longer.</summary>
    /// <param name="folder">Where it lies; made where it is missing.</param>
    /// <param name="names">What a new one has to vouch for.</param>
    /// <param name="now">The moment.</param>
    /// <exception cref="InvalidDataException">What lies there is no authority that can be read.</exception>
    public static Authority Open(string folder, ShopNames names, DateTimeOffset now)
    {
        Directory.CreateDirectory(folder, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        var file = Path.Combine(folder, "authority.pem");
        if (File.Exists(file))
        {
            var found = Read(file);
            if (found.Until > now)
                return found;
            found.Dispose();
        }
        var made = Make(names, now);
        using var key = made.certificate.GetECDsaPrivateKey()!;
        PrivateFile.Write(file, made.certificate.ExportCertificatePem(), key.ExportPkcs8PrivateKeyPem());
        return made;
    }

    /// <summary>Whether it may vouch for a machine called so.</summary>
    public bool Vouches(string host) => permitted.Has(host);

    /// <summary>Makes a certificate for this server.</summary>
    /// <param name="names">What the server is called; what this authority may not vouch for is left out.</param>
    /// <param name="now">The moment it holds from.</param>
    /// <returns>With its key.</returns>
    public X509Certificate2 Issue(ShopNames names, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest(new X500DistinguishedName("CN=Gentle Bead"), key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, critical: true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, critical: true));
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new Oid(ServerAuthentication)], critical: false));
        request.CertificateExtensions.Add(X509AuthorityKeyIdentifierExtension.CreateFromCertificate(certificate, true, false));
        var called = new SubjectAlternativeNameBuilder();
        foreach (var host in names.Hosts.Where(permitted.Has))
            called.AddDnsName(host);
        foreach (var address in names.Addresses.Append(IPAddress.Loopback).Append(IPAddress.IPv6Loopback).Where(permitted.Has))
            called.AddIpAddress(address);
        request.CertificateExtensions.Add(called.Build());
        var until = now + Holds < Until ? now + Holds : Until;
        using var signed = request.Create(certificate, now - Behind, until, Serial());
        return signed.CopyWithPrivateKey(key);
    }

    /// <inheritdoc/>
    public void Dispose() => certificate.Dispose();

    private static Authority Make(ShopNames names, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var name = new X500DistinguishedNameBuilder();
        name.AddCommonName($"Gentle Bead, {names.Hosts[0]}, {now.Year}");
        var request = new CertificateRequest(name.Build(), key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, critical: true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign, critical: true));
        request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, critical: false));
        request.CertificateExtensions.Add(Permitted.For(names).ToExtension());
        return new(request.CreateSelfSigned(now - Behind, now.AddYears(Years)));
    }

    private static Authority Read(string file)
    {
        try
        {
            return new(X509Certificate2.CreateFromPemFile(file));
        }
        catch (CryptographicException unread)
        {
            throw new InvalidDataException($"{file} is no authority that can be read: {unread.Message}", unread);
        }
    }

    // Positive and 16 bytes long, as RFC 5280 asks.
    private static byte[] Serial()
    {
        var serial = RandomNumberGenerator.GetBytes(16);
        serial[0] = (byte)((serial[0] & 0x7f) | 0x40);
        return serial;
    }
}
