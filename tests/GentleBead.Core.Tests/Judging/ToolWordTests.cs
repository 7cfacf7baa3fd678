using GentleBead.Core.Beads;
using GentleBead.Core.Judging;

namespace GentleBead.Core.Tests.Judging;

/// <summary>When the tool's word is shown, and what is left of a judgement until then.</summary>
public class ToolWordTests
{
    [Theory]
    [InlineData(ToolWord.AtOnce, false)]
    [InlineData(ToolWord.AfterOwn, true)]
    [InlineData(ToolWord.AfterInstructor, true)]
    public void Who_is_shown_it_later_says_their_own_first(ToolWord when, bool asked) => Assert.Equal(asked, when.AsksOwn());

    [Fact]
    public void Withheld_it_says_nothing_that_was_judged_and_shows_the_bead_as_it_was_noted()
    {
        var judged = Judge.Of(
            Room.Sheet(),
            Room.KnobAndTaps,
            Room.Pair(280, 17),
            new Evidence(Sound.Popping, Profile.TallNarrow, Toes.Cold)
        );
        Assert.Equal(Verdict.Cold, judged.Verdict);
        var withheld = judged.Withheld();
        Assert.Equal(Verdict.Open, withheld.Verdict);
        Assert.Equal(judged.Shape, withheld.Shape);
        // Whatever is added to a judgement later is looked at here: only these come through.
        var kept = typeof(Judgement)
            .GetProperties()
            .Where(part => part.GetValue(withheld) is { } value && value is not System.Collections.ICollection { Count: 0 })
            .Select(part => part.Name);
        Assert.Equal(["Learned", "RulesVersion", "Shape", "Summary", "Verdict"], kept.Where(name => name != "EqualityContract").Order());
    }
}
