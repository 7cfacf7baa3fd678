using System.Security.Cryptography;
using System.Text.RegularExpressions;

namespace GentleBead.Core.Logbooks;

/// <summary>A file of a logbook.</summary>
/// <param name="Name">Its name, with forward slashes.</param>
/// <param name="Sha256">SHA-256 over its bytes, hexadecimal.</param>
/// <param name="Length">How many bytes it has.</param>
public sealed record ManifestFile(string Name, string Sha256, long Length);

/// <summary>Every file of a logbook but this and the signature: <c>manifest.json</c>, the very bytes of which are signed.</summary>
/// <param name="Files">The files.</param>
public sealed partial record Manifest(IReadOnlyList<ManifestFile> Files)
{
    /// <summary>Its name in the file.</summary>
    public const string FileName = "manifest.json";

    /// <summary>The name of the signature's file.</summary>
    public const string SignatureName = "signature.json";

    /// <summary>The name of the logbook's own file.</summary>
    public const string LogbookName = "logbook.json";

    /// <summary>A file as it is listed.</summary>
    public static ManifestFile FileOf(string name, ReadOnlySpan<byte> bytes) =>
        new(name, Convert.ToHexStringLower(SHA256.HashData(bytes)), bytes.Length);

    /// <summary>What is wrong with the files that came, beside what is listed; null where all are there as they were.</summary>
    /// <param name="came">The files that came, but for this and the signature.</param>
    public Said? Wrong(IReadOnlyDictionary<string, ManifestFile> came)
    {
        ArgumentNullException.ThrowIfNull(came);
        foreach (var file in Files)
        {
            if (!came.TryGetValue(file.Name, out var one))
                return Say($"{file.Name.Name()} is missing from it.");
            if (one != file)
                return Say($"{file.Name.Name()} was changed after the logbook was signed.");
        }
        var listed = Files.Select(file => file.Name).ToHashSet();
        return came.Keys.FirstOrDefault(name => !listed.Contains(name)) is { } added
            ? Say($"{added.Name()} was put into it after it was signed.")
            : null;
    }

    /// <summary>Whether a name can be a file's in a logbook: letters, figures, and no way out of it.</summary>
    public static bool IsName(string name) => Names().IsMatch(name) && !name.Contains("..", StringComparison.Ordinal);

    [GeneratedRegex(@"^[A-Za-z0-9_-][A-Za-z0-9._/-]{0,119}\z")]
    private static partial Regex Names();
}

/// <summary>Who signed a logbook: <c>signature.json</c>.</summary>
/// <param name="Algorithm">Always <see cref="AlgorithmName"/>.</param>
/// <param name="School">The school that signed.</param>
/// <param name="PublicKey">Its key (SubjectPublicKeyInfo, DER), as base64.</param>
/// <param name="Signature">The signature over the bytes of the manifest (DER), as base64.</param>
public sealed record LogbookSignature(string Algorithm, string School, string PublicKey, string Signature)
{
    /// <summary>How it is signed.</summary>
    public const string AlgorithmName = "ECDSA P-256 SHA-256";

    /// <summary>Signs the bytes of a manifest.</summary>
    public static LogbookSignature Of(ReadOnlySpan<byte> manifest, string school, ECDsa key)
    {
        ArgumentNullException.ThrowIfNull(key);
        var signature = key.SignData(manifest, HashAlgorithmName.SHA256, DSASignatureFormat.Rfc3279DerSequence);
        return new(AlgorithmName, school, Convert.ToBase64String(key.ExportSubjectPublicKeyInfo()), Convert.ToBase64String(signature));
    }

    /// <summary>The first letters of a hash of the key, in fours, to compare by eye or telephone: "3f2a 91c0 77de 0b14".</summary>
    public string Fingerprint
    {
        get
        {
            var hash = Convert.ToHexStringLower(SHA256.HashData(Convert.FromBase64String(PublicKey)));
            return string.Join(' ', Enumerable.Range(0, 4).Select(four => hash.Substring(4 * four, 4)));
        }
    }

    /// <summary>Whether these are the bytes that were signed, by the key that is named.</summary>
    public bool Holds(ReadOnlySpan<byte> manifest)
    {
        if (Algorithm != AlgorithmName)
            return false;
        try
        {
            using var key = ECDsa.Create();
            key.ImportSubjectPublicKeyInfo(Convert.FromBase64String(PublicKey), out _);
            var signature = Convert.FromBase64String(Signature);
            return key.KeySize == 256
                && key.VerifyData(manifest, signature, HashAlgorithmName.SHA256, DSASignatureFormat.Rfc3279DerSequence);
        }
        catch (Exception wrong) when (wrong is FormatException or CryptographicException)
        {
            return false;
        }
    }
}
