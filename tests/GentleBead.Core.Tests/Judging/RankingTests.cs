using GentleBead.Core.Judging;

namespace GentleBead.Core.Tests.Judging;

public class RankingTests
{
    private static readonly Sign[] All = Enum.GetValues<Sign>();

    private static HashSet<Sign> Some(Random random) => [.. All.Where(_ => random.Next(6) == 0)];

    private static double Share(IReadOnlySet<Sign> signs, Cause cause) =>
        Ranking.Rank(signs.Once()).Single(ranked => ranked.Cause == cause).Share;

    [Fact]
    public void Shares_add_up_and_the_order_of_entry_is_nothing()
    {
        var random = new Random(11);
        for (var round = 0; round < 200; round++)
        {
            var signs = Some(random);
            var ranked = Ranking.Rank(signs.Once());
            Assert.Equal(1, ranked.Sum(cause => cause.Share), 1e-9);
            var shuffled = signs.ToArray();
            random.Shuffle(shuffled);
            Assert.Equal(
                ranked.Select(cause => (cause.Cause, Math.Round(cause.Share, 9))),
                Ranking.Rank(shuffled.Once()).Select(cause => (cause.Cause, Math.Round(cause.Share, 9)))
            );
        }
    }

    [Fact]
    public void A_sign_raises_the_cause_it_speaks_for_most_and_lowers_the_one_it_speaks_against_most()
    {
        var random = new Random(12);
        foreach (var sign in All)
        {
            var weights = Causes.Table.ToDictionary(row => row.Cause, row => row.Weights.GetValueOrDefault(sign));
            var signs = Some(random);
            signs.Remove(sign);
            var with = signs.Append(sign).ToHashSet();
            var (most, least) = (weights.MaxBy(entry => entry.Value), weights.MinBy(entry => entry.Value));
            if (most.Value > 0)
                Assert.True(Share(with, most.Key) >= Share(signs, most.Key), $"{sign} lowered {most.Key}.");
            if (least.Value < 0)
                Assert.True(Share(with, least.Key) <= Share(signs, least.Key), $"{sign} raised {least.Key}.");
        }
    }

    [Fact]
    public void Nothing_seen_gives_the_priors()
    {
        var total = Causes.Table.Sum(row => row.Prior);
        foreach (var ranked in Ranking.Rank(new Dictionary<Sign, double>()))
        {
            Assert.Equal(Causes.Table.Single(row => row.Cause == ranked.Cause).Prior / total, ranked.Share, 1e-9);
            Assert.Empty(ranked.For);
            Assert.Empty(ranked.Against);
        }
    }

    [Fact]
    public void A_score_is_the_prior_and_every_weight_by_its_strength()
    {
        var random = new Random(13);
        foreach (var row in Causes.Table.Concat(TigCauses.Table))
        {
            var signs = Some(random);
            var strengths = signs.ToDictionary(sign => sign, _ => 0.5 + random.NextDouble());
            var expected = Math.Log(row.Prior);
            foreach (var sign in signs)
                expected += Math.Log(0.98 * Math.Exp(Ranking.Sharpness * row.Weights.GetValueOrDefault(sign) * strengths[sign]) + 0.02);
            Assert.Equal(expected, Ranking.Score(row, strengths), 1e-9);
            Assert.Equal(
                Math.Log(0.01) - Math.Log(row.Prior),
                Ranking.Score(row, strengths, new Dictionary<Cause, double> { [row.Cause] = 0.01 }) - Ranking.Score(row, strengths),
                1e-9
            );
        }
    }

    [Fact]
    public void What_speaks_for_a_cause_and_against_it_is_read_out_strongest_first()
    {
        var random = new Random(14);
        for (var round = 0; round < 50; round++)
        {
            var signs = Some(random);
            var strengths = signs.ToDictionary(sign => sign, _ => 0.5 + random.NextDouble());
            foreach (var ranked in Ranking.Rank(strengths))
            {
                var weights = Causes.Table.Single(row => row.Cause == ranked.Cause).Weights;
                var told = signs.Where(sign => Math.Abs(weights.GetValueOrDefault(sign) * strengths[sign]) >= 0.3).ToArray();
                Assert.Equal(Words(told.Where(sign => weights[sign] > 0)), ranked.For);
                Assert.Equal(Words(told.Where(sign => weights[sign] < 0)), ranked.Against);

                IEnumerable<Said> Words(IEnumerable<Sign> some) =>
                    some.OrderByDescending(sign => Math.Abs(weights[sign] * strengths[sign]))
                        .ThenBy(sign => sign)
                        .Select(sign => Observations.Of(sign).Words);
            }
        }
    }
}
