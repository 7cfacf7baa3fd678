using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>A service of several schools: the database that names them, a server, and the script that adds and moves them.</summary>
public sealed class ManySchools : IAsyncLifetime
{
    private readonly List<string> databases = [];
    private string suffix = "";

    /// <summary>The database that names the schools.</summary>
    public TestDatabase Control { get; private set; } = null!;

    /// <summary>A server that serves them.</summary>
    public RunningServer Server { get; private set; } = null!;

    /// <summary>What the servers and the script are told.</summary>
    public (string, string)[] Settings => [("GENTLEBEAD_CONTROL_DATABASE", Control.Owner)];

    public async ValueTask InitializeAsync()
    {
        Control = await Cluster.NewDatabaseAsync();
        suffix = $"{Guid.CreateVersion7():N}"[^6..];
        Server = await RunningServer.StartAsync(demo: false, Control, Settings);
    }

    public async ValueTask DisposeAsync()
    {
        await Server.DisposeAsync();
        foreach (var name in databases)
        {
            await OnAsync($"{Control.Own};Pooling=false", $"drop database if exists school_{name} with (force)");
            await OnAsync($"{Control.Own};Pooling=false", $"drop role if exists school_{name}_app, school_{name}_owner");
        }
        await Cluster.DropAsync(Control);
    }

    /// <summary>A name that no other run of the tests gives on this cluster.</summary>
    public string Named(string name)
    {
        databases.Add($"{name}_{suffix}");
        return databases[^1];
    }

    /// <summary>Asks for a school by its host name.</summary>
    public HttpClient At(string host, RunningServer? server = null)
    {
        var client = new HttpClient { BaseAddress = (server ?? Server).Address };
        client.DefaultRequestHeaders.Host = host;
        return client;
    }

    /// <summary>Runs scripts/school.sh with the cluster's own role.</summary>
    public Task<(int Code, string Told)> SayAsync(params string[] words) => SayWithAsync(Control.Own, words);

    /// <summary>The same on another PostgreSQL server.</summary>
    public async Task<(int Code, string Told)> SayWithAsync(string admin, params string[] words)
    {
        var start = new ProcessStartInfo(Path.Combine(Cluster.Root, "scripts/school.sh"), words)
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            Environment = { ["GENTLEBEAD_SCHOOLS_ADMIN"] = admin, ["GENTLEBEAD_BUILT"] = RunningServer.Built },
        };
        foreach (var (name, value) in Settings)
            start.Environment[name] = value;
        using var process = Process.Start(start)!;
        var (told, wrong) = (process.StandardOutput.ReadToEndAsync(), process.StandardError.ReadToEndAsync());
        await process.WaitForExitAsync();
        return (process.ExitCode, await told + await wrong);
    }

    /// <summary>Adds a school, and founds it with the code that was printed.</summary>
    /// <returns>Its first instructor, signed in.</returns>
    public async Task<HttpClient> FoundAsync(string name, string host, string instructor)
    {
        var (code, told) = await SayAsync("add", name, host);
        Assert.True(code == 0, told);
        var client = At(host);
        Assert.True(await Waiting.UntilAsync(async () => (await client.GetAsync("/api/people/welcome")).IsSuccessStatusCode));
        var founded = await client.PostAsJsonAsync(
            "/api/people/first-instructor",
            new
            {
                id = Guid.CreateVersion7(),
                code = Regex.Match(told, "Set-up code: (\\S+)").Groups[1].Value,
                school = $"School {name}",
                name = instructor,
                login = LoginOf(instructor),
                password = Password,
            }
        );
        Assert.True(founded.IsSuccessStatusCode, await founded.Content.ReadAsStringAsync());
        return client;
    }

    /// <summary>The login of a school's first instructor: their first name.</summary>
    public static string LoginOf(string instructor) => instructor.Split(' ')[0].ToLowerInvariant();

    /// <summary>What every instructor of these schools signs in with.</summary>
    public const string Password = "long enough";

    /// <summary>A school's database, as a role of another reaches it.</summary>
    public static string In(string school, string connection) =>
        new NpgsqlConnectionStringBuilder(connection) { Database = $"school_{school}", Pooling = false }.ConnectionString;

    /// <summary>Says something to a database.</summary>
    public static async Task OnAsync(string connection, string sql, params object[] values)
    {
        await using var on = new NpgsqlConnection(connection);
        await on.OpenAsync();
        await using var command = Command(on, sql, values);
        await command.ExecuteNonQueryAsync();
    }

    /// <summary>Asks a database.</summary>
    public static async Task<T> AskAsync<T>(string connection, string sql, params object[] values)
    {
        await using var on = new NpgsqlConnection(connection);
        await on.OpenAsync();
        await using var command = Command(on, sql, values);
        return (T)(await command.ExecuteScalarAsync())!;
    }

    private static NpgsqlCommand Command(NpgsqlConnection on, string sql, object[] values)
    {
        var command = new NpgsqlCommand(sql, on);
        foreach (var value in values)
            command.Parameters.Add(new() { Value = value });
        return command;
    }
}
