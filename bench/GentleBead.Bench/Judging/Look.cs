using GentleBead.Core.Beads;

namespace GentleBead.Bench.Judging;

/// <summary>What somebody sees who is sent to look: what was not noted yet, on a bead laid the same again.</summary>
internal static class Look
{
    /// <summary>The evidence with what a second bead adds where the first left a gap.</summary>
    public static Evidence At(Evidence noted, Booth booth, int seed)
    {
        var again = Laid.Looked(booth, seed);
        return noted with
        {
            Sound = noted.Sound ?? again.Sound,
            Profile = noted.Profile ?? again.Profile,
            Toes = noted.Toes ?? again.Toes,
            Tint = noted.Tint ?? again.Tint,
            Spatter = noted.Spatter ?? again.Spatter,
            Ripple = noted.Ripple ?? again.Ripple,
            Penetration = noted.Penetration ?? again.Penetration,
            Feel = noted.Feel ?? again.Feel,
            Plate = noted.Plate ?? again.Plate,
            BeadSize = noted.BeadSize ?? again.BeadSize,
            StickOut = noted.StickOut ?? again.StickOut,
            Tip = noted.Tip ?? again.Tip,
            Start = noted.Start ?? again.Start,
            Gas = noted.Gas ?? again.Gas,
            Light = noted.Light ?? again.Light,
            Lean = noted.Lean ?? again.Lean,
            Along = noted.Along ?? again.Along,
            Tungsten = noted.Tungsten ?? again.Tungsten,
            Puddle = noted.Puddle ?? again.Puddle,
            Colour = noted.Colour ?? again.Colour,
            Soot = noted.Soot ?? again.Soot,
            Macro = noted.Macro ?? again.Macro,
            Measured = Measured(noted.Measured ?? new(), again.Measured ?? new()),
        };
    }

    private static Measures Measured(Measures noted, Measures again) =>
        noted with
        {
            BeadLength = noted.BeadLength ?? again.BeadLength,
            ArcSeconds = noted.ArcSeconds ?? again.ArcSeconds,
            ArcVolts = noted.ArcVolts ?? again.ArcVolts,
            ArcAmps = noted.ArcAmps ?? again.ArcAmps,
        };
}
