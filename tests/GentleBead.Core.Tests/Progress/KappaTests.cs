using GentleBead.Core.Judging;
using GentleBead.Core.Progress;

namespace GentleBead.Core.Tests.Progress;

/// <summary>Kappa and its interval beside published worked examples.</summary>
public class KappaTests
{
    // Counts row by row: what the one said down, what the other said across.
    private static Kappa? Of(string counts) =>
        Kappa.Of([
            .. counts
                .Split(" / ")
                .SelectMany((row, one) => row.Split(' ').SelectMany((n, other) => Enumerable.Repeat((one, other), int.Parse(n)))),
        ]);

    [Fact]
    public void Two_raters_of_a_hundred_patients_as_the_textbook_works_it_out()
    {
        // J. L. Fleiss, B. Levin, M. C. Paik, Statistical Methods for Rates and Proportions, chapter 18: kappa 0.68, its error 0.087,
        // 95 % interval 0.51 to 0.85, worked out there from rounded figures. From memory.
        var kappa = Of("75 1 4 / 5 4 1 / 0 0 10")!;
        Assert.Equal(0.68, kappa.Value, 2);
        Assert.InRange(kappa.Low, 0.50, 0.515);
        Assert.InRange(kappa.High, 0.845, 0.855);
    }

    [Theory]
    // The usual first examples of the measure: 20 and 15 alike of 50, and 45 and 15 (or 25 and 35) alike of 100. From memory.
    [InlineData("20 5 / 10 15", 0.4)]
    [InlineData("45 15 / 25 15", 0.1304)]
    [InlineData("25 35 / 5 35", 0.2593)]
    public void Two_raters_who_say_yes_or_no(string counts, double kappa) => Assert.Equal(kappa, Of(counts)!.Value, 4);

    [Fact]
    public void Full_agreement_is_one_none_beyond_chance_is_nothing_and_few_words_say_nothing()
    {
        var full = Of("6 0 / 0 6")!;
        Assert.All([full.Value, full.Low, full.High], value => Assert.Equal(1, value, 6));
        var chance = Of("9 9 / 9 9")!;
        Assert.Equal(0, chance.Value, 9);
        Assert.True(chance.Low < 0 && chance.High > 0);
        Assert.Null(Of("4 0 / 0 3"));
        Assert.NotNull(Of("4 0 / 0 4"));
        // Both only ever said one and the same: chance alone would agree as well.
        Assert.Null(Of("40"));
    }

    [Fact]
    public void Its_interval_holds_the_true_one_about_as_often_as_it_says()
    {
        // Two raters who both see the truth nine times in ten and guess otherwise.
        var random = new Random(11);
        (int, int) Pair()
        {
            var truth = random.Next(3);
            return (Said(truth), Said(truth));
        }
        int Said(int truth) => random.NextDouble() < 0.9 ? truth : random.Next(3);
        var truth = Kappa.Of([.. Enumerable.Range(0, 200_000).Select(_ => Pair())])!.Value;
        var held = Enumerable
            .Range(0, 400)
            .Select(_ => Kappa.Of([.. Enumerable.Range(0, 60).Select(_ => Pair())])!)
            .Count(kappa => kappa.Low <= truth && truth <= kappa.High);
        Assert.InRange(held, 360, 396);
    }

    [Fact]
    public void Verdicts_are_compared_as_a_whole_and_kind_by_kind()
    {
        var pairs = Enumerable
            .Repeat((Verdict.Right, Verdict.Right), 6)
            .Concat(Enumerable.Repeat((Verdict.Right, Verdict.Cold), 4))
            .Concat(Enumerable.Repeat((Verdict.Cold, Verdict.Cold), 2))
            .ToArray();
        var rows = WordsAgreement.Of(pairs);
        Assert.Equal(["The verdict", "Right or not", "Cold or not"], rows.Select(row => row.About.ToString()));
        Assert.All(rows, row => Assert.Equal((12, 8), (row.Pairs, row.Agreed)));
        // 8 of 12 agree; by chance 10/12 of 6/12 and 2/12 of 6/12 would: (2/3 - 1/2) / (1 - 1/2).
        Assert.All(rows, row => Assert.Equal(1 / 3.0, row.Kappa!.Value, 9));
        Assert.Empty(WordsAgreement.Of(Array.Empty<(Verdict, Verdict)>()));
    }

    [Fact]
    public void Instructors_are_compared_on_what_both_spoke_of_and_what_they_part_on_most_comes_first()
    {
        var (ada, bo, cy) = (new Guid(1, 0, 0, new byte[8]), new Guid(2, 0, 0, new byte[8]), new Guid(3, 0, 0, new byte[8]));
        IEnumerable<InstructorWord> Said(string bead, InstructorTopic about, Guid by, string word) => [new(bead, about, by, word)];
        var agreement = InstructorAgreement.Of([
            .. Said("1", InstructorTopic.Verdict, ada, "right"),
            .. Said("1", InstructorTopic.Verdict, bo, "right"),
            .. Said("1", InstructorTopic.Verdict, cy, "cold"),
            .. Said("2", InstructorTopic.Verdict, ada, "hot"),
            .. Said("2", InstructorTopic.Sound, bo, "off"),
            .. Said("3", InstructorTopic.Sound, ada, "off"),
            .. Said("3", InstructorTopic.Sound, bo, "off"),
        ]);
        Assert.Equal([("The verdict", 3, 1), ("Sound", 1, 1)], agreement.ByAspect.Select(one => ($"{one.About}", one.Pairs, one.Agreed)));
        Assert.Equal([(ada, cy, 0), (bo, cy, 0), (ada, bo, 2)], agreement.ByPair.Select(two => (two.One, two.Other, two.Agreement.Agreed)));
    }
}
