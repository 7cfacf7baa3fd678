using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Judging;
using GentleBead.Core.Listening;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using SkiaSharp;

namespace GentleBead.Server.Tests;

/// <summary>Beads that waited at a booth for the network: recorded once, as whoever noted them, or kept for an instructor.</summary>
public sealed class WaitedBeadTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task What_waited_is_recorded_once_as_whoever_noted_it_for_when_they_did()
    {
        var maren = await room.SignInAsync("maren");
        var (_, second) = await maren.BoothAsync(2);
        var sheet = await maren.AssignAsync(2);
        var (tablet, standing) = await room.PairedAsync(maren, second.Booth.Id, "teodor");
        (await tablet.PostAsync("/api/booth/leave", null)).EnsureSuccessStatusCode();
        var (id, noted) = (Guid.CreateVersion7(), DateTimeOffset.UtcNow);
        HttpContent Sent() => JsonContent.Create(Body(sheet.Id, noted));
        var path = $"/api/beads/{id}/waited";

        // Nobody stands there any more: without the sign-in it was noted by, or with one of another tablet, it is nobody's.
        Assert.Equal(HttpStatusCode.Forbidden, (await tablet.SendOnAsync(null, path, Sent())).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await tablet.SendOnAsync(Guid.NewGuid(), path, Sent())).StatusCode);
        var (other, _) = await room.PairedAsync(maren, (await maren.BoothAsync(3)).View.Booth.Id, "wynn");
        Assert.Equal(HttpStatusCode.Forbidden, (await other.SendOnAsync(standing, path, Sent())).StatusCode);

        var bead = (await (await tablet.SendOnAsync(standing, path, Sent())).ReadAsync<WaitedBead>()).Bead!;
        Assert.Equal((id, true), (bead.Id, bead.Own));
        Assert.True((bead.RecordedAt - noted).Duration() < TimeSpan.FromMilliseconds(1));
        Assert.Equal(bead.Id, (await (await tablet.SendOnAsync(standing, path, Sent())).ReadAsync<WaitedBead>()).Bead!.Id);
        Assert.Equal("Teodor Pike", (await maren.GetAsync<OwnSaid>($"/api/beads/{id}/own")).By);
        Assert.Equal(HttpStatusCode.Conflict, (await tablet.SendOnAsync(standing, path, Other(sheet.Id))).StatusCode);

        // Its picture and its sound come after it, by the same sign-in; by it nothing is read.
        var picture = $"/api/beads/{id}/pictures/face/{Guid.CreateVersion7()}";
        (await tablet.SendOnAsync(standing, picture, new ByteArrayContent(Picture()))).EnsureSuccessStatusCode();
        var recording = $"/api/beads/{id}/recordings/{Guid.CreateVersion7()}?origin=microphone&name=Booth%202";
        (await tablet.SendOnAsync(standing, recording, new ByteArrayContent(Sound()))).EnsureSuccessStatusCode();
        using var reading = new HttpRequestMessage(HttpMethod.Get, "/api/sheets/mine");
        reading.Headers.Add(Http.Access.StandingHeader, $"{standing}");
        Assert.Equal(HttpStatusCode.Forbidden, (await tablet.SendAsync(reading)).StatusCode);
        var file = await maren.GetAsync<BeadFile>($"/api/beads/{id}/file");
        Assert.Equal((1, 1), (file.Pictures.Count, file.Recordings.Count));

        // Put away, the tablet is nobody's.
        var tablets = await maren.GetAsync<Tablets.PairedTablet[]>("/api/tablets");
        foreach (var one in tablets.Where(one => one.Booth == 2))
            (await maren.PutAsync($"/api/tablets/{one.Id}/put-away", null)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Unauthorized, (await tablet.SendOnAsync(standing, path, Sent())).StatusCode);
    }

    [Fact]
    public async Task What_cannot_be_recorded_any_more_is_kept_with_its_files_for_an_instructor_to_place()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var teodor = await room.SignInAsync("teodor");
        var earlier = await room.QueryAsync<Guid>(
            """
            select sheet.id from sheet join session on session.id = sheet.session_id join person on person.id = sheet.student_id
            where person.login = 'teodor' and session.ends_at < now() - interval '1 day' limit 1
            """
        );
        var id = Guid.CreateVersion7();
        var body = Body(earlier, DateTimeOffset.UtcNow.AddMinutes(-3));
        var kept = await (await teodor.PutAsJsonAsync($"/api/beads/{id}/waited", body)).ReadAsync<WaitedBead>();
        Assert.Null(kept.Bead);
        Assert.Contains("session is over", $"{kept.Kept.Single().Said}", StringComparison.Ordinal);
        Assert.Null((await (await teodor.PutAsJsonAsync($"/api/beads/{id}/waited", body)).ReadAsync<WaitedBead>()).Bead);
        var picture = $"/api/beads/{id}/pictures/back/{Guid.CreateVersion7()}";
        Assert.Equal(HttpStatusCode.Accepted, (await teodor.SendOnAsync(null, picture, new ByteArrayContent(Picture()))).StatusCode);
        var recording = $"/api/beads/{id}/recordings/{Guid.CreateVersion7()}?origin=microphone";
        Assert.Equal(HttpStatusCode.Accepted, (await teodor.SendOnAsync(null, recording, new ByteArrayContent(Sound()))).StatusCode);
        // Nobody else hangs anything on it.
        var ilsa = await room.SignInAsync("ilsa");
        Assert.Equal(HttpStatusCode.NotFound, (await ilsa.SendOnAsync(null, picture, new ByteArrayContent(Picture()))).StatusCode);

        var waiting = (await maren.GetAsync<UnplacedBead[]>("/api/beads/unplaced")).Single(one => one.Id == id);
        Assert.Equal(("Teodor Pike", 2), (waiting.Student.Name, waiting.Files));
        Assert.Equal(new OwnWord(Verdict.Hot, ChangeKind.Faster), waiting.Own);
        Assert.Equal(sheet.Id, waiting.Places[0].Id);
        var placed = $"/api/beads/unplaced/{id}/placed";
        foreach (var noneOfHis in new[] { Guid.NewGuid(), (await maren.AssignAsync(1)).Id })
            Assert.Contains("sheetId", (await (await maren.PutAsJsonAsync(placed, new { sheetId = noneOfHis })).ProblemsAsync()).Keys);
        var bead = await (await maren.PutAsJsonAsync(placed, new { sheetId = sheet.Id })).ReadAsync<Bead>();
        Assert.Equal((id, sheet.Id, true), (bead.Id, bead.SheetId, bead.Own));
        var file = await maren.GetAsync<BeadFile>($"/api/beads/{id}/file");
        Assert.Equal((PictureSide.Back, 1), (file.Pictures.Single().Side, file.Recordings.Count));
        Assert.Equal(HttpStatusCode.NotFound, (await maren.PutAsJsonAsync(placed, new { sheetId = sheet.Id })).StatusCode);
    }

    [Fact]
    public async Task A_number_that_cannot_be_keeps_no_bead_from_being_placed()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var teodor = await room.SignInAsync("teodor");
        var id = Guid.CreateVersion7();
        var body = new
        {
            sheetId = sheet.Id,
            wireMark = 47,
            voltMark = 4,
            evidence = new { sound = "popping", measured = new { arcSeconds = 0.2 } },
            own = new { verdict = "hot", change = "faster" },
        };
        var kept = await (await teodor.PutAsJsonAsync($"/api/beads/{id}/waited", body)).ReadAsync<WaitedBead>();
        Assert.Equal("evidence.measured.arcSeconds", kept.Kept.Single().Field);
        var placed = $"/api/beads/unplaced/{id}/placed";
        var bead = await (await maren.PutAsJsonAsync(placed, new { sheetId = sheet.Id })).ReadAsync<Bead>();
        Assert.Equal((Core.Beads.Sound.Popping, null), (bead.Evidence.Sound, bead.Evidence.Measured));
    }

    [Fact]
    public async Task Put_aside_it_is_still_kept_and_can_be_taken_back()
    {
        var maren = await room.SignInAsync("maren");
        var teodor = await room.SignInAsync("teodor");
        var id = Guid.CreateVersion7();
        (await teodor.PutAsJsonAsync($"/api/beads/{id}/waited", Body(Guid.NewGuid(), DateTimeOffset.UtcNow))).EnsureSuccessStatusCode();
        async Task<bool> WaitsAsync() => (await maren.GetAsync<UnplacedBead[]>("/api/beads/unplaced")).Any(one => one.Id == id);
        Assert.True(await WaitsAsync());
        (await maren.PutAsJsonAsync($"/api/beads/unplaced/{id}/aside", new { aside = true })).EnsureSuccessStatusCode();
        Assert.False(await WaitsAsync());
        (await maren.PutAsJsonAsync($"/api/beads/unplaced/{id}/aside", new { aside = false })).EnsureSuccessStatusCode();
        Assert.True(await WaitsAsync());
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await maren.PutAsJsonAsync($"/api/beads/unplaced/{Guid.NewGuid()}/aside", new { aside = true })).StatusCode
        );
    }

    private static object Body(Guid sheetId, DateTimeOffset notedAt) =>
        new
        {
            sheetId,
            wireMark = 47,
            voltMark = 4,
            evidence = new { sound = "popping", profile = "tallNarrow" },
            own = new { verdict = "hot", change = "faster" },
            notedAt,
        };

    private static JsonContent Other(Guid sheetId) => JsonContent.Create(Body(sheetId, DateTimeOffset.UnixEpoch));

    private static byte[] Picture()
    {
        using var bitmap = new SKBitmap(64, 48);
        bitmap.Erase(SKColors.SlateGray);
        using var data = bitmap.Encode(SKEncodedImageFormat.Jpeg, 80);
        return data.ToArray();
    }

    private static byte[] Sound() => WavFile.Write(KnownClips.Clip(Core.Beads.Sound.EvenCrackle, 2, 20, 91_000_002));
}
