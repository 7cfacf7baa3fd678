using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>From plate, joint and position to the current they ask for.</summary>
internal static class Amperes
{
    /// <summary>The current a job asks for, with its reasons.</summary>
    public static Current Wanted(Job job, School school, List<Reason> reasons)
    {
        var joint = job.Joint.Facts();
        var (set, how) = SetThickness(job, school.Position);
        var thickness = job.Thickness.Value;
        var gauge = SteelGauge.Nearest(thickness) is { } number && job.Metal.IsSteel() ? $", about {number} ga" : "";
        var plate = PlateAmps.For(set);
        reasons.Add(new("plateAmps", "One ampere for each thousandth of an inch",
            $"\"{job.Thickness.Typed}\" is {Show.Of(thickness)}{gauge}; {how}{Show.Number(set.Inches * 1000, "0")} thousandths", Show.Of(plate), Source.CommonPractice, []));
        var wanted = plate * joint.HeatFactor;
        reasons.Add(new("jointAmps", "Heat paths of the joint",
            $"{joint.Name}: {joint.HeatWhy}; {Show.Of(plate)} x {Show.Number(joint.HeatFactor)}{(job.Position.Facts().Thinner ? "" : ". Flat and horizontal take the same")}",
            Show.Of(wanted), Source.CommonPractice, ["plateAmps"]));
        return wanted;
    }

    /// <summary>The same current without its reasons, by another position rule.</summary>
    public static Current By(Job job, PositionRule rule) => PlateAmps.For(SetThickness(job, rule).Set) * job.Joint.Facts().HeatFactor;

    /// <summary>The one thickness a job is set for, and in words how it came about.</summary>
    public static (Length Set, string How) SetThickness(Job job, PositionRule rule)
    {
        var set = job.Thickness.Value;
        var how = "";
        if (job.OtherThickness is { } other)
        {
            set = PlateAmps.SetFor(job.Thinner, job.Thicker);
            how = $"the other member \"{other.Typed}\" is {Show.Of(other.Value)}: set for {Show.Of(set)}, between the two, aimed at the thicker; ";
        }
        if (set > PlateAmps.RuleEnds)
        {
            set = PlateAmps.RuleEnds;
            how += $"past {Show.Of(PlateAmps.RuleEnds)} it takes more passes, not more amps; ";
        }
        var steps = School.StepsThinner(rule);
        if (job.Position.Facts().Thinner && steps > 0)
        {
            set = PlateSteps.Thinner(set, steps);
            how += $"{job.Position.Facts().Words} takes the settings of the {(steps == 1 ? "next" : "second")} thinner plate, {Show.Of(set)}; ";
        }
        return (set, how);
    }

    /// <summary>
    /// The current a wire is run at for what the plate asks, with its reason. More than the wire carries is poor practice and
    /// planned at the wire's own top; a refusal only where even its least arc would burn through.
    /// </summary>
    public static (Current Amps, Refusal? Refused) WithinWire(Job job, WireFacts wire, Current wanted, List<Reason> reasons, List<Caution> cautions)
    {
        var range = wire.RangeIn(job.Process)!;
        var least = LeastOf(job.Process, range);
        if (wanted * BurnsThroughAt < least) return (default, BurnsThrough(job, wire, wanted, least));

        var usual = $"{Show.Number(range.UsualLow.Amps, "0")} to {Show.Of(range.UsualHigh)}";
        var amps = wanted > range.Most ? range.Most : wanted < least ? least : wanted;
        if (CautionFor(job, wire, wanted, amps, usual) is { } caution) cautions.Add(caution);
        var rule = amps < wanted ? "All this wire carries"
            : amps == wanted ? "Current the joint asks for"
            : job.Process == Process.GmawSpray ? "Where spray begins" : "The least this wire holds an arc at";
        reasons.Add(new("amps", rule,
            $"{Show.Of(wanted)} wanted; {wire.Name} wire usually carries {usual} in {job.Process.Facts().Name}, {Show.Of(range.Most)} at the most",
            Show.Of(amps), job.Process == Process.GmawSpray ? Source.Published : Source.CommonPractice, ["jointAmps"]));
        return (amps, null);
    }

