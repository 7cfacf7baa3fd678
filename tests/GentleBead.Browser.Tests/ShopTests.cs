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
        page.SeeIn("Marks of Green digital", "280");
        page.Why("the wire mark");
        page.See("The display, believed");

        // The display shows 240 and the ruler says 192: 19.2 in in 6 seconds, a fifth less, all along the dial.
        ToMachine("Green digital");
        Fill("240", "19.2");
        Page.Until(() => Wire().Contains("240 in/min gives 192 in/min", StringComparison.Ordinal), "the reading in the list");
        Assert.Contains("The display reads 25 % high", Wire(), StringComparison.Ordinal);
        Fill("300", "15");
        Page.Until(() => Wire().Contains("is not above the one at 240", StringComparison.Ordinal), "the stray reading pointed out");

        page.Open("/");
        page.Click("Sheet", within: "Booth 3");
        page.See("It should sound");
        page.SeeIn("Marks of Green digital", "350");
        page.Why("the wire mark");
        page.See("1 reading on Green digital");

        // A wrong reading is withdrawn, with a way back.
        ToMachine("Green digital");
        page.Click("Withdraw the reading at 240");
        Page.Until(() => Wire().Contains("Never measured", StringComparison.Ordinal), "the reading gone");
        page.Click("Undo");
        Page.Until(() => Wire().Contains("240 in/min gives 192 in/min", StringComparison.Ordinal), "the reading back");

        void ToMachine(string name)
        {
            page.Open("/machines");
            page.Click(name);
            page.See("What the marks really give");
        }

        void Fill(string mark, string length)
        {
            page.Type("Wire mark", mark);
            page.Type("Wire length", length);
            page.Click("Add reading", within: "Wire readings");
        }

        string Wire() => page.Part("Wire readings");
    }

    [Fact]
    public async Task Students_change_places_and_the_room_shows_it_on_every_screen()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        using var other = new Page(server.Address).StepInAs("Petra Lund");
        other.See("You stand at no booth yet");
        page.See("At no booth: Odell Marsh, Petra Lund");
        page.Stand("Petra Lund", booth: 4);
        page.See("At no booth: Jun Castellan, Odell Marsh");
        other.See("You stand at booth 4");
        // Her newest sheet is an earlier evening's; the booth waits for tonight's.
        page.SeeIn("Booth 4", "No sheet given out");
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
            foreach (var number in new[] { "280 in/min", "20.0 V", "140 A", "5/32 in", "13.7 in/min", "21 to 25 ft³/h", "47", "tap 6" })
                Assert.Contains(number, Flat(sheet), StringComparison.Ordinal);
        }
        page.Click("Units: inch");
        page.See("7.1");
        foreach (var number in new[] { "7.1 m/min", "4.2 mm", "347 mm/min", "10 to 12 L/min", "0.39 kJ/mm" })
            Assert.Contains(number, Flat(page.Part("Settings sheet")), StringComparison.Ordinal);

        static string Flat(string text) => text.ReplaceLineEndings(" ");
    }
}
