namespace GentleBead.Server.Http;

/// <summary>A page of a longer list.</summary>
/// <param name="Items">What is on it, in the list's order.</param>
/// <param name="More">What to ask for the next page with; null on the last.</param>
public sealed record Page<T>(IReadOnlyList<T> Items, string? More);
