using GentleBead.Core.Costs;
using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Rules;
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

    /// <summary>The room they learn in.</summary>
    public const string Room = "Loft";

    /// <summary>What they learn, by the library's keys.</summary>
    public static IReadOnlyList<string> Path { get; } =
    [
        "mig-bead",
        "mig-pad",
        "mig-lap-2f",
        "mig-t-2f",
        "mig-t-2f-section",
        "mig-corner",
        "mig-butt",
        "mig-sheet-lap",
        "mig-t-3f-up",
        "mig-t-passes",
        "mig-test-2f",
    ];

    /// <summary>The password of every account here; this school holds nothing worth guarding.</summary>
    public const string Password = "loft-practice";

    /// <summary>The two instructors and the six students of the evening class.</summary>
    public static IReadOnlyList<DemoPerson> People { get; } =
    [
        new("maren", "Maren Holloway", true),
        new("sunniva", "Sunniva Reyes", true),
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
        new(
            1,
            new Machine(
                "Grey digital",
                Load.Of(Wire.Solid08),
                Display("in/min", 60, 700, 1, new(150, 3.76), new(300, 7.5), new(450, 11.3)),
                Display("V", 12, 28, 0.1),
                Display("A", 5, 200, 1),
                new Rating(Current.FromAmps(150), 30, Current.FromAmps(200)),
                Inductance: true,
                VoltsUnderLoad: true,
                HasAc: true
            ),
            1
        ),
        new(
            2,
            new Machine(
                "Old knob-and-tap",
                Load.Of(Wire.Solid08),
                Knob(new(20, 2.8), new(40, 6.0), new(70, 10.9)),
                Taps(new(1, 14.5), new(4, 18.0), new(7, 21.6), new(10, 25.5)),
                Rating: new Rating(Current.FromAmps(130), 25, Current.FromAmps(180))
            ),
            1
        ),
        new(3, new Machine("Green digital", Load.Of(Wire.Solid08), Display("in/min", 60, 700, 1), Display("V", 12, 28, 0.1)), 0.8),
        new(
            4,
            new Machine(
                "Slip-side knob-and-tap",
                Load.Of(Wire.Solid09),
                Knob(new(15, 2.0), new(45, 6.4), new(75, 11.5)),
                Taps(new(1, 14.0), new(5, 18.9), new(10, 25.0))
            ),
            1
        ),
    ];

    /// <summary>Charts on the doors: booth 1's a bit rich on wire, booth 2's short of volts on thick plate.</summary>
    public static IReadOnlyList<(int Booth, DoorChart Chart)> Charts { get; } =
    [
        (
            1,
            new DoorChart(
                Process.GmawShortCircuit,
                Wire.Solid08,
                Gas.ArgonCarbon25,
                [Step("18 ga", 120, 15.5), Step("16 ga", 150, 16.2), Step("14 ga", 185, 17.2), Step("1/8", 280, 19), Step("3/16", 390, 22)]
            )
        ),
        (
            2,
            new DoorChart(
                Process.GmawShortCircuit,
                Wire.Solid08,
                Gas.ArgonCarbon25,
                [Step("16 ga", 24, 2), Step("1/8", 44, 5), Step("1/4", 70, 6)]
            )
        ),
    ];

    /// <summary>What the school pays: made up, as everything here.</summary>
    public static PriceList Prices { get; } =
        new(
            "$",
            [new(Wire.Solid08, 5.9), new(Wire.Solid09, 5.6), new(Wire.Solid06, 8.4)],
            [new(Gas.ArgonCarbon25, 11), new(Gas.Argon, 14)],
            [new(Part.Tip, 0.9), new(Part.Nozzle, 7.5), new(Part.Liner, 18)]
        );

    /// <summary>What was seen to on the machines, days ago.</summary>
    public static IReadOnlyList<(int Booth, Part Part, int DaysAgo, string Note)> Upkeep { get; } =
    [
        (1, Part.Tip, 5, ""),
        (1, Part.Nozzle, 5, "spatter caked on"),
        (1, Part.Rolls, 40, ""),
        (1, Part.Liner, 90, "blown out"),
        (1, Part.Diffuser, 12, ""),
        (2, Part.Tip, 19, "oval"),
        (2, Part.Nozzle, 2, ""),
        (3, Part.Tip, 12, ""),
        (4, Part.Nozzle, 9, ""),
    ];

    /// <summary>Gas bottles: water volume in litres, pressure in bar, read days ago.</summary>
    public static IReadOnlyList<(int Booth, double WaterL, double Bar, int DaysAgo)> Bottles { get; } =
    [(1, 50, 165, 2), (2, 20, 40, 2), (4, 50, 210, 5)];

    /// <summary>Named sheets.</summary>
    public static IReadOnlyList<(string Name, Job Job)> Presets { get; } =
    [
        (
            "Galley sink",
            new Job(Thickness.Parse("0.060 in"), Joint.SquareButt, Position.Flat, null, Process.GtawDc, Metal.Stainless, Gas.Argon)
        ),
        ("Hatch hinge", new Job(Thickness.Parse("1/8"), Joint.Lap, Position.Horizontal, Wire.Solid08)),
        ("Trailer tongue", new Job(Thickness.Parse("3/8"), Joint.T, Position.Flat, Wire.GasShielded12, Process.FcawGasShielded)),
    ];

    private static ChartStep Step(string thickness, double wireMark, double voltMark) =>
        new(Thickness.Parse(thickness), wireMark, voltMark);

    private static Control Display(string unit, double lowest, double highest, double step, params Reading[] readings) =>
        new(ControlKind.Digital, lowest, highest, step, unit, readings);

    private static Control Knob(params Reading[] readings) => new(ControlKind.Knob, 0, 100, 1, "", readings);

    private static Control Taps(params Reading[] readings) => new(ControlKind.Tap, 1, 10, 1, "", readings);
}
