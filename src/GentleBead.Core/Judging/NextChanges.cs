using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Judging;

/// <summary>From the likeliest cause to the one change, in the marks of the machine at hand.</summary>
public static class NextChanges
{
    // Smallest move worth hearing, and the step for a pair that is off as a whole.
    private const double LeastVolts = 0.5;
    private const double PairStep = 0.10;

    private static readonly Dictionary<ChangeKind, Func<Sheet, string>> ByHand = new()
    {
        [ChangeKind.Keep] = _ => "Keep it. Do the same again.",
        [ChangeKind.Slower] = sheet => $"Travel slower: about {Show.Of(sheet.Travel)}. Leave both controls.",
        [ChangeKind.Faster] = sheet => $"Travel faster: about {Show.Of(sheet.Travel)}. Leave both controls.",
        [ChangeKind.ShorterStickOut] = sheet => $"Bring the tip in: stick-out {Show.Of(sheet.StickOut.Aim)}. Leave both controls.",
        [ChangeKind.MendAngle] = sheet => $"Mend the angle: {sheet.WorkAngle}. Leave both controls.",
        [ChangeKind.SteadyHand] = sheet => $"Brace the hand, make a dry run, count it along at {Show.Of(sheet.Travel)}. Leave both controls.",
        [ChangeKind.CheckGas] = sheet => $"Check the gas: valve, bottle, {Show.Of(sheet.GasFlow.Aim)} with the gas flowing, clean nozzle, no draught. Leave both controls.",
        [ChangeKind.CleanPlate] = _ => "Grind the plate bright, clamp on bare metal, the same settings again.",
        [ChangeKind.CoolPlate] = _ => "Take a cold piece, or quench this one, and lay the same again. Leave both controls.",
        [ChangeKind.MeasureWire] = sheet => $"Run the wire 6 seconds and measure it: the sheet wants {Show.Number(sheet.WireFeed.InPerMin / 10, "0.0")} in ({Show.Number(sheet.WireFeed.MPerMin * 100, "0")} mm). Leave both controls.",
        [ChangeKind.CheckFeed] = _ => "Check the feed: tip, roll tension, liner, spool brake. Leave both controls.",
        [ChangeKind.CheckPolarity] = _ => "Check polarity (torch on plus for solid wire) and what the bottle says. Leave both controls.",
        [ChangeKind.Stop] = _ => "Stop on this piece and show it to a qualified person. Fresh, clean metal; fill the crater.",
    };

