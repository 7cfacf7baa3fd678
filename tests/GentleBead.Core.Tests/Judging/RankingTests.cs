using GentleBead.Core.Judging;

namespace GentleBead.Core.Tests.Judging;

public class RankingTests
{
    private static readonly Sign[] All = Enum.GetValues<Sign>();

    private static HashSet<Sign> Some(Random random) => [.. All.Where(_ => random.Next(6) == 0)];

    private static double Share(IReadOnlySet<Sign> signs, Cause cause) => Ranking.Rank(signs).Single(ranked => ranked.Cause == cause).Share;

    [Fact]
    public void Shares_add_up_and_the_order_of_entry_is_nothing()
    {
        var random = new Random(11);
        for (var round = 0; round < 200; round++)
        {
            var signs = Some(random);
            var ranked = Ranking.Rank(signs);
            Assert.Equal(1, ranked.Sum(cause => cause.Share), 1e-9);
            var shuffled = signs.ToArray();
            random.Shuffle(shuffled);
            Assert.Equal(
                ranked.Select(cause => (cause.Cause, Math.Round(cause.Share, 9))),
                Ranking.Rank(shuffled.ToHashSet()).Select(cause => (cause.Cause, Math.Round(cause.Share, 9)))
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
        foreach (var ranked in Ranking.Rank(new HashSet<Sign>()))
        {
            Assert.Equal(Causes.Table.Single(row => row.Cause == ranked.Cause).Prior / total, ranked.Share, 1e-9);
            Assert.Empty(ranked.For);
            Assert.Empty(ranked.Against);
        }
    }

    [Fact]
    public void Contrary_signs_never_stand_on_one_side()
    {
        // A pair is short or long, wire is under or over: no cause may count both as speaking for it.
        (Sign, Sign)[] contraries =
        [
            (Sign.PairShort, Sign.PairLong),
            (Sign.WireUnder, Sign.WireOver),
            (Sign.VoltsUnder, Sign.VoltsOver),
            (Sign.SizeUnder, Sign.SizeOver),
            (Sign.EvenCrackle, Sign.Hiss),
            (Sign.Popping, Sign.Hiss),
            (Sign.TallNarrow, Sign.Sunk),
            (Sign.RippleEven, Sign.RippleUneven),
        ];
        foreach (var row in Causes.Table)
        {
            foreach (var (one, other) in contraries)
            {
                Assert.False(
                    row.Weights.GetValueOrDefault(one) > 0.3 && row.Weights.GetValueOrDefault(other) > 0.3,
                    $"{row.Cause} takes both {one} and {other}."
                );
            }
        }
    }
}
