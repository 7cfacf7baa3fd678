using System.Reflection;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>Who has gone keeps nothing running, and what a background service meets is never dropped.</summary>
public class CancellationTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public void Every_endpoint_that_waits_takes_the_requests_token()
    {
        var waiting = room
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Select(endpoint => (endpoint.RoutePattern.RawText, Method: endpoint.Metadata.GetMetadata<MethodInfo>()))
            .Where(one =>
                one.Method is { } method
                && method.Module.Name == "GentleBead.Server.dll"
                && typeof(Task).IsAssignableFrom(method.ReturnType)
            )
            .ToArray();
        Assert.True(waiting.Length > 80, $"Only {waiting.Length} endpoints wait.");
        Assert.Empty(
            waiting
                .Where(one =>
                    one.Method!.GetParameters()
                        .All(parameter =>
                            parameter.ParameterType != typeof(CancellationToken) && parameter.ParameterType != typeof(HttpContext)
                        )
                )
                .Select(one => one.RawText)
        );
    }

    // The database's calls that wait take a token: none is left that runs on when nobody waits for it any more.
    [Fact]
    public void Every_call_to_the_database_is_given_a_token()
    {
        var bare = new Regex(@"\.(OpenConnection|BeginTransaction|Commit|ExecuteNonQuery|ExecuteReader|Read)Async\(\)");
        Assert.Empty(
            Directory
                .EnumerateFiles(Path.Combine(Cluster.Root, "src/GentleBead.Server"), "*.cs", SearchOption.AllDirectories)
                .Where(file => !file.Contains("/obj/", StringComparison.Ordinal))
                .SelectMany(file => File.ReadLines(file).Where(line => bare.IsMatch(line)).Select(line => $"{file}: {line.Trim()}"))
        );
    }

    [Fact]
    public async Task A_query_ends_when_the_one_who_asked_has_gone()
    {
        var test = TestContext.Current.CancellationToken;
        var maren = await room.SignInAsync("maren");
        await using var owner = new NpgsqlConnection(room.Database.Owner);
        await owner.OpenAsync(test);
        await using var holding = await owner.BeginTransactionAsync(test);
        await using (var hold = new NpgsqlCommand("lock table preset in access exclusive mode", owner))
            await hold.ExecuteNonQueryAsync(test);

        using var gone = CancellationTokenSource.CreateLinkedTokenSource(test);
        var asked = maren.GetAsync("/api/presets", gone.Token);
        await UntilAsync(1);
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => asked);
        await UntilAsync(0);

        async Task UntilAsync(int waiting)
        {
            const string count = "select count(*) from pg_locks where not granted and relation = 'preset'::regclass";
            Assert.True(await Waiting.UntilAsync(async () => await room.QueryAsync<long>(count) == waiting), $"Not {waiting} waiting.");
        }
    }
}
