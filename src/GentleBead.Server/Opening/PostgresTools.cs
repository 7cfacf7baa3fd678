using System.Diagnostics;
using Npgsql;

namespace GentleBead.Server.Opening;

/// <summary>PostgreSQL's own programs that write a database into a file and read it back.</summary>
internal static class PostgresTools
{
    private const string Installed = "/usr/lib/postgresql";

    /// <summary>Writes all a database holds into one file, in PostgreSQL's custom format.</summary>
    /// <exception cref="InvalidDataException">It could not be written; PostgreSQL's words say why.</exception>
    public static Task DumpAsync(string from, string file, CancellationToken cancel) =>
        RunAsync("pg_dump", from, ["--format=custom", "--no-owner", "--no-privileges", $"--file={file}"], cancel);

    /// <summary>Reads such a file into an empty database, all of it or nothing.</summary>
    /// <exception cref="InvalidDataException">It could not be read; PostgreSQL's words say why.</exception>
    public static Task RestoreAsync(string to, string file, CancellationToken cancel) =>
        RunAsync(
            "pg_restore",
            to,
            ["--no-owner", "--no-privileges", "--exit-on-error", "--single-transaction", $"--dbname={Words(to).Database}", file],
            cancel
        );

    private static NpgsqlConnectionStringBuilder Words(string connectionString) => new(connectionString);

    private static async Task RunAsync(string program, string database, string[] arguments, CancellationToken cancel)
    {
        var at = Words(database);
        // The newest reads what any older server holds.
        var folder = Directory.Exists(Installed)
            ? Directory.EnumerateDirectories(Installed).OrderBy(name => name.Length).ThenBy(name => name).LastOrDefault()
            : null;
        var start = new ProcessStartInfo(folder is null ? program : Path.Combine(folder, "bin", program), arguments)
        {
            RedirectStandardError = true,
            Environment =
            {
                ["PGHOST"] = at.Host,
                ["PGPORT"] = $"{at.Port}",
                ["PGDATABASE"] = at.Database,
                ["PGUSER"] = at.Username,
                ["PGPASSWORD"] = at.Password,
            },
        };
        using var process = Process.Start(start)!;
        var words = await process.StandardError.ReadToEndAsync(cancel);
        await process.WaitForExitAsync(cancel);
        if (process.ExitCode != 0)
            throw new InvalidDataException($"{program} failed: {words}");
    }
}
