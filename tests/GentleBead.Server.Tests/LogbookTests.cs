using System.Diagnostics;
using System.IO.Compression;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using GentleBead.Core.Logbooks;
using GentleBead.Server.Json;
using GentleBead.Server.Logbooks;

namespace GentleBead.Server.Tests;

/// <summary>A logbook is taken along, opens without this program, and is read in elsewhere only as it was signed.</summary>
public sealed class LogbookTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task It_holds_what_its_student_may_see_and_every_file_is_as_it_is_listed()
    {
        var files = await TakenAsync("teodor");
        var logbook = JsonSerializer.Deserialize<Logbook>(files["logbook.json"], QuantityJson.Options)!;
        Assert.Equal(("gentle-bead-logbook", 1, "Teodor Pike"), (logbook.Format, logbook.Version, logbook.Student));
        var teodor = await room.SignInAsync("teodor");
        var laid = await room.QueryAsync<long>(
            "select count(*) from bead_verdict where student_id = @id and not withdrawn",
            new { (await teodor.MeAsync()).Id }
        );
        Assert.Equal(laid, logbook.Beads.Count);
        Assert.True(laid > 10 && logbook.Skills.Count > 1);
        Assert.Equal(laid + 2, Encoding.UTF8.GetString(files["beads.csv"]).Split("\r\n").Length);
        Assert.All(logbook.Beads.SelectMany(bead => bead.Files), file => Assert.True(files[file.Name].Length > 0));

        var manifest = JsonSerializer.Deserialize<Manifest>(files["manifest.json"], QuantityJson.Options)!;
        Assert.Equal(files.Count - 2, manifest.Files.Count);
        Assert.Null(manifest.Wrong(manifest.Files.ToDictionary(file => file.Name, file => Manifest.FileOf(file.Name, files[file.Name]))));
        Assert.Equal("Verified OK", ByHand(files));

        var page = Encoding.UTF8.GetString(files["index.html"]);
        Assert.Contains("Teodor Pike", page, StringComparison.Ordinal);
        Assert.DoesNotContain("<script", page, StringComparison.Ordinal);
        Assert.DoesNotContain("http://", page, StringComparison.Ordinal);
        Assert.Equal("%PDF"u8, files["report.pdf"].AsSpan(0, 4));
    }

    [Fact]
    public async Task Another_school_reads_it_in_as_foreign_and_it_says_there_what_it_said_here()
    {
        var taken = await TakenAsync("ilsa");
        var logbook = JsonSerializer.Deserialize<Logbook>(taken["logbook.json"], QuantityJson.Options)!;
        await using var elsewhere = new DemoRoom();
        await elsewhere.InitializeAsync();
        var (maren, jun) = (await elsewhere.SignInAsync("maren"), await elsewhere.SignInAsync("jun"));
        var of = $"/api/students/{(await jun.MeAsync()).Id}/logbooks";
        var id = Guid.CreateVersion7();
        var zip = Zip(taken);
        (await SendAsync(maren, $"{of}/{id}", zip)).EnsureSuccessStatusCode();
        (await SendAsync(maren, $"{of}/{id}", zip)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await SendAsync(maren, $"{of}/{id}", Zip(await TakenAsync("teodor")))).StatusCode);

        var foreign = Assert.Single(await jun.GetAsync<IReadOnlyList<ForeignLogbook>>(of));
        Assert.Equal(("Ilsa Brandt", "Maren Holloway", logbook.Beads.Count), (foreign.Student, foreign.By, foreign.Beads));
        Assert.Equal(logbook.School, foreign.School);
        Assert.Matches("^[0-9a-f]{4}( [0-9a-f]{4}){3}$", foreign.Fingerprint);
        Assert.Equal(logbook.Skills.Select(skill => (skill.Kind, skill.State)), foreign.Skills.Select(skill => (skill.Kind, skill.State)));
        var kept = await elsewhere.QueryAsync<string>("select body::text from foreign_logbook where id = @id", new { id });
        Assert.Equal(Letters(logbook), Letters(JsonSerializer.Deserialize<Logbook>(kept, QuantityJson.Options)!));

        // Read in for the wrong student, it is taken out, and back where that was wrong.
        var takeOut = $"{of}/{id}/withdrawn";
        (await maren.PutAsJsonAsync(takeOut, new { withdrawn = true })).EnsureSuccessStatusCode();
        Assert.Empty(await jun.GetAsync<IReadOnlyList<ForeignLogbook>>(of));
        var elses = $"/api/students/{(await (await elsewhere.SignInAsync("wynn")).MeAsync()).Id}/logbooks/{id}/withdrawn";
        Assert.Equal(HttpStatusCode.NotFound, (await maren.PutAsJsonAsync(elses, new { withdrawn = false })).StatusCode);
        (await maren.PutAsJsonAsync(takeOut, new { withdrawn = false })).EnsureSuccessStatusCode();
        Assert.Single(await jun.GetAsync<IReadOnlyList<ForeignLogbook>>(of));

        // A student may not put one into their own record.
        Assert.Equal(HttpStatusCode.Forbidden, (await SendAsync(jun, $"{of}/{Guid.CreateVersion7()}", zip)).StatusCode);
    }

    public static TheoryData<string, string> Spoiled =>
        new()
        {
            { "no zip", "no ZIP file" },
            { "empty", "no ZIP file" },
            { "bead changed", "logbook.json was changed" },
            { "file changed", "beads.csv was changed" },
            { "file missing", "report.pdf is missing" },
            { "file added", "extra.txt was put into it" },
            { "list changed", "signature does not hold" },
            { "not signed", "not signed" },
            { "way out", "holds no file of this name" },
            { "odd key", "signature does not hold" },
            { "null inside", "cannot be read" },
            { "newer", "edition 7" },
        };

    [Theory]
    [MemberData(nameof(Spoiled))]
    public async Task What_was_changed_is_told_and_not_taken(string how, string told)
    {
        var maren = await room.SignInAsync("maren");
        var files = await TakenAsync("wynn");
        var zip = how switch
        {
            "no zip" => Encoding.UTF8.GetBytes("PK, said the file."),
            "empty" => [],
            _ => Zip(Spoil(files, how)),
        };
        var of = $"/api/students/{(await (await room.SignInAsync("wynn")).MeAsync()).Id}/logbooks";
        var problems = await (await SendAsync(maren, $"{of}/{Guid.CreateVersion7()}", zip)).ProblemsAsync();
        Assert.Contains(told, problems["logbook"], StringComparison.Ordinal);
        Assert.Empty(await maren.GetAsync<IReadOnlyList<ForeignLogbook>>(of));
    }

    private static Dictionary<string, byte[]> Spoil(Dictionary<string, byte[]> files, string how)
    {
        switch (how)
        {
            case "bead changed":
                files["logbook.json"][^2] ^= 1;
                break;
            case "file changed":
                files["beads.csv"][20] ^= 1;
                break;
            case "file missing":
                files.Remove("report.pdf");
                break;
            case "file added":
                files["extra.txt"] = [1];
                break;
            case "list changed":
                files["manifest.json"] = [.. files["manifest.json"], (byte)' '];
                break;
            case "not signed":
                files.Remove("signature.json");
                break;
            case "way out":
                files["../../etc/cron.d/x"] = [1];
                break;
            case "odd key":
                files["signature.json"] =
                    """{"algorithm":"ECDSA P-256 SHA-256","school":"x","publicKey":"AAAA","signature":"AAAA"}"""u8.ToArray();
                break;
            case "null inside":
                return Signed(files, logbook => logbook["beads"] = null);
            case "newer":
                return Signed(files, logbook => logbook["version"] = 7);
        }
        return files;
    }

    // Somebody with a key of their own, who signs whatever they like.
    private static Dictionary<string, byte[]> Signed(Dictionary<string, byte[]> files, Action<JsonObject> change)
    {
        var logbook = JsonNode.Parse(files["logbook.json"])!.AsObject();
        change(logbook);
        files["logbook.json"] = JsonSerializer.SerializeToUtf8Bytes(logbook);
        var listed = files.Keys.Where(name => name is not ("manifest.json" or "signature.json"));
        files["manifest.json"] = JsonSerializer.SerializeToUtf8Bytes(
            new Manifest([.. listed.Select(name => Manifest.FileOf(name, files[name]))]),
            QuantityJson.Options
        );
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var school = logbook["school"]!.GetValue<string>();
        files["signature.json"] = JsonSerializer.SerializeToUtf8Bytes(
            LogbookSignature.Of(files["manifest.json"], school, key),
            QuantityJson.Options
        );
        return files;
    }

    private async Task<Dictionary<string, byte[]>> TakenAsync(string login)
    {
        var student = await room.SignInAsync(login);
        var bytes = await student.GetByteArrayAsync($"/api/students/{(await student.MeAsync()).Id}/logbook.zip");
        using var zip = new ZipArchive(new MemoryStream(bytes));
        return zip.Entries.ToDictionary(entry => entry.FullName, Bytes);

        static byte[] Bytes(ZipArchiveEntry entry)
        {
            using var from = entry.Open();
            using var to = new MemoryStream();
            from.CopyTo(to);
            return to.ToArray();
        }
    }

    private static byte[] Zip(Dictionary<string, byte[]> files)
    {
        using var to = new MemoryStream();
        using (var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, bytes) in files)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(bytes);
            }
        }
        return to.ToArray();
    }

    // As docs/logbook.md says it is checked without this program.
    private static string ByHand(Dictionary<string, byte[]> files)
    {
        var folder = Directory.CreateTempSubdirectory("logbook-").FullName;
        try
        {
            var signature = JsonSerializer.Deserialize<JsonElement>(files["signature.json"]);
            File.WriteAllBytes(Path.Combine(folder, "manifest.json"), files["manifest.json"]);
            File.WriteAllBytes(Path.Combine(folder, "signature.der"), signature.GetProperty("signature").GetBytesFromBase64());
            File.WriteAllBytes(Path.Combine(folder, "key.der"), signature.GetProperty("publicKey").GetBytesFromBase64());
            OpenSsl(folder, "pkey", "-pubin", "-inform", "DER", "-in", "key.der", "-out", "key.pem");
            return OpenSsl(folder, "dgst", "-sha256", "-verify", "key.pem", "-signature", "signature.der", "manifest.json");
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private static string OpenSsl(string folder, params string[] arguments)
    {
        var start = new ProcessStartInfo("openssl", arguments) { RedirectStandardOutput = true, WorkingDirectory = folder };
        using var process = Process.Start(start)!;
        var said = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
        return said.Trim();
    }

    private static string Letters(Logbook logbook) => JsonSerializer.Serialize(logbook, QuantityJson.Options);

    private static Task<HttpResponseMessage> SendAsync(HttpClient client, string path, byte[] bytes)
    {
        var content = new ByteArrayContent(bytes);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/zip");
        return client.PutAsync(path, content);
    }
}
