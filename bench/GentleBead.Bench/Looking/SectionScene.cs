using System.Text;
using GentleBead.Bench.Listening;
using GentleBead.Core.Looking;
using MathNet.Numerics.Random;
using OpenCvSharp;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>
/// A section behind the window of its card, lights, and a camera, drawn by a seed. The room's millimetres are the card's, from its middle:
/// right, down, and up off it.
/// </summary>
internal sealed class SectionScene : IScene
{
    private const double CardThick = 0.2;
    private readonly Xoshiro256StarStar chance;
    private readonly double turn;
    private readonly bool mirrored;
    private readonly Point shift;
    private readonly double sunk;
    private readonly double deep;

    /// <param name="seed">What it comes from.</param>
    /// <param name="size">Of the picture, pixels.</param>
    /// <param name="wrong">What spoils it.</param>
    /// <param name="across">How many millimetres the picture shows at least, its shorter way.</param>
    public SectionScene(int seed, (int Width, int Height) size, Wrong wrong = Wrong.Nothing, double across = 73)
    {
        chance = Chance.Of(seed);
        (Seed, Wrong) = (seed, wrong);
        Piece = new(chance);
        turn = chance.Between(-0.4, 0.4);
        mirrored = chance.In(0.5);
        shift = new(chance.Between(-3, 3), chance.Between(-3, 3));
        sunk = chance.Between(0, 0.4);
        deep = chance.Between(4, 14);
        var most = Math.Min(size.Width, size.Height) / across;
        var perMm = wrong == Wrong.Far ? chance.Between(3.5, 8) : chance.Between(0.72 * most, most);
        var focal = chance.Around(0.75, 1.3) * size.Width;
        var slant =
            wrong == Wrong.Slanting ? chance.Between(54, 66)
            : chance.In(0.6) ? chance.Between(0, 9)
            : chance.Between(9, 28);
        View = Viewpoint.Over(
            new(chance.Between(-2, 2), chance.Between(-2, 2), 0),
            focal / perMm,
            slant * Math.PI / 180,
            chance.Between(-Math.PI, Math.PI),
            0,
            (focal, size.Width, size.Height)
        );
        var (left, right) = (View.See(new(0, 0, 0)), View.See(new(10, 0, 0)));
        var angle = Math.Atan2(right.Y - left.Y, right.X - left.X) + chance.Between(-0.15, 0.15);
        var (cos, sin) = (Math.Cos(angle), Math.Sin(angle));
        View = View with { Right = cos * View.Right + sin * View.Down, Down = cos * View.Down + -sin * View.Right };
    }

    public int Seed { get; }
    public Wrong Wrong { get; }
    public SectionPiece Piece { get; }
    public Viewpoint View { get; }

    /// <inheritdoc/>
    public Card Card => Card.Section;

    /// <inheritdoc/>
    public Point Looked(double share) => See(Piece.Middle);

    /// <inheritdoc/>
    public double LookedMm => 14;

    /// <inheritdoc/>
    public Spot Held(double share) => OnCard(new(5 + 20 * share, 66));

    /// <summary>Where a place of the card is in the room.</summary>
    public Spot OnCard(Point mm) => new(mm.X - Card.Width / 2, mm.Y - Card.Height / 2, CardThick);

    /// <summary>Where a place of the piece is in the picture, pixels.</summary>
    public Point See(Point mm) => Place(mm) is var at ? View.See(new(at.X, at.Y, -sunk)) : default;

    /// <summary>Where a place of the piece is in the picture that lies so many millimetres under its face.</summary>
    public Point SeeUnder(Point mm, double under) => Place(mm) is var at ? View.See(new(at.X, at.Y, -sunk - under)) : default;

    /// <summary>Where a place of the colours' square is in the picture, so many millimetres under the face.</summary>
    public Point SeeSkin(Point mm, double under) => View.See(new(mm.X, mm.Y, -sunk - under));

    /// <summary>How far the bench lies under the section's face, mm.</summary>
    public double Deep => deep;

    /// <summary>The colours of the section's face; the picture is the caller's.</summary>
    public Mat Skin(double cell = SectionSkin.Cell) => new SectionSkin(chance, Seed, cell).Draw(Piece, Place, Wrong == Wrong.NoBead);

    /// <inheritdoc/>
    public void Write(string folder)
    {
        using (var skin = Skin())
            Cv2.ImWrite(Path.Combine(folder, "skin.png"), skin);
        var text = new StringBuilder("#version 3.7; global_settings { assumed_gamma 1.0 max_trace_level 4 }\n");
        text.AppendLine(View.Pov());
        new Studio(chance, Wrong == Wrong.Dark).Write(text, -deep - sunk);
        const double half = SectionSkin.Side / 2;
        text.AppendLine(
            FaceScene.Made(
                $$"""
                #declare Skin = pigment { image_map { png "skin.png" interpolate 2 once } rotate x*90
                    scale <{{SectionSkin.Side}},1,{{SectionSkin.Side}}> translate <{{-half}},0,{{-half}}> };
                """
            )
        );
        foreach (var plate in Piece.Plates)
            Prism(text, plate);
        if (Wrong != Wrong.NoBead)
            Prism(text, Piece.Weld);
        if (Wrong != Wrong.NoCard)
            CardBox(text);
        File.WriteAllText(Path.Combine(folder, "scene.pov"), text.ToString());
    }

    // Where a place of the piece is in the room: turned, perhaps mirrored, its weld near the window's middle.
    private Point Place(Point mm)
    {
        var (x, y) = (mm.X - Piece.Middle.X, mm.Y - Piece.Middle.Y);
        if (mirrored)
            x = -x;
        return new(x * Math.Cos(turn) - y * Math.Sin(turn) + shift.X, x * Math.Sin(turn) + y * Math.Cos(turn) + shift.Y);
    }

    private void Prism(StringBuilder text, Point[] shape)
    {
        var corners = shape.Select(Place).Append(Place(shape[0])).Select(at => FaceScene.Made($"<{at.X:0.####},{-at.Y:0.####}>"));
        text.AppendLine(
            FaceScene.Made($"prism {{ linear_spline linear_sweep {-deep - sunk}, {-sunk}, {shape.Length + 1}, ")
                + string.Join(",", corners)
                + " pigment { Skin } finish { Plate } }"
        );
    }

    private void CardBox(StringBuilder text)
    {
        var window = Card.Window!.Value;
        var (left, top) = (window.At.X - Card.Width / 2, window.At.Y - Card.Height / 2);
        text.AppendLine(
            FaceScene.Made(
                $$"""
                difference {
                    box { <{{-Card.Width / 2}},0,{{-Card.Height / 2}}>, <{{Card.Width / 2}},{{CardThick}},{{Card.Height / 2}}> }
                    box { <{{left}},-1,{{-top - window.Height}}>, <{{left + window.Width}},1,{{-top}}> }
                    pigment { image_map { png "card.png" interpolate 2 once } rotate x*90 scale <{{Card.Width}},1,{{Card.Height}}>
                        translate <{{-Card.Width / 2}},0,{{-Card.Height / 2}}> } finish { Soft } }
                """
            )
        );
    }
}
