using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Core.Sheets;

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
}
