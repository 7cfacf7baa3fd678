using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>What keeps a picture from being measured, found out: a table from what spoils all to what spoils a part.</summary>
internal static class Troubles
{
    /// <summary>Fewer pixels a millimetre than this do not show a toe. Common practice, no source.</summary>
    public const double LeastPixelsPerMm = 10;

    private const double MostSlant = 45,
        MostFilletSlant = 62,
        MostBlurMm = 0.16,
        MostOffMm = 0.07,
        LeastWhite = 0.06,
        MostClipped = 0.35,
        MostVeil = 0.16;

    private const int FewestMarkers = 6;

    // Less than this is not likely weld metal: beads have more than four, plates hardly one.
    private const double LeastSure = 3.2;

    // Of the bead's length, what may be covered or glare.
    private const double MostHidden = 0.12;

    private sealed record Looked(CardSeen Card, Point Bead, bool Fillet, double Finer);

    // Without a card only the scale is known.
    private static readonly (PictureTrouble Trouble, Func<Looked, bool> Is)[] OfPicture =
    [
        (PictureTrouble.Dark, at => at.Card.Light.White < LeastWhite),
        (PictureTrouble.Bright, at => at.Card.Light.Clipped > MostClipped),
        (PictureTrouble.Hazy, at => at.Card.Light.Black > MostVeil * at.Card.Light.White),
        (PictureTrouble.CardHidden, at => at.Card.Card is not null && at.Card.Markers.Count < FewestMarkers),
        (
            PictureTrouble.Slanting,
            at => at.Card.Card is not null && at.Card.Camera.SlantAt(at.Bead) > (at.Fillet ? MostFilletSlant : MostSlant)
        ),
        (PictureTrouble.Far, at => at.Finer * at.Card.Plane.PixelsPerMm(at.Bead) < LeastPixelsPerMm * (at.Fillet ? 0.75 : 0.9)),
        (PictureTrouble.Blurred, at => at.Card.BlurMm / Math.Sqrt(at.Finer) > MostBlurMm),
        (PictureTrouble.CardBent, at => at.Card.OffMm > MostOffMm),
    ];

    // Nobody points so far past a bead's end, mm.
    private const double MostShortMm = 7;

    /// <summary>What is wrong with a picture as a whole; null when nothing is.</summary>
    /// <param name="card">The card.</param>
    /// <param name="bead">Where the bead lies on its plane, mm.</param>
    /// <param name="fillet">Whether it lies in a corner.</param>
    /// <param name="finer">How many times as many pixels the picture will have that this is a frame of.</param>
    public static PictureTrouble? Of(CardSeen card, Point bead, bool fillet, double finer = 1)
    {
        var looked = new Looked(card, bead, fillet, finer);
        foreach (var (trouble, isSo) in OfPicture)
        {
            if (isSo(looked))
                return trouble;
        }
        return null;
    }

    /// <summary>What is wrong with what was read of a bead; null when nothing is.</summary>
    public static PictureTrouble? Of(FaceReading reading) =>
        reading.Trace.Sure < LeastSure ? PictureTrouble.NoBead
        : reading.CutOff ? PictureTrouble.CutOff
        : reading.Burnt > MostHidden ? PictureTrouble.Glare
        : reading.Trace.Gaps > MostHidden || reading.Short > MostShortMm ? PictureTrouble.BeadHidden
        : null;
}
