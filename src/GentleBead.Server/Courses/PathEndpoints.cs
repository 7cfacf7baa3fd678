using System.Security.Claims;
using GentleBead.Core.Courses;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Courses;

/// <summary>A step of a path as it is shown.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="Name">What it is called.</param>
/// <param name="DoneWhen">When it is done, in words.</param>
/// <param name="Before">The steps that come before it.</param>
/// <param name="Rank">How many steps stand before it on the longest way.</param>
public sealed record ShownStep(Guid ExerciseId, string Name, Said DoneWhen, IReadOnlyList<Guid> Before, int Rank);

/// <summary>The path of a course.</summary>
/// <param name="Edition">Which edition; 0 before there is one.</param>
/// <param name="Steps">Its steps, in order.</param>
public sealed record ShownPath(int Edition, IReadOnlyList<ShownStep> Steps);

/// <summary>A step to put on a path.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="Before">The steps that come before it; left out, as the exercises themselves say.</param>
public sealed record NewPathStep(Guid ExerciseId, IReadOnlyList<Guid>? Before = null);

/// <summary>What a path is to be.</summary>
/// <param name="Id">The id of what is added.</param>
/// <param name="Edition">The edition it was changed from; 0 for the first.</param>
/// <param name="Steps">Its steps, in order.</param>
public sealed record NewPath(Guid Id, int Edition, IReadOnlyList<NewPathStep> Steps);

/// <summary>Where a student of a course stands on its path.</summary>
/// <param name="Student">Who.</param>
/// <param name="Done">How many steps are done.</param>
/// <param name="Next">What comes next, the first few, and how far that has come.</param>
public sealed record StudentPlace(PersonName Student, int Done, IReadOnlyList<StepPlace> Next);

/// <summary>A course as one of its students sees it.</summary>
/// <param name="Id">Which course.</param>
/// <param name="Name">What it is called.</param>
/// <param name="RoomName">In which room it is held.</param>
/// <param name="Path">Its path.</param>
/// <param name="Places">Where they stand on it.</param>
/// <param name="Next">The exercises that come next, the first few.</param>
public sealed record OwnCourse(
    Guid Id,
    string Name,
    string RoomName,
    ShownPath Path,
    IReadOnlyList<StepPlace> Places,
    IReadOnlyList<NextExercise> Next
);

/// <summary>An exercise that comes next for somebody.</summary>
/// <param name="ExerciseId">Which exercise.</param>
/// <param name="How">How it is done and what to watch.</param>
/// <param name="Caution">What can hurt, beyond what every sheet says; empty where there is nothing more.</param>
/// <param name="WarmUp">Why what is done already comes first; null where it does not.</param>
public sealed record NextExercise(Guid ExerciseId, string How, string Caution, Said? WarmUp);

/// <summary>Paths of courses, and where their students stand on them.</summary>
public static class PathEndpoints
{
    private const int NextShown = 3;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var courses = app.MapGroup("/api/courses").WithTags("courses");
        courses.MapGet("/{id:guid}/path", OneAsync).RequireAuthorization(Access.Instructor);
        courses.MapPut("/{id:guid}/path", ChangeAsync).RequireAuthorization(Access.Instructor).Repeatable();
        courses.MapGet("/{id:guid}/places", PlacesAsync).RequireAuthorization(Access.Instructor);
        courses.MapGet("/mine", MineAsync).RequireAuthorization(Access.SignedIn);
    }

    private static async Task<Results<Ok<ShownPath>, NotFound>> OneAsync(
        Guid id,
        CourseStore courses,
        PathStore paths,
        CancellationToken cancel
    ) => await courses.ExistsAsync(id, cancel) ? TypedResults.Ok((await paths.OfAsync(id, cancel)).Shown) : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound, Wrong, Told>> ChangeAsync(
        Guid id,
        NewPath request,
        ClaimsPrincipal user,
        CourseStore courses,
        ExerciseStore exercises,
        PathStore paths,
        CancellationToken cancel
    )
    {
        if (await courses.FindAsync(id, cancel) is not { } course)
            return TypedResults.NotFound();
        var asked = request.Steps ?? [];
        if (asked.Count > CoursePath.Most)
            return Problems.Field("steps", Say($"At most {CoursePath.Most} exercises."));
        var known = (await exercises.AllAsync(cancel)).ToDictionary(one => one.Id);
        var usual = CoursePath.Of(
            [.. asked.Select(step => step.ExerciseId)],
            of => known.TryGetValue(of, out var one) ? one.Exercise.Before : []
        );
        var own = usual.Steps.ToDictionary(step => step.ExerciseId, step => step.Before);
        var path = new CoursePath([.. asked.Select(step => new PathStep(step.ExerciseId, step.Before ?? own[step.ExerciseId]))]);
        if (path.Problems(of => known.GetValueOrDefault(of)?.Exercise.Name).ToArray() is { Length: > 0 } problems)
            return Problems.Of(problems);
        return await paths.AddAsync(request.Id, (id, course.Name), path, request.Edition, user.Id(), Sent.Of(request).Under(id), cancel)
            ? TypedResults.NoContent()
            : Problems.Told(
                StatusCodes.Status409Conflict,
                Say($"Somebody has changed this path since you opened it. Look at it again, then change it.")
            );
    }

    private static async Task<Results<Ok<IReadOnlyList<StudentPlace>>, NotFound>> PlacesAsync(
        Guid id,
        CourseStore courses,
        RosterStore roster,
        PathStore paths,
        WorkStore work,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        if (!await courses.ExistsAsync(id, cancel))
            return TypedResults.NotFound();
        var today = await clock.TodayAsync(cancel);
        var on = (await roster.OfAsync(id, cancel)).Where(one => one.LastDay is null || one.LastDay >= today).ToArray();
        var path = await paths.OfAsync(id, cancel);
        var done = await work.OfAsync([.. on.Select(one => one.Student.Id)], cancel);
        return TypedResults.Ok<IReadOnlyList<StudentPlace>>([.. on.Select(Place)]);

        StudentPlace Place(Enrolment one)
        {
            var places = path.PlacesOf(done.GetValueOrDefault(one.Student.Id, StudentWork.None), today);
            var steps = places.Steps.ToDictionary(step => step.ExerciseId);
            return new(
                one.Student,
                places.Steps.Count(step => step.Place.State == ExerciseState.Done),
                [.. places.Next.Take(NextShown).Select(next => steps[next])]
            );
        }
    }

    private static async Task<IReadOnlyList<OwnCourse>> MineAsync(
        ClaimsPrincipal user,
        CourseStore courses,
        PathStore paths,
        WorkStore work,
        SchoolClock clock,
        CancellationToken cancel
    )
    {
        var mine = await courses.OfStudentAsync(user.Id(), cancel);
        var today = await clock.TodayAsync(cancel);
        var done = (await work.OfAsync([user.Id()], cancel)).GetValueOrDefault(user.Id(), StudentWork.None);
        var shown = new List<OwnCourse>();
        foreach (var course in mine)
        {
            var path = await paths.OfAsync(course.Id, cancel);
            var places = path.PlacesOf(done, today);
            var next = places.Next.Take(NextShown).Select(Next);
            shown.Add(new(course.Id, course.Name, course.RoomName, path.Shown, places.Steps, [.. next]));

            NextExercise Next(Guid id) =>
                new(
                    id,
                    path.Exercises[id].How,
                    path.Exercises[id].Caution,
                    places.WarmUp is { } warm && warm.ExerciseId == id ? warm.Why : null
                );
        }
        return shown;
    }
}
