using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Arc;

/// <summary>What an arc sounds like by its own short circuits: what a listener should hear.</summary>
public static class ArcTruth
{
    // Shorts and stubs each second, and a share of irregular periods, between which an arc is called by one name; in between it is
    // neither. Common practice, no source: tens to a couple of hundred shorts a second is a smooth arc.
    private const double FewStubs = 0.4,
        ManyStubs = 2,
        FewShorts = 0.7,
        SomeShorts = 1.5,
        SlowShorts = 9,
        ManyShorts = 16;
    private const double Regular = 0.75;

    // A drop heavy enough to rattle, mm³; one this heavy rattles however evenly it comes, up to some twenty a second.
    private const double HeavyDrop = 2.5,
        HeaviestCrackle = 4,
        MostHeavy = 22;

    /// <summary>A sound in the words of its process: what is a rattle in one is right in another.</summary>
    /// <param name="sound">The sound; null on the border between two.</param>
    /// <param name="process">In which process.</param>
    public static Said Words(Sound? sound, Process process) =>
        sound is { } named ? Say($"{Modes.WordsOf(named, process):capital}.") : Say($"Between two sounds.");

    /// <summary>Whether a sound is the right one in a process; none is on the border between two.</summary>
    /// <param name="sound">The sound.</param>
    /// <param name="process">In which process.</param>
    public static bool IsRight(Sound? sound, Process process) => sound is { } named && Modes.SignOf(named, process) == Sign.EvenCrackle;

    // A tungsten's arc is about as long as the tungsten is thick: up to this long it is quiet, from that long it hisses, mm.
    private const double QuietArc = 4,
        LongArc = 5;

    /// <summary>The sound's name, or null where it is on the border between two.</summary>
    /// <param name="trace">An arc, of a fed wire two seconds or more.</param>
    public static Sound? Of(ArcTrace trace)
    {
        ArgumentNullException.ThrowIfNull(trace);
        if (trace.Setting.Amps is not null)
            return OfTungsten(trace.Setting);
        var shorts = trace.Events.Where(one => one.Kind is ArcEventKind.Short or ArcEventKind.Stub).ToArray();
        var rate = shorts.Length / trace.Seconds;
        var stubs = shorts.Count(one => one.Kind == ArcEventKind.Stub) / trace.Seconds;
        // A faulty arc sputters; one that stubs besides could be called either.
        if (trace.Setting.Faults.Count > 0)
            return stubs <= FewStubs && rate > SomeShorts ? Sound.Sputter : null;
        var periods = shorts.Zip(shorts.Skip(1), (one, next) => next.Seconds - one.Seconds).ToArray();
        var mean = periods.Length > 1 ? periods.Average() : 0;
        var name = Name(rate, stubs, mean > 0 ? Math.Sqrt(periods.Average(period => (period - mean) * (period - mean))) / mean : 0);
        if (stubs <= FewStubs && rate is >= SomeShorts and <= MostHeavy && shorts.Average(one => one.DropMm3) >= HeaviestCrackle)
            return Sound.Rattle;
        return name == Sound.Sputter || (name == Sound.Rattle && shorts.Average(one => one.DropMm3) < HeavyDrop) ? null : name;
    }

    private static Sound? OfTungsten(ArcSetting setting) =>
        setting.Faults.Count > 0 ? Sound.Sputter
        : setting.StickOut.Mm <= QuietArc ? Sound.EvenCrackle
        : setting.StickOut.Mm >= LongArc ? Sound.Hiss
        : null;

    /// <summary>The name by counts alone, or null on the border between two.</summary>
    /// <param name="rate">Short circuits a second, stubs among them.</param>
    /// <param name="stubs">Stubs a second: shorts in which the wire stuck.</param>
    /// <param name="irregularity">Standard deviation of the periods over their mean.</param>
    public static Sound? Name(double rate, double stubs, double irregularity) =>
        (rate, stubs, irregularity) switch
        {
            (_, >= ManyStubs, _) => Sound.Popping,
            (_, > FewStubs, _) => null,
            (<= FewShorts, _, _) => Sound.Hiss,
            (>= SomeShorts and <= SlowShorts, _, _) => Sound.Rattle,
            (>= ManyShorts, _, <= Regular) => Sound.EvenCrackle,
            (>= ManyShorts, _, _) => Sound.Sputter,
            _ => null,
        };
}
