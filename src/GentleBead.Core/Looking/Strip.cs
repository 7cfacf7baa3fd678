using GentleBead.Core.Beads;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>
/// A bead laid straight: a part of a picture drawn anew along a line, a tenth of a millimetre a pixel, as brightness and colour that do not
/// depend on how strong and what colour the light is.
/// </summary>
internal sealed class Strip
{
    /// <summary>A pixel's side, mm.</summary>
    public const double Cell = 0.1;

    /// <summary>How far it reaches to either side of the line, mm.</summary>
    public const double Reach = 16;

    /// <summary>How far it reaches past either end, mm.</summary>
    public const double Beyond = 10;

    // What is darker than this share of the light is black.
    private const double Black = 0.004;

    private Strip(int columns, int rows, bool[] seen, float[][] maps)
    {
        (Columns, Rows, Seen) = (columns, rows, seen);
        (Light, RedOverGreen, BlueOverGreen) = (maps[0], maps[1], maps[2]);
    }

    /// <summary>How many pixels along.</summary>
    public int Columns { get; }

    /// <summary>How many pixels across.</summary>
    public int Rows { get; }

    /// <summary>Whether a pixel is in the picture and not where the card lies.</summary>
    public bool[] Seen { get; }

    /// <summary>Brightness as a natural logarithm.</summary>
    public float[] Light { get; }

    /// <summary>Red beside green as a natural logarithm, white's being 0.</summary>
    public float[] RedOverGreen { get; }

    /// <summary>Blue beside green as a natural logarithm, white's being 0.</summary>
    public float[] BlueOverGreen { get; }

    /// <summary>How far along the line a column is, mm.</summary>
    public static double Along(double column) => column * Cell - Beyond;

    /// <summary>How far beside the line a row is, mm: below 0 to the left of it.</summary>
    public static double Across(double row) => row * Cell - Reach;

    /// <summary>The column that lies so far along.</summary>
    public static double ColumnAt(double mm) => (mm + Beyond) / Cell;

    /// <summary>The row that lies so far beside the line.</summary>
    public static double RowAt(double mm) => (mm + Reach) / Cell;

    /// <summary>Draws it.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="plane">From the line's millimetres, along and across, to the picture.</param>
    /// <param name="length">How long the line is, mm.</param>
    /// <param name="hidden">What is not to be looked at, as corners in the picture; null where nothing is.</param>
    /// <param name="balance">What red, green and blue are multiplied by.</param>
    public static Strip Of(Mat picture, PlaneView plane, double length, Point[]? hidden, (double Red, double Green, double Blue) balance)
    {
        var (columns, rows) = ((int)Math.Ceiling((length + 2 * Beyond) / Cell), (int)Math.Ceiling(2 * Reach / Cell));
        // From the strip's pixels to its millimetres to the picture's pixels.
        var m = plane.Matrix;
        double[] to = new double[9];
        for (var row = 0; row < 3; row++)
        {
            (to[3 * row], to[3 * row + 1]) = (m[3 * row] * Cell, m[3 * row + 1] * Cell);
            to[3 * row + 2] = m[3 * row + 2] - m[3 * row] * Beyond - m[3 * row + 1] * Reach;
        }
        using var matrix = Mat.FromPixelData(3, 3, MatType.CV_64FC1, to);
        using var part = Cut(picture, plane, length, matrix);
        using var drawn = new Mat();
        var flags = InterpolationFlags.Linear | InterpolationFlags.WarpInverseMap;
        Cv2.WarpPerspective(part, drawn, matrix, new Size(columns, rows), flags, BorderTypes.Constant, Scalar.All(0));
        var seen = Shown(matrix, (columns, rows), part.Size());
        if (hidden is not null)
            Hide(seen, (columns, rows), [.. hidden.Select(plane.ToPlane)]);
        return new(columns, rows, seen, Maps(drawn, balance));
    }

    /// <summary>For the network.</summary>
    public float[][] ForNet() => NetMaps.Of(Seen, Light, RedOverGreen, BlueOverGreen);

