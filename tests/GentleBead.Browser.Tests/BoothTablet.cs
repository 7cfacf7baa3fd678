using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>A booth's tablet, made one and stood at as people do.</summary>
internal static class BoothTablet
{
    /// <summary>Pairs a tablet with booth 1 and has a student say that they stand there.</summary>
    public static void Stand(Page room, Page tablet, string student)
    {
        room.Open("/settings/tablets");
        room.Click("Booth 1");
        room.See("Shown this once");
        var code = CodeOn(room);
        var pin = PinOf(room, student);
        tablet.Click("This tablet belongs to a booth");
        tablet.Type("Code", code);
        tablet.Click("Make it the booth’s");
        tablet.See("Who stands here?");
        tablet.Click(student);
        Press(tablet, pin);
        tablet.See("Leave", "Danger here");
    }

    /// <summary>The code that an instructor's screen shows.</summary>
    public static string CodeOn(Page room) =>
        room.Run<string>("return document.querySelector('[aria-label=\"Pair a tablet\"] [role=status] p').textContent");

    /// <summary>Gives a student a PIN for the booth.</summary>
    public static string PinOf(Page room, string student)
    {
        room.OpenStudent(student);
        room.Click("A PIN for the booth");
        room.See("It is shown this once");
        var pin = room.Run<string>("return document.querySelector('[role=status] p[class*=code]').textContent");
        room.Open("/settings/tablets");
        return pin;
    }

    /// <summary>Types a PIN.</summary>
    public static void Press(Page tablet, string pin)
    {
        foreach (var figure in pin)
            tablet.Click($"{figure}");
        tablet.Click("OK");
    }
}
