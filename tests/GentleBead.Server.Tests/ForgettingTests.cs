using System.Diagnostics;
using System.IO.Compression;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Dapper;
using GentleBead.Server.Keeping;
using GentleBead.Server.TestWelds;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>A student is forgotten: nothing in the whole database names them any more, and what is counted stays as it was.</summary>
public sealed class ForgettingTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    // Ilsa Brandt, by name, by part of it, by login; as text, and as PostgreSQL writes bytes.
    private static readonly string[] Traces = ["ilsa", "brandt", Hex("Ilsa"), Hex("Brandt")];

    [Fact]
    public async Task Nothing_names_them_any_more_and_what_is_counted_stays()
    {
        var (maren, ilsa) = (await room.SignInAsync("maren"), await room.SignInAsync("ilsa"));
        var id = (await ilsa.MeAsync()).Id;
        var test = await room.QueryAsync<Guid>("select id from test_weld where student_id = @id", new { id });
        await NameEverywhereAsync(maren, id, test);
        var before = (await CountedAsync(maren, id)).Replace("ilsa, Brandt’s", "…, …’s", StringComparison.Ordinal);
        var chain = await maren.GetAsync<TestWeldView>($"/api/test-welds/{test}");

        var preview = await maren.GetAsync<ForgettingPreview>($"/api/students/{id}/forgetting");
        Assert.Equal("Ilsa Brandt", preview.Student.Name);
        Assert.Matches("^Former student [0-9A-Z]{4}$", preview.Pseudonym);
        Assert.Contains(preview.Places, place => place.Key.StartsWith("test_record.note", StringComparison.Ordinal));
        Assert.True(preview.Places.Select(place => place.Key.Split('/')[0]).Distinct().Count() >= 12, Told(preview.Places));
        Assert.Equal(0, preview.UnderChain);
        Assert.True((await FoundAsync(room.Database.Owner)).Count > 8, "The search finds nothing even before.");

        var (address, request) = ($"/api/students/{id}/forgetting/{Guid.CreateVersion7()}", new Forget("Ilsa Brandt", []));
        var done = await (await maren.PutAsJsonAsync(address, request)).ReadAsync<ForgettingDone>();
        Assert.True(done is { Pictures: > 0, Recordings: > 0, Notes: >= 3, InTests: 1 }, $"{done}");
        // Once is enough, and a second try is told what was done.
        Assert.Equal(done, await (await maren.PutAsJsonAsync(address, request)).ReadAsync<ForgettingDone>());
        var again = $"/api/students/{id}/forgetting/{Guid.CreateVersion7()}";
        Assert.Equal(HttpStatusCode.Conflict, (await maren.PutAsJsonAsync(again, new Forget(preview.Pseudonym, []))).StatusCode);

        Assert.Empty(await FoundAsync(room.Database.Owner));
        Assert.Empty(Dumped());
        Assert.Equal(HttpStatusCode.Unauthorized, (await ilsa.GetAsync("/api/hands/mine")).StatusCode);
        await Assert.ThrowsAsync<HttpRequestException>(() => room.SignInAsync("ilsa"));

        Assert.Equal(before, await CountedAsync(maren, id));
        var after = await maren.GetAsync<TestWeldView>($"/api/test-welds/{test}");
        Assert.Equal((preview.Pseudonym, null, chain.LastHash), (after.Student.Name, after.BrokenAt, after.LastHash));
        Assert.Equal(TestRecord.Struck, after.Amendments[^1].Text);
        Assert.Equal(
            0,
            await room.QueryAsync<long>(
                "select count(*) from picture join bead_verdict using (bead_id) where student_id = @id and bytes is not null",
                new { id }
            )
        );
        var trail = await maren.GetAsync<Http.Page<People.TrailEntry>>("/api/trail");
        Assert.Equal(("forgotten", preview.Pseudonym), (trail.Items[0].What, trail.Items[0].About));
        // Nobody signs in as somebody who is forgotten, however the account is switched.
        await maren.PutAsJsonAsync($"/api/people/{id}/active", new { isActive = true });
        Assert.False(await room.QueryAsync<bool>("select deactivated_at is null from person where id = @id", new { id }));
    }

    [Fact]
    public async Task What_is_spared_stays_and_nobody_is_forgotten_by_a_slip()
    {
        var (maren, wynn) = (await room.SignInAsync("maren"), await room.SignInAsync("wynn"));
        var id = (await wynn.MeAsync()).Id;
        var sheet = await maren.AssignAsync(3);
        var other = (await (await room.SignInAsync("teodor")).MeAsync()).Id;
        foreach (var text in new[] { "Wynn held the plate for him.", "Wynns are what the pulley is called." })
            (await RemarkAsync(maren, other, text)).EnsureSuccessStatusCode();
        var preview = await maren.GetAsync<ForgettingPreview>($"/api/students/{id}/forgetting");
        var place = Assert.Single(preview.Places, place => place.Key.StartsWith("remark", StringComparison.Ordinal));
        Assert.False(place.AboutThem);
        Assert.Equal(sheet.StudentId, id);

        var address = $"/api/students/{id}/forgetting/{Guid.CreateVersion7()}";
        foreach (var name in new[] { "", "Wynn", "Teodor Pike" })
            Assert.Contains("name", (await (await maren.PutAsJsonAsync(address, new Forget(name, []))).ProblemsAsync()).Keys);
        (await maren.PutAsJsonAsync(address, new Forget("Wynn Okafor", [place.Key]))).EnsureSuccessStatusCode();
        var remarks = await maren.GetStringAsync($"/api/students/{other}/remarks");
        Assert.Contains("Wynn held the plate", remarks, StringComparison.Ordinal);
        Assert.Contains("Wynns are what", remarks, StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await (await room.SignInAsync("teodor")).GetAsync($"/api/students/{other}/forgetting")).StatusCode
        );
    }

    [Fact]
    public async Task A_student_sees_and_takes_the_whole_of_their_record_and_nobody_elses()
    {
        var (maren, teodor) = (await room.SignInAsync("maren"), await room.SignInAsync("teodor"));
        var id = (await teodor.MeAsync()).Id;
        (await RemarkAsync(maren, id, "Hides his hands.", "me")).EnsureSuccessStatusCode();
        (await RemarkAsync(maren, id, "Good arc length.")).EnsureSuccessStatusCode();
        var held = await teodor.GetAsync<HeldOfStudent>($"/api/students/{id}/held");
        var beads = held.Parts.Single(part => part.Key == "beads");
        Assert.Equal(await room.QueryAsync<long>("select count(*) from bead_verdict where student_id = @id", new { id }), beads.Count);
        using var zip = new ZipArchive(new MemoryStream(await teodor.GetByteArrayAsync($"/api/students/{id}/record.zip")));
        foreach (var part in held.Parts)
            Assert.Equal((part.Key, part.Count), (part.Key, Rows(zip, part.Key).GetArrayLength()));
        Assert.Equal(held.Parts.Count, zip.Entries.Count(entry => entry.FullName.EndsWith(".json", StringComparison.Ordinal)));
        var picture = Assert.Single(zip.Entries, entry => entry.FullName.StartsWith("pictures/", StringComparison.Ordinal));
        Assert.True(picture.Length > 1000);
        Assert.DoesNotContain("password", Text(zip, "account"), StringComparison.Ordinal);
        Assert.Contains("Good arc length", Text(zip, "remarks"), StringComparison.Ordinal);
        // What an instructor keeps to themselves is in theirs alone.
        Assert.DoesNotContain("Hides his hands", Text(zip, "remarks"), StringComparison.Ordinal);
        Assert.Null(zip.GetEntry("notes.json"));
        Assert.Contains("Hides his hands", await TakenAsync(maren), StringComparison.Ordinal);
        Assert.DoesNotContain("Hides his hands", await TakenAsync(await room.SignInAsync("sunniva")), StringComparison.Ordinal);
        foreach (var what in new[] { "held", "record.zip" })
            Assert.Equal(
                HttpStatusCode.NotFound,
                (await (await room.SignInAsync("jun")).GetAsync($"/api/students/{id}/{what}")).StatusCode
            );

        async Task<string> TakenAsync(HttpClient who)
        {
            using var taken = new ZipArchive(new MemoryStream(await who.GetByteArrayAsync($"/api/students/{id}/record.zip")));
            return Text(taken, "remarks");
        }
    }

    private static string Text(ZipArchive zip, string part)
    {
        using var reader = new StreamReader(zip.GetEntry($"{part}.json")!.Open());
        return reader.ReadToEnd();
    }

    private static JsonElement Rows(ZipArchive zip, string part) => JsonDocument.Parse(Text(zip, part)).RootElement;

    private static Task<HttpResponseMessage> RemarkAsync(HttpClient who, Guid student, string text, string readers = "student") =>
        who.PutAsJsonAsync(
            $"/api/students/{student}/remarks/{Guid.CreateVersion7()}",
            new
            {
                kind = "skill",
                readers,
                text,
            }
        );

    // Wherever people write words, by the screens where it is quick and else in the rows themselves.
    private async Task NameEverywhereAsync(HttpClient maren, Guid id, Guid test)
    {
        (await RemarkAsync(maren, id, "Ilsa is steady.")).EnsureSuccessStatusCode();
        var amendment = new { text = "Stamped by ILSA herself." };
        (await maren.PutAsJsonAsync($"/api/test-welds/{test}/amendments/{Guid.CreateVersion7()}", amendment)).EnsureSuccessStatusCode();
        await using var connection = new NpgsqlConnection($"{room.Database.Own};Pooling=false");
        await connection.OpenAsync();
        await connection.ExecuteAsync(
            """
            set session_replication_role = replica;
            insert into visit (id, session_id, booth_id, student_id, note, visited_by)
                select gen_random_uuid(), session_id, booth_id, student_id, 'x', student_id from place limit 3;
            insert into goal (id, student_id, text, set_by) select gen_random_uuid(), @id, 'x', @id;
            insert into kept_setting (id, machine_id, kept_by, note, body)
                select gen_random_uuid(), id, @id, 'x', '{}' from machine limit 1;
            insert into upkeep (id, machine_id, part, note, done_by, beads_at)
                select gen_random_uuid(), id, 'tip', 'x', @id, 0 from machine limit 1;
            insert into machine_move (id, machine_id, note) select gen_random_uuid(), id, 'x' from machine limit 1;
            insert into foreign_logbook (id, student_id, school, fingerprint, body, summary, read_by)
                values (gen_random_uuid(), @id, 'Elsewhere', 'f', '{"student": "Ilsa Brandt"}', '{}', @id);
            insert into unplaced_bead (id, student_id, body, why, noted_at, sent)
                values (gen_random_uuid(), @id, '{"by": "Ilsa Brandt"}', '{}', now(), sha256('x'));
            update session set cancelled = 'x' where id in (select id from session order by held_on limit 1);
            insert into sign_in_try (login, failed) values ('ilsa', 1);
            """,
            new { id }
        );
        var named = 0;
        foreach (var place in await connection.QueryAsync<string>("select distinct place from words where place <> 'test_record.note'"))
        {
            var (table, column) = (place.Split('.')[0], place.Split('.')[1]);
            var key = table == "trail" ? "seq" : "id";
            named += await connection.ExecuteAsync(
                $"""
                update {table} set {column} = left({column}, 12) || ' ilsa, Brandt’s'
                where {key} in (select {key} from {table} where {column} <> '' order by {key} limit 1)
                """
            );
        }
        await connection.ExecuteAsync(
            """
            update exercise_edition set body = jsonb_set(body, '{how}', '"As Ilsa Brandt does."') where seq = 1;
            set session_replication_role = origin
            """
        );
        Assert.True(named >= 14, $"Only {named} places have words.");
    }

    // What is counted: how the whole course stands, what is known of each, and how often each thing was said.
    private async Task<string> CountedAsync(HttpClient maren, Guid id)
    {
        var courseId = await room.QueryAsync<Guid>("select course_id from enrolment where student_id = @id limit 1", new { id });
        var progress = await maren.GetStringAsync($"/api/courses/{courseId}/progress");
        var name = await room.QueryAsync<string>("select name from person where id = @id", new { id });
        var rows = await room.QueryAsync<string>(
            """
            select string_agg(student_id || process || joint || position || beads || right_beads || coalesce(body::text, ''), '|'
                order by student_id, process, joint, position) from skill
            """
        );
        var verdicts = await room.QueryAsync<string>(
            "select string_agg(bead_id || verdict || coalesce(ruled, '') || withdrawn, '|' order by bead_id) from bead_verdict"
        );
        // Their name moves them within a list by name.
        using var course = JsonDocument.Parse(progress.Replace(name, "?", StringComparison.Ordinal));
        var students = course.RootElement.GetProperty("students").EnumerateArray().Select(one => one.GetRawText()).Order();
        var rest = course.RootElement.EnumerateObject().Where(part => part.Name != "students").Select(part => part.Value.GetRawText());
        return string.Join('\n', [.. students, .. rest, rows, verdicts]);
    }

    private static async Task<List<string>> FoundAsync(string owner)
    {
        await using var connection = new NpgsqlConnection(owner);
        var found = new List<string>();
        var tables = await connection.QueryAsync<string>(
            "select relname from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'"
        );
        foreach (var table in tables)
        {
            if (
                await connection.ExecuteScalarAsync<bool>(
                    $"select exists (select from \"{table}\" as t where t::text ~* @any)",
                    new { any = string.Join('|', Traces) }
                )
            )
                found.Add(table);
        }
        return found;
    }

    private List<string> Dumped()
    {
        var at = new NpgsqlConnectionStringBuilder(room.Database.Owner);
        var tool = Directory.GetDirectories("/usr/lib/postgresql").Order().Last() + "/bin/pg_dump";
        var start = new ProcessStartInfo(tool, ["-h", at.Host!, "-p", $"{at.Port}", "-U", at.Username!, at.Database!])
        {
            RedirectStandardOutput = true,
        };
        start.Environment["PGPASSWORD"] = at.Password;
        using var dump = Process.Start(start)!;
        var (found, lines) = (new List<string>(), 0);
        while (dump.StandardOutput.ReadLine() is { } line)
        {
            lines++;
            if (Traces.Any(trace => line.Contains(trace, StringComparison.OrdinalIgnoreCase)))
                found.Add(line[..Math.Min(200, line.Length)]);
        }
        Assert.True(lines > 2000, "The dump is too short to be one.");
        return found;
    }

    private static string Told(IEnumerable<NamedPlace> places) =>
        string.Join(", ", places.Select(place => place.Key.Split('/')[0]).Distinct());

    private static string Hex(string text) => Convert.ToHexStringLower(Encoding.UTF8.GetBytes(text));
}
