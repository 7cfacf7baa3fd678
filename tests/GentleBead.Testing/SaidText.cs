namespace GentleBead.Testing;

/// <summary>Looking for words in a sentence, as a metric reader sees it.</summary>
public static class SaidText
{
    /// <summary>Whether a sentence holds some words.</summary>
    public static bool Contains(this Said said, string words, StringComparison how = StringComparison.Ordinal) =>
        said.ToString().Contains(words, how);

    /// <summary>Whether a sentence begins with some words.</summary>
    public static bool StartsWith(this Said said, string words, StringComparison how = StringComparison.Ordinal) =>
        said.ToString().StartsWith(words, how);

    /// <summary>Problems by their fields, in words.</summary>
    public static Dictionary<string, string> ByField(this IEnumerable<Problem> problems) =>
        problems.DistinctBy(problem => problem.Field).ToDictionary(problem => problem.Field, problem => problem.Said.ToString());
}
