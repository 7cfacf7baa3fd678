using GentleBead.Core.Beads;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>What was read of a bead's face, in millimetres, before it is said how sure it is.</summary>
/// <param name="Lay">Where it was looked for in the end.</param>
/// <param name="Trace">Its toes.</param>
/// <param name="Ripples">Its ripples; null where none are to be seen.</param>
/// <param name="Spatter">Grains on the plate.</param>
/// <param name="Pores">Pores in the bead.</param>
/// <param name="Tint">Tint on the left and on the right; null where too little of a side is to be seen.</param>
/// <param name="Marks">What else stands out along it.</param>
internal sealed record FaceReading(
    FaceLay Lay,
    FaceTrace Trace,
    Ripples? Ripples,
    IReadOnlyList<FaceSpot> Spatter,
    IReadOnlyList<FaceSpot> Pores,
    (TintSide? Left, TintSide? Right) Tint,
    FaceMarks Marks
)
{
    /// <summary>Whether the bead comes to the picture's rim, so that there may be more of it.</summary>
    public bool CutOff { get; init; }

    /// <summary>How far short of where it was pointed at the bead begins or ends, mm: below 0 where it goes on past that.</summary>
    public double Short { get; init; }

    /// <summary>What share of it is as bright as a picture can be.</summary>
    public double Burnt { get; init; }
}

/// <summary>Reads a bead's face in a picture with a card in it.</summary>
internal static class FaceReader
{
    // Nearer to a toe than this what looks like a grain is the toe, mm; and as far into the bead what looks like a pore.
    private const double OffToe = 0.2,
        IntoBead = 0.2;

    // Grains and pores of half a millimetre and more are told; a grain of so much is seen as a little more.
    private const double SmallestGrain = 0.62,
        SmallestPore = 0.5;

    /// <summary>Reads it; null where nothing looks like a bead.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="seen">The card in it.</param>
    /// <param name="from">Where the bead begins in the picture, roughly.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="fillet">Whether its face leans between two plates.</param>
    public static FaceReading? Read(Mat picture, CardSeen seen, Point from, Point to, bool fillet)
    {
        var lay = FaceLay.OnPlate(seen, from, to);
        var hidden = seen.Corners();
        var sight = FaceSight.Of(Strip.Of(picture, lay.Plane, lay.Length, hidden, seen.Light.Balance));
        if (Trace(sight) is not { } trace)
            return null;
        var missing = Math.Max(Strip.Along(trace.From * FaceNet.Every), lay.Length - Strip.Along(trace.To * FaceNet.Every));
        if (fillet)
        {
            lay = Leaned(seen, lay, trace);
            sight = FaceSight.Of(Strip.Of(picture, lay.Plane, lay.Length, hidden, seen.Light.Balance));
            if (Trace(sight) is not { } again)
                return null;
            trace = again;
        }
        return Measure(seen, lay, sight, trace, fillet) with
        {
            CutOff = AtRim(picture, lay, trace),
            Burnt = Burnt(sight.Strip, trace),
            Short = missing,
        };
    }

    /// <summary>Reads a bead whose toes a person set.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="seen">The card in it.</param>
    /// <param name="left">Points along one toe, pixels.</param>
    /// <param name="right">Points along the other.</param>
    /// <param name="fillet">Whether its face leans between two plates.</param>
    public static FaceReading? Along(Mat picture, CardSeen seen, IReadOnlyList<Point> left, IReadOnlyList<Point> right, bool fillet)
    {
        var lay = FaceLay.OnPlate(seen, Between(left[0], right[0]), Between(left[^1], right[^1]));
        if (lay.Length < 2 * Strip.Cell * FaceNet.Every || Set(lay, left, right) is not { } trace)
            return null;
        if (fillet)
        {
            lay = Leaned(seen, lay, trace);
            if (Set(lay, left, right) is not { } again)
                return null;
            trace = again;
        }
        var sight = FaceSight.Of(Strip.Of(picture, lay.Plane, lay.Length, seen.Corners(), seen.Light.Balance));
        return Measure(seen, lay, sight, trace, fillet);
    }

    private static Point Between(Point a, Point b) => new((a.X + b.X) / 2, (a.Y + b.Y) / 2);

