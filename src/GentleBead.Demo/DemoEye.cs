using GentleBead.Core.Beads;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;

namespace GentleBead.Demo;

/// <summary>
/// What an instructor would note of a bead welded at a true pair. Stands in for ears and eyes in the made-up school only.
/// </summary>
internal static class DemoEye
{
    public static Evidence See(Sheet sheet, Settings truly, double travel, bool wanders)
    {
        var band = SmoothBand.At(truly.WireFeed, sheet.Job.RequireArc());
        var arc =
            truly.Volts < band.Low ? Sound.Popping
            : truly.Volts > band.High ? Sound.Hiss
            : Sound.EvenCrackle;
        var heat = truly.WireFeed / sheet.RequirePair().WireFeed / Math.Sqrt(travel);
        var size = sheet.BeadSize.Aim * Math.Round(Math.Sqrt(truly.WireFeed / sheet.RequirePair().WireFeed / travel), 2);
        var (profile, toes, tint, behind) = (arc, heat) switch
        {
            (Sound.Popping, > 1.15) => (Profile.PiledUp, Toes.Cold, Tint.None, Penetration.NoneSeen),
            (Sound.Popping, _) => (Profile.TallNarrow, Toes.Cold, Tint.Thin, Penetration.NoneSeen),
            (Sound.Hiss, < 0.9) => (Profile.Lumpy, Toes.Cold, Tint.Thin, Penetration.NoneSeen),
            (Sound.Hiss, _) => (Profile.Flat, Toes.Undercut, Tint.Wide, Penetration.TintBehind),
            (_, < 0.8) => (Profile.TallNarrow, Toes.Cold, Tint.Thin, Penetration.NoneSeen),
            (_, > 1.15) => (Profile.Sunk, Toes.Blended, Tint.Wide, Penetration.BackMark),
            _ => (Profile.SlightlyConvex, Toes.Blended, Tint.Even, Penetration.TintBehind),
        };
        return new Evidence(
            arc,
            profile,
            toes,
            tint,
            arc == Sound.Hiss ? Spatter.Fine : Spatter.Little,
            wanders ? Ripple.Uneven
                : travel > 1.25 ? Ripple.Stretched
                : Ripple.Even,
            [],
            behind,
            Length.FromMm(Math.Round(size.Mm, 1))
        );
    }
}
