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
    private const double CardThick = 0.2;
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
        CardTurn = chance.Between(-0.25, 0.25) + (chance.In(0.3) ? Math.PI : 0);
        var gap = Bead.Width / 2 + 44 / 2 + chance.Between(4, 14) + 75 * Math.Abs(Math.Sin(CardTurn));
        var side = fillet ? 1 : chance.Of<int>([-1, 1]);
        CardMiddle = new(Bead.Length / 2 + chance.Between(-20, 20), side * gap, 0);
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
        View = Level(View);
    }

    public int Seed { get; }
    public Wrong Wrong { get; }
    public FaceBead Bead { get; }
    public (double Left, double Top, double Right, double Bottom) Plate { get; }
    public Spot CardMiddle { get; }
    public double CardTurn { get; }
    public Viewpoint View { get; }

    /// <inheritdoc/>
    public Card Card => Card.Bead;

    /// <inheritdoc/>
    public double LookedMm => Bead.Length;

    /// <inheritdoc/>
    public Point Looked(double share) => View.See(new(Bead.Length * share, 0, 0));

    /// <inheritdoc/>
    public Spot Held(double share) => OnCard(new(5 + 20 * share, 40));

    /// <summary>Where a place of the card is in the room.</summary>
    public Spot OnCard(Point mm)
    {
        var (x, y) = (mm.X - Card.Bead.Width / 2, mm.Y - Card.Bead.Height / 2);
        var (cos, sin) = (Math.Cos(CardTurn), Math.Sin(CardTurn));
        return CardMiddle + new Spot(x * cos - y * sin, x * sin + y * cos, CardThick);
    }

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
            PlateAndBead(text);
        else
            FilletScene.Write(text, this, (plateThick, standing, chance.Between(2, 8)));
        if (Wrong != Wrong.NoCard)
            CardBox(text);
        File.WriteAllText(Path.Combine(folder, "scene.pov"), text.ToString());
    }

    private Viewpoint Level(Viewpoint view)
    {
        var (left, right) = (view.See(new(0, 0, 0)), view.See(new(Bead.Length, 0, 0)));
        var angle = Math.Atan2(right.Y - left.Y, right.X - left.X) + chance.Between(-0.22, 0.22) + (chance.In(0.5) ? Math.PI : 0);
        var (cos, sin) = (Math.Cos(angle), Math.Sin(angle));
        return view with { Right = cos * view.Right + sin * view.Down, Down = cos * view.Down + -sin * view.Right };
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
        var (x, y) = (grain.X - CardMiddle.X, grain.Y - CardMiddle.Y);
        var (along, across) = (x * Math.Cos(CardTurn) + y * Math.Sin(CardTurn), -x * Math.Sin(CardTurn) + y * Math.Cos(CardTurn));
        var covered = Math.Abs(along) < Card.Bead.Width / 2 + 2 && Math.Abs(across) < Card.Bead.Height / 2 + 2;
        var at = View.See(new(grain.X, grain.Y, 0));
        return !covered
            && grain.X > Plate.Left + 1
            && grain.X < Plate.Right - 1
            && grain.Y > Plate.Top + 1
            && grain.Y < Plate.Bottom - 1
            && at.X > 4
            && at.Y > 4
            && at.X < View.Width - 5
            && at.Y < View.Height - 5;
    }

    /// <summary>From the plate's millimetres, along the bead and across it, to the picture's pixels: a homography, row by row.</summary>
    public double[] PlateToPicture()
    {
        var (cx, cy) = ((View.Width - 1) / 2.0, (View.Height - 1) / 2.0);
        double[] Row(Spot of) => [of.X, of.Y, -of.Dot(View.At)];
        var (right, down, forward) = (Row(View.Right), Row(View.Down), Row(View.Forward));
        return
        [
            .. right.Zip(forward, (a, f) => View.Focal * a + cx * f),
            .. down.Zip(forward, (a, f) => View.Focal * a + cy * f),
            .. forward,
        ];
    }

    private void PlateAndBead(StringBuilder text)
    {
        var (wide, high) = (Plate.Right - Plate.Left, Plate.Bottom - Plate.Top);
        var tall = FaceSkin.High - FaceSkin.Low;
        text.AppendLine("#declare Flat = pigment { image_map { png \"skin.png\" interpolate 2 once } };");
        text.AppendLine("#declare Skin = pigment { image_map { png \"skin.png\" interpolate 2 once } rotate x*90 };");
        var relief =
            Wrong == Wrong.NoBead
                ? Made($"box {{ <0,0,0>, <1,{-FaceSkin.Low / tall},1> pigment {{ Skin }} finish {{ Plate }}")
                : "height_field { png \"relief.png\" smooth texture { image_pattern { png \"mask.png\" once } texture_map "
                    + "{ [0.5 pigment { Flat } finish { Plate }] [0.5 pigment { Flat } finish { Bead }] } rotate x*90 }";
        text.AppendLine(relief + Made($" scale <{wide},{tall},{high}> translate <{Plate.Left},{FaceSkin.Low},{-Plate.Bottom}> }}"));
        text.AppendLine(
            Made(
                $$"""
                box { <{{Plate.Left}},{{-plateThick}},{{-Plate.Bottom}}>, <{{Plate.Right}},-0.9,{{-Plate.Top}}>
                    pigment { rgb 0.2 } finish { Plate } }
                """
            )
        );
    }

    private void CardBox(StringBuilder text)
    {
        var card = Card.Bead;
        var (cos, sin) = (Math.Cos(CardTurn), Math.Sin(CardTurn));
        // The box's own right and away, in POV-Ray's room.
        text.AppendLine(
            Made(
                $$"""
                box { <0,0,0>, <1,1,1> pigment { image_map { png "card.png" interpolate 2 once } rotate x*90 } finish { Soft }
                    matrix <{{card.Width * cos}},0,{{-card.Width * sin}}, 0,{{CardThick}},0,
                        {{card.Height * sin}},0,{{card.Height * cos}}, {{Corner().X}},0,{{-Corner().Y}}> }
                """
            )
        );

        Spot Corner() => OnCard(new(0, card.Height));
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
