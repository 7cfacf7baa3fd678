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
public sealed record Drill(DrillKind Kind, int Level, Deviation Deviation, ArcSetting Right, ArcSetting Given, int Seed, Sound? Sound)
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

    // What people weld most: thin and middling plate with the everyday wires.
    private static readonly (Wire Wire, double Amps, double PlateMm)[] Jobs =
    [
        (Wire.Solid08, 75, 2),
        (Wire.Solid08, 95, 2.5),
        (Wire.Solid08, 125, 3.2),
        (Wire.Solid09, 110, 3),
        (Wire.Solid09, 140, 4),
        (Wire.Solid06, 60, 1.5),
    ];

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
        var (wire, amps, plate) = Jobs[random.Next(Jobs.Length)];
        var arc = WireArc.Dip(wire);
        var feed = BurnOff.WireFeedFor(Current.FromAmps(amps), arc);
        var right = new ArcSetting(
            arc.Process,
            wire,
            arc.Gas,
            feed,
            Smoothest(arc, feed, plate),
            Length.FromMm(10),
            TravelSpeed.FromMmPerMin(300),
            Length.FromMm(plate)
        );
        var off = Off[level];
        var given = deviation switch
        {
            Deviation.WireUnder => right with { WireFeed = feed * (1 - off.Wire) },
            Deviation.WireOver => right with { WireFeed = feed * (1 + off.Wire) },
            Deviation.VoltsUnder => right with { Volts = Voltage.FromVolts(right.Volts.Volts - off.Volts) },
            Deviation.VoltsOver => right with { Volts = Voltage.FromVolts(right.Volts.Volts + off.Volts) },
            Deviation.StickOutOver => right with { StickOut = Length.FromMm(right.StickOut.Mm + off.StickOut) },
            Deviation.GasLost => right with { Faults = [ArcFault.GasLost] },
            _ => right,
        };
        return new Drill(kind, level, deviation, right, given, seed, ArcTruth.Of(ArcTrace.Of(given, Seconds, Rate, seed)));
    }

    /// <summary>What is welded, as it is told before the answer.</summary>
    public Said Task() => Say($"{Right.Wire!.Value.Facts().Name} wire, {Right.Gas.Facts().Name}, {Right.Plate} plate");

    /// <summary>What was off, as it is told after the answer.</summary>
    public Said Why()
    {
        var name = Progress.Name(Deviation);
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

    /// <summary>Whether a machine set so is right for the drill: an even arc, with the wire the plate needs.</summary>
    /// <param name="wireFeed">Where the wire was put.</param>
    /// <param name="volts">Where the volts were put.</param>
    public bool IsSetRight(WireFeedSpeed wireFeed, Voltage volts) =>
        Math.Abs(wireFeed / Right.WireFeed - 1) <= 0.15
        && ArcTruth.Of(ArcTrace.Of(Right with { WireFeed = wireFeed, Volts = volts }, Seconds, Rate, Seed)) == Beads.Sound.EvenCrackle;

    // The middle of where this arc runs evenly: found by trying, as one would at the machine.
    private static Voltage Smoothest(WireArc arc, WireFeedSpeed feed, double plate)
    {
        var aim = SmoothBand.At(feed, arc).Aim.Volts;
        var even = Enumerable
            .Range(-6, 13)
            .Select(step => aim + step * 0.25)
            .Where(volts =>
                ArcTruth.Of(
                    ArcTrace.Of(
                        new(
                            arc.Process,
                            arc.Wire,
                            arc.Gas,
                            feed,
                            Voltage.FromVolts(volts),
                            Length.FromMm(10),
                            TravelSpeed.FromMmPerMin(300),
                            Length.FromMm(plate)
                        ),
                        2,
                        24_000,
                        1
                    )
                ) == Beads.Sound.EvenCrackle
            )
            .ToArray();
        return Voltage.FromVolts(Math.Round(even.Length == 0 ? aim : even[even.Length / 2], 1));
    }
}
