using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;

namespace GentleBead.Core.Tests.Looking;

/// <summary>The eye against drawn backs whose every number is known; bench -- eye backs does the same with more.</summary>
public class RenderedBackTests
{
    private static readonly Lazy<(RenderedBack Back, BackMeasures Seen)[]> Looked = new(() =>
        [.. RenderedBack.All.AsParallel().AsOrdered().Select(back => (back, back.Look().Back!.Measures))]
    );

    private static void Share(double least, IEnumerable<bool> right)
    {
        var all = right.ToArray();
        Assert.NotEmpty(all);
        Assert.True(all.Count(one => one) >= least * all.Length, $"{all.Count(one => one)} of {all.Length} under {least:0.00}");
    }

    private static string Kind(BackTrace? trace) =>
        trace is null ? "none"
        : trace.Even ? "even"
        : "broken";

    [Fact]
    public void A_mark_is_even_broken_or_none() =>
        Share(0.85, Looked.Value.Select(one => (one.Back.Mark?.Kind ?? "none") == Kind(one.Seen.Mark)));

    [Fact]
    public void Tint_is_even_broken_or_none() =>
        Share(0.85, Looked.Value.Select(one => (one.Back.Tint?.Kind ?? "none") == Kind(one.Seen.Tint)));

    [Fact]
    public void Burning_through_is_seen_and_not_imagined() =>
        Share(0.85, Looked.Value.Select(one => one.Back.HolesMm.Length > 0 == one.Seen.Holes.Count > 0));

    [Fact]
    public void A_marks_width_lies_where_it_is_said_to() =>
        Share(
            0.85,
            Looked
                .Value.Where(one => one is { Back.Mark: not null, Seen.Mark: not null })
                .Select(one =>
                    one.Seen.Mark!.Width is var width && one.Back.Mark!.WidthMm >= width.Low.Mm && one.Back.Mark.WidthMm <= width.High.Mm
                )
        );

    [Fact]
    public void Without_a_card_it_asks_for_one_and_a_known_length_serves()
    {
        var (back, _) = Looked.Value.First(one => one.Back.Mark is not null);
        using var picture = back.Picture();
        // The part of it that the card does not lie in.
        using var bare = new Mat(picture.Size(), MatType.CV_8UC3, Scalar.All(90));
        Assert.Equal(PictureTrouble.NoCard, BackEye.Look(bare, new(back.From, back.To)).Trouble);
        var scale = new KnownLength(new(100, 100), new(1100, 100), Core.Quantities.Length.FromMm(100));
        Assert.Empty(BackEye.Look(bare, new(new(200, 500), new(900, 500), scale)).Back!.Measures.Holes);
    }

    [Fact]
    public void What_a_person_says_is_no_hole_is_none()
    {
        var (back, seen) = Looked.Value.First(one => one.Seen.Holes.Count > 0);
        using var picture = back.Picture();
        var holes = BackEye.Look(picture, new(back.From, back.To)).Back!.Holes;
        var left = BackEye.Look(picture, new(back.From, back.To, NotHoles: [holes[0]])).Back!;
        Assert.Equal(seen.Holes.Count - 1, left.Holes.Count);
        Assert.Equal(seen.Mark, left.Measures.Mark);
        Assert.Empty(BackEye.Look(picture, new(back.From, back.To, NotHoles: holes)).Back!.Measures.Holes);
        Assert.Equal(holes, BackEye.Look(picture, new(back.From, back.To, NotHoles: [new(0, 0)])).Back!.Holes);
    }

    [Fact]
    public void Two_taps_on_one_place_are_no_bead()
    {
        var (back, _) = Looked.Value[0];
        using var picture = back.Picture();
        Assert.Equal(PictureTrouble.NoBead, BackEye.Look(picture, new(back.From, back.From)).Trouble);
    }
}
