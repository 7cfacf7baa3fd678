using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using GentleBead.Server.Live;
using Microsoft.AspNetCore.Http.Connections;
using Microsoft.AspNetCore.SignalR.Client;

namespace GentleBead.Server.Tests;

/// <summary>Several schools on one server, each in a database of its own: nothing of one is reached from another.</summary>
public sealed class ManySchoolsTests(ManySchools schools) : IClassFixture<ManySchools>
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Nobody_of_one_school_is_anybody_at_another_with_whatever_cookie_and_whatever_id()
    {
        var (north, south) = (schools.Named("north"), schools.Named("south"));
        using var ida = await schools.FoundAsync(north, "north.example", "Ida Holm");
        using var ole = await schools.FoundAsync(south, "south.example", "Ole Sand");
        Assert.Contains("Ida Holm", await ida.GetStringAsync("/api/people/instructors", Cancel), StringComparison.Ordinal);
        Assert.DoesNotContain("Ida Holm", await ole.GetStringAsync("/api/people/instructors", Cancel), StringComparison.Ordinal);

        // Her cookie, sent to the other school; and as well when the other has a copy of her sign-in, as after a backup put back there.
        var cookie = await CookieAsync("north.example", "ida");
        using var stranger = schools.At("south.example");
        stranger.DefaultRequestHeaders.Add("Cookie", cookie);
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.GetAsync("/api/people/instructors", Cancel)).StatusCode);
        await CopyPeopleAsync(north, south);
        Assert.Equal(HttpStatusCode.Unauthorized, (await stranger.GetAsync("/api/people/instructors", Cancel)).StatusCode);

        // A student of hers is none of theirs, under whatever address.
        var student = Guid.CreateVersion7();
        var added = await ida.PutAsJsonAsync(
            $"/api/people/students/{student}",
            new
            {
                login = "ane",
                name = "Ane Vik",
                password = ManySchools.Password,
            },
            Cancel
        );
        Assert.True(added.IsSuccessStatusCode, await added.Content.ReadAsStringAsync(Cancel));
        foreach (var path in new[] { $"/api/people/{student}", $"/api/students/{student}/progress", $"/api/students/{student}/record.zip" })
        {
            Assert.Equal(HttpStatusCode.OK, (await ida.GetAsync(path, Cancel)).StatusCode);
            Assert.Equal(HttpStatusCode.NotFound, (await ole.GetAsync(path, Cancel)).StatusCode);
        }

        // Whoever says another host beside the one that leads to the school is not believed.
        using var sly = schools.At("south.example");
        sly.DefaultRequestHeaders.Add("Cookie", cookie);
        sly.DefaultRequestHeaders.Add("X-Forwarded-Host", "north.example");
        sly.DefaultRequestHeaders.Add("Forwarded", "host=north.example");
        Assert.Equal(HttpStatusCode.Unauthorized, (await sly.GetAsync("/api/people/instructors", Cancel)).StatusCode);
    }

    [Fact]
    public async Task A_schools_screens_hear_nothing_of_another_and_it_is_listened_to_only_while_somebody_hears()
    {
        var (east, west) = (schools.Named("east"), schools.Named("west"));
        using var eva = await schools.FoundAsync(east, "east.example", "Eva Lind");
        using var wim = await schools.FoundAsync(west, "west.example", "Wim Berg");
        Assert.Equal(0, await ListeningAsync(east));
        var heard = new List<RoomNotice>();
        var line = new HubConnectionBuilder()
            .WithUrl(
                new Uri(schools.Server.Address, "/live"),
                options =>
                {
                    options.Transports = HttpTransportType.LongPolling;
                    options.Headers["Host"] = "east.example";
                    options.Headers["Cookie"] = CookieAsync("east.example", "eva").GetAwaiter().GetResult();
                }
            )
            .Build();
        line.On<RoomNotice>("changed", heard.Add);
        await line.StartAsync(Cancel);
        Assert.True(await Waiting.UntilAsync(async () => await ListeningAsync(east) == 1));
        Assert.Equal(0, await ListeningAsync(west));
        // Its first word comes once somebody listens; what follows is counted.
        Assert.True(await Waiting.UntilAsync(() => Task.FromResult(heard.Count > 0)));
        heard.Clear();
        await NotifyAsync(west);
        await NotifyAsync(east);
        Assert.True(await Waiting.UntilAsync(() => Task.FromResult(heard.Count > 0)));
        Assert.Single(heard);
        await line.DisposeAsync();
        Assert.True(await Waiting.UntilAsync(async () => await ListeningAsync(east) == 0));
    }

    [Fact]
    public async Task A_host_that_leads_nowhere_and_a_school_that_is_closed_or_broken_are_told_so_and_the_others_go_on()
    {
        var (fine, shut, ill) = (schools.Named("fine"), schools.Named("shut"), schools.Named("ill"));
        using var ada = await schools.FoundAsync(fine, "fine.example", "Ada Moe");
        using var ben = await schools.FoundAsync(shut, "shut.example", "Ben Dal");
        using var cas = await schools.FoundAsync(ill, "ill.example", "Cas Rud");
        using var nowhere = schools.At("nowhere.example");
        Assert.Equal(HttpStatusCode.MisdirectedRequest, (await nowhere.GetAsync("/api/people/welcome", Cancel)).StatusCode);
        Assert.Equal(HttpStatusCode.MisdirectedRequest, (await nowhere.GetAsync("/", Cancel)).StatusCode);
        nowhere.DefaultRequestHeaders.Add("Cookie", await CookieAsync("fine.example", "ada"));
        Assert.Equal(HttpStatusCode.OK, (await nowhere.GetAsync("/health/ready", Cancel)).StatusCode);
        using var loud = schools.At("FINE.Example");
        Assert.Equal(HttpStatusCode.OK, (await loud.GetAsync("/api/people/welcome", Cancel)).StatusCode);

        Assert.Equal(0, (await schools.SayAsync("close", shut)).Code);
        Assert.True(await BecomesAsync(ben, HttpStatusCode.Gone));
        Assert.Equal(HttpStatusCode.OK, (await ada.GetAsync("/api/people/instructors", Cancel)).StatusCode);
        Assert.Equal(0, (await schools.SayAsync("open", shut)).Code);
        Assert.True(await BecomesAsync(ben, HttpStatusCode.OK));

        // A database that takes no connections: its school is told to come again, a server that starts now starts, and serves the others.
        await ManySchools.OnAsync(Own, $"alter database school_{ill} allow_connections false");
        await ManySchools.OnAsync(Own, $"select pg_terminate_backend(pid, 5000) from pg_stat_activity where datname = 'school_{ill}'");
        Assert.True(await BecomesAsync(cas, HttpStatusCode.ServiceUnavailable));
        Assert.Equal(HttpStatusCode.OK, (await ada.GetAsync("/api/people/instructors", Cancel)).StatusCode);
        await using var second = await RunningServer.StartAsync(demo: false, schools.Control, schools.Settings);
        Assert.Contains(second.Words, words => words.StartsWith($"School {ill} is not served", StringComparison.Ordinal));
        using (var ready = schools.At("fine.example", second))
            Assert.Equal(HttpStatusCode.OK, (await ready.GetAsync("/api/people/welcome", Cancel)).StatusCode);
        using var away = schools.At("ill.example", second);
        Assert.Equal(HttpStatusCode.ServiceUnavailable, (await away.GetAsync("/api/people/welcome", Cancel)).StatusCode);
        await ManySchools.OnAsync(Own, $"alter database school_{ill} allow_connections true");
        Assert.True(await BecomesAsync(cas, HttpStatusCode.OK));
        // It is looked after again by itself.
        Assert.True(await BecomesAsync(away, HttpStatusCode.Unauthorized));
    }

    [Fact]
    public async Task What_cannot_be_a_school_is_refused_with_the_reason_and_leaves_nothing_behind()
    {
        var first = schools.Named("first");
        Assert.Equal(0, (await schools.SayAsync("add", first, "first.example")).Code);
        (string[] Words, string Reason)[] wrong =
        [
            (["add", "x; drop table person", "a.example"], "small letters"),
            (["add", "North", "a.example"], "small letters"),
            (["add", schools.Named("b"), "not a host"], "no host name"),
            (["add", first, "other.example"], "already"),
            (["add", schools.Named("c"), "first.example"], "already"),
            (["move", "nobody"], "There is no school"),
            (["move", first], "on that server already"),
            (["export", "nobody", "/tmp/x"], "There is no school"),
            (["fly", first], "does not know"),
        ];
        foreach (var (words, reason) in wrong)
        {
            var (code, told) = await schools.SayAsync(words);
            Assert.True(code != 0 && told.Contains(reason, StringComparison.Ordinal), $"{string.Join(' ', words)}: {code} {told}");
        }
        var list = (await schools.SayAsync("list")).Told;
        Assert.Contains($"{first}\topen\tfirst.example", list, StringComparison.Ordinal);
        Assert.DoesNotContain("a.example", list, StringComparison.Ordinal);
    }

    private string Own => schools.Control.Own;

    private async Task<string> CookieAsync(string host, string login)
    {
        using var client = schools.At(host);
        var answer = await client.PostAsJsonAsync("/api/people/sign-in", new { login, password = ManySchools.Password }, Cancel);
        return answer.EnsureSuccessStatusCode().Headers.GetValues("Set-Cookie").Single().Split(';')[0];
    }

    // Row for row, with the ids they have; what counts by itself counts there.
    private async Task CopyPeopleAsync(string from, string to)
    {
        foreach (var table in new[] { "person", "sign_in" })
        {
            var columns = await AskAsync<string>(
                from,
                $"""
                select string_agg(column_name, ', ') from information_schema.columns
                where table_name = '{table}' and is_identity = 'NO' and is_generated = 'NEVER'
                """
            );
            var rows = await AskAsync<string>(from, $"select json_agg(t)::text from {table} t");
            await ManySchools.OnAsync(
                ManySchools.In(to, Own),
                $"insert into {table} ({columns}) select {columns} from json_populate_recordset(null::{table}, $1::json)",
                rows
            );
        }
        Assert.Equal(2, await AskAsync<long>(to, "select count(*) from person where role = 'instructor'"));
    }

    private Task<T> AskAsync<T>(string school, string sql) => ManySchools.AskAsync<T>(ManySchools.In(school, Own), sql);

    private Task<long> ListeningAsync(string school) =>
        AskAsync<long>(school, "select count(*) from pg_stat_activity where datname = current_database() and query = 'listen room'");

    private Task NotifyAsync(string school) =>
        ManySchools.OnAsync(ManySchools.In(school, Own), $"notify room, '{JsonSerializer.Serialize(new { kind = "bead" })}'");

    private static Task<bool> BecomesAsync(HttpClient client, HttpStatusCode status) =>
        Waiting.UntilAsync(async () => (await client.GetAsync("/api/people/instructors", Cancel)).StatusCode == status);
}
