using GentleBead.Bench.Listening;
using MathNet.Numerics.Random;
using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>The colours of a plate with a bead on it, seen in even light, and its relief: one pixel a tenth of a millimetre.</summary>
internal sealed class FaceSkin
{
    public const double Cell = 0.1;

    // The relief's grey goes from so far under the plate to so far over it, mm.
    public const double Low = -8,
        High = 6;

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

    private readonly FaceBead bead;
    private readonly (double Left, double Top, double Right, double Bottom) plate;
    private readonly double standing;
    private readonly Look look;

    /// <summary>Draws the skins of a plate with a bead on it.</summary>
    /// <param name="bead">The bead.</param>
    /// <param name="plate">The plate's rims.</param>
    /// <param name="standing">How high a fillet's other plate stands.</param>
    /// <param name="chance">Draws.</param>
    /// <param name="seed">For its grain.</param>
    public FaceSkin(
        FaceBead bead,
        (double Left, double Top, double Right, double Bottom) plate,
        double standing,
        Xoshiro256StarStar chance,
        int seed
    )
    {
        (this.bead, this.plate, this.standing) = (bead, plate, standing);
        look = new Look(bead, chance, seed);
    }

    /// <summary>Writes relief.png and skin.png, and of a fillet lower.png and standing.png.</summary>
    /// <param name="folder">Where to.</param>
    /// <param name="bare">Whether there is no bead on it after all.</param>
    public void Write(string folder, bool bare)
    {
        void Keep(string name, Mat drawn)
        {
            Cv2.ImWrite(Path.Combine(folder, name), drawn);
            drawn.Dispose();
        }
        if (bare)
        {
            const double far = 99;
            Keep("skin.png", Colour(plate, (s, v) => look.Plate(s, v, 1, far)));
            Keep("lower.png", Colour(plate, (s, v) => look.Plate(s, v, 1, far)));
            Keep("standing.png", Colour((plate.Left, 0, plate.Right, standing), (s, z) => look.Plate(s, z + 300, 0, far)));
            return;
        }
        if (bead.Legs is null)
        {
            Keep("relief.png", Relief(plate));
            Keep("skin.png", Colour(plate, look.At));
            Keep("mask.png", Colour(plate, (s, v) => look.IsMetal(s, v) ? new(255, 255, 255) : new(0, 0, 0)));
            return;
        }
        var toes = new Dictionary<int, (double Lower, double Upper)>();
        (double Lower, double Upper) Toes(double s)
        {
            var of = (int)Math.Round(s / Cell);
            if (!toes.TryGetValue(of, out var at))
                toes[of] = at = bead.ToesAt(of * Cell) is var found ? (found.Right.Y, found.Left.Z) : default;
            return at;
        }
        double Beyond(double s, double at, Func<double, double> toe)
        {
            var along = Math.Clamp(s, bead.Width / 2, bead.Length - bead.Width / 2);
            return s == along ? Math.Max(0, at - toe(s)) : Math.Max(0, Math.Sqrt(Math.Pow(s - along, 2) + at * at) - toe(along));
        }
        Keep("relief.png", Relief(FilletBox(bead)));
        Keep("skin.png", Colour(FilletBox(bead), look.Metal));
        Keep("lower.png", Colour(plate, (s, y) => look.Plate(s, y, 1, Beyond(s, y, at => Toes(at).Lower))));
        Keep(
            "standing.png",
            Colour((plate.Left, 0, plate.Right, standing), (s, z) => look.Plate(s, z + 300, 0, Beyond(s, z, at => Toes(at).Upper)))
        );
    }

    /// <summary>What of a fillet is drawn as relief: along it, and across its face.</summary>
    public static (double Left, double Top, double Right, double Bottom) FilletBox(FaceBead bead) =>
        (-1, -0.7 * bead.Width, bead.Length + 1, 0.7 * bead.Width);

    private Mat Relief((double Left, double Top, double Right, double Bottom) box)
    {
        var drawn = Blank(box, MatType.CV_16UC1);
        var (rows, columns) = (drawn.Rows, drawn.Cols);
        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
            {
                var height = bead.HeightAt(box.Left + column * Cell, box.Top + row * Cell);
                drawn.Set(row, column, (ushort)Math.Clamp((height - Low) / (High - Low) * 65535, 0, 65535));
            }
        }
        return drawn;
    }

    private static Mat Colour((double Left, double Top, double Right, double Bottom) box, Func<double, double, Vec3b> colour)
    {
        var drawn = Blank(box, MatType.CV_8UC3);
        var (rows, columns) = (drawn.Rows, drawn.Cols);
        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
                drawn.Set(row, column, colour(box.Left + column * Cell, box.Top + row * Cell));
        }
        return drawn;
    }

    private static Mat Blank((double Left, double Top, double Right, double Bottom) box, MatType type) =>
        new((int)((box.Bottom - box.Top) / Cell) + 1, (int)((box.Right - box.Left) / Cell) + 1, type, Scalar.All(0));

    private sealed class Look
    {
        private readonly FaceBead bead;
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
            mottle;

        public Look(FaceBead bead, Xoshiro256StarStar chance, int seed)
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
        }

        public Vec3b At(double s, double v)
        {
            var width = bead.WidthAt(s);
            var off = v - bead.MiddleAt(s);
            var outside = Outside(s, v, off, width);
            return outside < 0 ? Metal(s, v) : Plate(s, v, off < 0 ? 0 : 1, outside);
        }

        public bool IsMetal(double s, double v) => Math.Abs(v - bead.MiddleAt(s)) < bead.WidthAt(s) / 2;

        // How far off the toe, below 0 on the bead. Past the ends it is the way to the end's cap.
        private double Outside(double s, double v, double off, double width)
        {
            if (width > 0 && Math.Abs(off) < width / 2)
                return -1;
            var along = Math.Clamp(s, bead.Width / 2, bead.Length - bead.Width / 2);
            return Math.Max(0, Math.Sqrt(Math.Pow(s - along, 2) + Math.Pow(v - bead.MiddleAt(along), 2)) - bead.WidthAt(along) / 2);
        }

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
            double Mix(double a, double b, double ground) =>
                (1 - 0.8 * share) * ground + 0.8 * share * ((1 - u) * a + u * b) * ground / 165;
            return (Mix(from.B, to.B, plate.B), Mix(from.G, to.G, plate.G), Mix(from.R, to.R, plate.R));
        }

        private static Vec3b Of(double b, double g, double r) => new(Byte(b), Byte(g), Byte(r));

        private static byte Byte(double of) => (byte)Math.Clamp(of, 0, 255);
    }
}
