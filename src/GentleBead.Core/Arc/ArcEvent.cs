namespace GentleBead.Core.Arc;

/// <summary>What happened in a simulated arc.</summary>
public enum ArcEventKind
{
    /// <summary>The drop touched the puddle, and the bridge necked off: a short circuit as it should be.</summary>
    Short,

    /// <summary>The wire ran into the puddle unmelted, until the current burst it.</summary>
    Stub,

    /// <summary>A drop fell through the arc.</summary>
    Drop,

    /// <summary>The arc went out until the wire touched again.</summary>
    Out,
}

/// <summary>One thing that happened.</summary>
/// <param name="Kind">What.</param>
/// <param name="Seconds">When it began.</param>
/// <param name="Lasted">For how long, s; 0 for a drop.</param>
/// <param name="PeakAmps">The highest current in it.</param>
/// <param name="DropMm3">The metal it carried, mm³.</param>
public readonly record struct ArcEvent(ArcEventKind Kind, double Seconds, double Lasted, double PeakAmps, double DropMm3);
