using System.Diagnostics;

namespace GentleBead.Testing;

/// <summary>A primary and its standby on loopback, as deploy/pair.sh sets them up, in a folder of their own.</summary>
public sealed class Pair : IAsyncDisposable
{
    // Asking takes a shell and a psql of its own: not as often as can be, beside what is measured.
    private static readonly TimeSpan Often = TimeSpan.FromMilliseconds(300);
    private readonly string folder = $"/var/tmp/gentlebead-pair-{Guid.CreateVersion7():N}";

    private Pair() { }

    /// <summary>How a server reaches whichever is primary.</summary>
    public TestDatabase Database { get; private set; } = null!;

    /// <summary>Makes and starts it, and waits until the standby follows.</summary>
    public static async Task<Pair> StartAsync()
    {
        var pair = new Pair();
        var lines = await pair.SayAsync("start");
        if (lines is not [.., var application, var owner])
            throw new InvalidOperationException("deploy/pair.sh printed no connection strings.");
        var named = $"{owner};Database=postgres";
        // A request of a bench must not wait for a dead host as long as somebody at a screen may.
        pair.Database = new($"{application};Database=postgres;Maximum Pool Size=20;Timeout=2;Command Timeout=4", named, named);
        return pair;
    }

    /// <summary>Which of the two is primary, and whether the other follows it.</summary>
    public async Task<(string Primary, string Other, bool Follows)> StateAsync()
    {
        var rows = (await SayAsync("state")).Select(line => line.Split('|')).ToList();
        // A dead one is still reported as what it was last, and meant to be something else.
        var primary = rows.FirstOrDefault(row => Leads(row[1]) && Leads(row[2]))?[0] ?? "";
        return (
            primary,
            primary == "a" ? "b" : "a",
            rows.Any(row => row[1] == "primary") && rows.Any(row => row[1] == "secondary") && rows.All(row => row[1] == row[2])
        );
    }

    private static bool Leads(string state) => state is "primary" or "wait_primary" or "single";

    /// <summary>Waits until the standby follows again.</summary>
    public Task FollowsAsync() => UntilAsync(state => state.Follows, "the standby follows");

    /// <summary>Waits until a node is primary.</summary>
    public Task LeadsAsync(string node) => UntilAsync(state => state.Primary == node, $"{node} is primary");

    /// <summary>Ends all that runs of a node, as a power cut would.</summary>
    public Task KillAsync(string node) => SayAsync("kill", node);

    /// <summary>Stops all of it where it is, as if it were cut off.</summary>
    public Task FreezeAsync(string node) => SayAsync("freeze", node);

    /// <summary>Lets it go on.</summary>
    public Task ThawAsync(string node) => SayAsync("thaw", node);

    /// <summary>Starts it again.</summary>
    public Task RunAsync(string node) => SayAsync("run", node);

    /// <inheritdoc/>
    public async ValueTask DisposeAsync() => await SayAsync("remove");

    private async Task UntilAsync(Func<(string Primary, string Other, bool Follows), bool> holds, string what)
    {
        if (!await Waiting.UntilAsync(async () => holds(await StateAsync()), TimeSpan.FromMinutes(2), Often))
            throw new TimeoutException($"It was waited for in vain: {what}. {string.Join(", ", await SayAsync("state"))}");
    }

    private async Task<string[]> SayAsync(string action, params string[] more)
    {
        using var process = Process.Start(
            new ProcessStartInfo(Path.Combine(Cluster.Root, "deploy/pair.sh"), [action, folder, .. more])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var (told, wrong) = (process.StandardOutput.ReadToEndAsync(), process.StandardError.ReadToEndAsync());
        await process.WaitForExitAsync();
        return process.ExitCode == 0
            ? (await told).Split('\n', StringSplitOptions.RemoveEmptyEntries)
            : throw new InvalidOperationException($"deploy/pair.sh {action} failed: {await wrong}{await told}");
    }
}
