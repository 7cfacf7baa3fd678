using GentleBead.Testing;
using Npgsql;

namespace GentleBead.Browser.Tests;

/// <summary>
/// A booth's evening while servers and the database die under it: nothing that was noted is lost, and nothing comes twice.
/// </summary>
public sealed class SurvivingTests : IAsyncLifetime
{
    private const string Name = "evening.localhost";
    private static readonly string[] Verdicts = ["Hot", "Cold", "Unsteady", "Right", "Technique", "Hot", "Cold", "Right"];
    private Pair pair = null!;
    private RunningServer one = null!;
    private RunningServer other = null!;
    private Nginx nginx = null!;

    public async ValueTask InitializeAsync()
    {
        pair = await Pair.StartAsync();
        one = await StartAsync(StartedByScript.FreePort());
        other = await StartAsync(StartedByScript.FreePort());
        nginx = await Nginx.StartAsync(Name, one.Address, other.Address);
    }

    public async ValueTask DisposeAsync()
    {
        await nginx.DisposeAsync();
        await one.DisposeAsync();
        await other.DisposeAsync();
        await pair.DisposeAsync();
    }

    private Task<RunningServer> StartAsync(int port) =>
        RunningServer.StartAtAsync(port, demo: true, pair.Database, ("GENTLEBEAD_PROXY", "127.0.0.1"), ("AllowedHosts", Name));

    [Fact]
    public async Task An_evening_goes_on_while_servers_and_the_primary_die_under_it()
    {
        using var room = new Page(nginx.Address, trusting: true).StepInAs("Maren Holloway");
        using var tablet = new Page(nginx.Address, 820, 1180, trusting: true);
        BoothTablet.Stand(room, tablet, "Ilsa Brandt");
        tablet.Click("Bead");
        tablet.See("Your verdict and your change first");
        var noted = 0;
        Note(tablet, ref noted);

        await pair.FollowsAsync();
        var (primary, standby, _) = await pair.StateAsync();
        await pair.KillAsync(primary);
        Note(tablet, ref noted);
        Note(tablet, ref noted);
        await pair.LeadsAsync(standby);
        await pair.RunAsync(primary);

        await one.KillAsync();
        Note(tablet, ref noted);
        one = await StartAsync(one.Address.Port);
        await other.KillAsync();
        Note(tablet, ref noted);
        other = await StartAsync(other.Address.Port);

        // Cut off and not dead: it answers nobody, and does not know that another has its place.
        await pair.FollowsAsync();
        await pair.FreezeAsync(standby);
        Note(tablet, ref noted);
        await pair.LeadsAsync(primary);
        await pair.ThawAsync(standby);
        Note(tablet, ref noted);

        tablet.SeeNot("here to be sent", TimeSpan.FromMinutes(2));
        Assert.Equal(Verdicts.Take(noted).Select(verdict => verdict.ToLowerInvariant()), await CameAsync());
        room.SeeNot("No line to the server", TimeSpan.FromMinutes(1));
        await pair.FollowsAsync();
    }

    private static void Note(Page tablet, ref int noted)
    {
        tablet.Click("Looks right all round");
        tablet.Click(Verdicts[noted++], within: "Your verdict");
        tablet.Click("Travel faster");
        tablet.Click("Save the bead");
        tablet.Click("Next bead");
    }

    private async Task<List<string>> CameAsync()
    {
        await using var connection = new NpgsqlConnection($"{pair.Database.Owner};Pooling=false");
        await connection.OpenAsync();
        await using var ask = new NpgsqlCommand(
            "select own_word.verdict from own_word join bead on bead.id = bead_id order by bead.seq",
            connection
        );
        await using var rows = await ask.ExecuteReaderAsync();
        var came = new List<string>();
        while (await rows.ReadAsync())
            came.Add(rows.GetString(0));
        return came;
    }
}
