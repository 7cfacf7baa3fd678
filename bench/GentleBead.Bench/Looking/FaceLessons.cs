using GentleBead.Bench.Listening;
using GentleBead.Core.Looking;
using MathNet.Numerics.Random;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>Drawn faces as they are taught from: strips of one size.</summary>
internal static class FaceLessons
{
    /// <summary>Writes a folder's faces into a file.</summary>
    public static int Write(string folder, string path)
    {
        string[] files = [.. Directory.GetFiles(folder, "*.json").Order()];
        return PartLesson.Write(path, files.Length, i => Read(files[i]));
    }

    /// <summary>Writes painted faces, or what shows behind beads, of so many seeds into a file.</summary>
    public static int Painted(string path, (int From, int Count) seeds, Func<int, (Strip Strip, byte[] Parts)> paint) =>
        PartLesson.Write(
            path,
            seeds.Count,
            i => paint(seeds.From + i) is var (strip, parts) ? [new PartLesson(strip.ForNet(), parts)] : []
        );

    private static IEnumerable<PartLesson> Read(string file)
    {
        var truth = FaceTruth.Read(file);
        using var picture = Cv2.ImRead(Path.ChangeExtension(file, ".jpg"));
        if (truth.Wrong is not (Wrong.Nothing or Wrong.NoBead) || CardReader.Find(picture, out _) is not { } card)
            yield break;
        var scene = new FaceScene(truth.Seed, (picture.Width, picture.Height), truth.Wrong);
        foreach (var lay in Lays(truth, card, Chance.Of(truth.Seed)))
        {
            var strip = Strip.Of(picture, lay.Plane, lay.Length, card.Corners(), card.Light.Balance);
            var parts = FaceParts.Of(scene, scene.View, lay.Plane, (strip.Columns, strip.Rows));
            // From its first columns on, and up to its last.
            foreach (var from in new[] { 0, Math.Max(0, strip.Columns - FaceFlat.Columns) }.Distinct())
                yield return Cut(strip.ForNet(), parts, strip.Columns, from);
        }
    }

    private static IEnumerable<FaceLay> Lays(FaceTruth truth, CardSeen card, Xoshiro256StarStar chance)
    {
        Point Off(Point of, double by) =>
            new(of.X + chance.Between(-by, by) * truth.PixelsPerMm, of.Y + chance.Between(-by, by) * truth.PixelsPerMm);
        Point Middle(int i) => new((truth.Left[i].X + truth.Right[i].X) / 2, (truth.Left[i].Y + truth.Right[i].Y) / 2);
        yield return FaceLay.OnPlate(card, Off(Middle(2), 1.5), Off(Middle(98), 1.5));
        if (!truth.Fillet)
            yield break;
        var (from, to) = (card.Plane.ToPlane(Off(truth.Right[5], 0.5)), card.Plane.ToPlane(Off(truth.Right[95], 0.5)));
        yield return FaceLay.OnFillet(card, from, to, truth.WidthMm * chance.Between(0.9, 1.1));
    }

    // What is past the strip's end is not seen.
    private static PartLesson Cut(float[][] maps, byte[] parts, int columns, int from)
    {
        T[] Part<T>(T[] of)
        {
            var cut = new T[FaceFlat.Columns * FaceFlat.Rows];
            for (var row = 0; row < FaceFlat.Rows; row++)
                Array.Copy(of, row * columns + from, cut, row * FaceFlat.Columns, Math.Min(FaceFlat.Columns, columns - from));
            return cut;
        }
        return new([.. maps.Select(Part)], Part(parts));
    }
}
