namespace GentleBead.Core.Judging;

/// <summary>How often tool and instructor agree on one aspect.</summary>
/// <param name="Aspect">Which aspect; null for the verdict as a whole.</param>
/// <param name="Rulings">How many words were given.</param>
/// <param name="Agreed">How many agreed.</param>
/// <param name="Low">Lower end of the 95 % interval of the share that agrees.</param>
/// <param name="High">Upper end of it.</param>
/// <param name="Weak">Whether the tool is plainly weak here: even the upper end lies under nine in ten.</param>
public sealed record Agreement(Aspect? Aspect, int Rulings, int Agreed, double Low, double High, bool Weak)
{
    private const double Z = 1.96;
    private const double Enough = 0.9;

    // A single word of dissent proves no weakness.
    private const int Least = 5;

    /// <summary>Agreement on every aspect that was ruled on, weakest first. Interval: Wilson 1927.</summary>
    public static IReadOnlyList<Agreement> Of(IReadOnlyList<Ruling> rulings) =>
        [
            .. rulings
                .GroupBy(ruling => ruling.Aspect)
                .Select(aspect =>
                {
                    var (n, agreed) = (aspect.Count(), aspect.Count(ruling => ruling.Agrees()));
                    var share = (double)agreed / n;
                    var middle = (share + Z * Z / (2 * n)) / (1 + Z * Z / n);
                    var half = Z / (1 + Z * Z / n) * Math.Sqrt(share * (1 - share) / n + Z * Z / (4.0 * n * n));
                    return new Agreement(
                        aspect.Key,
                        n,
                        agreed,
                        Math.Max(0, middle - half),
                        Math.Min(1, middle + half),
                        n >= Least && middle + half < Enough
                    );
                })
                .OrderBy(agreement => (double)agreement.Agreed / agreement.Rulings)
                .ThenBy(agreement => agreement.Aspect),
        ];
}
