using System.Security.Claims;
using GentleBead.Core.Looking;
using GentleBead.Core.Stock;
using GentleBead.Server.Beads;

namespace GentleBead.Server.Looking;

/// <summary>A picture, and whether its bead lies in a corner.</summary>
/// <param name="Picture">The picture.</param>
/// <param name="Fillet">Whether the bead's face leans between two plates.</param>
public sealed record FacePicture(Picture Picture, bool Fillet);

/// <summary>Has the eye look at pictures that are kept.</summary>
public sealed class FaceReaderOfPictures(BeadStore beads, KeptPictures kept)
{
    /// <summary>A picture whose bead a person may see; null where there is none.</summary>
    public async Task<FacePicture?> FindAsync(Guid pictureId, ClaimsPrincipal user, CancellationToken cancel)
    {
        if (
            await kept.FindAsync(pictureId, user, cancel) is not { } picture
            || await beads.FindAsync(picture.BeadId, cancel) is not { } bead
        )
            return null;
        return new(picture, bead.Judgement.Shape.Joint.Facts().Measure == BeadMeasure.Leg);
    }

    /// <summary>Looks at it; null where it cannot be read.</summary>
    public async Task<FaceAnswer?> LookAsync(FacePicture found, FaceRequest request, Guid by, CancellationToken cancel)
    {
        var ask = new FaceAsk(found.Fillet, request.From, request.To, request.Left, request.Right, request.Scale);
        return await kept.FaceAsync(found.Picture.Id, ask, by, cancel);
    }
}
