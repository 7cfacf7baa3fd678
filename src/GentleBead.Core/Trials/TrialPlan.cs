using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Trials;

/// <summary>The trials an instructor sets.</summary>
public enum TrialKind
{
    /// <summary>A bead with far too much wire, one with far too little, one right.</summary>
    WireLadder,

    /// <summary>A bead with far too many volts, one with far too few, one right.</summary>
    VoltLadder,

    /// <summary>The sheet's pair, then one thing down and up, all else held.</summary>
    OneVariable,

    /// <summary>Wire held, volts from far too low up a step at a time until it goes ragged.</summary>
    Staircase,

    /// <summary>The same settings on an outside corner, a lap and a T.</summary>
    JointTransfer,

    /// <summary>Downhill against horizontal.</summary>
    PositionPair,

    /// <summary>Too cold, too hot, right, on separate pieces.</summary>
    SetOfThree,

    /// <summary>TIG: amps from under to over.</summary>
    AmpsLadder,
}

/// <summary>What is varied.</summary>
public enum Variable
{
    /// <summary>Wire feed speed.</summary>
    Wire,

    /// <summary>Volts.</summary>
    Volts,

    /// <summary>Wire with the volts following.</summary>
    Pair,

    /// <summary>Current.</summary>
    Amps,

    /// <summary>The joint.</summary>
    Joint,

    /// <summary>The position.</summary>
    Position,
}

/// <summary>Which way a one-variable trial goes.</summary>
public enum Way
{
    /// <summary>Down, then up.</summary>
    Both,

    /// <summary>Down only.</summary>
    Down,

    /// <summary>Up only.</summary>
    Up,
}

/// <summary>What an instructor asks for.</summary>
/// <param name="Kind">Which trial.</param>
/// <param name="Variable">One-variable trial: wire or volts; else not looked at.</param>
/// <param name="Way">One-variable trial: which way.</param>
/// <param name="WireStep">Step in wire; null for 100 in/min.</param>
/// <param name="StepVolts">Step in volts; null for 3 V, in a staircase 1 V.</param>
public sealed record TrialRequest(
    TrialKind Kind,
    Variable Variable = Variable.Wire,
    Way Way = Way.Both,
    WireFeedSpeed? WireStep = null,
    Voltage? StepVolts = null
);

/// <summary>One bead of a trial.</summary>
/// <param name="Number">From 1, in the order they are laid.</param>
/// <param name="Title">"Far too much wire".</param>
/// <param name="Value">What the variable stands at: m/min, V or A; the step's number where it is no number.</param>
/// <param name="Used">The pair to set; null for TIG.</param>
/// <param name="Amps">The current to set; null for a fed wire.</param>
/// <param name="WireMark">Where the wire control is to stand; null without readings.</param>
/// <param name="VoltMark">Where the volt control is to stand; null without readings.</param>
/// <param name="AmpMark">Where the current control is to stand; null without readings.</param>
/// <param name="Reads">The marks in the machine's own words.</param>
/// <param name="Sheet">The sheet this bead is judged by, where joint or position are not the trial's own; null for the trial's.</param>
public sealed record TrialStep(
    int Number,
    Said Title,
    double Value,
    Settings? Used,
    Current? Amps,
    double? WireMark,
    double? VoltMark,
    double? AmpMark,
    Said Reads,
    Sheet? Sheet
);

/// <summary>A trial, ready to be welded.</summary>
/// <param name="Kind">Which trial.</param>
/// <param name="Variable">What is varied.</param>
/// <param name="Title">Its name.</param>
/// <param name="Question">What it is to answer.</param>
/// <param name="Hold">What must stay the same.</param>
/// <param name="Steps">The beads, in order.</param>
/// <param name="MayStopEarly">Whether it ends when the arc goes ragged.</param>
public sealed record TrialPlan(
    TrialKind Kind,
    Variable Variable,
    Said Title,
    Said Question,
    IReadOnlyList<Said> Hold,
    IReadOnlyList<TrialStep> Steps,
    bool MayStopEarly
)
{
    /// <summary>The steps without a fair bead, in order.</summary>
    /// <param name="fair">Steps that have one.</param>
    public IEnumerable<int> OpenSteps(IReadOnlySet<int> fair) => Steps.Select(step => step.Number).Where(number => !fair.Contains(number));
}
