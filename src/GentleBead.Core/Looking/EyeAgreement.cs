using GentleBead.Core.Beads;
using GentleBead.Core.Quantities;

namespace GentleBead.Core.Looking;

/// <summary>What the eye measures, that people measure too.</summary>
public enum EyeAspect
{
    /// <summary>A face's length.</summary>
    FaceLength,

    /// <summary>A face's width.</summary>
    FaceWidth,

    /// <summary>A section's leg on the lower plate.</summary>
    LowerLeg,

    /// <summary>A section's leg on the standing plate.</summary>
    UpperLeg,

    /// <summary>A section's throat.</summary>
    Throat,

    /// <summary>A section's width.</summary>
    Width,

    /// <summary>How far a section's face stands over the line between its toes.</summary>
    Reinforcement,

    /// <summary>How far fusion goes past the root.</summary>
    RootPenetration,

    /// <summary>How far it goes into the lower plate.</summary>
    LowerPenetration,

    /// <summary>How far it goes into the standing plate.</summary>
    UpperPenetration,

    /// <summary>Unfused lines together.</summary>
    Unfused,
}

/// <summary>How near the eye comes to what people make of the same pictures, in one thing it measures.</summary>
/// <param name="Aspect">What is measured.</param>
/// <param name="Readings">On how many pictures; above 0.</param>
/// <param name="Near">On how many it was within 5 % or 0.3 mm.</param>
/// <param name="Held">On how many what people say lay between what the eye said it lies.</param>
/// <param name="OverMm">By how much the eye says more, in the middle of all; below 0 less, mm.</param>
/// <param name="Off">By how much it is off in the middle of all, whichever way.</param>
public sealed record EyeAgreement(EyeAspect Aspect, int Readings, int Near, int Held, double OverMm, Length Off)
{
    private const double NearShare = 0.05,
        NearMm = 0.3;

    private static readonly (EyeAspect Aspect, Func<FaceMeasures, ReadLength?> Of)[] OfFace =
    [
        (EyeAspect.FaceLength, one => one.Length),
        (EyeAspect.FaceWidth, one => one.Width),
    ];

    private static readonly (EyeAspect Aspect, Func<SectionMeasures, ReadLength?> Eye, Func<MacroMeasures, Length?> Person)[] OfSection =
    [
        (EyeAspect.LowerLeg, one => one.LowerLeg, one => one.LowerLeg),
        (EyeAspect.UpperLeg, one => one.UpperLeg, one => one.UpperLeg),
        (EyeAspect.Throat, one => one.Throat, one => one.Throat),
        (EyeAspect.Width, one => one.Width, one => one.Width),
        (EyeAspect.Reinforcement, one => one.Reinforcement, one => one.Reinforcement),
        (EyeAspect.RootPenetration, one => one.RootPenetration, one => one.RootPenetration),
        (EyeAspect.LowerPenetration, one => one.LowerPenetration, one => one.LowerPenetration),
        (EyeAspect.UpperPenetration, one => one.UpperPenetration, one => one.UpperPenetration),
        (EyeAspect.Unfused, one => one.UnfusedLength, one => one.UnfusedLength),
    ];

    /// <summary>Counts them; what was measured by nobody, or by one alone, is left out.</summary>
    /// <param name="faces">What the eye proposed of faces, and what was kept.</param>
    /// <param name="sections">What the eye proposed of sections, and what people's marks measure.</param>
    public static IReadOnlyList<EyeAgreement> Of(
        IReadOnlyList<(FaceMeasures Eye, FaceMeasures Kept)> faces,
        IReadOnlyList<(SectionMeasures Eye, MacroMeasures Kept)> sections
    ) =>
        [
            .. OfFace.SelectMany(row => Count(row.Aspect, faces.Select(one => (row.Of(one.Eye), row.Of(one.Kept)?.Value)))),
            .. OfSection.SelectMany(row => Count(row.Aspect, sections.Select(one => (row.Eye(one.Eye), row.Person(one.Kept))))),
        ];

    private static IEnumerable<EyeAgreement> Count(EyeAspect aspect, IEnumerable<(ReadLength? Eye, Length? Person)> all)
    {
        var pairs = all.Where(one => one is { Eye: not null, Person: not null })
            .Select(one => (Eye: one.Eye!, Person: one.Person!.Value))
            .ToArray();
        if (pairs.Length == 0)
            yield break;
        var over = pairs.Select(one => one.Eye.Value.Mm - one.Person.Mm).Order().ToArray();
        yield return new(
            aspect,
            pairs.Length,
            pairs.Count(one => Math.Abs(one.Eye.Value.Mm - one.Person.Mm) <= Math.Max(NearMm, NearShare * one.Person.Mm)),
            pairs.Count(one => one.Person.Mm >= one.Eye.Low.Mm && one.Person.Mm <= one.Eye.High.Mm),
            Middle(over),
            Length.FromMm(Middle([.. over.Select(Math.Abs).Order()]))
        );
    }

    private static double Middle(double[] ordered) => (ordered[(ordered.Length - 1) / 2] + ordered[ordered.Length / 2]) / 2;
}
