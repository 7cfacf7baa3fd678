using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Core.Quantities;
using OpenCvSharp;

namespace GentleBead.Core.Tests.Looking;

/// <summary>The eye against drawn beads whose every number is known; bench -- eye does the same with a thousand.</summary>
public class EyeTests
{
    private static readonly Lazy<(RenderedBead Bead, FaceAnswer Answer)[]> Looked = new(() =>
        [.. RenderedBead.All.AsParallel().AsOrdered().Select(bead => (bead, bead.Look()))]
    );

    private static (RenderedBead Bead, FaceMeasures Seen)[] Measured() =>
        [
            .. Looked
                .Value.Where(one => one.Bead.Wrong == "Nothing" && one.Answer.Face is not null)
                .Select(one => (one.Bead, one.Answer.Face!.Measures)),
        ];

    private static void Share(double least, IEnumerable<bool> near)
    {
        var all = near.ToArray();
        Assert.NotEmpty(all);
        Assert.True(all.Count(one => one) >= least * all.Length, $"{all.Count(one => one)} of {all.Length} under {least:0.00}");
    }

    [Fact]
    public void What_can_be_measured_is_measured() =>
        Share(0.93, Looked.Value.Where(one => RenderedBead.Good.Contains(one.Bead)).Select(one => one.Answer.Face is not null));

    [Fact]
    public void Width_is_near_and_lies_where_it_is_said_to()
    {
        Share(
            0.9,
            Measured().Select(one => Math.Abs(one.Seen.Width.Value.Mm - one.Bead.WidthMm) <= Math.Max(0.2, 0.03 * one.Bead.WidthMm))
        );
        Share(0.9, Measured().Select(one => Holds(one.Seen.Width, one.Bead.WidthMm)));
    }

    [Fact]
    public void Length_is_near_and_lies_where_it_is_said_to()
    {
        Share(0.95, Measured().Select(one => Math.Abs(one.Seen.Length.Value.Mm - one.Bead.LengthMm) <= 0.03 * one.Bead.LengthMm));
        Share(0.9, Measured().Select(one => Holds(one.Seen.Length, one.Bead.LengthMm)));
    }

    [Fact]
    public void Tint_reaches_as_far_as_it_was_drawn() =>
        Share(
            0.95,
            Measured()
                .Where(one => one.Seen is { LeftTint: not null, RightTint: not null })
                .Select(one =>
                {
                    // Which side is which depends on the way one looks along; both together do not.
                    var known = one.Bead.TintMm.Length == 0 ? 0 : one.Bead.TintMm.Sum();
                    return Math.Abs(one.Seen.LeftTint!.Width.Value.Mm + one.Seen.RightTint!.Width.Value.Mm - known) <= 1;
                })
        );

    [Fact]
    public void Every_grain_and_pore_that_is_counted_is_shown() =>
        Assert.All(
            Looked.Value.Select(one => one.Answer.Face).OfType<FaceSeen>(),
            seen =>
            {
                Assert.Equal(seen.Measures.Spatter.Count, seen.Spatter.Count);
                Assert.Equal(seen.Measures.Pores.Count, seen.Pores.Count);
            }
        );

    [Fact]
    public void A_groove_is_seldom_suspected_where_none_was_drawn() =>
        Share(0.9, Measured().Where(one => one.Bead.UndercutMm is null).Select(one => one.Seen.Undercut is null));

    [Fact]
    public void Pointed_at_the_pictures_rim_a_bead_that_is_not_seen_is_cut_off_and_elsewhere_there_is_none()
    {
        var bare = RenderedBead.All.First(bead => bead.Wrong == "NoBead");
        using var picture = bare.Picture();
        Assert.Equal(PictureTrouble.NoBead, bare.Look().Trouble);
        var atRim = Eye.Face(picture, new(bare.Fillet, new(3, bare.Middle(3).Y), bare.Middle(97)));
        Assert.Equal(PictureTrouble.CutOff, atRim.Trouble);
        Assert.Null(atRim.Face);
    }

    [Fact]
    public void Two_taps_on_one_place_are_no_bead()
    {
        var bead = RenderedBead.Good[0];
        using var picture = bead.Picture();
        Assert.Equal(PictureTrouble.NoBead, Eye.Face(picture, new(bead.Fillet, bead.Middle(50), bead.Middle(50))).Trouble);
    }

    [Fact]
    public void A_picture_that_will_not_do_is_refused_and_says_what_to_do()
    {
        var spoilt = Looked.Value.Where(one => one.Bead.Wrong != "Nothing").ToArray();
        Share(0.85, spoilt.Select(one => one.Answer is { Face: null, Trouble: not null, Do: not null }));
        Assert.All(spoilt.Where(one => one.Bead.Wrong == "NoBead"), one => Assert.Null(one.Answer.Face));
        Assert.All(spoilt.Where(one => one.Bead.Wrong == "NoCard"), one => Assert.Equal(PictureTrouble.NoCard, one.Answer.Trouble));
    }

    [Fact]
    public void It_finds_a_bead_by_itself_where_nobody_points()
    {
        var found = RenderedBead
            .Good.Take(12)
            .AsParallel()
            .Select(bead =>
            {
                using var picture = bead.Picture();
                var alone = Eye.Face(picture, new(bead.Fillet)).Face;
                return alone is not null && Math.Abs(alone.Measures.Length.Value.Mm - bead.LengthMm) < 0.1 * bead.LengthMm;
            });
        Share(0.8, found);
    }

    [Fact]
    public void Toes_that_a_person_set_are_measured_as_they_were_set()
    {
        var bead = RenderedBead.Good.First(bead => !bead.Fillet);
        using var picture = bead.Picture();
        var told = Eye.Face(picture, new(false, Left: bead.Left[5..^5], Right: bead.Right[5..^5])).Face!;
        Assert.Equal(bead.WidthMm, told.Measures.Width.Value.Mm, 0.15);
        Assert.Equal(0.9 * bead.LengthMm, told.Measures.Length.Value.Mm, 1.0);
    }

    [Fact]
    public void Without_a_card_a_known_length_gives_the_scale()
    {
        var bead = RenderedBead.Good.First(bead => !bead.Fillet);
        using var picture = bead.Picture();
        // The bead's own ends stand for a rule beside it.
        var scale = new KnownLength(bead.Middle(0), bead.Middle(100), Length.FromMm(bead.LengthMm));
        var seen = Eye.Face(picture, new(false, bead.Middle(3), bead.Middle(97), Scale: scale)).Face!;
        Assert.Null(seen.Card);
        Assert.Equal(bead.LengthMm, seen.Measures.Length.Value.Mm, 0.04 * bead.LengthMm);
        Assert.NotEmpty(seen.NotSurer);
    }

    [Fact]
    public void A_frame_says_whether_the_picture_will_do()
    {
        using var picture = RenderedBead.Good[0].Picture();
        var will = Eye.Frame(picture, picture.Width);
        Assert.Null(will.Trouble);
        Assert.Equal(4, will.Card.Count);
        using var small = new Mat();
        Cv2.Resize(picture, small, new Size(), 0.5, 0.5, InterpolationFlags.Area);
        Assert.Equal(PictureTrouble.Far, Eye.Frame(small, small.Width).Trouble);
        Assert.Null(Eye.Frame(small, picture.Width).Trouble);
        using var blank = new Mat(600, 800, MatType.CV_8UC3, Scalar.All(90));
        Assert.Equal(PictureTrouble.NoCard, Eye.Frame(blank, 800).Trouble);
    }

    private static bool Holds(ReadLength read, double known) => known >= read.Low.Mm && known <= read.High.Mm;
}
