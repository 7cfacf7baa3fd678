using GentleBead.Core.Skills;

namespace GentleBead.Core.Courses;

/// <summary>How many right beads an exercise takes. Usual: three in a row, once more on another evening (common practice).</summary>
/// <param name="Right">How many right beads, 1 to 20.</param>
/// <param name="OutOf">Of how many, one after the other, up to 40; as many as that: all in a row.</param>
/// <param name="OnceMore">Whether one more right bead on a later day is wanted after that.</param>
public sealed record DoneRule(int Right, int OutOf, bool OnceMore)
{
    /// <summary>What is usual: three in a row, and once more on another evening.</summary>
    public static DoneRule Usual { get; } = new(3, 3, true);

    /// <summary>What is wrong with it, field by field.</summary>
    public IEnumerable<Problem> Problems()
    {
        if (Right is < 1 or > 20)
            yield return new("right", Say($"1 to 20 right beads."));
        if (OutOf < Right || OutOf > 40)
            yield return new("outOf", Say($"From the number of right beads up to 40."));
    }

    /// <summary>When an exercise is done, in words: "3 right in a row, and once more on another evening".</summary>
    /// <param name="proof">What shows that it is done.</param>
    public Said InWords(Proof proof) =>
        proof switch
        {
            Proof.Trial => Say($"a trial that was ended"),
            Proof.TestWeld => Say($"a test weld that was accepted"),
            Proof.Section => Say($"{Rule}, and one right in section"),
            _ => Rule,
        };

    private Said Rule => Say($"{Count}{(OnceMore ? Say($", and once more on another evening") : null)}");

    private Said Count => OutOf == Right ? Say($"{Right} right in a row") : Say($"{Right} right of {OutOf} one after the other");

    /// <summary>How far the beads of one student have come with one exercise.</summary>
    /// <param name="proof">What shows that it is done.</param>
    /// <param name="work">What they did at it.</param>
    public Place PlaceBy(Proof proof, ExerciseWork work)
    {
        ArgumentNullException.ThrowIfNull(work);
        return proof switch
        {
            Proof.Trial => work.TrialsEnded > 0 ? Place.AllDone(Say($"the trial is done")) : Begun(work, Say($"the trial is still to do")),
            Proof.TestWeld => work.TestsAccepted > 0
                ? Place.AllDone(Say($"the test weld is accepted"))
                : Begun(work, Say($"the test weld is still to do")),
            _ => ByBeads(work.Beads, proof == Proof.Section),
        };
    }

    private static Place Begun(ExerciseWork work, Said missing) =>
        new(work.Beads.Count == 0 ? ExerciseState.NotBegun : ExerciseState.Begun, missing);

    private Place ByBeads(IReadOnlyList<LaidBead> beads, bool section)
    {
        if (beads.Count == 0)
            return new(ExerciseState.NotBegun, Say($"not begun"));
        if (FirstReached(beads) is not { } reached)
            return new(
                ExerciseState.Begun,
                Say($"{InLast(beads)} of {Right} right{(OutOf == Right ? Say($" in a row") : null)}"),
                InLast(beads)
            );
        // What was reached once stays reached: a later bead that goes wrong takes nothing back.
        if (section && !beads.Any(bead => bead.Right && bead.Section))
            return new(ExerciseState.Begun, Say($"{Count}; a right section is still missing"), Right);
        if (OnceMore && !beads.Skip(reached + 1).Any(bead => bead.Right && bead.Day > beads[reached].Day))
            return new(ExerciseState.Begun, Say($"{Count}; once more on another evening"), Right);
        return Place.AllDone(Rule);
    }

    // The place of the bead with which enough of those before it were right; null where that was never so.
    private int? FirstReached(IReadOnlyList<LaidBead> beads)
    {
        var right = 0;
        for (var i = 0; i < beads.Count; i++)
        {
            right += beads[i].Right ? 1 : 0;
            right -= i >= OutOf && beads[i - OutOf].Right ? 1 : 0;
            if (right >= Right)
                return i;
        }
        return null;
    }

    // In a row: those since the last one that went wrong. Otherwise: of the last so many.
    private int InLast(IReadOnlyList<LaidBead> beads) =>
        OutOf == Right ? beads.Reverse().TakeWhile(bead => bead.Right).Count() : beads.TakeLast(OutOf).Count(bead => bead.Right);
}

/// <summary>A bead as a done-rule sees it.</summary>
/// <param name="Day">The day it was laid.</param>
/// <param name="Right">Whether it stands as right.</param>
/// <param name="Section">Whether it was sawn and measured in section.</param>
public sealed record LaidBead(DateOnly Day, bool Right, bool Section = false);

/// <summary>What a student did at an exercise.</summary>
/// <param name="Beads">Their beads at its job, in the order they were laid.</param>
/// <param name="TrialsEnded">Trials at its job that were ended.</param>
/// <param name="TestsAccepted">Test welds at its job that were signed off as accepted.</param>
public sealed record ExerciseWork(IReadOnlyList<LaidBead> Beads, int TrialsEnded = 0, int TestsAccepted = 0)
{
    /// <summary>Nothing yet.</summary>
    public static ExerciseWork None { get; } = new([]);

    /// <summary>What it comes to as skill.</summary>
    /// <param name="today">As seen on which day of the school's calendar.</param>
    /// <param name="place">How far they have come with the exercise.</param>
    public SkillState StateOn(DateOnly today, Place place)
    {
        ArgumentNullException.ThrowIfNull(place);
        var record = SkillRecord.Of(Beads.Select(bead => new Attempt(Noon(bead.Day), bead.Right)));
        return record.StateAt(Noon(today), place.State == ExerciseState.Done);
    }

    // Days are told apart and hours are not.
    private static DateTimeOffset Noon(DateOnly day) => new(day, new TimeOnly(12, 0), TimeSpan.Zero);
}

/// <summary>How far somebody has come with an exercise.</summary>
public enum ExerciseState
{
    /// <summary>No bead yet.</summary>
    NotBegun,

    /// <summary>Beads, but not enough right ones.</summary>
    Begun,

    /// <summary>Done.</summary>
    Done,
}

/// <summary>How far somebody has come with an exercise, and what that is made of.</summary>
/// <param name="State">How far.</param>
/// <param name="Words">What counts so far, or what is wanted: "2 of 3 right in a row".</param>
/// <param name="Right">Right beads that count so far; 0 where none do, or where it takes no beads.</param>
public sealed record Place(ExerciseState State, Said Words, int Right = 0)
{
    internal static Place AllDone(Said words) => new(ExerciseState.Done, words);
}
