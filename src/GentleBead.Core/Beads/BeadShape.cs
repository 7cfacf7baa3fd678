using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Beads;

/// <summary>The numbers a bead's glyph is drawn from. Shares are of the bead's width unless said otherwise.</summary>
/// <param name="Width">Width from toe to toe.</param>
/// <param name="CrownShare">Height of the crown; below 0 when sunk. -0.3 to 0.6.</param>
/// <param name="TintShare">Width of the tint band on each side; 0 to 1.</param>
/// <param name="TintSeen">Whether the tint was looked at; otherwise the share is what the settings would give.</param>
/// <param name="RippleShare">Spacing of the ripples; 0.1 to 0.5.</param>
/// <param name="RippleWander">How much they wander; 0 even, 1 wild.</param>
/// <param name="PenetrationShare">Depth of fusion as a share of the plate; 0 to 1.</param>
/// <param name="PenetrationSeen">Whether the far side was looked at; otherwise an estimate.</param>
/// <param name="LegShare">Upper leg against lower leg; 1 when equal.</param>
/// <param name="ColdToes">Whether the toes lie on top.</param>
/// <param name="SpatterCount">How many balls to draw; 0 to 12.</param>
/// <param name="Undercut">Whether a groove runs along the toe.</param>
/// <param name="Faults">Faults to mark.</param>
public sealed record BeadShape(
    Length Width, double CrownShare, double TintShare, bool TintSeen, double RippleShare, double RippleWander,
    double PenetrationShare, bool PenetrationSeen, double LegShare, bool ColdToes, int SpatterCount, bool Undercut,
    IReadOnlyList<Fault> Faults)
{
    private static readonly Dictionary<Profile, (double Crown, double Width)> ByProfile = new()
    {
        [Profile.SlightlyConvex] = (0.16, 1.0),
        [Profile.Flat] = (0.05, 1.12),
        [Profile.TallNarrow] = (0.5, 0.72),
        [Profile.PiledUp] = (0.42, 1.0),
        [Profile.Sunk] = (-0.12, 1.3),
        [Profile.Lumpy] = (0.3, 0.66),
    };

    private static readonly Dictionary<Tint, double> ByTint = new()
    {
        [Tint.None] = 0,
        [Tint.Thin] = 0.15,
        [Tint.Even] = 0.4,
        [Tint.Wide] = 0.9,
    };

    private static readonly Dictionary<Penetration, double> ByPenetration = new()
    {
        [Penetration.NoneSeen] = 0.12,
        [Penetration.TintBehind] = 0.6,
        [Penetration.BackMark] = 1,
    };

    /// <summary>
    /// The shape from a bead's own numbers: measured size where there is one, otherwise the metal the wire laid down at
    /// the sheet's travel speed, spread by the profile that was seen.
    /// </summary>
    public static BeadShape From(Sheet sheet, Settings used, Evidence evidence)
    {
        var (crown, widen) = ByProfile[evidence.Profile ?? Profile.SlightlyConvex];
        var pair = sheet.RequirePair();
        // At one travel speed the metal goes with the wire, and a bead's size with its root.
        var metal = Math.Sqrt(used.WireFeed / pair.WireFeed);
        var size = evidence.BeadSize ?? sheet.BeadSize.Aim * (metal * widen);
        var heat = Rules.AmpsFor(used.WireFeed, sheet.Job.RequireArc()) / sheet.Amps;
        return new BeadShape(
            sheet.BeadMeasure == BeadMeasure.Leg ? size * Math.Sqrt(2) : size,
            crown,
            evidence.Tint is { } tint ? ByTint[tint] : Math.Clamp(0.4 * heat, 0, 1),
            evidence.Tint is not null,
            evidence.Ripple == Ripple.Stretched ? 0.38 : 0.2,
            evidence.Ripple == Ripple.Uneven ? 1 : 0,
            evidence.Penetration is { } penetration ? ByPenetration[penetration] : Math.Clamp(0.5 * heat, 0, 1),
            evidence.Penetration is not null,
            evidence.Faults.Contains(Fault.UnequalLegs) ? 0.6 : 1,
            evidence.Toes == Toes.Cold,
            evidence.Spatter switch { Spatter.Big => 12, Spatter.Fine => 6, _ => 0 },
            evidence.Toes == Toes.Undercut,
            evidence.Faults);
    }
}
