using GentleBead.Core.Judging;

namespace GentleBead.Core.Progress;

/// <summary>An instructor's newest word on one aspect of a bead, or on whether a coupon of a test weld is accepted.</summary>
/// <param name="Of">Which bead, or which coupon at which attempt.</param>
/// <param name="About">About what, by its key in <see cref="InstructorAgreement.About"/>.</param>
/// <param name="By">Whose word.</param>
/// <param name="Word">The word, as it is stored.</param>
public sealed record InstructorWord(string Of, string About, Guid By, string Word);

/// <summary>How far two instructors agree.</summary>
/// <param name="One">The one.</param>
/// <param name="Other">The other.</param>
/// <param name="Agreement">On all that both spoke of.</param>
public sealed record PairAgreement(Guid One, Guid Other, WordsAgreement Agreement);

/// <summary>How far instructors agree among themselves on the same beads: as a whole by aspect, and two by two.</summary>
/// <param name="ByAspect">What they part on most first.</param>
/// <param name="ByPair">Who parts most first.</param>
public sealed record InstructorAgreement(IReadOnlyList<WordsAgreement> ByAspect, IReadOnlyList<PairAgreement> ByPair)
{
    /// <summary>The key of the verdict as a whole.</summary>
    public const string VerdictKey = "verdict";

    /// <summary>The key of whether a coupon of a test weld is accepted.</summary>
    public const string AcceptedKey = "accepted";

    /// <summary>What words are about, by key.</summary>
    public static IReadOnlyDictionary<string, Said> About { get; } =
        new Dictionary<string, Said>
        {
            [VerdictKey] = Say($"The verdict"),
            [nameof(Aspect.Settings)] = Say($"Settings"),
            [nameof(Aspect.Sound)] = Say($"Sound"),
            [nameof(Aspect.Appearance)] = Say($"Appearance"),
            [nameof(Aspect.Penetration)] = Say($"Penetration"),
            [nameof(Aspect.BeadSize)] = Say($"Bead size"),
            [AcceptedKey] = Say($"A test coupon: accepted or not"),
        };

    /// <summary>Compares all words that several gave on the same thing.</summary>
    /// <param name="words">Words; of one instructor on one thing about the same, only the newest.</param>
    public static InstructorAgreement Of(IEnumerable<InstructorWord> words)
    {
        var pairs = words.GroupBy(word => (word.Of, word.About)).SelectMany(same => Pairs([.. same.OrderBy(word => word.By)])).ToArray();
        return new(
            [
                .. pairs
                    .GroupBy(pair => pair.One.About)
                    .Select(about => Compare(About[about.Key], about))
                    .OrderBy(agreement => (double)agreement.Agreed / agreement.Pairs),
            ],
            [
                .. pairs
                    .GroupBy(pair => (One: pair.One.By, Other: pair.Other.By))
                    .Select(two => new PairAgreement(two.Key.One, two.Key.Other, Compare(Say($"All that both spoke of"), two)))
                    .OrderBy(two => (double)two.Agreement.Agreed / two.Agreement.Pairs),
            ]
        );
    }

    private static IEnumerable<(InstructorWord One, InstructorWord Other)> Pairs(InstructorWord[] words)
    {
        for (var i = 0; i < words.Length; i++)
        {
            for (var j = i + 1; j < words.Length; j++)
            {
                if (words[i].By != words[j].By)
                    yield return (words[i], words[j]);
            }
        }
    }

    // Words are told apart, whatever they say; each is a number here.
    private static WordsAgreement Compare(Said about, IEnumerable<(InstructorWord One, InstructorWord Other)> pairs)
    {
        var numbers = new Dictionary<string, int>();
        return WordsAgreement.Of(about, [.. pairs.Select(pair => (Number(pair.One.Word), Number(pair.Other.Word)))]);

        int Number(string word) => numbers.TryGetValue(word, out var known) ? known : numbers[word] = numbers.Count;
    }
}
