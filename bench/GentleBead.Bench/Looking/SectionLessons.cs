using GentleBead.Bench.Listening;
using GentleBead.Core.Looking;
using GentleBead.Core.Quantities;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>
/// Drawn sections as they are taught from: of each its field's maps as 32-bit floats, then which part each place is, a byte each.
/// </summary>
internal static class SectionLessons
{
    /// <summary>Writes a folder's sections one after the other into a file.</summary>
    public static int Write(string folder, string path)
    {
        string[] files = [.. Directory.GetFiles(folder, "*.json").Order()];
        var fields = new (SectionField Field, byte[] Parts)?[files.Length];
        Parallel.For(0, files.Length, i => fields[i] = Read(files[i]));
        using var to = new BinaryWriter(File.Create(path));
        foreach (var (field, parts) in fields.OfType<(SectionField, byte[])>())
        {
            foreach (var map in field.ForNet())
                to.Write(System.Runtime.InteropServices.MemoryMarshal.AsBytes(map.AsSpan()));
            to.Write(parts);
        }
        Console.WriteLine($"{fields.Count(one => one is not null)} of {files.Length} sections");
        return 0;
    }

    private static (SectionField, byte[])? Read(string file)
    {
        var truth = SectionTruth.Read(file);
        using var picture = Cv2.ImRead(Path.ChangeExtension(file, ".jpg"));
        if (truth.Wrong is not (Wrong.Nothing or Wrong.NoBead) || CardReader.Find(picture, out _) is not { } card)
            return null;
        // Without a card only the scale is known: so some are learned as they are then.
        var chance = Chance.Of(truth.Seed + 99);
        if (chance.In(0.15))
            card = Eye.Scaled(picture, new(truth.TenMm[0], truth.TenMm[1], Length.FromMm(10)));
        var middle = new Point(
            truth.Weld.Average(at => at.X) + chance.Between(-60, 60),
            truth.Weld.Average(at => at.Y) + chance.Between(-60, 60)
        );
        var field = SectionField.Of(picture, card, middle);
        return (field, Parts(field, truth));
    }

    // Which part each place of a field is.
    private static byte[] Parts(SectionField field, SectionTruth truth)
    {
        const int shift = 6;
        OpenCvSharp.Point On(Point at) =>
            field.Plane.ToPlane(at) is var mm
                ? new((int)(mm.X / SectionField.Cell * (1 << shift)), (int)(mm.Y / SectionField.Cell * (1 << shift)))
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
                shift
            );
        foreach (var plate in truth.Plates)
            Fill(plate, SectionPart.Plate);
        if (truth.Wrong != Wrong.NoBead)
            Fill(truth.Weld, SectionPart.Weld);
        foreach (var seam in truth.Seams)
            Cv2.Line(parts, On(seam[0]), On(seam[1]), Scalar.All((int)SectionPart.Seam), 2, LineTypes.Link8, shift);
        parts.GetArray(out byte[] all);
        return all;
    }
}
