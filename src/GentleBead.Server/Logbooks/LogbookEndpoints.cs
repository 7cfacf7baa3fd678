using System.Security.Claims;
using GentleBead.Core.Logbooks;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using GentleBead.Server.Progress;
using GentleBead.Server.Work;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Logbooks;

/// <summary>A logbook from another school, as it is listed.</summary>
/// <param name="Id">Which one.</param>
/// <param name="School">The school that signed it.</param>
/// <param name="Fingerprint">Its key's, to compare by telephone.</param>
/// <param name="Student">Whose it says it is.</param>
/// <param name="MadeAt">When it was made.</param>
/// <param name="By">Who read it in.</param>
/// <param name="ReadAt">When.</param>
/// <param name="Beads">How many beads stand in it.</param>
/// <param name="TestsPassed">How many test welds in it were accepted, their chains unbroken.</param>
/// <param name="TestsBroken">How many chains are broken.</param>
/// <param name="Skills">What was known of them there.</param>
public sealed record ForeignLogbook(
    Guid Id,
    string School,
    string Fingerprint,
    string Student,
    DateTimeOffset MadeAt,
    string By,
    DateTimeOffset ReadAt,
    int Beads,
    int TestsPassed,
    int TestsBroken,
    IReadOnlyList<LoggedSkill> Skills
);

/// <summary>The logbook a student takes along, and those that were brought from elsewhere.</summary>
public static class LogbookEndpoints
{
    private const int MostBytes = 60 * 1024 * 1024;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var students = app.MapGroup("/api/students/{id:guid}").WithTags("logbooks");
        students.MapGet("/logbook.zip", WriteAsync).RequireAuthorization(Access.SignedIn);
        students.MapGet("/logbooks", ForeignAsync).RequireAuthorization(Access.SignedIn);
        students
            .MapPut("/logbooks/{logbookId:guid}", ReadAsync)
            .RequireAuthorization(Access.Instructor)
            .WithUpload(MostBytes, "application/zip")
            .Repeatable();
        students.MapPut("/logbooks/{logbookId:guid}/withdrawn", WithdrawAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<Results<FileStreamHttpResult, NotFound>> WriteAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        LogbookWriter writer,
        CancellationToken cancel
    )
    {
        if (await people.StudentAsync(id, user, cancel) is not { } student)
            return TypedResults.NotFound();
        var units = (await people.FindAsync(user.Id(), cancel))!.Units;
        return TypedResults.File(await writer.WriteAsync(new(student.Id, student.Name), units, cancel), "application/zip", "logbook.zip");
    }

    private static async Task<Results<Ok<IReadOnlyList<ForeignLogbook>>, NotFound>> ForeignAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        LogbookStore store,
        CancellationToken cancel
    ) =>
        await people.StudentAsync(id, user, cancel) is null
            ? TypedResults.NotFound()
            : TypedResults.Ok<IReadOnlyList<ForeignLogbook>>([.. (await store.ForeignAsync(id, cancel)).Select(Listed)]);

    private static async Task<Results<NoContent, NotFound, Wrong>> ReadAsync(
        Guid id,
        Guid logbookId,
        HttpRequest request,
        ClaimsPrincipal user,
        PeopleStore people,
        UploadStore uploads,
        LogbookStore store,
        HeavyWork heavy,
        CancellationToken cancel
    )
    {
        if (await people.FindAsync(id, cancel) is not { Role: Role.Student })
            return TypedResults.NotFound();
        if (request.ContentLength > MostBytes || await uploads.ReceiveAsync(request.Body, MostBytes, cancel) is not { } upload)
            return Problems.Field("logbook", Say($"A logbook of at most {MostBytes / 1024 / 1024} MB."));
        try
        {
            var (read, wrong) = await heavy.RunAsync(user.Id(), () => LogbookFile.Read(uploads.Read(upload)), cancel);
            if (read is null)
                return Problems.Field("logbook", wrong!);
            await store.AddAsync(logbookId, id, read, user.Id(), upload.Sent.Under(id), cancel);
            return TypedResults.NoContent();
        }
        finally
        {
            await uploads.DropAsync(upload.Id);
        }
    }

    private static async Task<Results<NoContent, NotFound>> WithdrawAsync(
        Guid id,
        Guid logbookId,
        Withdrawal request,
        LogbookStore store,
        CancellationToken cancel
    ) => await store.SetWithdrawnAsync(logbookId, id, request.Withdrawn, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static ForeignLogbook Listed(KeptLogbook kept) =>
        new(
            kept.Id,
            kept.School,
            kept.Fingerprint,
            kept.Summary.Student,
            kept.Summary.MadeAt,
            kept.ReadBy,
            kept.ReadAt,
            kept.Summary.Beads,
            kept.Summary.TestsPassed,
            kept.Summary.TestsBroken,
            kept.Summary.Skills
        );
}
