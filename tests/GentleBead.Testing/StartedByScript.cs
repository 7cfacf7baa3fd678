using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Text;

namespace GentleBead.Testing;

/// <summary>
/// Gentle Bead as <c>./start</c> brings it up, with what the tests have built, in a folder of its own with a PostgreSQL of its own.
/// </summary>
public sealed class StartedByScript : IAsyncDisposable
{
    // The server is up in seconds; a machine that others keep busy takes longer over a new cluster.
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(3);
    private readonly Process process;
    private readonly StringBuilder words = new();

    private StartedByScript(Process process, string folder, int port)
    {
        (this.process, Folder, Port) = (process, folder, port);
        process.OutputDataReceived += Hear;
        process.ErrorDataReceived += Hear;
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();
    }

    /// <summary>Where its database, its authority, its logs and its backups lie.</summary>
    public string Folder { get; }

    /// <summary>Where this machine reaches it.</summary>
    public int Port { get; }

    /// <summary>What it has printed so far.</summary>
    public string Words
    {
        get
        {
            lock (words)
                return words.ToString();
        }
    }

    /// <summary>Starts it and waits until it says that it is up.</summary>
    public static async Task<StartedByScript> StartAsync(params string[] arguments)
    {
        var folder = Directory.CreateTempSubdirectory("gentlebead-started-").FullName;
        var port = FreePort();
        var start = new ProcessStartInfo(Path.Combine(Cluster.Root, "scripts/start.sh"), ["--empty", "--port", $"{port}", .. arguments])
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        start.Environment["GENTLEBEAD_STATE"] = folder;
        start.Environment["GENTLEBEAD_BUILT"] = RunningServer.Built;
        start.Environment["GENTLEBEAD_SET_UP_CODE"] = RunningServer.SetUpCode;
        var started = new StartedByScript(Process.Start(start)!, folder, port);
        await started.SaysAsync("is up at");
        return started;
    }

    /// <summary>Waits until it has printed something.</summary>
    public async Task SaysAsync(string text)
    {
        await Waiting.UntilAsync(() => Task.FromResult(Says() || process.HasExited), Patience);
        // When it has gone its last words are often still on their way.
        if (process.HasExited)
            await process.WaitForExitAsync();
        if (!Says())
            throw new InvalidOperationException($"./start has not said \"{text}\" but: {Words}");

        bool Says() => Words.Contains(text, StringComparison.Ordinal);
    }

    /// <summary>Kills the server it has started, as a fault in it would.</summary>
    public void KillServer()
    {
        using var server = Process.GetProcessById(int.Parse(File.ReadAllText(Path.Combine(Folder, "server.pid"))));
        server.Kill();
        server.WaitForExit();
    }

    /// <summary>Waits until it has ended by itself.</summary>
    /// <returns>What it ended with.</returns>
    public async Task<int> EndsAsync()
    {
        using var patience = new CancellationTokenSource(Patience);
        await process.WaitForExitAsync(patience.Token);
        return process.ExitCode;
    }

    /// <summary>A port nobody listens on.</summary>
    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        if (!process.HasExited)
        {
            using var told = Process.Start("kill", ["-TERM", $"{process.Id}"]);
            await process.WaitForExitAsync();
        }
        process.Dispose();
        using var remove = Process.Start(Path.Combine(Cluster.Root, "scripts/postgres.sh"), ["remove", Path.Combine(Folder, "postgres")]);
        await remove.WaitForExitAsync();
        Directory.Delete(Folder, recursive: true);
    }

    private void Hear(object sender, DataReceivedEventArgs line)
    {
        lock (words)
            words.AppendLine(line.Data);
    }
}
