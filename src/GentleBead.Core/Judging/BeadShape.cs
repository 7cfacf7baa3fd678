using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

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
/// <param name="Joint">The joint it lies in.</param>
public sealed record BeadShape(
    Length Width,
    double CrownShare,
    double TintShare,
    bool TintSeen,
    double RippleShare,
    double RippleWander,
    double PenetrationShare,
    bool PenetrationSeen,
    double LegShare,
    bool ColdToes,
    int SpatterCount,
    bool Undercut,
    IReadOnlyList<Fault> Faults,
    Joint Joint
)
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
    /// <param name="sheet">The sheet it was laid to.</param>
    /// <param name="used">The pair used; null for TIG.</param>
    /// <param name="amps">The current used; null for a fed wire.</param>
    /// <param name="evidence">What was seen and measured.</param>
    public static BeadShape From(Sheet sheet, Settings? used, Current? amps, Evidence evidence)
    {
        var (crown, widen) = ByProfile[evidence.Profile ?? Profile.SlightlyConvex];
        // At one travel speed the metal goes with the wire, and a bead's size with its root.
        var metal = used is null ? 1 : Math.Sqrt(used.WireFeed / sheet.RequirePair().WireFeed);
        var size = evidence.SizeBy(sheet.BeadMeasure) ?? sheet.BeadSize.Aim * (metal * widen);
        var heat = (used is null ? amps ?? sheet.Amps : sheet.AmpsAt(used.WireFeed)) / sheet.Amps;
        var width = sheet.BeadMeasure == BeadMeasure.Leg ? size * Math.Sqrt(2) : size;
        var height = evidence.Measured?.Crown ?? evidence.Macro?.Reinforcement;
        var root = evidence.Macro?.RootPenetration;
        return new BeadShape(
            width,
            height is { } measured && width.Mm > 0 ? Math.Min(measured / width, 0.6) : crown,
            evidence.Tint is { } tint ? ByTint[tint] : Math.Clamp(0.4 * heat, 0, 1),
            evidence.Tint is not null,
            evidence.Ripple == Ripple.Stretched ? 0.38 : 0.2,
            evidence.Ripple == Ripple.Uneven ? 1 : 0,
            root is { } depth ? Math.Clamp(depth / sheet.Job.Thinner, 0, 1)
                : evidence.PenetrationSeen() is { } penetration ? ByPenetration[penetration]
                : Math.Clamp(0.5 * heat, 0, 1),
            root is not null || evidence.PenetrationSeen() is not null,
            evidence is { BeadSize: { } lower, Measured.OtherLeg: { } upper } && lower.Mm > 0 ? Math.Clamp(upper / lower, 0.3, 2)
                : evidence.Faults.Contains(Fault.UnequalLegs) ? 0.6
                : 1,
            evidence.Toes == Toes.Cold,
            evidence.Spatter switch
            {
                Spatter.Big => 12,
                Spatter.Fine => 6,
                _ => 0,
            },
            evidence.Toes == Toes.Undercut || evidence.Measured?.UndercutDepth?.Mm > 0.1,
            evidence.Faults,
            sheet.Job.Joint
        );
    }
}
