using GentleBead.Bench.Listening;
using MathNet.Numerics.Random;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>
/// Paints a section without a room about it: its face, the walls under it, a bench or paper, light that falls off and shines. It takes a
/// twentieth of the time that POV-Ray takes, so thousands can be learned from; nothing is measured on them.
/// </summary>
internal static class SectionFlat
{
    private const int Shift = 6;

    // How fine its colours are, mm.
    private const double Cell = 0.08;

    /// <summary>A seed's scene: little more than what a window shows.</summary>
    public static SectionScene Scene(int seed)
    {
        var chance = Chance.Of(seed + 31);
        var side = chance.Next(430, 860);
        return new(seed, (side, side), chance.In(0.04) ? Wrong.NoBead : Wrong.Nothing, across: 38);
    }

    /// <summary>Paints it; the picture is the caller's.</summary>
    public static Mat Draw(SectionScene scene)
    {
        var chance = Chance.Of(scene.Seed + 17);
        Point[][] shapes = scene.Wrong == Wrong.NoBead ? [.. scene.Piece.Plates] : [.. scene.Piece.Plates, scene.Piece.Weld];
        var painted = Bench(scene.View, chance);
        using var skin = scene.Skin(Cell);
        Walls(painted, skin, scene, shapes, chance);
        using var face = Face(skin, scene, 0);
        using var mask = new Mat(painted.Size(), MatType.CV_8UC1, Scalar.All(0));
        foreach (var shape in shapes)
            Fill(mask, shape.Select(at => scene.SeeUnder(at, 0)), Scalar.All(255));
        face.CopyTo(painted, mask);
        Light(painted, mask, chance);
        return painted;
    }

    // What lies behind it: a mottled bench, or paper.
    private static Mat Bench(Viewpoint view, Xoshiro256StarStar chance)
    {
        var (tone, rough) = chance.In(0.3)
            ? (chance.Between(90, 245), chance.Between(0, 0.04))
            : (chance.Between(8, 130), chance.Around(0.03, 0.5));
        var (large, fine) = (chance.Around(4, 200), chance.Around(1.5, 12));
        var noise = new Noise(chance.Next(1, 1_000_000));
        var warm = chance.Between(-0.15, 0.15);
        var colours = new Vec3b[view.Width * view.Height];
        for (var i = 0; i < colours.Length; i++)
        {
            var (x, y) = (i % view.Width, i / view.Width);
            var own = tone * (1 + rough * (noise.Rough(x / large, y / large) + 0.4 * noise.At(x / fine + 99, y / fine)));
            colours[i] = new(Level(own * (1 - warm)), Level(own), Level(own * (1 + warm)));
        }
        using var all = Mat.FromPixelData(view.Height, view.Width, MatType.CV_8UC3, colours);
        return all.Clone();
    }

    // The sides of the plates, and the shadow under them.
    private static void Walls(Mat into, Mat skin, SectionScene scene, Point[][] shapes, Xoshiro256StarStar chance)
    {
        const int steps = 14;
        var (dark, side) = (chance.Between(0.2, 0.9), chance.Between(0.3, 1.05));
        using var shade = new Mat(into.Size(), MatType.CV_8UC1, Scalar.All(0));
        var (x, y) = (chance.Between(-2, 2), chance.Between(-2, 2));
        foreach (var shape in shapes)
            Fill(shade, shape.Select(at => scene.SeeUnder(new(at.X + x, at.Y + y), scene.Deep)), Scalar.All(255 * dark));
        Cv2.GaussianBlur(shade, shade, new Size(), chance.Between(4, 30));
        using var three = new Mat();
        Cv2.Merge([shade, shade, shade], three);
        using var left = new Mat();
        Cv2.BitwiseNot(three, left);
        Cv2.Multiply(into, left, into, 1 / 255.0);
        // A wall shows the colours of the rim above it, all the way down.
        using var mask = new Mat(into.Size(), MatType.CV_8UC1);
        for (var i = steps; i > 0; i--)
        {
            mask.SetTo(Scalar.All(0));
            foreach (var shape in shapes)
                Fill(mask, shape.Select(at => scene.SeeUnder(at, scene.Deep * i / steps)), Scalar.All(255));
            using var wall = Face(skin, scene, scene.Deep * i / steps);
            using var lit = wall * (side * (0.8 + 0.2 * (steps - i) / steps));
            lit.ToMat().CopyTo(into, mask);
        }
    }

    // The face's colours as they are seen so many millimetres under it.
    private static Mat Face(Mat skin, SectionScene scene, double under)
    {
        const double half = SectionSkin.Side / 2;
        Point[] corners = [new(-half, -half), new(half, -half), new(half, half), new(-half, half)];
        using var to = Cv2.GetPerspectiveTransform(
            corners.Select(at => new Point2f((float)((at.X + half) / Cell), (float)((at.Y + half) / Cell))).ToArray(),
            corners.Select(at => scene.SeeSkin(at, under)).Select(at => new Point2f((float)at.X, (float)at.Y)).ToArray()
        );
        var face = new Mat();
        var size = new Size(scene.View.Width, scene.View.Height);
        Cv2.WarpPerspective(skin, face, to, size, InterpolationFlags.Linear, BorderTypes.Replicate);
        return face;
    }

    // Light falls off one way, and metal shines somewhere.
    private static void Light(Mat painted, Mat metal, Xoshiro256StarStar chance)
    {
        var (wide, turn) = (painted.Width, chance.Between(0, 2 * Math.PI));
        var (fall, power) = (chance.Between(0, 0.5), chance.Between(0.6, 1.25));
        var (shineX, shineY, reach) = (chance.Between(-0.3, 1.3) * wide, chance.Between(-0.3, 1.3) * wide, chance.Around(0.15, 0.8) * wide);
        var shine = chance.In(0.6) ? chance.Between(0, 110) : 0;
        painted.GetArray(out Vec3b[] colours);
        metal.GetArray(out byte[] isMetal);
        for (var i = 0; i < colours.Length; i++)
        {
            var (x, y) = (i % wide, i / wide);
            var lit = power * (1 + fall * ((x - wide / 2.0) * Math.Cos(turn) + (y - wide / 2.0) * Math.Sin(turn)) / wide);
            var (dx, dy) = ((x - shineX) / reach, (y - shineY) / reach);
            var shines = isMetal[i] > 0 ? shine * Math.Exp(-dx * dx - dy * dy) : 0;
            var own = colours[i];
            colours[i] = new(Level(own.Item0 * lit + shines), Level(own.Item1 * lit + shines), Level(own.Item2 * lit + shines));
        }
        painted.SetArray(colours);
    }

    private static byte Level(double of) => (byte)Math.Clamp(of, 0, 255);

    private static void Fill(Mat into, IEnumerable<Point> shape, Scalar colour) =>
        Cv2.FillPoly(
            into,
            [
                [.. shape.Select(at => new OpenCvSharp.Point(at.X * (1 << Shift), at.Y * (1 << Shift)))],
            ],
            colour,
            LineTypes.Link8,
            Shift
        );
}
