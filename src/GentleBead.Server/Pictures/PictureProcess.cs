using System.Collections.Concurrent;
using System.ComponentModel;
using System.Diagnostics;
using System.Text.Json;
using GentleBead.Core.Looking;
using GentleBead.Server.Json;
using GentleBead.Server.Work;

namespace GentleBead.Server.Pictures;

/// <summary>
/// Has pictures that anybody sent decoded: drawn anew, or looked at by the eye. It is done by a process of its own
/// (<see cref="PictureWorker"/>): one that stalls or dies is ended and another started.
/// </summary>
public sealed class PictureProcess(HeavyWork heavy) : IDisposable
{
    // A picture takes a second of a processor at most; what takes so much has lost its way. Where a processor is not to be had, it waits
    // for one: of that nothing is said by how long it takes, but for ever is no time to wait either.
    private static readonly TimeSpan MostWork = TimeSpan.FromSeconds(20),
        Longest = TimeSpan.FromMinutes(2),
        Often = TimeSpan.FromSeconds(1);

    // Native code that is asked by anybody is begun anew now and then.
    private const int MostAsked = 500;

    private readonly ConcurrentBag<(Process Process, int Asked)> idle = [];
    private volatile bool disposed;

    /// <summary>Draws a picture anew, or says why it is not taken.</summary>
    public async Task<(CleanPicture? Picture, Said? Problem)> CleanAsync(Guid person, byte[] sent, CancellationToken cancel) =>
        await heavy.RunAsync(person, () => Ask(new(sent.Length, Clean: true), sent), cancel) is { } answer
            ? (answer.Clean, answer.Problem)
            : (null, Say($"This picture is damaged: it cannot be read to its end."));

    /// <summary>Measures a bead's face; null where the picture cannot be read.</summary>
    public async Task<FaceAnswer?> FaceAsync(Guid person, byte[] picture, FaceAsk ask, CancellationToken cancel) =>
        (await heavy.RunAsync(person, () => Ask(new(picture.Length, Face: ask), picture), cancel))?.Face;

    /// <summary>Measures what shows behind a bead; null where the picture cannot be read.</summary>
    public async Task<BackAnswer?> BackAsync(Guid person, byte[] picture, BackAsk ask, CancellationToken cancel) =>
        (await heavy.RunAsync(person, () => Ask(new(picture.Length, Back: ask), picture), cancel))?.Back;

    /// <summary>Proposes a section's marks; null where the picture cannot be read.</summary>
    public async Task<SectionAnswer?> SectionAsync(Guid person, byte[] picture, SectionAsk ask, CancellationToken cancel) =>
        (await heavy.RunAsync(person, () => Ask(new(picture.Length, Section: ask), picture), cancel))?.Section;

    /// <summary>Says whether a frame will do; null where it cannot be read.</summary>
    public async Task<FrameAnswer?> FrameAsync(Guid person, byte[] picture, int width, CancellationToken cancel) =>
        (await heavy.RunAsync(person, () => Ask(new(picture.Length, Width: width), picture), cancel))?.Frame;

    /// <inheritdoc/>
    public void Dispose()
    {
        disposed = true;
        while (idle.TryTake(out var one))
            End(one.Process);
    }

    private PictureResponse? Ask(PictureRequest request, byte[] picture)
    {
        // One that has died since it was last asked is nobody's fault now: what a new one dies of is the picture.
        while (idle.TryTake(out var one))
        {
            if (Ask(one, request, picture, out var answer))
                return answer;
        }
        Ask((Start(), 0), request, picture, out var first);
        return first;
    }

    // Whether it lived to answer; null where it says that it cannot read the picture.
    private bool Ask((Process Process, int Asked) one, PictureRequest request, byte[] picture, out PictureResponse? answer)
    {
        answer = null;
        try
        {
            var (worked, since) = (one.Process.TotalProcessorTime, Environment.TickCount64);
            using var late = new Timer(_ => EndLate(one.Process, worked, since), null, Often, Often);
            var (to, from) = (one.Process.StandardInput.BaseStream, one.Process.StandardOutput.BaseStream);
            var head = JsonSerializer.SerializeToUtf8Bytes(request, QuantityJson.Options);
            to.Write(BitConverter.GetBytes(head.Length));
            to.Write(head);
            to.Write(picture);
            to.Flush();
            var length = new byte[4];
            from.ReadExactly(length);
            var body = new byte[BitConverter.ToInt32(length)];
            from.ReadExactly(body);
            answer = JsonSerializer.Deserialize<PictureResponse>(body, QuantityJson.Options);
            if (!disposed && one.Asked + 1 < MostAsked)
                idle.Add((one.Process, one.Asked + 1));
            else
                End(one.Process);
            return true;
        }
        catch (Exception died) when (died is IOException or JsonException || HasEnded(died))
        {
            End(one.Process);
            return false;
        }
    }

    private static Process Start()
    {
        // Started as the server was, wherever its runtime lies.
        var host = Environment.ProcessPath is { } own && Path.GetFileName(own) == "dotnet" ? own : "dotnet";
        var start = new ProcessStartInfo(host) { RedirectStandardInput = true, RedirectStandardOutput = true };
        start.ArgumentList.Add(typeof(PictureWorker).Assembly.Location);
        start.ArgumentList.Add(PictureWorker.Verb);
        // Nothing of the server's goes along: no connection strings, no keys.
        start.Environment.Clear();
        foreach (var kept in new[] { "PATH", "HOME", "DOTNET_ROOT", "TMPDIR" })
        {
            if (Environment.GetEnvironmentVariable(kept) is { } value)
                start.Environment[kept] = value;
        }
        start.Environment["DOTNET_GCHeapHardLimit"] = "0x18000000";
        start.Environment["DOTNET_gcServer"] = "0";
        start.Environment["OPENCV_IO_MAX_IMAGE_PIXELS"] = "40000000";
        return Process.Start(start) ?? throw new InvalidOperationException("The eye's process could not be started.");
    }

    private static void EndLate(Process process, TimeSpan worked, long since)
    {
        try
        {
            process.Refresh();
            if (process.TotalProcessorTime - worked > MostWork || Environment.TickCount64 - since > Longest.TotalMilliseconds)
                End(process);
        }
        catch (Exception ended) when (HasEnded(ended))
        {
            // Nothing is late any more.
        }
    }

    // What is said of a process that is no more: by the runtime, and by the system.
    private static bool HasEnded(Exception told) => told is InvalidOperationException or Win32Exception;

    private static void End(Process process)
    {
        try
        {
            process.Kill();
        }
        catch (InvalidOperationException)
        {
            // It has ended already.
        }
        process.Dispose();
    }
}
