namespace GentleBead.Core.Looking;

/// <summary>Where ripples are highest and lowest along a bead, in turn.</summary>
internal sealed class RippleEnds
{
    // What rises less than this share of how much the signal varies is no ripple.
    private const double Least = 0.35;

    private readonly List<int> at;

    private RippleEnds(List<int> at) => this.at = at;

    /// <summary>How many.</summary>
    public int Count => at.Count;

    /// <summary>From the highest of one to that of the next, and from lowest to lowest, mm.</summary>
    public IEnumerable<double> Gaps() => at.Zip(at.Skip(2), (a, b) => (b - a) * Strip.Cell);

    /// <summary>Finds them.</summary>
    /// <param name="signal">Brightness along the bead, a value each cell, without what changes slowly.</param>
    public static RippleEnds Of(double[] signal)
    {
        var turns = Enumerable
            .Range(1, Math.Max(0, signal.Length - 2))
            .Where(i => signal[i] != signal[i - 1] && (signal[i] - signal[i - 1]) * (signal[i + 1] - signal[i]) <= 0)
            .ToList();
        var middle = signal.Average();
        var least = Least * Math.Sqrt(signal.Average(value => (value - middle) * (value - middle)));
        // The least of all rises goes first, and with it the two turns it lies between: what is left turns as before.
        while (turns.Count > 2)
        {
            var smallest = Enumerable.Range(0, turns.Count - 1).MinBy(i => Math.Abs(signal[turns[i + 1]] - signal[turns[i]]));
            if (Math.Abs(signal[turns[smallest + 1]] - signal[turns[smallest]]) >= least)
                break;
            if (smallest == 0)
                turns.RemoveAt(0);
            else if (smallest == turns.Count - 2)
                turns.RemoveAt(turns.Count - 1);
            else
                turns.RemoveRange(smallest, 2);
        }
        return new(turns);
    }
}
