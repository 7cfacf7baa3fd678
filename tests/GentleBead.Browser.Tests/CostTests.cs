using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>What a room costs and gives, and the prices it is reckoned with.</summary>
public class CostTests
{
    [Fact]
    public async Task A_price_is_noted_and_everything_is_added_up_by_it()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var maren = new Page(server.Address).StepInAs("Maren Holloway");
        maren.Open("/machines");
        maren.Click("Costs");
        maren.SeeIn("What it costs and gives", "of arc", "Grey digital", "for each right bead");
        maren.Click("Take out: Contact tip");
        maren.Click("Note the prices");
        maren.SeeIn("What it costs and gives", "Without a price, so not added up: Contact tip");
        maren.Choose("A price for", "Contact tip");
        maren.Type("Contact tip", "2");
        maren.Click("Note the prices");
        maren.SeeNot("Without a price");
        // Another term, in which nothing was welded.
        maren.Choose("Until", Month(-10));
        maren.SeeIn("What it costs and gives", "before the first");
        maren.Choose("From", Month(-11));
        maren.SeeIn("What it costs and gives", "No bead was laid in these months");

        string Month(int back) =>
            maren.Run<string>(
                $$"""
                const now = new Date();
                const month = new Date(now.getFullYear(), now.getMonth() + {{back}}, 1);
                return month.toLocaleDateString(undefined, { month: 'long', year: 'numeric' });
                """
            );
    }

    [Fact]
    public async Task A_new_tip_is_noted_at_its_machine_and_counts()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var maren = new Page(server.Address).StepInAs("Maren Holloway");
        maren.Open("/machines/costs");
        maren.SeeIn("What it costs and gives", "Grey digital");
        var before = Parts();
        maren.Open("/machines");
        maren.Click("Grey digital");
        maren.See("New one");
        maren.Run<object?>("document.querySelector(\"[aria-label='New one: Contact tip']\").click()");
        maren.Click("Done: Contact tip");
        maren.SeeCount("[aria-label='New one: Contact tip']:not(:checked)", 1);
        maren.Open("/machines/costs");
        Page.Until(() => Parts() == before + 1, "one part more");

        int Parts() =>
            int.Parse(
                maren.Run<string>(
                    """
                    const rows = [...document.querySelectorAll('tbody tr')];
                    return rows.find((row) => row.textContent.startsWith('Grey digital'))?.children[7].textContent ?? '-1';
                    """
                ),
                System.Globalization.CultureInfo.InvariantCulture
            );
    }
}
