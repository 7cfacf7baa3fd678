using GentleBead.Core.Beads;

namespace GentleBead.Core.Looking;

/// <summary>Where a bead is looked for: a line on a plane, and how that plane lies in the picture.</summary>
/// <param name="Plane">From millimetres along the line and across it to the picture's pixels.</param>
/// <param name="Length">How long the line is, mm.</param>
internal sealed record FaceLay(PlaneView Plane, double Length)
{
    // What a card's paper holds it off the plate, mm.
    private const double Paper = 0.2;

    /// <summary>Along a line on the plate beside the card.</summary>
    /// <param name="seen">The card.</param>
    /// <param name="from">Where the line begins in the picture, roughly.</param>
    /// <param name="to">Where it ends.</param>
    public static FaceLay OnPlate(CardSeen seen, Point from, Point to)
    {
        var (at, end) = (seen.Plane.ToPlane(from), seen.Plane.ToPlane(to));
        return new(seen.Camera.Leaning(seen.Plane, at, (end - at).Unit(), 0, -Paper), (end - at).Size());
    }

    /// <summary>
    /// Across the face of a fillet: the plane leans up from the lower toe, half a right angle, away from the card, which lies on the
    /// lower plate.
    /// </summary>
    /// <param name="seen">The card.</param>
    /// <param name="from">Where the lower toe begins on the card's plane, mm.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="width">How wide the face is, roughly, mm: the line goes along its middle.</param>
    public static FaceLay OnFillet(CardSeen seen, Point from, Point to, double width)
    {
        var along = (to - from).Unit();
        // The way up the face is on the line's right hand: so the card has to be on its left.
        if ((seen.Middle - from).Along(new(-along.Y, along.X)) > 0)
            (from, to, along) = (to, from, new(-along.X, -along.Y));
        const double half = 45;
        var leaning = seen.Camera.Leaning(seen.Plane, from, along, half, -Paper);
        return new(leaning.Moved(new(0, width / 2)), (to - from).Size());
    }
}
