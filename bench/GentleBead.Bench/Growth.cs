using System.Diagnostics;
using System.Net.Http.Json;
using GentleBead.Testing;

namespace GentleBead.Bench;

/// <summary>What every call costs with 10,000 beads in the database and with 1,000,000.</summary>
internal static class Growth
{
    private const int Few = 10_000;
    private const int Times = 80;
    private const int WarmUp = 5;
    private const int Rounds = 40;
    private const double MostRatio = 1.5;
    private const int MostQueries = 6;
    private const int MostBytes = 32 * 1024;
    private const int MostRecordStatements = 8;
    private const double MostOverOneRow = 2;
    private const double MostScreenMs = 98;

    private sealed record Call(
        string Name,
        Func<GrownServer, Stand, int, Task<HttpResponseMessage>> Make,
        bool Writes = false,
        Bars? Own = null
    );

    private sealed record Bars(double Ratio, int Queries, int Bytes);

    private static readonly Bars Usual = new(MostRatio, MostQueries, MostBytes);
    private static readonly Bars Recording = Usual with { Queries = MostRecordStatements };

    // A plan is an evening's whole board, asked for once. It reads the newest 120 sheets of each student and no more; in the small school
    // nobody has more than three, in one of 200,000 beads fifty.
    private static readonly Bars Plan = new(5, 16, 96 * 1024);

    // Beads laid since somebody last asked are worked out when they are asked for, in at most six queries more (CostTests).
    private static readonly Bars Skills = Usual with { Queries = 12 };

    // What one student did and nobody else: at most their newest 600 beads, or the whole of their own record. In the small school nobody
    // has more than 25 beads, in one of 100,000 beads 250.
    private static readonly Bars Filling = Usual with { Ratio = 5 };

    private sealed record Taken(List<double> Few, List<double> Many)
    {
        public long Bytes { get; set; }
    }

    private static readonly Call[] Calls =
    [
        new("tonight", (at, _, _) => at.Instructor.GetAsync("/api/sessions/tonight")),
        new("who stands where", (at, _, _) => at.Instructor.GetAsync("/api/sessions/now")),
        new("room of a session", (at, stand, _) => at.Instructor.GetAsync($"/api/sessions/{stand.Session}/room")),
        new("sessions", (at, _, _) => at.Instructor.GetAsync("/api/sessions")),
        new("bench", (at, stand, _) => at.Instructor.GetAsync($"/api/sessions/{stand.Session}/booths/{stand.Booth}")),
        new("checks", (at, stand, _) => at.Instructor.GetAsync($"/api/sessions/{stand.Session}/booths/{stand.Booth}/checks")),
        new("sheet at a key", (at, stand, time) => at.Instructor.PostAsJsonAsync("/api/sheets/compute", Typed(stand, time))),
        new("alternatives", (at, stand, time) => at.Instructor.PostAsJsonAsync("/api/sheets/alternatives", Typed(stand, time))),
        new("presets", (at, _, _) => at.Instructor.GetAsync("/api/presets")),
        new("machine", (at, stand, _) => at.Instructor.GetAsync($"/api/machines/{stand.Machine}")),
        new("machines", (at, _, _) => at.Instructor.GetAsync("/api/machines")),
        new("windows", (at, stand, _) => at.Instructor.GetAsync($"/api/windows/{stand.Machine}")),
        new("sweeps", (at, stand, _) => at.Instructor.GetAsync($"/api/sweeps/of-machine/{stand.Machine}")),
        new("rack", (at, stand, _) => at.Instructor.GetAsync($"/api/sheets/rack/{stand.Student}")),
        new("student's page", (at, _, _) => at.Student.GetAsync("/api/sheets/mine")),
        new("beads of a sheet", (at, stand, _) => at.Instructor.GetAsync($"/api/sheets/{stand.Sheet}/beads?before=1000")),
        new("trials of a sheet", (at, stand, _) => at.Instructor.GetAsync($"/api/trials/of-sheet/{stand.Sheet}")),
        new("kept", (at, _, _) => at.Instructor.GetAsync("/api/kept")),
        new("scores", (at, _, _) => at.Instructor.GetAsync("/api/practice/students")),
        new("own score", (at, _, _) => at.Student.GetAsync("/api/practice/mine")),
        new("agreement", (at, _, _) => at.Instructor.GetAsync("/api/judging/agreement")),
        new("test welds", (at, stand, _) => at.Instructor.GetAsync($"/api/test-welds/of-student/{stand.Student}")),
        new("session's students", (at, stand, _) => at.Instructor.GetAsync($"/api/sessions/{stand.Session}/students")),
        new("calendar of a term", (at, _, _) => at.Instructor.GetAsync($"/api/sessions/between?{Term()}")),
        new("courses", (at, _, _) => at.Instructor.GetAsync("/api/courses")),
        new("plan", (at, stand, _) => at.Instructor.GetAsync($"/api/sessions/{stand.Session}/plan"), Own: Plan),
        new("floor", (at, stand, _) => at.Instructor.GetAsync($"/api/sessions/{stand.Session}/floor")),
        new("notes", (at, stand, _) => at.Instructor.GetAsync($"/api/sessions/{stand.Session}/notes")),
        new("close-down", (at, stand, _) => at.Instructor.GetAsync($"/api/sessions/{stand.Session}/close")),
        new("is everything stopped", (at, _, _) => at.Instructor.GetAsync("/api/stop")),
        new("course's sessions", (at, stand, _) => at.Instructor.GetAsync($"/api/courses/{stand.Course}/sessions")),
        new("course's roster", (at, stand, _) => at.Instructor.GetAsync($"/api/courses/{stand.Course}/roster")),
        new("student's skills", (at, stand, _) => at.Instructor.GetAsync($"/api/students/{stand.Student}/skills"), Own: Skills),
        new("student's progress", (at, stand, _) => at.Instructor.GetAsync($"/api/students/{stand.Student}/progress"), Own: Filling),
        new("course's progress", (at, stand, _) => at.Instructor.GetAsync($"/api/courses/{stand.Course}/progress"), Own: Plan),
        new("strip of a term", (at, stand, _) => at.Instructor.GetAsync($"/api/students/{stand.Student}/strip")),
        new("what is held", (at, stand, _) => at.Instructor.GetAsync($"/api/students/{stand.Student}/held"), Own: Filling),
        new("costs", (at, _, _) => at.Instructor.GetAsync("/api/costs")),
        new("among instructors", (at, _, _) => at.Instructor.GetAsync("/api/judging/among-instructors")),
        new("students", (at, _, _) => at.Instructor.GetAsync("/api/people/students")),
        new(
            "record a bead",
            (at, stand, _) => at.Instructor.PutAsJsonAsync($"/api/beads/{Guid.CreateVersion7()}", Bead(stand)),
            Writes: true
        ),
    ];

