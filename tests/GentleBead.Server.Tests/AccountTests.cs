using System.Net;
using System.Net.Http.Json;
using GentleBead.Demo;
using GentleBead.Server.Http;
using GentleBead.Server.People;
using Microsoft.AspNetCore.Http.Connections;
using Microsoft.AspNetCore.SignalR.Client;

namespace GentleBead.Server.Tests;

/// <summary>Passwords changed and reset, accounts switched off, sign-ins ended, and the trail of it.</summary>
public class AccountTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private const string Another = "another password";

    [Fact]
    public async Task Another_password_ends_every_other_sign_in_and_the_old_one_opens_nothing()
    {
        var (here, there) = (await room.SignInAsync("ilsa"), await room.SignInAsync("ilsa"));
        var wrong = await here.PutAsJsonAsync("/api/people/me/password", new { old = "not mine", password = Another });
        Assert.Contains("old", await wrong.ProblemsAsync());
        var brief = await here.PutAsJsonAsync("/api/people/me/password", new { old = DemoSchool.Password, password = "short" });
        Assert.Contains("password", await brief.ProblemsAsync());
        (
            await here.PutAsJsonAsync("/api/people/me/password", new { old = DemoSchool.Password, password = Another })
        ).EnsureSuccessStatusCode();

        Assert.Equal(HttpStatusCode.OK, (await here.GetAsync("/api/sheets/mine")).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await there.GetAsync("/api/sheets/mine")).StatusCode);
        var old = await room.CreateClient().PostAsJsonAsync("/api/people/sign-in", new { login = "ilsa", password = DemoSchool.Password });
        Assert.Equal(HttpStatusCode.BadRequest, old.StatusCode);
        await room.SignInAsync("ilsa", Another);
        (
            await here.PutAsJsonAsync("/api/people/me/password", new { old = Another, password = DemoSchool.Password })
        ).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task A_code_is_shown_once_works_once_and_the_newest_alone()
    {
        var (maren, wynn) = (await room.SignInAsync("maren"), await room.SignInAsync("wynn"));
        var id = await room.QueryAsync<Guid>("select id from person where login = 'wynn'");
        var first = await ResetAsync(maren, id);
        var resetId = Guid.CreateVersion7();
        var second = await (await maren.PutAsync($"/api/people/{id}/resets/{resetId}", null)).ReadAsync<ResetCode>();
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsync($"/api/people/{id}/resets/{resetId}", null)).StatusCode);
        Assert.Equal("wynn", second.Login);

        var client = room.CreateClient();
        Assert.Contains("code", await (await UseAsync(client, "wynn", first.Code, Another)).ProblemsAsync());
        // As it is typed by hand: small, without its dash.
        (
            await UseAsync(client, "wynn", second.Code.ToLowerInvariant().Replace("-", " ", StringComparison.Ordinal), Another)
        ).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Unauthorized, (await wynn.GetAsync("/api/sheets/mine")).StatusCode);
        Assert.Contains("code", await (await UseAsync(client, "wynn", second.Code, "yet another one")).ProblemsAsync());
        await room.SignInAsync("wynn", Another);
    }

    [Fact]
    public async Task A_code_is_dead_after_a_day()
    {
        var maren = await room.SignInAsync("maren");
        var id = await room.QueryAsync<Guid>("select id from person where login = 'petra'");
        var code = await ResetAsync(maren, id);
        await room.QueryAsync<int>(
            "update password_reset set good_until = now() - interval '1 hour' where person_id = @id; select 1",
            new { id }
        );
        Assert.Contains("code", await (await UseAsync(room.CreateClient(), "petra", code.Code, Another)).ProblemsAsync());
    }

    [Fact]
    public async Task An_account_that_is_switched_off_is_signed_out_everywhere_its_line_too_and_comes_back_with_all_it_had()
    {
        var (maren, odell) = (await room.SignInAsync("maren"), await room.SignInAsync("odell"));
        var id = await room.QueryAsync<Guid>("select id from person where login = 'odell'");
        await using var line = await LineAsync("odell");
        var closed = new TaskCompletionSource();
        line.Closed += _ =>
        {
            closed.TrySetResult();
            return Task.CompletedTask;
        };
        (await maren.PutAsJsonAsync($"/api/people/{id}/active", new { isActive = false })).EnsureSuccessStatusCode();
        await closed.Task.WaitAsync(TimeSpan.FromSeconds(30), TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.Unauthorized, (await odell.GetAsync("/api/sheets/mine")).StatusCode);
        var client = room.CreateClient();
        var refused = await client.PostAsJsonAsync("/api/people/sign-in", new { login = "odell", password = DemoSchool.Password });
        Assert.Equal("This account is switched off. Ask an instructor.", (await refused.ProblemsAsync())["password"]);
        Assert.DoesNotContain(await StudentsAsync(""), student => student.Id == id);
        Assert.Contains(await StudentsAsync("?off=true"), student => student.Id == id);

        (await maren.PutAsJsonAsync($"/api/people/{id}/active", new { isActive = true })).EnsureSuccessStatusCode();
        Assert.Contains(await StudentsAsync(""), student => student.Id == id);
        await room.SignInAsync("odell");
        var own = await room.QueryAsync<Guid>("select id from person where login = 'maren'");
        Assert.Contains(
            "isActive",
            await (await maren.PutAsJsonAsync($"/api/people/{own}/active", new { isActive = false })).ProblemsAsync()
        );

        async Task<IReadOnlyList<PersonName>> StudentsAsync(string which) =>
            (await maren.GetAsync<Page<PersonName>>($"/api/people/students{which}")).Items;
    }

    [Fact]
    public async Task Signing_out_closes_the_line_and_leaves_a_copy_of_the_cookie_worth_nothing()
    {
        var client = room.CreateClient();
        var signedIn = await client.PostAsJsonAsync("/api/people/sign-in", new { login = "jun", password = DemoSchool.Password });
        var copy = room.CreateClient(new() { HandleCookies = false });
        copy.DefaultRequestHeaders.Add("Cookie", signedIn.Headers.GetValues("Set-Cookie").Single().Split(';')[0]);
        Assert.Equal(HttpStatusCode.OK, (await copy.GetAsync("/api/sheets/mine")).StatusCode);
        (await client.PostAsync("/api/people/sign-out", null)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Unauthorized, (await copy.GetAsync("/api/sheets/mine")).StatusCode);
    }

    [Fact]
    public async Task Wrong_passwords_in_a_row_make_a_login_wait_whether_there_is_such_an_account_or_not()
    {
        var client = room.CreateClient();
        foreach (var login in new[] { "sunniva", "nobody-at-all" })
        {
            for (var wrong = 0; wrong < 5; wrong++)
                Assert.Equal(HttpStatusCode.BadRequest, (await TryAsync(login, "guess")).StatusCode);
            Assert.Equal(HttpStatusCode.TooManyRequests, (await TryAsync(login, "guess")).StatusCode);
        }
        // Right or wrong, it waits; somebody else does not.
        Assert.Equal(HttpStatusCode.TooManyRequests, (await TryAsync("sunniva", DemoSchool.Password)).StatusCode);
        await room.SignInAsync("maren");
        await room.QueryAsync<int>("update sign_in_try set last_at = now() - interval '61 seconds'; select 1");
        Assert.Equal(HttpStatusCode.OK, (await TryAsync("sunniva", DemoSchool.Password)).StatusCode);

        Task<HttpResponseMessage> TryAsync(string login, string password) =>
            client.PostAsJsonAsync("/api/people/sign-in", new { login, password });
    }

    [Theory]
    [InlineData(4, 0, 0)]
    [InlineData(5, 0, 60)]
    [InlineData(5, 60, 0)]
    [InlineData(6, 30, 90)]
    [InlineData(8, 0, 480)]
    [InlineData(9, 0, 900)]
    [InlineData(500, 0, 900)]
    public void The_wait_begins_with_the_fifth_try_doubles_and_ends_at_a_quarter_of_an_hour(int failed, int secondsAgo, int left) =>
        Assert.Equal(left, Patience.Left(failed, TimeSpan.FromSeconds(secondsAgo)).TotalSeconds);

    [Fact]
    public async Task The_trail_says_who_did_what_newest_first_and_nobody_changes_it()
    {
        var maren = await room.SignInAsync("maren");
        var id = await room.QueryAsync<Guid>("select id from person where login = 'teodor'");
        var bo = new
        {
            login = "bo.new",
            name = "Bo New",
            password = Another,
        };
        var made = $"/api/people/students/{Guid.CreateVersion7()}";
        for (var time = 0; time < 2; time++)
            (await maren.PutAsJsonAsync(made, bo)).EnsureSuccessStatusCode();
        await ResetAsync(maren, id);
        await maren.AssignAsync(1);
        var trail = await maren.GetAsync<Page<TrailEntry>>("/api/trail");
        Assert.Equal(
            [
                ("sheetGiven", "Maren Holloway", "Ilsa Brandt"),
                ("resetCodeMade", "Maren Holloway", "Teodor Pike"),
                ("accountMade", "Maren Holloway", "Bo New"),
            ],
            trail.Items.Take(3).Select(entry => (entry.What, entry.By!, entry.About))
        );
        Assert.Single(trail.Items, entry => entry.What == "accountMade");
        Assert.Contains(trail.Items, entry => (entry.What, entry.By) == ("signedIn", "Maren Holloway"));
        var next = await maren.GetAsync<Page<TrailEntry>>($"/api/trail?before={trail.More}");
        Assert.True(next.Items[0].At <= trail.Items[^1].At);
        Assert.DoesNotContain(next.Items, entry => trail.Items.Any(before => before.Seq == entry.Seq));
        await Assert.ThrowsAsync<Npgsql.PostgresException>(() => room.QueryAsync<int>("delete from trail; select 1"));
    }

    [Fact]
    public async Task Where_the_demo_does_not_run_its_accounts_are_dead_and_none_is_offered()
    {
        await using var real = new Room(demo: true, ("GENTLEBEAD_DEMO", "false"));
        await real.InitializeAsync();
        var client = real.CreateClient();
        Assert.Empty((await client.GetAsync<Welcome>("/api/people/welcome")).DemoAccounts);
        var refused = await client.PostAsJsonAsync("/api/people/sign-in", new { login = "maren", password = DemoSchool.Password });
        Assert.Contains("password", await refused.ProblemsAsync());
    }

    private static async Task<ResetCode> ResetAsync(HttpClient instructor, Guid personId) =>
        await (await instructor.PutAsync($"/api/people/{personId}/resets/{Guid.CreateVersion7()}", null)).ReadAsync<ResetCode>();

    private static Task<HttpResponseMessage> UseAsync(HttpClient client, string login, string code, string password) =>
        client.PostAsJsonAsync(
            "/api/people/use-code",
            new
            {
                login,
                code,
                password,
            }
        );

    private async Task<HubConnection> LineAsync(string login)
    {
        var signIn = await room.CreateClient().PostAsJsonAsync("/api/people/sign-in", new { login, password = DemoSchool.Password });
        var line = new HubConnectionBuilder()
            .WithUrl(
                new Uri(room.Server.BaseAddress, "/live"),
                options =>
                {
                    options.HttpMessageHandlerFactory = _ => room.Server.CreateHandler();
                    options.Transports = HttpTransportType.LongPolling;
                    options.Headers["Cookie"] = signIn.Headers.GetValues("Set-Cookie").Single().Split(';')[0];
                }
            )
            .Build();
        await line.StartAsync(TestContext.Current.CancellationToken);
        return line;
    }
}
