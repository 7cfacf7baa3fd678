using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Sheets;

/// <summary>The smooth band as the settings plane draws it.</summary>
internal static class Band
{
    /// <summary>The textbook's band over the currents of a wire.</summary>
    public static BandPoint[] Of(WireArc arc)
    {
        var wire = arc.Wire.Facts();
        var range = wire.RangeIn(arc.Process)!;
        // The trade's factor makes a straight band; the melting rate bends it.
        var points = new BandPoint[Melting.AppliesTo(arc.Process, wire) ? 6 : 2];
        var (from, to) = (range.UsualLow.Amps * 0.5, range.Most.Amps * 1.2);
        for (var i = 0; i < points.Length; i++)
        {
            var wireFeed = BurnOff.WireFeedFor(Current.FromAmps(from + (to - from) * i / (points.Length - 1)), arc);
            var band = SmoothBand.At(wireFeed, arc);
            points[i] = new BandPoint(wireFeed, band.Low, band.High);
        }
        return points;
    }

    /// <summary>The room's own band at the same wire feed speeds; empty where it has none for the arc.</summary>
    public static BandPoint[] Learned(LearnedWindow? window, WireArc arc, IReadOnlyList<BandPoint> textbook) =>
        window is null || window.Arc != arc
            ? []
            :
            [
                .. textbook
                    .Select(point => (point.WireFeed, Found: window.At(point.WireFeed)))
                    .Select(point => new BandPoint(point.WireFeed, point.Found.Low, point.Found.High)),
            ];
}
