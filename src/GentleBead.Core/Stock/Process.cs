using GentleBead.Core.Quantities;

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

/// <summary>What makes the arc.</summary>
public enum ArcKind
{
    /// <summary>Solid wire, fed under a gas.</summary>
    SolidWire,

    /// <summary>Flux-cored wire, fed.</summary>
    CoredWire,

    /// <summary>A tungsten; a rod is dipped by hand.</summary>
    Tungsten,
}

/// <summary>How far the tip stands from the work.</summary>
/// <param name="Low">Shortest that is good, millimetres.</param>
/// <param name="High">Longest that is good, millimetres.</param>
/// <param name="Diameters">Aimed at so many wire diameters; null where <paramref name="Aim"/> is the same for every wire.</param>
/// <param name="Aim">Aimed at, millimetres.</param>
/// <param name="Rule">The rule's name.</param>
/// <param name="Why">Why so long.</param>
public sealed record StickOutRule(double Low, double High, double? Diameters, double Aim, Said Rule, Said Why)
{
    /// <summary>The stick-out for a wire.</summary>
    public Window<Length> For(WireFacts wire)
    {
        var aim = Diameters is { } times ? Math.Clamp(times * wire.Diameter.Mm, Low, High) : Aim;
        return new(Length.FromMm(Low), Length.FromMm(aim), Length.FromMm(High));
    }
}

/// <summary>How much gas flows.</summary>
/// <param name="LPerMin">Lowest, aimed at and highest that is good, litres a minute.</param>
/// <param name="Why">Why so much.</param>
public sealed record FlowRule((double Low, double Aim, double High) LPerMin, Said Why)
{
    /// <summary>The flow to set.</summary>
    public Window<GasFlow> Flow { get; } =
        new(GasFlow.FromLPerMin(LPerMin.Low), GasFlow.FromLPerMin(LPerMin.Aim), GasFlow.FromLPerMin(LPerMin.High));
}

/// <summary>What the rules know of a process.</summary>
public sealed record ProcessFacts
{
    /// <summary>Which process.</summary>
    public required Process Process { get; init; }

    /// <summary>The name on the sheet.</summary>
    public required Said Name { get; init; }

    /// <summary>What makes the arc.</summary>
    public required ArcKind Arc { get; init; }

    /// <summary>Process number of ISO 4063, from memory.</summary>
    public required string Iso4063 { get; init; }

    /// <summary>The same under a gas in which nothing reacts.</summary>
    public required string Iso4063Inert { get; init; }

    /// <summary>Polarity it needs.</summary>
    public required Polarity Polarity { get; init; }

    /// <summary>What goes wrong the other way round.</summary>
    public required Said PolarityWrong { get; init; }

    /// <summary>Share of the arc's energy that reaches the plate, k of EN 1011-1.</summary>
    public required double ArcShare { get; init; }

    /// <summary>Share of the wire that stays in the bead.</summary>
    public required double DepositShare { get; init; }

    /// <summary>Largest leg laid in one pass, millimetres.</summary>
    public required double LargestLeg { get; init; }

    /// <summary>What the arc should sound like.</summary>
    public required Said Sound { get; init; }

    /// <summary>How far the torch leans off square.</summary>
    public required Said TravelAngle { get; init; }

    /// <summary>How far the tip stands from the work; null where there is no tip.</summary>
    public StickOutRule? StickOut { get; init; }

    /// <summary>How much gas flows; null where the wire makes its own.</summary>
    public FlowRule? GasFlow { get; init; }

    /// <summary>The gas usually taken on any metal; null where the metal decides.</summary>
    public Gas? UsualGas { get; init; }

    /// <summary>The one kind of wire it takes on any metal; null where the metal decides.</summary>
    public WireKind? OwnWire { get; init; }

    /// <summary>Whether slag covers the bead: slag means drag.</summary>
    public bool Slag { get; init; }

    /// <summary>
    /// Whether the drops fly free through an argon-rich gas, and the wire's own melting rate holds instead of the trade's factor.
    /// </summary>
    public bool FreeFlight { get; init; }

    /// <summary>The least current of a wire against the lowest it usually runs at; below it the arc goes out, or leaves the mode.</summary>
    public double LeastShare { get; init; } = 0.5;

    /// <summary>Whether a program of the machine makes the volts and a trim shifts them; otherwise a hand sets them.</summary>
    public bool VoltsByProgram { get; init; }

    /// <summary>Whether the inductance has a say.</summary>
    public bool UsesInductance { get; init; }

    /// <summary>Whether a hand may weave; null where it only goes straight.</summary>
    public Said? StraightOnly { get; init; }

