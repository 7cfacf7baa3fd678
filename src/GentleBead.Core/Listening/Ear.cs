using GentleBead.Core.Beads;
using GentleBead.Core.Learned;

namespace GentleBead.Core.Listening;

/// <summary>Why no sound could be named.</summary>
public enum Unheard
{
    /// <summary>There is next to nothing on the recording.</summary>
    Silent,

    /// <summary>What is heard is no arc, or the shop drowns it.</summary>
    NotAnArc,

    /// <summary>Too noisy, or on the border between two sounds.</summary>
    Unclear,

    /// <summary>Too short to say.</summary>
    TooShort,

    /// <summary>One sound after the other.</summary>
    Several,
}

/// <summary>What is heard in a stretch of a recording.</summary>
/// <param name="From">Where it begins, s.</param>
/// <param name="Seconds">How long it is.</param>
/// <param name="Sound">What it sounds like; null where that is not clear, or no arc.</param>
/// <param name="Hiss">Share of the sound's power that is steady, 0 to 1.</param>
/// <param name="Crackle">Share that crackles.</param>
/// <param name="Pop">Share in loud pops.</param>
/// <param name="Cracks">Cracks a second.</param>
public sealed record HeardStretch(double From, double Seconds, Sound? Sound, double Hiss, double Crackle, double Pop, double Cracks);

/// <summary>What is heard in a recording.</summary>
/// <param name="Sound">What it sounds like; null where it could not be said.</param>
/// <param name="Confidence">How sure, 0 to 1.</param>
/// <param name="Unheard">Why it could not be said; null where it could.</param>
/// <param name="ArcFrom">Where the arc begins, s.</param>
/// <param name="ArcTo">Where it ends.</param>
/// <param name="Stretches">Quarter second by quarter second.</param>
/// <param name="Pops">When it popped loudly, s; the first few hundred.</param>
/// <param name="Parts">Where there are several sounds, which and when; null else.</param>
public sealed record HeardArc(
    Sound? Sound,
    double Confidence,
    Unheard? Unheard,
    double ArcFrom,
    double ArcTo,
    IReadOnlyList<HeardStretch> Stretches,
    IReadOnlyList<double> Pops,
    IReadOnlyList<HeardPart>? Parts = null
);

/// <summary>A part of a recording that has one sound.</summary>
/// <param name="Sound">Which.</param>
/// <param name="From">Where it begins, s.</param>
/// <param name="To">Where it ends.</param>
public sealed record HeardPart(Sound Sound, double From, double To);

/// <summary>Names the sound of an arc in the trade's words, and says when it cannot.</summary>
/// <remarks>
/// Each half second is weighed by what was learned (<see cref="SoundModel"/>) from simulated arcs and from what is no arc, in rooms and
/// noise, through microphones and codecs. The likeliest course of sounds (<see cref="SoundPath"/>) leaves out pauses and what drowns
/// the arc; what its windows have in common gives the answer, as sure as such answers proved on recordings that were not learned from.
/// </remarks>
public static class Ear
{
    // Quieter than this is nothing; and what is less sure than this is not said.
    private const double Nothing = 4e-5,
        SureEnough = 0.6;

    // Less of an arc than this is none: its share of what was listened to.
    private const double LeastArc = 0.25;

    // A part of so many windows, sure of itself, is a sound of its own and no flicker.
    private const int LeastPart = 3;
    private const double SurePart = 0.9;

    // An arc is this far over what is heard without it (power); a recording that never falls so far is all arc.
    private const double Stands = 6;
    private const int Frame = 50;

    // Power of a crack over the median, and of a loud pop over everyday cracks.
    private const float Crack = 4,
        PopOverCracks = 8;
    private const int MostPops = 400;

    // The sounds, and after them what is no arc.
    internal const int NoArc = (int)Sound.Sputter + 1,
        Kinds = NoArc + 1;

