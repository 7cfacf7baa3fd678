using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>One rule on what goes together.</summary>
/// <param name="Field">The part of the job that stands in the way: "process", "metal", "joint", "position", "wire", "gas", "polarity".</param>
/// <param name="Refuses">Whether it refuses; otherwise it cautions.</param>
/// <param name="Holds">Whether the rule speaks of a job.</param>
/// <param name="Text">Why, and what would do.</param>
public sealed record CombinationRule(string Field, bool Refuses, Func<Job, bool> Holds, Func<Job, string> Text);

/// <summary>Which process, metal, joint, position, wire and gas go together, as a table.</summary>
/// <remarks>Common practice, no source, but for the gas limits of spray (AWS Welding Handbook, from memory).</remarks>
public static class Combinations
{
    // Spray wants an argon-rich gas; from here on it is at the edge, and past the next it never comes.
    private const double SprayCarbonEdge = 10;
    private const double SprayCarbonMost = 20;

    /// <summary>Every rule; the first that refuses decides.</summary>
    public static IReadOnlyList<CombinationRule> Table { get; } =
    [
        // Process and metal.
        Refuse("metal", job => job.Process == Process.GtawAc && job.Metal.Facts().Tig != Process.GtawAc, job => $"AC is for aluminium and magnesium: on {Name(job)} it only roughens the puddle. TIG, DC, torch on minus."),
        Refuse("metal", job => job.Process == Process.GtawDc && job.Metal.Facts().Tig == Process.GtawAc, job => $"DC minus leaves the oxide skin on {Name(job)}: the puddle does not wet. TIG, AC."),
        Refuse("metal", job => job.Process.IsGmaw() && job.Metal > Metal.Aluminium, job => $"There is no MIG sheet for {Name(job)} here: TIG."),
        Refuse("metal", job => IsCored(job) && !job.Metal.IsSteel(), job => $"The flux-cored wires here are for mild and low-alloy steel, not for {Name(job)}."),
        Refuse("polarity", job => job.Polarity is { } given && given != job.Process.Facts().Polarity, job => $"{job.Process.Facts().Name} runs on {job.Process.Facts().Polarity.Words()}. {job.Process.Facts().PolarityWrong}"),

        // Wire.
        Refuse("wire", job => job.Process.Facts().FeedsWire && job.Wire is null, _ => "Which wire?"),
        Refuse("wire", job => job.Process.IsGtaw() && job.Wire is not null, _ => "TIG feeds no wire: the rod is on the sheet."),
        Refuse("wire", job => job.Wire is { } wire && wire.Facts().Kind != KindFor(job), job => $"{job.Process.Facts().Name} on {Name(job)} takes {KindFor(job).Words()} wire."),
        Refuse("wire", job => job.Wire is { } wire && wire.Facts().RangeIn(job.Process) is null, job => $"{job.Wire!.Value.Facts().Name} wire is not used in {job.Process.Facts().Name}. {Sizes(job)}"),

        // Gas.
        Refuse("gas", job => job.Process == Process.FcawSelfShielded && job.Gas != Gas.None, _ => "Self-shielded wire makes its own gas: no gas."),
        Refuse("gas", job => job.Process != Process.FcawSelfShielded && job.Gas == Gas.None, job => $"{job.Process.Facts().Name} without gas is all holes. Which gas?"),
        Refuse("gas", job => job.Process.IsGtaw() && !job.Gas.Facts().Inert, _ => "CO₂ or oxygen burns the tungsten away: argon, or argon with helium."),
        Refuse("gas", job => job.Metal == Metal.Aluminium && !job.Gas.Facts().Inert, _ => "Aluminium under CO₂ or oxygen comes out black and full of holes: argon, or argon with helium."),
        Refuse("gas", job => job.Process == Process.FcawGasShielded && job.Gas is not (Gas.ArgonCarbon18 or Gas.ArgonCarbon25 or Gas.Carbon), _ => "Gas-shielded flux-cored wire is made for 75/25, 82/18 or CO₂: with less CO₂ the slag and the alloy come out wrong."),
        Refuse("gas", job => job.Process.IsGmaw() && (job.Metal.IsSteel() || job.Metal == Metal.Stainless) && job.Gas.Facts().Inert, _ => "Under pure argon or helium the arc wanders on steel and undercuts: a gas with some CO₂ or oxygen."),
        Refuse("gas", job => job.Process is Process.GmawSpray or Process.GmawPulsed && job.Gas.Facts().CarbonPercent > SprayCarbonMost, job => $"{job.Process.Facts().Name} never comes in {job.Gas.Facts().Name}: the drops stay big at any current. 90/10 or leaner, or argon with 2 % O₂."),
        Refuse("gas", job => job.Metal == Metal.Stainless && job.Process.IsGmaw() && job.Gas == Gas.Carbon, _ => "Pure CO₂ puts carbon into stainless: it rusts. 98/2, or the helium mix."),
        Refuse("gas", job => job.Metal == Metal.Stainless && job.Process is Process.GmawSpray or Process.GmawPulsed && job.Gas.Facts().CarbonPercent > SprayCarbonEdge, _ => "That much CO₂ puts carbon into stainless: argon with 2 % CO₂ or 2 % O₂."),
        Refuse("gas", job => job.Process == Process.GmawGlobular && job.Gas.Facts().CarbonPercent < SprayCarbonEdge, job => $"{job.Gas.Facts().Name} goes over into spray instead of big drops: plan spray, or take a gas with more CO₂."),
        Caution("gas", job => job.Process is Process.GmawSpray or Process.GmawPulsed && job.Gas.Facts().CarbonPercent is > SprayCarbonEdge and <= SprayCarbonMost, job => $"{job.Gas.Facts().Name} is at the edge for {job.Process.Facts().Name}: spray begins at more current, and with more spatter, than the table for leaner gas says."),
        Caution("gas", job => job.Process == Process.GmawShortCircuit && job.Metal.IsSteel() && job.Gas is Gas.ArgonOxygen2 or Gas.ArgonCarbon2, job => $"{job.Gas.Facts().Name} is made for spray: in short circuit it bites little and stands tall. Thin sheet likes less CO₂, thicker plate more."),
        Caution("gas", job => job.Metal == Metal.Stainless && job.Process.IsGmaw() && job.Gas.Facts().CarbonPercent >= SprayCarbonEdge, _ => "This gas puts carbon into stainless: good enough to practise on, not for parts that must not rust."),
        Caution("gas", job => job.Metal.IsSteel() && job.Gas == Gas.HeliumMix, _ => "The helium mix is made for stainless and costs accordingly; 75/25 does as well here."),
        Caution("wire", job => job.Metal == Metal.LowAlloySteel && job.Wire is { } wire && wire.Facts().Kind == WireKind.SolidSteel, _ => "A plain steel wire is weaker than most low-alloy plate: the steel's own procedure names the wire."),
        Caution("process", job => job.Process == Process.GmawShortCircuit && job.Metal == Metal.Aluminium, _ => "Short circuit lies cold on aluminium: for thin practice pieces only. Pulsed, or TIG, for anything that must hold."),

        // Position.
        Refuse("position", job => job.Process == Process.GmawSpray && job.Metal != Metal.Aluminium && OutOfPosition(job), job => $"Spray is too fluid {Words(job)}: it falls out of the joint. Short circuit, pulsed or flux-cored."),
        Caution("position", job => job.Process == Process.GmawSpray && job.Metal == Metal.Aluminium && OutOfPosition(job), job => $"Spray on aluminium {Words(job)} takes a quick hand; pulsed is calmer."),
        Refuse("position", job => job.Process == Process.GmawGlobular && OutOfPosition(job), job => $"Big drops do not cross {Words(job)}: flat and horizontal only. Short circuit, pulsed or flux-cored."),
        Refuse("position", job => job.Process == Process.FcawGasShielded && job.Position == Position.VerticalDown, _ => "Downhill the slag runs ahead of the puddle and is trapped. Uphill."),
        Caution("position", job => job.Process == Process.FcawSelfShielded && job.Position == Position.VerticalDown, _ => "Downhill the slag runs ahead: only with a wire made for it, fast, on thin plate. Otherwise uphill."),
        Caution("position", job => job.Position == Position.VerticalDown && job.Process != Process.FcawSelfShielded && job.Thinner.Mm > 5, _ => "Downhill on plate this thick the puddle runs ahead and lies on the plate unfused. Uphill."),
        Caution("position", job => job.Process.IsGtaw() && job.Position == Position.VerticalDown, _ => "TIG is welded uphill; downhill the puddle runs ahead of the arc."),
        Caution("position", job => job.Joint == Joint.Plug && OutOfPosition(job), job => $"A plug {Words(job)} fills unevenly: turn the work flat if it can be turned."),

        // Joint and thickness.
        Refuse("joint", job => job.Joint == Joint.VButt && job.Thinner.Mm < 3, _ => "There is nothing to bevel under 3 mm: a square butt."),
        Refuse("joint", job => job.Joint == Joint.SquareButt && job.Thinner.Mm > 6.4, _ => "A square butt this thick stays unfused in the middle: bevel it, a V butt."),
        Caution("joint", job => job.Joint == Joint.SquareButt && job.Thinner.Mm is > 3.2 and <= 6.4, _ => "From 3 mm a square butt fuses through only from both sides, or with a bevel."),
        Caution("joint", job => job.Joint == Joint.Edge && job.Thicker.Mm is > 4 and <= 6.4, _ => "An edge weld this thick melts only the rim: it holds little. A corner or a butt carries more."),
        Refuse("joint", job => job.Joint == Joint.Edge && job.Thicker.Mm > 6.4, _ => "An edge weld on plate this thick melts only the rim: a corner, or a butt with a bevel."),
        Refuse("joint", job => job.Joint == Joint.Plug && job.Thickness.Value.Mm > 12, _ => "A plug through plate this thick cannot be filled soundly in one go: a fillet in a slot, or another joint."),
        Refuse("joint", job => job.Joint == Joint.Plug && job.Process.IsGtaw(), _ => "Plugs are filled from a wire, by time: MIG or flux-cored."),
        Caution("wire", job => job.Process == Process.FcawSelfShielded && job.Thinner.Mm < 1.2, _ => "Self-shielded wire burns through sheet this thin: solid wire under gas is calmer."),
        Caution("process", job => job.Process == Process.GmawShortCircuit && job.Thinner > PlateAmps.RuleEnds, _ => "Short circuit on plate this thick can lie in the joint without biting, and look good: only a section proves it. Spray, flux-cored, or preheat and small passes."),
        Caution("metal", job => job.Process.IsGtaw() && job.Metal > Metal.Aluminium, job => $"The amps rule is steel's. For {Name(job)} take it as a first guess, on scrap."),
        Caution("thickness", job => !job.Metal.IsSteel() && (job.Thickness.IsGauge() || job.OtherThickness?.IsGauge() == true), job => $"Gauge numbers were read as steel gauge; {Name(job)} sheet is numbered otherwise. Measure it and type millimetres or inches."),
    ];

