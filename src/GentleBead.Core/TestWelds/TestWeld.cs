using GentleBead.Core.Judging;

namespace GentleBead.Core.TestWelds;

/// <summary>What was agreed before the first arc; sealed with the sheet.</summary>
/// <param name="Coupons">How many coupons; 1 to 6.</param>
/// <param name="Attempts">How many attempts at each; 1 to 5.</param>
/// <param name="Criteria">Whose limits they are measured by.</param>
public sealed record TestWeldTerms(int Coupons, int Attempts, CriteriaSet Criteria)
{
    /// <summary>What lies outside its range, by JSON field.</summary>
    public IEnumerable<Problem> Problems()
    {
        if (Coupons is < 1 or > 6)
            yield return new("coupons", Say($"1 to 6 coupons."));
        if (Attempts is < 1 or > 5)
            yield return new("attempts", Say($"1 to 5 attempts at each coupon."));
    }
}

/// <summary>One assessor's word on one attempt.</summary>
/// <param name="Coupon">Which coupon, from 1.</param>
/// <param name="Attempt">Which attempt at it, from 1.</param>
/// <param name="Assessor">Who.</param>
/// <param name="Accepted">Their word.</param>
public sealed record Assessment(int Coupon, int Attempt, Guid Assessor, bool Accepted);

/// <summary>How a coupon stands.</summary>
public enum CouponStanding
{
    /// <summary>The next attempt may be welded.</summary>
    ToWeld,

    /// <summary>Assessed once; a second assessor has to look without knowing the first word.</summary>
    ToAssessAgain,

    /// <summary>Both accept.</summary>
    Passed,

    /// <summary>No attempt left.</summary>
    Failed,
}

/// <summary>One coupon of a test weld.</summary>
/// <param name="Coupon">Which, from 1.</param>
/// <param name="Standing">How it stands.</param>
/// <param name="Attempt">The attempt it stands at, from 1.</param>
/// <param name="Disagreed">Whether the two assessors differed on any attempt.</param>
public sealed record CouponState(int Coupon, CouponStanding Standing, int Attempt, bool Disagreed);

/// <summary>How a test weld stands.</summary>
/// <param name="Coupons">Coupon by coupon.</param>
/// <param name="MaySign">Whether nothing is open any more.</param>
/// <param name="Passed">Whether every coupon passed; null while something is open.</param>
public sealed record TestWeldState(IReadOnlyList<CouponState> Coupons, bool MaySign, bool? Passed);

/// <summary>The rules of a test weld. It trains for a test; it qualifies nobody.</summary>
public static class TestWeld
{
    private const int Assessors = 2;

    /// <summary>Reads the state from what was recorded.</summary>
    /// <param name="terms">What was agreed.</param>
    /// <param name="assessments">Every word so far, in order.</param>
    public static TestWeldState State(TestWeldTerms terms, IReadOnlyList<Assessment> assessments)
    {
        CouponState[] coupons = [.. Enumerable.Range(1, terms.Coupons).Select(coupon => Coupon(terms, coupon, assessments))];
        var open = coupons.Any(coupon => coupon.Standing is CouponStanding.ToWeld or CouponStanding.ToAssessAgain);
        return new(coupons, !open, open ? null : coupons.All(coupon => coupon.Standing == CouponStanding.Passed));
    }

    /// <summary>Why a word cannot be taken now, or null.</summary>
    /// <param name="terms">What was agreed.</param>
    /// <param name="assessments">Every word so far.</param>
    /// <param name="word">The word to be added.</param>
    /// <param name="signed">Whether the test is signed off.</param>
    public static Said? Refused(TestWeldTerms terms, IReadOnlyList<Assessment> assessments, Assessment word, bool signed)
    {
        if (signed)
            return Say($"This test is signed off. What has to be said now is added as an amendment.");
        if (word.Coupon < 1 || word.Coupon > terms.Coupons)
            return Say($"This test has {terms.Coupons.Counted(Say($"coupon"), Say($"coupons"))}.");
        var state = Coupon(terms, word.Coupon, assessments);
        return state.Standing switch
        {
            CouponStanding.Passed => Say($"Coupon {word.Coupon} has passed."),
            CouponStanding.Failed => Say($"Coupon {word.Coupon} has no attempt left."),
            _ when word.Attempt != state.Attempt => Say($"Coupon {word.Coupon} stands at attempt {state.Attempt}."),
            CouponStanding.ToAssessAgain
                when assessments.Any(earlier =>
                    earlier.Coupon == word.Coupon && earlier.Attempt == word.Attempt && earlier.Assessor == word.Assessor
                ) => Say($"The second word is another assessor's."),
            _ => null,
        };
    }

    /// <summary>
    /// Why somebody cannot assess a test, or null. Two words are worth something only from two people who were there before: an account
    /// made on the day
    /// of the seal, or after it, could be anybody's second self.
    /// </summary>
    /// <param name="madeOn">The day the assessor's account was made.</param>
    /// <param name="sealedOn">The day the test was sealed.</param>
    public static Said? NotYetAssessor(DateOnly madeOn, DateOnly sealedOn) =>
        madeOn < sealedOn
            ? null
            : Say($"Whoever assesses a test weld was an instructor of this school before the day it was sealed. Ask another instructor.");

    /// <summary>
    /// Whether a word may be shown: blind, until both have spoken neither may be swayed by the other, nor told through the student.
    /// </summary>
    /// <param name="word">The word.</param>
    /// <param name="assessments">Every word so far.</param>
    /// <param name="asker">Who wants to see it.</param>
    public static bool IsOpen(Assessment word, IReadOnlyList<Assessment> assessments, Guid asker) =>
        word.Assessor == asker || assessments.Count(other => (other.Coupon, other.Attempt) == (word.Coupon, word.Attempt)) == Assessors;

    /// <summary>What came of a test that can be signed, or why it cannot be.</summary>
    public static (bool Passed, Said? Refused) Signable(TestWeldTerms terms, IReadOnlyList<Assessment> assessments, bool signed)
    {
        if (signed)
            return (false, Say($"This test is signed already."));
        return State(terms, assessments).Passed is { } passed
            ? (passed, null)
            : (false, Say($"A coupon is still open: it cannot be signed yet."));
    }

    private static CouponState Coupon(TestWeldTerms terms, int coupon, IReadOnlyList<Assessment> assessments)
    {
        var disagreed = false;
        for (var attempt = 1; attempt <= terms.Attempts; attempt++)
        {
            var words = assessments.Where(word => word.Coupon == coupon && word.Attempt == attempt).ToArray();
            if (words.Length == 0)
                return new(coupon, CouponStanding.ToWeld, attempt, disagreed);
            if (words.Length == 1)
                return new(coupon, CouponStanding.ToAssessAgain, attempt, disagreed);
            disagreed |= words[0].Accepted != words[1].Accepted;
            // One rejection is enough: doubt goes against the weld.
            if (words.All(word => word.Accepted))
                return new(coupon, CouponStanding.Passed, attempt, disagreed);
        }
        return new(coupon, CouponStanding.Failed, terms.Attempts, disagreed);
    }
}
