using System.IO.Compression;
using System.Security.Claims;
using System.Text;
using GentleBead.Server.Http;
using GentleBead.Server.Logbooks;
using GentleBead.Server.People;
using GentleBead.Server.Progress;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Keeping;

/// <summary>What is held of a student.</summary>
/// <param name="Student">Of whom.</param>
/// <param name="ForgottenAt">When they were forgotten; null while they are not.</param>
/// <param name="Parts">Part by part.</param>
public sealed record HeldOfStudent(PersonName Student, DateTimeOffset? ForgottenAt, IReadOnlyList<Held> Parts);

/// <summary>What a school holds of a student, shown and given to them whole.</summary>
public static class HeldEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var students = app.MapGroup("/api/students/{id:guid}").WithTags("keeping").RequireAuthorization(Access.SignedIn);
        students.MapGet("/held", ListAsync);
        students.MapGet("/record.zip", WriteAsync);
    }

    private static async Task<Results<Ok<HeldOfStudent>, NotFound>> ListAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        HeldStore held,
        ForgettingStore forgetting,
        CancellationToken cancel
    ) =>
        await people.StudentAsync(id, user, cancel) is { } student
            ? TypedResults.Ok(
                new HeldOfStudent(
                    new(student.Id, student.Name),
                    await forgetting.AtAsync(id, cancel),
                    await held.ListAsync(Of(id, user), cancel)
                )
            )
            : TypedResults.NotFound();

    private static async Task<Results<FileStreamHttpResult, NotFound>> WriteAsync(
        Guid id,
        ClaimsPrincipal user,
        PeopleStore people,
        HeldStore held,
        LogbookStore media,
        CancellationToken cancel
    )
    {
        if (await people.StudentAsync(id, user, cancel) is null)
            return TypedResults.NotFound();
        var of = Of(id, user);
        return TypedResults.File(
            await PassingFile.WriteAsync(file => FillAsync(file, held, media, of, cancel)),
            "application/zip",
            "record.zip"
        );
    }

    // Row by row: however much there is, little of it is held at once.
    private static async Task FillAsync(Stream body, HeldStore held, LogbookStore media, HeldOf of, CancellationToken cancel)
    {
        await using var zip = await ZipArchive.CreateAsync(body, ZipArchiveMode.Create, leaveOpen: true, null, cancel);
        foreach (var part in HeldPart.All)
        {
            await using var rows = held.RowsAsync(part, of, cancel).GetAsyncEnumerator(cancel);
            if (!await rows.MoveNextAsync())
                continue;
            await using var entry = await zip.CreateEntry($"{part.Key}.json", CompressionLevel.Fastest).OpenAsync(cancel);
            await using var text = new StreamWriter(entry, new UTF8Encoding(false));
            var before = "[\n";
            do
            {
                await text.WriteAsync(before);
                await text.WriteAsync(rows.Current);
                before = ",\n";
            } while (await rows.MoveNextAsync());
            await text.WriteAsync("\n]\n");
        }
        foreach (var file in await media.MediaAsync(of.Person, true, cancel))
        {
            await using var entry = await zip.CreateEntry(file.File.Name, CompressionLevel.NoCompression).OpenAsync(cancel);
            await entry.WriteAsync(await media.BytesAsync(file, cancel), cancel);
        }
    }

    private static HeldOf Of(Guid id, ClaimsPrincipal user) => new(id, user.Id(), user.IsInRole(nameof(Role.Instructor)));
}
