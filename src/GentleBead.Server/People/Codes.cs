using System.Security.Cryptography;
using System.Text;

namespace GentleBead.Server.People;

/// <summary>Codes that are shown once and typed by hand: eight letters and digits of which none is taken for another.</summary>
public static class Codes
{
    private const string Letters = "34679ACDEFGHJKLMNPQRTUVWXY";
    private const int Length = 8;

    /// <summary>A new code, in two groups of four: one in 200,000 million.</summary>
    public static string New() => RandomNumberGenerator.GetString(Letters, Length).Insert(Length / 2, "-");

    /// <summary>128 bits that nobody types: a key in an address, or a password that nobody knows.</summary>
    public static string Long() => RandomNumberGenerator.GetHexString(32, lowercase: true);

    /// <summary>What is kept of a code. Spaces, dashes and small letters are typed for the same.</summary>
    public static byte[] Hash(string? typed) =>
        SHA256.HashData(Encoding.UTF8.GetBytes(string.Concat((typed ?? "").Where(char.IsLetterOrDigit)).ToUpperInvariant()));
}
