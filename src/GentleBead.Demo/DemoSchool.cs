using GentleBead.Core.Machines;
using GentleBead.Core.Stock;

namespace GentleBead.Demo;

/// <summary>Somebody at the made-up school.</summary>
public sealed record DemoPerson(string Login, string Name, bool IsInstructor);

/// <summary>A machine in its booth, and what it really does.</summary>
/// <param name="Booth">Booth number.</param>
/// <param name="Machine">The machine as the room knows it.</param>
/// <param name="TrueWireShare">What really leaves the tip, as a share of what the room believes; 1 when known rightly.</param>
public sealed record DemoMachine(int Booth, Machine Machine, double TrueWireShare);

/// <summary>
/// The training loft of a small wooden-boat yard that makes its own deck fittings and trailers. All of it is made up.
/// </summary>
public static class DemoSchool
{
    /// <summary>The school's name.</summary>
    public const string Name = "Tern Cove Boatyard, training loft";

    /// <summary>The class.</summary>
    public const string Class = "Deck fittings and trailers, evening class";

    /// <summary>The password of every account here; this school holds nothing worth guarding.</summary>
    public const string Password = "loft-practice";

    /// <summary>The instructor and the six students.</summary>
    public static IReadOnlyList<DemoPerson> People { get; } =
    [
        new("maren", "Maren Holloway", true),
        new("ilsa", "Ilsa Brandt", false),
        new("teodor", "Teodor Pike", false),
        new("wynn", "Wynn Okafor", false),
        new("jun", "Jun Castellan", false),
        new("petra", "Petra Lund", false),
        new("odell", "Odell Marsh", false),
    ];

    /// <summary>Four booths. The display in booth 3 was never measured, and shows a fifth more wire than it feeds.</summary>
    public static IReadOnlyList<DemoMachine> Machines { get; } =
    [
        new(1, new Machine("Grey digital", Wire.Solid08, Display("in/min", 60, 700, 1, new(150, 3.76), new(300, 7.5), new(450, 11.3)), Display("V", 12, 28, 0.1)), 1),
        new(2, new Machine("Old knob-and-tap", Wire.Solid08, Knob(new(20, 2.8), new(40, 6.0), new(70, 10.9)), Taps(new(1, 14.5), new(4, 18.0), new(7, 21.6), new(10, 25.5))), 1),
        new(3, new Machine("Green digital", Wire.Solid08, Display("in/min", 60, 700, 1), Display("V", 12, 28, 0.1)), 0.8),
        new(4, new Machine("Slip-side knob-and-tap", Wire.Solid09, Knob(new(15, 2.0), new(45, 6.4), new(75, 11.5)), Taps(new(1, 14.0), new(5, 18.9), new(10, 25.0))), 1),
    ];

    private static Control Display(string unit, double lowest, double highest, double step, params Reading[] readings) => new(ControlKind.Digital, lowest, highest, step, unit, readings);

    private static Control Knob(params Reading[] readings) => new(ControlKind.Knob, 0, 100, 1, "", readings);

    private static Control Taps(params Reading[] readings) => new(ControlKind.Tap, 1, 10, 1, "", readings);
}
