using System.Net.Sockets;
using GentleBead.Testing;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Logging;
using Npgsql;

namespace GentleBead.Bench;

/// <summary>The least a server could do for an answer: read one row and send its bytes. What others are measured against.</summary>
internal sealed class RowServer : IAsyncDisposable
{
    private readonly WebApplication app;
    private readonly NpgsqlDataSource source;

    private RowServer(WebApplication app, NpgsqlDataSource source, Uri address)
    {
        this.app = app;
        this.source = source;
        Address = address;
    }

    /// <summary>Where it answers a POST with the row.</summary>
    public Uri Address { get; }

    /// <summary>Starts it over a table of its own.</summary>
    /// <param name="database">In which database.</param>
    /// <param name="answer">The bytes that the row holds.</param>
    public static async Task<RowServer> StartAsync(TestDatabase database, string answer)
    {
        var source = NpgsqlDataSource.Create($"{database.Own};Maximum Pool Size=4;Max Auto Prepare=10");
        await using (var make = source.CreateCommand("create table if not exists bench_answer (id int primary key, body text not null)"))
            await make.ExecuteNonQueryAsync();
        await using (
            var fill = source.CreateCommand("insert into bench_answer values (1, $1) on conflict (id) do update set body = excluded.body")
        )
        {
            fill.Parameters.Add(new() { Value = answer });
            await fill.ExecuteNonQueryAsync();
        }
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        builder.WebHost.UseUrls($"http://127.0.0.1:{FreePort()}");
        var app = builder.Build();
        app.MapPost(
            "/",
            async () =>
            {
                await using var command = source.CreateCommand("select body from bench_answer where id = $1");
                command.Parameters.Add(new() { Value = 1 });
                return Results.Text((string)(await command.ExecuteScalarAsync())!, "application/json");
            }
        );
        await app.StartAsync();
        return new RowServer(app, source, new Uri(app.Urls.First()));
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        await app.DisposeAsync();
        await source.DisposeAsync();
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        return ((System.Net.IPEndPoint)listener.LocalEndpoint).Port;
    }
}
