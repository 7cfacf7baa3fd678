using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;

namespace GentleBead.Core.Tests.Looking;

/// <summary>Strips of which it is said what is to be seen at each place: the geometry after the network is tested by them.</summary>
internal static class MadeFaces
{
    private const double PerMm = 1 / Strip.Cell;

    private static PlaneView Straight => new([PerMm, 0, PerMm * Strip.Beyond, 0, PerMm, PerMm * Strip.Reach, 0, 0, 1]);

    /// <summary>A strip along a line, and at each of its places, so far along and beside it, a part that is certain.</summary>
    /// <param name="length">How long the line is, mm.</param>
    /// <param name="part">Which part is where, mm.</param>
    /// <param name="dark">Whether holes are dark.</param>
    public static FaceSight Of(double length, Func<double, double, FacePart> part, bool dark = true)
    {
        var strip = Blank(length, dark ? part : null);
        var likely = new float[strip.Rows * strip.Columns * FaceModel.Parts];
        Array.Fill(likely, MathF.Log(0.001f));
        for (var i = 0; i < strip.Rows * strip.Columns; i++)
        {
            var own = part(Strip.Along(i % strip.Columns), Strip.Across(i / strip.Columns));
            likely[FaceModel.Parts * i + (int)own] = MathF.Log(1 - 0.001f * (FaceModel.Parts - 1));
        }
        return new(strip, likely);
    }

    /// <summary>A strip of a grey picture, dark where there is a hole.</summary>
    public static Strip Blank(double length, Func<double, double, FacePart>? part = null) =>
        Lit(length, (along, across) => part?.Invoke(along, across) == FacePart.Hole ? 12 : 120);

    /// <summary>A strip of a picture that is so bright at each place, 0 to 255, so far along and beside the line.</summary>
    public static Strip Lit(double length, Func<double, double, double> light)
    {
        using var picture = new Mat(
            (int)(2 * Strip.Reach * PerMm),
            (int)((length + 2 * Strip.Beyond) * PerMm),
            MatType.CV_8UC3,
            Scalar.All(120)
        );
        var (rows, columns) = (picture.Rows, picture.Cols);
        for (var i = 0; i < rows * columns; i++)
        {
            var grey = (byte)Math.Clamp(light(Strip.Along(i % columns), Strip.Across(i / columns)), 0, 255);
            picture.Set(i / columns, i % columns, new Vec3b(grey, grey, grey));
        }
        return Strip.Of(picture, Straight, length, null, (1, 1, 1));
    }

    /// <summary>A straight bead from 0 to its length, with plate about it.</summary>
    public static bool IsBead(double along, double across, double length, double width) =>
        along >= 0 && along <= length && Math.Abs(across) <= width / 2;
}
