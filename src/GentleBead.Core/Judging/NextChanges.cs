using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>From the likeliest cause to the one change, in the marks of the machine at hand.</summary>
public static class NextChanges
{
    // Smallest move worth hearing, and the step for a pair that is off as a whole.
    private const double LeastVolts = 0.5;
    private const double PairStep = 0.10;

    // Wire this near to the most it carries cannot be turned up to any use.
    private const double AtTop = 0.98;

    private static readonly Dictionary<ChangeKind, Func<Sheet, string>> ByHand = new()
    {
        [ChangeKind.Keep] = _ => "Keep it. Do the same again.",
        [ChangeKind.Slower] = sheet => $"{Pace(sheet, "Travel slower", "Stay longer")}. Leave both controls.",
        [ChangeKind.Faster] = sheet => $"{Pace(sheet, "Travel faster", "Stay shorter")}. Leave both controls.",
        [ChangeKind.ShorterStickOut] = sheet => $"Bring the tip in: stick-out {Show.Of(sheet.RequirePair().StickOut.Aim)}. Leave both controls.",
        [ChangeKind.MendAngle] = sheet => $"Mend the angle: {sheet.WorkAngle}. Leave both controls.",
        [ChangeKind.SteadyHand] = sheet => $"Brace the hand, make a dry run. {Pace(sheet, "Count it along", "Count it out")}. Leave both controls.",
        [ChangeKind.CheckGas] = sheet => sheet.GasFlow is { } gas ? $"Check the gas: valve, bottle, {Show.Of(gas.Aim)} with the gas flowing, clean nozzle, no draught. Leave both controls." : "Check the cover: dry wire, the stick-out of the sheet, no draught. Leave both controls.",
        [ChangeKind.CleanPlate] = _ => "Grind the plate bright, clamp on bare metal, the same settings again.",
        [ChangeKind.CoolPlate] = _ => "Take a cold piece, or quench this one, and lay the same again. Leave both controls.",
        [ChangeKind.MeasureWire] = sheet => $"Run the wire 6 seconds and measure it: the sheet wants {Show.Number(sheet.RequirePair().WireFeed.InPerMin / 10, "0.0")} in ({Show.Number(sheet.RequirePair().WireFeed.MPerMin * 100, "0")} mm). Leave both controls.",
        [ChangeKind.CheckFeed] = _ => "Check the feed: roll tension, spool brake, liner. Leave both controls.",
        [ChangeKind.ChangeTip] = sheet => $"A new contact tip{(sheet.Job.Wire is { } wire ? $" for {wire.Facts().Name} wire" : "")}, screwed tight. Leave both controls.",
        [ChangeKind.MeasureVolts] = sheet => $"Measure the volts at the torch while welding: the sheet wants {Show.Of(sheet.RequirePair().Volts.Aim)}. Leave both controls.",
        [ChangeKind.CheckBottle] = sheet => $"Read the bottle's label: the sheet wants {sheet.Job.Gas.Facts().Name}. Leave both controls.",
        [ChangeKind.CheckWire] = sheet => $"Measure the wire on the spool: the sheet is for {(sheet.Job.Wire is { } wire ? wire.Facts().Name : "the rod")}. Leave both controls.",
        [ChangeKind.CheckClamp] = _ => "Clamp on bright metal near the joint, feel clamp and cable ends for heat. Leave the controls.",
        [ChangeKind.DragIt] = _ => "Slag means drag: lean the torch so that it points back at the bead. Chip and brush between passes. Leave both controls.",
        [ChangeKind.FillCrater] = sheet => sheet.Job.Process.IsGtaw() ? "Ease the pedal off at the end, rod still in, until the crater is full." : "Stop at the end, step back 10 mm over the bead, and let the crater fill before letting go.",
        [ChangeKind.ShorterArc] = sheet => $"Bring the tungsten nearer: an arc about as long as the tungsten is thick{(sheet.Tig is { } tig ? $", {Show.Of(tig.Tungsten)}" : "")}. Leave the amps.",
        [ChangeKind.Regrind] = _ => "Grind the tungsten back to clean metal, lengthwise, and start again. Leave the amps.",
        [ChangeKind.ThickerTungsten] = sheet => $"Take the sheet's tungsten{(sheet.Tig is { } tig ? $", {Show.Of(tig.Tungsten)}" : "")}, or the next thicker. Leave the amps.",
        [ChangeKind.SetBalance] = sheet => sheet.Tig is { BalancePercent: { } balance } ? $"Set the balance to {balance} % minus; a skin that will not open wants a little less, a growing ball a little more. Leave the amps." : "This is an AC matter: check that the machine stands on AC for aluminium. Leave the amps.",
        [ChangeKind.MoreFiller] = _ => "Feed the rod a little oftener, into the leading edge. Leave the amps and the pace.",
        [ChangeKind.LessFiller] = _ => "Feed less rod, and wait for the puddle to wet out before the next touch. Leave the amps and the pace.",
        [ChangeKind.CheckPolarity] = sheet => $"Check polarity ({sheet.Polarity.Words()}) and what the bottle says. Leave both controls.",
        [ChangeKind.Stop] = _ => "Stop on this piece and show it to a qualified person. Fresh, clean metal; fill the crater.",
    };

