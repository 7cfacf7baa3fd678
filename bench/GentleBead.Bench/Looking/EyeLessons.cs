using System.Text.Json.Nodes;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>The eye over pictures that people corrected: what a room gives away as lessons (docs/eye.md has the format).</summary>
internal static class EyeLessons
{
    private const int NothingToRead = 2;

    /// <summary>Whether a folder is one of lessons.</summary>
    public static bool Are(string folder) => File.Exists(Path.Combine(folder, "lessons.json"));

    /// <summary>Looks at every picture anew and tells how near it comes to what people kept.</summary>
    public static int Measure(string folder)
    {
        string[] files = [.. Directory.GetFiles(folder, "*.json").Where(file => Path.GetFileName(file) != "lessons.json").Order()];
        var faces = new List<(FaceMeasures, FaceMeasures)>();
        var sections = new List<(SectionMeasures, MacroMeasures)>();
        var refused = 0;
        Parallel.ForEach(
            files,
            file =>
            {
                var lesson = JsonNode.Parse(File.ReadAllText(file))!.AsObject();
                using var picture = Cv2.ImRead(Path.Combine(folder, lesson["picture"]!.GetValue<string>()));
                var joint = Enum.Parse<Joint>(lesson["joint"]!.GetValue<string>(), ignoreCase: true);
                var face = lesson["face"] is JsonObject kept && Face(picture, joint, kept) is { } seen ? (seen, Kept(kept)) : default;
                var section =
                    lesson["section"] is JsonObject marks && Section(picture, joint, marks) is { } read
                        ? (read, MacroMeasures.Of(Marks(marks), joint.Facts().Measure))
                        : default;
                lock (faces)
                {
                    if (face.Item1 is not null)
                        faces.Add(face);
                    if (section.Item1 is not null)
                        sections.Add(section);
                    refused += face.Item1 is null && section.Item1 is null ? 1 : 0;
                }
            }
        );
        foreach (var one in EyeAgreement.Of(faces, sections))
        {
            Console.WriteLine(
                $"  {one.Aspect}: {one.Near} of {one.Readings} near, {one.Held} held, "
                    + $"off by {one.Off.Mm:0.00} mm ({one.OverMm:+0.00;-0.00})"
            );
        }
        Console.WriteLine($"eye on lessons: {faces.Count} faces, {sections.Count} sections, {refused} it could not measure");
        return files.Length == 0 ? NothingToRead : 0;
    }

    private static FaceMeasures? Face(Mat picture, Joint joint, JsonObject kept)
    {
        var (left, right) = (Points(kept["left"]), Points(kept["right"]));
        static Point Middle(Point a, Point b) => new((a.X + b.X) / 2, (a.Y + b.Y) / 2);
        var perMm = Number(kept["pixelsPerMm"]);
        var scale = kept["card"] is null ? new KnownLength(new(0, 0), new(100 * perMm, 0), Length.FromMm(100)) : null;
        var ask = new FaceAsk(joint.Facts().IsFillet, Middle(left[0], right[0]), Middle(left[^1], right[^1]), Scale: scale);
        return Eye.Face(picture, ask).Face?.Measures;
    }

    // Of what was kept only length and width are what a person's toes say.
    private static FaceMeasures Kept(JsonObject face)
    {
        ReadLength Read(string name) => ReadLength.Of(Number(face["measures"]![name]!["valueMm"]), 0);
        var none = Length.FromMm(0);
        return new(Read("length"), Read("width"), none, none, null, null, new(0, none, none), [], none, null, null, null);
    }

    private static SectionMeasures? Section(Mat picture, Joint joint, JsonObject marks)
    {
        var read = Marks(marks);
        var scale = read.Plane is null ? new KnownLength(read.ScaleFrom, read.ScaleTo, read.ScaleLength) : null;
        return SectionEye.Look(picture, new(joint, scale, read.Root)).Section?.Measures;
    }

    private static MacroMarks Marks(JsonObject of) =>
        new(
            At(of["scaleFrom"]),
            At(of["scaleTo"]),
            Length.FromMm(Number(of["scaleLengthMm"])),
            At(of["root"]),
            At(of["lowerToe"]),
            At(of["upperToe"]),
            Points(of["face"]),
            Points(of["fusionLine"]),
            [.. of["unfused"]!.AsArray().Select(line => new UnfusedLine(At(line!["from"]), At(line["to"])))],
            of["plane"]?.AsArray().Select(Number).ToArray()
        );

    private static double Number(JsonNode? of) => of!.GetValue<double>();

    private static Point At(JsonNode? of) => new(Number(of!["x"]), Number(of["y"]));

    private static Point[] Points(JsonNode? of) => [.. of!.AsArray().Select(At)];
}
