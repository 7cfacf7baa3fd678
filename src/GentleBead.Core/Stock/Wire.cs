using GentleBead.Core.Quantities;

namespace GentleBead.Core.Stock;

/// <summary>A wire on a spool: its kind and nominal diameter.</summary>
public enum Wire
{
#pragma warning disable CS1591 // kind and tenths of a millimetre; each is a row of Wires.All below
    Solid06,
    Solid08,
    Solid09,
    Solid10,
    Solid12,
    Solid16,
    Stainless08,
    Stainless09,
    Stainless10,
    Stainless12,
    Stainless16,
    Aluminium08,
    Aluminium09,
    Aluminium10,
    Aluminium12,
    Aluminium16,
    SelfShielded08,
    SelfShielded09,
    SelfShielded12,
    SelfShielded16,
    GasShielded09,
    GasShielded12,
    GasShielded16,
#pragma warning restore CS1591
}

/// <summary>What a wire is made of and how it is built.</summary>
public enum WireKind
{
    /// <summary>Solid steel, AWS A5.18 ER70S-x, ISO 14341.</summary>
    SolidSteel,

    /// <summary>Solid stainless, AWS A5.9.</summary>
    Stainless,

    /// <summary>Solid aluminium, AWS A5.10.</summary>
    Aluminium,

    /// <summary>Flux-cored, makes its own gas; AWS A5.20 and A5.36.</summary>
    SelfShielded,

    /// <summary>Flux-cored, used under a gas; AWS A5.20 and A5.36.</summary>
    GasShielded,
}

/// <summary>The groove of the drive rolls.</summary>
public enum RollGroove
{
    /// <summary>V, for solid steel and stainless.</summary>
    V,

    /// <summary>U, for aluminium.</summary>
    U,

    /// <summary>Knurled, for flux-cored.</summary>
    Knurled,
}

/// <summary>What the rules know of a kind of wire.</summary>
/// <param name="Kind">Which kind.</param>
/// <param name="Words">In a sentence: "solid steel".</param>
/// <param name="Rolls">The groove it is driven with.</param>
/// <param name="Metal">The metal it lays down.</param>
/// <param name="ByMeltingRate">Whether its melting rate holds in every mode instead of the trade's factor.</param>
public sealed record WireKindFacts(WireKind Kind, Said Words, RollGroove Rolls, Metal Metal, bool ByMeltingRate);

/// <summary>The kinds of wire.</summary>
public static class WireKinds
{
    /// <summary>Every kind.</summary>
    public static IReadOnlyList<WireKindFacts> All { get; } =
    [
        new(WireKind.SolidSteel, Say($"solid steel"), RollGroove.V, Metal.MildSteel, false),
        new(WireKind.Stainless, Say($"stainless"), RollGroove.V, Metal.Stainless, false),
        new(WireKind.Aluminium, Say($"aluminium"), RollGroove.U, Metal.Aluminium, true),
        new(WireKind.SelfShielded, Say($"self-shielded flux-cored"), RollGroove.Knurled, Metal.MildSteel, false),
        new(WireKind.GasShielded, Say($"gas-shielded flux-cored"), RollGroove.Knurled, Metal.MildSteel, false),
    ];

    private static readonly WireKindFacts[] ByKind = [.. All.OrderBy(row => row.Kind)];

    /// <summary>The facts of one kind.</summary>
    public static WireKindFacts Facts(this WireKind kind) => ByKind[(int)kind];
}

/// <summary>The currents a wire is used at in one process.</summary>
/// <param name="UsualLow">Lowest current it usually runs at; for spray, where spray begins.</param>
/// <param name="UsualHigh">Highest current it usually runs at.</param>
/// <param name="Most">Highest current a sheet asks of it; past this the next size does the work.</param>
public sealed record WireRange(Current UsualLow, Current UsualHigh, Current Most);

/// <summary>What the rules know of a wire.</summary>
/// <param name="Wire">Which wire.</param>
/// <param name="Kind">What it is made of.</param>
/// <param name="Diameter">Nominal diameter.</param>
/// <param name="Inch">The inch designation on the spool.</param>
/// <param name="BurnOff">Inches per minute of wire for each ampere in short circuit, globular and flux-cored work.</param>
/// <param name="VoltsBand">How far below the load line the smooth band reaches in short circuit, in volts.</param>
/// <param name="Ranges">Currents by process; null where the wire is not used so. Indexed by <see cref="Process"/>.</param>
public sealed record WireFacts(
    Wire Wire,
    WireKind Kind,
    Length Diameter,
    string Inch,
    double BurnOff,
    double VoltsBand,
    IReadOnlyList<WireRange?> Ranges
)
{
    /// <summary>"0.8 mm", to inch readers "0.030 in".</summary>
    public Said Name { get; } = Say($"{new Either($"{Digits.Show(Diameter.Mm, "0.0")} mm", $"{Inch} in")}");

    /// <summary>Cross-section of the wire in square millimetres; a cored wire's includes its core.</summary>
    public double AreaMm2 { get; } = Math.PI / 4 * Diameter.Mm * Diameter.Mm;

    /// <summary>The groove it is driven with.</summary>
    public RollGroove Rolls => Kind.Facts().Rolls;

    /// <summary>Currents it is used at in a process; null where it is not used so.</summary>
    public WireRange? RangeIn(Process process) => Ranges[(int)process];
}

