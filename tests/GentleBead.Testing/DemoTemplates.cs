using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using Npgsql;

namespace GentleBead.Testing;

/// <summary>Databases that hold the demo school to be copied: which there are, of which server, and how old.</summary>
internal static class DemoTemplates
{
    /// <summary>After so long whoever made one has ended: it is thrown away.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromHours(3);

    // The demo school is of the moment it was loaded: one that is older begins its evening too early.
    private static readonly TimeSpan Fresh = TimeSpan.FromMinutes(20);

    /// <summary>One of them.</summary>
    /// <param name="Name">The database.</param>
    /// <param name="Age">Since it was loaded.</param>
    /// <param name="Fits">Whether it may be copied: of this very server, and fresh.</param>
    public sealed record Template(string Name, TimeSpan Age, bool Fits);

    /// <summary>Those there are.</summary>
    public static async Task<IReadOnlyList<Template>> FindAsync(NpgsqlConnection connection)
    {
        var own = Prefix();
        await using var command = new NpgsqlCommand(
            "select datname from pg_database where datname ~ '^demo_[0-9a-f]{16}_[0-9]+$'",
            connection
        );
        await using var reader = await command.ExecuteReaderAsync();
        List<Template> found = [];
        while (await reader.ReadAsync())
        {
            var name = reader.GetString(0);
            var made = long.Parse(name[(name.LastIndexOf('_') + 1)..], CultureInfo.InvariantCulture);
            var age = DateTimeOffset.UtcNow - DateTimeOffset.FromUnixTimeSeconds(made);
            found.Add(new(name, age, name.StartsWith(own, StringComparison.Ordinal) && age < Fresh));
        }
        return found;
    }

    /// <summary>The name of one that was loaded just now.</summary>
    public static string NewName() => $"{Prefix()}{DateTimeOffset.UtcNow.ToUnixTimeSeconds()}";

    // Of what the server is built of, and of the clock on its wall: another loads another school.
    private static string Prefix()
    {
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        hash.AppendData(Encoding.UTF8.GetBytes(TimeZoneInfo.Local.BaseUtcOffset.ToString()));
        foreach (var part in new[] { "Core", "Demo", "Server" })
            hash.AppendData(File.ReadAllBytes(Path.Combine(RunningServer.Built, $"GentleBead.{part}.dll")));
        return $"demo_{Convert.ToHexStringLower(hash.GetHashAndReset())[..16]}_";
    }
}
