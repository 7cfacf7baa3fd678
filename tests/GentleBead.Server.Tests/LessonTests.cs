using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using GentleBead.Core.Looking;
using GentleBead.Server.Json;
using GentleBead.Server.Looking;

namespace GentleBead.Server.Tests;

/// <summary>Corrected pictures as lessons for the eye: with leave only, and nobody's name in them.</summary>
public class LessonTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    // Booth 2 is Teodor's.
    private static async Task<Guid> FaceKeptAsync(HttpClient maren)
    {
        var (file, _) = EyeTests.Fillet();
        var (_, picture) = await EyeTests.ShownAsync(maren, await File.ReadAllBytesAsync(file));
        (await maren.PutAsJsonAsync($"/api/pictures/{picture}/face/{Guid.CreateVersion7()}", new { })).EnsureSuccessStatusCode();
        return picture;
    }

    private static async Task<ZipArchive> LessonsAsync(HttpClient maren) =>
        new(new MemoryStream(await maren.GetByteArrayAsync("/api/eye/lessons.zip")));

    private static async Task SayAsync(HttpClient student, bool given, Guid? id = null) =>
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await student.PutAsJsonAsync($"/api/eye/leave/{id ?? Guid.CreateVersion7()}", new { given })).StatusCode
        );

    [Fact]
    public async Task Pictures_are_given_away_with_leave_and_without_a_name()
    {
        var maren = await room.SignInAsync("maren");
        var teodor = await room.SignInAsync("teodor");
        await FaceKeptAsync(maren);
        Assert.False((await teodor.GetAsync<PictureLeave>("/api/eye/leave")).Given);
        Assert.Single((await LessonsAsync(maren)).Entries);

        await SayAsync(teodor, true);
        var leave = await teodor.GetAsync<PictureLeave>("/api/eye/leave");
        Assert.True(leave.Given && leave.SaidAt is not null);
        using var zip = await LessonsAsync(maren);
        var pictures = zip.Entries.Where(one => Path.GetExtension(one.Name) != ".json").ToArray();
        Assert.NotEmpty(pictures);
        Assert.Equal(1 + 2 * pictures.Length, zip.Entries.Count);
        foreach (var entry in zip.Entries.Where(one => one.Name is not "lessons.json" && Path.GetExtension(one.Name) == ".json"))
        {
            using var text = new StreamReader(await entry.OpenAsync());
            var written = await text.ReadToEndAsync();
            var lesson = JsonSerializer.Deserialize<Lesson>(written, QuantityJson.Options)!;
            Assert.Equal(Lesson.Now, lesson.Edition);
            Assert.Contains(pictures, one => one.Name == lesson.Picture);
            Assert.True(lesson.Face is not null || lesson.Section is not null);
            Assert.DoesNotContain("Teodor", written, StringComparison.OrdinalIgnoreCase);
            Assert.DoesNotContain("Pike", written, StringComparison.OrdinalIgnoreCase);
        }
        // Nor does a picture say where or when it was taken.
        foreach (var entry in pictures)
        {
            using var bytes = new MemoryStream();
            await using (var from = await entry.OpenAsync())
                await from.CopyToAsync(bytes);
            Assert.DoesNotContain("Exif", Encoding.Latin1.GetString(bytes.ToArray()), StringComparison.Ordinal);
        }

        await SayAsync(teodor, false);
        Assert.Single((await LessonsAsync(maren)).Entries);
    }

    [Fact]
    public async Task The_same_word_twice_is_one_word_and_another_under_its_id_is_told()
    {
        var wynn = await room.SignInAsync("wynn");
        var id = Guid.CreateVersion7();
        await SayAsync(wynn, true, id);
        await SayAsync(wynn, true, id);
        Assert.Equal(HttpStatusCode.Conflict, (await wynn.PutAsJsonAsync($"/api/eye/leave/{id}", new { given = false })).StatusCode);
        Assert.True((await wynn.GetAsync<PictureLeave>("/api/eye/leave")).Given);
        Assert.Equal(HttpStatusCode.Forbidden, (await wynn.GetAsync("/api/eye/lessons.zip")).StatusCode);
    }
}
