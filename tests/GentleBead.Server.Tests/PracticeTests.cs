using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Practice;
using GentleBead.Server.Arc;
using GentleBead.Server.Http;
using GentleBead.Server.Practice;

namespace GentleBead.Server.Tests;

/// <summary>The arc bench and the drills over the wire.</summary>
public class PracticeTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static object Arc(double volts = 19.3, double wire = 6.35, double plate = 3.2) =>
        new
        {
            process = "gmawShortCircuit",
            wire = "solid08",
            gas = "argonCarbon25",
            wireFeedMPerMin = wire,
            volts,
            stickOutMm = 10,
            travelMmPerMin = 300,
            plateMm = plate,
            joint = "beadOnPlate",
            metal = "mildSteel",
            amps = (double?)null,
            faults = Array.Empty<string>(),
            seed = 3,
        };

    private static async Task<DrillGiven> GiveAsync(HttpClient person, DrillKind kind, Guid? id = null) =>
        await (await person.PutAsync($"/api/drills/{id ?? Guid.CreateVersion7()}/{kind}", null)).ReadAsync<DrillGiven>();

    [Fact]
    public async Task A_student_runs_the_arc_and_impossible_settings_are_refused_at_their_field()
    {
        var ilsa = await room.SignInAsync("ilsa");
        var run = await (await ilsa.PostAsJsonAsync("/api/arc/run", Arc())).ReadAsync<ArcRun>();
        Assert.Equal(Core.Beads.Sound.EvenCrackle, run.Sound);
        Assert.InRange(run.MeanAmps.Amps, 110, 145);
        Assert.Equal("RIFF"u8.ToArray(), run.Wav[..4]);
        Assert.True((await (await ilsa.PostAsJsonAsync("/api/arc/run", Arc(volts: 90))).ProblemsAsync()).ContainsKey("volts"));
        Assert.True((await (await ilsa.PostAsJsonAsync("/api/arc/run", Arc(wire: 0))).ProblemsAsync()).ContainsKey("wireFeedMPerMin"));
        Assert.True((await (await ilsa.PostAsJsonAsync("/api/arc/run", Arc(plate: -1))).ProblemsAsync()).ContainsKey("plateMm"));
    }

    [Fact]
    public async Task A_drill_does_not_tell_its_answer_is_answered_once_and_belongs_to_one_person()
    {
        var jun = await room.SignInAsync("jun");
        var id = Guid.CreateVersion7();
        var text = await (await jun.PutAsync($"/api/drills/{id}/ear", null)).Content.ReadAsStringAsync();
        Assert.DoesNotContain("deviation", text, StringComparison.OrdinalIgnoreCase);
        Assert.Equal(id, (await GiveAsync(jun, DrillKind.Ear, id)).Id);
        Assert.Equal("audio/wav", (await jun.GetAsync($"/api/drills/{id}/sound")).Content.Headers.ContentType?.MediaType);
        Assert.NotEmpty((await jun.GetAsync<DrillSight>($"/api/drills/{id}/sight")).Trace.Volts);
        Assert.True(
            (await (await jun.PutAsJsonAsync($"/api/drills/{id}/answer", new { heard = "hiss" })).ProblemsAsync()).ContainsKey("answer")
        );

        var wynn = await room.SignInAsync("wynn");
        foreach (var path in new[] { "sound", "sight" })
            Assert.Equal(HttpStatusCode.NotFound, (await wynn.GetAsync($"/api/drills/{id}/{path}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await wynn.PutAsync($"/api/drills/{id}/ear", null)).StatusCode);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await wynn.PutAsJsonAsync($"/api/drills/{id}/answer", new { answer = "nothing" })).StatusCode
        );

        var first = await (
            await jun.PutAsJsonAsync($"/api/drills/{id}/answer", new { heard = "hiss", answer = "nothing" })
        ).ReadAsync<DrillOutcome>();
        var second = await (
            await jun.PutAsJsonAsync($"/api/drills/{id}/answer", new { heard = "hiss", answer = Database.EnumText.Of(first.Deviation) })
        ).ReadAsync<DrillOutcome>();
        Assert.Equal(first.Right, second.Right);
        Assert.Equal(1, (await jun.GetAsync<Progress>("/api/practice/mine")).Kinds.Sum(kind => kind.Answered));
    }

    [Fact]
    public async Task Answered_rightly_twice_the_next_drill_is_harder_and_the_item_comes_back_later()
    {
        var teodor = await room.SignInAsync("teodor");
        DrillOutcome? outcome = null;
        for (var round = 0; round < 2; round++)
        {
            var given = await GiveAsync(teodor, DrillKind.Eye);
            var truth = await room.QueryAsync<string>("select body ->> 'deviation' from drill where id = @id", new { id = given.Id });
            outcome = await (
                await teodor.PutAsJsonAsync($"/api/drills/{given.Id}/answer", new { answer = truth })
            ).ReadAsync<DrillOutcome>();
            Assert.True(outcome.Right);
        }
        Assert.Equal((1, 1), (outcome!.Level, outcome.DueInDays));
        Assert.Equal(1, (await GiveAsync(teodor, DrillKind.Eye)).Level);
        Assert.Equal(HttpStatusCode.Forbidden, (await teodor.GetAsync("/api/practice/students")).StatusCode);
        var maren = await room.SignInAsync("maren");
        Assert.Contains(
            (await maren.GetAsync<Page<NamedProgress>>("/api/practice/students")).Items,
            one =>
                one.Person.Name.StartsWith("Teodor", StringComparison.Ordinal)
                && one.Progress.Kinds.Single(kind => kind.Kind == DrillKind.Eye).Right == 2
        );
    }

    [Fact]
    public async Task The_machine_is_set_right_or_not()
    {
        var petra = await room.SignInAsync("petra");
        var given = await GiveAsync(petra, DrillKind.SetMachine);
        Assert.NotNull(given.Start);
        Assert.True((await (await petra.PutAsJsonAsync($"/api/drills/{given.Id}/answer", new { })).ProblemsAsync()).Count > 0);
        Assert.True(
            (
                await (
                    await petra.PutAsJsonAsync($"/api/drills/{given.Id}/answer", new { wireFeedMPerMin = 6, volts = 400 })
                ).ProblemsAsync()
            ).ContainsKey("volts")
        );
        Assert.True(
            (
                await (
                    await petra.PutAsJsonAsync(
                        $"/api/drills/{given.Id}/answer",
                        new { wireFeedMPerMin = given.WireFeed.MPerMin, volts = given.Volts.Volts }
                    )
                ).ReadAsync<DrillOutcome>()
            ).Right
        );
        var again = await GiveAsync(petra, DrillKind.SetMachine);
        Assert.False(
            (
                await (
                    await petra.PutAsJsonAsync(
                        $"/api/drills/{again.Id}/answer",
                        new { wireFeedMPerMin = again.Start!.WireFeed.MPerMin, volts = again.Start.Volts.Volts }
                    )
                ).ReadAsync<DrillOutcome>()
            ).Right
        );
        Assert.Equal(HttpStatusCode.BadRequest, (await petra.PutAsync($"/api/drills/{Guid.CreateVersion7()}/nose", null)).StatusCode);
    }
}
