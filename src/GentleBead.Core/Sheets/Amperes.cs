using GentleBead.Core.Quantities;
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
        var plate = Rules.AmpsForThickness(set);
        reasons.Add(new("plateAmps", "One ampere for each thousandth of an inch",
            $"\"{job.Thickness.Typed}\" is {Show.Of(thickness)}{gauge}; {how}{Show.Number(set.Inches * 1000, "0")} thousandths", Show.Of(plate), Source.CommonPractice, []));
        var wanted = plate * joint.HeatFactor;
        reasons.Add(new("jointAmps", "Heat paths of the joint",
            $"{joint.Name}: {joint.HeatWhy}; {Show.Of(plate)} x {Show.Number(joint.HeatFactor)}{(job.Position.Facts().Thinner ? "" : ". Flat and horizontal take the same")}",
            Show.Of(wanted), Source.CommonPractice, ["plateAmps"]));
        return wanted;
    }

    /// <summary>The same current without its reasons, by another position rule.</summary>
    public static Current By(Job job, PositionRule rule) => Rules.AmpsForThickness(SetThickness(job, rule).Set) * job.Joint.Facts().HeatFactor;

    /// <summary>The one thickness a job is set for, and in words how it came about.</summary>
    public static (Length Set, string How) SetThickness(Job job, PositionRule rule)
    {
        var set = job.Thickness.Value;
        var how = "";
        if (job.OtherThickness is { } other)
        {
            set = Rules.SetFor(job.Thinner, job.Thicker);
            how = $"the other member \"{other.Typed}\" is {Show.Of(other.Value)}: set for {Show.Of(set)}, between the two, aimed at the thicker; ";
        }
        if (set > Rules.AmpsRuleEnds)
        {
            set = Rules.AmpsRuleEnds;
            how += $"past {Show.Of(Rules.AmpsRuleEnds)} it takes more passes, not more amps; ";
        }
        var steps = School.StepsThinner(rule);
        if (job.Position.Facts().Thinner && steps > 0)
        {
            set = PlateSteps.Thinner(set, steps);
            how += $"{job.Position.Facts().Words} takes the settings of the {(steps == 1 ? "next" : "second")} thinner plate, {Show.Of(set)}; ";
        }
        return (set, how);
    }

    /// <summary>The current a wire carries of what is wanted, with its reason; a refusal when another size does the work.</summary>
    public static (Current Amps, Refusal? Refused) WithinWire(Job job, WireFacts wire, Current wanted, List<Reason> reasons, List<Caution> cautions)
    {
        var range = wire.RangeIn(job.Process)!;
        var process = job.Process.Facts();
        var next = wire.NextAbove(job.Process);
        if (wanted * LeastShareOfAmps > range.Most && next is not null)
        {
            return (default, new Refusal("wire", $"This plate and joint ask for {Show.Of(wanted)}; {wire.Name} wire carries {Show.Of(range.Most)} at the most and would leave it unfused. Go up to {Carrying(job.Process, next, wanted).Name} wire."));
        }
        if (job.Process == Process.GmawSpray && wanted < range.UsualLow * SprayReach)
        {
            return (default, new Refusal("wire", $"Spray with {wire.Name} wire begins at {Show.Of(range.UsualLow)}; this plate and joint ask for {Show.Of(wanted)}. {Thinner(job.Process, wire, wanted, row => row.UsualLow * SprayReach)} Short circuit or pulsed."));
        }
        if (wanted * 2 < range.UsualLow)
        {
            return (default, new Refusal("wire", $"This plate and joint ask for only {Show.Of(wanted)}; {wire.Name} wire does not hold an arc under about {Show.Of(range.UsualLow * 0.5)}. {Thinner(job.Process, wire, wanted, row => row.UsualLow * 0.5)}"));
        }

        var usual = $"{Show.Number(range.UsualLow.Amps, "0")} to {Show.Of(range.UsualHigh)}";
        var amps = wanted > range.Most ? range.Most : wanted;
        if (amps > range.UsualHigh)
        {
            var hotter = next is not null ? $"Go up to {next.Name} wire, or lay more passes." : "Lay two passes, or use another transfer mode.";
            cautions.Add(new($"{Show.Of(amps)} is past the usual top of {wire.Name} wire in {process.Name} ({usual}): drops grow big, and the bead may lie on the plate without biting. {hotter}", true));
        }
        else if (amps < range.UsualLow && job.Process == Process.GmawSpray)
        {
            amps = range.UsualLow;
        }
        else if (amps < range.UsualLow)
        {
            cautions.Add(new($"{Show.Of(amps)} is under the usual range of {wire.Name} wire ({usual}): it starts hard and holds badly.{(Wires.All.Any(row => row.Kind == wire.Kind && row.Diameter < wire.Diameter) ? " A thinner wire runs calmer." : "")}", false));
        }
        var rule = amps < wanted ? "All this wire carries" : amps > wanted ? "Where spray begins" : "Current the joint asks for";
        reasons.Add(new("amps", rule, $"{Show.Of(wanted)} wanted; {wire.Name} wire usually carries {usual} in {process.Name}, {Show.Of(range.Most)} at the most",
            Show.Of(amps), job.Process == Process.GmawSpray ? Source.Published : Source.CommonPractice, ["jointAmps"]));
        return (amps, null);
    }

    /// <summary>Less than this share of the plate's current makes a cold sheet.</summary>
    public const double LeastShareOfAmps = 0.9;

    // A little under where spray begins, the current is raised to it; further under, spray is refused.
    private const double SprayReach = 0.95;

    private static WireFacts Carrying(Process process, WireFacts atLeast, Current wanted)
    {
        var wire = atLeast;
        while (wanted * LeastShareOfAmps > wire.RangeIn(process)!.Most && wire.NextAbove(process) is { } next) wire = next;
        return wire;
    }

    private static string Thinner(Process process, WireFacts wire, Current wanted, Func<WireRange, Current> least)
    {
        var thinner = Wires.All.LastOrDefault(row => row.Kind == wire.Kind && row.Diameter < wire.Diameter && row.RangeIn(process) is { } range && least(range) <= wanted && wanted * LeastShareOfAmps <= range.Most);
        return thinner is null ? "" : $"Go down to {thinner.Name} wire.";
    }
}
