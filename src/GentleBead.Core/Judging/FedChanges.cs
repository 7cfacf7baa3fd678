using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>Changes of wire and volts after one bead.</summary>
/// <param name="row">The cause to mend.</param>
/// <param name="sheet">The sheet judged against.</param>
/// <param name="used">What was really used.</param>
/// <param name="stand">Where the dials stand; null without readings.</param>
internal sealed class FedChanges(CauseRow row, Sheet sheet, Settings used, Stand? stand)
{
    // Smallest move worth hearing, and the step for a pair that is off as a whole.
    private const double LeastVolts = 0.5;
    private const double PairStep = 0.10;

    // A turn of the wire by less than this changes nothing that is heard.
    private const double WorthATurn = 0.04;

    // Wire this near to the most it carries cannot be turned up to any use.
    private const double AtTop = 0.98;

    // A wire this near to the sheet's is the sheet's.
    private const double OnSheet = 0.10;

    // Volts that far beside the band are as good as in it: no knob is read nearer.
    private const double BesideBand = 0.25;

    // Volts that far beside it still hold an arc while the other knob is turned.
    private const double HoldsAnArc = 1.5;

    private readonly WireArc arc = sheet.Job.RequireArc();
    private readonly PairSettings pair = sheet.RequirePair();
    private readonly FedTurns turns = new(row, used, stand);

    /// <summary>The change, and where the pair stands once all of it is done.</summary>
    public Turning Make() =>
        Mending() switch
        {
            ChangeKind.VoltsUp => Volts(+1),
            ChangeKind.VoltsDown => Volts(-1),
            ChangeKind.WireUp => Wire(+1, WireToward(+1)),
            ChangeKind.WireDown => Wire(-1, WireToward(-1)),
            ChangeKind.MoreOfBoth when Top() is { } top && used.WireFeed >= top * AtTop => turns.Stay(AtItsTop()),
            ChangeKind.MoreOfBoth => Pair(+1, MoreWire()),
            ChangeKind.LessOfBoth => Pair(-1, Least(pair.WireFeed, used.WireFeed * (1 - PairStep))),
            _ => throw new ArgumentOutOfRangeException(nameof(row), row.Change, "No change for this cause."),
        };

    // Volts first keeps the volts it began with, as long as they are the sheet's, and mends the pair with the wire.
    private ChangeKind Mending() =>
        (sheet.Way.Pair, row.Change) switch
        {
            (PairRule.VoltsFirst, ChangeKind.VoltsUp) when pair.Volts.Holds(used.Volts) => ChangeKind.WireDown,
            (PairRule.VoltsFirst, ChangeKind.VoltsDown) when pair.Volts.Holds(used.Volts) => ChangeKind.WireUp,
            _ => row.Change,
        };

    private Turning Volts(int way)
    {
        var aim = SmoothBand.At(used.WireFeed, arc).Aim.Volts;
        var target = Math.Max(0, way > 0 ? Math.Max(aim, used.Volts.Volts + LeastVolts) : Math.Min(aim, used.Volts.Volts - LeastVolts));
        // Where the wire is off the sheet too, straight to the sheet's volts; the wire follows.
        var sheets = pair.Volts.Aim.Volts;
        var both =
            Math.Abs(used.WireFeed / pair.WireFeed - 1) > OnSheet
            && (sheets - used.Volts.Volts) * way >= LeastVolts
            && OffBand(new(used.WireFeed, pair.Volts.Aim)) <= Math.Max(HoldsAnArc, OffBand(used));
        var move = turns.Volts(Voltage.FromVolts(both ? sheets : target), way);
        // At the end of the dial the other knob has to make the pair.
        if (move is null)
            return Wire(-way, used.WireFeed * (1 - way * PairStep));
        return both && turns.WireAfter(move, pair.WireFeed) is { } second ? turns.Two(move, second) : turns.One(move, FedTurns.Knob.Wire);
    }

