using GentleBead.Core.Listening;

namespace GentleBead.Bench.Listening;

/// <summary>How often an answer proves right by how sure it looked: the rising steps nearest to what was seen (pool adjacent violators,
/// Ayer and others 1955; for shares of a classifier Zadrozny and Elkan 2002).</summary>
internal static class Isotonic
{
    // A step of fewer is not believed: it is drawn to the step below.
    private const int Fewest = 30;

    internal static SoundModel.Steps Of((double At, bool Right)[] answers)
    {
        var pools = new List<(double Sum, double Right, int Count)>();
        // Equal pools first, so that a lucky handful at the top makes no certainty.
        foreach (var group in answers.OrderBy(one => one.At).Chunk(Fewest))
        {
            pools.Add((group.Sum(one => one.At), group.Count(one => one.Right), group.Length));
            while (pools.Count > 1 && Rate(pools[^2]) >= Rate(pools[^1]))
            {
                var (one, other) = (pools[^2], pools[^1]);
                pools.RemoveRange(pools.Count - 2, 2);
                pools.Add((one.Sum + other.Sum, one.Right + other.Right, one.Count + other.Count));
            }
        }
        return new(
            [.. pools.Select(pool => Math.Round(pool.Sum / pool.Count, 4))],
            // Laplace's rule: what never failed in so many may fail the next time.
            [.. pools.Select(pool => Math.Round((pool.Right + 1) / (pool.Count + 2), 4))]
        );

        static double Rate((double Sum, double Right, int Count) pool) => pool.Right / pool.Count;
    }
}
