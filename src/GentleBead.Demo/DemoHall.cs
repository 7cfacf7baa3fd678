using GentleBead.Core.Machines;
using GentleBead.Core.Quantities;
using GentleBead.Core.Stock;

namespace GentleBead.Demo;

/// <summary>A course of the made-up school.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Path">What is learned in it, by the library's keys.</param>
/// <param name="Instructors">Who holds it, by login.</param>
/// <param name="Students">Who is on it, by login.</param>
public sealed record DemoCourse(string Name, IReadOnlyList<string> Path, IReadOnlyList<string> Instructors, IReadOnlyList<string> Students);

/// <summary>The boatyard's second room, and who learns there: mornings from scratch, test welds on Saturdays. All made up.</summary>
public static class DemoHall
{
    /// <summary>The room.</summary>
    public const string Room = "Slip hall";

    /// <summary>Twenty students more: fourteen in the mornings, six for Saturdays alone.</summary>
    public static IReadOnlyList<DemoPerson> Students { get; } =
    [
        .. new[]
        {
            ("anouk", "Anouk Ferrell"),
            ("bryn", "Bryn Aldous"),
            ("cleo", "Cleo Marrant"),
            ("dario", "Dario Quill"),
            ("edda", "Edda Stroud"),
            ("fenno", "Fenno Gaskin"),
            ("greta", "Greta Ombley"),
            ("hale", "Hale Torvin"),
            ("imre", "Imre Costane"),
            ("jorun", "Jorun Pell"),
            ("kaya", "Kaya Brindle"),
            ("lorcan", "Lorcan Voss"),
            ("mirthe", "Mirthe Azzam"),
            ("nico", "Nico Harrowby"),
            ("oona", "Oona Delacey"),
            ("pavel", "Pavel Sund"),
            ("quinn", "Quinn Ostrander"),
            ("runa", "Runa Fairley"),
            ("sil", "Sil Monteith"),
            ("tove", "Tove Kestrin"),
        }.Select(person => new DemoPerson(person.Item1, person.Item2, false)),
    ];

    /// <summary>Mornings: steel from the first bead to the T-joint that is cut.</summary>
    public static DemoCourse Morning { get; } =
        new(
            "Steel from scratch, mornings",
            ["mig-bead", "mig-pad", "mig-lap-2f", "mig-t-2f", "mig-t-2f-section", "mig-corner", "mig-butt", "tig-puddle", "tig-bead"],
            ["sunniva"],
            [.. Students.Take(14).Select(person => person.Login)]
        );

    /// <summary>Saturdays: what leads up to a test weld, and the test welds.</summary>
    public static DemoCourse Saturday { get; } =
        new(
            "Test welds, Saturdays",
            ["mig-t-2f", "mig-t-2f-section", "mig-t-passes", "mig-test-2f", "mig-t-3f-up", "mig-test-3f"],
            ["maren", "sunniva"],
            [.. Students.Skip(14).Select(person => person.Login)]
        );

    /// <summary>
    /// Ten booths. Booth 5 has a TIG machine besides; the rolls of booth 6 are worn and feed a sixth less than its dial says.
    /// </summary>
    public static IReadOnlyList<DemoMachine> Machines { get; } =
    [
        new(1, Mig("Slip 1", Wire.Solid08), 1),
        new(2, Mig("Slip 2", Wire.Solid08), 1),
        new(3, Mig("Slip 3", Wire.Solid08), 1),
        new(4, Mig("Slip 4", Wire.Solid09), 1),
        new(5, Mig("Slip 5", Wire.Solid08), 1),
        new(5, Tig("Slip 5 TIG", ac: false), 1),
        new(6, Mig("Slip 6", Wire.Solid08), 0.84),
        new(7, Mig("Slip 7", Wire.Solid09), 1),
        new(8, Mig("Slip 8", Wire.Solid08), 1),
        new(9, Tig("Slip 9 TIG", ac: true), 1),
        new(10, Tig("Slip 10 TIG", ac: true), 1),
    ];

    private static Machine Mig(string name, Wire wire) =>
        new(
            name,
            Load.Of(wire),
            new Control(ControlKind.Digital, 1.5, 18, 0.1, "m/min", [new(4, 4), new(8, 8), new(12, 12)]),
            new Control(ControlKind.Digital, 12, 30, 0.1, "V", []),
            Rating: new Rating(Current.FromAmps(180), 35, Current.FromAmps(220)),
            Inductance: true,
            VoltsUnderLoad: true
        );

    private static Machine Tig(string name, bool ac) =>
        new(
            name,
            new Load(null, Gas.Argon, Polarity.TorchMinus, Tungsten: Length.FromMm(2.4)),
            null,
            null,
            new Control(ControlKind.Digital, 5, 200, 1, "A", []),
            new Rating(Current.FromAmps(160), 35, Current.FromAmps(200)),
            HasAc: ac
        );
}
