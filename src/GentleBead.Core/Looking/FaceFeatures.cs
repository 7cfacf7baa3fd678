using OpenCvSharp;

namespace GentleBead.Core.Looking;

/// <summary>
/// What is looked at to tell weld metal from plate, at a place of a strip: how bright and what colour it is beside the plate on that side,
/// how fine and which way its grain runs, and how both change outward and along.
/// </summary>
/// <remarks>Outward is away from the strip's line, on either side; so that one net does for both toes.</remarks>
internal sealed class FaceFeatures
{
    // Where plate is to be expected on either side, mm from the line: no bead that is measured reaches there.
    private const double PlateFrom = 8.5;

    // What is added before a logarithm, so that nothing is no number below all others.
    private const float Nothing = 0.004f;

    private enum Of
    {
        Light,
        Along,
        Broad,
        RedOverGreen,
        BlueOverGreen,
        GrainAlong,
        GrainAcross,
        CoarseAlong,
        CoarseAcross,
        Grit,
    }

    // What a value is taken beside.
    private enum Beside
    {
        Nothing,
        Plate,
        Here,
        Broadly,
    }

    private readonly record struct Row(Of Map, Beside Beside, int Outward = 0, int Ahead = 0);

    // Offsets in pixels of the strip, a tenth of a millimetre each.
    private static readonly Row[] Rows =
    [
        new(Of.Light, Beside.Plate),
        new(Of.Light, Beside.Broadly),
        new(Of.RedOverGreen, Beside.Plate),
        new(Of.BlueOverGreen, Beside.Plate),
        new(Of.GrainAlong, Beside.Plate),
        new(Of.GrainAcross, Beside.Plate),
        new(Of.CoarseAlong, Beside.Plate),
        new(Of.CoarseAcross, Beside.Plate),
        new(Of.Grit, Beside.Plate),
        new(Of.GrainAlong, Beside.Nothing),
        new(Of.GrainAcross, Beside.Nothing),
        new(Of.CoarseAlong, Beside.Nothing),
        new(Of.CoarseAcross, Beside.Nothing),
        .. new[] { -30, -18, -12, -8, -5, -2, 2, 5, 8, 12, 18, 30 }.Select(by => new Row(Of.Along, Beside.Here, by)),
        .. new[] { -25, -15, -8, 8, 15, 25 }.Select(by => new Row(Of.GrainAlong, Beside.Here, by)),
        .. new[] { -15, -8, 8, 15 }.Select(by => new Row(Of.GrainAcross, Beside.Here, by)),
        .. new[] { -12, 12 }.Select(by => new Row(Of.RedOverGreen, Beside.Here, by)),
        .. new[] { -12, 12 }.Select(by => new Row(Of.BlueOverGreen, Beside.Here, by)),
        .. new[] { -20, -10, -5, 5, 10, 20 }.Select(by => new Row(Of.Light, Beside.Here, 0, by)),
        .. new[] { -20, -10, 10, 20 }.Select(by => new Row(Of.GrainAlong, Beside.Here, 0, by)),
    ];

    private readonly Strip strip;
    private readonly float[][] maps;
    private readonly float[,] plate;

    public FaceFeatures(Strip strip)
    {
        this.strip = strip;
        maps = Maps(strip);
        plate = Plates();
    }

    /// <summary>How many there are: the table's, and how far from the line the place is.</summary>
    public static int Count => Rows.Length + 1;

    /// <summary>Writes those of one place.</summary>
    /// <param name="row">Which row of the strip.</param>
    /// <param name="column">Which column.</param>
    /// <param name="into">Where to; as long as there are features.</param>
    public void Write(int row, int column, Span<float> into)
    {
        var side = row < strip.Rows / 2 ? 0 : 1;
        var outward = side == 0 ? -1 : 1;
        // Ahead is away from the strip's middle too.
        var ahead = column < strip.Columns / 2 ? -1 : 1;
        var here = row * strip.Columns + column;
        for (var i = 0; i < Rows.Length; i++)
        {
            var (map, beside, across, along) = Rows[i];
            var at =
                Math.Clamp(row + outward * across, 0, strip.Rows - 1) * strip.Columns
                + Math.Clamp(column + ahead * along, 0, strip.Columns - 1);
            var value = maps[(int)map][at];
            into[i] = beside switch
            {
                Beside.Plate => value - plate[side, (int)map],
                Beside.Here => value - maps[(int)map][here],
                Beside.Broadly => value - maps[(int)Of.Broad][here],
                _ => value,
            };
        }
        into[Rows.Length] = (float)Math.Abs(Strip.Across(row));
    }

