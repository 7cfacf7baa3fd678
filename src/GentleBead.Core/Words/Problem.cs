namespace GentleBead.Core.Words;

/// <summary>Something that was put in wrong: where, and what is accepted there.</summary>
/// <param name="Field">Its name in the request, "evidence.beadSizeMm".</param>
/// <param name="Said">What is wrong, or what is accepted.</param>
public sealed record Problem(string Field, Said Said)
{
    /// <summary>The same problem as a part of something larger.</summary>
    /// <param name="parent">The larger thing's field.</param>
    public Problem Under(string parent) => this with { Field = $"{parent}.{Field}" };
}
