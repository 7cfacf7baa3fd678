namespace GentleBead.Core.Skills;

/// <summary>
/// What is known of a student's skill at one thing: a normal distribution on the logit scale, which each bead moves and narrows and every
/// day without one widens. Beads are taken one after another, so that what is known can be kept and gone on with.
/// </summary>
/// <remarks>
/// As M. E. Glickman does it for players, "Parameter estimation in large dynamic paired comparison experiments", Applied Statistics 48
/// (1999) 377-394 (from memory): the bead is the opponent, a draw towards what is known of nobody takes the place of a rating period.
/// Chosen over a plain average, the last five, a beta with forgetting and Bayesian knowledge tracing by <c>bench -- progress</c>.
/// </remarks>
/// <param name="Mean">The middle, logits.</param>
/// <param name="Variance">The spread, squared logits; above 0.</param>
/// <param name="Beads">How many beads it rests on.</param>
/// <param name="At">When the last of them was laid; null before the first.</param>
public sealed record Skill(double Mean, double Variance, int Beads, DateTimeOffset? At)
{
    // A beginner is right somewhat less than every other time; what differs between beginners.
    private const double BeginnersMean = -0.6;
    private const double BeginnersVariance = 1;

    // What a bead teaches, whether it came right or not, and how surely.
    private const double Taught = 0.04;
    private const double TaughtVariance = 0.004;

    // How long skill lasts that is not used; no two days are alike.
    private const double LastsDays = 150;
    private const double DayVariance = 0.025;
    private const double AnotherDay = 0.5;

    // A bead comes right by luck, and goes wrong by mishap, now and then whatever the skill.
    private const double Luck = 0.05;
    private const double Mishap = 0.05;

    // Of 95 in 100.
    private const double Width = 1.96;

    private const double HardestLogits = 4;

    // Gauss-Hermite quadrature of ten points, half of them: Abramowitz and Stegun, Handbook of Mathematical Functions, table 25.10.
    private static readonly (double Node, double Weight)[] Half =
    [
        (0.342901327223705, 0.6108626337353),
        (1.036610829789514, 0.2401386110823),
        (1.756683649299882, 0.03387439445548),
        (2.532731674232790, 0.001343645746781),
        (3.436159118837738, 0.000007640432855233),
    ];

    // Scaled to the standard normal distribution.
    private static readonly (double Node, double Weight)[] Points =
    [
        .. Half.SelectMany(point => new[] { point, (Node: -point.Node, point.Weight) })
            .Select(point => (point.Node * Math.Sqrt(2), point.Weight / Math.Sqrt(Math.PI))),
    ];

    /// <summary>What is known of somebody who has laid none.</summary>
    public static Skill OfBeginner { get; } = new(BeginnersMean, BeginnersVariance, 0, null);

    /// <summary>What is known after some beads.</summary>
    /// <param name="attempts">In the order they were laid.</param>
    public static Skill Of(IEnumerable<Attempt> attempts) => attempts.Aggregate(OfBeginner, (skill, attempt) => skill.After(attempt));

    /// <summary>What is known at a moment without another bead: it fades towards what is known of nobody.</summary>
    /// <param name="moment">Not before the last bead; before it, it is as it was.</param>
    public Skill Faded(DateTimeOffset moment)
    {
        if (At is not { } last || (moment - last).TotalDays is not (> AnotherDay and var days))
            return this;
        var left = Math.Exp(-days / LastsDays);
        return this with
        {
            Mean = BeginnersMean + (Mean - BeginnersMean) * left,
            Variance = BeginnersVariance + (Variance - BeginnersVariance) * left * left + DayVariance,
        };
    }

    /// <summary>What is known after one bead more.</summary>
    /// <param name="attempt">The bead; not before the last one.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is harder or easier than anything is.</exception>
    public Skill After(Attempt attempt)
    {
        var before = Faded(attempt.At);
        var (all, first, second) = (0.0, 0.0, 0.0);
        foreach (var (node, weight) in Points)
        {
            var skill = before.Mean + Math.Sqrt(before.Variance) * node;
            var right = Right(skill, attempt.Harder);
            var likely = weight * (attempt.Right ? right : 1 - right);
            all += likely;
            first += likely * skill;
            second += likely * skill * skill;
        }
        var mean = first / all;
        return new(mean + Taught, second / all - mean * mean + TaughtVariance, Beads + 1, attempt.At);
    }

    /// <summary>The chance that a bead laid at a moment is right.</summary>
    /// <param name="moment">When.</param>
    /// <param name="harder">How much harder than usual, in logits, from -4 to 4.</param>
    /// <exception cref="ArgumentOutOfRangeException">It is harder or easier than anything is.</exception>
    public Chance ChanceAt(DateTimeOffset moment, double harder = 0)
    {
        var now = Faded(moment);
        var spread = Math.Sqrt(now.Variance);
        return new(
            Points.Sum(point => point.Weight * Right(now.Mean + spread * point.Node, harder)),
            Right(now.Mean - Width * spread, harder),
            Right(now.Mean + Width * spread, harder)
        );
    }

    private static double Right(double skill, double harder)
    {
        ArgumentOutOfRangeException.ThrowIfGreaterThan(Math.Abs(harder), HardestLogits, nameof(harder));
        return Luck + (1 - Luck - Mishap) / (1 + Math.Exp(harder - skill));
    }
}