    /// <summary>Less than this share of the plate's current lies cold on it.</summary>
    public const double LeastShareOfAmps = 0.9;

    // Metal in is metal down, so depth goes with the current at the same bead; at half as much again sheet falls out
    // (docs/arc.md: 1.4 of the plate). Common practice, no source.
    private const double BurnsThroughAt = 1.5;

    // Of a wire's usual range; under it the arc stutters and goes out. Common practice, no source.
    private const double LeastArc = 0.5;

    private static Current LeastOf(Process process, WireRange range) => process == Process.GmawSpray ? range.UsualLow : range.UsualLow * LeastArc;

    private static Refusal BurnsThrough(Job job, WireFacts wire, Current wanted, Current least)
    {
        var spray = job.Process == Process.GmawSpray;
        var begins = spray ? $"Spray with {wire.Name} wire begins at {Show.Of(least)}" : $"{wire.Name} wire does not hold an arc under about {Show.Of(least)}";
        return new("wire",
            $"This plate and joint ask for only {Show.Of(wanted)}. {begins}, which burns through. "
            + $"{Thinner(job.Process, wire, wanted)}{(spray ? " Short circuit or pulsed." : "")}".Trim(), RefusedFor.BurnsThrough);
    }

    // What to heed at this current; null where the wire runs as it usually does.
    private static Caution? CautionFor(Job job, WireFacts wire, Current wanted, Current amps, string usual)
    {
        var range = wire.RangeIn(job.Process)!;
        var process = job.Process.Facts().Name;
        var next = wire.NextAbove(job.Process);
        if (amps < wanted * LeastShareOfAmps)
        {
            var better = next is null ? "another transfer mode or flux-cored wire" : $"{Carrying(job.Process, next, wanted).Name} wire";
            return new($"{wire.Name} wire carries {Show.Of(range.Most)} at the most in {process}; this plate and joint ask for {Show.Of(wanted)}. "
                + $"Lack of fusion lurks: bevel or preheat, lay the passes at this top and this travel, and prove it by a section. Better: {better}.", true);
        }
        if (amps > wanted)
        {
            return new($"{Show.Of(amps)} is the least {(job.Process == Process.GmawSpray ? "at which this wire sprays" : $"{wire.Name} wire holds an arc at")}; "
                + $"this plate and joint ask for {Show.Of(wanted)}. Keep moving, or it burns through. {Thinner(job.Process, wire, wanted)}".TrimEnd(), true);
        }
        if (amps > range.UsualHigh)
        {
            var hotter = next is not null ? $"Go up to {next.Name} wire, or lay more passes." : "Lay two passes, or use another transfer mode.";
            return new($"{Show.Of(amps)} is past the usual top of {wire.Name} wire in {process} ({usual}): drops grow big, and the bead may lie on the plate "
                + $"without biting. {hotter}", true);
        }
        if (amps >= range.UsualLow) return null;
        var calmer = Wires.All.Any(row => row.Kind == wire.Kind && row.Diameter < wire.Diameter) ? " A thinner wire runs calmer." : "";
        return new($"{Show.Of(amps)} is under the usual range of {wire.Name} wire ({usual}): it starts hard and holds badly.{calmer}", false);
    }

    private static WireFacts Carrying(Process process, WireFacts atLeast, Current wanted)
    {
        var wire = atLeast;
        while (wanted * LeastShareOfAmps > wire.RangeIn(process)!.Most && wire.NextAbove(process) is { } next) wire = next;
        return wire;
    }

    // The thickest thinner wire that runs at what is wanted.
    private static string Thinner(Process process, WireFacts wire, Current wanted)
    {
        var thinner = Wires.All.LastOrDefault(row => row.Kind == wire.Kind && row.Diameter < wire.Diameter
            && row.RangeIn(process) is { } range && LeastOf(process, range) <= wanted && wanted * LeastShareOfAmps <= range.Most);
        return thinner is null ? "" : $"Go down to {thinner.Name} wire.";
    }
}
