using GentleBead.Bench.Listening;
using MathNet.Numerics.Random;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>
/// The colours of a sawn, sanded and etched section in even light: plate with its grain, what the heat changed beside the weld, weld
/// metal with grains that grew away from the fusion line, dark seams, scratches and stains.
/// </summary>
internal sealed class SectionSkin
{
    /// <summary>Millimetres a pixel, and how many of them either way.</summary>
    public const double Cell = 0.04,
        Side = 56;

    private const int Shift = 6;
    private readonly Xoshiro256StarStar chance;
    private readonly double cell;
    private readonly Noise coarse,
        fine,
        lines;

    /// <param name="chance">What it comes from.</param>
    /// <param name="seed">What its grain comes from.</param>
    /// <param name="cell">Millimetres a pixel.</param>
    public SectionSkin(Xoshiro256StarStar chance, int seed, double cell = Cell)
    {
        (this.chance, this.cell) = (chance, cell);
        (coarse, fine, lines) = (new(seed * 13 + 1), new(seed * 13 + 2), new(seed * 13 + 3));
    }

    /// <summary>Draws it.</summary>
    /// <param name="piece">What is to be seen.</param>
    /// <param name="place">From the piece's millimetres to those of the picture, whose middle is (0, 0).</param>
    /// <param name="bare">Whether there is no weld in it after all.</param>
    public Mat Draw(SectionPiece piece, Func<Point, Point> place, bool bare)
    {
        var cells = (int)(Side / cell);
        using var weld = Mask(cells, [piece.Weld], place);
        using var seam = new Mat(cells, cells, MatType.CV_8UC1, Scalar.All(0));
        foreach (var (from, to) in piece.Seams)
            Line(seam, place(from), place(to), chance.Between(0.06, 0.26));
        if (bare)
            weld.SetTo(Scalar.All(0));
        using var off = Distance(weld, within: false);
        using var into = Distance(weld, within: true);
        Cv2.GaussianBlur(seam, seam, new Size(), chance.Between(0.8, 2) * Cell / cell);
        weld.GetArray(out byte[] isWeld);
        seam.GetArray(out byte[] isSeam);
        off.GetArray(out float[] away);
        into.GetArray(out float[] deep);
        var look = new Look(chance);
        var middle = place(piece.Middle);
        var colours = new Vec3b[cells * cells];
        for (var i = 0; i < colours.Length; i++)
        {
            var (x, y) = (i % cells * cell - Side / 2, i / cells * cell - Side / 2);
            var tone =
                isWeld[i] > 0 ? Weld(look, x - middle.X, y - middle.Y, deep[i] * cell) : Plate(look, x, y, bare ? 99 : away[i] * cell);
            tone *= 1 + look.Scratches * Scratch(look, x, y) + look.Stain * coarse.Rough(x / 9, y / 9);
            var dark = isSeam[i] / 255.0;
            tone = tone * (1 - dark) + look.SeamTone * dark;
            var warm = isWeld[i] > 0 ? look.WeldWarm : 0;
            warm += look.StainWarm * coarse.At(x / 12 + 40, y / 12);
            colours[i] = new(Level(tone * (1 - look.Warm - warm)), Level(tone), Level(tone * (1 + look.Warm + warm)));
        }
        return Mat.FromPixelData(cells, cells, MatType.CV_8UC3, colours).Clone();
    }

    private double Plate(Look look, double x, double y, double away)
    {
        var grain =
            look.Grain * fine.Rough(x / look.GrainSize, y / look.GrainSize)
            + look.Bands * lines.At(y / 0.35 + 0.2 * coarse.At(x / 6, y / 6));
        // Coarse beside the fusion line, fine further out, and the line itself.
        var near = away < look.HeatWidth ? look.Near * Math.Pow(1 - away / look.HeatWidth, 0.7) : 0;
        var rim = away < 1.5 * look.HeatWidth ? look.Rim * Math.Exp(-Math.Pow((away - look.HeatWidth) / (0.18 * look.HeatWidth), 2)) : 0;
        var line = look.FusionLine * Math.Exp(-Math.Pow(away / look.LineWidth, 2));
        return look.Tone * (1 + grain + near + rim + line);
    }

