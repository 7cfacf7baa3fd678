namespace GentleBead.Core.Planning;

/// <summary>The ways to fill a length with sizes, each so full that no further piece goes in.</summary>
internal static class CutPatterns
{
    // More ways than these are not gone through: what is left out is little better than what is there.
    private const int Most = 4_000;
    private const double Hair = 1e-6;

    /// <summary>How often each size is in it.</summary>
    /// <param name="whole">The length to fill; with the kerf that its last piece does not need.</param>
    /// <param name="sizes">The sizes with their kerf, the largest first.</param>
    /// <param name="most">How many of each are of any use.</param>
    public static IReadOnlyList<int[]> Of(double whole, IReadOnlyList<double> sizes, IReadOnlyList<int> most)
    {
        var found = new List<int[]>();
        // One size alone first: so that each can be cut, however many ways there are.
        for (var i = 0; i < sizes.Count; i++)
        {
            var count = Math.Min(most[i], Fits(whole, sizes[i]));
            if (count > 0)
                found.Add([.. sizes.Select((_, j) => j == i ? count : 0)]);
        }
        Fill(0, whole, new int[sizes.Count]);
        return [.. found.DistinctBy(pattern => string.Join(',', pattern))];

        void Fill(int from, double left, int[] so)
        {
            if (found.Count >= Most)
                return;
            if (from == sizes.Count)
            {
                if (so.Any(count => count > 0) && !sizes.Where((size, i) => so[i] < most[i] && Fits(left, size) > 0).Any())
                    found.Add([.. so]);
                return;
            }
            for (var count = Math.Min(most[from], Fits(left, sizes[from])); count >= 0; count--)
            {
                so[from] = count;
                Fill(from + 1, left - count * sizes[from], so);
            }
            so[from] = 0;
        }
    }

    private static int Fits(double left, double size) => (int)Math.Floor((left + Hair) / size);
}
