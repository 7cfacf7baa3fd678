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
        foreach (var page in new[] { own, other })
        {
            // The line to the server is up, and nothing is still being asked for.
            Page.Until(
                () =>
                    page.Run<bool>(
                        "return performance.getEntriesByName(new URL('/live/negotiate?negotiateVersion=1', location).href).length > 0"
                    ),
                "the line"
            );
            page.Still();
        }
        own.Click("Hiss");
        foreach (var page in new[] { own, other })
            page.Run<object?>("performance.clearResourceTimings()");
        var before = other.Part("Booth 2");
        own.Click("Judge the bead");
        Page.Until(() => own.Run<bool>("return document.activeElement.closest('[aria-label=Verdict]') !== null"), "the verdict");
        Page.Until(() => other.Part("Booth 2") != before, "the bead on the other screen");
        // Whatever else would be asked for is asked for by then.
        await Task.Delay(TimeSpan.FromSeconds(2), TestContext.Current.CancellationToken);
        var spent = own.Run<ReadOnlyCollection<object>>(Calls);
        Assert.StartsWith("/api/beads/", Assert.Single(spent).ToString(), StringComparison.Ordinal);
        Assert.EndsWith("/view", Assert.Single(other.Run<ReadOnlyCollection<object>>(Calls)).ToString(), StringComparison.Ordinal);
    }
}
