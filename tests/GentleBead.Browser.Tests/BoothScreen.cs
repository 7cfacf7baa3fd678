using System.Collections.ObjectModel;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>What every screen of a booth's tablet has to hold.</summary>
internal static class BoothScreen
{
    // Only the page itself makes the store.
    private const string KeptKeys = """
        const done = arguments[arguments.length - 1];
        const look = () => {
          const asked = indexedDB.open('gentle-bead');
          asked.onsuccess = () => {
            const kept = asked.result.transaction('kept').objectStore('kept').get('screen');
            kept.onsuccess = () => {
              asked.result.close();
              done(kept.result?.state.queries.map(({ queryKey }) => JSON.stringify(queryKey)) ?? []);
            };
          };
        };
        indexedDB.databases().then((all) => (all.some(({ name }) => name === 'gentle-bead') ? look() : done([])));
        """;

    /// <summary>What the browser keeps of what the screen shows, by the keys it is asked for with.</summary>
    public static IReadOnlyList<string> Kept(Page tablet) =>
        [.. tablet.RunAsync<ReadOnlyCollection<object>>(KeptKeys).Select(key => $"{key}")];

    /// <summary>Checks it as every screen is, at every size, and leaves it at the tablet's.</summary>
    public static void Check(Page tablet, string name)
    {
        ScreenTests.Check(tablet, name);
        tablet.Resize(820, 1180);
        Assert.Empty(Small(tablet));
    }

    // Keys that a gloved finger would miss.
    private static ReadOnlyCollection<object> Small(Page tablet) =>
        tablet.Run<ReadOnlyCollection<object>>(
            "return [...document.querySelectorAll('button, nav a')]"
                + ".filter(e => e.offsetParent && e.getBoundingClientRect().height < 48).map(e => e.textContent)"
        );
}
