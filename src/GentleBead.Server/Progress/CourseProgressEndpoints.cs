using GentleBead.Server.Courses;
using GentleBead.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Progress;

/// <summary>A course at a glance, on screen and as a table.</summary>
public static class CourseProgressEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var courses = app.MapGroup("/api/courses/{id:guid}/progress").WithTags("progress").RequireAuthorization(Access.Instructor);
        courses.MapGet("", OfAsync);
        courses.MapGet("/csv", CsvAsync).Produces(StatusCodes.Status200OK, contentType: "text/csv");
    }

    private static async Task<Results<Ok<CourseProgress>, NotFound>> OfAsync(
        Guid id,
        CourseStore courses,
        CourseReader reader,
        CancellationToken cancel
    ) => await courses.ExistsAsync(id, cancel) ? TypedResults.Ok(await reader.OfAsync(id, cancel)) : TypedResults.NotFound();

    private static async Task<Results<FileContentHttpResult, NotFound>> CsvAsync(
        Guid id,
        CourseStore courses,
        CourseReader reader,
        CancellationToken cancel
    ) =>
        await courses.ExistsAsync(id, cancel)
            ? TypedResults.File(
                CourseProgressFile.WriteCsv(await reader.OfAsync(id, cancel)),
                "text/csv; charset=utf-8",
                "course-progress.csv"
            )
            : TypedResults.NotFound();
}
