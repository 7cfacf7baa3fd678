using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>A known length in a picture, where no card lies in it.</summary>
/// <param name="From">One end, pixels.</param>
/// <param name="To">The other.</param>
/// <param name="Length">How long it is; 1 to 500 mm.</param>
public sealed record KnownLength(Point From, Point To, Length Length)
{
    // Ends that stand nearer than this do not say how long it is, pixels.
    private const double Least = 10;

    private const double Shortest = 1,
        Longest = 500;

    /// <summary>What is wrong with it; null when nothing is.</summary>
    public Said? Problem() =>
        Length.Mm is not (>= Shortest and <= Longest) ? Say($"A scale between 1 and 500 mm.")
        : !((To - From).Size() >= Least) ? Say($"The two ends of the scale stand too near each other to measure by.")
        : null;
}

/// <summary>What is asked of the eye about a bead's face.</summary>
/// <param name="Fillet">Whether the bead lies in a corner, so that its face leans between two plates.</param>
/// <param name="From">Where the bead begins, roughly, pixels; null to look for it.</param>
/// <param name="To">Where it ends; null with it.</param>
/// <param name="Left">Points along the left toe that a person set, pixels; null to trace them.</param>
/// <param name="Right">Points along the right toe; null with them.</param>
/// <param name="Scale">A known length; null with a card.</param>
/// <param name="Printed">How many times as large as it should be the card was printed: <see cref="Card.Printed"/>.</param>
public sealed record FaceAsk(
    bool Fillet,
    Point? From = null,
    Point? To = null,
    IReadOnlyList<Point>? Left = null,
    IReadOnlyList<Point>? Right = null,
    KnownLength? Scale = null,
    double Printed = 1
);

/// <summary>What the eye saw of a bead's face.</summary>
/// <param name="Left">Points along the left toe, pixels of the picture.</param>
/// <param name="Right">Points along the right toe.</param>
/// <param name="Spatter">Where grains of spatter lie.</param>
/// <param name="Pores">Where open pores are.</param>
/// <param name="PixelsPerMm">How many pixels a millimetre has at the bead.</param>
/// <param name="Card">Which card it was measured by; null by a known length.</param>
/// <param name="Measures">What it measured.</param>
/// <param name="NotSurer">Why it is not surer, in words; empty where nothing stands in the way.</param>
public sealed record FaceSeen(
    IReadOnlyList<Point> Left,
    IReadOnlyList<Point> Right,
    IReadOnlyList<Point> Spatter,
    IReadOnlyList<Point> Pores,
    double PixelsPerMm,
    CardKind? Card,
    FaceMeasures Measures,
    IReadOnlyList<Said> NotSurer
);

/// <summary>What came of looking: what was seen, or why nothing could be measured.</summary>
/// <param name="Face">What was seen; null with a trouble.</param>
/// <param name="Trouble">Why not; null with a face.</param>
/// <param name="Do">What to do about the trouble; null without one.</param>
public sealed record FaceAnswer(FaceSeen? Face, PictureTrouble? Trouble, Said? Do)
{
    internal static FaceAnswer Of(PictureTrouble trouble) => new(null, trouble, trouble.Do());
}

/// <summary>Whether a picture that is about to be taken will do.</summary>
/// <param name="Trouble">What is wrong with it; null when nothing is.</param>
/// <param name="Do">What to do about it; null when nothing is wrong.</param>
/// <param name="Card">The card's corners in the picture, as shares of its width and height; empty where none was found.</param>
public sealed record FrameAnswer(PictureTrouble? Trouble, Said? Do, IReadOnlyList<Point> Card);

/// <summary>
/// The eye: measures a bead's face in a picture. It has met drawn pictures by the thousand and few real welds: what it says is a
/// proposal that a person looks over.
/// </summary>
public static class Eye
{
    private const int Points = 33;

    private const double LeastGlare = 0.12;

    /// <summary>Whether a picture will do, by the card in it; quick enough to be asked while aiming.</summary>
    /// <param name="picture">The camera's picture, blue, green and red, a byte each.</param>
    /// <param name="width">How wide the picture will be that is taken, pixels; the frame may be smaller.</param>
    public static FrameAnswer Frame(Mat picture, int width)
    {
        ArgumentNullException.ThrowIfNull(picture);
        var card = CardReader.Find(picture, out var some);
        var finer = Math.Max(1, (double)width / picture.Width);
        var trouble = card is null ? Missing(some) : Troubles.Of(card, card.Middle, fillet: false, finer);
        var size = (picture.Width, picture.Height);
        return new(
            trouble,
            trouble?.Do(),
            card is null ? [] : [.. card.Corners().Select(corner => new Point(corner.X / size.Width, corner.Y / size.Height))]
        );
    }

