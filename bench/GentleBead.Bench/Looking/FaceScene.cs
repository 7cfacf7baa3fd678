using System.Globalization;
using System.Text;
using GentleBead.Bench.Listening;
using GentleBead.Core.Looking;
using MathNet.Numerics.Random;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>
/// A bead on its plate with the card beside it, lights, and a camera: all of it drawn by a seed. The room's millimetres are the bead's own:
/// right along it, down across it, up off the plate.
/// </summary>
internal sealed class FaceScene : IScene
{
    private readonly Xoshiro256StarStar chance;
    private readonly double plateThick;
    private readonly double standing;

    public FaceScene(int seed, (int Width, int Height) size, Wrong wrong = Wrong.Nothing)
    {
        chance = Chance.Of(seed);
        Seed = seed;
        Wrong = wrong;
        Bead = new(chance, seed);
        plateThick = chance.Between(1.5, 8);
        var (far, near) = (Bead.Width / 2 + chance.Between(18, 40), Bead.Width / 2 + chance.Between(14, 40));
        var fillet = Bead.Legs is not null;
        standing = chance.Between(18, 45);
        Plate = (-chance.Between(8, 30), fillet ? -4 : -far, Bead.Length + chance.Between(8, 30), near);
        var turn = chance.Between(-0.25, 0.25) + (chance.In(0.3) ? Math.PI : 0);
        var gap = Bead.Width / 2 + 44 / 2 + chance.Between(4, 14) + 75 * Math.Abs(Math.Sin(turn));
        var side = fillet ? 1 : chance.Of<int>([-1, 1]);
        Laid = new(new(Bead.Length / 2 + chance.Between(-20, 20), side * gap, 0), turn);
        var middle = new Spot(Bead.Length / 2 + chance.Between(-4, 4), side * (gap + 22 - Bead.Width / 2) / 2, 0);
        var needed = (Math.Max(Bead.Length + 12, 92), gap + 22 + Bead.Width / 2 + 10);
        var most = Math.Min(size.Width / needed.Item1, size.Height / needed.Item2);
        var perMm = wrong == Wrong.Far ? chance.Between(3.5, 8) : chance.Between(Math.Min(11, most * 0.95), Math.Max(11.5, most));
        var focal = chance.Around(0.62, 1.1) * size.Width;
        var slant =
            wrong == Wrong.Slanting ? chance.Between(52, 64)
            : fillet ? chance.Between(26, 50)
            : chance.In(0.5) ? chance.Between(0, 12)
            : chance.Between(12, 32);
        var roll = chance.Between(-0.2, 0.2) + (chance.In(0.5) ? Math.PI : 0);
        View = Viewpoint.Over(
            wrong == Wrong.CutOff
                ? middle + new Spot(chance.Of<int>([-1, 1]) * (size.Width / perMm / 2 + Bead.Length * 0.1), 0, 0)
                : middle,
            focal / perMm,
            slant * Math.PI / 180,
            fillet ? chance.Between(-0.45, 0.45) : chance.Between(-Math.PI, Math.PI),
            roll,
            (focal, size.Width, size.Height)
        );
        // Going round the plate turns the picture with it: turned back, so that the card lies along its longer side.
        View = View.Level(new(0, 0, 0), new(Bead.Length, 0, 0), chance);
    }

    public int Seed { get; }
    public Wrong Wrong { get; }
    public FaceBead Bead { get; }
    public (double Left, double Top, double Right, double Bottom) Plate { get; }
    public LaidCard Laid { get; }
    public Viewpoint View { get; }

    /// <inheritdoc/>
    public Card Card => Card.Bead;

    /// <inheritdoc/>
    public double LookedMm => Bead.Length;

    /// <inheritdoc/>
    public Point Looked(double share) => View.See(new(Bead.Length * share, 0, 0));

    /// <inheritdoc/>
    public Spot Held(double share) => Laid.On(new(5 + 20 * share, 40));

    /// <inheritdoc/>
    public void Write(string folder)
    {
        new FaceSkin(Bead, Plate, standing, chance, Seed).Write(folder, Wrong == Wrong.NoBead);
        var text = new StringBuilder("#version 3.7; global_settings { assumed_gamma 1.0 max_trace_level 4 }\n");
        text.AppendLine(View.Pov());
        new Studio(chance, Wrong == Wrong.Dark).Write(text, -plateThick);
        if (Wrong != Wrong.NoBead)
            Grains(text);
        if (Bead.Legs is null)
            PlateScene.Write(text, Plate, plateThick, Wrong == Wrong.NoBead);
        else
            FilletScene.Write(text, this, (plateThick, standing, chance.Between(2, 8)));
        if (Wrong != Wrong.NoCard)
            Laid.Write(text);
        File.WriteAllText(Path.Combine(folder, "scene.pov"), text.ToString());
    }

    private void Grains(StringBuilder text)
    {
        foreach (var grain in Bead.Spatter.Where(Shown))
        {
            var tone = chance.Between(0.08, 0.4);
            var at = new Spot(grain.X, grain.Y, 0.12 * grain.DiameterMm);
            text.AppendLine(Made($"sphere {{ {at.Pov()}, {grain.DiameterMm / 2} pigment {{ rgb {tone} }} finish {{ Bead }} }}"));
        }
    }

    /// <summary>Whether a grain lies on the plate, and not where the card is.</summary>
    public bool Shown(Round grain)
    {
        var at = View.See(new(grain.X, grain.Y, 0));
        return !Laid.Covers(grain.X, grain.Y)
            && grain.X > Plate.Left + 1
            && grain.X < Plate.Right - 1
            && grain.Y > Plate.Top + 1
            && grain.Y < Plate.Bottom - 1
            && at.X > 4
            && at.Y > 4
            && at.X < View.Width - 5
            && at.Y < View.Height - 5;
    }

    internal static string Made(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}

/// <summary>What keeps a picture from being measured.</summary>
internal enum Wrong
{
    Nothing,
    NoBead,
    NoCard,
    Far,
    Slanting,
    CutOff,
    Dark,
    Blurred,
    Bright,
    Hazy,
    Thumb,
    Glare,
}
