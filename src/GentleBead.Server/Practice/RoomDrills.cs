using GentleBead.Core.Listening;
using GentleBead.Core.Practice;
using GentleBead.Server.Beads;
using GentleBead.Server.Listening;

namespace GentleBead.Server.Practice;

/// <summary>Drills made of the room's own recordings.</summary>
public sealed class RoomDrills(NamedRecordingStore named, BeadFileStore files, RecordingStore recordings)
{
    // One in so many drills is of the room, where it has any: the simulated ones are plainer.
    private const int OneIn = 2;

    private const int HeaderBytes = 44;

    /// <summary>A drill of this room in which something was off; null where there is none, or it is not its turn.</summary>
    /// <param name="deviation">What is to be off.</param>
    /// <param name="level">How hard the drills are now.</param>
    /// <param name="seed">Decides whether and which.</param>
    public async Task<Drill?> DrawAsync(Deviation deviation, int level, int seed, CancellationToken cancel)
    {
        if (seed % OneIn != 0)
            return null;
        var clips = await named.WithAsync(deviation, cancel);
        if (clips.Count == 0)
            return null;
        var (beadId, clip) = clips[seed / OneIn % clips.Count];
        var file = (await files.FindAsync(beadId, cancel))!;
        var (right, given) = RoomClip.Arcs(file.JudgedBy, file.Bead.Used!, file.Bead.Evidence.StickOut);
        return Drill.OfRoom(clip, right, given, level, seed);
    }

    /// <summary>What is played of a clip: the header and the few seconds, read in their place.</summary>
    public async Task<Waveform> SoundAsync(RoomClip clip, CancellationToken cancel)
    {
        // Withdrawn since it was given: silence, and the answer still counts.
        if (await recordings.FindAsync(clip.RecordingId, cancel) is not { } recording)
            return new Waveform(Drill.Rate, new float[Drill.Rate / 2]);
        await using var stream = new RecordingStream(recordings, recording);
        var header = new byte[HeaderBytes];
        await stream.ReadExactlyAsync(header, cancel);
        var rate = BitConverter.ToInt32(header, 24);
        var from = Math.Min(HeaderBytes + (long)(clip.From * rate) * 2, recording.Length);
        var wav = new byte[HeaderBytes + Math.Min((long)(clip.Seconds * rate) * 2, recording.Length - from)];
        header.CopyTo(wav, 0);
        stream.Position = from;
        await stream.ReadExactlyAsync(wav.AsMemory(HeaderBytes), cancel);
        return WavFile.Read(wav);
    }
}
