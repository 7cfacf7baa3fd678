using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>A straight line through points: the one they lie off the least, square to it.</summary>
/// <param name="At">A point of it.</param>
/// <param name="Way">Which way it goes, length 1.</param>
internal readonly record struct SectionLine(Point At, Point Way)
{
    /// <summary>Through points; at least two.</summary>
    public static SectionLine Through(IReadOnlyList<Point> points)
    {
        var (x, y) = (points.Average(at => at.X), points.Average(at => at.Y));
        double xx = 0,
            xy = 0,
            yy = 0;
        foreach (var at in points)
        {
            xx += (at.X - x) * (at.X - x);
            xy += (at.X - x) * (at.Y - y);
            yy += (at.Y - y) * (at.Y - y);
        }
        var turn = 0.5 * Math.Atan2(2 * xy, xx - yy);
        var way = new Point(Math.Cos(turn), Math.Sin(turn));
        return new(new(x, y), (points[^1] - points[0]).Along(way) < 0 ? new(-way.X, -way.Y) : way);
    }

    /// <summary>How far a point lies beside it.</summary>
    public double Off(Point point) => Math.Abs((point - At).Along(new(-Way.Y, Way.X)));

    /// <summary>The point of it next to another.</summary>
    public Point Foot(Point point) => SectionOutline.Along(At, Way, (point - At).Along(Way));

    /// <summary>The angle to another line, degrees: 0 to 90.</summary>
    public double Angle(SectionLine other) => Math.Acos(Math.Min(1, Math.Abs(Way.Along(other.Way)))) * 180 / Math.PI;

    /// <summary>Where it meets another; null where they hardly do.</summary>
    /// <param name="other">The other.</param>
    /// <param name="least">The smallest angle between them that says where, degrees.</param>
    public Point? Meets(SectionLine other, double least)
    {
        if (Angle(other) < least)
            return null;
        var cross = Way.X * other.Way.Y - Way.Y * other.Way.X;
        var to = other.At - At;
        return SectionOutline.Along(At, Way, (to.X * other.Way.Y - to.Y * other.Way.X) / cross);
    }
}
