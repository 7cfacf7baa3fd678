using System.Net.Http.Json;
using System.Text.Json;
using Dapper;
using GentleBead.Demo;
using GentleBead.Server.Json;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Schools;
using GentleBead.Server.Sessions;
using GentleBead.Server.Sheets;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>The server in this process over a real, fresh database.</summary>
public class Room(bool demo, params (string Key, string Value)[] settings) : WebApplicationFactory<Program>, IAsyncLifetime
{
    public TestDatabase Database { get; private set; } = null!;

    /// <summary>As the application's own role.</summary>
    public string ConnectionString => Database.Application;

    public async ValueTask InitializeAsync()
    {
        Database = await (demo ? Cluster.NewDemoDatabaseAsync() : Cluster.NewDatabaseAsync());
        // Started here, once: tests that ask for it at the same moment would each start one.
        _ = Services;
    }

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        await Cluster.DropAsync(Database);
        GC.SuppressFinalize(this);
    }

    /// <summary>Signs somebody in.</summary>
    /// <param name="login">Who.</param>
    /// <param name="password">With what.</param>
    /// <param name="streams">Sends bodies as they are written; else they are gathered first, to be sent again after a redirect.</param>
    public async Task<HttpClient> SignInAsync(string login, string password = DemoSchool.Password, bool streams = false)
    {
        var client = CreateClient(new() { AllowAutoRedirect = !streams });
        (await client.PostAsJsonAsync("/api/people/sign-in", new { login, password })).EnsureSuccessStatusCode();
        return client;
    }

    /// <summary>The services that work for its school.</summary>
    public IServiceProvider SchoolServices =>
        ChosenSchool.For(Services, Services.GetRequiredService<SchoolsServed>().Only!).ServiceProvider;

    /// <summary>One of them.</summary>
    public T Of<T>()
        where T : notnull => SchoolServices.GetRequiredService<T>();

    /// <summary>Asks the database past the server, as the owner of its tables.</summary>
    public async Task<T> QueryAsync<T>(string sql, object? parameters = null)
    {
        await using var connection = new NpgsqlConnection(Database.Owner);
        return (await connection.ExecuteScalarAsync<T>(sql, parameters))!;
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseEnvironment("Production");
        builder.UseSetting("GENTLEBEAD_DATABASE", ConnectionString);
        builder.UseSetting("GENTLEBEAD_OWNER_DATABASE", Database.Owner);
        builder.UseSetting("GENTLEBEAD_SET_UP_CODE", RunningServer.SetUpCode);
        builder.UseSetting("GENTLEBEAD_DEMO", demo ? "true" : "false");
        builder.UseSetting("GENTLEBEAD_SIGN_INS_PER_MINUTE", "10000");
        builder.UseSetting("Logging:LogLevel:Default", "Error");
        builder.UseSetting("Logging:LogLevel:Microsoft.AspNetCore", "Error");
        builder.UseSetting("Logging:LogLevel:Microsoft.Hosting.Lifetime", "Error");
        foreach (var (key, value) in settings)
            builder.UseSetting(key, value);
    }
}

/// <summary>
/// The demo school, one for each class of tests: another class at the same booth would give out a sheet in the middle of a test.
/// </summary>
public sealed class DemoRoom() : Room(demo: true);

/// <summary>Requests the tests make often.</summary>
internal static class Requests
{
    public static async Task<T> GetAsync<T>(this HttpClient client, string path) =>
        JsonSerializer.Deserialize<T>(await client.GetStringAsync(path), QuantityJson.Options)!;

    public static async Task<T> ReadAsync<T>(this HttpResponseMessage response)
    {
        var body = await response.Content.ReadAsStringAsync();
        Assert.True(response.IsSuccessStatusCode, $"{(int)response.StatusCode}: {body}");
        return JsonSerializer.Deserialize<T>(body, QuantityJson.Options)!;
    }

    /// <summary>The messages of a refusal by field.</summary>
    public static async Task<Dictionary<string, string>> ProblemsAsync(this HttpResponseMessage response)
    {
        Assert.Equal(System.Net.HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        using var json = JsonDocument.Parse(await response.Content.ReadAsStringAsync());
        return json.RootElement.GetProperty("problems").Deserialize<Problem[]>(QuantityJson.Options)!.ByField();
    }

    /// <summary>The machine at a booth, as its page shows it.</summary>
    public static async Task<MachineDetail> MachineAsync(this HttpClient instructor, int booth)
    {
        var (_, view) = await instructor.BoothAsync(booth);
        return await instructor.GetAsync<MachineDetail>($"/api/machines/{view.Booth.MachineId}");
    }

    public static async Task<(Session Session, BoothView View)> BoothAsync(this HttpClient instructor, int number)
    {
        var room = await instructor.GetAsync<RoomView>("/api/sessions/tonight");
        return (room.Session!, room.Booths.Single(view => view.Booth.Number == number));
    }

    /// <summary>Gives a fresh T-joint sheet in 1/8 in to whoever stands at a booth.</summary>
    public static async Task<AssignedSheet> AssignAsync(this HttpClient instructor, int booth, Guid? id = null)
    {
        var (session, view) = await instructor.BoothAsync(booth);
        return await instructor.AssignAsync(session.Id, view.Booth.Id, id);
    }

    /// <summary>Gives a fresh T-joint sheet in 1/8 in to whoever stands at a booth in a session.</summary>
    public static async Task<AssignedSheet> AssignAsync(this HttpClient instructor, Guid sessionId, Guid boothId, Guid? id = null)
    {
        var job = new
        {
            thickness = "1/8",
            joint = "t",
            position = "horizontal",
        };
        var response = await instructor.PutAsJsonAsync(
            $"/api/sheets/{id ?? Guid.CreateVersion7()}",
            new
            {
                job,
                sessionId,
                boothId,
            }
        );
        return await response.ReadAsync<AssignedSheet>();
    }

    public static Task<HttpResponseMessage> RecordAsync(this HttpClient instructor, Guid id, object bead) =>
        instructor.PutAsJsonAsync($"/api/beads/{id}", bead);

    /// <summary>Looks at a bead again, from the version given.</summary>
    public static async Task<HttpResponseMessage> LookAsync(
        this HttpClient instructor,
        Guid beadId,
        Guid? version,
        object evidence,
        Guid? lookId = null,
        object? settings = null
    )
    {
        using var request = new HttpRequestMessage(HttpMethod.Put, $"/api/beads/{beadId}/looks/{lookId ?? Guid.CreateVersion7()}")
        {
            Content = JsonContent.Create(new { evidence, settings }),
        };
        if (version is { } seen)
            request.Headers.TryAddWithoutValidation("If-Match", $"\"{seen}\"");
        return await instructor.SendAsync(request);
    }

    /// <summary>Calls an endpoint by its route, with an id that is nobody's in each place.</summary>
    public static async Task<System.Net.HttpStatusCode> CallAsync(this HttpClient client, string method, string route)
    {
        var path = System
            .Text.RegularExpressions.Regex.Replace(route, @"\{\w+:guid\}", Guid.NewGuid().ToString())
            .Replace("{slot:int}", "0", StringComparison.Ordinal);
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        if (method is "PUT" or "POST")
            request.Content = new StringContent("{}", System.Text.Encoding.UTF8, "application/json");
        return (await client.SendAsync(request)).StatusCode;
    }

    public static async Task<Person> MeAsync(this HttpClient client) => await client.GetAsync<Person>("/api/people/me");
}
