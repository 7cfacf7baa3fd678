using System.Collections.Concurrent;
using System.Diagnostics;

namespace GentleBead.Testing;

/// <summary>The real server as a process of its own, on a free loopback port, over a database of its own.</summary>
public sealed class RunningServer : IAsyncDisposable
{
    // A demo school takes seconds to load; on a machine that others keep busy, minutes.
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(3);
    private readonly Process process;
    private readonly TestDatabase? ownDatabase;
    private readonly ConcurrentQueue<string> words;

    private RunningServer(Process process, Uri address, TestDatabase? ownDatabase, ConcurrentQueue<string> words)
    {
        this.process = process;
        this.words = words;
        Address = address;
        this.ownDatabase = ownDatabase;
    }

    /// <summary>Where the tests' own build of it lies.</summary>
    public static string Built => Path.Combine(Cluster.Root, "src/GentleBead.Server/bin", Configuration, "net10.0");

    private static string Pages => Path.Combine(Cluster.Root, "ui/dist");

    /// <summary>The code an empty school is founded with in tests.</summary>
    public const string SetUpCode = "TEST-2345";

    /// <summary>Where it answers.</summary>
    public Uri Address { get; }

    /// <summary>What it has said so far, line by line.</summary>
    public IReadOnlyCollection<string> Words => words;

    /// <summary>Its process, to look at what it holds.</summary>
    public int ProcessId => process.Id;

    /// <summary>Starts it and waits until it is ready.</summary>
    /// <param name="demo">Whether to load the demo school.</param>
    /// <param name="database">An existing database; null makes one, with the demo school in it if wanted, and drops it at the end.</param>
    /// <param name="settings">What it is told besides.</param>
    public static Task<RunningServer> StartAsync(bool demo, TestDatabase? database = null, params (string Name, string Value)[] settings) =>
        StartAtAsync(StartedByScript.FreePort(), demo, database, settings);

    /// <summary>The same on a port that is known: where it was before it died.</summary>
    /// <param name="port">On loopback.</param>
    /// <param name="demo">Whether to load the demo school.</param>
    /// <param name="database">An existing database; null makes one, and drops it at the end.</param>
    /// <param name="settings">What it is told besides.</param>
    public static Task<RunningServer> StartAtAsync(
        int port,
        bool demo,
        TestDatabase? database = null,
        params (string Name, string Value)[] settings
    ) => StartAsync(port, (Built, Pages), demo, database, settings);

    /// <summary>The same with the demo school and another build of it, over this one's pages.</summary>
    /// <param name="built">The folder it was built into.</param>
    /// <param name="database">Its database.</param>
    public static Task<RunningServer> StartBuiltAsync(string built, TestDatabase database) =>
        StartAsync(StartedByScript.FreePort(), (built, Pages), true, database, []);

    /// <summary>The same with the demo school, over pages of the caller's own.</summary>
    /// <param name="pages">The folder of a built front end.</param>
    public static Task<RunningServer> StartOverAsync(string pages) =>
        StartAsync(StartedByScript.FreePort(), (Built, pages), true, null, []);

    private static async Task<RunningServer> StartAsync(
        int port,
        (string Program, string Pages) built,
        bool demo,
        TestDatabase? database,
        (string Name, string Value)[] settings
    )
    {
        var used = database ?? await (demo ? Cluster.NewDemoDatabaseAsync() : Cluster.NewDatabaseAsync());
        var address = new Uri($"http://127.0.0.1:{port}");
        var start = new ProcessStartInfo(
            "dotnet",
            [
                Path.Combine(built.Program, "GentleBead.Server.dll"),
                "--urls",
                address.ToString(),
                "--contentRoot",
                built.Program,
                "--webroot",
                built.Pages,
            ]
        )
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        start.Environment["GENTLEBEAD_DATABASE"] = used.Application;
        start.Environment["GENTLEBEAD_OWNER_DATABASE"] = used.Owner;
        start.Environment["GENTLEBEAD_DEMO"] = demo ? "true" : "false";
        start.Environment["GENTLEBEAD_SET_UP_CODE"] = SetUpCode;
        start.Environment["ASPNETCORE_ENVIRONMENT"] = "Production";
        foreach (var (name, value) in settings)
            start.Environment[name] = value;
        var process = Process.Start(start)!;
        var words = new ConcurrentQueue<string>();
        process.OutputDataReceived += (_, line) => words.Enqueue(line.Data ?? "");
        process.ErrorDataReceived += (_, line) => words.Enqueue(line.Data ?? "");
        process.BeginOutputReadLine();
        process.BeginErrorReadLine();

        using var client = new HttpClient { BaseAddress = address };
        await Waiting.UntilAsync(async () => process.HasExited || await IsReadyAsync(client), Patience);
        if (!process.HasExited && await IsReadyAsync(client))
            return new RunningServer(process, address, database is null ? used : null, words);
        process.Kill();
        // Waits for its last words too: what it died of is often still on its way when it has gone.
        await process.WaitForExitAsync();
        throw new InvalidOperationException($"The server did not come up: {string.Join('\n', words)}");
    }

    private static async Task<bool> IsReadyAsync(HttpClient client)
    {
        try
        {
            return (await client.GetAsync("/health/ready")).IsSuccessStatusCode;
        }
        catch (HttpRequestException)
        {
            // Not listening yet.
            return false;
        }
    }

    /// <summary>Ends it at once, as a power cut would.</summary>
    public async Task KillAsync()
    {
        if (!process.HasExited)
            process.Kill();
        await process.WaitForExitAsync();
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        await KillAsync();
        process.Dispose();
        if (ownDatabase is not null)
            await Cluster.DropAsync(ownDatabase);
    }

    private static string Configuration => AppContext.BaseDirectory.Contains("/Release/", StringComparison.Ordinal) ? "Release" : "Debug";
}
