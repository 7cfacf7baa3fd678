using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>Where volts that are held run smooth when the tip stands nearer or farther: the stick-out takes volts of its own.</summary>
/// <remarks>
/// The volts of the machine lie over stick-out and arc together. At held volts the arc keeps its length where both take as much as before:
/// (r + rho L / A) I stays the same, r being the arc's rise with current and L / A the stick-out's length over the wire's area (Ohm).
/// </remarks>
public static class HeldVolts
{
    // How an arc's volts rise with its current, V/A; under a slag's flux they rise less. Fitted to the trade's pairs of wire and volts.
    private const double UsualRise = 0.022;
    private static readonly Dictionary<WireKind, double> Rises = new() { [WireKind.GasShielded] = 0.009 };

    // Resistivity from the cold tip to the white-hot end, on average, ohm mm: steel goes from 0.2 to 1.2 micro-ohm m, aluminium from
    // 0.03 to 0.1 (handbook values, from memory).
    private const double Steel = 0.55e-3;
    private static readonly Dictionary<WireKind, double> Resistivities = new() { [WireKind.Aluminium] = 0.065e-3 };

    /// <summary>The wire feed speed that lies in its band at one stick-out as another does at its own, at the same volts.</summary>
    /// <param name="wireFeed">Wire feed speed that was found.</param>
    /// <param name="stickOut">Tip to work it was found at; 1 to 50 mm.</param>
    /// <param name="usual">Tip to work it is wanted for; 1 to 50 mm.</param>
    /// <param name="arc">Process, wire and gas.</param>
    public static WireFeedSpeed WireAt(WireFeedSpeed wireFeed, Length stickOut, Length usual, WireArc arc)
    {
        var wire = arc.Wire.Facts();
        var found = MeltRate.Amps(wireFeed, stickOut, arc.Process, wire);
        return MeltRate.WireFeed(found * (VoltsPerAmp(stickOut, wire) / VoltsPerAmp(usual, wire)), usual, arc.Process, wire);
    }

    /// <summary>How the volts of a kind of wire's arc rise with its current, V/A.</summary>
    internal static double ArcRise(WireKind kind) => Rises.GetValueOrDefault(kind, UsualRise);

    private static double VoltsPerAmp(Length stickOut, WireFacts wire) =>
        ArcRise(wire.Kind) + Resistivities.GetValueOrDefault(wire.Kind, Steel) * stickOut.Mm / wire.AreaMm2;
}
