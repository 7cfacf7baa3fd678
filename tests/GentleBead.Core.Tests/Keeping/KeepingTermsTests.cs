using GentleBead.Core.Keeping;
using GentleBead.Core.TestWelds;

namespace GentleBead.Core.Tests.Keeping;

/// <summary>How long what is kept is kept; what somebody is called who was forgotten; words that can be struck from under a seal.</summary>
public class KeepingTermsTests
{
    private static readonly DateTimeOffset Now = new(2026, 3, 31, 12, 0, 0, TimeSpan.Zero);

    [Fact]
    public void Months_are_the_calendars_and_end_with_a_shorter_one()
    {
        var terms = new KeepingTerms(PictureMonths: 1, RecordMonths: 84);
        Assert.Equal(new DateTimeOffset(2026, 2, 28, 12, 0, 0, TimeSpan.Zero), terms.Since(KeptKind.Pictures, Now));
        Assert.Equal(new DateTimeOffset(2019, 3, 31, 12, 0, 0, TimeSpan.Zero), terms.Since(KeptKind.Records, Now));
        Assert.Null(terms.Since(KeptKind.Sound, Now));
        Assert.Null(terms.Since(KeptKind.Notes, Now));
    }

    [Fact]
    public void Every_term_is_told_at_its_field_when_it_is_none()
    {
        Assert.Empty(new KeepingTerms().Problems());
        Assert.Empty(new KeepingTerms(1, 600, 24, 84).Problems());
        Assert.Equal(
            ["pictureMonths", "soundMonths", "noteMonths", "recordMonths"],
            new KeepingTerms(0, 601, -1, int.MinValue).Problems().Select(problem => problem.Field)
        );
    }

    [Fact]
    public void A_pseudonym_is_always_the_same_for_one_and_hardly_ever_for_two()
    {
        var people = Enumerable.Range(1, 400).Select(number => new Guid(number, 7, 7, new byte[8])).ToArray();
        Assert.All(people, person => Assert.Equal(Pseudonym.Of(person), Pseudonym.Of(person)));
        Assert.All(people, person => Assert.Matches("^Former student [0-9A-HJKMNP-TV-Z]{4}$", Pseudonym.Of(person)));
        Assert.True(people.Select(Pseudonym.Of).Distinct().Count() > 395);
    }

    [Fact]
    public void Words_beside_a_record_are_held_by_its_chain_and_can_be_struck_from_it()
    {
        var seal = RecordChain.SealOf("sealed");
        var (words, others) = (SealedWords.Of("Signed by the student."), SealedWords.Of("Signed by the student."));
        // The same words twice tell nobody that they are the same.
        Assert.NotEqual(words.Seal, others.Seal);
        var first = RecordChain.Next(seal, [], $"{{\"noteSeal\":\"{words.Seal}\"}}", words);
        var second = RecordChain.Next(seal, [first], "{}");
        Assert.Null(RecordChain.BrokenAt("sealed", seal, [first, second]));
        Assert.Null(RecordChain.BrokenAt("sealed", seal, [first with { Words = null }, second]));
        Assert.Equal(1, RecordChain.BrokenAt("sealed", seal, [first with { Words = words with { Text = "Signed by me." } }, second]));
        Assert.Equal(1, RecordChain.BrokenAt("sealed", seal, [first with { Words = words with { Salt = others.Salt } }, second]));
    }
}
