using GentleBead.Core.Quantities;

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
public sealed record MetalFacts
{
    /// <summary>Which metal.</summary>
    public required Metal Metal { get; init; }

    /// <summary>The name in a sentence.</summary>
    public required Said Name { get; init; }

    /// <summary>Density, for deposit and filler, g/cm3.</summary>
    public required double DensityGPerCm3 { get; init; }

    /// <summary>Specific heat near room temperature, for the cooling estimate.</summary>
    public required double SpecificHeatJPerKgK { get; init; }

    /// <summary>The current TIG takes on it.</summary>
    public Process Tig { get; init; } = Process.GtawDc;

    /// <summary>The solid wire MIG takes on it; null where there is no MIG sheet for it.</summary>
    public WireKind? Wire { get; init; }

    /// <summary>The gas usually taken where wire is fed.</summary>
    public Gas UsualGas { get; init; } = Gas.Argon;

    /// <summary>The gas usually taken in spray and pulsed work.</summary>
    public Gas FreeFlightGas { get; init; } = Gas.Argon;

    /// <summary>How much gas flows over fed wire where it is another than the process's own.</summary>
    public FlowRule? WireGasFlow { get; init; }

    /// <summary>Whether it is a plain steel: mild or low-alloy.</summary>
    public bool IsSteel { get; init; }

    /// <summary>Whether the amps rule, which is steel's, is only a first guess on it.</summary>
    public bool AmpsAreAGuess { get; init; }

    /// <summary>How a plate of it is cleaned before it is welded. Common practice, no source.</summary>
    public required Said Clean { get; init; }

    /// <summary>Whether a practice piece of it may be cooled in water; what hardens, cracks or soaks up water may not.</summary>
    public bool MayQuench { get; init; }

    /// <summary>How the next bead comes to lie on cold metal.</summary>
    public Said Cool => MayQuench ? Say($"quench it, or take a fresh piece") : Say($"take a fresh piece, or let it cool in still air");

    /// <summary>
    /// From which thickness a cold plate draws the heat away before it fuses; null where none is warmed for that. Common practice, no
    /// source: the preheat itself is a matter of its procedure.
    /// </summary>
    public Length? DrawsHeatFrom { get; init; }

    /// <summary>What stands beside a right bead; null where the process says it.</summary>
    public Said? Beside { get; init; }

    /// <summary>What to heed with this metal; null when the usual cautions say it.</summary>
    public Said? Caution { get; init; }
}

/// <summary>The metals of the trade.</summary>
/// <remarks>
/// Densities and specific heats: handbooks, from memory, rounded; an alloy differs by a few per cent. Usual gases and flows:
/// common practice, no source.
/// </remarks>
public static class Metals
{
    private static readonly Said Bright = Say($"a bright bead, little discoloured");