    /// <summary>Whether a feeder sets the current; otherwise the machine's amps do.</summary>
    public bool FeedsWire => Arc != ArcKind.Tungsten;

    /// <summary>Whether a tungsten needs alternating current.</summary>
    public bool NeedsAc => Polarity == Polarity.Alternating;

    /// <summary>Its name with the ISO 4063 number.</summary>
    public Said NameUnder(GasFacts gas) => Say($"{Name} ({(gas.Inert ? Iso4063Inert : Iso4063).Name()})");
}

/// <summary>The processes of the trade.</summary>
/// <remarks>
/// k: EN 1011-1, from memory (0.8 for MIG, MAG and flux-cored, 0.6 for TIG). Deposit efficiencies: handbooks, from memory.
/// Largest legs in one pass, stick-outs and gas flows: common practice, no source.
/// </remarks>
public static class Processes
{
    private static readonly Said WireOnMinus = Say($"On minus the arc wanders, the spatter is heavy and the bead does not bite.");

    private static readonly StickOutRule Short = new(
        6,
        10,
        10,
        0,
        Say($"About ten wire diameters, {new Either("6 to 10 mm", "1/4 to 3/8 in")}"),
        Say($"longer pops like too much wire and loses gas cover")
    );

    private static readonly StickOutRule Long = new(
        15,
        20,
        null,
        17,
        Say($"Long for a hot arc"),
        Say($"keeps the tip out of the heat; longer loses gas cover")
    );

    private static readonly StickOutRule ForFlux = new(
        12,
        20,
        null,
        15,
        Say($"Long for self-shielded wire"),
        Say($"the flux needs the heat of the stick-out; shorter comes out porous")
    );

    private static readonly FlowRule Little = new(
        (10, 11, 12),
        Say($"{new Either("9 to 12 L/min", "20 to 25 ft³/h")} is usual; more than {GasFlow.FromLPerMin(12)} draws in air")
    );

    private static readonly FlowRule Much = new(
        (14, 16, 18),
        Say($"a hotter arc and a longer stick-out want more cover than short circuit")
    );

    private static readonly FlowRule OverTungsten = new(
        (7, 8.5, 9.5),
        Say($"{new Either("7 to 9.5 L/min", "15 to 20 ft³/h")} is usual for TIG with a standard cup")
    );

    private static readonly Said Leaning = Say($"10 to 15° off square");
    private static readonly Said LeaningTig = Say($"10 to 20° off square");

