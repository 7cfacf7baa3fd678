using GentleBead.Server.Database;
using GentleBead.Server.Pictures;

namespace GentleBead.Server.Beads;

/// <summary>Takes pictures of beads in: each is drawn anew, and kept once.</summary>
public sealed class PictureKeeper(PictureStore pictures, PictureProcess process)
{
    /// <summary>Adds a picture to a bead, or says what is wrong with the file. The same again gives what is stored.</summary>
    /// <exception cref="OtherBodyException">The id is taken by another file.</exception>
    public async Task<(Picture? Picture, Said? Problem)> AddAsync(
        Guid id,
        Guid beadId,
        PictureSide side,
        byte[] sent,
        Guid by,
        CancellationToken cancel
    )
    {
        var fingerprint = Sent.OfBytes(sent).Under(beadId);
        if (await pictures.IsRepeatAsync(id, fingerprint, cancel) && await pictures.FindAsync(id, cancel) is { } stored)
            return (stored, null);
        var (picture, problem) = await process.CleanAsync(by, sent, cancel);
        if (picture is null)
            return (null, problem);
        await pictures.AddAsync(id, beadId, side, picture, by, fingerprint, cancel: cancel);
        return (await pictures.FindAsync(id, cancel), null);
    }
}
