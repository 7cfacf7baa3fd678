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

    // Wire this near to the most it carries cannot be turned up to any use.
    private const double AtTop = 0.98;

    private readonly WireArc arc = sheet.Job.RequireArc();
    private readonly PairSettings pair = sheet.RequirePair();

    /// <summary>The change.</summary>
    public NextChange Make() =>
        Mending() switch
        {
            ChangeKind.VoltsUp => Volts(+1),
            ChangeKind.VoltsDown => Volts(-1),
            ChangeKind.WireUp => Wire(+1, WireToward(+1)),
            ChangeKind.WireDown => Wire(-1, WireToward(-1)),
            ChangeKind.MoreOfBoth when Top() is { } top && used.WireFeed >= top * AtTop => Changed(AtItsTop()),
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

    // The controls stay where they stand.
    private NextChange Changed(Said instruction) => new(row.Change, instruction, null, row.Expect, stand?.WireMark, stand?.VoltMark);

    private NextChange Volts(int way)
    {
        var aim = SmoothBand.At(used.WireFeed, arc).Aim.Volts;
        var target = Voltage.FromVolts(
            Math.Max(0, way > 0 ? Math.Max(aim, used.Volts.Volts + LeastVolts) : Math.Min(aim, used.Volts.Volts - LeastVolts))
        );
        if (stand is null)
        {
            return new(
                way > 0 ? ChangeKind.VoltsUp : ChangeKind.VoltsDown,
                way > 0 ? Say($"Volts up to about {target}. Leave the wire.") : Say($"Volts down to about {target}. Leave the wire."),
                null,
                row.Expect,
                null,
                null
            );
        }
        // At the end of the dial the other knob has to make the pair.
        if (stand.VoltMoved(target, way) is not { } mark)
            return Wire(-way, used.WireFeed * (1 - way * PairStep));
        var turned = Say($"Volts {Stand.Turn(stand.Dials.Volt, stand.VoltMark, mark)}.");
        return new(
            row.Change,
            Sentences(turned, Say($"Leave the wire at {stand.Dials.Wire.Read(stand.WireMark)}.")),
            null,
            row.Expect,
            stand.WireMark,
            mark
        );
    }

    private NextChange Wire(int way, WireFeedSpeed target)
    {
        if (stand is null)
        {
            return new(
                row.Change,
                way > 0 ? Say($"Wire up to about {target}. Leave the volts.") : Say($"Wire down to about {target}. Leave the volts."),
                null,
                row.Expect,
                null,
                null
            );
        }
        if (stand.WireMoved(target, way) is not { } mark)
            return Changed(WireAtItsEnd(way));
        var turned = Say($"Wire {Stand.Turn(stand.Dials.Wire, stand.WireMark, mark)}.");
        return new(
            row.Change,
            Sentences(turned, Say($"Leave the volts at {stand.Dials.Volt.Read(stand.VoltMark)}.")),
            null,
            row.Expect,
            mark,
            stand.VoltMark
        );
    }

    // Wire first; the volts follow once it is heard.
    private NextChange Pair(int way, WireFeedSpeed target)
    {
        var volts = SmoothBand.At(target, arc).Aim;
        if (stand is null)
        {
            return new(
                row.Change,
                way > 0 ? Say($"Wire up to about {target}.") : Say($"Wire down to about {target}."),
                Say($"Then volts to {volts}, by ear."),
                row.Expect,
                null,
                null
            );
        }
        if (stand.WireMoved(target, way) is not { } mark)
            return Changed(WireAtItsEnd(way));
        var follow = stand.Dials.VoltMarkFor(volts, mark).Mark;
        var then =
            follow == stand.VoltMark
                ? Say($"The volts can stay at {stand.Dials.Volt.Read(follow)}.")
                : Say($"Then let the volts follow to {stand.Dials.Volt.Read(follow)}, by ear.");
        return new(row.Change, Say($"Wire {Stand.Turn(stand.Dials.Wire, stand.WireMark, mark)}."), then, row.Expect, mark, stand.VoltMark);
    }

    // Back to the sheet's wire when that is the right way and the volts stand right for it; otherwise to the wire these volts pair with.
    private WireFeedSpeed WireToward(int way)
    {
        if ((pair.WireFeed.MPerMin - used.WireFeed.MPerMin) * way > 0)
            return pair.WireFeed;
        var paired = SmoothBand.WireFeedFor(used.Volts, arc);
        return (paired.MPerMin - used.WireFeed.MPerMin) * way > 0 ? paired : used.WireFeed * (1 + way * PairStep);
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
