namespace GentleBead.Core.Judging;

/// <summary>The verdict on a bead in one word.</summary>
public enum Verdict
{
    /// <summary>Heard, seen and looked at behind, and all of it right.</summary>
    Right,

    /// <summary>Too little heat for the plate: it lies on top.</summary>
    Cold,

    /// <summary>Too much heat for the plate.</summary>
    Hot,

    /// <summary>The arc does not run smooth.</summary>
    Unsteady,

    /// <summary>The heat is right, the hand is not: size, angle, travel.</summary>
    Technique,

    /// <summary>A fault that no setting excuses: crack, hole, pinholes.</summary>
    Fault,

    /// <summary>Nothing wrong so far, but not enough was looked at.</summary>
    Open,
}

/// <summary>What is judged one by one.</summary>
public enum Aspect
{
    /// <summary>Settings used against the sheet.</summary>
    Settings,

    /// <summary>The sound of the arc.</summary>
    Sound,

    /// <summary>Profile, toes, tint, spatter, ripples, faults.</summary>
    Appearance,

    /// <summary>Evidence of penetration.</summary>
    Penetration,

    /// <summary>Leg or width against the size aimed at.</summary>
    BeadSize,
}

/// <summary>How an aspect stands.</summary>
public enum Standing
{
    /// <summary>As it should be.</summary>
    Right,

    /// <summary>Off.</summary>
    Off,

    /// <summary>Not looked at: never counts as right.</summary>
    NotKnown,
}

/// <summary>One aspect with its reason.</summary>
/// <param name="Aspect">Which aspect.</param>
/// <param name="Standing">How it stands.</param>
/// <param name="Text">Why, with the numbers.</param>
public sealed record AspectVerdict(Aspect Aspect, Standing Standing, Said Text);

/// <summary>A cause that the evidence points to.</summary>
/// <param name="Cause">Which cause.</param>
/// <param name="Words">In an instructor's words.</param>
/// <param name="Share">How likely among all causes, 0 to 1.</param>
/// <param name="For">Signs that speak for it, strongest first.</param>
/// <param name="Against">Signs that speak against it, strongest first.</param>
public sealed record RankedCause(Cause Cause, Said Words, double Share, IReadOnlyList<Said> For, IReadOnlyList<Said> Against)
{
    /// <summary>Whether anything speaks for it, if only in part.</summary>
    internal bool Supported { get; init; }
}

/// <summary>The one thing to do next: a change, or a look where too little is known to change anything.</summary>
/// <param name="Kind">What kind of change.</param>
/// <param name="Instruction">In the machine's own marks: "Volts up one tap, 4 to 5. Leave the wire at 48."</param>
/// <param name="Then">The second of two, once the first is heard; null when one is enough.</param>
/// <param name="Expect">What the next bead should show.</param>
/// <param name="WireMark">Where the wire control stands for the next bead; null when marks are not known.</param>
/// <param name="VoltMark">Where the volt control stands for the next bead; null when marks are not known.</param>
/// <param name="AmpMark">TIG: where the current control stands for the next bead; null when marks are not known.</param>
/// <param name="Sure">How sure the judge is of it; null on beads judged before that was said.</param>
public sealed record NextChange(
    ChangeKind Kind,
    Said Instruction,
    Said? Then,
    Said Expect,
    double? WireMark,
    double? VoltMark,
    double? AmpMark = null,
    Said? Sure = null
);

/// <summary>What stands around a bead while it is judged.</summary>
/// <param name="Before">The bead before it on the same coupon; null for the first.</param>
/// <param name="StudentCauses">The likeliest causes of the student's newest beads, newest first.</param>
/// <param name="MachineCauses">The likeliest causes of the machine's newest beads, newest first.</param>
/// <param name="Criteria">Whose limits it is measured by.</param>
/// <param name="Tolerances">The room's own.</param>
/// <param name="FromMarks">Whether what was used was read from the machine's marks, and not measured.</param>
/// <param name="Room">What this room's rulings have taught; null for the table alone.</param>
public sealed record Circumstances(
    BeadBefore? Before,
    IReadOnlyList<Cause> StudentCauses,
    IReadOnlyList<Cause> MachineCauses,
    CriteriaSet Criteria,
    PracticeTolerances Tolerances,
    bool FromMarks = true,
    RoomWeights? Room = null
)
{
    /// <summary>A first bead of which nothing else is known, by the usual practice tolerances.</summary>
    public static Circumstances None { get; } = new(null, [], [], CriteriaSet.Practice, PracticeTolerances.Usual);
}

/// <summary>Everything said about a bead; stored with it as it was said.</summary>
/// <param name="Verdict">In one word.</param>
/// <param name="Summary">In one sentence.</param>
/// <param name="Aspects">Aspect by aspect.</param>
/// <param name="Causes">Likeliest first, at most four.</param>
/// <param name="Next">The one thing to do next; null where nothing was noted yet.</param>
/// <param name="Contradiction">Where settings and evidence disagree; null when they do not.</param>
/// <param name="StillUnknown">What was not looked at, and what to look for; the most telling first.</param>
/// <param name="Shape">Numbers for the bead's glyph.</param>
/// <param name="RulesVersion">Edition of the rules that judged.</param>
/// <param name="Expected">What the settings should have given, and whether that was seen.</param>
/// <param name="Telling">The look that would settle the cause best; null when the cause is settled.</param>
/// <param name="Acceptance">The bead against its criteria set; null on beads judged before there were any.</param>
/// <param name="FollowUp">Whether the change advised after the bead before did what it should; null when nothing was.</param>
/// <param name="Also">A second thing wrong beside the likeliest cause; null where one explains what is bad.</param>
/// <param name="Learned">Ruled beads of the room that the weights were learned from; 0 for the table alone.</param>
public sealed record Judgement(
    Verdict Verdict,
    Said Summary,
    IReadOnlyList<AspectVerdict> Aspects,
    IReadOnlyList<RankedCause> Causes,
    NextChange? Next,
    Said? Contradiction,
    IReadOnlyList<Said> StillUnknown,
    BeadShape Shape,
    int RulesVersion,
    IReadOnlyList<Expectation> Expected,
    NextLook? Telling,
    Acceptance? Acceptance,
    FollowUp? FollowUp,
    SecondCause? Also = null,
    int Learned = 0
);
