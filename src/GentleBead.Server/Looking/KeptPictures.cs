using System.Security.Claims;
using GentleBead.Core.Looking;
using GentleBead.Server.Beads;
using GentleBead.Server.Http;
using GentleBead.Server.Pictures;

namespace GentleBead.Server.Looking;

/// <summary>
/// Has the eye look at pictures that are kept, by cards as this shop's printer makes them. Null where one cannot be read.
/// </summary>
public sealed class KeptPictures(PictureStore pictures, EyeCardStore cards, PictureProcess eye)
{
    /// <summary>A picture of a bead that a person may see.</summary>
    public async Task<Picture?> FindAsync(Guid pictureId, ClaimsPrincipal user, CancellationToken cancel) =>
        await pictures.StudentOfAsync(pictureId, cancel) is { } studentId && user.MaySee(studentId)
            ? await pictures.FindAsync(pictureId, cancel)
            : null;

    /// <summary>Measures a bead's face.</summary>
    public async Task<FaceAnswer?> FaceAsync(Guid pictureId, FaceAsk ask, Guid by, CancellationToken cancel) =>
        await eye.FaceAsync(by, await BytesAsync(pictureId, cancel), ask with { Printed = await cards.PrintedAsync(cancel) }, cancel);

    /// <summary>Measures what shows behind a bead.</summary>
    public async Task<BackAnswer?> BackAsync(Guid pictureId, BackAsk ask, Guid by, CancellationToken cancel) =>
        await eye.BackAsync(by, await BytesAsync(pictureId, cancel), ask with { Printed = await cards.PrintedAsync(cancel) }, cancel);

    /// <summary>Proposes a section's marks.</summary>
    public async Task<SectionAnswer?> SectionAsync(Guid pictureId, SectionAsk ask, Guid by, CancellationToken cancel) =>
        await eye.SectionAsync(by, await BytesAsync(pictureId, cancel), ask with { Printed = await cards.PrintedAsync(cancel) }, cancel);

    private async Task<byte[]> BytesAsync(Guid pictureId, CancellationToken cancel) => (await pictures.BytesAsync(pictureId, cancel)).Bytes;
}
