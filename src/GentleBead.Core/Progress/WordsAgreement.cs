using GentleBead.Core.Judging;

namespace GentleBead.Core.Progress;

/// <summary>How far two people's words agree, of one kind.</summary>
/// <param name="About">What the words were about.</param>
/// <param name="Pairs">How many things both spoke of.</param>
/// <param name="Agreed">On how many they said the same.</param>
/// <param name="Kappa">Beyond chance; null where too few, or too much alike, to say.</param>
public sealed record WordsAgreement(Said About, int Pairs, int Agreed, Kappa? Kappa)
{
    private static readonly (Verdict Verdict, Said Words)[] Rows =
    [
        (Verdict.Right, Say($"Right or not")),
        (Verdict.Cold, Say($"Cold or not")),
        (Verdict.Hot, Say($"Hot or not")),
        (Verdict.Unsteady, Say($"Arc unsteady or not")),
        (Verdict.Technique, Say($"The hand or not")),
        (Verdict.Fault, Say($"A fault or none")),
    ];

    /// <summary>How far verdicts on the same beads agree: as a whole, then each kind that was given against all others.</summary>
    /// <param name="pairs">The one's verdict and the other's.</param>
    public static IReadOnlyList<WordsAgreement> Of(IReadOnlyList<(Verdict One, Verdict Other)> pairs)
    {
        ArgumentNullException.ThrowIfNull(pairs);
        if (pairs.Count == 0)
            return [];
        return
        [
            Of(Say($"The verdict"), pairs),
            .. Rows.Where(row => pairs.Any(pair => pair.One == row.Verdict || pair.Other == row.Verdict))
                .Select(row => Of(row.Words, [.. pairs.Select(pair => (pair.One == row.Verdict, pair.Other == row.Verdict))])),
        ];
    }

    /// <summary>How far words of one kind agree.</summary>
    /// <param name="about">What they were about.</param>
    /// <param name="pairs">The one's word and the other's.</param>
    /// <typeparam name="T">A word.</typeparam>
    public static WordsAgreement Of<T>(Said about, IReadOnlyCollection<(T One, T Other)> pairs)
        where T : struct
    {
        ArgumentNullException.ThrowIfNull(pairs);
        return new(about, pairs.Count, pairs.Count(pair => pair.One.Equals(pair.Other)), Progress.Kappa.Of(pairs));
    }
}
