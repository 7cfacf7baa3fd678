using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Judging;
using GentleBead.Server.Beads;
using GentleBead.Server.Database;
using GentleBead.Server.Demo;
using GentleBead.Server.Http;
using GentleBead.Server.Machines;
using GentleBead.Server.People;
using GentleBead.Server.Sessions;
using Npgsql;

namespace GentleBead.Server.Tests;

public class SchoolTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    [Fact]
    public async Task The_demo_term_tells_its_story()
    {
        await using var untouched = new Room(demo: true);
        await untouched.InitializeAsync();
        var maren = await untouched.SignInAsync("maren");
        var racks = new Dictionary<string, Rack>();
        foreach (var student in (await maren.GetAsync<Page<PersonName>>("/api/people/students")).Items)
            racks[student.Name] = await maren.GetAsync<Rack>($"/api/sheets/rack/{student.Id}");
        // Two rooms, three courses, fourteen booths, twenty-six students, a term of thirty sessions.
        Assert.Equal((26, 14, 2), (await Count("person where role = 'student'"), await Count("booth"), await Count("room")));
        Assert.Equal((3, 30), (await Count("course"), await Count("session")));

        // Somebody improves: newest first, so the last coupons are the first evenings.
        var ilsa = racks["Ilsa Brandt"].Coupons;
        Assert.All(ilsa[^1].Beads, bead => Assert.NotEqual(Verdict.Right, bead.Verdict));
        Assert.All(ilsa[1].Beads, bead => Assert.Equal(Verdict.Right, bead.Verdict));
        // Somebody is always cold.
        Assert.All(racks["Teodor Pike"].Coupons.SelectMany(coupon => coupon.Beads), bead => Assert.Equal(Verdict.Cold, bead.Verdict));
        // Whoever stands at booth 3 is told to measure the wire.
        var booth3 = await untouched.QueryAsync<long>(
            "select count(*) filter (where judgement->'next'->>'kind' = 'measureWire') * 100 / count(*) from bead join sheet on "
                + "sheet.id = sheet_id join booth on booth.id = booth_id where booth.number = 3 and "
                + "room_id = (select id from room order by seq limit 1)"
        );
        Assert.InRange(booth3, 60, 100);
        // In the mornings most come along, and Bryn stays hot.
        var (anouk, bryn) = (racks["Anouk Ferrell"].Coupons, racks["Bryn Aldous"].Coupons);
        Assert.All(anouk[^1].Beads, bead => Assert.NotEqual(Verdict.Right, bead.Verdict));
        Assert.All(anouk[0].Beads, bead => Assert.Equal(Verdict.Right, bead.Verdict));
        Assert.All(bryn.SelectMany(coupon => coupon.Beads), bead => Assert.NotEqual(Verdict.Right, bead.Verdict));

        async Task<int> Count(string of) => (int)await untouched.QueryAsync<long>($"select count(*) from {of}");
    }

    [Fact]
    public async Task The_demo_is_loaded_once_and_one_cut_short_is_loaded_anew()
    {
        await using var own = new Room(demo: true);
        await own.InitializeAsync();
        var beads = await own.QueryAsync<long>("select count(*) from bead");
        await DemoLoader.LoadAsync(own.SchoolServices, own.Database.Owner, TestContext.Current.CancellationToken);
        Assert.Equal(beads, await own.QueryAsync<long>("select count(*) from bead"));

        await own.QueryAsync<object?>("truncate bead cascade; delete from school");
        await DemoLoader.LoadAsync(own.SchoolServices, own.Database.Owner, TestContext.Current.CancellationToken);
        Assert.Equal(beads, await own.QueryAsync<long>("select count(*) from bead"));
        Assert.Equal(28, await own.QueryAsync<long>("select count(*) from person"));
    }

    [Fact]
    public async Task An_empty_school_is_set_up_from_nothing_to_a_judged_bead()
    {
        await using var empty = new Room(demo: false);
        await empty.InitializeAsync();
        var client = empty.CreateClient();
        var welcome = await client.GetAsync<Welcome>("/api/people/welcome");
        Assert.True(welcome.NeedsFirstInstructor);
        Assert.Empty(welcome.DemoAccounts);

        var first = new
        {
            id = Guid.CreateVersion7(),
            school = "Quay workshop",
            login = "ana",
            name = "Ana",
            password = "short",
            code = "test 2345",
        };
        var stranger = await client.PostAsJsonAsync(
            "/api/people/first-instructor",
            first with
            {
                password = "long enough",
                code = "GUES-SED2",
            }
        );
        Assert.Contains("code", (await stranger.ProblemsAsync()).Keys);
        Assert.Contains("password", (await (await client.PostAsJsonAsync("/api/people/first-instructor", first)).ProblemsAsync()).Keys);
        (await client.PostAsJsonAsync("/api/people/first-instructor", first with { password = "long enough" })).EnsureSuccessStatusCode();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (
                await client.PostAsJsonAsync(
                    "/api/people/first-instructor",
                    first with
                    {
                        id = Guid.CreateVersion7(),
                        login = "eve",
                        password = "long enough",
                    }
                )
            ).StatusCode
        );

        var (machineId, boothId, studentId, sessionId) = (
            Guid.CreateVersion7(),
            Guid.CreateVersion7(),
            Guid.CreateVersion7(),
            Guid.CreateVersion7()
        );
        var knob = new
        {
            kind = "knob",
            lowestMark = 0,
            highestMark = 100,
            markStep = 1,
            unit = "",
            readings = Array.Empty<object>(),
        };
        var taps = new
        {
            kind = "tap",
            lowestMark = 1,
            highestMark = 10,
            markStep = 1,
            unit = "",
            readings = Array.Empty<object>(),
        };
        var machine = new
        {
            boothId,
            boothNumber = 1,
            machine = new
            {
                name = "Blue",
                load = new
                {
                    wire = "solid08",
                    gas = "argonCarbon25",
                    polarity = "torchPlus",
                },
                wireControl = knob,
                voltControl = taps,
            },
        };
        (await client.PutAsJsonAsync($"/api/machines/{machineId}", machine)).EnsureSuccessStatusCode();
        (await client.PutAsJsonAsync($"/api/machines/{machineId}", machine)).EnsureSuccessStatusCode();
        foreach (var (control, mark, measured) in new[] { ("wire", 20, 2.8), ("wire", 70, 10.9), ("volt", 1, 14.5), ("volt", 10, 25.5) })
        {
            (
                await client.PutAsJsonAsync(
                    $"/api/machines/{machineId}/readings/{Guid.CreateVersion7()}",
                    new
                    {
                        control,
                        mark,
                        measured,
                    }
                )
            ).EnsureSuccessStatusCode();
        }
        Assert.Contains(
            "not above",
            (
                await (
                    await client.PutAsJsonAsync(
                        $"/api/machines/{machineId}/readings/{Guid.CreateVersion7()}",
                        new
                        {
                            control = "wire",
                            mark = 50,
                            measured = 2.0,
                        }
                    )
                ).ProblemsAsync()
            )["measured"],
            StringComparison.Ordinal
        );
        Assert.Contains(
            "0 to 100",
            (
                await (
                    await client.PutAsJsonAsync(
                        $"/api/machines/{machineId}/readings/{Guid.CreateVersion7()}",
                        new
                        {
                            control = "wire",
                            mark = 101,
                            measured = 12.0,
                        }
                    )
                ).ProblemsAsync()
            )["mark"],
            StringComparison.Ordinal
        );

        // A reading that was wrong is withdrawn, and put back.
        var wrong = Guid.CreateVersion7();
        (
            await client.PutAsJsonAsync(
                $"/api/machines/{machineId}/readings/{wrong}",
                new
                {
                    control = "wire",
                    mark = 50,
                    measured = 10.0,
                }
            )
        ).EnsureSuccessStatusCode();
        Assert.Equal(3, await ReadingsAsync());
        (
            await client.PutAsJsonAsync($"/api/machines/{machineId}/readings/{wrong}/withdrawn", new { withdrawn = true })
        ).EnsureSuccessStatusCode();
        Assert.Equal(2, await ReadingsAsync());
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await client.PutAsJsonAsync($"/api/machines/{Guid.NewGuid()}/readings/{wrong}/withdrawn", new { withdrawn = true })).StatusCode
        );

        (
            await client.PutAsJsonAsync(
                $"/api/people/students/{studentId}",
                new
                {
                    login = "bo",
                    name = "Bo",
                    password = "practice1",
                }
            )
        ).EnsureSuccessStatusCode();
        Assert.Contains(
            "taken",
            (
                await (
                    await client.PutAsJsonAsync(
                        $"/api/people/students/{Guid.CreateVersion7()}",
                        new
                        {
                            login = "BO",
                            name = "Bo too",
                            password = "practice1",
                        }
                    )
                ).ProblemsAsync()
            )["login"],
            StringComparison.Ordinal
        );
        (
            await client.PutAsJsonAsync(
                $"/api/sessions/{sessionId}",
                new
                {
                    title = "Monday",
                    heldOn = "2026-11-23",
                    begins = "18:00",
                }
            )
        ).EnsureSuccessStatusCode();
        (await client.PutAsJsonAsync($"/api/sessions/{sessionId}/booths/{boothId}/student", new { studentId })).EnsureSuccessStatusCode();
        var sheet = await client.AssignAsync(1);
        (
            await client.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 47,
                    voltMark = 6,
                    evidence = new { sound = "evenCrackle" },
                }
            )
        ).EnsureSuccessStatusCode();

        // The next evening begins with everybody where they stood.
        var next = await (
            await client.PutAsJsonAsync(
                $"/api/sessions/{Guid.CreateVersion7()}",
                new
                {
                    title = "Tuesday",
                    heldOn = "2026-11-24",
                    begins = "18:00",
                }
            )
        ).ReadAsync<Session>();
        var view = (await client.GetAsync<RoomView>("/api/sessions/tonight")).Booths.Single();
        Assert.Equal("Tuesday", next.Title);
        Assert.Equal("Bo", view.Student!.Name);
        Assert.Null(view.Job);

        async Task<int> ReadingsAsync() =>
            (await client.GetAsync<Page<MachineInBooth>>("/api/machines")).Items.Single().Machine.WireControl!.Readings.Count;
    }

    [Fact]
    public async Task Of_two_who_found_a_school_at_once_one_does()
    {
        await using var empty = new Room(demo: false);
        await empty.InitializeAsync();
        var client = empty.CreateClient();
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 4)
                .Select(who =>
                    client.PostAsJsonAsync(
                        "/api/people/first-instructor",
                        new
                        {
                            id = Guid.CreateVersion7(),
                            school = $"Shop {who}",
                            login = $"founder{who}",
                            name = "Founder",
                            password = "long enough",
                            code = RunningServer.SetUpCode,
                        }
                    )
                )
        );
        Assert.Equal(1, answers.Count(answer => answer.StatusCode == HttpStatusCode.OK));
        Assert.Equal(3, answers.Count(answer => answer.StatusCode == HttpStatusCode.Conflict));
        Assert.Equal(1, await empty.QueryAsync<long>("select count(*) from person"));
    }

    [Fact]
    public async Task The_database_itself_refuses_what_cannot_be()
    {
        foreach (
            var sql in new[]
            {
                "update bead set verdict = 'lovely'",
                "update bead set volts = 0",
                "update bead set withdrawn_at = now()",
                "update person set role = 'owner'",
                "insert into reading (id, machine_id, control, mark, measured) select gen_random_uuid(), id, 'wire', 5, -1 from "
                    + "machine limit 1",
                "insert into place select session_id, (select id from booth where number = 4), student_id from place where "
                    + "booth_id = (select id from booth where number = 1)",
                "delete from sheet",
            }
        )
        {
            await Assert.ThrowsAsync<PostgresException>(() => room.QueryAsync<object?>(sql));
        }
    }

    [Fact]
    public async Task Health_tells_life_from_readiness()
    {
        var client = room.CreateClient();
        Assert.Equal("live", await client.GetStringAsync("/health/live"));
        Assert.Equal("ready", await client.GetStringAsync("/health/ready"));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/api/nothing/here")).StatusCode);
    }

    [Fact]
    public async Task An_instructor_brings_in_another_one()
    {
        await using var own = new DemoRoom();
        await own.InitializeAsync();
        var maren = await own.SignInAsync("maren");
        var body = new
        {
            name = "Bo Tarn",
            login = "bo.tarn",
            password = "long enough",
        };
        Assert.True(
            (
                await (
                    await maren.PutAsJsonAsync($"/api/people/instructors/{Guid.CreateVersion7()}", body with { password = "short" })
                ).ProblemsAsync()
            ).ContainsKey("password")
        );
        (await maren.PutAsJsonAsync($"/api/people/instructors/{Guid.CreateVersion7()}", body)).EnsureSuccessStatusCode();
        Assert.Contains(
            "login",
            (await (await maren.PutAsJsonAsync($"/api/people/students/{Guid.CreateVersion7()}", body)).ProblemsAsync()).Keys
        );
        var bo = await own.SignInAsync("bo.tarn", "long enough");
        Assert.Equal(
            ["Bo Tarn", "Maren Holloway", "Sunniva Reyes"],
            (await bo.GetAsync<Page<PersonName>>("/api/people/instructors")).Items.Select(person => person.Name)
        );
        Assert.DoesNotContain((await bo.GetAsync<Page<PersonName>>("/api/people/students")).Items, person => person.Name == "Bo Tarn");
    }

    [Fact]
    public async Task Two_servers_starting_at_once_over_an_empty_database_load_one_school()
    {
        var database = await Cluster.NewDatabaseAsync();
        var servers = await Task.WhenAll(RunningServer.StartAsync(demo: true, database), RunningServer.StartAsync(demo: true, database));
        await using (var connection = new NpgsqlConnection(database.Owner))
        {
            await connection.OpenAsync();
            await using var count = new NpgsqlCommand("select (select count(*) from person) + (select count(*) from booth)", connection);
            Assert.Equal(28L + 14, await count.ExecuteScalarAsync());
        }
        foreach (var server in servers)
            await server.DisposeAsync();
        await Cluster.DropAsync(database);
    }

    [Fact]
    public void Migrating_again_changes_nothing() => Migrations.Run(room.Database.Owner);
}
