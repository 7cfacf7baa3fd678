using GentleBead.Bench.Listening;
using GentleBead.Core.Looking;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Looking;

/// <summary>
/// What shows behind a bead from known numbers, along the bead's own axis from 0 to its length: a mark where it came through, heat tint,
/// holes. Everything in millimetres.
/// </summary>
internal sealed class BackBead : ILaid
{
    private readonly Noise wander;
    private readonly Noise bend;
    private readonly double ripple;

    public BackBead(Xoshiro256StarStar chance, int seed)
    {
        (wander, bend) = (new(seed * 7 + 3), new(seed * 7 + 4));
        Length = chance.Around(26, 95);
        Width = chance.Around(1.2, 6);
        Crown = Width * chance.Between(0.05, 0.3);
        Bend = chance.Between(0, 0.8);
        ripple = chance.Around(0.9, 3.2);
        Surface = chance.Of<Surface>([Surface.Mill, Surface.Brushed, Surface.Brushed, Surface.Ground]);
        var shows = chance.NextDouble();
        if (shows > 0.45)
            Marks = Stretches(chance, chance.In(0.55), Width);
        // Mill scale shows no colours.
        if (Surface != Surface.Mill && shows > 0.15 && (shows < 0.45 || chance.In(0.85)))
        {
            var band = new TintBand(Math.Max(Width, chance.Between(2, 11)), chance.Between(0.15, 0.95));
            (Tints, Tinted) = ([band, band], Stretches(chance, chance.In(0.7), 1));
        }
        if (chance.In(0.35))
            Holes = [.. Enumerable.Range(0, chance.Next(1, 4)).Select(_ => Hole(chance)).DistinctBy(one => (int)(one.X / 9))];
    }

    public double Length { get; }

    /// <summary>How wide its mark is, where there is one.</summary>
    public double Width { get; }

    public double Crown { get; }
    public double Bend { get; }
    public Surface Surface { get; }
    public IReadOnlyList<TintBand> Tints { get; } = [];
    public IReadOnlyList<Round> Pores => [];

    /// <summary>From where to where it came through; none where it did not.</summary>
    public IReadOnlyList<(double From, double To)> Marks { get; } = [];

    /// <summary>From where to where the plate is coloured.</summary>
    public IReadOnlyList<(double From, double To)> Tinted { get; } = [];

    /// <summary>Holes burnt through.</summary>
    public IReadOnlyList<Round> Holes { get; } = [];

    public double MiddleAt(double s) => Bend * bend.At(s / 14);

    public double WidthAt(double s)
    {
        var end = Marks.Select(one => Math.Min(s - one.From, one.To - s)).DefaultIfEmpty(-1).Max();
        if (end <= 0)
            return 0;
        var cap = Width / 2;
        var width = Width * (1 + 0.16 * wander.At(s / 5) + 0.08 * wander.At(s / 1.9 + 50));
        return end < cap ? width * Math.Sqrt(1 - Math.Pow(1 - end / cap, 2)) : width;
    }

    public bool IsHole(double s, double v) => Holes.Any(one => Far(one, s, v) < one.DiameterMm / 2);

    /// <summary>How high it stands over the plate.</summary>
    public double HeightAt(double s, double v)
    {
        const double through = 6;
        if (IsHole(s, v))
            return -through;
        var (height, width, off) = (0.0, WidthAt(s), v - MiddleAt(s));
        var share = width <= 0 ? 2 : 2 * off / width;
        if (Math.Abs(share) < 1)
            height = Crown * Math.Sqrt(1 - share * share) * (1 + 0.15 * Math.Sin(2 * Math.PI * Phase(s, off)));
        // What ran out of a hole hangs about its rim.
        foreach (var hole in Holes)
            height += 0.12 * hole.DiameterMm * Math.Exp(-Math.Pow((Far(hole, s, v) / (hole.DiameterMm / 2) - 1.1) / 0.25, 2));
        return height;
    }

    public double Outside(double s, double v)
    {
        const double bare = 99;
        var width = WidthAt(s);
        if (width > 0 && Math.Abs(v - MiddleAt(s)) < width / 2)
            return -1;
        var wide = 1 + 0.18 * wander.At(s / 4 + 90);
        return Tinted.Select(one => Far(one, s, v)).DefaultIfEmpty(bare).Min() * wide;
    }

    /// <summary>Which part a place is.</summary>
    public FacePart PartAt(double s, double v)
    {
        const double crestFrom = 0.18,
            crestTo = 0.72;
        if (IsHole(s, v))
            return FacePart.Hole;
        var outside = Outside(s, v);
        if (outside >= 0)
            return Tints.Count > 0 && outside < Tints[0].WidthMm ? FacePart.Tint : FacePart.Plate;
        return Phase(s, v - MiddleAt(s)) is > crestFrom and < crestTo ? FacePart.Crest : FacePart.Trough;
    }

    // Where in a ripple a place is, 0 to 1.
    private double Phase(double s, double off) => (s + 0.5 * off * off / Width) / ripple is var at ? at - Math.Floor(at) : 0;

    private double Far((double From, double To) stretch, double s, double v)
    {
        var along = Math.Clamp(s, stretch.From, stretch.To);
        return Math.Sqrt(Math.Pow(s - along, 2) + Math.Pow(v - MiddleAt(along), 2));
    }

    private static double Far(Round of, double s, double v) => Math.Sqrt(Math.Pow(s - of.X, 2) + Math.Pow(v - of.Y, 2));

    private Round Hole(Xoshiro256StarStar chance)
    {
        var s = chance.Between(0.1, 0.95) * Length;
        return new(s, MiddleAt(s) + chance.Between(-0.3, 0.3), chance.Around(1.2, 7));
    }

    // All along, or in pieces.
    private List<(double, double)> Stretches(Xoshiro256StarStar chance, bool even, double least)
    {
        if (even)
            return [(chance.Between(0, 0.04) * Length, chance.Between(0.96, 1) * Length)];
        List<(double, double)> pieces = [];
        for (var at = chance.Between(0, 0.3) * Length; at < Length - 4; )
        {
            var to = Math.Min(Length, at + least + chance.Around(3, 22));
            pieces.Add((at, to));
            at = to + least + chance.Around(2.5, 14);
        }
        return pieces;
    }
}
