using GentleBead.Core.Judging;

namespace GentleBead.Core.Progress;

/// <summary>What instructors give words on.</summary>
public enum InstructorTopic
{
    /// <summary>The verdict on a bead as a whole.</summary>
    Verdict,

    /// <summary>Its settings.</summary>
    Settings,

    /// <summary>Its sound.</summary>
    Sound,

    /// <summary>Its appearance.</summary>
    Appearance,

    /// <summary>Its penetration.</summary>
    Penetration,

    /// <summary>Its size.</summary>
    BeadSize,

    /// <summary>Whether a coupon of a test weld is accepted.</summary>
    Accepted,
}

/// <summary>An instructor's newest word on one aspect of a bead, or on whether a coupon of a test weld is accepted.</summary>
/// <param name="Of">Which bead, or which coupon at which attempt.</param>
/// <param name="About">About what.</param>
/// <param name="By">Whose word.</param>
/// <param name="Word">The word, as it is stored.</param>
public sealed record InstructorWord(string Of, InstructorTopic About, Guid By, string Word);

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
    // An aspect is null for the verdict as a whole, and for what is no bead's.
    private static readonly (InstructorTopic Topic, Aspect? Aspect, Said Words)[] Topics =
    [
        (InstructorTopic.Verdict, null, Say($"The verdict")),
        (InstructorTopic.Settings, Aspect.Settings, Say($"Settings")),
        (InstructorTopic.Sound, Aspect.Sound, Say($"Sound")),
        (InstructorTopic.Appearance, Aspect.Appearance, Say($"Appearance")),
        (InstructorTopic.Penetration, Aspect.Penetration, Say($"Penetration")),
        (InstructorTopic.BeadSize, Aspect.BeadSize, Say($"Bead size")),
        (InstructorTopic.Accepted, null, Say($"A test coupon: accepted or not")),
    ];

    /// <summary>What a word on a bead is about.</summary>
    /// <param name="aspect">The aspect; null for the bead as a whole.</param>
    public static InstructorTopic OnBead(Aspect? aspect) =>
        aspect is null ? InstructorTopic.Verdict : Topics.First(topic => topic.Aspect == aspect).Topic;

    /// <summary>Compares all words that several gave on the same thing.</summary>
    /// <param name="words">Words; of one instructor on one thing about the same, only the newest.</param>
    public static InstructorAgreement Of(IEnumerable<InstructorWord> words)
    {
        var pairs = words.GroupBy(word => (word.Of, word.About)).SelectMany(same => Pairs([.. same.OrderBy(word => word.By)])).ToArray();
        return new(
            [
                .. pairs
                    .GroupBy(pair => pair.One.About)
                    .Select(about => Compare(Topics.First(topic => topic.Topic == about.Key).Words, about))
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
