using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net.Http.Json;
using GentleBead.Testing;
using MathNet.Numerics.Random;
using Npgsql;

namespace GentleBead.Bench;

/// <summary>
/// Fourteen booths record while the database under them dies: what is lost, what comes twice, how long nothing is acknowledged.
/// </summary>
internal sealed class Failover : IAsyncDisposable
{
    private const int Booths = 14;
    private const double MostSeconds = 15;

    // Two seconds between a booth's beads: busier than any shop, so that something is always on its way.
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(2);
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(5);
    private readonly GrownServer server;
    private static readonly TimeSpan Ending = TimeSpan.FromMinutes(1);
    private readonly CancellationTokenSource ending = new();
    private readonly CancellationTokenSource over = new();
    private readonly ConcurrentDictionary<Guid, bool> noted = [];
    private readonly ConcurrentQueue<long> acknowledged = [];
    private readonly IReadOnlyList<Guid> before;
    private readonly List<Task> booths;

    private Failover(GrownServer server, IReadOnlyList<Guid> before)
    {
        (this.server, this.before) = (server, before);
        booths = [.. Enumerable.Range(0, Booths).Select(RecordAsync)];
    }

    /// <summary>Measures it: how often the primary is killed, cut off, and how often the standby is killed.</summary>
    public static async Task<int> MeasureAsync(int kills)
    {
        var (cuts, standby) = (Math.Max(1, kills / 10), Math.Max(1, kills / 5));
        var figures = new Figures("failover");
        var alone = await AloneAsync(Math.Max(1, kills / 10));
        var chance = new Xoshiro256StarStar(41);
        await using var pair = await Pair.StartAsync();
        await using var server = await GrownServer.StartAsync(pair.Database);
        double gap;
        (int Noted, int Lost, int Others) came;
        await using (var recording = new Failover(server, await BeadsAsync(server)))
        {
            string[] events =
            [
                .. Enumerable.Repeat("kill", kills),
                .. Enumerable.Repeat("cut", cuts),
                .. Enumerable.Repeat("standby", standby),
            ];
            foreach (var one in events.OrderBy(_ => chance.NextDouble()))
            {
                await pair.FollowsAsync();
                await Task.Delay(TimeSpan.FromSeconds(3 * chance.NextDouble()));
                await HappenAsync(pair, one);
                Console.WriteLine(
                    $"{one}: longest without an acknowledgement so far {recording.Gap():0.0} s, {recording.noted.Count} beads"
                );
            }
            await pair.FollowsAsync();
            await recording.EndAsync();
            gap = recording.Gap();
            came = await recording.CameAsync();
        }
        figures.AtMost("acknowledged beads lost", came.Lost, 0);
        figures.AtMost("beads that nobody noted, or twice", came.Others, 0);
        figures.AtMost("longest without an acknowledgement, s", gap, MostSeconds);
        return figures.Close(
            $"primary killed {kills} times, cut off {cuts}, standby killed {standby}: of {came.Noted} beads acknowledged {came.Lost} lost, "
                + $"{came.Others} doubled; longest without an acknowledgement {gap:0.0} s, {gap / alone:0.0} x one PostgreSQL that is "
                + $"started again at once ({alone:0.0} s)"
        );
    }

    private static async Task HappenAsync(Pair pair, string what)
    {
        var (primary, other, _) = await pair.StateAsync();
        if (what == "standby")
        {
            await pair.KillAsync(other);
            await Task.Delay(Every);
            await pair.RunAsync(other);
            return;
        }
        await (what == "kill" ? pair.KillAsync(primary) : pair.FreezeAsync(primary));
        await pair.LeadsAsync(other);
        await (what == "kill" ? pair.RunAsync(primary) : pair.ThawAsync(primary));
    }

    // The same with one PostgreSQL, which whoever looks after it starts again at once: the longest time without an acknowledgement, s.
    private static async Task<double> AloneAsync(int kills)
    {
        var folder = Directory.CreateTempSubdirectory("gentlebead-alone-").FullName;
        using var one = await OnePostgres.StartAsync(folder);
        await using var server = await GrownServer.StartAsync(one.Database);
        await using var recording = new Failover(server, await BeadsAsync(server));
        for (var i = 0; i < kills; i++)
        {
            await Task.Delay(Every * 2);
            await one.KillAndStartAsync();
        }
        await Task.Delay(Every * 2);
        await recording.EndAsync();
        return recording.Gap();
    }

    // A booth sends a bead until it is acknowledged, and then the next.
    private async Task RecordAsync(int booth)
    {
        using var client = new HttpClient { BaseAddress = server.Address, Timeout = Patience };
        client.DefaultRequestHeaders.Add("Cookie", await GrownServer.SignInAsync(client, "maren"));
        var stand = server.Stands[booth % server.Stands.Count];
        while (!ending.IsCancellationRequested)
        {
            var id = Guid.CreateVersion7();
            noted[id] = false;
            while (!await SendAsync(client, id, stand))
            {
                // What never comes back is seen in the figures, and not waited for.
                if (over.IsCancellationRequested)
                    return;
                await Task.Delay(200);
            }
            noted[id] = true;
            acknowledged.Enqueue(Stopwatch.GetTimestamp());
            await Task.Delay(Every);
        }
    }

    private static async Task<bool> SendAsync(HttpClient client, Guid id, Stand stand)
    {
        try
        {
            using var answer = await client.PutAsync($"/api/beads/{id}", JsonContent.Create(RoomLoad.Bead(stand)));
            return answer.IsSuccessStatusCode;
        }
        catch (Exception away) when (away is HttpRequestException or TaskCanceledException)
        {
            // No answer is none: the same goes again.
            return false;
        }
    }

    private double Gap()
    {
        long[] times = [.. acknowledged];
        return times.Zip(times.Skip(1)).Max(two => Stopwatch.GetElapsedTime(two.First, two.Second).TotalSeconds);
    }

    private async Task EndAsync()
    {
        await ending.CancelAsync();
        over.CancelAfter(Ending);
        await Task.WhenAll(booths);
    }

    // How many were acknowledged, how many of these are not there, and how many are there besides that nobody noted or that came twice.
    private async Task<(int Noted, int Lost, int Others)> CameAsync()
    {
        var there = await BeadsAsync(server);
        var sent = noted.Where(one => one.Value).Select(one => one.Key).ToHashSet();
        var came = there.Except(before).ToList();
        return (sent.Count, sent.Except(came).Count(), came.Count - came.Where(noted.ContainsKey).Distinct().Count());
    }

    private static async Task<IReadOnlyList<Guid>> BeadsAsync(GrownServer server)
    {
        await using var connection = new NpgsqlConnection($"{server.Database.Owner};Pooling=false");
        await connection.OpenAsync();
        await using var ask = new NpgsqlCommand("select array_agg(id) from bead", connection);
        return (Guid[])(await ask.ExecuteScalarAsync())!;
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        await EndAsync();
        ending.Dispose();
        over.Dispose();
    }
}
