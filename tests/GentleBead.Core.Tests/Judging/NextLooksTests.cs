using GentleBead.Core.Judging;
using GentleBead.Core.Rules;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Tests.Judging;

/// <summary>The look that tells most, against the other way to its figure: the mutual information of cause and answer.</summary>
public class NextLooksTests
{
    private static readonly Job Fed = Room.Sheet().Job;
    private static readonly Job Tig = Fed with { Process = Process.GtawDc, Wire = null, Gas = Gas.Argon };

    public static TheoryData<bool, Sign[]> Doubts =>
        new()
        {
            { false, [] },
            { false, [Sign.Popping] },
            { false, [Sign.Hiss, Sign.Sunk, Sign.WireUnder] },
            { true, [] },
            { true, [Sign.TallNarrow] },
        };

    /// <summary>Source: Cover and Thomas, Elements of Information Theory, 2nd edition, eq. 2.28 (from memory).</summary>
    [Theory]
    [MemberData(nameof(Doubts))]
    public void A_looks_gain_is_what_cause_and_answer_say_of_each_other(bool tig, Sign[] seen)
    {
        var job = tig ? Tig : Fed;
        var table = Causes.Of(job.Process);
        var ranked = Ranking.Rank(seen.Once(), table);
        var looks = NextLooks.Of(job, seen.ToHashSet(), ranked, table);

        Assert.NotEmpty(looks);
        var rates = new List<double>();
        foreach (var look in looks)
        {
            var asked = Observations.All.Single(one => one.Ask == look.Text && one.Fits(job));
            Assert.DoesNotContain(asked.Answers, answer => seen.Contains(answer.Sign));
            var given = ranked.ToDictionary(cause => cause.Cause, cause => Answers(table.Single(row => row.Cause == cause.Cause), asked));
            var known = 0.0;
            for (var answer = 0; answer < asked.Answers.Count; answer++)
            {
                var at = answer;
                var chance = ranked.Sum(cause => cause.Share * given[cause.Cause][at]);
                known += ranked.Sum(cause => cause.Share * given[cause.Cause][at] * Math.Log2(given[cause.Cause][at] / chance));
            }
            Assert.Equal(known, look.GainBits, 1e-9);
            rates.Add(known / asked.Trouble);

            // Of the four likeliest causes, no other pair parts further, weighed by how likely both are.
            var pairs =
                from one in ranked.Take(4).Index()
                from other in ranked.Take(4).Index()
                where one.Index < other.Index
                let apart = given[one.Item.Cause].Select((chance, i) => Math.Abs(chance - given[other.Item.Cause][i])).Sum()
                orderby one.Item.Share * other.Item.Share * apart descending
                select new[] { one.Item.Words, other.Item.Words };
            Assert.Equal(pairs.First(), look.Between);
        }
        Assert.Equal(rates.OrderDescending(), rates);
    }

    [Fact]
    public void Who_knows_the_cause_has_nothing_to_look_for()
    {
        RankedCause[] sure =
        [
            .. Ranking
                .Rank(new Dictionary<Sign, double>(), Causes.Of(Fed.Process))
                .Select((cause, i) => cause with { Share = i == 0 ? 1 : 0 }),
        ];
        Assert.All(NextLooks.Of(Fed, new HashSet<Sign>(), sure, Causes.Of(Fed.Process)), look => Assert.Equal(0, look.GainBits, 1e-12));
    }

    // A room that has seen a cause show itself otherwise asks accordingly.
    [Fact]
    public void Looks_are_weighed_as_the_room_weighs_its_causes()
    {
        var table = Causes.Of(Fed.Process);
        var room = new RoomWeights(
            40,
            1,
            [
                new WeightShift(Fed.Process, Cause.GasLost, Sign.Hiss, 0, 3),
                new WeightShift(Fed.Process, Cause.DirtyPlate, Sign.Hiss, 0, -3),
            ],
            []
        ).Table(Fed.Process);
        var signs = new HashSet<Sign> { Sign.TallNarrow };
        RankedCause[] two = [.. Ranking.Rank(signs.Once(), table).Where(cause => cause.Cause is Cause.GasLost or Cause.DirtyPlate)];
        two = [.. two.Select(cause => cause with { Share = 0.5 })];
        double Gain(IReadOnlyList<CauseRow> by) =>
            NextLooks
                .Outcomes(Fed, signs, two, by)
                .Where(one => Observations.All.Single(look => look.Ask == one.Look.Text && look.Fits(Fed)).Answers.Any(Hisses))
                .Max(one => one.Look.GainBits);
        Assert.True(Gain(room) > Gain(table) + 0.2, $"{Gain(table)} {Gain(room)}");

        static bool Hisses(Answer answer) => answer.Sign == Sign.Hiss;
    }

    private static double[] Answers(CauseRow row, Observation look)
    {
        double[] odds = [.. look.Answers.Select(answer => Math.Exp(row.Weights.GetValueOrDefault(answer.Sign)))];
        return [.. odds.Select(one => one / odds.Sum())];
    }
}
