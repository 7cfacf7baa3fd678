using GentleBead.Bench.Listening;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Looking;

/// <summary>What a plate's surface is.</summary>
internal enum Surface
{
    Mill,
    Brushed,
    Ground,
}

/// <summary>Something round on the plate or in the bead: a spatter grain, a pore.</summary>
internal sealed record Round(double X, double Y, double DiameterMm);

/// <summary>Heat tint on one side: how far from the toe it reaches, and how hot it got at the toe, 0 straw to 1 grey.</summary>
internal sealed record TintBand(double WidthMm, double Heat);

/// <summary>
/// A bead from known numbers, along its own axis: it begins at 0, ends at its length, and lies about 0 across. Everything in millimetres.
/// </summary>
internal sealed class FaceBead : ILaid
{
    private readonly Noise wander;
    private readonly Noise bend;
    private readonly double[] ripples;
    private readonly Dictionary<int, (double Lower, double Upper)> toes = [];

    public FaceBead(Xoshiro256StarStar chance, int seed)
    {
        (wander, bend) = (new Noise(seed * 7 + 1), new Noise(seed * 7 + 2));
        Length = chance.Around(26, 95);
        Width = chance.Around(4, 13);
        Crown = Width * chance.Between(0.08, 0.34);
        WanderShare = chance.In(0.6) ? chance.Between(0.005, 0.03) : chance.Between(0.03, 0.11);
        Bend = chance.In(0.6) ? chance.Between(0, 0.25) : chance.Between(0.25, 1.4);
        Lean = chance.Between(-0.05, 0.05);
        RippleSpacing = chance.Around(0.9, 3.2);
        RippleSpread = chance.In(0.5) ? chance.Between(0.04, 0.16) : chance.Between(0.16, 0.4);
        RippleHeight = Math.Min(0.3 * Crown, RippleSpacing * chance.Between(0.06, 0.16));
        Point = chance.Between(0.15, 0.9);
        Crater = chance.In(0.35) ? chance.Between(0.25, 0.7) * Crown : 0;
        Restart = Length > 45 && chance.In(0.15) ? chance.Between(0.35, 0.65) * Length : null;
        Surface = chance.Of<Surface>([Surface.Mill, Surface.Brushed, Surface.Ground]);
        if (Surface != Surface.Mill && chance.In(0.75))
            Tints = [.. Enumerable.Range(0, 2).Select(_ => new TintBand(chance.Between(1.2, 7), chance.Between(0.3, 1)))];
        if (chance.In(0.38))
            Legs = Fillet(chance);
        if (chance.In(0.18) && Legs is null)
            Undercut = (
                chance.Of<int>([-1, 1]),
                chance.Between(0.1, 0.4) * Length,
                chance.Between(0.5, 0.9) * Length,
                chance.Between(0.25, 0.7)
            );
        ripples = Places(chance);
        Spatter = Grains(chance);
        Pores = Holes(chance);
    }

    /// <summary>Of a fillet, its legs along the lower and the standing plate; else null, and the bead lies on one plate.</summary>
    public (double Lower, double Upper)? Legs { get; }

    public double Length { get; }
    public double Width { get; }
    public double Crown { get; }
    public double WanderShare { get; }
    public double Bend { get; }
    public double Lean { get; }
    public double RippleSpacing { get; }
    public double RippleSpread { get; }
    public double RippleHeight { get; }
    public double Point { get; }
    public double Crater { get; }
    public double? Restart { get; }
    public Surface Surface { get; }
    public IReadOnlyList<TintBand> Tints { get; } = [];
    public (int Side, double From, double To, double Depth)? Undercut { get; }
    public IReadOnlyList<Round> Spatter { get; }
    public IReadOnlyList<Round> Pores { get; }

    /// <summary>Where ripples lie along the axis.</summary>
    public IReadOnlyList<double> Ripples => ripples;

    /// <summary>Where the bead's middle lies across, so far along.</summary>
    public double MiddleAt(double s) => (Legs is null ? Lean * (s - Length / 2) : 0) + (Legs is null ? 1 : 0.25) * Bend * bend.At(s / 14);

