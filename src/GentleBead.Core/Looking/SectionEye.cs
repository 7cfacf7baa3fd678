using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>What is asked of the eye about a section.</summary>
/// <param name="Joint">What was welded.</param>
/// <param name="Scale">A known length; null with a card.</param>
/// <param name="Middle">Where the section is, pixels; null for the picture's middle. With a card its window says.</param>
/// <param name="Printed">How many times as large as it should be the card was printed: <see cref="Card.Printed"/>.</param>
public sealed record SectionAsk(Joint Joint, KnownLength? Scale = null, Point? Middle = null, double Printed = 1);

/// <summary>What the eye saw of a section: a proposal, to be looked over.</summary>
/// <param name="Marks">Where it would mark it.</param>
/// <param name="Measures">What that measures, and between what each lies.</param>
/// <param name="Sure">How clearly weld metal stands out from plate: 0 not at all, 1 as clearly as can be.</param>
/// <param name="Edges">Lines in the picture that a mark can be laid on, pixels.</param>
/// <param name="Card">Which card it was measured by; null by a known length.</param>
/// <param name="NotSurer">Why it is not surer, in words; empty where nothing stands in the way.</param>
public sealed record SectionSeen(
    MacroMarks Marks,
    SectionMeasures Measures,
    double Sure,
    IReadOnlyList<IReadOnlyList<Point>> Edges,
    CardKind? Card,
    IReadOnlyList<Said> NotSurer
);

/// <summary>What came of looking at a section: what was seen, or why nothing could be measured.</summary>
/// <param name="Section">What was seen; null with a trouble.</param>
/// <param name="Trouble">Why not; null with a section.</param>
/// <param name="Do">What to do about the trouble; null without one.</param>
public sealed record SectionAnswer(SectionSeen? Section, PictureTrouble? Trouble, Said? Do)
{
    internal static SectionAnswer Of(PictureTrouble trouble) => new(null, trouble, trouble.Do());
}

/// <summary>The eye on a cut, polished and etched section: it proposes the marks that a person would set.</summary>
public static class SectionEye
{
    // Of these joints it has met drawn sections; of others it proposes nothing.
    private static readonly Joint[] Known = [Joint.BeadOnPlate, Joint.Lap, Joint.T, Joint.SquareButt, Joint.VButt];

    // Weld metal that stands out less than this is not told from plate.
    private const double LeastSure = 0.4;

    private const double FaintSure = 0.6;

    /// <summary>Looks at a section.</summary>
    /// <param name="picture">The picture, blue, green and red, a byte each.</param>
    /// <param name="ask">What is asked.</param>
    public static SectionAnswer Look(Mat picture, SectionAsk ask)
    {
        ArgumentNullException.ThrowIfNull(picture);
        ArgumentNullException.ThrowIfNull(ask);
        if (!Known.Contains(ask.Joint))
            return SectionAnswer.Of(PictureTrouble.StrangeJoint);
        var some = 0;
        var card = ask.Scale is null ? CardReader.Find(picture, out some, ask.Printed) : Eye.Scaled(picture, ask.Scale);
        if (card is null || card.Card is { Window: null })
            return SectionAnswer.Of(some == 0 ? PictureTrouble.NoWindow : PictureTrouble.CardHidden);
        var middle = ask.Middle ?? new Point(picture.Width / 2.0, picture.Height / 2.0);
        if (Troubles.Of(card, card.Card is null ? card.Plane.ToPlane(middle) : card.Middle, fillet: false) is { } trouble)
            return SectionAnswer.Of(trouble);
        var field = SectionField.Of(picture, card, middle);
        if (SectionTroubles.Of(field) is { } hidden)
            return SectionAnswer.Of(hidden);
        var measure = ask.Joint.Facts().Measure;
        var trace = SectionTrace.Of(field, SectionModel.Weigh(field), ask.Joint);
        if (trace is null || trace.Sure < LeastSure)
            return SectionAnswer.Of(PictureTrouble.NoWeld);
        var marks = Marks(field, trace);
        // Marks that a person could not keep as they are propose nothing.
        if (marks.Problems(picture.Width, picture.Height).Any())
            return SectionAnswer.Of(PictureTrouble.NoWeld);
        return new(
            new(
                marks,
                SectionGauge.Of(MacroMeasures.Of(marks, measure), card, trace),
                trace.Sure,
                SectionEdges.Of(field, trace),
                card.Card?.Kind,
                NotSurer(card, trace)
            ),
            null,
            null
        );
    }

    private static MacroMarks Marks(SectionField field, SectionTrace trace)
    {
        Point On(Point at) => field.Plane.ToPicture(new(at.X * SectionField.Cell, at.Y * SectionField.Cell));
        Point[] All(IEnumerable<Point> of) => [.. of.Select(On)];
        // Ten millimetres of the plane, about the root.
        const double half = 50;
        return new(
            On(new(trace.Root.X - half, trace.Root.Y)),
            On(new(trace.Root.X + half, trace.Root.Y)),
            Length.FromMm(2 * half * SectionField.Cell),
            On(trace.Root),
            On(trace.Lower),
            On(trace.Upper),
            All(trace.Face),
            All(trace.Fusion),
            [.. trace.Unfused.Select(line => new UnfusedLine(On(line.From), On(line.To)))],
            field.Plane.Matrix
        );
    }

    private static List<Said> NotSurer(CardSeen card, SectionTrace trace)
    {
        List<Said> why = [];
        if (card.Card is null)
            why.Add(Say($"No card: it is taken as seen square on."));
        if (card.Plane.PixelsPerMm(card.Middle) < 1.4 * Troubles.LeastPixelsPerMm)
            why.Add(Say($"Few pixels a millimetre: nearer would show more."));
        if (card.BlurMm > 0.09)
            why.Add(Say($"Not quite sharp."));
        if (trace.Sure < FaintSure)
            why.Add(Say($"Weld metal hardly stands out from plate: polish finer, etch a little longer."));
        if (trace.Unfused.Length > 0)
            why.Add(Say($"A dark line may be a scratch or a gap: look at it slantingly with a loupe."));
        return why;
    }
}
