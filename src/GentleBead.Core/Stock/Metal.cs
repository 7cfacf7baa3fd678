using GentleBead.Core.Rules;

namespace GentleBead.Core.Stock;

/// <summary>What the members are made of.</summary>
public enum Metal
{
    /// <summary>Mild (unalloyed) steel.</summary>
    MildSteel,

    /// <summary>Low-alloy steel.</summary>
    LowAlloySteel,

    /// <summary>Austenitic stainless steel.</summary>
    Stainless,

    /// <summary>Aluminium and its alloys.</summary>
    Aluminium,

    /// <summary>Titanium.</summary>
    Titanium,

    /// <summary>Nickel alloys.</summary>
    NickelAlloy,

    /// <summary>Copper and its alloys.</summary>
    Copper,

    /// <summary>Magnesium.</summary>
    Magnesium,
}

/// <summary>What the rules know of a metal.</summary>
/// <param name="Metal">Which metal.</param>
/// <param name="Name">The name in a sentence.</param>
/// <param name="DensityGPerCm3">Density, for deposit and filler.</param>
/// <param name="SpecificHeatJPerKgK">Specific heat near room temperature, for the cooling estimate.</param>
/// <param name="Tig">The current TIG takes on it.</param>
/// <param name="Caution">What to heed with this metal; empty when the usual cautions say it.</param>
public sealed record MetalFacts(Metal Metal, string Name, double DensityGPerCm3, double SpecificHeatJPerKgK, Process Tig, string Caution);

/// <summary>The metals of the trade.</summary>
/// <remarks>Densities and specific heats: handbooks, from memory, rounded; an alloy differs by a few per cent.</remarks>
public static class Metals
{
    /// <summary>Every metal.</summary>
    public static IReadOnlyList<MetalFacts> All { get; } =
    [
        new(Metal.MildSteel, "mild steel", 7.85, 490, Process.GtawDc, ""),
        new(Metal.LowAlloySteel, "low-alloy steel", 7.85, 490, Process.GtawDc,
            "Low-alloy steel can harden and crack beside the bead: preheat and filler come from the steel's own procedure."),
        new(Metal.Stainless, "stainless steel", 7.9, 500, Process.GtawDc,
            "Stainless fume holds chromium: extraction on, respirator where your rules ask for it. It keeps its heat and warps: short beads, let it cool."),
        new(Metal.Aluminium, "aluminium", 2.70, 900, Process.GtawAc,
            "Brush the skin off with a stainless brush kept for aluminium, wipe the grease off first. The piece soaks up heat and does not glow before it falls: a fresh piece for each trial."),
        new(Metal.Titanium, "titanium", 4.51, 520, Process.GtawDc,
            "Titanium needs argon on the back and behind the torch until it is cold; straw is the darkest colour that passes."),
        new(Metal.NickelAlloy, "nickel alloy", 8.4, 440, Process.GtawDc,
            "Nickel alloys crack from sulphur and lead: degrease, cut the oxide away, keep the heat low."),
        new(Metal.Copper, "copper", 8.96, 385, Process.GtawDc,
            "Copper carries the heat away: the amps rule falls short, thick pieces want preheat. Copper alloys can give off zinc or beryllium fume."),
        new(Metal.Magnesium, "magnesium", 1.74, 1020, Process.GtawAc,
            "Magnesium chips and dust burn: no grinding sparks near, the right extinguisher at hand."),
    ];

    private static readonly MetalFacts[] ByMetal = [.. All.OrderBy(row => row.Metal)];

    /// <summary>The facts of one metal.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a metal of the list.</exception>
    public static MetalFacts Facts(this Metal metal) => (uint)metal < (uint)ByMetal.Length
        ? ByMetal[(int)metal]
        : throw new ArgumentOutOfRangeException(nameof(metal), metal, "Not a known metal.");

    /// <summary>Whether it is a plain steel: mild or low-alloy.</summary>
    public static bool IsSteel(this Metal metal) => metal is Metal.MildSteel or Metal.LowAlloySteel;
}
