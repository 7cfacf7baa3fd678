using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>Points of a section that the network finds by themselves, in pixels of the field.</summary>
internal static class SectionPoints
{
    // From this share on a place belongs to a point's patch, and a patch is a point from that share on somewhere in it.
    private const double Least = 0.15,
        Likely = 0.3;

    /// <summary>The points there are by the weld metal, the likeliest first: the middle of each patch.</summary>
    /// <param name="near">How likely each place is near one.</param>
    /// <param name="weld">Round the weld metal.</param>
    /// <param name="within">How far off that outline, or in it, a point may lie, pixels.</param>
    public static Point[] Of(float[] near, Point[] weld, double within) =>
        [
            .. Patches
                .Of(near, SectionField.Side, Least)
                .Where(patch => patch.Likely > Likely)
                .OrderByDescending(patch => patch.Area)
                .Select(patch => new Point(patch.X, patch.Y))
                .Where(point => weld.Min(at => (at - point).Size()) < within),
        ];
}
