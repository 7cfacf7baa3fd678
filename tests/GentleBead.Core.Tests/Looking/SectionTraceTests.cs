using GentleBead.Core.Looking;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Tests.Looking;

/// <summary>
/// Root, toes and fusion line of sections whose parts are said and not looked for: triangles and rectangles, in millimetres of the field.
/// </summary>
public class SectionTraceTests
{
    private const int Side = SectionField.Side;

    private static readonly SectionField Blank = Field();

    private static SectionField Field()
    {
        using var picture = new Mat(Side, Side, MatType.CV_8UC3, Scalar.All(120));
        var card = Eye.Scaled(picture, new(new(0, 0), new(100, 0), Length.FromMm(10)));
        return SectionField.Of(picture, card, new(Side / 2.0, Side / 2.0));
    }

    private sealed record Made(float[] Parts, float[][] Marks)
    {
        public SectionTrace Trace(Joint joint) => SectionTrace.Of(Blank, (Parts, Marks), joint)!;
    }

    // Parts by shapes, the later over the former, a little soft as a network's are; and a mark's disc where one is wanted.
    private static Made Of((SectionPart Part, Point[] Shape)[] shapes, Point? root = null, Point[]? toes = null)
    {
        using var parts = new Mat(Side, Side, MatType.CV_8UC1, Scalar.All((int)SectionPart.Bare));
        foreach (var (part, shape) in shapes)
            Cv2.FillPoly(
                parts,
                [
                    [.. shape.Select(On)],
                ],
                Scalar.All((int)part),
                LineTypes.Link8,
                6
            );
        parts.GetArray(out byte[] all);
        var likely = new float[all.Length * SectionModel.Parts];
        for (var part = 0; part < SectionModel.Parts; part++)
        {
            using var own = Mat.FromPixelData(Side, Side, MatType.CV_32FC1, Array.ConvertAll(all, one => one == part ? 1f : 0));
            using var soft = new Mat();
            Cv2.GaussianBlur(own, soft, new Size(), 1.2);
            soft.GetArray(out float[] shares);
            for (var i = 0; i < shares.Length; i++)
                likely[SectionModel.Parts * i + part] = MathF.Log(shares[i] + 1e-3f);
        }
        return new(likely, [Discs(toes ?? []), Discs(root is { } at ? [at] : [])]);
    }

    private static float[] Discs(Point[] at)
    {
        using var near = new Mat(Side, Side, MatType.CV_32FC1, Scalar.All(0));
        foreach (var point in at)
            Cv2.Circle(near, On(point).X, On(point).Y, 5 << 6, Scalar.All(0.9), -1, LineTypes.Link8, 6);
        near.GetArray(out float[] shares);
        return shares;
    }

    private static OpenCvSharp.Point On(Point mm) => new((int)(mm.X / SectionField.Cell * 64), (int)(mm.Y / SectionField.Cell * 64));

    private static void Near(Point mm, Point seen, double off = 0.25) =>
        Assert.True((new Point(seen.X * SectionField.Cell, seen.Y * SectionField.Cell) - mm).Size() < off, $"{mm} was seen at {seen}");

    // Plates of 6 mm that meet at (14, 20); the weld fills the corner on the right, a millimetre and a half deep.
    private static Made Fillet(double lower, double upper, double high = 0, Point? root = null) =>
        Of(
            [
                (SectionPart.Plate, [new(1, 20), new(33, 20), new(33, 27), new(1, 27)]),
                (SectionPart.Plate, [new(8, high), new(14, high), new(14, 20), new(8, 20)]),
                (
                    SectionPart.Weld,
                    [new(14 + lower, 20), new(14 + 0.4 * lower, 21.5), new(13, 21), new(12.5, 20 - 0.4 * upper), new(14, 20 - upper)]
                ),
            ],
            root
        );

