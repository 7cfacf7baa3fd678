namespace GentleBead.Core.Skills;

/// <summary>
/// How much harder than usual a kind of work is, or a machine makes it: the share that came right beside the share that whoever welded
/// there would have had elsewhere, drawn towards no difference while few beads speak.
/// </summary>
public static class Difficulty
{
    /// <summary>So many of the newest beads are looked at.</summary>
    public const int Newest = 300;

    // As if so many beads had been seen that showed no difference: our own choice, a coupon or two.
    private const double AsIf = 20;

    /// <summary>Worth saying: from here on, whoever is right every other time elsewhere is right three times in eight (logits).</summary>
    public const double WorthSaying = 0.5;

    private const double Most = 1.5;

    /// <summary>How much harder than usual, logits, -1.5 to 1.5; 0 where nothing was laid.</summary>
    /// <param name="beads">Beads laid there; 0 or more.</param>
    /// <param name="right">How many of them were right; 0 to <paramref name="beads"/>.</param>
    /// <param name="expected">How many would have been, by what the same people do elsewhere; 0 to <paramref name="beads"/>.</param>
    /// <exception cref="ArgumentOutOfRangeException">More right than there are.</exception>
    public static double Harder(int beads, int right, double expected)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(beads);
        ArgumentOutOfRangeException.ThrowIfNegative(right);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(right, beads);
        ArgumentOutOfRangeException.ThrowIfNegative(expected);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(expected, beads);
        if (beads == 0)
            return 0;
        var usual = (expected + 1) / (beads + 2);
        var here = (right + AsIf * usual) / (beads + AsIf);
        return Math.Clamp(Logit(usual) - Logit(here), -Most, Most);
    }

    private static double Logit(double share) => Math.Log(share / (1 - share));
}