    public static async Task<int> MeasureAsync(int beads)
    {
        var figures = new Figures("growth");
        Console.WriteLine("Making two schools …");
        var (few, many) = (await new GrownSchool(Few).MakeAsync(), await new GrownSchool(beads).MakeAsync());
        try
        {
            Console.WriteLine("Starting a server on each …");
            await using var small = await GrownServer.StartAsync(few);
            await using var large = await GrownServer.StartAsync(many);
            Console.WriteLine($"Warming both up, {Rounds} rounds …");
            await RoundsAsync(small, large, Rounds);
            Console.WriteLine($"Calling each {Times} times, in turns, from {small.Stands.Count} booths …");
            var taken = await RoundsAsync(small, large, Times);
            Console.WriteLine($"{"", -20} {Few, 10:N0} {beads, 10:N0}   ratio  queries   bytes");
            var worst = 0.0;
            foreach (var call in Calls)
                worst = Math.Max(worst, await CompareAsync(call, taken[call], large, figures));
            await OneRowAsync(large, figures);
            Console.WriteLine("From screen to screen …");
            var (each, _) = Screens.BeadsFrom(large.Address, beads: 12);
            var median = Figures.Median(each);
            Console.WriteLine(
                $"{"bead on the other screen", -26} median {median:0} ms of "
                    + string.Join(" ", each.Select(one => one.ToString("0", null)))
                    + figures.AtMost("screen to screen, ms", median, MostScreenMs)
            );
            return figures.Close($"{Calls.Length} calls, the worst ratio {worst:0.00}");
        }
        finally
        {
            await Cluster.DropAsync(few);
            await Cluster.DropAsync(many);
        }
    }

