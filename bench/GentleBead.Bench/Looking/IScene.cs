using GentleBead.Core.Looking;
using Point = GentleBead.Core.Beads.Point;

namespace GentleBead.Bench.Looking;

/// <summary>What can be drawn and photographed.</summary>
internal interface IScene
{
    /// <summary>Its seed.</summary>
    int Seed { get; }

    /// <summary>What keeps it from being measured.</summary>
    Wrong Wrong { get; }

    /// <summary>The camera.</summary>
    Viewpoint View { get; }

    /// <summary>The card in it.</summary>
    Card Card { get; }

    /// <summary>How long what is looked at is, mm.</summary>
    double LookedMm { get; }

    /// <summary>Where in the picture what is looked at is, at a share of its length.</summary>
    Point Looked(double share);

    /// <summary>Where on the card a hand may hold it.</summary>
    /// <param name="share">From 0 to 1, along its far rim.</param>
    Spot Held(double share);

    /// <summary>Writes the scene and what it needs into a folder, for POV-Ray.</summary>
    void Write(string folder);
}
