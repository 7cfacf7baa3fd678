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
    public static async Task<int> MeasureAsync(int seed = Seed)
    {
        var students = SimulatedStudents.Of(seed, Students);
        var chances = students.Select(beads => Foretold.BySkill(beads).ToArray()).ToArray();
        var within = Mean(students.Zip(chances, Inside).SelectMany(one => one));
        var width = Mean(chances.SelectMany(one => one).Select(chance => chance.High - chance.Low));
        var losses = Losses("simulated students", students);
        Console.WriteLine(
            $"  {"whoever knows the skill", -26}{LogLoss(students, students.Select(beads => beads.Select(bead => bead.Chance))):0.0000}"
        );
        // Too few to hold anything to: a term of a small made-up school.
        var demo = Losses("students of the demo term", await DemoBeads.OfAsync());
        var good = within is >= LeastWithin and <= MostWithin && losses[1..].All(other => losses[0] < other);
        Console.WriteLine(
            $"progress: the true chance lies in {within:P1} of 95 % intervals (mean width {width:0.00}); log loss {losses[0]:0.000}, plain "
                + $"average {losses[1]:0.000}, last five {losses[2]:0.000}; on the demo term {demo[0]:0.000}, {demo[1]:0.000}, "
                + $"{demo[2]:0.000}; {(good ? "all within bounds" : "OUT OF BOUNDS")}"
        );
        return good ? 0 : 1;
    }

    // The log loss of each way to foretell the next bead, the skill first.
    private static double[] Losses(string whose, IReadOnlyList<IReadOnlyList<SimulatedBead>> students)
    {
        (string Name, Func<IReadOnlyList<SimulatedBead>, IEnumerable<double>> Foretells)[] ways =
        [
            ("the skill as estimated", beads => Foretold.BySkill(beads).Select(chance => chance.Likely)),
            ("a plain average", Foretold.ByAverage),
            ("the last five", Foretold.ByLastFive),
            ("a beta with forgetting", Foretold.ByForgettingBeta),
            ("knowledge tracing", Foretold.ByKnowledgeTracing),
        ];
        Console.WriteLine($"{students.Count} {whose}, {students.Sum(beads => beads.Count):N0} beads; log loss of the next bead:");
        double[] losses = [.. ways.Select(way => LogLoss(students, students.Select(way.Foretells)))];
        foreach (var (way, loss) in ways.Zip(losses))
            Console.WriteLine($"  {way.Name, -26}{loss:0.0000}");
        return losses;
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
