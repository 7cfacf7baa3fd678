using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>Points of a section that the network finds by themselves, in pixels of the field.</summary>
internal static class SectionPoints
{
    private const int Side = SectionField.Side;

    // From this share on a place belongs to a point's patch, and a patch is a point from that share on somewhere in it.
    private const float Least = 0.15f,
        Likely = 0.3f;

    /// <summary>The points there are, the likeliest first: the middle of each patch.</summary>
    /// <param name="near">How likely each place is near one.</param>
    public static Point[] Of(float[] near)
    {
        using var mask = new Mat(Side, Side, MatType.CV_8UC1);
        mask.SetArray(Array.ConvertAll(near, share => share > Least ? byte.MaxValue : (byte)0));
        using var labels = new Mat();
        var many = Cv2.ConnectedComponents(mask, labels);
        labels.GetArray(out int[] of);
        var (sum, most, x, y) = (new double[many], new float[many], new double[many], new double[many]);
        for (var i = 0; i < near.Length; i++)
        {
            var patch = of[i];
            if (patch == 0)
                continue;
            (sum[patch], most[patch]) = (sum[patch] + near[i], Math.Max(most[patch], near[i]));
            (x[patch], y[patch]) = (x[patch] + near[i] * (i % Side), y[patch] + near[i] * (i / Side));
        }
        return
        [
            .. Enumerable
                .Range(1, many - 1)
                .Where(patch => most[patch] > Likely)
                .OrderByDescending(patch => sum[patch])
                .Select(patch => new Point(x[patch] / sum[patch], y[patch] / sum[patch])),
        ];
    }
}
