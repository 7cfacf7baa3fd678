using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>Which card lies beside what is looked at.</summary>
public enum CardKind
{
    /// <summary>A long one that lies beside a bead.</summary>
    Bead,

    /// <summary>A small one with a window, on the wall or the bench, that a section is held in.</summary>
    Section,
}

/// <summary>A marker of a card: a square with a number that a camera can read.</summary>
/// <param name="Number">Which one of the dictionary.</param>
/// <param name="At">Its upper left corner on the card, mm.</param>
/// <param name="Side">How long its sides are, mm.</param>
public readonly record struct CardMarker(int Number, Point At, double Side)
{
    /// <summary>Its corners on the card, mm, from the upper left one clockwise.</summary>
    public Point[] Corners() => [At, new(At.X + Side, At.Y), new(At.X + Side, At.Y + Side), new(At.X, At.Y + Side)];
}

/// <summary>A patch of one colour on a card.</summary>
/// <param name="At">Its upper left corner on the card, mm.</param>
/// <param name="Width">How wide, mm.</param>
/// <param name="Height">How high, mm.</param>
/// <param name="Red">Red as printed, sRGB, 0 to 255.</param>
/// <param name="Green">Green as printed, sRGB, 0 to 255.</param>
/// <param name="Blue">Blue as printed, sRGB, 0 to 255.</param>
public readonly record struct CardPatch(Point At, double Width, double Height, byte Red, byte Green, byte Blue)
{
    /// <summary>Whether it has no colour of its own.</summary>
    public bool IsGrey => Red == Green && Green == Blue;
}

/// <summary>
/// A card as it is printed: markers that say where it lies and how large it looks, and patches that say what the light does to greys
/// and colours. Everything in millimetres from its upper left corner, to the right and downward.
/// </summary>
public sealed class Card
{
    private const double Pitch = 16,
        BeadSide = 10,
        SectionSide = 6;

    private Card(CardKind kind, double width, double height) => (Kind, Width, Height) = (kind, width, height);

    /// <summary>Which card.</summary>
    public CardKind Kind { get; }

    /// <summary>How wide it is, mm.</summary>
    public double Width { get; }

    /// <summary>How high it is, mm.</summary>
    public double Height { get; }

    /// <summary>Its markers.</summary>
    public IReadOnlyList<CardMarker> Markers { get; private init; } = [];

    /// <summary>Its patches, white first, then darker, then colours.</summary>
    public IReadOnlyList<CardPatch> Patches { get; private init; } = [];

    /// <summary>What is cut out of it: its upper left corner and its sides, mm; null where nothing is.</summary>
    public (Point At, double Width, double Height)? Window { get; private init; }

    /// <summary>The card that lies beside a bead.</summary>
    public static Card Bead { get; } =
        new(CardKind.Bead, 150, 44)
        {
            Markers =
            [
                .. Enumerable.Range(0, 9).Select(i => new CardMarker(i, new(6 + i * Pitch, 4), BeadSide)),
                .. Enumerable.Range(0, 9).Select(i => new CardMarker(9 + i, new(6 + i * Pitch, 30), BeadSide)),
            ],
            Patches =
            [
                .. Tones.Index().Select(tone => Patch(new(6 + tone.Index * Pitch, 18), tone.Item)),
                .. Colours.Index().Select(colour => Patch(new(6 + (5 + colour.Index) * Pitch, 18), colour.Item)),
            ],
        };

    /// <summary>The card with a window that a section is held in.</summary>
    public static Card Section { get; } =
        new(CardKind.Section, 70, 70)
        {
            Markers = [.. Ring().Index().Select(place => new CardMarker(20 + place.Index, place.Item, SectionSide))],
            Patches = [new(new(28, 13.5), 4, 3, 255, 255, 255), new(new(33, 13.5), 4, 3, 128, 128, 128), new(new(38, 13.5), 4, 3, 0, 0, 0)],
            Window = (new(18, 18), 34, 34),
        };

    /// <summary>Both cards.</summary>
    public static IReadOnlyList<Card> All { get; } = [Bead, Section];

    /// <summary>The card as a printer made it that prints everything so many times as large.</summary>
    /// <param name="by">What its bar of 100 mm measures, over 100 mm; 0.8 to 1.25.</param>
    public Card Printed(double by) =>
        new(Kind, Width * by, Height * by)
        {
            Markers = [.. Markers.Select(one => new CardMarker(one.Number, Times(one.At, by), one.Side * by))],
            Patches = [.. Patches.Select(one => one with { At = Times(one.At, by), Width = one.Width * by, Height = one.Height * by })],
            Window = Window is var (at, width, height) ? (Times(at, by), width * by, height * by) : null,
        };

    private static Point Times(Point of, double by) => new(of.X * by, of.Y * by);

    private static byte[] Tones => [255, 191, 128, 64, 0];

    private static (byte Red, byte Green, byte Blue)[] Colours => [(200, 40, 40), (230, 200, 40), (40, 150, 70), (40, 80, 180)];

    private static CardPatch Patch(Point at, byte tone) => new(at, BeadSide, 8, tone, tone, tone);

    private static CardPatch Patch(Point at, (byte Red, byte Green, byte Blue) of) => new(at, BeadSide, 8, of.Red, of.Green, of.Blue);

    // Round the window, from the upper left corner clockwise.
    private static IEnumerable<Point> Ring()
    {
        const double near = 5,
            far = 59,
            step = 13.5;
        for (var i = 0; i < 4; i++)
            yield return new(near + i * step, near);
        for (var i = 0; i < 4; i++)
            yield return new(far, near + i * step);
        for (var i = 0; i < 4; i++)
            yield return new(far - i * step, far);
        for (var i = 0; i < 4; i++)
            yield return new(near, far - i * step);
    }
}
