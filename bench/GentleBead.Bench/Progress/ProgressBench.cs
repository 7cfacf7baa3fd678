using GentleBead.Core.Skills;

namespace GentleBead.Bench.Progress;

/// <summary>
/// How well the next bead is foretold, and how often the true chance lies in the doubt, over students not used while building.
/// </summary>
internal static class ProgressBench
{
    private const int Students = 600;
    private const double LeastWithin = 0.90;
    private const double MostWithin = 0.97;

    // What was tuned was tuned on seeds 1 to 3 of another generator.
    private const int Seed = 20_261;

    /// <summary>Prints it.</summary>
    /// <returns>0 within the bars, else 1.</returns>
    public static int Measure(int seed = Seed)
    {
        var students = SimulatedStudents.Of(seed, Students);
        var chances = students.Select(beads => Foretold.BySkill(beads).ToArray()).ToArray();
        var within = Mean(students.Zip(chances, Inside).SelectMany(one => one));
        var width = Mean(chances.SelectMany(one => one).Select(chance => chance.High - chance.Low));
        var loss = LogLoss(students, chances.Select(one => one.Select(chance => chance.Likely)));
        (string Name, double Loss)[] others =
        [
            ("a plain average", LogLoss(students, students.Select(Foretold.ByAverage))),
            ("the last five", LogLoss(students, students.Select(Foretold.ByLastFive))),
            ("a beta with forgetting", LogLoss(students, students.Select(Foretold.ByForgettingBeta))),
            ("knowledge tracing", LogLoss(students, students.Select(Foretold.ByKnowledgeTracing))),
            ("whoever knows the skill", LogLoss(students, students.Select(beads => beads.Select(bead => bead.Chance)))),
        ];
        Console.WriteLine(
            $"{students.Count} simulated students, {students.Sum(beads => beads.Count):N0} beads; log loss of the next bead:"
        );
        Console.WriteLine($"  {"the skill as estimated", -26}{loss:0.0000}");
        foreach (var (name, other) in others)
            Console.WriteLine($"  {name, -26}{other:0.0000}");
        var good = within is >= LeastWithin and <= MostWithin && others[..^1].All(other => loss < other.Loss);
        Console.WriteLine(
            $"progress: the true chance lies in {within:P1} of 95 % intervals (mean width {width:0.00}); log loss {loss:0.000}, plain "
                + $"average {others[0].Loss:0.000}, last five {others[1].Loss:0.000}; {(good ? "all within bounds" : "OUT OF BOUNDS")}"
        );
        return good ? 0 : 1;
    }

    private static IEnumerable<double> Inside(IReadOnlyList<SimulatedBead> beads, Chance[] chances) =>
        beads.Zip(chances, (bead, chance) => bead.Chance >= chance.Low && bead.Chance <= chance.High ? 1.0 : 0);

    private static double LogLoss(IEnumerable<IReadOnlyList<SimulatedBead>> students, IEnumerable<IEnumerable<double>> foretold) =>
        Mean(
            students
                .Zip(foretold, (beads, all) => beads.Zip(all, (bead, right) => -Math.Log(bead.Right ? right : 1 - right)))
                .SelectMany(one => one)
        );

    private static double Mean(IEnumerable<double> of) => of.Average();
}