    /// <summary>Every metal.</summary>
    public static IReadOnlyList<MetalFacts> All { get; } =
    [
        new()
        {
            Metal = Metal.MildSteel,
            DrawsHeatFrom = Length.FromMm(12),
            Name = Say($"mild steel"),
            Clean = Say($"Grind the plate bright"),
            MayQuench = true,
            DensityGPerCm3 = 7.85,
            SpecificHeatJPerKgK = 490,
            IsSteel = true,
            Wire = WireKind.SolidSteel,
            UsualGas = Gas.ArgonCarbon25,
            FreeFlightGas = Gas.ArgonCarbon10,
        },
        new()
        {
            Metal = Metal.LowAlloySteel,
            DrawsHeatFrom = Length.FromMm(8),
            Name = Say($"low-alloy steel"),
            Clean = Say($"Grind the plate bright"),
            DensityGPerCm3 = 7.85,
            SpecificHeatJPerKgK = 490,
            IsSteel = true,
            Wire = WireKind.SolidSteel,
            UsualGas = Gas.ArgonCarbon25,
            FreeFlightGas = Gas.ArgonCarbon10,
            Caution = Say($"Low-alloy steel can harden and crack beside the bead: preheat and filler come from the steel's own procedure."),
        },
        new()
        {
            Metal = Metal.Stainless,
            Name = Say($"stainless steel"),
            Clean = Say($"Wipe the grease off, then brush the plate with a stainless brush kept for stainless"),
            MayQuench = true,
            DensityGPerCm3 = 7.9,
            SpecificHeatJPerKgK = 500,
            Wire = WireKind.Stainless,
            UsualGas = Gas.HeliumMix,
            FreeFlightGas = Gas.ArgonCarbon2,
            Beside = Say($"straw to light blue at the darkest; grey is burnt"),
            Caution = Sentences(
                Say($"Stainless fume holds chromium: extraction on, respirator where your rules ask for it."),
                Say($"It keeps its heat and warps: short beads, let it cool.")
            ),
        },
        new()
        {
            Metal = Metal.Aluminium,
            DrawsHeatFrom = Length.FromMm(8),
            Name = Say($"aluminium"),
            Clean = Say($"Wipe the grease off, then brush the skin off with a stainless brush kept for aluminium"),
            DensityGPerCm3 = 2.70,
            SpecificHeatJPerKgK = 900,
            Tig = Process.GtawAc,
            Wire = WireKind.Aluminium,
            WireGasFlow = new((12, 14, 16), Say($"aluminium wants a little more than steel")),
            Beside = Say($"a clean frosted band beside it; some black soot that brushes off is no fault"),
            Caution = Sentences(
                Say($"Brush the skin off with a stainless brush kept for aluminium, wipe the grease off first."),
                Say($"The piece soaks up heat and does not glow before it falls: a fresh piece for each trial.")
            ),
        },
        new()
        {
            Metal = Metal.Titanium,
            AmpsAreAGuess = true,
            Name = Say($"titanium"),
            Clean = Say($"Wipe with clean solvent, then brush with a stainless brush kept for titanium"),
            DensityGPerCm3 = 4.51,
            SpecificHeatJPerKgK = 520,
            Beside = Say($"silver, straw at the darkest"),
            Caution = Say(
                $"Titanium needs argon on the back and behind the torch until it is cold; straw is the darkest colour that passes."
            ),
        },
        new()
        {
            Metal = Metal.NickelAlloy,
            AmpsAreAGuess = true,
            Name = Say($"nickel alloy"),
            Clean = Say($"Wipe the grease off, then take the oxide away with a clean disc kept for nickel"),
            DensityGPerCm3 = 8.4,
            SpecificHeatJPerKgK = 440,
            Beside = Bright,
            Caution = Say($"Nickel alloys crack from sulphur and lead: degrease, cut the oxide away, keep the heat low."),
        },
        new()
        {
            Metal = Metal.Copper,
            DrawsHeatFrom = Length.FromMm(3),
            AmpsAreAGuess = true,
            Name = Say($"copper"),
            Clean = Say($"Wipe the grease off, then brush the plate bright"),
            DensityGPerCm3 = 8.96,
            SpecificHeatJPerKgK = 385,
            Beside = Bright,
            Caution = Sentences(
                Say($"Copper carries the heat away: the amps rule falls short, thick pieces want preheat."),
                Say($"Copper alloys can give off zinc or beryllium fume.")
            ),
        },
        new()
        {
            Metal = Metal.Magnesium,
            DrawsHeatFrom = Length.FromMm(8),
            AmpsAreAGuess = true,
            Name = Say($"magnesium"),
            Clean = Say($"Wipe the grease off, then brush the plate bright with a clean stainless brush"),
            DensityGPerCm3 = 1.74,
            SpecificHeatJPerKgK = 1020,
            Tig = Process.GtawAc,
            Beside = Bright,
            Caution = Say($"Magnesium chips and dust burn: no grinding sparks near, the right extinguisher at hand."),
        },
    ];

    private static readonly MetalFacts[] ByMetal = [.. All.OrderBy(row => row.Metal)];

    /// <summary>The facts of one metal.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a metal of the list.</exception>
    public static MetalFacts Facts(this Metal metal) =>
        (uint)metal < (uint)ByMetal.Length
            ? ByMetal[(int)metal]
            : throw new ArgumentOutOfRangeException(nameof(metal), metal, "Not a known metal.");

    /// <summary>Whether it is a plain steel: mild or low-alloy.</summary>
    public static bool IsSteel(this Metal metal) => metal.Facts().IsSteel;
}
