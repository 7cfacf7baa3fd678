using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>
/// Where a score over a field changes sides, as lines between its pixels: closed round a patch, in pixels of the field.
/// </summary>
internal static class SectionOutline
{
    private const int Side = SectionField.Side;

    // A rim this wide about a score's patch is smoothed away, and thinner bridges cut, pixels.
    private const int Thin = 5;

    private const double Even = 2;

    /// <summary>A score's value between its pixels.</summary>
    public static double At(float[] score, Point at)
    {
        var (x, y) = (Math.Clamp(at.X, 0, Side - 1.001), Math.Clamp(at.Y, 0, Side - 1.001));
        var (left, top) = ((int)x, (int)y);
        var (u, v) = (x - left, y - top);
        var i = top * Side + left;
        return (1 - v) * ((1 - u) * score[i] + u * score[i + 1]) + v * ((1 - u) * score[i + Side] + u * score[i + Side + 1]);
    }

    /// <summary>A score, softened.</summary>
    public static float[] Soft(float[] score, double by)
    {
        using var whole = Mat.FromPixelData(Side, Side, MatType.CV_32FC1, score);
        using var soft = new Mat();
        Cv2.GaussianBlur(whole, soft, new Size(), by, by, BorderTypes.Replicate);
        soft.GetArray(out float[] values);
        return values;
    }

    /// <summary>The patch that has the most of a score above 0, as a mask; null where none is.</summary>
    /// <param name="score">The score.</param>
    /// <param name="onto">What it has to lie on, if anything: 255 there.</param>
    public static Mat? Patch(float[] score, Mat? onto = null)
    {
        using var mask = new Mat(Side, Side, MatType.CV_8UC1);
        mask.SetArray([.. score.Select(one => one > 0 ? byte.MaxValue : (byte)0)]);
        using var shape = Cv2.GetStructuringElement(MorphShapes.Ellipse, new Size(Thin, Thin));
        Cv2.MorphologyEx(mask, mask, MorphTypes.Open, shape);
        using var labels = new Mat();
        var many = Cv2.ConnectedComponents(mask, labels);
        labels.GetArray(out int[] of);
        byte[]? wanted = null;
        onto?.GetArray(out wanted);
        var sums = new double[many];
        for (var i = 0; i < of.Length; i++)
            sums[of[i]] += of[i] > 0 && (wanted is null || wanted[i] > 0) ? Math.Max(0, score[i]) : 0;
        if (sums.Max() <= 0)
            return null;
        var best = Array.IndexOf(sums, sums.Max());
        var patch = new Mat(Side, Side, MatType.CV_8UC1);
        patch.SetArray([.. of.Select(one => one == best ? byte.MaxValue : (byte)0)]);
        return patch;
    }

    /// <summary>Round a patch, on the line where the score is 0.</summary>
    public static Point[] Round(float[] score, Mat patch)
    {
        Cv2.FindContours(patch, out var found, out _, RetrievalModes.External, ContourApproximationModes.ApproxNone);
        var longest = found.MaxBy(one => one.Length)!;
        var points = Smooth([.. longest.Select(at => new Point(at.X, at.Y))]);
        var outward = Outward(points);
        return Smooth([.. points.Zip(outward, (at, way) => Crossing(score, at, way))]);
    }

    /// <summary>The longest stretch of a closed line's points that hold: first, last, how many; null where all do or none.</summary>
    /// <param name="holds">Whether each point does.</param>
    public static (int From, int To, int Length)? Longest(bool[] holds)
    {
        var begin = Array.IndexOf(holds, false);
        if (begin < 0)
            return null;
        var (best, from, run) = (0, 0, 0);
        for (var k = 1; k <= holds.Length; k++)
        {
            run = holds[(begin + k) % holds.Length] ? run + 1 : 0;
            if (run > best)
                (best, from) = (run, (begin + k - run + 1) % holds.Length);
        }
        return best == 0 ? null : (from, (from + best - 1) % holds.Length, best);
    }

    /// <summary>Which way a closed line goes round: 1 with the clock, for downward counts as more; -1 against it.</summary>
    public static int Turns(Point[] points)
    {
        var area = 0.0;
        for (var i = 0; i < points.Length; i++)
        {
            var next = points[(i + 1) % points.Length];
            area += points[i].X * next.Y - next.X * points[i].Y;
        }
        return area > 0 ? 1 : -1;
    }

    /// <summary>The way out of a closed line at each of its points, length 1.</summary>
    public static Point[] Outward(Point[] points)
    {
        const int reach = 3;
        // With the clock, outside is on the left hand.
        var side = Turns(points);
        return
        [
            .. points.Select(
                (_, i) =>
                {
                    var way = (points[(i + reach) % points.Length] - points[(i - reach + points.Length) % points.Length]).Unit();
                    return new Point(side * way.Y, -side * way.X);
                }
            ),
        ];
    }

    private static Point Crossing(float[] score, Point at, Point way)
    {
        const double reach = 3,
            step = 0.25;
        Point? best = null;
        var nearest = reach + 1;
        for (var by = -reach; by < reach; by += step)
        {
            var (a, b) = (At(score, Along(at, way, by)), At(score, Along(at, way, by + step)));
            if (a < 0 || b >= 0)
                continue;
            var off = by + step * a / (a - b);
            if (Math.Abs(off) < nearest)
                (best, nearest) = (Along(at, way, off), Math.Abs(off));
        }
        return best ?? at;
    }

    /// <summary>So far along a way.</summary>
    public static Point Along(Point from, Point way, double by) => new(from.X + by * way.X, from.Y + by * way.Y);

    private static Point[] Smooth(Point[] points)
    {
        var reach = (int)(2.5 * Even);
        var weights = Enumerable.Range(-reach, 2 * reach + 1).Select(i => Math.Exp(-i * i / (2 * Even * Even))).ToArray();
        var total = weights.Sum();
        var smooth = new Point[points.Length];
        for (var i = 0; i < points.Length; i++)
        {
            double x = 0,
                y = 0;
            for (var k = -reach; k <= reach; k++)
            {
                var at = points[((i + k) % points.Length + points.Length) % points.Length];
                (x, y) = (x + weights[k + reach] * at.X, y + weights[k + reach] * at.Y);
            }
            smooth[i] = new(x / total, y / total);
        }
        return smooth;
    }
}
