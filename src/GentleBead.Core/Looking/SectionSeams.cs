using GentleBead.Core.Beads;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>Dark lines in a section, where nothing fused.</summary>
internal static class SectionSeams
{
    private const int Side = SectionField.Side;

    // From this share on a place is sooner seam than not.
    private const double Likely = 0.4;

    // Shorter ones are not told, pixels.
    private const double Shortest = 5;

    /// <summary>How likely each place is a seam, as a share.</summary>
    public static float[] Shares(float[] likely)
    {
        var share = new float[Side * Side];
        for (var i = 0; i < share.Length; i++)
            share[i] = MathF.Exp(likely[SectionModel.Parts * i + (int)SectionPart.Seam]);
        return share;
    }

    /// <summary>Of a fillet: from the root along either plate's surface, under weld metal. What goes on under the standing plate is the
    /// joint's own.</summary>
    public static UnfusedLine[] OfFillet(float[] share, Point root, Point lower, Point upper) =>
        [.. new[] { lower, upper }.Select(toe => From(share, root, toe)).OfType<UnfusedLine>()];

    /// <summary>Of other joints: thin dark lines that begin at the weld metal.</summary>
    public static UnfusedLine[] Free(float[] share, Point[] weld)
    {
        const double widest = 7,
            furthest = 14;
        using var mask = new Mat(Side, Side, MatType.CV_8UC1);
        mask.SetArray([.. share.Select(one => one > Likely ? byte.MaxValue : (byte)0)]);
        using var labels = new Mat();
        var many = Cv2.ConnectedComponents(mask, labels);
        labels.GetArray(out int[] of);
        var places = Enumerable.Range(0, many).Select(_ => new List<Point>()).ToArray();
        for (var i = 0; i < of.Length; i++)
            places[of[i]].Add(new(i % Side, i / Side));
        List<UnfusedLine> lines = [];
        foreach (var own in places.Skip(1).Where(one => one.Count >= Shortest))
        {
            var line = SectionLine.Through(own);
            var along = own.Select(at => (at - line.At).Along(line.Way)).Order().ToArray();
            var (from, to) = (SectionOutline.Along(line.At, line.Way, along[0]), SectionOutline.Along(line.At, line.Way, along[^1]));
            var near = weld.Min(at => Math.Min((at - from).Size(), (at - to).Size()));
            if (along[^1] - along[0] >= Shortest && own.Count / (along[^1] - along[0]) < widest && near < furthest)
                lines.Add(new(from, to));
        }
        return [.. lines];
    }

    // As far as it goes without a gap of more than half a millimetre.
    private static UnfusedLine? From(float[] share, Point root, Point toe)
    {
        const double gap = 5,
            beside = 3;
        var way = (toe - root).Unit();
        var square = new Point(-way.Y, way.X);
        var reached = 0.0;
        for (var s = 0.0; s < (toe - root).Size() && s - reached <= gap; s++)
        {
            var at = SectionOutline.Along(root, way, s);
            var most = 0.0;
            for (var by = -beside; by <= beside; by++)
                most = Math.Max(most, SectionOutline.At(share, SectionOutline.Along(at, square, by)));
            if (most > Likely)
                reached = s;
        }
        return reached < Shortest ? null : new(root, SectionOutline.Along(root, way, reached));
    }
}
