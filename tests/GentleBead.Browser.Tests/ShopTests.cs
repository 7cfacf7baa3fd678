using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

public class ShopTests
{
    [Fact]
    public async Task One_reading_with_ruler_and_watch_changes_the_marks_of_the_next_sheet()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        page.Click("Sheet", within: "Booth 3");
        page.See("It should sound");
        Assert.Contains("280", page.Part("Marks of Green digital"), StringComparison.Ordinal);
        page.Click("Why the wire mark?");
        page.See("The display, believed");

        // The display shows 240 and the ruler says 192: a fifth less, all along the dial.
        page.Open("/shop");
        Fill("240", "192");
        Page.Until(() => Machine3().Contains("240 gives 192 in/min", StringComparison.Ordinal), "the reading in the list");
        Fill("300", "150");
        Page.Until(() => Machine3().Contains("is not above the one at 240", StringComparison.Ordinal), "the stray reading pointed out");

        page.Open("/");
        page.Click("Sheet", within: "Booth 3");
        page.See("It should sound");
        Assert.Contains("350", page.Part("Marks of Green digital"), StringComparison.Ordinal);
        page.Click("Why the wire mark?");
        page.See("1 reading on Green digital");

        // A wrong reading is withdrawn, with a way back.
        page.Open("/shop");
        page.Click("Withdraw the reading at 240");
        Page.Until(() => Machine3().Contains("Never measured", StringComparison.Ordinal), "the reading gone");
        page.Click("Undo");
        Page.Until(() => Machine3().Contains("240 gives 192 in/min", StringComparison.Ordinal), "the reading back");

        void Fill(string mark, string measured)
        {
            page.Type("Wire mark", mark, within: "Machine of booth 3");
            page.Type("Wire measured", measured, within: "Machine of booth 3");
            page.Click("Add reading", within: "Machine of booth 3");
        }

        string Machine3() => page.Part("Machine of booth 3");
    }

    [Fact]
    public async Task Students_change_places_and_the_room_shows_it_on_every_screen()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        using var other = new Page(server.Address).StepInAs("Petra Lund");
        other.See("You stand at no booth yet");
        page.See("At no booth: Odell Marsh, Petra Lund");
        page.Choose("Who stands at booth 4", "Petra Lund");
        page.See("At no booth: Jun Castellan, Odell Marsh");
        other.See("You stand at booth 4");
        // Her newest sheet is an earlier evening's; the booth waits for tonight's.
        Assert.Contains("No sheet given out", page.Part("Booth 4"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task The_same_sheet_reads_in_inches_and_in_metric_however_the_plate_was_typed()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        page.Click("Sheet", within: "Booth 2");
        foreach (var typed in new[] { "0.125 in", "3.175", "1/8 in", ".125" })
        {
            page.Type("Plate thickness", typed);
            page.See($"{typed} T, horizontal");
            var sheet = page.Part("Settings sheet");
            foreach (var number in new[] { "280 in/min", "20.0 V", "140 A", "5/32 in", "13.7 in/min", "21 to 25 ft³/h", "47", "tap 6" }) Assert.Contains(number, Flat(sheet), StringComparison.Ordinal);
        }
        page.Click("Units: inch");
        page.See("7.1");
        foreach (var number in new[] { "7.1 m/min", "4.2 mm", "347 mm/min", "10 to 12 L/min", "0.39 kJ/mm" }) Assert.Contains(number, Flat(page.Part("Settings sheet")), StringComparison.Ordinal);

        static string Flat(string text) => text.ReplaceLineEndings(" ");
    }
}
