using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>One thing that speaks for or against a cause: heard, seen, measured or set.</summary>
public enum Sign
{
#pragma warning disable CS1591 // each is named and worded in Signs.Words below
    EvenCrackle, Hiss, Popping, Rattle, Sputter,
    SlightlyConvex, Flat, TallNarrow, PiledUp, Sunk, Lumpy,
    ToesBlended, ToesCold, Undercut,
    TintNone, TintThin, TintEven, TintWide,
    SpatterLittle, SpatterFine, SpatterBig,
    RippleEven, RippleUneven, RippleStretched,
    Pinholes, Hole, UnequalLegs, Crack,
    NothingBehind, TintBehind, BackMark,
    SizeUnder, SizeOn, SizeOver,
    StickOutOn, StickOutOver,
    WireUnder, WireOn, WireOver,
    VoltsUnder, VoltsOn, VoltsOver,
    PairShort, PairInBand, PairLong,
    MachineMeasured, MachineBelieved,
#pragma warning restore CS1591
}

/// <summary>From a bead to its signs, and the words for each.</summary>
public static class Signs
{
    // A knob is set and read to about a tenth; less than that is no deviation.
    private const double WireTolerance = 0.10;
    private const double VoltsTolerance = 0.25;

    /// <summary>Every sign with the words an instructor would use.</summary>
    public static IReadOnlyDictionary<Sign, string> Words { get; } = new Dictionary<Sign, string>
    {
        [Sign.EvenCrackle] = "sounds right",
        [Sign.Hiss] = "hiss, long soft arc",
        [Sign.Popping] = "loud pops, stubbing",
        [Sign.Rattle] = "rattle and heavy pop",
        [Sign.Sputter] = "sputter",
        [Sign.SlightlyConvex] = "bead slightly rounded",
        [Sign.Flat] = "bead flat",
        [Sign.TallNarrow] = "bead tall and narrow",
        [Sign.PiledUp] = "metal piled up",
        [Sign.Sunk] = "bead sunk and wide",
        [Sign.Lumpy] = "bead thin and lumpy",
        [Sign.ToesBlended] = "toes blended",
        [Sign.ToesCold] = "toes cold, lying on top",
        [Sign.Undercut] = "undercut at the toe",
        [Sign.TintNone] = "no heat tint",
        [Sign.TintThin] = "thin heat tint",
        [Sign.TintEven] = "even heat tint",
        [Sign.TintWide] = "wide heat tint",
        [Sign.SpatterLittle] = "little spatter",
        [Sign.SpatterFine] = "fine spatter",
        [Sign.SpatterBig] = "big beads of spatter",
        [Sign.RippleEven] = "ripples even",
        [Sign.RippleUneven] = "ripples uneven",
        [Sign.RippleStretched] = "ripples drawn out to points",
        [Sign.Pinholes] = "pinholes",
        [Sign.Hole] = "burnt through",
        [Sign.UnequalLegs] = "legs unequal",
        [Sign.Crack] = "crack",
        [Sign.NothingBehind] = "nothing shows behind",
        [Sign.TintBehind] = "tint behind",
        [Sign.BackMark] = "mark evenly through on the back",
        [Sign.SizeUnder] = "bead under size",
        [Sign.SizeOn] = "bead on size",
        [Sign.SizeOver] = "bead over size",
        [Sign.StickOutOn] = "stick-out measured right",
        [Sign.StickOutOver] = "stick-out measured long",
        [Sign.WireUnder] = "wire under the sheet",
        [Sign.WireOn] = "wire on the sheet",
        [Sign.WireOver] = "wire over the sheet",
        [Sign.VoltsUnder] = "volts under the sheet",
        [Sign.VoltsOn] = "volts on the sheet",
        [Sign.VoltsOver] = "volts over the sheet",
        [Sign.PairShort] = "volts under the band for this wire speed",
        [Sign.PairInBand] = "wire and volts a smooth pair",
        [Sign.PairLong] = "volts over the band for this wire speed",
        [Sign.MachineMeasured] = "machine measured with ruler and watch",
        [Sign.MachineBelieved] = "machine's display never measured",
    };

    /// <summary>The signs of a bead. Order and repetition do not matter.</summary>
    public static IReadOnlySet<Sign> Of(Sheet sheet, Machine machine, Settings used, Evidence evidence)
    {
        var pair = sheet.RequirePair();
        var signs = new HashSet<Sign>();
        // Evidence and sign share the order of their values; the tests hold every pair to its name.
        Add(evidence.Sound is { } sound ? Heard(sound, sheet.Job.Process) : (Sound?)null, Sign.EvenCrackle);
        Add(evidence.Profile, Sign.SlightlyConvex);
        Add(evidence.Toes, Sign.ToesBlended);
        Add(evidence.Tint, Sign.TintNone);
        Add(evidence.Spatter, Sign.SpatterLittle);
        Add(evidence.Ripple, Sign.RippleEven);
        Add(evidence.Penetration, Sign.NothingBehind);
        foreach (var fault in evidence.Faults) signs.Add(Sign.Pinholes + (int)fault);

        if (evidence.BeadSize is { } size) signs.Add(Against(size, sheet.BeadSize, Sign.SizeUnder));
        if (evidence.StickOut is { } stickOut) signs.Add(stickOut > pair.StickOut.High * 1.2 ? Sign.StickOutOver : Sign.StickOutOn);

        var wireShare = used.WireFeed / pair.WireFeed - 1;
        signs.Add(wireShare < -WireTolerance ? Sign.WireUnder : wireShare > WireTolerance ? Sign.WireOver : Sign.WireOn);
        signs.Add(Against(used.Volts, Widened(pair.Volts), Sign.VoltsUnder));
        signs.Add(Against(used.Volts, Widened(Rules.SmoothBand(used.WireFeed, sheet.Job.RequireArc())), Sign.PairShort));
        signs.Add(machine.WireControl is { Readings.Count: > 0 } ? Sign.MachineMeasured : Sign.MachineBelieved);
        return signs;

        void Add<T>(T? seen, Sign first)
            where T : struct, Enum
        {
            if (seen is { } value) signs.Add(first + Convert.ToInt32(value, null));
        }
    }

    // Each mode has its own right sound: what is heard is told in the words of short circuit, where crackle is right.
    private static Sound Heard(Sound sound, Process process) => (process, sound) switch
    {
        (Process.GmawSpray or Process.GmawPulsed, Sound.Hiss) => Sound.EvenCrackle,
        (Process.GmawSpray or Process.GmawPulsed, Sound.EvenCrackle) => Sound.Popping,
        (Process.GmawGlobular, Sound.Rattle) => Sound.EvenCrackle,
        _ => sound,
    };

    private static Window<Voltage> Widened(Window<Voltage> window) => window with
    {
        Low = Voltage.FromVolts(Math.Max(0, window.Low.Volts - VoltsTolerance)),
        High = Voltage.FromVolts(window.High.Volts + VoltsTolerance),
    };

    // Under, on and over follow each other in Sign.
    private static Sign Against<T>(T value, Window<T> window, Sign under)
        where T : struct, IComparable<T> =>
        value.CompareTo(window.Low) < 0 ? under : value.CompareTo(window.High) > 0 ? under + 2 : under + 1;
}
