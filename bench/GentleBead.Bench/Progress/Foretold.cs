using GentleBead.Core.Skills;

namespace GentleBead.Bench.Progress;

/// <summary>Ways to foretell whether the next bead is right, each from the beads before it.</summary>
internal static class Foretold
{
    /// <summary>The skill as it is estimated.</summary>
    public static IEnumerable<Chance> BySkill(IReadOnlyList<SimulatedBead> beads)
    {
        var skill = Skill.OfBeginner;
        foreach (var bead in beads)
        {
            yield return skill.ChanceAt(bead.At, bead.Harder);
            skill = skill.After(new(bead.At, bead.Right, bead.Harder));
        }
    }

    /// <summary>The share of all so far, with Laplace's rule of succession.</summary>
    public static IEnumerable<double> ByAverage(IReadOnlyList<SimulatedBead> beads) => beads.Select((_, at) => Share(beads.Take(at)));

    /// <summary>The share of the last five.</summary>
    public static IEnumerable<double> ByLastFive(IReadOnlyList<SimulatedBead> beads) =>
        beads.Select((_, at) => Share(beads.Take(at).TakeLast(5)));

    /// <summary>A beta distribution that forgets: each bead and each day leaves a little less of what was.</summary>
    public static IEnumerable<double> ByForgettingBeta(IReadOnlyList<SimulatedBead> beads)
    {
        var (right, wrong, last) = (0.0, 0.0, (DateTimeOffset?)null);
        foreach (var bead in beads)
        {
            var left = last is { } at ? Math.Pow(0.995, (bead.At - at).TotalDays) : 1;
            (right, wrong) = (right * left, wrong * left);
            yield return (right + 0.7) / (right + wrong + 1.7);
            (right, wrong, last) = (right * 0.95 + (bead.Right ? 1 : 0), wrong * 0.95 + (bead.Right ? 0 : 1), bead.At);
        }
    }

    /// <summary>
    /// Bayesian knowledge tracing: A. T. Corbett and J. R. Anderson, "Knowledge tracing: modeling the acquisition of procedural knowledge",
    /// User Modeling and User-Adapted Interaction 4 (1995) 253-278 (from memory), with forgetting by the day.
    /// </summary>
    public static IEnumerable<double> ByKnowledgeTracing(IReadOnlyList<SimulatedBead> beads)
    {
        const double Slip = 0.15,
            Guess = 0.25,
            Learns = 0.06,
            Forgets = 0.004;
        var (known, last) = (0.25, (DateTimeOffset?)null);
        foreach (var bead in beads)
        {
            known *= last is { } at ? Math.Exp(-Forgets * (bead.At - at).TotalDays) : 1;
            var right = known * (1 - Slip) + (1 - known) * Guess;
            yield return right;
            known = bead.Right ? known * (1 - Slip) / right : known * Slip / (1 - right);
            (known, last) = (known + (1 - known) * Learns, bead.At);
        }
    }

    private static double Share(IEnumerable<SimulatedBead> beads)
    {
        var all = beads.ToArray();
        return (all.Count(bead => bead.Right) + 1.0) / (all.Length + 2);
    }
}
