using GentleBead.Core.Skills;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.Integration;

namespace GentleBead.Core.Tests.Skills;

/// <summary>What is known of a student's skill, beside the integrals it stands for and what the trade would say of it.</summary>
public class SkillTests
{
    private static readonly DateTimeOffset Start = new(2026, 3, 2, 18, 0, 0, TimeSpan.Zero);

    private static Skill After(string beads, double harder = 0) =>
        Skill.Of(beads.Select((bead, at) => new Attempt(Start.AddMinutes(5 * at), bead == '+', harder)));

    // Right by skill, by luck or not by mishap: five in a hundred of either.
    private static double Right(double skill) => 0.05 + 0.9 / (1 + Math.Exp(-skill));

    [Fact]
    public void A_bead_moves_what_is_known_as_the_integrals_say()
    {
        var (before, after) = (Skill.OfBeginner, After("+"));
        var density = (double skill) => Normal.PDF(before.Mean, Math.Sqrt(before.Variance), skill) * Right(skill);
        var all = Over(density);
        var mean = Over(skill => skill * density(skill)) / all;
        var variance = Over(skill => skill * skill * density(skill)) / all - mean * mean;
        Assert.Equal(all, before.ChanceAt(Start).Likely, 4);
        // Besides, a bead teaches a little, right or wrong.
        Assert.Equal(mean + 0.04, after.Mean, 3);
        Assert.Equal(variance + 0.004, after.Variance, 3);

        static double Over(Func<double, double> of) => GaussLegendreRule.Integrate(of, -9, 9, 256);
    }

    [Theory]
    [InlineData("", "+")]
    [InlineData("-", "")]
    [InlineData("+++---", "---+++")]
    [InlineData("+++++++", "++++++++")]
    public void More_right_beads_and_newer_ones_say_more(string less, string more) => Assert.True(Known(less) < Known(more));

    private static double Known(string beads) => After(beads).ChanceAt(Start.AddHours(1)).Likely;

    [Fact]
    public void A_right_bead_of_something_harder_says_more_and_is_expected_less()
    {
        Assert.True(After("+", 1).Mean > After("+").Mean);
        Assert.True(After("-", 1).Mean > After("-").Mean);
        var skill = After("++++");
        Assert.True(skill.ChanceAt(Start, 1).Likely < skill.ChanceAt(Start).Likely);
        Assert.Throws<ArgumentOutOfRangeException>(() => skill.ChanceAt(Start, 9));
    }

    [Fact]
    public void What_is_not_used_fades_to_what_is_known_of_nobody()
    {
        var skill = After("++++++++++++");
        var (today, away, long_) = (At(1), At(60), At(4_000));
        Assert.True(today.Likely > away.Likely && away.Likely > long_.Likely);
        Assert.True(away.High - away.Low > today.High - today.Low);
        Assert.Equal(Skill.OfBeginner.ChanceAt(Start).Likely, long_.Likely, 2);
        Assert.Equal(skill.Mean, skill.Faded(Start).Mean);

        Chance At(int days) => skill.ChanceAt(Start.AddDays(days));
    }

    [Fact]
    public void The_chance_lies_within_its_doubt_which_narrows_with_beads()
    {
        var wide = double.MaxValue;
        for (var pairs = 0; pairs < 12; pairs++)
        {
            var skill = After(string.Concat(Enumerable.Repeat("+-", pairs)));
            var chance = skill.ChanceAt(Start.AddHours(2));
            Assert.InRange(chance.Likely, chance.Low, chance.High);
            Assert.True(chance.High - chance.Low < wide);
            wide = chance.High - chance.Low;
            Assert.Equal(2 * pairs, skill.Beads);
        }
    }

    [Fact]
    public void Gone_on_with_it_is_the_same_as_from_the_beginning() =>
        Assert.Equal(After("+-++-"), After("+-+").After(new(Start.AddMinutes(15), true)).After(new(Start.AddMinutes(20), false)));
}
