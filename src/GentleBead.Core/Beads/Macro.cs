using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Beads;

/// <summary>A point on a picture, in its pixels, from the upper left.</summary>
/// <param name="X">To the right.</param>
/// <param name="Y">Downward.</param>
public readonly record struct Point(double X, double Y)
{
    /// <summary>The way from one point to another.</summary>
    public static Point operator -(Point to, Point from) => new(to.X - from.X, to.Y - from.Y);

    /// <summary>How long the way is.</summary>
    public double Size() => Math.Sqrt(X * X + Y * Y);

    /// <summary>How far this reaches along a way of length 1.</summary>
    public double Along(Point unit) => X * unit.X + Y * unit.Y;

    /// <summary>This way at length 1.</summary>
    public Point Unit() => Size() is > 0 and var size ? new Point(X / size, Y / size) : this;
}

/// <summary>A dark line left of the original joint: not fused.</summary>
/// <param name="From">One end.</param>
/// <param name="To">The other.</param>
public readonly record struct UnfusedLine(Point From, Point To);

/// <summary>What was marked on the picture of a cut and etched section.</summary>
/// <param name="ScaleFrom">One end of something of known length.</param>
/// <param name="ScaleTo">Its other end.</param>
/// <param name="ScaleLength">That length; above 0.</param>
/// <param name="Root">Where the plates met: the corner of a fillet, the middle of a bead's face line otherwise.</param>
/// <param name="LowerToe">The toe on the lower plate, or the left one.</param>
/// <param name="UpperToe">The toe on the standing plate, or the right one.</param>
/// <param name="Face">Points along the face between the toes; at least its highest.</param>
/// <param name="FusionLine">Points along the fusion line, toe to toe; may be empty when it cannot be seen.</param>
/// <param name="Unfused">Dark straight lines left of the joint.</param>
/// <param name="Plane">How the section lies in the picture, where a card beside it says: nine numbers of a homography from its
/// millimetres to pixels. It is measured by then, and not by the scale. Null: seen square on, by the scale.</param>
public sealed record MacroMarks(
    Point ScaleFrom,
    Point ScaleTo,
    Length ScaleLength,
    Point Root,
    Point LowerToe,
    Point UpperToe,
    IReadOnlyList<Point> Face,
    IReadOnlyList<Point> FusionLine,
    IReadOnlyList<UnfusedLine> Unfused,
    IReadOnlyList<double>? Plane = null
)
{
    private const double LeastPixels = 10;

    // A plane with fewer or more pixels a millimetre than this is none that a camera took.
    private const double LeastPerMm = 1,
        MostPerMm = 400;

    /// <summary>What is wrong with the marks by the mark's name, or nothing.</summary>
    /// <param name="width">Width of the picture in pixels.</param>
    /// <param name="height">Height of the picture in pixels.</param>
    public IEnumerable<Problem> Problems(int width, int height)
    {
        if (ScaleLength.Mm is not (>= 0.1 and <= 500))
            yield return new("scaleLengthMm", Say($"A scale between 0.1 and 500 mm."));
        if (!((ScaleTo - ScaleFrom).Size() >= LeastPixels))
            yield return new("scale", Say($"The two ends of the scale stand too near each other to measure by."));
        if (!((LowerToe - UpperToe).Size() >= LeastPixels))
            yield return new("toes", Say($"The two toes stand too near each other to measure."));
        if (Face.Count is 0 or > 40)
            yield return new("face", Say($"Mark the face: at least its highest point, at most 40."));
        if (FusionLine.Count > 80)
            yield return new("fusionLine", Say($"At most 80 points along the fusion line."));
        if (Unfused.Count > 20)
            yield return new("unfused", Say($"At most 20 unfused lines."));
        if (Plane is not null && !CanBeSeen())
            yield return new("plane", Say($"How the section lies in the picture does not make sense."));
        Point[] all =
        [
            ScaleFrom,
            ScaleTo,
            Root,
            LowerToe,
            UpperToe,
            .. Face,
            .. FusionLine,
            .. Unfused.SelectMany(line => new[] { line.From, line.To }),
        ];
        if (all.Any(point => !(point.X >= 0 && point.X <= width && point.Y >= 0 && point.Y <= height)))
            yield return new("marks", Say($"A mark lies outside the picture."));
    }

    /// <summary>The same marks in millimetres on the section.</summary>
    internal MacroMarks OnPlane()
    {
        Func<Point, Point> on;
        if (Plane is { } plane)
            on = new PlaneView(plane).ToPlane;
        else
        {
            var mm = ScaleLength.Mm / (ScaleTo - ScaleFrom).Size();
            on = at => new(at.X * mm, at.Y * mm);
        }
        return new(
            on(ScaleFrom),
            on(ScaleTo),
            ScaleLength,
            on(Root),
            on(LowerToe),
            on(UpperToe),
            [.. Face.Select(on)],
            [.. FusionLine.Select(on)],
            [.. Unfused.Select(line => new UnfusedLine(on(line.From), on(line.To)))]
        );
    }

    private bool CanBeSeen()
    {
        if (!PlaneView.CanBe(Plane!))
            return false;
        var view = new PlaneView(Plane!);
        return view.PixelsPerMm(view.ToPlane(Root)) is >= LeastPerMm and <= MostPerMm;
    }
}

