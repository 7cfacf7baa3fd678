using GentleBead.Browser.Tests;
using GentleBead.Testing;
using Npgsql;

namespace GentleBead.Bench;

/// <summary>A booth's tablet whose line is cut in the middle of sending, again and again: what is lost, what comes twice.</summary>
internal static class Offline
{
    private const int Cuts = 200;
    private const int Rounds = 10;
    private const int BeadsOfRound = 6;
    private static readonly string[] Verdicts = ["Hot", "Cold", "Unsteady", "Right", "Technique"];

    public static async Task<int> MeasureAsync(int seed)
    {
        var figures = new Figures("offline");
        var database = await Cluster.NewDemoDatabaseAsync();
        var picture = Path.Combine(Cluster.Root, "docs/screenshots/bench.png");
        await using var server = await RunningServer.StartAsync(demo: true, database);
        await using var wire = new CutWire(server.Address.Port, seed);
        var (noted, pictures) = (new List<string>(), 0);
        using (var room = new Page(server.Address).StepInAs("Maren Holloway"))
        using (var tablet = new Page(wire.Address, 820, 1180))
        {
            BoothTablet.Stand(room, tablet, "Ilsa Brandt");
            tablet.Click("Bead");
            tablet.See("Your verdict and your change first");
            for (var round = 1; round <= Rounds; round++)
            {
                wire.Now = CutWire.State.Down;
                for (var bead = 0; bead < BeadsOfRound; bead++)
                {
                    var verdict = Verdicts[(round * 7 + bead * 3) % Verdicts.Length];
                    tablet.Click("Looks right all round");
                    if (bead == 2)
                    {
                        tablet.Upload("input.of-face", picture);
                        Page.Until(() => tablet.Has("[aria-label='Take the face away']"), "the picture");
                        pictures++;
                    }
                    tablet.Click(verdict, within: "Your verdict");
                    tablet.Click("Travel faster");
                    tablet.Click("Save the bead");
                    tablet.See("waits to be sent");
                    tablet.Click("Next bead");
                    noted.Add(verdict.ToLowerInvariant());
                }
                wire.Now = CutWire.State.Cutting;
                while (wire.Cuts < Cuts * round / Rounds && tablet.Text.Contains("here to be sent", StringComparison.Ordinal))
                    Nudge(tablet);
                Console.WriteLine($"round {round}: {noted.Count} beads noted, {wire.Cuts} cuts");
            }
            wire.Now = CutWire.State.Whole;
            Page.Until(
                () =>
                {
                    Nudge(tablet);
                    return !tablet.Text.Contains("here to be sent", StringComparison.Ordinal);
                },
                "everything sent",
                TimeSpan.FromMinutes(2)
            );
        }
        var (came, files, places) = await CameAsync(database);
        await Cluster.DropAsync(database);
        var lost = noted.Count - Math.Min(noted.Count, came.Count);
        var twice = Math.Max(0, came.Count - noted.Count);
        figures.AtMost("beads lost", lost, 0);
        figures.AtMost("beads twice", twice, 0);
        figures.AtMost("beads out of order", came.Zip(noted).Count(two => two.First != two.Second), 0);
        figures.AtMost("pictures lost or twice", Math.Abs(pictures - files), 0);
        figures.AtMost("beads that were to be placed", places, 0);
        figures.AtMost("cuts short of what was wanted", Math.Max(0, Cuts - wire.Cuts), 0);
        return figures.Close(
            $"{wire.Cuts} cuts in the middle of sending {noted.Count} beads and {pictures} pictures: {lost} lost, {twice} twice, in order"
        );
    }

    // As often as a line comes back; by itself the screen tries every few seconds.
    private static void Nudge(Page tablet)
    {
        tablet.Run<object?>("window.dispatchEvent(new Event('online'))");
        Thread.Sleep(60);
    }

    private static async Task<(List<string> Beads, int Pictures, int Unplaced)> CameAsync(TestDatabase database)
    {
        await using var connection = new NpgsqlConnection(database.Owner);
        await connection.OpenAsync();
        var came = new List<string>();
        await using (
            var ask = new NpgsqlCommand(
                "select own_word.verdict from own_word join bead on bead.id = bead_id order by bead.seq",
                connection
            )
        )
        await using (var rows = await ask.ExecuteReaderAsync())
        {
            while (await rows.ReadAsync())
                came.Add(rows.GetString(0));
        }
        return (came, await CountAsync("picture join own_word using (bead_id)"), await CountAsync("unplaced_bead"));

        async Task<int> CountAsync(string of)
        {
            await using var ask = new NpgsqlCommand($"select count(*)::int from {of}", connection);
            return (int)(await ask.ExecuteScalarAsync())!;
        }
    }
}
