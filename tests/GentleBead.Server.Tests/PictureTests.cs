using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Quantities;
using GentleBead.Demo;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using GentleBead.Server.Http;
using SkiaSharp;

namespace GentleBead.Server.Tests;

/// <summary>Pictures are hostile until drawn anew; a section is measured on one.</summary>
public class PictureTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static byte[] Encoded(SKEncodedImageFormat format, int width = 200, int height = 120)
    {
        using var bitmap = new SKBitmap(width, height);
        using (var canvas = new SKCanvas(bitmap))
        {
            canvas.Clear(SKColors.Gray);
            using var paint = new SKPaint { Color = SKColors.Orange };
            canvas.DrawRect(0, 0, width / 4f, height / 4f, paint);
        }
        using var data = bitmap.Encode(format, 90);
        return data.ToArray();
    }

    /// <summary>A JPEG with an EXIF block: turned a quarter to the right (orientation 6), with a place in it.</summary>
    private static byte[] WithExif(byte[] jpeg)
    {
        byte[] tiff =
        [
            0x4D,
            0x4D,
            0,
            0x2A,
            0,
            0,
            0,
            8,
            0,
            2,
            0x01,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            6,
            0,
            0,
            0x01,
            0x0E,
            0,
            2,
            0,
            0,
            0,
            12,
            0,
            0,
            0,
            38,
            0,
            0,
            0,
            0,
            .. "LAT54N10E21\0"u8,
        ];
        byte[] body = [.. "Exif\0\0"u8, .. tiff];
        var length = body.Length + 2;
        return [0xFF, 0xD8, 0xFF, 0xE1, (byte)(length >> 8), (byte)length, .. body, .. jpeg[2..]];
    }

    private static async Task<HttpResponseMessage> SendAsync(
        HttpClient client,
        Guid bead,
        byte[] bytes,
        string side = "face",
        Guid? id = null,
        string type = "image/jpeg"
    )
    {
        using var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        return await client.PutAsync($"/api/beads/{bead}/pictures/{side}/{id ?? Guid.CreateVersion7()}", content);
    }

    private async Task<(HttpClient Maren, Bead Bead)> BeadAsync()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        return (
            maren,
            await (
                await maren.RecordAsync(
                    Guid.CreateVersion7(),
                    new
                    {
                        sheetId = sheet.Id,
                        wireMark = 46,
                        voltMark = 6,
                        evidence = new
                        {
                            sound = "evenCrackle",
                            profile = "slightlyConvex",
                            toes = "blended",
                        },
                    }
                )
            ).ReadAsync<Bead>()
        );
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Png, "image/png")]
    [InlineData(SKEncodedImageFormat.Jpeg, "image/jpeg")]
    [InlineData(SKEncodedImageFormat.Webp, "image/webp")]
    public async Task A_picture_is_kept_in_its_kind_whatever_it_was_called(SKEncodedImageFormat format, string mediaType)
    {
        var (maren, bead) = await BeadAsync();
        var id = Guid.CreateVersion7();
        for (var twice = 0; twice < 2; twice++)
        {
            var picture = await (
                await SendAsync(maren, bead.Id, Encoded(format), id: id, type: "application/octet-stream")
            ).ReadAsync<Picture>();
            Assert.Equal((PictureSide.Face, 200, 120), (picture.Side, picture.Width, picture.Height));
        }
        var shown = await maren.GetAsync($"/api/pictures/{id}");
        Assert.Equal(mediaType, shown.Content.Headers.ContentType!.MediaType);
        Assert.Single((await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Pictures);
        (await maren.PutAsJsonAsync($"/api/pictures/{id}/withdrawn", new { withdrawn = true })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await maren.GetAsync($"/api/pictures/{id}")).StatusCode);
        (await maren.PutAsJsonAsync($"/api/pictures/{id}/withdrawn", new { withdrawn = false })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.OK, (await maren.GetAsync($"/api/pictures/{id}")).StatusCode);
    }

    [Fact]
    public async Task Metadata_is_gone_and_the_picture_stands_upright()
    {
        var (maren, bead) = await BeadAsync();
        var sent = WithExif(Encoded(SKEncodedImageFormat.Jpeg));
        Assert.Contains("LAT54N", Encoding.Latin1.GetString(sent), StringComparison.Ordinal);
        using (var check = SKCodec.Create(new MemoryStream(sent)))
            Assert.Equal(SKEncodedOrigin.RightTop, check.EncodedOrigin);
        var picture = await (await SendAsync(maren, bead.Id, sent)).ReadAsync<Picture>();
        Assert.Equal((120, 200), (picture.Width, picture.Height));
        var kept = await maren.GetByteArrayAsync($"/api/pictures/{picture.Id}");
        Assert.DoesNotContain("LAT54N", Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        Assert.DoesNotContain("Exif", Encoding.Latin1.GetString(kept), StringComparison.Ordinal);
        using var shown = SKBitmap.Decode(kept);
        // The orange corner was at the upper left; a quarter turn to the right brings it to the upper right.
        Assert.True(shown.GetPixel(112, 8).Red > 200 && shown.GetPixel(8, 8).Red < 200);
    }

    [Fact]
    public async Task What_is_no_picture_is_refused_in_words_and_nothing_is_kept()
    {
        var (maren, bead) = await BeadAsync();
        var png = Encoded(SKEncodedImageFormat.Png);
        // A header that claims a picture of 60000 x 60000.
        var bomb = png.ToArray();
        (bomb[18], bomb[19], bomb[22], bomb[23]) = (0xEA, 0x60, 0xEA, 0x60);
        foreach (
            var (bytes, says) in new (byte[], string)[]
            {
                ([], "empty"),
                (Encoding.UTF8.GetBytes("<svg xmlns='http://www.w3.org/2000/svg'><script>alert(1)</script></svg>"), "no PNG, JPEG or WebP"),
                ([.. "GIF89a"u8, 1, 0, 1, 0, 0, 0, 0], "no PNG, JPEG or WebP"),
                (png[..40], "PNG, JPEG or WebP|damaged"),
                (png[..(png.Length / 2)], "damaged"),
                (bomb, "million pixels|no PNG|damaged"),
                (Encoded(SKEncodedImageFormat.Png, 10, 10), "too small"),
                (new byte[Limits.Picture + 1], "at most 15 MB"),
            }
        )
        {
            var response = await SendAsync(maren, bead.Id, bytes);
            Assert.Matches(says, (await response.ProblemsAsync())["picture"]);
        }
        Assert.Empty((await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Pictures);
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync(maren, Guid.NewGuid(), png)).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await SendAsync(maren, bead.Id, png, side: "selfie")).StatusCode);
        // Flipped bits anywhere: taken or refused, never a fall.
        var random = new Random(5);
        for (var round = 0; round < 60; round++)
        {
            var broken = Encoded(round % 2 == 0 ? SKEncodedImageFormat.Jpeg : SKEncodedImageFormat.Webp);
            for (var flips = 0; flips < 4; flips++)
                broken[random.Next(broken.Length)] ^= (byte)(1 << random.Next(8));
            var status = (await SendAsync(maren, bead.Id, broken)).StatusCode;
            Assert.True(status is HttpStatusCode.OK or HttpStatusCode.Created or HttpStatusCode.BadRequest, $"{status}");
        }
    }

    [Fact]
    public async Task What_decodes_pictures_may_die_and_the_next_one_is_kept()
    {
        var (maren, bead) = await BeadAsync();
        var png = Encoded(SKEncodedImageFormat.Png);
        await (await SendAsync(maren, bead.Id, png)).ReadAsync<Picture>();
        Assert.True(PictureWorkers.End() > 0);
        await (await SendAsync(maren, bead.Id, png)).ReadAsync<Picture>();
        Assert.Equal(2, (await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Pictures.Count);
    }

    [Fact]
    public async Task A_large_picture_is_made_smaller()
    {
        var (maren, bead) = await BeadAsync();
        var picture = await (await SendAsync(maren, bead.Id, Encoded(SKEncodedImageFormat.Jpeg, 4000, 3000))).ReadAsync<Picture>();
        Assert.Equal((2400, 1800), (picture.Width, picture.Height));
    }

    [Fact]
    public async Task A_marked_section_measures_the_drawn_truth_and_is_judged_with_it()
    {
        var (maren, bead) = await BeadAsync();
        var macro = DemoMacro.Draw(Length.FromMm(3.2), Length.FromMm(4.5), Length.FromMm(4.2), 0.5, 0.8, 0);
        var picture = await (await SendAsync(maren, bead.Id, macro.Png, "macro")).ReadAsync<Picture>();
        var marksId = Guid.CreateVersion7();
        for (var twice = 0; twice < 2; twice++)
        {
            var looked = await (
                await maren.PutAsJsonAsync($"/api/pictures/{picture.Id}/marks/{marksId}", macro.Marks, Json.QuantityJson.Options)
            ).ReadAsync<Bead>();
            Assert.Equal(4.5, looked.Evidence.Macro!.LowerLeg!.Value.Mm, 0.001);
            Assert.Equal(4.2, looked.Evidence.Macro.UpperLeg!.Value.Mm, 0.001);
            Assert.Equal(0.5, looked.Evidence.Macro.Reinforcement.Mm, 0.001);
            Assert.Equal(0.8, looked.Evidence.Macro.RootPenetration!.Value.Mm, 0.001);
            Assert.Equal(Verdict.Right, looked.Judgement.Verdict);
        }
        var file = await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file");
        Assert.Equal(macro.Marks.Root, Assert.Single(file.Pictures).Marks!.Root);
        Assert.Single(file.Earlier);

        var outside = macro.Marks with { Root = new Point(-5, 0) };
        Assert.True(
            (
                await (
                    await maren.PutAsJsonAsync($"/api/pictures/{picture.Id}/marks/{Guid.NewGuid()}", outside, Json.QuantityJson.Options)
                ).ProblemsAsync()
            ).ContainsKey("marks")
        );
        var face = await (await SendAsync(maren, bead.Id, macro.Png)).ReadAsync<Picture>();
        Assert.Contains(
            "section",
            (
                await (
                    await maren.PutAsJsonAsync($"/api/pictures/{face.Id}/marks/{Guid.NewGuid()}", macro.Marks, Json.QuantityJson.Options)
                ).ProblemsAsync()
            )["marks"],
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_students_picture_is_theirs_alone()
    {
        var ilsa = await room.SignInAsync("ilsa");
        var beads = (await ilsa.GetAsync<Rack>($"/api/sheets/rack/{(await ilsa.MeAsync()).Id}")).Coupons.SelectMany(coupon => coupon.Beads);
        Picture? cut = null;
        foreach (var bead in beads)
            cut ??= (await ilsa.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Pictures is [var first, ..] ? first : null;
        Assert.NotNull(cut!.Measures);
        Assert.Equal(HttpStatusCode.OK, (await ilsa.GetAsync($"/api/pictures/{cut.Id}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await (await room.SignInAsync("jun")).GetAsync($"/api/pictures/{cut.Id}")).StatusCode);
    }
}
