using GentleBead.Bench.Listening;
using MathNet.Numerics.Random;
using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>Shades a relief: lamps with shadows, what shines (Blinn 1977, from memory), and a sky that metal mirrors.</summary>
internal sealed class FaceLight
{
    private const double Cell = Core.Looking.Strip.Cell;

    private readonly Xoshiro256StarStar chance;
    private readonly float[] height;
    private readonly int columns,
        rows;

    public FaceLight(Xoshiro256StarStar chance, float[] height, int columns, int rows)
    {
        (this.chance, this.height, this.columns, this.rows) = (chance, height, columns, rows);
        var warm = chance.Between(0.85, 1.15);
        lamps = [.. Enumerable.Range(0, chance.Next(1, 3)).Select(_ => Lamp.Of(chance, warm))];
        sky = chance.Between(0.15, 0.5);
        tilt = (chance.Between(-1, 1), chance.Between(-1, 1));
        plate = Metal.Of(chance, chance.Between(0, 0.05));
        bead = Metal.Of(chance, chance.Between(0.02, 0.28));
    }

    private readonly Lamp[] lamps;
    private readonly double sky;
    private readonly (double X, double Y) tilt;
    private readonly Metal plate,
        bead;

    /// <summary>What is seen of colours on the relief, blue, green and red from 0 to 1; the picture is the caller's.</summary>
    /// <param name="colours">In even light, and whether each is the bead's own metal.</param>
    public Mat Shine((Vec3b Colour, bool Bead)[] colours)
    {
        var seen = new Vec3f[colours.Length];
        for (var i = 0; i < seen.Length; i++)
        {
            var metal = colours[i].Bead ? bead : plate;
            var normal = Normal(i);
            var tone = 0.8 * sky;
            var glint = metal.Mirror * Mirrored(normal);
            double warm = 0,
                all = 1e-6;
            foreach (var lamp in lamps)
            {
                var lit = Shadow(i, lamp) * lamp.Power;
                var diffuse = Math.Max(0, normal.Dot(lamp.Way)) * lit;
                tone += 0.6 * diffuse;
                glint += metal.Shine * lit * Math.Pow(Math.Max(0, normal.Dot(lamp.Half)), 1 / metal.Rough);
                (warm, all) = (warm + lamp.Warm * diffuse, all + diffuse);
            }
            var own = colours[i].Colour;
            var red = warm > 0 ? warm / all : 1;
            seen[i] = new(Level(own.Item0, tone + glint, 1 / red), Level(own.Item1, tone + glint, 1), Level(own.Item2, tone + glint, red));
        }
        using var whole = Mat.FromPixelData(rows, columns, MatType.CV_32FC3, seen);
        return whole.Clone();
    }

    private static float Level(byte own, double light, double by)
    {
        const double gamma = 2.2;
        return (float)Math.Min(1, Math.Pow(Math.Pow(own / 255.0, gamma) * light * by, 1 / gamma));
    }

    private Spot Normal(int i)
    {
        var (x, y) = (i % columns, i / columns);
        double At(int column, int row) => height[Math.Clamp(row, 0, rows - 1) * columns + Math.Clamp(column, 0, columns - 1)];
        var (dx, dy) = ((At(x + 1, y) - At(x - 1, y)) / (2 * Cell), (At(x, y + 1) - At(x, y - 1)) / (2 * Cell));
        var size = Math.Sqrt(dx * dx + dy * dy + 1);
        return new(-dx / size, -dy / size, 1 / size);
    }

    // The sky is bright above and towards one side.
    private double Mirrored(Spot normal)
    {
        var way = new Spot(2 * normal.Z * normal.X, 2 * normal.Z * normal.Y, 2 * normal.Z * normal.Z - 1);
        return sky * (0.4 + 1.4 * Math.Max(0, way.Z) + 0.6 * (tilt.X * way.X + tilt.Y * way.Y));
    }

    // 1 in the light, 0 where something higher stands before the lamp.
    private double Shadow(int i, Lamp lamp)
    {
        const int steps = 16;
        var flat = Math.Sqrt(lamp.Way.X * lamp.Way.X + lamp.Way.Y * lamp.Way.Y);
        var (stepX, stepY, rise) = (lamp.Way.X / flat, lamp.Way.Y / flat, lamp.Way.Z / flat * Cell);
        var least = 1.0;
        for (var k = 1; k <= steps; k++)
        {
            var by = 0.6 * k * (1 + 0.12 * k);
            var (x, y) = ((int)(i % columns + by * stepX), (int)(i / columns + by * stepY));
            if (x < 0 || y < 0 || x >= columns || y >= rows)
                break;
            var over = height[y * columns + x] - height[i] - rise * by - 0.02;
            if (over > 0)
                least = Math.Min(least, Math.Max(0, 1 - over / (lamp.Soft * by * Cell)));
        }
        return least;
    }

    private sealed record Metal(double Shine, double Rough, double Mirror)
    {
        public static Metal Of(Xoshiro256StarStar chance, double mirror) =>
            new(chance.Between(0.15, 0.9), chance.Around(0.012, 0.12), mirror);
    }

    private sealed record Lamp(Spot Way, Spot Half, double Power, double Warm, double Soft)
    {
        public static Lamp Of(Xoshiro256StarStar chance, double warm)
        {
            var (round, high) = (chance.Between(0, 2 * Math.PI), chance.Between(0.3, 1.35));
            var way = new Spot(Math.Cos(round) * Math.Cos(high), Math.Sin(round) * Math.Cos(high), Math.Sin(high));
            var half = way + new Spot(0, 0, 1);
            var size = Math.Sqrt(half.Dot(half));
            return new(way, 1 / size * half, chance.Between(0.4, 1.1) / Math.Sqrt(Math.Sin(high)), warm, chance.Around(0.05, 0.6));
        }
    }
}
