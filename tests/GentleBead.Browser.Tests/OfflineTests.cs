using Dapper;
using GentleBead.Core.Listening;
using GentleBead.Testing;
using Npgsql;
using SkiaSharp;

namespace GentleBead.Browser.Tests;

/// <summary>A booth that goes on without the network, and without the server: nothing that is noted is lost, nothing comes twice.</summary>
public sealed class OfflineTests : IDisposable
{
    private const int Beads = 40;
    private static readonly string[] Verdicts = ["Hot", "Cold", "Unsteady", "Right"];

    private const string BurnsLongEnough = "return parseFloat(document.querySelector('[aria-label=\"Arc time\"]').textContent) > 1.1";

    private readonly string folder = Directory.CreateTempSubdirectory("gentlebead-offline-").FullName;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public async Task Forty_beads_noted_without_a_server_across_a_reload_and_a_closed_browser_come_once_and_in_order()
    {
        var database = await Cluster.NewDemoDatabaseAsync();
        var server = await RunningServer.StartAsync(demo: true, database);
        var (sound, picture, profile) = (Sound(), Picture(), Path.Combine(folder, "profile"));
        Page Tablet() => new(server.Address, 820, 1180, sound, profile: profile);
        using var room = new Page(server.Address).StepInAs("Maren Holloway");
        await using var connection = new NpgsqlConnection(database.Owner);
        var before = await LaidAsync(connection);

        var tablet = Tablet();
        BoothTablet.Stand(room, tablet, "Ilsa Brandt");
        tablet.Click("Bead");
        tablet.See("Your verdict and your change first");
        tablet.Click("Record the sound");
        // Its code is kept by the browser, and what it shows by itself.
        Assert.Equal(
            "active",
            tablet.RunAsync<string>(
                "const done = arguments[arguments.length - 1]; "
                    + "navigator.serviceWorker.ready.then((worker) => done(worker.active ? 'active' : 'none'))"
            )
        );
        Page.Until(
            () =>
                BoothScreen.Kept(tablet) is var kept
                && kept.Contains("[\"booth\"]")
                && kept.Contains("[\"room\",\"mine\"]")
                && kept.Any(key => key.StartsWith("[\"own-keys\"", StringComparison.Ordinal)),
            "what the screen shows, kept"
        );

        tablet.CutNetwork(true);
        for (var bead = 0; bead < 20; bead++)
            Note(tablet, bead, picture);
        tablet.See("20 beads, 5 pictures and 5 recordings wait here to be sent");
        tablet.Open("/bead");
        tablet.See("The line to the server is down", "20 beads", "Your verdict and your change first");
        for (var bead = 20; bead < 30; bead++)
            Note(tablet, bead, picture);

        // The server dies, the tablet's battery too; both come back one after the other.
        await server.KillAsync();
        tablet.CutNetwork(false);
        tablet.Dispose();
        tablet = Tablet();
        tablet.See("Ilsa Brandt", "30 beads");
        tablet.Click("Sheet");
        tablet.See("It should sound");
        tablet.Click("Beads");
        tablet.See("Your beads");
        tablet.Click("Bead");
        for (var bead = 30; bead < Beads; bead++)
            Note(tablet, bead, picture);
        tablet.See("40 beads, 10 pictures and 10 recordings wait here to be sent");
        await server.DisposeAsync();
        Assert.Equal(before, await LaidAsync(connection));

        server = await RunningServer.StartAtAsync(server.Address.Port, demo: true, database);
        List<Laid> laid = [];
        await Waiting.UntilAsync(
            async () => (laid = [.. (await LaidAsync(connection)).Skip(before.Count)]).Sum(one => 1 + one.Pictures + one.Recordings) >= 60,
            TimeSpan.FromMinutes(3)
        );
        Assert.Empty(await connection.QueryAsync<string>("select why::text from unplaced_bead"));
        tablet.SeeNot("here to be sent");
        Assert.Equal(Beads, laid.Count);
        Assert.Equal(Enumerable.Range(before.Count + 1, Beads), laid.Select(bead => bead.Number));
        Assert.Equal(Enumerable.Range(0, Beads).Select(bead => Verdicts[bead % 4].ToLowerInvariant()), laid.Select(bead => bead.Verdict));
        Assert.True(laid.Zip(laid.Skip(1)).All(two => two.First.At < two.Second.At), "Noted one after another.");
        Assert.Equal(Enumerable.Range(0, Beads).Where(WithPicture), Numbers(laid, bead => bead.Pictures));
        Assert.Equal(Enumerable.Range(0, Beads).Where(WithSound), Numbers(laid, bead => bead.Recordings));

        // The floor has them, and the booth what the tool says of the last.
        room.Open("/");
        room.See($"bead {before.Count + Beads}");
        tablet.Click("Beads");
        Page.Until(() => tablet.Has("[aria-label='Reasons']"), "what the tool says of the last");
        tablet.Dispose();
        await server.DisposeAsync();
        await Cluster.DropAsync(database);
    }

    private static bool WithPicture(int bead) => bead % 4 == 1;

    private static bool WithSound(int bead) => bead % 4 == 3;

    private static void Note(Page tablet, int bead, string picture)
    {
        if (WithSound(bead))
        {
            Page.Until(() => tablet.Has("[aria-label=Level]"), "the microphone");
            tablet.Click("Arc on: START");
            Page.Until(() => tablet.Run<bool>(BurnsLongEnough), "an arc of more than a second");
            tablet.Click("STOP");
            Page.Until(() => tablet.Has("[aria-label='Take the sound away']"), "the sound that was recorded");
        }
        tablet.Click("Looks right all round");
        if (WithPicture(bead))
        {
            tablet.Upload("input.of-face", picture);
            Page.Until(() => tablet.Has("[aria-label='Take the face away']"), "the picture that was taken");
        }
        tablet.Click(Verdicts[bead % 4], within: "Your verdict");
        tablet.Click("Travel faster");
        tablet.Click("Save the bead");
        tablet.See("waits to be sent");
        tablet.Click("Next bead");
    }

    private static IEnumerable<int> Numbers(List<Laid> laid, Func<Laid, int> count) =>
        laid.SelectMany((bead, at) => Enumerable.Repeat(at, count(bead)));

    private sealed record Laid(int Number, string Verdict, DateTime At, int Pictures, int Recordings);

    private static async Task<List<Laid>> LaidAsync(NpgsqlConnection connection) =>
        (
            await connection.QueryAsync<Laid>(
                """
                select bead.number as "Number", coalesce(own_word.verdict, '') as "Verdict", bead.recorded_at as "At",
                    (select count(*)::int from picture where bead_id = bead.id) as "Pictures",
                    (select count(*)::int from recording where bead_id = bead.id) as "Recordings"
                from bead left join own_word on own_word.bead_id = bead.id
                where sheet_id = (select sheet.id from sheet join person on person.id = sheet.student_id where person.login = 'ilsa'
                    order by sheet.seq desc limit 1)
                order by bead.number
                """
            )
        ).AsList();

    private string Sound()
    {
        var file = Path.Combine(folder, "arc.wav");
        File.WriteAllBytes(file, WavFile.Write(KnownClips.Clip(Core.Beads.Sound.EvenCrackle, 2, 25, 14)));
        return file;
    }

    private string Picture()
    {
        var file = Path.Combine(folder, "face.jpg");
        using var bitmap = new SKBitmap(800, 600);
        bitmap.Erase(SKColors.SlateGray);
        using var data = bitmap.Encode(SKEncodedImageFormat.Jpeg, 80);
        File.WriteAllBytes(file, data.ToArray());
        return file;
    }
}
