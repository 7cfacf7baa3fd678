using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Listening;

/// <summary>What kind of recording.</summary>
public enum RecordingKind
{
    /// <summary>Sound.</summary>
    Sound,

    /// <summary>A log of volts and amps.</summary>
    Log,
}

/// <summary>Where in a wire sweep the arc smooths and where it breaks up.</summary>
/// <param name="SmoothsAt">When it turned to an even crackle, s.</param>
/// <param name="BreaksUpAt">When it left it again; null where it did not.</param>
public sealed record HeardSweep(double SmoothsAt, double? BreaksUpAt);

/// <summary>The outline of a recording, column by column, for drawing.</summary>
/// <param name="Low">Lowest value of each column.</param>
/// <param name="High">Highest value.</param>
public sealed record Outline(IReadOnlyList<double> Low, IReadOnlyList<double> High)
{
    /// <summary>The outline of some samples.</summary>
    /// <param name="samples">The samples.</param>
    /// <param name="columns">How many columns, at most as many as samples.</param>
    /// <param name="digits">Digits behind the point.</param>
    public static Outline Of(ReadOnlySpan<float> samples, int columns, int digits)
    {
        columns = Math.Min(columns, samples.Length);
        var (low, high) = (new double[columns], new double[columns]);
        for (var column = 0; column < columns; column++)
        {
            var part = samples[(int)((long)column * samples.Length / columns)..(int)((long)(column + 1) * samples.Length / columns)];
            var (least, most) = (float.MaxValue, float.MinValue);
            foreach (var value in part)
                (least, most) = (Math.Min(least, value), Math.Max(most, value));
            (low[column], high[column]) = (Math.Round(least, digits), Math.Round(most, digits));
        }
        return new Outline(low, high);
    }
}

/// <summary>The figures of a log, without its single events.</summary>
/// <param name="ShortRate">Short circuits a second while welding.</param>
/// <param name="Irregularity">Standard deviation of their periods over the mean; 0 is a clock.</param>
/// <param name="ArcShare">Share of the time in which an arc burned.</param>
/// <param name="MeanVolts">Mean volts while welding.</param>
/// <param name="MeanAmps">Mean amps while welding.</param>
/// <param name="PeakAmps">The highest current.</param>
/// <param name="MeanWatts">Mean of the instantaneous power.</param>
/// <param name="Heat">Heat input by that power (ISO/TR 18491), no arc efficiency in it; null while the travel speed is not known.</param>
public sealed record LogFigures(
    double ShortRate,
    double Irregularity,
    double ArcShare,
    Voltage MeanVolts,
    Current MeanAmps,
    Current PeakAmps,
    double MeanWatts,
    HeatInput? Heat
);

