using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using GentleBead.Core.Logbooks;
using GentleBead.Server.Http;
using GentleBead.Server.Json;

namespace GentleBead.Server.Logbooks;

/// <summary>A logbook whose files are as they were signed.</summary>
/// <param name="Logbook">What it says.</param>
/// <param name="Signature">Who signed it.</param>
internal sealed record ReadLogbook(Logbook Logbook, LogbookSignature Signature);

/// <summary>Reads a logbook that somebody brought: nothing of it is believed before its signature and every file's hash hold.</summary>
internal static class LogbookFile
{
    private const int MostFiles = 12_000;
    private const int MostJsonBytes = 24 * 1024 * 1024;

    // A small file can unfold into a large one: what is unpacked is counted, whatever the file says of itself.
    private const long MostUnpacked = 800L * 1024 * 1024;

    /// <summary>Reads it; or says what is wrong.</summary>
    public static (ReadLogbook? Read, Said? Wrong) Read(byte[] bytes)
    {
        try
        {
            using var zip = new ZipArchive(new MemoryStream(bytes), ZipArchiveMode.Read);
            return Read(zip);
        }
        catch (InvalidDataException)
        {
            return (null, Say($"This is no ZIP file, or a damaged one."));
        }
        catch (Exception wrong) when (wrong is JsonException or FormatException or ArgumentException or NotSupportedException)
        {
            return (null, Say($"What stands in it cannot be read."));
        }
    }

    private static (ReadLogbook?, Said?) Read(ZipArchive zip)
    {
        if (zip.Entries.Count > MostFiles)
            return (null, Say($"More than {MostFiles} files: no logbook."));
        if (zip.Entries.FirstOrDefault(entry => !Manifest.IsName(entry.FullName)) is { } odd)
            return (null, Say($"A logbook holds no file of this name: {odd.FullName[..Math.Min(60, odd.FullName.Length)].Name()}"));
        if (zip.Entries.Select(entry => entry.FullName).Distinct().Count() < zip.Entries.Count)
            return (null, Say($"A file stands in it twice."));
        if (Bytes(zip, Manifest.FileName) is not { } listed || Bytes(zip, Manifest.SignatureName) is not { } signed)
            return (null, Say($"It is not signed: this is no logbook."));
        var signature = Json<LogbookSignature>(signed);
        if (!signature.Holds(listed))
            return (null, Say($"Its signature does not hold: the list of its files was changed, or somebody else signed it."));
        if (Came(zip) is not { } came)
            return (null, Say($"It unfolds to more than {MostUnpacked / 1024 / 1024} MB: no logbook."));
        if (Json<Manifest>(listed).Wrong(came) is { } wrong)
            return (null, wrong);
        if (Bytes(zip, Manifest.LogbookName) is not { } book)
            return (null, Say($"{Manifest.LogbookName.Name()} is missing from it."));
        var logbook = Json<Logbook>(book);
        return logbook.Refused() is { } refused ? (null, refused)
            : logbook.School != signature.School ? (null, Say($"It was made by another school than the one that signed it."))
            : (new(logbook, signature), null);
    }

    // What is missing from it or null where it may not be is told, not carried along.
    private static readonly JsonSerializerOptions Strict = StrictOptions();

    private static JsonSerializerOptions StrictOptions()
    {
        var options = new JsonSerializerOptions(QuantityJson.Options)
        {
            RespectNullableAnnotations = true,
            RespectRequiredConstructorParameters = true,
        };
        RequestRules.Apply(options);
        return options;
    }

    private static T Json<T>(byte[] bytes) => JsonSerializer.Deserialize<T>(bytes, Strict) ?? throw new JsonException("Empty.");

    private static byte[]? Bytes(ZipArchive zip, string name)
    {
        if (zip.GetEntry(name) is not { } entry)
            return null;
        using var from = entry.Open();
        using var to = new MemoryStream();
        return Copy(from, to, MostJsonBytes) ? to.ToArray() : throw new JsonException("Too large.");
    }

    private static Dictionary<string, ManifestFile>? Came(ZipArchive zip)
    {
        var left = MostUnpacked;
        var came = new Dictionary<string, ManifestFile>();
        foreach (var entry in zip.Entries.Where(entry => entry.FullName is not (Manifest.FileName or Manifest.SignatureName)))
        {
            using var from = entry.Open();
            using var hash = SHA256.Create();
            using var to = new CryptoStream(Stream.Null, hash, CryptoStreamMode.Write);
            var before = left;
            if (!Copy(from, to, left, taken => left = before - taken))
                return null;
            to.FlushFinalBlock();
            came[entry.FullName] = new(entry.FullName, Convert.ToHexStringLower(hash.Hash!), before - left);
        }
        return came;
    }

    // False where there is more than may be.
    private static bool Copy(Stream from, Stream to, long most, Action<long>? taken = null)
    {
        var part = new byte[81920];
        var sum = 0L;
        int read;
        while ((read = from.Read(part)) > 0)
        {
            sum += read;
            if (sum > most)
                return false;
            to.Write(part, 0, read);
        }
        taken?.Invoke(sum);
        return true;
    }
}
