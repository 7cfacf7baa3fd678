using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>
/// Where the camera stood over a plane, read from how the plane lies in the picture. The lens is not known: how long it must be follows
/// from the perspective where there is enough of it, and is taken for a phone's usual one where there is not.
/// </summary>
/// <param name="FocalPixels">How long the lens is, in pixels of the picture.</param>
/// <param name="Middle">The picture's middle, pixels.</param>
/// <param name="Place">Where it stood over the plane, mm: right and down along it.</param>
/// <param name="HeightMm">How far it stood off the plane, mm.</param>
/// <remarks>
/// The two conditions that a rotation sets a homography are Zhang's (A flexible new technique for camera calibration, 2000): from
/// memory. The picture's middle is taken as the lens's.
/// </remarks>
public sealed record Camera(double FocalPixels, Point Middle, Point Place, double HeightMm)
{
    // A phone's main lens sees about as much as 26 mm on 35 mm film: 26/36 of the longer side. How far lenses differ from that,
    // as a logarithm.
    private const double UsualFocal = 0.74,
        FocalSpread = 0.25;

    // How far off square the axes may come out for a marker's corner a tenth of a pixel off.
    private const double AxisNoise = 0.004;

    private const double LeastFocal = 0.35,
        MostFocal = 3;

    /// <summary>Where the camera stood.</summary>
    /// <param name="plane">How the plane lies in the picture.</param>
    /// <param name="width">Width of the picture, pixels.</param>
    /// <param name="height">Its height, pixels.</param>
    public static Camera Of(PlaneView plane, int width, int height)
    {
        ArgumentNullException.ThrowIfNull(plane);
        var longest = Math.Max(width, height);
        var middle = new Point((width - 1) / 2.0, (height - 1) / 2.0);
        var (best, least) = (UsualFocal, double.PositiveInfinity);
        const int steps = 400;
        for (var i = 0; i <= steps; i++)
        {
            var focal = LeastFocal * Math.Pow(MostFocal / LeastFocal, (double)i / steps);
            var cost = Cost(plane, focal * longest, middle) + Square(Math.Log(focal / UsualFocal) / FocalSpread);
            if (cost < least)
                (best, least) = (focal, cost);
        }
        return Standing(plane, best * longest, middle);
    }

    /// <summary>How slantingly a point of the plane was seen, degrees: 0 from straight above.</summary>
    /// <param name="mm">Where on the plane.</param>
    public double SlantAt(Point mm) => Math.Atan2((Place - mm).Size(), HeightMm) * 180 / Math.PI;

    /// <summary>How another flat thing lies in the picture, one that lies on the plane or leans up from a line on it.</summary>
    /// <param name="plane">The plane the camera was read from.</param>
    /// <param name="at">Where the line begins, mm; it is the new plane's corner.</param>
    /// <param name="along">Which way the line goes, length 1: the new plane's way to the right.</param>
    /// <param name="lean">How steeply the new plane's way down rises off the plane, degrees: 0 lies in it, 45 is a fillet's face.</param>
    /// <param name="raised">How far the line is off the plane, mm: below 0 under it, as a plate is under a card's paper.</param>
    public PlaneView Leaning(PlaneView plane, Point at, Point along, double lean, double raised)
    {
        ArgumentNullException.ThrowIfNull(plane);
        var (right, down, corner) = Axes(plane, FocalPixels, Middle.X, Middle.Y);
        var scale = Math.Sqrt(Size(right) * Size(down));
        // Off the plane, towards the camera.
        var square = Cross(down, right);
        var up = Times(square, scale / Size(square));
        var (cos, sin) = (Math.Cos(lean * Math.PI / 180), Math.Sin(lean * Math.PI / 180));
        var first = Sum(Times(right, along.X), Times(down, along.Y));
        var second = Sum(Times(Sum(Times(right, -along.Y), Times(down, along.X)), cos), Times(up, sin));
        var from = Sum(Sum(Times(right, at.X), Times(down, at.Y)), Sum(corner, Times(up, raised)));
        double X((double X, double Y, double Z) of) => FocalPixels * of.X + Middle.X * of.Z;
        double Y((double X, double Y, double Z) of) => FocalPixels * of.Y + Middle.Y * of.Z;
        return new([X(first), X(second), X(from), Y(first), Y(second), Y(from), first.Z, second.Z, from.Z]);
    }

    private static double Cost(PlaneView plane, double focal, Point middle)
    {
        var (x, y, _) = Axes(plane, focal, middle.X, middle.Y);
        var (sizeX, sizeY) = (Size(x), Size(y));
        return Square(Dot(x, y) / (sizeX * sizeY) / AxisNoise) + Square(Math.Log(sizeX / sizeY) / AxisNoise);
    }

    private static Camera Standing(PlaneView plane, double focal, Point middle)
    {
        var (x, y, t) = Axes(plane, focal, middle.X, middle.Y);
        var scale = Math.Sqrt(Size(x) * Size(y));
        var (right, down) = (Times(x, 1 / Size(x)), Times(y, 1 / Size(y)));
        var way = Times(t, -1 / scale);
        // The plane's own axes are not quite square to each other: what is off is shared.
        var lean = Dot(right, down);
        var (along, across) = (Dot(way, right), Dot(way, down));
        var place = new Point((along - lean * across) / (1 - lean * lean), (across - lean * along) / (1 - lean * lean));
        var square = Cross(right, down);
        return new(focal, middle, place, Math.Abs(Dot(way, Times(square, 1 / Size(square)))));
    }

    // The columns of the homography seen through a lens: the plane's axes and its corner, in the camera's room.
    private static ((double X, double Y, double Z) Right, (double X, double Y, double Z) Down, (double X, double Y, double Z) At) Axes(
        PlaneView plane,
        double focal,
        double cx,
        double cy
    )
    {
        var m = plane.Matrix;
        (double, double, double) Column(int i) => ((m[i] - cx * m[6 + i]) / focal, (m[3 + i] - cy * m[6 + i]) / focal, m[6 + i]);
        return (Column(0), Column(1), Column(2));
    }

    private static (double X, double Y, double Z) Sum((double X, double Y, double Z) a, (double X, double Y, double Z) b) =>
        (a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    private static double Square(double of) => of * of;

    private static double Dot((double X, double Y, double Z) a, (double X, double Y, double Z) b) => a.X * b.X + a.Y * b.Y + a.Z * b.Z;

    private static double Size((double X, double Y, double Z) of) => Math.Sqrt(Dot(of, of));

    private static (double X, double Y, double Z) Times((double X, double Y, double Z) of, double by) => (of.X * by, of.Y * by, of.Z * by);

    private static (double X, double Y, double Z) Cross((double X, double Y, double Z) a, (double X, double Y, double Z) b) =>
        (a.Y * b.Z - a.Z * b.Y, a.Z * b.X - a.X * b.Z, a.X * b.Y - a.Y * b.X);
}