    /// <summary>How wide it is so far along; 0 before its start and past its end.</summary>
    public double WidthAt(double s)
    {
        if (s <= 0 || s >= Length)
            return 0;
        var width = Width * (1 + WanderShare * 2 * (0.6 * wander.At(s / 6) + 0.4 * wander.At(s / 2.4 + 50)));
        // Rounded at both ends.
        var cap = Width / 2;
        var end = Math.Min(s, Length - s);
        if (end < cap)
            width *= Math.Sqrt(1 - Math.Pow(1 - end / cap, 2));
        if (Restart is { } at && Math.Abs(s - at) < Width / 2)
            width *= 1 + 0.12 * (1 - Math.Abs(s - at) / (Width / 2));
        return width;
    }

    /// <inheritdoc/>
    public bool IsHole(double s, double v) => false;

    /// <summary>How high it stands over the plate.</summary>
    public double HeightAt(double s, double v)
    {
        var width = WidthAt(s);
        var off = v - MiddleAt(s);
        var share = width <= 0 ? 2 : 2 * off / width;
        if (Math.Abs(share) >= 1)
            return Legs is null ? -Groove(s, off, width) : -Width / 2;
        var end = Math.Min(s, Length - s) / (Width / 2);
        var cap = end < 1 ? Math.Sqrt(1 - (1 - end) * (1 - end)) : 1;
        var height = Crown * cap * Math.Pow(1 - share * share, 0.8);
        height += RippleHeight * Ripple(s + Point * off * off / Width) * Math.Sqrt(1 - share * share) * cap;
        if (Crater > 0)
            height -= Crater * Math.Exp(-(Math.Pow(s - (Length - 0.55 * Width), 2) + off * off) / Math.Pow(0.28 * Width, 2));
        if (Restart is { } at)
            height += 0.25 * Crown * Math.Exp(-Math.Pow((s - at) / (0.3 * Width), 2)) * (1 - share * share);
        // A fillet's ends sink into its corner.
        if (Legs is not null)
            height -= (1 - cap) * Width / 2;
        foreach (var pore in Pores)
        {
            var far = Math.Sqrt(Math.Pow(s - pore.X, 2) + Math.Pow(v - pore.Y, 2)) / (pore.DiameterMm / 2);
            if (far < 1)
                height -= 0.9 * pore.DiameterMm * Math.Sqrt(1 - far * far);
        }
        return height;
    }

    /// <summary>
    /// Where a fillet's face is, so far along and across it: along the lower plate from the root, and up the standing one.
    /// </summary>
    public (double Lower, double Upper) FaceAt(double s, double v)
    {
        var (lower, upper) = Legs!.Value;
        var (across, rise) = (v, HeightAt(s, v));
        return (lower / 2 + across * lower / Width + rise * upper / Width, upper / 2 - across * upper / Width + rise * lower / Width);
    }

    /// <summary>
    /// A bead's toes so far along: where its face comes out of the plates. Of a fillet, along the lower plate and up the standing one.
    /// </summary>
    public ((double Y, double Z) Left, (double Y, double Z) Right) ToesAt(double s)
    {
        var (middle, half) = (MiddleAt(s), WidthAt(s) / 2);
        if (Legs is null)
            return ((middle - half, 0), (middle + half, 0));
        const int steps = 800;
        (double Lower, double Upper)? first = null,
            last = null;
        for (var i = 0; i <= steps; i++)
        {
            var at = FaceAt(s, middle + half * (2.0 * i / steps - 1) * 0.9999);
            if (at.Lower < 0 || at.Upper < 0)
                continue;
            first ??= at;
            last = at;
        }
        return first is { } upper && last is { } lower ? ((0, upper.Upper), (lower.Lower, 0)) : ((0, 0), (0, 0));
    }

    /// <summary>How far a place of the plate is off the nearer toe, below 0 on the bead; past its ends, off the end's cap.</summary>
    public double Outside(double s, double v)
    {
        var width = WidthAt(s);
        if (width > 0 && Math.Abs(v - MiddleAt(s)) < width / 2)
            return -1;
        var along = Math.Clamp(s, Width / 2, Length - Width / 2);
        return Math.Max(0, Math.Sqrt(Math.Pow(s - along, 2) + Math.Pow(v - MiddleAt(along), 2)) - WidthAt(along) / 2);
    }