    // A hand on the pedal hears and sees no less than this.
    private const double LeastAmpsShare = 0.05;

    /// <summary>The change that mends a cause of a TIG bead.</summary>
    /// <param name="cause">The likeliest cause.</param>
    /// <param name="sheet">The sheet judged against.</param>
    /// <param name="machine">The booth's machine.</param>
    /// <param name="amps">What was really used.</param>
    public static NextChange For(Cause cause, Sheet sheet, Machine machine, Current amps)
    {
        var row = Causes.Row(cause, sheet.Job.Process);
        var dial = machine.AmpControl is { } control && Calibration.TryFit(control, out var fitted, out _) ? (Control: control, Fitted: fitted!) : ((Control Control, Calibration Fitted)?)null;
        var stands = dial?.Fitted.MarkFor(amps.Amps).Mark;
        if (ByHand.TryGetValue(row.Change, out var instruct)) return new NextChange(row.Change, instruct(sheet).Replace("Leave both controls.", "Leave the amps.", StringComparison.Ordinal), "", row.Expect, null, null, stands);
        var way = row.Change switch
        {
            ChangeKind.AmpsUp => 1,
            ChangeKind.AmpsDown => -1,
            _ => throw new ArgumentOutOfRangeException(nameof(cause), cause, "No change of a TIG bead for this cause."),
        };
        // To the sheet when that is the right way, else a step past where it stood.
        var step = amps.Amps * (1 + way * LeastAmpsShare);
        var target = (sheet.Amps.Amps - step) * way > 0 ? sheet.Amps.Amps : step;
        if (dial is not { } turned || stands is not { } from) return new(row.Change, $"Amps {Way(way)} to about {Show.Of(Current.FromAmps(target))}.", "", row.Expect, null, null);
        var mark = turned.Fitted.MarkFor(target).Mark;
        if ((mark - from) * way <= 0) mark = turned.Control.Settable(from + way * turned.Control.MarkStep);
        return (mark - from) * way <= 0
            ? new(row.Change, way > 0 ? "The current control is at its end: a machine with more amps, or bevel and lay passes." : "The current control is at its end: ease the pedal, or thicker plate.", "", row.Expect, null, null, from)
            : new(row.Change, $"Amps {Move(turned.Control, from, mark)}. The pedal leads from there.", "", row.Expect, null, null, mark);
    }