    /// <summary>Listens to a recording.</summary>
    public static HeardArc Listen(Waveform recording)
    {
        ArgumentNullException.ThrowIfNull(recording);
        var features = SoundFeatures.Of(recording);
        if (features.Windows == 0)
            return new(null, 0, Unheard.TooShort, 0, recording.Seconds, [], []);
        if (Level(recording) < Nothing)
        {
            var silence = Enumerable.Range(0, features.Windows).Select(window => Stretch(features, window, null));
            return new(null, 0, Unheard.Silent, 0, recording.Seconds, [.. silence], []);
        }
        var model = SoundModel.For(features);
        var measured = Measured(features);
        var likely = Weighed(measured, model.Windows);
        var (from, to) = ArcSpan(features.Main);
        var path = SoundPath.Of(likely);
        for (var window = 0; window < path.Length; window++)
        {
            if (!Within(window, from, to))
                path[window] = NoArc;
        }
        var parts = Parts(measured, likely, path, model).ToArray();
        var answer = Answer(measured, likely, path, model, parts);
        var stretches = path.Select((kind, window) => Stretch(features, window, kind < NoArc ? (Sound)kind : null));
        return new(
            answer.Sound,
            answer.Confidence,
            answer.Unheard,
            from,
            to,
            [.. stretches],
            Pops(features.Main),
            answer.Unheard == Unheard.Several ? [.. parts.Select(part => Heard(part, from, to))] : null
        );
    }

    /// <summary>The features of each window.</summary>
    internal static double[][] Measured(SoundFeatures features)
    {
        var measured = new double[features.Windows][];
        for (var window = 0; window < measured.Length; window++)
            features.Write(window, measured[window] = new double[features.Count]);
        return measured;
    }

    /// <summary>What each window says of each kind, bounded.</summary>
    internal static double[][] Weighed(double[][] measured, LearnedNet net)
    {
        var likely = new double[measured.Length][];
        for (var window = 0; window < likely.Length; window++)
        {
            net.Weigh(measured[window], likely[window] = new double[Kinds]);
            SoundPath.Bound(likely[window]);
        }
        return likely;
    }

    /// <summary>The windows of a course in which an arc is heard; none where that is too little of it.</summary>
    internal static int[] Arc(IReadOnlyList<int> path)
    {
        var arc = Enumerable.Range(0, path.Count).Where(window => path[window] < NoArc).ToArray();
        return arc.Length < LeastArc * path.Count ? [] : arc;
    }

    /// <summary>The likeliest kind of some windows by what they have in common, and its share.</summary>
    internal static (int Kind, double Share) Together(double[][] measured, double[][] likely, int[] windows, LearnedNet whole)
    {
        if (windows.Length == 0)
            return (NoArc, 1);
        Span<double> weighed = stackalloc double[Kinds];
        whole.Weigh(SoundStretch.Of(measured, likely, windows), weighed);
        var best = 0;
        for (var kind = 1; kind < Kinds; kind++)
            best = weighed[kind] > weighed[best] ? kind : best;
        return (best, Math.Exp(weighed[best]));
    }

    private static (Sound? Sound, double Confidence, Unheard? Unheard) Answer(
        double[][] measured,
        double[][] likely,
        int[] path,
        SoundModel model,
        (Sound Sound, int First, int Last)[] parts
    )
    {
        var (kind, share) = Together(measured, likely, Arc(path), model.Whole);
        if (kind == NoArc)
            return (null, share, Unheard.NotAnArc);
        if (parts.Select(part => part.Sound).Distinct().Count() > 1)
            return (null, share, Unheard.Several);
        var confidence = model.Sure[kind].Of(share);
        return confidence < SureEnough ? (null, confidence, Unheard.Unclear) : ((Sound)kind, confidence, null);
    }

    // Runs of one sound that last, and are sure of themselves.
    private static IEnumerable<(Sound Sound, int First, int Last)> Parts(
        double[][] measured,
        double[][] likely,
        int[] path,
        SoundModel model
    )
    {
        for (var first = 0; first < path.Length; )
        {
            var last = first;
            while (last + 1 < path.Length && path[last + 1] == path[first])
                last++;
            if (path[first] < NoArc && last - first + 1 >= LeastPart)
            {
                var (kind, share) = Together(measured, likely, [.. Enumerable.Range(first, last - first + 1)], model.Whole);
                if (kind == path[first] && model.Sure[kind].Of(share) >= SurePart)
                    yield return ((Sound)kind, first, last);
            }
            first = last + 1;
        }
    }

    private static HeardPart Heard((Sound Sound, int First, int Last) part, double from, double to)
    {
        const double hop = (double)SoundFeatures.Hop / SoundBands.Blocks,
            window = (double)SoundFeatures.Window / SoundBands.Blocks;
        return new(part.Sound, Math.Max(from, part.First * hop), Math.Min(to, part.Last * hop + window));
    }

