namespace GentleBead.Bench.Progress;

/// <summary>A bead of a simulated student.</summary>
/// <param name="At">When.</param>
/// <param name="Harder">How much harder than usual, logits.</param>
/// <param name="Chance">The chance it had of coming right.</param>
/// <param name="Right">Whether it did.</param>
internal sealed record SimulatedBead(DateTimeOffset At, double Harder, double Chance, bool Right);

/// <summary>
/// Students whose skill is known: each learns at a rate of their own up to a top of their own, forgets at a rate of their own, has better
/// days and worse, guesses and slips. Invented, and made otherwise than what estimates them.
/// </summary>
internal static class SimulatedStudents
{
    private static readonly (int Days, double Share)[] Gaps = [(2, 0.25), (5, 0.25), (7, 0.35), (14, 0.08), (40, 0.05), (90, 0.02)];
    private static readonly double[] Hard = [-0.3, 0, 0.3];

    /// <summary>The beads of some students, in the order they were laid.</summary>
    public static IReadOnlyList<IReadOnlyList<SimulatedBead>> Of(int seed, int students)
    {
        var random = new Random(seed);
        return [.. Enumerable.Range(0, students).Select(_ => Student(random))];
    }

    private static List<SimulatedBead> Student(Random random)
    {
        var born = Normal(random, -0.6, 1);
        var (learns, lasts, top) = (Between(random, 0.02, 0.14), Between(random, 40, 160), Between(random, 1.5, 4));
        var (guess, slip) = (Between(random, 0.02, 0.1), Between(random, 0.02, 0.08));
        var (skill, at) = (born, new DateTimeOffset(2026, 1, 5, 18, 0, 0, TimeSpan.Zero));
        List<SimulatedBead> beads = [];
        for (var evenings = random.Next(4, 40); evenings > 0; evenings--)
        {
            var days = Gap(random);
            at = at.AddDays(days);
            skill = born + (skill - born) * Math.Exp(-days / lasts);
            var day = Normal(random, 0, 0.25);
            for (var bead = random.Next(2, 9); bead > 0; bead--)
            {
                var harder = Hard[random.Next(Hard.Length)];
                var chance = guess + (1 - guess - slip) / (1 + Math.Exp(harder - skill - day));
                beads.Add(new(at.AddMinutes(4 * (9 - bead)), harder, chance, random.NextDouble() < chance));
                skill += learns * Math.Max(0, 1 - Math.Max(0, skill) / top);
            }
        }
        return beads;
    }

    private static int Gap(Random random)
    {
        var at = random.NextDouble();
        foreach (var (days, share) in Gaps)
        {
            if ((at -= share) < 0)
                return days;
        }
        return Gaps[^1].Days;
    }

    private static double Between(Random random, double low, double high) => low + (high - low) * random.NextDouble();

    private static double Normal(Random random, double mean, double spread) =>
        mean + spread * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
