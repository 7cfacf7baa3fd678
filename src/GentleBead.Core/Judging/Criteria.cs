using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Core.Stock;

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
    Scope, Cracks, BurnThrough, Fusion, Crater, Undercut, Porosity, Convexity, Reinforcement, ExcessPenetration, UnequalLegs, Throat, Size, Travel,
#pragma warning restore CS1591
}

/// <summary>How a bead stands against one limit.</summary>
/// <param name="Criterion">What is limited.</param>
/// <param name="Standing">How it stands; not measured is never right.</param>
/// <param name="Limit">The limit for this thickness and size.</param>
/// <param name="Found">What was found.</param>
public sealed record CriterionVerdict(Criterion Criterion, Standing Standing, string Limit, string Found);

/// <summary>How a bead stands against a whole set.</summary>
/// <param name="Set">Which set.</param>
/// <param name="Name">Its name.</param>
/// <param name="Standing">Off when one limit is passed, right when all are kept, else not known.</param>
/// <param name="Criteria">Limit by limit.</param>
/// <param name="Note">Whose word stands over this.</param>
public sealed record Acceptance(CriteriaSet Set, string Name, Standing Standing, IReadOnlyList<CriterionVerdict> Criteria, string Note);

/// <summary>The room's own tolerances for practice beads. Defaults: common practice, no source.</summary>
/// <param name="Undercut">Deepest undercut; 0 to 5 mm.</param>
/// <param name="Crown">Highest crown; 0.5 to 10 mm.</param>
/// <param name="UnequalLegs">Largest difference of the legs; 0 to 10 mm.</param>
/// <param name="LargestPore">Largest pore; 0 to 5 mm.</param>
/// <param name="Pores">Most pores on a bead; 0 to 50.</param>
/// <param name="TravelPercent">How far the travel may stray from the sheet's; 5 to 100 %.</param>
public sealed record PracticeTolerances(Length Undercut, Length Crown, Length UnequalLegs, Length LargestPore, int Pores, double TravelPercent)
{
    /// <summary>To begin with.</summary>
    public static PracticeTolerances Usual { get; } = new(Length.FromMm(0.5), Length.FromMm(2.5), Length.FromMm(1.5), Length.FromMm(1), 2, 20);

    /// <summary>What lies outside its range, by JSON field.</summary>
    public IEnumerable<(string Field, string Problem)> Problems()
    {
        if (Undercut.Mm > 5) yield return ("undercutMm", "An undercut of 0 to 5 mm.");
        if (Crown.Mm is < 0.5 or > 10) yield return ("crownMm", "A crown of 0.5 to 10 mm.");
        if (UnequalLegs.Mm > 10) yield return ("unequalLegsMm", "A difference of 0 to 10 mm.");
        if (LargestPore.Mm > 5) yield return ("largestPoreMm", "A pore of 0 to 5 mm.");
        if (Pores is < 0 or > 50) yield return ("pores", "0 to 50 pores.");
        if (TravelPercent is not (>= 5 and <= 100)) yield return ("travelPercent", "5 to 100 %.");
    }
}

/// <summary>Beads against criteria sets.</summary>
/// <remarks>
/// Limits of the standards are from memory and stand in <see cref="Limits"/>; what could not be recalled for sure is left
/// out and said to be left out. The code in force on the job, in its own edition, stands over all of it.
/// </remarks>
public static class Criteria
{
    private const string CheckYourCopy = "Limits from memory: check your copy. The code in force on the job and a qualified inspector stand over this.";

    private static readonly string[] Names =
    [
        "Practice, the room's own", "AWS D1.1, visual, static", "ISO 5817 level B", "ISO 5817 level C", "ISO 5817 level D",
        "ISO 10042 level B", "ISO 10042 level C", "ISO 10042 level D",
    ];

    /// <summary>The name of a set.</summary>
    public static string Name(CriteriaSet set) => Names[(int)set];

    /// <summary>Measures a bead by a set.</summary>
    /// <param name="set">Whose limits.</param>
    /// <param name="sheet">The sheet it was laid to.</param>
    /// <param name="evidence">What was seen and measured.</param>
    /// <param name="tolerances">The room's own, for practice.</param>
    public static Acceptance Of(CriteriaSet set, Sheet sheet, Evidence evidence, PracticeTolerances tolerances)
    {
        var gauge = new Gauge(sheet, evidence);
        CriterionVerdict[] verdicts =
        [
            .. set switch
            {
                CriteriaSet.Practice => Practice(gauge, tolerances),
                CriteriaSet.AwsD11Static => AwsD11(gauge),
                _ => Iso(gauge, set),
            },
        ];
        var standing = verdicts.Any(verdict => verdict.Standing == Standing.Off) ? Standing.Off
            : verdicts.All(verdict => verdict.Standing == Standing.Right) ? Standing.Right : Standing.NotKnown;
        return new(set, Name(set), standing, verdicts, set == CriteriaSet.Practice ? "The room's own tolerances: they qualify nobody." : CheckYourCopy);
    }