    // A window that reaches over the arc's start or end hears two things; in a short arc its middle must do.
    private static bool Within(int window, double from, double to)
    {
        const double half = 0.5 * SoundFeatures.Window / SoundBands.Blocks,
            edge = 0.02;
        var begins = (double)window * SoundFeatures.Hop / SoundBands.Blocks;
        return to - from < 4 * half
            ? begins + half >= from && begins + half <= to
            : begins >= from - edge && begins + 2 * half <= to + edge;
    }

    private static HeardStretch Stretch(SoundFeatures features, int window, Sound? sound)
    {
        const double seconds = (double)SoundFeatures.Hop / SoundBands.Blocks,
            lead = 0.5 * (SoundFeatures.Window - SoundFeatures.Hop) / SoundBands.Blocks;
        var blocks = features.Main.AsSpan(window * SoundFeatures.Hop, SoundFeatures.Window);
        var (hiss, crackle, pop) = Shares(blocks);
        return new(window * seconds + lead, seconds, sound, hiss, crackle, pop, PeakMeasures.Cracks(blocks));
    }

    // From the first to the last twentieth of a second that stands clear of the rest.
    private static (double From, double To) ArcSpan(float[] blocks)
    {
        var frames = new double[blocks.Length / Frame];
        for (var frame = 0; frame < frames.Length; frame++)
        {
            foreach (var block in blocks.AsSpan(frame * Frame, Frame))
                frames[frame] += block / Frame;
        }
        var sorted = frames.Order().ToArray();
        var (quiet, loud) = (Math.Max(sorted[sorted.Length / 20], 1e-12), sorted[sorted.Length * 8 / 10]);
        var all = (0, (double)blocks.Length / SoundBands.Blocks);
        if (loud < Stands * quiet)
            return all;
        // Stubbing leaves holes; only what is quiet at the ends is taken off, and only if it stays so for a while.
        var level = Math.Sqrt(quiet * loud);
        var first = Array.FindIndex(frames, frame => frame > level);
        var last = Array.FindLastIndex(frames, frame => frame > level);
        const int hole = 5;
        return (
            first > hole ? (double)first * Frame / SoundBands.Blocks : 0,
            frames.Length - 1 - last > hole ? (last + 1.0) * Frame / SoundBands.Blocks : all.Item2
        );
    }

    private static (double Hiss, double Crackle, double Pop) Shares(ReadOnlySpan<float> blocks)
    {
        Span<float> sorted = stackalloc float[blocks.Length];
        blocks.CopyTo(sorted);
        sorted.Sort();
        var median = sorted[blocks.Length / 2];
        var pops = LoudPop(sorted);
        double all = 0,
            crackle = 0,
            pop = 0;
        foreach (var block in blocks)
        {
            all += block;
            if (block > pops)
                pop += block;
            else if (block > Crack * median)
                crackle += block;
        }
        return all <= 0 ? (1, 0, 0) : (1 - (crackle + pop) / all, crackle / all, pop / all);
    }

    // A loud pop stands as far over the everyday cracks (the loudest tenth) as they stand over the rest at the least.
    private static float LoudPop(ReadOnlySpan<float> sorted) =>
        Math.Max(PopOverCracks * sorted[sorted.Length * 9 / 10], Crack * PopOverCracks * sorted[sorted.Length / 2]);

    private static List<double> Pops(float[] blocks)
    {
        var sorted = (float[])blocks.Clone();
        Array.Sort(sorted);
        var level = LoudPop(sorted);
        var pops = new List<double>();
        for (var i = 0; i < blocks.Length && pops.Count < MostPops; i++)
        {
            if (blocks[i] <= level)
                continue;
            pops.Add((double)i / SoundBands.Blocks);
            i += 20;
        }
        return pops;
    }

    // How far the samples stray from their mean: a level that stands still is no sound, however far from zero.
    internal static double Level(Waveform recording)
    {
        double sum = 0,
            squares = 0;
        foreach (var value in recording.Samples)
        {
            sum += value;
            squares += (double)value * value;
        }
        var count = Math.Max(1, recording.Samples.Length);
        return Math.Sqrt(Math.Max(0, squares / count - sum / count * (sum / count)));
    }
}
