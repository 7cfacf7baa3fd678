using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using GentleBead.Core.Judging;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using GentleBead.Server.Courses;
using GentleBead.Server.Database;

namespace GentleBead.Server.Tests;

/// <summary>Beads that whoever laid them records, with their own word before the tool's.</summary>
public sealed class OwnWordTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly object Stubbing = new
    {
        sound = "popping",
        profile = "tallNarrow",
        toes = "cold",
    };

    [Fact]
    public async Task A_students_bead_and_word_are_kept_beside_the_tools()
    {
        var (teodor, sheet) = await GivenAsync();
        var id = Guid.CreateVersion7();
        var body = Body(sheet, "hot", "faster");
        var bead = await (await teodor.RecordAsync(id, body)).ReadAsync<Bead>();
        Assert.Equal(Verdict.Cold, bead.Judgement.Verdict);
        var own = await teodor.GetAsync<OwnSaid>($"/api/beads/{id}/own");
        Assert.Equal(new OwnWord(Verdict.Hot, ChangeKind.Faster), own.Word);
        Assert.Equal("Teodor Pike", own.By);
        Assert.False(own.Compared!.VerdictAgrees);
        Assert.Equal(Nearness.Other, own.Compared.Change);
        Assert.NotNull(own.Compared.Why);

        // The same again is the same; another word under that id is told; the word itself is never changed.
        (await teodor.RecordAsync(id, body)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await teodor.RecordAsync(id, Body(sheet, "cold", "voltsUp"))).StatusCode);
        Assert.Equal(1, await room.QueryAsync<long>("select count(*) from own_word where bead_id = @id", new { id }));
        var changed = await Assert.ThrowsAnyAsync<Npgsql.PostgresException>(() =>
            room.QueryAsync<object>("update own_word set verdict = 'right' where bead_id = @id returning 1", new { id })
        );
        Assert.Contains("only added to", changed.Message, StringComparison.Ordinal);
    }

    [Fact]
    public async Task While_the_tools_word_waits_its_student_is_shown_it_by_no_door()
    {
        await ChooseAsync(ToolWord.AfterInstructor);
        var (teodor, sheet) = await GivenAsync();
        var id = Guid.CreateVersion7();
        var answered = await (await teodor.RecordAsync(id, Body(sheet, "hot", "faster"))).ReadAsync<Bead>();
        var mine = (await teodor.GetAsync<MyWork>("/api/sheets/mine")).Coupon!;
        var file = await teodor.GetAsync<BeadFile>($"/api/beads/{id}/file");
        foreach (var bead in new[] { answered, mine.Last!, file.Bead })
        {
            Assert.Equal((Verdict.Open, true), (bead.Judgement.Verdict, bead.Waits));
            Assert.Null(bead.Judgement.Next);
            Assert.Empty(bead.Judgement.Causes);
            Assert.Empty(bead.Judgement.Aspects);
        }
        Assert.Equal(Verdict.Open, mine.Beads.Single(bead => bead.Id == id).Verdict);
        var rack = await teodor.GetAsync<Rack>($"/api/sheets/rack/{(await teodor.MeAsync()).Id}");
        Assert.Equal(Verdict.Open, rack.Coupons[0].Beads.Single(bead => bead.Id == id).Verdict);
        var laid = await teodor.GetAsync<LaidBead[]>($"/api/sheets/{sheet}/beads?before=1000");
        Assert.Equal(Verdict.Open, laid.Single(bead => bead.Id == id).Verdict);
        Assert.Null((await teodor.GetAsync<OwnSaid>($"/api/beads/{id}/own")).Compared);

        // An instructor sees both; once they have said theirs, so does the student.
        var maren = await room.SignInAsync("maren");
        Assert.Equal(Verdict.Cold, (await maren.GetAsync<BeadFile>($"/api/beads/{id}/file")).Bead.Judgement.Verdict);
        Assert.NotNull((await maren.GetAsync<OwnSaid>($"/api/beads/{id}/own")).Compared);
        (await RuleAsync(maren, id, "cold")).EnsureSuccessStatusCode();
        Assert.Equal(Verdict.Cold, (await teodor.GetAsync<BeadFile>($"/api/beads/{id}/file")).Bead.Judgement.Verdict);
        Assert.NotNull((await teodor.GetAsync<OwnSaid>($"/api/beads/{id}/own")).Compared);
        await ChooseAsync(ToolWord.AfterOwn);
    }

    [Fact]
    public async Task Ones_own_word_is_asked_for_unless_the_course_shows_the_tools_at_once()
    {
        var (teodor, sheet) = await GivenAsync();
        var silent = new
        {
            sheetId = sheet,
            wireMark = 47,
            voltMark = 4,
            evidence = Stubbing,
        };
        Assert.Contains("own", (await (await teodor.RecordAsync(Guid.CreateVersion7(), silent)).ProblemsAsync()).Keys);
        await ChooseAsync(ToolWord.AtOnce);
        var id = Guid.CreateVersion7();
        Assert.Equal(Verdict.Cold, (await (await teodor.RecordAsync(id, silent)).ReadAsync<Bead>()).Judgement.Verdict);
        Assert.Equal(HttpStatusCode.NoContent, (await teodor.GetAsync($"/api/beads/{id}/own")).StatusCode);
        await ChooseAsync(ToolWord.AfterOwn);
        // What an instructor records of it needs nobody's own.
        var maren = await room.SignInAsync("maren");
        (await maren.RecordAsync(Guid.CreateVersion7(), silent)).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task A_students_own_bead_is_their_word_until_an_instructor_agrees_or_corrects_it_in_one_tap()
    {
        var (teodor, sheet) = await GivenAsync();
        var id = Guid.CreateVersion7();
        (await teodor.RecordAsync(id, Body(sheet, "hot", "faster"))).EnsureSuccessStatusCode();
        Assert.Equal("open", await CountedAsync(id));
        var maren = await room.SignInAsync("maren");
        Assert.Equal(new OwnWord(Verdict.Hot, ChangeKind.Faster), (await maren.BoothAsync(2)).View.Own);

        // Agreed with, and corrected since: no reason has to be typed, and every word stays.
        Assert.Equal(Verdict.Hot, (await (await RuleAsync(maren, id, "hot")).ReadAsync<Bead>()).Ruled);
        Assert.Equal("hot", await CountedAsync(id));
        (await RuleAsync(maren, id, "technique")).EnsureSuccessStatusCode();
        Assert.Equal("technique", await CountedAsync(id));
        Assert.Equal(new OwnWord(Verdict.Hot, ChangeKind.Faster), (await maren.GetAsync<OwnSaid>($"/api/beads/{id}/own")).Word);
        Assert.Equal(2, (await maren.GetAsync<BeadFile>($"/api/beads/{id}/file")).Rulings.Count);
        Assert.Null((await maren.BoothAsync(2)).View.Own);

        // On a bead an instructor recorded, another word than the tool's still asks for its reason.
        var hers = Guid.CreateVersion7();
        (await maren.RecordAsync(hers, Body(sheet, "hot", "faster"))).EnsureSuccessStatusCode();
        Assert.Contains("reason", (await (await RuleAsync(maren, hers, "hot")).ProblemsAsync()).Keys);
    }

    [Fact]
    public async Task Nobody_records_on_anothers_sheet_or_reads_anothers_word()
    {
        var (teodor, sheet) = await GivenAsync();
        var wynn = await room.SignInAsync("wynn");
        var id = Guid.CreateVersion7();
        var problems = await (await wynn.RecordAsync(id, Body(sheet, "cold", "voltsUp"))).ProblemsAsync();
        Assert.Equal("There is no such sheet.", problems["sheetId"]);
        (await teodor.RecordAsync(id, Body(sheet, "cold", "voltsUp"))).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await wynn.GetAsync($"/api/beads/{id}/own")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await teodor.GetAsync($"/api/beads/{Guid.NewGuid()}/own")).StatusCode);
    }

    [Fact]
    public async Task What_was_given_out_another_evening_is_not_recorded_on_from_a_phone()
    {
        var (teodor, _) = await GivenAsync();
        var earlier = await room.QueryAsync<Guid>(
            """
            select sheet.id from sheet join session on session.id = sheet.session_id join person on person.id = sheet.student_id
            where person.login = 'teodor' and session.ends_at < now() - interval '1 day' limit 1
            """
        );
        var problems = await (await teodor.RecordAsync(Guid.CreateVersion7(), Body(earlier, "cold", "voltsUp"))).ProblemsAsync();
        Assert.Contains("session is over", problems["sheetId"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_change_that_is_none_here_is_told_at_its_field()
    {
        var (teodor, sheet) = await GivenAsync();
        var problems = await (await teodor.RecordAsync(Guid.CreateVersion7(), Body(sheet, "cold", "ampsUp"))).ProblemsAsync();
        Assert.Contains("own.change", problems.Keys);
        Assert.Contains(
            await teodor.GetAsync<ChangeKey[]>("/api/judging/own-keys/gmawShortCircuit"),
            key => key.Change == ChangeKind.VoltsUp
        );
    }

    [Fact]
    public async Task At_a_tablet_whoever_stands_there_records_what_was_laid_at_that_booth()
    {
        var maren = await room.SignInAsync("maren");
        var (session, second) = await maren.BoothAsync(2);
        var sheet = await maren.AssignAsync(2);
        var tablet = (await room.PairedAsync(maren, second.Booth.Id, "teodor")).Tablet;
        (await tablet.RecordAsync(Guid.CreateVersion7(), Body(sheet.Id, "cold", "voltsUp"))).EnsureSuccessStatusCode();

        // Moved to booth 3, with the sheet of booth 2 still in hand: its dials are not here.
        var (_, third) = await maren.BoothAsync(3);
        var (there, here) = (
            $"/api/sessions/{session.Id}/booths/{third.Booth.Id}/student",
            $"/api/sessions/{session.Id}/booths/{second.Booth.Id}/student"
        );
        (await maren.PutAsJsonAsync(there, new { studentId = sheet.StudentId })).EnsureSuccessStatusCode();
        var other = (await room.PairedAsync(maren, third.Booth.Id, "teodor")).Tablet;
        var problems = await (await other.RecordAsync(Guid.CreateVersion7(), Body(sheet.Id, "cold", "voltsUp"))).ProblemsAsync();
        Assert.Equal("This sheet is of another booth.", problems["sheetId"]);
        (await maren.PutAsJsonAsync(here, new { studentId = sheet.StudentId })).EnsureSuccessStatusCode();
    }

    private static object Body(Guid sheetId, string verdict, string change) =>
        new
        {
            sheetId,
            wireMark = 47,
            voltMark = 4,
            evidence = Stubbing,
            own = new { verdict, change },
        };

    private static Task<HttpResponseMessage> RuleAsync(HttpClient instructor, Guid bead, string verdict) =>
        instructor.PutAsJsonAsync($"/api/beads/{bead}/rulings/{Guid.CreateVersion7()}", new { verdict, reason = "" });

    private Task<string> CountedAsync(Guid id) =>
        room.QueryAsync<string>("select counted from bead_verdict where bead_id = @id", new { id });

    // As an instructor changes the course of this evening.
    private async Task ChooseAsync(ToolWord toolWord)
    {
        var maren = await room.SignInAsync("maren");
        var (session, _) = await maren.BoothAsync(2);
        var course = (await maren.GetFromJsonAsync<JsonObject>($"/api/courses/{session.CourseId}"))!;
        var body = new
        {
            course = new
            {
                name = course["name"],
                roomId = course["roomId"],
                firstDay = course["firstDay"],
                lastDay = course["lastDay"],
                hours = course["hours"],
                instructorIds = course["instructors"]!.AsArray().Select(one => one!["id"]),
                toolWord = EnumText.Of(toolWord),
            },
            version = course["version"],
        };
        (await maren.PutAsJsonAsync($"/api/courses/{session.CourseId}/details", body)).EnsureSuccessStatusCode();
        Assert.Equal(toolWord, (await maren.GetAsync<Course>($"/api/courses/{session.CourseId}")).ToolWord);
    }

    private async Task<(HttpClient Teodor, Guid Sheet)> GivenAsync()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        return (await room.SignInAsync("teodor"), sheet.Id);
    }
}
