namespace GentleBead.Bench.Looking;

/// <summary>What a weld leaves on a plate, along its own axis, mm: a bead on its face, or what shows of it behind.</summary>
internal interface ILaid
{
    /// <summary>The plate's surface.</summary>
    Surface Surface { get; }

    /// <summary>Heat tint on either side; none where the plate shows none.</summary>
    IReadOnlyList<TintBand> Tints { get; }

    /// <summary>Pores in its metal.</summary>
    IReadOnlyList<Round> Pores { get; }

    /// <summary>Where its middle lies across, so far along.</summary>
    double MiddleAt(double s);

    /// <summary>How wide its metal is so far along; 0 where there is none.</summary>
    double WidthAt(double s);

    /// <summary>How far a place of the plate is off what is hot, below 0 on the metal.</summary>
    double Outside(double s, double v);

    /// <summary>Whether it is burnt through there.</summary>
    bool IsHole(double s, double v);
}
