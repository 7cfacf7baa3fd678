namespace GentleBead.Core.Listening;

/// <summary>What a recording goes through: the likeliest course of sounds, window by window (Viterbi 1967).</summary>
internal static class SoundPath
{
    // What one window can say against a sound at the most: a clank says a great deal against every arc, and is one clank.
    private const double MostAgainst = 6;

    // Windows overlap by half: each says as much as half a window of its own.
    private const double OwnShare = 0.5;

    // An arc seldom changes its sound from one quarter second to the next; starting and stopping is commoner. As logarithms.
    private const double Changes = 5,
        StartsOrStops = 2;

    /// <summary>Bounds what a window says.</summary>
    internal static void Bound(Span<double> likely)
    {
        var best = double.NegativeInfinity;
        foreach (var value in likely)
            best = Math.Max(best, value);
        foreach (ref var value in likely)
            value = Math.Max(value - best, -MostAgainst);
    }

    /// <summary>The likeliest course.</summary>
    /// <param name="likely">Of each window, of each kind, bounded; the last kind is no arc.</param>
    /// <returns>The kind of each window.</returns>
    internal static int[] Of(IReadOnlyList<double[]> likely)
    {
        if (likely.Count == 0)
            return [];
        var kinds = likely[0].Length;
        var noArc = kinds - 1;
        var came = new int[likely.Count, kinds];
        var best = Array.ConvertAll(likely[0], value => OwnShare * value);
        for (var window = 1; window < likely.Count; window++)
        {
            var next = new double[kinds];
            for (var kind = 0; kind < kinds; kind++)
            {
                var from = 0;
                for (var before = 1; before < kinds; before++)
                {
                    if (best[before] - Cost(before, kind) > best[from] - Cost(from, kind))
                        from = before;
                }
                came[window, kind] = from;
                next[kind] = best[from] - Cost(from, kind) + OwnShare * likely[window][kind];
            }
            best = next;
        }
        var path = new int[likely.Count];
        path[^1] = Array.IndexOf(best, best.Max());
        for (var window = path.Length - 1; window > 0; window--)
            path[window - 1] = came[window, path[window]];
        return path;

        double Cost(int before, int kind) =>
            before == kind ? 0
            : before == noArc || kind == noArc ? StartsOrStops
            : Changes;
    }
}
