using System.Diagnostics;
using GentleBead.Testing;

namespace GentleBead.Bench;

/// <summary>One PostgreSQL as ./start has it, which can be killed and started again.</summary>
internal sealed class OnePostgres : IDisposable
{
    private readonly string folder;

    private OnePostgres(string folder) => this.folder = folder;

    public TestDatabase Database { get; private set; } = null!;

    public static async Task<OnePostgres> StartAsync(string folder)
    {
        var one = new OnePostgres(Path.Combine(folder, "postgres"));
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

    public async Task KillAndStartAsync()
    {
        using (var kill = Process.Start("pkill", ["-KILL", "-f", $"postgres -D {folder}/data"]))
            await kill.WaitForExitAsync();
        // What it left running has to go first.
        await Waiting.UntilAsync(IsUpAsync, TimeSpan.FromMinutes(1));
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        SayAsync("remove").GetAwaiter().GetResult();
        Directory.Delete(Path.GetDirectoryName(folder)!, recursive: true);
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
            new ProcessStartInfo(Path.Combine(Cluster.Root, "scripts/postgres.sh"), [action, folder]) { RedirectStandardOutput = true }
        )!;
        var told = await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        return process.ExitCode == 0
            ? told.Split('\n', StringSplitOptions.RemoveEmptyEntries)
            : throw new InvalidOperationException($"scripts/postgres.sh {action} failed.");
    }
}
