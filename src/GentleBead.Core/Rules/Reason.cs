namespace GentleBead.Core.Rules;

/// <summary>What stands behind a rule.</summary>
public enum Source
{
    /// <summary>What the trade does; nobody published it.</summary>
    CommonPractice,

    /// <summary>A published standard or handbook, named in the reason.</summary>
    Published,

    /// <summary>Geometry or conservation: no opinion in it.</summary>
    Arithmetic,

    /// <summary>Measured on this machine with a ruler and a watch.</summary>
    Measured,
}

/// <summary>One link of the chain behind a number.</summary>
/// <param name="Of">The number it explains, by the sheet's own name: "wireFeed".</param>
/// <param name="Rule">The rule's name.</param>
/// <param name="Working">The rule with this job's numbers in it.</param>
/// <param name="Result">What came out.</param>
/// <param name="Source">What stands behind the rule.</param>
/// <param name="From">The numbers it was worked out from, each with a reason of its own.</param>
public sealed record Reason(string Of, Said Rule, Said Working, Said Result, Source Source, IReadOnlyList<string> From);

/// <summary>Something to heed, shown where it arises.</summary>
/// <param name="Text">What to heed and what to do.</param>
/// <param name="Grave">Whether somebody can be hurt or the weld can fail if it is passed over.</param>
public sealed record Caution(Said Text, bool Grave);
