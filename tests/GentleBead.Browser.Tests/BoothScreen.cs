using System.Collections.ObjectModel;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>What every screen of a booth's tablet has to hold.</summary>
internal static class BoothScreen
{
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
