using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
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
public sealed record SimulatedBead(
    Length Width,
    Length Height,
    Length Leg,
    Length Depth,
    Length Tint,
    bool BurntThrough,
    bool Unfused,
    BeadShape Shape
)
{
    // Heat a cubic millimetre takes for each kelvin up to melting, J/(mm³ K), and from the shop's air to melting and to the first tint, K
    // (handbook values, from memory).
    private static (double Heat, double Melts, double Tints) Of(Metal metal) =>
        metal == Metal.Aluminium ? (2.9e-3, 630, 300)
        : metal.IsSteel() ? (4.9e-3, 1480, 280)
        : (4.9e-3, 1400, 280);

    // Jackson and Shrubsall's constant with inches and inches per minute, for steel wire on plus (from memory).
    private const double DepthConstant = 0.0012;

    // Past this share of the plate it is through; past the second the puddle falls out. Under the least it lies on top.
    private const double Through = 0.95,
        FallsOut = 1.4,
        LiesOnTop = 0.14;

    // A crown that stands higher than this share of its width rolls over at the toes; under the other it blends.
    private const double RollsOver = 0.4;

    /// <summary>The bead of a trace.</summary>
    public static SimulatedBead From(ArcTrace trace)
    {
        ArgumentNullException.ThrowIfNull(trace);
        var setting = trace.Setting;
        var process = setting.Process.Facts();
        var (heat, melts, tints) = Of(setting.Metal);
        var plate = setting.Plate.Mm;
        var spread = new HeatSpread(
            process.ArcShare * trace.MeanAmps * trace.MeanVolts / setting.Joint.Facts().HeatFactor,
            heat,
            setting.Travel.MmPerMin / 60,
            plate
        );
        var gusts = PerSecond(trace, one => one.Kind == ArcEventKind.Stub) > GustsPerSecond;

        var area = setting.Wire is { } wire
            ? Deposit.BeadArea(setting.WireFeed, wire, setting.Travel, process.DepositShare)
            : 0.4 * plate * plate;
        // A stubbing arc melts in gusts: half of what it should reach it does not.
        var width = Math.Max(spread.Reach(melts) * (gusts ? 0.7 : 1), 1.1 * Math.Sqrt(area));
        var height = 1.5 * area / width;
        var depth = DepthOf(trace, spread.Thinness(melts), gusts);
        var burnt = depth / plate > FallsOut;
        var unfused = depth / plate < LiesOnTop || height / width > RollsOver;
        var bead = new SimulatedBead(
            Length.FromMm(width),
            Length.FromMm(height),
            Fillet.Leg(area),
            Length.FromMm(Math.Min(depth, plate)),
            Length.FromMm(spread.Reach(tints)),
            burnt,
            unfused,
            null!
        );
        return bead with { Shape = bead.ShapeOf(trace, depth / plate, gusts) };
    }

    // Stubs a second from which the arc melts in gusts.
    private const double GustsPerSecond = 1;

    private static double PerSecond(ArcTrace trace, Func<ArcEvent, bool> counts) => trace.Events.Count(counts) / trace.Seconds;

    // Heat from a moving source into a plate.
    private readonly record struct HeatSpread(double Power, double Heat, double Pace, double Plate)
    {
        // Peak temperature beside a moving source (Rosenthal): on thick plate it falls with the square of the distance, on thin with the
        // distance; the wider of the two holds.
        public double Reach(double rise) => Math.Max(Thick(rise), Power / (Heat * Plate * Pace * rise * Math.Sqrt(Math.PI * Math.E / 2)));

        // How much wider it melts than in thick plate.
        public double Thinness(double melts) => Reach(melts) / Thick(melts);

        private double Thick(double rise) => Math.Sqrt(8 * Power / (Math.PI * Math.E * Heat * Pace * rise));
    }

    private static double DepthOf(ArcTrace trace, double thin, bool gusts)
    {
        var setting = trace.Setting;
        var inches = setting.Travel.MmPerMin / 25.4;
        var full =
            DepthConstant
            * Math.Cbrt(Math.Pow(trace.MeanAmps / setting.Joint.Facts().HeatFactor, 4) / (inches * trace.MeanVolts * trace.MeanVolts))
            * 25.4;
        return full
            * (1 + 0.5 * (thin - 1))
            * (setting.Faults.Contains(ArcFault.WrongPolarity) ? 0.6 : 1)
            * (gusts ? 0.6 : 1)
            * (setting.Faults.Contains(ArcFault.Scale) ? 0.75 : 1);
    }

    private BeadShape ShapeOf(ArcTrace trace, double share, bool gusts)
    {
        var setting = trace.Setting;
        var sunk = BurntThrough || (share > Through && setting.Plate.Mm < 3);
        var faults = new List<Fault>();
        if (BurntThrough)
            faults.Add(Fault.Hole);
        if (setting.Faults.Contains(ArcFault.GasLost))
            faults.Add(Fault.Pinholes);
        var big = PerSecond(
            trace,
            one => one.Kind == ArcEventKind.Stub || (one.Kind is ArcEventKind.Short or ArcEventKind.Drop && one.DropMm3 > 3)
        );
        return new BeadShape(
            setting.Joint.Facts().Measure == BeadMeasure.Leg ? Leg * Math.Sqrt(2) : Width,
            sunk ? -0.12 : Math.Clamp(Height / Width, 0.03, 0.6),
            Math.Clamp((Tint / Width - 1) / 8, 0, 1),
            true,
            setting.Travel.MmPerMin / 60 > 9 ? 0.38 : 0.2,
            gusts ? 1 : Math.Clamp(big / 20, 0, 0.7),
            Math.Clamp(share, 0, 1),
            true,
            1,
            Unfused,
            Math.Clamp((int)big, 0, 12),
            trace.MeanVolts > LoadLine.Mig(Current.FromAmps(trace.MeanAmps)).Volts + 3.5,
            faults,
            setting.Joint
        );
    }
}
