using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>The weld as a whole: its size, its metal, and how many passes lay it.</summary>
/// <param name="Count">Passes; 1 or more.</param>
/// <param name="Layers">Layers they lie in; 1 or more.</param>
/// <param name="AreaMm2">Cross-section of all of it, above the plates and in the gap.</param>
/// <param name="DepositGPerM">Metal laid down for each metre of weld, grams; for a plug, for each plug.</param>
/// <param name="FillerMPerM">Wire or rod used for each metre of weld, metres; for a plug, for each plug.</param>
public sealed record PassPlan(int Count, int Layers, double AreaMm2, double DepositGPerM, double FillerMPerM)
{
    /// <summary>Cross-section of one pass.</summary>
    public double AreaOfOne() => AreaMm2 / Count;
}

/// <summary>Bead sizes by joint and plate, and passes to fill them.</summary>
/// <remarks>
/// Legs, faces and grooves: common practice, no source, unless a reason names one. Crowns are parabolas: area = 2/3 width x height.
/// </remarks>
public static class Passes
{
    private const double CrownToWidth = 0.25;
    private const double EdgeCrownToWidth = 0.3;

    // A V groove as most shops bevel it: 60 degrees included, 2 mm gap, 1.5 mm left at the root, 1.5 mm of crown.
    private const double GrooveGap = 2;
    private const double GrooveRootFace = 1.5;
    private const double GrooveCrown = 1.5;
    private static readonly double GrooveSlope = Math.Tan(Math.PI / 6);
    private const double LayerDepth = 4;

    // Out of flat and horizontal the puddle has to be held up.
    private const double HeldUp = 0.75;

    // Slower than this the puddle runs ahead of the arc and lies on the plate unfused; uphill the plate under it holds it.
    // Common practice, no source.
    private const double SlowestMmPerMin = 130;
    private const double SlowestUphillMmPerMin = 80;

    /// <summary>Bead size aimed at and the cross-section of all the metal, with the reason for it.</summary>
    public static (Window<Length> Size, double AreaMm2) Size(Job job, List<Reason> reasons)
    {
        var (size, area, rule, working, result) = job.Joint switch
        {
            Joint.OutsideCorner => Leg(new Window<Length>(job.Thinner * 0.9, job.Thinner, job.Thinner * 1.3), "the corner is full when the leg equals the plate"),
            Joint.Lap or Joint.T => FilletOf(job),
            Joint.SquareButt => SquareButt(job.Thinner.Mm),
            Joint.VButt => VButt(job.Thinner.Mm),
            Joint.Edge => Edge(job),
            Joint.Plug => Plug(job.Thickness.Value.Mm),
            _ => OnPlate(job),
        };
        reasons.Add(new("beadSize", rule, working, result, rule.Contains("AWS", StringComparison.Ordinal) ? Source.Published : Source.CommonPractice, []));
        return (size, area);
    }

    /// <summary>How many passes lay this much metal, with the reasons.</summary>
    /// <param name="job">The job.</param>
    /// <param name="areaMm2">All the metal.</param>
    /// <param name="fillerAreaMm2">Cross-section of the wire or rod.</param>
    /// <param name="reasons">Takes the reasons.</param>
    /// <param name="depositMm3PerMin">Metal a fed wire lays down in a minute; null for TIG, where the puddle sets the pace.</param>
    public static PassPlan Plan(Job job, double areaMm2, double fillerAreaMm2, List<Reason> reasons, double? depositMm3PerMin = null)
    {
        var process = job.Process.Facts();
        var largest = process.LargestLeg * (job.Position is Position.VerticalDown or Position.Overhead ? HeldUp : 1);
        var most = Fillet.Area(Length.FromMm(largest));
        var slowest = job.Position == Position.VerticalUp ? SlowestUphillMmPerMin : SlowestMmPerMin;
        var byTravel = depositMm3PerMin / slowest < most;
        var each = byTravel ? depositMm3PerMin!.Value / slowest : most;
        var single = job.Joint is Joint.BeadOnPlate or Joint.Plug or Joint.Edge;
        var count = single ? 1 : Math.Max(1, (int)Math.Ceiling(areaMm2 / each - 1e-9));
        var limit = byTravel
            ? $"no slower than {Show.Of(TravelSpeed.FromMmPerMin(slowest))}, or the puddle runs ahead of the arc"
            : $"a {Show.Number(largest, "0.#")} mm leg in {process.Name}";
        // A fillet is built up like a pyramid: one bead, then two, then three.
        var layers = job.Joint == Joint.VButt
            ? Math.Clamp((int)Math.Ceiling(job.Thinner.Mm / LayerDepth), 1, count)
            : (int)Math.Ceiling((Math.Sqrt(8.0 * count + 1) - 1) / 2 - 1e-9);
        reasons.Add(new("passes", "Metal over what one pass lays",
            single ? "one run by its nature" : $"{Show.Number(areaMm2, "0")} mm2 in passes of at most {Show.Number(each, "0")} mm2: {limit}",
            count == 1 ? "1 pass" : $"{count} passes in {layers} {(layers == 1 ? "layer" : "layers")}", Source.CommonPractice, byTravel ? ["beadSize", "wireFeed"] : ["beadSize"]));
        var volume = job.Joint == Joint.Plug ? PlugVolume(job) : areaMm2 * 1000;
        var deposit = volume / 1000 * job.Metal.Facts().DensityGPerCm3;
        var filler = volume / (fillerAreaMm2 * process.DepositShare) / 1000;
        var stretch = job.Joint == Joint.Plug ? "a plug" : "a metre of weld";
        reasons.Add(new("deposit", "Area, mass and length",
            $"{Show.Number(volume / 1000, "0.0")} cm3 x {Show.Number(job.Metal.Facts().DensityGPerCm3)} g/cm3; {Show.Number(process.DepositShare)} of the filler's {Show.Number(fillerAreaMm2, "0.000")} mm2 stays",
            $"{Show.Number(deposit, "0")} g and {Show.Number(filler, "0.0")} m for {stretch}", Source.Arithmetic, ["beadSize"]));
        return new PassPlan(count, layers, areaMm2, deposit, filler);
    }

