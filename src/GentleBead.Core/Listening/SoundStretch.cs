namespace GentleBead.Core.Listening;

/// <summary>What half seconds have in common: the mean and the spread of each feature, and what they say by themselves.</summary>
internal static class SoundStretch
{
    /// <summary>How many figures.</summary>
    /// <param name="features">How many features a window has.</param>
    internal static int Count(int features) => 2 * features + Ear.Kinds;

    /// <summary>The figures of some windows.</summary>
    /// <param name="features">Of each window of the recording.</param>
    /// <param name="likely">What each says of each kind, bounded.</param>
    /// <param name="windows">Which; one or more.</param>
    internal static double[] Of(IReadOnlyList<double[]> features, IReadOnlyList<double[]> likely, IReadOnlyList<int> windows)
    {
        var count = features[0].Length;
        var figures = new double[Count(count)];
        foreach (var window in windows)
        {
            for (var i = 0; i < count; i++)
                figures[i] += features[window][i] / windows.Count;
            for (var kind = 0; kind < Ear.Kinds; kind++)
                figures[2 * count + kind] += likely[window][kind] / windows.Count;
        }
        foreach (var window in windows)
        {
            for (var i = 0; i < count; i++)
                figures[count + i] += Math.Pow(features[window][i] - figures[i], 2) / windows.Count;
        }
        for (var i = 0; i < count; i++)
            figures[count + i] = Math.Sqrt(figures[count + i]);
        return figures;
    }
}
