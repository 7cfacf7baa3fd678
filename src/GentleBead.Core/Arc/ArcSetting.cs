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
/// <param name="Wander">How far the hand wanders from the stick-out, to and fro in about two seconds; 0 to 8 mm; null: not at all.</param>
/// <param name="Faults">What else is wrong.</param>
public sealed record ArcSetting(
    Process Process,
    Wire? Wire,
    Gas Gas,
    WireFeedSpeed WireFeed,
    Voltage Volts,
    Length StickOut,
    TravelSpeed Travel,
    Length Plate,
    Joint Joint = Joint.BeadOnPlate,
    Metal Metal = Metal.MildSteel,
    Current? Amps = null,
    double InductanceMh = ArcConstants.UsualInductanceMh,
    Length? Wander = null,
    IReadOnlyList<ArcFault>? Faults = null
)
{
    /// <summary>What else is wrong; never null.</summary>
    public IReadOnlyList<ArcFault> Faults { get; init; } = Faults ?? [];

    private sealed record Range(
        string Field,
        Said Accepted,
        Func<ArcSetting, double> Read,
        double Least,
        double Most,
        Func<bool, bool> For
    );

    private static readonly Func<bool, bool> ForWire = tungsten => !tungsten;
    private static readonly Func<bool, bool> ForTungsten = tungsten => tungsten;
    private static readonly Func<bool, bool> ForBoth = _ => true;

    private static readonly Range[] Ranges =
    [
        new(
            "wireFeedMPerMin",
            Say($"A wire feed speed of {new Either("0.5 to 25 m/min", "20 to 984 in/min")}."),
            arc => arc.WireFeed.MPerMin,
            0.5,
            25,
            ForWire
        ),
        new("volts", Say($"Volts between 8 and 45 V."), arc => arc.Volts.Volts, 8, 45, ForWire),
        new("stickOutMm", Say($"A stick-out of {new Either("3 to 40 mm", "1/8 to 1 9/16 in")}."), arc => arc.StickOut.Mm, 3, 40, ForWire),
        new(
            "stickOutMm",
            Say($"An arc length of {new Either("0.5 to 10 mm", "1/64 to 3/8 in")}."),
            arc => arc.StickOut.Mm,
            0.5,
            10,
            ForTungsten
        ),
        new("amps", Say($"A current between 5 and 400 A."), arc => arc.Amps?.Amps ?? 0, 5, 400, ForTungsten),
        new(
            "travelMmPerMin",
            Say($"A travel speed of {new Either("20 to 2000 mm/min", "1 to 79 in/min")}."),
            arc => arc.Travel.MmPerMin,
            20,
            2000,
            ForBoth
        ),
        new("plateMm", Say($"A plate of {new Either("0.5 to 25 mm", "0.020 to 1 in")}."), arc => arc.Plate.Mm, 0.5, 25, ForBoth),
        new("inductanceMh", Say($"An inductance between 0.05 and 2 mH."), arc => arc.InductanceMh, 0.05, 2, ForBoth),
        new("wanderMm", Say($"A wander of {new Either("0 to 8 mm", "0 to 5/16 in")}."), arc => arc.Wander?.Mm ?? 0, 0, 8, ForBoth),
    ];

    /// <summary>What lies outside its range or does not go together, by JSON field.</summary>
    public IEnumerable<Problem> Problems()
    {
        var tig = Process.IsGtaw();
        foreach (var range in Ranges)
        {
            if (range.For(tig) && !(range.Read(this) >= range.Least && range.Read(this) <= range.Most))
                yield return new(range.Field, range.Accepted);
        }
        if (tig)
            yield break;
        if (Wire is not { } wire)
            yield return new("wire", Say($"Which wire?"));
        else if (wire.Facts().RangeIn(Process) is null)
            yield return new("wire", Say($"{wire.Facts().Name} {wire.Facts().Kind.Words()} is not used for this."));
    }

    /// <summary>Refuses settings outside their ranges.</summary>
    /// <exception cref="ArgumentOutOfRangeException">With the first problem.</exception>
    public ArcSetting Checked() =>
        Problems().FirstOrDefault() is { } problem ? throw new ArgumentOutOfRangeException(problem.Field, problem.Said.ToString()) : this;
}
