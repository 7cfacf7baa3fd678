using GentleBead.Bench.Listening;
using GentleBead.Core.Beads;
using GentleBead.Core.Stock;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Looking;

/// <summary>
/// A cut section from known numbers, in millimetres from where the plates meet (of a groove or a bead on plate: from the middle of its
/// face line), right and down, as it was welded.
/// </summary>
internal sealed class SectionPiece
{
    // The welded joints a section is drawn of; of other joints none is.
    private static readonly Joint[] Drawn = [Joint.T, Joint.Lap, Joint.SquareButt, Joint.VButt, Joint.BeadOnPlate];

    // At which shares of its depth a groove's fused side is drawn through.
    private static readonly double[] Downs = [0.3, 0.6, 0.85];

    private readonly Xoshiro256StarStar chance;
    private readonly List<UnfusedLine> unfused = [];
    private readonly List<(Point From, Point To)> seams = [];

    public SectionPiece(Xoshiro256StarStar chance)
    {
        this.chance = chance;
        Joint = chance.Of(Drawn);
        if (Joint is Joint.T or Joint.Lap)
            Fillet(Joint == Joint.Lap);
        else if (Joint == Joint.VButt)
            Groove();
        else
            Flat(Joint == Joint.SquareButt);
    }

    public Joint Joint { get; }

    /// <summary>The plates, each as its corners.</summary>
    public List<Point[]> Plates { get; } = [];

    /// <summary>The weld metal's outline: along the face from the lower (left) toe to the upper (right) one, and back.</summary>
    public Point[] Weld => [.. Face, .. Fusion.Reverse()];

    /// <summary>The face, toe to toe.</summary>
    public Point[] Face { get; private set; } = [];

    /// <summary>The other side of the weld metal, toe to toe.</summary>
    public Point[] Fusion { get; private set; } = [];

    /// <summary>What of the other side is fused to plate: the rest is unfused, or is the bead behind.</summary>
    public Point[] Fused { get; private set; } = [];

    /// <summary>Lines that were left unfused.</summary>
    public IReadOnlyList<UnfusedLine> Unfused => unfused;

    /// <summary>Every dark line, the joint's own ones included.</summary>
    public IReadOnlyList<(Point From, Point To)> Seams => seams;

    /// <summary>The middle of the weld metal, roughly.</summary>
    public Point Middle => new(Weld.Average(at => at.X), Weld.Average(at => at.Y));

    private void Fillet(bool lap)
    {
        var thick = chance.Between(2.5, 9);
        var along = chance.Between(3, Math.Min(11, 2.2 * thick + 2));
        var up = lap ? Math.Min(thick, along * chance.Between(0.8, 1.2)) : along * chance.Between(0.75, 1.3);
        if (lap && thick - up < 0.5)
            up = thick;
        var under = chance.Between(2.5, 9);
        var (left, right) = (chance.Between(10, 26), along + chance.Between(4, 20));
        Plates.Add([new(-left, 0), new(right, 0), new(right, under), new(-left, under)]);
        var high = lap ? thick : up + chance.Between(4, 20);
        var wide = lap ? chance.Between(9, 24) : thick;
        Plates.Add([new(-wide, -high), new(0, -high), new(0, 0), new(-wide, 0)]);
        var (lower, upper) = (new Point(along, 0), new Point(0, -up));
        Face = Bulge(lower, upper, chance.Between(-0.1, 0.24));
        var (down, side) = (chance.Around(0.2, Math.Min(2.2, 0.4 * under)), chance.Around(0.2, Math.Min(2.2, 0.4 * (lap ? 5 : thick))));
        var bare = chance.In(0.3);
        if (!bare)
        {
            var root = chance.Between(0.1, Math.Min(2.2, 0.3 * (along + up) / 2));
            Fusion = Wavy([
                lower,
                new(0.72 * along, 0.8 * down),
                new(0.35 * along, down),
                new(-0.55 * root, 0.8 * root),
                new(-side, -0.38 * up),
                new(-0.75 * side, -0.72 * up),
                upper,
            ]);
            Fused = Fusion;
            seams.Add((new(Math.Min(0, -0.5 * root), 0), new(lap ? -wide : -thick, 0)));
            return;
        }
        // The root was not reached: weld metal lies on one plate or both without having melted it.
        var (a, b) = (chance.In(0.75) ? chance.Between(0.6, 0.4 * along) : 0, chance.Between(0.6, 0.4 * up));
        Point[] one = Wavy([lower, new(0.8 * along, 0.7 * down), new((along + a) / 2, down), new(a + 0.2, 0.25 * down), new(a, 0)]);
        Point[] other = Wavy([new(0, -b), new(-0.25 * side, -b - 0.2), new(-side, -(up + b) / 2), new(-0.7 * side, -0.8 * up), upper]);
        Fusion = [.. one, new(0, 0), .. other];
        Fused = [.. one, .. other];
        if (a > 0)
            unfused.Add(new(new(0, 0), new(a, 0)));
        unfused.Add(new(new(0, 0), new(0, -b)));
        seams.Add((new(0, 0), new(lap ? -wide : -thick, 0)));
        seams.AddRange(unfused.Select(line => (line.From, line.To)));
    }

