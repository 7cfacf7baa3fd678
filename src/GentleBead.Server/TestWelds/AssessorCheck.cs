using GentleBead.Core.Sessions;
using GentleBead.Core.TestWelds;
using GentleBead.Server.People;

namespace GentleBead.Server.TestWelds;

/// <summary>Whether somebody may give their word on a test weld: who they are, by their password, and since when they are here.</summary>
public sealed class AssessorCheck(PeopleStore people, OwnPassword own, SchoolClock clock)
{
    /// <summary>What stands against it; empty where nothing does.</summary>
    /// <param name="assessor">Who is signed in.</param>
    /// <param name="test">The test weld.</param>
    /// <param name="password">The password they typed once more.</param>
    public async Task<IReadOnlyList<Problem>> ProblemsAsync(Guid assessor, SealedTest test, string? password, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(test);
        var problems = new List<Problem>();
        // By the days of the school's own calendar.
        var zone = await clock.ZoneAsync(cancel);
        if (
            await people.AddedAtAsync(assessor, cancel) is { } madeAt
            && TestWeld.NotYetAssessor(zone.DayOf(madeAt), zone.DayOf(test.SealedAt)) is { } notYet
        )
            problems.Add(new("coupon", notYet));
        if (await own.RefusedAsync(assessor, password, cancel) is { } refused)
            problems.Add(new("password", refused));
        return problems;
    }
}
