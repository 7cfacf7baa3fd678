namespace GentleBead.Bench;

/// <summary>
/// What was measured against what is wanted: figures are printed as they come, and one closing line says whether all hold.
/// </summary>
internal sealed class Figures(string bench)
{
    private readonly List<string> missed = [];

    /// <summary>The value below which a share of the figures lie.</summary>
    public static double Quantile(IEnumerable<double> figures, double share)
    {
        double[] sorted = [.. figures.Order()];
        return sorted[(int)Math.Min(sorted.Length - 1, share * sorted.Length)];
    }

    /// <summary>The middle figure.</summary>
    public static double Median(IEnumerable<double> figures) => Quantile(figures, 0.5);

    /// <summary>Holds a figure to the most it may be.</summary>
    /// <returns>A mark for the printed line where it is missed.</returns>
    public string AtMost(string what, double figure, double most)
    {
        if (figure <= most)
            return "";
        missed.Add($"{what} {figure:0.##} over {most:0.##}");
        return " !";
    }

    /// <summary>Prints the closing line.</summary>
    /// <returns>0 where all hold, 1 where one was missed.</returns>
    public int Close(string summary)
    {
        Console.WriteLine(
            missed.Count == 0 ? $"{bench}: {summary}; all within bounds" : $"{bench}: {summary}; MISSED: {string.Join("; ", missed)}"
        );
        return missed.Count == 0 ? 0 : 1;
    }
}
