namespace GentleBead.Server.Network;

/// <summary>How this server is reached from the shop's network; <c>./start --lan</c> sets it.</summary>
/// <param name="Folder">Where the shop's authority lies.</param>
/// <param name="Name">What the shop calls this machine; null for what it calls itself.</param>
/// <param name="Port">Where this machine itself reaches it, without TLS.</param>
/// <param name="TlsPort">Where tablets reach it.</param>
/// <param name="SignpostPort">Where tablets are told, without TLS, where to go and whom to trust.</param>
/// <param name="OwnCertificate">A certificate of the school's own, with its chain, as PEM; null for one of the shop's authority.</param>
/// <param name="OwnKey">The key to it.</param>
public sealed record ShopNetworkOptions(
    string Folder,
    string? Name,
    int Port,
    int TlsPort,
    int SignpostPort,
    string? OwnCertificate,
    string? OwnKey
)
{
    /// <summary>Reads them.</summary>
    /// <returns>Null where the server listens to this machine alone.</returns>
    /// <exception cref="InvalidDataException">A name or a port that is none, or half of a certificate and its key.</exception>
    public static ShopNetworkOptions? From(IConfiguration settings)
    {
        if (settings["GENTLEBEAD_LAN_FOLDER"] is not { Length: > 0 } folder)
            return null;
        var name = settings["GENTLEBEAD_LAN_NAME"] is { Length: > 0 } given ? given : null;
        if (name is not null && !ShopNames.IsHost(name))
            throw new InvalidDataException($"'{name}' cannot be a machine's name: letters, digits, hyphens and dots.");
        var (certificate, key) = (settings["GENTLEBEAD_TLS_CERTIFICATE"], settings["GENTLEBEAD_TLS_KEY"]);
        if (certificate is { Length: > 0 } != key is { Length: > 0 })
            throw new InvalidDataException("GENTLEBEAD_TLS_CERTIFICATE and GENTLEBEAD_TLS_KEY go together.");
        return new(
            folder,
            name,
            Port("GENTLEBEAD_PORT", 5170),
            Port("GENTLEBEAD_TLS_PORT", 5443),
            Port("GENTLEBEAD_SIGNPOST_PORT", 5080),
            certificate is { Length: > 0 } ? certificate : null,
            key is { Length: > 0 } ? key : null
        );

        int Port(string setting, int usual) =>
            settings[setting] is not { Length: > 0 } text ? usual
            : int.TryParse(text, out var port) && port is > 0 and < 65536 ? port
            : throw new InvalidDataException($"{setting} takes a port, 1 to 65535, not '{text}'.");
    }
}