    private static float[][] Maps(Strip strip)
    {
        using var light = Mat.FromPixelData(strip.Rows, strip.Columns, MatType.CV_32FC1, strip.Light);
        float[] Values(Mat of)
        {
            of.GetArray(out float[] values);
            of.Dispose();
            return values;
        }
        Mat Soft(Mat of, double along, double across)
        {
            var soft = new Mat();
            Cv2.GaussianBlur(of, soft, new Size(), along, across, BorderTypes.Replicate);
            return soft;
        }
        float[] Grain(double fine, double over, (int X, int Y) way)
        {
            using var soft = Soft(light, fine, fine);
            using var slope = new Mat();
            Cv2.Sobel(soft, slope, MatType.CV_32F, way.X, way.Y, 3, fine / 8);
            Cv2.Absdiff(slope, Scalar.All(0), slope);
            using var even = Soft(slope, over, over);
            Cv2.Add(even, Scalar.All(Nothing), even);
            var log = new Mat();
            Cv2.Log(even, log);
            return Values(log);
        }
        float[] Grit()
        {
            using var soft = Soft(light, 1.5, 1.5);
            using var off = new Mat();
            Cv2.Absdiff(light, soft, off);
            using var even = Soft(off, 6, 6);
            Cv2.Add(even, Scalar.All(Nothing), even);
            var log = new Mat();
            Cv2.Log(even, log);
            return Values(log);
        }
        float[] Colour(float[] of)
        {
            using var colour = Mat.FromPixelData(strip.Rows, strip.Columns, MatType.CV_32FC1, of);
            return Values(Soft(colour, 4, 2));
        }
        return
        [
            Values(Soft(light, 1, 1)),
            Values(Soft(light, 4, 1)),
            Values(Soft(light, 40, 40)),
            Colour(strip.RedOverGreen),
            Colour(strip.BlueOverGreen),
            Grain(1.5, 4, (1, 0)),
            Grain(1.5, 4, (0, 1)),
            Grain(4, 10, (1, 0)),
            Grain(4, 10, (0, 1)),
            Grit(),
        ];
    }

    // What the plate is like on either side: the middle of what lies further out than any bead. Where a side shows none, the other's.
    private float[,] Plates()
    {
        var found = new float[2, maps.Length];
        var any = new bool[2];
        for (var side = 0; side < 2; side++)
        {
            var places = Outside(side);
            any[side] = places.Count > 0;
            for (var map = 0; any[side] && map < maps.Length; map++)
            {
                var values = places.Select(at => maps[map][at]).ToArray();
                Array.Sort(values);
                found[side, map] = values[values.Length / 2];
            }
        }
        for (var side = 0; side < 2; side++)
        {
            for (var map = 0; !any[side] && map < maps.Length; map++)
                found[side, map] = found[1 - side, map];
        }
        return found;
    }

    private List<int> Outside(int side)
    {
        const int every = 3;
        const int fewest = 200;
        var (from, to) = side == 0 ? (0, (int)Strip.RowAt(-PlateFrom)) : ((int)Strip.RowAt(PlateFrom), strip.Rows);
        List<int> places = [];
        for (var row = from; row < to; row += every)
        {
            for (var column = 0; column < strip.Columns; column += every)
            {
                if (strip.Seen[row * strip.Columns + column])
                    places.Add(row * strip.Columns + column);
            }
        }
        return places.Count < fewest ? [] : places;
    }
}
