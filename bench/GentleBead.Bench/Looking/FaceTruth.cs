using System.Text.Json;
using GentleBead.Core.Beads;

namespace GentleBead.Bench.Looking;

/// <summary>What is known of a drawn bead, in millimetres, and where it lies in the picture, pixels.</summary>
internal sealed record FaceTruth(
    int Seed,
    Wrong Wrong,
    Surface Surface,
    bool Fillet,
    double LengthMm,
    double WidthMm,
    double WidthSpreadMm,
    double OffStraightMm,
    double RippleMm,
    double RippleSpread,
    bool Crater,
    double? RestartMm,
    double[] TintMm,
    double? UndercutMm,
    Round[] Spatter,
    Round[] Pores,
    Point[] SpatterAt,
    Point[] PoresAt,
    Point Start,
    Point End,
    Point[] Left,
    Point[] Right,
    double[] PlateToPicture,
    double PixelsPerMm
)
{
    private static readonly JsonSerializerOptions Written = new(JsonSerializerDefaults.Web)
    {
        Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter() },
    };

    public static FaceTruth Of(FaceScene scene)
    {
        var bead = scene.Bead;
        var (from, to) = Shows(bead);
        var inner = Enumerable.Range(0, 300).Select(i => bead.Width + (bead.Length - 2 * bead.Width) * i / 299.0).ToArray();
        var toes = inner.Select(bead.ToesAt).ToArray();
        var widths = toes.Select(toe => Math.Sqrt(Math.Pow(toe.Left.Y - toe.Right.Y, 2) + Math.Pow(toe.Left.Z - toe.Right.Z, 2))).ToArray();
        var middles = inner.Select(bead.MiddleAt).ToArray();
        var (slope, start) = Line(inner, middles);
        var ripples = bead.Ripples.Where(at => at > 0 && at < bead.Length).ToArray();
        var gaps = ripples.Zip(ripples.Skip(1), (a, b) => b - a).ToArray();
        var seen = Enumerable.Range(0, 101).Select(i => from + 0.01 + (to - from - 0.02) * i / 100).ToArray();
        Point Toe(double s, bool left) =>
            bead.ToesAt(s) is var both && (left ? both.Left : both.Right) is var at ? scene.View.See(new(s, at.Y, at.Z)) : default;
        return new(
            scene.Seed,
            scene.Wrong,
            bead.Surface,
            bead.Legs is not null,
            to - from,
            widths.Average(),
            Spread(widths),
            inner.Zip(middles, (s, v) => Math.Abs(v - slope * s - start)).Max(),
            gaps.Average(),
            Spread(gaps) / gaps.Average(),
            bead.Crater > 0,
            bead.Restart,
            [.. bead.Tints.Select(band => band.WidthMm)],
            bead.Undercut is { } cut ? cut.To - cut.From : null,
            [.. bead.Spatter.Where(grain => scene.Shown(grain))],
            [.. bead.Pores],
            [
                .. bead
                    .Spatter.Where(grain => scene.Shown(grain))
                    .Select(grain => scene.View.See(new(grain.X, grain.Y, 0.12 * grain.DiameterMm))),
            ],
            [.. bead.Pores.Select(pore => scene.View.See(Mouth(bead, pore)))],
            Toe(seen[0], true),
            Toe(seen[^1], true),
            [.. seen.Select(s => Toe(s, true))],
            [.. seen.Select(s => Toe(s, false))],
            scene.View.PlateToPicture(),
            new PlaneView(scene.View.PlateToPicture()).PixelsPerMm(new(bead.Length / 2, 0))
        );
    }

    public static FaceTruth Read(string path) => JsonSerializer.Deserialize<FaceTruth>(File.ReadAllText(path), Written)!;

    public void Write(string path) => File.WriteAllText(path, JsonSerializer.Serialize(this, Written));

    /// <summary>Where a pore opens: on the face as it would be without it.</summary>
    public static Spot Mouth(FaceBead bead, Round pore)
    {
        var rise = 0.9 * pore.DiameterMm;
        if (bead.Legs is not { } legs)
            return new(pore.X, pore.Y, bead.HeightAt(pore.X, pore.Y) + rise);
        var (lower, upper) = bead.FaceAt(pore.X, pore.Y);
        return new(pore.X, lower + rise * legs.Upper / bead.Width, upper + rise * legs.Lower / bead.Width);
    }

    // Where the bead begins and ends to be seen: a fillet's ends sink into the corner.
    private static (double From, double To) Shows(FaceBead bead)
    {
        const double step = 0.02;
        bool At(double s) => bead.ToesAt(s) is var both && (both.Right.Y - both.Left.Y) + (both.Left.Z - both.Right.Z) > 0.05;
        var (from, to) = (step, bead.Length - step);
        while (from < bead.Length && !At(from))
            from += step;
        while (to > 0 && !At(to))
            to -= step;
        return (from, to);
    }

    private static double Spread(double[] of)
    {
        var mean = of.Average();
        return Math.Sqrt(of.Average(one => (one - mean) * (one - mean)));
    }

    private static (double Slope, double From) Line(double[] x, double[] y)
    {
        var (mx, my) = (x.Average(), y.Average());
        var slope = x.Zip(y, (a, b) => (a - mx) * (b - my)).Sum() / x.Sum(a => (a - mx) * (a - mx));
        return (slope, my - slope * mx);
    }
}
