using GentleBead.Core.Beads;
using GentleBead.Core.Rules;

namespace GentleBead.Core.Judging;

/// <summary>What a sign says is wrong.</summary>
public enum Trouble
{
    /// <summary>Nothing: it is right, or a matter of heat, or says something only beside others.</summary>
    None,

    /// <summary>The arc does not run as it should.</summary>
    Unsteady,

    /// <summary>The hand, or what it could have prevented.</summary>
    Hand,

    /// <summary>A fault that no setting excuses.</summary>
    Unsound,
}

/// <summary>One answer an observation can give.</summary>
/// <param name="Sign">The sign it is.</param>
/// <param name="Words">In the words of an instructor.</param>
/// <param name="Trouble">What it says is wrong.</param>
public sealed record Answer(Sign Sign, Said Words, Trouble Trouble = Trouble.None)
{
    /// <summary>What it says of the heat: below 0 too little, above 0 too much; 2 plainly, 1 a little.</summary>
    public int Heat { get; init; }

    /// <summary>What is said where it was looked for and is not there; null where its not being noted says nothing.</summary>
    public Said? Missing { get; init; }

    /// <summary>Whether it spoils the bead's appearance.</summary>
    public bool Ugly { get; init; }
}

/// <summary>One thing that can be looked at, and everything the judge needs of it.</summary>
/// <param name="Answers">What can come of it.</param>
/// <param name="Read">What came of it on a bead; nothing where nobody looked.</param>
public sealed record Observation(IReadOnlyList<Answer> Answers, Func<BeadAtHand, IEnumerable<Sign>> Read)
{
    /// <summary>
    /// The question, as an instructor would put it; null where there is nothing to ask: settings, and faults that are seen or not.
    /// </summary>
    public Said? Ask { get; init; }

    /// <summary>What looking costs against a glance; a saw cut costs several.</summary>
    public double Trouble { get; init; } = 1;

    /// <summary>The jobs in which it can be looked at and means something.</summary>
    public Func<Job, bool> Fits { get; init; } = _ => true;

    /// <summary>How far a bead is each of its signs, where that is a matter of degree; null where a sign is there or is not.</summary>
    public Func<BeadAtHand, IEnumerable<(Sign Sign, double Degree)>>? Degrees { get; init; }

    /// <summary>Under what its strength is noted; null where it has none.</summary>
    public Noted? Strength { get; init; }

    /// <summary>Whether a verdict of right waits for it on a bead.</summary>
    public Func<BeadAtHand, bool> Decides { get; init; } = _ => false;

    /// <summary>Whether it is read off the controls and the machine, and not off the bead.</summary>
    public bool IsSetting { get; init; }

    /// <summary>An observation that is a number against what it should be.</summary>
    /// <param name="measure">The number and what it should be; null where it was not taken.</param>
    /// <param name="under">What it is below that.</param>
    /// <param name="on">What it is there.</param>
    /// <param name="over">What it is above.</param>
    internal static Observation Graded(Func<BeadAtHand, (double Value, Reading Reading)?> measure, Answer under, Answer on, Answer over) =>
        new([under, on, over], bead => measure(bead) is { } one ? [one.Reading.Plainly(one.Value, under.Sign, on.Sign, over.Sign)] : [])
        {
            Degrees = bead => measure(bead) is { } one ? one.Reading.Of(one.Value, under.Sign, on.Sign, over.Sign) : [],
        };
}
