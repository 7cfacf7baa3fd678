using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace GentleBead.Server.Work;

/// <summary>
/// What the keys that sign cookies are sealed with before they go into the database: it lies in a file beside the server, so that a copy of
/// the database signs nobody in. Several servers on one database share the file.
/// </summary>
public static class KeySeal
{
    private const int Bits = 3072;

    // It is renewed by throwing the file away: whoever is signed in signs in again.
    private const int Years = 50;

    /// <summary>Takes the seal that lies in a file; makes one where there is none.</summary>
    /// <param name="file">PEM, its certificate and its key.</param>
    /// <param name="now">The moment a new one holds from.</param>
    /// <exception cref="InvalidDataException">What lies there is none that can be read.</exception>
    public static X509Certificate2 Open(string file, DateTimeOffset now)
    {
        if (!File.Exists(file))
        {
            using var key = RSA.Create(Bits);
            var request = new CertificateRequest("CN=Gentle Bead keys", key, HashAlgorithmName.SHA256, RSASignaturePadding.Pkcs1);
            using var made = request.CreateSelfSigned(now.AddDays(-1), now.AddYears(Years));
            PrivateFile.Write(file, made.ExportCertificatePem(), key.ExportPkcs8PrivateKeyPem());
        }
        try
        {
            return X509Certificate2.CreateFromPemFile(file);
        }
        catch (CryptographicException unread)
        {
            throw new InvalidDataException($"{file} holds no seal that can be read: {unread.Message}", unread);
        }
    }
}