/// <summary>What a section measured.</summary>
/// <param name="LowerLeg">Leg on the lower plate; null where the joint has no legs.</param>
/// <param name="UpperLeg">Leg on the standing plate; null where the joint has no legs.</param>
/// <param name="Throat">Actual throat: the shortest way from the root to the face; null where the joint has no legs.</param>
/// <param name="Width">Toe to toe.</param>
/// <param name="Reinforcement">How far the face stands over the line between the toes; 0 when it lies under it.</param>
/// <param name="RootPenetration">How far the fusion line goes past the root, away from the face; null without a fusion line.</param>
/// <param name="LowerPenetration">How far it goes into the lower plate beside the root; null without legs or line.</param>
/// <param name="UpperPenetration">How far it goes into the standing plate; null likewise.</param>
/// <param name="UnfusedLength">All unfused lines together.</param>
public sealed record MacroMeasures(
    Length? LowerLeg,
    Length? UpperLeg,
    Length? Throat,
    Length Width,
    Length Reinforcement,
    Length? RootPenetration,
    Length? LowerPenetration,
    Length? UpperPenetration,
    Length UnfusedLength
)
{
    /// <summary>Measures a marked section.</summary>
    /// <param name="marks">What was marked; without problems.</param>
    /// <param name="measure">How this joint's bead is measured.</param>
    public static MacroMeasures Of(MacroMarks marks, BeadMeasure measure)
    {
        marks = marks.OnPlane();
        var (root, lower, upper) = (marks.Root, marks.LowerToe, marks.UpperToe);
        var chord = (upper - lower).Unit();
        // Square to the line between the toes, on the face's side: away from the root for a fillet, else where the face was marked.
        var outward = new Point(-chord.Y, chord.X);
        var side = measure == BeadMeasure.Leg ? -(root - lower).Along(outward) : marks.Face.Sum(point => (point - lower).Along(outward));
        if (side < 0)
            outward = new Point(-outward.X, -outward.Y);
        var over = marks.Face.Max(point => (point - lower).Along(outward));
        var unfused = marks.Unfused.Sum(line => (line.To - line.From).Size());
        var seen = marks.FusionLine.Count > 0;

        if (measure != BeadMeasure.Leg)
        {
            var depth = seen ? marks.FusionLine.Max(point => -(point - lower).Along(outward)) : 0;
            return new(null, null, null, Mm((upper - lower).Size()), Mm(over), seen ? Mm(depth) : null, null, null, Mm(unfused));
        }
        var alongLower = (lower - root).Unit();
        var alongUpper = (upper - root).Unit();
        return new(
            Mm((lower - root).Size()),
            Mm((upper - root).Size()),
            Mm(Nearest(root, [lower, .. marks.Face, upper])),
            Mm((upper - lower).Size()),
            Mm(over),
            seen ? Mm(marks.FusionLine.Max(point => -(point - root).Along(outward))) : null,
            seen ? Mm(Into(alongLower, alongUpper)) : null,
            seen ? Mm(Into(alongUpper, alongLower)) : null,
            Mm(unfused)
        );

        // How far fusion goes under a plate's surface: square to it, on the side the other plate does not stand.
        double Into(Point surface, Point other)
        {
            var square = new Point(-surface.Y, surface.X);
            if (other.Along(square) > 0)
                square = new Point(-square.X, -square.Y);
            return marks
                .FusionLine.Where(point => (point - root).Along(surface) > 0)
                .Select(point => (point - root).Along(square))
                .DefaultIfEmpty(0)
                .Max();
        }

        static Length Mm(double of) => Length.FromMm(Math.Max(0, of));
    }

    // The shortest way from the root to the face drawn through its points in their order along the toes' line.
    private static double Nearest(Point root, Point[] face)
    {
        var way = face[^1] - face[0];
        var ordered = face.OrderBy(point => (point - face[0]).Along(way)).ToArray();
        var least = double.PositiveInfinity;
        for (var i = 1; i < ordered.Length; i++)
            least = Math.Min(least, ToLine(root, ordered[i - 1], ordered[i]));
        return least;
    }

    private static double ToLine(Point point, Point from, Point to)
    {
        var way = to - from;
        var share = way.Size() == 0 ? 0 : Math.Clamp((point - from).Along(way) / (way.Size() * way.Size()), 0, 1);
        return (point - new Point(from.X + share * way.X, from.Y + share * way.Y)).Size();
    }
}
