using GentleBead.Core.Arc;
using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;
using MathNet.Numerics.Random;

namespace GentleBead.Core.Practice;

/// <summary>What a drill trains.</summary>
public enum DrillKind
{
    /// <summary>Hear what is off.</summary>
    Ear,

    /// <summary>See what is off, on trace and bead.</summary>
    Eye,

    /// <summary>Set the machine by ear.</summary>
    SetMachine,
}

/// <summary>What is off in a drill, and which way.</summary>
public enum Deviation
{
    /// <summary>Nothing: it is right.</summary>
    Nothing,

    /// <summary>Wire too slow.</summary>
    WireUnder,

    /// <summary>Wire too fast.</summary>
    WireOver,

    /// <summary>Volts too low.</summary>
    VoltsUnder,

    /// <summary>Volts too high.</summary>
    VoltsOver,

    /// <summary>Stick-out too long.</summary>
    StickOutOver,

    /// <summary>No gas.</summary>
    GasLost,
}

/// <summary>One drill: what is given, and what is wrong with it.</summary>
/// <param name="Kind">What it trains.</param>
/// <param name="Level">How hard, from 0.</param>
/// <param name="Deviation">What is off.</param>
/// <param name="Right">How the machine should be set.</param>
/// <param name="Given">How it is set.</param>
/// <param name="Seed">Of the arc's chance.</param>
/// <param name="Sound">What it sounds like by its own events; null on the border between two sounds.</param>
/// <param name="Clip">The recording of this room it is; null for a simulated arc.</param>
public sealed record Drill(
    DrillKind Kind,
    int Level,
    Deviation Deviation,
    ArcSetting Right,
    ArcSetting Given,
    int Seed,
    Sound? Sound,
    RoomClip? Clip = null
)
{
    /// <summary>How long a clip lasts, s.</summary>
    public const double Seconds = 3;

    /// <summary>Samples a second of a clip.</summary>
    public const int Rate = 44_100;

    /// <summary>The hardest level.</summary>
    public const int Hardest = 4;

    // How far off, from easy to hard: share of the wire, volts, and stick-out in millimetres.
    private static readonly (double Wire, double Volts, double StickOut)[] Off =
    [
        (0.45, 4.5, 14),
        (0.36, 3.5, 11),
        (0.28, 2.8, 9),
        (0.22, 2.2, 7),
        (0.17, 1.7, 5),
    ];

    // What people weld most: at first thin and middling plate in short circuit; the other ways of a fed wire once that is heard.
    private sealed record Work(Process Process, Wire Wire, Gas Gas, double Amps, double PlateMm, double StickOutMm, int FromLevel);

    private static readonly Work[] Works =
    [
        Dip(Wire.Solid08, 75, 2),
        Dip(Wire.Solid08, 95, 2.5),
        Dip(Wire.Solid08, 125, 3.2),
        Dip(Wire.Solid09, 110, 3),
        Dip(Wire.Solid09, 140, 4),
        Dip(Wire.Solid06, 60, 1.5),
        new(Process.GmawGlobular, Wire.Solid08, Gas.ArgonCarbon25, 190, 6, 12, 2),
        new(Process.GmawSpray, Wire.Solid09, Gas.ArgonCarbon10, 210, 6, 17, 2),
        new(Process.GmawSpray, Wire.Solid12, Gas.ArgonCarbon10, 270, 10, 17, 2),
        new(Process.FcawSelfShielded, Wire.SelfShielded09, Gas.None, 120, 3.2, 15, 2),
        new(Process.FcawGasShielded, Wire.GasShielded12, Gas.ArgonCarbon25, 220, 6, 17, 2),
    ];

    private static Work Dip(Wire wire, double amps, double plateMm) =>
        new(Process.GmawShortCircuit, wire, Gas.ArgonCarbon25, amps, plateMm, 10, 0);

    /// <summary>Draws a drill.</summary>
    /// <param name="kind">What it trains.</param>
    /// <param name="deviation">What is to be off; in setting the machine, how it is found.</param>
    /// <param name="level">How hard, 0 to <see cref="Hardest"/>.</param>
    /// <param name="seed">Of everything drawn; the same seed gives the same drill.</param>
    public static Drill Draw(DrillKind kind, Deviation deviation, int level, int seed)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(level);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(level, Hardest);
        var random = new Xoshiro256StarStar(seed, threadSafe: false);
        // A wire that makes its own gas loses none.
        var works = Works
            .Where(work => work.FromLevel <= level && (deviation != Deviation.GasLost || work.Process.Facts().GasFlow is not null))
            .ToArray();
        var right = RightFor(works[random.Next(works.Length)]);
        var given = Offset(right, deviation, Off[level]);
        return new Drill(kind, level, deviation, right, given, seed, ArcTruth.Of(ArcTrace.Of(given, Seconds, Rate, seed)));
    }

    /// <summary>A drill of a bead of this room.</summary>
    /// <param name="clip">Its recording as an instructor has named it.</param>
    /// <param name="right">How the sheet says.</param>
    /// <param name="given">How it was welded.</param>
    /// <param name="level">How hard the drills are now; how hard this one is nobody knows.</param>
    /// <param name="seed">Of the drawing.</param>
    public static Drill OfRoom(RoomClip clip, ArcSetting right, ArcSetting given, int level, int seed) =>
        new(DrillKind.Ear, level, clip.Deviation, right, given, seed, clip.Sound, clip);

    private static ArcSetting Offset(ArcSetting right, Deviation deviation, (double Wire, double Volts, double StickOut) off) =>
        deviation switch
        {
            Deviation.WireUnder => right with { WireFeed = right.WireFeed * (1 - off.Wire) },
            Deviation.WireOver => right with { WireFeed = right.WireFeed * (1 + off.Wire) },
            Deviation.VoltsUnder => right with { Volts = Voltage.FromVolts(right.Volts.Volts - off.Volts) },
            Deviation.VoltsOver => right with { Volts = Voltage.FromVolts(right.Volts.Volts + off.Volts) },
            Deviation.StickOutOver => right with { StickOut = Length.FromMm(right.StickOut.Mm + off.StickOut) },
            Deviation.GasLost => right with { Faults = [ArcFault.GasLost] },
            _ => right,
        };

    private static ArcSetting RightFor(Work work)
    {
        var arc = new WireArc(work.Process, work.Wire, work.Gas);
        var feed = BurnOff.WireFeedFor(Current.FromAmps(work.Amps), arc);
        var aim = SmoothBand.At(feed, arc).Aim.Volts;
        var setting = new ArcSetting(
            arc.Process,
            arc.Wire,
            arc.Gas,
            feed,
            Voltage.FromVolts(Math.Round(aim, 1)),
            Length.FromMm(work.StickOutMm),
            TravelSpeed.FromMmPerMin(300),
            Length.FromMm(work.PlateMm)
        );
        // The middle of where this arc runs as it should: found by trying, as one would at the machine.
        var right = Enumerable
            .Range(-6, 13)
            .Select(step => setting with { Volts = Voltage.FromVolts(aim + step * 0.25) })
            .Where(tried => ArcTruth.IsRight(ArcTruth.Of(ArcTrace.Of(tried, 2, 24_000, 1)), arc.Process))
            .ToArray();
        return right.Length == 0 ? setting : setting with { Volts = Voltage.FromVolts(Math.Round(right[right.Length / 2].Volts.Volts, 1)) };
    }

    /// <summary>What is welded, as it is told before the answer.</summary>
    public Said Task()
    {
        var work = Say(
            $"{Right.Process.Facts().Name}, {Right.Wire!.Value.Facts().Name} wire, {Right.Gas.Facts().Name}, {Right.Plate} plate"
        );
        return Clip is null ? work : Say($"{work}, recorded in this room");
    }

    /// <summary>What was off, as it is told after the answer.</summary>
    public Said Why() =>
        Clip is null
            ? InNumbers()
            : Sentences(
                Say($"An instructor named it: {DrillProgress.Name(Deviation)}."),
                Say($"Welded at {Given.WireFeed} and {Given.Volts}; the sheet says {Right.WireFeed} and {Right.Volts}.")
            );

    private Said InNumbers()
    {
        var name = DrillProgress.Name(Deviation);
        return Deviation switch
        {
            Deviation.Nothing => Say($"Nothing was off: {Right.WireFeed} at {Right.Volts} is what the sheet says."),
            Deviation.WireUnder or Deviation.WireOver => Sentences(
                Say($"{name:capital}: {Given.WireFeed} instead of {Right.WireFeed}."),
                Say($"The volts were right, the amps gave it away.")
            ),
            Deviation.VoltsUnder or Deviation.VoltsOver => Say($"{name:capital}: {Given.Volts} instead of {Right.Volts}."),
            Deviation.StickOutOver => Sentences(
                Say($"Stick-out too long: {Given.StickOut} instead of {Right.StickOut}."),
                Say($"The volts were right and the amps low.")
            ),
            _ => Say($"No gas: a hard, hissing sputter, and pores in the bead."),
        };
    }

    /// <summary>What it sounds like, in the words of its process.</summary>
    public Said SoundsLike() => ArcTruth.Words(Sound, Right.Process);

    /// <summary>Whether a machine set so is right for the drill: the arc as it should sound, with the wire the plate needs.</summary>
    /// <param name="wireFeed">Where the wire was put.</param>
    /// <param name="volts">Where the volts were put.</param>
    public bool IsSetRight(WireFeedSpeed wireFeed, Voltage volts) =>
        Math.Abs(wireFeed / Right.WireFeed - 1) <= 0.15
        && ArcTruth.IsRight(
            ArcTruth.Of(ArcTrace.Of(Right with { WireFeed = wireFeed, Volts = volts }, Seconds, Rate, Seed)),
            Right.Process
        );
}
