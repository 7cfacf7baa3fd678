using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Core.Judging;

/// <summary>A limit that grows with a size up to a most: base + share x size, in millimetres.</summary>
internal readonly record struct Growing(double Base, double Share, double Most)
{
    /// <summary>The limit at a size in millimetres.</summary>
    public double At(double size) => Math.Min(Base + Share * size, Most);
}

/// <summary>
/// The limits of one quality level of ISO 5817 (steel, nickel, titanium) or ISO 10042 (aluminium), from memory. Null where one could not be
/// recalled for sure.
/// </summary>
internal sealed record IsoLevel
{
    /// <summary>Up to this thickness ISO 5817 has limits of its own, of which not all are recalled for sure.</summary>
    public const double ThinMm = 3;

    /// <summary>Whether it is written for aluminium.</summary>
    public bool Aluminium { get; init; }

    /// <summary>Undercut by thickness, over 3 mm.</summary>
    public Growing? Undercut { get; init; }

    /// <summary>Largest surface pore, by throat or thickness, over 3 mm.</summary>
    public Growing? Pore { get; init; }

    /// <summary>Excess penetration by the width of the root, over 3 mm.</summary>
    public Growing? ExcessPenetration { get; init; }

    /// <summary>Convexity of a fillet by the width of its face.</summary>
    public required Growing Convexity { get; init; }

    /// <summary>Excess weld metal of a butt by the width of its face.</summary>
    public required Growing Reinforcement { get; init; }

    /// <summary>Asymmetry of a fillet by its nominal throat.</summary>
    public Growing? UnequalLegs { get; init; }

    /// <summary>How much of the nominal throat may lack, over 3 mm.</summary>
    public Growing? ThroatShort { get; init; }

    /// <summary>The levels.</summary>
    public static IReadOnlyDictionary<CriteriaSet, IsoLevel> All { get; } =
        new Dictionary<CriteriaSet, IsoLevel>
        {
            [CriteriaSet.Iso5817B] = new()
            {
                Undercut = new(0, 0.05, 0.5),
                Pore = new(0, 0, 0),
                ExcessPenetration = new(1, 0.2, 3),
                Convexity = new(1, 0.1, 3),
                Reinforcement = new(1, 0.1, 5),
                UnequalLegs = new(1.5, 0.15, double.PositiveInfinity),
                ThroatShort = new(0, 0, 0),
            },
            [CriteriaSet.Iso5817C] = new()
            {
                Undercut = new(0, 0.1, 0.5),
                Pore = new(0, 0.2, 2),
                ExcessPenetration = new(1, 0.6, 4),
                Convexity = new(1, 0.15, 4),
                Reinforcement = new(1, 0.15, 7),
                UnequalLegs = new(2, 0.15, double.PositiveInfinity),
                ThroatShort = new(0.3, 0.1, 1),
            },
            [CriteriaSet.Iso5817D] = new()
            {
                Undercut = new(0, 0.2, 1),
                Pore = new(0, 0.3, 3),
                ExcessPenetration = new(1, 1, 5),
                Convexity = new(1, 0.25, 5),
                Reinforcement = new(1, 0.25, 10),
                UnequalLegs = new(2, 0.2, double.PositiveInfinity),
                ThroatShort = new(0.3, 0.1, 2),
            },
            [CriteriaSet.Iso10042B] = new()
            {
                Aluminium = true,
                Convexity = new(1.5, 0.1, 3),
                Reinforcement = new(1.5, 0.1, 6),
            },
            [CriteriaSet.Iso10042C] = new()
            {
                Aluminium = true,
                Convexity = new(1.5, 0.15, 4),
                Reinforcement = new(1.5, 0.15, 8),
            },
            [CriteriaSet.Iso10042D] = new()
            {
                Aluminium = true,
                Convexity = new(1.5, 0.3, 5),
                Reinforcement = new(1.5, 0.2, 10),
            },
        };

    /// <summary>The level of a set.</summary>
    public static IsoLevel Of(CriteriaSet set) => All[set];
}

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
