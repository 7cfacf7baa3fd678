using GentleBead.Core.Beads;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>What is asked of the eye about the back of a bead. What shows there may be nothing, so it is not looked for.</summary>
/// <param name="From">Where behind the plate the bead begins, roughly, pixels.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Scale">A known length; null with a card.</param>
/// <param name="NotHoles">Where a person says that what was taken for a hole is none, pixels; null where they say nothing.</param>
/// <param name="Printed">How many times as large as it should be the card was printed: <see cref="Card.Printed"/>.</param>
public sealed record BackAsk(Point From, Point To, KnownLength? Scale = null, IReadOnlyList<Point>? NotHoles = null, double Printed = 1);

/// <summary>A piece of what runs along a back: points along its middle, pixels of the picture.</summary>
/// <param name="Along">Two or more.</param>
public sealed record BackLine(IReadOnlyList<Point> Along);

/// <summary>What the eye saw of a bead's back.</summary>
/// <param name="Mark">Where metal came through.</param>
/// <param name="Tint">Where the plate is coloured.</param>
/// <param name="Holes">Where holes are.</param>
/// <param name="PixelsPerMm">How many pixels a millimetre has there.</param>
/// <param name="Card">Which card it was measured by; null by a known length.</param>
/// <param name="Measures">What it measured.</param>
/// <param name="NotSurer">Why it is not surer, in words; empty where nothing stands in the way.</param>
public sealed record BackSeen(
    IReadOnlyList<BackLine> Mark,
    IReadOnlyList<BackLine> Tint,
    IReadOnlyList<Point> Holes,
    double PixelsPerMm,
    CardKind? Card,
    BackMeasures Measures,
    IReadOnlyList<Said> NotSurer
);

/// <summary>What came of looking at a back: what was seen, or why nothing could be measured.</summary>
/// <param name="Back">What was seen; null with a trouble.</param>
/// <param name="Trouble">Why not; null with a back.</param>
/// <param name="Do">What to do about the trouble; null without one.</param>
public sealed record BackAnswer(BackSeen? Back, PictureTrouble? Trouble, Said? Do)
{
    internal static BackAnswer Of(PictureTrouble trouble) => new(null, trouble, trouble.Do());
}

/// <summary>Measures what shows on the back of a bead: a mark, heat tint, holes; each even, broken or none.</summary>
public static class BackEye
{
    // Of the line, what may be hidden.
    private const double MostHidden = 0.12;

    // Points along a piece, mm from one to the next.
    private const double Every = 4;

    /// <summary>Measures it.</summary>
    /// <param name="picture">The picture, blue, green and red, a byte each.</param>
    /// <param name="ask">What is asked.</param>
    public static BackAnswer Look(Mat picture, BackAsk ask)
    {
        ArgumentNullException.ThrowIfNull(picture);
        ArgumentNullException.ThrowIfNull(ask);
        var some = 0;
        var card = ask.Scale is null ? CardReader.Find(picture, out some, ask.Printed) : Eye.Scaled(picture, ask.Scale);
        if (card is null)
            return BackAnswer.Of(Eye.Missing(some));
        if (Eye.TooNear(ask.From, ask.To))
            return BackAnswer.Of(PictureTrouble.NoBead);
        var middle = card.Plane.ToPlane(new((ask.From.X + ask.To.X) / 2, (ask.From.Y + ask.To.Y) / 2));
        if (Troubles.Of(card, middle, fillet: false) is { } trouble)
            return BackAnswer.Of(trouble);
        var lay = FaceLay.OnPlate(card, ask.From, ask.To);
        var sight = FaceSight.OfBack(Strip.Of(picture, lay.Plane, lay.Length, card.Corners(), card.Light.Balance));
        var reading = BackReader.Of(sight, lay.Length);
        if (reading.Hidden > MostHidden)
            return BackAnswer.Of(PictureTrouble.BeadHidden);
        var left = Without(lay, reading.Holes, ask.NotHoles ?? []);
        return new(Seen(card, lay, reading with { Holes = left }), null, null);
    }

    // A finger that comes down on a hole, or beside it by half its width, means that one.
    private static List<FaceSpot> Without(FaceLay lay, IReadOnlyList<FaceSpot> holes, IReadOnlyList<Point> not)
    {
        Point[] off = [.. not.Select(lay.Plane.ToPlane)];
        return [.. holes.Where(hole => !off.Any(at => (at - new Point(hole.Along, hole.Across)).Size() < hole.DiameterMm))];
    }

    private static BackSeen Seen(CardSeen card, FaceLay lay, BackReading reading)
    {
        Point On(double column, double row) => lay.Plane.ToPicture(new(Strip.Along(column * FaceNet.Every), Strip.Across(row)));
        IReadOnlyList<BackLine> Lines(IReadOnlyList<BackPiece> pieces) => [.. pieces.Select(piece => new BackLine([.. Along(piece)]))];
        IEnumerable<Point> Along(BackPiece piece)
        {
            const int step = (int)(Every / FaceNet.Every / Strip.Cell);
            for (var i = 0; i < piece.Middle.Length - 1; i += step)
                yield return On(piece.From + i, piece.Middle[i]);
            yield return On(piece.From + piece.Middle.Length - 1, piece.Middle[^1]);
        }
        var measures = BackGauge.Of(card, reading);
        return new(
            Lines(reading.Mark),
            Lines(reading.Tint),
            [.. reading.Holes.Select(one => lay.Plane.ToPicture(new(one.Along, one.Across)))],
            lay.Plane.PixelsPerMm(new(lay.Length / 2, 0)),
            card.Card?.Kind,
            measures,
            BackGauge.NotSurer(card, measures)
        );
    }
}
