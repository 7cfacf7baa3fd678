using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Judging;
using GentleBead.Core.Progress;
using GentleBead.Core.Skills;
using GentleBead.Core.Stock;
using GentleBead.Server.Progress;

namespace GentleBead.Server.Tests;

/// <summary>What a student can weld, kept up as beads come and change; goals and remarks, and who may read what.</summary>
public sealed class ProgressTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static readonly KindOfWork Laid = new(Process.GmawShortCircuit, Joint.T, Position.Horizontal);

    [Fact]
    public async Task A_bead_moves_what_is_known_and_so_do_another_word_and_taking_it_back()
    {
        var (maren, teodor) = (await room.SignInAsync("maren"), await room.SignInAsync("teodor"));
        var id = (await teodor.MeAsync()).Id;
        var sheet = (await maren.AssignAsync(2)).Id;
        var before = await CellAsync(maren, id);
        Assert.Equal(SkillState.Learning, before.State);

        var bead = Guid.CreateVersion7();
        await RecordAsync(maren, bead, sheet);
        var after = await CellAsync(maren, id);
        Assert.Equal(bead, after.Newest!.Id);
        Assert.True(Beads(after) == Beads(before) + 1, $"{before.Did} {after.Did}");

        await RuleAsync(maren, bead, "right");
        var ruled = await CellAsync(maren, id);
        Assert.Equal(bead, ruled.Best!.Id);
        Assert.True(ruled.Chance!.Likely > after.Chance!.Likely);
        Assert.Equal(Verdict.Right, ruled.Newest!.Verdict);

        await WithdrawAsync(maren, bead, true);
        var gone = await CellAsync(maren, id);
        Assert.Equal(Beads(before), Beads(gone));
        // As before, but for what was learned in between of how hard the machine makes it.
        Assert.InRange(gone.Chance!.Likely, before.Chance!.Likely - 0.05, before.Chance.Likely + 0.05);
        await WithdrawAsync(maren, bead, false);
        Assert.Equal(bead, (await CellAsync(maren, id)).Best!.Id);
    }

    [Fact]
    public async Task What_a_student_says_of_their_own_bead_counts_once_an_instructor_has_agreed_and_is_compared_then()
    {
        var (maren, teodor) = (await room.SignInAsync("maren"), await room.SignInAsync("teodor"));
        var id = (await teodor.MeAsync()).Id;
        var sheet = (await maren.AssignAsync(2)).Id;
        var before = await CellAsync(teodor, id);
        var had = (await teodor.GetAsync<StudentProgress>($"/api/students/{id}/progress")).OwnEye;
        var beads = Enumerable.Range(0, 8).Select(_ => Guid.CreateVersion7()).ToArray();
        foreach (var (at, bead) in beads.Index())
            await RecordAsync(teodor, bead, sheet, at < 6 ? "right" : "cold");
        Assert.Equal(Beads(before), Beads(await CellAsync(teodor, id)));

        foreach (var (at, bead) in beads.Index())
            await RuleAsync(maren, bead, at < 4 ? "right" : "cold");
        var progress = await teodor.GetAsync<StudentProgress>($"/api/students/{id}/progress");
        var verdict = progress.OwnEye[0];
        var (pairs, agreed) = had.Count == 0 ? (0, 0) : (had[0].Pairs, had[0].Agreed);
        Assert.Equal((pairs + 8, agreed + 6), (verdict.Pairs, verdict.Agreed));
        Assert.NotNull(verdict.Kappa);
        var curve = await teodor.GetAsync<IReadOnlyList<LearningDay>>(
            $"/api/students/{id}/skills/curve?process=gmawShortCircuit&joint=t&position=horizontal"
        );
        Assert.True(curve[^1].Beads >= 8 && curve[^1].Right >= 4);
        Assert.NotNull(curve[^1].After);
    }

    [Theory]
    [InlineData("skills")]
    [InlineData("skills/curve?process=gmawShortCircuit&joint=t&position=flat")]
    [InlineData("progress")]
    [InlineData("goals")]
    [InlineData("remarks")]
    public async Task Somebody_elses_does_not_exist_for_a_student(string part)
    {
        var (ilsa, jun) = (await room.SignInAsync("ilsa"), await room.SignInAsync("jun"));
        var id = (await ilsa.MeAsync()).Id;
        (await ilsa.GetAsync($"/api/students/{id}/{part}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await jun.GetAsync($"/api/students/{id}/{part}")).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await room.CreateClient().GetAsync($"/api/students/{id}/{part}")).StatusCode);
        var maren = await room.SignInAsync("maren");
        Assert.Equal(HttpStatusCode.NotFound, (await maren.GetAsync($"/api/students/{(await maren.MeAsync()).Id}/{part}")).StatusCode);
    }

    [Theory]
    [InlineData("process=steam&joint=t&position=flat")]
    [InlineData("process=gmawSpray&joint=joist&position=flat")]
    [InlineData("process=gmawSpray&joint=t&position=99")]
    public async Task There_is_no_curve_of_what_there_is_no_such_thing_of(string kind)
    {
        var ilsa = await room.SignInAsync("ilsa");
        var answer = await ilsa.GetAsync($"/api/students/{(await ilsa.MeAsync()).Id}/skills/curve?{kind}");
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
    }

    [Fact]
    public async Task A_goal_is_set_once_and_ended_once()
    {
        var (maren, ilsa) = (await room.SignInAsync("maren"), await room.SignInAsync("ilsa"));
        var of = $"/api/students/{(await ilsa.MeAsync()).Id}/goals";
        var id = Guid.CreateVersion7();
        var goal = new { text = " Three laps overhead ", until = DateOnly.FromDateTime(DateTime.Today).AddDays(30) };
        (await maren.PutAsJsonAsync($"{of}/{id}", goal)).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync($"{of}/{id}", goal)).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync($"{of}/{id}", new { text = "Another" })).StatusCode);
        var set = Assert.Single(await ilsa.GetAsync<IReadOnlyList<Goal>>(of), one => one.Id == id);
        Assert.Equal(("Three laps overhead", "Maren Holloway", null), (set.Text, set.By, set.End));

        var end = new { id = Guid.CreateVersion7(), reached = true };
        (await maren.PutAsJsonAsync($"{of}/{id}/end", end)).EnsureSuccessStatusCode();
        (await maren.PutAsJsonAsync($"{of}/{id}/end", end)).EnsureSuccessStatusCode();
        var again = await maren.PutAsJsonAsync($"{of}/{id}/end", new { id = Guid.CreateVersion7(), reached = false });
        Assert.Equal(HttpStatusCode.Conflict, again.StatusCode);
        Assert.True((await ilsa.GetAsync<IReadOnlyList<Goal>>(of)).Single(one => one.Id == id).End!.Reached);

        Assert.Equal(
            ["text"],
            (await (await maren.PutAsJsonAsync($"{of}/{Guid.CreateVersion7()}", new { text = " " })).ProblemsAsync()).Keys
        );
        var past = await maren.PutAsJsonAsync($"{of}/{Guid.CreateVersion7()}", new { text = "Late", until = "2020-01-01" });
        Assert.Equal(["until"], (await past.ProblemsAsync()).Keys);
        Assert.Equal(HttpStatusCode.Forbidden, (await ilsa.PutAsJsonAsync($"{of}/{Guid.CreateVersion7()}", goal)).StatusCode);
    }

    [Fact]
    public async Task A_remark_is_read_by_whom_it_is_for_and_taken_back_by_whoever_made_it()
    {
        var (maren, sunniva, odell) = (await room.SignInAsync("maren"), await room.SignInAsync("sunniva"), await room.SignInAsync("odell"));
        var of = $"/api/students/{(await odell.MeAsync()).Id}/remarks";
        var ids = new Dictionary<string, Guid>();
        foreach (var readers in new[] { "me", "instructors", "student" })
        {
            var body = new
            {
                kind = "help",
                readers,
                text = $"For {readers}",
            };
            ids[readers] = Guid.CreateVersion7();
            (await maren.PutAsJsonAsync($"{of}/{ids[readers]}", body)).EnsureSuccessStatusCode();
        }
        Assert.Equal(["For student", "For instructors", "For me"], await TextsAsync(maren));
        Assert.Equal(["For student", "For instructors"], await TextsAsync(sunniva));
        Assert.Equal(["For student"], await TextsAsync(odell));

        var gone = $"{of}/{ids["instructors"]}/withdrawn";
        Assert.Equal(HttpStatusCode.NotFound, (await sunniva.PutAsJsonAsync(gone, new { withdrawn = true })).StatusCode);
        (await maren.PutAsJsonAsync(gone, new { withdrawn = true })).EnsureSuccessStatusCode();
        Assert.Equal(["For student"], await TextsAsync(sunniva));
        (await maren.PutAsJsonAsync(gone, new { withdrawn = false })).EnsureSuccessStatusCode();
        Assert.Equal(["For student", "For instructors"], await TextsAsync(sunniva));
        var empty = await maren.PutAsJsonAsync(
            $"{of}/{Guid.CreateVersion7()}",
            new
            {
                kind = "help",
                readers = "me",
                text = "",
            }
        );
        Assert.Equal(["text"], (await empty.ProblemsAsync()).Keys);

        async Task<IEnumerable<string>> TextsAsync(HttpClient reader) =>
            (await reader.GetAsync<IReadOnlyList<Remark>>(of)).Select(one => one.Text);
    }

    [Fact]
    public async Task A_course_at_a_glance_has_every_student_by_every_exercise_and_goes_into_a_spreadsheet()
    {
        var maren = await room.SignInAsync("maren");
        var courses = await maren.GetAsync<Http.Page<Courses.Course>>("/api/courses");
        var course = courses.Items.Single(one => one.Name.StartsWith("Steel from scratch", StringComparison.Ordinal));
        var progress = await maren.GetAsync<CourseProgress>($"/api/courses/{course.Id}/progress");
        Assert.Equal(14, progress.Students.Count);
        Assert.All(progress.Students, one => Assert.Equal(progress.Exercises.Count, one.States.Count));
        // Of the made-up mornings: Bryn sets everything too hot, every time; Kaya has been away.
        var bryn = progress.Students.Single(one => one.Student.Name == "Bryn Aldous");
        Assert.Contains("hot", bryn.StuckOn!.ToString(), StringComparison.Ordinal);
        Assert.Null(progress.Students.Single(one => one.Student.Name == "Kaya Brindle").StuckOn);
        Assert.Equal(progress.Exercises.Select(one => one.Done).Sum(), progress.Students.Sum(one => one.Done));
        Assert.Equal(8, progress.Machines.Count);
        Assert.All(progress.Machines, one => Assert.InRange(one.Expected, 1, one.Beads));

        var csv = (await maren.GetStringAsync($"/api/courses/{course.Id}/progress/csv")).Split("\r\n");
        Assert.StartsWith(
            "student,done,last welded,beads,right,stuck on,far ahead,Straight beads on plate,",
            csv[0],
            StringComparison.Ordinal
        );
        Assert.Equal(progress.Students.Select(one => one.Student.Name), csv[1..^1].Select(line => line.Split(',')[0]));
        Assert.Equal(7 + progress.Exercises.Count, csv[1].Split(',').Length);
        Assert.Equal(HttpStatusCode.NotFound, (await maren.GetAsync($"/api/courses/{Guid.CreateVersion7()}/progress")).StatusCode);
    }

    [Fact]
    public async Task Two_instructors_who_spoke_of_the_same_bead_are_compared()
    {
        var (maren, sunniva) = (await room.SignInAsync("maren"), await room.SignInAsync("sunniva"));
        var (before, had) = await SaidAsync();
        var bead = Guid.CreateVersion7();
        await RecordAsync(maren, bead, (await maren.AssignAsync(2)).Id);
        await RuleAsync(maren, bead, "right");
        await RuleAsync(sunniva, bead, "hot");
        Assert.Equal((before + 1, had), await SaidAsync());
        // The last word of each counts.
        await RuleAsync(sunniva, bead, "right");
        Assert.Equal((before + 1, had + 1), await SaidAsync());
        Assert.Contains(
            (await maren.GetAsync<AmongInstructors>("/api/judging/among-instructors")).ByPair,
            pair => new[] { pair.One.Name, pair.Other.Name }.Order().SequenceEqual(["Maren Holloway", "Sunniva Reyes"])
        );

        async Task<(int Pairs, int Agreed)> SaidAsync() =>
            (await maren.GetAsync<AmongInstructors>("/api/judging/among-instructors"))
                .ByAspect.Where(one => one.About.ToString() == "The verdict")
                .Select(one => (one.Pairs, one.Agreed))
                .SingleOrDefault();
    }

    private static long Beads(SkillCell cell) =>
        cell.Did.With.OfType<Core.Words.SaidNumber>().Select(number => (long)number.Value).ElementAtOrDefault(1);

    private static async Task<SkillCell> CellAsync(HttpClient client, Guid student) =>
        (await client.GetAsync<SkillMap>($"/api/students/{student}/skills")).Cells.Single(cell => cell.Kind == Laid);

    private static async Task RecordAsync(HttpClient client, Guid id, Guid sheetId, string? own = null)
    {
        var evidence = new
        {
            sound = "popping",
            profile = "tallNarrow",
            toes = "cold",
        };
        object body = own is null
            ? new
            {
                sheetId,
                wireMark = 47,
                voltMark = 4,
                evidence,
            }
            : new
            {
                sheetId,
                wireMark = 47,
                voltMark = 4,
                evidence,
                own = new { verdict = own, change = "keep" },
            };
        (await client.RecordAsync(id, body)).EnsureSuccessStatusCode();
    }

    private static async Task RuleAsync(HttpClient instructor, Guid bead, string verdict) =>
        (
            await instructor.PutAsJsonAsync($"/api/beads/{bead}/rulings/{Guid.CreateVersion7()}", new { verdict, reason = "Looked at it." })
        ).EnsureSuccessStatusCode();

    private static async Task WithdrawAsync(HttpClient instructor, Guid bead, bool withdrawn) =>
        (await instructor.PutAsJsonAsync($"/api/beads/{bead}/withdrawn", new { withdrawn })).EnsureSuccessStatusCode();
}
