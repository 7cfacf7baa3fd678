using GentleBead.Core.Learned;
using GentleBead.Core.Listening;

namespace GentleBead.Bench.Listening;

/// <summary>One half second to learn from.</summary>
/// <param name="Features">What was measured of it.</param>
/// <param name="Kind">What it is: a sound's number, or <see cref="Ear.NoArc"/>.</param>
internal sealed record Example(float[] Features, int Kind);

/// <summary>Teaches a <see cref="LearnedNet"/> by gradient descent (Adam: Kingma and Ba 2015); features are blurred and left out.</summary>
internal sealed class Learner
{
    private const int Batch = 64,
        Rounds = 24;
    private const double Rate = 2e-3,
        KeepFirst = 0.9,
        KeepSecond = 0.999,
        Decay = 2e-5,
        Blur = 0.08,
        LeftOut = 0.03;

    private readonly List<(float[] Weights, float[] Bias)> layers = [];
    private readonly List<(float[] First, float[] Second)> moments = [];
    private readonly MathNet.Numerics.Random.Xoshiro256StarStar random;
    private int steps;

    private Learner(int inputs, int[] hidden, int kinds, int seed)
    {
        random = Chance.Of(seed);
        var from = inputs;
        foreach (var to in (int[])[.. hidden, kinds])
        {
            var weights = new float[from * to];
            for (var i = 0; i < weights.Length; i++)
                weights[i] = (float)(MathNet.Numerics.Distributions.Normal.Sample(random, 0, Math.Sqrt(2.0 / from)));
            layers.Add((weights, new float[to]));
            moments.Add((new float[weights.Length + to], new float[weights.Length + to]));
            from = to;
        }
    }

    /// <summary>What examples weigh for every sound to weigh the same, and no arc as much as so many of them.</summary>
    internal static double[] Evenly(IReadOnlyList<Example> examples, double noArc) =>
        [
            .. Enumerable
                .Range(0, Ear.Kinds)
                .Select(kind =>
                    (kind == Ear.NoArc ? noArc : 1)
                    * examples.Count
                    / (Math.Max(1, examples.Count(one => one.Kind == kind)) * (Ear.Kinds + 1.0))
                ),
        ];

    /// <summary>Teaches a net.</summary>
    /// <param name="examples">What to learn from.</param>
    /// <param name="hidden">How wide its hidden layers are.</param>
    /// <param name="weights">What an example of each kind weighs.</param>
    /// <param name="seed">Of its chance.</param>
    internal static LearnedNet Teach(IReadOnlyList<Example> examples, int[] hidden, double[] weights, int seed)
    {
        var inputs = examples[0].Features.Length;
        var middle = new float[inputs];
        var spread = new float[inputs];
        for (var i = 0; i < inputs; i++)
        {
            middle[i] = examples.Average(one => one.Features[i]);
            spread[i] = Math.Max(0.02f, (float)Math.Sqrt(examples.Average(one => Math.Pow(one.Features[i] - middle[i], 2))));
        }
        var ready = examples
            .Select(one =>
                one with
                {
                    Features = [.. one.Features.Select((value, i) => Math.Clamp((value - middle[i]) / spread[i], -4, 4))],
                }
            )
            .ToArray();
        var learner = new Learner(inputs, hidden, weights.Length, seed);
        for (var round = 0; round < Rounds; round++)
        {
            learner.random.Shuffle(ready);
            for (var at = 0; at + Batch <= ready.Length; at += Batch)
                learner.Step(ready.AsSpan(at, Batch), weights, Rate * (0.02 + 0.98 * 0.5 * (1 + Math.Cos(Math.PI * round / Rounds))));
        }
        return new(
            [.. middle.Select(Rounded)],
            [.. spread.Select(Rounded)],
            [.. learner.layers.Select(layer => new LearnedNet.Layer([.. layer.Weights.Select(Rounded)], [.. layer.Bias.Select(Rounded)]))]
        );
    }

    private static float Rounded(float value) => MathF.Round(value, 4);

    private void Step(ReadOnlySpan<Example> batch, double[] weights, double rate)
    {
        var gradients = layers.Select(layer => new float[layer.Weights.Length + layer.Bias.Length]).ToArray();
        foreach (var example in batch)
        {
            var blurred = Array.ConvertAll(
                example.Features,
                value => random.In(LeftOut) ? 0 : value + (float)(Blur * 3.46 * random.White())
            );
            Learn(blurred, example.Kind, weights[example.Kind] / Batch, gradients);
        }
        steps++;
        var (first, second) = (1 - Math.Pow(KeepFirst, steps), 1 - Math.Pow(KeepSecond, steps));
        for (var layer = 0; layer < layers.Count; layer++)
        {
            var (values, bias) = layers[layer];
            for (var i = 0; i < gradients[layer].Length; i++)
            {
                var slope = gradients[layer][i];
                ref var mean = ref moments[layer].First[i];
                ref var square = ref moments[layer].Second[i];
                mean = (float)(KeepFirst * mean + (1 - KeepFirst) * slope);
                square = (float)(KeepSecond * square + (1 - KeepSecond) * slope * slope);
                var change = (float)(rate * mean / first / (Math.Sqrt(square / second) + 1e-8));
                if (i < values.Length)
                    values[i] -= change + (float)(rate * Decay * values[i]);
                else
                    bias[i - values.Length] -= change;
            }
        }
    }

    private void Learn(float[] features, int kind, double weight, float[][] gradients)
    {
        var outputs = new List<float[]> { features };
        foreach (var (values, bias) in layers)
        {
            var (from, to) = (outputs[^1], (float[])bias.Clone());
            for (var row = 0; row < to.Length; row++)
            {
                var sum = Dot(values.AsSpan(row * from.Length, from.Length), from);
                to[row] = outputs.Count < layers.Count ? Math.Max(0, to[row] + sum) : to[row] + sum;
            }
            outputs.Add(to);
        }
        var most = outputs[^1].Max();
        var total = outputs[^1].Sum(value => Math.Exp(value - most));
        var slope = outputs[^1].Select((value, i) => (float)(weight * (Math.Exp(value - most) / total - (i == kind ? 1 : 0)))).ToArray();
        for (var layer = layers.Count - 1; layer >= 0; layer--)
        {
            var from = outputs[layer];
            var below = new float[from.Length];
            var weights = layers[layer].Weights;
            for (var row = 0; row < slope.Length; row++)
            {
                if (slope[row] == 0)
                    continue;
                var own = gradients[layer].AsSpan(row * from.Length, from.Length);
                Add(own, from, slope[row]);
                Add(below, weights.AsSpan(row * from.Length, from.Length), slope[row]);
                gradients[layer][weights.Length + row] += slope[row];
            }
            if (layer > 0)
            {
                for (var i = 0; i < below.Length; i++)
                    below[i] = from[i] > 0 ? below[i] : 0;
            }
            slope = below;
        }
    }

    private static float Dot(ReadOnlySpan<float> one, ReadOnlySpan<float> other)
    {
        var sum = System.Numerics.Vector<float>.Zero;
        var i = 0;
        for (; i + System.Numerics.Vector<float>.Count <= one.Length; i += System.Numerics.Vector<float>.Count)
            sum += new System.Numerics.Vector<float>(one[i..]) * new System.Numerics.Vector<float>(other[i..]);
        var total = System.Numerics.Vector.Sum(sum);
        for (; i < one.Length; i++)
            total += one[i] * other[i];
        return total;
    }

    private static void Add(Span<float> into, ReadOnlySpan<float> values, float by)
    {
        for (var i = 0; i < into.Length; i++)
            into[i] += by * values[i];
    }
}
