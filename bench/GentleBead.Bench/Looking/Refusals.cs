using GentleBead.Core.Looking;

namespace GentleBead.Bench.Looking;

/// <summary>Spoilt drawings, and what the eye said of each: null where it measured it.</summary>
internal static class Refusals
{
    /// <summary>Tells by kind how many were refused for a right reason, and returns that share of all, in a hundred.</summary>
    public static double Tell(
        IReadOnlyList<(Wrong Wrong, PictureTrouble? Trouble)> spoilt,
        IReadOnlyDictionary<Wrong, PictureTrouble[]> right
    )
    {
        bool Rightly((Wrong Wrong, PictureTrouble? Trouble) one) => one.Trouble is { } why && right[one.Wrong].Contains(why);
        foreach (var wrong in spoilt.GroupBy(one => one.Wrong))
        {
            var said = wrong.GroupBy(one => one.Trouble?.ToString() ?? "measured").Select(group => $"{group.Key} {group.Count()}");
            Console.WriteLine($"  {wrong.Key}: {Percent(wrong.Select(Rightly)):0.0} % for the right reason ({string.Join(", ", said)})");
        }
        return spoilt.Count == 0 ? 100 : Percent(spoilt.Select(Rightly));
    }

    /// <summary>By how much values are off, mm: in the middle, and at most in nineteen of twenty.</summary>
    public static string Off(double[] offs) =>
        $"off by {offs.Order().ElementAtOrDefault(offs.Length / 2):+0.00;-0.00} in the middle, "
        + $"{offs.Select(Math.Abs).Order().ElementAtOrDefault((int)(0.95 * offs.Length)):0.00} at most in 95 %";

    /// <summary>How many of a hundred are so.</summary>
    public static double Percent(IEnumerable<bool> right)
    {
        var all = right.ToArray();
        return 100.0 * all.Count(one => one) / Math.Max(1, all.Length);
    }
}
