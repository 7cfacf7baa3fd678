using System.Diagnostics;
using System.Text.Json;
using GentleBead.Core.Learned;
using GentleBead.Core.Listening;

namespace GentleBead.Bench.Listening;

/// <summary>Teaches the ear, and writes what it learned into SoundModel.json.</summary>
internal static class TrainEar
{
    // Seeds of the bench and the tests lie elsewhere.
    private const int Taught = 1_000_000,
        Asked = 900_000_000;

    private static readonly int[] SlowRates = [8_000, 8_000, 11_025, 16_000];

    /// <summary>Debian's packages whose sounds teach what is no arc; nothing of them is kept.</summary>
    internal static readonly string[] Packages =
    [
        "openttd-opensfx",
        "tuxpaint-data",
        "pingus-data",
        "frozen-bubble-data",
        "minetest-data",
        "gcompris-qt-data",
    ];

    // A recording as it was measured.
    private sealed record Heard(int Kind, bool Narrow, double[][] Measured, int?[] Kinds);

    internal static void Run(string file, string sounds, double share)
    {
        var watch = Stopwatch.StartNew();
        var files = Files(sounds, Packages);
        Console.WriteLine($"{files.Length} sounds of {Packages.Length} packages.");
        var taught = Lessons.Each(
            Lessons.Arcs((int)(500 * share), 4, 0.3, Taught).Concat(Lessons.Others((int)(60 * share), files, 3, Taught)),
            Both
        );
        var asked = Lessons.Each(
            Lessons.Arcs((int)(120 * share), 4, 0.3, Asked).Concat(Lessons.Others((int)(20 * share), files, 1, Asked)),
            Both
        );
        Console.WriteLine($"{taught.Count} and {asked.Count} recordings after {watch.Elapsed.TotalSeconds:0} s.");
        var models = ParallelEnumerable
            .Range(0, 2)
            .AsOrdered()
            .Select(narrow =>
                Model([.. taught.Where(one => one.Narrow == (narrow == 1))], [.. asked.Where(one => one.Narrow == (narrow == 1))])
            )
            .ToArray();
        File.WriteAllText(file, JsonSerializer.Serialize(new SoundModel.Both(models[0], models[1])));
        Console.WriteLine($"Done after {watch.Elapsed.TotalSeconds:0} s.");
    }

    private static SoundModel Model(Heard[] taught, Heard[] asked)
    {
        List<Example> halves = [.. taught.SelectMany(Halves)];
        var windows = Learner.Teach(halves, [48, 24], Learner.Evenly(halves, 2), 1);
        var random = Chance.Of(3);
        List<Example> wholes = [.. taught.SelectMany(one => Wholes(one, windows, random))];
        var whole = Learner.Teach(wholes, [48], Learner.Evenly(wholes, 1), 2);
        var answers = asked
            .SelectMany(one =>
            {
                var likely = Ear.Weighed(one.Measured, windows);
                var said = Ear.Together(one.Measured, likely, Ear.Arc(SoundPath.Of(likely)), whole);
                return new[] { (said.Kind, said.Share, Truth: one.Kind) };
            })
            .ToArray();
        Console.WriteLine(
            $"{answers.Count(one => one.Kind == one.Truth) / (double)answers.Length:P1} of {answers.Length} that were not learned from."
        );
        return new(
            windows,
            whole,
            [
                .. Enumerable
                    .Range(0, Ear.NoArc)
                    .Select(kind => Isotonic.Of([.. answers.Where(one => one.Kind == kind).Select(one => (one.Share, one.Truth == kind))])),
            ]
        );
    }

    private static IEnumerable<Example> Halves(Heard one) =>
        one
            .Kinds.Index()
            .Where(window => window.Item is not null)
            .Select(window => new Example(Floats(one.Measured[window.Index]), window.Item!.Value));

    // The whole of a recording, and a part of it: what was short is to be known too.
    private static IEnumerable<Example> Wholes(Heard one, LearnedNet windows, MathNet.Numerics.Random.Xoshiro256StarStar random)
    {
        var likely = Ear.Weighed(one.Measured, windows);
        var arc = Ear.Arc(SoundPath.Of(likely));
        if (arc.Length == 0)
            yield break;
        yield return new(Floats(SoundStretch.Of(one.Measured, likely, arc)), one.Kind);
        for (var part = 0; part < 3; part++)
        {
            var (first, count) = (random.Next(arc.Length), 1 + random.Next(arc.Length));
            yield return new(Floats(SoundStretch.Of(one.Measured, likely, [.. arc.Skip(first).Take(count)])), one.Kind);
        }
    }

    private static float[] Floats(double[] values) => Array.ConvertAll(values, value => (float)value);

    internal static string[] Files(string folder, IEnumerable<string> packages) =>
        [
            .. packages
                .Select(one => Path.Combine(folder, one))
                .Where(Directory.Exists)
                .SelectMany(Directory.GetFiles)
                .Order(StringComparer.Ordinal),
        ];

    // All that is on the recording, and what a slow recorder had of it.
    private static IEnumerable<Heard> Both(Lesson lesson)
    {
        var sound = lesson.Take.Sound;
        var features = SoundFeatures.Of(sound);
        yield return Of(features);
        if (!features.Narrow)
            yield return Of(
                SoundFeatures.Of(Devices.Slower(sound, SlowRates[(int)(Math.Abs(sound.Samples[^1]) * 1e6) % SlowRates.Length]))
            );

        Heard Of(SoundFeatures one) => new(lesson.Kind, one.Narrow, Ear.Measured(one), Lessons.Kinds(lesson, one.Windows));
    }
}
