using GentleBead.Bench.Listening;
using GentleBead.Core.Beads;
using MathNet.Numerics.Random;

namespace GentleBead.Bench.Looking;

/// <summary>A direction or a place in the room, mm: right and down along the plate, and up off it.</summary>
internal readonly record struct Spot(double X, double Y, double Z)
{
    public static Spot operator +(Spot a, Spot b) => new(a.X + b.X, a.Y + b.Y, a.Z + b.Z);

    public static Spot operator -(Spot a, Spot b) => new(a.X - b.X, a.Y - b.Y, a.Z - b.Z);

    public static Spot operator *(double by, Spot of) => new(by * of.X, by * of.Y, by * of.Z);

    public double Dot(Spot other) => X * other.X + Y * other.Y + Z * other.Z;

    /// <summary>As POV-Ray writes it: its y is up, its z away from the looker.</summary>
    public string Pov() => FormattableString.Invariant($"<{X:0.######},{Z:0.######},{-Y:0.######}>");
}

/// <summary>A camera without a lens's faults: where it stands, what it looks at, how long its lens is.</summary>
/// <param name="At">Where.</param>
/// <param name="Right">The way to the right of its picture, length 1.</param>
/// <param name="Down">The way down its picture, length 1.</param>
/// <param name="Forward">The way it looks, length 1.</param>
/// <param name="Focal">Length of the lens, pixels.</param>
/// <param name="Width">Width of its picture, pixels.</param>
/// <param name="Height">Height of its picture, pixels.</param>
internal sealed record Viewpoint(Spot At, Spot Right, Spot Down, Spot Forward, double Focal, int Width, int Height)
{
    /// <summary>Looks at a place from so far, so slantingly, from such a side, turned so.</summary>
    public static Viewpoint Over(
        Spot middle,
        double distance,
        double slant,
        double side,
        double roll,
        (double Focal, int Width, int Height) lens
    )
    {
        Spot Turn(Spot of)
        {
            // Roll about the way it looks, lean, then go round the plate.
            var rolled = new Spot(of.X * Math.Cos(roll) - of.Y * Math.Sin(roll), of.X * Math.Sin(roll) + of.Y * Math.Cos(roll), of.Z);
            var leaned = new Spot(
                rolled.X,
                rolled.Y * Math.Cos(slant) + rolled.Z * Math.Sin(slant),
                -rolled.Y * Math.Sin(slant) + rolled.Z * Math.Cos(slant)
            );
            return new(
                leaned.X * Math.Cos(side) - leaned.Y * Math.Sin(side),
                leaned.X * Math.Sin(side) + leaned.Y * Math.Cos(side),
                leaned.Z
            );
        }
        var forward = Turn(new(0, 0, -1));
        return new(middle - distance * forward, Turn(new(1, 0, 0)), Turn(new(0, 1, 0)), forward, lens.Focal, lens.Width, lens.Height);
    }

    /// <summary>Where a place of the room is in the picture, pixels.</summary>
    public Point See(Spot of)
    {
        var way = of - At;
        var far = way.Dot(Forward);
        return new(Focal * way.Dot(Right) / far + (Width - 1) / 2.0, Focal * way.Dot(Down) / far + (Height - 1) / 2.0);
    }

    /// <summary>The way from the camera through a place of its picture.</summary>
    public Spot Through(Point pixels) =>
        (pixels.X - (Width - 1) / 2.0) / Focal * Right + (pixels.Y - (Height - 1) / 2.0) / Focal * Down + Forward;

    /// <summary>From the plate's millimetres, right and down, to the picture's pixels: a homography, row by row.</summary>
    public double[] PlateToPicture()
    {
        var (cx, cy) = ((Width - 1) / 2.0, (Height - 1) / 2.0);
        double[] Row(Spot of) => [of.X, of.Y, -of.Dot(At)];
        var (right, down, forward) = (Row(Right), Row(Down), Row(Forward));
        return [.. right.Zip(forward, (a, f) => Focal * a + cx * f), .. down.Zip(forward, (a, f) => Focal * a + cy * f), .. forward];
    }

    /// <summary>Turned so that a line lies along the picture's longer side, either way round, nearly.</summary>
    public Viewpoint Level(Spot from, Spot to, Xoshiro256StarStar chance)
    {
        var (left, right) = (See(from), See(to));
        var angle = Math.Atan2(right.Y - left.Y, right.X - left.X) + chance.Between(-0.22, 0.22) + (chance.In(0.5) ? Math.PI : 0);
        var (cos, sin) = (Math.Cos(angle), Math.Sin(angle));
        return this with { Right = cos * Right + sin * Down, Down = cos * Down + -sin * Right };
    }

    public string Pov() =>
        $"camera {{ location {At.Pov()} direction {Forward.Pov()} "
        + $"right {(Width / Focal * Right).Pov()} up {(-Height / Focal * Down).Pov()} }}";
}
