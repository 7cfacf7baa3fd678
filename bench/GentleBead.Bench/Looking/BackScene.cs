using System.Text;
using GentleBead.Bench.Listening;
using GentleBead.Core.Looking;
using MathNet.Numerics.Random;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>The back of a plate that was welded, the card on it, lights, and a camera: all of it drawn by a seed.</summary>
internal sealed class BackScene : IScene
{
    private readonly Xoshiro256StarStar chance;
    private readonly double thick;

    public BackScene(int seed, (int Width, int Height) size)
    {
        chance = Chance.Of(seed);
        Seed = seed;
        Back = new(chance, seed);
        thick = chance.Between(0.8, 5);
        Plate = (-chance.Between(8, 30), -chance.Between(18, 40), Back.Length + chance.Between(8, 30), chance.Between(18, 40));
        var turn = chance.Between(-0.25, 0.25) + (chance.In(0.3) ? Math.PI : 0);
        var side = chance.Of<int>([-1, 1]);
        var gap = 12 + Card.Height / 2 + chance.Between(2, 12) + Card.Width / 2 * Math.Abs(Math.Sin(turn));
        Laid = new(new(Back.Length / 2 + chance.Between(-20, 20), side * gap, 0), turn);
        var middle = new Spot(Back.Length / 2 + chance.Between(-4, 4), side * gap / 2, 0);
        var most = Math.Min(size.Width / Math.Max(Back.Length + 12, 92), size.Height / (gap + 44));
        var perMm = chance.Between(Math.Min(11, most * 0.95), Math.Max(11.5, most));
        var focal = chance.Around(0.62, 1.1) * size.Width;
        View = Viewpoint
            .Over(
                middle,
                focal / perMm,
                chance.Between(0, 32) * Math.PI / 180,
                chance.Between(-Math.PI, Math.PI),
                chance.Between(-0.2, 0.2),
                (focal, size.Width, size.Height)
            )
            .Level(new(0, 0, 0), new(Back.Length, 0, 0), chance);
    }

    public int Seed { get; }
    public Wrong Wrong => Wrong.Nothing;
    public BackBead Back { get; }
    public (double Left, double Top, double Right, double Bottom) Plate { get; }
    public LaidCard Laid { get; }
    public Viewpoint View { get; }

    /// <inheritdoc/>
    public Card Card => Card.Bead;

    /// <inheritdoc/>
    public double LookedMm => Back.Length;

    /// <inheritdoc/>
    public Point Looked(double share) => View.See(new(Back.Length * share, 0, 0));

    /// <inheritdoc/>
    public Spot Held(double share) => Laid.On(new(5 + 20 * share, 40));

    /// <inheritdoc/>
    public void Write(string folder)
    {
        var look = new FaceLook(Back, chance, Seed);
        Keep("relief.png", FaceSkin.Relief(Plate, Back.HeightAt));
        Keep("skin.png", FaceSkin.Colour(Plate, look.At));
        Keep("mask.png", FaceSkin.Colour(Plate, (s, v) => look.IsMetal(s, v) ? new(255, 255, 255) : new(0, 0, 0)));
        var text = new StringBuilder("#version 3.7; global_settings { assumed_gamma 1.0 max_trace_level 4 }\n");
        text.AppendLine(View.Pov());
        new Studio(chance, dark: false).Write(text, -Math.Max(thick, -FaceSkin.Low));
        PlateScene.Write(text, Plate, Math.Max(thick, -FaceSkin.Low), bare: false);
        Laid.Write(text);
        File.WriteAllText(Path.Combine(folder, "scene.pov"), text.ToString());

        void Keep(string name, Mat drawn)
        {
            Cv2.ImWrite(Path.Combine(folder, name), drawn);
            drawn.Dispose();
        }
    }
}
