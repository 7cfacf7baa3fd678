using System.Globalization;
using System.Text;
using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using MathNet.Numerics.LinearAlgebra;

namespace GentleBead.Bench;

/// <summary>Teaches the ear from simulated clips, and writes what it learned into SoundModel.cs.</summary>
internal static class TrainEar
{
    // Seeds of the tests lie elsewhere.
    private const int FirstSeed = 1_000_000,
        SeedStep = 7919,
        ClipsOfEach = 400;
    private const double Seconds = 2.5;

    // How far the shop lies under the arc, dB.
    private const double Loudest = -6,
        Quietest = 35,
        Noisy = 8;

    // A group of fewer is not learned from.
    private const int FewestWindows = 150;

    // Keeps a feature that hardly varies from counting for everything.
    private const double Ridge = 1e-3;

    internal static void Run(string file)
    {
        // What sounds alike in two ways, or is heard near and through noise, is learned apart: a normal distribution has one middle.
        var windows = new SortedDictionary<string, List<Vector<double>>>(StringComparer.Ordinal);
        var sounds = Enum.GetValues<Sound>().Length;
        Parallel.For(
            0,
            (sounds + 1) * ClipsOfEach,
            clip =>
            {
                var kind = clip % (sounds + 1);
                var seed = FirstSeed + clip * SeedStep;
                var under = Loudest + (Quietest - Loudest) * new Random(seed).NextDouble();
                string group;
                Waveform sound;
                if (kind < sounds)
                {
                    var trace = KnownClips.Trace((Sound)kind, Seconds, seed);
                    group =
                        $"{(Sound)kind} {string.Join(",", trace.Setting.Faults)}{trace.Setting.Process} "
                        + $"{(under < Noisy ? "noisy" : "clear")}";
                    sound = KnownClips.Clip((Sound)kind, Seconds, under, seed);
                }
                else
                {
                    group = $"null {clip / (sounds + 1) % KnownClips.Others}";
                    sound = KnownClips.Other(clip / (sounds + 1) % KnownClips.Others, Seconds, seed);
                }
                var features = SoundFeatures.Of(sound);
                for (var window = 0; window < features.Windows; window++)
                {
                    var values = new double[SoundFeatures.Names.Count];
                    features.Write(window, values);
                    lock (windows)
                    {
                        if (!windows.TryGetValue(group, out var list))
                            windows[group] = list = [];
                        list.Add(Vector<double>.Build.Dense(values));
                    }
                }
            }
        );
        var text = new StringBuilder(
            """
            using GentleBead.Core.Beads;

            namespace GentleBead.Core.Listening;

            /// <summary>What the ear learned. Written by the bench's "train", not by hand.</summary>
            internal static class SoundModel
            {
                internal static IReadOnlyList<KnownSound> Known { get; } =
                [

            """.ReplaceLineEndings("\n")
        );
        foreach (var (group, list) in windows)
        {
            if (list.Count < FewestWindows)
                continue;

            // Clips came in whatever order the threads had; sums must not depend on it.
            var rows = list.OrderBy(row => row[0]).ThenBy(row => row[6]).ToArray();
            var mean = rows.Aggregate((sum, row) => sum + row) / rows.Length;
            var covariance =
                rows.Select(row => (row - mean).OuterProduct(row - mean)).Aggregate((sum, one) => sum + one) / rows.Length
                + Matrix<double>.Build.DenseIdentity(mean.Count) * Ridge;
            var inverse = covariance.Inverse();
            var half = Enumerable
                .Range(0, mean.Count)
                .SelectMany(row => Enumerable.Range(0, row + 1).Select(column => inverse[row, column]));
            text.Append(
                CultureInfo.InvariantCulture,
                $"        new({(group[0] == 'n' ? "null" : $"Sound.{group[..group.IndexOf(' ', StringComparison.Ordinal)]}")},\n "
                    + $"           [{List(mean)}],\n            [\n"
            );
            foreach (var line in half.Chunk(10))
                text.Append(CultureInfo.InvariantCulture, $"                {List(line)},\n");
            text.Append(CultureInfo.InvariantCulture, $"            ],\n            {Number(Math.Log(covariance.Determinant()))}),\n");
        }
        text.Append("    ];\n}\n");
        File.WriteAllText(file, text.ToString());
    }

    private static string List(IEnumerable<double> values) => string.Join(", ", values.Select(Number));

    private static string Number(double value) => value.ToString("0.#####", CultureInfo.InvariantCulture);
}
