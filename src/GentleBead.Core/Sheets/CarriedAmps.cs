using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>
/// The current a wire is run at for what the plate asks. More than the wire carries is poor practice and planned at the wire's own top;
/// a refusal only where even its least arc would burn through.
/// </summary>
internal static class CarriedAmps
{
    // Metal in is metal down, so depth goes with the current at the same bead; at half as much again sheet falls out
    // (docs/arc.md: 1.4 of the plate). Common practice, no source.
    private const double BurnsThroughAt = 1.5;

    /// <summary>The current of a wire.</summary>
    /// <param name="job">The job.</param>
    /// <param name="wire">Its wire.</param>
    /// <param name="wanted">The current plate, joint and position ask for.</param>
    public static Explained<Current> For(Job job, WireFacts wire, Current wanted)
    {
        var process = job.Process.Facts();
        var range = wire.RangeIn(job.Process)!;
        var least = LeastOf(process, range);
        if (wanted * BurnsThroughAt < least)
            return new(BurnsThrough(process, wire, wanted, least));

        var amps =
            wanted > range.Most ? range.Most
            : wanted < least ? least
            : wanted;
        var rule =
            amps < wanted ? Say($"All this wire carries")
            : amps == wanted ? Say($"Current the joint asks for")
            : process.LeastShare < 1 ? Say($"The least this wire holds an arc at")
            : Say($"Where spray begins");
        return new(
            amps,
            [
                new(
                    "amps",
                    rule,
                    Say($"{wanted} wanted; {wire.Name} wire usually carries {Usual(range)} in {process.Name}, {range.Most} at the most"),
                    Say($"{amps}"),
                    process.LeastShare < 1 ? Source.CommonPractice : Source.Published,
                    ["jointAmps"]
                ),
            ],
            CautionFor(process, wire, wanted, amps) is { } caution ? [caution] : []
        );
    }

    /// <summary>The current of a tungsten: what the joint asks for.</summary>
    public static Explained<Current> OnThePedal(Current wanted) =>
        new(
            wanted,
            [
                new(
                    "amps",
                    Say($"Current the joint asks for"),
                    Say($"on the pedal; the puddle leads"),
                    Say($"{wanted}"),
                    Source.CommonPractice,
                    ["jointAmps"]
                ),
            ]
        );

    private static Said Usual(WireRange range) => Say($"{range.UsualLow.Amps:0} to {range.UsualHigh}");

    private static Current LeastOf(ProcessFacts process, WireRange range) => range.UsualLow * process.LeastShare;

    private static Refusal BurnsThrough(ProcessFacts process, WireFacts wire, Current wanted, Current least) =>
        new(
            JobPart.Wire,
            Sentences(
                Say($"This plate and joint ask for only {wanted}."),
                process.LeastShare < 1
                    ? Say($"{wire.Name} wire does not hold an arc under about {least}, which burns through.")
                    : Say($"Spray with {wire.Name} wire begins at {least}, which burns through."),
                Thinner(process, wire, wanted),
                process.LeastShare < 1 ? null : Say($"Short circuit or pulsed.")
            ),
            RefusedFor.BurnsThrough
        );

    // What to heed at this current; null where the wire runs as it usually does.
    private static Caution? CautionFor(ProcessFacts process, WireFacts wire, Current wanted, Current amps)
    {
        var range = wire.RangeIn(process.Process)!;
        var next = wire.NextAbove(process.Process);
        if (amps < wanted * Amperes.LeastShare)
        {
            return new(
                Sentences(
                    Say($"{wire.Name} wire carries {range.Most} at the most in {process.Name}; this plate and joint ask for {wanted}."),
                    Say($"Risk of lack of fusion: bevel or preheat, lay the passes at this current and travel, and prove it by a section."),
                    next is null
                        ? Say($"Better: another transfer mode or flux-cored wire.")
                        : Say($"Better: {Carrying(process, next, wanted).Name} wire.")
                ),
                true
            );
        }
        if (amps > wanted)
        {
            return new(
                Sentences(
                    process.LeastShare < 1
                        ? Say($"{amps} is the least {wire.Name} wire holds an arc at; this plate and joint ask for {wanted}.")
                        : Say($"{amps} is the least at which this wire sprays; this plate and joint ask for {wanted}."),
                    Say($"Keep moving, or it burns through."),
                    Thinner(process, wire, wanted)
                ),
                true
            );
        }
        if (amps > range.UsualHigh)
        {
            return new(
                Sentences(
                    Say(
                        $"{amps} is past the usual top of {wire.Name} wire in {process.Name} ({Usual(range)}): drops grow big, "
                            + $"and the bead may lie on the plate without biting."
                    ),
                    next is null
                        ? Say($"Lay two passes, or use another transfer mode.")
                        : Say($"Go up to {next.Name} wire, or lay more passes.")
                ),
                true
            );
        }
        if (amps >= range.UsualLow)
            return null;
        return new(
            Sentences(
                Say($"{amps} is under the usual range of {wire.Name} wire ({Usual(range)}): it starts hard and holds badly."),
                Wires.All.Any(row => row.Kind == wire.Kind && row.Diameter < wire.Diameter) ? Say($"A thinner wire runs calmer.") : null
            ),
            false
        );
    }

    private static WireFacts Carrying(ProcessFacts process, WireFacts atLeast, Current wanted)
    {
        var wire = atLeast;
        while (wanted * Amperes.LeastShare > wire.RangeIn(process.Process)!.Most && wire.NextAbove(process.Process) is { } next)
            wire = next;
        return wire;
    }

    // The thickest thinner wire that runs at what is wanted.
    private static Said? Thinner(ProcessFacts process, WireFacts wire, Current wanted)
    {
        var thinner = Wires.All.LastOrDefault(row =>
            row.Kind == wire.Kind
            && row.Diameter < wire.Diameter
            && row.RangeIn(process.Process) is { } range
            && LeastOf(process, range) <= wanted
            && wanted * Amperes.LeastShare <= range.Most
        );
        return thinner is null ? null : Say($"Go down to {thinner.Name} wire.");
    }
}
