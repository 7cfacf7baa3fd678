using System.Text;
using GentleBead.Core.Looking;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>The long card lying on a plate.</summary>
/// <param name="Middle">Where its middle lies.</param>
/// <param name="Turn">How far it is turned on the plate, radians.</param>
internal sealed record LaidCard(Spot Middle, double Turn)
{
    private const double Thick = 0.2;

    private static Card Card => Card.Bead;

    /// <summary>Where a place of the card is in the room.</summary>
    public Spot On(Point mm)
    {
        var (x, y) = (mm.X - Card.Width / 2, mm.Y - Card.Height / 2);
        var (cos, sin) = (Math.Cos(Turn), Math.Sin(Turn));
        return Middle + new Spot(x * cos - y * sin, x * sin + y * cos, Thick);
    }

    /// <summary>Whether a place of the plate lies under it, or nearly so.</summary>
    public bool Covers(double x, double y)
    {
        const double nearly = 2;
        var (right, down) = (x - Middle.X, y - Middle.Y);
        var along = right * Math.Cos(Turn) + down * Math.Sin(Turn);
        var across = -right * Math.Sin(Turn) + down * Math.Cos(Turn);
        return Math.Abs(along) < Card.Width / 2 + nearly && Math.Abs(across) < Card.Height / 2 + nearly;
    }

    /// <summary>Writes it; what is printed on it is in card.png.</summary>
    public void Write(StringBuilder text)
    {
        var (cos, sin, corner) = (Math.Cos(Turn), Math.Sin(Turn), On(new(0, Card.Height)));
        // The box's own right and away, in POV-Ray's room.
        text.AppendLine(
            FaceScene.Made(
                $$"""
                box { <0,0,0>, <1,1,1> pigment { image_map { png "card.png" interpolate 2 once } rotate x*90 } finish { Soft }
                    matrix <{{Card.Width * cos}},0,{{-Card.Width * sin}}, 0,{{Thick}},0,
                        {{Card.Height * sin}},0,{{Card.Height * cos}}, {{corner.X}},0,{{-corner.Y}}> }
                """
            )
        );
    }
}
