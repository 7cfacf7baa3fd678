using System.Security.Cryptography;
using System.Text.Json;
using GentleBead.Server.Json;

namespace GentleBead.Server.Database;

/// <summary>
/// The fingerprint of what somebody sent under an id of their own: a second try is known by it, another body under the same id is told.
/// </summary>
/// <param name="Hash">SHA-256 over it; null for what nobody sent (the made-up school), which equals anything.</param>
public readonly record struct Sent(byte[]? Hash)
{
    /// <summary>What nobody sent.</summary>
    public static Sent ByNobody => new(null);

    /// <summary>The fingerprint of a request.</summary>
    public static Sent Of<T>(T request) => new(SHA256.HashData(JsonSerializer.SerializeToUtf8Bytes(request, QuantityJson.Options)));

    /// <summary>The fingerprint of a file.</summary>
    public static Sent OfBytes(ReadOnlySpan<byte> bytes) => new(SHA256.HashData(bytes));

    /// <summary>The same as sent to one thing among many: under another bead or machine it is something else.</summary>
    /// <param name="parent">The bead, machine or test that the address names.</param>
    public Sent Under(Guid parent) => Hash is null ? this : new(SHA256.HashData([.. parent.ToByteArray(), .. Hash]));

    /// <summary>
    /// Whether a stored fingerprint is of the same thing. What was stored before fingerprints were kept, or by nobody, is taken for it.
    /// </summary>
    public bool IsSameAs(byte[]? stored) => Hash is null || stored is null || Hash.AsSpan().SequenceEqual(stored);
}

/// <summary>An id is taken by a row that says something else than what is sent now.</summary>
public sealed class OtherBodyException() : Exception("This id is taken by something else.");
