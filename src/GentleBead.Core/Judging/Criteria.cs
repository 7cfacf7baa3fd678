using GentleBead.Core.Beads;
using GentleBead.Core.Sheets;

namespace GentleBead.Core.Judging;

/// <summary>Whose limits a bead is measured by; chosen when the sheet is given out.</summary>
public enum CriteriaSet
{
    /// <summary>The room's own tolerances.</summary>
    Practice,

    /// <summary>AWS D1.1, visual, statically loaded.</summary>
    AwsD11Static,

    /// <summary>ISO 5817 level B.</summary>
    Iso5817B,

    /// <summary>ISO 5817 level C.</summary>
    Iso5817C,

    /// <summary>ISO 5817 level D.</summary>
    Iso5817D,

    /// <summary>ISO 10042 level B, aluminium.</summary>
    Iso10042B,

    /// <summary>ISO 10042 level C, aluminium.</summary>
    Iso10042C,

    /// <summary>ISO 10042 level D, aluminium.</summary>
    Iso10042D,
}

/// <summary>One thing a criteria set limits.</summary>
public enum Criterion
{
#pragma warning disable CS1591 // named in the words of the standards
    Scope,
    Cracks,
    BurnThrough,
    Fusion,
    Crater,
    Undercut,
    Porosity,
    Convexity,
    Reinforcement,
    ExcessPenetration,
    UnequalLegs,
    Throat,
    Size,
    Travel,
#pragma warning restore CS1591
}

/// <summary>How a bead stands against one limit.</summary>
/// <param name="Criterion">What is limited.</param>
/// <param name="Standing">How it stands; not measured is never right.</param>
/// <param name="Limit">The limit for this thickness and size.</param>
/// <param name="Found">What was found.</param>
public sealed record CriterionVerdict(Criterion Criterion, Standing Standing, Said Limit, Said Found);

/// <summary>How a bead stands against a whole set.</summary>
/// <param name="Set">Which set.</param>
/// <param name="Name">Its name.</param>
/// <param name="Standing">Off when one limit is passed, right when all are kept, else not known.</param>
/// <param name="Criteria">Limit by limit.</param>
/// <param name="Note">Whose word stands over this.</param>
public sealed record Acceptance(CriteriaSet Set, Said Name, Standing Standing, IReadOnlyList<CriterionVerdict> Criteria, Said Note);

/// <summary>One criteria set.</summary>
/// <param name="Set">Which set.</param>
/// <param name="Name">Its name.</param>
/// <param name="Note">Whose word takes precedence.</param>
/// <param name="Measure">A bead limit by limit.</param>
internal sealed record CriteriaFacts(
    CriteriaSet Set,
    Said Name,
    Said Note,
    Func<Gauge, PracticeTolerances, IEnumerable<CriterionVerdict>> Measure
);

/// <summary>Beads against criteria sets.</summary>
/// <remarks>
/// Limits of the standards are from memory and stand in <see cref="AwsLimits"/> and <see cref="IsoLevel"/>; what could not be recalled for
/// sure is left
/// out and said to be left out. The code in force on the job, in its own edition, takes precedence over all of it.
/// </remarks>
public static class Criteria
{
    private static readonly Said CheckYourCopy = Sentences(
        Say($"Limits from memory: check your copy."),
        Say($"The code in force on the job and a qualified inspector take precedence.")
    );

    private static readonly Said QualifiesNobody = Say($"The room's own tolerances: they qualify nobody.");

    // A set is a row; each level of a standard is a row of its own table.
    private static readonly Dictionary<CriteriaSet, CriteriaFacts> Sets = new CriteriaFacts[]
    {
        new(CriteriaSet.Practice, Say($"Practice, the room's own"), QualifiesNobody, PracticeLimits.Measure),
        new(CriteriaSet.AwsD11Static, Say($"AWS D1.1, visual, static"), CheckYourCopy, (gauge, _) => AwsLimits.Measure(gauge)),
        Iso(CriteriaSet.Iso5817B, Say($"ISO 5817 level B")),
        Iso(CriteriaSet.Iso5817C, Say($"ISO 5817 level C")),
        Iso(CriteriaSet.Iso5817D, Say($"ISO 5817 level D")),
        Iso(CriteriaSet.Iso10042B, Say($"ISO 10042 level B")),
        Iso(CriteriaSet.Iso10042C, Say($"ISO 10042 level C")),
        Iso(CriteriaSet.Iso10042D, Say($"ISO 10042 level D")),
    }.ToDictionary(row => row.Set);

    /// <summary>The name of a set.</summary>
    public static Said Name(CriteriaSet set) => Sets[set].Name;

    /// <summary>Measures a bead by a set.</summary>
    /// <param name="set">Whose limits.</param>
    /// <param name="sheet">The sheet it was laid to.</param>
    /// <param name="evidence">What was seen and measured.</param>
    /// <param name="tolerances">The room's own, for practice.</param>
    public static Acceptance Of(CriteriaSet set, Sheet sheet, Evidence evidence, PracticeTolerances tolerances)
    {
        var facts = Sets[set];
        CriterionVerdict[] verdicts = [.. facts.Measure(new Gauge(sheet, evidence), tolerances)];
        var standing =
            verdicts.Any(verdict => verdict.Standing == Standing.Off) ? Standing.Off
            : verdicts.All(verdict => verdict.Standing == Standing.Right) ? Standing.Right
            : Standing.NotKnown;
        return new(set, facts.Name, standing, verdicts, facts.Note);
    }

    private static CriteriaFacts Iso(CriteriaSet set, Said name) =>
        new(set, name, CheckYourCopy, (gauge, _) => IsoLimits.Measure(gauge, IsoLevel.Of(set)));
}
