using GentleBead.Bench.Listening;
using MathNet.Numerics.Random;
using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>The colours of a bead's metal and of the plates beside it, in even light: blue, green, red.</summary>
internal sealed class FaceLook
{
    // Straw, brown, purple, blue, pale grey: from where the tint ends to where it was hottest. Blue, green, red.
    private static readonly (double At, double B, double G, double R)[] Temper =
    [
        (0, 110, 160, 180),
        (0.25, 70, 130, 175),
        (0.45, 95, 75, 140),
        (0.62, 135, 85, 85),
        (0.8, 175, 135, 95),
        (1, 150, 150, 145),
    ];

    private readonly ILaid bead;
    private readonly Noise coarse,
        fine,
        lines;
    private readonly double plateTone,
        plateWarm,
        beadTone,
        brushing,
        brushed,
        soot,
        sootReach,
        mottle,
        under;

    public FaceLook(ILaid bead, Xoshiro256StarStar chance, int seed)
    {
        this.bead = bead;
        (coarse, fine, lines) = (new(seed * 11 + 3), new(seed * 11 + 4), new(seed * 11 + 5));
        plateTone = bead.Surface == Surface.Mill ? chance.Between(55, 105) : chance.Between(135, 190);
        plateWarm = bead.Surface == Surface.Mill ? chance.Between(-10, 6) : chance.Between(-6, 8);
        beadTone = chance.Between(105, 185);
        brushing = chance.Between(0, Math.PI);
        brushed = bead.Surface == Surface.Mill ? chance.Between(0, 6) : chance.Between(5, 20);
        mottle = bead.Surface == Surface.Mill ? chance.Between(6, 22) : chance.Between(2, 9);
        soot = chance.In(0.35) ? chance.Between(0.15, 0.45) : 0;
        sootReach = chance.Between(3, 12);
        under = chance.Between(0, 26);
    }

    public Vec3b At(double s, double v)
    {
        var outside = bead.Outside(s, v);
        // Through a hole the bench is seen, in the plate's shadow.
        return bead.IsHole(s, v) ? Of(under, under, under)
            : outside < 0 ? Metal(s, v)
            : Plate(s, v, v < bead.MiddleAt(s) ? 0 : 1, outside);
    }

    public bool IsMetal(double s, double v) => Math.Abs(v - bead.MiddleAt(s)) < bead.WidthAt(s) / 2;

    public Vec3b Metal(double s, double v)
    {
        var (off, width) = (v - bead.MiddleAt(s), Math.Max(0.1, bead.WidthAt(s)));
        var tone = beadTone + 14 * coarse.Rough(s / 1.5, v / 1.5) + 7 * fine.At(s * 4, v * 4);
        // Silicate glass and oxide gather where the bead ends at its toes.
        var rim = Math.Min(1, Math.Pow(Math.Abs(2 * off / width), 6));
        tone *= 1 - 0.15 * rim;
        foreach (var pore in bead.Pores)
        {
            if (Math.Pow(s - pore.X, 2) + Math.Pow(v - pore.Y, 2) < Math.Pow(pore.DiameterMm / 2, 2))
                tone *= 0.35;
        }
        return Of(tone, tone, tone);
    }

    public Vec3b Plate(double s, double v, int side, double outside)
    {
        var along = s * Math.Cos(brushing) + v * Math.Sin(brushing);
        var across = -s * Math.Sin(brushing) + v * Math.Cos(brushing);
        var tone =
            plateTone + mottle * coarse.Rough(s / 5, v / 5) + brushed * lines.Rough(across * 3, along / 14) + 3 * fine.At(s * 5, v * 5);
        var (b, g, r) = (tone - plateWarm, tone, tone + plateWarm);
        if (bead.Tints.Count > 0)
            (b, g, r) = Tinted((b, g, r), bead.Tints[side], outside);
        var dark = 1 - soot * Math.Exp(-outside / sootReach) * (0.7 + 0.3 * coarse.At(s / 3, v / 3));
        return Of(b * dark, g * dark, r * dark);
    }

    private static (double B, double G, double R) Tinted((double B, double G, double R) plate, TintBand band, double outside)
    {
        // Fades out over the last tenth of a millimetre or two.
        const double fade = 0.35;
        var share = Math.Clamp((band.WidthMm - outside) / fade + 0.5, 0, 1);
        if (share <= 0)
            return plate;
        var heat = Math.Clamp(1 - outside / band.WidthMm, 0, 1) * band.Heat;
        var next = Array.FindIndex(Temper, one => one.At >= heat);
        var (from, to) = next <= 0 ? (Temper[0], Temper[0]) : (Temper[next - 1], Temper[next]);
        var u = to.At > from.At ? (heat - from.At) / (to.At - from.At) : 0;
        double Mix(double a, double b, double ground) => (1 - 0.8 * share) * ground + 0.8 * share * ((1 - u) * a + u * b) * ground / 165;
        return (Mix(from.B, to.B, plate.B), Mix(from.G, to.G, plate.G), Mix(from.R, to.R, plate.R));
    }

    private static Vec3b Of(double b, double g, double r) => new(Byte(b), Byte(g), Byte(r));

    private static byte Byte(double of) => (byte)Math.Clamp(of, 0, 255);
}