    private void Flat(bool butt)
    {
        var thick = chance.Between(2.5, 11);
        var half = chance.Between(1.8, Math.Min(7, 1.2 * thick + 1));
        var (left, right) = (chance.Between(8, 24), chance.Between(8, 24));
        var gap = butt && chance.In(0.5) ? chance.Between(0.1, 0.8) : 0;
        if (butt)
        {
            Plates.Add([new(-half - left, 0), new(-gap / 2, 0), new(-gap / 2, thick), new(-half - left, thick)]);
            Plates.Add([new(gap / 2, 0), new(half + right, 0), new(half + right, thick), new(gap / 2, thick)]);
        }
        else
            Plates.Add([new(-half - left, 0), new(half + right, 0), new(half + right, thick), new(-half - left, thick)]);
        var (lower, upper) = (new Point(-half, 0), new Point(half, 0));
        Face = Bulge(lower, upper, chance.Between(0.02, 0.28));
        var through = butt && chance.In(0.45);
        if (through)
        {
            var back = chance.Between(0.6, Math.Max(0.7, 0.5 * half));
            Point[] one = Wavy([lower, new(-0.75 * half, 0.35 * thick), new(-back - 0.15 * half, 0.75 * thick), new(-back, thick)]);
            Point[] other = Wavy([new(back, thick), new(back + 0.15 * half, 0.75 * thick), new(0.75 * half, 0.35 * thick), upper]);
            Fusion = [.. one, .. Bulge(new(-back, thick), new(back, thick), -chance.Between(0.05, 0.4)).Skip(1).SkipLast(1), .. other];
            Fused = [.. one, .. other];
            return;
        }
        var deep = chance.Between(0.3, Math.Min(0.85 * thick, 1.6 * half));
        Fusion = Wavy([
            lower,
            new(-0.75 * half, 0.5 * deep),
            new(-0.35 * half, 0.9 * deep),
            new(0, deep),
            new(0.35 * half, 0.9 * deep),
            new(0.75 * half, 0.5 * deep),
            upper,
        ]);
        Fused = Fusion;
        if (!butt)
            return;
        unfused.Add(new(new(0, deep), new(0, thick)));
        seams.Add((new(0, deep), new(0, thick)));
    }

