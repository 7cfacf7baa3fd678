using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>Which number the criteria take where a bead was measured in two ways: gauge before section, section before eye.</summary>
public class GaugeTests
{
    private static readonly Sheet Fillet = Room.Sheet();
    private static readonly Sheet Plate = Room.Sheet(joint: Joint.BeadOnPlate, position: Position.Flat);

    private static Length Mm(double mm) => Length.FromMm(mm);

    private static readonly MacroMeasures Section = new(Mm(4.1), Mm(4.4), Mm(2.8), Mm(5.7), Mm(0.6), Mm(0.5), Mm(0.5), Mm(0.5), Mm(0));

    private static Gauge Of(Evidence evidence, Sheet? sheet = null) => new(sheet ?? Fillet, evidence);

    [Fact]
    public void A_gauge_goes_before_a_section_and_a_section_before_nothing()
    {
        var both = Of(new(BeadSize: Mm(4), Measured: new(OtherLeg: Mm(5), Throat: Mm(3), Width: Mm(6), Crown: Mm(0.9)), Macro: Section));
        Assert.Equal(
            (4, 5, 3, 6, 0.9),
            (both.LowerLeg!.Value, both.UpperLeg!.Value, both.Throat!.Value, both.FaceWidth!.Value, both.Crown!.Value)
        );
        var cut = Of(new(Macro: Section));
        Assert.Equal(
            (4.1, 4.4, 2.8, 5.7, 0.6),
            (cut.LowerLeg!.Value, cut.UpperLeg!.Value, cut.Throat!.Value, cut.FaceWidth!.Value, cut.Crown!.Value)
        );
        var neither = Of(new(Sound.Hiss));
        Assert.Equal((null, null, null), (neither.LowerLeg, neither.UpperLeg, neither.Throat));
        Assert.Equal((null, null, null), (neither.FaceWidth, neither.Crown, neither.LegDifference));
        Assert.Equal((4, 1), (both.SmallerLeg!.Value, both.LegDifference!.Value));
    }

    // Legs of 3 and 4 span a face of 5; a bead on plate is as wide as it was measured.
    [Fact]
    public void A_face_that_was_not_measured_follows_from_its_legs()
    {
        Assert.Equal(5, Of(new(BeadSize: Mm(3), Measured: new(OtherLeg: Mm(4)))).FaceWidth!.Value, 1e-12);
        Assert.Null(Of(new(BeadSize: Mm(3))).FaceWidth);
        Assert.Equal(8, Of(new(BeadSize: Mm(8)), Plate).FaceWidth!.Value);
    }

    [Fact]
    public void Undercut_is_measured_or_seen_not_to_be_there()
    {
        Assert.Equal(0.3, Of(new(Toes: Toes.Blended, Measured: new(UndercutDepth: Mm(0.3)))).Undercut);
        Assert.Equal(0, Of(new(Toes: Toes.Blended)).Undercut);
        Assert.Equal(0, Of(new(Toes: Toes.Cold)).Undercut);
        Assert.Null(Of(new(Toes: Toes.Undercut)).Undercut);
        Assert.Null(Of(new(Sound.Hiss)).Undercut);
    }

    [Fact]
    public void Pores_that_nobody_looked_for_are_not_known()
    {
        var looked = new Evidence(Profile: Profile.Flat, Toes: Toes.Blended);
        Assert.Empty(Of(looked).Pores!);
        Assert.Null(Of(new(Profile: Profile.Flat)).Pores);
        Assert.Null(Of(new(Toes: Toes.Blended)).Pores);
        Assert.Null(Of(looked with { Faults = [Fault.Pinholes] }).Pores);
        var counted = Of(looked with { Measured = new(Pores: [Mm(0.8), Mm(1.6)]) });
        Assert.Equal([0.8, 1.6], counted.Pores!);
        Assert.Equal(("2, largest 1.6 mm", "none"), ($"{counted.PoreWords()}", $"{Of(looked).PoreWords()}"));
    }

    [Fact]
    public void A_fault_that_no_set_allows()
    {
        CriterionVerdict Cracks(Evidence evidence) => Of(evidence).Never(Criterion.Cracks, Fault.Crack);
        var looked = new Evidence(Profile: Profile.Flat, Toes: Toes.Blended);
        Assert.Equal((Standing.Right, "none seen", "none"), In(Cracks(looked)));
        Assert.Equal((Standing.NotKnown, "not looked at", "none"), In(Cracks(new(Profile: Profile.Flat))));
        Assert.Equal((Standing.Off, "seen", "none"), In(Cracks(new(Faults: [Fault.Crack]))));
        Assert.Equal(
            (Standing.Off, "seen", "at all"),
            In(Of(new(Faults: [Fault.Crack])).Never(Criterion.Cracks, Fault.Crack, Said.Say($"at all")))
        );
    }

    private static (Standing, string, string) In(CriterionVerdict verdict) => (verdict.Standing, $"{verdict.Found}", $"{verdict.Limit}");

    [Theory]
    [InlineData(0.3, Standing.Right)]
    [InlineData(0.31, Standing.Off)]
    [InlineData(0, Standing.Right)]
    public void A_line_longer_than_a_scratch_is_not_fused(double mm, Standing standing) =>
        Assert.Equal(standing, Of(new(Toes: Toes.Blended, Macro: Section with { UnfusedLength = Mm(mm) })).Fused().Standing);

    [Fact]
    public void Fusion_by_eye()
    {
        Assert.Equal(Standing.Off, Of(new(Toes: Toes.Cold, Macro: Section)).Fused().Standing);
        Assert.Equal(Standing.NotKnown, Of(new(Sound.Hiss)).Fused().Standing);
        Assert.Equal(Standing.Right, Of(new(Toes: Toes.Blended)).Fused().Standing);
    }

    [Fact]
    public void A_value_at_its_limit_is_kept()
    {
        Assert.Equal((Standing.Right, "0.5 mm", "at most 0.5 mm"), In(Gauge.AtMost(Criterion.Undercut, 0.5, 0.5)));
        Assert.Equal((Standing.Off, "0.51 mm", "at most 0.5 mm"), In(Gauge.AtMost(Criterion.Undercut, 0.51, 0.5)));
        Assert.Equal((Standing.Right, "none", "at most 0.5 mm flat"), In(Gauge.AtMost(Criterion.Undercut, 0, 0.5, Said.Say($"flat"))));
        Assert.Equal((Standing.NotKnown, "not measured", "at most 0.5 mm"), In(Gauge.AtMost(Criterion.Undercut, null, 0.5)));
    }
}
