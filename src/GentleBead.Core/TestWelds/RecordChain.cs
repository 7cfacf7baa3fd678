using System.Security.Cryptography;
using System.Text;

namespace GentleBead.Core.TestWelds;

/// <summary>
/// Words of a record that stand beside its letters. The letters hold only their seal, so that words can be struck out, a name in them for
/// instance, and the chain still holds.
/// </summary>
/// <param name="Text">The words.</param>
/// <param name="Salt">What they are sealed with, so that nobody finds out by trying what was struck: 32 hexadecimal digits.</param>
/// <param name="Seal">SHA-256 over <paramref name="Salt"/>, a line feed and <paramref name="Text"/>, as lower-case hexadecimal.</param>
public sealed record SealedWords(string Text, string Salt, string Seal)
{
    private const int SaltBytes = 16;

    /// <summary>Seals words with a salt of their own.</summary>
    public static SealedWords Of(string text)
    {
        var salt = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(SaltBytes));
        return new(text, salt, RecordChain.HashOf(salt, text));
    }

    /// <summary>Whether the words are those that were sealed.</summary>
    public bool Hold() => Seal == RecordChain.HashOf(Salt, Text);
}

/// <summary>One record of a test weld as it is kept: its own letters, chained to what came before.</summary>
/// <param name="Number">Its place, from 1; the seal stands at 0.</param>
/// <param name="Body">The very letters that are hashed.</param>
/// <param name="Previous">The hash before it: of the record before, or the seal.</param>
/// <param name="Hash">SHA-256 over <paramref name="Previous"/>, a line feed and <paramref name="Body"/>, as lower-case hexadecimal.</param>
/// <param name="Words">
/// The words beside its letters; null where they were struck out, and on records made before words stood beside them.
/// </param>
public sealed record ChainedRecord(int Number, string Body, string Previous, string Hash, SealedWords? Words = null);

/// <summary>The chain of a test weld's records: whoever changes, drops, adds or reorders one breaks it from there on.</summary>
/// <remarks>
/// SHA-256: FIPS 180-4. A chain proves that nothing was changed since somebody else saw its last hash: on a printed or
/// exported record, say. Whoever can rewrite the whole database can make a whole new chain; its last hash is another one.
/// </remarks>
public static class RecordChain
{
    /// <summary>The seal of a text: its SHA-256, as lower-case hexadecimal.</summary>
    public static string SealOf(string text) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(text)));

    /// <summary>The hash of a record after another.</summary>
    /// <param name="previous">The hash before it.</param>
    /// <param name="body">Its own letters.</param>
    public static string HashOf(string previous, string body) => SealOf($"{previous}\n{body}");

    /// <summary>The next record of a chain.</summary>
    /// <param name="seal">The seal.</param>
    /// <param name="records">The records so far, in order.</param>
    /// <param name="body">Its own letters.</param>
    /// <param name="words">The words beside them.</param>
    public static ChainedRecord Next(string seal, IReadOnlyList<ChainedRecord> records, string body, SealedWords? words = null)
    {
        ArgumentNullException.ThrowIfNull(records);
        var previous = records.Count == 0 ? seal : records[^1].Hash;
        return new ChainedRecord(records.Count + 1, body, previous, HashOf(previous, body), words);
    }

    /// <summary>The place at which a chain is broken: 0 for the seal itself; null when it holds from end to end.</summary>
    /// <param name="sealedText">What was sealed.</param>
    /// <param name="seal">The seal.</param>
    /// <param name="records">Every record, in order.</param>
    public static int? BrokenAt(string sealedText, string seal, IReadOnlyList<ChainedRecord> records)
    {
        ArgumentNullException.ThrowIfNull(records);
        if (SealOf(sealedText) != seal)
            return 0;
        var previous = seal;
        for (var i = 0; i < records.Count; i++)
        {
            var record = records[i];
            if (record.Number != i + 1 || record.Previous != previous || record.Hash != HashOf(previous, record.Body))
                return i + 1;
            if (record.Words is { } words && !words.Hold())
                return i + 1;
            previous = record.Hash;
        }
        return null;
    }
}
