using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>A second room, and a machine that goes there and comes back to stand beside another.</summary>
public class RoomsTests
{
    [Fact]
    public async Task A_machine_goes_to_another_room_and_comes_back_beside_another_and_each_booth_says_what_stands_there()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        page.Open("/settings/rooms");
        page.See("Another room", "Grey digital");
        page.Type("Name", "loft", within: "Another room");
        page.Click("Add room");
        page.See("There is a room called loft already");
        page.Type("Name", "Yard", within: "Another room");
        page.Click("Add room");
        Page.Until(() => page.Has("[aria-label='Yard']"), "the new room");
        page.Click("Add booth", within: "Yard");
        Page.Until(() => page.Part("Yard").Contains("no machine", StringComparison.Ordinal), "its first booth");

        Move(page, "Slip-side knob-and-tap", "Yard", "Booth 1", "for the gangway");
        page.SeeIn("Where it stands", "for the gangway");
        page.Click("Today");
        Page.Until(
            () => page.Part("Booth 4").Contains("No machine", StringComparison.Ordinal),
            "a booth without a machine on today's page"
        );
        page.Click("Sheet", within: "Booth 4");
        page.See("No machine stands here");

        // Another comes in its place: what was given out is not worked to on its dials.
        Move(page, "Green digital", "Loft", "Booth 4", "");
        page.Click("Today");
        page.Click("Bench", within: "Booth 4");
        page.See("The machine this sheet was made for stands here no more", "Make a sheet for Green digital");
        Move(page, "Green digital", "Loft", "Booth 3", "");

        // Beside another: the sheet is made for the one that is picked, and in its marks.
        Move(page, "Slip-side knob-and-tap", "Loft", "Booth 3, Green digital", "");
        page.Click("Today");
        page.Click("Sheet", within: "Booth 3");
        page.See("It should sound");
        page.Click("Slip-side knob-and-tap", within: "Machine");
        Page.Until(() => page.Has("[aria-label='Marks of Slip-side knob-and-tap']"), "the marks of the machine that was picked");
        page.Click("Green digital", within: "Machine");
        Page.Until(() => page.Has("[aria-label='Marks of Green digital']"), "the marks of the other");
    }

    private static void Move(Page page, string machine, string room, string to, string note)
    {
        page.Open("/machines");
        page.Click(machine);
        page.See("Where it stands");
        page.Choose("Room", room, within: "Move it");
        page.Choose("Move to", to, within: "Move it");
        page.Type("Note", note, within: "Move it");
        page.Click("Move it");
        page.See("The machine is moved");
        Page.Until(
            () => page.Part("Where it stands").Contains($"{to.Split(',')[0]}, {room}", StringComparison.Ordinal),
            "where it stands now"
        );
    }
}
