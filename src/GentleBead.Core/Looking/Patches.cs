using OpenCvSharp;

namespace GentleBead.Core.Looking;

/// <summary>A patch of a field in which something is likely.</summary>
/// <param name="X">Its middle, by how likely each place is: pixels to the right.</param>
/// <param name="Y">Pixels downward.</param>
/// <param name="Area">How many pixels it covers, each by how likely it is.</param>
/// <param name="Likely">How likely it is where it is the likeliest, 0 to 1.</param>
internal sealed record Patch(double X, double Y, double Area, double Likely);

/// <summary>Finds patches of likely places.</summary>
internal static class Patches
{
    /// <summary>Every patch of places that touch each other, in no order.</summary>
    /// <param name="shares">How likely each place is, row by row.</param>
    /// <param name="columns">How many places a row has.</param>
    /// <param name="least">From this share on a place belongs to a patch.</param>
    public static IReadOnlyList<Patch> Of(float[] shares, int columns, double least)
    {
        using var mask = new Mat(shares.Length / columns, columns, MatType.CV_8UC1);
        mask.SetArray(Array.ConvertAll(shares, share => share > least ? byte.MaxValue : (byte)0));
        using var labels = new Mat();
        var many = Cv2.ConnectedComponents(mask, labels);
        labels.GetArray(out int[] of);
        var (area, most, x, y) = (new double[many], new double[many], new double[many], new double[many]);
        for (var i = 0; i < shares.Length; i++)
        {
            var (patch, share) = (of[i], shares[i]);
            if (patch == 0)
                continue;
            (area[patch], most[patch]) = (area[patch] + share, Math.Max(most[patch], share));
            (x[patch], y[patch]) = (x[patch] + share * (i % columns), y[patch] + share * (i / columns));
        }
        return
        [
            .. Enumerable
                .Range(1, many - 1)
                .Select(patch => new Patch(x[patch] / area[patch], y[patch] / area[patch], area[patch], most[patch])),
        ];
    }
}
