namespace GentleBead.Core.Judging;

/// <summary>An instructor's word beside the tool's on one aspect, or on the whole.</summary>
/// <param name="Aspect">Which aspect; null for the verdict as a whole.</param>
/// <param name="Tool">The tool's word.</param>
/// <param name="Instructor">The instructor's word.</param>
public sealed record Ruling(Aspect? Aspect, string Tool, string Instructor)
{
    /// <summary>Whether both say the same.</summary>
    public bool Agrees() => Tool == Instructor;

    /// <summary>Longest reason, in letters.</summary>
    public const int MostLetters = 300;

    /// <summary>An instructor's word on a judged bead, or what is wrong with it.</summary>
    /// <param name="judgement">What the tool said.</param>
    /// <param name="aspect">On which aspect; null for the verdict.</param>
    /// <param name="standing">The word on an aspect.</param>
    /// <param name="verdict">The word on the verdict.</param>
    /// <param name="reason">Why; needed where it is not the tool's word.</param>
    /// <param name="own">
    /// Whether whoever laid it recorded it: the word is then on theirs, said in passing with gloves on, and needs no reason.
    /// </param>
    public static Checked<Ruling> On(
        Judgement judgement,
        Aspect? aspect,
        Standing? standing,
        Verdict? verdict,
        string reason,
        bool own = false
    )
    {
        if (aspect is not null && standing is null)
            return new(new Problem("standing", Say($"Right, off, or not known?")));
        if (aspect is null && verdict is null)
            return new(new Problem("verdict", Say($"Which verdict?")));
        if (reason.Length > MostLetters)
            return new(new Problem("reason", Say($"A reason in up to {MostLetters} letters.")));
        var ruling = aspect is { } on
            ? new Ruling(on, Word(judgement.Aspects.First(row => row.Aspect == on).Standing), Word(standing!.Value))
            : new Ruling(null, Word(judgement.Verdict), Word(verdict!.Value));
        return !ruling.Agrees() && reason.Length == 0 && !own
            ? new(new Problem("reason", Say($"Say why: both words are kept, and the reason with them.")))
            : new(ruling);
    }

    // In camelCase, as the words stand everywhere else.
    private static string Word<T>(T value)
        where T : struct, Enum => char.ToLowerInvariant($"{value}"[0]) + $"{value}"[1..];
}
