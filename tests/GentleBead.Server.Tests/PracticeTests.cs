using System.Net;
using System.Net.Http.Json;
using GentleBead.Core.Listening;
using GentleBead.Core.Practice;
using GentleBead.Server.Arc;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using GentleBead.Server.Http;
using GentleBead.Server.People;
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
        Assert.NotEmpty((await jun.GetAsync<DrillSight>($"/api/drills/{id}/sight")).Trace!.Volts);
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
        Assert.Equal(1, (await jun.GetAsync<DrillProgress>("/api/practice/mine")).Kinds.Sum(kind => kind.Answered));
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
        var first = await maren.GetAsync<Page<NamedProgress>>("/api/practice/students");
        var second = await maren.GetAsync<Page<NamedProgress>>($"/api/practice/students?after={Uri.EscapeDataString(first.More!)}");
        Assert.Contains(
            first.Items.Concat(second.Items),
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

    private static async Task<(Guid Sound, Guid Log, Guid Bead)> RecordedAsync(HttpClient maren)
    {
        var students = (await maren.GetAsync<Page<PersonName>>("/api/people/students")).Items;
        var rack = await maren.GetAsync<Rack>($"/api/sheets/rack/{students.Single(one => one.Name == "Ilsa Brandt").Id}");
        foreach (var bead in rack.Coupons.SelectMany(coupon => coupon.Beads))
        {
            var recordings = (await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Recordings;
            if (recordings.Select(one => one.Finding.Kind).Distinct().Count() == 2)
                return (IdOf(RecordingKind.Sound), IdOf(RecordingKind.Log), bead.Id);

            Guid IdOf(RecordingKind kind) => recordings.First(one => one.Finding.Kind == kind).Id;
        }
        throw new InvalidOperationException("The demo has no bead with a sound and a log.");
    }

    private static Task<HttpResponseMessage> NameAsync(HttpClient maren, Guid recording, string? sound, string? deviation) =>
        maren.PutAsJsonAsync($"/api/recordings/{recording}/names/{Guid.CreateVersion7()}", new { sound, deviation });

    // An id by which somebody who never drilled is asked for a deviation, and for the room's own where there is any.
    private static Guid IdFor(Deviation deviation)
    {
        while (true)
        {
            var id = Guid.CreateVersion7();
            var seed = BitConverter.ToInt32(id.ToByteArray(), 12) & int.MaxValue;
            if (seed % 2 == 0 && Schedule.Next([], DrillKind.Ear, DateTimeOffset.UtcNow, seed) == deviation)
                return id;
        }
    }

    [Fact]
    public async Task A_recording_that_an_instructor_named_is_put_to_students_by_ear_until_it_is_taken_out()
    {
        var maren = await room.SignInAsync("maren");
        var (sound, _, bead) = await RecordedAsync(maren);
        Assert.Equal(HttpStatusCode.NoContent, (await NameAsync(maren, sound, "hiss", "voltsOver")).StatusCode);
        var clip = Assert.Single(await maren.GetAsync<IReadOnlyList<RoomClip>>($"/api/beads/{bead}/named-recordings"));
        Assert.Equal((sound, Deviation.VoltsOver), (clip.RecordingId, clip.Deviation));

        var teodor = await room.SignInAsync("teodor");
        var id = IdFor(Deviation.VoltsOver);
        var given = await GiveAsync(teodor, DrillKind.Ear, id);
        Assert.EndsWith("recorded in this room", $"{given.Job}", StringComparison.Ordinal);
        var whole = WavFile.Read(await maren.GetByteArrayAsync($"/api/recordings/{sound}/file"));
        var played = WavFile.Read(await teodor.GetByteArrayAsync($"/api/drills/{id}/sound"));
        Assert.Equal(clip.Seconds, played.Seconds, 0.001);
        Assert.Equal(whole.Samples[(int)(clip.From * whole.Rate) + 1000], played.Samples[1000]);
        var sight = await teodor.GetAsync<DrillSight>($"/api/drills/{id}/sight");
        Assert.True(sight.Trace is null && sight.Bead is null && sight.Outline.High.Any(high => high > 0.01));

        // Who takes drills by sight is given none that can only be heard.
        var bySight = IdFor(Deviation.VoltsOver);
        var seen = await (await teodor.PutAsync($"/api/drills/{bySight}/ear?bySight=true", null)).ReadAsync<DrillGiven>();
        Assert.DoesNotContain("this room", $"{seen.Job}", StringComparison.Ordinal);

        var outcome = await (
            await teodor.PutAsJsonAsync($"/api/drills/{id}/answer", new { heard = "hiss", answer = "voltsOver" })
        ).ReadAsync<DrillOutcome>();
        Assert.True(outcome.Right);
        Assert.StartsWith("An instructor named it: volts too high.", $"{outcome.Why}", StringComparison.Ordinal);
        Assert.Equal("At the booth: a voltage staircase up to where it goes ragged.", $"{outcome.AtTheBooth}");

        Assert.Equal(HttpStatusCode.NoContent, (await NameAsync(maren, sound, null, null)).StatusCode);
        Assert.Empty(await maren.GetAsync<IReadOnlyList<RoomClip>>($"/api/beads/{bead}/named-recordings"));
        var odell = await room.SignInAsync("odell");
        Assert.DoesNotContain(
            "this room",
            $"{(await GiveAsync(odell, DrillKind.Ear, IdFor(Deviation.VoltsOver))).Job}",
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task What_cannot_be_a_drill_is_refused_where_it_is_named()
    {
        var maren = await room.SignInAsync("maren");
        var (sound, log, _) = await RecordedAsync(maren);
        Assert.Equal(["deviation"], (await (await NameAsync(maren, sound, "hiss", null)).ProblemsAsync()).Keys);
        Assert.Equal(["sound"], (await (await NameAsync(maren, sound, null, "voltsOver")).ProblemsAsync()).Keys);
        Assert.Equal(["recording"], (await (await NameAsync(maren, log, "hiss", "voltsOver")).ProblemsAsync()).Keys);
        Assert.Equal(HttpStatusCode.NotFound, (await NameAsync(maren, Guid.NewGuid(), "hiss", "voltsOver")).StatusCode);
        // One id, one name: another under it is told.
        var id = Guid.CreateVersion7();
        var path = $"/api/recordings/{sound}/names/{id}";
        foreach (var _ in new[] { 1, 2 })
            (await maren.PutAsJsonAsync(path, new { sound = "hiss", deviation = "voltsOver" })).EnsureSuccessStatusCode();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await maren.PutAsJsonAsync(path, new { sound = "popping", deviation = "voltsUnder" })).StatusCode
        );
        (await NameAsync(maren, sound, null, null)).EnsureSuccessStatusCode();
    }
}