    // The toes as they were set, column by column.
    private static FaceTrace? Set(FaceLay lay, IReadOnlyList<Point> left, IReadOnlyList<Point> right)
    {
        Point[] On(IReadOnlyList<Point> toe) =>
            [.. toe.Select(lay.Plane.ToPlane).Select(at => new Point(Strip.ColumnAt(at.X), Strip.RowAt(at.Y))).OrderBy(at => at.X)];
        var (one, other) = (On(left), On(right));
        if (one.Average(at => at.Y) > other.Average(at => at.Y))
            (one, other) = (other, one);
        var from = (int)Math.Ceiling(Math.Min(one[0].X, other[0].X) / FaceNet.Every);
        var to = (int)Math.Floor(Math.Max(one[^1].X, other[^1].X) / FaceNet.Every);
        if (from < 0 || to - from < 5)
            return null;
        double At(Point[] toe, int column)
        {
            var x = (double)column * FaceNet.Every;
            var next = Array.FindIndex(toe, at => at.X >= x);
            if (next <= 0)
                return next == 0 ? toe[0].Y : toe[^1].Y;
            var (a, b) = (toe[next - 1], toe[next]);
            return a.Y + (x - a.X) / Math.Max(1e-9, b.X - a.X) * (b.Y - a.Y);
        }
        int[] columns = [.. Enumerable.Range(from, to - from + 1)];
        return new(from, to, [.. columns.Select(column => At(one, column))], [.. columns.Select(column => At(other, column))], 5, 0.2, 0);
    }

    private static bool AtRim(Mat picture, FaceLay lay, FaceTrace trace)
    {
        // At its ends a bead may go on where nothing is to be seen; beside it plate has to be seen.
        const double rim = 0.8,
            end = 2.5;
        var perMm = lay.Plane.PixelsPerMm(new(lay.Length / 2, 0));
        bool Out(int i, double row)
        {
            var at = lay.Plane.ToPicture(new(Strip.Along((trace.From + i) * FaceNet.Every), Strip.Across(row)));
            var pixels = (i == 0 || i == trace.Left.Length - 1 ? end : rim) * perMm;
            return at.X < pixels || at.Y < pixels || at.X > picture.Width - pixels || at.Y > picture.Height - pixels;
        }
        return Enumerable.Range(0, trace.Left.Length).Any(i => Out(i, trace.Left[i]) || Out(i, trace.Right[i]));
    }

    private static double Burnt(Strip strip, FaceTrace trace)
    {
        // Past this share of the light a picture has no more to show.
        var full = Math.Log(0.93);
        var (burnt, all) = (0, 0);
        for (var i = 0; i < trace.Left.Length; i++)
        {
            var column = (trace.From + i) * FaceNet.Every;
            for (
                var row = (int)Math.Max(0, trace.Left[i]);
                row <= trace.Right[i] && row < strip.Rows && column < strip.Columns;
                row++, all++
            )
                burnt += strip.Light[row * strip.Columns + column] > full ? 1 : 0;
        }
        return (double)burnt / Math.Max(1, all);
    }

    private static FaceReading Measure(CardSeen seen, FaceLay lay, FaceSight sight, FaceTrace trace, bool fillet)
    {
        var (strip, toe) = (sight.Strip, Beside(sight.Strip, trace));
        return new(
            lay,
            trace,
            Ripples.Of(strip, trace),
            FaceSpots.Of(sight, FacePart.Grain, [.. toe.Select((far, i) => far > OffToe && strip.Seen[i])], SmallestGrain),
            FaceSpots.Of(sight, FacePart.Pore, [.. toe.Select((far, i) => far < -IntoBead && strip.Seen[i])], SmallestPore),
            (
                TintReader.Of(sight, trace, -1, Reach(seen, lay, trace, -1, fillet)),
                TintReader.Of(sight, trace, 1, Reach(seen, lay, trace, 1, fillet))
            ),
            FaceMarks.Of(sight, trace)
        );
    }

    private static FaceTrace? Trace(FaceSight sight) => FaceTrace.Of(sight.Odds(), sight.Strip.Rows);

