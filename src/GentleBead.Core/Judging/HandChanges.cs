using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>Changes that no control makes: what the hand does otherwise, or what is looked at, cleaned or measured.</summary>
internal static class HandChanges
{
    // What to do; and whether the controls are to be left, which is said with it.
    private sealed record Row(Func<Sheet, Said> Do, bool LeaveControls = true);

    private static readonly Dictionary<ChangeKind, Row> Table = new()
    {
        [ChangeKind.Keep] = new(_ => Say($"Keep it. Do the same again."), LeaveControls: false),
        [ChangeKind.Slower] = new(sheet =>
            sheet.Travel is { } travel ? Say($"Travel slower: {travel:timed}.") : Say($"Stay longer: about {Seconds(sheet)}.")
        ),
        [ChangeKind.Faster] = new(sheet =>
            sheet.Travel is { } travel ? Say($"Travel faster: {travel:timed}.") : Say($"Stay shorter: about {Seconds(sheet)}.")
        ),
        [ChangeKind.ShorterStickOut] = new(sheet => Say($"Bring the tip in: stick-out {sheet.RequirePair().StickOut.Aim}.")),
        [ChangeKind.MendAngle] = new(sheet => Say($"Mend the angle: {sheet.WorkAngle}.")),
        [ChangeKind.LeanLess] = new(sheet => Say($"Mend the lean of the torch: {sheet.TravelAngle}.")),
        [ChangeKind.Preheat] = new(_ =>
            Say($"Preheat the plate as its own procedure says, measured beside the joint; where none speaks, bevel and lay more passes.")
        ),
        [ChangeKind.SteadyHand] = new(sheet =>
            Sentences(
                Say($"Brace the hand, make a dry run."),
                sheet.Travel is { } travel ? Say($"Count it along: {travel:timed}.") : Say($"Count it out: about {Seconds(sheet)}.")
            )
        ),
        [ChangeKind.CheckGas] = new(sheet =>
            sheet.GasFlow is { } gas
                ? Say($"Set the gas with the gas flowing: {gas.Aim}. Nothing comes: the valve, then the bottle.")
                : Say($"Take dry wire from a closed pack, and keep the wind off.")
        ),
        [ChangeKind.CleanPlate] = new(
            sheet => Say($"{sheet.Job.Metal.Facts().Clean}; clamp on bare metal, the same settings again."),
            LeaveControls: false
        ),
        [ChangeKind.CoolPlate] = new(sheet => Say($"The plate is hot: {sheet.Job.Metal.Facts().Cool}, and lay the same again.")),
        [ChangeKind.MeasureWire] = new(
            sheet =>
                Say(
                    $"Run the wire 6 seconds and measure it: the sheet wants {SheetSteps.RunOut(sheet.RequirePair().WireFeed):run}. "
                        + $"Note what the mark gives, and turn the wire until it comes. Leave the volts."
                ),
            LeaveControls: false
        ),
        [ChangeKind.CheckFeed] = new(_ =>
            Say($"Feed the wire against a glove: set the rolls so that it pushes on and slips at a hard pinch.")
        ),
        [ChangeKind.ChangeTip] = new(sheet =>
            sheet.Job.Wire is { } wire
                ? Say($"A new contact tip for {wire.Facts().Name} wire, screwed tight.")
                : Say($"A new contact tip, screwed tight.")
        ),
        [ChangeKind.MeasureVolts] = new(
            sheet =>
                Say(
                    $"Measure the volts at the torch while welding: the sheet wants {sheet.RequirePair().Volts.Aim}. "
                        + $"Note what the mark gives, and turn the volts until they stand there. Leave the wire."
                ),
            LeaveControls: false
        ),
        [ChangeKind.CheckBottle] = new(sheet => Say($"Read the bottle's label: the sheet wants {sheet.Job.Gas.Facts().Name}.")),
        [ChangeKind.CheckWire] = new(sheet =>
            sheet.Job.Wire is { } wire
                ? Say($"Measure the wire on the spool: the sheet is for {wire.Facts().Name}.")
                : Say($"Measure the rod: the sheet is for another.")
        ),
        [ChangeKind.CheckClamp] = new(_ => Say($"Move the clamp to bright metal near the joint.")),
        [ChangeKind.DragIt] = new(_ =>
            Say($"Slag means drag: lean the torch so that it points back at the bead. Chip and brush between passes.")
        ),
        [ChangeKind.FillCrater] = new(
            sheet =>
                sheet.Job.Process.IsGtaw()
                    ? Say($"Ease the pedal off at the end, rod still in, until the crater is full.")
                    : Say(
                        $"Stop at the end, step back {new Either("10 mm", "3/8 in")} over the bead, and let the crater fill "
                            + $"before letting go."
                    ),
            LeaveControls: false
        ),
        [ChangeKind.ShorterArc] = new(sheet =>
            sheet.Tig is { } tig
                ? Say($"Bring the tungsten nearer: an arc about as long as the tungsten is thick, {tig.Tungsten}.")
                : Say($"Bring the tungsten nearer: an arc about as long as the tungsten is thick.")
        ),
        [ChangeKind.Regrind] = new(_ => Say($"Grind the tungsten back to clean metal, lengthwise, and start again.")),
        [ChangeKind.ThickerTungsten] = new(sheet =>
            sheet.Tig is { } tig
                ? Say($"Take the sheet's tungsten, {tig.Tungsten}, or the next thicker.")
                : Say($"Take the sheet's tungsten, or the next thicker.")
        ),
        [ChangeKind.SetBalance] = new(sheet =>
            sheet.Tig is { BalancePercent: { } balance }
                ? Say($"Set the balance to {balance} % minus; a skin that will not open wants a little less, a growing ball a little more.")
                : Say($"This is an AC matter: check that the machine stands on AC for aluminium.")
        ),
        [ChangeKind.MoreFiller] = new(
            _ => Say($"Feed the rod a little oftener, into the leading edge. Leave the amps and the pace."),
            LeaveControls: false
        ),
        [ChangeKind.LessFiller] = new(
            _ => Say($"Feed less rod, and wait for the puddle to wet out before the next touch. Leave the amps and the pace."),
            LeaveControls: false
        ),
        [ChangeKind.LongerStickOut] = new(sheet => Say($"Let the wire out: stick-out {sheet.RequirePair().StickOut.Aim}.")),
        [ChangeKind.KeepAngle] = new(_ => Say($"Keep the angle to the end of reach: stop sooner, step over, start again on the crater.")),
        [ChangeKind.MoveClamp] = new(_ => Say($"Move the clamp to the other end of the joint.")),
        [ChangeKind.FreeTip] = new(_ => Say($"A new tip; then hold the wire off the plate when you press the trigger.")),
        [ChangeKind.ScreenDraught] = new(_ => Say($"Put a screen between the draught and the torch.")),
        [ChangeKind.ClearNozzle] = new(_ => Say($"Pull the nozzle and clear the spatter out of it.")),
        [ChangeKind.CheckPolarity] = new(sheet => Say($"Change the leads: {sheet.Polarity.Words()}.")),
        [ChangeKind.Stop] = new(
            _ => Say($"Stop on this piece and show it to a qualified person. Fresh, clean metal; fill the crater."),
            LeaveControls: false
        ),
    };

    /// <summary>What to do; null where a control makes the change.</summary>
    public static Said? For(ChangeKind kind, Sheet sheet)
    {
        if (!Table.TryGetValue(kind, out var row))
            return null;
        if (!row.LeaveControls)
            return row.Do(sheet);
        return Sentences(row.Do(sheet), sheet.Pair is null ? Say($"Leave the amps.") : Say($"Leave both controls."));
    }

    /// <summary>Whether a change is one of these.</summary>
    public static bool Knows(ChangeKind kind) => Table.ContainsKey(kind);

    private static Said Seconds(Sheet sheet) => Say($"{sheet.PlugSeconds ?? 0:0.0} s");
}
