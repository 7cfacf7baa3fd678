using GentleBead.Bench.Listening;
using GentleBead.Core.Beads;
using GentleBead.Core.Looking;
using MathNet.Numerics.Random;
using OpenCvSharp;

namespace GentleBead.Bench.Looking;

/// <summary>
/// Paints a part of a bead's face as a strip shows it: its relief shaded by lamps and a sky, without a room about it. It takes a fortieth
/// of the time that POV-Ray takes, so thousands can be learned from; nothing is measured on them.
/// </summary>
internal sealed class FaceFlat
{
    /// <summary>A strip's pixels.</summary>
    public const int Columns = 480,
        Rows = 320;

    private const double Distance = 4000,
        PerMm = 1 / Strip.Cell;

    private readonly FaceScene scene;
    private readonly FaceBead bead;
    private readonly Viewpoint view;
    private readonly Xoshiro256StarStar chance;
    private readonly byte[] parts;
    private readonly float[] height = new float[Columns * Rows];

    private FaceFlat(int seed)
    {
        chance = Chance.Of(seed + 13);
        scene = new(seed, (2000, 1500), chance.In(0.04) ? Wrong.NoBead : Wrong.Nothing);
        bead = scene.Bead;
        view = View();
        parts = FaceParts.Of(scene, view, Plane, (Columns, Rows));
    }

    // From a strip's millimetres to a picture that is the strip.
    private static PlaneView Plane { get; } = new([PerMm, 0, PerMm * Strip.Beyond, 0, PerMm, PerMm * Strip.Reach, 0, 0, 1]);

    /// <summary>A seed's strip, and which part each of its places is.</summary>
    public static (Strip Strip, byte[] Parts) Of(int seed)
    {
        var flat = new FaceFlat(seed);
        using var seen = flat.Draw();
        using var picture = Cv2.ImDecode(Photograph.Develop(seen, Wrong.Nothing, PerMm, flat.chance), ImreadModes.Color);
        return (Strip.Of(picture, Plane, Columns / PerMm - 2 * Strip.Beyond, null, (1, 1, 1)), flat.parts);
    }

    // Square on to the face, from so far that what stands higher is not seen larger.
    private Viewpoint View()
    {
        var at = chance.Between(-0.05, 1.05) * bead.Length;
        var middle = new Spot(at, bead.MiddleAt(Math.Clamp(at, 0, bead.Length)) + chance.Between(-1.5, 1.5), 0);
        var (down, outward) = (new Spot(0, 1, 0), new Spot(0, 0, 1));
        if (bead.Legs is var (lower, upper))
        {
            down = new(0, lower / bead.Width, -upper / bead.Width);
            outward = new(0, upper / bead.Width, lower / bead.Width);
            middle = new Spot(at, lower / 2, upper / 2) + chance.Between(-1.5, 1.5) * down;
        }
        var turn = chance.Between(-0.08, 0.08);
        var (cos, sin) = (Math.Cos(turn), Math.Sin(turn));
        var right = new Spot(1, 0, 0);
        return new(
            middle + Distance * outward,
            cos * right + sin * down,
            cos * down + -sin * right,
            -1 * outward,
            Distance * PerMm,
            Columns,
            Rows
        );
    }

    private Mat Draw()
    {
        var look = new FaceLook(bead, chance, scene.Seed);
        var colours = new Vec3b[Columns * Rows];
        for (var i = 0; i < colours.Length; i++)
            (colours[i], height[i]) = At(look, i);
        Grains(colours);
        return new FaceLight(chance, height, Columns, Rows).Shine([.. colours.Select((one, i) => (one, IsBead(i)))]);
    }

    private bool IsBead(int i) => (FacePart)parts[i] is not (FacePart.Plate or FacePart.Tint or FacePart.Undercut);

    private (Vec3b, float) At(FaceLook look, int i)
    {
        var way = view.Through(new(i % Columns, i / Columns));
        var metal = IsBead(i) && (FacePart)parts[i] != FacePart.Grain;
        if (bead.Legs is not var (lower, upper))
        {
            var on = view.At + view.At.Z / -way.Z * way;
            return scene.Wrong == Wrong.NoBead
                ? (look.Plate(on.X, on.Y, 1, 99), 0)
                : (look.At(on.X, on.Y), (float)bead.HeightAt(on.X, on.Y));
        }
        var down = new Spot(0, lower / bead.Width, -upper / bead.Width);
        var outward = new Spot(0, upper / bead.Width, lower / bead.Width);
        var face = view.At + Distance * way - new Spot(0, lower / 2, upper / 2);
        if (metal)
            return (look.Metal(face.X, face.Dot(down)), (float)bead.HeightAt(face.X, face.Dot(down)));
        var floor = view.At + view.At.Z / -way.Z * way;
        var standing = floor.Y < 0;
        var at = standing ? view.At + view.At.Y / -way.Y * way : floor;
        var far = standing ? at.Z : at.Y;
        var beyond = scene.Wrong == Wrong.NoBead ? 99 : bead.Beyond(at.X, far, standing);
        var colour = standing ? look.Plate(at.X, far + 300, 0, beyond) : look.Plate(at.X, far, 1, beyond);
        return (colour, (float)(at - new Spot(0, lower / 2, upper / 2)).Dot(outward));
    }

    // Balls that lie on the plate, each with its own tone.
    private void Grains(Vec3b[] colours)
    {
        if (scene.Wrong == Wrong.NoBead)
            return;
        foreach (var grain in bead.Spatter.Where(scene.Shown))
        {
            var (at, tone, radius) = (view.See(new(grain.X, grain.Y, 0)), chance.Between(80, 170), grain.DiameterMm / 2);
            for (var y = (int)(at.Y - radius * PerMm); y <= at.Y + radius * PerMm; y++)
            {
                for (var x = (int)(at.X - radius * PerMm); x <= at.X + radius * PerMm; x++)
                {
                    var off = new Core.Beads.Point((x - at.X) / PerMm, (y - at.Y) / PerMm).Size();
                    if (off >= radius || x < 0 || y < 0 || x >= Columns || y >= Rows)
                        continue;
                    colours[y * Columns + x] = new((byte)tone, (byte)tone, (byte)tone);
                    height[y * Columns + x] += (float)(0.24 * radius + Math.Sqrt(radius * radius - off * off));
                }
            }
        }
    }
}
