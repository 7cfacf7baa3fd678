using System.IO.Compression;
using System.Net;
using System.Text;
using Microsoft.AspNetCore.Hosting;

namespace GentleBead.Server.Tests;

/// <summary>Files go as the build packed them, answers are packed on their way, each only to whoever takes it so.</summary>
public class PackedTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private const string Script = "export const bead = 'gentle';";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static async Task<HttpResponseMessage> GetAsync(HttpClient client, string path, string? takes, string? knows = null)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        if (takes is not null)
            request.Headers.TryAddWithoutValidation("Accept-Encoding", takes);
        if (knows is not null)
            request.Headers.TryAddWithoutValidation("If-None-Match", knows);
        return await client.SendAsync(request, Cancel);
    }

    private static async Task<string> UnpackedAsync(HttpResponseMessage response)
    {
        await using var body = await response.Content.ReadAsStreamAsync(Cancel);
        Stream plain = response.Content.Headers.ContentEncoding.SingleOrDefault() switch
        {
            "br" => new BrotliStream(body, CompressionMode.Decompress),
            "gzip" => new GZipStream(body, CompressionMode.Decompress),
            _ => body,
        };
        using var reader = new StreamReader(plain);
        return await reader.ReadToEndAsync(Cancel);
    }

    [Theory]
    [InlineData("br, gzip", "br")]
    [InlineData("gzip", "gzip")]
    [InlineData("br;q=0, gzip", "gzip")]
    [InlineData(null, null)]
    public async Task A_built_file_goes_as_it_was_packed(string? takes, string? packed)
    {
        var folder = Directory.CreateTempSubdirectory();
        try
        {
            var file = Path.Combine(folder.CreateSubdirectory("assets").FullName, "bead.js");
            await File.WriteAllTextAsync(file, Script, Cancel);
            await using (var brotli = new BrotliStream(File.Create(file + ".br"), CompressionLevel.SmallestSize))
                await brotli.WriteAsync(Encoding.UTF8.GetBytes(Script), Cancel);
            await using (var gzip = new GZipStream(File.Create(file + ".gz"), CompressionLevel.SmallestSize))
                await gzip.WriteAsync(Encoding.UTF8.GetBytes(Script), Cancel);
            await using var served = room.WithWebHostBuilder(host => host.UseWebRoot(folder.FullName));
            using var client = served.CreateClient();
            var answer = await GetAsync(client, "/assets/bead.js", takes);
            Assert.Equal(packed, answer.Content.Headers.ContentEncoding.SingleOrDefault());
            Assert.Equal("text/javascript", answer.Content.Headers.ContentType?.MediaType);
            Assert.Contains("immutable", answer.Headers.CacheControl!.ToString(), StringComparison.Ordinal);
            Assert.Equal(Script, await UnpackedAsync(answer));
            var again = await GetAsync(client, "/assets/bead.js", takes, answer.Headers.ETag!.ToString());
            Assert.Equal(HttpStatusCode.NotModified, again.StatusCode);
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    }

    [Fact]
    public async Task An_answer_is_packed_on_its_way_and_reads_the_same()
    {
        var maren = await room.SignInAsync("maren");
        var packed = await GetAsync(maren, "/api/sessions/tonight", "br");
        Assert.Equal("br", packed.Content.Headers.ContentEncoding.Single());
        Assert.Equal(await maren.GetStringAsync("/api/sessions/tonight", Cancel), await UnpackedAsync(packed));
    }
}
