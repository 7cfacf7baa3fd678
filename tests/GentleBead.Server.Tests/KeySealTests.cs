using Dapper;
using GentleBead.Server.Work;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>The keys that sign cookies, as a copy of the database holds them.</summary>
public sealed class KeySealTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("gentlebead-seal-").FullName;

    private string File => Path.Combine(folder, "key-seal.pem");

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public async Task The_database_alone_signs_nobody_in_and_a_server_with_the_same_seal_knows_whom_the_other_signed_in()
    {
        var database = await Cluster.NewDemoDatabaseAsync();
        await using (var owner = new NpgsqlConnection(database.Owner))
        {
            await owner.ExecuteAsync("delete from data_protection_key");
            (string, string) sealedBy = ("GENTLEBEAD_KEY_SEAL", File);
            await using var one = await RunningServer.StartAsync(demo: true, database, sealedBy);
            await using var other = await RunningServer.StartAsync(demo: true, database, sealedBy);
            await using var stranger = await RunningServer.StartAsync(
                demo: true,
                database,
                ("GENTLEBEAD_KEY_SEAL", Path.Combine(folder, "another.pem"))
            );
            var cookie = await SignInAsync(one);
            Assert.Contains("maren", await MeAsync(other, cookie), StringComparison.OrdinalIgnoreCase);
            Assert.DoesNotContain("maren", await MeAsync(stranger, cookie), StringComparison.OrdinalIgnoreCase);

            var keys = (await owner.QueryAsync<string>("select xml from data_protection_key")).ToList();
            Assert.NotEmpty(keys);
            // XML Encryption: a secret that is not sealed stands as <masterKey>.
            Assert.All(keys, key => Assert.Contains("EncryptedData", key, StringComparison.Ordinal));
            Assert.All(keys, key => Assert.DoesNotContain("masterKey", key, StringComparison.Ordinal));
        }
        await Cluster.DropAsync(database);
    }

    [Fact]
    public void It_is_made_once_and_read_by_nobody_else()
    {
        using var made = KeySeal.Open(File, DateTimeOffset.UtcNow);
        using var found = KeySeal.Open(File, DateTimeOffset.UtcNow);
        Assert.Equal(made.Thumbprint, found.Thumbprint);
        Assert.True(found.HasPrivateKey);
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, System.IO.File.GetUnixFileMode(File));
    }

    [Fact]
    public void What_is_none_is_told_by_its_name()
    {
        System.IO.File.WriteAllText(File, "not a seal");
        Assert.Contains(
            File,
            Assert.Throws<InvalidDataException>(() => KeySeal.Open(File, DateTimeOffset.UtcNow)).Message,
            StringComparison.Ordinal
        );
    }

    private static async Task<string> SignInAsync(RunningServer at)
    {
        using var client = new HttpClient { BaseAddress = at.Address };
        using var content = System.Net.Http.Json.JsonContent.Create(
            new { login = "maren", password = GentleBead.Demo.DemoSchool.Password }
        );
        using var answer = await client.PostAsync("/api/people/sign-in", content);
        return answer.EnsureSuccessStatusCode().Headers.GetValues("Set-Cookie").Single().Split(';')[0];
    }

    private static async Task<string> MeAsync(RunningServer at, string cookie)
    {
        using var client = new HttpClient(new HttpClientHandler { UseCookies = false }) { BaseAddress = at.Address };
        client.DefaultRequestHeaders.Add("Cookie", cookie);
        return await client.GetStringAsync("/api/people/me");
    }
}
