using GentleBead.Core.Rules;

namespace GentleBead.Core.Stock;

/// <summary>How the weld is made: the process, and for gas-shielded wire the transfer mode with it.</summary>
public enum Process
{
    /// <summary>Gas-shielded solid wire in short circuit (dip transfer).</summary>
    GmawShortCircuit,

    /// <summary>Gas-shielded solid wire in large drops.</summary>
    GmawGlobular,

    /// <summary>Gas-shielded solid wire in a spray of fine drops.</summary>
    GmawSpray,

    /// <summary>Gas-shielded solid wire, one drop a pulse; the machine's own program does the pulsing.</summary>
    GmawPulsed,

    /// <summary>Flux-cored wire that makes its own gas.</summary>
    FcawSelfShielded,

    /// <summary>Flux-cored wire under a gas.</summary>
    FcawGasShielded,

    /// <summary>Tungsten and a filler rod, direct current.</summary>
    GtawDc,

    /// <summary>Tungsten and a filler rod, alternating current.</summary>
    GtawAc,
}

/// <summary>What the torch is joined to.</summary>
public enum Polarity
{
    /// <summary>Direct current, torch on plus (DCEP).</summary>
    TorchPlus,

    /// <summary>Direct current, torch on minus (DCEN).</summary>
    TorchMinus,

    /// <summary>Alternating current.</summary>
    Alternating,
}

/// <summary>What the rules know of a process.</summary>
/// <param name="Process">Which process.</param>
/// <param name="Name">The name on the sheet.</param>
/// <param name="FeedsWire">Whether a feeder sets the current; otherwise the machine's amps do.</param>
/// <param name="Polarity">Polarity it needs.</param>
/// <param name="PolarityWrong">What goes wrong the other way round.</param>
/// <param name="Slag">Whether slag covers the bead: slag means drag.</param>
/// <param name="ArcShare">Share of the arc's energy that reaches the plate, k of EN 1011-1.</param>
/// <param name="DepositShare">Share of the wire that stays in the bead.</param>
/// <param name="LargestLeg">Largest leg laid in one pass, millimetres.</param>
/// <param name="Sound">What the arc should sound like.</param>
public sealed record ProcessFacts(
    Process Process, string Name, bool FeedsWire, Polarity Polarity, string PolarityWrong, bool Slag,
    double ArcShare, double DepositShare, double LargestLeg, string Sound);

/// <summary>The processes of the trade.</summary>
/// <remarks>
/// k: EN 1011-1, from memory (0.8 for MIG, MAG and flux-cored, 0.6 for TIG). Deposit efficiencies: handbooks, from
/// memory. Largest legs in one pass: common practice, no source.
/// </remarks>
public static class Processes
{
    private const string WireOnMinus = "On minus the arc wanders, the spatter is heavy and the bead does not bite.";

    /// <summary>Every process.</summary>
    public static IReadOnlyList<ProcessFacts> All { get; } =
    [
        new(Process.GmawShortCircuit, "MIG short circuit", true, Polarity.TorchPlus, WireOnMinus, false, 0.8, 0.93, 6,
            "Even crackle, like frying. No popping, no hiss."),
        new(Process.GmawGlobular, "MIG globular", true, Polarity.TorchPlus, WireOnMinus, false, 0.8, 0.93, 8,
            "A loud, low rattle with heavy pops and a fluid puddle; more spatter than short circuit."),
        new(Process.GmawSpray, "MIG spray", true, Polarity.TorchPlus, WireOnMinus, false, 0.8, 0.97, 8,
            "A smooth hiss without crackle. Crackling means too few volts."),
        new(Process.GmawPulsed, "MIG pulsed", true, Polarity.TorchPlus, WireOnMinus, false, 0.8, 0.97, 7,
            "An even hum at the pulse. Crackling means the arc is trimmed too short."),
        new(Process.FcawSelfShielded, "Flux-cored, self-shielded", true, Polarity.TorchMinus,
            "On plus it spatters, burns hot and comes out full of holes.", true, 0.8, 0.80, 8,
            "A steady, rough sizzle. Popping means too few volts, a long roar too many."),
        new(Process.FcawGasShielded, "Flux-cored, gas-shielded", true, Polarity.TorchPlus,
            "On minus it spatters and the slag is trapped.", true, 0.8, 0.86, 8,
            "A soft, steady sizzle. Popping means too few volts."),
        new(Process.GtawDc, "TIG, DC", false, Polarity.TorchMinus,
            "On plus the tungsten balls up and drips, and the torch overheats.", false, 0.6, 1, 5,
            "Near silence, a faint steady hiss. Sputter means dirt, a lost gas cover or a touched tungsten."),
        new(Process.GtawAc, "TIG, AC", false, Polarity.Alternating,
            "On DC minus the oxide skin stays and the puddle does not wet; on DC plus the tungsten melts.", false, 0.6, 1, 5,
            "A steady buzz at the set frequency. Flutter means dirt, or too little cleaning."),
    ];

    private static readonly ProcessFacts[] ByProcess = [.. All.OrderBy(row => row.Process)];

    /// <summary>The facts of one process.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a process of the list.</exception>
    public static ProcessFacts Facts(this Process process) => (uint)process < (uint)ByProcess.Length
        ? ByProcess[(int)process]
        : throw new ArgumentOutOfRangeException(nameof(process), process, "Not a known process.");

    /// <summary>Whether solid wire is fed under a gas.</summary>
    public static bool IsGmaw(this Process process) => process <= Process.GmawPulsed;

    /// <summary>Whether a tungsten makes the arc.</summary>
    public static bool IsGtaw(this Process process) => process >= Process.GtawDc;

    /// <summary>Process number of ISO 4063, from memory: 131 and 135 by the gas, 114, 136, 141.</summary>
    public static string Iso4063(this Process process, Gas gas) => process switch
    {
        Process.FcawSelfShielded => "114",
        Process.FcawGasShielded => "136",
        Process.GtawDc or Process.GtawAc => "141",
        _ => gas.Facts().Inert ? "131" : "135",
    };

    /// <summary>Polarity in the words of the shop.</summary>
    public static string Words(this Polarity polarity) => polarity switch
    {
        Polarity.TorchPlus => "DC, torch on plus (DCEP)",
        Polarity.TorchMinus => "DC, torch on minus (DCEN)",
        _ => "AC",
    };
}
