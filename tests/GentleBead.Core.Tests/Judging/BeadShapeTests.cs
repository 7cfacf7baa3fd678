using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

public class BeadShapeTests
{
    private static readonly Sheet Sheet = Room.Sheet();

    [Fact]
    public void A_measured_leg_is_drawn_as_measured()
    {
        var shape = BeadShape.From(Sheet, Room.Pair(280, 20), null, new Evidence(BeadSize: Length.FromMm(5)));
        Assert.Equal(5 * Math.Sqrt(2), shape.Width.Mm, 1e-9);
    }

    [Fact]
    public void More_wire_at_the_same_travel_is_a_wider_bead()
    {
        double Width(double inPerMin) => BeadShape.From(Sheet, Room.Pair(inPerMin, 20), null, new Evidence()).Width.Mm;
        Assert.True(Width(350) > Width(280) && Width(280) > Width(200));
        // Twice the metal in the same shape is the square root of two as wide.
        Assert.Equal(Math.Sqrt(2), Width(400) / Width(200), 1e-9);
    }

    [Fact]
    public void What_was_not_seen_is_marked_as_an_estimate()
    {
        var shape = BeadShape.From(Sheet, Room.Pair(280, 20), null, new Evidence());
        Assert.False(shape.TintSeen || shape.PenetrationSeen);
        var seen = BeadShape.From(Sheet, Room.Pair(280, 20), null, new Evidence(Tint: Tint.None, Penetration: Penetration.BackMark));
        Assert.True(seen.TintSeen && seen.PenetrationSeen);
        Assert.Equal((0, 1), (seen.TintShare, seen.PenetrationShare));
    }

    private static BeadShape Of(Evidence evidence, double wire = 1) =>
        BeadShape.From(Sheet, new(Sheet.Pair!.WireFeed * wire, Sheet.Pair.Volts.Aim), null, evidence);

    // As the eye sees them: a tall bead is narrow, a sunk one wide and under the plate. Common practice, no source.
    [Theory]
    [InlineData(Profile.TallNarrow, Profile.SlightlyConvex)]
    [InlineData(Profile.SlightlyConvex, Profile.Flat)]
    [InlineData(Profile.Flat, Profile.Sunk)]
    public void The_taller_the_narrower(Profile taller, Profile lower)
    {
        var (tall, low) = (Of(new(Profile: taller)), Of(new(Profile: lower)));
        Assert.True(tall.CrownShare > low.CrownShare && tall.Width < low.Width);
        Assert.True(Of(new(Profile: Profile.Sunk)).CrownShare < 0);
        Assert.Equal(Of(new(Profile: Profile.SlightlyConvex)).Width, Of(new()).Width);
    }

    [Fact]
    public void A_measured_crown_is_drawn_as_measured_and_no_higher_than_it_can_be()
    {
        var bead = new Evidence(BeadSize: Length.FromMm(5), Measured: new(Crown: Length.FromMm(1)));
        Assert.Equal(1 / (5 * Math.Sqrt(2)), Of(bead).CrownShare, 1e-12);
        Assert.Equal(0.6, Of(bead with { Measured = new(Crown: Length.FromMm(9)) }).CrownShare);
        var cut = WorkedCases.Section(1.5, 0) with { Reinforcement = Length.FromMm(2) };
        Assert.Equal(2 / (4 * Math.Sqrt(2)), Of(new(Macro: cut)).CrownShare, 1e-12);
        Assert.Equal(1 / (5 * Math.Sqrt(2)), Of(bead with { Macro = cut }).CrownShare, 1e-12);
    }

    [Fact]
    public void What_nobody_looked_at_follows_from_the_heat()
    {
        var amps = BurnOff.AmpsFor(Sheet.Pair!.WireFeed * 1.2, Sheet.Job.RequireArc()) / Sheet.Amps;
        var hot = Of(new(), wire: 1.2);
        Assert.Equal((0.4 * amps, 0.5 * amps), (hot.TintShare, hot.PenetrationShare));
        Assert.Equal((0.9, true), (Of(new(Tint: Tint.Wide)).TintShare, Of(new(Tint: Tint.Wide)).TintSeen));
        // A section is measured against the plate it bit into.
        var cut = Of(new(Macro: WorkedCases.Section(1.5, 0)));
        Assert.Equal((1.5 / 3.175, true), (cut.PenetrationShare, cut.PenetrationSeen));
        Assert.False(cut.TintSeen);

        var tig = Room.TigSheet();
        Assert.Equal(0.6, BeadShape.From(tig, null, tig.Amps * 1.2, new()).PenetrationShare, 1e-12);
        Assert.Equal(0.5, BeadShape.From(tig, null, null, new()).PenetrationShare, 1e-12);
    }

    [Fact]
    public void What_was_seen_is_drawn()
    {
        Assert.Equal((0.38, 0.0), (Of(new(Ripple: Ripple.Stretched)).RippleShare, Of(new(Ripple: Ripple.Stretched)).RippleWander));
        Assert.Equal((0.2, 1.0), (Of(new(Ripple: Ripple.Uneven)).RippleShare, Of(new(Ripple: Ripple.Uneven)).RippleWander));
        Assert.Equal((12, 6, 0), (Count(Spatter.Big), Count(Spatter.Fine), Count(Spatter.Little)));
        Assert.Equal((true, false), (Of(new(Toes: Toes.Cold)).ColdToes, Of(new(Toes: Toes.Blended)).ColdToes));
        Assert.True(Of(new(Toes: Toes.Undercut)).Undercut);
        Assert.True(Of(new(Toes: Toes.Blended, Measured: new(UndercutDepth: Length.FromMm(0.2)))).Undercut);
        Assert.False(Of(new(Measured: new(UndercutDepth: Length.FromMm(0.1)))).Undercut);
        Assert.False(Of(new(Toes: Toes.Blended)).Undercut);

        static int Count(Spatter seen) => Of(new(Spatter: seen)).SpatterCount;
    }

    [Fact]
    public void Legs_as_they_were_measured_or_seen()
    {
        var legs = new Evidence(BeadSize: Length.FromMm(4), Measured: new(OtherLeg: Length.FromMm(6)));
        Assert.Equal(1.5, Of(legs).LegShare);
        Assert.Equal(2, Of(legs with { Measured = new(OtherLeg: Length.FromMm(20)) }).LegShare);
        Assert.Equal((0.6, 1.0), (Of(new(Faults: [Fault.UnequalLegs])).LegShare, Of(new()).LegShare));
        // On a flat plate the size is the width.
        var plate = Room.Sheet(joint: Joint.BeadOnPlate, position: Position.Flat);
        Assert.Equal(8, BeadShape.From(plate, null, null, new(BeadSize: Length.FromMm(8))).Width.Mm);
    }
}
