using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Rules;

/// <summary>How fast a wire melts at a current: v = a I + b L I², the second part being the heat in the stick-out.</summary>
/// <remarks>
/// The form is Lesnewich's (1958). For steel of 1.2 mm a = 0.3 mm/(A s) and b = 5e-5 1/(A² s), for aluminium of
/// 1.2 mm a = 0.75 and b = 0 (values from memory of Lancaster, The Physics of Welding); other sizes follow from the wire's
/// area, a with its inverse and b with its square's.
/// Short circuit, globular and flux-cored take the trade's one factor instead: people have agreed on those numbers.
/// </remarks>
public static class Melting
{
    private const double KnownArea = Math.PI / 4 * 1.2 * 1.2;

    /// <summary>Stick-out in spray and pulsed work that a sheet is made for.</summary>
    public static readonly Length SprayStickOut = Length.FromMm(17);

    /// <summary>Whether a sheet of this process uses the melting rate instead of the trade's factor.</summary>
    public static bool AppliesTo(Process process, WireFacts wire) => process.Facts().FreeFlight || wire.Kind.Facts().ByMeltingRate;

    /// <summary>Wire feed speed that melts off at a current and stick-out.</summary>
    public static WireFeedSpeed WireFeed(Current amps, Length stickOut, WireFacts wire) => WireFeed(amps, stickOut, Constants(wire));

    internal static WireFeedSpeed WireFeed(Current amps, Length stickOut, (double A, double B) constants)
    {
        var (a, b) = constants;
        return WireFeedSpeed.FromMPerMin((a * amps.Amps + b * stickOut.Mm * amps.Amps * amps.Amps) * 60 / 1000);
    }

    /// <summary>Current that a wire feed speed and stick-out draw: the other way round.</summary>
    public static Current Amps(WireFeedSpeed wireFeed, Length stickOut, WireFacts wire) => Amps(wireFeed, stickOut, Constants(wire));

    internal static Current Amps(WireFeedSpeed wireFeed, Length stickOut, (double A, double B) constants)
    {
        var (a, b) = constants;
        var v = wireFeed.MPerMin * 1000 / 60;
        var heated = b * stickOut.Mm;
        // The root written so that a heating part of 0 needs no case of its own.
        return Current.FromAmps(2 * v / (a + Math.Sqrt(a * a + 4 * heated * v)));
    }

    internal static (double A, double B) Constants(WireFacts wire)
    {
        var share = KnownArea / wire.AreaMm2;
        return wire.Kind == WireKind.Aluminium ? (0.75 * share, 0) : (0.3 * share, 5e-5 * share * share);
    }
}
