using OpenCvSharp;
using OpenCvSharp.Dnn;

namespace GentleBead.Core.Looking;

/// <summary>What is to be seen at a place of a section.</summary>
internal enum SectionPart
{
    /// <summary>No metal: the bench behind it.</summary>
    Bare,

    /// <summary>Plate, changed by heat or not.</summary>
    Plate,

    /// <summary>Weld metal.</summary>
    Weld,

    /// <summary>A dark line between what was not fused.</summary>
    Seam,
}

/// <summary>
/// What the eye learned of sections: a small network of convolutions that says of every place of a field which part it is (Ronneberger,
/// Fischer and Brox, U-Net, 2015). It is kept as ONNX and run by OpenCV; bench/GentleBead.Bench/Looking/teach_sections.py teaches it.
/// </summary>
internal static class SectionModel
{
    /// <summary>How many parts there are.</summary>
    public const int Parts = 4;

    // The network halves its field five times: it wants a multiple of 32 either way.
    private const int Whole = 352;

    private static readonly Lazy<byte[]> Learned = new(() =>
    {
        using var file = typeof(SectionModel).Assembly.GetManifestResourceStream("Section.onnx")!;
        var bytes = new byte[file.Length];
        file.ReadExactly(bytes);
        return bytes;
    });

    // A network is not to be asked by two threads at once.
    [ThreadStatic]
    private static Net? own;

    /// <summary>How likely each part is at each place of a field, as a natural logarithm, part by part.</summary>
    public static float[] Weigh(SectionField field)
    {
        using var input = Mat.FromPixelData([1, SectionField.Maps, Whole, Whole], MatType.CV_32FC1, Padded(field.ForNet()));
        var net = own ??= Net.ReadNetFromONNX(Learned.Value)!;
        net.SetInput(input);
        using var output = net.Forward();
        var all = Finer(output);
        var likely = new float[SectionField.Side * SectionField.Side * Parts];
        Span<float> one = stackalloc float[Parts];
        for (var place = 0; place < SectionField.Side * SectionField.Side; place++)
        {
            var at = place / SectionField.Side * Whole + place % SectionField.Side;
            var most = float.NegativeInfinity;
            for (var part = 0; part < Parts; part++)
            {
                one[part] = all[part][at];
                most = Math.Max(most, one[part]);
            }
            var total = 0f;
            foreach (var value in one)
                total += MathF.Exp(value - most);
            for (var part = 0; part < Parts; part++)
                likely[Parts * place + part] = one[part] - most - MathF.Log(total);
        }
        return likely;
    }

    // The network says it of every other place either way.
    private static float[][] Finer(Mat output)
    {
        using var flat = output.Reshape(1, Parts);
        flat.GetArray(out float[] all);
        const int half = Whole / 2;
        return
        [
            .. Enumerable
                .Range(0, Parts)
                .Select(part =>
                {
                    using var coarse = Mat.FromPixelData(
                        half,
                        half,
                        MatType.CV_32FC1,
                        all[(part * half * half)..((part + 1) * half * half)]
                    );
                    using var fine = new Mat();
                    Cv2.Resize(coarse, fine, new Size(Whole, Whole));
                    fine.GetArray(out float[] values);
                    return values;
                }),
        ];
    }

    // What lies past the field is as its rim.
    private static float[] Padded(float[][] maps)
    {
        var padded = new float[maps.Length * Whole * Whole];
        for (var map = 0; map < maps.Length; map++)
        {
            for (var i = 0; i < Whole * Whole; i++)
            {
                var (x, y) = (Math.Min(i % Whole, SectionField.Side - 1), Math.Min(i / Whole, SectionField.Side - 1));
                padded[map * Whole * Whole + i] = maps[map][y * SectionField.Side + x];
            }
        }
        return padded;
    }
}
