using GentleBead.Core.Courses;

namespace GentleBead.Core.Tests.Courses;

/// <summary>When an exercise is done. Three in a row, and once more on another evening: common practice, no source.</summary>
public sealed class DoneRuleTests
{
    // "rrw|r": right, right, wrong, and right on a later day; R is a right one with a section.
    private static ExerciseWork Work(string beads) =>
        new([
            .. beads
                .Split('|')
                .SelectMany(
                    (day, i) => day.Select(bead => new LaidBead(new DateOnly(2026, 11, 2).AddDays(7 * i), bead is 'r' or 'R', bead == 'R'))
                ),
        ]);

    [Theory]
    [InlineData("", ExerciseState.NotBegun, "not begun")]
    [InlineData("w", ExerciseState.Begun, "0 of 3 right in a row")]
    [InlineData("rr", ExerciseState.Begun, "2 of 3 right in a row")]
    [InlineData("rrw", ExerciseState.Begun, "0 of 3 right in a row")]
    [InlineData("rrwrr", ExerciseState.Begun, "2 of 3 right in a row")]
    [InlineData("rrr", ExerciseState.Begun, "3 right in a row; once more on another evening")]
    [InlineData("rrrr", ExerciseState.Begun, "3 right in a row; once more on another evening")]
    [InlineData("rrr|w", ExerciseState.Begun, "3 right in a row; once more on another evening")]
    [InlineData("rrr|wr", ExerciseState.Done, "3 right in a row, and once more on another evening")]
    [InlineData("r|r|r", ExerciseState.Begun, "3 right in a row; once more on another evening")]
    [InlineData("r|r|r|r", ExerciseState.Done, "3 right in a row, and once more on another evening")]
    [InlineData("rrr|r|wwww", ExerciseState.Done, "3 right in a row, and once more on another evening")]
    public void Three_in_a_row_and_once_more(string beads, ExerciseState state, string words) =>
        Check(DoneRule.Usual, Proof.Beads, Work(beads), state, words);

    [Theory]
    [InlineData("rwrwr", ExerciseState.Begun, "3 of 4 right")]
    [InlineData("rwrwwrr", ExerciseState.Begun, "3 of 4 right")]
    [InlineData("rrrrw", ExerciseState.Done, "4 right of 5 one after the other")]
    [InlineData("wrrwrr", ExerciseState.Done, "4 right of 5 one after the other")]
    [InlineData("rwwrrr", ExerciseState.Begun, "3 of 4 right")]
    public void So_many_of_so_many_lie_within_as_many_beads(string beads, ExerciseState state, string words) =>
        Check(new DoneRule(4, 5, false), Proof.Beads, Work(beads), state, words);

    [Theory]
    [InlineData("rrr", ExerciseState.Begun, "3 right in a row; a right section is still missing")]
    [InlineData("rrrR", ExerciseState.Done, "3 right in a row")]
    [InlineData("RWrrr", ExerciseState.Done, "3 right in a row")]
    public void A_section_has_to_be_right_too(string beads, ExerciseState state, string words) =>
        Check(new DoneRule(3, 3, false), Proof.Section, Work(beads), state, words);

    [Theory]
    [InlineData(Proof.Trial, 0, 0, "", ExerciseState.NotBegun, "the trial is still to do")]
    [InlineData(Proof.Trial, 0, 1, "rrr", ExerciseState.Begun, "the trial is still to do")]
    [InlineData(Proof.Trial, 1, 0, "", ExerciseState.Done, "the trial is done")]
    [InlineData(Proof.TestWeld, 1, 0, "rrrr|r", ExerciseState.Begun, "the test weld is still to do")]
    [InlineData(Proof.TestWeld, 0, 1, "", ExerciseState.Done, "the test weld is accepted")]
    public void A_trial_and_a_test_weld_prove_themselves(
        Proof proof,
        int trials,
        int tests,
        string beads,
        ExerciseState state,
        string words
    ) => Check(DoneRule.Usual, proof, Work(beads) with { TrialsEnded = trials, TestsAccepted = tests }, state, words);

    [Theory]
    [InlineData(1, 1, "")]
    [InlineData(20, 40, "")]
    [InlineData(0, 3, "right")]
    [InlineData(21, 40, "right")]
    [InlineData(3, 2, "outOf")]
    [InlineData(3, 41, "outOf")]
    public void A_rule_that_nobody_can_meet_is_told(int right, int outOf, string fields) =>
        Assert.Equal(fields, string.Join(' ', new DoneRule(right, outOf, true).Problems().Select(problem => problem.Field)));

    [Theory]
    [InlineData(Proof.Beads, "3 right in a row, and once more on another evening")]
    [InlineData(Proof.Section, "3 right in a row, and once more on another evening, and one right in section")]
    [InlineData(Proof.Trial, "a trial that was ended")]
    [InlineData(Proof.TestWeld, "a test weld that was accepted")]
    public void It_says_in_words_when_it_is_done(Proof proof, string words) => Assert.Equal(words, $"{DoneRule.Usual.InWords(proof)}");

    private static void Check(DoneRule rule, Proof proof, ExerciseWork work, ExerciseState state, string words)
    {
        var place = rule.PlaceBy(proof, work);
        Assert.Equal((state, words), (place.State, $"{place.Words}"));
    }
}
