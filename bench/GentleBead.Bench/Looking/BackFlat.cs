using GentleBead.Bench.Listening;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>Paints a part of what shows behind a bead as a strip shows it, in a moment; nothing is measured on it.</summary>
internal static class BackFlat
{
    private const double PerMm = 1 / Strip.Cell;

    /// <summary>A seed's strip, and which part each of its places is.</summary>
    public static (Strip Strip, byte[] Parts) Of(int seed)
    {
        var (columns, rows) = (FaceFlat.Columns, FaceFlat.Rows);
        var chance = Chance.Of(seed + 17);
        var back = new BackBead(chance, seed);
        var look = new FaceLook(back, chance, seed);
        var (middle, off, turn) = (chance.Between(-0.05, 1.05) * back.Length, chance.Between(-2.5, 2.5), chance.Between(-0.08, 0.08));
        var (cos, sin) = (Math.Cos(turn), Math.Sin(turn));
        var parts = new byte[columns * rows];
        var heights = new float[parts.Length];
        var colours = new (Vec3b, bool)[parts.Length];
        for (var i = 0; i < parts.Length; i++)
        {
            var (x, y) = ((i % columns - columns / 2) / PerMm, (i / columns - rows / 2) / PerMm);
            var (s, v) = (middle + cos * x - sin * y, off + sin * x + cos * y);
            var part = back.PartAt(s, v);
            (parts[i], heights[i]) = ((byte)part, (float)back.HeightAt(s, v));
            colours[i] = (look.At(s, v), part is FacePart.Crest or FacePart.Trough);
        }
        using var seen = new FaceLight(chance, heights, columns, rows).Shine(colours);
        using var picture = Cv2.ImDecode(Photograph.Develop(seen, Wrong.Nothing, PerMm, chance), ImreadModes.Color);
        var plane = new PlaneView([PerMm, 0, PerMm * Strip.Beyond, 0, PerMm, PerMm * Strip.Reach, 0, 0, 1]);
        return (Strip.Of(picture, plane, columns / PerMm - 2 * Strip.Beyond, null, (1, 1, 1)), parts);
    }
}
