using System.Diagnostics;
using Npgsql;

namespace GentleBead.Testing;

/// <summary>A database for a test, as each of the three roles reaches it.</summary>
/// <param name="Application">The application's role: what it may do, and nothing else.</param>
/// <param name="Owner">The owner of its tables.</param>
/// <param name="Own">The cluster's own role.</param>
public sealed record TestDatabase(string Application, string Owner, string Own);

/// <summary>A real PostgreSQL on loopback for the tests: the same script that ./start uses, in a folder of its own.</summary>
public static class Cluster
{
    private static readonly Lazy<(string Application, string Owner, string Own)> Addresses = new(Start);

    // The tests' databases live for seconds: nothing in them has to survive this machine.
    private static readonly string[] Hasty =
    [
        "fsync=off",
        "synchronous_commit=off",
        "full_page_writes=off",
        "shared_preload_libraries=pg_stat_statements",
    ];

    /// <summary>The root of the repository.</summary>
    public static string Root { get; } = FindRoot();

    // The demo school, loaded once by the real server, and copied for every test that wants one of its own.
    private static readonly Lazy<Task<string>> DemoTemplate = new(LoadDemoAsync);

    /// <summary>Makes an empty database and gives its connection strings.</summary>
    public static Task<TestDatabase> NewDatabaseAsync() => NewDatabaseAsync("template1");

    /// <summary>Makes a database that holds the demo school as the server loads it, and gives its connection strings.</summary>
    public static async Task<TestDatabase> NewDemoDatabaseAsync() => await NewDatabaseAsync(await DemoTemplate.Value);

    private static async Task<TestDatabase> NewDatabaseAsync(string template)
    {
        var name = $"test_{Guid.CreateVersion7():N}";
        await ExecuteAsync($"create database {name} owner gentlebead_owner template {template} strategy file_copy");
        return Reached(name);
    }

    private static TestDatabase Reached(string name)
    {
        var (application, owner, own) = Addresses.Value;
        return new(
            $"{application};Database={name};Maximum Pool Size=20",
            $"{owner};Database={name};Maximum Pool Size=4",
            $"{own};Database={name};Maximum Pool Size=2"
        );
    }

    /// <summary>Throws a database away.</summary>
    public static async Task DropAsync(TestDatabase database)
    {
        NpgsqlConnection.ClearAllPools();
        await ExecuteAsync($"drop database if exists {new NpgsqlConnectionStringBuilder(database.Application).Database} with (force)");
    }

    private static async Task<string> LoadDemoAsync()
    {
        // Walks and server tests begin together: whoever is first loads it, the other waits and copies the same.
        await using var alone = new NpgsqlConnection($"{Addresses.Value.Own};Database=postgres;Pooling=false");
        await alone.OpenAsync();
        await ExecuteAsync(alone, "select pg_advisory_lock(4204)");
        var loaded = await DemoTemplates.FindAsync(alone);
        foreach (var stale in loaded.Where(one => one.Age > DemoTemplates.Longest))
            await ExecuteAsync(alone, $"drop database if exists {stale.Name} with (force)");
        if (loaded.FirstOrDefault(one => one.Fits) is { } fits)
            return fits.Name;
        var database = await NewDatabaseAsync();
        await using (await RunningServer.StartAsync(demo: true, database))
        {
            // Up: the school is loaded.
        }
        var name = new NpgsqlConnectionStringBuilder(database.Application).Database!;
        NpgsqlConnection.ClearAllPools();
        // A template is copied only while nobody is connected; a server killed a moment ago may still count as somebody.
        await ExecuteAsync(alone, $"select pg_terminate_backend(pid, 5000) from pg_stat_activity where datname = '{name}'");
        var template = DemoTemplates.NewName();
        await ExecuteAsync(alone, $"alter database {name} rename to {template}");
        return template;
    }

    private static async Task ExecuteAsync(string sql)
    {
        await using var connection = new NpgsqlConnection($"{Addresses.Value.Own};Database=postgres;Pooling=false");
        await connection.OpenAsync();
        await ExecuteAsync(connection, sql);
    }

    private static async Task ExecuteAsync(NpgsqlConnection connection, string sql)
    {
        await using var command = new NpgsqlCommand(sql, connection) { CommandTimeout = 0 };
        await command.ExecuteNonQueryAsync();
    }

    private static (string Application, string Owner, string Own) Start()
    {
        using var process = Process.Start(
            new ProcessStartInfo(Path.Combine(Root, "scripts/postgres.sh"), ["start", Path.Combine(Root, ".local/test-postgres"), .. Hasty])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var addresses = process.StandardOutput.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries);
        process.WaitForExit();
        return process.ExitCode == 0 && addresses is [var application, var owner, var own]
            ? (application, owner, own)
            : throw new InvalidOperationException($"PostgreSQL for the tests did not start: {process.StandardError.ReadToEnd()}");
    }

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "GentleBead.slnx")))
            folder = folder.Parent ?? throw new InvalidOperationException("The repository's root was not found.");
        return folder.FullName;
    }
}
