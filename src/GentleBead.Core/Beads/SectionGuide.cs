using GentleBead.Core.Stock;

namespace GentleBead.Core.Beads;

/// <summary>A step of preparing a section.</summary>
/// <param name="Do">What to do.</param>
/// <param name="Care">What can hurt in it; empty when nothing particular.</param>
public sealed record SectionStep(Said Do, Said? Care);

/// <summary>How to look inside a bead. Common practice, no source; the etchant's data sheet and the shop's rules stand over it.</summary>
public static class SectionGuide
{
    private static readonly SectionStep Thin = new(
        Say($"Thin plate: turn it over first. An even mark or tint along the whole bead is full penetration, and there is nothing to cut."),
        Say($"Use pliers: the back is as hot as the front.")
    );

    private static readonly SectionStep[] Cutting =
    [
        new(
            Say($"Mark the line across the middle of the bead, away from start and crater."),
            Say($"Let it cool or quench it first. Steam scalds: lower it in at arm's length.")
        ),
        new(
            Say($"Saw it through on the line, square to the bead."),
            Say($"Clamp both sides, keep fingers and gloves away from the blade, glasses on.")
        ),
        new(
            Say($"Dress the cut flat on the grinder, light pressure, without burning it blue."),
            Say($"Face shield and hearing protection; hold it with pliers, fingers off the wheel. No aluminium on a steel wheel.")
        ),
        new(
            Say($"Sand finer and finer: 80, 180, 320, 600 grit, turning a quarter each time until the old scratches are gone."),
            Say($"Wet sanding keeps the dust down; a respirator for stainless.")
        ),
    ];

    private static readonly SectionStep EtchSteel = new(
        Say(
            $"Etch with a mild phosphoric rust remover, 30 to 60 s, until the bead stands out. Stronger acids are quicker and "
                + $"not worth the hazard."
        ),
        Say($"Gloves against acid, goggles, moving air; acid into water, never water into acid. Its data sheet takes precedence.")
    );

    private static readonly SectionStep EtchAluminium = new(
        Say(
            $"Look at it polished first: lack of fusion shows without etching. Etching aluminium takes strong lye or acid: leave "
                + $"that to a laboratory."
        ),
        Say($"Lye on aluminium gives off hydrogen and burns skin at once.")
    );

    private static readonly SectionStep EtchOther = new(
        Say($"Look at it polished first. Etching this metal takes strong acids or current: leave that to a laboratory."),
        Say($"Some of these acids cannot be handled safely in a shop.")
    );

    private static readonly SectionStep[] Looking =
    [
        new(Say($"Rinse with water, dry with alcohol and a clean cloth."), Say($"Alcohol burns: nobody welds or grinds beside it.")),
        new(Say($"Look under a slanting light. A straight dark line left of the old joint is lack of fusion."), null),
        new(
            Say(
                $"Press it flush to the back of the card with the window, the lower plate down, plain paper behind it: then the eye can "
                    + $"propose the marks."
            ),
            null
        ),
        new(Say($"Without the card: lay a ruler beside it and take the picture square on; the ruler is the scale."), null),
    ];

    /// <summary>The steps for a plate: a cut, polished and etched section, or for thin plate the back first.</summary>
    /// <param name="metal">What the plate is made of.</param>
    /// <param name="thin">Whether the far side of the plate tells enough to begin with.</param>
    public static IReadOnlyList<SectionStep> For(Metal metal, bool thin) =>
        [.. thin ? [Thin] : Array.Empty<SectionStep>(), .. Cutting, Etching(metal), .. Looking];

    private static SectionStep Etching(Metal metal) =>
        metal.IsSteel() ? EtchSteel
        : metal == Metal.Aluminium ? EtchAluminium
        : EtchOther;
}
