using System.Net.Http.Json;
using Dapper;
using GentleBead.Server.Sessions;
using Npgsql;

namespace GentleBead.Server.Tests;

/// <summary>
/// What a screen's call asks of the database and sends is bounded, however
/// much lies there. Counted by PostgreSQL itself (pg_stat_statements).
/// </summary>
[Collection(nameof(Alone))]
public sealed class CostTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private const int MostQueries = 6;

    // A plan gathers a session's people, where they stand on their path, machines, stock and the evening before: each asked for once.
    private const int MostOfPlan = 16;

    // What has changed of a student's skill since somebody last asked is worked out first: read, beside two difficulties, and written.
    // A course's table is made of its people, their path, what they did, their skill, their newest evenings and machines.
    private const int MostOfSkills = 12;
    private const int MostToRecord = 8;
    private const int MostBytes = 32 * 1024;

    public static TheoryData<string> Calls =>
        [
            "/api/sessions/tonight",
            "/api/sessions/now",
            "/api/sessions/{session}/room",
            "/api/sessions",
            "/api/sessions/{session}/booths/{booth}",
            "/api/sessions/{session}/booths/{booth}/checks",
            "/api/presets",
            "/api/machines/{machine}",
            "/api/machines",
            "/api/windows/{machine}",
            "/api/sweeps/of-machine/{machine}",
            "/api/sheets/rack/{student}",
            "/api/sheets/{sheet}/beads?before=1000",
            "/api/trials/of-sheet/{sheet}",
            "/api/kept",
            "/api/practice/students",
            "/api/judging/agreement",
            "/api/test-welds/of-student/{student}",
            "/api/people/students",
            "/api/judging/tolerances",
            "/api/sessions/{session}/students",
            "/api/sessions/between?first=2026-11-01&last=2027-05-01",
            "/api/courses",
            "/api/courses/{course}/sessions",
            "/api/courses/{course}/timetable",
            "/api/courses/{course}/roster",
            "/api/courses/{course}/path",
            "/api/courses/{course}/places",
            "/api/courses/mine",
            "/api/sessions/{session}/plan",
            "/api/sessions/{session}/plan/lists",
            "/api/stock",
            "/api/plans/mine",
            "/api/sessions/{session}/floor",
            "/api/sessions/{session}/notes",
            "/api/sessions/{session}/close",
            "/api/students/{student}/notes",
            "/api/hands/mine",
            "/api/stop",
            "/api/exercises",
            "/api/courses/{course}/progress",
            "/api/judging/among-instructors",
            "/api/eye/agreement",
            "/api/eye/card",
            "/api/eye/leave",
            "/api/students/{student}/skills",
            "/api/students/{student}/progress",
            "/api/students/{student}/skills/curve?process=gmawShortCircuit&joint=t&position=horizontal",
            "/api/students/{student}/goals",
            "/api/students/{student}/logbooks",
            "/api/students/{student}/held",
            "/api/students/{student}/strip",
            "/api/students/{student}/forgetting",
            "/api/keeping",
            "/api/running",
            "/api/costs",
            "/api/costs/prices",
            "/api/keeping/due?pictureMonths=1&soundMonths=1&noteMonths=1&recordMonths=1",
            "/api/students/{student}/remarks",
        ];

    private async Task<(HttpClient Maren, Dictionary<string, string> Names)> ReadyAsync()
    {
        var maren = await room.SignInAsync("maren");
        var (session, view) = await maren.BoothAsync(1);
        var bench = await maren.GetAsync<Bench>($"/api/sessions/{session.Id}/booths/{view.Booth.Id}");
        return (
            maren,
            new()
            {
                ["session"] = $"{session.Id}",
                ["course"] = $"{session.CourseId}",
                ["booth"] = $"{view.Booth.Id}",
                ["machine"] = $"{view.Booth.MachineId}",
                ["student"] = $"{view.Student!.Id}",
                ["sheet"] = $"{bench.Coupon!.Sheet.Id}",
            }
        );
    }

    private async Task<int> CountAsync(Func<Task> work)
    {
        await using var own = new NpgsqlConnection(room.Database.Own);
        await own.ExecuteAsync("create extension if not exists pg_stat_statements");
        await own.ExecuteScalarAsync("select pg_stat_statements_reset()");
        await work();
        // A transaction's bounds, a connection's tidying and the line that notices come by are no questions.
        return (int)
            await own.ExecuteScalarAsync<long>(
                """
                select coalesce(sum(calls), 0) from pg_stat_statements join pg_database on pg_database.oid = dbid join pg_roles on
                    pg_roles.oid = userid
                where datname = current_database() and rolname = 'gentlebead_app' and query !~*
                    '^(begin|commit|rollback|discard|close|(un)?listen|set session|reset)'
                """
            );
    }

    [Theory]
    [MemberData(nameof(Calls))]
    public async Task A_call_asks_few_questions_and_sends_a_bounded_answer(string call)
    {
        var (maren, names) = await ReadyAsync();
        var path = names.Aggregate(call, (so, name) => so.Replace($"{{{name.Key}}}", name.Value, StringComparison.Ordinal));
        var bytes = 0;
        var count = await CountAsync(async () => bytes = (await maren.GetByteArrayAsync(path)).Length);
        Assert.InRange(count, 1, MostOf(call));
        Assert.InRange(bytes, 1, MostBytes);
        if (call.EndsWith("/skills", StringComparison.Ordinal))
            Assert.InRange(await CountAsync(async () => await maren.GetByteArrayAsync(path)), 1, MostQueries);
    }

    private static int MostOf(string call) =>
        call.Contains("/plan", StringComparison.Ordinal) || call.EndsWith("{course}/progress", StringComparison.Ordinal) ? MostOfPlan
        : call.EndsWith("/skills", StringComparison.Ordinal) ? MostOfSkills
        : MostQueries;

    [Fact]
    public async Task A_sheet_at_a_key_asks_one_question_beside_who_is_asking()
    {
        var (maren, names) = await ReadyAsync();
        var job = new
        {
            thickness = "1/8",
            joint = "t",
            position = "horizontal",
        };
        Assert.InRange(
            await CountAsync(async () =>
                (await maren.PostAsJsonAsync("/api/sheets/compute", new { job, boothId = names["booth"] })).EnsureSuccessStatusCode()
            ),
            1,
            2
        );
        Assert.InRange(
            await CountAsync(async () =>
                (await maren.PostAsJsonAsync("/api/sheets/alternatives", new { job, boothId = names["booth"] })).EnsureSuccessStatusCode()
            ),
            1,
            2
        );
    }

    [Fact]
    public async Task A_bead_is_recorded_in_one_transaction_of_few_statements()
    {
        var (maren, names) = await ReadyAsync();
        var before = await CommitsAsync();
        var count = await CountAsync(async () =>
            (
                await maren.RecordAsync(
                    Guid.CreateVersion7(),
                    new
                    {
                        sheetId = names["sheet"],
                        wireFeedMPerMin = 6.0,
                        volts = 18.5,
                        evidence = new { sound = "hiss" },
                    }
                )
            ).EnsureSuccessStatusCode()
        );
        Assert.InRange(count, 2, MostToRecord + 1);
        Assert.InRange(await CommitsAsync() - before, 1, 1);

        // Every transaction of the application that wrote has a number of its own; there was one between.
        async Task<long> CommitsAsync() =>
            await room.QueryAsync<long>("select count(distinct xmin::text) from bead_verdict where recorded_at > now() - interval '1 day'");
    }
}
