using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Arc;

/// <summary>What is wrong with an arc besides its settings.</summary>
public enum ArcFault
{
    /// <summary>The gas is shut, empty or blown away.</summary>
    GasLost,

    /// <summary>Mill scale, rust or paint on the plate.</summary>
    Scale,

    /// <summary>The contact tip is worn: the wire touches it now and then.</summary>
    WornTip,

    /// <summary>The leads are the wrong way round.</summary>
    WrongPolarity,
}

/// <summary>How a simulated arc is set.</summary>
/// <param name="Process">Which process.</param>
/// <param name="Wire">Which wire; null for TIG.</param>
/// <param name="Gas">Which gas.</param>
/// <param name="WireFeed">Wire feed speed at the torch; 0.5 to 25 m/min; not used for TIG.</param>
/// <param name="Volts">Volts at the arc as a read-out would show them over a whole bead; 8 to 45 V; not used for TIG.</param>
/// <param name="StickOut">Contact tip to work; 3 to 40 mm. For TIG the length of the arc; 0.5 to 10 mm.</param>
/// <param name="Travel">Travel speed; 20 to 2000 mm/min.</param>
/// <param name="Plate">Thickness of the plate; 0.5 to 25 mm.</param>
/// <param name="Joint">Which joint.</param>
/// <param name="Metal">Which metal.</param>
/// <param name="Amps">TIG: the current; 5 to 400 A. Null for a fed wire.</param>
/// <param name="InductanceMh">Inductance of source and leads; 0.05 to 2 mH.</param>
/// <param name="Wander">How far the hand wanders from the stick-out, to and fro in about two seconds; 0 to 8 mm; null for not at all.</param>
/// <param name="Faults">What else is wrong.</param>
public sealed record ArcSetting(
    Process Process, Wire? Wire, Gas Gas, WireFeedSpeed WireFeed, Voltage Volts, Length StickOut, TravelSpeed Travel, Length Plate,
    Joint Joint = Joint.BeadOnPlate, Metal Metal = Metal.MildSteel, Current? Amps = null, double InductanceMh = 0.25, Length? Wander = null,
    IReadOnlyList<ArcFault>? Faults = null)
{
    /// <summary>What else is wrong; never null.</summary>
    public IReadOnlyList<ArcFault> Faults { get; init; } = Faults ?? [];

    private static readonly (string Field, string Problem, Func<ArcSetting, double> Read, double Least, double Most, bool Fed, bool Tig)[] Ranges =
    [
        ("wireFeedMPerMin", "A wire feed speed between 0.5 and 25 m/min (20 and 984 in/min).", arc => arc.WireFeed.MPerMin, 0.5, 25, true, false),
        ("volts", "Volts between 8 and 45 V.", arc => arc.Volts.Volts, 8, 45, true, false),
        ("stickOutMm", "A stick-out between 3 and 40 mm (0.118 and 1.575 in).", arc => arc.StickOut.Mm, 3, 40, true, false),
        ("stickOutMm", "An arc length between 0.5 and 10 mm (0.020 and 0.394 in).", arc => arc.StickOut.Mm, 0.5, 10, false, true),
        ("amps", "A current between 5 and 400 A.", arc => arc.Amps?.Amps ?? 0, 5, 400, false, true),
        ("travelMmPerMin", "A travel speed between 20 and 2000 mm/min (1 and 79 in/min).", arc => arc.Travel.MmPerMin, 20, 2000, true, true),
        ("plateMm", "A plate between 0.5 and 25 mm (0.020 and 0.984 in).", arc => arc.Plate.Mm, 0.5, 25, true, true),
        ("inductanceMh", "An inductance between 0.05 and 2 mH.", arc => arc.InductanceMh, 0.05, 2, true, true),
        ("wanderMm", "A wander between 0 and 8 mm (0.315 in).", arc => arc.Wander?.Mm ?? 0, 0, 8, true, true),
    ];

    /// <summary>What lies outside its range or does not go together, by JSON field.</summary>
    public IEnumerable<(string Field, string Problem)> Problems()
    {
        var tig = Process.IsGtaw();
        foreach (var range in Ranges)
        {
            if ((tig ? range.Tig : range.Fed) && !(range.Read(this) >= range.Least && range.Read(this) <= range.Most)) yield return (range.Field, range.Problem);
        }
        if (tig) yield break;
        if (Wire is not { } wire) yield return ("wire", "Which wire?");
        else if (wire.Facts().RangeIn(Process) is null) yield return ("wire", $"{wire.Facts().Name} {wire.Facts().Kind.Words()} is not used for this.");
    }

    /// <summary>Refuses settings outside their ranges.</summary>
    /// <exception cref="ArgumentOutOfRangeException">With the first problem.</exception>
    public ArcSetting Checked() => Problems().FirstOrDefault() is { Problem: { } problem, Field: var field } ? throw new ArgumentOutOfRangeException(field, problem) : this;
}
