using System.Diagnostics;
using System.Text.Json;
using GentleBead.Testing;
using Npgsql;

namespace GentleBead.Bench;

/// <summary>
/// Many schools on one server and one PostgreSQL, each with the term of the demo school: what an idle one costs, how long the first
/// request after idle takes, how quick requests are beside those of one school alone.
/// </summary>
internal static class ManySchools
{
    private const int Workers = 4;

    // Connections beside one for each school at work.
    private const int Room = 40;
    private static readonly TimeSpan Asking = TimeSpan.FromSeconds(20);

    // Pools are emptied when nobody needed them for so long, and a little.
    private static readonly TimeSpan Idle = TimeSpan.FromSeconds(30);
    private static readonly string[] Paths = ["/api/sessions/tonight", "/api/people/students", "/api/courses", "/api/machines"];

    // Requests of each school before it counts as at work: what is asked often is prepared from the third time on.
    private static readonly int AtWork = 4 * Paths.Length;

    private const double MostKilobytes = 1_000,
        MostFirstMs = 500,
        MostTimes = 3;

    /// <summary>Measures it.</summary>
    /// <param name="many">How many schools.</param>
    public static async Task<int> MeasureAsync(int many)
    {
        var figures = new Figures("schools");
        using var postgres = await OnePostgres.StartAsync(
            Directory.CreateTempSubdirectory("gentlebead-schools-").FullName,
            "max_connections=400"
        );
        // The schools' names lie in the database that the others are not made in.
        var control = postgres.Database;
        var databases = new List<TestDatabase>();
        var began = Stopwatch.GetTimestamp();
        for (var i = 0; i < many; i++)
            databases.Add(await MakeAsync(postgres.Database, i));
        Console.WriteLine($"{many} databases made in {Stopwatch.GetElapsedTime(began).TotalSeconds:0} s");
        await NameAsync(control, databases[..1], 0);
        var alone = await AskedAsync(control, 1, many + Room);
        await NameAsync(control, databases, 1);
        var all = await AskedAsync(control, many, many + Room);
        // The same with fewer connections than schools at work: each goes from school to school, which is opening one anew each time.
        var narrow = await AskedAsync(control, many, many * 4 / 5);
        var kilobytes = (all.Megabytes - alone.Megabytes) * 1_000 / Math.Max(1, many - 1);
        figures.AtMost("memory per idle school, kB", kilobytes, MostKilobytes);
        figures.AtMost("first request after idle, p95, ms", all.FirstMs, MostFirstMs);
        figures.AtMost("p95 beside one school alone", all.Ms / alone.Ms, MostTimes);
        return figures.Close(
            $"{many} schools: up in {all.UpSeconds:0.0} s (one: {alone.UpSeconds:0.0}), {kilobytes:0} kB each while idle, "
                + $"first request after idle {all.FirstMs:0} ms (p95; one school: {alone.FirstMs:0}), then {all.Ms:0.0} ms (p95), "
                + $"{all.Ms / alone.Ms:0.0} x one school alone ({alone.Ms:0.0} ms); {all.PerSecond:0} requests a second beside "
                + $"{alone.PerSecond:0}; with four connections for five schools {narrow.Ms:0} ms and {narrow.PerSecond:0} a second"
        );
    }

    // The demo school, loaded once by a server and copied for all others.
    private static async Task<TestDatabase> MakeAsync(TestDatabase postgres, int i)
    {
        var made = new TestDatabase(In(postgres.Application, i), In(postgres.Owner, i), In(postgres.Own, i));
        var from = i == 0 ? "template1" : "school0 strategy file_copy";
        await using var own = new NpgsqlConnection($"{postgres.Own};Pooling=false");
        await own.OpenAsync();
        await using (var create = new NpgsqlCommand($"create database school{i} owner gentlebead_owner template {from}", own))
            await create.ExecuteNonQueryAsync();
        if (i == 0)
        {
            await using (await RunningServer.StartAsync(demo: true, made))
            {
                // Up: the school is loaded.
            }
            // It is copied only while nobody is connected.
            await using var end = new NpgsqlCommand(
                "select pg_terminate_backend(pid, 5000) from pg_stat_activity where datname = 'school0'",
                own
            );
            await end.ExecuteNonQueryAsync();
        }
        return made;
    }

    private static string In(string connection, int i) =>
        new NpgsqlConnectionStringBuilder(connection) { Database = $"school{i}" }.ConnectionString;