    /// <summary>Every process.</summary>
    public static IReadOnlyList<ProcessFacts> All { get; } =
    [
        new()
        {
            Process = Process.GmawShortCircuit,
            Name = Say($"MIG short circuit"),
            Arc = ArcKind.SolidWire,
            Iso4063 = "135",
            Iso4063Inert = "131",
            Polarity = Polarity.TorchPlus,
            PolarityWrong = WireOnMinus,
            ArcShare = 0.8,
            DepositShare = 0.93,
            LargestLeg = 6,
            StickOut = Short,
            GasFlow = Little,
            TravelAngle = Leaning,
            UsesInductance = true,
            Sound = Say($"Even crackle, like frying. No popping, no hiss."),
        },
        new()
        {
            Process = Process.GmawGlobular,
            Name = Say($"MIG globular"),
            Arc = ArcKind.SolidWire,
            Iso4063 = "135",
            Iso4063Inert = "131",
            Polarity = Polarity.TorchPlus,
            PolarityWrong = WireOnMinus,
            ArcShare = 0.8,
            DepositShare = 0.93,
            LargestLeg = 8,
            StickOut = Long,
            GasFlow = Much,
            TravelAngle = Leaning,
            Sound = Say($"A loud, low rattle with heavy pops and a fluid puddle; more spatter than short circuit."),
        },
        new()
        {
            Process = Process.GmawSpray,
            Name = Say($"MIG spray"),
            Arc = ArcKind.SolidWire,
            Iso4063 = "135",
            Iso4063Inert = "131",
            Polarity = Polarity.TorchPlus,
            PolarityWrong = WireOnMinus,
            ArcShare = 0.8,
            DepositShare = 0.97,
            LargestLeg = 8,
            StickOut = Long,
            GasFlow = Much,
            TravelAngle = Leaning,
            FreeFlight = true,
            LeastShare = 1,
            StraightOnly = Say($"Straight: spray needs no weaving."),
            Sound = Say($"A smooth hiss without crackle. Crackling means too few volts."),
        },
        new()
        {
            Process = Process.GmawPulsed,
            Name = Say($"MIG pulsed"),
            Arc = ArcKind.SolidWire,
            Iso4063 = "135",
            Iso4063Inert = "131",
            Polarity = Polarity.TorchPlus,
            PolarityWrong = WireOnMinus,
            ArcShare = 0.8,
            DepositShare = 0.97,
            LargestLeg = 7,
            StickOut = Long,
            GasFlow = Much,
            TravelAngle = Leaning,
            FreeFlight = true,
            VoltsByProgram = true,
            Sound = Say($"An even hum at the pulse. Crackling means the arc is trimmed too short."),
        },
        new()
        {
            Process = Process.FcawSelfShielded,
            Name = Say($"Flux-cored, self-shielded"),
            Arc = ArcKind.CoredWire,
            Iso4063 = "114",
            Iso4063Inert = "114",
            Polarity = Polarity.TorchMinus,
            PolarityWrong = Say($"On plus it spatters, burns hot and comes out full of holes."),
            ArcShare = 0.8,
            DepositShare = 0.80,
            LargestLeg = 8,
            OwnWire = WireKind.SelfShielded,
            Slag = true,
            UsualGas = Gas.None,
            StickOut = ForFlux,
            TravelAngle = Leaning,
            Sound = Say($"A steady, rough sizzle. Popping means too few volts, a long roar too many."),
        },
        new()
        {
            Process = Process.FcawGasShielded,
            Name = Say($"Flux-cored, gas-shielded"),
            Arc = ArcKind.CoredWire,
            Iso4063 = "136",
            Iso4063Inert = "136",
            Polarity = Polarity.TorchPlus,
            PolarityWrong = Say($"On minus it spatters and the slag is trapped."),
            ArcShare = 0.8,
            DepositShare = 0.86,
            LargestLeg = 8,
            OwnWire = WireKind.GasShielded,
            Slag = true,
            StickOut = Long,
            GasFlow = Much,
            TravelAngle = Leaning,
            Sound = Say($"A soft, steady sizzle. Popping means too few volts."),
        },
        new()
        {
            Process = Process.GtawDc,
            Name = Say($"TIG, DC"),
            Arc = ArcKind.Tungsten,
            Iso4063 = "141",
            Iso4063Inert = "141",
            Polarity = Polarity.TorchMinus,
            PolarityWrong = Say($"On plus the tungsten balls up and drips, and the torch overheats."),
            ArcShare = 0.6,
            DepositShare = 1,
            LargestLeg = 5,
            UsualGas = Gas.Argon,
            GasFlow = OverTungsten,
            TravelAngle = LeaningTig,
            StraightOnly = Say($"Straight; dip the rod at an even beat."),
            Sound = Say($"Near silence, a faint steady hiss. Sputter means dirt, a lost gas cover or a touched tungsten."),
        },
        new()
        {
            Process = Process.GtawAc,
            Name = Say($"TIG, AC"),
            Arc = ArcKind.Tungsten,
            Iso4063 = "141",
            Iso4063Inert = "141",
            Polarity = Polarity.Alternating,
            PolarityWrong = Say($"On DC minus the oxide skin stays and the puddle does not wet; on DC plus the tungsten melts."),
            ArcShare = 0.6,
            DepositShare = 1,
            LargestLeg = 5,
            UsualGas = Gas.Argon,
            GasFlow = OverTungsten,
            TravelAngle = LeaningTig,
            StraightOnly = Say($"Straight; dip the rod at an even beat."),
            Sound = Say($"A steady buzz at the set frequency. Flutter means dirt, or too little cleaning."),
        },
    ];

    private static readonly ProcessFacts[] ByProcess = [.. All.OrderBy(row => row.Process)];

    /// <summary>The facts of one process.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a process of the list.</exception>
    public static ProcessFacts Facts(this Process process) =>
        (uint)process < (uint)ByProcess.Length
            ? ByProcess[(int)process]
            : throw new ArgumentOutOfRangeException(nameof(process), process, "Not a known process.");

    /// <summary>Whether solid wire is fed under a gas.</summary>
    public static bool IsGmaw(this Process process) => process.Facts().Arc == ArcKind.SolidWire;

    /// <summary>Whether a tungsten makes the arc.</summary>
    public static bool IsGtaw(this Process process) => process.Facts().Arc == ArcKind.Tungsten;

    /// <summary>Polarity in the words of the shop.</summary>
    public static Said Words(this Polarity polarity) =>
        polarity switch
        {
            Polarity.TorchPlus => Say($"DC, torch on plus (DCEP)"),
            Polarity.TorchMinus => Say($"DC, torch on minus (DCEN)"),
            _ => Say($"AC"),
        };
}
