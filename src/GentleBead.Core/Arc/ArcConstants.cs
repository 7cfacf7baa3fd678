using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Arc;

/// <summary>The constants of one wire's arc: the one place where the model touches numbers. Lengths in mm, times in s.</summary>
/// <param name="Area">Cross-section of the wire that carries current, mm².</param>
/// <param name="Diameter">Its diameter, mm.</param>
/// <param name="MeltA">Melting by the arc's heat at the wire's end: a of v = a I + b L I², mm/(A s).</param>
/// <param name="MeltB">Melting by resistance in the stick-out: b, 1/(A² s).</param>
/// <param name="OhmPerMm">Resistance of a millimetre of hot stick-out.</param>
/// <param name="Fall">Anode and cathode falls together, V.</param>
/// <param name="ArcOhm">How the arc's volts rise with its current.</param>
/// <param name="VoltsPerMm">How they rise with its length.</param>
/// <param name="FreeDrop">Volume at which a drop falls of itself at no current, mm³.</param>
/// <param name="SmallDrop">The least volume a drop comes off with, mm³.</param>
/// <param name="SprayAmps">Current at which the arc's own force takes the drop off; infinite where the gas holds it up.</param>
/// <param name="Neck">Time a bridge of one cubic millimetre takes to neck off by surface tension alone, s.</param>
/// <param name="PinchAmps">Current at which the pinch necks the bridge as fast again.</param>
/// <param name="FuseAction">Action (integral of I²) that melts a wire stuck in the puddle, A² s.</param>
/// <param name="Restless">How restless the arc and puddle are, against solid wire under 75/25.</param>
internal sealed record ArcConstants(
    double Area,
    double Diameter,
    double MeltA,
    double MeltB,
    double OhmPerMm,
    double Fall,
    double ArcOhm,
    double VoltsPerMm,
    double FreeDrop,
    double SmallDrop,
    double SprayAmps,
    double Neck,
    double PinchAmps,
    double FuseAction,
    double Restless
)
{
    /// <summary>Inductance of source and leads where nobody says, mH.</summary>
    internal const double UsualInductanceMh = 0.25;

    /// <summary>Source: drop of volts for each ampere, and the resistance of the leads.</summary>
    internal const double SourceOhm = 0.03,
        LeadOhm = 0.01;

    // From 0.9 mm up the trade's band reaches lower under the load line than with thin wire, and its middle with it.
    private const double ThinBand = 2;

    // Past this share of CO2 the gas holds the drop up, and there is no spray.
    private const double SpraysUpTo = 20;

    // Volts lost at wire and plate. A steel arc in argon mixtures loses 15 to 19 V at both ends (handbooks, from memory); what is
    // left of that once the rise with current is taken out was then fitted so that the trade's own pairs run smooth.
    private static readonly Dictionary<WireKind, double> Falls = new()
    {
        [WireKind.SolidSteel] = 12.85,
        [WireKind.Stainless] = 12.85,
        [WireKind.Aluminium] = 13.2,
        [WireKind.SelfShielded] = 9.8,
        [WireKind.GasShielded] = 19.2,
    };

    // Surface tension and density of molten metal: steel 1.2 N/m and 7.0 mg/mm3, aluminium 0.9 and 2.4 (handbook values, from memory).
    private static (double Tension, double Density, double Ohm, double MeltJoule) Liquid(WireKind kind) =>
        kind == WireKind.Aluminium ? (0.9, 2.4e-3, 2.5e-4, 2.4) : (1.2, 7.0e-3, 1.1e-3, 7.0);

    /// <summary>The constants of a setting.</summary>
    internal static ArcConstants Of(ArcSetting setting)
    {
        var wire = setting.Wire!.Value.Facts();
        var gas = setting.Gas.Facts();
        var liquid = Liquid(wire.Kind);
        var cored = wire.Kind is WireKind.SelfShielded or WireKind.GasShielded;
        var held = gas.CarbonPercent > 50;
        var area = wire.AreaMm2;
        var (a, b) = MeltRate.Constants(setting.Process, wire);
        // The drop hangs by surface tension round the wire against its weight and the arc's force (static balance of forces);
        // shaking and the puddle's pull take it off at about a fifth of that.
        var hanging = Math.PI * wire.Diameter.Mm * 1e-3 * liquid.Tension;
        var free = 0.2 * hanging / (liquid.Density * 1e-3 * 9.81);
        return new ArcConstants(
            area,
            wire.Diameter.Mm,
            a,
            b,
            liquid.Ohm / area,
            Fall: Falls[wire.Kind]
                + VoltLine.GasVolts(setting.Process, setting.Gas)
                - (wire.Kind == WireKind.Aluminium ? 0 : (wire.VoltsBand - ThinBand) / 2),
            ArcOhm: HeldVolts.ArcRise(wire.Kind),
            VoltsPerMm: wire.Kind == WireKind.Aluminium ? 0.7
                : held ? 1.4
                : gas.CarbonPercent > SpraysUpTo ? 1.2
                : 0.8,
            FreeDrop: free * (held ? 1.5 : 1),
            SmallDrop: Math.PI / 6 * Math.Pow(cored ? 1.1 * wire.Diameter.Mm : wire.Diameter.Mm, 3),
            SprayAmps: setting.Process switch
            {
                Process.FcawSelfShielded => double.PositiveInfinity,
                Process.FcawGasShielded => wire.RangeIn(Process.FcawGasShielded)!.UsualLow.Amps,
                _ => gas.CarbonPercent <= SpraysUpTo ? SprayBegins(wire) : double.PositiveInfinity,
            },
            Neck: Math.Sqrt(liquid.Density * 1e-3 * 6 / (Math.PI * liquid.Tension)),
            PinchAmps: 190 * Math.Sqrt(wire.Diameter.Mm / 0.8),
            FuseAction: liquid.MeltJoule / liquid.Ohm * area * area,
            Restless: cored ? 1.3
                : held ? 1.5
                : 1
        );
    }

    // Where the published spray transition begins; a wire without one gets what the same force would take for its size.
    private static double SprayBegins(WireFacts wire) =>
        wire.RangeIn(Process.GmawSpray)?.UsualLow.Amps ?? 190 * Math.Sqrt(wire.Diameter.Mm / 0.9);
}
