using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>A bead against a quality level of ISO 5817 or ISO 10042.</summary>
internal static class IsoLimits
{
    private static readonly Said NotRecalled = Say($"not known from memory for this plate");

    /// <summary>Limit by limit.</summary>
    public static IEnumerable<CriterionVerdict> Measure(Gauge gauge, IsoLevel level)
    {
        if (level.Aluminium != (gauge.Sheet.Job.Metal == Metal.Aluminium))
        {
            yield return new(
                Criterion.Scope,
                Standing.NotKnown,
                level.Aluminium ? Say($"written for aluminium") : Say($"written for steel, nickel and titanium"),
                Say($"this plate is another metal")
            );
        }
        yield return gauge.Never(Criterion.Cracks, Fault.Crack);
        yield return gauge.Never(Criterion.BurnThrough, Fault.Hole);
        yield return gauge.Fused();
        var thick = gauge.Thickness > IsoLevel.ThinMm;
        yield return thick && level.Undercut is { } undercut
            ? Gauge.AtMost(Criterion.Undercut, gauge.Undercut, undercut.At(gauge.Thickness))
            : Unsure(Criterion.Undercut);
        yield return thick && level.Pore is { } pore ? Pores(gauge, pore) : Unsure(Criterion.Porosity);
        if (!gauge.IsFillet && thick && level.ExcessPenetration is { } excess)
            yield return ExcessPenetration(gauge, excess);
        yield return Crown(gauge, level);
        if (!gauge.IsFillet)
            yield break;
        yield return level.UnequalLegs is { } legs
            ? Gauge.AtMost(Criterion.UnequalLegs, gauge.LegDifference, legs.At(gauge.NominalThroat))
            : Unsure(Criterion.UnequalLegs);
        yield return thick && level.ThroatShort is { } lack ? Throat(gauge, lack) : Unsure(Criterion.Throat);
    }

    private static CriterionVerdict Unsure(Criterion criterion) => new(criterion, Standing.NotKnown, NotRecalled, Gauge.LookItUp);

    private static CriterionVerdict Pores(Gauge gauge, Growing limit)
    {
        var most = limit.At(gauge.IsFillet ? gauge.NominalThroat : gauge.Thickness);
        var said = most == 0 ? Gauge.None : Say($"none over {Length.FromMm(most)}");
        if (gauge.Pores is not { } pores)
            return new(Criterion.Porosity, Standing.NotKnown, said, Gauge.NotLookedFor);
        return Gauge.Found(
            Criterion.Porosity,
            most == 0 ? pores.Length == 0 : pores.All(pore => pore <= most + Gauge.Hair),
            said,
            gauge.PoreWords()
        );
    }

    private static CriterionVerdict ExcessPenetration(Gauge gauge, Growing limit) =>
        gauge.RootWidth is { } root
            ? Gauge.AtMost(Criterion.ExcessPenetration, gauge.Evidence.Measured?.ExcessPenetration?.Mm, limit.At(root))
            : new(
                Criterion.ExcessPenetration,
                Standing.NotKnown,
                Say($"at most {Length.FromMm(limit.Most)}, less for a narrow root"),
                Say($"root not measured")
            );

    private static CriterionVerdict Crown(Gauge gauge, IsoLevel level)
    {
        var (crown, limit) = gauge.IsFillet ? (Criterion.Convexity, level.Convexity) : (Criterion.Reinforcement, level.Reinforcement);
        return gauge.FaceWidth is { } face
            ? Gauge.AtMost(crown, gauge.Crown, limit.At(face), Say($"for {Length.FromMm(face)} wide"))
            : new(crown, Standing.NotKnown, Say($"goes with the width"), Say($"width not measured"));
    }

    private static CriterionVerdict Throat(Gauge gauge, Growing mayLack)
    {
        var least = gauge.NominalThroat - mayLack.At(gauge.NominalThroat);
        var limit = Say($"at least {Length.FromMm(least)}, aimed at {Length.FromMm(gauge.NominalThroat)}");
        return gauge.Throat is { } throat
            ? Gauge.Found(Criterion.Throat, throat >= least - Gauge.Hair, limit, Say($"{Length.FromMm(throat)}"))
            : new(Criterion.Throat, Standing.NotKnown, limit, Gauge.NotMeasured);
    }
}