/// <summary>Everything found in a recording; stored with it.</summary>
/// <param name="Kind">Sound or log.</param>
/// <param name="Seconds">How long it is.</param>
/// <param name="Heard">What is heard in it.</param>
/// <param name="Words">That in a sentence.</param>
/// <param name="Figures">Of a log.</param>
/// <param name="Sweep">Where the arc smooths and breaks up; null where it did not smooth.</param>
/// <param name="Outline">Of the sound, -1 to 1; of a log of its volts.</param>
/// <param name="AmpsOutline">Of a log's amps.</param>
public sealed record Finding(
    RecordingKind Kind,
    double Seconds,
    HeardArc Heard,
    Said Words,
    LogFigures? Figures,
    HeardSweep? Sweep,
    Outline Outline,
    Outline? AmpsOutline
)
{
    private const int Columns = 600;

    // So many quarter seconds of one sound make it more than a flicker.
    private const int Lasting = 2;

    // An arc may take so long to settle when it is struck, s.
    private const double Starting = 1;

    // From here on it is said without doubt.
    private const double Plain = 0.9;

    private static readonly Dictionary<Sound, Said> Names = new()
    {
        [Sound.EvenCrackle] = Say($"Even crackle"),
        [Sound.Hiss] = Say($"Hiss: a long, soft arc"),
        [Sound.Popping] = Say($"Loud pops: the wire stubs"),
        [Sound.Rattle] = Say($"Rattle and heavy pops"),
        [Sound.Sputter] = Say($"Sputter"),
    };

    private static readonly Dictionary<Unheard, Said> Reasons = new()
    {
        [Unheard.Silent] = Say($"There is next to nothing on it."),
        [Unheard.NotAnArc] = Say($"No arc is heard here, or the shop drowns it."),
        [Unheard.Unclear] = Say($"Not clear: too noisy, or between two sounds."),
        [Unheard.TooShort] = Say($"Too short to say: half a second is the least."),
        [Unheard.Several] = Say($"Several sounds here, one after the other."),
    };

    /// <summary>Finds what is in a sound.</summary>
    public static Finding Of(Waveform sound)
    {
        ArgumentNullException.ThrowIfNull(sound);
        var heard = Ear.Listen(sound);
        return new(
            RecordingKind.Sound,
            sound.Seconds,
            heard,
            InWords(heard, null),
            null,
            Swept(heard),
            Listening.Outline.Of(sound.Samples, Columns, 3),
            null
        );
    }

    /// <summary>Finds what is in a log.</summary>
    /// <param name="log">The log.</param>
    /// <param name="travel">Travel speed, for the heat input; null while not known.</param>
    public static Finding Of(ArcLog log, TravelSpeed? travel)
    {
        ArgumentNullException.ThrowIfNull(log);
        var measures = LogMeasures.Of(log);
        var heard = LogEar.Listen(log, measures);
        var figures = measures is null
            ? null
            : new LogFigures(
                measures.ShortRate,
                measures.Irregularity,
                measures.ArcShare,
                measures.MeanVolts,
                measures.MeanAmps,
                measures.PeakAmps,
                measures.MeanWatts,
                travel is { } speed ? measures.Heat(speed) : null
            );
        return new(
            RecordingKind.Log,
            log.Seconds,
            heard,
            InWords(heard, figures),
            figures,
            Swept(heard),
            Listening.Outline.Of(log.Volts, Columns, 1),
            Listening.Outline.Of(log.Amps, Columns, 0)
        );
    }

    // An arc that is even from its start to its end was not swept.
    private static HeardSweep? Swept(HeardArc heard) =>
        SweepOf(heard.Stretches) is { } sweep && (sweep.BreaksUpAt is not null || sweep.SmoothsAt - heard.ArcFrom > Starting)
            ? sweep
            : null;

    /// <summary>Where the arc turned to an even crackle, and where it left it.</summary>
    public static HeardSweep? SweepOf(IReadOnlyList<HeardStretch> stretches)
    {
        ArgumentNullException.ThrowIfNull(stretches);
        double? smooths = null;
        for (var i = 0; i + Lasting <= stretches.Count; i++)
        {
            var next = stretches.Skip(i).Take(Lasting).ToArray();
            if (smooths is null && next.All(one => one.Sound == Sound.EvenCrackle))
                smooths = stretches[i].From;
            // A moment in which it could not be told is not yet the end of it.
            if (smooths is not null && next.All(one => one.Sound is not null and not Sound.EvenCrackle))
                return new(smooths.Value, stretches[i].From);
        }
        return smooths is { } at ? new(at, null) : null;
    }

    private static Said InWords(HeardArc heard, LogFigures? figures)
    {
        if (heard.Parts is { } parts)
        {
            var each = parts.Select(part => Say($"{Names[part.Sound]:small}, {part.From:0.0} to {part.To:0.0} s"));
            return Say($"Several sounds here: {Parts("; ", [.. each])}.");
        }
        if (heard.Sound is not { } sound)
            return Reasons[heard.Unheard ?? Unheard.Unclear];
        var cracks = heard.Stretches.Where(one => one.Sound == sound).Select(one => one.Cracks).DefaultIfEmpty(0).Average();
        var sounds =
            figures is not null ? Say($"{Names[sound]}, {figures.ShortRate:0} short circuits a second")
            : sound == Sound.EvenCrackle ? Say($"{Names[sound]}, about {cracks:0} cracks a second")
            : Names[sound];
        return heard.Confidence >= Plain ? Say($"{sounds}; plain.") : Say($"{sounds}; fairly sure.");
    }
}
