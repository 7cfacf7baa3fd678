namespace GentleBead.Core.Progress;

/// <summary>How far two people's words on the same things agree beyond chance, with its doubt.</summary>
/// <remarks>
/// J. Cohen, "A coefficient of agreement for nominal scales", Educational and Psychological Measurement 20 (1960) 37-46; its large-sample
/// error by J. L. Fleiss, J. Cohen, B. S. Everitt, Psychological Bulletin 72 (1969) 323-327 (both from memory).
/// </remarks>
/// <param name="Value">1 for full agreement, 0 for no more than by chance, down to -1.</param>
/// <param name="Low">Lower end of its 95 % interval.</param>
/// <param name="High">Upper end of it.</param>
public sealed record Kappa(double Value, double Low, double High)
{
    /// <summary>Fewer pairs than this say too little.</summary>
    public const int Fewest = 8;

    private const double Z = 1.96;

    /// <summary>Kappa of pairs of words; null where they are too few, or both only ever say one and the same.</summary>
    /// <param name="pairs">What the one and the other said of the same thing.</param>
    /// <typeparam name="T">A word: two that are equal are the same word.</typeparam>
    public static Kappa? Of<T>(IReadOnlyCollection<(T One, T Other)> pairs)
        where T : struct
    {
        ArgumentNullException.ThrowIfNull(pairs);
        if (pairs.Count < Fewest)
            return null;
        var words = pairs.SelectMany(pair => new[] { pair.One, pair.Other }).Distinct().ToArray();
        if (words.Length == 1)
            return null;
        var share = new double[words.Length, words.Length];
        var (one, other) = (new double[words.Length], new double[words.Length]);
        foreach (var pair in pairs)
        {
            var (i, j) = (Array.IndexOf(words, pair.One), Array.IndexOf(words, pair.Other));
            share[i, j] += 1.0 / pairs.Count;
            one[i] += 1.0 / pairs.Count;
            other[j] += 1.0 / pairs.Count;
        }
        var byChance = words.Select((_, i) => one[i] * other[i]).Sum();
        var agreed = words.Select((_, i) => share[i, i]).Sum();
        var kappa = (agreed - byChance) / (1 - byChance);
        var error = Error(share, one, other, byChance, kappa) / Math.Sqrt(pairs.Count);
        return new(kappa, Math.Max(-1, kappa - Z * error), Math.Min(1, kappa + Z * error));
    }

    // Formula 13 of 1969, for one pair.
    private static double Error(double[,] share, double[] one, double[] other, double byChance, double kappa)
    {
        var sum = 0.0;
        for (var i = 0; i < one.Length; i++)
        {
            for (var j = 0; j < one.Length; j++)
            {
                var weight = i == j ? 1 - (one[i] + other[i]) * (1 - kappa) : (1 - kappa) * (other[i] + one[j]);
                sum += share[i, j] * weight * weight;
            }
        }
        var off = kappa - byChance * (1 - kappa);
        return Math.Sqrt(Math.Max(0, sum - off * off)) / (1 - byChance);
    }
}
