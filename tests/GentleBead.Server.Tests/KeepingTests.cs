using System.Net;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using Dapper;
using GentleBead.Core.Keeping;
using GentleBead.Server.Http;
using GentleBead.Server.Keeping;
using GentleBead.Server.People;
using Microsoft.Extensions.DependencyInjection;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>What is kept is kept as long as the school says; and nothing of a person lies where it is not looked for.</summary>
public sealed partial class KeepingTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private KeepingStore Store => room.Of<KeepingStore>();

    [Fact]
    public async Task What_is_past_its_time_goes_but_what_proves_a_test_and_what_is_practised_with()
    {
        var maren = await room.SignInAsync("maren");
        // A picture and a recording of a bead that is no test's, four and a half years old; the demo's own are weeks old.
        await OwnerAsync(
            """
            update picture set added_at = now() - interval '54 months';
            update recording set added_at = now() - interval '54 months';
            insert into visit (id, session_id, booth_id, student_id, note, visited_by, visited_at)
                select gen_random_uuid(), session_id, booth_id, student_id, 'Asked twice.', student_id, now() - interval '13 months'
                from place limit 1;
            insert into named_recording (id, recording_id, deviation, clip, named_by)
                select gen_random_uuid(), id, 'none', '{}', added_by from recording order by seq limit 1
            """
        );
        var all = await CountsAsync();
        Assert.True(all is { Pictures: > 1, Recordings: > 1 }, $"{all}");
        Assert.Equal(0, await Store.LetGoAsync(default));

        var terms = new KeepingTerms(PictureMonths: 48, SoundMonths: 48, NoteMonths: 12);
        const string Asked = "pictureMonths=48&soundMonths=48&noteMonths=12";
        var come = await maren.GetAsync<KeepingCome>($"/api/keeping/due?{Asked}");
        Assert.True(come.Due is { Pictures: > 0, PictureBytes: > 1000, Recordings: > 0, Notes: 1, People: 0 }, $"{come.Due}");
        Assert.Empty(come.LongGone);
        // Thought of only: nothing goes by it.
        Assert.Equal(0, await Store.LetGoAsync(default));
        await SetAsync(maren, terms, 0);
        Assert.Equal(come.Due.Pictures + come.Due.Recordings + 1, await Store.LetGoAsync(default));
        Assert.Equal(0, await Store.LetGoAsync(default));

        var left = await CountsAsync();
        Assert.Equal((all.Pictures - come.Due.Pictures, all.Recordings - come.Due.Recordings), left);
        var tests = await room.QueryAsync<long>(
            "select count(*) from picture join bead on bead.id = bead_id join test_weld using (sheet_id) where bytes is not null"
        );
        Assert.Equal(left.Pictures, tests);
        Assert.Equal(
            1,
            await room.QueryAsync<long>(
                "select count(*) from named_recording join recording on recording.id = recording_id where let_go_at is null"
            )
        );
        var trail = await maren.GetAsync<Page<TrailEntry>>("/api/trail");
        Assert.Equal(
            [("notesLetGo", "1"), ("soundLetGo", $"{come.Due.Recordings}"), ("picturesLetGo", $"{come.Due.Pictures}")],
            trail.Items.Take(3).Select(entry => (entry.What, entry.About))
        );
        // What is gone is not put back.
        var gone = await room.QueryAsync<Guid>("select id from picture where let_go_at is not null limit 1");
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await maren.PutAsJsonAsync($"/api/pictures/{gone}/withdrawn", new { withdrawn = false })).StatusCode
        );
    }

    [Fact]
    public async Task Terms_are_set_once_told_when_wrong_and_never_over_somebody_elses()
    {
        await using var school = new DemoRoom();
        await school.InitializeAsync();
        var (maren, sunniva) = (await school.SignInAsync("maren"), await school.SignInAsync("sunniva"));
        Assert.Equal(new KeepingEdition(0, new KeepingTerms(), null, null), await maren.GetAsync<KeepingEdition>("/api/keeping"));
        var id = Guid.CreateVersion7();
        for (var time = 0; time < 2; time++)
            await SetAsync(maren, new KeepingTerms(RecordMonths: 84), 0, id);
        Assert.Equal(HttpStatusCode.Conflict, (await SendAsync(maren, new KeepingTerms(RecordMonths: 85), 0, id)).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, (await SendAsync(sunniva, new KeepingTerms(), 0)).StatusCode);
        var kept = await sunniva.GetAsync<KeepingEdition>("/api/keeping");
        Assert.Equal((1, 84, "Maren Holloway"), (kept.Edition, kept.Terms.RecordMonths, kept.MadeBy));
        foreach (var months in new[] { 0, -3, 601 })
            Assert.Contains("terms.pictureMonths", (await (await SendAsync(maren, new KeepingTerms(months), 1)).ProblemsAsync()).Keys);
        Assert.Contains("soundMonths", (await (await maren.GetAsync("/api/keeping/due?soundMonths=0")).ProblemsAsync()).Keys);
        Assert.Equal(HttpStatusCode.BadRequest, (await maren.GetAsync("/api/keeping/due?soundMonths=two")).StatusCode);
    }

    [Fact]
    public async Task Who_was_last_here_long_ago_is_listed_and_forgotten_by_nobody_but_an_instructor()
    {
        await using var school = new DemoRoom();
        await school.InitializeAsync();
        var maren = await school.SignInAsync("maren");
        await using (var connection = new NpgsqlConnection($"{school.Database.Own};Pooling=false"))
        {
            await connection.ExecuteAsync(
                """
                set session_replication_role = replica;
                update bead_verdict set recorded_at = recorded_at - interval '8 years'
                    where student_id = (select id from person where login = 'petra');
                update attendance set noted_at = noted_at - interval '8 years'
                    where student_id = (select id from person where login = 'petra');
                update person set added_at = added_at - interval '9 years'
                """
            );
        }
        await SetAsync(maren, new KeepingTerms(RecordMonths: 84), 0);
        var come = await maren.GetAsync<KeepingCome>("/api/keeping/due?recordMonths=84");
        Assert.Contains("Petra Lund", come.LongGone.Select(one => one.Student.Name));
        Assert.DoesNotContain("Ilsa Brandt", come.LongGone.Select(one => one.Student.Name));
        Assert.Equal(come.LongGone.Count, come.Due.People);
        await school.Of<KeepingStore>().LetGoAsync(default);
        Assert.Equal("Petra Lund", await school.QueryAsync<string>("select name from person where login = 'petra'"));
    }

    // Words that are no people's: keys of enums, codes, letters under a seal, machine's own.
    private static readonly string[] NoPeoplesWords =
    [
        @"^(schemaversions|data_protection_key|school|school_key|pin|upload_part)\.",
        @"^(bead|look|bead_verdict|sheet|skill|kind_difficulty|learned_window|sweep|reading|stand_in|machine_use)\.(?!overrule)",
        @"^(hand|attendance|own_word|drill|drill_answer)\.",
        @"^cause_ruling\.(process|tool|instructor)$|^ruling\.(aspect|tool|instructor)$",
        @"^check_tick\.key$|^exercise\.key$|^course\.tool_word$",
        @"^door_chart\.(process|wire|gas)$|^foreign_logbook\.(school|fingerprint)$|^named_recording\.deviation$|^upkeep\.part$",
        @"^person\.|^picture\.(media_type|side)$|^recording\.(kind|origin)$|^remark\.(kind|readers)$|^unplaced_file\.kind$|^trail\.what$",
        @"^test_record\.(body|hash|kind|previous|salt|word)$|^test_weld\.(seal|sealed_body)$|^sign_in_try\.login$",
    ];

    [Fact]
    public async Task Every_column_that_people_write_words_into_is_looked_through_when_somebody_is_forgotten()
    {
        await using var connection = new NpgsqlConnection(room.Database.Owner);
        var definition = await connection.QuerySingleAsync<string>("select pg_get_viewdef('words'::regclass)");
        var looked = Place().Matches(definition).Select(match => match.Groups[1].Value).ToHashSet();
        Assert.True(looked.Count > 15);
        var columns = await connection.QueryAsync<string>(
            """
            select table_name || '.' || column_name from information_schema.columns
            join information_schema.tables using (table_schema, table_name)
            where table_schema = 'public' and table_type = 'BASE TABLE' and data_type in ('text', 'character varying')
            """
        );
        var unknown = columns.Where(column => !looked.Contains(column) && !NoPeoplesWords.Any(pattern => Regex.IsMatch(column, pattern)));
        Assert.Empty(unknown);
    }

    // Who did something, which stays on the record of whoever it was done to.
    private static readonly string[] Doers = ["_by$", @"^course_instructor\.person_id$"];

    [Fact]
    public async Task Every_column_that_names_a_person_is_in_the_record_they_are_given()
    {
        await using var connection = new NpgsqlConnection(room.Database.Owner);
        var columns = (
            await connection.QueryAsync<string>(
                """
                select conrelid::regclass || '.' || attname from pg_constraint
                join pg_attribute on attrelid = conrelid and attnum = any (conkey)
                where contype = 'f' and confrelid = 'person'::regclass
                """
            )
        ).ToArray();
        Assert.True(columns.Length > 50);
        var held = HeldPart.All.Select(part => part.Rows).ToArray();
        foreach (var column in columns.Where(column => !Doers.Any(pattern => Regex.IsMatch(column, pattern))))
        {
            var (table, name) = (column.Split('.')[0], column.Split('.')[1]);
            Assert.True(
                await connection.ExecuteScalarAsync<bool>(
                    """
                    select exists (select from pg_index join pg_attribute on attrelid = indrelid and attnum = indkey[0]
                    where indrelid = @table::regclass and attname = @name
                        and (indpred is null or pg_get_expr(indpred, indrelid) like '%IS NOT NULL%'))
                    """,
                    new { table, name }
                ),
                $"{column} is found by reading everybody's."
            );
            Assert.True(
                held.Any(rows => Regex.IsMatch(rows, $@"from {table} as t where .*\b{name} = @person")),
                $"{column} is in no part of the record."
            );
        }
    }

    [GeneratedRegex(@"'([a-z_]+\.[a-z_]+)'::text")]
    private static partial Regex Place();

    private static Task<HttpResponseMessage> SendAsync(HttpClient who, KeepingTerms terms, int edition, Guid? id = null) =>
        who.PutAsJsonAsync("/api/keeping", new NewKeepingTerms(id ?? Guid.CreateVersion7(), edition, terms));

    private static async Task SetAsync(HttpClient who, KeepingTerms terms, int edition, Guid? id = null) =>
        (await SendAsync(who, terms, edition, id)).EnsureSuccessStatusCode();

    private async Task OwnerAsync(string sql)
    {
        await using var connection = new NpgsqlConnection(room.Database.Owner);
        await connection.ExecuteAsync(sql);
    }

    private async Task<(long Pictures, long Recordings)> CountsAsync() =>
        (
            await room.QueryAsync<long>("select count(*) from picture where bytes is not null"),
            await room.QueryAsync<long>(
                "select count(*) from recording where exists (select from recording_part where recording_id = recording.id)"
            )
        );
}
