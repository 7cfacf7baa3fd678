using GentleBead.Core.Stock;

namespace GentleBead.Core.Beads;

/// <summary>A step of preparing a section.</summary>
/// <param name="Do">What to do.</param>
/// <param name="Care">What can hurt in it; empty when nothing particular.</param>
public sealed record SectionStep(string Do, string Care);

/// <summary>How to look inside a bead. Common practice, no source; the etchant's data sheet and the shop's rules stand over it.</summary>
public static class SectionGuide
{
    /// <summary>The steps for a plate: a cut, polished and etched section, or for thin plate the back first.</summary>
    /// <param name="metal">What the plate is made of.</param>
    /// <param name="thin">Whether the far side of the plate tells enough to begin with.</param>
    public static IReadOnlyList<SectionStep> For(Metal metal, bool thin)
    {
        List<SectionStep> steps = [];
        if (thin)
        {
            steps.Add(new("Thin plate: turn it over first. An even mark or tint along the whole bead is full penetration, and there is nothing to cut.", "Use pliers: the back is as hot as the front."));
        }
        steps.Add(new("Mark the line across the middle of the bead, away from start and crater.", "Let it cool or quench it first. Steam scalds: lower it in at arm's length."));
        steps.Add(new("Saw it through on the line, square to the bead.", "Clamp both sides, keep fingers and gloves away from the blade, glasses on."));
        steps.Add(new("Dress the cut flat on the grinder, light pressure, without burning it blue.", "Face shield and hearing protection; hold it with pliers, fingers off the wheel. No aluminium on a steel wheel."));
        steps.Add(new("Sand finer and finer: 80, 180, 320, 600 grit, turning a quarter each time until the old scratches are gone.", "Wet sanding keeps the dust down; a respirator for stainless."));
        steps.Add(metal switch
        {
            Metal.MildSteel or Metal.LowAlloySteel => new("Etch with a mild phosphoric rust remover, 30 to 60 s, until the bead stands out. Stronger acids are quicker and not worth the hazard.", "Gloves against acid, goggles, moving air; acid into water, never water into acid. Its data sheet stands over this."),
            Metal.Aluminium => new("Look at it polished first: lack of fusion shows without etching. Etching aluminium takes strong lye or acid: leave that to a laboratory.", "Lye on aluminium gives off hydrogen and burns skin at once."),
            _ => new("Look at it polished first. Etching this metal takes strong acids or current: leave that to a laboratory.", "Some of these acids cannot be handled safely in a shop."),
        });
        steps.Add(new("Rinse with water, dry with alcohol and a clean cloth.", "Alcohol burns: nobody welds or grinds beside it."));
        steps.Add(new("Look under a slanting light. A straight dark line left of the old joint is lack of fusion.", ""));
        steps.Add(new("Lay a ruler beside it and take the picture square on: the ruler is the scale.", ""));
        return steps;
    }
}
