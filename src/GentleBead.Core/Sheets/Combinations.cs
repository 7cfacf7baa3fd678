using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>What a rule on what goes together does.</summary>
public enum RuleEffect
{
    /// <summary>There is no sheet.</summary>
    Refuses,

    /// <summary>A caution: somebody can be hurt or the weld can fail.</summary>
    Warns,

    /// <summary>A caution of less weight.</summary>
    Notes,
}

/// <summary>One rule on what goes together.</summary>
/// <param name="Part">The part of the job that stands in the way.</param>
/// <param name="Effect">What it does.</param>
/// <param name="Holds">Whether the rule speaks of a job.</param>
/// <param name="Text">Why, and what would do.</param>
public sealed record CombinationRule(JobPart Part, RuleEffect Effect, Func<Job, bool> Holds, Func<Job, Said> Text);

/// <summary>Which process, metal, joint, position, wire and gas go together, as a table.</summary>
/// <remarks>Common practice, no source, but for the gas limits of spray (AWS Welding Handbook, from memory).</remarks>
public static class Combinations
{
    // Spray wants an argon-rich gas; from here on it is at the edge, and past the next it never comes.
    private const double SprayCarbonEdge = 10;
    internal const double SprayCarbonMost = 20;

    /// <summary>Every rule; the first that refuses decides.</summary>
    public static IReadOnlyList<CombinationRule> Table { get; } =
    [
        // Process and metal.
        Refuse(
            JobPart.Metal,
            job => job.Process == Process.GtawAc && job.Metal.Facts().Tig != Process.GtawAc,
            job => Say($"AC is for aluminium and magnesium: on {Name(job)} it only roughens the puddle. TIG, DC, torch on minus.")
        ),
        Refuse(
            JobPart.Metal,
            job => job.Process == Process.GtawDc && job.Metal.Facts().Tig == Process.GtawAc,
            job => Say($"DC minus leaves the oxide skin on {Name(job)}: the puddle does not wet. TIG, AC.")
        ),
        Refuse(
            JobPart.Metal,
            job => job.Process.IsGmaw() && job.Metal.Facts().Wire is null,
            job => Say($"There is no MIG sheet for {Name(job)} here: TIG.")
        ),
        Refuse(
            JobPart.Metal,
            job => IsCored(job) && !job.Metal.IsSteel(),
            job => Say($"The flux-cored wires here are for mild and low-alloy steel, not for {Name(job)}.")
        ),
        Refuse(
            JobPart.Polarity,
            job => job.Polarity is { } given && given != job.Process.Facts().Polarity,
            job => Say($"{job.Process.Facts().Name} runs on {job.Process.Facts().Polarity.Words()}. {job.Process.Facts().PolarityWrong}")
        ),
        // Wire.
        Refuse(JobPart.Wire, job => job.Process.Facts().FeedsWire && job.Wire is null, _ => Say($"Which wire?")),
        Refuse(JobPart.Wire, job => job.Process.IsGtaw() && job.Wire is not null, _ => Say($"TIG feeds no wire: the rod is on the sheet.")),
        Refuse(
            JobPart.Wire,
            job => job.Wire is { } wire && wire.Facts().Kind != KindFor(job),
            job => Say($"{job.Process.Facts().Name} on {Name(job)} takes {KindFor(job).Words()} wire.")
        ),
        Refuse(
            JobPart.Wire,
            job => job.Wire is { } wire && wire.Facts().RangeIn(job.Process) is null,
            job => Say($"{job.Wire!.Value.Facts().Name} wire is not used in {job.Process.Facts().Name}. {Sizes(job)}")
        ),
        // Gas.
        Refuse(
            JobPart.Gas,
            job => job.Process == Process.FcawSelfShielded && job.Gas != Gas.None,
            _ => Say($"Self-shielded wire makes its own gas: no gas.")
        ),
        Refuse(
            JobPart.Gas,
            job => job.Process != Process.FcawSelfShielded && job.Gas == Gas.None,
            job => Say($"{job.Process.Facts().Name} without gas is all holes. Which gas?")
        ),
        Refuse(
            JobPart.Gas,
            job => job.Process.IsGtaw() && !job.Gas.Facts().Inert,
            _ => Say($"CO₂ or oxygen burns the tungsten away: argon, or argon with helium.")
        ),
        Refuse(
            JobPart.Gas,
            job => job.Metal == Metal.Aluminium && !job.Gas.Facts().Inert,
            _ => Say($"Aluminium under CO₂ or oxygen comes out black and full of holes: argon, or argon with helium.")
        ),
        Refuse(
            JobPart.Gas,
            job => job.Process == Process.FcawGasShielded && job.Gas is not (Gas.ArgonCarbon18 or Gas.ArgonCarbon25 or Gas.Carbon),
            _ => Say($"Gas-shielded flux-cored wire is made for 75/25, 82/18 or CO₂: with less of it slag and alloy come out wrong.")
        ),
        Refuse(
            JobPart.Gas,
            job => job.Process.IsGmaw() && (job.Metal.IsSteel() || job.Metal == Metal.Stainless) && job.Gas.Facts().Inert,
            _ => Say($"Under pure argon or helium the arc wanders on steel and undercuts: a gas with some CO₂ or oxygen.")
        ),
        Refuse(
            JobPart.Gas,
            job => job.Process is Process.GmawSpray or Process.GmawPulsed && job.Gas.Facts().CarbonPercent > SprayCarbonMost,
            job =>
                Say(
                    $"{job.Process.Facts().Name} never comes in {job.Gas.Facts().Name}: the drops stay big at any current. 90/10 "
                        + $"or leaner, or argon with 2 % O₂."
                )
        ),
        Refuse(
            JobPart.Gas,
            job => job.Metal == Metal.Stainless && job.Process.IsGmaw() && job.Gas == Gas.Carbon,
            _ => Say($"Pure CO₂ puts carbon into stainless: it rusts. 98/2, or the helium mix.")
        ),
        Refuse(
            JobPart.Gas,
            job =>
                job.Metal == Metal.Stainless
                && job.Process is Process.GmawSpray or Process.GmawPulsed
                && job.Gas.Facts().CarbonPercent > SprayCarbonEdge,
            _ => Say($"That much CO₂ puts carbon into stainless: argon with 2 % CO₂ or 2 % O₂.")
        ),
        Refuse(
            JobPart.Gas,
            job => job.Process == Process.GmawGlobular && job.Gas.Facts().CarbonPercent < SprayCarbonEdge,
            job => Say($"{job.Gas.Facts().Name} goes over into spray instead of big drops: plan spray, or take a gas with more CO₂.")
        ),
        Note(
            JobPart.Gas,
            job =>
                job.Process is Process.GmawSpray or Process.GmawPulsed
                && job.Gas.Facts().CarbonPercent is > SprayCarbonEdge and <= SprayCarbonMost,
            job =>
                Say(
                    $"{job.Gas.Facts().Name} is at the edge for {job.Process.Facts().Name}: spray begins at more current, and "
                        + $"with more spatter, than the table for leaner gas says."
                )
        ),
        Note(
            JobPart.Gas,
            job => job.Process == Process.GmawShortCircuit && job.Metal.IsSteel() && job.Gas is Gas.ArgonOxygen2 or Gas.ArgonCarbon2,
            job =>
                Say(
                    $"{job.Gas.Facts().Name} is made for spray: in short circuit it bites little and stands tall. Thin sheet "
                        + $"likes less CO₂, thicker plate more."
                )
        ),
        Note(
            JobPart.Gas,
            job => job.Metal == Metal.Stainless && job.Process.IsGmaw() && job.Gas.Facts().CarbonPercent >= SprayCarbonEdge,
            _ => Say($"This gas puts carbon into stainless: good enough to practise on, not for parts that must not rust.")
        ),
        Note(
            JobPart.Gas,
            job => job.Metal.IsSteel() && job.Gas == Gas.HeliumMix,
            _ => Say($"The helium mix is made for stainless and costs accordingly; 75/25 does as well here.")
        ),
        Note(
            JobPart.Wire,
            job => job.Metal == Metal.LowAlloySteel && job.Wire is { } wire && wire.Facts().Kind == WireKind.SolidSteel,
            _ => Say($"A plain steel wire is weaker than most low-alloy plate: the steel's own procedure names the wire.")
        ),
        Warn(
            JobPart.Process,
            job => job.Process == Process.GmawShortCircuit && job.Metal == Metal.Aluminium,
            _ => Say($"Short circuit lies cold on aluminium: for thin practice pieces only. Pulsed, or TIG, for anything that must hold.")
        ),
        // Position.
        Refuse(
            JobPart.Position,
            job => job.Process == Process.GmawSpray && job.Metal != Metal.Aluminium && OutOfPosition(job),
            job => Say($"Spray is too fluid {Words(job)}: it falls out of the joint. Short circuit, pulsed or flux-cored.")
        ),
        Warn(
            JobPart.Position,
            job => job.Process == Process.GmawSpray && job.Metal == Metal.Aluminium && OutOfPosition(job),
            job => Say($"Spray on aluminium {Words(job)} takes a quick hand; pulsed is calmer.")
        ),
        Refuse(
            JobPart.Position,
            job => job.Process == Process.GmawGlobular && OutOfPosition(job),
            job => Say($"Big drops do not cross {Words(job)}: flat and horizontal only. Short circuit, pulsed or flux-cored.")
        ),
        Refuse(
            JobPart.Position,
            job => job.Process == Process.FcawGasShielded && job.Position == Position.VerticalDown,
            _ => Say($"Downhill the slag runs ahead of the puddle and is trapped. Uphill.")
        ),
        Warn(
            JobPart.Position,
            job => job.Process == Process.FcawSelfShielded && job.Position == Position.VerticalDown,
            _ => Say($"Downhill the slag runs ahead: only with a wire made for it, fast, on thin plate. Otherwise uphill.")
        ),
        Warn(
            JobPart.Position,
            job => job.Position == Position.VerticalDown && job.Process != Process.FcawSelfShielded && Over(job.Thinner, 5),
            _ => Say($"Downhill on plate this thick the puddle runs ahead and lies on the plate unfused. Uphill.")
        ),
        Warn(
            JobPart.Position,
            job => job.Process.IsGtaw() && job.Position == Position.VerticalDown,
            _ => Say($"TIG is welded uphill; downhill the puddle runs ahead of the arc.")
        ),
        Warn(
            JobPart.Position,
            job => job.Joint == Joint.Plug && OutOfPosition(job),
            job => Say($"A plug {Words(job)} fills unevenly: turn the work flat if it can be turned.")
        ),
        // Joint and thickness.
        Refuse(
            JobPart.Joint,
            job => job.Joint == Joint.VButt && Under(job.Thinner, 3),
            _ => Say($"There is nothing to bevel under 3 mm: a square butt.")
        ),
        Refuse(
            JobPart.Joint,
            job => job.Joint == Joint.SquareButt && Over(job.Thinner, 6.4),
            _ => Say($"A square butt this thick stays unfused in the middle: bevel it, a V butt.")
        ),
        Warn(
            JobPart.Joint,
            job => job.Joint == Joint.SquareButt && Over(job.Thinner, 3.2) && !Over(job.Thinner, 6.4),
            _ => Say($"From 3 mm a square butt fuses through only from both sides, or with a bevel.")
        ),
        Warn(
            JobPart.Joint,
            job => job.Joint == Joint.Edge && Over(job.Thicker, 4) && !Over(job.Thicker, 6.4),
            _ => Say($"An edge weld this thick melts only the rim: it holds little. A corner or a butt carries more.")
        ),
        Refuse(
            JobPart.Joint,
            job => job.Joint == Joint.Edge && Over(job.Thicker, 6.4),
            _ => Say($"An edge weld on plate this thick melts only the rim: a corner, or a butt with a bevel.")
        ),
        Refuse(
            JobPart.Joint,
            job => job.Joint == Joint.Plug && Over(job.Thickness.Value, 12),
            _ => Say($"A plug through plate this thick cannot be filled soundly in one go: a fillet in a slot, or another joint.")
        ),
        Refuse(
            JobPart.Joint,
            job => job.Joint == Joint.Plug && job.Process.IsGtaw(),
            _ => Say($"Plugs are filled from a wire, by time: MIG or flux-cored.")
        ),
        Note(
            JobPart.Wire,
            job => job.Process == Process.FcawSelfShielded && Under(job.Thinner, 1.2),
            _ => Say($"Self-shielded wire burns through sheet this thin: solid wire under gas is calmer.")
        ),
        Warn(
            JobPart.Process,
            job => job.Process == Process.GmawShortCircuit && job.Thinner > PlateAmps.RuleEnds,
            _ =>
                Say(
                    $"Short circuit on plate this thick can lie in the joint without biting, and look good: only a section "
                        + $"proves it. Spray, flux-cored, or preheat and small passes."
                )
        ),
        Note(
            JobPart.Metal,
            job => job.Process.IsGtaw() && job.Metal.Facts().AmpsAreAGuess,
            job => Say($"The amps rule is steel's. For {Name(job)} take it as a first guess, on scrap.")
        ),
        Note(
            JobPart.Thickness,
            job => !job.Metal.IsSteel() && (job.Thickness.IsGauge() || job.OtherThickness?.IsGauge() == true),
            job =>
                Say(
                    $"Gauge numbers were read as steel gauge; {Name(job)} sheet is numbered otherwise. Measure it and type "
                        + $"millimetres or inches."
                )
        ),
    ];

