using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
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
    Pinholes, Hole, UnequalLegs, Crack, OpenCrater, SlagTrapped,
    NothingBehind, TintBehind, BackMark,
    SizeUnder, SizeOn, SizeOver,
    StickOutOn, StickOutOver,
    WireUnder, WireOn, WireOver,
    VoltsUnder, VoltsOn, VoltsOver,
    PairShort, PairInBand, PairLong,
    MachineMeasured, MachineBelieved,
    FeelSteady, PushedBack, LongArc, Runny, Jerky,
    PlateCold, PlateWarm, PlateHot,
    TravelUnder, TravelOn, TravelOver,
    ArcAmpsUnder, ArcAmpsOn, ArcAmpsOver,
    ArcVoltsUnder, ArcVoltsOn, ArcVoltsOver,
    RootFused, RootShort, SideUnfused,
    SootNone, SootBrushesOff, SootStays,
    AmpsUnder, AmpsOn, AmpsOver,
    TungstenPointed, TungstenBalled, TungstenBurntBack, TungstenDipped,
    ColourSilver, ColourStraw, ColourPurple, ColourBlue, ColourGrey,
    PuddleClear, PuddleSpecks, PuddleSkin,
#pragma warning restore CS1591
}

/// <summary>From a bead to its signs, and the words for each.</summary>
public static class Signs
{
    // A knob is set and read to about a tenth; less than that is no deviation.
    private const double WireTolerance = 0.10;
    private const double VoltsTolerance = 0.25;

    // A hand keeps a pace to about a sixth; a read-out on the machine is good to about a tenth.
    private const double TravelTolerance = 0.15;
    private const double ReadOutAmpsTolerance = 0.12;
    private const double ReadOutVoltsTolerance = 1.0;
    private const double AmpsTolerance = 0.08;

