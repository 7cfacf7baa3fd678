using System.Security.Claims;
using GentleBead.Server.Http;
using GentleBead.Server.Paper;
using GentleBead.Server.People;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Progress;

/// <summary>A student's report on paper: for themselves and for instructors.</summary>
public static class ReportEndpoints
{
    /// <summary>Maps the endpoint.</summary>
    public static void Map(IEndpointRouteBuilder app) =>
        app.MapGet("/api/students/{id:guid}/report.pdf", PdfAsync).WithTags("progress").RequireAuthorization(Access.SignedIn);

    private static async Task<Results<FileContentHttpResult, NotFound, Told>> PdfAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        ReportReader reader,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await people.StudentAsync(id, user, cancel) is not { } student)
            return TypedResults.NotFound();
        if (PaperFile.NoFont() is { } noFont)
            return noFont;
        var report = await reader.OfAsync(new PersonName(student.Id, student.Name), cancel);
        var units = (await people.FindAsync(user.Id(), cancel))!.Units;
        var pdf = await heavy.RunAsync(user.Id(), () => ReportPdf.Draw(report, units), cancel);
        return TypedResults.File(pdf, "application/pdf", "report.pdf");
    }
}
