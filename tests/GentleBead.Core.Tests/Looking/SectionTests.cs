using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Looking;

/// <summary>The eye on drawn sections whose every number is known; bench -- eye sections does the same with more.</summary>
public class SectionTests
{
    private static readonly Lazy<(RenderedSection Drawn, SectionAnswer Answer)[]> Looked = new(() =>
        [.. RenderedSection.All.AsParallel().AsOrdered().Select(one => (one, one.Look()))]
    );

    private static (RenderedSection Drawn, SectionAnswer Answer)[] Good => [.. Looked.Value.Where(one => one.Drawn.Wrong == "Nothing")];

    private static void Share(double least, IEnumerable<bool> near)
    {
        var all = near.ToArray();
        Assert.NotEmpty(all);
        Assert.True(all.Count(one => one) >= least * all.Length, $"{all.Count(one => one)} of {all.Length} under {least:0.00}");
    }

    // Where it stands, not where it is wanted: docs/eye.md has the figures. The bench asks for 0.9.
    [Fact]
    public void Half_of_what_can_be_measured_is_proposed() => Share(0.5, Good.Select(one => one.Answer.Section is not null));

    [Fact]
    public void Legs_throat_and_width_are_as_often_near_as_docs_say()
    {
        var all = Good.Where(one => one.Answer.Section is not null)
            .SelectMany(one => Pairs(one.Drawn, one.Answer.Section!.Measures))
            .ToArray();
        Share(0.45, all.Select(one => Math.Abs(one.Seen.Value.Mm - one.Known) <= Math.Max(0.3, 0.05 * one.Known)));
        Share(0.8, all.Select(one => one.Known >= one.Seen.Low.Mm && one.Known <= one.Seen.High.Mm));
    }

    private static IEnumerable<(ReadLength Seen, double Known)> Pairs(RenderedSection drawn, SectionMeasures seen)
    {
        if (seen.LowerLeg is { } lower)
            yield return (lower, drawn.Measures["lowerLeg"]);
        if (seen.UpperLeg is { } upper)
            yield return (upper, drawn.Measures["upperLeg"]);
        if (seen.Throat is { } throat)
            yield return (throat, drawn.Measures["throat"]);
        yield return (seen.Width, drawn.Measures["width"]);
    }

    [Fact]
    public void What_will_not_do_is_refused_and_says_what_to_do()
    {
        var spoilt = Looked.Value.Where(one => one.Drawn.Wrong != "Nothing").ToArray();
        Share(0.8, spoilt.Select(one => one.Answer is { Section: null, Trouble: not null, Do: not null }));
        Assert.All(spoilt.Where(one => one.Drawn.Wrong == "NoCard"), one => Assert.Equal(PictureTrouble.NoWindow, one.Answer.Trouble));
        Assert.All(spoilt.Where(one => one.Drawn.Wrong == "NoBead"), one => Assert.Null(one.Answer.Section));
    }

    [Fact]
    public void Its_marks_measure_what_it_says_and_lie_on_the_edges_it_found()
    {
        var (drawn, answer) = Good.First(one => one.Drawn.Joint == Joint.T && one.Answer.Section is not null);
        var seen = answer.Section!;
        Assert.Empty(seen.Marks.Problems(2000, 2000));
        Assert.Equal(MacroMeasures.Of(seen.Marks, BeadMeasure.Leg).LowerLeg, seen.Measures.LowerLeg!.Value);
        Assert.Equal(CardKind.Section, seen.Card);
        var lines = seen.Edges.SelectMany(line => line.Zip(line.Skip(1))).ToArray();
        Assert.InRange(seen.Edges.Sum(line => line.Count), 20, 4000);
        var scale = (drawn.TenMm[1] - drawn.TenMm[0]).Size() / 10;
        Assert.All(seen.Marks.FusionLine, at => Assert.True(lines.Min(line => Off(at, line.First, line.Second)) < 0.2 * scale));
    }

    private static double Off(Point at, Point from, Point to)
    {
        var way = to - from;
        var share = way.Size() == 0 ? 0 : Math.Clamp((at - from).Along(way) / Math.Pow(way.Size(), 2), 0, 1);
        return (at - new Point(from.X + share * way.X, from.Y + share * way.Y)).Size();
    }

