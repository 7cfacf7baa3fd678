using GentleBead.Core.Judging;

namespace GentleBead.Core.Progress;

/// <summary>What goes wrong again and again, and what cured it.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Words">In an instructor's words.</param>
/// <param name="Beads">On how many beads it was the likeliest.</param>
/// <param name="Evenings">On how many evenings.</param>
/// <param name="Last">When last.</param>
/// <param name="Gone">Whether enough beads since then were without it.</param>
/// <param name="CuredBy">The change after which a right bead came, the newest; null where none did.</param>
public sealed record RecurringCause(Cause Cause, Said Words, int Beads, int Evenings, DateOnly Last, bool Gone, Said? CuredBy)
{
    /// <summary>A cause that comes back on so many evenings in a row is where somebody is stuck. Common practice, no source.</summary>
    public const int StuckEvenings = 3;

    // Once is chance; what stays away for five beads is gone. Our own reading.
    private const int Fewest = 2;
    private const int GoneAfter = 5;

    /// <summary>What keeps going wrong, what is not gone first, then by how often.</summary>
    /// <param name="beads">The newest beads of one student, in the order they were laid.</param>
    public static IReadOnlyList<RecurringCause> Of(IReadOnlyList<WorkedBead> beads)
    {
        ArgumentNullException.ThrowIfNull(beads);
        return
        [
            .. Enumerable
                .Range(0, beads.Count)
                .Where(at => beads[at] is { Right: false, Cause: not (null or Cause.NothingWrong) })
                .GroupBy(at => beads[at].Cause!.Value)
                .Where(cause => cause.Count() >= Fewest)
                .Select(cause => Of(cause.Key, [.. cause], beads))
                .OrderBy(one => one.Gone)
                .ThenByDescending(one => one.Beads)
                .ThenBy(one => one.Cause),
        ];
    }

    private static RecurringCause Of(Cause cause, int[] at, IReadOnlyList<WorkedBead> beads)
    {
        var last = at[^1];
        var cure = at.LastOrDefault(one => HelpedNext(beads, one), -1);
        return new(
            cause,
            Causes.Row(cause, beads[last].Kind.Process).Words,
            at.Length,
            at.Select(one => beads[one].Day).Distinct().Count(),
            beads[last].Day,
            beads.Count - 1 - last >= GoneAfter,
            cure < 0 ? null : beads[cure].Next
        );
    }

    private static bool HelpedNext(IReadOnlyList<WorkedBead> beads, int at) =>
        at + 1 < beads.Count && beads[at + 1].SheetId == beads[at].SheetId && beads[at + 1].Right && beads[at].Next is not null;
}
