using GentleBead.Core.Quantities;

namespace GentleBead.Core.Stock;

/// <summary>Solid steel wire by nominal diameter (AWS A5.18 ER70S-x, ISO 14341).</summary>
public enum Wire
{
    /// <summary>0.6 mm, 0.023-0.024 in.</summary>
    Solid06,

    /// <summary>0.8 mm, 0.030 in.</summary>
    Solid08,

    /// <summary>0.9 mm, 0.035 in.</summary>
    Solid09,

    /// <summary>1.2 mm, 0.045 in.</summary>
    Solid12,
}

/// <summary>What the rules know of a wire in short circuit under 75 % Ar / 25 % CO2.</summary>
/// <param name="Wire">Which wire.</param>
/// <param name="Diameter">Nominal diameter.</param>
/// <param name="Inch">The inch designation on the spool.</param>
/// <param name="BurnOff">Inches per minute of wire for each ampere.</param>
/// <param name="UsualLow">Lowest current it usually runs at.</param>
/// <param name="UsualHigh">Highest current it usually runs at.</param>
/// <param name="Most">Highest current a sheet asks of it; past this the next size does the work.</param>
/// <param name="VoltsBand">How far below the load line the smooth band reaches, in volts.</param>
public sealed record WireFacts(
    Wire Wire, Length Diameter, string Inch, double BurnOff,
    Current UsualLow, Current UsualHigh, Current Most, double VoltsBand)
{
    /// <summary>"0.8 mm (0.030 in)".</summary>
    public string Name => $"{Show.Number(Diameter.Mm, "0.0")} mm ({Inch} in)";

    /// <summary>Cross-section of the wire in square millimetres.</summary>
    public double AreaMm2 => Math.PI / 4 * Diameter.Mm * Diameter.Mm;
}

/// <summary>The wires of the trade, thinnest first.</summary>
/// <remarks>
/// Burn-off factors: common practice, no source. Usual ranges: short-circuit ranges of the AWS Welding Handbook from
/// memory (0.6 mm: common practice). Width of the volts band: from the reference settings people agree on
/// (0.8 mm: 18-20 V at 250 in/min; 0.9 mm: 17-20 V at 220-250 in/min).
/// </remarks>
public static class Wires
{
    /// <summary>Every wire, thinnest first.</summary>
    public static IReadOnlyList<WireFacts> All { get; } =
    [
        Row(Wire.Solid06, 0.6, "0.023", burnOff: 3.5, usualLow: 30, usualHigh: 90, most: 125, voltsBand: 2.0),
        Row(Wire.Solid08, 0.8, "0.030", burnOff: 2.0, usualLow: 45, usualHigh: 150, most: 180, voltsBand: 2.0),
        Row(Wire.Solid09, 0.9, "0.035", burnOff: 1.6, usualLow: 60, usualHigh: 175, most: 200, voltsBand: 3.5),
        Row(Wire.Solid12, 1.2, "0.045", burnOff: 1.0, usualLow: 100, usualHigh: 225, most: 250, voltsBand: 3.5),
    ];

    /// <summary>The facts of one wire.</summary>
    /// <exception cref="ArgumentOutOfRangeException">Not a wire of the list.</exception>
    public static WireFacts Facts(this Wire wire) =>
        All.FirstOrDefault(row => row.Wire == wire) ?? throw new ArgumentOutOfRangeException(nameof(wire), wire, "Not a known wire.");

    private static WireFacts Row(Wire wire, double mm, string inch, double burnOff, double usualLow, double usualHigh, double most, double voltsBand) =>
        new(wire, Length.FromMm(mm), inch, burnOff, Current.FromAmps(usualLow), Current.FromAmps(usualHigh), Current.FromAmps(most), voltsBand);
}
