using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>Finds a bead that nobody pointed at: it lies along the card, on one side of it.</summary>
internal static class FaceFinder
{
    // Lines beside the card that a strip is laid along, mm from its rim; each strip reaches as far again to either side.
    private static readonly double[] Off = [11, 30];

    private const double Past = 5;

    // Less weld metal than this is none.
    private const double LeastSure = 1.2;

    private const double ShortestMm = 12;

    private const int Coarse = 3;

    /// <summary>Where it begins and ends in the picture; null where there is none.</summary>
    public static (Point From, Point To)? Find(Mat picture, CardSeen card)
    {
        if (card.Card is not { } own)
            return null;
        var best = 0.0;
        (Point, Point)? found = null;
        foreach (var y in Off.SelectMany(off => new[] { -off, own.Height + off }))
        {
            var (from, to) = (card.Plane.ToPicture(new(-Past, y)), card.Plane.ToPicture(new(own.Width + Past, y)));
            var lay = FaceLay.OnPlate(card, from, to);
            var strip = Strip.Of(picture, lay.Plane, lay.Length, card.Corners(), card.Light.Balance);
            if (strip.Seen.Count(one => one) < strip.Seen.Length / 8)
                continue;
            var odds = EyeModel.Own.Search.Odds(strip, new FaceFeatures(strip), Coarse);
            Hide(odds, strip);
            if (FaceTrace.Of(odds, strip.Rows) is not { } trace || trace.Sure < LeastSure)
                continue;
            var length = (trace.To - trace.From) * FaceNet.Every * Strip.Cell;
            if (length < ShortestMm || length * trace.Sure <= best)
                continue;
            best = length * trace.Sure;
            Point On(int i) =>
                lay.Plane.ToPicture(new(Strip.Along((trace.From + i) * FaceNet.Every), Strip.Across((trace.Left[i] + trace.Right[i]) / 2)));
            var inset = Math.Min(10, trace.Left.Length / 6);
            found = (On(inset), On(trace.Left.Length - 1 - inset));
        }
        return found;
    }

    // Where there is nothing to be seen there is no bead.
    private static void Hide(float[] odds, Strip strip)
    {
        const float none = -3;
        var columns = odds.Length / strip.Rows;
        for (var i = 0; i < odds.Length; i++)
        {
            if (!strip.Seen[i / columns * strip.Columns + i % columns * FaceNet.Every])
                odds[i] = none;
        }
    }
}