    // The part of the picture that is needed, softened where it has more pixels than the strip; the matrix is brought to it.
    private static Mat Cut(Mat picture, PlaneView plane, double length, Mat matrix)
    {
        Point[] corners =
        [
            plane.ToPicture(new(-Beyond, -Reach)),
            plane.ToPicture(new(length + Beyond, -Reach)),
            plane.ToPicture(new(length + Beyond, Reach)),
            plane.ToPicture(new(-Beyond, Reach)),
        ];
        const int rim = 4;
        var left = (int)Math.Clamp(corners.Min(one => one.X) - rim, 0, picture.Width - 1);
        var top = (int)Math.Clamp(corners.Min(one => one.Y) - rim, 0, picture.Height - 1);
        var right = (int)Math.Clamp(corners.Max(one => one.X) + rim, left + 1, picture.Width);
        var bottom = (int)Math.Clamp(corners.Max(one => one.Y) + rim, top + 1, picture.Height);
        using var moved = Mat.FromPixelData(3, 3, MatType.CV_64FC1, new double[] { 1, 0, -left, 0, 1, -top, 0, 0, 1 });
        using Mat product = moved * matrix;
        product.CopyTo(matrix);
        var part = picture[new Rect(left, top, right - left, bottom - top)].Clone();
        var finer = plane.PixelsPerMm(new(length / 2, 0)) * Cell;
        if (finer > 1.3)
            Cv2.GaussianBlur(part, part, new Size(), 0.4 * finer);
        return part;
    }

    private static bool[] Shown(Mat matrix, (int Columns, int Rows) size, Size part)
    {
        var seen = new bool[size.Columns * size.Rows];
        matrix.GetArray(out double[] m);
        for (var row = 0; row < size.Rows; row++)
        {
            for (var column = 0; column < size.Columns; column++)
            {
                var w = m[6] * column + m[7] * row + m[8];
                var (x, y) = ((m[0] * column + m[1] * row + m[2]) / w, (m[3] * column + m[4] * row + m[5]) / w);
                seen[row * size.Columns + column] = w > 0 && x >= 1 && y >= 1 && x < part.Width - 2 && y < part.Height - 2;
            }
        }
        return seen;
    }

    private static void Hide(bool[] seen, (int Columns, int Rows) size, Point[] corners)
    {
        using var mask = new Mat(size.Rows, size.Columns, MatType.CV_8UC1, Scalar.All(0));
        var at = corners.Select(one => new OpenCvSharp.Point(ColumnAt(one.X), RowAt(one.Y)));
        Cv2.FillConvexPoly(mask, at, Scalar.All(255));
        mask.GetArray(out byte[] hidden);
        for (var i = 0; i < seen.Length; i++)
            seen[i] &= hidden[i] == 0;
    }

    /// <summary>Brightness, red beside green and blue beside green of a picture, as natural logarithms.</summary>
    /// <param name="drawn">The picture.</param>
    /// <param name="balance">What red, green and blue are multiplied by.</param>
    internal static float[][] Maps(Mat drawn, (double Red, double Green, double Blue) balance)
    {
        drawn.GetArray(out Vec3b[] levels);
        var (red, green, blue) = (Table(balance.Red), Table(balance.Green), Table(balance.Blue));
        var maps = new[] { new float[levels.Length], new float[levels.Length], new float[levels.Length] };
        for (var i = 0; i < levels.Length; i++)
        {
            var (b, g, r) = (blue[levels[i].Item0], green[levels[i].Item1], red[levels[i].Item2]);
            maps[0][i] = 0.5f * g + 0.3f * r + 0.2f * b;
            maps[1][i] = r - g;
            maps[2][i] = b - g;
        }
        return maps;
    }

    private static float[] Table(double by) =>
        [.. Enumerable.Range(0, 256).Select(level => (float)Math.Log(LightReader.ToLinear((byte)level) * by + Black))];
}
