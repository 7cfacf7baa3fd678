using GentleBead.Core.Beads;

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
public sealed record HeardArc(
    Sound? Sound,
    double Confidence,
    Unheard? Unheard,
    double ArcFrom,
    double ArcTo,
    IReadOnlyList<HeardStretch> Stretches,
    IReadOnlyList<double> Pops
);

/// <summary>Names the sound of an arc in the trade's words, and says when it cannot.</summary>
/// <remarks>
/// Each sound is known as one or several normal distributions of <see cref="SoundFeatures"/>, learned from simulated arcs
/// (<see cref="KnownClips"/>) near and in shop noise; what fits best is named (quadratic discriminant analysis, Fisher 1936 and after).
/// The table is made by the bench's "train" and stands in SoundModel.cs.
/// </remarks>
public static class Ear
{
    // Quieter than this is nothing; and what is less sure than this is not said.
    private const double Nothing = 4e-5,
        SureEnough = 0.6;

    // Thirteen features lie about thirteen away (chi squared), but real ones have longer tails than the normal distribution.
    private const double Strange = 90;

    // Who records at a booth mostly records an arc: one time in twenty it is something else, as a logarithm.
    private const double Prior = -3;

    // Windows overlap and arcs are much alike from one to the next: a recording says as much as this many windows on their own.
    private const double Independent = 2.5;

    // An arc is this far over what is heard without it (power); a recording that never falls so far is all arc.
    private const double Stands = 6;
    private const int Frame = 50;

    // Power of a crack over the median, and of a loud pop over everyday cracks.
    private const float Crack = 4,
        PopOverCracks = 8;
    private const int MostPops = 400;

    // The sounds, and after them what is no arc.
    private const int NoArc = (int)Sound.Sputter + 1,
        Kinds = NoArc + 1;

    /// <summary>Listens to a recording.</summary>
    public static HeardArc Listen(Waveform recording)
    {
        ArgumentNullException.ThrowIfNull(recording);
        var features = SoundFeatures.Of(recording);
        if (features.Windows == 0)
            return new(null, 0, Unheard.TooShort, 0, recording.Seconds, [], []);
        var (from, to) = ArcSpan(features.High);
        var sums = new double[Kinds];
        var stretches = new List<HeardStretch>();
        var values = new double[SoundFeatures.Names.Count];
        var likely = new double[Kinds];
        var (counted, unknown) = (0, 0);
        var nothing = Level(recording) < Nothing;
        for (var window = 0; window < features.Windows; window++)
        {
            features.Write(window, values);
            var strange = Likely(values, likely) > Strange;
            var begins = (double)window * SoundFeatures.Hop / SoundFeatures.Blocks;
            // A window that reaches over the arc's start or end hears two things.
            const double half = 0.5 * SoundFeatures.Window / SoundFeatures.Blocks,
                edge = 0.02;
            var middle = begins + half;
            var inArc =
                !nothing
                && (to - from < 4 * half ? middle >= from && middle <= to : begins >= from - edge && begins + 2 * half <= to + edge);
            if (inArc)
            {
                for (var kind = 0; kind < sums.Length; kind++)
                    sums[kind] += likely[kind];
                counted++;
                if (strange)
                    unknown++;
            }
            stretches.Add(Stretch(features, window, inArc && !strange ? Named(likely) : null, Math.Pow(10, values[3]) - 1));
        }
        if (nothing)
            return new(null, 0, Unheard.Silent, 0, recording.Seconds, stretches, []);
        if (counted == 0)
            return new(null, 0, Unheard.TooShort, from, to, stretches, []);
        var scale = Math.Min(1, Independent / counted);
        sums[NoArc] += Prior / scale;
        var (heard, confidence) = Best(sums, scale);
        // What is like nothing it learned, it does not know, however little the rest fits.
        confidence *= 1 - (double)unknown / counted;
        Unheard? unheard =
            confidence < SureEnough ? Unheard.Unclear
            : heard == NoArc ? Unheard.NotAnArc
            : null;
        return new(unheard is null ? (Sound)heard : null, confidence, unheard, from, to, stretches, Pops(features.High));
    }

    // The sound that is sure enough in a window of its own.
    private static Sound? Named(ReadOnlySpan<double> likely)
    {
        var (best, sure) = Best(likely, 1);
        return sure >= SureEnough && best < NoArc ? (Sound)best : null;
    }

    private static HeardStretch Stretch(SoundFeatures features, int window, Sound? sound, double cracks)
    {
        const double seconds = (double)SoundFeatures.Hop / SoundFeatures.Blocks,
            lead = 0.5 * (SoundFeatures.Window - SoundFeatures.Hop) / SoundFeatures.Blocks;
        var (hiss, crackle, pop) = Shares(features.High.AsSpan(window * SoundFeatures.Hop, SoundFeatures.Window));
        return new(window * seconds + lead, seconds, sound, hiss, crackle, pop, cracks);
    }

    // The likelihood of each sound: the sum over the distributions it is
    // known as, as a logarithm. Gives the distance to the nearest of all.
    private static double Likely(ReadOnlySpan<double> values, Span<double> likely)
    {
        likely.Fill(double.NegativeInfinity);
        var nearest = double.MaxValue;
        foreach (var known in SoundModel.Known)
        {
            ref var kind = ref likely[known.Sound is { } sound ? (int)sound : NoArc];
            var distance = known.Distance(values);
            nearest = Math.Min(nearest, distance);
            var here = known.Likelihood(distance);
            kind = Math.Max(kind, here) + Math.Log(1 + Math.Exp(-Math.Abs(kind - here)));
        }
        return nearest;
    }

    private static (int Kind, double Share) Best(ReadOnlySpan<double> likely, double scale)
    {
        var best = 0;
        for (var kind = 1; kind < likely.Length; kind++)
        {
            if (likely[kind] > likely[best])
                best = kind;
        }
        var total = 0.0;
        foreach (var value in likely)
            total += Math.Exp((value - likely[best]) * scale);
        return (best, 1 / total);
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
        var all = (0, (double)blocks.Length / SoundFeatures.Blocks);
        if (loud < Stands * quiet)
            return all;
        // Stubbing leaves holes; only what is quiet at the ends is taken off, and only if it stays so for a while.
        var level = Math.Sqrt(quiet * loud);
        var first = Array.FindIndex(frames, frame => frame > level);
        var last = Array.FindLastIndex(frames, frame => frame > level);
        const int hole = 5;
        return (
            first > hole ? (double)first * Frame / SoundFeatures.Blocks : 0,
            frames.Length - 1 - last > hole ? (last + 1.0) * Frame / SoundFeatures.Blocks : all.Item2
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
            pops.Add((double)i / SoundFeatures.Blocks);
            i += 20;
        }
        return pops;
    }

    // How far the samples stray from their mean: a level that stands still is no sound, however far from zero.
    private static double Level(Waveform recording)
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
