using GentleBead.Core.Quantities;

namespace GentleBead.Core.Beads;

/// <summary>What ruler, gauge, watch and read-outs said of a bead. Null means not measured.</summary>
/// <param name="OtherLeg">The second leg of a fillet, on the standing plate; 0.5 to 50 mm.</param>
/// <param name="Throat">Throat, root to face; 0.3 to 50 mm.</param>
/// <param name="Width">Width of the face from toe to toe; 0.5 to 80 mm.</param>
/// <param name="Crown">Height of the face over the line between its toes (convexity, reinforcement); 0 to 20 mm.</param>
/// <param name="UndercutDepth">Depth of undercut; 0 when looked for and none found, to 10 mm.</param>
/// <param name="UndercutLength">How much of the bead it runs along; 0 to 1000 mm.</param>
/// <param name="Pores">Diameter of each pore at the surface; 0.1 to 10 mm each; null when not looked for, empty when none.</param>
/// <param name="BeadLength">Length of the bead; 5 to 1000 mm.</param>
/// <param name="ArcSeconds">How long the arc burned for it; 1 to 600 s.</param>
/// <param name="ArcVolts">Volts read while welding; 5 to 50 V.</param>
/// <param name="ArcAmps">Amps read while welding; 5 to 600 A.</param>
/// <param name="ExcessPenetration">How far the root stands out on the far side; 0 to 20 mm.</param>
/// <param name="RootWidth">How wide the root is there; 0.3 to 50 mm.</param>
public sealed record Measures(
    Length? OtherLeg = null,
    Length? Throat = null,
    Length? Width = null,
    Length? Crown = null,
    Length? UndercutDepth = null,
    Length? UndercutLength = null,
    IReadOnlyList<Length>? Pores = null,
    Length? BeadLength = null,
    double? ArcSeconds = null,
    Voltage? ArcVolts = null,
    Current? ArcAmps = null,
    Length? ExcessPenetration = null,
    Length? RootWidth = null
)
{
    /// <summary>Whether nothing was measured.</summary>
    public bool IsEmpty() => this == new Measures();

    private static readonly (string Field, Said Name, Func<Measures, Length?> Read, double Least, double Most)[] Lengths =
    [
        ("otherLegMm", Say($"second leg"), measured => measured.OtherLeg, 0.5, 50),
        ("throatMm", Say($"throat"), measured => measured.Throat, 0.3, 50),
        ("widthMm", Say($"width"), measured => measured.Width, 0.5, 80),
        ("crownMm", Say($"crown"), measured => measured.Crown, 0, 20),
        ("undercutDepthMm", Say($"depth of undercut"), measured => measured.UndercutDepth, 0, 10),
        ("undercutLengthMm", Say($"length of undercut"), measured => measured.UndercutLength, 0, 1000),
        ("beadLengthMm", Say($"bead length"), measured => measured.BeadLength, 5, 1000),
        ("rootWidthMm", Say($"width of the root"), measured => measured.RootWidth, 0.3, 50),
        ("excessPenetrationMm", Say($"root standing out"), measured => measured.ExcessPenetration, 0, 20),
    ];

    /// <summary>What lies outside its range, by JSON field, with what is accepted.</summary>
    public IEnumerable<Problem> Problems()
    {
        foreach (var (field, name, read, least, most) in Lengths)
        {
            if (read(this) is { } length && (length.Mm < least || length.Mm > most))
                yield return new(field, Say($"A {name} between {Length.FromMm(least)} and {Length.FromMm(most)}."));
        }
        if (Pores is { } pores && (pores.Count > 200 || pores.Any(pore => pore.Mm is < 0.1 or > 10)))
            yield return new("poresMm", Say($"Up to 200 pores, each {new Either("0.1 to 10 mm", "0.004 to 0.394 in")}."));
        if (ArcSeconds is { } seconds && seconds is not (>= 1 and <= 600))
            yield return new("arcSeconds", Say($"An arc time between 1 and 600 s."));
        if (ArcVolts is { } volts && volts.Volts is not (>= 5 and <= 50))
            yield return new("arcVolts", Say($"A read-out between 5 and 50 V."));
        if (ArcAmps is { } amps && amps.Amps is not (>= 5 and <= 600))
            yield return new("arcAmps", Say($"A read-out between 5 and 600 A."));
    }
}
