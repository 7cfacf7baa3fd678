using System.Security.Cryptography;

namespace GentleBead.Core.Keeping;

/// <summary>What somebody is called who was forgotten.</summary>
public static class Pseudonym
{
    // Digits and letters that are not mistaken for one another (D. Crockford's base 32, from memory).
    private const string Signs = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
    private const int Length = 4;

    /// <summary>
    /// The pseudonym of a person: always the same for one, and nothing of them in it but that they are one. Two may share it; their
    /// records do not.
    /// </summary>
    /// <param name="person">Who.</param>
    public static string Of(Guid person)
    {
        var hash = SHA256.HashData(person.ToByteArray());
        return "Former student " + string.Concat(hash.Take(Length).Select(part => Signs[part % Signs.Length]));
    }
}
