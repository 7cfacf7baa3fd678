namespace GentleBead.Core.Machines;

/// <summary>A part that wears, is cleaned or is replaced.</summary>
public enum Part
{
    /// <summary>Contact tip.</summary>
    Tip,

    /// <summary>Gas nozzle.</summary>
    Nozzle,

    /// <summary>Gas diffuser.</summary>
    Diffuser,

    /// <summary>Liner of the torch cable.</summary>
    Liner,

    /// <summary>Drive rolls.</summary>
    Rolls,

    /// <summary>Tungsten.</summary>
    Tungsten,
}

/// <summary>How long a part goes on.</summary>
/// <param name="Part">Which part.</param>
/// <param name="Name">Its name in a list.</param>
/// <param name="Do">What is done to it.</param>
/// <param name="Days">Days after which it is due; above 0.</param>
/// <param name="Beads">Beads after which it is due, whichever comes first; above 0.</param>
/// <param name="ForTig">Whether it belongs to TIG work; otherwise to wire.</param>
public sealed record PartFacts(Part Part, Said Name, Said Do, int Days, int Beads, bool ForTig);

/// <summary>When a part was last seen to.</summary>
/// <param name="At">When.</param>
/// <param name="Beads">Beads the machine had laid by then.</param>
public sealed record PartDone(DateTimeOffset At, long Beads);

/// <summary>How a part stands.</summary>
/// <param name="Part">Which part.</param>
/// <param name="Name">Its name in a list.</param>
/// <param name="Do">What is done to it.</param>
/// <param name="LastDone">When that was last done; null when never noted.</param>
/// <param name="BeadsSince">Beads laid since.</param>
/// <param name="Due">Whether it is due now.</param>
/// <param name="Why">Why it is due, or when it will be.</param>
public sealed record PartState(Part Part, Said Name, Said Do, DateTimeOffset? LastDone, int BeadsSince, bool Due, Said Why);

/// <summary>What is due on a machine.</summary>
/// <remarks>Intervals: common practice, no source; the machine's manual stands over them.</remarks>
public static class Upkeep
{
    /// <summary>Every part with its interval.</summary>
    public static IReadOnlyList<PartFacts> Parts { get; } =
    [
        new(Part.Tip, Say($"Contact tip"), Say($"look at the bore, replace when oval or crusted"), 14, 150, false),
        new(Part.Nozzle, Say($"Nozzle"), Say($"pull it, clear the spatter, dip"), 7, 60, false),
        new(Part.Diffuser, Say($"Diffuser"), Say($"check the holes are open"), 30, 400, false),
        new(Part.Liner, Say($"Liner"), Say($"blow it out; replace when the wire drags"), 180, 2000, false),
        new(Part.Rolls, Say($"Drive rolls"), Say($"brush the groove, check the tension"), 60, 800, false),
        new(Part.Tungsten, Say($"Tungsten"), Say($"regrind lengthwise"), 7, 20, true),
    ];

    /// <summary>Every part of a machine with how it stands.</summary>
    /// <param name="machine">The machine; its controls tell which parts it has.</param>
    /// <param name="lastDone">When each part was last seen to; a part left out was never noted.</param>
    /// <param name="beads">Beads the machine has laid so far; a bead taken off its coupon wore the tip all the same.</param>
    /// <param name="asOf">Now.</param>
    public static IReadOnlyList<PartState> Of(
        Machine machine,
        IReadOnlyDictionary<Part, PartDone> lastDone,
        long beads,
        DateTimeOffset asOf
    ) =>
        [
            .. Parts
                .Where(part => part.ForTig ? machine.AmpControl is not null : machine.WireControl is not null)
                .Select(part =>
                {
                    var last = lastDone.GetValueOrDefault(part.Part);
                    var since = (int)Math.Max(0, beads - (last?.Beads ?? 0));
                    var days = last is null ? 0 : (int)(asOf - last.At).TotalDays;
                    var (due, why) =
                        last is null ? (true, Say($"never noted"))
                        : since >= part.Beads ? (true, Say($"{since} beads since"))
                        : days >= part.Days ? (true, Say($"{days} days since"))
                        : (false, Say($"after {part.Beads - since} more beads or {part.Days - days} days"));
                    return new PartState(part.Part, part.Name, part.Do, last?.At, since, due, why);
                }),
        ];
}
