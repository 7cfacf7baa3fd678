using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>An evening planned, pinned, broken, mended and taken back on the board; what it takes; and what a student sees of it.</summary>
public class PlanTests(DemoServer demo)
{
    // Where a name stands on the board, read off the board itself.
    private static string[] PlacesOf(Page page, string name) =>
        [
            .. page.Texts("[data-place]")
                .Select((text, i) => (text, i))
                .Where(cell => cell.text.Contains(name, StringComparison.Ordinal))
                .Select(cell => page.Run<string>($"return document.querySelectorAll('[data-place]')[{cell.i}].dataset.place")),
        ];

    private static string At(Page page, string place) =>
        page.Run<string>($"return document.querySelector('[data-place=\"{place}\"]').innerText");

    private static string WhoAt(Page page, string place) =>
        page.Run<string>($"return document.querySelector('[data-place=\"{place}\"] b')?.innerText.trim() ?? ''");

    private static void Choose(Page page, string place)
    {
        page.Run<object?>($"const at = document.querySelector('[data-place=\"{place}\"]'); at.focus(); at.click()");
        page.See("Why not somebody else?");
    }

    [Fact]
    public void An_evening_is_planned_pinned_mended_and_taken_back_and_each_student_sees_their_own_part()
    {
        using var page = demo.Open().StepInAs("Maren Holloway");
        page.See("Ilsa Brandt");
        page.Open(Screens.PlanOf(page, "sessions.find(({ beginsAt }) => new Date(beginsAt) > new Date())"));
        page.See("Nothing is planned yet");
        page.Click("Make the plan");
        Page.Until(() => page.Text.Contains("It breaks no rule", StringComparison.Ordinal), "the plan", TimeSpan.FromSeconds(60));
        Assert.NotEmpty(PlacesOf(page, "Wynn Okafor"));

        // Two change places: by keys on the board, M at the one and Enter at the other.
        var (first, second) = (WhoAt(page, "0:0"), WhoAt(page, "1:0"));
        Choose(page, "0:0");
        page.Press("m");
        page.Run<object?>("document.querySelector('[data-place=\"1:0\"]').click()");
        Page.Until(() => WhoAt(page, "1:0") == first, $"{first} at booth 2");
        Assert.Equal(second, WhoAt(page, "0:0"));
        page.Click("Undo");
        Page.Until(() => WhoAt(page, "0:0") == first, $"{first} back at booth 1");
        page.Click("Redo");
        Page.Until(() => WhoAt(page, "1:0") == first, $"{first} at booth 2 again");

        // What is pinned and cannot be is told at its place, at once; the rest is planned around it.
        page.Click("How it is planned", startsWith: true);
        page.Choose("Who", first);
        page.Click("Is not there");
        page.See($"{first} is not there");
        Page.Until(
            () => At(page, "1:0").Contains("is not there in this slot", StringComparison.Ordinal),
            "what is broken, told at its place"
        );
        page.Click("There all session");
        page.See("It breaks no rule");

        // A slot that cannot be is told at its field; two are kept apart.
        page.Type("A slot, min", "5");
        page.Click("Set them");
        page.See("10 to 180 min");
        page.Type("A slot, min", "45");
        page.Click("Set them");
        page.SeeNot("10 to 180 min");
        page.Choose("One", first);
        page.Choose("Another", second);
        page.Click("Kept apart");
        page.See($"{first} and {second}, kept apart");

        // Why here, and why not somebody else.
        Choose(page, "1:0");
        page.See("Why here?", "Pinned here.");
        page.Choose("Why not somebody else?", second);
        page.See("It can be, at");

        // A machine fails before the session: as little as can be changes, and it is told.
        page.Choose("Machine", "Booth 4, Slip-side knob-and-tap");
        page.Choose("Out of order from", page.Texts("thead th")[1].Trim());
        page.See("out of order");
        page.Click("Mend it");
        Page.Until(() => page.Has("[aria-label='What became otherwise'] li"), "what became otherwise", TimeSpan.FromSeconds(60));
        page.See("It breaks no rule");
        Page.Until(() => WhoAt(page, "3:0").Length == 0, "nobody at the machine that is out of order");

        page.Click("What it takes");
        page.See("What to load", "Pieces to cut", "Gas, by bottle", "Job cards for all");

        using var student = demo.Open().StepInAs("Wynn Okafor");
        student.Open("/course");
        student.See("Booth ", "Straight beads on plate");
        Page.Until(() => student.Has("[aria-label^='Plan for']"), "the plan of the evening");
    }

    [Fact]
    public void The_stock_is_counted_and_a_length_that_cannot_be_is_told_at_its_field()
    {
        using var page = demo.Open().StepInAs("Sunniva Reyes");
        page.Open("/courses/stock");
        page.See("Where nothing is counted, it is not held back");
        page.Click("Add bars or plates");
        page.Type("Long, in", "9999");
        page.Click("Note the stock");
        page.See("0.787 in to 472");
        page.Type("Long, in", "118");
        page.Click("Note the stock");
        page.See("The stock is noted");
        page.Open("/courses/stock");
        Page.Until(() => page.Value("Long, in") == "118", "what was counted");
        page.Click("Not counted", within: "Bars and plates");
        page.Click("Note the stock");
        page.See("The stock is noted");
    }
}
