using System.Net;
using System.Net.Http.Json;
using GentleBead.Demo;
using GentleBead.Server.Schools;
using Microsoft.AspNetCore.Mvc.Testing;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>A server that can't get to its database says so, says when to come again, and loses nothing.</summary>
public class BusyTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    // A server over the same database with few connections, which waits a second for one.
    private WebApplicationFactory<Program> Narrow() =>
        room.WithWebHostBuilder(host =>
            host.UseSetting("GENTLEBEAD_DATABASE", $"{WithoutSize(room.ConnectionString)};Maximum Pool Size=3;Timeout=1")
        );

    private static string WithoutSize(string connection)
    {
        var words = new NpgsqlConnectionStringBuilder(connection);
        words.Remove("Maximum Pool Size");
        return words.ConnectionString;
    }

    private static async Task<HttpClient> SignInAsync(WebApplicationFactory<Program> server)
    {
        var client = server.CreateClient();
        (
            await client.PostAsJsonAsync("/api/people/sign-in", new { login = "maren", password = DemoSchool.Password })
        ).EnsureSuccessStatusCode();
        return client;
    }

    [Fact]
    public async Task With_every_connection_taken_a_request_is_told_when_to_come_again_and_the_same_bead_is_then_taken_once()
    {
        await using var narrow = Narrow();
        var maren = await SignInAsync(narrow);
        var sheet = await maren.AssignAsync(1);
        var id = Guid.CreateVersion7();
        var bead = new
        {
            sheetId = sheet.Id,
            wireFeedMPerMin = 6.4,
            volts = 18,
            evidence = new { sound = "hiss" },
        };

        var taken = new List<NpgsqlConnection>();
        var database = ((SchoolsServed)narrow.Services.GetService(typeof(SchoolsServed))!).Only!.Database;
        try
        {
            while (true)
                taken.Add(await database.OpenConnectionAsync(TestContext.Current.CancellationToken));
        }
        catch (NpgsqlException)
        {
            // No more to be had.
        }
        var answer = await maren.RecordAsync(id, bead);
        Assert.Equal(HttpStatusCode.ServiceUnavailable, answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        Assert.InRange(answer.Headers.RetryAfter!.Delta!.Value.TotalSeconds, 1, 60);
        Assert.Contains("busy", await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken), StringComparison.Ordinal);

        foreach (var connection in taken)
            await connection.DisposeAsync();
        (await maren.RecordAsync(id, bead)).EnsureSuccessStatusCode();
        (await maren.RecordAsync(id, bead)).EnsureSuccessStatusCode();
        Assert.Equal(1, await room.QueryAsync<long>("select count(*) from bead where id = @id", new { id }));
    }

    [Fact]
    public async Task A_database_whose_connections_are_cut_is_busy_at_most_and_answers_again()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        await CutAsync();
        // Whichever request meets a connection that was cut may be told to come again; none breaks, and coming again helps.
        var answers = new List<HttpStatusCode>();
        for (var time = 0; time < 30; time++)
            answers.Add((await maren.GetAsync($"/api/sheets/rack/{sheet.StudentId}", TestContext.Current.CancellationToken)).StatusCode);
        Assert.All(answers, answer => Assert.True(answer is HttpStatusCode.OK or HttpStatusCode.ServiceUnavailable, $"{answer}"));
        Assert.Equal(HttpStatusCode.OK, answers[^1]);

        async Task CutAsync()
        {
            await using var connection = new NpgsqlConnection(room.Database.Own);
            await connection.OpenAsync();
            await using var cut = new NpgsqlCommand(
                "select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and application_name "
                    + "like 'gentlebead %'",
                connection
            );
            await cut.ExecuteNonQueryAsync();
        }
    }

    [Fact]
    public async Task The_pool_takes_at_most_half_of_what_the_database_gives()
    {
        // Without a size of its own in the connection string.
        await using var pool = Work.Pool.Of(WithoutSize(room.ConnectionString));
        var given = await room.QueryAsync<int>(
            "select current_setting('max_connections')::int - current_setting('superuser_reserved_connections')::int"
        );
        var most = new NpgsqlConnectionStringBuilder(pool.ConnectionString).MaxPoolSize;
        Assert.InRange(most, 1, given / 2);
    }

    [Fact]
    public async Task The_database_compiles_no_question_before_it_answers()
    {
        await using var pool = Work.Pool.Of(room.ConnectionString);
        await using var command = pool.CreateCommand("show jit");
        Assert.Equal("off", await command.ExecuteScalarAsync(TestContext.Current.CancellationToken));
    }
}
