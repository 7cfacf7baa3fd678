using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>Where a face ends, by the shape of what was traced: where the metal's outline leaves a plate's straight surface.</summary>
/// <param name="One">One toe, pixels of the field.</param>
/// <param name="Other">The other.</param>
/// <param name="Plates">The surfaces beyond them; null where none is straight for long enough.</param>
/// <param name="Firm">Whether both surfaces are straight all along, and the weld metal's corners lie where outlines leave them.</param>
internal sealed record SectionToes(Point One, Point Other, (SectionLine? One, SectionLine? Other) Plates, bool Firm)
{
    // Weld metal so near to the outline of all metal has air outside, pixels.
    private const double Beside = 2.5;

    // A shorter face is none, pixels along it.
    private const int ShortestFace = 12;

    // Of two ways to find a toe that are further apart than this neither says where it is, pixels.
    private const double Agree = 8;

    // The surface is looked for from so far beyond the toe on, as far as that, and is straight to within so much, pixels.
    private const int First = 6,
        Last = 51;
    private const double Straight = 1;
    private const int FewestStraight = 12,
        FirmlyStraight = 40;

    // So near to each other corner and outline say the same, pixels.
    private const double FirmlyAgree = 10;

    // The window's rim is no edge of metal, pixels.
    private const double Border = 10;

    /// <summary>Looks for them.</summary>
    /// <param name="weld">Round the weld metal.</param>
    /// <param name="metal">Round all metal.</param>
    /// <param name="seen">Where toes were thought to be, one and the other: shape is believed where it agrees with something.</param>
    public static SectionToes? Of(Point[] weld, Point[] metal, (Point One, Point Other) seen)
    {
        if (Face(weld, metal) is not var (from, to))
            return null;
        var middle = weld[(from + (to - from + weld.Length) % weld.Length / 2) % weld.Length];
        var (a, b) = (End.Of(weld, metal, from, 1, middle), End.Of(weld, metal, to, -1, middle));
        double Off(End one, End other) => (one.Leaves - seen.One).Size() + (other.Leaves - seen.Other).Size();
        if (Off(a, b) > Off(b, a))
            (a, b) = (b, a);
        return new(a.Best(seen.One), b.Best(seen.Other), (a.Plate, b.Plate), a.Firm && b.Firm);
    }

    // The longest stretch of the weld metal's outline that has air outside: from which of its points to which.
    private static (int From, int To)? Face(Point[] weld, Point[] metal)
    {
        const int reach = 5;
        var near = weld.Select(at => metal.Min(other => (other - at).Size()) < Beside).ToArray();
        var open = near.Select(
                (_, i) => Enumerable.Range(-reach, 2 * reach + 1).Count(k => near[(i + k + 2 * near.Length) % near.Length]) > reach
            )
            .ToArray();
        return SectionOutline.Longest(open) is var (from, to, length) && length >= ShortestFace ? (from, to) : null;
    }

    // One end of the face: where the metal's outline leaves the plate, and where the weld metal's outline has its corner.
    private readonly record struct End(Point Leaves, Point Corner, SectionLine? Plate, bool Firm)
    {
        public static End Of(Point[] weld, Point[] metal, int at, int inward, Point middle)
        {
            var near = Enumerable.Range(0, metal.Length).MinBy(i => (metal[i] - weld[at]).Size());
            // Which way along the metal's outline the plate lies.
            const int far = 14;
            var way = (Ring(metal, near + far) - middle).Size() > (Ring(metal, near - far) - middle).Size() ? 1 : -1;
            var (plate, straight) = Surface(metal, near, way);
            var corner = CornerAt(weld, at, inward);
            var leaves = plate is { } surface ? LeavesAt(metal, near, way, surface) : weld[at];
            return new(leaves, corner, plate, straight >= FirmlyStraight && (leaves - corner).Size() < FirmlyAgree);
        }

        public Point Best(Point seen)
        {
            if (Math.Min((Leaves - Corner).Size(), (Leaves - seen).Size()) < Agree)
                return Leaves;
            return (Corner - seen).Size() < 10 * Agree ? new((Corner.X + seen.X) / 2, (Corner.Y + seen.Y) / 2) : seen;
        }

        // The straight line that most of the outline beyond the toe lies on, and how many of its points do.
        private static (SectionLine? Line, int Straight) Surface(Point[] metal, int near, int way)
        {
            var beyond = Enumerable
                .Range(First, Last - First)
                .Select(i => Ring(metal, near + way * i))
                .TakeWhile(at => at.X > Border && at.Y > Border && at.X < SectionField.Side - Border && at.Y < SectionField.Side - Border)
                .ToArray();
            const int apart = 8;
            Point[] best = [];
            for (var i = 0; i < beyond.Length; i++)
            {
                for (var k = i + apart; k < beyond.Length; k++)
                {
                    var line = SectionLine.Through([beyond[i], beyond[k]]);
                    Point[] on = [.. beyond.Where(at => line.Off(at) < Straight)];
                    best = on.Length > best.Length ? on : best;
                }
            }
            return (best.Length < FewestStraight ? null : SectionLine.Through(best), best.Length);
        }

        private static Point LeavesAt(Point[] metal, int near, int way, SectionLine surface)
        {
            const double off = 1.2;
            const int before = 25,
                behind = 60,
                lasting = 6,
                fitted = 12;
            const double least = 15,
                furthest = 12;
            // Along the outline from the plate over the toe into the face.
            Point[] walk = [.. Enumerable.Range(0, before + behind).Select(i => Ring(metal, near + way * (before - i)))];
            bool Lasts(int i) => walk.Skip(i).Take(lasting).All(at => surface.Off(at) > off);
            var left = Enumerable.Range(1, walk.Length - lasting - 1).FirstOrDefault(Lasts);
            if (left == 0)
                left = Enumerable.Range(0, behind).LastOrDefault(i => surface.Off(walk[i]) < off);
            var face = walk.Skip(left + 1).Take(fitted).ToArray();
            var meets = face.Length < lasting ? null : SectionLine.Through(face).Meets(surface, least);
            return meets is { } at && (at - walk[left]).Size() < furthest ? at : surface.Foot(walk[left]);
        }

        // Outlines are round where three parts meet: the corner is where what lies to both sides of it would meet.
        private static Point CornerAt(Point[] weld, int at, int inward)
        {
            const int around = 18,
                first = 3,
                fitted = 11;
            const double slope = 0.02,
                least = 15,
                furthest = 12;
            var side = SectionOutline.Turns(weld);
            var corner = Enumerable.Range(at - around, 2 * around + 1).MaxBy(i => side * Turn(weld, i) - slope * Math.Abs(i - at));
            Point[] Beside(int way) => [.. Enumerable.Range(first, fitted).Select(k => Ring(weld, corner + way * k))];
            var meets = SectionLine.Through(Beside(inward)).Meets(SectionLine.Through(Beside(-inward)), least);
            var own = Ring(weld, corner);
            return meets is { } point && (point - own).Size() < furthest ? point : own;
        }

        // By how much the outline turns at a point, radians.
        private static double Turn(Point[] round, int i)
        {
            const int reach = 9;
            var (a, b) = (Ring(round, i) - Ring(round, i - reach), Ring(round, i + reach) - Ring(round, i));
            return Math.Atan2(a.X * b.Y - a.Y * b.X, a.Along(b));
        }

        private static Point Ring(Point[] round, int i) => round[(i % round.Length + round.Length) % round.Length];
    }
}
