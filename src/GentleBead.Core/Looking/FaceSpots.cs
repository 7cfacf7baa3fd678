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
        return
        [
            .. Patches
                .Of(shares, strip.Columns, Least)
                .Where(patch => patch.Likely > Likely)
                .Select(patch => new FaceSpot(
                    Strip.Along(patch.X),
                    Strip.Across(patch.Y),
                    2 * Math.Sqrt(patch.Area / Math.PI) * Strip.Cell,
                    patch.Likely
                ))
                .Where(spot => spot.DiameterMm >= smallest),
        ];
    }
}