    /// <summary>Measures a bead's face.</summary>
    /// <param name="picture">The picture, blue, green and red, a byte each.</param>
    /// <param name="ask">What is asked.</param>
    public static FaceAnswer Face(Mat picture, FaceAsk ask)
    {
        ArgumentNullException.ThrowIfNull(picture);
        ArgumentNullException.ThrowIfNull(ask);
        var some = 0;
        var card = ask.Scale is null ? CardReader.Find(picture, out some, ask.Printed) : Scaled(picture, ask.Scale);
        if (card is null)
            return FaceAnswer.Of(Missing(some));
        var ends =
            ask is { Left: { Count: > 1 } toes, Right: { Count: > 1 } others }
                ? (Between(toes[0], others[0]), Between(toes[^1], others[^1]))
            : ask is { From: { } first, To: { } last } ? (first, last)
            : FaceFinder.Find(picture, card);
        if (ends is not var (from, to))
            return FaceAnswer.Of(Troubles.Of(card, card.Middle, ask.Fillet) ?? PictureTrouble.NoBead);
        if (TooNear(from, to))
            return FaceAnswer.Of(PictureTrouble.NoBead);
        var middle = card.Plane.ToPlane(Between(from, to));
        if (Troubles.Of(card, middle, ask.Fillet) is { } trouble)
            return FaceAnswer.Of(trouble);
        var leans = ask.Fillet && card.Card is not null;
        var reading = ask is { Left: { } left, Right: { } right }
            ? FaceReader.Along(picture, card, left, right, leans)
            : FaceReader.Read(picture, card, from, to, leans);
        // Where it is pointed at the picture's rim, no bead is one that goes on past it.
        var none = AtRim(picture, card, from) || AtRim(picture, card, to) ? PictureTrouble.CutOff : PictureTrouble.NoBead;
        if (reading is null)
            return FaceAnswer.Of(none);
        var told = ask.Left is not null;
        if (!told && Troubles.Of(reading) is { } hidden)
            return FaceAnswer.Of(hidden == PictureTrouble.NoBead ? none : hidden);
        var seen = Seen(card, reading, leans, told);
        // Toes that a person set come back as they were set: measured once more they say the same.
        return new(told ? seen with { Left = ask.Left!, Right = ask.Right! } : seen, null, null);
    }

    /// <summary>Whether two taps are one: no line goes through them.</summary>
    internal static bool TooNear(Point from, Point to)
    {
        const double pixels = 10;
        return !((to - from).Size() >= pixels);
    }

    /// <summary>What is wrong where no card was made out.</summary>
    internal static PictureTrouble Missing(int markers) => markers == 0 ? PictureTrouble.NoCard : PictureTrouble.CardHidden;

    private static bool AtRim(Mat picture, CardSeen card, Point at)
    {
        const double rim = 2;
        var pixels = rim * card.Plane.PixelsPerMm(card.Plane.ToPlane(at));
        return at.X < pixels || at.Y < pixels || at.X > picture.Width - pixels || at.Y > picture.Height - pixels;
    }

    private static Point Between(Point a, Point b) => new((a.X + b.X) / 2, (a.Y + b.Y) / 2);

    /// <summary>A known length in the place of a card: seen square on, its light unknown.</summary>
    internal static CardSeen Scaled(Mat picture, KnownLength scale)
    {
        var pixels = (scale.To - scale.From).Size();
        var plane = PlaneView.Square(pixels / scale.Length.Mm);
        return new(null, plane, Camera.Of(plane, picture.Width, picture.Height), [], 0, 0, CardLight.Unknown);
    }

    private static FaceSeen Seen(CardSeen card, FaceReading reading, bool leans, bool told)
    {
        var trace = reading.Trace;
        IReadOnlyList<Point> Toe(double[] rows) =>
            [
                .. Enumerable
                    .Range(0, Points)
                    .Select(i => (int)Math.Round(i * (rows.Length - 1.0) / (Points - 1)))
                    .Distinct()
                    .Select(i => reading.Lay.Plane.ToPicture(new(Strip.Along((trace.From + i) * FaceNet.Every), Strip.Across(rows[i])))),
            ];
        IReadOnlyList<Point> Places(IReadOnlyList<FaceSpot> spots) =>
            [.. spots.Select(one => reading.Lay.Plane.ToPicture(new(one.Along, one.Across)))];
        return new(
            Toe(trace.Left),
            Toe(trace.Right),
            Places(reading.Spatter),
            Places(reading.Pores),
            reading.Lay.Plane.PixelsPerMm(new(reading.Lay.Length / 2, 0)),
            card.Card?.Kind,
            FaceGauge.Of(card, reading, leans, told),
            FaceGauge.NotSurer(card, reading, leans)
        );
    }
}
