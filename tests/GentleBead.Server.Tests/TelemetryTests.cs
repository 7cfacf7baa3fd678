using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using Dapper;
using GentleBead.Demo;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>What whoever runs it sees: figures where they are asked for, and in the log what a screen calls by its number.</summary>
public sealed partial class TelemetryTests
{
    [GeneratedRegex("^[0-9a-f]{32}$")]
    private static partial Regex TraceId();

    [Fact]
    public async Task Figures_are_given_on_a_port_of_their_own_and_only_where_they_are_asked_for()
    {
        var port = StartedByScript.FreePort();
        await using var server = await RunningServer.StartAsync(demo: false, null, ("GENTLEBEAD_METRICS_PORT", $"{port}"));
        using var client = new HttpClient();
        await client.GetAsync(new Uri(server.Address, "/api/people/welcome"));
        var figures = await client.GetStringAsync(new Uri($"http://127.0.0.1:{port}/metrics"));
        // OpenTelemetry's name for it (semantic conventions for HTTP metrics), as Prometheus writes it.
        Assert.Contains("http_server_request_duration_seconds_count{", figures, StringComparison.Ordinal);
        Assert.Contains("db_client", figures, StringComparison.Ordinal);
        // Not where screens are.
        var page = await client.GetStringAsync(new Uri(server.Address, "/metrics"));
        Assert.DoesNotContain("http_server_request_duration", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_breaks_is_told_with_the_number_it_has_in_the_log()
    {
        var database = await Cluster.NewDemoDatabaseAsync();
        await using (var server = await RunningServer.StartAsync(demo: true, database))
        {
            using var client = new HttpClient { BaseAddress = server.Address };
            var way = new { login = "maren", password = DemoSchool.Password };
            (await client.PostAsJsonAsync("/api/people/sign-in", way)).EnsureSuccessStatusCode();
            await using (var owner = new NpgsqlConnection(database.Owner))
                await owner.ExecuteAsync("alter table keeping_terms rename to nobody_finds_it");
            using var answer = await client.GetAsync("/api/keeping");
            Assert.Equal(HttpStatusCode.InternalServerError, answer.StatusCode);
            using var told = JsonDocument.Parse(await answer.Content.ReadAsStringAsync());
            var title = told.RootElement.GetProperty("title").GetString()!;
            Assert.StartsWith("Something broke on the server.", title, StringComparison.Ordinal);
            var number = title.Split(' ')[^1];
            Assert.Matches(TraceId(), number);
            Assert.True(
                await Waiting.UntilAsync(() => Task.FromResult(server.Words.Any(line => Names(line, number)))),
                string.Join('\n', server.Words)
            );
        }
        await Cluster.DropAsync(database);
    }

    // A line of the log is JSON, with what broke and the number in its scopes.
    private static bool Names(string line, string number)
    {
        if (!line.StartsWith('{'))
            return false;
        using var said = JsonDocument.Parse(line);
        return said.RootElement.TryGetProperty("Exception", out var broke)
            && broke.GetString()!.Contains("keeping_terms", StringComparison.Ordinal)
            && line.Contains(number, StringComparison.Ordinal);
    }
}