    private static async Task NameAsync(TestDatabase control, List<TestDatabase> databases, int from)
    {
        // A line each, as scripts/school.sh adopt reads them; those that it knows it is not told of again.
        var start = new ProcessStartInfo(Path.Combine(Cluster.Root, "scripts/school.sh"), ["adopt"])
        {
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
            Environment = { ["GENTLEBEAD_BUILT"] = RunningServer.Built },
        };
        foreach (var (name, value) in Settings(control))
            start.Environment[name] = value;
        using var adopting = Process.Start(start)!;
        var told = adopting.StandardOutput.ReadToEndAsync();
        for (var i = from; i < databases.Count; i++)
        {
            var line = new
            {
                name = $"s{i}",
                hosts = new[] { Host(i) },
                application = Bare(databases[i].Application),
                owner = databases[i].Owner,
            };
            await adopting.StandardInput.WriteLineAsync(JsonSerializer.Serialize(line));
        }
        adopting.StandardInput.Close();
        await adopting.WaitForExitAsync();
        if (adopting.ExitCode != 0)
            throw new InvalidOperationException($"scripts/school.sh adopt failed: {await told}");
    }

    // How large a pool is, is for the server to say.
    private static string Bare(string connection)
    {
        var words = new NpgsqlConnectionStringBuilder(connection);
        words.Remove("Maximum Pool Size");
        return words.ConnectionString;
    }

    private static (string, string)[] Settings(TestDatabase control, int connections = Room) =>
        [
            ("GENTLEBEAD_CONTROL_DATABASE", control.Owner),
            ("GENTLEBEAD_SIGN_INS_PER_MINUTE", "1000000"),
            ("GENTLEBEAD_CONNECTIONS", $"{connections}"),
        ];

    private static string Host(int i) => $"s{i}.example";

    private static async Task<(double UpSeconds, double Megabytes, double FirstMs, double Ms, double PerSecond)> AskedAsync(
        TestDatabase control,
        int many,
        int connections
    )
    {
        var began = Stopwatch.GetTimestamp();
        // The accounts of made-up schools are dead elsewhere.
        await using var server = await RunningServer.StartAsync(demo: true, control, Settings(control, connections));
        var up = Stopwatch.GetElapsedTime(began).TotalSeconds;
        var clients = new List<HttpClient>();
        for (var i = 0; i < many; i++)
        {
            var client = new HttpClient { BaseAddress = server.Address };
            client.DefaultRequestHeaders.Host = Host(i);
            client.DefaultRequestHeaders.Add("Cookie", await GrownServer.SignInAsync(client, "maren"));
            clients.Add(client);
        }
        // Once warm, all alike: the server's code is compiled, whichever school it was asked for by.
        for (var i = 0; i < 400; i++)
            await AskAsync(clients[i % many], i);
        await Task.Delay(Idle);
        var megabytes = MegabytesOf(server.ProcessId);
        var first = new List<double>();
        foreach (var client in clients)
            first.Add(await AskAsync(client, 0));
        // At work: every school has been asked everything a few times since it was idle.
        for (var i = 0; i < AtWork * many; i++)
            await AskAsync(clients[i % many], i / many);
        var times = await Task.WhenAll(Enumerable.Range(0, Workers).Select(worker => AskOnAsync(clients, worker)));
        foreach (var client in clients)
            client.Dispose();
        var took = times.SelectMany(one => one).ToList();
        return (up, megabytes, Figures.Quantile(first, 0.95), Figures.Quantile(took, 0.95), took.Count / Asking.TotalSeconds);
    }

    private static async Task<List<double>> AskOnAsync(List<HttpClient> clients, int worker)
    {
        var (times, began) = (new List<double>(), Stopwatch.GetTimestamp());
        for (var i = worker; Stopwatch.GetElapsedTime(began) < Asking; i += Workers)
            times.Add(await AskAsync(clients[i % clients.Count], i / clients.Count));
        return times;
    }

    private static async Task<double> AskAsync(HttpClient client, int which)
    {
        var began = Stopwatch.GetTimestamp();
        using var answer = await client.GetAsync(Paths[which % Paths.Length]);
        answer.EnsureSuccessStatusCode();
        return Stopwatch.GetElapsedTime(began).TotalMilliseconds;
    }

    private static double MegabytesOf(int process)
    {
        using var one = Process.GetProcessById(process);
        return one.WorkingSet64 / 1e6;
    }
}
