using GentleBead.Server.Http;

namespace GentleBead.Server.Network;

/// <summary>How tablets reach this server.</summary>
/// <param name="Signpost">Where a tablet goes first, without TLS: it takes the authority's certificate there.</param>
/// <param name="Code">The same as a QR code.</param>
/// <param name="Addresses">Where it goes from then on, the surest to work first.</param>
/// <param name="Fingerprint">The authority's fingerprint; null where the school has a certificate of its own.</param>
/// <param name="AuthorityEnds">Until when the authority holds; null where the school has a certificate of its own.</param>
/// <param name="CertificateEnds">When the server's certificate ends, if it were not renewed.</param>
/// <param name="Trust">How each kind of tablet is told to trust the authority; none where the school has a certificate of its own.</param>
public sealed record ShopNetwork(
    Uri Signpost,
    QrPath Code,
    IReadOnlyList<Uri> Addresses,
    string? Fingerprint,
    DateTimeOffset? AuthorityEnds,
    DateTimeOffset CertificateEnds,
    IReadOnlyList<TrustSteps> Trust
);

/// <summary>Whether and how the shop's network reaches this server.</summary>
/// <param name="Network">Null where it listens to this machine alone.</param>
public sealed record NetworkNow(ShopNetwork? Network);

/// <summary>How the shop's network reaches this server.</summary>
public static class NetworkEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/network", (IServiceProvider services) => Now(services.GetService<ShopCertificate>(), services))
            .WithTags("network")
            .RequireAuthorization(Access.Instructor);

    private static NetworkNow Now(ShopCertificate? certificate, IServiceProvider services)
    {
        if (certificate is null)
            return new(null);
        var options = services.GetRequiredService<ShopNetworkOptions>();
        var signpost = certificate.Names.At("http", options.SignpostPort)[0];
        var authority = certificate.Authority;
        return new(
            new(
                signpost,
                QrPath.Of(signpost.ToString()),
                certificate.Names.At("https", options.TlsPort),
                authority?.Fingerprint,
                authority?.Until,
                certificate.Ends,
                authority is null ? [] : TrustSteps.All
            )
        );
    }
}
