using System.Security.Claims;
using GentleBead.Server.Courses;
using GentleBead.Server.Http;
using GentleBead.Server.Paper;
using GentleBead.Server.People;
using GentleBead.Server.Work;
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
        courses.MapGet("/report.pdf", PdfAsync);
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

    private static async Task<Results<FileContentHttpResult, NotFound, Told>> PdfAsync(
        Guid id,
        ClaimsPrincipal user,
        CourseStore courses,
        CourseReader reader,
        PeopleStore people,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await courses.FindAsync(id, cancel) is not { } course)
            return TypedResults.NotFound();
        if (PaperFile.NoFont() is { } noFont)
            return noFont;
        var report = await reader.ReportAsync(course, cancel);
        var units = (await people.FindAsync(user.Id(), cancel))!.Units;
        var pdf = await heavy.RunAsync(user.Id(), () => CoursePdf.Draw(report, units), cancel);
        return TypedResults.File(pdf, "application/pdf", "course-report.pdf");
    }
}
