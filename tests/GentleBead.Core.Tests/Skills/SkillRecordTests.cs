using GentleBead.Core.Skills;

namespace GentleBead.Core.Tests.Skills;

/// <summary>What somebody did at one kind of work, in words and as a state; never a number without its doubt.</summary>
public class SkillRecordTests
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 18, 0, 0, TimeSpan.Zero);

    private static SkillRecord After(string beads) =>
        SkillRecord.Of(beads.Select((bead, at) => new Attempt(Start.AddMinutes(5 * at), bead == '+')));

    [Theory]
    [InlineData("", 0, "no bead yet", "not known yet: it takes 4 beads")]
    [InlineData("+", 0, "1 bead, right", "not known yet: it takes 4 beads")]
    [InlineData("-", 3, "1 bead, not right", "not known yet: it takes 4 beads")]
    [InlineData("-+-", 13, "1 of 3 right", "not known yet: it takes 4 beads")]
    [InlineData("-+-+", 16, "2 of 4 right, none for 2 weeks", "the next one is right 2 to 8 times in 10")]
    [InlineData("----+++-+++++-++", 35, "10 of the last 12 right, none for 5 weeks", "the next one is right 3 to 8 times in 10")]
    [InlineData("++++++++++++", 100, "12 of 12 right, none for 3 months", "the next one is right 3 to 9 times in 10")]
    public void It_is_told_in_words(string beads, int days, string did, string next)
    {
        var record = After(beads);
        var moment = Start.AddDays(days).AddHours(3);
        Assert.Equal(did, record.InWords(moment).ToString());
        Assert.Equal(next, record.NextInWords(moment).ToString());
        Assert.Equal(beads.Length < SkillRecord.Fewest, record.NextAt(moment) is null);
    }

    [Theory]
    [InlineData("", false, 0, SkillState.NotBegun)]
    [InlineData("-", false, 0, SkillState.Learning)]
    [InlineData("+++", false, 0, SkillState.Learning)]
    [InlineData("-+-+-+", false, 40, SkillState.Learning)]
    [InlineData("++++++++++", false, 1, SkillState.Steady)]
    [InlineData("++++++++++", false, 27, SkillState.Steady)]
    [InlineData("++++++++++", false, 29, SkillState.Rusty)]
    [InlineData("+++", true, 1, SkillState.Proven)]
    [InlineData("+++", true, 29, SkillState.Rusty)]
    [InlineData("++++++++++--------", false, 1, SkillState.Learning)]
    // A test weld accepted where no bead was noted at all.
    [InlineData("", true, 0, SkillState.Proven)]
    public void It_is_one_of_five_states(string beads, bool proven, int days, SkillState state) =>
        Assert.Equal(state, After(beads).StateAt(Start.AddDays(days), proven));

    [Fact]
    public void Only_the_newest_twelve_are_remembered_one_by_one()
    {
        var record = After("-" + new string('+', 30));
        Assert.Equal((12, 30, 31), (record.Newest.Count, record.Right, record.Skill.Beads));
        Assert.DoesNotContain(false, record.Newest);
    }
}
