using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>A student's own word beside the tool's. What mends what is common practice, no source.</summary>
public class OwnWordTests
{
    private static readonly Sheet T = Room.Sheet();

    // Two volts low: it stubs and piles up, the toes lie on top.
    private static readonly Judgement Cold = Judge.Of(
        T,
        Room.KnobAndTaps,
        Room.Pair(280, 17),
        new Evidence(Sound.Popping, Profile.TallNarrow, Toes.Cold, Spatter: Spatter.Big)
    );

    [Fact]
    public void The_bead_is_cold_for_want_of_volts()
    {
        Assert.Equal(Verdict.Cold, Cold.Verdict);
        Assert.Equal(ChangeKind.VoltsUp, Cold.Next!.Kind);
    }

    [Fact]
    public void The_same_word_leaves_nothing_to_explain() =>
        Assert.Equal(new OwnCompared(true, null, Nearness.Same, null), Compare(Verdict.Cold, ChangeKind.VoltsUp));

    // Less wire and more volts are two ways to one pair.
    [Fact]
    public void Another_change_that_mends_it_is_told_so_with_the_tools()
    {
        var compared = Compare(Verdict.Cold, ChangeKind.WireDown);
        Assert.Equal(Nearness.MendsItToo, compared.Change);
        Assert.Contains($"{Cold.Next!.Instruction}", $"{compared.Why}", StringComparison.Ordinal);
    }

    [Fact]
    public void A_change_that_does_not_is_told_why_and_so_is_the_verdict()
    {
        var compared = Compare(Verdict.Hot, ChangeKind.Faster);
        Assert.False(compared.VerdictAgrees);
        Assert.Equal(Cold.Summary, compared.Verdict);
        Assert.Equal(Nearness.Other, compared.Change);
        Assert.Contains("volts low for the wire", $"{compared.Why}", StringComparison.Ordinal);
        Assert.Contains($"{Cold.Causes[0].For[0]}", $"{compared.Why}", StringComparison.Ordinal);
    }

    [Fact]
    public void A_bead_of_which_nothing_was_noted_has_no_change_to_compare_with()
    {
        var open = Judge.Of(T, Room.KnobAndTaps, Room.Pair(280, 19), new Evidence());
        var compared = OwnWords.Compare(new(Verdict.Open, ChangeKind.Keep), open, Process.GmawShortCircuit);
        Assert.True(compared.VerdictAgrees);
        Assert.True(open.Next is not null || compared.Why is null);
    }

    [Fact]
    public void Every_process_has_its_keys_each_once_and_each_mends_something_it_can_suffer_from()
    {
        foreach (var process in Enum.GetValues<Process>())
        {
            var keys = OwnWords.Keys(process);
            Assert.Equal(keys.Count, keys.Select(key => key.Change).Distinct().Count());
            Assert.Equal(ChangeKind.Keep, keys[0].Change);
            var mended = Causes.Of(process).Select(row => row.Change).ToHashSet();
            Assert.All(keys, key => Assert.Contains(key.Change, mended));
        }
    }

    private static OwnCompared Compare(Verdict verdict, ChangeKind change) =>
        OwnWords.Compare(new(verdict, change), Cold, Process.GmawShortCircuit);
}