    private static readonly CombinationRule[] Refusals = [.. Table.Where(rule => rule.Effect == RuleEffect.Refuses)];
    private static readonly CombinationRule[] Warnings = [.. Table.Where(rule => rule.Effect != RuleEffect.Refuses)];

    /// <summary>Why a job cannot be, or null.</summary>
    public static Refusal? Refused(Job job)
    {
        foreach (var rule in Refusals)
        {
            if (rule.Holds(job))
                return new Refusal(rule.Part, rule.Text(job), RefusedFor.Combination);
        }
        return null;
    }

    /// <summary>What to heed with a job that can be.</summary>
    public static IEnumerable<Caution> Cautions(Job job) =>
        Warnings.Where(rule => rule.Holds(job)).Select(rule => new Caution(rule.Text(job), rule.Effect == RuleEffect.Warns));

    /// <summary>The kind of wire a process takes on a metal.</summary>
    public static WireKind KindFor(Job job) => job.Process.Facts().OwnWire ?? job.Metal.Facts().Wire ?? WireKind.SolidSteel;

    private static CombinationRule Refuse(JobPart part, Func<Job, bool> holds, Func<Job, Said> text) =>
        new(part, RuleEffect.Refuses, holds, text);

    private static CombinationRule Warn(JobPart part, Func<Job, bool> holds, Func<Job, Said> text) =>
        new(part, RuleEffect.Warns, holds, text);

    private static CombinationRule Note(JobPart part, Func<Job, bool> holds, Func<Job, Said> text) =>
        new(part, RuleEffect.Notes, holds, text);

    private static bool IsCored(Job job) => job.Process.Facts().Arc == ArcKind.CoredWire;

    // A plate typed in inches and one in millimetres stand on the same side of a limit.
    private static bool Over(Length length, double mm) => length.Mm > mm + 1e-6;

    private static bool Under(Length length, double mm) => length.Mm < mm - 1e-6;

    private static bool OutOfPosition(Job job) => job.Position.Facts().Thinner;

    private static Said Name(Job job) => job.Metal.Facts().Name;

    private static Said Words(Job job) => job.Position.Facts().Words;

    private static Said Sizes(Job job)
    {
        var fitting = Wires.All.Where(wire => wire.Kind == KindFor(job) && wire.RangeIn(job.Process) is not null);
        return Say($"It runs with {fitting.Select(wire => wire.Name)}.");
    }
}