    private static IEnumerable<CriterionVerdict> Practice(Gauge gauge, PracticeTolerances own)
    {
        yield return gauge.Never(Criterion.Cracks, Fault.Crack);
        yield return gauge.Never(Criterion.BurnThrough, Fault.Hole);
        yield return gauge.Fused();
        yield return Gauge.AtMost(Criterion.Undercut, gauge.Undercut, own.Undercut.Mm);
        yield return Gauge.AtMost(gauge.IsFillet ? Criterion.Convexity : Criterion.Reinforcement, gauge.Crown, own.Crown.Mm);
        yield return gauge.Pores is not { } pores
            ? new(Criterion.Porosity, Standing.NotKnown, $"at most {own.Pores}, none over {Show.Of(own.LargestPore)}", "not looked for")
            : new(Criterion.Porosity, pores.Length <= own.Pores && pores.All(pore => pore <= own.LargestPore.Mm) ? Standing.Right : Standing.Off, $"at most {own.Pores}, none over {Show.Of(own.LargestPore)}", gauge.PoreWords());
        if (gauge.IsFillet) yield return Gauge.AtMost(Criterion.UnequalLegs, gauge.LegDifference, own.UnequalLegs.Mm);
        yield return gauge.Sized();
        if (gauge.Sheet.Travel is { } travel)
        {
            var limit = $"{Show.Of(travel)}, {Show.Number(own.TravelPercent)} % either way";
            yield return gauge.Evidence.Measured?.Travel() is { } measured
                ? new(Criterion.Travel, Math.Abs(measured / travel - 1) * 100 <= own.TravelPercent ? Standing.Right : Standing.Off, limit, Show.Of(measured))
                : new(Criterion.Travel, Standing.NotKnown, limit, "not timed");
        }
    }

    private static IEnumerable<CriterionVerdict> AwsD11(Gauge gauge)
    {
        if (gauge.Thickness < Limits.AwsFrom.Mm)
        {
            yield return new(Criterion.Scope, Standing.NotKnown, $"written for {Show.Of(Limits.AwsFrom)} and thicker", $"{Show.Of(gauge.Sheet.Job.Thinner)}: another code stands over sheet");
        }
        yield return gauge.Never(Criterion.Cracks, Fault.Crack);
        yield return gauge.Never(Criterion.BurnThrough, Fault.Hole);
        yield return gauge.Fused();
        yield return gauge.Never(Criterion.Crater, Fault.OpenCrater, "filled to the bead's full section");
        yield return Limits.AwsUndercut(gauge);
        yield return Limits.AwsPorosity(gauge);
        if (!gauge.IsFillet) yield break;
        yield return gauge.FaceWidth is { } face
            ? Gauge.AtMost(Criterion.Convexity, gauge.Crown, Limits.AwsConvexity(face), $" for a face {Show.Of(Length.FromMm(face))} wide")
            : new(Criterion.Convexity, Standing.NotKnown, "1/16 in up to a face of 5/16 in, 1/8 in up to 1 in, 3/16 in above", "width of the face not measured");
        var least = Fillet.Smallest(gauge.Sheet.Job.Thicker);
        yield return gauge.SmallerLeg is { } leg
            ? new(Criterion.Size, leg >= least.Mm - Gauge.Hair ? Standing.Right : Standing.Off, $"at least {Show.Of(least)} for {Show.Of(gauge.Sheet.Job.Thicker)} plate", Show.Of(Length.FromMm(leg)))
            : new(Criterion.Size, Standing.NotKnown, $"at least {Show.Of(least)} for {Show.Of(gauge.Sheet.Job.Thicker)} plate", "both legs not measured");
    }

    private static IEnumerable<CriterionVerdict> Iso(Gauge gauge, CriteriaSet set)
    {
        var aluminium = set >= CriteriaSet.Iso10042B;
        var level = (int)set - (int)(aluminium ? CriteriaSet.Iso10042B : CriteriaSet.Iso5817B);
        if (aluminium != (gauge.Sheet.Job.Metal is Metal.Aluminium))
        {
            yield return new(Criterion.Scope, Standing.NotKnown, aluminium ? "written for aluminium" : "written for steel, nickel and titanium", "this plate is another metal");
        }
        yield return gauge.Never(Criterion.Cracks, Fault.Crack);
        yield return gauge.Never(Criterion.BurnThrough, Fault.Hole);
        yield return gauge.Fused();
        var thin = gauge.Thickness <= Limits.IsoThinMm;
        if (aluminium || thin)
        {
            yield return Unsure(Criterion.Undercut);
            yield return Unsure(Criterion.Porosity);
        }
        else
        {
            yield return Gauge.AtMost(Criterion.Undercut, gauge.Undercut, Limits.IsoUndercut(level, gauge.Thickness));
            yield return Limits.IsoPore(gauge, level);
            if (!gauge.IsFillet)
            {
                yield return gauge.RootWidth is { } root
                    ? Gauge.AtMost(Criterion.ExcessPenetration, gauge.Evidence.Measured?.ExcessPenetration?.Mm, Limits.IsoExcessPenetration(level, root))
                    : new(Criterion.ExcessPenetration, Standing.NotKnown, $"at most {Show.Number(Limits.IsoExcessPenetration(level, 100))} mm, less for a narrow root", "root not measured");
            }
        }
        var crown = gauge.IsFillet ? Criterion.Convexity : Criterion.Reinforcement;
        yield return gauge.FaceWidth is { } face
            ? Gauge.AtMost(crown, gauge.Crown, Limits.IsoCrown(aluminium, gauge.IsFillet, level, face), $" for {Show.Of(Length.FromMm(face))} wide")
            : new(crown, Standing.NotKnown, "goes with the width", "width not measured");
        if (!gauge.IsFillet) yield break;
        if (aluminium)
        {
            yield return Unsure(Criterion.UnequalLegs);
            yield return Unsure(Criterion.Throat);
            yield break;
        }
        yield return Gauge.AtMost(Criterion.UnequalLegs, gauge.LegDifference, Limits.IsoUnequalLegs(level, gauge.NominalThroat));
        yield return thin ? Unsure(Criterion.Throat) : Limits.IsoThroat(gauge, level);
    }

    private static CriterionVerdict Unsure(Criterion criterion) => new(criterion, Standing.NotKnown, "not known from memory for this plate", "look it up in your copy");
}
