using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using GentleBead.Core.Quantities;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Work;

namespace GentleBead.Server.Listening;

/// <summary>Keeps a recording, and has its bead judged anew with what is heard in it.</summary>
public sealed class RecordingKeeper(RecordingStore recordings, BeadRecorder recorder, PackedSound packed, HeavyWork heavy)
{
    /// <summary>Takes a recording in as it was sent: it is read, and written anew. The same again gives what is stored.</summary>
    /// <exception cref="RecordingRefusedException">It is no recording, or too long.</exception>
    /// <exception cref="OtherBodyException">The id is taken by another file.</exception>
    public async Task<Recording> TakeInAsync(
        Guid id,
        FiledBead file,
        (RecordingOrigin Origin, string Name) named,
        (Func<byte[]> Read, Sent Sent) sent,
        Guid by,
        CancellationToken cancel
    )
    {
        ArgumentNullException.ThrowIfNull(file);
        var beadId = file.Bead.Id;
        if (await recordings.IsRepeatAsync(id, sent.Sent, cancel) && await recordings.FindAsync(id, cancel) is { } stored)
        {
            // The first try may have ended before the bead was judged anew.
            await JudgeAnewAsync(id, beadId, by, cancel);
            return stored;
        }
        var (finding, bytes) = await heavy.RunAsync(by, () => TakeApart(sent.Read(), TravelOf(file)), cancel);
        return await AddAsync(id, beadId, named.Origin, named.Name, finding, bytes, by, sent.Sent, cancel: cancel);
    }

    /// <summary>The travel speed a bead was welded at: as timed, or else as its sheet says.</summary>
    public static TravelSpeed? TravelOf(FiledBead file) => file.Bead.Evidence.Travel() ?? file.Sheet.Body.Travel;

    // What was sent is never kept: it is read, and written anew.
    private (Finding Finding, byte[] Bytes) TakeApart(byte[] sent, TravelSpeed? travel)
    {
        if (PackedSound.Is(sent) || WavFile.Is(sent))
        {
            var sound = WavFile.Read(PackedSound.Is(sent) ? packed.Unpack(sent) : sent);
            return (Finding.Of(sound), WavFile.Write(sound));
        }
        var log = LogFile.Read(sent);
        return (Finding.Of(log, travel), LogFile.Write(log));
    }

    /// <summary>Adds a recording to a bead.</summary>
    public async Task<Recording> AddAsync(
        Guid id,
        Guid beadId,
        RecordingOrigin origin,
        string name,
        Finding finding,
        byte[] bytes,
        Guid by,
        Sent sent,
        DateTimeOffset? at = null,
        CancellationToken cancel = default
    )
    {
        await recordings.AddAsync(new Recording(id, beadId, origin, name, finding, bytes.Length, default), bytes, by, sent, at, cancel);
        // A recording that is kept is judged with, whoever has gone.
        await JudgeAnewAsync(id, beadId, by, CancellationToken.None);
        return (await recordings.FindAsync(id, cancel))!;
    }

    /// <summary>
    /// Judges a bead with the surest of its recordings that are not withdrawn beside the ear; where that changes nothing, nothing is added.
    /// </summary>
    public async Task JudgeAnewAsync(Guid lookId, Guid beadId, Guid by, CancellationToken cancel)
    {
        var heard = (await recordings.OfBeadAsync(beadId, cancel))
            .Where(recording => recording.Finding.Heard.Sound is not null)
            .MaxBy(recording => recording.Finding.Heard.Confidence)
            ?.Finding;
        var listened = heard is null ? null : new Listened(heard.Heard.Sound!.Value, heard.Heard.Confidence, heard.Figures?.ShortRate);
        await recorder.MergeAsync(
            lookId,
            beadId,
            evidence => evidence.Listened == listened ? evidence : evidence with { Listened = listened },
            by,
            cancel
        );
    }
}
