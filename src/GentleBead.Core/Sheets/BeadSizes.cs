using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Sheets;

/// <summary>The bead aimed at in a joint.</summary>
/// <param name="Size">A leg, a width or a hole.</param>
/// <param name="AreaMm2">Cross-section of all its metal, above the plates and in the gap.</param>
internal sealed record BeadSize(Window<Length> Size, double AreaMm2);

/// <summary>Bead sizes by joint and plate.</summary>
/// <remarks>
/// Legs, faces and grooves: common practice, no source, unless a reason names one. Crowns are parabolas: area = 2/3 width x height.
/// </remarks>
internal static class BeadSizes
{
    private const double CrownToWidth = 0.25;
    private const double EdgeCrownToWidth = 0.3;

    // A V groove as most shops bevel it: 60 degrees included, 2 mm gap, 1.5 mm left at the root, 1.5 mm of crown.
    private const double GrooveGap = 2;
    private const double GrooveRootFace = 1.5;
    private const double GrooveCrown = 1.5;
    private static readonly double GrooveSlope = Math.Tan(Math.PI / 6);

    // A joint is a row: how its bead is sized.
    private static readonly Dictionary<Joint, Func<Job, Explained<BeadSize>>> ByJoint = new()
    {
        [Joint.BeadOnPlate] = OnPlate,
        [Joint.Lap] = FilletOf,
        [Joint.T] = FilletOf,
        [Joint.OutsideCorner] = Corner,
        [Joint.SquareButt] = SquareButt,
        [Joint.VButt] = VButt,
        [Joint.Edge] = Edge,
        [Joint.Plug] = Plug,
    };

    /// <summary>The bead a job asks for.</summary>
    public static Explained<BeadSize> For(Job job) => ByJoint[job.Joint](job);

    /// <summary>Metal of one plug, mm3: the hole, and a tenth for the crown.</summary>
    public static double PlugVolume(Job job)
    {
        var hole = PlugHole(job.Thickness.Value.Mm);
        return Math.PI / 4 * hole * hole * job.Thickness.Value.Mm * 1.1;
    }

    private static Explained<BeadSize> Corner(Job job) =>
        Leg(
            new Window<Length>(job.Thinner * 0.9, job.Thinner, job.Thinner * 1.3),
            Say($"Leg by plate thickness"),
            Say($"the corner is full when the leg equals the plate"),
            Source.CommonPractice
        );

    private static Explained<BeadSize> FilletOf(Job job)
    {
        var thin = job.Thinner.Mm;
        if (job.Thinner <= PlateAmps.RuleEnds)
        {
            // On thin sheet the published table, drawn up for structures, would ask for more than the sheet bears.
            return Leg(
                new Window<Length>(Length.FromMm(thin), Length.FromMm(thin + 1), Length.FromMm(thin + 2)),
                Say($"Leg by plate thickness"),
                Say($"the thinner plate's thickness up to {new Either("2 mm", "5/64 in")} more; aim {new Either("1 mm", "1/32 in")} over"),
                Source.CommonPractice
            );
        }
        var least = Fillet.Smallest(job.Thicker);
        var leg = Length.FromMm(Math.Max(least.Mm, 0.75 * thin));
        return Leg(
            new Window<Length>(least > leg * 0.9 ? least : leg * 0.9, leg, Length.FromMm(leg.Mm + 2)),
            Say($"Leg by plate thickness, least by AWS D1.1 (from memory)"),
            Say($"three quarters of the plate where both sides are welded; never under {least}, the least fillet for {job.Thicker}"),
            Source.Published
        );
    }

    private static Explained<BeadSize> OnPlate(Job job)
    {
        // A crown a quarter as high as wide.
        var leg = Length.FromMm(Math.Min(job.Thickness.Value.Mm, PlateAmps.RuleEnds.Mm) + 1);
        var area = Fillet.Area(leg);
        return Width(
            Math.Sqrt(area * 3 / 2 / CrownToWidth),
            area,
            Say($"Width by plate thickness"),
            Say($"the metal of a {leg} fillet laid on the flat, a quarter as high as wide: {area.Mm2()}")
        );
    }

    private static Explained<BeadSize> SquareButt(Job job)
    {
        var thickness = job.Thinner.Mm;
        var gap = thickness < 1.5 ? 0 : thickness / 2;
        var width = 1.2 * thickness + 3;
        var crown = Math.Min(0.2 * width, 1.5);
        var area = thickness * gap + 2.0 / 3 * width * crown;
        return Width(
            width,
            area,
            Say($"Face of a square butt"),
            Say(
                $"gap {Length.FromMm(gap)} (none under {new Either("1.5 mm", "1/16 in")}, else half the plate), a face of 1.2 t "
                    + $"+ 3 mm, {Length.FromMm(crown)} of crown: {area.Mm2()}"
            )
        );
    }

    private static Explained<BeadSize> VButt(Job job)
    {
        var thickness = job.Thinner.Mm;
        var deep = thickness - GrooveRootFace;
        var open = GrooveGap + 2 * deep * GrooveSlope;
        var width = open + 3;
        var area = GrooveGap * thickness + deep * deep * GrooveSlope + 2.0 / 3 * width * GrooveCrown;
        var groove = Say(
            $"60° included, {Length.FromMm(GrooveGap)} gap, {Length.FromMm(GrooveRootFace)} root face: {Length.FromMm(open)} "
                + $"open at the top"
        );
        return Width(
            width,
            area,
            Say($"Face of a V groove"),
            Say($"{groove}, {Length.FromMm(1.5)} over each side, {Length.FromMm(GrooveCrown)} of crown: {area.Mm2()}")
        );
    }

    private static Explained<BeadSize> Edge(Job job)
    {
        var width = job.Thickness.Value.Mm + (job.OtherThickness ?? job.Thickness).Value.Mm;
        return Width(
            width,
            2.0 / 3 * width * width * EdgeCrownToWidth,
            Say($"Both edges melted together"),
            Say($"as wide as both plates together, {EdgeCrownToWidth} of that high")
        );
    }

    private static Explained<BeadSize> Plug(Job job)
    {
        var thickness = job.Thickness.Value.Mm;
        var hole = Length.FromMm(PlugHole(thickness));
        return new(
            new(new Window<Length>(hole, hole, Length.FromMm(Math.Max(hole.Mm + 3, 2.25 * thickness))), Math.PI / 4 * hole.Mm * hole.Mm),
            [
                new(
                    "beadSize",
                    Say($"Hole of a plug, AWS D1.1 (from memory)"),
                    Say(
                        $"the upper plate's thickness and {new Either("8 mm", "5/16 in")}; up to {new Either("3 mm", "1/8 in")} "
                            + $"or 2 1/4 times the plate more"
                    ),
                    Say($"hole {hole}"),
                    Source.Published,
                    []
                ),
            ]
        );
    }

    private static double PlugHole(double thickness) => thickness + 8;

    private static Explained<BeadSize> Leg(Window<Length> size, Said rule, Said why, Source source) =>
        new(
            new(size, Fillet.Area(size.Aim)),
            [new("beadSize", rule, why, Say($"leg {size.Aim}, throat {Fillet.Throat(size.Aim)}"), source, [])]
        );

    private static Explained<BeadSize> Width(double width, double area, Said rule, Said working)
    {
        var aim = Length.FromMm(width);
        return new(
            new(new Window<Length>(aim * 0.85, aim, aim * 1.2), area),
            [new("beadSize", rule, working, Say($"width {aim}"), Source.CommonPractice, [])]
        );
    }
}