    /// <summary>The change that mends a cause.</summary>
    /// <param name="cause">The likeliest cause.</param>
    /// <param name="sheet">The sheet judged against.</param>
    /// <param name="machine">The booth's machine.</param>
    /// <param name="used">What was really used.</param>
    public static NextChange For(Cause cause, Sheet sheet, Machine machine, Settings used)
    {
        var row = Causes.Table.First(candidate => candidate.Cause == cause);
        var dials = Dials.Of(machine, used);
        if (ByHand.TryGetValue(row.Change, out var instruct))
        {
            return new NextChange(row.Change, instruct(sheet), "", row.Expect, dials?.WireMark, dials?.VoltMark);
        }
        var job = sheet.Job;
        return row.Change switch
        {
            ChangeKind.VoltsUp => Volts(+1),
            ChangeKind.VoltsDown => Volts(-1),
            ChangeKind.WireUp => Wire(+1, WireToward(+1)),
            ChangeKind.WireDown => Wire(-1, WireToward(-1)),
            ChangeKind.MoreOfBoth => Wire(+1, Math.Max(sheet.WireFeed.MPerMin, used.WireFeed.MPerMin * (1 + PairStep)), follow: true),
            ChangeKind.LessOfBoth => Wire(-1, Math.Min(sheet.WireFeed.MPerMin, used.WireFeed.MPerMin * (1 - PairStep)), follow: true),
            _ => throw new ArgumentOutOfRangeException(nameof(cause), cause, "No change for this cause."),
        };

        // Back to the sheet's wire when that is the right way and the volts stand right for it; otherwise to the wire these volts pair with.
        double WireToward(int way)
        {
            var sheetWire = sheet.WireFeed.MPerMin;
            var paired = Rules.WireFeedForVolts(used.Volts, job.Wire).MPerMin;
            var toSheet = (sheetWire - used.WireFeed.MPerMin) * way > 0;
            return toSheet ? sheetWire : (paired - used.WireFeed.MPerMin) * way > 0 ? paired : used.WireFeed.MPerMin * (1 + way * PairStep);
        }

        NextChange Volts(int way)
        {
            var aim = Rules.SmoothBand(used.WireFeed, job.Wire).Aim.Volts;
            var target = way > 0 ? Math.Max(aim, used.Volts.Volts + LeastVolts) : Math.Min(aim, used.Volts.Volts - LeastVolts);
            if (dials is null) return new(row.Change, $"Volts {Way(way)} to about {Show.Number(target, "0.0")} V. Leave the wire.", "", row.Expect, null, null);
            var mark = dials.Volt.Moved(dials.VoltMark, target, way);
            // At the end of the dial the other knob has to make the pair.
            if (mark is null) return Wire(-way, used.WireFeed.MPerMin * (1 - way * PairStep));
            return new(row.Change, $"Volts {dials.Volt.Move(dials.VoltMark, mark.Value)}. Leave the wire at {dials.Wire.Control.Read(dials.WireMark)}.", "", row.Expect, dials.WireMark, mark);
        }

        NextChange Wire(int way, double target, bool follow = false)
        {
            var paired = Rules.SmoothBand(WireFeedSpeed.FromMPerMin(target), job.Wire).Aim;
            if (dials is null)
            {
                return new(row.Change, $"Wire {Way(way)} to about {Show.Of(WireFeedSpeed.FromMPerMin(target))}. {(follow ? "" : "Leave the volts.")}".TrimEnd(),
                    follow ? $"Then volts to {Show.Of(paired)}, by ear." : "", row.Expect, null, null);
            }
            if (dials.Wire.Moved(dials.WireMark, target, way) is not { } mark)
            {
                return new(row.Change, $"The wire control is at its end. Another wire size: {(way > 0 ? "thicker" : "thinner")}.", "", row.Expect, dials.WireMark, dials.VoltMark);
            }
            var followMark = dials.Volt.Calibration.MarkFor(paired.Volts).Mark;
            var then = !follow ? ""
                : followMark == dials.VoltMark ? $"The volts can stay at {dials.Volt.Control.Read(dials.VoltMark)}."
                : $"Then let the volts follow to {dials.Volt.Control.Read(followMark)}, by ear.";
            return new(row.Change, $"Wire {dials.Wire.Move(dials.WireMark, mark)}. {(follow ? "" : $"Leave the volts at {dials.Volt.Control.Read(dials.VoltMark)}.")}".TrimEnd(),
                then, row.Expect, mark, dials.VoltMark);
        }
    }

    private static string Way(int way) => way > 0 ? "up" : "down";

    private sealed record Dial(Control Control, Calibration Calibration)
    {
        // The mark for a value, at least one step the right way; null at the end of the dial.
        public double? Moved(double from, double target, int way)
        {
            var mark = Calibration.MarkFor(target).Mark;
            if ((mark - from) * way <= 0) mark = Control.Settable(from + way * Control.MarkStep);
            return (mark - from) * way > 0 ? mark : null;
        }

        public string Move(double from, double to)
        {
            var way = Way(Math.Sign(to - from));
            var by = Math.Abs(to - from);
            return Control.Kind switch
            {
                ControlKind.Tap => $"{way} {(by == 1 ? "one tap" : $"{Show.Number(by)} taps")}, {Show.Number(from)} to {Show.Number(to)}",
                ControlKind.Knob => $"{way} {Show.Number(by)} {(by == 1 ? "mark" : "marks")}, {Show.Number(from)} to {Show.Number(to)}",
                _ => $"{way} {Show.Number(by, "0.#")}, {Show.Number(from)} to {Control.Read(to)}",
            };
        }
    }

    private sealed record Dials(Dial Wire, Dial Volt, double WireMark, double VoltMark)
    {
        public static Dials? Of(Machine machine, Settings used)
        {
            if (!Calibration.TryFit(machine.WireControl, out var wire, out _) || !Calibration.TryFit(machine.VoltControl, out var volt, out _)) return null;
            return new Dials(
                new Dial(machine.WireControl, wire!), new Dial(machine.VoltControl, volt!),
                wire!.MarkFor(used.WireFeed.MPerMin).Mark, volt!.MarkFor(used.Volts.Volts).Mark);
        }
    }
}
