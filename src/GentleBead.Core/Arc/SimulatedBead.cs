using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Arc;

/// <summary>The bead an arc would leave at a travel speed, by mass and heat balance. An estimate: no arc was struck.</summary>
/// <param name="Width">From toe to toe.</param>
/// <param name="Height">Of the crown over the plate.</param>
/// <param name="Leg">Of a fillet of the same metal.</param>
/// <param name="Depth">Of fusion below the surface.</param>
/// <param name="Tint">Width of the heat tint, both sides and the bead together.</param>
/// <param name="BurntThrough">Whether the plate goes.</param>
/// <param name="Unfused">Whether it lies on the plate instead of biting in.</param>
/// <param name="Shape">For the glyph.</param>
public sealed record SimulatedBead(Length Width, Length Height, Length Leg, Length Depth, Length Tint, bool BurntThrough, bool Unfused, BeadShape Shape)
{
    // Heat a cubic millimetre takes for each kelvin up to melting, J/(mm³ K), and from the shop's air to melting and to the first tint, K
    // (handbook values, from memory).
    private static (double Heat, double Melts, double Tints) Of(Metal metal) =>
        metal == Metal.Aluminium ? (2.9e-3, 630, 300) : metal.IsSteel() ? (4.9e-3, 1480, 280) : (4.9e-3, 1400, 280);

    // Jackson and Shrubsall's constant with inches and inches per minute, for steel wire on plus (from memory).
    private const double DepthConstant = 0.0012;

    // Past this share of the plate it is through; past the second the puddle falls out. Under the least it lies on top.
    private const double Through = 0.95, FallsOut = 1.4, LiesOnTop = 0.14;

    // A crown that stands higher than this share of its width rolls over at the toes; under the other it blends.
    private const double RollsOver = 0.4;

    /// <summary>The bead of a trace.</summary>
    public static SimulatedBead From(ArcTrace trace)
    {
        ArgumentNullException.ThrowIfNull(trace);
        var setting = trace.Setting;
        var process = setting.Process.Facts();
        var (amps, volts) = (trace.MeanAmps, trace.MeanVolts);
        var (heat, melts, tints) = Of(setting.Metal);
        var plate = setting.Plate.Mm;
        var pace = setting.Travel.MmPerMin / 60;
        var power = process.ArcShare * amps * volts / setting.Joint.Facts().HeatFactor;
        var stubs = trace.Events.Count(one => one.Kind == ArcEventKind.Stub) / trace.Seconds;
        var wrong = setting.Faults.Contains(ArcFault.WrongPolarity);

        // Peak temperature beside a moving source (Rosenthal): on thick plate it falls with the square of the distance, on thin with the
        // distance; the wider of the two holds.
        double Reach(double rise) => Math.Max(
            Math.Sqrt(8 * power / (Math.PI * Math.E * heat * pace * rise)),
            power / (heat * plate * pace * rise * Math.Sqrt(Math.PI * Math.E / 2)));
        var thin = Reach(melts) / Math.Sqrt(8 * power / (Math.PI * Math.E * heat * pace * melts));

        var area = setting.Wire is { } wire ? Deposit.BeadArea(setting.WireFeed, wire, setting.Travel, process.DepositShare) : 0.4 * plate * plate;
        // A stubbing arc melts in gusts: half of what it should reach it does not.
        var width = Math.Max(Reach(melts) * (stubs > 1 ? 0.7 : 1), 1.1 * Math.Sqrt(area));
        var height = 1.5 * area / width;
        var inches = setting.Travel.MmPerMin / 25.4;
        var depth = DepthConstant * Math.Cbrt(Math.Pow(amps / setting.Joint.Facts().HeatFactor, 4) / (inches * volts * volts)) * 25.4
            * (1 + 0.5 * (thin - 1)) * (wrong ? 0.6 : 1) * (stubs > 1 ? 0.6 : 1) * (setting.Faults.Contains(ArcFault.Scale) ? 0.75 : 1);
        var share = depth / plate;
        var burnt = share > FallsOut;
        var crown = height / width;
        var unfused = share < LiesOnTop || crown > RollsOver;
        var tint = Reach(tints);

        var sunk = burnt || (share > Through && plate < 3);
        var faults = new List<Fault>();
        if (burnt) faults.Add(Fault.Hole);
        if (setting.Faults.Contains(ArcFault.GasLost)) faults.Add(Fault.Pinholes);
        var big = trace.Events.Count(one => one.Kind == ArcEventKind.Stub || (one.Kind is ArcEventKind.Short or ArcEventKind.Drop && one.DropMm3 > 3)) / trace.Seconds;
        return new SimulatedBead(
            Length.FromMm(width), Length.FromMm(height), Fillet.Leg(area), Length.FromMm(Math.Min(depth, plate)), Length.FromMm(tint), burnt, unfused,
            new BeadShape(
                Length.FromMm(setting.Joint.Facts().Measure == BeadMeasure.Leg ? Fillet.Leg(area).Mm * Math.Sqrt(2) : width),
                sunk ? -0.12 : Math.Clamp(crown, 0.03, 0.6), Math.Clamp((tint / width - 1) / 8, 0, 1), true,
                pace > 9 ? 0.38 : 0.2, stubs > 1 ? 1 : Math.Clamp(big / 20, 0, 0.7), Math.Clamp(share, 0, 1), true, 1, unfused,
                Math.Clamp((int)big, 0, 12), volts > LoadLine.Mig(Current.FromAmps(amps)).Volts + 3.5, faults, setting.Joint));
    }
}