    /// <summary>The change that mends a cause.</summary>
    /// <param name="cause">The likeliest cause.</param>
    /// <param name="sheet">The sheet judged against.</param>
    /// <param name="machine">The booth's machine.</param>
    /// <param name="used">What was really used.</param>
    public static NextChange For(Cause cause, Sheet sheet, Machine machine, Settings used)
    {
        var row = Causes.Row(cause, sheet.Job.Process);
        var dials = Stand.Of(machine, used);
        if (ByHand.TryGetValue(row.Change, out var instruct))
        {
            return new NextChange(row.Change, instruct(sheet), "", row.Expect, dials?.WireMark, dials?.VoltMark);
        }
        var arc = sheet.Job.RequireArc();
        return Mending(row.Change, sheet, used) switch
        {
            ChangeKind.VoltsUp => Volts(+1),
            ChangeKind.VoltsDown => Volts(-1),
            ChangeKind.WireUp => Wire(+1, WireToward(+1)),
            ChangeKind.WireDown => Wire(-1, WireToward(-1)),
            ChangeKind.MoreOfBoth when Top(sheet) is { } top && used.WireFeed >= top * AtTop =>
                new(row.Change, AtItsTop(sheet), "", row.Expect, dials?.WireMark, dials?.VoltMark),
            ChangeKind.MoreOfBoth => Wire(+1, MoreWire(sheet, used), follow: true),
            ChangeKind.LessOfBoth => Wire(-1, Math.Min(sheet.RequirePair().WireFeed.MPerMin, used.WireFeed.MPerMin * (1 - PairStep)), follow: true),
            _ => throw new ArgumentOutOfRangeException(nameof(cause), cause, "No change for this cause."),
        };

        // Back to the sheet's wire when that is the right way and the volts stand right for it; otherwise to the wire these volts pair with.
        double WireToward(int way)
        {
            var sheetWire = sheet.RequirePair().WireFeed.MPerMin;
            var paired = SmoothBand.WireFeedFor(used.Volts, arc).MPerMin;
            var toSheet = (sheetWire - used.WireFeed.MPerMin) * way > 0;
            return toSheet ? sheetWire : (paired - used.WireFeed.MPerMin) * way > 0 ? paired : used.WireFeed.MPerMin * (1 + way * PairStep);
        }

        NextChange Volts(int way)
        {
            var aim = SmoothBand.At(used.WireFeed, arc).Aim.Volts;
            var target = way > 0 ? Math.Max(aim, used.Volts.Volts + LeastVolts) : Math.Min(aim, used.Volts.Volts - LeastVolts);
            if (dials is null) return new(way > 0 ? ChangeKind.VoltsUp : ChangeKind.VoltsDown, $"Volts {Way(way)} to about {Show.Number(target, "0.0")} V. Leave the wire.", "", row.Expect, null, null);
            // At the end of the dial the other knob has to make the pair.
            if (dials.VoltMoved(target, way) is not { } mark) return Wire(-way, used.WireFeed.MPerMin * (1 - way * PairStep));
            return new(row.Change, $"Volts {Move(dials.Dials.Volt, dials.VoltMark, mark)}. Leave the wire at {dials.Dials.Wire.Read(dials.WireMark)}.", "", row.Expect, dials.WireMark, mark);
        }

        NextChange Wire(int way, double target, bool follow = false)
        {
            var paired = SmoothBand.At(WireFeedSpeed.FromMPerMin(target), arc).Aim;
            if (dials is null)
            {
                return new(row.Change, $"Wire {Way(way)} to about {Show.Of(WireFeedSpeed.FromMPerMin(target))}. {(follow ? "" : "Leave the volts.")}".TrimEnd(),
                    follow ? $"Then volts to {Show.Of(paired)}, by ear." : "", row.Expect, null, null);
            }
            if (dials.WireMoved(target, way) is not { } mark)
            {
                return new(row.Change, $"The wire control is at its end. Another wire size: {(way > 0 ? "thicker" : "thinner")}.", "", row.Expect, dials.WireMark, dials.VoltMark);
            }
            var volt = dials.Dials.Volt;
            var followMark = dials.Dials.VoltMarkFor(paired, mark).Mark;
            var then = !follow ? ""
                : followMark == dials.VoltMark ? $"The volts can stay at {volt.Read(dials.VoltMark)}."
                : $"Then let the volts follow to {volt.Read(followMark)}, by ear.";
            return new(row.Change, $"Wire {Move(dials.Dials.Wire, dials.WireMark, mark)}. {(follow ? "" : $"Leave the volts at {volt.Read(dials.VoltMark)}.")}".TrimEnd(),
                then, row.Expect, mark, dials.VoltMark);
        }
    }

    // To the sheet's wire or a step up, and never past what the wire carries.
    private static double MoreWire(Sheet sheet, Settings used)
    {
        var more = Math.Max(sheet.RequirePair().WireFeed.MPerMin, used.WireFeed.MPerMin * (1 + PairStep));
        return Top(sheet) is { } top ? Math.Min(more, top.MPerMin) : more;
    }

