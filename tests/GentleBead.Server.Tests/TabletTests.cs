using System.Net;
using System.Net.Http.Json;
using GentleBead.Server.People;
using GentleBead.Server.Tablets;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace GentleBead.Server.Tests;

/// <summary>Tablets of booths: paired, stood at by name and PIN, put away; and what they may do.</summary>
public sealed class TabletTests(DemoRoom room) : IClassFixture<DemoRoom>, IAsyncLifetime
{
    // What a booth's tablet may call, whether or not somebody stands there.
    private static readonly string[] OpenToTablets =
    [
        "/api/stop/",
        "/api/booth/standing/{id:guid}",
        "/api/booth/leave",
        "/api/booth/touched",
        "/live",
        "/live/negotiate",
    ];

    // And what it may call for whoever has said that they do.
    private static readonly string[] OpenToWhoeverStandsThere =
    [
        "/api/hands/mine",
        "/api/hands/{id:guid}",
        "/api/hands/{id:guid}/lowered",
        "/api/trials/mine",
        "/api/plans/mine",
        "/api/sweeps/{id:guid}",
        "/api/beads/{id:guid}",
        "/api/beads/{id:guid}/own",
        "/api/beads/{id:guid}/file",
        "/api/recordings/{recordingId:guid}/file",
        "/api/recordings/{recordingId:guid}/spectrogram",
        "/api/beads/{id:guid}/waited",
        "/api/beads/{id:guid}/pictures/{side}/{pictureId:guid}",
        "/api/beads/{id:guid}/recordings/{recordingId:guid}",
        "/api/judging/own-keys/{process}",
        "/api/sheets/mine",
        "/api/sheets/{id:guid}/beads",
        "/api/pictures/{pictureId:guid}",
        "/api/pictures/{pictureId:guid}/face",
        "/api/pictures/{pictureId:guid}/back",
        "/api/eye/frame",
        "/api/people/students/{id:guid}/hand",
        "/api/sessions/{id:guid}/booths/{boothId:guid}/checks/",
        "/api/sessions/{id:guid}/booths/{boothId:guid}/checks/{key}",
    ];

    private HttpClient maren = null!;

