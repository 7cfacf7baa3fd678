using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Windows;

namespace GentleBead.Core.Trials;

/// <summary>What was heard at a mark of a sweep.</summary>
public enum SweepMark
{
    /// <summary>The arc smooths now.</summary>
    Smooths,

    /// <summary>The arc breaks up now.</summary>
    BreaksUp,
}

/// <summary>A mark pressed during a sweep.</summary>
/// <param name="Mark">What was heard.</param>
/// <param name="Seconds">Seconds since the knob began to move.</param>
public sealed record SweepEvent(SweepMark Mark, double Seconds);

/// <summary>A wire sweep as it was run: volts held, the wire control turned evenly from one mark to another.</summary>
/// <param name="FromMark">Where the wire control began.</param>
/// <param name="ToMark">Where it ended.</param>
/// <param name="Seconds">How long the turning took; 2 to 300 s.</param>
/// <param name="Events">Marks pressed, in any order.</param>
public sealed record SweepRun(double FromMark, double ToMark, double Seconds, IReadOnlyList<SweepEvent> Events)
{
    /// <summary>What is wrong with it, by JSON field.</summary>
    public IEnumerable<Problem> Problems(Control wire)
    {
        if (!(FromMark >= wire.LowestMark && FromMark <= wire.HighestMark))
            yield return new("fromMark", Say($"The wire control runs from {wire.Read(wire.LowestMark)} to {wire.Read(wire.HighestMark)}."));
        if (!(ToMark >= wire.LowestMark && ToMark <= wire.HighestMark))
            yield return new("toMark", Say($"The wire control runs from {wire.Read(wire.LowestMark)} to {wire.Read(wire.HighestMark)}."));
        else if (!(ToMark > FromMark))
            yield return new("toMark", Say($"A sweep goes from little wire up: the end stands above the beginning."));
        if (Seconds is not (>= 2 and <= 300))
            yield return new("seconds", Say($"A sweep takes 2 to 300 s."));
        if (Events.Count > 40)
            yield return new("events", Say($"At most 40 marks."));
        if (Events.Any(mark => mark is null))
            yield return new("events", Say($"A mark is missing its time."));
        else if (Events.Any(mark => !(mark.Seconds >= 0 && mark.Seconds <= Seconds)))
            yield return new("events", Say($"A mark lies outside the sweep."));
    }
}

/// <summary>What a sweep found.</summary>
/// <param name="Smooths">Wire feed speed at which the arc smoothed; null when it was never marked.</param>
/// <param name="BreaksUp">Wire feed speed at which it broke up after that; null when it was never marked.</param>
/// <param name="Middle">The middle of the band; null without both ends.</param>
/// <param name="Learned">In a sentence.</param>
public sealed record SweepFinding(WireFeedSpeed? Smooths, WireFeedSpeed? BreaksUp, WireFeedSpeed? Middle, Said Learned)
{
    /// <summary>What it says of the smooth band at the usual stick-out: up to two points on its edges.</summary>
    /// <param name="arc">Process, wire and gas.</param>
    /// <param name="volts">The volts held.</param>
    /// <param name="stickOut">Tip to work while it was run; null: the usual one, or none was noted.</param>
    public IEnumerable<WindowPoint> OnBand(WireArc arc, Voltage volts, Length? stickOut)
    {
        if (Smooths is { } smooths)
            yield return new(Usual(smooths), volts, BandEvidence.TopEdge);
        if (BreaksUp is { } breaks)
            yield return new(Usual(breaks), volts, BandEvidence.BottomEdge);

        WireFeedSpeed Usual(WireFeedSpeed found) => stickOut is { } at ? HeldVolts.WireAt(found, at, arc.UsualStickOut, arc) : found;
    }

    /// <summary>
    /// Reads a sweep through the machine's own readings. Where the knob stood follows from the clock: it was turned evenly.
    /// </summary>
    /// <param name="run">The sweep; without problems.</param>
    /// <param name="dials">The machine's controls.</param>
    /// <param name="arc">Process, wire and gas.</param>
    /// <param name="volts">The volts held.</param>
    /// <param name="stickOut">Tip to work where it was not the usual one; null otherwise.</param>
    public static SweepFinding Of(SweepRun run, Dials dials, WireArc arc, Voltage volts, Length? stickOut = null)
    {
        var smooths = run.Events.Where(mark => mark.Mark == SweepMark.Smooths).Select(mark => (double?)mark.Seconds).Min();
        var breaks = run
            .Events.Where(mark => mark.Mark == SweepMark.BreaksUp && mark.Seconds > (smooths ?? 0))
            .Select(mark => (double?)mark.Seconds)
            .Max();
        var (low, high) = (At(smooths), At(breaks));
        var middle = low is { } from && high is { } to ? WireFeedSpeed.FromMPerMin((from.MPerMin + to.MPerMin) / 2) : (WireFeedSpeed?)null;
        var learned = (low, high) switch
        {
            (null, null) => Say($"No mark was pressed: nothing is learned."),
            ({ } at, null) => Say($"At {volts} it smoothed at {at} and did not break up before the end."),
            (null, { } at) => Say($"At {volts} it broke up at {at}; where it smoothed was not marked."),
            _ => Say($"At {volts} it ran smooth from {low.Value} to {high.Value}; the middle is {middle!.Value}."),
        };
        return new(low, high, middle, stickOut is { } stoodAt ? Sentences(learned, Corrected(stoodAt)) : learned);

        Said? Corrected(Length from)
        {
            var usual = arc.UsualStickOut;
            return (low ?? high) is null || usual == from ? null
                : middle is { } found ? Say($"The tip stood {from:rule} off: at {usual:rule} that middle lies at {Usual(found, from)}.")
                : Say($"The tip stood {from:rule} off: at {usual:rule} that is {Usual((low ?? high)!.Value, from)}.");
        }

        WireFeedSpeed Usual(WireFeedSpeed found, Length from) => HeldVolts.WireAt(found, from, arc.UsualStickOut, arc);

        WireFeedSpeed? At(double? seconds) =>
            seconds is not { } at
                ? null
                : WireFeedSpeed.FromMPerMin(dials.WireFeedAt(run.FromMark + (run.ToMark - run.FromMark) * at / run.Seconds).Value);
    }
}