    private static WireFeedSpeed? Top(Sheet sheet) =>
        sheet.Job.RequireArc() is var arc && arc.Wire.Facts().RangeIn(arc.Process) is { } range ? BurnOff.WireFeedFor(range.Most, arc) : null;

    private static string AtItsTop(Sheet sheet)
    {
        var (arc, wire) = (sheet.Job.RequireArc(), sheet.Job.RequireArc().Wire.Facts());
        var better = wire.NextAbove(arc.Process) is { } next ? $"or go up to {next.Name} wire" : "or take another transfer mode";
        return $"{wire.Name} wire carries no more than {Show.Of(wire.RangeIn(arc.Process)!.Most)}: preheat or bevel the plate, {better}. Leave both controls.";
    }

    // The volts-first school keeps the volts it began with, as long as they are the sheet's, and mends the pair with the wire.
    private static ChangeKind Mending(ChangeKind kind, Sheet sheet, Settings used) => (sheet.School.Pair, kind) switch
    {
        (PairRule.VoltsFirst, ChangeKind.VoltsUp) when sheet.RequirePair().Volts.Holds(used.Volts) => ChangeKind.WireDown,
        (PairRule.VoltsFirst, ChangeKind.VoltsDown) when sheet.RequirePair().Volts.Holds(used.Volts) => ChangeKind.WireUp,
        _ => kind,
    };

    private static string Way(int way) => way > 0 ? "up" : "down";

    private static string Pace(Sheet sheet, string travelling, string staying) => sheet.Travel is { } travel
        ? $"{travelling}: about {Show.Of(travel)}"
        : $"{staying}: about {Show.Number(sheet.PlugSeconds ?? 0, "0.0")} s";

    private static string Move(Control control, double from, double to)
    {
        var way = Way(Math.Sign(to - from));
        var by = Math.Abs(to - from);
        return control.Kind switch
        {
            ControlKind.Tap when control.Names.Count == 0 => $"{way} {(by == 1 ? "one tap" : $"{Show.Number(by)} taps")}, {Show.Number(from)} to {Show.Number(to)}",
            ControlKind.Knob => $"{way} {Show.Number(by)} {(by == 1 ? "mark" : "marks")}, {Show.Number(from)} to {Show.Number(to)}",
            ControlKind.Digital => $"{way} {Show.Number(by, "0.#")}, {Show.Number(from)} to {control.Read(to)}",
            _ => $"{way}, {control.Read(from)} to {control.Read(to)}",
        };
    }

    /// <summary>Where a machine's dials stand for a bead.</summary>
    private sealed record Stand(Dials Dials, double WireMark, double VoltMark)
    {
        public static Stand? Of(Machine machine, Settings used)
        {
            if (!Dials.TryFit(machine, out var dials, out _)) return null;
            var wireMark = dials!.WireMarkFor(used.WireFeed).Mark;
            return new Stand(dials, wireMark, dials.VoltMarkFor(used.Volts, wireMark).Mark);
        }

        public double? WireMoved(double target, int way) => Moved(Dials.Wire, WireMark, Dials.WireMarkFor(WireFeedSpeed.FromMPerMin(target)).Mark, way);

        // With coarse and fine switches the next position up is not always more volts: ask the volts, not the mark.
        public double? VoltMoved(double target, int way) => Dials.Volt.Kind != ControlKind.CoarseFine
            ? Moved(Dials.Volt, VoltMark, Dials.VoltMarkFor(Voltage.FromVolts(Math.Max(0, target)), WireMark).Mark, way)
            : Dials.VoltMarkFor(Voltage.FromVolts(Math.Max(0, target)), WireMark).Mark is var mark && (Dials.VoltsAt(mark, WireMark).Volts - Dials.VoltsAt(VoltMark, WireMark).Volts) * way > 0 ? mark : null;

        // At least one step the right way; null at the end of the dial.
        private static double? Moved(Control control, double from, double mark, int way)
        {
            if ((mark - from) * way <= 0) mark = control.Settable(from + way * control.MarkStep);
            return (mark - from) * way > 0 ? mark : null;
        }
    }
}
