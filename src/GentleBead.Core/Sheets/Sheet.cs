using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>Where one control of the booth's machine is to stand.</summary>
/// <param name="Mark">The mark.</param>
/// <param name="Reads">The mark in the machine's own words.</param>
/// <param name="MarksBeyond">How many marks past the last measured point; 0 when between readings.</param>
/// <param name="SureShare">How far what it gives may stray either way, as a share.</param>
public sealed record ControlMark(double Mark, Said Reads, double MarksBeyond, double SureShare);

/// <summary>The pair in the marks of one machine, and what those marks really give.</summary>
/// <param name="Wire">Wire control.</param>
/// <param name="Volt">Volt control, or the trim on volts that follow.</param>
/// <param name="WireFeed">Wire feed speed at that mark.</param>
/// <param name="Volts">Volts at that mark.</param>
public sealed record MachineMarks(ControlMark Wire, ControlMark Volt, WireFeedSpeed WireFeed, Voltage Volts);

/// <summary>A point of the band drawn on the settings plane.</summary>
/// <param name="WireFeed">Wire feed speed.</param>
/// <param name="Low">Lower edge.</param>
/// <param name="High">Upper edge.</param>
public sealed record BandPoint(WireFeedSpeed WireFeed, Voltage Low, Voltage High);

/// <summary>What this room has found at a sheet's wire feed speed on its machine.</summary>
/// <param name="Volts">The best volts, with the band as found.</param>
/// <param name="SureVolts">One standard deviation of its edges, volts.</param>
/// <param name="Sweeps">Sweep marks behind it.</param>
/// <param name="Beads">Beads behind it.</param>
public sealed record LearnedPair(Window<Voltage> Volts, double SureVolts, int Sweeps, int Beads);

/// <summary>What a fed wire is set by.</summary>
public sealed record PairSettings
{
    /// <summary>Wire feed speed.</summary>
    public required WireFeedSpeed WireFeed { get; init; }

    /// <summary>Volts at the arc, with the smooth band at this wire feed speed.</summary>
    public required Window<Voltage> Volts { get; init; }

    /// <summary>Whether the volts are set by hand; in pulsed work the machine's program makes them and the read-out shows them.</summary>
    public required bool VoltsAreSet { get; init; }

    /// <summary>Stick-out: tip to work.</summary>
    public required Window<Length> StickOut { get; init; }

    /// <summary>Amps to read while welding, at this stick-out and at a long one; null on sheets made before it was kept.</summary>
    public IReadOnlyList<AmpsAtStickOut>? Reads { get; init; }

    /// <summary>Where to begin with the inductance; null where the process has no use for it.</summary>
    public required Said? Inductance { get; init; }

    /// <summary>The pair in the booth machine's own marks; null without a machine or without its readings.</summary>
    public required MachineMarks? Marks { get; init; }

    /// <summary>The smooth band for this arc over the plane, low to high current.</summary>
    public required IReadOnlyList<BandPoint> Band { get; init; }

    /// <summary>The band as this room has found it on this machine; empty where nothing was found yet.</summary>
    public required IReadOnlyList<BandPoint> LearnedBand { get; init; }

    /// <summary>What this room has found for this wire feed speed; null where it has found too little.</summary>
    public required LearnedPair? Learned { get; init; }

    /// <summary>What the machine's own door chart says for this plate; null without one.</summary>
    public required ChartPair? Chart { get; init; }
}

/// <summary>What a tungsten and a rod are set by.</summary>
public sealed record TigSettings
{
    /// <summary>What the machine is set to: with a pedal a little over the current, without one the current itself.</summary>
    public required Current PedalMost { get; init; }

    /// <summary>Where the current control is to stand for <see cref="PedalMost"/>; null without a machine or its readings.</summary>
    public required ControlMark? Mark { get; init; }

    /// <summary>Diameter of the tungsten.</summary>
    public required Length Tungsten { get; init; }

    /// <summary>Class by ISO 6848 and AWS A5.12, and the tip's colour.</summary>
    public required Said TungstenClass { get; init; }

    /// <summary>How the point is ground.</summary>
    public required Said Grind { get; init; }

    /// <summary>Gas cup by number; its bore in sixteenths of an inch.</summary>
    public required int Cup { get; init; }

    /// <summary>Diameter of the filler rod.</summary>
    public required Length Filler { get; init; }

    /// <summary>Gas before the arc, seconds.</summary>
    public required double PreFlowSeconds { get; init; }

    /// <summary>Gas after the arc, seconds.</summary>
    public required double PostFlowSeconds { get; init; }

    /// <summary>AC: share of the time the tungsten is on minus, per cent; null on DC.</summary>
    public required int? BalancePercent { get; init; }

    /// <summary>AC: frequency in hertz; null on DC.</summary>
    public required int? FrequencyHz { get; init; }

    /// <summary>Where to begin with a pulse, on thin sheet; null where none is wanted.</summary>
    public required Said? Pulse { get; init; }

    /// <summary>How the arc is started.</summary>
    public required Said Start { get; init; }
}

