using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Tests.Looking;

/// <summary>Scale and pose read off a card, beside OpenCV's own calibration on the same corners, and what is known of drawn ones.</summary>
public class CameraTests
{
    [Fact]
    public void Scale_at_the_bead_is_within_a_hundredth()
    {
        Assert.All(
            RenderedBead.Good.Where(bead => !bead.Fillet),
            bead =>
            {
                using var picture = bead.Picture();
                var card = CardReader.Find(picture, out _)!;
                var plate = new PlaneView(bead.PlateToPicture);
                Point On(double along) => card.Plane.ToPlane(plate.ToPicture(new(along, 0)));
                Assert.InRange((On(bead.LengthMm) - On(0)).Size() / bead.LengthMm, 0.99, 1.01);
            }
        );
    }

    [Fact]
    public void Pose_is_what_OpenCV_makes_of_the_same_corners()
    {
        var compared = 0;
        foreach (var bead in RenderedBead.Good)
        {
            using var picture = bead.Picture();
            var card = CardReader.Find(picture, out _)!;
            var corners = card.Card!.Markers.Where(marker => card.Markers.Contains(marker.Number)).SelectMany(marker => marker.Corners());
            var on = corners.Select(point => new Point3f((float)point.X, (float)point.Y, 0)).ToArray();
            var seen = corners.Select(card.Plane.ToPicture).Select(point => new Point2f((float)point.X, (float)point.Y)).ToArray();
            double[,] lens =
            {
                { card.Camera.FocalPixels, 0, card.Camera.Middle.X },
                { 0, card.Camera.FocalPixels, card.Camera.Middle.Y },
                { 0, 0, 1 },
            };
            var (turn, way) = (new double[3], new double[3]);
            Cv2.SolvePnP(on, seen, lens, [], ref turn, ref way);
            Cv2.Rodrigues(turn, out double[,] rotation, out _);
            // Where the camera stands: minus the turned-back way.
            double At(int axis) => -(rotation[0, axis] * way[0] + rotation[1, axis] * way[1] + rotation[2, axis] * way[2]);
            Assert.Equal(Math.Abs(At(2)), card.Camera.HeightMm, 0.015 * card.Camera.HeightMm);
            Assert.Equal(At(0), card.Camera.Place.X, 3.0);
            Assert.Equal(At(1), card.Camera.Place.Y, 3.0);
            compared++;
        }
        Assert.InRange(compared, 25, 60);
    }

    [Theory]
    [InlineData(25, 0.62)]
    [InlineData(30, 0.74)]
    [InlineData(40, 1.0)]
    public void The_lens_is_what_OpenCV_calibrates_from_the_same_corners(double slant, double focal)
    {
        // Three views of one card, as OpenCV wants them; the eye has to do with the first.
        var (width, height) = (3000, 2250);
        var views = new[] { (slant, 20.0), (slant, 140), (slant, 260) }
            .Select(view => View(view.Item1, view.Item2, focal * width))
            .ToArray();
        var points = Card.Bead.Markers.SelectMany(marker => marker.Corners()).ToArray();
        var on = views.Select(_ => points.Select(point => new Point3f((float)point.X, (float)point.Y, 0)));
        var seen = views.Select(view => points.Select(view.ToPicture).Select(point => new Point2f((float)point.X, (float)point.Y)));
        var lens = new double[3, 3];
        var bent = new double[5];
        var flags =
            CalibrationFlags.FixAspectRatio
            | CalibrationFlags.FixPrincipalPoint
            | CalibrationFlags.ZeroTangentDist
            | CalibrationFlags.FixK1
            | CalibrationFlags.FixK2
            | CalibrationFlags.FixK3
            | CalibrationFlags.UseIntrinsicGuess;
        (lens[0, 0], lens[1, 1], lens[2, 2]) = (2500, 2500, 1);
        (lens[0, 2], lens[1, 2]) = ((width - 1) / 2.0, (height - 1) / 2.0);
        Cv2.CalibrateCamera(on, seen, new Size(width, height), lens, bent, out _, out _, flags);
        Assert.Equal(focal * width, lens[0, 0], 1.0);
        Assert.Equal(lens[0, 0], Camera.Of(views[0], width, height).FocalPixels, 0.06 * lens[0, 0]);
    }

    [Fact]
    public void There_and_back_is_where_one_was()
    {
        var plane = View(35, 70, 2200);
        foreach (var point in new Point[] { new(0, 0), new(75, 22), new(150, 44), new(-30, 90) })
        {
            var back = plane.ToPlane(plane.ToPicture(point));
            Assert.Equal(point.X, back.X, 1e-9);
            Assert.Equal(point.Y, back.Y, 1e-9);
        }
        Assert.Throws<ArgumentException>(() => new PlaneView([1, 0, 0, 0, 1, 0, 0, 0]));
        Assert.Throws<ArgumentException>(() => new PlaneView(new double[9]));
    }

    [Fact]
    public void A_plane_that_leans_is_seen_where_it_stands()
    {
        // A camera straight over a line: what leans up from it at 45 degrees comes nearer, and looks larger.
        var plane = PlaneView.Square(10);
        var camera = Camera.Of(plane, 2000, 1500);
        var flat = camera.Leaning(plane, new(50, 50), new(1, 0), 0, 0);
        Assert.Equal(600, flat.ToPicture(new(10, 5)).X, 1e-6);
        Assert.Equal(550, flat.ToPicture(new(10, 5)).Y, 1e-6);
        var leaning = camera.Leaning(plane, new(50, 50), new(1, 0), 45, 0);
        Assert.True(leaning.PixelsPerMm(new(10, 10)) < 10);
        Assert.True(leaning.ScaleAt(new(10, 10)).Most > 10);
    }

    // A card seen from above so slantingly, from such a side.
    private static PlaneView View(double slant, double side, double focal)
    {
        var (lean, turn) = (slant * Math.PI / 180, side * Math.PI / 180);
        const double distance = 220;
        double[] right = [Math.Cos(turn), Math.Sin(turn), 0];
        double[] down = [-Math.Sin(turn) * Math.Cos(lean), Math.Cos(turn) * Math.Cos(lean), Math.Sin(lean)];
        double[] forward = [Math.Sin(turn) * Math.Sin(lean), -Math.Cos(turn) * Math.Sin(lean), Math.Cos(lean)];
        // The card's upper side is its own z below 0: right and down along it, away from the camera through it.
        double[] at = [75 - distance * forward[0], 22 - distance * forward[1], -distance * forward[2]];
        double[] Row(double[] axis) => [axis[0], axis[1], -(axis[0] * at[0] + axis[1] * at[1] + axis[2] * at[2])];
        var (x, y, z) = (Row(right), Row(down), Row(forward));
        return new([.. x.Zip(z, (a, b) => focal * a + 1499.5 * b), .. y.Zip(z, (a, b) => focal * a + 1124.5 * b), .. z]);
    }
}
