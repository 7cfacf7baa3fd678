using GentleBead.Core.Planning;

namespace GentleBead.Core.Tests.Planning;

public class PlanSolverTests(ITestOutputHelper output)
{
    [Fact]
    public void Every_plan_of_a_thousand_evenings_breaks_no_rule_and_has_the_score_the_solver_worked_towards()
    {
        var better = 0;
        Parallel.For(
            0,
            1_000,
            seed =>
            {
                var random = new Random(seed);
                var problem = RandomEvenings.Of(seed, random.Next(1, 10), random.Next(1, 6), random.Next(1, 5), 12);
                var solved = PlanSolver.Solve(problem, 0.05);
                Assert.True(
                    PlanRules.Broken(problem, solved.Plan).Count == 0,
                    $"{seed}: {string.Join("; ", PlanRules.Broken(problem, solved.Plan).Select(broken => broken.Words))}"
                );
                Assert.Empty(PlanRules.Broken(problem, GreedyPlan.Of(problem)));
                Assert.True(solved.Score.Total >= solved.Greedy && solved.Score.Total <= solved.Bound, $"{seed}");
                // Broken off early it may not have counted all it has; where it proved its plan the best, both say the same.
                if (solved.Worked is { } worked)
                    Assert.True(worked <= solved.Score.Total, $"{seed}: the solver says {worked}, the table {solved.Score.Total}.");
                if (solved.Worked == solved.Bound)
                    Assert.Equal(solved.Bound, solved.Score.Total);
                if (solved.Score.Total > solved.Greedy)
                    Interlocked.Increment(ref better);
            }
        );
        output.WriteLine($"better than by hand: {better}");
        Assert.True(better > 300);
    }
}