    private static readonly CombinationRule[] Refusals = [.. Table.Where(rule => rule.Refuses)];
    private static readonly CombinationRule[] Warnings = [.. Table.Where(rule => !rule.Refuses)];

    /// <summary>Why a job cannot be, or null.</summary>
    public static Refusal? Refused(Job job)
    {
        foreach (var rule in Refusals)
        {
            if (rule.Holds(job)) return new Refusal(rule.Field, rule.Text(job), RefusedFor.Combination);
        }
        return null;
    }

    /// <summary>Adds what to heed with a job that can be.</summary>
    public static void AddCautions(Job job, List<Caution> cautions)
    {
        foreach (var rule in Warnings)
        {
            if (rule.Holds(job)) cautions.Add(new Caution(rule.Text(job), rule.Field is "process" or "position" or "joint"));
        }
    }

    /// <summary>The kind of wire a process takes on a metal.</summary>
    public static WireKind KindFor(Job job) => job.Process switch
    {
        Process.FcawSelfShielded => WireKind.SelfShielded,
        Process.FcawGasShielded => WireKind.GasShielded,
        _ => job.Metal switch { Metal.Stainless => WireKind.Stainless, Metal.Aluminium => WireKind.Aluminium, _ => WireKind.SolidSteel },
    };

    private static CombinationRule Refuse(string field, Func<Job, bool> holds, Func<Job, string> text) => new(field, true, holds, text);

    private static CombinationRule Caution(string field, Func<Job, bool> holds, Func<Job, string> text) => new(field, false, holds, text);

    private static bool IsCored(Job job) => job.Process is Process.FcawSelfShielded or Process.FcawGasShielded;

    private static bool OutOfPosition(Job job) => job.Position.Facts().Thinner;

    private static string Name(Job job) => job.Metal.Facts().Name;

    private static string Words(Job job) => job.Position.Facts().Words;

    private static string Sizes(Job job) =>
        $"It runs with {string.Join(", ", Wires.All.Where(wire => wire.Kind == KindFor(job) && wire.RangeIn(job.Process) is not null).Select(wire => Show.Number(wire.Diameter.Mm, "0.0")))} mm.";
}