    public async ValueTask InitializeAsync() => maren = await room.SignInAsync("maren");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    [Fact]
    public async Task A_code_pairs_one_tablet_once_and_the_tablet_knows_its_booth()
    {
        var code = await CodeAsync(2);
        var tablet = room.CreateClient();
        Assert.Equal(HttpStatusCode.NoContent, (await tablet.GetAsync("/api/booth")).StatusCode);
        // As it is typed in gloves: small letters, no dash.
        (await PairAsync(tablet, code.Code.Replace("-", "", StringComparison.Ordinal).ToLowerInvariant())).EnsureSuccessStatusCode();
        var now = await tablet.GetAsync<BoothNow>("/api/booth");
        Assert.Equal((2, "Tablet of booth 2"), (now.Booth, now.Name));
        Assert.Null(now.Student);
        Assert.NotNull(now.Session);
        Assert.Equal("Teodor Pike", now.Names[0].Name);
        Assert.Equal(now.Names.Skip(1).OrderBy(name => name.Name, StringComparer.Ordinal), now.Names.Skip(1));
        Assert.Equal(HttpStatusCode.BadRequest, (await PairAsync(room.CreateClient(), code.Code)).StatusCode);
        Assert.Contains(await maren.GetAsync<PairedTablet[]>("/api/tablets"), one => one is { Booth: 2, PairedBy: "Maren Holloway" });
        Assert.EndsWith($"/pair#{code.Code}", code.Address.ToString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("")]
    [InlineData("AAAA-3333")]
    [InlineData("' or 1=1 --")]
    public async Task A_code_that_is_none_pairs_nothing(string code)
    {
        var problems = await (await PairAsync(room.CreateClient(), code)).ProblemsAsync();
        Assert.Contains("not good", problems["code"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_code_is_good_for_a_quarter_of_an_hour()
    {
        var code = await CodeAsync(1);
        await room.QueryAsync<object>("update pairing_code set good_until = now() - interval '1 second' where used_at is null returning 1");
        Assert.Equal(HttpStatusCode.BadRequest, (await PairAsync(room.CreateClient(), code.Code)).StatusCode);
    }

    [Fact]
    public async Task Somebody_stands_there_by_name_and_pin_until_they_leave()
    {
        var tablet = await PairedAsync(2);
        var teodor = (await tablet.GetAsync<BoothNow>("/api/booth")).Names[0];
        var pin = await PinAsync(teodor.Id);
        var wrong = await (await StandAsync(tablet, teodor.Id, pin == "4711" ? "4712" : "4711")).ProblemsAsync();
        Assert.Contains("do not fit together", wrong["pin"], StringComparison.Ordinal);
        (await StandAsync(tablet, teodor.Id, pin)).EnsureSuccessStatusCode();
        var now = await tablet.GetAsync<BoothNow>("/api/booth");
        Assert.Equal("Teodor Pike", now.Student!.Name);
        Assert.True(now.GoodUntil > DateTimeOffset.UtcNow);
        Assert.Contains(await maren.GetAsync<PairedTablet[]>("/api/tablets"), one => one.Student?.Id == teodor.Id);
        (await tablet.PostAsync("/api/booth/leave", null)).EnsureSuccessStatusCode();
        Assert.Null((await tablet.GetAsync<BoothNow>("/api/booth")).Student);
    }

    [Fact]
    public async Task Whoever_was_not_asked_for_does_not_stand_there()
    {
        var tablet = await PairedAsync(2);
        var now = await tablet.GetAsync<BoothNow>("/api/booth");
        // Somebody else of the evening: the instructor has Teodor there.
        var other = now.Names[1];
        var pin = await PinAsync(other.Id);
        Assert.Equal(HttpStatusCode.Conflict, (await StandAsync(tablet, other.Id, pin)).StatusCode);
        // Nobody of the evening, nobody at all, an instructor.
        var bryn = await room.QueryAsync<Guid>("select id from person where login = 'bryn'");
        foreach (var nobody in new[] { bryn, Guid.NewGuid(), (await maren.MeAsync()).Id })
            Assert.Contains(
                "not on this evening",
                (await (await StandAsync(tablet, nobody, "4711")).ProblemsAsync())["studentId"],
                StringComparison.Ordinal
            );
    }

    [Fact]
    public async Task At_a_booth_nobody_was_put_at_one_says_so_and_stands_there_for_the_instructor_too()
    {
        var (session, view) = await maren.BoothAsync(4);
        await maren.PutAsJsonAsync($"/api/sessions/{session.Id}/booths/{view.Booth.Id}/student", new { studentId = (Guid?)null });
        var tablet = await PairedAsync(4);
        var petra = (await tablet.GetAsync<BoothNow>("/api/booth")).Names.Single(name => name.Name == "Petra Lund");
        (await StandAsync(tablet, petra.Id, await PinAsync(petra.Id))).EnsureSuccessStatusCode();
        Assert.Equal(petra.Id, (await maren.BoothAsync(4)).View.Student!.Id);
    }

    [Fact]
    public async Task Guessing_pins_is_slowed_down_for_the_student_and_for_the_tablet()
    {
        var (one, other) = (await PairedAsync(3), await PairedAsync(3));
        var wynn = (await one.GetAsync<BoothNow>("/api/booth")).Names[0];
        var pin = await PinAsync(wynn.Id);
        for (var guess = 0; guess < 5; guess++)
            Assert.Equal(HttpStatusCode.BadRequest, (await StandAsync(one, wynn.Id, $"00{guess}7")).StatusCode);
        // The right one does not help now, nor does the tablet beside it.
        Assert.Equal(HttpStatusCode.TooManyRequests, (await StandAsync(one, wynn.Id, pin)).StatusCode);
        Assert.Equal(HttpStatusCode.TooManyRequests, (await StandAsync(other, wynn.Id, pin)).StatusCode);
        await room.QueryAsync<object>("update sign_in_try set last_at = now() - interval '2 minutes' returning 1");
        (await StandAsync(other, wynn.Id, pin)).EnsureSuccessStatusCode();
        // Both tablets are the booth's; each knows who stands at it.
        Assert.Equal(wynn.Id, (await other.GetAsync<BoothNow>("/api/booth")).Student!.Id);
        Assert.Null((await one.GetAsync<BoothNow>("/api/booth")).Student);
    }

    [Theory]
    [InlineData("update tablet_sign_in set touched_at = now() - interval '21 minutes' returning 1")]
    [InlineData("update tablet_sign_in set good_until = now() - interval '1 second' returning 1")]
    [InlineData(
        "insert into slot_begun (id, session_id, slot, begun_by) select gen_random_uuid(), session_id, 0, (select id from person where "
            + "login = 'maren') from tablet_sign_in order by seq desc limit 1 returning 1"
    )]
    [InlineData("update person set deactivated_at = now() where login = 'ilsa' returning 1")]
    public async Task Whoever_stood_there_has_gone(string how)
    {
        var tablet = await PairedAsync(1);
        var ilsa = (await tablet.GetAsync<BoothNow>("/api/booth")).Names[0];
        (await StandAsync(tablet, ilsa.Id, await PinAsync(ilsa.Id))).EnsureSuccessStatusCode();
        Assert.NotNull((await tablet.GetAsync<BoothNow>("/api/booth")).Student);
        await room.QueryAsync<object>(how);
        Assert.Null((await tablet.GetAsync<BoothNow>("/api/booth")).Student);
        await room.QueryAsync<object>("update person set deactivated_at = null where login = 'ilsa' returning 1");
    }

    [Fact]
    public async Task Put_away_it_opens_nothing_any_more_and_its_lines_are_closed()
    {
        var tablet = await PairedAsync(2);
        var mine = (await maren.GetAsync<PairedTablet[]>("/api/tablets")).Last(one => one.Booth == 2);
        (await maren.PutAsync($"/api/tablets/{mine.Id}/put-away", null)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NoContent, (await tablet.GetAsync("/api/booth")).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await tablet.GetAsync("/api/stop")).StatusCode);
        Assert.DoesNotContain(await maren.GetAsync<PairedTablet[]>("/api/tablets"), one => one.Id == mine.Id);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.PutAsync($"/api/tablets/{Guid.NewGuid()}/put-away", null)).StatusCode);
        var trail = await maren.GetStringAsync("/api/trail");
        Assert.Contains("tabletPutAway", trail, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Its_key_changes_by_itself_and_the_one_before_is_good_until_the_new_one_was_used()
    {
        var tablet = room.CreateClient(new() { HandleCookies = false });
        var first = Cookie(await PairAsync(tablet, (await CodeAsync(2)).Code))!;
        Assert.Null(Cookie(await AskAsync(first)));
        await room.QueryAsync<object>("update tablet set key_made_at = now() - interval '8 days' returning 1");
        var second = Cookie(await AskAsync(first))!;
        Assert.NotEqual(first, second);
        // The answer was lost: the old key still opens, and after a while gets another.
        Assert.Null(Cookie(await AskAsync(first)));
        await room.QueryAsync<object>(
            "update tablet set key_made_at = now() - interval '2 minutes' where former_key_hash is not null returning 1"
        );
        var third = Cookie(await AskAsync(first))!;
        Assert.Equal(HttpStatusCode.OK, (await AskAsync(third)).StatusCode);
        // Now the old one and the lost one are nobody's.
        Assert.Equal(HttpStatusCode.Unauthorized, (await AskAsync(first)).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await AskAsync(second)).StatusCode);

        async Task<HttpResponseMessage> AskAsync(string key)
        {
            using var request = new HttpRequestMessage(HttpMethod.Get, "/api/stop");
            request.Headers.Add("Cookie", key);
            return await tablet.SendAsync(request);
        }
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task A_tablet_is_turned_away_from_all_but_its_own(bool somebodyStandsThere)
    {
        var tablet = await PairedAsync(2);
        string[] open = OpenToTablets;
        if (somebodyStandsThere)
        {
            var teodor = (await tablet.GetAsync<BoothNow>("/api/booth")).Names[0];
            (await StandAsync(tablet, teodor.Id, await PinAsync(teodor.Id))).EnsureSuccessStatusCode();
            open = [.. OpenToTablets, .. OpenToWhoeverStandsThere];
            // Theirs, and nobody else's.
            Assert.Equal(teodor.Id, (await tablet.MeAsync()).Id);
            var jun = await room.QueryAsync<Guid>("select id from person where login = 'jun'");
            Assert.Equal(
                HttpStatusCode.NotFound,
                (await tablet.PutAsJsonAsync($"/api/people/students/{jun}/hand", new { hand = "left" })).StatusCode
            );
        }
        var turnedAway = 0;
        foreach (var endpoint in room.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>())
        {
            var route = endpoint.RoutePattern.RawText!;
            if (endpoint.Metadata.GetMetadata<IAllowAnonymous>() is not null || open.Contains(route))
                continue;
            foreach (var method in endpoint.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? ["GET"])
            {
                Assert.Equal((route, HttpStatusCode.Forbidden), (route, await tablet.CallAsync(method, route)));
                turnedAway++;
            }
        }
        Assert.True(turnedAway > 100, $"Only {turnedAway} were tried.");
    }

    [Fact]
    public async Task The_person_who_pairs_a_tablet_is_signed_out_of_it()
    {
        var tablet = await room.SignInAsync("maren");
        (await PairAsync(tablet, (await CodeAsync(2)).Code)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NoContent, (await tablet.GetAsync("/api/people/me")).StatusCode);
        Assert.Equal(2, (await tablet.GetAsync<BoothNow>("/api/booth")).Booth);
    }

    [Theory]
    [InlineData("123")]
    [InlineData("1234567")]
    [InlineData("12a4")]
    [InlineData("1234")]
    [InlineData("7777")]
    [InlineData("9876")]
    [InlineData(null)]
    public async Task A_pin_that_anybody_would_try_first_is_none(string? pin)
    {
        var jun = await room.SignInAsync("jun");
        Assert.Contains("pin", (await (await jun.PutAsJsonAsync("/api/people/me/pin", new { pin })).ProblemsAsync()).Keys);
    }

    [Fact]
    public async Task A_student_sets_their_own_pin()
    {
        var odell = await room.SignInAsync("odell");
        Assert.False((await odell.GetAsync<PinNow>("/api/people/me/pin")).IsSet);
        (await odell.PutAsJsonAsync("/api/people/me/pin", new { pin = "280391" })).EnsureSuccessStatusCode();
        Assert.True((await odell.GetAsync<PinNow>("/api/people/me/pin")).IsSet);
        Assert.DoesNotContain(
            "280391",
            await room.QueryAsync<string>("select string_agg(pin_hash, ' ') from pin"),
            StringComparison.Ordinal
        );
    }

    private async Task<PairingCode> CodeAsync(int booth)
    {
        var (_, view) = await maren.BoothAsync(booth);
        var made = await maren.PutAsJsonAsync($"/api/tablets/codes/{Guid.CreateVersion7()}", new { boothId = view.Booth.Id });
        return await made.ReadAsync<PairingCode>();
    }

    private static Task<HttpResponseMessage> PairAsync(HttpClient tablet, string code) =>
        tablet.PostAsJsonAsync("/api/tablets/pair", new { id = Guid.CreateVersion7(), code });

    private async Task<HttpClient> PairedAsync(int booth)
    {
        var tablet = room.CreateClient();
        (await PairAsync(tablet, (await CodeAsync(booth)).Code)).EnsureSuccessStatusCode();
        return tablet;
    }

    private async Task<string> PinAsync(Guid student) =>
        (await (await maren.PostAsync($"/api/people/{student}/pin", null)).ReadAsync<NewPin>()).Pin;

    private static Task<HttpResponseMessage> StandAsync(HttpClient tablet, Guid studentId, string pin) =>
        tablet.PutAsJsonAsync($"/api/booth/standing/{Guid.CreateVersion7()}", new { studentId, pin });

    private static string? Cookie(HttpResponseMessage answer) =>
        answer.Headers.TryGetValues("Set-Cookie", out var cookies)
            ? cookies.Single(one => one.StartsWith("gentlebead-booth=", StringComparison.Ordinal)).Split(';')[0]
            : null;
}
