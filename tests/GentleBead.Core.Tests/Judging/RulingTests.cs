using System.Globalization;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Tests.Listening;

namespace GentleBead.Core.Tests.Judging;

/// <summary>An instructor's word beside the tool's, and how often both agree.</summary>
public class RulingTests
{
    private static readonly Judgement Cold = Judge.Of(
        Room.Sheet(),
        Room.Digital,
        Room.Pair(280, 20),
        new(Sound.EvenCrackle, Profile.TallNarrow, Toes.Cold)
    );

    [Fact]
    public void The_same_word_needs_no_reason_and_another_does()
    {
        var same = Ruling.On(Cold, null, null, Verdict.Cold, "").Value!;
        Assert.Equal((null, "cold", "cold", true), (same.Aspect, same.Tool, same.Instructor, same.Agrees()));
        Assert.Equal("reason", Assert.Single(Ruling.On(Cold, null, null, Verdict.Right, "").Problems).Field);
        var other = Ruling.On(Cold, null, null, Verdict.Right, "It bit, I cut it").Value!;
        Assert.Equal(("cold", "right", false), (other.Tool, other.Instructor, other.Agrees()));

        var appearance = Ruling.On(Cold, Aspect.Appearance, Standing.Off, null, "").Value!;
        Assert.Equal((Aspect.Appearance, "off", "off"), (appearance.Aspect, appearance.Tool, appearance.Instructor));
        var unknown = Ruling.On(Cold, Aspect.Penetration, Standing.NotKnown, null, "").Value!;
        Assert.Equal("notKnown", unknown.Instructor);
    }

    [Fact]
    public void A_word_has_to_be_given_and_a_reason_is_short()
    {
        Assert.Equal("standing", Assert.Single(Ruling.On(Cold, Aspect.Sound, null, Verdict.Cold, "").Problems).Field);
        Assert.Equal("verdict", Assert.Single(Ruling.On(Cold, null, Standing.Off, null, "").Problems).Field);
        Assert.Empty(Ruling.On(Cold, null, null, Verdict.Hot, new string('x', 300)).Problems);
        Assert.Equal("reason", Assert.Single(Ruling.On(Cold, null, null, Verdict.Hot, new string('x', 301)).Problems).Field);
    }

    public static TheoryData<int, int> Counts =>
        new()
        {
            { 1, 1 },
            { 4, 5 },
            { 0, 5 },
            { 6, 12 },
            { 19, 20 },
            { 47, 60 },
            { 60, 60 },
        };

    /// <summary>Against SciPy's Wilson interval.</summary>
    [Theory]
    [MemberData(nameof(Counts))]
    public void The_interval_is_Wilsons(int agreed, int all)
    {
        Ruling[] rulings =
        [
            .. Enumerable.Repeat(new Ruling(Aspect.Sound, "right", "right"), agreed),
            .. Enumerable.Repeat(new Ruling(Aspect.Sound, "right", "off"), all - agreed),
        ];
        var row = Assert.Single(Agreement.Of(rulings));
        var theirs = SciPy
            .Run(
                "import sys; from scipy.stats import binomtest; "
                    + "c = binomtest(int(sys.argv[1]), int(sys.argv[2])).proportion_ci(method='wilson'); print(c.low); print(c.high)",
                $"{agreed}",
                $"{all}"
            )
            .Select(line => double.Parse(line, CultureInfo.InvariantCulture))
            .ToArray();
        Assert.Equal((all, agreed), (row.Rulings, row.Agreed));
        // 1.96 stands for the normal's 1.95996.
        Assert.Equal(theirs[0], row.Low, 1e-5);
        Assert.Equal(theirs[1], row.High, 1e-5);
        Assert.Equal(all >= 5 && theirs[1] < 0.9, row.Weak);
    }

    [Fact]
    public void Agreement_is_counted_by_aspect_and_weakness_needs_more_than_bad_luck()
    {
        Ruling[] rulings =
        [
            .. Enumerable.Repeat(new Ruling(Aspect.Sound, "right", "right"), 19),
            new(Aspect.Sound, "right", "off"),
            .. Enumerable.Repeat(new Ruling(Aspect.Penetration, "right", "off"), 6),
            .. Enumerable.Repeat(new Ruling(Aspect.Penetration, "right", "right"), 6),
            new(null, "cold", "right"),
        ];
        var agreement = Agreement.Of(rulings);
        Assert.Equal([null, Aspect.Penetration, Aspect.Sound], agreement.Select(row => row.Aspect));
        Assert.Equal([false, true, false], agreement.Select(row => row.Weak));
        var half = agreement[1];
        // Wilson's interval for 6 of 12 at 95 %, as tables of it give: 0.254 to 0.746.
        Assert.Equal((12, 6), (half.Rulings, half.Agreed));
        Assert.Equal(0.254, half.Low, 0.001);
        Assert.Equal(0.746, half.High, 0.001);
    }
}
