using GentleBead.Core.Looking;

namespace GentleBead.Core.Tests.Looking;

/// <summary>What is made of a back once it is known which part each place is: lengths and areas of plane figures.</summary>
public class BackReaderTests
{
    private const double Length = 60;

    private static BackReading Read(Func<double, double, FacePart> part) => BackReader.Of(MadeFaces.Of(Length, part), Length);

    private static double Mm(BackPiece piece) => piece.Middle.Length * FaceNet.Every * Strip.Cell;

    private static double Middle(double[] of) => of.Where(double.IsFinite).Order().ElementAt(of.Count(double.IsFinite) / 2);

    [Fact]
    public void On_bare_plate_nothing_shows()
    {
        var bare = Read((_, _) => FacePart.Plate);
        Assert.Empty(bare.Mark);
        Assert.Empty(bare.Tint);
        Assert.Empty(bare.Holes);
        Assert.Equal(0, bare.Hidden);
    }

    [Theory]
    [InlineData(1.2, 0)]
    [InlineData(3, 1.5)]
    [InlineData(5, -2)]
    public void A_mark_all_along_is_one_piece_as_wide_as_it_is(double width, double beside)
    {
        var reading = Read((s, v) => s > -2 && s < Length + 2 && Math.Abs(v - beside) <= width / 2 ? FacePart.Crest : FacePart.Plate);
        var piece = Assert.Single(reading.Mark);
        Assert.Equal(Length, Mm(piece), 0.6);
        Assert.Equal(width, Middle(piece.WidthMm), 0.12);
        Assert.Equal(beside, Strip.Across(Middle(piece.Middle)), 0.1);
        Assert.Empty(reading.Tint);
    }

    [Fact]
    public void Pieces_lie_where_they_are_and_are_as_long()
    {
        var reading = Read((s, v) => Math.Abs(v) < 1.5 && (s is > 5 and < 20 || s is > 30 and < 42) ? FacePart.Trough : FacePart.Plate);
        Assert.Equal([15, 12], reading.Mark.Select(piece => Math.Round(Mm(piece))));
        Assert.Equal(5, Strip.Along(reading.Mark[0].From * FaceNet.Every), 0.4);
        Assert.Equal(30, Strip.Along(reading.Mark[1].From * FaceNet.Every), 0.4);
    }

    // A flake of scale is not a gap and a speck is not a piece; two millimetres are.
    [Theory]
    [InlineData(0.9, 1)]
    [InlineData(2.4, 2)]
    public void A_short_gap_does_not_break_it(double gap, int pieces)
    {
        var reading = Read((s, v) => Math.Abs(v) < 1 && Math.Abs(s - 30) > gap / 2 ? FacePart.Crest : FacePart.Plate);
        Assert.Equal(pieces, reading.Mark.Count);
    }

    [Fact]
    public void A_speck_and_a_scratch_are_no_mark()
    {
        Assert.Empty(Read((s, v) => Math.Abs(v) < 1 && Math.Abs(s - 30) < 0.5 ? FacePart.Crest : FacePart.Plate).Mark);
        Assert.Empty(Read((_, v) => Math.Abs(v) < 0.2 ? FacePart.Crest : FacePart.Plate).Mark);
    }

    [Fact]
    public void Tint_is_as_wide_as_what_heat_coloured_with_the_mark_in_it()
    {
        var reading = Read(
            (_, v) =>
                Math.Abs(v) < 1.5 ? FacePart.Crest
                : Math.Abs(v) < 4 ? FacePart.Tint
                : FacePart.Plate
        );
        Assert.Equal(8, Middle(Assert.Single(reading.Tint).WidthMm), 0.15);
        Assert.Equal(3, Middle(Assert.Single(reading.Mark).WidthMm), 0.15);
    }

    [Fact]
    public void What_lies_far_beside_the_line_is_another_beads() =>
        Assert.Empty(Read((_, v) => v > 9 ? FacePart.Crest : FacePart.Plate).Mark);

    [Theory]
    [InlineData(1.5)]
    [InlineData(4)]
    public void A_hole_is_as_wide_as_it_is_and_breaks_no_mark(double diameter)
    {
        var reading = Read(
            (s, v) =>
                Math.Sqrt((s - 25) * (s - 25) + v * v) < diameter / 2 ? FacePart.Hole
                : Math.Abs(v) < 1 ? FacePart.Crest
                : FacePart.Plate
        );
        var hole = Assert.Single(reading.Holes);
        Assert.Equal(diameter, hole.DiameterMm, 0.1);
        Assert.Equal(25, hole.Along, 0.1);
        Assert.Equal(2, Middle(Assert.Single(reading.Mark).WidthMm), 0.15);
    }

    // What the network takes for a hole is none where light comes back from it.
    [Fact]
    public void What_is_not_dark_is_no_hole()
    {
        FacePart Round(double s, double v) => Math.Sqrt((s - 25) * (s - 25) + v * v) < 2 ? FacePart.Hole : FacePart.Plate;
        Assert.Single(BackReader.Of(MadeFaces.Of(Length, Round), Length).Holes);
        Assert.Empty(BackReader.Of(MadeFaces.Of(Length, Round, dark: false), Length).Holes);
    }

    [Fact]
    public void A_pinprick_and_a_hole_past_the_beads_end_are_not_told()
    {
        FacePart Round(double s, double v, double at, double diameter) =>
            Math.Sqrt((s - at) * (s - at) + v * v) < diameter / 2 ? FacePart.Hole : FacePart.Plate;
        Assert.Empty(Read((s, v) => Round(s, v, 25, 0.6)).Holes);
        Assert.Empty(Read((s, v) => Round(s, v, Length + 5, 3)).Holes);
        Assert.Single(Read((s, v) => Round(s, v, Length, 3)).Holes);
    }
}
