using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Bench.Judging;

/// <summary>
/// What a fault leaves on a bead besides what the simulated arc makes of it, each with its chance. Written from the trade's tables of
/// sound and look before the judge's weights were seen beside it; common practice, no source.
/// </summary>
internal static class Tells
{
    internal sealed record Tell(double Chance, Func<Evidence, Evidence> Leaves);

    private static readonly Dictionary<Cause, Tell[]> Fed = new()
    {
        [Cause.TravelFast] = [new(0.7, bead => bead with { Ripple = Ripple.Stretched })],
        [Cause.WorkAngle] = [Fault(0.9, Core.Beads.Fault.UnequalLegs), new(0.35, bead => bead with { Toes = Toes.Undercut })],
        [Cause.UnevenHand] = [new(0.95, bead => bead with { Ripple = Ripple.Uneven })],
        [Cause.GasLost] =
        [
            Fault(0.95, Core.Beads.Fault.Pinholes),
            new(0.5, bead => bead with { Sound = Sound.Sputter }),
            new(0.6, bead => bead with { Gas = GasAtNozzle.Nothing }),
        ],
        [Cause.DirtyPlate] =
        [
            new(0.8, bead => bead with { Sound = Sound.Sputter }),
            new(0.6, bead => bead with { Start = Start.Stuttering }),
            new(0.6, bead => bead with { Spatter = Spatter.Big }),
            Fault(0.5, Core.Beads.Fault.Pinholes),
        ],
        [Cause.PlateHot] =
        [
            new(0.8, bead => bead with { Plate = PlateWarmth.Hot }),
            new(0.7, bead => bead with { Profile = Profile.Sunk }),
            new(0.8, bead => bead with { Tint = Tint.Wide }),
            new(0.4, bead => bead with { Along = Along.Worse }),
            new(0.5, bead => bead with { Feel = Feel.Runny }),
        ],
        [Cause.WireSlipping] =
        [
            new(0.8, bead => bead with { Feel = Feel.Jerky }),
            new(0.7, bead => bead with { Sound = Sound.Sputter }),
            new(0.4, bead => bead with { Ripple = Ripple.Uneven }),
        ],
        [Cause.WrongPolarity] =
        [
            new(0.9, bead => bead with { Spatter = Spatter.Big }),
            new(0.8, bead => bead with { Sound = Sound.Sputter }),
            new(0.6, bead => bead with { Toes = Toes.Cold }),
            new(0.6, bead => bead with { Profile = Profile.TallNarrow }),
        ],
        [Cause.WornTip] =
        [
            new(0.8, bead => bead with { Sound = Sound.Sputter }),
            new(0.7, bead => bead with { Start = Start.Stuttering }),
            new(0.4, bead => bead with { Feel = Feel.Jerky }),
        ],
        [Cause.WrongGas] = [new(0.8, bead => bead with { Spatter = Spatter.Big }), new(0.4, bead => bead with { Sound = Sound.Rattle })],
        [Cause.WrongWire] = [new(0.6, bead => bead with { Profile = Profile.PiledUp })],
        [Cause.PoorClamp] =
        [
            new(0.7, bead => bead with { Start = Start.Stuttering }),
            new(0.6, bead => bead with { Sound = Sound.Sputter }),
        ],
        [Cause.Cracked] = [Fault(1, Core.Beads.Fault.Crack)],
        [Cause.CraterOpen] = [Fault(0.98, Core.Beads.Fault.OpenCrater)],
        [Cause.WrongDirection] = [Fault(0.95, Core.Beads.Fault.SlagTrapped)],
        [Cause.StickOutShort] =
        [
            new(0.5, bead => bead with { Tip = TipAfter.Clogged }),
            new(0.5, bead => bead with { Sound = Sound.Sputter }),
        ],
        [Cause.TorchSwung] = [new(0.9, bead => bead with { Along = Along.AtEnd }), Fault(0.4, Core.Beads.Fault.Pinholes)],
        [Cause.ArcBlow] =
        [
            new(0.9, bead => bead with { Light = ArcLight.Wandering }),
            new(0.4, bead => bead with { Toes = Toes.Undercut }),
        ],
        [Cause.LeanOff] =
        [
            new(0.7, bead => bead with { Lean = TorchLean.FarOver }),
            new(0.5, bead => bead with { Spatter = Spatter.Big }),
            Fault(0.5, Core.Beads.Fault.Pinholes),
        ],
        [Cause.BurnBack] =
        [
            new(0.9, bead => bead with { Tip = TipAfter.BurntBack }),
            new(0.6, bead => bead with { Start = Start.Touching }),
        ],
        [Cause.Draught] =
        [
            Fault(0.95, Core.Beads.Fault.Pinholes),
            new(0.85, bead => bead with { Gas = GasAtNozzle.Flows }),
            new(0.5, bead => bead with { Tip = TipAfter.Clear }),
        ],
        [Cause.NozzleShut] = [new(0.9, bead => bead with { Tip = TipAfter.Clogged }), Fault(0.85, Core.Beads.Fault.Pinholes)],
    };

