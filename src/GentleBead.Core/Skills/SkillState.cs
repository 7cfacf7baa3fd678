namespace GentleBead.Core.Skills;

/// <summary>How far somebody has come with one kind of work.</summary>
public enum SkillState
{
    /// <summary>No bead yet.</summary>
    NotBegun,

    /// <summary>Beads, but not right more often than not for sure.</summary>
    Learning,

    /// <summary>Right more often than not, for sure.</summary>
    Steady,

    /// <summary>Shown once and for all: an exercise done, or a test weld accepted.</summary>
    Proven,

    /// <summary>Steady or proven once, and not welded for a month.</summary>
    Rusty,
}

/// <summary>What the states stand on.</summary>
public static class SkillStates
{
    /// <summary>After so many days without it, one warms up first. A month; common practice, no source.</summary>
    public const int RustyDays = 28;

    /// <summary>Steady is who is right at least this often, with 95 % surety. Our own reading of "more often than not".</summary>
    internal const double SteadyFrom = 0.5;

    private static readonly Dictionary<SkillState, Said> All = new()
    {
        [SkillState.NotBegun] = Say($"not begun"),
        [SkillState.Learning] = Say($"learning"),
        [SkillState.Steady] = Say($"steady"),
        [SkillState.Proven] = Say($"proven"),
        [SkillState.Rusty] = Say($"rusty"),
    };

    /// <summary>A state in a word.</summary>
    public static Said Words(this SkillState state) => All[state];
}
