using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>How volts follow the current in one process: middle of the band = Base + Slope x I.</summary>
/// <param name="Base">Volts at no current.</param>
/// <param name="Slope">Volts more for each ampere.</param>
/// <param name="Below">How far the smooth band reaches under that, in volts.</param>
/// <param name="Above">How far it reaches over it.</param>
/// <param name="Source">What stands behind it.</param>
/// <param name="Words">The rule in words, for the reason.</param>
public sealed record VoltLine(double Base, double Slope, double Below, double Above, Source Source, Said Words)
{
    private const double LoadBase = 14;
    private const double LoadSlope = 0.05;

    // Short circuit, by width of the wire's band: half of it lies under the middle, the load line is the top.
    private static readonly Dictionary<double, VoltLine> Dip = Wires
        .All.Select(wire => wire.VoltsBand)
        .Distinct()
        .ToDictionary(
            band => band,
            band => new VoltLine(
                LoadBase - band / 2,
                LoadSlope,
                band / 2,
                band / 2,
                Source.Published,
                Say(
                    $"load line 14 + 0.05 I (IEC 60974-1, from memory); short circuit under 75/25 runs smooth down to {band:0.#} "
                        + $"V below it with this wire (common practice); aim in the middle"
                )
            )
        );

    // One line for each process; a kind of wire may have one of its own. The globular line is from the pairs people agree on:
    // 20.5 V at about 145 A, 24 V at about 237 A with 0.8 mm wire.
    private static readonly Dictionary<(Process Process, WireKind? Kind), VoltLine> Lines = new()
    {
        [(Process.GmawGlobular, null)] = new(
            15,
            0.038,
            1,
            1.5,
            Source.CommonPractice,
            Say(
                $"15 + 0.038 I, from 20.5 V with {new Either("6.4 to 8.3 m/min", "250 to 325 in/min")} up to 24 V with "
                    + $"{WireFeedSpeed.FromInPerMin(475)} of {Wire.Solid08.Facts().Name} wire"
            )
        ),
        [(Process.GmawSpray, null)] = new(
            20,
            0.025,
            1.5,
            1.5,
            Source.CommonPractice,
            Say($"20 + 0.025 I for steel in spray: under it the arc crackles, over it the toes undercut")
        ),
        [(Process.GmawSpray, WireKind.Aluminium)] = new(16.5, 0.04, 1.5, 1.5, Source.CommonPractice, Say($"16.5 + 0.04 I for aluminium")),
        [(Process.GmawPulsed, null)] = new(
            18.5,
            0.027,
            2,
            2,
            Source.CommonPractice,
            Say($"18.5 + 0.027 I is what the read-out shows; the machine's program sets it, the trim shifts it")
        ),
        [(Process.FcawSelfShielded, null)] = new(
            12.5,
            0.028,
            1,
            1,
            Source.CommonPractice,
            Say($"12.5 + 0.028 I for self-shielded wire: a short arc on low volts")
        ),
        [(Process.FcawGasShielded, null)] = new(
            20,
            0.03,
            1.5,
            1.5,
            Source.CommonPractice,
            Say($"20 + 0.03 I for gas-shielded flux-cored wire")
        ),
    };

    // What pure CO2 adds where the drops are big or the wire is cored. Common practice, no source.
    private const double CarbonVolts = 1.5;

    // Every process with every wire, looked up once: it is asked for at every key that is typed.
    private static readonly int WireCount = Enum.GetValues<Wire>().Length;
    private static readonly VoltLine[] Found =
    [
        .. from process in Enum.GetValues<Process>() from wire in Enum.GetValues<Wire>() select Find(process, wire.Facts()),
    ];

    /// <summary>The line of an arc; short circuit goes by the wire.</summary>
    public static VoltLine Of(Process process, WireFacts wire) => Found[(int)process * WireCount + (int)wire.Wire];

    private static VoltLine Find(Process process, WireFacts wire) =>
        Lines.TryGetValue((process, wire.Kind), out var own) || Lines.TryGetValue((process, null), out own) ? own : Dip[wire.VoltsBand];

    /// <summary>
    /// What a gas adds to the volts of an arc: short circuit by its table,
    /// pure CO2 in globular and cored work 1.5 V. Common practice, no source.
    /// </summary>
    public static double GasVolts(Process process, Gas gas) =>
        process switch
        {
            Process.GmawShortCircuit => gas.Facts().DipVolts,
            Process.GmawGlobular or Process.FcawGasShielded when gas == Gas.Carbon => CarbonVolts,
            _ => 0,
        };
}
