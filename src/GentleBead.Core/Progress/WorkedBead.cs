using GentleBead.Core.Judging;
using GentleBead.Core.Skills;

namespace GentleBead.Core.Progress;

/// <summary>A bead as progress is read from it.</summary>
/// <param name="Id">Which bead.</param>
/// <param name="SheetId">On which sheet.</param>
/// <param name="At">When it was laid.</param>
/// <param name="Day">On which day of the school's calendar.</param>
/// <param name="Kind">What kind of work it was.</param>
/// <param name="Right">Whether it counts as right.</param>
/// <param name="Cause">Its likeliest cause; null where none was found.</param>
/// <param name="Next">What was said to be changed after it; null where nothing was.</param>
/// <param name="ArcSeconds">How long the arc burned; null where that was not noted.</param>
public sealed record WorkedBead(
    Guid Id,
    Guid SheetId,
    DateTimeOffset At,
    DateOnly Day,
    KindOfWork Kind,
    bool Right,
    Cause? Cause,
    Said? Next,
    double? ArcSeconds
)
{
    // A short bead; common practice, and what the plan reckons with.
    private const double UsualArcSeconds = 30;

    /// <summary>How long the arc burned for some beads: as noted, and as a short bead takes where it was not.</summary>
    public static TimeSpan ArcTime(IEnumerable<WorkedBead> beads) =>
        TimeSpan.FromSeconds(beads.Sum(bead => bead.ArcSeconds ?? UsualArcSeconds));
}
