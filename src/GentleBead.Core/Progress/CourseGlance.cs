using GentleBead.Core.Skills;

namespace GentleBead.Core.Progress;

/// <summary>Something that several people welded at: an exercise of a course, a machine.</summary>
/// <param name="Beads">Beads laid there.</param>
/// <param name="Right">How many of them were right.</param>
/// <param name="Expected">How many would have been, by what the same people do elsewhere.</param>
public sealed record Tried(int Beads, int Right, double Expected)
{
    /// <summary>How much harder than usual it is, logits.</summary>
    public double Harder => Difficulty.Harder(Beads, Right, Math.Min(Expected, Beads));

    /// <summary>Whether it is plainly harder than other work is for the same people.</summary>
    public bool IsHard => Harder >= Difficulty.WorthSaying;
}

/// <summary>A bead of somebody's newest evenings.</summary>
/// <param name="Day">The evening.</param>
/// <param name="Right">Whether it counts as right.</param>
/// <param name="Cause">Its likeliest cause, in an instructor's words; null where it was right or none was found.</param>
public sealed record EveningBead(DateOnly Day, bool Right, Said? Cause);

/// <summary>What a course's students have in common.</summary>
public static class CourseGlance
{
    /// <summary>So many exercises before the middle of the course, with nothing wrong of late, and one is bored. Our own choice.</summary>
    public const int FarAhead = 3;

    private const int Lately = 8;
    private const int RightLately = 7;

    /// <summary>Whether somebody is far ahead of their course and what they do has become easy.</summary>
    /// <param name="done">Exercises of the path they have done.</param>
    /// <param name="ofAll">The same of everybody on the course, in any order.</param>
    /// <param name="newest">Their newest beads, newest last: whether each was right.</param>
    public static bool IsAhead(int done, IReadOnlyCollection<int> ofAll, IReadOnlyList<bool> newest)
    {
        ArgumentNullException.ThrowIfNull(ofAll);
        ArgumentNullException.ThrowIfNull(newest);
        if (ofAll.Count < 2)
            return false;
        var middle = ofAll.Order().ElementAt(ofAll.Count / 2);
        var lately = newest.TakeLast(Lately).ToArray();
        return done >= middle + FarAhead && lately.Length == Lately && lately.Count(right => right) >= RightLately;
    }

    /// <summary>The cause that was there on each of the newest three evenings; null where none was, or there are too few of them.</summary>
    /// <param name="beads">The beads of somebody's newest evenings, in any order.</param>
    public static Said? StuckOn(IEnumerable<EveningBead> beads)
    {
        var evenings = beads
            .GroupBy(bead => bead.Day)
            .OrderByDescending(evening => evening.Key)
            .Take(RecurringCause.StuckEvenings)
            .Select(evening => evening.Where(bead => !bead.Right).Select(bead => bead.Cause).OfType<Said>().ToArray())
            .ToArray();
        return evenings.Length < RecurringCause.StuckEvenings
            ? null
            : evenings[0].FirstOrDefault(cause => evenings.All(evening => evening.Contains(cause)));
    }

    /// <summary>How each exercise of a course went, beside what the same people do at its other exercises.</summary>
    /// <param name="work">Student by student, exercise by exercise in one order: beads, and how many of them were right.</param>
    /// <param name="exercises">How many exercises there are.</param>
    public static IReadOnlyList<Tried> OfExercises(IReadOnlyList<IReadOnlyList<(int Beads, int Right)>> work, int exercises)
    {
        ArgumentNullException.ThrowIfNull(work);
        var all = work.Select(mine => (Mine: mine, Beads: mine.Sum(one => one.Beads), Right: mine.Sum(one => one.Right))).ToArray();
        return
        [
            .. Enumerable
                .Range(0, exercises)
                .Select(at =>
                    all.Select(one => (one.Mine[at].Beads, one.Mine[at].Right, Elsewhere: Share(one, at)))
                        .Where(one => one.Elsewhere is not null)
                        .Aggregate(
                            new Tried(0, 0, 0),
                            (sum, one) => new(sum.Beads + one.Beads, sum.Right + one.Right, sum.Expected + one.Beads * one.Elsewhere!.Value)
                        )
                ),
        ];
    }

    // Of whom nothing is known elsewhere, nothing is expected: their beads say nothing of the exercise.
    private static double? Share((IReadOnlyList<(int Beads, int Right)> Mine, int Beads, int Right) one, int at)
    {
        var (beads, right) = (one.Beads - one.Mine[at].Beads, one.Right - one.Mine[at].Right);
        return beads == 0 ? null : (right + 1.0) / (beads + 2);
    }
}