    // Edges bevelled to a V and filled: fused through with a bead behind, or with the edges' feet left unfused.
    private void Groove()
    {
        var thick = chance.Between(4, 12);
        var (foot, gap) = (chance.Between(0, Math.Min(2.5, 0.35 * thick)), chance.Between(0, 2.5));
        var lean = Math.Tan(chance.Between(25, 35) * Math.PI / 180);
        double Edge(double down) => gap / 2 + Math.Max(0, thick - foot - down) * lean;
        var (left, right) = (chance.Between(6, 20), chance.Between(6, 20));
        var half = Edge(0) + chance.Between(0.4, 2);
        foreach (var side in new[] { -1, 1 })
            Plates.Add([
                new(side * (half + (side < 0 ? left : right)), 0),
                new(side * Edge(0), 0),
                new(side * gap / 2, thick - foot),
                new(side * gap / 2, thick),
                new(side * (half + (side < 0 ? left : right)), thick),
            ]);
        var (lower, upper) = (new Point(-half, 0), new Point(half, 0));
        Face = Bulge(lower, upper, chance.Between(0.01, 0.16));
        var into = chance.Between(0.2, 1.4);
        Point[] Side(int side, double down) =>
            [new(side * half, 0), .. Downs.Select(share => new Point(side * (Edge(share * down) + into), share * down))];
        if (foot < 1 || chance.In(0.5))
        {
            var back = gap / 2 + chance.Between(0.4, 1.5);
            Point[] one = Wavy([.. Side(-1, thick), new(-back, thick)]);
            Point[] other = Wavy([.. Side(1, thick).Append(new(back, thick)).Reverse()]);
            Fusion = [.. one, .. Bulge(new(-back, thick), new(back, thick), -chance.Between(0.05, 0.35)).Skip(1).SkipLast(1), .. other];
            Fused = [.. one, .. other];
            return;
        }
        var deep = thick - chance.Between(0.3, 0.9) * foot;
        Fusion = Wavy([.. Side(-1, deep), new(0, deep), .. Side(1, deep).Reverse()]);
        Fused = Fusion;
        unfused.Add(new(new(0, deep), new(0, thick)));
        seams.Add((new(0, deep), new(0, thick)));
    }

    // From one toe to the other, outward by a share of the way between them: to the right hand of whoever goes there, mirrored for less
    // than nothing.
    private Point[] Bulge(Point from, Point to, double by)
    {
        const int steps = 60;
        var way = to - from;
        // Upward of a line to the right, and up to the right of one to the upper left.
        var outward = way.X >= 0 ? new Point(way.Y, -way.X) : new Point(-way.Y, way.X);
        var (skew, wave, phase) = (chance.Between(-0.5, 0.5), chance.Between(0, 0.004), chance.Between(0, 6));
        return
        [
            .. Enumerable
                .Range(0, steps + 1)
                .Select(i => (double)i / steps)
                .Select(t => (T: t, Out: 4 * t * (1 - t) * (by * (1 + skew * (2 * t - 1)) + wave * Math.Sin(14 * t + phase))))
                .Select(at => new Point(from.X + at.T * way.X + at.Out * outward.X, from.Y + at.T * way.Y + at.Out * outward.Y)),
        ];
    }

    // A smooth line through points (Catmull and Rom 1974), a little uneven as melted edges are; its ends stay.
    private Point[] Wavy(Point[] through)
    {
        const int steps = 16;
        var noise = new Noise(chance.Next(1, 1_000_000));
        var (height, pitch) = (chance.Between(0, 0.08), chance.Between(0.4, 1.2));
        List<Point> line = [];
        for (var i = 0; i + 1 < through.Length; i++)
        {
            var (a, b, c, d) = (through[Math.Max(0, i - 1)], through[i], through[i + 1], through[Math.Min(through.Length - 1, i + 2)]);
            for (var k = 0; k < steps; k++)
            {
                var t = (double)k / steps;
                double Of(double p, double q, double r, double s) =>
                    0.5 * (2 * q + (r - p) * t + (2 * p - 5 * q + 4 * r - s) * t * t + (3 * q - p - 3 * r + s) * t * t * t);
                line.Add(new(Of(a.X, b.X, c.X, d.X), Of(a.Y, b.Y, c.Y, d.Y)));
            }
        }
        line.Add(through[^1]);
        for (var i = 1; i < line.Count - 1; i++)
        {
            var by = height * Math.Min(1, Math.Min(i, line.Count - 1 - i) / 8.0);
            line[i] = new(line[i].X + by * noise.At(i * pitch / 3, 1), line[i].Y + by * noise.At(i * pitch / 3, 9));
        }
        return [.. line];
    }
}
