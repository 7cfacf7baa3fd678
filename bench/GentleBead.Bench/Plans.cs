using System.Diagnostics;
using GentleBead.Core.Planning;
using GentleBead.Core.Tests.Planning;

namespace GentleBead.Bench;

/// <summary>How long an evening takes to plan, how near to the best it comes, and whether it beats the plan made by hand.</summary>
internal static class Plans
{
    private const int Evenings = 50;

    // Evenings that no test has seen, and on which no number of the search was chosen: those were chosen on seeds from 70,000 on.
    private const int FirstSeed = 91_000;

    internal static int Measure()
    {
        var figures = new Figures("plan");
        PlanSolver.Solve(RandomEvenings.Of(1, 4, 2, 2, 6));
        var (seconds, gaps, shares, beaten) = (new List<double>(), new List<double>(), new List<double>(), 0);
        for (var i = 0; i < Evenings; i++)
        {
            var problem = RandomEvenings.Of(FirstSeed + i, students: 24, booths: 12, slots: 4, exercises: 40);
            var watch = Stopwatch.StartNew();
            var solved = PlanSolver.Solve(problem);
            seconds.Add(watch.Elapsed.TotalSeconds);
            gaps.Add(solved.Gap);
            shares.Add((double)solved.Score.Total / solved.Greedy);
            if (PlanRules.Broken(problem, solved.Plan).Count > 0)
                throw new InvalidOperationException($"Evening {FirstSeed + i} breaks a rule.");
            beaten += solved.Score.Total > solved.Greedy ? 1 : 0;
            Console.WriteLine(
                $"evening {FirstSeed + i}: {seconds[^1]:0.0} s, {solved.Score.Total} of at most {solved.Bound} (gap {solved.Gap:0.0 %}), "
                    + $"by hand {solved.Greedy}"
            );
        }
        figures.AtMost("seconds for 24 students, 12 booths, 4 slots, 40 exercises", seconds.Max(), 5);
        figures.AtMost("evenings on which the plan by hand is as good", Evenings - beaten, 0);
        return figures.Close(
            $"{seconds.Average():0.0} s each, gap {gaps.Average():0.0 %} in the mean and {gaps.Max():0.0 %} at the most; "
                + $"{shares.Average():0.00} x the plan by hand, {shares.Min():0.000} x at the least"
        );
    }
}
