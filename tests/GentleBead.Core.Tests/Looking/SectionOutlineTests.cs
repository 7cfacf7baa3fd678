using GentleBead.Core.Beads;
using GentleBead.Core.Looking;

namespace GentleBead.Core.Tests.Looking;

/// <summary>Outlines and lines of sections, against circles and angles: geometry.</summary>
public class SectionOutlineTests
{
    private const int Side = SectionField.Side;

    // How far inside a disc each place is, pixels.
    private static float[] Disc(double x, double y, double radius) =>
        [.. Enumerable.Range(0, Side * Side).Select(i => (float)(radius - new Point(i % Side - x, i / Side - y).Size()))];

    [Theory]
    [InlineData(120.3, 99.6, 40)]
    [InlineData(170, 170, 25.5)]
    public void A_disc_is_outlined_between_its_pixels(double x, double y, double radius)
    {
        var score = Disc(x, y, radius);
        using var patch = SectionOutline.Patch(score)!;
        var round = SectionOutline.Round(score, patch);
        Assert.All(round, at => Assert.Equal(radius, (at - new Point(x, y)).Size(), 0.35));
        Assert.Equal(radius, round.Average(at => (at - new Point(x, y)).Size()), 0.1);
        // Outside is outward all the way round.
        var outward = SectionOutline.Outward(round);
        Assert.All(round.Zip(outward), pair => Assert.True((pair.First - new Point(x, y)).Along(pair.Second) > 0.9 * radius));
    }

    [Fact]
    public void Of_two_patches_the_one_with_more_is_taken_or_the_one_it_has_to_lie_on()
    {
        var score = Disc(80, 80, 30).Zip(Disc(250, 250, 20), Math.Max).ToArray();
        using var larger = SectionOutline.Patch(score)!;
        Assert.Equal(255, larger.At<byte>(80, 80));
        Assert.Equal(0, larger.At<byte>(250, 250));
        using var where = SectionOutline.Patch(Disc(250, 250, 5))!;
        using var smaller = SectionOutline.Patch(score, where)!;
        Assert.Equal(0, smaller.At<byte>(80, 80));
        Assert.Equal(255, smaller.At<byte>(250, 250));
        Assert.Null(SectionOutline.Patch([.. score.Select(_ => -1f)]));
    }

    [Fact]
    public void Lines_go_through_their_points_and_meet_where_they_cross()
    {
        var level = SectionLine.Through([new(0, 10), new(4, 10), new(9, 10)]);
        var steep = SectionLine.Through([new(3, 0), new(3.5, 1), new(4, 2)]);
        Assert.Equal(0, level.Off(new(100, 10)), 1e-9);
        Assert.Equal(5, level.Off(new(2, 15)), 1e-9);
        Assert.Equal(new Point(7, 10), level.Foot(new(7, 3)));
        Assert.Equal(Math.Atan(2) * 180 / Math.PI, level.Angle(steep), 1e-9);
        var meets = level.Meets(steep, 20)!.Value;
        Assert.Equal(8, meets.X, 1e-9);
        Assert.Equal(10, meets.Y, 1e-9);
        Assert.Null(level.Meets(steep, 80));
    }

    [Fact]
    public void Unfused_lines_go_as_far_as_the_dark_does_and_what_is_under_the_standing_plate_is_the_joints_own()
    {
        var share = new float[Side * Side];
        for (var x = 60; x <= 130; x++)
        {
            if (x is not (118 or 119))
                share[200 * Side + x] = share[201 * Side + x] = 0.9f;
        }
        for (var y = 180; y <= 200; y++)
            share[y * Side + 100] = 0.9f;
        var lines = SectionSeams.OfFillet(share, new(100, 200), new(180, 200), new(100, 120));
        Assert.Equal(2, lines.Length);
        Assert.Equal(30, (lines[0].To - lines[0].From).Size(), 2.0);
        Assert.Equal(20, (lines[1].To - lines[1].From).Size(), 2.0);
        Assert.Empty(SectionSeams.OfFillet(share, new(100, 260), new(180, 260), new(100, 210)));
        var free = Assert.Single(SectionSeams.Free(share.Select((one, i) => i / Side < 200 ? one : 0).ToArray(), [new(100, 178)]));
        Assert.Equal(19, (free.To - free.From).Size(), 1.5);
    }
}
