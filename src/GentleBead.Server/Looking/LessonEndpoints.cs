using System.IO.Compression;
using System.Security.Claims;
using System.Text.Json;
using GentleBead.Core.Looking;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Http;
using GentleBead.Server.Json;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Looking;

/// <summary>What a student says of their pictures.</summary>
/// <param name="Given">Whether they may teach the eye elsewhere too.</param>
public sealed record LeaveWord(bool Given);

/// <summary>Lessons for the eye: corrected pictures, with leave, as an open data set.</summary>
public static class LessonEndpoints
{
    private static readonly JsonSerializerOptions Written = new(QuantityJson.Options) { WriteIndented = true };

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var eye = app.MapGroup("/api/eye").WithTags("eye");
        eye.MapGet(
                "/leave",
                async (ClaimsPrincipal user, LessonStore lessons, CancellationToken cancel) => await lessons.LeaveAsync(user.Id(), cancel)
            )
            .RequireAuthorization(Access.SignedIn);
        eye.MapPut("/leave/{id:guid}", SayAsync).RequireAuthorization(Access.SignedIn).Repeatable();
        eye.MapGet("/lessons.zip", WriteAsync).RequireAuthorization(Access.Instructor);
    }

    private static async Task<NoContent> SayAsync(
        Guid id,
        LeaveWord request,
        ClaimsPrincipal user,
        LessonStore lessons,
        CancellationToken cancel
    )
    {
        await lessons.SayAsync(id, user.Id(), request.Given, Sent.Of(request).Under(user.Id()), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<FileStreamHttpResult> WriteAsync(LessonStore lessons, PictureStore pictures, CancellationToken cancel)
    {
        var all = await lessons.AllAsync(cancel);
        return TypedResults.File(
            await PassingFile.WriteAsync(file => FillAsync(file, all, pictures, cancel)),
            "application/zip",
            "eye-lessons.zip"
        );
    }

    // Picture by picture: however many there are, one of them is held at once.
    private static async Task FillAsync(
        Stream body,
        IReadOnlyList<(Guid Picture, Lesson Lesson)> all,
        PictureStore pictures,
        CancellationToken cancel
    )
    {
        await using var zip = await ZipArchive.CreateAsync(body, ZipArchiveMode.Create, leaveOpen: true, null, cancel);
        await using (var entry = await zip.CreateEntry("lessons.json", CompressionLevel.Fastest).OpenAsync(cancel))
            await JsonSerializer.SerializeAsync(entry, new { edition = Lesson.Now, lessons = all.Count }, Written, cancel);
        foreach (var (id, lesson) in all)
        {
            await using (var entry = await zip.CreateEntry(lesson.Picture, CompressionLevel.NoCompression).OpenAsync(cancel))
                await entry.WriteAsync((await pictures.BytesAsync(id, cancel)).Bytes, cancel);
            await using var told = await zip.CreateEntry(Path.ChangeExtension(lesson.Picture, ".json"), CompressionLevel.Fastest)
                .OpenAsync(cancel);
            await JsonSerializer.SerializeAsync(told, lesson, Written, cancel);
        }
    }
}
