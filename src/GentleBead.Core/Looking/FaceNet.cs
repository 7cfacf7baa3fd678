using GentleBead.Core.Learned;
using OpenCvSharp;

namespace GentleBead.Core.Looking;

/// <summary>Tells weld metal from plate all over a strip, by what was learned of both.</summary>
/// <param name="Net">What was learned: plate first, weld metal second.</param>
internal sealed record FaceNet(LearnedNet Net)
{
    /// <summary>Columns of the strip from one that is weighed to the next.</summary>
    public const int Every = 3;

    // So many places at once: more would take memory and be no faster.
    private const int AtOnce = 1 << 15;

    /// <summary>
    /// How much sooner a place is weld metal than plate, as a natural logarithm of the odds: row by row, every third column of the strip.
    /// </summary>
    /// <param name="strip">The strip.</param>
    /// <param name="features">What is looked at on it.</param>
    /// <param name="coarse">How many rows and columns side by side are taken to be alike.</param>
    public float[] Odds(Strip strip, FaceFeatures features, int coarse = 1)
    {
        var columns = (strip.Columns + Every - 1) / Every;
        if (coarse == 1)
            return Weigh(strip.Rows, columns, i => (i / columns, i % columns * Every), features);
        var (fewRows, fewColumns) = ((strip.Rows + coarse - 1) / coarse, (columns + coarse - 1) / coarse);
        var few = Weigh(fewRows, fewColumns, i => (i / fewColumns * coarse, i % fewColumns * coarse * Every), features);
        var odds = new float[strip.Rows * columns];
        for (var i = 0; i < odds.Length; i++)
            odds[i] = few[i / columns / coarse * fewColumns + i % columns / coarse];
        return odds;
    }

    private float[] Weigh(int rows, int columns, Func<int, (int Row, int Column)> place, FaceFeatures features)
    {
        var odds = new float[rows * columns];
        var layers = Net.Layers.Select(Whole).ToArray();
        var inputs = FaceFeatures.Count;
        Span<float> one = stackalloc float[inputs];
        var batch = new float[AtOnce * (inputs + 1)];
        for (var from = 0; from < odds.Length; from += AtOnce)
        {
            var many = Math.Min(AtOnce, odds.Length - from);
            for (var i = 0; i < many; i++)
            {
                var (row, column) = place(from + i);
                features.Write(row, column, one);
                var own = batch.AsSpan(i * (inputs + 1), inputs + 1);
                for (var k = 0; k < inputs; k++)
                    own[k] = Math.Clamp((one[k] - Net.Middle[k]) / Net.Spread[k], -LearnedNet.Furthest, LearnedNet.Furthest);
                own[inputs] = 1;
            }
            Weigh(batch, many, layers, odds.AsSpan(from, many));
        }
        foreach (var layer in layers)
            layer.Dispose();
        return odds;
    }

    private static void Weigh(float[] batch, int many, Mat[] layers, Span<float> odds)
    {
        var at = Mat.FromPixelData(many, layers[0].Rows, MatType.CV_32FC1, batch);
        for (var i = 0; i < layers.Length; i++)
        {
            var next = new Mat();
            using var nothing = new Mat();
            Cv2.Gemm(at, layers[i], 1, nothing, 0, next);
            if (i < layers.Length - 1)
                Cv2.Max(next, 0.0, next);
            at.Dispose();
            at = next;
        }
        at.GetArray(out float[] last);
        var kinds = at.Cols;
        at.Dispose();
        for (var i = 0; i < many; i++)
            odds[i] = last[i * kinds + 1] - last[i * kinds];
    }

    // A layer with its bias as one more row, and a column that hands the 1 on which that row works.
    private static Mat Whole(LearnedNet.Layer layer)
    {
        var (outputs, inputs) = (layer.Bias.Length, layer.Weights.Length / layer.Bias.Length);
        var whole = new Mat(inputs + 1, outputs + 1, MatType.CV_32FC1, Scalar.All(0));
        for (var to = 0; to < outputs; to++)
        {
            for (var from = 0; from < inputs; from++)
                whole.Set(from, to, layer.Weights[to * inputs + from]);
            whole.Set(inputs, to, layer.Bias[to]);
        }
        whole.Set(inputs, outputs, 1f);
        return whole;
    }
}
