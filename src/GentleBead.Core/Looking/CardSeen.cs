using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>A card as it was found in a picture.</summary>
/// <param name="Card">Which card; null where a known length stands for one.</param>
/// <param name="Plane">How what it lies on lies in the picture, in the card's millimetres.</param>
/// <param name="Camera">Where the camera stood.</param>
/// <param name="Markers">Which of its markers were read.</param>
/// <param name="OffMm">How far the markers' corners lie off a flat card, mm, in the middle of all markers.</param>
/// <param name="BlurMm">How far a sharp edge is smeared, mm: one standard deviation.</param>
/// <param name="Light">What the light does to the card's white and black.</param>
public sealed record CardSeen(
    Card? Card,
    PlaneView Plane,
    Camera Camera,
    IReadOnlyList<int> Markers,
    double OffMm,
    double BlurMm,
    CardLight Light
)
{
    /// <summary>The middle of the card, mm.</summary>
    public Point Middle => Card is null ? default : new(Card.Width / 2, Card.Height / 2);

    /// <summary>Its corners in the picture.</summary>
    public Point[] Corners() =>
        Card is null
            ? []
            : [.. new Point[] { new(0, 0), new(Card.Width, 0), new(Card.Width, Card.Height), new(0, Card.Height) }.Select(Plane.ToPicture)];
}

/// <summary>What the light does to a card, as shares of the most a picture can hold, linear: 0 to 1.</summary>
/// <param name="White">How bright its white paper came out, in the middle of what was seen of it.</param>
/// <param name="Black">How bright its black came out.</param>
/// <param name="Uneven">Brightest white over darkest white, 1 or more.</param>
/// <param name="Clipped">Whether even its light grey is as bright as a picture can hold, as a share of it.</param>
/// <param name="Balance">What red, green and blue are to be multiplied by for the paper to be white; green's is 1.</param>
public sealed record CardLight(double White, double Black, double Uneven, double Clipped, (double Red, double Green, double Blue) Balance)
{
    /// <summary>Where no card says what the light does.</summary>
    public static CardLight Unknown { get; } = new(0.5, 0, 1, 0, (1, 1, 1));
}