    // The toe on the card's side is the lower one: the face leans up from it, away from the card.
    private static FaceLay Leaned(CardSeen seen, FaceLay lay, FaceTrace trace)
    {
        var card = lay.Plane.ToPlane(seen.Plane.ToPicture(seen.Middle)).Y;
        var lower = card < 0 ? trace.Left : trace.Right;
        var (first, last) = (lower.Length / 10, lower.Length - 1 - lower.Length / 10);
        Point On(int i) =>
            seen.Plane.ToPlane(
                lay.Plane.ToPicture(new(Strip.Along((trace.From + i) * FaceNet.Every), Strip.Across(Straight(lower, first, last, i))))
            );
        // Seen from so far to the side, the width on the plate is the face's own and what leans away behind it.
        var width = trace.Left.Zip(trace.Right, (left, right) => right - left).Order().ElementAt(lower.Length / 2) * Strip.Cell;
        var slant = seen.Camera.SlantAt(On(lower.Length / 2)) * Math.PI / 180;
        return FaceLay.OnFillet(seen, On(0), On(lower.Length - 1), width * Math.Sqrt(2) / (1 + Math.Tan(slant)));
    }

    // A straight line through a toe, least squares.
    private static double Straight(double[] of, int first, int last, int at)
    {
        var many = last - first + 1;
        double x = (first + last) / 2.0,
            y = of.Skip(first).Take(many).Average(),
            xy = 0,
            xx = 0;
        for (var i = first; i <= last; i++)
            (xy, xx) = (xy + (i - x) * (of[i] - y), xx + (i - x) * (i - x));
        return y + (xx > 0 ? xy / xx * (at - x) : 0);
    }

    // How far each place is from the nearer toe, mm: below 0 on the bead. Past its ends, from the nearest end of a toe.
    private static double[] Beside(Strip strip, FaceTrace trace)
    {
        var far = new double[strip.Rows * strip.Columns];
        for (var column = 0; column < strip.Columns; column++)
        {
            var at = (double)column / FaceNet.Every - trace.From;
            var inside = Math.Clamp((int)Math.Round(at), 0, trace.Left.Length - 1);
            var past = Math.Max(0, Math.Max(-at, at - (trace.Left.Length - 1))) * FaceNet.Every;
            for (var row = 0; row < strip.Rows; row++)
            {
                var off = Math.Max(trace.Left[inside] - row, row - trace.Right[inside]);
                far[row * strip.Columns + column] = (past > 0 ? Math.Sqrt(past * past + Math.Pow(Math.Max(0, off), 2)) : off) * Strip.Cell;
            }
        }
        return far;
    }

    // How far so many rows beyond a toe are on the plate they lie on.
    private static Func<int, double> Reach(CardSeen seen, FaceLay lay, FaceTrace trace, int side, bool fillet)
    {
        if (!fillet)
            return step => step * Strip.Cell;
        var middle = trace.Left.Length / 2;
        var toes = side < 0 ? trace.Left : trace.Right;
        var (along, across) = (Strip.Along((trace.From + middle) * FaceNet.Every), Strip.Across(toes[middle]));
        var plate = side < 0 ? seen.Plane : Standing(seen, lay, trace, middle);
        var toe = plate.ToPlane(lay.Plane.ToPicture(new(along, across)));
        return step => (plate.ToPlane(lay.Plane.ToPicture(new(along, across + side * step * Strip.Cell))) - toe).Size();
    }

    // The plate that stands on the lower one: it rises where the legs meet.
    private static PlaneView Standing(CardSeen seen, FaceLay lay, FaceTrace trace, int middle)
    {
        Point Lower(int i) =>
            seen.Plane.ToPlane(lay.Plane.ToPicture(new(Strip.Along((trace.From + i) * FaceNet.Every), Strip.Across(trace.Left[middle]))));
        var (from, to) = (Lower(0), Lower(trace.Left.Length - 1));
        var along = (to - from).Unit();
        var leg = (trace.Right[middle] - trace.Left[middle]) * Strip.Cell / Math.Sqrt(2);
        var root = new Point(from.X - along.Y * leg, from.Y + along.X * leg);
        const double upright = 90;
        return seen.Camera.Leaning(seen.Plane, root, along, upright, 0);
    }
}
