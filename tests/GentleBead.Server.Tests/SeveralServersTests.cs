using System.Net;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using Dapper;
using GentleBead.Server.Database;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>Servers beside each other on one database, of one version and of two.</summary>
public sealed partial class SeveralServersTests
{
    // Migrations up to here were made before there were several servers to bring forward one after the other.
    private const int Alone = 31;

    private static string Folder => Path.Combine(Cluster.Root, "src/GentleBead.Server/Database/migrations");

    [GeneratedRegex(@"\b(drop|rename|set not null|truncate|revoke)\b|\balter column \w+ type\b", RegexOptions.IgnoreCase)]
    private static partial Regex TakesAway();

    [GeneratedRegex(@"-- unused since \d{4}", RegexOptions.IgnoreCase)]
    private static partial Regex SaysSinceWhen();

    /// <summary>What a migration takes away and does not say since when nobody uses it.</summary>
    internal static IEnumerable<string> Sudden(string migration) =>
        migration.Split('\n').Where(line => TakesAway().IsMatch(line.Split("--")[0]) && !SaysSinceWhen().IsMatch(line));

    [Fact]
    public void A_migration_takes_away_only_what_the_version_before_no_longer_uses()
    {
        var files = Directory.GetFiles(Folder).Where(file => int.Parse(Path.GetFileName(file)[..4]) > Alone).ToList();
        Assert.NotEmpty(files);
        Assert.All(files, file => Assert.Empty(Sudden(File.ReadAllText(file))));
    }

    [Theory]
    [InlineData("alter table bead drop column note;", true)]
    [InlineData("alter table bead drop column note; -- unused since 0040", false)]
    [InlineData("alter table bead add column note text;", false)]
    [InlineData("alter table bead alter column note set not null;", true)]
    [InlineData("create index note_by_day on bead (day); -- dropped later", false)]
    public void What_takes_away_is_told_from_what_adds(string line, bool sudden) => Assert.Equal(sudden, Sudden(line).Any());

    [Fact]
    public async Task What_a_later_version_brought_is_left_as_it_is()
    {
        var database = await Cluster.NewDatabaseAsync();
        Migrations.Run(database.Owner);
        Assert.False(Migrations.AreAhead(database.Owner));
        await using (var owner = new NpgsqlConnection(database.Owner))
        {
            await owner.ExecuteAsync(
                """
                create table later (id uuid primary key, note text);
                grant select, update on later to gentlebead_app;
                insert into schemaversions (scriptname, applied) values ('GentleBead.Server.Database.migrations.9999_later.sql', now());
                """
            );
            await Grants.ApplyAsync(database.Owner, database.Application, TestContext.Current.CancellationToken);
            await owner.ExecuteAsync("grant update on later to gentlebead_app");
            Assert.True(Migrations.AreAhead(database.Owner));
            // A server of this version comes up on it, and takes nothing from the later one's.
            await using (await RunningServer.StartAsync(demo: false, database))
                Assert.True(await owner.ExecuteScalarAsync<bool>("select has_table_privilege('gentlebead_app', 'later', 'update')"));
        }
        await Cluster.DropAsync(database);
    }

    [Fact]
    public async Task Tries_are_counted_by_address_whichever_server_is_asked_and_forgotten_after_a_minute()
    {
        var database = await Cluster.NewDatabaseAsync();
        (string, string) most = ("GENTLEBEAD_SIGN_INS_PER_MINUTE", "4");
        await using (var one = await RunningServer.StartAsync(demo: false, database, most))
        await using (var other = await RunningServer.StartAsync(demo: false, database, most))
        {
            using var at = new HttpClient { BaseAddress = one.Address };
            using var next = new HttpClient { BaseAddress = other.Address };
            for (var i = 0; i < 4; i++)
                Assert.Equal(HttpStatusCode.BadRequest, await TryAsync(i % 2 == 0 ? at : next));
            Assert.Equal(HttpStatusCode.TooManyRequests, await TryAsync(at));
            Assert.Equal(HttpStatusCode.TooManyRequests, await TryAsync(next));

            await using var owner = new NpgsqlConnection(database.Owner);
            await owner.ExecuteAsync("update address_try set since = since - interval '61 seconds'");
            Assert.Equal(HttpStatusCode.BadRequest, await TryAsync(at));
        }
        await Cluster.DropAsync(database);

        static async Task<HttpStatusCode> TryAsync(HttpClient client) =>
            (await client.PostAsJsonAsync("/api/people/sign-in", new { login = "nobody", password = "guess" })).StatusCode;
    }
}
