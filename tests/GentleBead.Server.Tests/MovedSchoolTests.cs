using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>A school goes to another PostgreSQL server while it is used, and is exported; pools of many are bounded together.</summary>
public sealed class MovedSchoolTests(ManySchools schools) : IClassFixture<ManySchools>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_school_moves_while_it_is_written_to_and_nothing_that_was_acknowledged_is_lost()
    {
        var name = schools.Named("quay");
        using var client = await schools.FoundAsync(name, "quay.example", "Ulla Dam");
        using var other = await OnePostgres.StartAsync(Directory.CreateTempSubdirectory("gentlebead-other-").FullName);
        using var writing = CancellationTokenSource.CreateLinkedTokenSource(Cancel);
        var (acknowledged, answers) = (new ConcurrentBag<Guid>(), new ConcurrentBag<HttpStatusCode>());
        var writers = Enumerable.Range(0, 3).Select(_ => WriteAsync(client, acknowledged, answers, writing.Token)).ToArray();
        await GrowsAsync(acknowledged);

        var (code, told) = await schools.SayWithAsync(other.Database.Own, "move", name);
        Assert.True(code == 0, told);
        await GrowsAsync(acknowledged);
        await writing.CancelAsync();
        await Task.WhenAll(writers);

        // Taken, or told to come again; nothing else.
        Assert.Subset(new HashSet<HttpStatusCode> { HttpStatusCode.OK, HttpStatusCode.ServiceUnavailable }, answers.ToHashSet());
        Assert.Contains($":{new NpgsqlConnectionStringBuilder(other.Database.Own).Port}/", (await schools.SayAsync("list")).Told);
        var there = new HashSet<Guid>(await StudentsAsync(ManySchools.In(name, other.Database.Own)));
        Assert.NotEmpty(acknowledged);
        Assert.Subset(there, acknowledged.ToHashSet());
        var left = await StudentsAsync(ManySchools.In(name, schools.Control.Own));
        Assert.True(there.Count > left.Count, "Nothing was written after it had moved.");
        // What it left can be read and not written to, whoever still knows the way.
        var refused = await Assert.ThrowsAsync<PostgresException>(() =>
            ManySchools.OnAsync(ManySchools.In(name, schools.Control.Own), "delete from sign_in")
        );
        Assert.Equal(PostgresErrorCodes.ReadOnlySqlTransaction, refused.SqlState);
    }

    [Fact]
    public async Task A_school_that_cannot_be_moved_stays_where_it_is_and_is_written_to()
    {
        var name = schools.Named("stay");
        using var client = await schools.FoundAsync(name, "stay.example", "Siv Lund");
        using var other = await OnePostgres.StartAsync(Directory.CreateTempSubdirectory("gentlebead-other-").FullName);
        // What is there already is somebody's.
        await ManySchools.OnAsync($"{other.Database.Own};Pooling=false", $"create database school_{name}");
        var (there, why) = await schools.SayWithAsync(other.Database.Own, "move", name);
        Assert.True(there != 0 && why.Contains("There is a database", StringComparison.Ordinal), why);
        await ManySchools.OnAsync($"{other.Database.Own};Pooling=false", $"drop database school_{name}");
        // A role that writes nothing: it fails in the middle of reading in.
        await ManySchools.OnAsync($"{other.Database.Own};Pooling=false", $"create role school_{name}_owner");
        await ManySchools.OnAsync(
            $"{other.Database.Own};Pooling=false",
            $"alter role school_{name}_owner set default_transaction_read_only = on"
        );
        var (code, told) = await schools.SayWithAsync(other.Database.Own, "move", name);
        Assert.True(code != 0 && told.Contains("pg_restore failed", StringComparison.Ordinal), told);
        Assert.True(await Waiting.UntilAsync(async () => await AddStudentAsync(client, Guid.CreateVersion7()) == HttpStatusCode.OK));
        Assert.Contains($"{name}\topen", (await schools.SayAsync("list")).Told, StringComparison.Ordinal);

        // A move that was cut short by force left it read only; opening it is enough.
        await ManySchools.OnAsync(
            ManySchools.In(name, schools.Control.Own),
            $"alter database school_{name} set default_transaction_read_only = on"
        );
        await ManySchools.OnAsync(
            $"{schools.Control.Own};Pooling=false",
            $"select pg_terminate_backend(pid, 5000) from pg_stat_activity where datname = 'school_{name}'"
        );
        Assert.Equal(HttpStatusCode.ServiceUnavailable, await AddStudentAsync(client, Guid.CreateVersion7()));
        Assert.Equal(0, (await schools.SayAsync("open", name)).Code);
        Assert.True(await Waiting.UntilAsync(async () => await AddStudentAsync(client, Guid.CreateVersion7()) == HttpStatusCode.OK));
    }

    [Fact]
    public async Task An_export_is_read_by_postgresqls_own_program()
    {
        var name = schools.Named("out");
        using var client = await schools.FoundAsync(name, "out.example", "Nora Bek");
        var student = Guid.CreateVersion7();
        Assert.Equal(HttpStatusCode.OK, await AddStudentAsync(client, student));
        var file = Path.Combine(Path.GetTempPath(), $"{name}.dump");
        var (code, told) = await schools.SayAsync("export", name, file);
        Assert.True(code == 0, told);
        var tools = Directory.EnumerateDirectories("/usr/lib/postgresql").Max()!;
        using var read = Process.Start(
            new ProcessStartInfo(Path.Combine(tools, "bin/pg_restore"), ["--data-only", "--table=person", "--file=-", file])
            {
                RedirectStandardOutput = true,
            }
        )!;
        Assert.Contains($"{student}", await read.StandardOutput.ReadToEndAsync(Cancel), StringComparison.Ordinal);
        File.Delete(file);
    }

    [Fact]
    public async Task Pools_of_many_schools_hold_no_more_together_than_was_said_and_every_request_is_answered()
    {
        var names = new[] { schools.Named("p"), schools.Named("q"), schools.Named("r") };
        foreach (var name in names)
        {
            using var founded = await schools.FoundAsync(name, $"{name[..1]}.example", "Per Ås");
        }
        await using var narrow = await RunningServer.StartAsync(
            demo: false,
            schools.Control,
            [.. schools.Settings, ("GENTLEBEAD_CONNECTIONS", "4")]
        );
        var clients = names.Select(name => schools.At($"{name[..1]}.example", narrow)).ToArray();
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 120)
                .Select(async i =>
                {
                    using var answer = await clients[i % clients.Length].GetAsync("/api/people/welcome", Cancel);
                    return answer.StatusCode;
                })
        );
        Assert.All(answers, answer => Assert.Equal(HttpStatusCode.OK, answer));
        // What was closed takes PostgreSQL a moment to end; what only rests stays for minutes.
        Assert.True(await Waiting.UntilAsync(async () => await HeldAsync(narrow, names) <= 4));
        foreach (var client in clients)
            client.Dispose();
    }

    // Some more are written, wherever the school is.
    private static async Task GrowsAsync(ConcurrentBag<Guid> acknowledged)
    {
        var before = acknowledged.Count;
        Assert.True(await Waiting.UntilAsync(() => Task.FromResult(acknowledged.Count > before + 5)));
    }

    private static async Task WriteAsync(
        HttpClient client,
        ConcurrentBag<Guid> acknowledged,
        ConcurrentBag<HttpStatusCode> answers,
        CancellationToken cancel
    )
    {
        while (!cancel.IsCancellationRequested)
        {
            var id = Guid.CreateVersion7();
            var answer = await AddStudentAsync(client, id);
            answers.Add(answer);
            if (answer == HttpStatusCode.OK)
                acknowledged.Add(id);
        }
    }

    private static async Task<HttpStatusCode> AddStudentAsync(HttpClient client, Guid id)
    {
        var student = new
        {
            login = $"s{id:N}"[..20],
            name = "Somebody New",
            password = ManySchools.Password,
        };
        using var answer = await client.PutAsJsonAsync($"/api/people/students/{id}", student, Cancel);
        return answer.StatusCode;
    }

    private static async Task<IReadOnlyList<Guid>> StudentsAsync(string connection) =>
        await ManySchools.AskAsync<Guid[]>(connection, "select coalesce(array_agg(id), '{}') from person where role = 'student'");

    // A server's own, as PostgreSQL tells whose they are.
    private Task<long> HeldAsync(RunningServer server, IReadOnlyList<string> names) =>
        ManySchools.AskAsync<long>(
            $"{schools.Control.Own};Pooling=false",
            "select count(*) from pg_stat_activity where datname = any($1) and application_name like $2",
            names.Select(name => $"school_{name}").ToArray(),
            $"gentlebead {server.ProcessId} %"
        );
}