    /// <summary>Of a fillet: how far a place of a plate, so far from the root, is past the toe on it; 0 on the bead.</summary>
    public double Beyond(double s, double far, bool standing)
    {
        var along = Math.Clamp(s, Width / 2, Length - Width / 2);
        var (lower, upper) = Toes(along);
        var toe = standing ? upper : lower;
        return s == along ? Math.Max(0, far - toe) : Math.Max(0, Math.Sqrt(Math.Pow(s - along, 2) + far * far) - toe);
    }

    // How far from the root a fillet's toes are; they are asked for often.
    private (double Lower, double Upper) Toes(double s)
    {
        var of = (int)Math.Round(s / FaceSkin.Cell);
        if (!toes.TryGetValue(of, out var at))
            toes[of] = at = ToesAt(of * FaceSkin.Cell) is var found ? (found.Right.Y, found.Left.Z) : default;
        return at;
    }

    private (double, double) Fillet(Xoshiro256StarStar chance)
    {
        var turn = Math.Atan(chance.Between(0.85, 1.18));
        return (Width * Math.Cos(turn), Width * Math.Sin(turn));
    }

    // Rises slowly and falls off: the front of each frozen puddle.
    private double Ripple(double s)
    {
        var next = Array.BinarySearch(ripples, s);
        next = next < 0 ? ~next : next;
        if (next == 0 || next == ripples.Length)
            return 0;
        var share = (s - ripples[next - 1]) / (ripples[next] - ripples[next - 1]);
        return Math.Sin(Math.PI * Math.Pow(share, 1.35)) - 0.5;
    }

    private double Groove(double s, double off, double width)
    {
        if (Undercut is not { } cut || width <= 0 || Math.Sign(off) != cut.Side || s < cut.From || s > cut.To)
            return 0;
        var outside = Math.Abs(off) - width / 2;
        const double reach = 0.7;
        return outside > reach ? 0 : cut.Depth * Math.Sin(Math.PI * Math.Sqrt(outside / reach));
    }

    private double[] Places(Xoshiro256StarStar chance)
    {
        List<double> places = [-6];
        while (places[^1] < Length + 16)
        {
            // Two draws make a spread near normal; the whole stays the spacing it is to be.
            var off = (chance.NextDouble() + chance.NextDouble() + chance.NextDouble() - 1.5) * 2;
            places.Add(places[^1] + RippleSpacing * Math.Max(0.25, 1 + RippleSpread * off));
        }
        return [.. places];
    }

    private List<Round> Grains(Xoshiro256StarStar chance)
    {
        var many = chance.In(0.4) ? chance.Next(0, 4) : chance.Next(4, 34);
        List<Round> put = [];
        for (var tries = 0; tries < 40 * many && put.Count < many; tries++)
        {
            var (s, far) = (chance.Between(-6, Length + 6), chance.Around(1.2, 22));
            var side = Legs is null ? chance.Of<int>([-1, 1]) : 1;
            var diameter = chance.Around(0.3, 2);
            var v = Legs is { } legs ? legs.Lower + far : MiddleAt(Math.Clamp(s, 0, Length)) + side * (Width / 2 + far);
            if (put.TrueForAll(one => Math.Pow(one.X - s, 2) + Math.Pow(one.Y - v, 2) > Math.Pow(diameter + one.DiameterMm, 2)))
                put.Add(new(s, v, diameter));
        }
        return put;
    }

    private List<Round> Holes(Xoshiro256StarStar chance)
    {
        var many = chance.In(0.7) ? 0 : chance.Next(1, 9);
        List<Round> put = [];
        for (var tries = 0; tries < 40 * many && put.Count < many; tries++)
        {
            var s = chance.Between(0.6 * Width, Length - 0.6 * Width);
            var diameter = chance.Around(0.4, Math.Min(2.2, Width / 4));
            var v = MiddleAt(s) + chance.Between(-0.3, 0.3) * Width;
            if (put.TrueForAll(one => Math.Pow(one.X - s, 2) + Math.Pow(one.Y - v, 2) > Math.Pow(1.5 * (diameter + one.DiameterMm), 2)))
                put.Add(new(s, v, diameter));
        }
        return put;
    }
}
