namespace GentleBead.Core.Judging;

/// <summary>When a student is shown what the tool says of a bead they recorded themselves; a course chooses.</summary>
public enum ToolWord
{
    /// <summary>As soon as the bead is recorded, whether or not they said something of their own.</summary>
    AtOnce,

    /// <summary>Once they have said their own verdict and their own next change.</summary>
    AfterOwn,

    /// <summary>Once they have, and an instructor has said theirs.</summary>
    AfterInstructor,
}

/// <summary>What each choice asks of a student, and what they are shown meanwhile.</summary>
public static class ToolWords
{
    private static readonly Dictionary<ToolWord, bool> AskedFirst = new()
    {
        [ToolWord.AtOnce] = false,
        [ToolWord.AfterOwn] = true,
        [ToolWord.AfterInstructor] = true,
    };

    /// <summary>Whether a student has to say their own word with their bead.</summary>
    public static bool AsksOwn(this ToolWord when) => AskedFirst[when];

    /// <summary>
    /// A judgement as its student is shown it while the tool's word waits for the instructor's: the bead as it was noted, and no word
    /// on it.
    /// </summary>
    public static Judgement Withheld(this Judgement judgement)
    {
        ArgumentNullException.ThrowIfNull(judgement);
        return judgement with
        {
            Verdict = Verdict.Open,
            Summary = Say($"Your instructor looks at it first. What the tool says is shown after that."),
            Aspects = [],
            Causes = [],
            Next = null,
            Contradiction = null,
            StillUnknown = [],
            Expected = [],
            Telling = null,
            Acceptance = null,
            FollowUp = null,
            Also = null,
            Learned = 0,
        };
    }
}