    // Every call in every round, so that whatever disturbs this machine for a moment disturbs all of them alike.
    private static async Task<Dictionary<Call, Taken>> RoundsAsync(GrownServer small, GrownServer large, int rounds)
    {
        var taken = Calls.ToDictionary(call => call, _ => new Taken([], []));
        for (var round = 0; round < rounds; round++)
        {
            if (round % 20 == 0 && round > 0)
                Console.WriteLine($"    {round} of {rounds} rounds");
            foreach (var call in Calls)
            {
                var own = taken[call];
                // Whichever comes second finds the machine still busy with the first: they take turns at that, too.
                foreach (
                    var (at, times) in round % 2 == 0
                        ? new[] { (small, own.Few), (large, own.Many) }
                        : [(large, own.Many), (small, own.Few)]
                )
                {
                    var (ms, length) = await TimeAsync(call, at, round);
                    times.Add(ms);
                    own.Bytes = Math.Max(own.Bytes, length);
                }
            }
        }
        return taken;
    }

    private static async Task<double> CompareAsync(Call call, Taken taken, GrownServer large, Figures figures)
    {
        await large.StatementsAsync();
        const int Asked = 5;
        for (var time = 0; time < Asked; time++)
            await TimeAsync(call, large, time);
        var queries = (double)await large.StatementsAsync() / Asked;
        var (before, after) = (Figures.Median(taken.Few), Figures.Median(taken.Many));
        var ratio = after / before;
        var bars = call.Own ?? (call.Writes ? Recording : Usual);
        var marks =
            figures.AtMost($"{call.Name}, ratio", ratio, bars.Ratio)
            + figures.AtMost($"{call.Name}, queries", queries, bars.Queries)
            + figures.AtMost($"{call.Name}, bytes", taken.Bytes, bars.Bytes);
        Console.WriteLine(
            $"{call.Name, -20} {before, 7:0.00} ms {after, 7:0.00} ms {ratio, 7:0.00} {queries, 8:0.#} {taken.Bytes, 7:N0}{marks}"
        );
        return ratio;
    }

    // The sheet at a key beside an endpoint that reads one row and gives the same bytes.
    private static async Task OneRowAsync(GrownServer large, Figures figures)
    {
        var stand = large.Stands[0];
        var compute = Calls.Single(call => call.Name == "sheet at a key");
        using var model = await compute.Make(large, stand, 0);
        await using var row = await RowServer.StartAsync(large.Database, await model.Content.ReadAsStringAsync());
        using var client = new HttpClient { BaseAddress = row.Address };
        var (own, one) = (new List<double>(), new List<double>());
        for (var time = -WarmUp; time < 4 * Times; time++)
        {
            var (ms, _) = await TimeAsync(compute, large, time + WarmUp, stand);
            var began = Stopwatch.GetTimestamp();
            using (var answer = await client.PostAsJsonAsync("/", Typed(stand, time + WarmUp)))
                await answer.Content.ReadAsByteArrayAsync();
            if (time < 0)
                continue;
            own.Add(ms);
            one.Add(Stopwatch.GetElapsedTime(began).TotalMilliseconds);
        }
        var ratio = Figures.Median(own) / Figures.Median(one);
        Console.WriteLine(
            $"{"sheet at a key, over one row read", -34} {Figures.Median(own):0.00} ms / {Figures.Median(one):0.00} ms = "
                + $"{ratio:0.00}{figures.AtMost("sheet at a key over one row", ratio, MostOverOneRow)}"
        );
    }

    private static async Task<(double Ms, long Bytes)> TimeAsync(Call call, GrownServer at, int time, Stand? stand = null)
    {
        var began = Stopwatch.GetTimestamp();
        using var answer = await call.Make(at, stand ?? at.Stands[time % at.Stands.Count], time);
        var body = await answer.Content.ReadAsByteArrayAsync();
        var ms = Stopwatch.GetElapsedTime(began).TotalMilliseconds;
        if (!answer.IsSuccessStatusCode)
            throw new InvalidOperationException($"{call.Name}: {(int)answer.StatusCode} {System.Text.Encoding.UTF8.GetString(body)}");
        return (ms, body.Length);
    }

    // A new last digit every time, as at every key.
    // Thirteen weeks, this one in the middle.
    private static string Term() => $"first={DateTime.Now.AddDays(-45):yyyy-MM-dd}&last={DateTime.Now.AddDays(45):yyyy-MM-dd}";

    private static object Typed(Stand stand, int time) =>
        new
        {
            job = new
            {
                thickness = $"{3 + time % 30 / 10.0:0.0}",
                joint = "t",
                position = "horizontal",
            },
            boothId = stand.Booth,
        };

    private static object Bead(Stand stand) =>
        new
        {
            sheetId = stand.Sheet,
            wireFeedMPerMin = 6.0,
            volts = 18.5,
            evidence = new { sound = "hiss" },
        };
}
