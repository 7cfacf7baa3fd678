using System.Diagnostics;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using GentleBead.Core.Listening;
using GentleBead.Testing;

namespace GentleBead.Bench;

/// <summary>
/// What the long work costs everybody else: memory while twelve recordings
/// come in at once, and a bead's time beside somebody looping the arc.
/// </summary>
internal static class Heavy
{
    private const int Uploads = 12;
    private const int Rate = 48_000;
    private const int RecordingSeconds = 298;
    private const double MostMegabytes = 600;
    private const int Beads = 120;
    private const int Loops = 4;
    private const double MostSlower = 3;
    private const double MostP95Ms = 250;

    public static async Task<int> MeasureAsync()
    {
        var figures = new Figures("heavy");
        Console.WriteLine("Making a school …");
        var database = await new GrownSchool(10_000).MakeAsync();
        try
        {
            await using var server = await GrownServer.StartAsync(database);
            Console.WriteLine($"Recording {Beads} beads, nobody else about …");
            await BeadsAsync(server);
            var quiet = await BeadsAsync(server);
            Console.WriteLine($"Recording {Beads} beads while one person loops the arc, {Loops} at a time …");
            List<double> beside;
            var looped = 0;
            using (var ending = new CancellationTokenSource())
            {
                var loops = Enumerable
                    .Range(0, Loops)
                    .Select(async loop =>
                    {
                        while (!ending.IsCancellationRequested)
                        {
                            using var answer = await server.Student.PostAsJsonAsync("/api/arc/run", Arc(loop));
                            await answer.Content.ReadAsByteArrayAsync();
                            if (answer.IsSuccessStatusCode)
                                Interlocked.Increment(ref looped);
                        }
                    })
                    .ToList();
                await Task.Delay(1000);
                beside = await BeadsAsync(server);
                await ending.CancelAsync();
                await Task.WhenAll(loops);
            }
            var (alone, with) = (Figures.Quantile(quiet, 0.95), Figures.Quantile(beside, 0.95));
            Console.WriteLine(
                $"bead p95 {alone:0.0} ms alone, {with:0.0} ms beside {looped} arcs: {with / alone:0.0} x"
                    + figures.AtMost("bead p95 beside arcs, times alone", with / alone, MostSlower)
                    + figures.AtMost("bead p95 beside arcs, ms", with, MostP95Ms)
            );
            var (peak, took) = await RecordingsAsync(server);
            Console.WriteLine(
                $"{Uploads} recordings of {RecordingSeconds * Rate * 4 / 1e6:0} MB at once: the server's memory at most {peak:0} "
                    + $"MB, all in within {took:0} s{figures.AtMost("memory, MB", peak, MostMegabytes)}"
            );
            return figures.Close($"{peak:0} MB for {Uploads} recordings, bead p95 {with / alone:0.0} x beside arcs");
        }
        finally
        {
            await Cluster.DropAsync(database);
        }
    }

    private static async Task<List<double>> BeadsAsync(GrownServer server)
    {
        var times = new List<double>();
        for (var bead = 0; bead < Beads; bead++)
        {
            var stand = server.Stands[bead % server.Stands.Count];
            var began = Stopwatch.GetTimestamp();
            using var answer = await server.Instructor.PutAsJsonAsync(
                $"/api/beads/{Guid.CreateVersion7()}",
                new
                {
                    sheetId = stand.Sheet,
                    wireFeedMPerMin = 6.0,
                    volts = 18.5,
                    evidence = new { sound = "hiss" },
                }
            );
            answer.EnsureSuccessStatusCode();
            times.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
        }
        return times;
    }

    private static async Task<(double PeakMb, double Seconds)> RecordingsAsync(GrownServer server)
    {
        var bench = await server.Instructor.GetFromJsonAsync<JsonElement>(
            $"/api/sessions/{server.Stands[0].Session}/booths/{server.Stands[0].Booth}"
        );
        var bead = bench.GetProperty("coupon").GetProperty("beads").EnumerateArray().First().GetProperty("id").GetGuid();
        Console.WriteLine($"Sending {Uploads} recordings at once …");
        var wav = Recording();
        using var ending = new CancellationTokenSource();
        var watch = PeakAsync(server.ProcessId, ending.Token);
        var began = Stopwatch.GetTimestamp();
        await Task.WhenAll(
            Enumerable
                .Range(0, Uploads)
                .Select(async number =>
                {
                    using var content = new ByteArrayContent(wav);
                    content.Headers.ContentType = new MediaTypeHeaderValue("audio/wav");
                    using var client = server.Client();
                    await GrownServer.SignInAsync(client, "maren");
                    while (true)
                    {
                        using var answer = await client.PutAsync(
                            $"/api/beads/{bead}/recordings/{Guid.CreateVersion7()}?name=bench&origin=file",
                            content
                        );
                        if (answer.StatusCode != System.Net.HttpStatusCode.ServiceUnavailable)
                        {
                            if (!answer.IsSuccessStatusCode)
                                throw new InvalidOperationException($"recording {number}: {await answer.Content.ReadAsStringAsync()}");
                            return;
                        }
                        await Task.Delay(answer.Headers.RetryAfter?.Delta ?? TimeSpan.FromSeconds(1));
                    }
                })
        );
        var took = Stopwatch.GetElapsedTime(began).TotalSeconds;
        await ending.CancelAsync();
        return (await watch, took);
    }

    // Two channels of noise that swells and falls: nothing a compressor could make small.
    private static byte[] Recording()
    {
        var random = new Random(1);
        var bytes = new byte[44 + RecordingSeconds * Rate * 4];
        var mono = WavFile.Write(new Waveform(Rate, new float[1]));
        mono.AsSpan(0, 44).CopyTo(bytes);
        BitConverter.TryWriteBytes(bytes.AsSpan(4), bytes.Length - 8);
        BitConverter.TryWriteBytes(bytes.AsSpan(22), (short)2);
        BitConverter.TryWriteBytes(bytes.AsSpan(28), Rate * 4);
        BitConverter.TryWriteBytes(bytes.AsSpan(32), (short)4);
        BitConverter.TryWriteBytes(bytes.AsSpan(40), bytes.Length - 44);
        for (var at = 44; at < bytes.Length; at += 2)
            BitConverter.TryWriteBytes(bytes.AsSpan(at), (short)(random.NextDouble() * 20_000 - 10_000));
        return bytes;
    }

    private static async Task<double> PeakAsync(int process, CancellationToken ending)
    {
        var most = 0.0;
        while (!ending.IsCancellationRequested)
        {
            var line = File.ReadLines($"/proc/{process}/status").First(line => line.StartsWith("VmRSS", StringComparison.Ordinal));
            most = Math.Max(most, double.Parse(line.Split(' ', StringSplitOptions.RemoveEmptyEntries)[1], null) / 1024);
            await Task.Delay(20, CancellationToken.None);
        }
        return most;
    }

    private static object Arc(int seed) =>
        new
        {
            process = "gmawShortCircuit",
            wire = "solid08",
            gas = "argonCarbon25",
            wireFeedMPerMin = 6.4,
            volts = 19,
            stickOutMm = 10,
            travelMmPerMin = 300,
            plateMm = 3.2,
            joint = "t",
            metal = "mildSteel",
            seed,
        };
}
