using System.Diagnostics;
using Npgsql;

namespace GentleBead.Testing;

/// <summary>A real PostgreSQL on loopback for the tests: the same script that ./start uses, in a folder of its own.</summary>
public static class Cluster
{
    private static readonly Lazy<string> Address = new(Start);

    // The tests' databases live for seconds: nothing in them has to survive this machine.
    private static readonly string[] Hasty = ["fsync=off", "synchronous_commit=off", "full_page_writes=off"];

    /// <summary>The root of the repository.</summary>
    public static string Root { get; } = FindRoot();

    /// <summary>Makes an empty database and gives its connection string.</summary>
    public static async Task<string> NewDatabaseAsync()
    {
        var name = $"test_{Guid.CreateVersion7():N}";
        await ExecuteAsync($"create database {name}");
        return $"{Address.Value};Database={name};Maximum Pool Size=20";
    }

    /// <summary>Throws a database away.</summary>
    public static async Task DropAsync(string connectionString)
    {
        NpgsqlConnection.ClearAllPools();
        await ExecuteAsync($"drop database if exists {new NpgsqlConnectionStringBuilder(connectionString).Database} with (force)");
    }

    private static async Task ExecuteAsync(string sql)
    {
        await using var connection = new NpgsqlConnection($"{Address.Value};Database=postgres;Pooling=false");
        await connection.OpenAsync();
        await using var command = new NpgsqlCommand(sql, connection);
        await command.ExecuteNonQueryAsync();
    }

    private static string Start()
    {
        using var process = Process.Start(new ProcessStartInfo(Path.Combine(Root, "scripts/postgres.sh"), ["start", Path.Combine(Root, ".local/test-postgres"), .. Hasty])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        })!;
        var address = process.StandardOutput.ReadLine();
        process.WaitForExit();
        return process.ExitCode == 0 && address is not null
            ? address
            : throw new InvalidOperationException($"PostgreSQL for the tests did not start: {process.StandardError.ReadToEnd()}");
    }

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "GentleBead.slnx"))) folder = folder.Parent ?? throw new InvalidOperationException("The repository's root was not found.");
        return folder.FullName;
    }
}
