namespace GentleBead.Core.Skills;

/// <summary>What somebody did at one kind of work, kept up bead by bead, and what is known of their skill by it.</summary>
/// <param name="Skill">Their skill.</param>
/// <param name="Right">How many beads were right, of all that it rests on.</param>
/// <param name="Newest">The newest beads, oldest of them first, at most <see cref="Remembered"/>: whether each was right.</param>
public sealed record SkillRecord(Skill Skill, int Right, IReadOnlyList<bool> Newest)
{
    /// <summary>So many of the newest beads are told in words.</summary>
    public const int Remembered = 12;

    /// <summary>Fewer beads than this say too little: what is known is "not known".</summary>
    public const int Fewest = 4;

    // Less than two weeks is from one week's evening to the next.
    private const int AwayDays = 14;
    private const int MonthsFromDays = 70;

    /// <summary>Nothing yet.</summary>
    public static SkillRecord None { get; } = new(Skill.OfBeginner, 0, []);

    /// <summary>What some beads come to.</summary>
    /// <param name="attempts">In the order they were laid.</param>
    public static SkillRecord Of(IEnumerable<Attempt> attempts) => attempts.Aggregate(None, (record, attempt) => record.After(attempt));

    /// <summary>What it is after one bead more.</summary>
    /// <param name="attempt">The bead; not before the last one.</param>
    public SkillRecord After(Attempt attempt)
    {
        ArgumentNullException.ThrowIfNull(attempt);
        return new(Skill.After(attempt), Right + (attempt.Right ? 1 : 0), [.. Newest.TakeLast(Remembered - 1), attempt.Right]);
    }

    /// <summary>The chance that the next bead is right; null where too few beads say anything.</summary>
    /// <param name="moment">When it would be laid.</param>
    /// <param name="harder">How much harder than usual this kind of work is, logits, -4 to 4.</param>
    public Chance? NextAt(DateTimeOffset moment, double harder = 0) => Skill.Beads < Fewest ? null : Skill.ChanceAt(moment, harder);

    /// <summary>How far they have come.</summary>
    /// <param name="moment">As seen when.</param>
    /// <param name="proven">Whether they have shown it once and for all: an exercise of this kind done, or a test weld accepted.</param>
    public SkillState StateAt(DateTimeOffset moment, bool proven)
    {
        if (Skill.At is null)
            return proven ? SkillState.Proven : SkillState.NotBegun;
        var known =
            proven ? SkillState.Proven
            : WasSteady ? SkillState.Steady
            : SkillState.Learning;
        return known != SkillState.Learning && DaysAway(moment) >= SkillStates.RustyDays ? SkillState.Rusty : known;
    }

    /// <summary>What they did, in words: "9 of the last 12 right, none for 5 weeks".</summary>
    /// <param name="moment">As seen when.</param>
    public Said InWords(DateTimeOffset moment) =>
        Skill.Beads == 0 ? Say($"no bead yet") : Say($"{Counted}{(Away(moment) is { } away ? Say($", none for {away}") : null)}");

    /// <summary>What comes next, with its doubt, in words: "the next one is right 5 to 8 times in 10".</summary>
    /// <param name="moment">When it would be laid.</param>
    /// <param name="harder">How much harder than usual this kind of work is, logits, -4 to 4.</param>
    public Said NextInWords(DateTimeOffset moment, double harder = 0)
    {
        if (NextAt(moment, harder) is not { } chance)
            return Say($"not known yet: it takes {Fewest} beads");
        var (low, high) = (Tenths(chance.Low), Tenths(chance.High));
        return low == high
            ? Say($"the next one is right about {low} times in 10")
            : Say($"the next one is right {low} to {high} times in 10");
    }

    private Said Counted => Skill.Beads > Newest.Count ? Say($"{RightOfNewest} of the last {Newest.Count} right") : OfFew;

    private Said OfFew =>
        Newest.Count == 1
            ? (Newest[0] ? Say($"1 bead, right") : Say($"1 bead, not right"))
            : Say($"{RightOfNewest} of {Newest.Count} right");

    private int RightOfNewest => Newest.Count(right => right);

    private int? DaysAway(DateTimeOffset moment) => Skill.At is { } last ? (int)Math.Max(0, (moment - last).TotalDays) : null;

    private Said? Away(DateTimeOffset moment) =>
        DaysAway(moment) switch
        {
            >= MonthsFromDays and var days => Say($"{days / 30} months"),
            >= AwayDays and var days => Say($"{days / 7} weeks"),
            _ => null,
        };

    private static int Tenths(double share) => (int)Math.Round(share * 10);

    // As of the last bead: what fades since then is told as rust, and not as never having been there.
    private bool WasSteady => Skill.Beads >= Fewest && Skill.At is { } last && Skill.ChanceAt(last).Low >= SkillStates.SteadyFrom;
}