/// <summary>A settings sheet: every number a student sets or aims at, with the chain of reasons behind it.</summary>
public sealed record Sheet : SheetOutcome
{
    /// <summary>The job it was made for.</summary>
    public required Job Job { get; init; }

    /// <summary>Process in words, with its ISO 4063 number.</summary>
    public required Said ProcessName { get; init; }

    /// <summary>ISO 6947 and AWS names of the position.</summary>
    public required string PositionName { get; init; }

    /// <summary>What the torch is joined to.</summary>
    public required Polarity Polarity { get; init; }

    /// <summary>Current: expected from the wire, or for TIG what the puddle takes.</summary>
    public required Current Amps { get; init; }

    /// <summary>Current that plate, joint and position ask for; null on sheets made before it was kept.</summary>
    public Current? JointAmps { get; init; }

    /// <summary>Settings of a fed wire; null for TIG.</summary>
    public required PairSettings? Pair { get; init; }

    /// <summary>Settings of a tungsten; null for a fed wire.</summary>
    public required TigSettings? Tig { get; init; }

    /// <summary>Shielding gas flow, set with the gas flowing; null where no gas is used.</summary>
    public required Window<GasFlow>? GasFlow { get; init; }

    /// <summary>Travel speed that leaves the bead size aimed at; null for a plug.</summary>
    public required TravelSpeed? Travel { get; init; }

    /// <summary>Plug only: seconds of arc that fill the hole.</summary>
    public required double? PlugSeconds { get; init; }

    /// <summary>Bead size aimed at: a leg, a width or a hole.</summary>
    public required Window<Length> BeadSize { get; init; }

    /// <summary>How the bead is measured.</summary>
    public required BeadMeasure BeadMeasure { get; init; }

    /// <summary>Passes, and the metal in them.</summary>
    public required PassPlan Passes { get; init; }

    /// <summary>Work angle in words, from the lower plate.</summary>
    public required Said WorkAngle { get; init; }

    /// <summary>Travel angle in words, off square.</summary>
    public required Said TravelAngle { get; init; }

    /// <summary>Push or drag.</summary>
    public required Said Direction { get; init; }

    /// <summary>What the hand does along the joint.</summary>
    public required Said Motion { get; init; }

    /// <summary>Lightest lens shade that may be worn.</summary>
    public required int ShadeLeast { get; init; }

    /// <summary>Shade number most people are comfortable with; null where the table gives none.</summary>
    public required int? ShadeComfortable { get; init; }

    /// <summary>Heat input by EN 1011-1 (k U I / v); null for a plug.</summary>
    public required HeatInput? HeatInputEn { get; init; }

    /// <summary>Heat input by AWS D1.1 (60 U I / S); null for a plug.</summary>
    public required HeatInput? HeatInputAws { get; init; }

    /// <summary>Share of ten minutes the machine may weld at this current, per cent; null when its rating is not known.</summary>
    public required double? DutyPercent { get; init; }

    /// <summary>What the arc should sound like.</summary>
    public required Said ExpectedSound { get; init; }

    /// <summary>What the bead should look like, front and back.</summary>
    public required Said ExpectedLook { get; init; }

    /// <summary>The program the machine is to be on; null on a machine without.</summary>
    public required int? Program { get; init; }

    /// <summary>From loading to keeping, in order, by the instructor's way of setting.</summary>
    public required IReadOnlyList<Said> Steps { get; init; }

    /// <summary>The way of setting it was made by.</summary>
    public required WayOfSetting Way { get; init; }

    /// <summary>Where other ways of setting would set this job otherwise, and by how much.</summary>
    public required IReadOnlyList<OtherWay> OtherWays { get; init; }

    /// <summary>What on the machine does not fit; empty when all does, or without a machine.</summary>
    public required IReadOnlyList<Mismatch> Mismatches { get; init; }

    /// <summary>What to heed.</summary>
    public required IReadOnlyList<Caution> Cautions { get; init; }

    /// <summary>The chain: one reason for every number above.</summary>
    public required IReadOnlyList<Reason> Reasons { get; init; }

    /// <summary>Edition of the rules that made it.</summary>
    public required int RulesVersion { get; init; }

    /// <summary>
    /// Whether the wire carries what the plate asks for; where it does not, the sheet is welded in passes at the wire's own top.
    /// </summary>
    public bool Carries() => JointAmps is not { } asked || Amps >= asked * Amperes.LeastShare;

    /// <summary>The settings of the fed wire, where only a wire sheet can be meant.</summary>
    /// <exception cref="InvalidOperationException">A TIG sheet.</exception>
    public PairSettings RequirePair() => Pair ?? throw new InvalidOperationException("A TIG sheet has no pair of wire and volts.");

    /// <summary>Current that a wire feed speed draws, by the rule this sheet was made by.</summary>
    /// <param name="wireFeed">Wire feed speed; the sheet is of a fed wire.</param>
    internal Current AmpsAt(WireFeedSpeed wireFeed) => WireByRule.Amps(Way.Wire, wireFeed, Job);
}
