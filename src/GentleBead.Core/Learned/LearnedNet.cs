namespace GentleBead.Core.Learned;

/// <summary>A small network that weighs a few kinds of thing: part of what the ear and the eye learned.</summary>
/// <remarks>
/// Two hidden layers with rectifiers and a soft maximum (Bishop, Pattern Recognition and Machine Learning, 2006, chapter 5). The bench's
/// "train" teaches them and writes the models that are built into this library.
/// </remarks>
/// <param name="Middle">Mean of each feature.</param>
/// <param name="Spread">Standard deviation of each.</param>
/// <param name="Layers">The layers in order.</param>
internal sealed record LearnedNet(float[] Middle, float[] Spread, IReadOnlyList<LearnedNet.Layer> Layers)
{
    // A feature further off than this says no more than that.
    internal const float Furthest = 4;

    /// <summary>One layer.</summary>
    /// <param name="Weights">Row by row: as many as inputs for each output.</param>
    /// <param name="Bias">One for each output.</param>
    internal sealed record Layer(float[] Weights, float[] Bias);

    /// <summary>How likely each kind is, as a logarithm.</summary>
    /// <param name="features">Of one thing.</param>
    /// <param name="likely">Where to write.</param>
    internal void Weigh(ReadOnlySpan<double> features, Span<double> likely)
    {
        Span<float> from = stackalloc float[features.Length];
        for (var i = 0; i < from.Length; i++)
            from[i] = Math.Clamp(((float)features[i] - Middle[i]) / Spread[i], -Furthest, Furthest);
        for (var layer = 0; layer < Layers.Count; layer++)
        {
            var (weights, bias) = (Layers[layer].Weights, Layers[layer].Bias);
            Span<float> to = new float[bias.Length];
            for (var row = 0; row < to.Length; row++)
            {
                var sum = bias[row];
                var own = weights.AsSpan(row * from.Length, from.Length);
                for (var i = 0; i < own.Length; i++)
                    sum += own[i] * from[i];
                to[row] = layer < Layers.Count - 1 ? Math.Max(0, sum) : sum;
            }
            from = to;
        }
        var most = double.NegativeInfinity;
        foreach (var value in from)
            most = Math.Max(most, value);
        var total = 0.0;
        foreach (var value in from)
            total += Math.Exp(value - most);
        for (var kind = 0; kind < likely.Length; kind++)
            likely[kind] = from[kind] - most - Math.Log(total);
    }
}
