using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

public class MacroTests
{
    private const double PixelsPerMm = 37.5;

    /// <summary>A fillet of known geometry, turned and mirrored at will: legs 6 and 5 mm, fusion 1 mm past both plates.</summary>
    private static MacroMarks Fillet(double degrees, bool mirrored, double lower = 6, double upper = 5, double bulge = 0.6)
    {
        var chord = new Point(0 - lower, upper);
        var middle = new Point(lower / 2, upper / 2);
        var out_ = new Point(chord.Y / chord.Size(), -chord.X / chord.Size());
        var face = new Point(middle.X + out_.X * bulge, middle.Y + out_.Y * bulge);
        return new(
            At(0, -3),
            At(10, -3),
            Length.FromMm(10),
            At(0, 0),
            At(lower, 0),
            At(0, upper),
            [Turned(face)],
            [At(lower, 0), At(lower / 2, -1), At(-0.4, -0.4), At(-1.2, upper / 2), At(0, upper)],
            [new(At(0.1, 0), At(1.6, 0))]
        );

        Point At(double x, double y) => Turned(new Point(x, y));

        // Millimetres with y up, to pixels with y down, turned about the root.
        Point Turned(Point mm)
        {
            var radians = degrees * Math.PI / 180;
            var x = mirrored ? -mm.X : mm.X;
            return new(
                900 + PixelsPerMm * (x * Math.Cos(radians) - mm.Y * Math.Sin(radians)),
                700 - PixelsPerMm * (x * Math.Sin(radians) + mm.Y * Math.Cos(radians))
            );
        }
    }

    [Theory]
    [InlineData(0, false)]
    [InlineData(0, true)]
    [InlineData(37, false)]
    [InlineData(-120, true)]
    public void A_fillet_measures_what_it_was_drawn_as_however_the_picture_lies(double degrees, bool mirrored)
    {
        var measured = MacroMeasures.Of(Fillet(degrees, mirrored), BeadMeasure.Leg);
        Assert.Equal(6, measured.LowerLeg!.Value.Mm, 1e-6);
        Assert.Equal(5, measured.UpperLeg!.Value.Mm, 1e-6);
        Assert.Equal(Math.Sqrt(61), measured.Width.Mm, 1e-6);
        Assert.Equal(0.6, measured.Reinforcement.Mm, 1e-6);
        Assert.Equal(1, measured.LowerPenetration!.Value.Mm, 1e-6);
        Assert.Equal(1.2, measured.UpperPenetration!.Value.Mm, 1e-6);
        Assert.Equal(1.5, measured.UnfusedLength.Mm, 1e-6);
        // The point (-0.4, -0.4) lies 0.4 x (5 + 6) / sqrt(61) behind the root,
        // square to the line between the toes; (3, -1) does not lie behind it.
        Assert.Equal(0.4 * 11 / Math.Sqrt(61), measured.RootPenetration!.Value.Mm, 1e-6);
    }

    /// <summary>Throat of a flat equal-legged fillet: leg over the square root of two, as any handbook has it.</summary>
    [Fact]
    public void A_flat_equal_legged_fillet_has_a_throat_of_0_707_of_its_leg()
    {
        var measured = MacroMeasures.Of(Fillet(20, false, 6, 6, 0), BeadMeasure.Leg);
        Assert.Equal(6 / Math.Sqrt(2), measured.Throat!.Value.Mm, 1e-6);
        Assert.Equal(0, measured.Reinforcement.Mm, 1e-6);
        // A sunken face has less, and no reinforcement.
        var sunk = MacroMeasures.Of(Fillet(20, false, 6, 6, -0.5), BeadMeasure.Leg);
        Assert.True(sunk.Throat < measured.Throat);
        Assert.Equal(0, sunk.Reinforcement.Mm);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(-1)]
    public void A_bead_on_plate_measures_width_crown_and_depth_whichever_way_up(int up)
    {
        Point At(double x, double y) => new(500 + 40 * x, 400 - up * 40 * y);
        var marks = new MacroMarks(
            At(-5, -6),
            At(5, -6),
            Length.FromMm(10),
            At(0, 0),
            At(-4, 0),
            At(4, 0),
            [At(-2, 1), At(0, 1.5), At(2, 1)],
            [At(-4, 0), At(-1, -1.9), At(0.5, -2.2), At(4, 0)],
            []
        );
        var measured = MacroMeasures.Of(marks, BeadMeasure.Width);
        Assert.Equal(
            (8, 1.5, 2.2),
            (Math.Round(measured.Width.Mm, 6), Math.Round(measured.Reinforcement.Mm, 6), Math.Round(measured.RootPenetration!.Value.Mm, 6))
        );
        Assert.Null(measured.LowerLeg);
        Assert.Null(measured.Throat);
    }

    [Fact]
    public void Without_a_fusion_line_nothing_is_said_of_penetration()
    {
        var measured = MacroMeasures.Of(Fillet(0, false) with { FusionLine = [] }, BeadMeasure.Leg);
        Assert.Null(measured.RootPenetration);
        Assert.Null(measured.LowerPenetration);
        Assert.NotNull(measured.LowerLeg);
    }

    [Fact]
    public void Marks_that_cannot_be_measured_are_told_one_by_one()
    {
        var good = Fillet(0, false);
        Assert.Empty(good.Problems(2000, 1500));
        Assert.Contains(good.Problems(600, 400), problem => problem.Field == "marks");
        Assert.Contains((good with { ScaleTo = good.ScaleFrom }).Problems(2000, 1500), problem => problem.Field == "scale");
        Assert.Contains((good with { UpperToe = good.LowerToe }).Problems(2000, 1500), problem => problem.Field == "toes");
        Assert.Contains((good with { Face = [] }).Problems(2000, 1500), problem => problem.Field == "face");
        Assert.Contains((good with { ScaleLength = Length.FromMm(0) }).Problems(2000, 1500), problem => problem.Field == "scaleLengthMm");
        Assert.Contains((good with { Root = new(double.NaN, 5) }).Problems(2000, 1500), problem => problem.Field == "marks");
    }

    [Fact]
    public void The_way_to_a_section_names_its_hazards_and_keeps_strong_acids_out()
    {
        foreach (var metal in Enum.GetValues<Metal>())
        {
            var steps = SectionGuide.For(metal, thin: false);
            Assert.Equal(SectionGuide.For(metal, thin: true).Count, steps.Count + 1);
            Assert.True(steps.Count(step => step.Care is not null) >= 5);
            Assert.DoesNotContain(
                steps,
                step =>
                    step.Do.Contains("nitric", StringComparison.OrdinalIgnoreCase)
                    || step.Do.Contains("hydrofluoric", StringComparison.OrdinalIgnoreCase)
            );
        }
        Assert.Contains(SectionGuide.For(Metal.MildSteel, false), step => step.Do.Contains("30 to 60 s", StringComparison.Ordinal));
    }
}
