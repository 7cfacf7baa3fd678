using GentleBead.Core.Progress;
using GentleBead.Server.Http;
using GentleBead.Server.People;

namespace GentleBead.Server.Progress;

/// <summary>How far two instructors agree, by name.</summary>
/// <param name="One">The one.</param>
/// <param name="Other">The other.</param>
/// <param name="Agreement">On all that both spoke of.</param>
public sealed record NamedPair(PersonName One, PersonName Other, WordsAgreement Agreement);

/// <summary>How far instructors agree among themselves.</summary>
/// <param name="ByAspect">What they part on most first.</param>
/// <param name="ByPair">Who parts most first.</param>
public sealed record AmongInstructors(IReadOnlyList<WordsAgreement> ByAspect, IReadOnlyList<NamedPair> ByPair);

/// <summary>What instructors say of the same beads.</summary>
public static class InstructorEndpoints
{
    private const int PairsShown = 20;

    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/judging/among-instructors", OfAsync).WithTags("progress").RequireAuthorization(Access.Instructor);

    private static async Task<AmongInstructors> OfAsync(InstructorWordStore words, CancellationToken cancel)
    {
        var agreement = InstructorAgreement.Of(await words.NewestAsync(cancel));
        var pairs = agreement.ByPair.Take(PairsShown).ToArray();
        var names = await words.NamesAsync([.. pairs.SelectMany(pair => new[] { pair.One, pair.Other }).Distinct()], cancel);
        return new(agreement.ByAspect, [.. pairs.Select(pair => new NamedPair(names[pair.One], names[pair.Other], pair.Agreement))]);
    }
}
