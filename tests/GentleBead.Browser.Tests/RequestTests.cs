using System.Collections.ObjectModel;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>What a bead costs the screens it is shown on, counted in calls to the server.</summary>
public class RequestTests
{
    private const string Calls = """
        return performance.getEntriesByType('resource').map((one) => new URL(one.name).pathname).filter((path) => path.startsWith('/api/'))
        """;

    [Fact]
    public async Task A_bead_costs_its_own_screen_one_call_and_another_screen_one()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var own = new Page(server.Address).StepInAs("Maren Holloway");
        using var other = new Page(server.Address).StepInAs("Sunniva Reyes");
        own.Click("Bench", within: "Booth 2");
        own.See("Judge the bead");
        Page.Until(() => own.Has("[aria-label=Recordings]"), "everything of the bead before");
        other.See("Teodor Pike");
        // One bead, so that the line to the server is known to be up on both screens before anything is counted.
        Lay(1);
        foreach (var page in new[] { own, other })
            page.Run<object?>("performance.clearResourceTimings()");
        // Whatever a bead costs more is asked for before the next one is there.
        for (var bead = 2; bead <= 4; bead++)
            Lay(bead);
        Assert.All(Spent(own), path => Assert.Matches("^/api/beads/[0-9a-f-]{36}$", path));
        Assert.All(Spent(other), path => Assert.EndsWith("/view", path, StringComparison.Ordinal));

        void Lay(int bead)
        {
            var before = other.Part("Booth 2");
            own.Click("Hiss");
            own.Click("Judge the bead");
            own.See($"Bead {bead + 2}.");
            Page.Until(() => other.Part("Booth 2") != before, "the bead on the other screen");
        }

        static string[] Spent(Page page)
        {
            string[] spent = [.. page.Run<ReadOnlyCollection<object>>(Calls).Cast<string>()];
            Assert.True(spent.Length == 3, string.Join("\n", spent));
            return spent;
        }
    }
}