    // Fusion that reaches this share of the thinner plate past the root bites; less lies on it. Common practice, no source.
    private const double BiteShare = 0.05;
    // How much a recording adds to what the ear said, or takes from it. Common practice, no source: two witnesses are better than one.
    private const double BearsOut = 0.4;
    private static readonly Length MarkedUnfused = Length.FromMm(0.3);

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
        [Sign.OpenCrater] = "crater left open",
        [Sign.SlagTrapped] = "slag trapped",
        [Sign.FeelSteady] = "torch steady in the hand",
        [Sign.PushedBack] = "torch pushed back",
        [Sign.LongArc] = "arc long and soft, balls dropping",
        [Sign.Runny] = "puddle would not stay",
        [Sign.Jerky] = "wire came in jerks",
        [Sign.PlateCold] = "plate cold before the bead",
        [Sign.PlateWarm] = "plate warm before the bead",
        [Sign.PlateHot] = "plate hot before the bead",
        [Sign.TravelUnder] = "travel measured slow",
        [Sign.TravelOn] = "travel measured right",
        [Sign.TravelOver] = "travel measured fast",
        [Sign.ArcAmpsUnder] = "fewer amps read than this wire should draw",
        [Sign.ArcAmpsOn] = "amps read as this wire should draw",
        [Sign.ArcAmpsOver] = "more amps read than this wire should draw",
        [Sign.ArcVoltsUnder] = "volts read under what was set",
        [Sign.ArcVoltsOn] = "volts read as set",
        [Sign.ArcVoltsOver] = "volts read over what was set",
        [Sign.RootFused] = "section: fused past the root",
        [Sign.RootShort] = "section: root not reached",
        [Sign.SideUnfused] = "section: dark line, lack of fusion",
        [Sign.SootNone] = "no soot",
        [Sign.SootBrushesOff] = "soot that brushes off",
        [Sign.SootStays] = "soot that stays",
        [Sign.AmpsUnder] = "amps under the sheet",
        [Sign.AmpsOn] = "amps on the sheet",
        [Sign.AmpsOver] = "amps over the sheet",
        [Sign.TungstenPointed] = "tungsten as ground",
        [Sign.TungstenBalled] = "ball on the tungsten",
        [Sign.TungstenBurntBack] = "tungsten burnt back",
        [Sign.TungstenDipped] = "tungsten dipped",
        [Sign.ColourSilver] = "silver beside the bead",
        [Sign.ColourStraw] = "straw beside the bead",
        [Sign.ColourPurple] = "purple beside the bead",
        [Sign.ColourBlue] = "blue beside the bead",
        [Sign.ColourGrey] = "grey, sugared",
        [Sign.PuddleClear] = "puddle clear",
        [Sign.PuddleSpecks] = "specks in the puddle",
        [Sign.PuddleSkin] = "skin on the puddle",
    };

    /// <summary>The signs of a bead of fed wire. Order and repetition do not matter.</summary>
    public static IReadOnlySet<Sign> Of(Sheet sheet, Machine machine, Settings used, Evidence evidence)
    {
        var pair = sheet.RequirePair();
        var arc = sheet.Job.RequireArc();
        var signs = Noticed(sheet, evidence);
        if (evidence.StickOut is { } stickOut) signs.Add(stickOut > pair.StickOut.High * 1.2 ? Sign.StickOutOver : Sign.StickOutOn);
        if (evidence.Measured?.ArcAmps is { } read) signs.Add(Off(read / BurnOff.AmpsFor(used.WireFeed, arc), ReadOutAmpsTolerance, Sign.ArcAmpsUnder));
        if (evidence.Measured?.ArcVolts is { } arcVolts) signs.Add(Off(1 + (arcVolts.Volts - used.Volts.Volts), ReadOutVoltsTolerance, Sign.ArcVoltsUnder));

        signs.Add(Off(used.WireFeed / pair.WireFeed, WireTolerance, Sign.WireUnder));
        signs.Add(Against(used.Volts, Widened(pair.Volts), Sign.VoltsUnder));
        signs.Add(Against(used.Volts, Widened(SmoothBand.At(used.WireFeed, arc)), Sign.PairShort));
        signs.Add(machine.WireControl is { Readings.Count: > 0 } ? Sign.MachineMeasured : Sign.MachineBelieved);
        return signs;
    }

    /// <summary>The signs of a TIG bead.</summary>
    public static IReadOnlySet<Sign> Of(Sheet sheet, Machine machine, Current amps, Evidence evidence)
    {
        var signs = Noticed(sheet, evidence);
        // With a pedal a little more is set than is used: all up to there is on the sheet.
        var most = sheet.Tig is { } tig && tig.PedalMost > sheet.Amps ? tig.PedalMost : sheet.Amps;
        signs.Add(amps < sheet.Amps * (1 - AmpsTolerance) ? Sign.AmpsUnder : amps > most * (1 + AmpsTolerance / 2) ? Sign.AmpsOver : Sign.AmpsOn);
        signs.Add(machine.AmpControl is { Readings.Count: > 0 } ? Sign.MachineMeasured : Sign.MachineBelieved);
        return signs;
    }

    /// <summary>How much each sign of a bead counts for its strength; a sign not listed counts once.</summary>
    public static IReadOnlyDictionary<Sign, double> Strengths(Sheet sheet, Evidence evidence)
    {
        var counts = new Dictionary<Sign, double>();
        foreach (var (noted, strength) in evidence.Strengths)
        {
            Sign? sign = noted switch
            {
                Noted.Sound => evidence.Sound is { } sound ? Sign.EvenCrackle + (int)Heard(sound, sheet.Job.Process) : null,
                Noted.Feel => Sign.FeelSteady + (int?)evidence.Feel,
                Noted.Profile => Sign.SlightlyConvex + (int?)evidence.Profile,
                Noted.Toes => Sign.ToesBlended + (int?)evidence.Toes,
                Noted.Tint => Sign.TintNone + (int?)evidence.Tint,
                Noted.Spatter => Sign.SpatterLittle + (int?)evidence.Spatter,
                _ => Sign.RippleEven + (int?)evidence.Ripple,
            };
            if (sign is { } shown) counts[shown] = strength switch { Strength.Slight => 0.5, Strength.Strong => 1.5, _ => 1 };
        }
        // A recording counts as sure as it is where nobody listened; where somebody did, it bears the ear out or shakes it.
        if (evidence is { Listened: { } recording } && evidence.SoundHeard() is { } named)
        {
            var sign = Sign.EvenCrackle + (int)Heard(named, sheet.Job.Process);
            counts[sign] = evidence.Sound is null ? recording.Confidence
                : counts.GetValueOrDefault(sign, 1) * (recording.Sound == named ? 1 + BearsOut * recording.Confidence : 1 - BearsOut * recording.Confidence);
        }
        return counts;
    }

    // What was heard, felt, seen and measured, whatever the process.
    private static HashSet<Sign> Noticed(Sheet sheet, Evidence evidence)
    {
        var signs = new HashSet<Sign>();
        // Evidence and sign share the order of their values; the tests hold every pair to its name.
        Add(evidence.SoundHeard() is { } sound ? Heard(sound, sheet.Job.Process) : (Sound?)null, Sign.EvenCrackle);
        Add(evidence.Profile, Sign.SlightlyConvex);
        Add(evidence.Toes, Sign.ToesBlended);
        Add(evidence.Tint, Sign.TintNone);
        Add(evidence.Spatter, Sign.SpatterLittle);
        Add(evidence.Ripple, Sign.RippleEven);
        Add(evidence.Penetration, Sign.NothingBehind);
        Add(evidence.Feel, Sign.FeelSteady);
        Add(evidence.Plate, Sign.PlateCold);
        Add(evidence.Soot, Sign.SootNone);
        // A small ball is how a tungsten looks on AC.
        if (!(sheet.Job.Process == Process.GtawAc && evidence.Tungsten == Tungsten.Balled)) Add(evidence.Tungsten, Sign.TungstenPointed);
        Add(evidence.Colour, Sign.ColourSilver);
        Add(evidence.Puddle, Sign.PuddleClear);
        foreach (var fault in evidence.Faults) signs.Add(Sign.Pinholes + (int)fault);

        if (SizeOf(sheet, evidence) is { } size) signs.Add(Against(size, sheet.BeadSize, Sign.SizeUnder));
        if (sheet.Travel is { } travel && evidence.Measured?.Travel() is { } measured) signs.Add(Off(measured / travel, TravelTolerance, Sign.TravelUnder));
        if (evidence.Measured is { } gauge)
        {
            if (gauge.UndercutDepth?.Mm > 0.1) signs.Add(Sign.Undercut);
            if (gauge.Pores is { Count: > 0 }) signs.Add(Sign.Pinholes);
            if (evidence.BeadSize is { } leg && gauge.OtherLeg is { } other && sheet.BeadMeasure == BeadMeasure.Leg && Math.Abs(leg.Mm - other.Mm) > 0.25 * Math.Max(leg.Mm, other.Mm)) signs.Add(Sign.UnequalLegs);
        }
        if (evidence.Macro is { } macro)
        {
            if (macro.UnfusedLength > MarkedUnfused) signs.Add(Sign.SideUnfused);
            if (macro.RootPenetration is { } root) signs.Add(root.Mm >= BiteShare * sheet.Job.Thinner.Mm ? Sign.RootFused : Sign.RootShort);
        }
        return signs;

        void Add<T>(T? seen, Sign first)
            where T : struct, Enum
        {
            if (seen is { } value) signs.Add(first + Convert.ToInt32(value, null));
        }
    }

    /// <summary>The size of a bead as the sheet measures it: by gauge, or from the section.</summary>
    public static Length? SizeOf(Sheet sheet, Evidence evidence) => evidence.BeadSize ?? (evidence.Macro, sheet.BeadMeasure) switch
    {
        ({ LowerLeg: { } lower, UpperLeg: { } upper }, BeadMeasure.Leg) => lower < upper ? lower : upper,
        ({ } macro, BeadMeasure.Width) => macro.Width,
        _ => null,
    };

    /// <summary>Each mode has its own right sound: what is heard, told in the words of short circuit, where crackle is right.</summary>
    public static Sound Heard(Sound sound, Process process) => (process, sound) switch
    {
        (Process.GmawSpray or Process.GmawPulsed, Sound.Hiss) => Sound.EvenCrackle,
        (Process.GmawSpray or Process.GmawPulsed, Sound.EvenCrackle) => Sound.Popping,
        (Process.GmawGlobular, Sound.Rattle) => Sound.EvenCrackle,
        (Process.GtawDc or Process.GtawAc, Sound.Rattle) => Sound.Sputter,
        _ => sound,
    };

    private static Window<Voltage> Widened(Window<Voltage> window) => window with
    {
        Low = Voltage.FromVolts(Math.Max(0, window.Low.Volts - VoltsTolerance)),
        High = Voltage.FromVolts(window.High.Volts + VoltsTolerance),
    };

    private static Sign Off(double share, double tolerance, Sign under) => share < 1 - tolerance ? under : share > 1 + tolerance ? under + 2 : under + 1;

    // Under, on and over follow each other in Sign.
    private static Sign Against<T>(T value, Window<T> window, Sign under)
        where T : struct, IComparable<T> =>
        value.CompareTo(window.Low) < 0 ? under : value.CompareTo(window.High) > 0 ? under + 2 : under + 1;
}
