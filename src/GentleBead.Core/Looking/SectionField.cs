using GentleBead.Core.Beads;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>
/// What a card's window shows of a section, drawn anew square on: a tenth of a millimetre a pixel, as brightness and colour that do not
/// depend on how strong and what colour the light is.
/// </summary>
internal sealed class SectionField
{
    /// <summary>A pixel's side, mm.</summary>
    public const double Cell = 0.1;

    /// <summary>How many pixels either way: the window's 34 mm.</summary>
    public const int Side = 340;

    // A section is pressed to the card's back: so far under its face, mm.
    private const double Paper = 0.2;

    // The card's rim throws a shadow and has a cut edge: so many pixels of it are not looked at.
    private const int Rim = 6;

    private SectionField(PlaneView plane, float[][] maps, byte[] seen)
    {
        (Plane, Seen) = (plane, seen);
        (Light, RedOverGreen, BlueOverGreen) = (maps[0], maps[1], maps[2]);
    }

    /// <summary>From the field's millimetres to the picture's pixels.</summary>
    public PlaneView Plane { get; }

    /// <summary>255 where a pixel is in the picture and in the window, else 0.</summary>
    public byte[] Seen { get; }

    /// <summary>Brightness as a natural logarithm.</summary>
    public float[] Light { get; }

    /// <summary>Red beside green as a natural logarithm, white's being 0.</summary>
    public float[] RedOverGreen { get; }

    /// <summary>Blue beside green as a natural logarithm, white's being 0.</summary>
    public float[] BlueOverGreen { get; }

    /// <summary>Draws it.</summary>
    /// <param name="picture">The picture.</param>
    /// <param name="card">The card with the window, or a known length.</param>
    /// <param name="middle">Where the section is, pixels; without a card its surroundings are looked at.</param>
    public static SectionField Of(Mat picture, CardSeen card, Point middle)
    {
        const double half = Side * Cell / 2;
        var at =
            card.Card?.Window is { } window ? window.At
            : card.Plane.ToPlane(middle) is var on ? new(on.X - half, on.Y - half)
            : default;
        var plane = card.Card is null ? card.Plane.Moved(at) : card.Camera.Leaning(card.Plane, at, new(1, 0), 0, -Paper);
        var m = plane.Matrix;
        double[] to = [m[0] * Cell, m[1] * Cell, m[2], m[3] * Cell, m[4] * Cell, m[5], m[6] * Cell, m[7] * Cell, m[8]];
        using var matrix = Mat.FromPixelData(3, 3, MatType.CV_64FC1, to);
        using var soft = new Mat();
        var finer = plane.PixelsPerMm(new(half, half)) * Cell;
        if (finer > 1.3)
            Cv2.GaussianBlur(picture, soft, new Size(), 0.4 * finer);
        else
            picture.CopyTo(soft);
        using var drawn = new Mat();
        var flags = InterpolationFlags.Linear | InterpolationFlags.WarpInverseMap;
        Cv2.WarpPerspective(soft, drawn, matrix, new Size(Side, Side), flags, BorderTypes.Constant, Scalar.All(0));
        return new(plane, Strip.Maps(drawn, card.Light.Balance), Shown(matrix, picture.Size(), card.Card is not null));
    }

    /// <summary>For the network.</summary>
    public float[][] ForNet() => NetMaps.Of(Array.ConvertAll(Seen, one => one != 0), Light, RedOverGreen, BlueOverGreen);

    private static byte[] Shown(Mat matrix, Size picture, bool rimmed)
    {
        matrix.GetArray(out double[] m);
        var seen = new byte[Side * Side];
        var rim = rimmed ? Rim : 0;
        for (var i = 0; i < seen.Length; i++)
        {
            var (x, y) = (i % Side, i / Side);
            var w = m[6] * x + m[7] * y + m[8];
            var (at, down) = ((m[0] * x + m[1] * y + m[2]) / w, (m[3] * x + m[4] * y + m[5]) / w);
            var inside = x >= rim && y >= rim && x < Side - rim && y < Side - rim;
            seen[i] = inside && at >= 1 && down >= 1 && at < picture.Width - 2 && down < picture.Height - 2 ? byte.MaxValue : (byte)0;
        }
        return seen;
    }
}
