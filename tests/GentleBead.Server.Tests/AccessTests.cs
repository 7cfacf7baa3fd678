using System.Net;
using System.Net.Http.Json;
using GentleBead.Server.Beads;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace GentleBead.Server.Tests;

public class AccessTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly string[] OpenToAnybody =
    [
        "/openapi/{documentName}.json",
        "/health/live",
        "/health/ready",
        "/api/people/welcome",
        "/api/people/me",
        "/api/people/sign-in",
        "/api/people/first-instructor",
        "/api/people/use-code",
        "/api/tablets/pair",
        "/api/booth/",
        "/calendar/{key}.ics",
        "/api/{**rest}",
        "{*path:nonfile}",
        "{*path:file}",
    ];

    private static readonly string[] OpenToStudents =
    [
        "/api/stop/",
        "/api/hands/mine",
        "/api/hands/{id:guid}",
        "/api/hands/{id:guid}/lowered",
        "/api/people/sign-out",
        "/api/people/me/units",
        "/api/people/me/password",
        "/api/people/me/pin",
        "/api/people/me/sign-out-elsewhere",
        "/api/people/me/way-of-setting",
        "/api/people/students/{id:guid}/hand",
        "/api/sheets/stock",
        "/api/sheets/compute",
        "/api/sheets/alternatives",
        "/api/sheets/mine",
        "/api/sheets/rack/{studentId:guid}",
        "/live",
        "/live/negotiate",
        "/api/cards/{sheetId:guid}/pdf",
        "/api/cards/{sheetId:guid}/csv",
        "/api/cards/{sheetId:guid}/json",
        "/api/cards/read",
        "/api/calculators/",
        "/api/calculators/{key}",
        "/api/kept/",
        "/api/kept/{id:guid}",
        "/api/kept/{id:guid}/withdrawn",
        "/api/kept/{id:guid}/compare",
        "/api/judging/criteria",
        "/api/judging/section/{metal}",
        "/api/trials/mine",
        "/api/sweeps/{id:guid}",
        "/api/beads/{id:guid}",
        "/api/beads/{id:guid}/own",
        "/api/beads/{id:guid}/waited",
        "/api/beads/{id:guid}/pictures/{side}/{pictureId:guid}",
        "/api/beads/{id:guid}/recordings/{recordingId:guid}",
        "/api/judging/own-keys/{process}",
        "/api/beads/{id:guid}/file",
        "/api/pictures/{pictureId:guid}",
        "/api/pictures/{pictureId:guid}/face",
        "/api/pictures/{pictureId:guid}/back",
        "/api/eye/card",
        "/api/eye/cards.pdf",
        "/api/eye/frame",
        "/api/eye/leave",
        "/api/eye/leave/{id:guid}",
        "/api/test-welds/{id:guid}",
        "/api/test-welds/of-student/{studentId:guid}",
        "/api/test-welds/{id:guid}/export",
        "/api/sheets/{id:guid}/beads",
        "/api/arc/run",
        "/api/recordings/{recordingId:guid}/file",
        "/api/recordings/{recordingId:guid}/spectrogram",
        "/api/listening/live",
        "/api/drills/{id:guid}/{kind}",
        "/api/drills/{id:guid}/sound",
        "/api/drills/{id:guid}/sight",
        "/api/drills/{id:guid}/answer",
        "/api/practice/mine",
        "/api/courses/mine",
        "/api/students/{id:guid}/skills",
        "/api/students/{id:guid}/skills/curve",
        "/api/students/{id:guid}/progress",
        "/api/students/{id:guid}/report.pdf",
        "/api/students/{id:guid}/logbook.zip",
        "/api/students/{id:guid}/logbooks",
        "/api/students/{id:guid}/held",
        "/api/students/{id:guid}/strip",
        "/api/beads/{id:guid}/beside/{otherId:guid}",
        "/api/students/{id:guid}/record.zip",
        "/api/students/{id:guid}/goals/",
        "/api/students/{id:guid}/remarks/",
        "/api/plans/mine",
        "/api/sessions/{id:guid}/booths/{boothId:guid}/checks/",
        "/api/sessions/{id:guid}/booths/{boothId:guid}/checks/{key}",
    ];

    private IEnumerable<RouteEndpoint> Endpoints =>
        room.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>();

    [Fact]
    public void Every_endpoint_says_who_may_call_it()
    {
        foreach (var endpoint in Endpoints)
        {
            var anybody = endpoint.Metadata.GetMetadata<IAllowAnonymous>() is not null;
            var named = endpoint.Metadata.GetMetadata<IAuthorizeData>() is not null;
            Assert.True(anybody || named, $"{endpoint.RoutePattern.RawText} does not say who may call it.");
            Assert.Equal(OpenToAnybody.Contains(endpoint.RoutePattern.RawText), anybody);
        }
    }

    [Fact]
    public async Task Strangers_and_students_are_turned_away_from_everything_else()
    {
        var stranger = room.CreateClient();
        var student = await room.SignInAsync("jun");
        var turnedAway = 0;
        foreach (var endpoint in Endpoints)
        {
            var route = endpoint.RoutePattern.RawText!;
            if (OpenToAnybody.Contains(route))
                continue;
            foreach (var method in endpoint.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? ["GET"])
            {
                Assert.Equal((route, HttpStatusCode.Unauthorized), (route, await stranger.CallAsync(method, route)));
                if (OpenToStudents.Contains(route))
                    continue;
                Assert.Equal((route, HttpStatusCode.Forbidden), (route, await student.CallAsync(method, route)));
                turnedAway++;
            }
        }
        Assert.True(turnedAway >= 10);
    }

    [Fact]
    public async Task Students_see_their_own_rack_and_nobody_elses()
    {
        var ilsa = await room.SignInAsync("ilsa");
        var teodor = await room.SignInAsync("teodor");
        var (mine, theirs) = (await ilsa.MeAsync(), await teodor.MeAsync());
        Assert.NotEmpty((await ilsa.GetAsync<Rack>($"/api/sheets/rack/{mine.Id}")).Coupons);
        Assert.Equal(HttpStatusCode.NotFound, (await ilsa.GetAsync($"/api/sheets/rack/{theirs.Id}")).StatusCode);
        Assert.Equal(mine.Id, (await ilsa.GetAsync<MyWork>("/api/sheets/mine")).Coupon!.Sheet.StudentId);
        var instructor = await room.SignInAsync("maren");
        Assert.NotEmpty((await instructor.GetAsync<Rack>($"/api/sheets/rack/{theirs.Id}")).Coupons);
        Assert.Equal(HttpStatusCode.NotFound, (await instructor.GetAsync($"/api/sheets/rack/{Guid.NewGuid()}")).StatusCode);
    }

    [Theory]
    [InlineData("maren", "wrong")]
    [InlineData("nobody", "loft-practice")]
    [InlineData("", "")]
    [InlineData(null, null)]
    [InlineData("maren' or 1=1 --", "loft-practice")]
    public async Task A_wrong_login_gets_one_answer_whatever_was_wrong(string? login, string? password)
    {
        var response = await room.CreateClient().PostAsJsonAsync("/api/people/sign-in", new { login, password });
        Assert.Equal("Login and password do not fit together.", (await response.ProblemsAsync())["password"]);
    }

    [Fact]
    public async Task The_cookie_is_strict_and_so_are_the_headers()
    {
        var response = await room.CreateClient()
            .PostAsJsonAsync("/api/people/sign-in", new { login = " MAREN ", password = "loft-practice" });
        var cookie = Assert.Single(response.Headers.GetValues("Set-Cookie"));
        Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=strict", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("default-src 'self'", response.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.True(response.Headers.CacheControl?.NoStore);
    }

    [Fact]
    public async Task A_write_from_another_site_is_refused()
    {
        var client = await room.SignInAsync("maren");
        client.DefaultRequestHeaders.Add("Sec-Fetch-Site", "cross-site");
        Assert.Equal(HttpStatusCode.Forbidden, (await client.PostAsync("/api/people/sign-out", null)).StatusCode);
    }

    [Fact]
    public async Task Guessing_passwords_is_slowed_down()
    {
        await using var strict = new Room(demo: false, ("GENTLEBEAD_SIGN_INS_PER_MINUTE", "3"));
        await strict.InitializeAsync();
        var client = strict.CreateClient();
        for (var guess = 0; guess < 3; guess++)
            await client.PostAsJsonAsync("/api/people/sign-in", new { login = "a", password = "b" });
        Assert.Equal(
            HttpStatusCode.TooManyRequests,
            (await client.PostAsJsonAsync("/api/people/sign-in", new { login = "a", password = "b" })).StatusCode
        );
    }
}
