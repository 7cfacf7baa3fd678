using GentleBead.Core.Beads;
using GentleBead.Core.Stock;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Core.Looking;

/// <summary>What was traced of a section, in pixels of its field.</summary>
/// <param name="Root">Where the plates met; of a bead that is no fillet the middle between its toes.</param>
/// <param name="Lower">The toe on the lower plate, or the left one.</param>
/// <param name="Upper">The other.</param>
/// <param name="Face">Along the face, from the lower toe to the upper, without them.</param>
/// <param name="Fusion">Along the other side of the weld metal, likewise.</param>
/// <param name="Unfused">Dark lines left of the joint.</param>
/// <param name="Weld">Round the weld metal.</param>
/// <param name="Metal">Round all metal.</param>
/// <param name="Sure">How clearly weld metal stands out from plate along the fusion line: 0 not at all, 1 as clearly as can be.</param>
internal sealed record SectionTrace(
    Point Root,
    Point Lower,
    Point Upper,
    Point[] Face,
    Point[] Fusion,
    UnfusedLine[] Unfused,
    Point[] Weld,
    Point[] Metal,
    double Sure
)
{
    private const int Side = SectionField.Side;

    // The most a place counts for or against.
    private const float Most = 5;

    private const double Softness = 1.2;

    // Less weld metal than so many places is none: a square millimetre and a half.
    private const int Fewest = 150;

    // A shorter face is none, pixels along it.
    private const int ShortestFace = 12;

    // So far from the weld metal's outline its toes lie, and the root, past which it goes or which it did not reach, pixels.
    private const double ToeReach = 15,
        RootReach = 40;

    private const int MostFace = 14,
        MostFusion = 40;

    // Plates that stand at less than this to each other say nothing about where they met: then the root is under the upper toe.
    private const double Standing = 45;

    /// <summary>Traces a section; null where no weld metal is to be seen.</summary>
    /// <param name="field">What is to be seen.</param>
    /// <param name="seen">How likely each part is at each place, and where toes and root are.</param>
    /// <param name="joint">What was welded.</param>
    public static SectionTrace? Of(SectionField field, (float[] Parts, float[][] Marks) seen, Joint joint)
    {
        var fillet = joint.Facts().IsFillet;
        var likely = seen.Parts;
        var weld = SectionOutline.Soft(Score(likely, SectionPart.Weld), Softness);
        var metal = SectionOutline.Soft(Score(likely, SectionPart.Bare, against: true), Softness);
        using var patch = SectionOutline.Patch(weld);
        if (patch is null || Cv2.CountNonZero(patch) < Fewest)
            return null;
        using var all = SectionOutline.Patch(metal, patch);
        if (all is null)
            return null;
        var (round, rim) = (SectionOutline.Round(weld, patch), SectionOutline.Round(metal, all));
        var found = SectionPoints.Of(seen.Marks[(int)SectionMark.Toe], round, ToeReach);
        if (Open(round, metal, found) is not var (from, to))
            return null;
        var ends = Shaped(Ends(round, rim, from, to, found), round, rim);
        Point InPicture(Point at) => field.Plane.ToPicture(new(at.X * SectionField.Cell, at.Y * SectionField.Cell));
        var (a, b) = (InPicture(ends.One.Toe), InPicture(ends.Other.Toe));
        if (fillet ? a.Y < b.Y : a.X > b.X)
            ends = new(ends.Other, ends.One, [.. ends.Face.Reverse()], [.. ends.Fused.Reverse()], ends.Firm);
        var toes = (Lower: ends.One.Toe, Upper: ends.Other.Toe);
        var root = fillet ? Meeting(seen.Marks[(int)SectionMark.Root], round, ends, joint == Joint.Lap) : Middle(toes.Lower, toes.Upper);
        var seam = SectionSeams.Shares(likely);
        return new(
            root,
            toes.Lower,
            toes.Upper,
            Spaced(Within(ends.Face, toes), MostFace),
            Spaced(ends.Fused, MostFusion),
            fillet ? SectionSeams.OfFillet(seam, root, toes.Lower, toes.Upper) : SectionSeams.Free(seam, round),
            round,
            rim,
            Clear(Between(round, to, from), Between(SectionOutline.Outward(round), to, from), weld)
        );
    }

    // A toe, and the plate's surface beyond it.
    private readonly record struct PlateEnd(Point Toe, SectionLine? Plate);

    private sealed record FaceEnds(PlateEnd One, PlateEnd Other, Point[] Face, Point[] Fused, bool Firm = false);

    // By the points the network finds, else by where the face meets the plates.
    private static FaceEnds Ends(Point[] round, Point[] rim, int from, int to, Point[] found)
    {
        var face = Between(round, from, to);
        var (first, last) = (Plate(rim, face[0], face), Plate(rim, face[^1], face));
        Point Own(Point toe, Point crossing) => found.FirstOrDefault(one => (one - toe).Size() < ToeReach, crossing);
        return new(
            new(Own(face[0], Toe(face, first)), first),
            new(Own(face[^1], Toe([.. face.Reverse()], last)), last),
            face,
            [.. Between(round, to, from).Reverse()]
        );
    }

    // By the outlines' own shape, where that agrees with them.
    private static FaceEnds Shaped(FaceEnds ends, Point[] round, Point[] rim)
    {
        if (SectionToes.Of(round, rim, (ends.One.Toe, ends.Other.Toe)) is not { } shape)
            return ends;
        var (from, to) = (At(round, shape.One), At(round, shape.Other));
        var face = Between(round, from, to);
        return face.Length >= ShortestFace && face.Contains(ends.Face[ends.Face.Length / 2])
            ? new(
                new(shape.One, shape.Plates.One),
                new(shape.Other, shape.Plates.Other),
                face,
                [.. Between(round, to, from).Reverse()],
                shape.Firm
            )
            : ends;
    }

    // Where the plates' surfaces meet, where that agrees with what the network finds or leaves no doubt; a lap's lies under its upper toe.
    private static Point Meeting(float[] near, Point[] round, FaceEnds ends, bool lap)
    {
        const double agree = 12,
            agreeLap = 20;
        var (lower, upper) = (ends.One.Plate, lap ? null : ends.Other.Plate);
        var found = SectionPoints.Of(near, round, RootReach).Cast<Point?>().FirstOrDefault();
        if (found is not { } seen)
            return Corner(lower, upper, (ends.One.Toe, ends.Other.Toe));
        var meets =
            lap ? lower?.Foot(ends.Other.Toe)
            : upper is { } standing ? lower?.Meets(standing, Standing)
            : null;
        var most =
            lap ? agreeLap
            : ends.Firm ? RootReach
            : agree;
        return meets is { } at && (at - seen).Size() < most ? at : seen;
    }

    // How much sooner a place is one part than the likeliest other one; or, against it, any other.
    private static float[] Score(float[] likely, SectionPart part, bool against = false)
    {
        var score = new float[Side * Side];
        for (var i = 0; i < score.Length; i++)
        {
            var own = likely[SectionModel.Parts * i + (int)part];
            var other = float.NegativeInfinity;
            for (var k = 0; k < SectionModel.Parts; k++)
                other = k == (int)part ? other : Math.Max(other, likely[SectionModel.Parts * i + k]);
            score[i] = Math.Clamp(against ? other - own : own - other, -Most, Most);
        }
        return score;
    }

    // From which point of the outline to which the face goes: between the toes that were found, on the side that has air outside of it;
    // else the longest stretch of it that has.
    private static (int From, int To)? Open(Point[] round, float[] metal, Point[] toes)
    {
        if (toes.Length < 2)
            return OpenToAir(round, metal);
        var (one, other) = (At(round, toes[0]), At(round, toes[1]));
        var air = Bare(round, metal);
        double Share(int from, int to) =>
            Enumerable.Range(0, (to - from + round.Length) % round.Length + 1).Average(k => air[(from + k) % round.Length] ? 1.0 : 0);
        var (from, to) = Share(one, other) > Share(other, one) ? (one, other) : (other, one);
        return (to - from + round.Length) % round.Length < ShortestFace ? OpenToAir(round, metal) : (from, to);
    }

    // Which points of the outline have no metal outside of them.
    private static bool[] Bare(Point[] round, float[] metal)
    {
        var outward = SectionOutline.Outward(round);
        return
        [
            .. round.Select(
                (at, i) => new[] { 3.0, 5, 7 }.Average(by => SectionOutline.At(metal, SectionOutline.Along(at, outward[i], by))) < 0
            ),
        ];
    }

    // The longest stretch of the outline with no metal outside of it: from which of its points to which.
    private static (int From, int To)? OpenToAir(Point[] round, float[] metal)
    {
        const int reach = 5;
        var bare = Bare(round, metal);
        bool Open(int i) => Enumerable.Range(-reach, 2 * reach + 1).Count(k => bare[(i + k + 2 * bare.Length) % bare.Length]) > reach;
        var open = Enumerable.Range(0, bare.Length).Select(Open).ToArray();
        return SectionOutline.Longest(open) is var (from, to, length) && length >= ShortestFace ? (from, to) : null;
    }

    private static int At(Point[] round, Point toe) => Enumerable.Range(0, round.Length).MinBy(i => (round[i] - toe).Size());

    private static Point[] Between(Point[] round, int from, int to)
    {
        var many = (to - from + round.Length) % round.Length + 1;
        return [.. Enumerable.Range(0, many).Select(k => round[(from + k) % round.Length])];
    }

    // The plate's surface beyond a toe: as far along the metal's outline as it goes straight on. Null where it is too short to tell.
    private static SectionLine? Plate(Point[] rim, Point toe, Point[] face)
    {
        const int skipped = 4,
            first = 14,
            furthest = 90,
            patience = 4;
        const double off = 1.2,
            border = 8;
        var near = Enumerable.Range(0, rim.Length).MinBy(i => (rim[i] - toe).Size());
        var middle = face[face.Length / 2];
        Point At(int k, int way) => rim[((near + k * way) % rim.Length + rim.Length) % rim.Length];
        var way = (At(first, 1) - middle).Size() > (At(first, -1) - middle).Size() ? 1 : -1;
        List<Point> line = [];
        var missed = 0;
        for (var k = skipped; k < furthest && missed < patience; k++)
        {
            var at = At(k, way);
            if (at.X < border || at.Y < border || at.X > Side - border || at.Y > Side - border)
                break;
            if (line.Count >= first && SectionLine.Through(line).Off(at) > off)
                missed++;
            else
                line.Add(at);
        }
        return line.Count < first ? null : SectionLine.Through(line);
    }

    // Where the face, drawn on, meets the plate's surface: outlines are round where three parts meet.
    private static Point Toe(Point[] face, SectionLine? plate)
    {
        const double least = 15,
            furthest = 8;
        if (plate is not { } surface)
            return face[0];
        var end = face.Skip(3).Take(12).ToArray();
        var meets = end.Length < 6 ? null : SectionLine.Through(end).Meets(surface, least);
        return meets is { } at && (at - face[0]).Size() < furthest ? at : surface.Foot(face[0]);
    }

    // A lap's upper plate lies on the lower one: its root is under the upper toe.
    private static Point Corner(SectionLine? lower, SectionLine? upper, (Point Lower, Point Upper) toes) =>
        lower is { } plate ? (upper is { } standing ? plate.Meets(standing, Standing) : null) ?? plate.Foot(toes.Upper)
        : upper is { } other ? other.Foot(toes.Lower)
        : new(toes.Upper.X, toes.Lower.Y);

    // What of the face lies between the toes.
    private static Point[] Within(Point[] face, (Point One, Point Other) toes)
    {
        var (way, length) = ((toes.Other - toes.One).Unit(), (toes.Other - toes.One).Size());
        Point[] within = [.. face.Where(at => (at - toes.One).Along(way) is var along && along > 0 && along < length)];
        return within.Length >= 3 ? within : face;
    }

    private static Point Middle(Point a, Point b) => new((a.X + b.X) / 2, (a.Y + b.Y) / 2);

    private static Point[] Spaced(Point[] line, int most)
    {
        var many = Math.Clamp(line.Length / 4, 3, most);
        return [.. Enumerable.Range(1, many).Select(i => line[(int)Math.Round(i * (line.Length - 1.0) / (many + 1))])];
    }

    private static double Clear(Point[] fused, Point[] outward, float[] weld)
    {
        const double beside = 4;
        double At(int i, double by) => SectionOutline.At(weld, SectionOutline.Along(fused[i], outward[i], by));
        return Enumerable.Range(0, fused.Length).Average(i => (At(i, -beside) - At(i, beside)) / (2 * Most));
    }
}
