using System.Security.Claims;
using GentleBead.Core.Courses;
using GentleBead.Core.Judging;
using GentleBead.Core.Rules;
using GentleBead.Core.Sheets;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Courses;

/// <summary>An exercise as it is typed.</summary>
/// <param name="EditionId">The id of what is added.</param>
/// <param name="Edition">The edition it was changed from; 0 for a new one.</param>
/// <param name="Name">What it is called, 1 to 60 letters.</param>
/// <param name="Job">What is welded, as typed.</param>
/// <param name="Criteria">What its beads are judged by.</param>
/// <param name="Proof">What shows that it is done.</param>
/// <param name="Done">How many right beads it takes.</param>
/// <param name="Pieces">What a coupon is made of.</param>
/// <param name="BeadsACoupon">How many beads a coupon takes.</param>
/// <param name="MinutesABead">Minutes a bead takes with everything around it.</param>
/// <param name="Before">The exercises that come before it.</param>
/// <param name="How">How it is done and what to watch.</param>
/// <param name="Caution">What can hurt, beyond what every sheet says.</param>
public sealed record ExerciseRequest(
    Guid EditionId,
    int Edition,
    string Name,
    JobRequest Job,
    CriteriaSet Criteria,
    Proof Proof,
    DoneRule Done,
    IReadOnlyList<Piece> Pieces,
    int BeadsACoupon,
    double MinutesABead,
    IReadOnlyList<Guid> Before,
    string How,
    string Caution
)
{
    /// <summary>The exercise, or what is wrong with it.</summary>
    public Checked<Exercise> Checked()
    {
        if (!(Job ?? JobRequest.Nothing).Asked().IsGood(out var asked, out var unread))
            return new([.. unread.Select(problem => problem.Under("job"))]);
        var exercise = new Exercise(
            (Name ?? "").Trim(),
            asked,
            Criteria,
            Proof,
            Done ?? DoneRule.Usual,
            Pieces ?? [],
            BeadsACoupon,
            MinutesABead,
            Before ?? [],
            (How ?? "").Trim(),
            (Caution ?? "").Trim()
        );
        var problems = exercise.Problems().ToList();
        // A job that no sheet can be made for is none to practise.
        if (Planner.Plan(Defaults.Complete(asked, null)) is Refusal refusal)
            problems.Add(refusal.AsProblem().Under("job"));
        return problems.Count > 0 ? new(problems) : new(exercise);
    }
}

/// <summary>Whether an exercise is taken out.</summary>
public sealed record Retiring(bool Retired);

/// <summary>The library of exercises.</summary>
public static class ExerciseEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var exercises = app.MapGroup("/api/exercises").WithTags("courses").RequireAuthorization(Access.Instructor);
        exercises.MapGet("/", ListAsync);
        exercises.MapGet("/{id:guid}", OneAsync);
        exercises.MapPut("/{id:guid}", AddAsync).Repeatable();
        exercises.MapPut("/{id:guid}/retired", RetireAsync);
        exercises.MapGet("/json", JsonAsync).Produces(StatusCodes.Status200OK, contentType: "application/json");
        exercises.MapGet("/csv", CsvAsync).Produces(StatusCodes.Status200OK, contentType: "text/csv");
        exercises.MapPost("/read", ReadAsync).TakesSmallFile(ExerciseFile.MostBytes);
    }

    private static async Task<IReadOnlyList<ListedExercise>> ListAsync(ExerciseStore store, CancellationToken cancel) =>
        [.. (await store.AllAsync(cancel)).Select(ListedExercise.Of)];

    private static async Task<Results<Ok<KnownExercise>, NotFound>> OneAsync(Guid id, ExerciseStore store, CancellationToken cancel) =>
        await store.FindAsync(id, cancel) is { } known ? TypedResults.Ok(known) : TypedResults.NotFound();

    private static async Task<Results<NoContent, Wrong, Told>> AddAsync(
        Guid id,
        ExerciseRequest request,
        ClaimsPrincipal user,
        ExerciseStore store,
        CancellationToken cancel
    )
    {
        if (!request.Checked().IsGood(out var exercise, out var problems))
            return Problems.Of(problems);
        var all = await store.AllAsync(cancel);
        if (request.Edition == 0 && all.Count >= ExerciseStore.Most)
            return Problems.Field("name", Say($"At most {ExerciseStore.Most} exercises."));
        var known = all.Where(one => one.Id != id).ToDictionary(one => one.Id);
        if (exercise.Before.Any(one => !known.ContainsKey(one)))
            return Problems.Field("before", Say($"Not all of what comes before it is here."));
        var path = new CoursePath([
            .. known.Values.Select(one => new PathStep(one.Id, one.Exercise.Before)),
            new PathStep(id, exercise.Before),
        ]);
        if (path.Circle() is { Count: > 0 } circle)
        {
            var names = circle.Select(one => Said.AsIs(one == id ? exercise.Name : known[one].Exercise.Name));
            return Problems.Field("before", Say($"A circle: {Said.Parts(", then ", [.. names])}."));
        }
        return await store.AddAsync(id, request.EditionId, exercise, request.Edition, user.Id(), Sent.Of(request).Under(id), cancel)
            ? TypedResults.NoContent()
            : Problems.Told(
                StatusCodes.Status409Conflict,
                Say($"Somebody has changed this exercise since you opened it. Look at it again, then change it.")
            );
    }

    private static async Task<Results<NoContent, NotFound>> RetireAsync(
        Guid id,
        Retiring request,
        ExerciseStore store,
        CancellationToken cancel
    ) => await store.RetireAsync(id, request.Retired, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<FileContentHttpResult> JsonAsync(ExerciseStore store, CancellationToken cancel) =>
        TypedResults.File(ExerciseFile.WriteJson(await store.AllAsync(cancel)), "application/json", "exercises.json");

    private static async Task<FileContentHttpResult> CsvAsync(ExerciseStore store, CancellationToken cancel) =>
        TypedResults.File(ExerciseFile.WriteCsv(await store.AllAsync(cancel)), "text/csv; charset=utf-8", "exercises.csv");

    private static async Task<Results<Ok<IReadOnlyList<ReadExercise>>, Wrong>> ReadAsync(
        HttpRequest request,
        ExerciseStore store,
        CancellationToken cancel
    )
    {
        if (await SmallFile.TextAsync(request, ExerciseFile.MostBytes, cancel) is not { } text)
            return Problems.Field("file", Say($"Larger than {ExerciseFile.MostBytes / 1024} kB: no file of exercises."));
        return ExerciseFile.Read(text, await store.AllAsync(cancel)).IsGood(out var read, out var problems)
            ? TypedResults.Ok(read)
            : Problems.Of(problems);
    }
}
