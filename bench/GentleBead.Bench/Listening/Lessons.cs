using GentleBead.Core.Beads;
using GentleBead.Core.Listening;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Listening;

/// <summary>A recording of which it is known what it is.</summary>
/// <param name="Kind">A sound's number, or no arc.</param>
/// <param name="Name">How it was taken, or what it is.</param>
/// <param name="Way">How the sound was made.</param>
/// <param name="Take">The recording.</param>
internal sealed record Lesson(int Kind, string Name, string Way, Take Take);

/// <summary>Recordings to teach the ear with and to measure it by, from seeds: other seeds, other recordings.</summary>
internal static class Lessons
{
    internal const double Seconds = 3;

    /// <summary>Arcs, each in some takes.</summary>
    /// <param name="arcs">How many of each sound.</param>
    /// <param name="takes">How many takes of each arc.</param>
    /// <param name="twice">Share of takes that are taken twice: a hall and a codec.</param>
    /// <param name="seed">Of everything.</param>
    internal static IEnumerable<Func<IEnumerable<Lesson>>> Arcs(int arcs, int takes, double twice, int seed) =>
        Enumerable
            .Range(0, arcs * Ear.NoArc)
            .Select<int, Func<IEnumerable<Lesson>>>(arc => () => TakesOf(arc, takes, twice, seed + 7919 * arc));

    private static IEnumerable<Lesson> TakesOf(int arc, int takes, double twice, int seed)
    {
        var clean = ArcClips.Of((Sound)(arc % Ear.NoArc), Seconds, seed);
        for (var one = 0; one < takes; one++)
        {
            var random = Chance.Of(seed + one);
            // In turn, so that every sound is had in every take.
            var take = (arc / Ear.NoArc * takes + one) % Takes.Count;
            var taken = Takes.Of(take, clean, seed + one);
            if (random.In(twice))
            {
                var again = Takes.Of(random.Next(Takes.Count), taken.Sound, seed + one + 1);
                taken = again with { Out = [.. taken.Out, .. again.Out] };
            }
            yield return new Lesson(arc % Ear.NoArc, Takes.Name(take), ArcClips.Way(seed), taken);
        }
    }

    /// <summary>What is no arc: made here, or from files.</summary>
    /// <param name="each">How many of each kind.</param>
    /// <param name="files">WAV files; none where there are none.</param>
    /// <param name="ofFile">How many takes of each file.</param>
    /// <param name="seed">Of everything.</param>
    internal static IEnumerable<Func<IEnumerable<Lesson>>> Others(int each, IReadOnlyList<string> files, int ofFile, int seed)
    {
        var made = Enumerable
            .Range(0, each * OtherSounds.Count)
            .Select<int, Func<IEnumerable<Lesson>>>(i => () => [Made(i % OtherSounds.Count, seed + i)]);
        var drowned = Enumerable.Range(0, each * 4).Select<int, Func<IEnumerable<Lesson>>>(i => () => [Drowned(seed + i)]);
        var kept = Enumerable
            .Range(0, files.Count * ofFile)
            .Select<int, Func<IEnumerable<Lesson>>>(i => () => OfFile(files[i % files.Count], seed + i));
        return [.. made, .. drowned, .. kept];
    }

    private static Lesson Made(int kind, int seed) =>
        Taken(new(KnownClips.Rate, OtherSounds.Of(kind, Seconds, seed)), OtherSounds.Name(kind), seed);

    private static Lesson Drowned(int seed) =>
        new(
            Ear.NoArc,
            "an arc drowned or behind a wall",
            "",
            new(seed % 2 == 0 ? KnownClips.Other(KnownClips.Others - 1, Seconds, seed) : Walled(seed), [])
        );

    private static IEnumerable<Lesson> OfFile(string file, int seed)
    {
        if (Filled(WavFile.Read(File.ReadAllBytes(file)), Chance.Of(seed)) is { } sound)
            yield return Taken(sound, Path.GetFileName(Path.GetDirectoryName(file))!, seed);
    }

    private static Lesson Taken(Waveform sound, string name, int seed)
    {
        var random = Chance.Of(seed);
        return new(
            Ear.NoArc,
            name,
            "",
            random.In(0.4) ? new(sound, []) : Takes.Of(random.Next(Takes.Count), sound, seed) with { Out = [] }
        );
    }

    private static Waveform Walled(int seed)
    {
        var sound = ArcClips.Of((Sound)(seed % Ear.NoArc), Seconds, seed);
        var random = Chance.Of(seed);
        var hertz = random.Between(400, 900);
        for (var pass = 0; pass < 3; pass++)
            sound = Devices.Covered(sound, hertz);
        return sound;
    }

    // A short sound again and again, with gaps or without; of a long one some seconds.
    private static Waveform? Filled(Waveform sound, Xoshiro256StarStar random)
    {
        if (sound.Samples.Length == 0 || sound.Samples.All(value => value == 0))
            return null;
        var samples = new float[(int)(Seconds * sound.Rate)];
        var gap = random.In(0.5) ? 0 : (int)(random.Between(0, 0.4) * sound.Rate);
        var from = sound.Samples.Length > samples.Length ? random.Next(sound.Samples.Length - samples.Length) : 0;
        for (var at = 0; at < samples.Length; at += sound.Samples.Length + gap)
            sound.Samples.AsSpan(from, Math.Min(sound.Samples.Length - from, samples.Length - at)).CopyTo(samples.AsSpan(at));
        return sound with { Samples = samples };
    }

    /// <summary>What each half second of a recording is; null where the arc starts or stops in it.</summary>
    internal static int?[] Kinds(Lesson lesson, int windows)
    {
        const double hop = (double)SoundFeatures.Hop / SoundBands.Blocks,
            length = (double)SoundFeatures.Window / SoundBands.Blocks,
            edge = 0.03;
        return [.. Enumerable.Range(0, windows).Select(window => Kind(window * hop, window * hop + length))];

        int? Kind(double from, double to)
        {
            var outs = lesson.Take.Out.Where(pause => pause.From < to - edge && pause.To > from + edge).ToArray();
            return outs.Length == 0 ? lesson.Kind
                : outs.Any(pause => pause.From <= from && pause.To >= to) ? Ear.NoArc
                : null;
        }
    }

    /// <summary>What is done with each, on all processors.</summary>
    internal static IReadOnlyList<T> Each<T>(IEnumerable<Func<IEnumerable<Lesson>>> lessons, Func<Lesson, IEnumerable<T>> made)
    {
        var all = lessons.ToArray();
        var results = new T[all.Length][];
        Parallel.For(0, all.Length, i => results[i] = [.. all[i]().SelectMany(made)]);
        return [.. results.SelectMany(one => one)];
    }
}