/// <summary>The wires of the trade, by kind, thinnest first.</summary>
/// <remarks>
/// <para>Burn-off of solid steel 0.6, 0.8, 0.9 and 1.2 mm: common practice, no source. 1.0 and 1.6 mm: the same wire
/// volume an ampere, so the factor falls with the wire's area. Flux-cored: from the currents and wire speeds usual for each size
/// (common practice, no source).</para>
/// <para>Spray begins at the published transition currents (AWS Welding Handbook, from memory); sizes that table leaves out
/// lie between their neighbours. Other ranges: short circuit from the same handbook, from memory; the rest common
/// practice, no source.</para>
/// <para>Width of the volts band: from the reference settings people agree on (0.8 mm: 18-20 V at 250 in/min; 0.9 mm: 17-20 V
/// at 220-250 in/min).</para>
/// </remarks>
public static class Wires
{
    private static readonly int Processes = Enum.GetValues<Process>().Length;

    /// <summary>Every wire, by kind, thinnest first.</summary>
    public static IReadOnlyList<WireFacts> All { get; } =
    [
        Solid(Wire.Solid06, WireKind.SolidSteel, (0.6, "0.023"), 3.5, 2.0, new() { Dip = (30, 90, 125) }),
        Solid(
            Wire.Solid08,
            WireKind.SolidSteel,
            (0.8, "0.030"),
            2.0,
            2.0,
            new()
            {
                Dip = (45, 150, 180),
                Drops = (125, 240, 250),
                Spray = (150, 210, 230),
                Pulsed = (40, 190, 210),
            }
        ),
        Solid(
            Wire.Solid09,
            WireKind.SolidSteel,
            (0.9, "0.035"),
            1.6,
            3.5,
            new()
            {
                Dip = (60, 175, 200),
                Drops = (140, 260, 280),
                Spray = (165, 240, 260),
                Pulsed = (45, 220, 240),
            }
        ),
        Solid(
            Wire.Solid10,
            WireKind.SolidSteel,
            (1.0, "0.040"),
            1.3,
            3.5,
            new()
            {
                Dip = (80, 200, 225),
                Drops = (160, 300, 320),
                Spray = (185, 280, 300),
                Pulsed = (50, 250, 275),
            }
        ),
        Solid(
            Wire.Solid12,
            WireKind.SolidSteel,
            (1.2, "0.045"),
            1.0,
            3.5,
            new()
            {
                Dip = (100, 225, 250),
                Drops = (200, 350, 400),
                Spray = (220, 340, 380),
                Pulsed = (60, 320, 350),
            }
        ),
        Solid(
            Wire.Solid16,
            WireKind.SolidSteel,
            (1.6, "1/16"),
            0.55,
            3.5,
            new()
            {
                Drops = (250, 450, 490),
                Spray = (275, 430, 480),
                Pulsed = (90, 400, 440),
            }
        ),
        Solid(
            Wire.Stainless08,
            WireKind.Stainless,
            (0.8, "0.030"),
            2.0,
            2.0,
            new()
            {
                Dip = (45, 140, 160),
                Spray = (155, 205, 225),
                Pulsed = (40, 180, 200),
            }
        ),
        Solid(
            Wire.Stainless09,
            WireKind.Stainless,
            (0.9, "0.035"),
            1.6,
            3.5,
            new()
            {
                Dip = (60, 165, 185),
                Spray = (170, 235, 255),
                Pulsed = (45, 210, 230),
            }
        ),
        Solid(
            Wire.Stainless10,
            WireKind.Stainless,
            (1.0, "0.040"),
            1.3,
            3.5,
            new()
            {
                Dip = (75, 185, 205),
                Spray = (195, 270, 290),
                Pulsed = (50, 240, 260),
            }
        ),
        Solid(
            Wire.Stainless12,
            WireKind.Stainless,
            (1.2, "0.045"),
            1.0,
            3.5,
            new()
            {
                Dip = (100, 210, 230),
                Spray = (225, 330, 360),
                Pulsed = (60, 300, 330),
            }
        ),
        Solid(Wire.Stainless16, WireKind.Stainless, (1.6, "1/16"), 0.55, 3.5, new() { Spray = (285, 420, 460), Pulsed = (90, 380, 420) }),
        Solid(Wire.Aluminium08, WireKind.Aluminium, (0.8, "0.030"), 0, 2.0, new() { Dip = (50, 95, 110), Spray = (95, 150, 170) }),
        Solid(
            Wire.Aluminium09,
            WireKind.Aluminium,
            (0.9, "0.035"),
            0,
            2.0,
            new()
            {
                Dip = (60, 110, 125),
                Spray = (110, 180, 200),
                Pulsed = (40, 160, 180),
            }
        ),
        Solid(
            Wire.Aluminium10,
            WireKind.Aluminium,
            (1.0, "0.040"),
            0,
            2.0,
            new()
            {
                Dip = (70, 120, 135),
                Spray = (120, 210, 230),
                Pulsed = (45, 190, 210),
            }
        ),
        Solid(Wire.Aluminium12, WireKind.Aluminium, (1.2, "3/64"), 0, 2.0, new() { Spray = (135, 260, 290), Pulsed = (50, 250, 275) }),
        Solid(Wire.Aluminium16, WireKind.Aluminium, (1.6, "1/16"), 0, 2.0, new() { Spray = (180, 330, 370), Pulsed = (70, 320, 360) }),
        Cored(Wire.SelfShielded08, Process.FcawSelfShielded, 0.8, "0.030", 1.5, (40, 120, 140)),
        Cored(Wire.SelfShielded09, Process.FcawSelfShielded, 0.9, "0.035", 1.1, (50, 150, 170)),
        Cored(Wire.SelfShielded12, Process.FcawSelfShielded, 1.2, "0.045", 0.75, (95, 210, 230)),
        Cored(Wire.SelfShielded16, Process.FcawSelfShielded, 1.6, "1/16", 0.55, (120, 300, 350)),
        Cored(Wire.GasShielded09, Process.FcawGasShielded, 0.9, "0.035", 2.7, (90, 180, 200)),
        Cored(Wire.GasShielded12, Process.FcawGasShielded, 1.2, "0.045", 1.6, (130, 270, 300)),
        Cored(Wire.GasShielded16, Process.FcawGasShielded, 1.6, "1/16", 0.95, (180, 350, 400)),
    ];

