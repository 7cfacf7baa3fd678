using System.Net;
using System.Net.Http.Headers;
using System.Text;
using GentleBead.Core.Beads;
using GentleBead.Core.Judging;
using GentleBead.Core.Listening;
using GentleBead.Server.BeadFiles;
using GentleBead.Server.Beads;
using GentleBead.Server.Listening;

namespace GentleBead.Server.Tests;

/// <summary>Recordings of beads: taken, refused, streamed, weighed with the ear; the booth's stand-ins.</summary>
public class ListeningTests(DemoRoom room) : IClassFixture<DemoRoom>
{
    private static async Task<Bead> BeadAsync(HttpClient maren, object? evidence = null)
    {
        var sheet = await maren.AssignAsync(2);
        return await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireMark = 46,
                    voltMark = 6,
                    evidence = evidence ?? new { profile = "slightlyConvex" },
                }
            )
        ).ReadAsync<Bead>();
    }

    private static Task<HttpResponseMessage> SendAsync(
        HttpClient maren,
        Guid beadId,
        byte[] file,
        Guid? id = null,
        string query = "?name=arc.wav"
    )
    {
        var content = new ByteArrayContent(file);
        content.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        return maren.PutAsync($"/api/beads/{beadId}/recordings/{id ?? Guid.CreateVersion7()}{query}", content);
    }

    private static byte[] Crackle(double seconds = 3) => WavFile.Write(KnownClips.Clip(Sound.EvenCrackle, seconds, 20, 91_000_001));

    private static string Csv(string head, int lines, Func<int, string> line) =>
        $"{head}\n{string.Join('\n', Enumerable.Range(0, lines).Select(line))}\n";

    [Fact]
    public async Task A_wav_file_is_kept_clean_named_and_weighed_and_a_second_try_adds_nothing()
    {
        var maren = await room.SignInAsync("maren");
        var bead = await BeadAsync(maren);
        Assert.Equal(Standing.NotKnown, bead.Judgement.Aspects.Single(row => row.Aspect == Aspect.Sound).Standing);
        var id = Guid.CreateVersion7();
        var recording = await (await SendAsync(maren, bead.Id, Crackle(), id)).ReadAsync<Recording>();
        Assert.Equal(
            (Sound.EvenCrackle, "arc.wav", RecordingOrigin.File),
            (recording.Finding.Heard.Sound!.Value, recording.Name, recording.Origin)
        );
        Assert.Equal(id, (await (await SendAsync(maren, bead.Id, Crackle(), id)).ReadAsync<Recording>()).Id);
        var file = await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file");
        Assert.Single(file.Recordings);
        var sound = file.Bead.Judgement.Aspects.Single(row => row.Aspect == Aspect.Sound);
        Assert.Equal(Standing.Right, sound.Standing);
        Assert.Contains("By the recording", $"{sound.Text}", StringComparison.Ordinal);
        // Taken off, the bead is judged without it.
        (
            await maren.PutAsync(
                $"/api/recordings/{id}/withdrawn",
                new StringContent("{\"withdrawn\":true}", Encoding.UTF8, "application/json")
            )
        ).EnsureSuccessStatusCode();
        file = await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file");
        Assert.Empty(file.Recordings);
        Assert.Null(file.Bead.Evidence.Listened);
    }

    [Fact]
    public async Task The_ear_leads_and_a_recording_bears_it_out_or_shakes_it()
    {
        var maren = await room.SignInAsync("maren");
        var shaken = await BeadAsync(maren, new { sound = "popping" });
        await (await SendAsync(maren, shaken.Id, Crackle())).ReadAsync<Recording>();
        var after = (await maren.GetAsync<BeadFile>($"/api/beads/{shaken.Id}/file")).Bead;
        Assert.Equal(Sound.Popping, after.Evidence.Sound);
        Assert.Contains(
            "The recording says otherwise",
            $"{after.Judgement.Aspects.Single(row => row.Aspect == Aspect.Sound).Text}",
            StringComparison.Ordinal
        );
        var cause = shaken.Judgement.Causes[0];
        Assert.True((after.Judgement.Causes.FirstOrDefault(one => one.Cause == cause.Cause)?.Share ?? 0) < cause.Share);
        // Nobody writes a recording's word by hand.
        var forged = await BeadAsync(maren, new { profile = "flat", listened = new { sound = "evenCrackle", confidence = 1 } });
        Assert.Null(forged.Evidence.Listened);
    }

    [Fact]
    public async Task A_log_of_volts_and_amps_is_measured_with_its_headings_units_and_decimal_commas()
    {
        var maren = await room.SignInAsync("maren");
        var bead = await BeadAsync(maren);
        // A square wave: 50 shorts a second of 4 ms at 4 V and 200 A, the arc at 20 V and 100 A. By hand: 0.2 * 800 + 0.8 * 2000 = 1760 W.
        var csv = Csv(
            "t (ms);U [V];I [kA]",
            10_000,
            i => FormattableString.Invariant($"{i * 0.2:0.0};{(i % 100 < 20 ? 4 : 20)};{(i % 100 < 20 ? 0.2 : 0.1)}").Replace('.', ',')
        );
        var recording = await (await SendAsync(maren, bead.Id, Encoding.UTF8.GetBytes(csv), query: "?name=log.csv")).ReadAsync<Recording>();
        var figures = recording.Finding.Figures!;
        Assert.Equal(50, figures.ShortRate, 0.5);
        Assert.Equal(0.8, figures.ArcShare, 0.01);
        Assert.Equal(1760, figures.MeanWatts, 5);
        Assert.Equal(200, figures.PeakAmps.Amps, 0.1);
        Assert.Equal(16.8, figures.MeanVolts.Volts, 0.05);
        Assert.NotNull(figures.Heat);
        // What is kept can be read again anywhere.
        var kept = await maren.GetStringAsync($"/api/recordings/{recording.Id}/file");
        Assert.StartsWith("time (s),volts (V),amps (A)\n0.000000,4,200\n", kept, StringComparison.Ordinal);
        Assert.Equal(5000, LogFile.Read(Encoding.UTF8.GetBytes(kept)).Rate, 1.0);
    }

    public static TheoryData<string, string> Refused =>
        new()
        {
            { "", "empty" },
            { "hello there\nthis is a letter\n", "No column of volts" },
            { Csv("time,volts,amps", 50, i => $"{i},20,100"), "Only 50 lines" },
            { Csv("volts,amps", 500, _ => "20,100"), "No column of time" },
            { Csv("time,volts,amps", 500, i => $"{i},20,100"), "values a second" },
            { Csv("time (ms),volts,amps", 500, i => $"{(i == 300 ? 1 : i)},20,100"), "Line 302: the time does not go on" },
            {
                Csv("time (ms),volts,amps", 500, i => i == 7 ? "7,twenty,100" : $"{i},20,100"),
                "Line 9: the volts \"twenty\" are no number"
            },
            { Csv("time (ms),volts,amps", 500, i => i == 7 ? "7,1e300,100" : $"{i},20,100"), "no number" },
            { Csv("time (ms),volts,amps", 500, i => $"{(i > 250 ? i + 400 : i)},20,100"), "gaps" },
        };

    [Theory]
    [MemberData(nameof(Refused))]
    public async Task A_log_that_is_none_is_refused_with_line_and_reason(string csv, string because)
    {
        var maren = await room.SignInAsync("maren");
        var bead = await BeadAsync(maren);
        Assert.Contains(
            because,
            (await (await SendAsync(maren, bead.Id, Encoding.UTF8.GetBytes(csv))).ProblemsAsync())["recording"],
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Lying_huge_and_foreign_files_are_refused_and_nothing_is_kept()
    {
        var maren = await room.SignInAsync("maren");
        var bead = await BeadAsync(maren);
        var lying = WavFile.Write(new Waveform(8000, new float[4000]));
        lying[24] = lying[25] = lying[26] = lying[27] = 0xFF;
        Assert.Contains(
            "samples a second",
            (await (await SendAsync(maren, bead.Id, lying)).ProblemsAsync())["recording"],
            StringComparison.Ordinal
        );
        Assert.Contains(
            "5",
            (await (await SendAsync(maren, bead.Id, WavFile.Write(new Waveform(8000, new float[8000 * 310])))).ProblemsAsync())[
                "recording"
            ],
            StringComparison.Ordinal
        );
        Assert.Contains(
            "no sound file",
            (await (await SendAsync(maren, bead.Id, [0x89, 0x50, 0x4E, 0x47, 0, 0, 0, 1])).ProblemsAsync())["recording"],
            StringComparison.Ordinal
        );
        Assert.True((await (await SendAsync(maren, bead.Id, Crackle(), query: "?origin=standIn")).ProblemsAsync()).ContainsKey("origin"));
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync(maren, Guid.NewGuid(), Crackle())).StatusCode);
        Assert.Empty((await maren.GetAsync<BeadFile>($"/api/beads/{bead.Id}/file")).Recordings);
    }

    [Fact]
    public async Task Whatever_a_log_holds_it_is_read_or_refused()
    {
        await Task.Yield();
        var random = new Random(5);
        var good = Encoding.UTF8.GetBytes(Csv("time (ms),volts,amps", 300, i => $"{i},{18 + i % 5},{90 + i % 30}"));
        for (var round = 0; round < 3000; round++)
        {
            var file = (byte[])good.Clone();
            for (var hit = random.Next(1, 8); hit > 0; hit--)
                file[random.Next(file.Length)] = (byte)random.Next(256);
            try
            {
                _ = Finding.Of(LogFile.Read(file), null);
            }
            catch (RecordingRefusedException refused)
            {
                Assert.NotEmpty(refused.Message);
            }
        }
    }

    [Fact]
    public async Task A_recording_is_streamed_from_any_place_in_it_and_only_to_whom_it_concerns()
    {
        var maren = await room.SignInAsync("maren");
        var bead = await BeadAsync(maren);
        var wav = Crackle(6);
        var recording = await (await SendAsync(maren, bead.Id, wav)).ReadAsync<Recording>();
        Assert.True(wav.Length > 2 * RecordingStore.PartBytes);
        Assert.Equal(wav, await maren.GetByteArrayAsync($"/api/recordings/{recording.Id}/file"));
        // Across the border of two parts.
        var request = new HttpRequestMessage(HttpMethod.Get, $"/api/recordings/{recording.Id}/file")
        {
            Headers = { Range = new RangeHeaderValue(RecordingStore.PartBytes - 10, RecordingStore.PartBytes + 9) },
        };
        var part = await maren.SendAsync(request);
        Assert.Equal(HttpStatusCode.PartialContent, part.StatusCode);
        Assert.Equal(wav[(RecordingStore.PartBytes - 10)..(RecordingStore.PartBytes + 10)], await part.Content.ReadAsByteArrayAsync());
        var students = new[] { "ilsa", "teodor", "wynn", "jun", "petra" };
        var answers = new List<HttpStatusCode>();
        foreach (var login in students)
        foreach (var what in new[] { "file", "spectrogram" })
            answers.Add((await (await room.SignInAsync(login)).GetAsync($"/api/recordings/{recording.Id}/{what}")).StatusCode);
        // Whose bead it is hears and sees it, the others do not.
        Assert.Equal(2, answers.Count(status => status == HttpStatusCode.OK));
        Assert.Equal(8, answers.Count(status => status == HttpStatusCode.NotFound));
        var drawn = await maren.GetAsync($"/api/recordings/{recording.Id}/spectrogram");
        Assert.Equal("image/png", drawn.Content.Headers.ContentType!.MediaType);
        // The signature of a PNG (ISO/IEC 15948), and how high it is: 64 pitches.
        var png = await drawn.Content.ReadAsByteArrayAsync();
        Assert.Equal([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A], png[..8]);
        Assert.Equal([0, 0, 0, 64], png[20..24]);
    }

    [Fact]
    public async Task The_booths_stand_ins_record_what_the_bead_was_welded_with_when_they_are_switched_on()
    {
        var maren = await room.SignInAsync("maren");
        var sheet = await maren.AssignAsync(2);
        var bead = await (
            await maren.RecordAsync(
                Guid.CreateVersion7(),
                new
                {
                    sheetId = sheet.Id,
                    wireFeedMPerMin = 6.35,
                    volts = 15.5,
                    evidence = new { profile = "tallNarrow" },
                }
            )
        ).ReadAsync<Bead>();
        var log = await (
            await maren.PutAsync($"/api/beads/{bead.Id}/recordings/{Guid.CreateVersion7()}/stand-in/logger", null)
        ).ReadAsync<Recording>();
        Assert.Equal(RecordingOrigin.StandIn, log.Origin);
        Assert.Equal(Sound.Popping, log.Finding.Heard.Sound);
        var sound = await (
            await maren.PutAsync($"/api/beads/{bead.Id}/recordings/{Guid.CreateVersion7()}/stand-in/microphone", null)
        ).ReadAsync<Recording>();
        Assert.Equal(Sound.Popping, sound.Finding.Heard.Sound);
        Assert.True(
            (
                await (
                    await maren.PutAsync($"/api/beads/{bead.Id}/recordings/{Guid.CreateVersion7()}/stand-in/camera", null)
                ).ProblemsAsync()
            ).ContainsKey("device")
        );
        var switches = new StringContent("{\"microphone\":true,\"logger\":false}", Encoding.UTF8, "application/json");
        (await maren.PutAsync($"/api/booths/{sheet.BoothId}/stand-ins", switches)).EnsureSuccessStatusCode();
        Assert.Contains(
            "none in this booth",
            (
                await (
                    await maren.PutAsync($"/api/beads/{bead.Id}/recordings/{Guid.CreateVersion7()}/stand-in/logger", null)
                ).ProblemsAsync()
            )["device"],
            StringComparison.Ordinal
        );
        (
            await maren.PutAsync(
                $"/api/booths/{sheet.BoothId}/stand-ins",
                new StringContent("{\"microphone\":true,\"logger\":true}", Encoding.UTF8, "application/json")
            )
        ).EnsureSuccessStatusCode();
    }
}
