using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>Which part each place of a strip is that a drawn bead was laid straight on.</summary>
internal sealed class FaceParts
{
    private const int Shift = 6;

    // From one step across a bead to the next, as shares of its width.
    private const int Steps = 24;

    // Within a ripple: from here to there it stands higher than on average.
    private const double CrestFrom = 0.32,
        CrestTo = 0.86;

    // A groove is told where it is nearly this wide, mm.
    private const double Groove = 0.7;

    private readonly FaceScene scene;
    private readonly FaceBead bead;
    private readonly Viewpoint view;
    private readonly PlaneView plane;
    private readonly Mat parts;

    private FaceParts(FaceScene scene, Viewpoint view, PlaneView plane, Mat parts) =>
        (this.scene, bead, this.view, this.plane, this.parts) = (scene, scene.Bead, view, plane, parts);

    /// <summary>Which part each place is, row by row.</summary>
    /// <param name="scene">What was drawn.</param>
    /// <param name="view">How it was seen.</param>
    /// <param name="plane">From the strip's millimetres to the picture's pixels.</param>
    /// <param name="size">The strip's columns and rows.</param>
    public static byte[] Of(FaceScene scene, Viewpoint view, PlaneView plane, (int Columns, int Rows) size)
    {
        using var parts = new Mat(size.Rows, size.Columns, MatType.CV_8UC1, Scalar.All((int)FacePart.Plate));
        if (scene.Wrong != Wrong.NoBead)
            new FaceParts(scene, view, plane, parts).Draw();
        parts.GetArray(out byte[] all);
        return all;
    }

    /// <summary>Where a place across the face is in the room, so far along.</summary>
    public static Spot OnFace(FaceBead bead, double s, double v)
    {
        if (bead.Legs is null)
            return new(s, v, bead.HeightAt(s, v));
        var (lower, upper) = bead.FaceAt(s, v);
        return new(s, lower, upper);
    }

    private void Draw()
    {
        Plates();
        foreach (var grain in bead.Spatter.Where(scene.Shown))
            Disc(new(grain.X, grain.Y, 0.12 * grain.DiameterMm), grain.DiameterMm, FacePart.Grain);
        using var metal = new Mat(parts.Size(), MatType.CV_8UC1, Scalar.All(0));
        Fill(metal, Toes(left: true).Concat(Toes(left: false).Reverse()), byte.MaxValue);
        parts.SetTo(Scalar.All((int)FacePart.Trough), metal);
        using var face = parts.Clone();
        Face(face);
        face.CopyTo(parts, metal);
    }

    // What lies on the metal.
    private void Face(Mat into)
    {
        for (var i = 0; i + 1 < bead.Ripples.Count; i++)
        {
            var (at, gap) = (bead.Ripples[i], bead.Ripples[i + 1] - bead.Ripples[i]);
            Fill(into, Across(at + CrestFrom * gap).Concat(Across(at + CrestTo * gap).Reverse()), (int)FacePart.Crest);
        }
        if (bead.Restart is { } restart)
            Fill(into, Line(restart - 0.3 * bead.Width).Concat(Line(restart + 0.3 * bead.Width).Reverse()), (int)FacePart.Restart);
        if (bead.Crater > 0)
        {
            var (middle, reach) = (bead.Length - 0.55 * bead.Width, 0.26 * bead.Width);
            Fill(into, Enumerable.Range(0, 40).Select(i => Round(middle, reach, i * Math.PI / 20)), (int)FacePart.Crater);
        }
        foreach (var pore in bead.Pores)
            Disc(into, FaceTruth.Mouth(bead, pore), pore.DiameterMm, FacePart.Pore);

        Point Round(double middle, double reach, double turn) =>
            On(OnFace(bead, middle + reach * Math.Cos(turn), bead.MiddleAt(middle) + reach * Math.Sin(turn)));
    }

    // Plate, its tint, and grooves in it: what is not metal lies on one plate or the other.
    private void Plates()
    {
        parts.GetArray(out byte[] all);
        var columns = parts.Cols;
        for (var i = 0; i < all.Length; i++)
        {
            var at = plane.ToPicture(new(Strip.Along(i % columns), Strip.Across(i / columns)));
            all[i] = (byte)Of(view.Through(at));
        }
        parts.SetArray(all);
    }

    private FacePart Of(Spot way)
    {
        var floor = view.At + view.At.Z / -way.Z * way;
        if (bead.Legs is not null)
        {
            var standing = floor.Y < 0;
            var far = standing ? (view.At + view.At.Y / -way.Y * way).Z : floor.Y;
            var x = standing ? (view.At + view.At.Y / -way.Y * way).X : floor.X;
            return bead.Tints.Count > 0 && bead.Beyond(x, far, standing) < bead.Tints[standing ? 0 : 1].WidthMm
                ? FacePart.Tint
                : FacePart.Plate;
        }
        var outside = bead.Outside(floor.X, floor.Y);
        var side = floor.Y < bead.MiddleAt(floor.X) ? 0 : 1;
        if (bead.Undercut is { } cut && cut.Side == 2 * side - 1 && floor.X > cut.From && floor.X < cut.To && outside < Groove)
            return FacePart.Undercut;
        return bead.Tints.Count > 0 && outside < bead.Tints[side].WidthMm ? FacePart.Tint : FacePart.Plate;
    }

    private Point[] Toes(bool left)
    {
        const int many = 240;
        return
        [
            .. Enumerable
                .Range(0, many + 1)
                .Select(i => 0.01 + (bead.Length - 0.02) * i / many)
                .Select(s => (S: s, Toes: bead.ToesAt(s)))
                .Where(one => one.Toes != default)
                .Select(one => (one.S, At: left ? one.Toes.Left : one.Toes.Right))
                .Select(one => On(new(one.S, one.At.Y, one.At.Z))),
        ];
    }

    // Along a ripple: it bows, its middle is ahead.
    private IEnumerable<Point> Across(double ripple) =>
        Enumerable
            .Range(0, Steps + 1)
            .Select(i => bead.Width * 1.1 * ((double)i / Steps - 0.5))
            .Select(off => (S: ripple - bead.Point * off * off / bead.Width, Off: off))
            .Select(at => On(OnFace(bead, at.S, bead.MiddleAt(at.S) + at.Off)));

    private IEnumerable<Point> Line(double s) =>
        Enumerable.Range(0, Steps + 1).Select(i => On(OnFace(bead, s, bead.MiddleAt(s) + bead.Width * 1.1 * ((double)i / Steps - 0.5))));

    // Where a place of the room is on the strip, pixels.
    private Point On(Spot of) => plane.ToPlane(view.See(of)) is var mm ? new(Strip.ColumnAt(mm.X), Strip.RowAt(mm.Y)) : default;

    private void Disc(Spot at, double diameter, FacePart part) => Disc(parts, at, diameter, part);

    private void Disc(Mat into, Spot at, double diameter, FacePart part)
    {
        var on = On(at);
        var centre = new OpenCvSharp.Point(on.X * (1 << Shift), on.Y * (1 << Shift));
        var radius = (int)(diameter / 2 / Strip.Cell * (1 << Shift));
        Cv2.Circle(into, centre.X, centre.Y, radius, Scalar.All((int)part), -1, LineTypes.Link8, Shift);
    }

    private static void Fill(Mat into, IEnumerable<Point> shape, int with) =>
        Cv2.FillPoly(
            into,
            [
                [.. shape.Select(at => new OpenCvSharp.Point(at.X * (1 << Shift), at.Y * (1 << Shift)))],
            ],
            Scalar.All(with),
            LineTypes.Link8,
            Shift
        );
}
