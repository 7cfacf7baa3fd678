using OpenCvSharp;
using OpenCvSharp.Dnn;

namespace GentleBead.Core.Looking;

/// <summary>
/// A small network of convolutions that says of every place of a field which part it is (Ronneberger, Fischer and Brox, U-Net, 2015), and
/// where single points lie. It is kept as ONNX and run by OpenCV; bench/GentleBead.Bench/Looking/teach_parts.py teaches it.
/// </summary>
internal sealed class PartNet : IDisposable
{
    // The network halves its field five times: it wants a multiple of 32 either way.
    private const int Multiple = 32;

    private readonly Net net;
    private readonly int parts,
        marks;

    private PartNet(Net net, int parts, int marks) => (this.net, this.parts, this.marks) = (net, parts, marks);

    /// <summary>Reads a network that ships with the eye; it is not to be asked by two threads at once.</summary>
    /// <param name="name">Its file.</param>
    /// <param name="parts">How many parts it tells.</param>
    /// <param name="marks">How many kinds of points it finds.</param>
    public static PartNet Read(string name, int parts, int marks = 0)
    {
        using var file = typeof(PartNet).Assembly.GetManifestResourceStream(name)!;
        var bytes = new byte[file.Length];
        file.ReadExactly(bytes);
        return new(Net.ReadNetFromONNX(bytes)!, parts, marks);
    }

    /// <summary>
    /// How likely each part is at each place of a field, as a natural logarithm: all parts of a place side by side. And, mark by mark, how
    /// likely each place is within half a millimetre of one, as a share.
    /// </summary>
    /// <param name="maps">What is to be seen, map by map, row by row.</param>
    /// <param name="columns">How wide the field is.</param>
    /// <param name="rows">How high.</param>
    public (float[] Parts, float[][] Marks) Weigh(float[][] maps, int columns, int rows)
    {
        var (wide, high) = (Whole(columns), Whole(rows));
        using var input = Mat.FromPixelData([1, maps.Length, high, wide], MatType.CV_32FC1, Padded(maps, (columns, rows), (wide, high)));
        net.SetInput(input);
        using var output = net.Forward();
        var all = Finer(output, wide, high);
        return (Likely(all, (columns, rows), wide), [.. all.Skip(parts).Select(map => Near(map, (columns, rows), wide))]);
    }

    /// <inheritdoc/>
    public void Dispose() => net.Dispose();

    private static int Whole(int pixels) => (pixels + Multiple - 1) / Multiple * Multiple;

    private float[] Likely(float[][] all, (int Columns, int Rows) size, int wide)
    {
        var likely = new float[size.Columns * size.Rows * parts];
        Span<float> one = stackalloc float[parts];
        for (var place = 0; place < size.Columns * size.Rows; place++)
        {
            var at = place / size.Columns * wide + place % size.Columns;
            var most = float.NegativeInfinity;
            for (var part = 0; part < parts; part++)
            {
                one[part] = all[part][at];
                most = Math.Max(most, one[part]);
            }
            var total = 0f;
            foreach (var value in one)
                total += MathF.Exp(value - most);
            for (var part = 0; part < parts; part++)
                likely[parts * place + part] = one[part] - most - MathF.Log(total);
        }
        return likely;
    }

    private static float[] Near(float[] map, (int Columns, int Rows) size, int wide)
    {
        var near = new float[size.Columns * size.Rows];
        for (var place = 0; place < near.Length; place++)
            near[place] = 1 / (1 + MathF.Exp(-map[place / size.Columns * wide + place % size.Columns]));
        return near;
    }

    // The network says it of every other place either way.
    private float[][] Finer(Mat output, int wide, int high)
    {
        using var flat = output.Reshape(1, parts + marks);
        flat.GetArray(out float[] all);
        var (halfWide, halfHigh) = (wide / 2, high / 2);
        var fine = new float[parts + marks][];
        for (var part = 0; part < fine.Length; part++)
        {
            var own = all[(part * halfWide * halfHigh)..((part + 1) * halfWide * halfHigh)];
            using var coarse = Mat.FromPixelData(halfHigh, halfWide, MatType.CV_32FC1, own);
            using var whole = new Mat();
            Cv2.Resize(coarse, whole, new Size(wide, high));
            whole.GetArray(out fine[part]);
        }
        return fine;
    }

    // What lies past the field is as its rim.
    private static float[] Padded(float[][] maps, (int Columns, int Rows) size, (int Wide, int High) whole)
    {
        var padded = new float[maps.Length * whole.Wide * whole.High];
        for (var map = 0; map < maps.Length; map++)
        {
            for (var i = 0; i < whole.Wide * whole.High; i++)
            {
                var (x, y) = (Math.Min(i % whole.Wide, size.Columns - 1), Math.Min(i / whole.Wide, size.Rows - 1));
                padded[map * whole.Wide * whole.High + i] = maps[map][y * size.Columns + x];
            }
        }
        return padded;
    }
}
