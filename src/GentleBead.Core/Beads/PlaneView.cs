namespace GentleBead.Core.Beads;

/// <summary>
/// How a flat thing lies in a picture: a homography from its millimetres to the picture's pixels, and back.
/// </summary>
public sealed class PlaneView
{
    // A determinant smaller than this is none.
    private const double Least = 1e-300;

    private readonly double[] to;
    private readonly double[] back;

    /// <summary>Makes one from its matrix.</summary>
    /// <param name="matrix">Nine numbers, row by row, from millimetres to pixels; can be inverted.</param>
    /// <exception cref="ArgumentException">Not nine numbers, or a matrix without an inverse.</exception>
    public PlaneView(IReadOnlyList<double> matrix)
    {
        ArgumentNullException.ThrowIfNull(matrix);
        if (matrix.Count != 9)
            throw new ArgumentException("A homography has nine numbers.", nameof(matrix));
        to = [.. matrix];
        back = Inverse(to);
    }

    /// <summary>Whether a matrix is nine numbers that can be inverted.</summary>
    public static bool CanBe(IReadOnlyList<double> matrix)
    {
        ArgumentNullException.ThrowIfNull(matrix);
        return matrix.Count == 9 && matrix.All(double.IsFinite) && Math.Abs(Determinant(matrix)) > Least;
    }

    /// <summary>From millimetres to pixels, nine numbers, row by row.</summary>
    public IReadOnlyList<double> Matrix => to;

    /// <summary>Without a card: so many pixels a millimetre all over, seen square on, from the picture's upper left.</summary>
    /// <param name="pixelsPerMm">Above 0.</param>
    public static PlaneView Square(double pixelsPerMm) => new([pixelsPerMm, 0, 0, 0, pixelsPerMm, 0, 0, 0, 1]);

    /// <summary>Where a point of the plane, mm, lies in the picture, pixels.</summary>
    public Point ToPicture(Point mm) => Map(to, mm);

    /// <summary>Where a point of the picture, pixels, lies on the plane, mm.</summary>
    public Point ToPlane(Point pixel) => Map(back, pixel);

    /// <summary>How many pixels a millimetre has at a point of the plane: at its largest and at its smallest, by direction.</summary>
    /// <param name="mm">Where on the plane.</param>
    public (double Most, double Least) ScaleAt(Point mm)
    {
        var w = to[6] * mm.X + to[7] * mm.Y + to[8];
        var at = ToPicture(mm);
        double a = (to[0] - at.X * to[6]) / w,
            b = (to[1] - at.X * to[7]) / w,
            c = (to[3] - at.Y * to[6]) / w,
            d = (to[4] - at.Y * to[7]) / w;
        var (sum, turn) = (a * a + b * b + c * c + d * d, a * d - b * c);
        var root = Math.Sqrt(Math.Max(0, sum * sum - 4 * turn * turn));
        return (Math.Sqrt((sum + root) / 2), Math.Sqrt(Math.Max(0, (sum - root) / 2)));
    }

    /// <summary>How many pixels a millimetre has at a point of the plane, whatever the direction: the root of the area's scale.</summary>
    public double PixelsPerMm(Point mm)
    {
        var (most, least) = ScaleAt(mm);
        return Math.Sqrt(most * least);
    }

    /// <summary>The same with its corner elsewhere.</summary>
    /// <param name="by">Where the new corner is, mm.</param>
    public PlaneView Moved(Point by) =>
        new([
            .. Enumerable
                .Range(0, 3)
                .SelectMany(row => new[] { to[3 * row], to[3 * row + 1], to[3 * row] * by.X + to[3 * row + 1] * by.Y + to[3 * row + 2] }),
        ]);

    private static Point Map(double[] by, Point of)
    {
        var w = by[6] * of.X + by[7] * of.Y + by[8];
        return new((by[0] * of.X + by[1] * of.Y + by[2]) / w, (by[3] * of.X + by[4] * of.Y + by[5]) / w);
    }

    private static double Determinant(IReadOnlyList<double> m) =>
        m[0] * (m[4] * m[8] - m[5] * m[7]) + m[1] * (m[5] * m[6] - m[3] * m[8]) + m[2] * (m[3] * m[7] - m[4] * m[6]);

    private static double[] Inverse(double[] m)
    {
        double a = m[4] * m[8] - m[5] * m[7],
            b = m[5] * m[6] - m[3] * m[8],
            c = m[3] * m[7] - m[4] * m[6];
        var determinant = Determinant(m);
        if (!(Math.Abs(determinant) > Least))
            throw new ArgumentException("This homography has no inverse.", nameof(m));
        return
        [
            a / determinant,
            (m[2] * m[7] - m[1] * m[8]) / determinant,
            (m[1] * m[5] - m[2] * m[4]) / determinant,
            b / determinant,
            (m[0] * m[8] - m[2] * m[6]) / determinant,
            (m[2] * m[3] - m[0] * m[5]) / determinant,
            c / determinant,
            (m[1] * m[6] - m[0] * m[7]) / determinant,
            (m[0] * m[4] - m[1] * m[3]) / determinant,
        ];
    }
}
