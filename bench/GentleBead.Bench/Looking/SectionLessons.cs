using GentleBead.Bench.Listening;
using GentleBead.Core.Looking;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using MathNet.Numerics.Random;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>Drawn sections as they are taught from.</summary>
internal static class SectionLessons
{
    private const int Shift = 6;

    /// <summary>Writes a folder's sections into a file.</summary>
    public static int Write(string folder, string path)
    {
        string[] files = [.. Directory.GetFiles(folder, "*.json").Order()];
        return PartLesson.Write(path, files.Length, i => Read(files[i]));
    }

    /// <summary>Writes painted sections of so many seeds into a file.</summary>
    public static int Painted(string path, (int From, int Count) seeds) =>
        PartLesson.Write(path, seeds.Count, i => [Painted(seeds.From + i)]);

    private static PartLesson Painted(int seed)
    {
        var scene = SectionFlat.Scene(seed);
        using var drawn = SectionFlat.Draw(scene);
        using var picture = Cv2.ImDecode(Photograph.Take(drawn, scene), ImreadModes.Color);
        var truth = SectionTruth.Of(scene);
        var card = Eye.Scaled(picture, new(truth.TenMm[0], truth.TenMm[1], Length.FromMm(10)));
        return Lesson(picture, card, truth, Chance.Of(seed + 99), 20);
    }

    private static PartLesson[] Read(string file)
    {
        var truth = SectionTruth.Read(file);
        using var picture = Cv2.ImRead(Path.ChangeExtension(file, ".jpg"));
        if (truth.Wrong is not (Wrong.Nothing or Wrong.NoBead) || CardReader.Find(picture, out _) is not { } card)
            return [];
        // Without a card only the scale is known: so some are learned as they are then.
        var chance = Chance.Of(truth.Seed + 99);
        if (chance.In(0.15))
            card = Eye.Scaled(picture, new(truth.TenMm[0], truth.TenMm[1], Length.FromMm(10)));
        return [Lesson(picture, card, truth, chance, 60)];
    }

    private static PartLesson Lesson(Mat picture, CardSeen card, SectionTruth truth, Xoshiro256StarStar chance, double off)
    {
        var middle = new Point(
            truth.Weld.Average(at => at.X) + chance.Between(-off, off),
            truth.Weld.Average(at => at.Y) + chance.Between(-off, off)
        );
        var field = SectionField.Of(picture, card, middle);
        return new(field.ForNet(), Parts(field, truth));
    }

    // Which part each place of a field is.
    private static byte[] Parts(SectionField field, SectionTruth truth)
    {
        OpenCvSharp.Point On(Point at) =>
            field.Plane.ToPlane(at) is var mm
                ? new((int)(mm.X / SectionField.Cell * (1 << Shift)), (int)(mm.Y / SectionField.Cell * (1 << Shift)))
                : default;
        using var parts = new Mat(SectionField.Side, SectionField.Side, MatType.CV_8UC1, Scalar.All((int)SectionPart.Bare));
        void Fill(Point[] shape, SectionPart part) =>
            Cv2.FillPoly(
                parts,
                [
                    [.. shape.Select(On)],
                ],
                Scalar.All((int)part),
                LineTypes.Link8,
                Shift
            );
        foreach (var plate in truth.Plates)
            Fill(plate, SectionPart.Plate);
        if (truth.Wrong != Wrong.NoBead)
            Fill(truth.Weld, SectionPart.Weld);
        foreach (var seam in truth.Seams)
            Cv2.Line(parts, On(seam[0]), On(seam[1]), Scalar.All((int)SectionPart.Seam), 2, LineTypes.Link8, Shift);
        if (truth.Wrong != Wrong.NoBead)
            Marks(parts, truth, On);
        parts.GetArray(out byte[] all);
        return all;
    }

    // Toes, and where the plates of a fillet met, are discs: a bit each over the parts.
    private static void Marks(Mat parts, SectionTruth truth, Func<Point, OpenCvSharp.Point> on)
    {
        const int radius = 5 << Shift;
        IEnumerable<(Point At, SectionMark Mark)> marks =
        [
            (truth.LowerToe, SectionMark.Toe),
            (truth.UpperToe, SectionMark.Toe),
            .. truth.Joint.Facts().IsFillet ? new[] { (truth.Root, SectionMark.Root) } : [],
        ];
        foreach (var (at, mark) in marks)
        {
            using var disc = new Mat(parts.Size(), MatType.CV_8UC1, Scalar.All(0));
            Cv2.Circle(disc, on(at).X, on(at).Y, radius, Scalar.All(PartLesson.FirstMark << (int)mark), -1, LineTypes.Link8, Shift);
            Cv2.BitwiseOr(parts, disc, parts);
        }
    }
}
