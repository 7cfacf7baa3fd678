using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>
/// A marker's sides found to a small part of a pixel: where the picture goes from the paper's white to the marker's black, at many places
/// along each side, and a straight line through them. How wide that step is says how sharp the picture is.
/// </summary>
internal static class EdgeFit
{
    private const int Places = 24;

    // Steps of the walk across an edge, pixels.
    private const double Step = 0.25;

    // Away from the corners, where two edges smear into each other.
    private const double Margin = 0.14;

    // A module of the marker is a sixth of its side: no walk reaches past half of one on either side.
    private const double ReachShare = 0.42 / 6;

    private const double LeastReach = 1.5,
        MostReach = 14;

    // Darker to brighter by less than this is no edge of a marker.
    private const double LeastContrast = 12;

    // Points further off the line than this, in standard deviations, are something else: a scratch, a spark, a finger's rim.
    private const double Outlying = 2.5;

    /// <summary>A marker's corners and how wide its edges are smeared, pixels; null where a side cannot be found.</summary>
    /// <param name="grey">The picture, one byte a pixel.</param>
    /// <param name="rough">Its corners, roughly, clockwise.</param>
    public static (Point[] Corners, double Blur)? Refine(Grey grey, Point[] rough)
    {
        var lines = new (Point At, Point Way)[4];
        var blurs = new List<double>();
        for (var side = 0; side < 4; side++)
        {
            if (Line(grey, rough[side], rough[(side + 1) % 4], blurs) is not { } line)
                return null;
            lines[side] = line;
        }
        var corners = new Point[4];
        for (var i = 0; i < 4; i++)
        {
            if (Meet(lines[(i + 3) % 4], lines[i]) is not { } corner)
                return null;
            corners[i] = corner;
        }
        blurs.Sort();
        return (corners, blurs[blurs.Count / 2]);
    }

    private static (Point At, Point Way)? Line(Grey grey, Point from, Point to, List<double> blurs)
    {
        var along = to - from;
        var length = along.Size();
        // Clockwise corners have the inside on the right hand: outward is to the left.
        var outward = new Point(along.Y / length, -along.X / length);
        var reach = Math.Clamp(length * ReachShare, LeastReach, MostReach);
        var found = new List<Point>();
        for (var i = 0; i < Places; i++)
        {
            var share = Margin + (1 - 2 * Margin) * i / (Places - 1);
            var middle = new Point(from.X + share * along.X, from.Y + share * along.Y);
            if (Across(grey, middle, outward, reach) is not { } edge)
                continue;
            found.Add(new(middle.X + edge.At * outward.X, middle.Y + edge.At * outward.Y));
            blurs.Add(edge.Blur);
        }
        return found.Count < Places / 2 ? null : Fit(found);
    }

    // Where the step lies along the walk, and how wide it is: middle and spread of the slope.
    private static (double At, double Blur)? Across(Grey grey, Point middle, Point outward, double reach)
    {
        var steps = (int)(2 * reach / Step);
        Span<double> levels = stackalloc double[steps + 1];
        for (var i = 0; i <= steps; i++)
        {
            var at = i * Step - reach;
            if (grey.At(middle.X + at * outward.X, middle.Y + at * outward.Y) is not { } level)
                return null;
            levels[i] = level;
        }
        var contrast = (levels[steps] + levels[steps - 1] - levels[0] - levels[1]) / 2;
        if (contrast < LeastContrast)
            return null;
        // Slopes far from the steepest are the paper's grain, not the edge.
        double steepest = 0;
        for (var i = 1; i <= steps; i++)
            steepest = Math.Max(steepest, levels[i] - levels[i - 1]);
        double weight = 0,
            mean = 0,
            square = 0;
        for (var i = 1; i <= steps; i++)
        {
            var slope = levels[i] - levels[i - 1] - 0.1 * steepest;
            if (slope <= 0)
                continue;
            var at = (i - 0.5) * Step - reach;
            weight += slope;
            mean += slope * at;
            square += slope * at * at;
        }
        mean /= weight;
        return (mean, Math.Sqrt(Math.Max(0, square / weight - mean * mean)));
    }

    // Total least squares, once more without what lies off.
    private static (Point At, Point Way) Fit(List<Point> points)
    {
        var line = Straight(points);
        var square = new Point(-line.Way.Y, line.Way.X);
        var spread = Math.Sqrt(points.Average(point => Math.Pow((point - line.At).Along(square), 2)));
        var near = points.Where(point => Math.Abs((point - line.At).Along(square)) <= Outlying * spread).ToList();
        return near.Count >= Places / 3 ? Straight(near) : line;
    }

    private static (Point At, Point Way) Straight(List<Point> points)
    {
        var middle = new Point(points.Average(point => point.X), points.Average(point => point.Y));
        double xx = 0,
            xy = 0,
            yy = 0;
        foreach (var point in points)
        {
            var off = point - middle;
            (xx, xy, yy) = (xx + off.X * off.X, xy + off.X * off.Y, yy + off.Y * off.Y);
        }
        var angle = 0.5 * Math.Atan2(2 * xy, xx - yy);
        return (middle, new(Math.Cos(angle), Math.Sin(angle)));
    }

    private static Point? Meet((Point At, Point Way) one, (Point At, Point Way) other)
    {
        var turn = one.Way.X * other.Way.Y - one.Way.Y * other.Way.X;
        if (Math.Abs(turn) < 0.1)
            return null;
        var between = other.At - one.At;
        var far = (between.X * other.Way.Y - between.Y * other.Way.X) / turn;
        return new(one.At.X + far * one.Way.X, one.At.Y + far * one.Way.Y);
    }
}
