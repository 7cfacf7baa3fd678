using System.Globalization;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>Sessions planned, dated wrongly and dated anew, while the one on tonight stays on.</summary>
public class SessionsTests(DemoServer demo)
{
    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.Now);

    private static string Year(DateOnly day) => day.Year.ToString(CultureInfo.InvariantCulture);

    [Fact]
    public void A_day_that_cannot_be_meant_is_told_at_its_field_and_a_planned_session_changes_its_day()
    {
        using var page = demo.Open().StepInAs("Maren Holloway");
        Page.Until(() => page.Has("[aria-label='Booth 4']"), "the booths");
        var booths = page.Count("[aria-label^='Booth ']");
        page.Open("/sessions");
        page.See("Another session");

        page.Type("Title", "Saturday repair class", within: "Another session");
        page.SetDay("Day", Today.AddYears(7), within: "Another session");
        page.Click("Add the session");
        page.See("Is the year right?");
        Assert.Equal("Saturday repair class", page.Value("Title"));

        // The demo's course has the room today, the day after tomorrow and every week from then: not on this day, at whatever hour.
        page.SetDay("Day", Today.AddDays(8), within: "Another session");
        page.Click("Add the session");
        Page.Until(() => page.Part("Sessions").Contains("Saturday repair class", StringComparison.Ordinal), "the session in the list");
        Assert.Matches($"Saturday repair class\\s.*{Year(Today.AddDays(8))}, .*, planned", page.Part("Sessions"));

        page.Click("Saturday repair class", startsWith: true);
        page.Click("Change");
        page.SetDay("Day", Today.AddDays(-4), within: "Change the session");
        page.Click("Save");
        page.See("The session is changed");
        page.Open("/sessions");
        Page.Until(() => page.Text.Contains("Saturday repair class", StringComparison.Ordinal), "the session among those of before");
        Assert.DoesNotMatch("Saturday repair class\\s.*planned", page.Part("Sessions"));

        // Tonight's is another, and nobody was moved.
        page.Click("Today");
        page.SeeNot("Saturday repair class");
        Page.Until(() => page.Count("[aria-label^='Booth ']") == booths, "every booth");
    }
}
