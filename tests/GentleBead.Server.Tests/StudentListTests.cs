using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using GentleBead.Server.People;

namespace GentleBead.Server.Tests;

/// <summary>Students from a list: read first, with what is wrong line by line, then made all at once.</summary>
public sealed class StudentListTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private const string Path = "/api/people/student-lists";

    private static Task<HttpResponseMessage> ReadAsync(HttpClient maren, string list, Encoding? encoding = null)
    {
        var body = new ByteArrayContent((encoding ?? Encoding.UTF8).GetBytes(list));
        body.Headers.ContentType = new MediaTypeHeaderValue("text/csv");
        return maren.PostAsync($"{Path}/read", body);
    }

    private static async Task<IReadOnlyList<StudentLine>> LinesAsync(HttpClient maren, string list, Encoding? encoding = null) =>
        await (await ReadAsync(maren, list, encoding)).ReadAsync<IReadOnlyList<StudentLine>>();

    [Theory]
    [InlineData("name,login\nSolveig Aas,solveig\nRune Dahl,rune")]
    [InlineData("Login;E-mail;Full name\nsolveig;s@example.org;Solveig Aas\nrune;;Rune Dahl\n")]
    [InlineData("Last name\tFirst Name\tUser name\r\nAas\tSolveig\tsolveig\r\n\r\nDahl\tRune\trune\r\n")]
    [InlineData("\uFEFF\"Student\",\"user_id\"\n\"Aas, Solveig\",SOLVEIG\n  Rune Dahl , rune\n")]
    public async Task Columns_are_known_by_their_heads_in_any_order(string list)
    {
        var lines = await LinesAsync(await room.SignInAsync("maren"), list);
        Assert.Equal([("Solveig Aas", "solveig"), ("Rune Dahl", "rune")], lines.Select(line => (line.Name, line.Login)));
        Assert.All(lines, line => Assert.Empty(line.Problems));
    }

    [Fact]
    public async Task A_list_of_an_office_computer_keeps_its_letters_and_logins_are_made_of_the_names()
    {
        var lines = await LinesAsync(await room.SignInAsync("maren"), "Name\nJo Åström-Müller\nIlsa Brandt\nИра\n", Encoding.Latin1);
        Assert.Equal(("Jo Åström-Müller", "jo.astrom-muller"), (lines[0].Name, lines[0].Login));
        Assert.Empty(lines[0].Problems);
        // No letter of it makes a login: it is asked for at its line.
        Assert.Equal(["login"], lines[2].Problems.Select(problem => problem.Field));
    }

    [Fact]
    public async Task Lines_that_cannot_be_taken_say_why_and_names_twice_are_flagged()
    {
        var lines = await LinesAsync(
            await room.SignInAsync("maren"),
            $"name,login\nIlsa Brandt,\nilsa brandt,ilsa2\nWynn Someone,wynn\n{new string('x', 81)},long\n,nobody\nAnn One,a\n"
        );
        Assert.Equal(["Ilsa Brandt"], lines[0].Alike.Select(person => person.Name));
        Assert.Equal(("ilsa.brandt", (int?)null), (lines[0].Login, lines[0].AlikeLine));
        Assert.Equal(2, lines[1].AlikeLine);
        Assert.Equal("This login is taken.", $"{lines[2].Problems.Single().Said}");
        Assert.Equal(["name"], lines[3].Problems.Select(problem => problem.Field));
        Assert.Equal(["name"], lines[4].Problems.Select(problem => problem.Field));
        Assert.Equal((7, "login"), (lines[5].Line, lines[5].Problems.Single().Field));
    }

    [Theory]
    [InlineData("")]
    [InlineData("name,login\n")]
    [InlineData("thickness,volts\n3,18\n")]
    [InlineData("\0\u0001\u0002")]
    public async Task What_is_no_list_is_told_at_the_file(string list) =>
        Assert.Equal(["file"], (await (await ReadAsync(await room.SignInAsync("maren"), list)).ProblemsAsync()).Keys);

    [Fact]
    public async Task A_list_too_long_or_too_large_is_refused()
    {
        var maren = await room.SignInAsync("maren");
        var many = string.Join('\n', Enumerable.Range(0, 201).Select(i => $"Name {i}"));
        Assert.Contains("At most 200", (await (await ReadAsync(maren, $"name\n{many}")).ProblemsAsync())["file"], StringComparison.Ordinal);
        Assert.Contains(
            "256 kB",
            (await (await ReadAsync(maren, new string('a', 300_000))).ProblemsAsync())["file"],
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Accounts_are_made_all_or_none_and_each_is_opened_by_a_first_code()
    {
        var maren = await room.SignInAsync("maren");
        Guid[] ids = [Guid.CreateVersion7(), Guid.CreateVersion7()];
        object List(string second) =>
            new
            {
                students = new[]
                {
                    new
                    {
                        id = ids[0],
                        name = "Signe Holm",
                        login = "signe.holm",
                    },
                    new
                    {
                        id = ids[1],
                        name = "Bo Lind",
                        login = second,
                    },
                },
            };
        var refused = await maren.PutAsJsonAsync(Path, List("wynn"));
        Assert.Equal(["students[1].login"], (await refused.ProblemsAsync()).Keys);
        Assert.Equal(0, await room.QueryAsync<long>("select count(*) from person where id = any(@ids)", new { ids }));
        for (var time = 0; time < 2; time++)
            (await maren.PutAsJsonAsync(Path, List("bo.lind"))).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync(Path, List("bo.other"))).StatusCode);

        var codes = await (await maren.PostAsJsonAsync($"{Path}/first-codes", new { ids })).ReadAsync<IReadOnlyList<FirstCode>>();
        Assert.Equal(["Bo Lind", "Signe Holm"], codes.Select(code => code.Name));
        var own = room.CreateClient();
        var use = new
        {
            login = codes[1].Login,
            code = codes[1].Code,
            password = "own-password",
        };
        (await own.PostAsJsonAsync("/api/people/use-code", use)).EnsureSuccessStatusCode();
        (await own.PostAsJsonAsync("/api/people/sign-in", new { use.login, use.password })).EnsureSuccessStatusCode();
        // Whoever has been in needs no first code again.
        codes = await (await maren.PostAsJsonAsync($"{Path}/first-codes", new { ids })).ReadAsync<IReadOnlyList<FirstCode>>();
        Assert.Equal(["Bo Lind"], codes.Select(code => code.Name));
    }
}
