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

    private readonly FaceBead bead;
    private readonly (double Left, double Top, double Right, double Bottom) plate;
    private readonly double standing;
    private readonly FaceLook look;

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
        look = new(bead, chance, seed);
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
            Keep("relief.png", Relief(plate, bead.HeightAt));
            Keep("skin.png", Colour(plate, look.At));
            Keep("mask.png", Colour(plate, (s, v) => look.IsMetal(s, v) ? new(255, 255, 255) : new(0, 0, 0)));
            return;
        }
        Keep("relief.png", Relief(FilletBox(bead), bead.HeightAt));
        Keep("skin.png", Colour(FilletBox(bead), look.Metal));
        Keep("lower.png", Colour(plate, (s, y) => look.Plate(s, y, 1, bead.Beyond(s, y, standing: false))));
        Keep(
            "standing.png",
            Colour((plate.Left, 0, plate.Right, standing), (s, z) => look.Plate(s, z + 300, 0, bead.Beyond(s, z, standing: true)))
        );
    }

    /// <summary>What of a fillet is drawn as relief: along it, and across its face.</summary>
    public static (double Left, double Top, double Right, double Bottom) FilletBox(FaceBead bead) =>
        (-1, -0.7 * bead.Width, bead.Length + 1, 0.7 * bead.Width);

    public static Mat Relief((double Left, double Top, double Right, double Bottom) box, Func<double, double, double> of)
    {
        var drawn = Blank(box, MatType.CV_16UC1);
        var (rows, columns) = (drawn.Rows, drawn.Cols);
        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
            {
                var height = of(box.Left + column * Cell, box.Top + row * Cell);
                drawn.Set(row, column, (ushort)Math.Clamp((height - Low) / (High - Low) * 65535, 0, 65535));
            }
        }
        return drawn;
    }

    public static Mat Colour((double Left, double Top, double Right, double Bottom) box, Func<double, double, Vec3b> colour)
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
}