    private static readonly WireFacts[] ByWire = [.. All.OrderBy(row => row.Wire)];

    /// <summary>The facts of one wire.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a wire of the list.</exception>
    public static WireFacts Facts(this Wire wire) =>
        (uint)wire < (uint)ByWire.Length
            ? ByWire[(int)wire]
            : throw new ArgumentOutOfRangeException(nameof(wire), wire, "Not a known wire.");

    /// <summary>The kind in a sentence: "solid steel".</summary>
    public static Said Words(this WireKind kind) => kind.Facts().Words;

    /// <summary>The next size up of the same kind that is used in a process; null when this is the thickest.</summary>
    public static WireFacts? NextAbove(this WireFacts wire, Process process) =>
        All.FirstOrDefault(row => row.Kind == wire.Kind && row.Diameter > wire.Diameter && row.RangeIn(process) is not null);

    // Amps a wire carries in each mode: least, most usually, most at all.
    private readonly record struct Carries
    {
        public (double Low, double High, double Most)? Dip { get; init; }

        public (double Low, double High, double Most)? Drops { get; init; }

        public (double Low, double High, double Most)? Spray { get; init; }

        public (double Low, double High, double Most)? Pulsed { get; init; }
    }

    private static WireFacts Solid(Wire wire, WireKind kind, (double Mm, string Inch) size, double burnOff, double voltsBand, Carries amps)
    {
        var ranges = new WireRange?[Processes];
        ranges[(int)Process.GmawShortCircuit] = Range(amps.Dip);
        ranges[(int)Process.GmawGlobular] = Range(amps.Drops);
        ranges[(int)Process.GmawSpray] = Range(amps.Spray);
        ranges[(int)Process.GmawPulsed] = Range(amps.Pulsed);
        return new(wire, kind, Length.FromMm(size.Mm), size.Inch, burnOff, voltsBand, ranges);
    }

    private static WireFacts Cored(Wire wire, Process process, double mm, string inch, double burnOff, (double, double, double) amps)
    {
        var ranges = new WireRange?[Processes];
        ranges[(int)process] = Range(amps);
        return new(wire, process.Facts().OwnWire!.Value, Length.FromMm(mm), inch, burnOff, 2.0, ranges);
    }

    private static WireRange? Range((double Low, double High, double Most)? amps) =>
        amps is { } given ? new WireRange(Current.FromAmps(given.Low), Current.FromAmps(given.High), Current.FromAmps(given.Most)) : null;
}
