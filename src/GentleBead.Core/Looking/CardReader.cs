using GentleBead.Core.Beads;
using OpenCvSharp;
using OpenCvSharp.Aruco;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>Finds a card in a picture: which, how it lies, how sharp the picture is, what the light does.</summary>
public static class CardReader
{
    // Markers are looked for in a picture no larger than this, and found exactly in the whole one.
    private const int SearchSide = 1600;

    /// <summary>Fewer markers than this do not say how a card lies.</summary>
    public const int LeastMarkers = 4;

    // A corner this far off the flat card is no corner of it, as a share of the marker's side.
    private const double OffShare = 0.08;

    /// <summary>The set of markers the cards are printed with.</summary>
    public static PredefinedDictionaryType Markers => PredefinedDictionaryType.Dict4X4_50;

    /// <summary>Finds the card that shows most of itself; null where there is none.</summary>
    /// <param name="picture">The picture, blue, green and red, a byte each.</param>
    /// <param name="some">How many markers were read, whether or not they were enough.</param>
    /// <param name="printed">How many times as large as it should be it was printed: <see cref="Card.Printed"/>.</param>
    public static CardSeen? Find(Mat picture, out int some, double printed = 1)
    {
        ArgumentNullException.ThrowIfNull(picture);
        using var pale = new Mat();
        Cv2.CvtColor(picture, pale, ColorConversionCodes.BGR2GRAY);
        var rough = Search(pale);
        some = rough.Count;
        var best = Card
            .All.Select(card => card.Printed(printed))
            .Select(card => (Card: card, Found: Own(card, rough)))
            .MaxBy(one => one.Found.Count);
        return best.Found.Count < LeastMarkers ? null : Read(picture, Grey.Of(pale), best.Card, best.Found);
    }

    private static List<(CardMarker Marker, Point[] Corners)> Own(Card card, Dictionary<int, Point[]> rough) =>
        [.. card.Markers.Where(marker => rough.ContainsKey(marker.Number)).Select(marker => (marker, rough[marker.Number]))];

    private static Dictionary<int, Point[]> Search(Mat grey)
    {
        var by = Math.Min(1, (double)SearchSide / Math.Max(grey.Width, grey.Height));
        using var small = new Mat();
        if (by < 1)
            Cv2.Resize(grey, small, new Size(), by, by, InterpolationFlags.Area);
        else
            grey.CopyTo(small);
        using var dictionary = CvAruco.GetPredefinedDictionary(Markers);
        var parameters = new DetectorParameters
        {
            AdaptiveThreshWinSizeMin = 7,
            AdaptiveThreshWinSizeMax = 47,
            AdaptiveThreshWinSizeStep = 20,
            MinMarkerPerimeterRate = 0.02,
        };
        using var detector = new ArucoDetector(dictionary, parameters, new RefineParameters());
        detector.DetectMarkers(small, out var corners, out var ids, out _);
        var found = new Dictionary<int, Point[]>();
        for (var i = 0; i < ids.Length; i++)
            found[ids[i]] = [.. corners[i].Select(corner => new Point((corner.X + 0.5) / by - 0.5, (corner.Y + 0.5) / by - 0.5))];
        return found;
    }

    private static CardSeen? Read(Mat picture, Grey grey, Card card, List<(CardMarker Marker, Point[] Corners)> rough)
    {
        List<(CardMarker Marker, Point[] Corners)> found = [];
        List<double> blurs = [];
        foreach (var (marker, corners) in rough)
        {
            var exact = EdgeFit.Refine(grey, corners);
            found.Add((marker, exact?.Corners ?? corners));
            if (exact is { } one)
                blurs.Add(one.Blur);
        }
        if (Fit(found) is not { } plane || blurs.Count < LeastMarkers)
            return null;
        // What is no part of the card after all, a marker read wrongly or half under a thumb, goes; then once more.
        var off = found.Select(one => (one.Marker, one.Corners, Off: Off(plane, one))).ToList();
        var kept = off.Where(one => one.Off <= OffShare * one.Marker.Side).Select(one => (one.Marker, one.Corners)).ToList();
        if (kept.Count < LeastMarkers || Fit(kept) is not { } again)
            return null;
        plane = again;
        var camera = Camera.Of(plane, picture.Width, picture.Height);
        blurs.Sort();
        var perMm = plane.PixelsPerMm(new(card.Width / 2, card.Height / 2));
        // Bent cards are off all over; a marker half under a thumb is off by itself.
        var offMm = off.Select(one => one.Off).Order().ElementAt(off.Count / 2);
        return new(
            card,
            plane,
            camera,
            [.. kept.Select(one => one.Marker.Number)],
            offMm,
            blurs[blurs.Count / 2] / perMm,
            LightReader.Read(picture, card, plane, [.. kept.Select(one => one.Marker)])
        );
    }

    // How far a marker's corners lie from where a flat card has them, mm.
    private static double Off(PlaneView plane, (CardMarker Marker, Point[] Corners) found) =>
        Math.Sqrt(found.Marker.Corners().Zip(found.Corners, (on, seen) => Math.Pow((plane.ToPlane(seen) - on).Size(), 2)).Average());

    private static PlaneView? Fit(List<(CardMarker Marker, Point[] Corners)> found)
    {
        var on = found.SelectMany(one => one.Marker.Corners()).Select(point => new Point2d(point.X, point.Y)).ToArray();
        var seen = found.SelectMany(one => one.Corners).Select(point => new Point2d(point.X, point.Y)).ToArray();
        using var matrix = Cv2.FindHomography(on, seen, HomographyMethods.LMedS);
        if (matrix.Empty())
            return null;
        var numbers = Enumerable.Range(0, 9).Select(i => matrix.At<double>(i / 3, i % 3)).ToArray();
        return numbers.All(double.IsFinite) && Math.Abs(matrix.Determinant()) > 1e-12 ? new(numbers) : null;
    }
}
