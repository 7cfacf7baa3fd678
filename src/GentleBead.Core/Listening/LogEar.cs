using GentleBead.Core.Arc;
using GentleBead.Core.Beads;

namespace GentleBead.Core.Listening;

/// <summary>Names the sound an arc must have had from its volts and amps.</summary>
public static class LogEar
{
    // A short that lasts so long is a wire stuck in the puddle. Common practice,
    // no source: a good one takes two to five thousandths of a second.
    private const double StuckSeconds = 0.007;

    // Each quarter second is named by what is around it.
    private const double StretchSeconds = 0.25,
        Around = 0.5;
    private const double Clear = 0.95,
        Bordering = 0.55;

    /// <summary>Listens to a log.</summary>
    /// <param name="log">The log.</param>
    /// <param name="measures">What it measures; null where no current flows.</param>
    public static HeardArc Listen(ArcLog log, LogMeasures? measures)
    {
        ArgumentNullException.ThrowIfNull(log);
        if (measures is null)
            return new(null, 0, Unheard.NotAnArc, 0, log.Seconds, [], []);
        var (from, to) = (measures.ArcFrom, measures.ArcTo);
        if (to - from < Around)
            return new(null, 0, Unheard.TooShort, from, to, [], []);
        var stretches = new List<HeardStretch>();
        for (var at = from; at < to; at += StretchSeconds)
        {
            var middle = at + StretchSeconds / 2;
            var near = Between(measures.Shorts, middle - Around, middle + Around);
            var span = Math.Min(to, middle + Around) - Math.Max(from, middle - Around);
            var here = Between(measures.Shorts, at, at + StretchSeconds);
            var shorted = Math.Min(1, here.Sum(one => one.Lasted) / StretchSeconds);
            var stuck = Math.Min(shorted, here.Where(one => one.Lasted > StuckSeconds).Sum(one => one.Lasted) / StretchSeconds);
            stretches.Add(new(at, StretchSeconds, Name(near, span), 1 - shorted, shorted - stuck, stuck, here.Length / StretchSeconds));
        }
        var sound = Name(measures.Shorts, to - from);
        // Between two names the one most of it has is said, and that it is not sure.
        var most = stretches.Where(one => one.Sound is not null).GroupBy(one => one.Sound).MaxBy(group => group.Count());
        var share = most is null ? 0 : (double)most.Count() / stretches.Count;
        var confidence = sound is not null
            ? Math.Max(Bordering, Clear * stretches.Count(one => one.Sound == sound) / stretches.Count)
            : Bordering * share;
        sound ??= share > 0.5 ? most!.Key : null;
        return new(
            sound,
            confidence,
            sound is null ? Unheard.Unclear : null,
            from,
            to,
            stretches,
            [.. measures.Shorts.Where(one => one.Lasted > StuckSeconds).Select(one => one.Seconds).Take(400)]
        );
    }

    private static Sound? Name(IReadOnlyList<FoundShort> shorts, double seconds) =>
        ArcTruth.Name(shorts.Count / seconds, shorts.Count(one => one.Lasted > StuckSeconds) / seconds, LogMeasures.Irregular(shorts));

    private static FoundShort[] Between(IReadOnlyList<FoundShort> shorts, double from, double to)
    {
        var (first, end) = (At(shorts, from), At(shorts, to));
        return [.. Enumerable.Range(first, end - first).Select(i => shorts[i])];
    }

    // The first short at or after a moment.
    private static int At(IReadOnlyList<FoundShort> shorts, double seconds)
    {
        var (low, high) = (0, shorts.Count);
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (shorts[middle].Seconds < seconds)
                low = middle + 1;
            else
                high = middle;
        }
        return low;
    }
}