    [Fact]
    public void A_known_length_stands_for_the_card()
    {
        // As if the card were no card: ten millimetres are marked on its picture instead.
        var alone = Good.Where(one => one.Answer.Section is not null)
            .Select(one => one.Drawn.Look(new(one.Drawn.TenMm[0], one.Drawn.TenMm[1], Length.FromMm(10))).Section)
            .OfType<SectionSeen>()
            .ToArray();
        Assert.NotEmpty(alone);
        Assert.All(
            alone,
            seen =>
            {
                Assert.Null(seen.Card);
                Assert.Contains(seen.NotSurer, why => $"{why}".Contains("square on", StringComparison.Ordinal));
                Assert.Equal(MacroMeasures.Of(seen.Marks, Measure(seen)).Width, seen.Measures.Width.Value);
            }
        );

        static BeadMeasure Measure(SectionSeen seen) => seen.Measures.LowerLeg is null ? BeadMeasure.Width : BeadMeasure.Leg;
    }

    [Theory]
    [InlineData(Joint.OutsideCorner)]
    [InlineData(Joint.Edge)]
    [InlineData(Joint.Plug)]
    public void Joints_it_has_never_met_it_leaves_to_a_person(Joint joint)
    {
        using var nothing = new OpenCvSharp.Mat(100, 100, OpenCvSharp.MatType.CV_8UC3, OpenCvSharp.Scalar.All(90));
        Assert.Equal(PictureTrouble.StrangeJoint, SectionEye.Look(nothing, new(joint)).Trouble);
    }

    // An equal-legged fillet's throat is its leg by the square root of a half: geometry, as every welding handbook has it (from memory).
    [Theory]
    [InlineData(0)]
    [InlineData(15)]
    [InlineData(35)]
    public void Marks_seen_slantingly_measure_the_same_by_the_cards_plane(double slant)
    {
        const double leg = 8;
        // A camera 200 mm off, leaning; 15 pixels a millimetre where it looks.
        var (cos, sin) = (Math.Cos(slant * Math.PI / 180), Math.Sin(slant * Math.PI / 180));
        double[] plane = [15, 0.3 * sin * 900 / 200, 900, 0, 15 * cos + 4.5 * sin * 700 / 900, 700, 0, sin / 200, 1];
        var view = new PlaneView(plane);
        Point On(double x, double y) => view.ToPicture(new(x, y));
        var marks = new MacroMarks(
            On(0, 0),
            On(10, 0),
            Length.FromMm(10),
            On(0, 0),
            On(leg, 0),
            On(0, -leg),
            [On(leg / 2, -leg / 2)],
            [On(leg / 2, 1), On(-0.5, 0.5), On(-1, -leg / 2)],
            [new(On(0, 0), On(2, 0))],
            plane
        );
        Assert.Empty(marks.Problems(2000, 2000));
        var measures = MacroMeasures.Of(marks, BeadMeasure.Leg);
        Assert.Equal(leg, measures.LowerLeg!.Value.Mm, 1e-6);
        Assert.Equal(leg, measures.UpperLeg!.Value.Mm, 1e-6);
        Assert.Equal(leg * Math.Sqrt(0.5), measures.Throat!.Value.Mm, 1e-6);
        Assert.Equal(1, measures.LowerPenetration!.Value.Mm, 1e-6);
        Assert.Equal(0.5 * Math.Sqrt(2), measures.RootPenetration!.Value.Mm, 1e-6);
        Assert.Equal(2, measures.UnfusedLength.Mm, 1e-6);
        // By the scale alone, what was taken slantingly is wrong, and knows no better.
        var scaled = MacroMeasures.Of(marks with { Plane = null }, BeadMeasure.Leg);
        Assert.Equal(slant == 0, Math.Abs(scaled.UpperLeg!.Value.Mm - leg) < 0.02);
    }

    [Theory]
    [InlineData(new double[] { 1, 0, 0, 0, 1, 0, 0, 0 })]
    [InlineData(new double[] { 0, 0, 0, 0, 0, 0, 0, 0, 0 })]
    [InlineData(new[] { 15, 0, 900, 0, 15, 700, 0, 0, double.NaN })]
    [InlineData(new[] { 0.2, 0, 900, 0, 0.2, 700, 0, 0, 1 })]
    [InlineData(new double[] { 5000, 0, 900, 0, 5000, 700, 0, 0, 1 })]
    public void A_plane_that_no_camera_took_is_told(double[] plane)
    {
        var marks = new MacroMarks(
            new(0, 0),
            new(100, 0),
            Length.FromMm(10),
            new(50, 50),
            new(80, 50),
            new(50, 20),
            [new(66, 34)],
            [],
            [],
            plane
        );
        Assert.Contains(marks.Problems(2000, 2000), problem => problem.Field == "plane");
    }
}
