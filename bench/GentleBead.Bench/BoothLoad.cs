using System.Diagnostics;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Testing;

namespace GentleBead.Bench;

/// <summary>An evening at its busiest: every booth sends beads with their sound, two send pictures, and the floor is looked at.</summary>
internal static class BoothLoad
{
    private const int Booths = 14;
    private const int WithPictures = 2;
    private const int Seconds = 60;
    private const double EverySeconds = 10;
    private const int LookEveryMs = 250;
    private const double MostFloorMs = 500;

    // As a booth records: half a minute of arc is a long bead.
    private const int SoundSeconds = 15;

    public static async Task MeasureAsync(GrownServer server, Figures figures)
    {
        var quiet = await LookAsync(server, TimeSpan.FromSeconds(10));
        using var ending = new CancellationTokenSource(TimeSpan.FromSeconds(Seconds));
        var (sound, picture) = (WavFile.Write(KnownClips.Clip(Sound.EvenCrackle, SoundSeconds, 25, 14)), await PictureAsync());
        var (sent, errors) = (0, 0);
        var booths = Enumerable
            .Range(0, Booths)
            .Select(async booth =>
            {
                var stand = server.Stands[booth % server.Stands.Count];
                try
                {
                    await Task.Delay(TimeSpan.FromSeconds(EverySeconds * booth / Booths), ending.Token);
                    while (true)
                    {
                        var began = Stopwatch.GetTimestamp();
                        var bead = $"/api/beads/{Guid.CreateVersion7()}";
                        await PutAsync(bead, JsonContent.Create(RoomLoad.Bead(stand)));
                        await PutAsync($"{bead}/recordings/{Guid.CreateVersion7()}?origin=microphone", Bytes(sound, "audio/wav"));
                        if (booth < WithPictures)
                        {
                            await PutAsync($"{bead}/pictures/face/{Guid.CreateVersion7()}", Bytes(picture, "image/png"));
                            await PutAsync($"{bead}/pictures/back/{Guid.CreateVersion7()}", Bytes(picture, "image/png"));
                        }
                        var rest = TimeSpan.FromSeconds(EverySeconds) - Stopwatch.GetElapsedTime(began);
                        await Task.Delay(rest > TimeSpan.Zero ? rest : TimeSpan.Zero, ending.Token);
                    }
                }
                catch (OperationCanceledException)
                {
                    // The time is up.
                }
            })
            .ToList();
        var busy = await LookAsync(server, TimeSpan.FromSeconds(Seconds - 2));
        await Task.WhenAll(booths);
        var (p95, alone) = (Figures.Quantile(busy, 0.95), Figures.Quantile(quiet, 0.95));
        Console.WriteLine(
            $"{Booths} booths with sound, {WithPictures} with pictures, {sent} things sent: the floor 95 % within {p95:0} ms, "
                + $"{p95 / alone:0.0} x alone{figures.AtMost("floor p95 beside booths, ms", p95, MostFloorMs)}; errors {errors}"
                + figures.AtMost("errors beside booths", errors, 0)
        );

        async Task PutAsync(string path, HttpContent content)
        {
            using var answer = await server.Instructor.PutAsync(path, content, ending.Token);
            Interlocked.Increment(ref sent);
            if (!answer.IsSuccessStatusCode)
                Interlocked.Increment(ref errors);
        }
    }

    private static ByteArrayContent Bytes(byte[] bytes, string type) =>
        new(bytes) { Headers = { ContentType = new MediaTypeHeaderValue(type) } };

    // As large as a tablet's camera gives them once they are drawn smaller.
    private static Task<byte[]> PictureAsync() => File.ReadAllBytesAsync(Path.Combine(Cluster.Root, "docs/screenshots/bench.png"));

    // How long the floor takes whoever looks at it, ms.
    private static async Task<List<double>> LookAsync(GrownServer server, TimeSpan during)
    {
        var times = new List<double>();
        using var follower = server.Client();
        await GrownServer.SignInAsync(follower, "maren");
        var until = Stopwatch.GetTimestamp() + (long)(during.TotalSeconds * Stopwatch.Frequency);
        while (Stopwatch.GetTimestamp() < until)
        {
            var began = Stopwatch.GetTimestamp();
            using var answer = await follower.GetAsync("/api/sessions/tonight");
            await answer.Content.ReadAsByteArrayAsync();
            times.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
            await Task.Delay(LookEveryMs);
        }
        return times;
    }
}
