using GentleBead.Core.Looking;

namespace GentleBead.Core.Tests.Looking;

/// <summary>What is made of a face once it is known which part each place is: lengths and areas of plane figures.</summary>
public class FaceSightTests
{
    private const double Length = 40;

    private static FaceTrace Trace(FaceSight sight) => FaceTrace.Of(sight.Odds(), sight.Strip.Rows)!;

    [Theory]
    [InlineData(4)]
    [InlineData(7.5)]
    [InlineData(12)]
    public void Toes_lie_where_metal_ends(double width)
    {
        var trace = Trace(MadeFaces.Of(Length, (s, v) => MadeFaces.IsBead(s, v, Length, width) ? FacePart.Trough : FacePart.Plate));
        var middle = trace.Left.Length / 2;
        Assert.Equal(width, (trace.Right[middle] - trace.Left[middle]) * Strip.Cell, 0.12);
        Assert.Equal(0, Strip.Across((trace.Left[middle] + trace.Right[middle]) / 2), 0.1);
        Assert.Equal(Length, (trace.To - trace.From + 1) * FaceNet.Every * Strip.Cell, 0.7);
    }

    [Theory]
    [InlineData(nameof(FacePart.Crest))]
    [InlineData(nameof(FacePart.Pore))]
    [InlineData(nameof(FacePart.Crater))]
    [InlineData(nameof(FacePart.Restart))]
    public void All_that_lies_on_the_bead_is_metal(string name)
    {
        var part = Enum.Parse<FacePart>(name);
        var trace = Trace(MadeFaces.Of(Length, (s, v) => MadeFaces.IsBead(s, v, Length, 6) ? part : FacePart.Plate));
        Assert.Equal(6, (trace.Right[30] - trace.Left[30]) * Strip.Cell, 0.12);
    }

    [Fact]
    public void Without_metal_there_is_no_bead()
    {
        var sight = MadeFaces.Of(Length, (s, v) => Math.Abs(v) < 3 ? FacePart.Tint : FacePart.Plate);
        Assert.Null(FaceTrace.Of(sight.Odds(), sight.Strip.Rows));
    }

    // A disc's area is pi by the square of half its width.
    [Theory]
    [InlineData(0.5)]
    [InlineData(1)]
    [InlineData(2.4)]
    public void A_round_spot_is_as_wide_and_lies_where_it_was_put(double diameter)
    {
        var sight = MadeFaces.Of(Length, (s, v) => Far(s - 12, v - 7) <= diameter / 2 ? FacePart.Grain : FacePart.Plate);
        var every = Enumerable.Repeat(true, sight.Strip.Rows * sight.Strip.Columns).ToArray();
        var spot = Assert.Single(FaceSpots.Of(sight, FacePart.Grain, every, smallest: 0.4));
        Assert.Equal(diameter, spot.DiameterMm, 0.06);
        Assert.Equal(12, spot.Along, 0.05);
        Assert.Equal(7, spot.Across, 0.05);
        Assert.InRange(spot.Likely, 0.98, 1);
        Assert.Empty(FaceSpots.Of(sight, FacePart.Pore, every, smallest: 0.4));
        Assert.Empty(FaceSpots.Of(sight, FacePart.Grain, every, smallest: diameter + 0.2));
        Assert.Empty(FaceSpots.Of(sight, FacePart.Grain, new bool[every.Length], smallest: 0.4));
    }

    [Fact]
    public void Spots_that_do_not_touch_are_told_apart()
    {
        var sight = MadeFaces.Of(
            Length,
            (s, v) => Far(s - 10, v - 6) < 0.5 || Far(s - 11.3, v - 6) < 0.5 || Far(s - 10, v + 9) < 0.3 ? FacePart.Grain : FacePart.Plate
        );
        var every = Enumerable.Repeat(true, sight.Strip.Rows * sight.Strip.Columns).ToArray();
        Assert.Equal(3, FaceSpots.Of(sight, FacePart.Grain, every, 0).Count);
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(1.5, 4)]
    [InlineData(6.2, 2.4)]
    public void Tint_reaches_as_far_from_each_toe_as_plate_is_coloured(double left, double right)
    {
        const double half = 3;
        var sight = MadeFaces.Of(
            Length,
            (s, v) =>
                MadeFaces.IsBead(s, v, Length, 2 * half) ? FacePart.Trough
                : v < 0 && v > -half - left || v > 0 && v < half + right ? FacePart.Tint
                : FacePart.Plate
        );
        var trace = Trace(sight);
        foreach (var (side, known) in new[] { (-1, left), (1, right) })
        {
            var tint = TintReader.Of(sight, trace, side, step => step * Strip.Cell)!;
            Assert.Equal(known, tint.WidthMm, 0.15);
            Assert.Equal(0, tint.SpreadMm, 0.05);
            Assert.Equal(known > 0, tint.Hottest is not null);
        }
    }

    // A scratch through the colour is not its end; a gap of a millimetre is.
    [Theory]
    [InlineData(0.5, 4)]
    [InlineData(1, 1)]
    public void A_scratch_does_not_end_the_tint(double gap, double reaches)
    {
        var sight = MadeFaces.Of(
            Length,
            (s, v) =>
                MadeFaces.IsBead(s, v, Length, 6) ? FacePart.Trough
                : Math.Abs(v) < 7 && !(Math.Abs(v) > 4 && Math.Abs(v) < 4 + gap) ? FacePart.Tint
                : FacePart.Plate
        );
        Assert.Equal(reaches, TintReader.Of(sight, Trace(sight), 1, step => step * Strip.Cell)!.WidthMm, 0.15);
    }

    [Theory]
    [InlineData(10, 22, 12)]
    [InlineData(10, 12, null)]
    public void A_groove_is_as_long_as_it_goes_along_a_toe_and_short_ones_are_a_shade(double from, double to, int? tells)
    {
        var sight = MadeFaces.Of(
            Length,
            (s, v) =>
                MadeFaces.IsBead(s, v, Length, 6) ? FacePart.Trough
                : v > 3 && v < 3.7 && s > from && s < to ? FacePart.Undercut
                : FacePart.Plate
        );
        var groove = FaceMarks.Of(sight, Trace(sight)).UndercutMm;
        Assert.Equal(tells is not null, groove is not null);
        Assert.Equal(tells ?? 0, groove ?? 0, 0.7);
    }

    [Fact]
    public void A_crater_and_a_restart_are_told_where_they_cover_enough_of_the_bead_and_else_nothing_is()
    {
        FaceMarks Marks(double crater, double restart)
        {
            var sight = MadeFaces.Of(
                Length,
                (s, v) =>
                    !MadeFaces.IsBead(s, v, Length, 6) ? FacePart.Plate
                    : Far(s - 37, v) < crater ? FacePart.Crater
                    : Math.Abs(s - 20) < restart ? FacePart.Restart
                    : FacePart.Trough
            );
            return FaceMarks.Of(sight, Trace(sight));
        }
        Assert.Equal(new FaceMarks(null, true, null), Marks(1.5, 0));
        Assert.Equal(new FaceMarks(null, null, true), Marks(0, 1.5));
        Assert.Equal(new FaceMarks(null, null, null), Marks(0.3, 0.1));
    }

    private static double Far(double x, double y) => Math.Sqrt(x * x + y * y);
}
