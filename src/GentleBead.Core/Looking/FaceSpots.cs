using OpenCvSharp;

namespace GentleBead.Core.Looking;

/// <summary>Something round on a strip: a grain of spatter, or a pore.</summary>
/// <param name="Along">How far along the line, mm.</param>
/// <param name="Across">How far beside it, mm.</param>
/// <param name="DiameterMm">How wide a disc of its area is.</param>
/// <param name="Likely">How likely it is what it is taken for, 0 to 1.</param>
internal sealed record FaceSpot(double Along, double Across, double DiameterMm, double Likely);

/// <summary>Small round things: patches where a part is likely.</summary>
internal static class FaceSpots
{
    // From this share on a place belongs to a spot, and a spot is one from that share on somewhere in it.
    private const double Least = 0.3,
        Likely = 0.5;

    /// <summary>Finds them.</summary>
    /// <param name="sight">What is to be seen.</param>
    /// <param name="part">What is looked for.</param>
    /// <param name="where">Which of the strip's places are looked at.</param>
    /// <param name="smallest">What is narrower is none, mm.</param>
    public static List<FaceSpot> Of(FaceSight sight, FacePart part, bool[] where, double smallest)
    {
        var strip = sight.Strip;
        var shares = new float[where.Length];
        for (var i = 0; i < shares.Length; i++)
            shares[i] = where[i] ? sight.Share(part, i) : 0;
        using var mask = new Mat(strip.Rows, strip.Columns, MatType.CV_8UC1);
        mask.SetArray(Array.ConvertAll(shares, share => share > Least ? byte.MaxValue : (byte)0));
        using var labels = new Mat();
        var many = Cv2.ConnectedComponents(mask, labels);
        labels.GetArray(out int[] of);
        var (area, most, along, across) = (new double[many], new double[many], new double[many], new double[many]);
        for (var i = 0; i < shares.Length; i++)
        {
            var (spot, share) = (of[i], shares[i]);
            if (spot == 0)
                continue;
            (area[spot], most[spot]) = (area[spot] + share, Math.Max(most[spot], share));
            (along[spot], across[spot]) = (along[spot] + share * (i % strip.Columns), across[spot] + share * (i / strip.Columns));
        }
        return
        [
            .. Enumerable
                .Range(1, many - 1)
                .Where(spot => most[spot] > Likely)
                .Select(spot => new FaceSpot(
                    Strip.Along(along[spot] / area[spot]),
                    Strip.Across(across[spot] / area[spot]),
                    2 * Math.Sqrt(area[spot] / Math.PI) * Strip.Cell,
                    most[spot]
                ))
                .Where(spot => spot.DiameterMm >= smallest),
        ];
    }
}
