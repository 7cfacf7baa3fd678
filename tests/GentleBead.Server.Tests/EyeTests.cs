using System.Diagnostics;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Looking;
using GentleBead.Server.Beads;
using OpenCvSharp;

namespace GentleBead.Server.Tests;

/// <summary>The eye over the network: cards to print, frames, faces measured and kept; and pictures that mean it harm.</summary>
public class EyeTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly string Renders = Path.Combine(Cluster.Root, "tests/renders");

    // Drawn beads in a corner, and what is known of their width.
    internal static (string File, double WidthMm) Fillet() =>
        Directory
            .GetFiles(Renders, "70*.json")
            .Order()
            .Select(file => (file, System.Text.Json.JsonDocument.Parse(File.ReadAllText(file)).RootElement))
            .Where(one => one.RootElement.GetProperty("fillet").GetBoolean() && one.RootElement.GetProperty("pixelsPerMm").GetDouble() > 9)
            .Select(one => (Path.ChangeExtension(one.file, ".jpg"), one.RootElement.GetProperty("widthMm").GetDouble()))
            .First();

    private static async Task<HttpResponseMessage> FrameAsync(HttpClient client, byte[] bytes)
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
        return await client.PostAsync("/api/eye/frame?width=4000", content);
    }

    /// <summary>A bead of booth 2 and a picture of it.</summary>
    internal static async Task<(Bead Bead, Guid Picture)> ShownAsync(HttpClient maren, byte[] bytes, string side = "face")
    {
        var sheet = await maren.AssignAsync(2);
        var noted = new
        {
            sheetId = sheet.Id,
            wireMark = 46,
            voltMark = 6,
            evidence = new
            {
                sound = "evenCrackle",
                profile = "slightlyConvex",
                toes = "blended",
                measured = new { arcSeconds = 30 },
            },
        };
        var bead = await (await maren.RecordAsync(Guid.CreateVersion7(), noted)).ReadAsync<Bead>();
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
        var id = Guid.CreateVersion7();
        (await maren.PutAsync($"/api/beads/{bead.Id}/pictures/{side}/{id}", content)).EnsureSuccessStatusCode();
        return (bead, id);
    }

    [Theory]
    [InlineData("")]
    [InlineData("?letter=true")]
    public async Task The_printed_card_is_as_large_as_it_says(string paper)
    {
        var maren = await room.SignInAsync("maren");
        var pdf = Path.GetTempFileName();
        await File.WriteAllBytesAsync(pdf, await maren.GetByteArrayAsync($"/api/eye/cards.pdf{paper}"));
        // Printed by another program, at 300 dots an inch.
        const int dots = 300;
        using (var printed = Process.Start("pdftoppm", ["-r", $"{dots}", "-png", "-singlefile", pdf, pdf]))
            await printed.WaitForExitAsync();
        using var check = Process.Start(new ProcessStartInfo("qpdf", ["--check", pdf]) { RedirectStandardOutput = true })!;
        await check.WaitForExitAsync();
        Assert.Equal(0, check.ExitCode);
        using var page = Cv2.ImRead(pdf + ".png");
        var card = CardReader.Find(page, out var markers)!;
        Assert.Equal(Card.Bead.Markers.Count + Card.Section.Markers.Count, markers);
        Assert.Equal(CardKind.Bead, card.Card!.Kind);
        Assert.Equal(dots / 25.4, card.Plane.PixelsPerMm(card.Middle), 0.02);
        Assert.InRange(card.OffMm, 0, 0.07);
        // Without the long card the small one is found, as large as it says.
        using var lower = page[new Rect(0, (int)(112 * dots / 25.4), page.Width, (int)(90 * dots / 25.4))].Clone();
        var section = CardReader.Find(lower, out _)!;
        Assert.Equal(CardKind.Section, section.Card!.Kind);
        Assert.Equal(dots / 25.4, section.Plane.PixelsPerMm(section.Middle), 0.02);
        File.Delete(pdf);
        File.Delete(pdf + ".png");
    }

    [Fact]
    public async Task A_face_is_measured_corrected_kept_and_becomes_evidence()
    {
        var maren = await room.SignInAsync("maren");
        var (file, width) = Fillet();
        var (bead, picture) = await ShownAsync(maren, await File.ReadAllBytesAsync(file));
        Assert.Equal(HttpStatusCode.NoContent, (await maren.GetAsync($"/api/pictures/{picture}/face")).StatusCode);

        var seen = (await (await maren.PostAsJsonAsync($"/api/pictures/{picture}/face", new { })).ReadAsync<FaceAnswer>()).Face!;
        Assert.Equal(width, seen.Measures.Width.Value.Mm, 0.08 * width);
        Assert.Equal(seen.Measures.Width.Value.Mm / Math.Sqrt(2), seen.Measures.Leg!.Value.Mm, 0.01);

        // One toe dragged a little off.
        var off = 0.05 * (seen.Left[5] - seen.Right[5]).Size();
        object[] left = [.. seen.Left.Select(point => new { x = point.X, y = point.Y })];
        object[] right = [.. seen.Right.Select(point => new { x = point.X, y = point.Y + off })];
        var asked = new { left, right };
        var id = Guid.CreateVersion7();
        var kept = await (await maren.PutAsJsonAsync($"/api/pictures/{picture}/face/{id}", asked)).ReadAsync<Bead>();
        Assert.Equal(bead.Id, kept.Id);
        Assert.NotNull(kept.Evidence.Face);
        Assert.NotEqual(seen.Measures.Width, kept.Evidence.Face.Width);
        Assert.NotNull(kept.Evidence.Travel());
        Assert.Equal(kept.Evidence.Face.Leg!.Value, kept.Evidence.SizeBy(Core.Stock.BeadMeasure.Leg));
        Assert.NotEqual(bead.Version, kept.Version);
        // The same again changes nothing; the same id with another body is told.
        Assert.Equal(
            kept.Version,
            (await (await maren.PutAsJsonAsync($"/api/pictures/{picture}/face/{id}", asked)).ReadAsync<Bead>()).Version
        );
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync($"/api/pictures/{picture}/face/{id}", new { })).StatusCode);
        var standing = await maren.GetAsync<FaceSeen>($"/api/pictures/{picture}/face");
        Assert.Equal(kept.Evidence.Face.Width, standing.Measures.Width);
        Assert.True(
            await room.QueryAsync<bool>("select proposed is not null and proposed <> kept from face_reading where id = @id", new { id })
        );
    }

    [Fact]
    public async Task Toes_a_person_set_are_kept_where_the_eye_sees_no_bead()
    {
        var maren = await room.SignInAsync("maren");
        var bare = Directory
            .GetFiles(Renders, "71*.json")
            .Order()
            .First(one =>
                System.Text.Json.JsonDocument.Parse(File.ReadAllText(one)).RootElement.GetProperty("wrong").GetString() == "NoBead"
            );
        var (_, picture) = await ShownAsync(maren, await File.ReadAllBytesAsync(Path.ChangeExtension(bare, ".jpg")));
        Assert.Equal(
            PictureTrouble.NoBead,
            (await (await maren.PostAsJsonAsync($"/api/pictures/{picture}/face", new { })).ReadAsync<FaceAnswer>()).Trouble
        );
        object[] Toe(double y) => [.. Enumerable.Range(0, 12).Select(i => new { x = 450 + 40.0 * i, y })];
        var id = Guid.CreateVersion7();
        var answer = await maren.PutAsJsonAsync($"/api/pictures/{picture}/face/{id}", new { left = Toe(300), right = Toe(380) });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.True(await room.QueryAsync<bool>("select proposed is null from face_reading where id = @id", new { id }));
    }

    [Fact]
    public async Task What_a_picture_measured_comes_from_pictures_alone()
    {
        var maren = await room.SignInAsync("maren");
        var (file, _) = Fillet();
        var (_, picture) = await ShownAsync(maren, await File.ReadAllBytesAsync(file));
        var seen = (await (await maren.PostAsJsonAsync($"/api/pictures/{picture}/face", new { })).ReadAsync<FaceAnswer>()).Face!;
        var sheet = await maren.AssignAsync(2);
        var forged = new
        {
            sheetId = sheet.Id,
            wireMark = 46,
            voltMark = 6,
            evidence = new { sound = "evenCrackle", face = seen.Measures },
        };
        var bead = await (
            await maren.PutAsJsonAsync($"/api/beads/{Guid.CreateVersion7()}", forged, Json.QuantityJson.Options)
        ).ReadAsync<Bead>();
        Assert.Null(bead.Evidence.Face);
    }

    [Fact]
    public async Task Nonsense_is_told_where_it_was_made()
    {
        var maren = await room.SignInAsync("maren");
        var (file, _) = Fillet();
        var (_, picture) = await ShownAsync(maren, await File.ReadAllBytesAsync(file));
        var path = $"/api/pictures/{picture}/face";
        var point = new { x = 10, y = 10 };
        var cases = new (object Body, string Field)[]
        {
            (new { from = point }, "to"),
            (new { left = new[] { point, point } }, "right"),
            (new { left = new[] { point }, right = new[] { point } }, "left"),
            (new { from = point, to = new { x = 99_999, y = 3 } }, "points"),
            (
                new
                {
                    scale = new
                    {
                        from = point,
                        to = new { x = 300, y = 10 },
                        lengthMm = 0.2,
                    },
                },
                "scale"
            ),
            (
                new
                {
                    scale = new
                    {
                        from = point,
                        to = point,
                        lengthMm = 20,
                    },
                },
                "scale"
            ),
        };
        foreach (var (body, field) in cases)
            Assert.Contains(field, (await (await maren.PostAsJsonAsync(path, body)).ProblemsAsync()).Keys);
        var (_, macro) = await ShownAsync(maren, await File.ReadAllBytesAsync(file), "macro");
        Assert.Contains("picture", (await (await maren.PostAsJsonAsync($"/api/pictures/{macro}/face", new { })).ProblemsAsync()).Keys);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.PostAsJsonAsync($"/api/pictures/{Guid.NewGuid()}/face", new { })).StatusCode);
        var other = await room.SignInAsync("odell");
        Assert.Equal(HttpStatusCode.NotFound, (await other.PostAsJsonAsync(path, new { })).StatusCode);
    }

    [Fact]
    public async Task A_thousand_broken_pictures_break_nothing()
    {
        var maren = await room.SignInAsync("maren");
        var whole = await File.ReadAllBytesAsync(Directory.GetFiles(Renders, "*.jpg").Order().First());
        using var decoded = Cv2.ImDecode(whole, ImreadModes.Color);
        using var small = new Mat();
        Cv2.Resize(decoded, small, new Size(320, 240));
        byte[][] kinds =
        [
            small.ToBytes(".jpg"),
            small.ToBytes(".png"),
            small.ToBytes(".webp"),
            small.ToBytes(".bmp"),
            small.ToBytes(".tiff"),
        ];
        var chance = new Random(16);
        var told = new Dictionary<HttpStatusCode, int>();
        for (var i = 0; i < 1000; i++)
        {
            var bytes = kinds[i % kinds.Length].ToArray();
            switch (i % 4)
            {
                case 0:
                    bytes = bytes[..chance.Next(1, bytes.Length)];
                    break;
                case 1:
                    chance.NextBytes(bytes.AsSpan(chance.Next(bytes.Length / 2)));
                    break;
                default:
                    for (var flips = 0; flips < 12; flips++)
                        bytes[chance.Next(Math.Min(bytes.Length, i % 3 == 0 ? 300 : bytes.Length))] ^= (byte)(1 << chance.Next(8));
                    break;
            }
            var status = (await FrameAsync(maren, bytes)).StatusCode;
            told[status] = told.GetValueOrDefault(status) + 1;
        }
        Assert.All(told.Keys, status => Assert.True(status is HttpStatusCode.OK or HttpStatusCode.BadRequest, $"{status}"));
        Assert.Equal(HttpStatusCode.OK, (await FrameAsync(maren, small.ToBytes(".jpg"))).StatusCode);
    }

    [Fact]
    public async Task The_eye_may_die_and_the_next_picture_is_seen()
    {
        var maren = await room.SignInAsync("maren");
        using var blank = new Mat(300, 400, MatType.CV_8UC3, Scalar.All(120));
        var picture = blank.ToBytes(".jpg");
        Assert.Equal(HttpStatusCode.OK, (await FrameAsync(maren, picture)).StatusCode);
        Assert.True(PictureWorkers.End() > 0);
        Assert.Equal(HttpStatusCode.OK, (await FrameAsync(maren, picture)).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await FrameAsync(maren, Encoding.UTF8.GetBytes("no picture at all"))).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await FrameAsync(maren, [])).StatusCode);
    }
}
