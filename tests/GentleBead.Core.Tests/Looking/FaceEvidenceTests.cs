using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Looking;

/// <summary>What a picture measured among what was seen and gauged: it fills in, and outweighs nothing.</summary>
public class FaceEvidenceTests
{
    private static readonly Sheet Fillet = Assert.IsType<Sheet>(
        Planner.Plan(
            new Job(Thickness.Parse("3.2 mm"), Joint.T, Position.Flat, Wire.Solid12, Process.GmawShortCircuit, Gas: Gas.ArgonCarbon25)
        )
    );

    private static Length Mm(double mm) => Length.FromMm(mm);

    private static FaceMeasures Face(double per25 = 0, params double[] pores) =>
        new(
            ReadLength.Of(60, 1),
            ReadLength.Of(6, 0.2),
            Mm(0.1),
            Mm(0.1),
            null,
            null,
            new(0, Mm(0), Mm(0)),
            [.. pores.Select(Mm)],
            Mm(per25),
            null,
            null,
            ReadLength.Of(4.2, 0.6)
        );

    [Fact]
    public void A_gauge_outweighs_a_picture_and_a_hole_is_not_as_wide_as_its_bead()
    {
        var seen = new Evidence(Face: Face());
        Assert.Equal(Mm(4.2), seen.SizeBy(BeadMeasure.Leg));
        Assert.Equal(Mm(6), seen.SizeBy(BeadMeasure.Width));
        Assert.Null(seen.SizeBy(BeadMeasure.Hole));
        Assert.Equal(Mm(5), (seen with { BeadSize = Mm(5) }).SizeBy(BeadMeasure.Leg));
        Assert.False(seen.IsEmpty());
    }

    [Fact]
    public void Travel_goes_by_the_length_on_the_picture_where_no_rule_was_laid()
    {
        var timed = new Evidence(Measured: new(ArcSeconds: 12), Face: Face());
        Assert.Equal(300, timed.Travel()!.Value.MmPerMin, 1e-9);
        Assert.Equal(600, (timed with { Measured = new(BeadLength: Mm(120), ArcSeconds: 12) }).Travel()!.Value.MmPerMin, 1e-9);
        Assert.Null(new Evidence(Face: Face()).Travel());
    }

    [Fact]
    public void A_picture_without_pores_does_not_outweigh_an_eye_that_saw_pinholes()
    {
        Assert.Equal(Standing.Right, Porosity(new(Face: Face())));
        Assert.NotEqual(Standing.Right, Porosity(new(Faults: [Fault.Pinholes], Face: Face())));
    }

    // AWS D1.1 counts pores of 1/32 in and more: 3/8 in together in an inch of weld (from memory).
    [Fact]
    public void Small_pores_do_not_break_a_limit_that_does_not_count_them()
    {
        double[] wide = [2, 2, 2, 2, 2, 2];
        Assert.Equal(Standing.Right, Porosity(new(Face: Face(8, wide))));
        Assert.NotEqual(Standing.Right, Porosity(new(Face: Face(12, wide))));
        double[] small = [.. Enumerable.Repeat(0.6, 20)];
        Assert.Equal(Standing.Right, Porosity(new(Face: Face(12, small))));
    }

    private static Standing Porosity(Evidence evidence) =>
        Criteria
            .Of(CriteriaSet.AwsD11Static, Fillet, evidence, PracticeTolerances.Usual)
            .Criteria.Single(verdict => verdict.Criterion == Criterion.Porosity)
            .Standing;
}