    // Grains stand square to the fusion line, roughly on the middle of the weld, and are several times as long as wide.
    private double Weld(Look look, double x, double y, double deep)
    {
        var round = Math.Atan2(y, x) * 3.2;
        var grains = look.Grains * fine.Rough(round / look.GrainWide, deep / (5 * look.GrainWide) + 31);
        var pass = look.Pass * coarse.Rough(x / 2.2 + 7, y / 2.2);
        var line = look.FusionLine * Math.Exp(-Math.Pow(deep / look.LineWidth, 2));
        return look.Tone * (1 + look.Contrast + grains + pass + line);
    }

    private double Scratch(Look look, double x, double y)
    {
        var (along, across) = (x * look.Cos + y * look.Sin, -x * look.Sin + y * look.Cos);
        return lines.Rough(across / 0.07, along / 6);
    }

    private static byte Level(double of) => (byte)Math.Clamp(of, 0, 255);

    private static Mat Distance(Mat of, bool within)
    {
        using var ground = new Mat();
        if (within)
            of.CopyTo(ground);
        else
            Cv2.BitwiseNot(of, ground);
        var far = new Mat();
        Cv2.DistanceTransform(ground, far, DistanceTypes.L2, DistanceTransformMasks.Mask5);
        return far;
    }

    private OpenCvSharp.Point On(Point mm) => new((mm.X + Side / 2) / cell * (1 << Shift), (mm.Y + Side / 2) / cell * (1 << Shift));

    private Mat Mask(int cells, IEnumerable<Point[]> shapes, Func<Point, Point> place)
    {
        var mask = new Mat(cells, cells, MatType.CV_8UC1, Scalar.All(0));
        foreach (var shape in shapes)
            Cv2.FillPoly(
                mask,
                [
                    [.. shape.Select(at => On(place(at)))],
                ],
                Scalar.All(255),
                LineTypes.Link8,
                Shift
            );
        return mask;
    }

    private void Line(Mat into, Point from, Point to, double wide) =>
        Cv2.Line(into, On(from), On(to), Scalar.All(255), Math.Max(1, (int)Math.Round(wide / cell)), LineTypes.AntiAlias, Shift);

    // How one section came out of sawing, sanding and etching.
    private sealed class Look(Xoshiro256StarStar chance)
    {
        public double Tone { get; } = chance.Between(90, 190);
        public double Warm { get; } = chance.Between(-0.04, 0.07);
        public double WeldWarm { get; } = chance.Between(-0.03, 0.04);
        public double Contrast { get; } = (chance.In(0.6) ? -1 : 1) * chance.Between(0.06, 0.3);
        public double Grain { get; } = chance.Around(0.01, 0.08);
        public double GrainSize { get; } = chance.Around(0.06, 0.2);
        public double Bands { get; } = chance.Between(0, 0.05);
        public double HeatWidth { get; } = chance.Around(0.7, 3);
        public double Near { get; } = chance.Between(-0.25, 0.08);
        public double Rim { get; } = chance.Between(-0.12, 0.12);
        public double FusionLine { get; } = chance.Between(-0.35, 0.1);
        public double LineWidth { get; } = chance.Around(0.05, 0.16);
        public double Grains { get; } = chance.Around(0.03, 0.2);
        public double GrainWide { get; } = chance.Around(0.1, 0.4);
        public double Pass { get; } = chance.Between(0, 0.08);
        public double Scratches { get; } = chance.Around(0.01, 0.1);
        public double Stain { get; } = chance.Between(0, 0.13);
        public double StainWarm { get; } = chance.Between(0, 0.05);
        public double SeamTone { get; } = chance.Between(8, 45);
        private double Turn { get; } = chance.Between(0, Math.PI);
        public double Cos => Math.Cos(Turn);
        public double Sin => Math.Sin(Turn);
    }
}
