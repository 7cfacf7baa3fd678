using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using GentleBead.Testing;
using Microsoft.AspNetCore.SignalR.Client;
using Npgsql;

namespace GentleBead.Bench;

/// <summary>
/// 200 booths, a bead every ten seconds each, and 60 open screens that follow, beside the same INSERT and NOTIFY by pgbench.
/// </summary>
internal static class RoomLoad
{
    private const int Booths = 200;
    private const int Rooms = 12;
    private const int Benches = 48;
    private const double EverySeconds = 10;
    private const int Seconds = 60;
    private const int Beads = 10_000;
    private const double MostP95Ms = 250;

    // What a screen waits before it looks again, as in ui/src/shared/live.ts, ms.
    private const int ScreenPause = 500;

    public static async Task<int> MeasureAsync()
    {
        var figures = new Figures("load");
        Console.WriteLine($"Making a school of {Booths} booths …");
        var database = await new GrownSchool(Beads, Booths).MakeAsync();
        try
        {
            List<double> beads,
                screens;
            int errors;
            await using (var server = await GrownServer.StartAsync(database))
            {
                await RunAsync(server, 10);
                Console.WriteLine(
                    $"{server.Stands.Count} booths, a bead every {EverySeconds} s each; {Rooms} room screens and {Benches} booth "
                        + $"screens; {Seconds} s …"
                );
                (beads, screens, errors) = await RunAsync(server, Seconds);
                await BoothLoad.MeasureAsync(server, figures);
            }
            var (median, p95) = (Figures.Median(beads), Figures.Quantile(beads, 0.95));
            Console.WriteLine(
                $"beads recorded {beads.Count:N0}: median {median:0.0} ms, 95 % within {p95:0.0} "
                    + $"ms{figures.AtMost("bead p95, ms", p95, MostP95Ms)}; errors {errors}{figures.AtMost("errors", errors, 0)}"
            );
            var screenP95 = Figures.Quantile(screens, 0.95);
            Console.WriteLine(
                $"screens brought up {screens.Count:N0} times: median {Figures.Median(screens):0.0} ms, 95 % within "
                    + $"{screenP95:0.0} ms{figures.AtMost("screen p95, ms", screenP95, MostP95Ms)}"
            );
            var (bareMedian, bareP95) = await PgbenchAsync(database);
            Console.WriteLine(
                $"pgbench, the same INSERT and NOTIFY at the same rate: median {bareMedian:0.0} ms, 95 % within {bareP95:0.0} ms"
            );
            return figures.Close(
                $"bead p95 {p95:0} ms, {p95 / bareP95:0.0} x pgbench's {bareP95:0.0} ms; median {median / bareMedian:0.0} x"
            );
        }
        finally
        {
            await Cluster.DropAsync(database);
        }
    }

    private static async Task<(List<double> Beads, List<double> Screens, int Errors)> RunAsync(GrownServer server, int seconds)
    {
        var (beads, screens) = (new List<double>(), new List<double>());
        var errors = 0;
        using var ending = new CancellationTokenSource(TimeSpan.FromSeconds(seconds));
        await using var screen = new Screenful();
        using var follower = server.Client();
        var cookie = await GrownServer.SignInAsync(follower, "maren");
        for (var i = 0; i < Rooms; i++)
            await screen.OpenAsync(server, cookie, _ => true, "/api/sessions/tonight", Looked);
        foreach (var stand in server.Stands.Take(Benches))
        {
            await screen.OpenAsync(
                server,
                cookie,
                booth => booth == stand.Booth,
                $"/api/sessions/{stand.Session}/booths/{stand.Booth}",
                Looked
            );
        }
        var random = new Random(1);
        await Task.WhenAll(server.Stands.Select(stand => BoothAsync(stand, random.NextDouble() * EverySeconds)));
        return (beads, screens, errors);

        async Task BoothAsync(Stand stand, double first)
        {
            try
            {
                await Task.Delay(TimeSpan.FromSeconds(first), ending.Token);
                while (true)
                {
                    var began = Stopwatch.GetTimestamp();
                    using var answer = await server.Instructor.PutAsJsonAsync($"/api/beads/{Guid.CreateVersion7()}", Bead(stand));
                    lock (beads)
                    {
                        beads.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
                        if (!answer.IsSuccessStatusCode)
                            errors++;
                    }
                    await Task.Delay(TimeSpan.FromSeconds(EverySeconds) - Stopwatch.GetElapsedTime(began), ending.Token);
                }
            }
            catch (OperationCanceledException)
            {
                // The time is up.
            }
        }

        async Task Looked(string path)
        {
            var began = Stopwatch.GetTimestamp();
            using var answer = await follower.GetAsync(path);
            await answer.Content.ReadAsByteArrayAsync();
            lock (beads)
            {
                screens.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
                if (!answer.IsSuccessStatusCode)
                    errors++;
            }
        }
    }

