using System.Security.Claims;
using GentleBead.Core.Progress;
using GentleBead.Core.Stock;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Progress;

/// <summary>What a student can weld: for themselves and for instructors.</summary>
public static class ProgressEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var students = app.MapGroup("/api/students/{id:guid}").WithTags("progress").RequireAuthorization(Access.SignedIn);
        students.MapGet("/skills", MapAsync);
        students.MapGet("/skills/curve", CurveAsync);
        students.MapGet("/progress", OfStudentAsync);
    }

    /// <summary>The student somebody asks for; null where there is none, or they may not see them: it does not exist for them.</summary>
    internal static async Task<Person?> StudentAsync(this PeopleStore people, Guid id, ClaimsPrincipal user, CancellationToken cancel) =>
        user.MaySee(id) && await people.FindAsync(id, cancel) is { Role: Role.Student } student ? student : null;

    private static async Task<Results<Ok<StudentProgress>, NotFound>> OfStudentAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        StudentReader reader,
        CancellationToken cancel
    ) =>
        await people.StudentAsync(id, user, cancel) is null
            ? TypedResults.NotFound()
            : TypedResults.Ok(await reader.ProgressAsync(id, cancel));

    private static async Task<Results<Ok<SkillMap>, NotFound>> MapAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        StudentReader reader,
        CancellationToken cancel
    ) =>
        await people.StudentAsync(id, user, cancel) is { } student
            ? TypedResults.Ok(
                new SkillMap(
                    new PersonName(student.Id, student.Name),
                    await reader.MapAsync(id, user.IsInRole(nameof(Role.Instructor)), cancel)
                )
            )
            : TypedResults.NotFound();

    private static async Task<Results<Ok<IReadOnlyList<LearningDay>>, NotFound>> CurveAsync(
        Guid id,
        string process,
        string joint,
        string position,
        ClaimsPrincipal user,
        PeopleStore people,
        ProgressStore progress,
        CancellationToken cancel
    ) =>
        await people.StudentAsync(id, user, cancel) is not null
        && Named<Process>(process) is { } with
        && Named<Joint>(joint) is { } at
        && Named<Position>(position) is { } lying
            ? TypedResults.Ok(LearningDay.Curve(await progress.BeadsAsync(id, new(with, at, lying), cancel)))
            : TypedResults.NotFound();

    // What there is no such thing of is not found, rather than a request that cannot be read.
    private static T? Named<T>(string name)
        where T : struct, Enum => Enum.TryParse<T>(name, ignoreCase: true, out var known) && Enum.IsDefined(known) ? known : null;
}