    // Legs and throat of a flat-faced fillet: the throat is the height of a right triangle on its longest side.
    [Theory]
    [InlineData(8, 8)]
    [InlineData(6, 9)]
    [InlineData(5, 4)]
    public void A_fillet_in_a_T_has_the_legs_and_the_throat_of_its_triangle(double lower, double upper)
    {
        var trace = Fillet(lower, upper).Trace(Joint.T);
        Near(new(14, 20), trace.Root);
        Near(new(14 + lower, 20), trace.Lower);
        Near(new(14, 20 - upper), trace.Upper);
        var throat = trace.Face.Min(at => (at - trace.Root).Size()) * SectionField.Cell;
        Assert.Equal(lower * upper / Math.Sqrt(lower * lower + upper * upper), throat, 0.3);
        Assert.Empty(trace.Unfused);
        Assert.InRange(trace.Sure, 0.8, 1);
    }

    // So much of the upper plate's end is left over the toe that a line along it and its top says nothing about where plates met.
    [Theory]
    [InlineData(14)]
    [InlineData(13)]
    [InlineData(12.2)]
    public void A_laps_root_lies_under_its_upper_toe(double high) => Near(new(14, 20), Fillet(7, 6, high).Trace(Joint.Lap).Root, 0.45);

    [Fact]
    public void Plates_that_are_straight_all_along_say_where_they_met_else_a_root_that_was_found_does()
    {
        Near(new(14, 20), Fillet(8, 8, root: new(13.2, 20.6)).Trace(Joint.T).Root);
        Near(new(14, 20), Fillet(8, 8, root: new(12.6, 21.2)).Trace(Joint.T).Root);
        // Too little of the standing plate is left over the toe.
        Near(new(12.6, 21.2), Fillet(8, 8, high: 9.5, root: new(12.6, 21.2)).Trace(Joint.T).Root);
        // Far from the weld none is.
        Near(new(14, 20), Fillet(8, 8, root: new(30, 5)).Trace(Joint.T).Root);
    }

    private static (SectionPart, Point[])[] OnPlate =>
        [
            (SectionPart.Plate, [new(1, 15), new(33, 15), new(33, 23), new(1, 23)]),
            (SectionPart.Weld, [new(12, 15), new(14, 13.5), new(20, 13.5), new(22, 15), new(20, 17), new(14, 17)]),
        ];

    [Fact]
    public void A_bead_on_plate_is_as_wide_as_its_toes_and_fused_as_deep_as_its_metal_goes()
    {
        var trace = Of(OnPlate).Trace(Joint.BeadOnPlate);
        Near(new(12, 15), trace.Lower, 0.35);
        Near(new(22, 15), trace.Upper, 0.35);
        Near(new(17, 15), trace.Root, 0.35);
        Assert.Equal(17, trace.Fusion.Max(at => at.Y) * SectionField.Cell, 0.2);
        Assert.Equal(13.5, trace.Face.Min(at => at.Y) * SectionField.Cell, 0.2);
    }

    [Fact]
    public void Toes_are_where_the_outline_leaves_the_plate_though_they_were_found_beside_and_the_face_lies_between_them()
    {
        var trace = Of(OnPlate, toes: [new(11.4, 15), new(22.5, 15)]).Trace(Joint.BeadOnPlate);
        Near(new(12, 15), trace.Lower, 0.12);
        Near(new(22, 15), trace.Upper, 0.12);
        Assert.All(trace.Face, at => Assert.InRange(at.X * SectionField.Cell, 12, 22));
        Assert.All(trace.Face, at => Assert.InRange(at.Y * SectionField.Cell, 13, 15.2));
    }

    [Fact]
    public void What_was_left_of_a_butts_joint_is_unfused_as_far_as_it_goes()
    {
        var trace = Of([.. OnPlate, (SectionPart.Seam, [new(16.9, 17), new(17.1, 17), new(17.1, 23), new(16.9, 23)])])
            .Trace(Joint.SquareButt);
        var line = Assert.Single(trace.Unfused);
        Assert.Equal(6, (line.To - line.From).Size() * SectionField.Cell, 0.5);
    }

    [Fact]
    public void Without_weld_metal_nothing_is_traced() =>
        Assert.Null(SectionTrace.Of(Blank, (Of([OnPlate[0]]).Parts, [Discs([]), Discs([])]), Joint.BeadOnPlate));
}
