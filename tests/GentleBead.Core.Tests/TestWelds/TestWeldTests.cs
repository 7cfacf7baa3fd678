using GentleBead.Core.Judging;
using GentleBead.Core.TestWelds;

namespace GentleBead.Core.Tests.TestWelds;

public class TestWeldTests
{
    private static readonly Guid First = Guid.Parse("11111111-1111-1111-1111-111111111111");
    private static readonly Guid Second = Guid.Parse("22222222-2222-2222-2222-222222222222");
    private static readonly TestWeldTerms Terms = new(2, 2, CriteriaSet.Iso5817C);

    private static Assessment Word(int coupon, int attempt, Guid who, bool accepted) => new(coupon, attempt, who, accepted);

    [Fact]
    public void Two_words_decide_an_attempt_and_one_rejection_is_enough()
    {
        List<Assessment> words = [];
        Assert.All(
            TestWeld.State(Terms, words).Coupons,
            coupon => Assert.Equal((CouponStanding.ToWeld, 1), (coupon.Standing, coupon.Attempt))
        );
        words.Add(Word(1, 1, First, true));
        Assert.Equal(CouponStanding.ToAssessAgain, TestWeld.State(Terms, words).Coupons[0].Standing);
        words.Add(Word(1, 1, Second, false));
        var coupon = TestWeld.State(Terms, words).Coupons[0];
        Assert.Equal((CouponStanding.ToWeld, 2, true), (coupon.Standing, coupon.Attempt, coupon.Disagreed));
        words.AddRange([Word(1, 2, Second, true), Word(1, 2, First, true)]);
        Assert.Equal(CouponStanding.Passed, TestWeld.State(Terms, words).Coupons[0].Standing);
        Assert.False(TestWeld.State(Terms, words).MaySign);
        words.AddRange([Word(2, 1, First, true), Word(2, 1, Second, true)]);
        Assert.Equal((true, true), (TestWeld.State(Terms, words).MaySign, TestWeld.State(Terms, words).Passed));
    }

    [Fact]
    public void Out_of_attempts_is_not_passed_and_may_be_signed()
    {
        Assessment[] words =
        [
            .. new[] { 1, 2 }.SelectMany(attempt => new[] { Word(1, attempt, First, false), Word(1, attempt, Second, false) }),
            Word(2, 1, First, true),
            Word(2, 1, Second, true),
        ];
        var state = TestWeld.State(Terms, words);
        Assert.Equal(CouponStanding.Failed, state.Coupons[0].Standing);
        Assert.Equal((true, false), (state.MaySign, state.Passed));
    }

    [Fact]
    public void What_cannot_be_taken_is_refused_in_words()
    {
        Assessment[] once = [Word(1, 1, First, true)];
        Assert.Contains(
            "another assessor",
            TestWeld.Refused(Terms, once, Word(1, 1, First, true), false)?.ToString(),
            StringComparison.Ordinal
        );
        Assert.Null(TestWeld.Refused(Terms, once, Word(1, 1, Second, true), false));
        Assert.Contains("attempt 1", TestWeld.Refused(Terms, once, Word(1, 2, Second, true), false)?.ToString(), StringComparison.Ordinal);
        Assert.Contains("2 coupons", TestWeld.Refused(Terms, once, Word(3, 1, Second, true), false)?.ToString(), StringComparison.Ordinal);
        Assert.Contains("signed off", TestWeld.Refused(Terms, once, Word(2, 1, Second, true), true)?.ToString(), StringComparison.Ordinal);
        Assessment[] passed = [.. once, Word(1, 1, Second, true)];
        Assert.Contains(
            "has passed",
            TestWeld.Refused(Terms, passed, Word(1, 2, First, true), false)?.ToString(),
            StringComparison.Ordinal
        );
        Assert.Equal(2, new TestWeldTerms(0, 9, CriteriaSet.Practice).Problems().Count());
        Assert.Empty(Terms.Problems());
    }

    [Fact]
    public void Whatever_is_said_in_whatever_order_a_test_ends_and_never_takes_a_third_word()
    {
        var random = new Random(7);
        for (var round = 0; round < 300; round++)
        {
            var terms = new TestWeldTerms(1 + random.Next(6), 1 + random.Next(5), CriteriaSet.Practice);
            List<Assessment> words = [];
            var tries = 0;
            while (!TestWeld.State(terms, words).MaySign)
            {
                Assert.True(++tries < 5000);
                var word = Word(
                    1 + random.Next(terms.Coupons),
                    1 + random.Next(terms.Attempts),
                    random.Next(2) == 0 ? First : Second,
                    random.Next(3) > 0
                );
                if (TestWeld.Refused(terms, words, word, false) is null)
                    words.Add(word);
            }
            Assert.All(
                words.GroupBy(word => (word.Coupon, word.Attempt)),
                attempt => Assert.Equal(2, attempt.Select(word => word.Assessor).Distinct().Count())
            );
            Assert.True(words.Count <= terms.Coupons * terms.Attempts * 2);
        }
    }
}
