using System.Net.Http.Json;
using System.Text.Json;
using GentleBead.Demo;
using GentleBead.Testing;
using Npgsql;

namespace GentleBead.Bench;

/// <summary>One of the tables and booths that a call names.</summary>
/// <param name="Booth">Which booth.</param>
/// <param name="Machine">Its machine.</param>
/// <param name="Student">Who stands there tonight.</param>
/// <param name="Sheet">What they weld to.</param>
/// <param name="Job">The sheet's job, as it would be typed.</param>
/// <param name="Session">Tonight's.</param>
/// <param name="Course">The course it is of.</param>
internal sealed record Stand(Guid Booth, Guid Machine, Guid Student, Guid Sheet, JsonElement Job, Guid Session, Guid Course);

/// <summary>A running server over a grown school, with an instructor and a student signed in.</summary>
internal sealed class GrownServer : IAsyncDisposable
{
    private readonly RunningServer server;

    private GrownServer(RunningServer server, TestDatabase database)
    {
        this.server = server;
        Database = database;
        Instructor = Client();
        Student = Client();
    }

    public TestDatabase Database { get; }

    public Uri Address => server.Address;

    public int ProcessId => server.ProcessId;

    public HttpClient Instructor { get; }

    public HttpClient Student { get; }

    public IReadOnlyList<Stand> Stands { get; private set; } = [];

    public static async Task<GrownServer> StartAsync(TestDatabase database)
    {
        var grown = new GrownServer(await RunningServer.StartAsync(demo: true, database), database);
        await SignInAsync(grown.Instructor, "maren");
        await SignInAsync(grown.Student, "jun");
        var stands = new List<Stand>();
        for (int? after = 0; after is not null; )
        {
            var room = await grown.Instructor.GetFromJsonAsync<JsonElement>($"/api/sessions/tonight?after={after}");
            var (session, course) = (room.GetProperty("session"), room.GetProperty("session").GetProperty("courseId").GetGuid());
            foreach (
                var view in room.GetProperty("booths")
                    .EnumerateArray()
                    .Where(view => view.GetProperty("student").ValueKind == JsonValueKind.Object)
            )
            {
                if (await grown.StandAsync(session.GetProperty("id").GetGuid(), course, view) is { } stand)
                    stands.Add(stand);
            }
            after = room.GetProperty("moreBooths").ValueKind == JsonValueKind.Number ? room.GetProperty("moreBooths").GetInt32() : null;
        }
        grown.Stands = stands;
        return grown;
    }

    /// <summary>What the application's role has asked the database since it was last asked this, transactions' bounds aside.</summary>
    public async Task<long> StatementsAsync()
    {
        await using var connection = new NpgsqlConnection($"{Database.Own};Pooling=false");
        await connection.OpenAsync();
        await using var ask = new NpgsqlCommand(
            """
            select coalesce(sum(calls), 0) from pg_stat_statements join pg_database on pg_database.oid = dbid join pg_roles on pg_roles.oid
                = userid
            where datname = current_database() and rolname = 'gentlebead_app' and query !~*
                '^(begin|commit|rollback|discard|close|(un)?listen|set session|reset)'
            """,
            connection
        );
        var count = Convert.ToInt64(await ask.ExecuteScalarAsync(), null);
        await using var reset = new NpgsqlCommand("select pg_stat_statements_reset()", connection);
        await reset.ExecuteNonQueryAsync();
        return count;
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        Instructor.Dispose();
        Student.Dispose();
        await server.DisposeAsync();
    }

    private async Task<Stand?> StandAsync(Guid session, Guid course, JsonElement view)
    {
        var booth = view.GetProperty("booth").GetProperty("id").GetGuid();
        var bench = await Instructor.GetFromJsonAsync<JsonElement>($"/api/sessions/{session}/booths/{booth}");
        if (bench.GetProperty("coupon").ValueKind != JsonValueKind.Object)
            return null;
        var sheet = bench.GetProperty("coupon").GetProperty("sheet");
        return new Stand(
            booth,
            view.GetProperty("booth").GetProperty("machineId").GetGuid(),
            view.GetProperty("student").GetProperty("id").GetGuid(),
            sheet.GetProperty("id").GetGuid(),
            sheet.GetProperty("body").GetProperty("job").Clone(),
            session,
            course
        );
    }

    /// <summary>Another client of this server's.</summary>
    public HttpClient Client() => new() { BaseAddress = server.Address, Timeout = TimeSpan.FromMinutes(5) };

    /// <summary>Signs a client in and gives its cookie, for connections that carry none by themselves.</summary>
    public static async Task<string> SignInAsync(HttpClient client, string login)
    {
        using var answer = await client.PostAsJsonAsync("/api/people/sign-in", new { login, password = DemoSchool.Password });
        return answer.EnsureSuccessStatusCode().Headers.GetValues("Set-Cookie").Single().Split(';')[0];
    }
}
