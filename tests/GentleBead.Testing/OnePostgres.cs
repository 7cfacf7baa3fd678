using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Npgsql;

namespace GentleBead.Testing;

/// <summary>One PostgreSQL as ./start has it, which can be killed and started again.</summary>
public sealed class OnePostgres : IDisposable
{
    private readonly string folder;
    private readonly string[] settings;

    private OnePostgres(string folder, string[] settings) => (this.folder, this.settings) = (folder, settings);

    /// <summary>Its database, as each of the three roles reaches it.</summary>
    public TestDatabase Database { get; private set; } = null!;

    /// <summary>Makes and starts it in an empty folder, which goes with it.</summary>
    /// <param name="folder">The folder.</param>
    /// <param name="settings">PostgreSQL's, as in max_connections=400.</param>
    public static async Task<OnePostgres> StartAsync(string folder, params string[] settings)
    {
        var one = new OnePostgres(Path.Combine(folder, "postgres"), settings);
        var lines = await one.SayAsync("start");
        if (lines is not [var application, var owner, var own])
            throw new InvalidOperationException("scripts/postgres.sh printed no connection strings.");
        one.Database = new(
            $"{application};Database=postgres;Maximum Pool Size=20",
            $"{owner};Database=postgres",
            $"{own};Database=postgres"
        );
        return one;
    }

    /// <summary>Kills it, and has it up again.</summary>
    public async Task KillAndStartAsync()
    {
        using (var kill = Process.Start("pkill", ["-KILL", "-f", $"postgres -D {folder}/data"]))
            await kill.WaitForExitAsync();
        // What it left running has to go first: while the port is taken, it would be started at another.
        var port = new NpgsqlConnectionStringBuilder(Database.Own).Port;
        await Waiting.UntilAsync(async () => !await IsTakenAsync(port), TimeSpan.FromMinutes(1));
        await Waiting.UntilAsync(IsUpAsync, TimeSpan.FromMinutes(1));
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        SayAsync("remove").GetAwaiter().GetResult();
        Directory.Delete(Path.GetDirectoryName(folder)!, recursive: true);
    }

    private static async Task<bool> IsTakenAsync(int port)
    {
        using var client = new TcpClient();
        try
        {
            await client.ConnectAsync(IPAddress.Loopback, port);
            return true;
        }
        catch (SocketException)
        {
            return false;
        }
    }

    private async Task<bool> IsUpAsync()
    {
        try
        {
            return (await SayAsync("start")).Length > 0;
        }
        catch (InvalidOperationException)
        {
            return false;
        }
    }

    private async Task<string[]> SayAsync(string action)
    {
        using var process = Process.Start(
            new ProcessStartInfo(Path.Combine(Cluster.Root, "scripts/postgres.sh"), [action, folder, .. action == "start" ? settings : []])
            {
                RedirectStandardOutput = true,
            }
        )!;
        var told = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return process.ExitCode == 0
            ? told.Split('\n', StringSplitOptions.RemoveEmptyEntries)
            : throw new InvalidOperationException($"scripts/postgres.sh {action} failed.");
    }
}