    private static readonly Dictionary<Cause, Tell[]> Tig = new()
    {
        [Cause.AmpsLow] =
        [
            new(0.6, bead => bead with { Profile = Profile.TallNarrow }),
            new(0.8, bead => bead with { Toes = Toes.Cold }),
            new(0.6, bead => bead with { Tint = Tint.Thin }),
            new(0.8, bead => bead with { Penetration = Penetration.NoneSeen }),
        ],
        [Cause.AmpsHigh] =
        [
            new(0.8, bead => bead with { Profile = Profile.Sunk }),
            new(0.8, bead => bead with { Tint = Tint.Wide }),
            new(0.5, bead => bead with { Colour = TintColour.Blue }),
            new(0.6, bead => bead with { Feel = Feel.Runny }),
            new(0.5, bead => bead with { Penetration = Penetration.BackMark }),
        ],
        [Cause.ArcLong] =
        [
            new(0.8, bead => bead with { Feel = Feel.LongArc }),
            new(0.4, bead => bead with { Tint = Tint.Wide }),
            new(0.4, bead => bead with { Toes = Toes.Undercut }),
        ],
        [Cause.TravelFast] = [.. Fed[Cause.TravelFast], new(0.6, bead => bead with { Tint = Tint.Thin })],
        [Cause.TravelSlow] = [new(0.7, bead => bead with { Tint = Tint.Wide }), new(0.4, bead => bead with { Profile = Profile.Sunk })],
        [Cause.GasLost] =
        [
            new(0.8, bead => bead with { Colour = TintColour.Grey }),
            new(0.7, bead => bead with { Gas = GasAtNozzle.Nothing }),
            Fault(0.6, Core.Beads.Fault.Pinholes),
            new(0.4, bead => bead with { Sound = Sound.Hiss }),
        ],
        [Cause.DirtyPlate] =
        [
            new(0.9, bead => bead with { Puddle = Puddle.Specks }),
            new(0.6, bead => bead with { Sound = Sound.Sputter }),
        ],
        [Cause.TungstenDipped] = [new(0.95, bead => bead with { Tungsten = Tungsten.Dipped })],
        // On AC a small ball is right; one that burns away is not.
        [Cause.TungstenSmall] = [new(0.9, bead => bead with { Tungsten = Tungsten.BurntBack })],
        [Cause.WrongPolarity] =
        [
            new(0.9, bead => bead with { Tungsten = Tungsten.Balled }),
            new(0.7, bead => bead with { Penetration = Penetration.NoneSeen }),
        ],
        [Cause.WrongGas] =
        [
            new(0.8, bead => bead with { Tungsten = Tungsten.BurntBack }),
            new(0.8, bead => bead with { Colour = TintColour.Grey }),
        ],
        [Cause.BalanceOff] = [new(0.9, bead => bead with { Puddle = Puddle.Skin })],
        [Cause.FillerLittle] =
        [
            new(0.7, bead => bead with { Profile = Profile.Sunk }),
            new(0.6, bead => bead with { Toes = Toes.Undercut }),
            new(0.8, bead => Sized(bead, 0.6)),
        ],
        [Cause.FillerMuch] = [new(0.9, bead => bead with { Profile = Profile.PiledUp }), new(0.7, bead => Sized(bead, 1.5))],
        [Cause.PoorClamp] = [new(0.7, bead => bead with { Sound = Sound.Sputter }), new(0.7, bead => bead with { Feel = Feel.Jerky })],
        [Cause.TorchSwung] = [.. Fed[Cause.TorchSwung], new(0.5, bead => bead with { Colour = TintColour.Grey })],
        [Cause.Draught] =
        [
            new(0.9, bead => bead with { Colour = TintColour.Grey }),
            new(0.9, bead => bead with { Gas = GasAtNozzle.Flows }),
        ],
    };

    /// <summary>What a cause leaves in a process.</summary>
    public static Tell[] Of(Cause cause, Process process) =>
        (process.IsGtaw() && Tig.TryGetValue(cause, out var tells)) || Fed.TryGetValue(cause, out tells) ? tells : [];

    private static Tell Fault(double chance, Fault fault) =>
        new(chance, bead => bead.Faults.Contains(fault) ? bead : bead with { Faults = [.. bead.Faults, fault] });

    private static Evidence Sized(Evidence bead, double share) =>
        bead.BeadSize is { } size ? bead with { BeadSize = Length.FromMm(size.Mm * share) } : bead;
}