    /// <summary>Metal of one plug, mm3: the hole, and a tenth for the crown.</summary>
    public static double PlugVolume(Job job)
    {
        var hole = PlugHole(job.Thickness.Value.Mm);
        return Math.PI / 4 * hole * hole * job.Thickness.Value.Mm * 1.1;
    }

    private static (Window<Length>, double, string, string, string) Leg(Window<Length> size, string why, string rule = "Leg by plate thickness") =>
        (size, Fillet.Area(size.Aim), rule, why, $"leg {Show.Of(size.Aim)}, throat {Show.Of(Fillet.Throat(size.Aim))}");

    private static (Window<Length>, double, string, string, string) FilletOf(Job job)
    {
        var thin = job.Thinner.Mm;
        var least = Fillet.Smallest(job.Thicker);
        if (job.Thinner <= PlateAmps.RuleEnds)
        {
            // On thin sheet the published table, drawn up for structures, would ask for more than the sheet bears.
            return Leg(new Window<Length>(Length.FromMm(thin), Length.FromMm(thin + 1), Length.FromMm(thin + 2)), "the thinner plate's thickness up to 2 mm more; aim 1 mm over");
        }
        var leg = Length.FromMm(Math.Max(least.Mm, 0.75 * thin));
        return Leg(
            new Window<Length>(least > leg * 0.9 ? least : leg * 0.9, leg, Length.FromMm(leg.Mm + 2)),
            $"three quarters of the plate where both sides are welded; never under {Show.Of(least)}, the least fillet for {Show.Of(job.Thicker)}", "Leg by plate thickness, least by AWS D1.1 (from memory)");
    }

    private static (Window<Length>, double, string, string, string) OnPlate(Job job)
    {
        // A crown a quarter as high as wide.
        var leg = Length.FromMm(Math.Min(job.Thickness.Value.Mm, PlateAmps.RuleEnds.Mm) + 1);
        var area = Fillet.Area(leg);
        return Width(Math.Sqrt(area * 3 / 2 / CrownToWidth), area, "Width by plate thickness", $"the metal of a {Show.Of(leg)} fillet laid on the flat, a quarter as high as wide: {Show.Number(area, "0.0")} mm2");
    }

    private static (Window<Length>, double, string, string, string) SquareButt(double thickness)
    {
        var gap = thickness < 1.5 ? 0 : thickness / 2;
        var width = 1.2 * thickness + 3;
        var crown = Math.Min(0.2 * width, 1.5);
        var area = thickness * gap + 2.0 / 3 * width * crown;
        return Width(width, area, "Face of a square butt",
            $"gap {Show.Number(gap, "0.0")} mm (none under 1.5 mm, else half the plate), a face of 1.2 t + 3 mm, {Show.Number(crown, "0.0")} mm of crown: {Show.Number(area, "0.0")} mm2");
    }

    private static (Window<Length>, double, string, string, string) VButt(double thickness)
    {
        var deep = thickness - GrooveRootFace;
        var open = GrooveGap + 2 * deep * GrooveSlope;
        var width = open + 3;
        var area = GrooveGap * thickness + deep * deep * GrooveSlope + 2.0 / 3 * width * GrooveCrown;
        return Width(width, area, "Face of a V groove",
            $"60° included, {Show.Number(GrooveGap)} mm gap, {Show.Number(GrooveRootFace)} mm root face: {Show.Number(open, "0.0")} mm open at the top, 1.5 mm over each side, {Show.Number(GrooveCrown)} mm of crown: {Show.Number(area, "0.0")} mm2");
    }

    private static (Window<Length>, double, string, string, string) Edge(Job job)
    {
        var width = job.Thickness.Value.Mm + (job.OtherThickness ?? job.Thickness).Value.Mm;
        return Width(width, 2.0 / 3 * width * width * EdgeCrownToWidth, "Both edges melted together", $"as wide as both plates together, {Show.Number(EdgeCrownToWidth)} of that high");
    }

    private static (Window<Length>, double, string, string, string) Plug(double thickness)
    {
        var hole = PlugHole(thickness);
        var area = Math.PI / 4 * hole * hole;
        return (new Window<Length>(Length.FromMm(hole), Length.FromMm(hole), Length.FromMm(Math.Max(hole + 3, 2.25 * thickness))), area,
            "Hole of a plug, AWS D1.1 (from memory)", "the upper plate's thickness and 5/16 in (8 mm); up to 3 mm or 2 1/4 times the plate more", $"hole {Show.Of(Length.FromMm(hole))}");
    }

    private static double PlugHole(double thickness) => thickness + 8;

    private static (Window<Length>, double, string, string, string) Width(double width, double area, string rule, string working)
    {
        var aim = Length.FromMm(width);
        return (new Window<Length>(aim * 0.85, aim, aim * 1.2), area, rule, working, $"width {Show.Of(aim)}");
    }
}
