using GentleBead.Core.Quantities;

namespace GentleBead.Core.Sheets;

/// <summary>What came of asking for a sheet: a <see cref="Sheet"/>, or a <see cref="Refusal"/> that says why.</summary>
public abstract record SheetOutcome;

/// <summary>No sheet, and why.</summary>
/// <param name="Field">The part of the job that stands in the way: "thickness", "wire".</param>
/// <param name="Message">Why, and what would do.</param>
public sealed record Refusal(string Field, string Message) : SheetOutcome;

/// <summary>Where one control of the booth's machine is to stand.</summary>
/// <param name="Mark">The mark.</param>
/// <param name="Reads">The mark in the machine's own words.</param>
/// <param name="MarksBeyond">How many marks past the last measured point; 0 when between readings.</param>
public sealed record ControlMark(double Mark, string Reads, double MarksBeyond);

/// <summary>The sheet in the marks of one machine, and what those marks really give.</summary>
/// <param name="Wire">Wire control.</param>
/// <param name="Volt">Volt control.</param>
/// <param name="WireFeed">Wire feed speed at that mark.</param>
/// <param name="Volts">Volts at that mark.</param>
public sealed record MachineMarks(ControlMark Wire, ControlMark Volt, WireFeedSpeed WireFeed, Voltage Volts);

/// <summary>A point of the band drawn on the settings plane.</summary>
/// <param name="WireFeed">Wire feed speed.</param>
/// <param name="Low">Lower edge.</param>
/// <param name="High">Upper edge.</param>
public sealed record BandPoint(WireFeedSpeed WireFeed, Voltage Low, Voltage High);

/// <summary>A settings sheet: every number a student sets or aims at, with the chain of reasons behind it.</summary>
public sealed record Sheet : SheetOutcome
{
    /// <summary>The job it was made for.</summary>
    public required Job Job { get; init; }

    /// <summary>ISO 6947 and AWS names of the position.</summary>
    public required string PositionName { get; init; }

    /// <summary>Expected current; not set, it follows from the wire.</summary>
    public required Current Amps { get; init; }

    /// <summary>Wire feed speed.</summary>
    public required WireFeedSpeed WireFeed { get; init; }

    /// <summary>Volts at the arc, with the smooth band at this wire feed speed.</summary>
    public required Window<Voltage> Volts { get; init; }

    /// <summary>Stick-out: tip to work.</summary>
    public required Window<Length> StickOut { get; init; }

    /// <summary>Shielding gas flow, set with the gas flowing.</summary>
    public required Window<GasFlow> GasFlow { get; init; }

    /// <summary>Travel speed that leaves the bead size aimed at.</summary>
    public required TravelSpeed Travel { get; init; }

    /// <summary>Bead size aimed at: the leg of a fillet, the width of a bead on plate.</summary>
    public required Window<Length> BeadSize { get; init; }

    /// <summary>Whether the bead size is a leg; otherwise a width.</summary>
    public required bool BeadSizeIsLeg { get; init; }

    /// <summary>Work angle in words, from the lower plate.</summary>
    public required string WorkAngle { get; init; }

    /// <summary>Travel angle in words, off square.</summary>
    public required string TravelAngle { get; init; }

    /// <summary>Push or drag.</summary>
    public required string Direction { get; init; }

    /// <summary>Lightest lens shade that may be worn.</summary>
    public required int ShadeLeast { get; init; }

    /// <summary>Shade number most people are comfortable with; null where the table gives none.</summary>
    public required int? ShadeComfortable { get; init; }

    /// <summary>Heat input by EN 1011-1 (0.8 U I / v).</summary>
    public required HeatInput HeatInputEn { get; init; }

    /// <summary>Heat input by AWS D1.1 (60 U I / S).</summary>
    public required HeatInput HeatInputAws { get; init; }

    /// <summary>What the arc should sound like.</summary>
    public required string ExpectedSound { get; init; }

    /// <summary>What the bead should look like, front and back.</summary>
    public required string ExpectedLook { get; init; }

    /// <summary>The pair in the booth machine's own marks; null without a machine or without its readings.</summary>
    public required MachineMarks? Marks { get; init; }

    /// <summary>The smooth band for this wire over the plane, thin to thick plate.</summary>
    public required IReadOnlyList<BandPoint> Band { get; init; }

    /// <summary>What to heed.</summary>
    public required IReadOnlyList<Caution> Cautions { get; init; }

    /// <summary>The chain: one reason for every number above.</summary>
    public required IReadOnlyList<Reason> Reasons { get; init; }

    /// <summary>Edition of the rules that made it.</summary>
    public required int RulesVersion { get; init; }
}