    private Turning Wire(int way, WireFeedSpeed target)
    {
        if (turns.Wire(target, way) is not { } move)
            return turns.Stay(WireAtItsEnd(way));
        // The wire may not be all: the volts follow it where the pair would not run.
        return OffBand(used) > BesideBand && OffBand(move.After) > BesideBand && turns.VoltsAfter(move, AimAt(target)) is { } second
            ? turns.Two(move, second)
            : turns.One(move, FedTurns.Knob.Volts);
    }

    // Wire first; the volts follow once it is heard. Where the pair stands beside its band already, and the wire would take it further
    // off, the volts go first.
    private Turning Pair(int way, WireFeedSpeed target)
    {
        if (turns.Wire(target, way) is not { } move)
            return turns.Stay(WireAtItsEnd(way));
        if (OffBand(used) > BesideBand && OffBand(move.After) > OffBand(used) && VoltsFirst(way, target) is { } volts)
            return volts;
        return turns.VoltsAfter(move, AimAt(target)) is { } second ? turns.Two(move, second) : turns.One(move, FedTurns.Knob.Volts);
    }

    private Turning? VoltsFirst(int way, WireFeedSpeed target) =>
        (AimAt(target).Volts - used.Volts.Volts) * way >= LeastVolts
        && turns.Volts(AimAt(target), way) is { } move
        && OffBand(move.After) <= Math.Max(HoldsAnArc, OffBand(used))
        && turns.WireAfter(move, target) is { } second
            ? turns.Two(move, second)
            : null;

    // The sheet's own volts where it is the sheet's wire: its way of setting may aim beside the middle of the band.
    private Voltage AimAt(WireFeedSpeed wireFeed) =>
        Math.Abs(wireFeed / pair.WireFeed - 1) < OnSheet / 10 ? pair.Volts.Aim : SmoothBand.At(wireFeed, arc).Aim;

    private double OffBand(Settings at)
    {
        var band = SmoothBand.At(at.WireFeed, arc);
        return Math.Max(0, Math.Max(band.Low.Volts - at.Volts.Volts, at.Volts.Volts - band.High.Volts));
    }

    // Back to the sheet's wire when that is the right way; otherwise to the wire these volts pair with.
    private WireFeedSpeed WireToward(int way)
    {
        if ((pair.WireFeed / used.WireFeed - 1) * way > WorthATurn)
            return pair.WireFeed;
        var paired = SmoothBand.WireFeedFor(used.Volts, arc);
        return (paired / used.WireFeed - 1) * way > WorthATurn ? paired : used.WireFeed * (1 + way * PairStep);
    }

    // To the sheet's wire or a step up, and never past what the wire carries.
    private WireFeedSpeed MoreWire()
    {
        var step = used.WireFeed * (1 + PairStep);
        var more = pair.WireFeed > step ? pair.WireFeed : step;
        return Top() is { } top ? Least(more, top) : more;
    }

    private WireFeedSpeed? Top() => arc.Wire.Facts().RangeIn(arc.Process) is { } range ? BurnOff.WireFeedFor(range.Most, arc) : null;

    private Said AtItsTop()
    {
        var wire = arc.Wire.Facts();
        var most = wire.RangeIn(arc.Process)!.Most;
        return Sentences(
            wire.NextAbove(arc.Process) is { } next
                ? Say($"{wire.Name} wire carries no more than {most}: preheat or bevel the plate, or go up to {next.Name} wire.")
                : Say($"{wire.Name} wire carries no more than {most}: preheat or bevel the plate, or take another transfer mode."),
            Say($"Leave both controls.")
        );
    }

    private static Said WireAtItsEnd(int way) =>
        way > 0
            ? Say($"The wire control is at its end. Another wire size: thicker.")
            : Say($"The wire control is at its end. Another wire size: thinner.");

    private static WireFeedSpeed Least(WireFeedSpeed one, WireFeedSpeed other) => one < other ? one : other;
}