    public static object Bead(Stand stand) =>
        new
        {
            sheetId = stand.Sheet,
            wireFeedMPerMin = 6.0,
            volts = 18.5,
            evidence = new { sound = "hiss" },
        };

    // The rows as wide as a bead and its standing, told on a channel of its own.
    private static async Task<(double Median, double P95)> PgbenchAsync(TestDatabase database)
    {
        var own = new NpgsqlConnectionStringBuilder(database.Own);
        await using (var connection = new NpgsqlConnection(database.Own))
        {
            await connection.OpenAsync();
            await using var make = new NpgsqlCommand(
                """
                create table bench_bead (id bigint generated always as identity primary key, evidence jsonb not null, judgement jsonb not
                    null, at timestamptz not null default now());
                create table bench_model as select evidence, judgement from bead limit 1;
                """,
                connection
            );
            await make.ExecuteNonQueryAsync();
        }
        var folder = Directory.CreateTempSubdirectory("pgbench");
        var script = Path.Combine(folder.FullName, "bead.sql");
        await File.WriteAllTextAsync(
            script,
            """
            begin;
            insert into bench_bead (evidence, judgement) select evidence, judgement from bench_model;
            select pg_notify('bench', md5(random()::text));
            commit;

            """
        );
        var pgbench = Directory.GetFiles("/usr/lib/postgresql", "pgbench", SearchOption.AllDirectories).Order().Last();
        var start = new ProcessStartInfo(
            pgbench,
            [
                "-n",
                "-h",
                own.Host!,
                "-p",
                $"{own.Port}",
                "-U",
                own.Username!,
                "-f",
                script,
                "-c",
                "8",
                "-j",
                "1",
                "-R",
                $"{Booths / EverySeconds:0}",
                "-T",
                "30",
                "-l",
                "--log-prefix",
                Path.Combine(folder.FullName, "log"),
                own.Database!,
            ]
        )
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        start.Environment["PGPASSWORD"] = own.Password;
        using var process = Process.Start(start)!;
        var words = process.StandardError.ReadToEndAsync();
        await process.StandardOutput.ReadToEndAsync();
        await process.WaitForExitAsync();
        if (process.ExitCode != 0)
            throw new InvalidOperationException($"pgbench: {await words}");
        // Its log has, after client and number, how long a transaction took, in microseconds.
        var times = Directory
            .GetFiles(folder.FullName, "log*")
            .SelectMany(File.ReadLines)
            .Select(line => double.Parse(line.Split(' ')[2], CultureInfo.InvariantCulture) / 1000)
            .ToList();
        folder.Delete(recursive: true);
        return (Figures.Median(times), Figures.Quantile(times, 0.95));
    }

    /// <summary>Open screens: told of changes as a browser is, each asks again for what it shows.</summary>
    private sealed class Screenful : IAsyncDisposable
    {
        private readonly List<HubConnection> hubs = [];

        public async Task OpenAsync(GrownServer server, string cookie, Func<Guid?, bool> shows, string path, Func<string, Task> look)
        {
            var hub = new HubConnectionBuilder()
                .WithUrl(new Uri(server.Address, "/live"), options => options.Headers["Cookie"] = cookie)
                .Build();
            var (busy, again) = (false, false);
            hub.On<Notice>(
                "changed",
                notice =>
                {
                    if (!shows(notice.BoothId))
                        return;
                    lock (hub)
                    {
                        again = true;
                        if (busy)
                            return;
                        busy = true;
                    }
                    _ = FollowAsync();
                }
            );
            await hub.StartAsync();
            hubs.Add(hub);

            async Task FollowAsync()
            {
                while (true)
                {
                    lock (hub)
                    {
                        if (!again)
                        {
                            busy = false;
                            return;
                        }
                        again = false;
                    }
                    await look(path);
                    await Task.Delay(ScreenPause);
                }
            }
        }

        public async ValueTask DisposeAsync()
        {
            foreach (var hub in hubs)
                await hub.DisposeAsync();
        }
    }

    private sealed record Notice(string Kind, Guid? BoothId);
}
